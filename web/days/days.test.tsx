// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { expect, test, vi } from 'vitest'
import { ifLate, ifMoved, waysAhead } from '../../core/schedule/catchUp'
import { schedule } from '../../core/schedule/schedule'
import { ShopCalendarSchema } from '../../core/schedule/shopCalendar'
import type { WorkJob, WorkStep } from '../../core/schedule/work'
import type { DaysAnswer } from '../../core/shopWork/daysAnswer'
import { answering, mount, Refused } from '../testing/bench'
import DaysPage from './DaysPage'

// this page has no threads: what they would work out is worked out at once, and answered later all the same
const later =
  <A extends unknown[], T>(f: (...a: A) => T) =>
  (...a: A) =>
    Promise.resolve().then(() => f(...a))
vi.mock('./calendarBench', () => ({
  calendar: () => ({ schedule: later(schedule), ifLate: later(ifLate), ifMoved: later(noted), waysAhead: later(waysAhead) }),
}))
const asked = vi.hoisted(() => ({ moved: [] as string[] }))
const noted: typeof ifMoved = (...of) => {
  asked.moved.push(String(of[4]))
  return ifMoved(...of)
}

const step = (id: string, hours: number, over: Partial<WorkStep> = {}): WorkStep => ({
  ...{ id, title: id, minutes: hours * 60, people: 1, needs: [], waitHours: 0, place: null, afterHandOver: false, ...over },
})
const job = (id: string, steps: WorkStep[], over: Partial<WorkJob> = {}): WorkJob => ({
  ...{ id, title: id, due: null, start: null, bringsOn: null, ahead: false, steps, done: {}, notBefore: {}, comesOn: {}, ...over },
})
// a Monday
const answer = (jobs: WorkJob[], over: Partial<DaysAnswer> = {}): DaysAnswer => ({
  ...{ today: '2026-11-23', hoursADay: 8, daysAWeek: 5, calendar: ShopCalendarSchema.parse({}), wet: [], jobs, left: [], more: 0 },
  about: jobs.map((j) => ({ id: j.id, revision: 3, client: '', vehicle: 'a van', kit: 'missing' as const })),
  ...over,
})
const rush = [job('Chest', [step('make', 24)], { due: '2026-11-25' }), job('Rack', [step('make', 24)], { due: '2026-11-26' })]
const kept = { id: 'Rack', revision: 3, archived: false, updatedAt: '', job: { title: 'Rack', notBefore: {}, ahead: false } }
type Call = { method: string; path?: string; body?: unknown }
const sent = (calls: Call[]) => calls.filter((c) => c.method === 'PUT').map((c) => JSON.parse(String(c.body)))

test('a late job says why and what would help; the help is taken with one press, and can be taken back', async () => {
  const { calls } = answering({ 'GET /shop/days': answer(rush), 'GET /jobs/Rack': kept, 'PUT /jobs/Rack': { revision: 4, updatedAt: '' } })
  const { user } = mount(<DaysPage />)
  expect((await screen.findByText(/2 jobs on the calendar/)).textContent).toBe('2 jobs on the calendar, 1 late')
  const rack = screen.getByRole('region', { name: 'Job: Rack' })
  expect(within(rack).getByText('Hand-over: 4 days late, 2026-11-30')).toBeTruthy()
  expect(within(rack).getByText(/“make” of Chest takes 3 days with its waiting, from 2026-11-23/)).toBeTruthy()
  const ways = within(rack).getByRole('list', { name: 'Ways to catch up' })
  const ahead = (await within(ways).findByText('Work on it before all other jobs')).closest('li')!
  expect(ahead.textContent).toMatch(/2026-11-25, in time.*Chest: 2026-11-25 → 2026-11-30/)
  await user.click(within(ahead).getByRole('button', { name: 'Do that' }))
  await waitFor(() => expect(sent(calls)).toHaveLength(1))
  expect(sent(calls)[0]).toMatchObject({ revision: 3, job: { title: 'Rack', ahead: true } })
  await user.click(await screen.findByRole('button', { name: 'Undo' }))
  await waitFor(() => expect(sent(calls)).toHaveLength(2))
  expect(sent(calls)[1].job.ahead).toBe(false)
})

test('a step by keyboard: what follows is said before it is moved; Escape leaves it, Enter moves it', async () => {
  const { calls } = answering({
    ...{ 'GET /shop/days': answer(rush), 'GET /jobs/Chest': { ...kept, id: 'Chest' }, 'PUT /jobs/Chest': { revision: 4, updatedAt: '' } },
  })
  const { user } = mount(<DaysPage />)
  await user.click(await screen.findByRole('button', { name: /Chest/ }))
  const bar = screen.getByRole('button', { name: 'make, 2026-11-23 to 2026-11-25' })
  fireEvent.keyDown(bar, { key: 'ArrowRight' })
  const panel = screen.getByRole('region', { name: 'Step: make' })
  await waitFor(() =>
    expect(within(panel).getByRole('status').textContent).toMatch(/Not before 2026-11-24:.*Chest: 2026-11-25 → 2026-11-30/),
  )
  fireEvent.keyDown(bar, { key: 'Escape' })
  expect(within(panel).queryByRole('status')).toBeNull()
  fireEvent.keyDown(bar, { key: 'ArrowRight', shiftKey: true })
  fireEvent.keyDown(bar, { key: 'Enter' })
  await waitFor(() => expect(sent(calls)).toHaveLength(1))
  expect(sent(calls)[0].job.notBefore).toEqual({ make: '2026-11-28' })
})

test('a fast drag: of the days passed over only the last is worked out, and an answer never stands beside another day', async () => {
  answering({ 'GET /shop/days': answer(rush) })
  const { user } = mount(<DaysPage />)
  await user.click(await screen.findByRole('button', { name: /Chest/ }))
  const bar = screen.getByRole('button', { name: 'make, 2026-11-23 to 2026-11-25' })
  asked.moved.length = 0
  for (let n = 0; n < 6; n++) fireEvent.keyDown(bar, { key: 'ArrowRight' })
  const said = within(screen.getByRole('region', { name: 'Step: make' })).getByRole('status')
  expect(said.textContent).toMatch(/^Not before 2026-11-29:Working it out…/)
  await waitFor(() => expect(said.textContent).toMatch(/Not before 2026-11-29:Chest: 2026-11-25 →/))
  expect(asked.moved).toEqual(['2026-11-24', '2026-11-29'])
  fireEvent.keyDown(bar, { key: 'ArrowRight' })
  expect(said.textContent).toMatch(/^Not before 2026-11-30:Working it out…/)
  await waitFor(() => expect(said.textContent).toMatch(/Not before 2026-11-30:Chest/))
})

test('a step moved beside one that waits for an order keeps only what was moved; the order’s day is not written into the job', async () => {
  const waits = [job('Rack', [step('receive', 1), step('cut', 1, { needs: ['receive'] })], { comesOn: { receive: '2026-11-27' } })]
  const { calls } = answering({ 'GET /shop/days': answer(waits), 'GET /jobs/Rack': kept, 'PUT /jobs/Rack': { revision: 4, updatedAt: '' } })
  const { user } = mount(<DaysPage />)
  await user.click(await screen.findByRole('button', { name: /Rack/ }))
  fireEvent.click(screen.getByRole('button', { name: /^receive, 2026-11-27/ }))
  expect(within(screen.getByRole('region', { name: 'Step: receive' })).getByText(/what was ordered is to come on that day/)).toBeTruthy()
  expect(screen.queryByRole('button', { name: 'Leave all its days free' })).toBeNull()
  const cut = screen.getByRole('button', { name: /^cut, / })
  fireEvent.keyDown(cut, { key: 'ArrowRight', shiftKey: true })
  fireEvent.keyDown(cut, { key: 'Enter' })
  await waitFor(() => expect(sent(calls)).toHaveLength(1))
  expect(sent(calls)[0].job.notBefore).toEqual({ cut: '2026-12-02' })
})

test('if a step is late: what that moves, and that it moves nothing where there is room', async () => {
  const roomy = [job('Rack', [step('a', 8), step('b', 32), step('fit', 8, { needs: ['a', 'b'] })], { due: '2026-12-04' })]
  const two = ShopCalendarSchema.parse({ people: ['Ada', 'Bo'].map((id) => ({ id, name: id })) })
  // a drag takes hold of the pointer, which this page has none of
  Element.prototype.setPointerCapture = () => undefined
  answering({ 'GET /shop/days': answer(roomy, { calendar: two }) })
  const { user } = mount(<DaysPage />)
  await user.click(await screen.findByRole('button', { name: /Rack/ }))
  await user.click(screen.getByRole('button', { name: /^a, / }))
  const panel = screen.getByRole('region', { name: 'Step: a' })
  const days = within(panel).getByRole('textbox', { name: 'If it is late by, days' })
  const late = async (text: string) => {
    await user.clear(days)
    await user.type(days, `${text}{Enter}`)
  }
  await late('1')
  expect(within(panel).getByText('No hand-over moves: there is that much room.')).toBeTruthy()
  await late('30')
  expect(within(panel).getByText('2026-12-24')).toBeTruthy()
})

test('a shop of nobody, of nothing, with a job that cannot be read, with one without a day: each is said', async () => {
  const never = [job('Rack', [step('bend', 2, { place: 'bender' })])]
  const none = ShopCalendarSchema.parse({ places: { ...ShopCalendarSchema.parse({}).places, bender: 0 } })
  answering({ 'GET /shop/days': answer(never, { calendar: none, left: [{ id: 'x', title: 'Old one', why: 'a family not known here' }] }) })
  const first = mount(<DaysPage />)
  expect(await screen.findByText(/the days reckon with one person/)).toBeTruthy()
  expect(screen.getByText('Old one is not on the calendar: a family not known here')).toBeTruthy()
  await first.user.click(screen.getByRole('button', { name: /Rack/ }))
  expect(screen.getByText('“bend” has no day: the shop has no bender.')).toBeTruthy()
  first.unmount()
  answering({ 'GET /shop/days': answer([]) })
  const second = mount(<DaysPage />)
  expect(await screen.findByText(/Nothing to build yet/)).toBeTruthy()
  second.unmount()
  answering({ 'GET /shop/days': new Refused(503, { faults: [{ where: 'the server', expected: 'a free place in the queue' }] }) })
  mount(<DaysPage />)
  expect(await screen.findByText(/could not be worked out. .*a free place/, {}, { timeout: 8000 })).toBeTruthy()
})
