import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { builtFrom } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { lateBy } from '../schedule/schedule'
import { demoWorkshop } from '../workshop/workshop'
import { buildPlan } from './buildPlan'
import { buildDays } from './calendar'
import type { BuildPlan, BuildStep } from './step'

const step = (id: string, minutes: number, needs: string[] = [], waitHours = 0): BuildStep => ({
  id,
  stage: 'make',
  title: id,
  why: '',
  marks: [],
  minutes,
  people: 1,
  tools: [],
  caution: null,
  needs,
  gate: false,
  waitHours,
  place: null,
  afterHandOver: false,
})
const plan = (...steps: BuildStep[]): BuildPlan => ({ steps, workMinutes: 0, waitHours: 0 })
// 2026-11-23 is a Monday
const given = { start: null, today: '2026-11-23', hoursADay: 7, daysAWeek: 5, done: {} }
const dates = (p: BuildPlan, over: Partial<Parameters<typeof buildDays>[1]> & { done?: Record<string, { on: string }> } = {}) =>
  buildDays(p, { ...given, ...over }).steps.map((s) => [s.stepId, s.from, s.to])

describe('the order of work on the calendar', () => {
  test('four hours and four hours of seven: the second runs into Tuesday; eight days of work run over the weekend', () => {
    expect(dates(plan(step('a', 240), step('b', 240, ['a'])))).toEqual([
      ['a', '2026-11-23', '2026-11-23'],
      ['b', '2026-11-23', '2026-11-24'],
    ])
    expect(buildDays(plan(step('a', 8 * 7 * 60)), given).handOverOn).toBe('2026-12-02')
    expect(buildDays(plan(step('a', 8 * 7 * 60)), { ...given, daysAWeek: 6 }).handOverOn).toBe('2026-12-01')
  })
  test('what is ordered comes after three days; meanwhile what does not need it is done', () => {
    expect(dates(plan(step('buy', 30, [], 72), step('use', 60, ['buy']), step('sharpen', 60)))).toEqual([
      ['buy', '2026-11-23', '2026-11-23'],
      // ready on Friday morning: Monday’s end and three days
      ['use', '2026-11-27', '2026-11-27'],
      ['sharpen', '2026-11-23', '2026-11-23'],
    ])
  })
  test('a coat that is put on on Friday dries over the weekend', () => {
    const days = buildDays(plan(step('paint', 60, [], 48), step('fit', 60, ['paint'])), { ...given, start: '2026-11-27' })
    expect(days.steps.map((s) => s.from)).toEqual(['2026-11-27', '2026-11-30'])
  })
  test('what is done takes no more time, and what it waits for counts from its own day', () => {
    const p = plan(step('buy', 30, [], 72), step('use', 60, ['buy']))
    expect(dates(p, { done: { buy: { on: '2026-11-20' } } })).toEqual([
      ['buy', '2026-11-20', '2026-11-20'],
      ['use', '2026-11-23', '2026-11-23'],
    ])
  })
  test('work that should have begun last week begins today; a coat put on yesterday still dries today', () => {
    expect(dates(plan(step('a', 60)), { start: '2026-11-16' })).toEqual([['a', '2026-11-23', '2026-11-23']])
    const p = plan(step('paint', 60, [], 72), step('fit', 60, ['paint']))
    // ticked on Sunday: three days are over on Wednesday
    const fit = dates(p, { start: '2026-11-16', done: { paint: { on: '2026-11-22' } } })[1]
    expect(fit).toEqual(['fit', '2026-11-25', '2026-11-25'])
  })
  test('late by the calendar against the day that was promised; nothing promised says nothing', () => {
    const days = buildDays(plan(step('a', 60)), given)
    expect([lateBy(days.handOverOn, '2026-11-20'), lateBy(days.handOverOn, '2026-11-23'), lateBy(days.handOverOn, null)]).toEqual([
      3,
      0,
      null,
    ])
    expect(buildDays(plan(), given)).toEqual({ steps: [], handOverOn: null })
  })
  test('the recheck after a week on the road does not hold up the hand-over', () => {
    const [basket] = demoJobs.filter((j) => j.title.startsWith('Hoop'))
    const real = buildPlan({ ...builtFrom(basket!, defaultRules), workshop: demoWorkshop, rules: defaultRules })
    const days = buildDays(real, given)
    const of = (id: string) => days.steps.find((s) => s.stepId === id)!
    expect(days.handOverOn).toBe(of('road').to)
    expect(of('recheck').from >= days.handOverOn!).toBe(true)
    // nothing begins before what it needs is finished
    for (const s of real.steps) for (const n of s.needs) expect(of(s.id).from >= of(n).to).toBe(true)
  })
  test('whatever the plan: every step has its days, in order, and none on a day off', () => {
    const any = fc.array(
      fc.record({
        minutes: fc.integer({ min: 0, max: 900 }),
        wait: fc.integer({ min: 0, max: 100 }),
        back: fc.integer({ min: 1, max: 3 }),
      }),
      {
        minLength: 1,
        maxLength: 12,
      },
    )
    fc.assert(
      fc.property(any, fc.integer({ min: 1, max: 7 }), (list, daysAWeek) => {
        const p = plan(...list.map((s, i) => step(`s${i}`, s.minutes, i >= s.back ? [`s${i - s.back}`] : [], s.wait)))
        const days = buildDays(p, { ...given, daysAWeek })
        expect(days.steps.map((s) => s.stepId)).toEqual(p.steps.map((s) => s.id))
        for (const s of days.steps) {
          expect(s.from <= s.to && s.to <= s.readyOn).toBe(true)
          for (const d of [s.from, s.to]) expect((new Date(`${d}T12:00:00Z`).getUTCDay() + 6) % 7).toBeLessThan(daysAWeek)
        }
      }),
      { numRuns: 60, seed: 4 },
    )
  })
})
