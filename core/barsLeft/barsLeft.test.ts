import fc from 'fast-check'
import loadHighs from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Tools } from '../calculator/tools'
import type { CutPart } from '../cutList/cutList'
import { demoJobs } from '../job/demoJobs'
import type { Job } from '../job/job'
import { highsTools } from '../nesting/highsTools'
import { planCuts } from '../nesting/planCuts'
import { defaultRules } from '../rules/rules'
import type { Stock } from '../stock/stock'
import { TickSchema } from '../workLog/tick'
import { barsInHand, changedCuts, replanned } from './barsLeft'
import { type CutState, cutAtMm, cutState, goneOf, unnoted, withPiece } from './cutPieces'
import { goesOn } from './goesOn'

let tools: Tools
beforeAll(async () => {
  tools = highsTools(await loadHighs(), () => performance.now())
})
const profileId = 'square-40x3-alu'
const rules = { ...defaultRules, kerfMm: 3, endTrimMm: 10 }
const part = (mark: string, lengthMm: number): CutPart => ({
  ...{
    id: mark,
    marks: [mark],
    name: 'bar',
    profileId,
    lengthMm,
    ends: ['square', 'square'] as never,
    endTexts: ['', ''],
    work: '',
    lacks: null,
  },
  ...{ quantity: 1, massEachKg: 1 },
})
const three = [part('B1', 1728), part('B2', 1711), part('B3', 1693)]
const sale: Stock = {
  sheets: [],
  sale: [
    { id: 's5', profileId, lengthMm: 5000, priceMinor: 5450 },
    { id: 's2', profileId, lengthMm: 2500, priceMinor: 3050 },
  ],
  remnants: [],
}
const acceptedOf = (parts: CutPart[]) => ({
  plan: planCuts(parts, sale, rules, { useRemnants: true, timeLimitMs: 2000 }, tools),
  saw: { kerfMm: 3, endTrimMm: 10 },
  pieces: parts.map((p) => ({ mark: p.marks[0]!, lengthMm: p.lengthMm, profileId, ends: p.ends, work: '' })),
})
const plain = demoJobs[0]!
const cut = (job: Job, ...marks: string[]): Job =>
  marks.reduce(
    (j, mark) => withPiece(j, mark, 'cut', { lengthMm: three.find((p) => p.marks[0] === mark)!.lengthMm, on: '2026-11-30' }),
    job,
  )
const as = (job: Job, mark: string, to: CutState, lengthMm: number | null = null): Job =>
  withPiece(job, mark, to, { lengthMm, on: '2026-12-01' })
const left = (job: Job, now: CutPart[], stock = sale) => replanned(job, acceptedOf(three), now, stock, rules, 2000, tools)

describe('the bars that lie there', () => {
  test('by hand: of 5000 a piece of 1728 leaves 3259: the trim of 10, the piece and a kerf of 3 are gone, the far end is still as it was bought', () => {
    const bars = barsInHand(acceptedOf(three), cut(plain, 'B1').built, rules)
    expect(bars.map((b) => [b.wasMm, b.cut, b.leftMm])).toEqual([
      [5000, ['B1'], 5000 - 10 - 1728 - 3],
      [2500, [], 2500],
    ])
  })
  test('any pieces cut, in any order: what is cut, its trims and kerfs and what is left are as long as the bar', () => {
    const accepted = acceptedOf(three)
    fc.assert(
      fc.property(fc.subarray(['B1', 'B2', 'B3']), (marks) => {
        for (const bar of barsInHand(accepted, cut(plain, ...marks).built, rules)) {
          const mine = bar.cut.map((m) => three.find((p) => p.marks[0] === m)!.lengthMm)
          const taken = mine.length ? 10 + mine.reduce((s, l) => s + l + 3, 0) : 0
          expect(bar.leftMm + taken).toBeCloseTo(bar.wasMm, 6)
        }
      }),
    )
  })
})

describe('what is left, planned anew', () => {
  test('with nothing moved it is the accepted plan: the same bars, nothing to buy', () => {
    const { plan, toCut, unused } = left(cut(plain, 'B1'), three)
    expect(toCut.map((p) => p.marks)).toEqual([['B2'], ['B3']])
    expect([plan.costMinor, plan.purchases, plan.complete, unused]).toEqual([0, [], true, []])
  })
  test('a piece that has grown is cut where it still fits; one that fits nowhere any more is bought for, and only that', () => {
    // 3259 − 10 at the far end hold 1693 and no second piece over 1550: B3 goes there, and B2 of 2470 still goes into the 2500 untrimmed? it does not: 2 × 10 of trim
    const grown = left(cut(plain, 'B1'), [three[0]!, part('B2', 2470), three[2]!])
    expect(grown.plan.complete).toBe(true)
    expect(grown.plan.purchases).toEqual([])
    const none = left(cut(plain, 'B1', 'B3'), [three[0]!, part('B2', 2490), three[2]!])
    expect(none.plan.purchases.map((p) => [p.lengthMm, p.count])).toEqual([[5000, 1]])
    // the longest that is left would hold 2480
    expect(none.unused.map((b) => b.leftMm)).toEqual(expect.arrayContaining([2500]))
  })
  test('cut parts stay: one shorter now is to be trimmed, one longer is named, and neither is planned again unless it is to be made again', () => {
    const job = cut(plain, 'B1', 'B2')
    const now = [part('B1', 1700), part('B2', 1720), three[2]!]
    expect(changedCuts(job.built, acceptedOf(three), now)).toEqual([
      { mark: 'B1', cutMm: 1728, nowMm: 1700 },
      { mark: 'B2', cutMm: 1711, nowMm: 1720 },
    ])
    expect(left(job, now).toCut.map((p) => p.marks)).toEqual([['B3']])
    const again = as(job, 'B2', 'scrap')
    expect(cutState(again.built, 'B2')).toBe('scrap')
    expect(left(again, now).toCut.map((p) => [p.marks, p.lengthMm])).toEqual([
      [['B2'], 1720],
      [['B3'], 1693],
    ])
    // its metal is gone from the bar all the same
    expect(barsInHand(acceptedOf(three), again.built, rules)).toEqual(barsInHand(acceptedOf(three), job.built, rules))
  })
  test('an end that this plan is to leave on the rack is not there twice', () => {
    const accepted = acceptedOf(three)
    const rack: Stock = {
      ...sale,
      remnants: accepted.plan.offcuts.map((o, i) => ({
        id: `r${i}`,
        profileId,
        lengthMm: o.lengthMm,
        quantity: o.count,
        grade: o.grade,
        place: '',
        note: '',
      })),
    }
    expect(rack.remnants.length).toBeGreaterThan(0)
    const longest = Math.max(...rack.remnants.map((r) => r.lengthMm))
    // all three are cut but one, which would fit only into what is left: once, not twice
    const two = [part('X1', longest - 20), part('X2', longest - 20)]
    const { plan } = left(cut(plain, 'B1', 'B2', 'B3'), two, rack)
    expect(plan.profiles.flatMap((p) => p.bars.filter((b) => b.stockId.startsWith('r')))).toEqual([])
    expect(plan.purchases.length).toBeGreaterThan(0)
  })
  test('made again it has its new length, and that it was cut twice is known: the bars are then not reckoned', () => {
    const scrapped = as(cut(plain, 'B1'), 'B1', 'scrap')
    const made = as(scrapped, 'B1', 'cut', 1700.04)
    expect([cutAtMm(made.built, 'B1'), unnoted(made.built, 'B1'), cutState(made.built, 'B1')]).toEqual([1700, true, 'cut'])
    // it does after all: no second cut was made
    const kept = as(scrapped, 'B1', 'cut')
    expect([cutAtMm(kept.built, 'B1'), unnoted(kept.built, 'B1')]).toEqual([1728, false])
    // unticked by mistake the second cut is gone, and the first is scrap as it was
    const back = as(made, 'B1', 'to cut')
    expect([cutAtMm(back.built, 'B1'), cutState(back.built, 'B1')]).toEqual([1728, 'scrap'])
  })
  test('taken back a tick is gone; ticked any way, any often, the job can still be kept', () => {
    expect(as(cut(plain, 'B1'), 'B1', 'to cut').built).toEqual(plain.built)
    const presses = fc.array(
      fc.tuple(fc.constantFrom<CutState>('to cut', 'cut', 'scrap'), fc.option(fc.double({ min: 1, max: 19_999, noNaN: true }))),
      {
        maxLength: 30,
      },
    )
    fc.assert(
      fc.property(presses, (list) => {
        const job = list.reduce((j, [to, mm]) => as(j, 'B1', to, mm), plain)
        for (const tick of Object.values(job.built)) expect(TickSchema.safeParse(tick).success).toBe(true)
        // what is scrap was cut
        if (cutState(job.built, 'B1') === 'scrap') expect(cutAtMm(job.built, 'B1')).not.toBeNull()
      }),
    )
  })
})

describe('the plan as it goes on', () => {
  const onAfter = (job: Job, now: CutPart[] = three, stock = sale) => {
    const accepted = acceptedOf(three)
    return goesOn(accepted, job.built, replanned(job, accepted, now, stock, rules, 2000, tools), rules)
  }
  const barsOf = (job: Job, now?: CutPart[], stock?: Stock) =>
    onAfter(job, now, stock).profiles.flatMap((p) =>
      p.bars.map((b) => [b.lengthMm, ...b.cuts.map((c) => `${c.mark}${c.scrap ? ' scrap' : ''} ${c.lengthMm}`)]),
    )

  test('by hand: B1 is scrap, so 3259 of the 5000 are left, of which 10 at the end: B1 goes there, and for B3 another bar is bought', () => {
    const plan = onAfter(as(cut(plain, 'B1'), 'B1', 'scrap'))
    const long = plan.profiles[0]!.bars[0]!
    expect(long.cuts[0]).toMatchObject({ mark: 'B1', lengthMm: 1728, scrap: true })
    // one of the three more fits behind it, as 3249 hold no two of them
    expect(long.cuts).toHaveLength(2)
    expect(plan.profiles[0]!.bars.flatMap((b) => b.cuts.filter((c) => !c.scrap).map((c) => c.mark)).sort()).toEqual(['B1', 'B2', 'B3'])
    // 5000 and 2500 were bought already, 2500 more is
    expect(plan.purchases.map((p) => [p.lengthMm, p.count])).toEqual([
      [5000, 1],
      [2500, 2],
    ])
    expect([plan.complete, plan.costMinor]).toEqual([true, 5450 + 3050 + 3050])
  })
  test('a bar that was bought and is not wanted any more goes to the rack whole; an offcut of the rack that is not wanted stays there', () => {
    const [fits] = [part('B1', 1000)]
    const plan = onAfter(plain, [fits!])
    expect(plan.offcuts.some((o) => o.lengthMm === 5000 || o.lengthMm === 2500)).toBe(true)
    const rack: Stock = { ...sale, remnants: [{ id: 'r', profileId, lengthMm: 1800, quantity: 1, grade: 'clean', place: '', note: '' }] }
    const accepted = {
      plan: planCuts([three[0]!], rack, rules, { useRemnants: true, timeLimitMs: 2000 }, tools),
      saw: { kerfMm: 3, endTrimMm: 10 },
      pieces: [],
    }
    expect(accepted.plan.used.map((u) => u.remnantId)).toEqual(['r'])
    const none = goesOn(accepted, {}, replanned(plain, accepted, [], rack, rules, 2000, tools), rules)
    expect([none.used, none.offcuts, none.purchases]).toEqual([[], [], []])
    // a coated offcut is stripped for the shop's price; one that stays on the rack is not
    const coated = { ...rack, remnants: rack.remnants.map((o) => ({ ...o, grade: 'coated' as const })) }
    const stripped = { ...accepted, plan: planCuts([three[0]!], coated, rules, { useRemnants: true, timeLimitMs: 2000 }, tools) }
    expect(stripped.plan.costMinor).toBe(rules.stripCoatedEach * 100)
    expect(goesOn(stripped, {}, replanned(plain, stripped, [], coated, rules, 2000, tools), rules).costMinor).toBe(0)
  })
  test('gone on, the scrap is behind it: the piece is to be cut, cut it is cut, and scrapped a second time it is scrap again', () => {
    const job = as(cut(plain, 'B1'), 'B1', 'scrap')
    const second = { ...acceptedOf(three), plan: onAfter(job) }
    const gone = goneOf(second.plan)('B1')
    const state = (j: Job) => [cutState(j.built, 'B1', gone), unnoted(j.built, 'B1', gone)]
    expect([gone, state(job)]).toEqual([1, ['to cut', false]])
    const made = as(job, 'B1', 'cut', 1728)
    expect(state(made)).toEqual(['cut', false])
    // its bar has given both now, and no other has given any
    const bars = barsInHand(second, made.built, rules)
    expect(bars.flatMap((b) => b.cut)).toEqual(['B1', 'B1'])
    expect(bars.reduce((s, b) => s + b.wasMm - b.leftMm, 0)).toBe(
      second.plan.profiles[0]!.bars.filter((b) => b.cuts.some((c) => c.mark === 'B1')).length * 10 + 2 * (1728 + 3),
    )
    expect(state(as(made, 'B1', 'scrap'))).toEqual(['scrap', false])
    expect(replanned(made, second, three, sale, rules, 2000, tools).toCut.flatMap((p) => p.marks)).toEqual(['B2', 'B3'])
    // scrapped again and again, there is an end to what a tick remembers: then the bars are measured, never reckoned
    const often = [1, 2, 3].reduce((j) => as(as(j, 'B1', 'cut', 1728), 'B1', 'scrap'), job)
    expect([1, 3, 9].map((known) => unnoted(often.built, 'B1', known))).toEqual([true, true, true])
  })
  test('whatever was cut, scrapped or cut at another length: every piece is in it once, every bar adds up, and gone on from there nothing is planned twice', () => {
    const ways = fc.tuple(...three.map(() => fc.constantFrom('to cut', 'cut', 'scrap', 'longer')))
    fc.assert(
      fc.property(ways, (list) => {
        const job = list.reduce((j, way, i) => {
          const { marks, lengthMm } = three[i]!
          if (way === 'to cut') return j
          const done = as(j, marks[0]!, 'cut', way === 'longer' ? lengthMm + 4 : lengthMm)
          return way === 'scrap' ? as(done, marks[0]!, 'scrap') : done
        }, plain)
        const plan = onAfter(job)
        const cuts = plan.profiles.flatMap((p) => p.bars.flatMap((b) => b.cuts))
        expect(
          cuts
            .filter((c) => !c.scrap)
            .map((c) => c.mark)
            .sort(),
        ).toEqual(['B1', 'B2', 'B3'])
        expect(cuts.filter((c) => c.scrap)).toHaveLength(list.filter((w) => w === 'scrap').length)
        for (const bar of plan.profiles.flatMap((p) => p.bars)) {
          const sawn = bar.cuts.reduce((s, c) => s + c.lengthMm, 0) + Math.max(0, bar.cuts.length - 1) * 3 + (bar.cuts.length ? 20 : 0)
          expect(sawn).toBeLessThanOrEqual(bar.lengthMm + 1e-6)
          expect(bar.offcutMm).toBeCloseTo(bar.cuts.length ? Math.max(0, bar.lengthMm - sawn - 3) : bar.lengthMm, 6)
        }
        const next = { ...acceptedOf(three), plan }
        expect(replanned(job, next, three, sale, rules, 500, tools).toCut.flatMap((p) => p.marks)).toEqual(
          three.flatMap((p, i) => (list[i] === 'to cut' || list[i] === 'scrap' ? p.marks : [])),
        )
      }),
      { numRuns: 25 },
    )
    expect(barsOf(cut(plain, 'B1')).flat()).toContain('B1 1728')
  })
})
