import { describe, expect, test } from 'vitest'
import { ifLate, ifMoved, waysAhead } from './catchUp'
import { FORECAST_DAYS, simulatedWetDays } from './forecast'
import { schedule } from './schedule'
import { dateOf, ShopCalendarSchema } from './shopCalendar'
import type { WorkGiven, WorkJob, WorkStep } from './work'

const step = (id: string, hours: number, needs: string[] = [], over: Partial<WorkStep> = {}): WorkStep => ({
  ...{ id, title: id, minutes: hours * 60, people: 1, needs, waitHours: 0, place: null, afterHandOver: false, ...over },
})
const job = (id: string, steps: WorkStep[], over: Partial<WorkJob> = {}): WorkJob => ({
  ...{ id, title: id, due: null, start: null, bringsOn: null, ahead: false, steps, done: {}, notBefore: {}, comesOn: {}, ...over },
})
/** 2026-11-23 is a Monday */
const shop = (jobs: WorkJob[]): WorkGiven => ({
  ...{ today: '2026-11-23', jobs, hoursADay: 8, daysAWeek: 5, calendar: ShopCalendarSchema.parse({}), wet: new Set<string>() },
})

/** Two jobs of three days for one person, both promised for Thursday: the second is two days late. */
const rush = shop([job('chest', [step('make', 24)], { due: '2026-11-25' }), job('rack', [step('make', 24)], { due: '2026-11-26' })])

describe('catching up', () => {
  test('each way was tried: the helper brings both in time; ahead of the other is in time and costs the other; an hour longer and Saturday gain a day', () => {
    const before = schedule(rush)
    // Monday to Wednesday, then Thursday, Friday and Monday
    expect(before.jobs).toEqual([
      { jobId: 'chest', handOverOn: '2026-11-25', daysLate: 0 },
      { jobId: 'rack', handOverOn: '2026-11-30', daysLate: 4 },
    ])
    const ways = waysAhead(rush, before, 'rack')
    expect(ways.map((w) => `${w.says}: ${w.handOverOn}, ${w.daysLate} late`)).toEqual([
      'one more pair of hands: 2026-11-25, 0 late',
      'work on it before all other jobs: 2026-11-25, 0 late',
      'work one day more in the week: 2026-11-28, 2 late',
    ])
    expect(ways[1]?.others).toEqual([{ jobId: 'chest', title: 'chest', from: '2026-11-25', to: '2026-11-30' }])
    expect(ways[1]?.does).toEqual({ ahead: true })
    // what it would do, done, gives what it promised
    const done = schedule({ ...rush, jobs: rush.jobs.map((j) => (j.id === 'rack' ? { ...j, ...ways[1]?.does } : j)) })
    expect(done.jobs[1]?.handOverOn).toBe('2026-11-25')
  })
  test('a job in time, one that promised nothing and one that is not there ask for no way', () => {
    const before = schedule(rush)
    expect([waysAhead(rush, before, 'chest'), waysAhead(rush, before, 'nobody')]).toEqual([[], []])
  })
  test('held up by its own dates and by the coater: each is named', () => {
    const steps = [step('blast', 4, [], { waitHours: 120 }), step('fit', 8, ['blast'], { place: 'vehicle' })]
    const given = shop([job('rack', steps, { due: '2026-12-01', start: '2026-11-25', bringsOn: '2026-12-04' })])
    const ways = waysAhead(given, schedule(given), 'rack')
    expect(ways.map((w) => w.says)).toEqual(['have the vehicle brought when it is wanted'])
    const free = { ...given, jobs: given.jobs.map((j) => ({ ...j, bringsOn: null, due: '2026-11-30' })) }
    expect(waysAhead(free, schedule(free), 'rack').map((w) => w.says)).toEqual(['begin at once', '“blast”: ask for 2 days instead of 5'])
  })
})

describe('what one thing that is late moves', () => {
  test('two days more at the coater move its own job and not the other; a step moved by hand moves whoever waits for the hands', () => {
    const steps = [step('blast', 4, [], { waitHours: 48 }), step('fit', 8, ['blast'])]
    const given = shop([job('rack', steps, { due: '2026-12-04' }), job('chest', [step('make', 4)], { due: '2026-12-04' })])
    const before = schedule(given)
    expect(ifLate(given, before, { jobId: 'rack', stepId: 'blast', days: 2 })).toEqual([
      { jobId: 'rack', title: 'rack', from: '2026-11-26', to: '2026-11-30' },
    ])
    expect(ifMoved(rush, schedule(rush), 'chest', 'make', '2026-11-24')).toEqual([
      { jobId: 'chest', title: 'chest', from: '2026-11-25', to: '2026-11-30' },
      { jobId: 'rack', title: 'rack', from: '2026-11-30', to: '2026-11-25' },
    ])
    expect(ifMoved(given, before, 'chest', 'make', null)).toEqual([])
  })
})

test('the simulated forecast: the same for the same days, whatever day it is asked on, and none past its reach', () => {
  const [monday, tuesday] = [simulatedWetDays('2026-11-23'), simulatedWetDays('2026-11-24')]
  const both = Array.from({ length: FORECAST_DAYS - 1 }, (_, i) => dateOf('2026-11-24', i))
  for (const d of both) expect(monday.has(d)).toBe(tuesday.has(d))
  expect([...monday].every((d) => d < dateOf('2026-11-23', FORECAST_DAYS))).toBe(true)
  const year = Array.from({ length: 36 }, (_, i) => simulatedWetDays(dateOf('2026-01-01', i * FORECAST_DAYS)).size).reduce((a, b) => a + b)
  expect(year).toBeGreaterThan(60)
  expect(year).toBeLessThan(160)
})
