import loadHighs from 'highs'
import { beforeAll, expect, test } from 'vitest'
import { compareLengths, stockAdvice } from '../advice/stockAdvisor'
import type { Tools } from '../calculator/tools'
import { cutList } from '../cutList/cutList'
import { families } from '../families/all'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { defaultRules } from '../rules/rules'
import { demoStock } from '../stock/demoStock'
import { preparationMinor, type Stock } from '../stock/stock'
import { rackParams, siteOn, withRack } from '../testing/racks'
import { highsTools } from './highsTools'
import { planCuts } from './planCuts'

let tools: Tools
beforeAll(async () => {
  tools = highsTools(await loadHighs(), () => performance.now())
})
const options = { useRemnants: true, timeLimitMs: 5000 }
const [survey, , spar] = demoJobs
const partsOf = (job: typeof survey) => cutList(evaluate(job, defaultRules).assembly)

test('the cut list has every member of every example once, and alike pieces share a line', () => {
  for (const family of families)
    for (const example of family.examples) {
      const { assembly } = family.design(example.params, siteOn(example.vehicle)).assembled()
      const parts = cutList(assembly)
      expect(parts.flatMap((p) => p.marks).sort()).toEqual(assembly.members.map((m) => m.mark).sort())
      for (const p of parts) expect(p.marks).toHaveLength(p.quantity)
    }
  // bars on the points of the cab: 2·(560 + 5·…) taper makes two lengths, so two lines
  expect(partsOf(survey).map((p) => p.quantity)).toEqual([1, 1, 1])
})

test('every mark of the cut list is cut once in the plan, and the plan costs what it buys', () => {
  for (const job of demoJobs) {
    const parts = partsOf(job)
    const plan = planCuts(parts, demoStock, defaultRules, options, tools)
    const cut = plan.profiles.flatMap((p) => p.bars.flatMap((b) => b.cuts.map((c) => c.mark)))
    expect(cut.sort()).toEqual(parts.flatMap((p) => p.marks).sort())
    expect(plan.proven).toBe(true)
    const bought = plan.purchases.reduce((s, p) => s + p.count * p.priceMinor, 0)
    const prepared = plan.used.reduce(
      (s, u) => s + u.count * (preparationMinor(demoStock.remnants.find((r) => r.id === u.remnantId)!.grade, defaultRules) ?? 0),
      0,
    )
    expect(plan.costMinor).toBeCloseTo(bought + prepared, 6)
  }
})

test('an offcut of unknown alloy is never planned, a pitted one is priced with its dressing', () => {
  const parts = [{ ...partsOf(survey)[0], lengthMm: 2000, quantity: 1, marks: ['X'] }]
  const rack = (grade: 'unknown alloy' | 'pitted'): Stock => ({
    sheets: [],
    sale: [],
    remnants: [{ id: 'r', profileId: parts[0].profileId, lengthMm: 2210, quantity: 1, grade, place: '', note: '' }],
  })
  expect(planCuts(parts, rack('unknown alloy'), defaultRules, options, tools).profiles[0].unplaced[0].reason).toContain(
    'no stock of this profile',
  )
  const dressed = planCuts(parts, rack('pitted'), defaultRules, options, tools)
  expect(dressed.costMinor).toBe(900)
  // trim 2 × 5, the piece, the saw's 3 behind it
  expect(dressed.profiles[0].bars[0].offcutMm).toBeCloseTo(2210 - 10 - 2000 - 3, 6)
  expect(dressed.offcuts).toEqual([]) // 197 is shorter than the shop keeps
})

test('a length on sale whose price nobody knows is not planned and not compared: it is not free', () => {
  const parts = [{ ...partsOf(survey)[0], lengthMm: 2000, quantity: 1, marks: ['X'] }]
  const on = (priceMinor: number | null): Stock => ({
    sheets: [],
    sale: [
      { id: 'dear', profileId: parts[0].profileId, lengthMm: 6000, priceMinor: 9000 },
      { id: 'six', profileId: parts[0].profileId, lengthMm: 6000, priceMinor },
    ],
    remnants: [],
  })
  expect(planCuts(parts, on(null), defaultRules, options, tools).costMinor).toBe(9000)
  expect(planCuts(parts, on(8000), defaultRules, options, tools).costMinor).toBe(8000)
  const bars = withRack(survey, { profileId: parts[0].profileId })
  expect(compareLengths(bars, on(null), defaultRules, tools)).toHaveLength(1)
})

test('a 6 m bar takes four 1490 bars, not four 1500: 4·1490 + 3·3 + 10 = 5979. The advisor finds the least shortening', () => {
  // line 700 each side, 50 past the feet → 1500 a bar; 4·d ≥ 4·1500 + 3·3 + 2·5 − 6000 = 19, so d = 4.75 → 5 mm
  const vehicle = { ...spar.vehicle, mounts: [{ ...spar.vehicle.mounts[0], halfWidthFrontMm: 700, halfWidthRearMm: 700 }] }
  const job = {
    ...spar,
    vehicle,
    cut: { maxShorterMm: 60, useRemnants: false },
    pieces: withRack(spar, { sideRails: false, overhangMm: 50, build: 'bolted' }).pieces,
  }
  const six: Stock = {
    sale: [{ id: '6 m', profileId: rackParams(job).profileId, lengthMm: 6000, priceMinor: 6000 }],
    remnants: [],
    sheets: [],
  }
  const advice = stockAdvice(job, six, defaultRules, tools)
  expect(advice.map((a) => [a.option, a.shorterMm, a.savingMinor, a.barsFewer])).toEqual([
    ['overhang', 5, 6000, 1],
    // a bracket of 5 mm cannot step by less than itself: a step of 1 takes 2·(1 + 5) off
    ['inset', 12, 6000, 1],
  ])
  for (const a of advice) {
    const plan = planCuts(cutList(evaluate(a.job, defaultRules).assembly), six, defaultRules, options, tools)
    expect(plan.costMinor).toBe(a.costMinor)
  }
  // each of the advisor's ways beside it, as far as the job allows: 60 shorter
  expect(compareLengths(job, six, defaultRules, tools)).toEqual([
    {
      profileId: rackParams(job).profileId,
      lengthMm: 6000,
      bars: 2,
      costMinor: 12_000,
      wasteMm: 6000,
      unplaced: 0,
      shortened: [
        { option: 'overhang', label: 'shorter bar ends', bars: 1, costMinor: 6000 },
        { option: 'inset', label: 'feet stepped inboard on folded brackets', bars: 1, costMinor: 6000 },
      ],
    },
  ])
})

test('no range, no advice; and where nothing is saved nothing is proposed', () => {
  expect(stockAdvice({ ...survey, cut: { ...survey.cut, maxShorterMm: 0 } }, demoStock, defaultRules, tools)).toEqual([])
})

test('the survey van’s story: an offcut of 1690 takes 1680, so bars 14 mm shorter (13.08) save the short bar that would be bought for B3', () => {
  // B3 = 2·(790 − 30·(2000 + 1050)/3900 + 80) = 1693.08; 1690 − 2·5 = 1680
  const [first] = stockAdvice(survey, demoStock, defaultRules, tools)
  expect(first.shorterMm).toBe(14)
  expect(first.savingMinor).toBeGreaterThan(2000)
})
