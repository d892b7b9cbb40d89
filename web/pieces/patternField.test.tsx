// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { demoParts } from '../../core/catalogue/boughtParts'
import { BracketsParams } from '../../core/families/brackets/params'
import { demoJobs } from '../../core/job/demoJobs'
import { useView } from '../drawing/view'
import { undo } from '../job/jobStore'
import { answering, benchJob, mount, onBench, WithJob } from '../testing/bench'
import { useInHand } from './inHand'
import { PieceForm } from './PieceForm'

afterEach(() => useView.setState({ pieceId: null, selected: null }))
const [survey] = demoJobs
function Form() {
  const inHand = useInHand(benchJob())
  return inHand && <PieceForm inHand={inHand} />
}
const params = () => benchJob().pieces.at(-1)!.params as BracketsParams
const shown = () => {
  answering({ '/shelves/parts': { revision: 1, document: demoParts } })
  const piece = {
    ...{ id: 'p9', name: '', letter: 'B', family: 'brackets', on: 'p1', state: 'fitted' as const },
    params: BracketsParams.parse({ form: 'step', runs: 'ahead', atMm: [400, 800], massKg: 8 }),
  }
  onBench({ ...survey, pieces: [...survey.pieces, piece] })
  useView.setState({ pieceId: 'p9' })
  const { user } = mount(<WithJob>{() => <Form />}</WithJob>)
  const group = within(screen.getByRole('group', { name: 'Holes of what it holds' }))
  return { user, group }
}

test('holes are taken whole from a part on the shelf, and undone at once', async () => {
  const { user, group } = shown()
  const foot = demoParts.find((p) => p.kind === 'foot')!
  await user.click(group.getByRole('combobox', { name: 'Taken from' }))
  await user.click(await screen.findByRole('option', { name: new RegExp(foot.name) }))
  expect(params().other).toEqual({ name: foot.name, holes: foot.holes })
  expect(group.getByRole('combobox', { name: 'Taken from' }).textContent).toContain(foot.name)
  undo()
  expect(params().other.holes).toHaveLength(2)
})
test('or typed one by one: another stands a pitch beside the last; changed, it is that part’s no more; the last one stays', async () => {
  const { user, group } = shown()
  await user.click(group.getByRole('button', { name: '2 holes' }))
  await user.click(group.getByRole('button', { name: 'Add a hole' }))
  expect(params().other.holes.at(-1)).toEqual({ xMm: 40, yMm: 40, diameterMm: 9 })
  const across = group.getByRole('textbox', { name: 'Hole 3, along' })
  await user.clear(across)
  await user.type(across, '55{Enter}')
  expect(params().other.holes.at(-1)!.xMm).toBe(55)
  await user.clear(across)
  await user.type(across, 'abc{Enter}')
  // what is no length changes nothing
  expect(params().other.holes.at(-1)!.xMm).toBe(55)
  await user.click(group.getByRole('button', { name: 'Remove hole 3' }))
  await user.click(group.getByRole('button', { name: 'Remove hole 2' }))
  expect(params().other.holes).toHaveLength(1)
  expect(group.queryByRole('button', { name: /Remove hole/ })).toBeNull()
})
