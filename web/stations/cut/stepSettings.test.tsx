// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { demoJobs } from '../../../core/job/demoJobs'
import { INCH } from '../../../core/quantity/units'
import { demoWorkshop } from '../../../core/workshop/workshop'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import { StepSettings } from './StepSettings'

const jobOf = (family: string) => demoJobs.find((j) => j.pieces.some((p) => p.family === family))!
const shown = (stepId: string, job = jobOf('hoop-basket'), workshop = demoWorkshop, units?: typeof INCH) => {
  onBench(job)
  answering({})
  return mount(<WithJob>{(j) => <StepSettings stepId={stepId} job={j} workshop={workshop} />}</WithJob>, units)
}

test('at the bender: each hoop with its marks and what to pull to by the trials of its die; untried it says so first', () => {
  const { unmount } = shown('bend')
  const [hoop] = within(screen.getByRole('list', { name: 'Bends' })).getAllByRole('listitem')
  // 93 pulled came back to 90.4, 62 to 60.1: (2.88 % + 3.16 %)/2 more than the turn
  const [, turned] = /pull to ([\d.]+) ?°/.exec(hoop!.textContent ?? '') ?? []
  expect(Number(turned) / 1.0302).toBeGreaterThan(20)
  expect(hoop!.textContent).toMatch(/marks from the (first|second) end1: at \d+/)
  unmount()
  shown('bend', undefined, { ...demoWorkshop, dies: demoWorkshop.dies.map((d) => ({ ...d, trials: [] })) })
  expect(screen.getByRole('list', { name: 'Bends' }).textContent).toMatch(/trial bend first/)
  expect(screen.queryByText(/pull to/)).toBeNull()
})

test('at the drill every hole is ticked part by part, with its drill', async () => {
  const { user } = shown('drill', jobOf('cab-guard'))
  const list = screen.getByRole('list', { name: 'Holes' })
  expect(list.textContent).toMatch(/\d+ × [\d.]+ mm for M\d/)
  const [first] = within(list).getAllByRole('checkbox')
  await user.click(first!)
  await waitFor(() => expect(Object.keys(benchJob().built).length).toBeGreaterThan(Object.keys(jobOf('cab-guard').built).length))
})

test('at the torch the welds in their order; at the wrench each size once, in the job’s units; at other steps nothing is set', () => {
  const { unmount } = shown('weld')
  expect(within(screen.getByRole('list', { name: 'Welds' })).getAllByRole('listitem')[0]!.textContent).toMatch(
    /^1 .*leg [\d.]+ mm, .*(MIG|TIG|stick), /,
  )
  unmount()
  const torque = shown('fit', jobOf('chest'), demoWorkshop, INCH)
  const rows = within(screen.getByRole('list', { name: 'Torque' }))
    .getAllByRole('listitem')
    .map((r) => r.textContent)
  // M8 of A2-70: 19.8 N·m, which is 14.6 lbf·ft
  expect(rows.some((r) => /^14\.6 lbf·ft .*× M8/.test(r ?? ''))).toBe(true)
  torque.unmount()
  const { container } = shown('paint')
  expect(container.textContent).toBe('')
})
