import loadHighs from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import { cutList } from '../cutList/cutList'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { highsTools } from '../nesting/highsTools'
import type { CutPlan } from '../nesting/planCuts'
import { planCuts } from '../nesting/planCuts'
import { moneyText } from '../quantity/money'
import { defaultRules } from '../rules/rules'
import { demoStock } from '../stock/demoStock'
import { quote } from './quote'

const drone = demoJobs[3]
const { assembly } = evaluate(drone, defaultRules)
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
const line = (q: ReturnType<typeof quote>, name: string) => q.lines.find((l) => l.name === name)!.figure.value

describe('the drone pair’s bars', () => {
  test('five bars on ten track feet: 2.5 + 5·0.7 + 10·0.15 = 7.5 h at 62 = 465.00', () => {
    const q = quote(assembly, plan, drone.brief, 'powder', defaultRules)
    expect(q.hours).toBeCloseTo(7.5, 9)
    expect(line(q, 'Labour')).toBeCloseTo(46_500, 6)
    expect(line(q, 'Feet')).toBe(10 * 2700)
  })
  test('price is cost over 1 − 22 %, and the stock line is what the cut plan says', () => {
    const q = quote(assembly, plan, drone.brief, 'powder', defaultRules)
    expect(q.price.value).toBeCloseTo(q.cost.value! / 0.78, 6)
    expect(line(q, 'Bar stock')).toBe(plan.costMinor)
    expect(q.cost.value).toBeCloseTo(
      q.lines.reduce((s, l) => s + l.figure.value!, 0),
      6,
    )
    expect(q.againstBudgetMinor).toBeCloseTo(q.price.value! - drone.brief.budgetMinor!, 6)
  })
  test('raw has no coat; a coat costs its square metres', () => {
    expect(quote(assembly, plan, drone.brief, 'raw', defaultRules).lines.map((l) => l.name)).not.toContain('Powder coat')
    const dear = quote(assembly, plan, drone.brief, 'painted', { ...defaultRules, finishPerM2: 68 })
    expect(line(dear, 'Paint')).toBeCloseTo(2 * line(quote(assembly, plan, drone.brief, 'painted', defaultRules), 'Paint')!, 6)
  })
  test('without a plan, or with a piece left over, the price is unknown and says why; nothing is guessed', () => {
    const none = quote(assembly, null, drone.brief, 'raw', defaultRules)
    expect([none.price.value, none.againstReadyMadeMinor]).toEqual([null, null])
    const short = quote(assembly, { ...plan, complete: false }, drone.brief, 'raw', defaultRules)
    expect(short.cost.missing).toContain('Bar stock')
  })
  test('a part without a price leaves the price unknown and names the part', () => {
    const odd = {
      ...assembly,
      hardware: [
        ...assembly.hardware,
        { part: { kind: 'bolt' as const, size: 'M16' as const, lengthMm: 60 }, quantity: 2, for: 'tradition' },
      ],
    }
    const q = quote(odd, plan, drone.brief, 'raw', defaultRules)
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
