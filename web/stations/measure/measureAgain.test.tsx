// @vitest-environment jsdom
import { act, screen, within } from '@testing-library/react'
import { expect, test, vi } from 'vitest'
import { demoJobs } from '../../../core/job/demoJobs'
import { INCH } from '../../../core/quantity/units'
import { atStake } from '../../../core/remeasure/atStake'
import { editJob } from '../../job/jobStore'
import { answering, mount, onBench, WithJob } from '../../testing/bench'
import { MeasureAgain } from './MeasureAgain'

vi.mock('../../job/useEvaluation', async (real) => ({
  ...(await real<typeof import('../../job/useEvaluation')>()),
  openBench: () => ({
    run: (work: (api: object) => unknown) => work({ atStake: async (...given: Parameters<typeof atStake>) => atStake(...given) }),
    stop: () => undefined,
  }),
}))
const [survey, oyster] = demoJobs
const ask = { name: 'What could a wrong reading scrap?' }

test('readings stand with what they scrap, lead to their sheet, and a change of the job takes the answer away', async () => {
  answering({})
  onBench(oyster!)
  const gone: string[] = []
  const { user } = mount(<WithJob>{(job) => <MeasureAgain job={job} go={(sheet) => gone.push(sheet)} />}</WithJob>)
  await user.click(screen.getByRole('button', ask))
  const list = await screen.findByRole('list', { name: 'Readings to take again' })
  const [first] = within(list).getAllByRole('listitem')
  expect(first!.textContent).toMatch(/Bed.*± 2 mm, tape: [\d.]+ of metal and work.*short or long/)
  await user.click(within(first!).getByRole('button'))
  expect(gone).toEqual(['bed'])
  expect(screen.getByText(/Or leave long and trim at the fit/).parentElement!.textContent).toMatch(/B-TB by \d+ mm/)
  act(() => editJob((j) => ({ ...j, brief: { ...j.brief, speedKmh: 80 } })))
  expect(screen.queryByRole('list', { name: 'Readings to take again' })).toBeNull()
  expect(screen.getByText(/changed since: ask again/)).toBeTruthy()
})

test('in inches; a job whose readings are good enough says so; one of no piece asks nothing', async () => {
  answering({})
  onBench({ ...survey, units: INCH })
  const inch = mount(<WithJob>{(job) => <MeasureAgain job={job} go={() => undefined} />}</WithJob>)
  await inch.user.click(screen.getByRole('button', ask))
  expect((await screen.findByRole('list', { name: 'Readings to take again' })).textContent).toMatch(/″|in\b/)
  inch.unmount()
  const mounts = survey.vehicle.mounts.map((m) => ({ ...m, taken: { ...m.taken, method: 'template' as const, toleranceMm: 0.2 } }))
  onBench({ ...survey, vehicle: { ...survey.vehicle, mounts } })
  const good = mount(<WithJob>{(job) => <MeasureAgain job={job} go={() => undefined} />}</WithJob>)
  await good.user.click(screen.getByRole('button', ask))
  expect(await screen.findByText(/No reading is out by so much/)).toBeTruthy()
  good.unmount()
  onBench({ ...survey, pieces: [] })
  mount(<WithJob>{(job) => <MeasureAgain job={job} go={() => undefined} />}</WithJob>)
  expect(screen.queryByRole('button', ask)).toBeNull()
})
