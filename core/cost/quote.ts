import { type Assembly, coatedAreaM2, plateMassKg } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { hardwareName, hardwarePriceMinor } from '../catalogue/hardware'
import { materialOf } from '../catalogue/materials'
import { footTypes } from '../catalogue/mounts'
import { type Figure, figure, type Input, type Inputs, type Known, SHOP_RULE, sum } from '../figure/figure'
import type { CutPlan } from '../nesting/planCuts'
import { byWhom, type StandingAnswers } from '../outside/standing'
import type { Rules } from '../rules/rules'
import { barsAnswered, coatAnswered, laserLine, sheetAnswered } from './answeredLines'

/** `work` = the shop's own hours, which nobody is paid for but the shop */
export type QuoteLine = { name: string; detail: string; figure: Figure; work?: true }
export type Quote = {
  lines: QuoteLine[]
  cost: Figure
  price: Figure
  /** the price with tax, where the shop sets one */
  withTax: Figure | null
  hours: number
  againstBudgetMinor: number | null
  againstReadyMadeMinor: number | null
}

/** A piece as it is priced: what is made of it, and its coat. Bought things already there are left out by whoever asks. */
export type Priced = { assembly: Assembly; finish: 'raw' | 'painted' | 'powder' | null }

/**
 * Price of what is made, line by line, every line with its working. Money in minor units; an unplaced part or an unpriced one leaves the price unknown.
 * Nothing made has no price: a question about a vehicle is no quotation. What was asked outside and is used stands in place of the shop's own price, by name.
 */
export function quote(pieces: Priced[], plan: CutPlan | null, brief: Brief, rules: Rules, outside: StandingAnswers = {}): Quote | null {
  const all = <T>(of: (a: Assembly) => T[]): T[] => pieces.flatMap((p) => of(p.assembly))
  const [members, joints, mounts, hardware] = [all((a) => a.members), all((a) => a.joints), all((a) => a.mounts), all((a) => a.hardware)]
  // what is bought as small parts is priced there, and costs nothing a second time
  const fittings = all((a) => a.fittings).filter((f) => !f.there && f.priceMinor !== 0)
  if (!members.length && !mounts.length && !all((a) => a.plates).length && !fittings.length) return null
  const panels = all((a) => a.plates).filter((p) => p.air !== 'sheltered').length
  const infills = all((a) => a.infills)
  const hours =
    rules.hoursBase +
    members.length * rules.hoursPerBar +
    joints.length * rules.hoursPerJoint +
    (panels + infills.length) * rules.hoursFairing
  const plates = [
    ...(outside.merchant
      ? sheetAnswered(outside.merchant)
      : all((a) => a.plates).map((p) => ({ name: p.name, minor: plateMassKg(p) * materialOf(p.materialId).pricePerKgMinor }))),
    ...infills.map((i) => ({ name: i.name, minor: i.priceMinor })),
  ]
  const coats = (['powder', 'painted'] as const).flatMap((finish) => {
    const area = pieces.filter((p) => p.finish === finish).reduce((s, p) => s + coatedAreaM2(p.assembly), 0)
    return area > 0 ? [{ finish, area }] : []
  })
  const money = <const W extends Inputs>(
    about: { id: string; name: string; formula: string; source: string; with: W },
    value: (known: Known<W>) => number,
  ): Figure => figure({ ...about, unit: 'money' }, value)

  const lines: QuoteLine[] = [
    {
      name: 'Bar stock',
      detail: plan
        ? `${sum(plan.purchases.map((p) => p.count))} bought, ${sum(plan.used.map((u) => u.count))} from the rack${outside.merchant ? `, ${byWhom(outside.merchant)}` : ''}`
        : 'no plan yet',
      figure: outside.merchant
        ? barsAnswered(outside.merchant, plan)
        : money(
            {
              id: 'quote.stock',
              name: 'Bar stock by the cut plan',
              formula: 'Σ price of bars opened',
              source: 'cut plan, merchant’s prices',
              with: {
                S: [plan?.complete ? plan.costMinor : null, 'money', plan?.complete === false ? 'stock for every piece' : 'cut plan'],
              },
            },
            ({ S }) => S,
          ),
    },
    ...(plates.length
      ? [
          {
            name: 'Flat parts',
            detail: [...new Set(plates.map((p) => p.name))].join(', '),
            figure: money(
              {
                id: 'quote.plates',
                name: 'Flat parts',
                formula: 'Σ mass × quantity × price per kg',
                source: outside.merchant ? `${byWhom(outside.merchant)}; infill by catalogue, ${SHOP_RULE}` : `catalogue, ${SHOP_RULE}`,
                with: { P: plates.map((p): Input => [p.minor, 'money', p.name]) },
              },
              ({ P }) => sum(P),
            ),
          },
        ]
      : []),
    ...(outside.laser ? [laserLine(outside.laser)] : []),
    {
      name: 'Feet',
      detail: `${mounts.length} feet`,
      figure: money(
        {
          id: 'quote.feet',
          name: 'Feet',
          formula: 'Σ price',
          source: `catalogue, ${SHOP_RULE}`,
          with: { F: mounts.map((m): Input => [footTypes[m.kind].priceMinor, 'money', `foot ${m.mark}`]) },
        },
        ({ F }) => sum(F),
      ),
    },
    {
      name: 'Bolts and small parts',
      detail: `${sum(hardware.map((h) => h.quantity))} pieces`,
      figure: money(
        {
          id: 'quote.hardware',
          name: 'Bolts and small parts',
          formula: 'Σ n × price',
          source: `catalogue, ${SHOP_RULE}`,
          with: {
            n: hardware.map((h): Input => [h.quantity, '', hardwareName(h.part)]),
            P: hardware.map((h): Input => [hardwarePriceMinor(h.part), 'money', `price of ${hardwareName(h.part)}`]),
          },
        },
        ({ n, P }) => sum(n.map((count, i) => count * P[i]!)),
      ),
    },
    {
      name: 'Labour',
      work: true,
      detail: `${hours.toFixed(1)} h`,
      figure: money(
        {
          id: 'quote.labour',
          name: 'Labour',
          formula: 'cost = t·rate, t = base + members·b + joints·j + panels·f',
          source: SHOP_RULE,
          with: {
            t: [hours, 'h', 'all hours'],
            rate: [rules.labourPerHour * 100, 'money', 'per hour'],
            base: [rules.hoursBase, 'h', 'set out and fit'],
            b: [rules.hoursPerBar, 'h', 'per member'],
            members: [members.length, '', 'bars, rails and posts'],
            j: [rules.hoursPerJoint, 'h', 'per joint'],
            joints: [joints.length, '', 'joints'],
            f: [rules.hoursFairing, 'h', 'per panel'],
            panels: [panels + infills.length, '', 'fairings, panels and infill'],
          },
        },
        ({ t, rate }) => t * rate,
      ),
    },
    ...(fittings.length
      ? [
          {
            name: 'Bought for it',
            detail: [...new Set(fittings.map((f) => f.name))].join(', '),
            figure: money(
              {
                id: 'quote.bought',
                name: 'Bought for it',
                formula: 'Σ price',
                source: SHOP_RULE,
                with: { B: fittings.map((f): Input => [f.priceMinor, 'money', `price of ${f.name}`]) },
              },
              ({ B }) => sum(B),
            ),
          },
        ]
      : []),
    ...coats.map(({ finish, area }) => ({
      name: finish === 'powder' ? 'Powder coat' : 'Paint',
      detail: `${area.toFixed(2)} m²${finish === 'powder' && outside.coater ? `, ${byWhom(outside.coater)}` : ''}`,
      figure:
        finish === 'powder' && outside.coater
          ? coatAnswered(outside.coater)
          : money(
              {
                id: `quote.finish.${finish}`,
                name: 'Finish',
                formula: 'A × rate',
                source: SHOP_RULE,
                with: { A: [area, 'm²', 'surface'], rate: [rules.finishPerM2 * 100, 'money', 'per m²'] },
              },
              ({ A, rate }) => A * rate,
            ),
    })),
  ]
  const cost = money(
    {
      id: 'quote.cost',
      name: 'Cost',
      formula: 'Σ lines',
      source: 'sum of the lines',
      with: { C: lines.map((l): Input => [l.figure.value, 'money', l.name]) },
    },
    ({ C }) => sum(C),
  )
  const price = money(
    {
      id: 'quote.price',
      name: 'Price',
      formula: 'P = cost / (1 − margin)',
      source: SHOP_RULE,
      with: { cost: [cost.value, 'money', 'cost of every line'], margin: [rules.marginPercent, '%', 'margin on price'] },
    },
    (v) => v.cost / (1 - v.margin / 100),
  )
  const withTax =
    rules.taxPercent > 0
      ? money(
          {
            id: 'quote.withTax',
            name: 'Price with tax',
            formula: 'P·(1 + t)',
            source: SHOP_RULE,
            with: { price: [price.value, 'money', 'price'], tax: [rules.taxPercent, '%', 'tax on the price'] },
          },
          (v) => v.price * (1 + v.tax / 100),
        )
      : null
  const against = (other: number | null) => (other === null || price.value === null ? null : price.value - other)
  return {
    lines,
    cost,
    price,
    withTax,
    hours,
    againstBudgetMinor: against(brief.budgetMinor),
    againstReadyMadeMinor: against(brief.readyMadeMinor),
  }
}
