import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { becauseWords, chainOf, whyLate } from './chain'
import { schedule } from './schedule'
import { dateOf, ShopCalendarSchema, type WorkPlace, weekdayOf, within } from './shopCalendar'
import type { WorkGiven, WorkJob, WorkStep } from './work'

const step = (id: string, hours: number, needs: string[] = [], over: Partial<WorkStep> = {}): WorkStep => ({
  ...{ id, title: id, minutes: hours * 60, people: 1, needs, waitHours: 0, place: null, afterHandOver: false, ...over },
})
const job = (id: string, steps: WorkStep[], over: Partial<WorkJob> = {}): WorkJob => ({
  ...{ id, title: id, due: null, start: null, bringsOn: null, ahead: false, steps, done: {}, notBefore: {}, comesOn: {}, ...over },
})
/** 2026-11-23 is a Monday; a day has 8 hours, a week 5 days. */
const shop = (jobs: WorkJob[], calendar: object = {}, over: Partial<WorkGiven> = {}): WorkGiven => ({
  ...{
    today: '2026-11-23',
    jobs,
    hoursADay: 8,
    daysAWeek: 5,
    calendar: ShopCalendarSchema.parse(calendar),
    wet: new Set<string>(),
    ...over,
  },
})
const two = { people: [{ id: 'a', name: 'Ada' }, { id: 'b', name: 'Bo' }] } // biome-ignore format: one line reads as a pair
const days = (given: WorkGiven) => schedule(given).placed.map((p) => `${p.jobId}.${p.stepId} ${p.from.slice(5)}–${p.to.slice(5)}`)
const of = (given: WorkGiven, jobId: string, stepId: string) =>
  schedule(given).placed.find((p) => p.jobId === jobId && p.stepId === stepId)!

describe('jobs on one calendar, by hand', () => {
  test('one person: the job promised sooner is worked on first, whichever was entered first', () => {
    const given = shop([job('late', [step('make', 8)], { due: '2026-12-18' }), job('soon', [step('make', 8)], { due: '2026-11-24' })])
    expect(days(given)).toEqual(['late.make 11-24–11-24', 'soon.make 11-23–11-23'])
    expect(of(given, 'late', 'make').because).toEqual({ kind: 'hands', jobId: 'soon', stepId: 'make' })
  })
  test('the coater first: a step before a long wait goes before one of the same job that nothing waits for', () => {
    const steps = [step('tidy', 8), step('blast', 8, [], { waitHours: 120 }), step('fit', 8, ['tidy', 'blast'])]
    // Monday blast, Tuesday tidy; the coater has it from Tuesday for five days, to Sunday: fitted on Monday
    expect(days(shop([job('j', steps, { due: '2026-11-30' })]))).toEqual(['j.tidy 11-24–11-24', 'j.blast 11-23–11-23', 'j.fit 11-30–11-30'])
  })
  test('two people work at two jobs at once; both are wanted for a lift, which waits for the one who is busy', () => {
    const given = shop([job('j', [step('lift', 1, ['make'], { people: 2 }), step('make', 2)]), job('k', [step('make', 4)])], two)
    expect(of(given, 'j', 'lift')).toMatchObject({
      begins: 0.5,
      people: ['a', 'b'],
      because: { kind: 'hands', jobId: 'k', stepId: 'make' },
    })
    expect(schedule(given).placed.every((p) => p.short === 0)).toBe(true)
    const away = { people: [{ id: 'a', name: 'Ada' }, { id: 'b', name: 'Bo', away: [{ from: '2026-11-23', to: '2026-11-24' }] }] } // biome-ignore format: a pair
    expect(of(shop([job('j', [step('lift', 1, [], { people: 2 })])], away), 'j', 'lift')).toMatchObject({
      from: '2026-11-25',
      because: { kind: 'away' },
    })
  })
  test('one person alone lifts with a helper: it has its day, and says how many it is short', () => {
    expect(of(shop([job('j', [step('lift', 1, [], { people: 3 })])]), 'j', 'lift').short).toBe(2)
    expect(of(shop([job('j', [step('lift', 1, [], { people: 3 })])], two), 'j', 'lift').short).toBe(1)
  })
  test('one welding bay: the second weld waits for the first, though hands are free', () => {
    const weld = (id: string) => job(id, [step('weld', 6, [], { place: 'welding' })], { due: id === 'j' ? '2026-11-24' : '2026-11-30' })
    const given = shop([weld('j'), weld('k')], two)
    expect([of(given, 'j', 'weld').begins, of(given, 'k', 'weld').begins]).toEqual([0, 0.75])
    expect(becauseWords(of(given, 'k', 'weld'), given)).toBe('the welding bay was taken by “weld” of j')
    const bays = { ...two, places: { ...ShopCalendarSchema.parse({}).places, welding: 2 } }
    expect(of(shop([weld('j'), weld('k')], bays), 'k', 'weld').begins).toBe(0)
  })
  test('a week of absence: 16 hours begun on Friday by the one who then is away run on after it; the other takes what he can finish', () => {
    const away = [{ from: '2026-11-30', to: '2026-12-04', why: 'course' }]
    const alone = { people: [{ id: 'a', name: 'Ada', away }] }
    expect(days(shop([job('j', [step('make', 16)], { start: '2026-11-27' })], alone))).toEqual(['j.make 11-27–12-07'])
    const both = { people: [{ id: 'a', name: 'Ada', away }, { id: 'b', name: 'Bo' }] } // biome-ignore format: one line reads as a pair
    expect(of(shop([job('j', [step('make', 16)], { start: '2026-11-27' })], both), 'j', 'make')).toMatchObject({
      to: '2026-11-30',
      people: ['b'],
    })
  })
  test('closed days are no days of work, but a coat dries on them', () => {
    const closed = { closed: [{ from: '2026-11-24', to: '2026-11-27', why: 'fair' }] }
    const steps = [step('paint', 8, [], { waitHours: 72 }), step('fit', 8, ['paint'])]
    expect(days(shop([job('j', steps)], closed))).toEqual(['j.paint 11-23–11-23', 'j.fit 11-30–11-30'])
    expect(of(shop([job('j', steps)], closed), 'j', 'fit').because).toEqual({ kind: 'closed' })
  })
  test('the vehicle: nothing is done on it before it comes; in the open it waits for a dry day, also half done', () => {
    const steps = [step('cut', 4), step('fit', 12, ['cut'], { place: 'vehicle' })]
    expect(of(shop([job('j', steps, { bringsOn: '2026-11-26' })]), 'j', 'fit')).toMatchObject({
      from: '2026-11-26',
      because: { kind: 'vehicle' },
    })
    const wet = new Set(['2026-11-24'])
    expect(of(shop([job('j', steps)], { outdoors: true }, { wet }), 'j', 'fit')).toMatchObject({ from: '2026-11-23', to: '2026-11-25' })
    expect(of(shop([job('j', steps)], {}, { wet }), 'j', 'fit').to).toBe('2026-11-24')
  })
  test('moved by hand, done already, ahead of all others', () => {
    const moved = job('j', [step('a', 8), step('b', 8, ['a'])], { notBefore: { b: '2026-12-01' } })
    expect(of(shop([moved]), 'j', 'b')).toMatchObject({ from: '2026-12-01', because: { kind: 'moved' } })
    const comes = { ...moved, notBefore: {}, comesOn: { b: '2026-12-02' } }
    expect(of(shop([comes]), 'j', 'b')).toMatchObject({ from: '2026-12-02', because: { kind: 'comes' } })
    const done = job('j', [step('paint', 8, [], { waitHours: 48 }), step('fit', 8, ['paint'])], { done: { paint: { on: '2026-11-22' } } })
    expect(days(shop([done]))).toEqual(['j.paint 11-22–11-22', 'j.fit 11-24–11-24'])
    // fitted before it was reckoned to be dry: it is dry
    const sooner = job('j', done.steps, { done: { paint: { on: '2026-11-22' }, fit: { on: '2026-11-23' } } })
    expect(schedule(shop([sooner])).jobs[0]?.handOverOn).toBe('2026-11-23')
    const ahead = shop([job('soon', [step('make', 8)], { due: '2026-11-23' }), job('j', [step('make', 8)], { ahead: true })])
    expect(days(ahead)).toEqual(['soon.make 11-24–11-24', 'j.make 11-23–11-23'])
  })
})

test('a coat that is put on last is handed over dry; the week on the road before the recheck is not waited for', () => {
  const painted = shop([job('j', [step('paint', 8, [], { waitHours: 72 })], { due: '2026-11-25' })])
  expect(schedule(painted).jobs[0]).toEqual({ jobId: 'j', handOverOn: '2026-11-27', daysLate: 2 })
  // dry on Sunday, it is handed over on Monday
  const sunday = shop([job('j', [step('paint', 8, [], { waitHours: 120 })])])
  expect(schedule(sunday).placed[0]?.readyOn).toBe('2026-11-29')
  expect(schedule(sunday).jobs[0]?.handOverOn).toBe('2026-11-30')
  const driven = [step('road', 1, [], { waitHours: 168 }), step('recheck', 1, ['road'], { afterHandOver: true })]
  expect(schedule(shop([job('j', driven, { due: '2026-11-25' })])).jobs[0]).toEqual({ jobId: 'j', handOverOn: '2026-11-23', daysLate: 0 })
  expect(of(shop([job('j', driven)]), 'j', 'recheck').from).toBe('2026-12-01')
})

describe('what has no day says why', () => {
  const why = (given: WorkGiven) => schedule(given).unplaced.map((u) => `${u.stepId}: ${u.why}`)
  test('a circle, and what waits for it; a place that the shop has none of; nobody there for good', () => {
    expect(why(shop([job('j', [step('a', 1, ['c']), step('b', 1, ['a']), step('c', 1, ['b']), step('d', 1)])]))).toEqual([
      'a: it waits for “c”',
      'b: it waits for “a”',
      'c: it waits for “b”',
    ])
    const none = { places: { ...ShopCalendarSchema.parse({}).places, bender: 0 } }
    const bent = shop([job('j', [step('bend', 1, [], { place: 'bender' }), step('fit', 1, ['bend'])], { due: '2026-12-01' })], none)
    expect(why(bent)).toEqual(['bend: the shop has no bender', 'fit: it waits for “bend”'])
    expect(schedule(bent).jobs).toEqual([{ jobId: 'j', handOverOn: null, daysLate: null }])
    const gone = { people: [{ id: 'a', name: 'Ada', away: [{ from: '2026-01-01', to: '2099-01-01' }] }] }
    expect(why(shop([job('j', [step('a', 1)])], gone))).toEqual(['a: nobody is there to do it'])
    expect(why(shop([job('j', [step('a', 1)], { start: '2040-01-01' })]))).toEqual([
      'a: the day it waits for lies more than four years ahead',
    ])
    const goes = { people: [{ id: 'a', name: 'Ada', away: [{ from: '2026-11-24', to: '2099-01-01' }] }] }
    expect(why(shop([job('j', [step('a', 20)])], goes))).toEqual(['a: nobody is there to do it'])
  })
  test('nothing to do, and a step that takes no time', () => {
    expect(schedule(shop([]))).toEqual({ placed: [], unplaced: [], jobs: [] })
    expect(schedule(shop([job('j', [])])).jobs[0]).toEqual({ jobId: 'j', handOverOn: null, daysLate: null })
    expect(days(shop([job('j', [step('sign', 0), step('a', 8, ['sign'])])]))).toEqual(['j.sign 11-23–11-23', 'j.a 11-23–11-23'])
  })
})

test('why a job is late: what takes long and what it waits for, back through the other job that held the hands', () => {
  const given = shop([
    job('Chest', [step('fold', 24)], { due: '2026-11-25' }),
    job('Rack', [step('paint', 4, [], { waitHours: 96 }), step('fit', 8, ['paint'])], { due: '2026-11-26' }),
  ])
  // Rack must begin sooner than Chest to be in time, so it is painted first; it dries to Saturday and is fitted on Monday, after Chest
  const found = schedule(given)
  expect(found.jobs).toEqual([
    { jobId: 'Chest', handOverOn: '2026-11-26', daysLate: 1 },
    { jobId: 'Rack', handOverOn: '2026-11-30', daysLate: 4 },
  ])
  const chain = (id: string) => chainOf(id, given, found).map((l) => `${l.jobTitle} ${l.title}: waits ${l.waitedDays}, takes ${l.tookDays}`)
  expect(chain('Rack')).toEqual(['Rack paint: waits 0, takes 5', 'Rack fit: waits 2, takes 1'])
  expect(chain('Chest')).toEqual(['Rack paint: waits 0, takes 0.5', 'Chest fold: waits 0, takes 3'])
  expect(whyLate(chainOf('Rack', given, found), 'Rack', given)).toEqual([
    '“paint” takes 5 days with its waiting, from 2026-11-23',
    '“fit” waits 2 days, until 2026-11-30: the shop was shut before',
    '“fit” takes 1 day with its waiting, from 2026-11-30',
  ])
  expect(whyLate(chainOf('Chest', given, found), 'Chest', given)[1]).toBe(
    '“paint” of Rack takes 0.5 days with its waiting, from 2026-11-23',
  )
})

describe('whatever the jobs', () => {
  const places: (WorkPlace | null)[] = [null, 'saw', 'welding', 'vehicle']
  const anyStep = fc.record({
    hours: fc.integer({ min: 0, max: 20 }),
    people: fc.integer({ min: 1, max: 3 }),
    wait: fc.constantFrom(0, 0, 24, 60),
    back: fc.integer({ min: 1, max: 3 }),
    place: fc.constantFrom(...places),
  })
  const anyJob = fc.record({ steps: fc.array(anyStep, { maxLength: 7 }), due: fc.option(fc.integer({ min: 0, max: 30 })) })
  const anyShop = fc.record({
    jobs: fc.array(anyJob, { maxLength: 5 }),
    people: fc.integer({ min: 0, max: 3 }),
    week: fc.integer({ min: 1, max: 7 }),
    awayFrom: fc.integer({ min: 0, max: 12 }),
    wetOn: fc.array(fc.integer({ min: 0, max: 9 })),
  })
  test('order, hands, places, absence, closed days and rain are kept to; every step has its day', () => {
    fc.assert(
      fc.property(anyShop, ({ jobs, people, week, awayFrom, wetOn }) => {
        const today = '2026-11-23'
        const away = [{ from: dateOf(today, awayFrom), to: dateOf(today, awayFrom + 3), why: '' }]
        const given = shop(
          jobs.map((j, k) =>
            job(
              `j${k}`,
              j.steps.map((s, i) =>
                step(`s${i}`, s.hours, i >= s.back ? [`s${i - s.back}`] : [], { people: s.people, waitHours: s.wait, place: s.place }),
              ),
              { due: j.due === null ? null : dateOf(today, j.due) },
            ),
          ),
          {
            people: Array.from({ length: people }, (_, i) => ({ id: `p${i}`, name: `p${i}`, away: i ? [] : away })),
            closed: [{ from: '2026-12-01', to: '2026-12-02', why: 'stocktaking' }],
            outdoors: true,
          },
          { daysAWeek: week, wet: new Set(wetOn.map((d) => dateOf(today, d))) },
        )
        const found = schedule(given)
        expect(found.unplaced).toEqual([])
        const stepOf = (p: { jobId: string; stepId: string }) =>
          given.jobs.find((j) => j.id === p.jobId)!.steps.find((s) => s.id === p.stepId)!
        const at = new Map(found.placed.map((p) => [`${p.jobId}.${p.stepId}`, p]))
        expect(at.size).toBe(given.jobs.reduce((s, j) => s + j.steps.length, 0))
        for (const p of found.placed) {
          const s = stepOf(p)
          for (const n of s.needs) {
            const before = at.get(`${p.jobId}.${n}`)!
            const wait = stepOf(before).waitHours
            expect(p.begins).toBeGreaterThan((wait ? Math.ceil(before.ends - 1e-9) + wait / 24 : before.ends) - 1e-6)
          }
          const first = Math.floor(p.begins + 1e-9)
          expect(weekdayOf(today, first)).toBeLessThan(week)
          expect(within(given.calendar.closed, p.from)).toBeUndefined()
          if (s.place === 'vehicle') expect(given.wet.has(p.from) || given.wet.has(p.to)).toBe(false)
          if (s.minutes) expect(p.people.length + p.short).toBe(s.people)
          // the minutes are there: on each day from the first to the last, those on which all could work
          let room = 0
          for (let d = first; d < p.ends - 1e-9; d++) {
            const date = dateOf(today, d)
            const off = p.people.includes('p0') && within(away, date)
            const rain = s.place === 'vehicle' && given.wet.has(date)
            if (weekdayOf(today, d) < week && !within(given.calendar.closed, date) && !off && !rain)
              room += (Math.min(p.ends, d + 1) - Math.max(p.begins, d)) * 480
          }
          expect(room).toBeCloseTo(s.minutes, 4)
        }
        const timed = found.placed.filter((p) => p.ends > p.begins + 1e-9)
        for (const p of timed) {
          const now = timed.filter((q) => q.begins <= p.begins + 1e-9 && q.ends > p.begins + 1e-9)
          const hands = now.flatMap((q) => q.people)
          expect(new Set(hands).size).toBe(hands.length)
          for (const place of ['saw', 'welding', 'vehicle'] as const)
            expect(now.filter((q) => stepOf(q).place === place).length).toBeLessThanOrEqual(1)
        }
      }),
      { numRuns: 80, seed: 11 },
    )
  })
})
