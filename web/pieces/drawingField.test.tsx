// @vitest-environment jsdom
import { screen, waitFor } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { cuttingDxf } from '../../core/drawing/sheetDrawing'
import { demoJobs } from '../../core/job/demoJobs'
import { evaluate } from '../../core/job/evaluate'
import { defaultRules } from '../../core/rules/rules'
import { useView } from '../drawing/view'
import { undo } from '../job/jobStore'
import { benchJob, mount, onBench, WithJob } from '../testing/bench'
import { useInHand } from './inHand'
import { PieceForm } from './PieceForm'

vi.mock('../drawing/SheetView', () => ({ SheetView: () => null }))
afterEach(() => useView.setState({ pieceId: null, selected: null }))
const flight = demoJobs.find((j) => j.title.startsWith('Slotted'))!
function Form() {
  const inHand = useInHand(benchJob())
  return inHand && <PieceForm inHand={inHand} />
}
const panel = () => benchJob().pieces[0]!.params as { drawn: { name: string; holes: unknown[] } | null; lengthMm: number; heightMm: number }
const plate = evaluate(flight, defaultRules).assembly.plates.find((p) => p.id === 'p1/panel:0')!
const dxf = cuttingDxf([{ plate: { ...plate, bends: [] }, mark: 'PN', on: (p) => p }], defaultRules)
const file = (text: string, name = 'wall.dxf') => Object.assign(new File([text], name), { text: () => Promise.resolve(text) })

test('a drawing is shown first with its size and cut-outs, and counts once it is used; taken away, or undone, the panel is typed again', async () => {
  onBench(flight)
  const { user } = mount(<WithJob>{() => <Form />}</WithJob>)
  await user.upload(screen.getByLabelText('Part drawing'), file(dxf))
  expect((await screen.findByRole('status')).textContent).toMatch(/^820 × 62\d\.\d, \d+ cut-outs$|^820 × 62\d, \d+ cut-outs$/)
  expect(panel().drawn).toBeNull()
  await user.click(screen.getByRole('button', { name: 'Use this edge' }))
  await waitFor(() => expect(panel().drawn?.name).toBe('wall.dxf'))
  expect([Math.round(panel().lengthMm), panel().drawn!.holes.length]).toEqual([820, plate.holes.length])
  expect(screen.queryByRole('textbox', { name: 'Length' })).toBeNull()
  await user.click(screen.getByRole('button', { name: 'Take it away' }))
  expect(panel().drawn).toBeNull()
  undo()
  expect(panel().drawn?.name).toBe('wall.dxf')
})
test('one that is open says where, without a unit it asks, and left alone it changes nothing', async () => {
  onBench(flight)
  const { user } = mount(<WithJob>{() => <Form />}</WithJob>)
  const bare = dxf.replace(/(\$INSUNITS\r?\n\s*70\r?\n\s*)\d+/, '$10')
  await user.upload(screen.getByLabelText('Part drawing'), file(bare))
  expect(await screen.findByText(/does not say what it is drawn in/)).toBeTruthy()
  expect(screen.getByRole('button', { name: 'Use this edge' })).toHaveProperty('disabled', true)
  await user.click(screen.getByRole('combobox', { name: 'Its lengths are' }))
  await user.click(screen.getByRole('option', { name: 'millimetres' }))
  expect((await screen.findByRole('status')).textContent).toMatch(/the file itself does not say in what/)
  await user.click(screen.getByRole('button', { name: 'Leave it' }))
  expect(panel().drawn).toBeNull()
})
