import { type Assembly, coatedAreaM2, loadBars } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { hardwareName, hardwarePriceMinor } from '../catalogue/hardware'
import { materialOf } from '../catalogue/materials'
import { footTypes } from '../catalogue/mounts'
import { type Figure, figure, type Input, type Inputs, type Known, SHOP_RULE, sum } from '../figure/figure'
import type { CutPlan } from '../nesting/planCuts'
import type { Rules } from '../rules/rules'

export type QuoteLine = { name: string; detail: string; figure: Figure }
export type Quote = {
  lines: QuoteLine[]
  cost: Figure
  price: Figure
  hours: number
  againstBudgetMinor: number | null
  againstReadyMadeMinor: number | null
}

/** Price of the rack, line by line, every line with its working. Money in minor units; an unplaced piece or unpriced part leaves the price unknown. */
export function quote(assembly: Assembly, plan: CutPlan | null, brief: Brief, finish: 'raw' | 'painted' | 'powder', rules: Rules): Quote {
  const bars = loadBars(assembly).length
  const joints = assembly.joints.length
  const fairing = assembly.plates.some((p) => p.role === 'fairing')
  const hours =
    bars === 0 ? 0 : rules.hoursBase + bars * rules.hoursPerBar + joints * rules.hoursPerJoint + (fairing ? rules.hoursFairing : 0)
  const plates = assembly.plates.map((p) => ({ name: p.name, minor: p.massKg * p.quantity * materialOf(p.materialId).pricePerKgMinor }))
  const area = coatedAreaM2(assembly)
  const money = <const W extends Inputs>(
    about: { id: string; name: string; formula: string; source: string; with: W },
    value: (known: Known<W>) => number,
  ): Figure => figure({ ...about, unit: 'money' }, value)

  const lines: QuoteLine[] = [
    {
      name: 'Bar stock',
      detail: plan
        ? `${sum(plan.purchases.map((p) => p.count))} bought, ${sum(plan.used.map((u) => u.count))} from the rack`
        : 'no plan yet',
      figure: money(
        {
          id: 'quote.stock',
          name: 'Bar stock by the cut plan',
          formula: 'Σ price of bars opened',
          source: 'cut plan, merchant’s prices',
          with: { S: [plan?.complete ? plan.costMinor : null, 'money', plan?.complete === false ? 'stock for every piece' : 'cut plan'] },
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
                source: `catalogue, ${SHOP_RULE}`,
                with: { P: plates.map((p): Input => [p.minor, 'money', p.name]) },
              },
              ({ P }) => sum(P),
            ),
          },
        ]
      : []),
    {
      name: 'Feet',
      detail: `${assembly.mounts.length} feet`,
      figure: money(
        {
          id: 'quote.feet',
          name: 'Feet',
          formula: 'Σ price',
          source: `catalogue, ${SHOP_RULE}`,
          with: { F: assembly.mounts.map((m): Input => [footTypes[m.kind].priceMinor, 'money', `foot ${m.mark}`]) },
        },
        ({ F }) => sum(F),
      ),
    },
    {
      name: 'Bolts and small parts',
      detail: `${sum(assembly.hardware.map((h) => h.quantity))} pieces`,
      figure: money(
        {
          id: 'quote.hardware',
          name: 'Bolts and small parts',
          formula: 'Σ n × price',
          source: `catalogue, ${SHOP_RULE}`,
          with: {
            n: assembly.hardware.map((h): Input => [h.quantity, '', hardwareName(h.part)]),
            P: assembly.hardware.map((h): Input => [hardwarePriceMinor(h.part), 'money', `price of ${hardwareName(h.part)}`]),
          },
        },
        ({ n, P }) => sum(n.map((count, i) => count * P[i]!)),
      ),
    },
    {
      name: 'Labour',
      detail: `${hours.toFixed(1)} h`,
      figure: money(
        {
          id: 'quote.labour',
          name: 'Labour',
          formula: 'cost = t·rate, t = base + bars·b + joints·j + fairing',
          source: SHOP_RULE,
          with: {
            t: [hours, 'h', 'all hours'],
            rate: [rules.labourPerHour * 100, 'money', 'per hour'],
            base: [rules.hoursBase, 'h', 'set out and fit'],
            b: [rules.hoursPerBar, 'h', 'per crossbar'],
            bars: [bars, '', 'crossbars'],
            j: [rules.hoursPerJoint, 'h', 'per joint'],
            joints: [joints, '', 'joints'],
            fairing: fairing ? [[rules.hoursFairing, 'h', 'fairing'] as Input] : [],
          },
        },
        ({ t, rate }) => t * rate,
      ),
    },
    ...(finish === 'raw'
      ? []
      : [
          {
            name: finish === 'powder' ? 'Powder coat' : 'Paint',
            detail: `${area.toFixed(2)} m²`,
            figure: money(
              {
                id: 'quote.finish',
                name: 'Finish',
                formula: 'A × rate',
                source: SHOP_RULE,
                with: { A: [area, 'm²', 'surface'], rate: [rules.finishPerM2 * 100, 'money', 'per m²'] },
              },
              ({ A, rate }) => A * rate,
            ),
          },
        ]),
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
  const against = (other: number | null) => (other === null || price.value === null ? null : price.value - other)
  return { lines, cost, price, hours, againstBudgetMinor: against(brief.budgetMinor), againstReadyMadeMinor: against(brief.readyMadeMinor) }
}
