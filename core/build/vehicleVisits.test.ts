import { describe, expect, test } from 'vitest'
import { schedule } from '../schedule/schedule'
import { ShopCalendarSchema } from '../schedule/shopCalendar'
import type { WorkGiven, WorkJob, WorkStep } from '../schedule/work'
import { broughtTooSoon, vehicleVisits } from './vehicleVisits'

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

describe('the vehicle', () => {
  const steps = [
    step('kit', 1, [], { waitHours: 24 }),
    step('try', 1, ['kit'], { place: 'vehicle' }),
    step('coat', 1, ['try'], { waitHours: 24 * 8 }),
    step('fit', 12, ['coat'], { place: 'vehicle' }),
    step('recheck', 1, ['fit'], { place: 'vehicle', afterHandOver: true, waitHours: 24 * 7 }),
  ]
  test('is wanted twice, once to try on and once to fit; the recheck is no visit of its own', () => {
    const rack = job('rack', steps)
    const { placed } = schedule(shop([rack]))
    // kit Monday, ready Wednesday; at the coater from Thursday for eight days, to Friday: fitted Friday and, half a day, Monday
    expect(vehicleVisits(rack, placed)).toEqual([
      { from: '2026-11-25', to: '2026-11-25' },
      { from: '2026-12-04', to: '2026-12-07' },
    ])
    expect(vehicleVisits({ ...rack, done: { try: { on: '2026-11-23' } } }, placed)).toHaveLength(1)
  })
  test('brought before all is here it stands and waits', () => {
    const rack = job('rack', [step('buy', 0, [], { waitHours: 72 }), step('kit', 1, ['buy']), ...steps.slice(1)])
    const { placed } = schedule(shop([rack]))
    expect(broughtTooSoon({ ...rack, bringsOn: '2026-11-24' }, placed)).toEqual({ days: 2, kitOn: '2026-11-26' })
    expect(broughtTooSoon({ ...rack, bringsOn: '2026-12-01' }, placed)?.days).toBe(0)
    expect(broughtTooSoon(rack, placed)).toBeNull()
  })
})
