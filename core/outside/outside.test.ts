import { describe, expect, test } from 'vitest'
import { buildPlan } from '../build/buildPlan'
import { quote } from '../cost/quote'
import { demoJobs } from '../job/demoJobs'
import type { Job } from '../job/job'
import { builtFrom, patchedParams } from '../job/piecesOf'
import { quoteOf } from '../job/quoteOf'
import type { CutPlan } from '../nesting/planCuts'
import { defaultRules } from '../rules/rules'
import { demoWorkshop } from '../workshop/workshop'
import { type Asked, type AskedLine, OutsideAnswerSchema, type OutsideKind } from './answer'
import { askedOf } from './asked'
import { standInAnswer } from './standIns'
import { answeredDays, answerState, withAnswer } from './standing'

const jobOf = (title: string): Job => demoJobs.find((j) => j.title.startsWith(title))!
const askedFrom = (job: Job) => builtFrom(job, defaultRules).asked
const used = (job: Job, kind: OutsideKind): Job => ({
  ...job,
  outside: withAnswer(job.outside, { ...standInAnswer(askedFrom(job)[kind]!, '2026-11-30'), used: true }),
})
const line = (over: Partial<AskedLine>): AskedLine => ({
  ...{
    key: 'k',
    name: 'n',
    unit: 'piece',
    quantity: 1,
    massKg: 1,
    longMm: 100,
    wideMm: 100,
    thickMm: 3,
    leastHoleMm: null,
    cutMm: 400,
    pierces: 1,
  },
  ...over,
})
const said = (kind: OutsideKind, over: Partial<AskedLine>) => standInAnswer({ kind, lines: [line(over)] }, '2026-11-30').answers[0]!
/** a plan that opens one bar of 6 m of each section */
const sixMetres = (job: Job): CutPlan =>
  ({
    complete: true,
    costMinor: 12_345,
    purchases: askedFrom(job).merchant!.lines.flatMap((l) =>
      l.unit === 'mm' ? [{ stockId: l.key, profileId: l.key.replace('section ', ''), lengthMm: 6000, count: 1, priceMinor: 1 }] : [],
    ),
    used: [],
  }) as unknown as CutPlan

describe('what would be asked outside', () => {
  test('of a chest every flat part as it is cut, of a rack none; nothing is asked of a coater where nothing is powder coated', () => {
    const guard = jobOf('Half guard')
    const { laser } = askedFrom(guard)
    const plates = builtFrom(guard, defaultRules).assembly.plates
    expect(laser!.lines.reduce((s, l) => s + l.quantity, 0)).toBe(plates.length)
    expect(askedFrom(jobOf('Pole and case')).laser).toBeNull()
    for (const job of demoJobs) {
      const { coater } = askedFrom(job)
      expect(coater !== null, job.title).toBe(
        builtFrom(job, defaultRules).pieces.some((p) => p.finish === 'powder' && p.assembly.members.length + p.assembly.plates.length > 0),
      )
    }
  })
  test('what a stand-in answers passes the door it comes in by, in every demo job', () => {
    for (const job of demoJobs)
      for (const asked of Object.values(askedFrom(job)).filter((a): a is Asked => a !== null))
        expect(OutsideAnswerSchema.safeParse(standInAnswer(asked, '2026-11-30')).success, job.title).toBe(true)
  })
})

describe('a stand-in says no as those it stands for would', () => {
  test.each([
    ['coater', { longMm: 3201 }, /does not go into the oven/],
    ['coater', { wideMm: 1701 }, /does not go into the oven/],
    ['coater', { massKg: 81 }, /heavier/],
    ['laser', { longMm: 3100 }, /larger than the bed/],
    ['laser', { thickMm: 12 }, /thicker/],
    ['laser', { thickMm: 8, leastHoleMm: 6 }, /closes up in the cut/],
    ['merchant', { unit: 'mm', longMm: 6001 }, /longer than a bar/],
  ] as const)('%s: %o', (kind, over, fault) => {
    const answer = said(kind, over)
    expect(answer.faults.join()).toMatch(fault)
    expect([answer.minor, answer.days]).toEqual([null, null])
  })
  test('a hole as wide as eight tenths of its plate is cut; a lot of 2 m² takes the coater’s lot and twice his metre', () => {
    expect(said('laser', { thickMm: 5, leastHoleMm: 4 }).faults).toEqual([])
    expect(said('coater', { quantity: 2e6 }).minor).toBe(2500 + 2 * 3100)
  })
})

describe('used, an answer stands in the price and in the days, and says that it is simulated', () => {
  const basket = jobOf('Hoop')
  test('bars cost what the merchant said, in proportion to what is opened; by hand for each section', () => {
    const job = used(basket, 'merchant')
    const line = quoteOf(job, sixMetres(job), defaultRules)!.lines.find((l) => l.name === 'Bar stock')!
    const { merchant } = askedFrom(basket)
    const answers = job.outside[0]!.answers
    const byHand = merchant!.lines
      .flatMap((l, i) => (l.unit === 'mm' ? [(answers[i]!.minor! / l.quantity) * 6000] : []))
      .reduce((a, b) => a + b, 0)
    expect(line.figure.value).toBeCloseTo(byHand, 3)
    expect(line.detail + line.figure.source).toMatch(/simulated steel merchant, 2026-11-30/)
  })
  test('flat parts cut by laser are a line of their own, come after so many days, and take a quarter of our time at the table', () => {
    const plain = jobOf('Half guard')
    const job = used(plain, 'laser')
    const quoted = quoteOf(job, sixMetres(job), defaultRules)!
    expect(quoted.lines.find((l) => l.name === 'Cut by laser')!.figure.value).toBe(
      job.outside[0]!.answers.reduce((s, a) => s + a.minor!, 0),
    )
    const step = (j: Job) =>
      buildPlan({ ...builtFrom(j, defaultRules), workshop: demoWorkshop, rules: defaultRules }).steps.find((s) => s.id === 'plates')!
    expect(step(job).waitHours).toBe(answeredDays(job.outside[0]!)! * 24)
    expect(step(job).title).toMatch(/simulated laser service/)
    expect(step(job).minutes).toBeCloseTo(step(plain).minutes / 4, 6)
    expect(step(job).needs).toEqual(step(plain).needs)
  })
  test('metal comes when the merchant said, and the order says so; feet of a slower supplier still hold the kit', () => {
    const job = used(basket, 'merchant')
    const buy = (
      suppliers: { id: string; name: string; gives: ('sections' | 'feet' | 'sheet' | 'accessories' | 'small parts')[]; leadDays: number }[],
    ) =>
      buildPlan({ ...builtFrom(job, defaultRules), workshop: demoWorkshop, suppliers, rules: { ...defaultRules, leadDays: 1 } }).steps.find(
        (s) => s.id === 'buy',
      )!
    expect(buy([]).why).toMatch(/metal, \d+ days from simulated steel merchant/)
    expect(buy([{ id: 's', name: 'Slow', gives: ['feet'], leadDays: 60 }]).waitHours).toBe(60 * 24)
  })
  test('a lot with a fault leaves the job without a price, and the coat with the shop’s own days', () => {
    const long = { ...basket, pieces: basket.pieces.map((p) => ({ ...p, params: { ...p.params, finish: 'powder' } })) } as Job
    const asked = askedFrom(long).coater!
    const tooLong = {
      ...standInAnswer({ ...asked, lines: [{ ...asked.lines[0]!, longMm: 9000 }] }, '2026-11-30'),
      lines: asked.lines,
      used: true,
    }
    const quoted = quoteOf({ ...long, outside: [tooLong] }, sixMetres(long), defaultRules)!
    expect(quoted.price.value).toBeNull()
    expect(quoted.cost.missing.join()).toMatch(/Powder coat/)
    const powder = buildPlan({
      ...builtFrom({ ...long, outside: [tooLong] }, defaultRules),
      workshop: demoWorkshop,
      rules: defaultRules,
    }).steps.find((s) => s.id === 'powder')!
    expect(powder.waitHours).toBe(defaultRules.coaterDays * 24)
  })
  test('a service that leaves one line undone brings nothing on a day: the shop cuts its own, and the price is not known', () => {
    const plain = jobOf('Half guard')
    const job = used(plain, 'laser')
    const [first, ...rest] = job.outside[0]!.answers
    const undone = {
      ...job,
      outside: [{ ...job.outside[0]!, answers: [{ ...first!, minor: null, days: null, faults: ['too thick'] }, ...rest] }],
    }
    const plates = (j: Job) =>
      buildPlan({ ...builtFrom(j, defaultRules), workshop: demoWorkshop, rules: defaultRules }).steps.find((s) => s.id === 'plates')!
    expect(plates(undone)).toEqual(plates(plain))
    expect(quoteOf(undone, sixMetres(undone), defaultRules)!.price.value).toBeNull()
  })
  test('offcuts of the rack that are made fit for use cost that at any merchant', () => {
    const job = used(basket, 'merchant')
    const bare = sixMetres(job)
    const plan = {
      ...bare,
      profiles: [
        {
          bars: [
            { source: 'remnant', priceMinor: 700 },
            { source: 'sale', priceMinor: 9999 },
          ],
        },
      ],
    } as unknown as CutPlan
    const stock = (p: CutPlan) => quoteOf(job, p, defaultRules)!.lines.find((l) => l.name === 'Bar stock')!.figure.value!
    expect(stock(plan) - stock({ ...bare, profiles: [] })).toBeCloseTo(700, 6)
  })
  test('a flat part goes into the oven too: the lid of a chest counts for how long it is', () => {
    const chest = { ...jobOf('Half guard') }
    const powder = builtFrom(chest, defaultRules).pieces.map((p) => ({ ...p, finish: 'powder' as const }))
    const flat = powder.map((p) => ({ ...p, assembly: { ...p.assembly, members: [], joints: [] } }))
    const longest = Math.max(
      ...flat.flatMap((p) =>
        p.assembly.plates.flatMap((x) =>
          x.outline.flatMap((a) => x.outline.map((b) => Math.max(Math.abs(a.x - b.x), Math.abs(a.y - b.y)))),
        ),
      ),
    )
    expect(askedOf(flat, flat[1]!.assembly, defaultRules).coater!.lines[0]!.longMm).toBeCloseTo(longest, 6)
  })
  test('changed after it was asked the design has another question, and the old answer counts nowhere', () => {
    const job = used(basket, 'merchant')
    const piece = job.pieces[0]!
    const changed = patchedParams(job, piece.id, { sideMm: 333 })
    expect(answerState(changed.outside[0]!, askedFrom(changed).merchant)).toBe('old')
    const plan = sixMetres(changed)
    expect(quoteOf(changed, plan, defaultRules)!.price.value).toBe(
      quote(builtFrom(changed, defaultRules).pieces, plan, changed.brief, defaultRules)!.price.value,
    )
  })
  test('only read, or an answer that came back through the file of a job, changes nothing by itself', () => {
    const job = used(basket, 'merchant')
    const read = { ...job, outside: job.outside.map((a) => ({ ...a, used: false })) }
    expect(quoteOf(read, sixMetres(read), defaultRules)!.price.value).toBe(quoteOf(basket, sixMetres(basket), defaultRules)!.price.value)
    expect(answerState(JSON.parse(JSON.stringify(job.outside[0])), askedFrom(basket).merchant)).toBe('used')
  })
})
