import { type Assembly, coatedAreaM2, loadBars } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { hardwarePriceMinor } from '../catalogue/hardware'
import { materialOf } from '../catalogue/materials'
import { footTypes } from '../catalogue/mounts'
import { type Figure, figure, input, SHOP_RULE } from '../figure/figure'
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
  const unpriced = assembly.hardware.filter((h) => hardwarePriceMinor(h.name) === null).map((h) => h.name)
  const stockMinor = plan?.complete ? plan.costMinor : null
  const plates = assembly.plates.map((p) => ({ name: p.name, minor: p.massKg * p.quantity * materialOf(p.materialId).pricePerKgMinor }))
  const feetMinor = assembly.mounts.reduce((s, m) => s + footTypes[m.kind].priceMinor, 0)
  const hardwareMinor = assembly.hardware.reduce((s, h) => s + h.quantity * (hardwarePriceMinor(h.name) ?? 0), 0)
  const area = coatedAreaM2(assembly)
  const money = (
    id: string,
    name: string,
    formula: string,
    source: string,
    given: ReturnType<typeof input>[],
    value: () => number,
  ): Figure => figure({ id, name, unit: 'money', formula, source, with: given }, value)

  const lines: QuoteLine[] = [
    {
      name: 'Bar stock',
      detail: plan
        ? `${plan.purchases.reduce((s, p) => s + p.count, 0)} bought, ${plan.used.reduce((s, u) => s + u.count, 0)} from the rack`
        : 'no plan yet',
      figure: money(
        'quote.stock',
        'Bar stock by the cut plan',
        'Σ price of bars opened',
        'cut plan, merchant’s prices',
        [input('S', plan?.complete === false ? 'stock for every piece' : 'cut plan', stockMinor, 'money')],
        () => stockMinor ?? 0,
      ),
    },
    ...(plates.length
      ? [
          {
            name: 'Flat parts',
            detail: plates.map((p) => p.name).join(', '),
            figure: money(
              'quote.plates',
              'Flat parts',
              'Σ mass × price per kg',
              `catalogue, ${SHOP_RULE}`,
              plates.map((p, i) => input(`P${i + 1}`, p.name, p.minor, 'money')),
              () => plates.reduce((s, p) => s + p.minor, 0),
            ),
          },
        ]
      : []),
    {
      name: 'Feet',
      detail: `${assembly.mounts.length} feet`,
      figure: money(
        'quote.feet',
        'Feet',
        'n × price',
        `catalogue, ${SHOP_RULE}`,
        [input('n', 'feet', assembly.mounts.length, ''), input('Σ', 'their price', feetMinor, 'money')],
        () => feetMinor,
      ),
    },
    {
      name: 'Bolts and small parts',
      detail: `${assembly.hardware.reduce((s, h) => s + h.quantity, 0)} pieces`,
      figure: money(
        'quote.hardware',
        'Bolts and small parts',
        'Σ n × price',
        `catalogue, ${SHOP_RULE}`,
        [
          ...assembly.hardware.map((h) => input(`${h.quantity} ×`, h.name, hardwarePriceMinor(h.name), 'money')),
          ...unpriced.map((n) => input('?', `price of ${n}`, null, 'money')),
        ],
        () => hardwareMinor,
      ),
    },
    {
      name: 'Labour',
      detail: `${hours.toFixed(1)} h`,
      figure: money(
        'quote.labour',
        'Labour',
        't = base + bars·b + joints·j + fairing; cost = t·rate',
        SHOP_RULE,
        [
          input('base', 'set out and fit', rules.hoursBase, 'h'),
          input('b', 'per crossbar', rules.hoursPerBar, 'h'),
          input('bars', 'crossbars', bars, ''),
          input('j', 'per joint', rules.hoursPerJoint, 'h'),
          input('joints', 'joints', joints, ''),
          ...(fairing ? [input('fairing', 'fairing', rules.hoursFairing, 'h')] : []),
          input('rate', 'per hour', rules.labourPerHour * 100, 'money'),
        ],
        () => hours * rules.labourPerHour * 100,
      ),
    },
    ...(finish === 'raw'
      ? []
      : [
          {
            name: finish === 'powder' ? 'Powder coat' : 'Paint',
            detail: `${area.toFixed(2)} m²`,
            figure: money(
              'quote.finish',
              'Finish',
              'A × rate',
              SHOP_RULE,
              [input('A', 'surface', area, 'm²'), input('rate', 'per m²', rules.finishPerM2 * 100, 'money')],
              () => area * rules.finishPerM2 * 100,
            ),
          },
        ]),
  ]
  const lineInputs = lines.map((l) => input('', l.name, l.figure.value, 'money'))
  const sum = () => lines.reduce((s, l) => s + (l.figure.value ?? 0), 0)
  const cost = money('quote.cost', 'Cost', 'Σ lines', 'sum of the lines', lineInputs, sum)
  const price = money(
    'quote.price',
    'Price',
    'P = cost / (1 − margin)',
    SHOP_RULE,
    [input('cost', 'cost of every line', cost.value, 'money'), input('margin', 'margin on price', rules.marginPercent, '%')],
    () => (cost.value ?? 0) / (1 - rules.marginPercent / 100),
  )
  const against = (other: number | null) => (other === null || price.value === null ? null : price.value - other)
  return { lines, cost, price, hours, againstBudgetMinor: against(brief.budgetMinor), againstReadyMadeMinor: against(brief.readyMadeMinor) }
}
