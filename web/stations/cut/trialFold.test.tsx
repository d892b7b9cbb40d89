// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { INCH } from '../../../core/quantity/units'
import { defaultRules } from '../../../core/rules/rules'
import { answering, mount, Refused } from '../../testing/bench'
import { TrialFold } from './TrialFold'

const sheet = { materialId: 'al5754', thicknessMm: 2 }
const kept = { on: '2026-11-20', ...sheet, radiusMm: 3, angleDeg: 90, blankMm: 96, legAMm: 40, legBMm: 60, by: 'Ruth' }
const shelf = (foldTrials: (typeof kept)[] = []) => ({ revision: 4, document: { ...defaultRules, foldTrials } })
const sent = (calls: { method: string; body: unknown }[]) =>
  calls.filter((c) => c.method === 'PUT').map((c) => JSON.parse(String(c.body)).document.foldTrials)

test('nobody has tried it: said with what is reckoned instead; a trial is typed, its K is seen before it is kept, and it is taken away again', async () => {
  const { calls } = answering({ 'GET /shelves/rules': shelf(), 'PUT /shelves/rules': shelf([kept]) })
  const { user } = mount(<TrialFold sheet={sheet} />)
  expect(await screen.findByText(/Nobody has folded this sheet on trial: K 0\.42 and an inside radius of 3 mm/)).toBeTruthy()
  await user.click(screen.getByRole('button', { name: 'Type a trial fold' }))
  const keep = screen.getByRole('button', { name: 'Keep this trial' }) as HTMLButtonElement
  const type = (label: string, text: string) => user.type(screen.getByLabelText(label), `${text}{Enter}`)
  await type('Length cut', '96')
  await type('First leg', '40')
  await type('Second leg', '58')
  expect(keep.disabled).toBe(true)
  await type('Inside radius', '3')
  // 2 mm of the second leg were missed
  expect((await screen.findByRole('alert')).textContent).toMatch(/K comes out at 1\.05/)
  expect(keep.disabled).toBe(true)
  await user.clear(screen.getByLabelText('Second leg'))
  await type('Second leg', '60')
  await waitFor(() => expect(screen.getByRole('status').textContent).toBe('K 0.410'))
  await user.click(keep)
  await waitFor(() => expect(sent(calls)).toHaveLength(1))
  expect(sent(calls)[0][0]).toMatchObject({ ...sheet, blankMm: 96, legAMm: 40, legBMm: 60, radiusMm: 3, angleDeg: 90 })
  const known = await screen.findByText(/One trial fold of this sheet, the last on 2026-11-20/)
  expect(known.textContent).toMatch(/K 0\.41, inside radius 3 mm/)
  // K opens its working: the handbook turned round, and what was measured
  await user.click(within(known).getByRole('button', { name: /K factor of the trial/ }))
  expect((await screen.findByText(/Machinery’s Handbook.*turned round; trials of the shop/)).textContent).toBeTruthy()
  await user.keyboard('{Escape}')
  await user.click(screen.getByRole('button', { name: 'Type a trial fold' }))
  const list = screen.getByRole('list', { name: 'Trial folds of this sheet' })
  await user.click(within(list).getByRole('button', { name: 'Take it away' }))
  await waitFor(() => expect(sent(calls)).toHaveLength(2))
  expect(sent(calls)[1]).toEqual([])
})

test('in inches; and a shelf that somebody else changed says that it was not kept', async () => {
  answering({
    'GET /shelves/rules': shelf([kept]),
    'PUT /shelves/rules': new Refused(409, { faults: [{ where: 'revision', expected: 'the newest rules' }] }),
  })
  const { user } = mount(<TrialFold sheet={sheet} />, INCH)
  expect((await screen.findByText(/One trial fold of this sheet/)).textContent).toMatch(/K 0\.41, inside radius 0\.118 in/)
  await user.click(screen.getByRole('button', { name: 'Type a trial fold' }))
  await user.click(screen.getByRole('button', { name: 'Take it away' }))
  expect((await screen.findByRole('alert')).textContent).toContain('Not kept: revision: the newest rules')
})
