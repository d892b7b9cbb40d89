import loadHighs from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import { emptyAssembly, memberLengthMm } from '../assembly/assembly'
import { buildPlan } from '../build/buildPlan'
import { buildDays, workJob } from '../build/calendar'
import type { Tools } from '../calculator/tools'
import { cutList } from '../cutList/cutList'
import { demoJobs } from '../job/demoJobs'
import { builtFrom } from '../job/piecesOf'
import { highsTools } from '../nesting/highsTools'
import { INCH, METRIC } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { demoStock } from '../stock/demoStock'
import { demoWorkshop } from '../workshop/workshop'
import { amountText } from './amount'
import { type Kit, kitRows, kitStanding, withLine } from './kit'
import { type Need, needsOf } from './needs'
import { orderSum, pooledBars, pooledLines } from './pooled'
import { demoSuppliers, longestLead, supplierOf } from './suppliers'

let tools: Tools
beforeAll(async () => {
  tools = highsTools(await loadHighs(), () => performance.now())
})

const need = (key: string, quantity: number, over: Partial<Need> = {}): Need => ({
  ...{ key, kind: 'small parts', name: key, unit: 'piece', quantity, spares: 0, minor: 100 * quantity, ...over },
})

describe('what a job needs', () => {
  test.each(demoJobs.map((j) => [j.title, j] as const))(
    '%s: every part that is made or fitted is in it, and nothing that is there already',
    (_, job) => {
      const { assembly } = builtFrom(job, defaultRules)
      const needs = needsOf(assembly, defaultRules)
      const sum = (kind: Need['kind'], unit: Need['unit']) =>
        needs.filter((n) => n.kind === kind && n.unit === unit).reduce((s, n) => s + n.quantity, 0)
      expect(sum('sections', 'mm')).toBeCloseTo(
        assembly.members.reduce((s, m) => s + memberLengthMm(m), 0),
        3,
      )
      expect(sum('feet', 'piece')).toBe(assembly.mounts.filter((m) => !m.theirs).length)
      expect(sum('accessories', 'piece')).toBe(assembly.fittings.filter((f) => !f.there).length)
      const small = assembly.hardware.reduce((s, h) => s + h.quantity, 0)
      expect(sum('small parts', 'piece')).toBeGreaterThanOrEqual(small)
      expect(sum('small parts', 'piece') - needs.reduce((s, n) => s + n.spares, 0)).toBe(small)
      expect(new Set(needs.map((n) => n.key)).size).toBe(needs.length)
    },
  )
  test('nothing made needs nothing; a price that one of them lacks leaves the line without one', () => {
    expect(needsOf(emptyAssembly, defaultRules)).toEqual([])
    const lamp = { ...builtFrom(demoJobs.find((j) => j.title.startsWith('Hoop'))!, defaultRules).assembly.fittings[0]!, there: false }
    const two = { ...emptyAssembly, fittings: [{ ...lamp, name: 'lamp', priceMinor: 5000 }, { ...lamp, id: 'b', name: 'lamp', priceMinor: null }] } // biome-ignore format: a pair
    expect(needsOf(two, defaultRules)).toMatchObject([{ key: 'fitting lamp', quantity: 2, minor: null }])
  })
  test('as one asks for it', () => {
    expect([amountText(12_340, 'mm', METRIC), amountText(12_192, 'mm', INCH), amountText(24, 'piece', METRIC)]).toEqual([
      '12.34 m',
      '40.0 ft',
      '24',
    ])
    expect([amountText(1_500_000, 'mm²', METRIC), amountText(92_903.04, 'mm²', INCH)]).toEqual(['1.5 m²', '1 ft²'])
  })
})

describe('who brings it, and when', () => {
  test('the one who brings it soonest; the order waits for what takes longest; nobody entered takes what the shop reckons with', () => {
    const quick = { id: 'q', name: 'Quick', gives: ['feet' as const], leadDays: 1 }
    expect(supplierOf('feet', [...demoSuppliers, quick])?.name).toBe('Quick')
    expect(longestLead(['sections', 'feet'], demoSuppliers, 3)).toEqual({ days: 9, kind: 'feet', from: 'Farshore fittings' })
    expect(longestLead(['sections', 'feet'], [], 5)).toMatchObject({ days: 5, from: null })
    expect(longestLead([], demoSuppliers, 5).days).toBe(5)
  })
  test('the plan names what takes longest, and waits for it', () => {
    const given = { ...builtFrom(demoJobs[0]!, defaultRules), workshop: demoWorkshop, rules: defaultRules }
    const buy = (suppliers?: typeof demoSuppliers) => buildPlan({ ...given, suppliers }).steps.find((s) => s.id === 'buy')!
    expect(buy(demoSuppliers)).toMatchObject({
      waitHours: 9 * 24,
      why: expect.stringContaining('longest: feet, 9 days from Farshore fittings'),
    })
    expect(buy().waitHours).toBe(defaultRules.leadDays * 24)
  })
})

describe('the kit', () => {
  const needs = [need('nuts', 20), need('bar', 6000, { kind: 'sections', unit: 'mm', minor: null })]
  const standing = (kit: Kit) => kitStanding(kitRows(needs, kit, demoSuppliers, defaultRules))
  const line = (here: number, due: string | null = null) => ({ here, due, said: '' })
  test('missing, on the way, here; a design that comes to need more makes it missing again', () => {
    expect(standing({})).toEqual({ state: 'missing', dueOn: null })
    expect(standing({ nuts: line(20), bar: line(0, '2026-12-04') })).toEqual({ state: 'ordered', dueOn: '2026-12-04' })
    expect(standing({ nuts: line(20), bar: line(6000) })).toEqual({ state: 'here', dueOn: null })
    expect(standing({ nuts: line(19), bar: line(6000) }).state).toBe('missing')
    // a bar moved by a little needs no other bar; by a hand's breadth it does
    expect(standing({ nuts: line(20), bar: line(5950) }).state).toBe('here')
    expect(standing({ nuts: line(20), bar: line(5900) }).state).toBe('missing')
    // a day that was noted for what has come since holds nothing up
    expect(standing({ nuts: line(20, '2027-01-01'), bar: line(6000) }).dueOn).toBeNull()
  })
  test('ordered keeps what is here and said; come adds to what is here, and nothing is on its way any more', () => {
    const kit = { nuts: { here: 3, due: null, said: 'short' } }
    const ordered = withLine(kit, { key: 'nuts', quantity: 17 }, { due: '2026-12-04' })
    expect(ordered).toEqual({ nuts: { here: 3, due: '2026-12-04', said: 'short' } })
    expect(withLine(ordered, { key: 'nuts', quantity: 17 }, 'here')).toEqual({ nuts: { here: 20, due: null, said: 'short' } })
    expect(withLine({}, { key: 'caps', quantity: 4 }, 'here')).toEqual({ caps: { here: 4, due: null, said: '' } })
  })
  test('the days follow: ordered things come when they are to come, not when an order usually would; all here waits for nothing', () => {
    const job = { title: 'j', due: null, start: null, bringsOn: null, ahead: false, built: { buy: { on: '2026-11-23' } }, notBefore: {} }
    const steps = [
      { id: 'buy', title: 'buy', minutes: 0, people: 1, needs: [], waitHours: 9 * 24, place: null, afterHandOver: false },
      { id: 'receive', title: 'receive', minutes: 60, people: 1, needs: ['buy'], waitHours: 0, place: null, afterHandOver: false },
    ]
    const received = (kit: Kit) => {
      const dated = workJob('j', job as never, { steps }, standing(kit))
      const days = buildDays(
        { steps: dated.steps as never, workMinutes: 0, waitHours: 0 },
        { ...dated, today: '2026-11-23', hoursADay: 8, daysAWeek: 5 },
      )
      return days.steps.find((s) => s.stepId === 'receive')?.from
    }
    // nine days from Monday the 23rd: Wednesday week
    expect(received({})).toBe('2026-12-02')
    expect(received({ nuts: line(20), bar: line(0, '2026-12-09') })).toBe('2026-12-09')
    expect(received({ nuts: line(0, '2026-11-25'), bar: line(6000) })).toBe('2026-11-25')
    expect(received({ nuts: line(20), bar: line(6000) })).toBe('2026-11-23')
    // the day something is to come is no day that somebody moved a step to: it is not kept with the job
    const dated = workJob('j', job as never, { steps }, standing({ nuts: line(20), bar: line(0, '2026-12-09') }))
    expect([dated.notBefore, dated.comesOn]).toEqual([{}, { receive: '2026-12-09' }])
  })
})

describe('over all jobs', () => {
  const rows = (needs: Need[], kit: Kit = {}) => kitRows(needs, kit, demoSuppliers, defaultRules)
  test('alike things on one line with how much is for whom; what is here, on the way, or partly here is not ordered again', () => {
    const lines = pooledLines([
      { id: 'a', title: 'A', rows: rows([need('nuts', 20), need('caps', 4)], { caps: { here: 4, due: null, said: '' } }) },
      { id: 'b', title: 'B', rows: rows([need('nuts', 10), need('caps', 4)], { nuts: { here: 4, due: null, said: '' } }) },
      { id: 'c', title: 'C', rows: rows([need('nuts', 7)], { nuts: { here: 0, due: '2026-12-01', said: '' } }) },
    ])
    expect(lines.map((l) => [l.name, l.quantity, l.minor, l.supplier?.name])).toEqual([
      ['nuts', 26, 2600, 'The bolt loft'],
      ['caps', 4, 400, 'The bolt loft'],
    ])
    expect(lines[0]?.for).toEqual([
      { jobId: 'a', title: 'A', quantity: 20 },
      { jobId: 'b', title: 'B', quantity: 6 },
    ])
  })

  const profileId = 'round-25x2-steel'
  const bars = (id: string, lengthMm: number, quantity: number) => ({
    id,
    title: id,
    parts: cutList(emptyAssembly).concat({
      ...{
        id: 'p',
        marks: Array.from({ length: quantity }, (_, i) => `B${i + 1}`),
        name: 'bar',
        profileId,
        lengthMm,
        ends: ['square', 'square'] as never,
      },
      ...{ endTexts: ['square', 'square'] as [string, string], work: '', lacks: null, quantity, massEachKg: 1 },
    }),
  })
  const sale = { sale: [{ id: 's', profileId, lengthMm: 6000, priceMinor: 3000 }], remnants: [], sheets: [] }
  test('by hand: two jobs of three 1,900 mm and three 1,050 mm: three and one go into a bar together, and one bar does for what needs two', async () => {
    // alone: 3 × 1,900 leave 280 mm, too little for 1,050; 3 × 1,050 leave 2,830
    const two = pooledBars([bars('a', 1900, 2), bars('b', 1050, 2)], sale, defaultRules, 2000, tools)
    // 2 × 1,900 + 2 × 1,050 = 5,900, with four cuts of 3 mm and 5 mm of trim at each end 5,922: one bar
    expect(two.buy).toMatchObject([{ count: 1 }])
    // one by one the second job finds what the first one left on the rack, so nothing is saved by it here
    expect([two.togetherMinor, two.oneByOneMinor, two.saves.value]).toEqual([3000, 3000, 0])
    // 5 × 1,900: the first bars leave nothing that the second job can use, mixed they do
    const mixed = pooledBars([bars('a', 1900, 3), bars('b', 2900, 2), bars('c', 1000, 2)], sale, defaultRules, 3000, tools)
    expect(mixed.togetherMinor!).toBeLessThanOrEqual(mixed.oneByOneMinor!)
    // what is bought and used is as long as all that is cut from it
    expect(mixed.buy.reduce((l, p) => l + p.count * p.lengthMm, 0)).toBeGreaterThan(3 * 1900 + 2 * 2900 + 2 * 1000)
    expect(mixed.unplaced).toEqual([])
  })
  test('where small parts of one job fill the bars of another, less is bought', async () => {
    const jobs = [bars('a', 3900, 3), bars('b', 2050, 3)]
    const found = pooledBars(jobs, sale, defaultRules, 3000, tools)
    // 3,900 + 2,050 = 5,950 with two cuts and the trims 5,966: three bars for both; one by one the first leaves 2,087 on the rack for each of the second's
    expect(found.buy).toMatchObject([{ count: 3 }])
    expect(found.saves.value).toBe(0)
    // the other way round: 2,050 two to a bar leave 1,879 and 3,937; only one of the three 3,900 still finds a place
    const turned = pooledBars([...jobs].reverse(), sale, defaultRules, 3000, tools)
    expect([turned.togetherMinor, turned.oneByOneMinor, turned.saves.value]).toEqual([9000, 12_000, 3000])
  })
  test('what an order comes to is unknown while one line has no price; bars are priced by their plan', () => {
    const priced = pooledLines([
      { id: 'a', title: 'A', rows: rows([need('nuts', 20), need('bar', 6000, { kind: 'sections', unit: 'mm', minor: null })]) },
    ])
    expect(orderSum(priced).value).toBe(2000)
    const without = pooledLines([
      { id: 'a', title: 'A', rows: rows([need('nuts', 20), need('lamp', 1, { kind: 'accessories', minor: null })]) },
    ])
    expect([orderSum(without).value, orderSum(without).missing]).toEqual([null, ['price of lamp']])
  })
  test('a job whose section nobody sells leaves nothing to compare with', async () => {
    const found = pooledBars([bars('a', 1900, 2)], { sale: [], remnants: [], sheets: [] }, defaultRules, 1000, tools)
    expect([found.togetherMinor, found.oneByOneMinor, found.saves.value, found.unplaced[0]?.marks.length]).toEqual([null, null, null, 2])
  })
  test('the demo shop: every bar of every job is in the common plan once', async () => {
    const jobs = demoJobs.map((j, i) => ({ id: `j${i}`, title: j.title, parts: cutList(builtFrom(j, defaultRules).assembly) }))
    const found = pooledBars(jobs, demoStock, defaultRules, 3000, tools)
    const parts = jobs.flatMap((j) => j.parts)
    for (const profileId of new Set(parts.map((p) => p.profileId))) {
      const needs = parts.filter((p) => p.profileId === profileId && p.lacks === null).reduce((l, p) => l + p.lengthMm * p.quantity, 0)
      const bought = found.buy.filter((p) => p.profileId === profileId).reduce((l, p) => l + p.count * p.lengthMm, 0)
      const rack = demoStock.remnants.filter((r) => r.profileId === profileId).reduce((l, r) => l + r.lengthMm * r.quantity, 0)
      const left = found.unplaced.filter((u) => u.profileId === profileId).reduce((l, u) => l + u.lengthMm * u.marks.length, 0)
      expect(bought + rack + left).toBeGreaterThanOrEqual(needs)
    }
    // never more than going from job to job, for that is a way of buying together too
    expect(found.togetherMinor!).toBeLessThanOrEqual(found.oneByOneMinor!)
    expect(found.saves.value).toBe(found.oneByOneMinor! - found.togetherMinor!)
  })
})
