// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { expect, test, vi } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import { INCH } from '../../core/quantity/units'
import { reuse } from '../../core/reuse/reuse'
import { defaultRules } from '../../core/rules/rules'
import { demoVehicles } from '../../core/vehicle/demoVehicles'
import { answering, mount, Refused } from '../testing/bench'
import { ReuseDialog } from './ReuseDialog'

let fails = false
vi.mock('../job/useEvaluation', async (real) => ({
  ...(await real<typeof import('../job/useEvaluation')>()),
  openBench: () => ({
    run: async (work: (api: object) => Promise<unknown>) => {
      if (fails) throw new Error('the worker ended')
      return work({ reuse: async (...given: Parameters<typeof reuse>) => reuse(...given) })
    },
    stop: () => undefined,
  }),
}))
const job = { ...demoJobs[0]!, units: INCH }
const kept = {
  'GET /jobs/a': { id: 'a', revision: 2, archived: false, updatedAt: '', job },
  'GET /shelves/vehicles': { revision: 1, document: demoVehicles },
  'GET /shelves/rules': { revision: 1, document: defaultRules },
}
const choose = async (user: ReturnType<typeof mount>['user'], name: string) => {
  await user.click(await screen.findByRole('combobox', { name: 'Vehicle' }))
  await user.click(screen.getByRole('option', { name }))
}
const make = () => screen.getByRole('button', { name: 'Make the job' }) as HTMLButtonElement

test('what becomes of it is told in the job’s units before it is made; without a vehicle or a title nothing is made', async () => {
  fails = false
  const { calls } = answering({ ...kept, 'POST /jobs/import': { id: 'b', revision: 1, archived: false, updatedAt: '', job } })
  const closed = vi.fn()
  const { user } = mount(<ReuseDialog jobId="a" onClose={closed} />)
  await screen.findByRole('combobox', { name: 'Vehicle' })
  expect(make().disabled).toBe(true)
  await choose(user, 'Crew-cab pickup')
  const changes = await screen.findByRole('region', { name: 'What changes' })
  expect(changes.textContent).toMatch(/B1 17 3\/4 in shorter/)
  expect(screen.getByRole('region', { name: 'Worse there' }).textContent).toContain('Roof, moving: over its line')
  expect(within(screen.getByRole('region', { name: 'Measure there first' })).getAllByRole('listitem').length).toBeGreaterThan(1)
  expect(screen.getByRole('region', { name: 'Unknown again' }).textContent).toContain('what he must pass under')
  const title = screen.getByLabelText('What is it?')
  await user.clear(title)
  expect([make().disabled, screen.getByText('give the job a title') !== null]).toEqual([true, true])
  await user.type(title, 'Second boat')
  await user.click(make())
  await waitFor(() => expect(closed).toHaveBeenCalled())
  const sent = JSON.parse(String(calls.find((c) => c.method === 'POST')?.body))
  expect([sent.title, sent.brief.clientName, sent.built, sent.like.title]).toEqual(['Second boat', '', {}, job.title])
})

test('of this very vehicle nothing has to be read again; chosen otherwise, the answer about the other is not shown', async () => {
  fails = false
  answering(kept)
  const { user } = mount(<ReuseDialog jobId="a" onClose={() => undefined} />)
  await choose(user, 'Tall long van')
  expect((await screen.findByRole('region', { name: 'What changes' })).textContent).toContain('every part is the same')
  await user.click(screen.getByLabelText('This very vehicle was measured'))
  expect(await screen.findByText('Every figure that its parts hang on was read on that vehicle.')).toBeTruthy()
})

test('a job that is gone, a shelf without vehicles, a thread that ends, and a server that refuses: each is said, and it can be left', async () => {
  fails = false
  answering({ ...kept, 'GET /jobs/a': new Refused(404, { faults: [{ where: 'id', expected: 'a job that is here' }] }) })
  const closed = vi.fn()
  const gone = mount(<ReuseDialog jobId="a" onClose={closed} />)
  expect((await screen.findByRole('alert')).textContent).toContain('a job that is here')
  await gone.user.click(screen.getByRole('button', { name: 'Cancel' }))
  expect(closed).toHaveBeenCalled()
  gone.unmount()
  answering({ ...kept, 'GET /shelves/vehicles': { revision: 1, document: [] } })
  const none = mount(<ReuseDialog jobId="a" onClose={closed} />)
  expect(await screen.findByText(/No vehicle is on the shelf yet/)).toBeTruthy()
  none.unmount()
  answering({ ...kept, 'POST /jobs/import': new Refused(422, { faults: [{ where: 'title', expected: 'another title' }] }) })
  const { user } = mount(<ReuseDialog jobId="a" onClose={closed} />)
  fails = true
  await choose(user, 'Tall long van')
  expect((await screen.findByRole('alert')).textContent).toContain('the worker ended')
  expect(make().disabled).toBe(true)
  fails = false
  await user.click(screen.getByLabelText('This very vehicle was measured'))
  await waitFor(() => expect(make().disabled).toBe(false))
  await user.click(make())
  expect((await screen.findByRole('alert')).textContent).toContain('another title')
})
