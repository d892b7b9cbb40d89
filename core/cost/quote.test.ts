import loadHighs from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import { type Assembly, emptyAssembly } from '../assembly/assembly'
import { cutList } from '../cutList/cutList'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { builtFrom } from '../job/piecesOf'
import { highsTools } from '../nesting/highsTools'
import type { CutPlan } from '../nesting/planCuts'
import { planCuts } from '../nesting/planCuts'
import { moneyText } from '../quantity/money'
import { defaultRules, type Rules } from '../rules/rules'
import { demoStock } from '../stock/demoStock'
import { rackAlone } from '../testing/racks'
import { type Priced, type Quote, quote } from './quote'

const drone = demoJobs[3]
const { assembly } = evaluate(rackAlone(drone), defaultRules)
let plan: CutPlan
beforeAll(async () => {
  plan = planCuts(
    cutList(assembly),
    demoStock,
    defaultRules,
    { useRemnants: true, timeLimitMs: 2000 },
    highsTools(await loadHighs(), () => performance.now()),
  )
})
const priced = (a: Assembly, by: CutPlan | null, finish: Priced['finish'], rules: Rules): Quote =>
  quote([{ assembly: a, finish }], by, drone.brief, rules)!
const line = (q: Quote, name: string) => q.lines.find((l) => l.name === name)!.figure.value

describe('the drone pair’s bars', () => {
  test('five bars on ten track feet: 2.5 + 5·0.7 + 10·0.15 = 7.5 h at 62 = 465.00', () => {
    const q = priced(assembly, plan, 'powder', defaultRules)
    expect(q.hours).toBeCloseTo(7.5, 9)
    expect(line(q, 'Labour')).toBeCloseTo(46_500, 6)
    expect(line(q, 'Feet')).toBe(10 * 2700)
  })
  test('price is cost over 1 − 22 %, and the stock line is what the cut plan says', () => {
    const q = priced(assembly, plan, 'powder', defaultRules)
    expect(q.price.value).toBeCloseTo(q.cost.value! / 0.78, 6)
    expect(line(q, 'Bar stock')).toBe(plan.costMinor)
    expect(q.cost.value).toBeCloseTo(
      q.lines.reduce((s, l) => s + l.figure.value!, 0),
      6,
    )
    expect(q.againstBudgetMinor).toBeCloseTo(q.price.value! - drone.brief.budgetMinor!, 6)
  })
  test('raw has no coat; a coat costs its square metres', () => {
    expect(priced(assembly, plan, 'raw', defaultRules).lines.map((l) => l.name)).not.toContain('Powder coat')
    const dear = priced(assembly, plan, 'painted', { ...defaultRules, finishPerM2: 68 })
    expect(line(dear, 'Paint')).toBeCloseTo(2 * line(priced(assembly, plan, 'painted', defaultRules), 'Paint')!, 6)
  })
  test('without a plan, or with a piece left over, the price is unknown and says why; nothing is guessed', () => {
    const none = priced(assembly, null, 'raw', defaultRules)
    expect([none.price.value, none.againstReadyMadeMinor]).toEqual([null, null])
    const short = priced(assembly, { ...plan, complete: false }, 'raw', defaultRules)
    expect(short.cost.missing).toContain('Bar stock')
  })
  test('nothing made has no price: a question about a vehicle is no quotation', () => {
    expect(quote([], null, drone.brief, defaultRules)).toBeNull()
    expect(quote([{ assembly: emptyAssembly, finish: 'raw' }], plan, drone.brief, defaultRules)).toBeNull()
  })
  test('a part without a price leaves the price unknown and names the part', () => {
    const odd = {
      ...assembly,
      hardware: [
        ...assembly.hardware,
        { part: { kind: 'bolt' as const, size: 'M16' as const, lengthMm: 60 }, quantity: 2, for: 'tradition' },
      ],
    }
    const q = priced(odd, plan, 'raw', defaultRules)
    expect(q.price.value).toBeNull()
    expect(q.lines.find((l) => l.name === 'Bolts and small parts')!.figure.missing.join()).toContain('price of Bolt M16 × 60 stainless')
  })
})

test.each([
  [164_000, '1 640.00'],
  [-50, '−0.50'],
  [99, '0.99'],
  [123_456_789, '1 234 567.89'],
  [0, '0.00'],
  [null, '—'],
])('%s minor is written %s', (minor, text) => expect(moneyText(minor)).toBe(text))

test('with a tax of 19 % on a price of 100.00 the client pays 119.00; with none set no line is shown, and what is not known stays so', () => {
  const job = demoJobs[0]!
  const { pieces } = builtFrom(job, defaultRules)
  const plan = { complete: true, costMinor: 5000, purchases: [], used: [] } as unknown as CutPlan
  const taxed = quote(pieces, plan, job.brief, { ...defaultRules, taxPercent: 19 })!
  expect(taxed.withTax!.value! / taxed.price.value!).toBeCloseTo(1.19, 9)
  expect(quote(pieces, plan, job.brief, defaultRules)!.withTax).toBeNull()
  expect(quote(pieces, null, job.brief, { ...defaultRules, taxPercent: 19 })!.withTax!.value).toBeNull()
})
