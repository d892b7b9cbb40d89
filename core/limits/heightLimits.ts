import { type Assembly, type Member, topOf } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { type Figure, figure, type Input, SHOP_RULE } from '../figure/figure'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { type Limit, limit } from './limit'
import { assumed, vehicleInput } from './vehicleFigure'

/** Highest point of vehicle, rack (its rails, plates and all that stands above the deck) and everything carried while driving. */
export function overallHeight(assembly: Assembly, vehicle: Vehicle, brief: Brief): Figure {
  const deck = assembly.deckZMm ?? 0
  const tops = [
    ...assembly.members.map((m: Member) => ({ name: `${m.name} ${m.mark}`, z: topOf(m) })),
    ...assembly.plates.filter((p) => p.role !== 'bracket').map((p) => ({ name: p.name, z: p.place.z + p.size.z / 2 })),
    ...brief.cargo.filter((c) => c.counts !== 'parked').map((c) => ({ name: c.name, z: deck + c.heightMm })),
  ]
  const highest = tops.length ? tops.reduce((best, t) => (t.z > best.z ? t : best)) : null
  const above = highest && highest.z > (vehicle.heightMm.value ?? 0) ? highest.name : 'vehicle'
  return figure(
    {
      id: 'height',
      name: 'Overall height, loaded',
      unit: 'mm',
      formula: 'H = max(vehicle, rack, cargo tops)',
      source: 'from the assembly',
      assumes: [...assumed(vehicle, ['heightMm']), `highest is ${above}`],
      with: {
        'H₀': vehicleInput(vehicle, 'heightMm', 'mm'),
        z: highest ? [[highest.z, 'mm', `top of ${highest.name}`] as Input] : [],
      },
    },
    (v) => Math.max(v['H₀'], ...v.z),
  )
}

export function heightLimits(assembly: Assembly, vehicle: Vehicle, brief: Brief, rules: Rules): Limit[] {
  const passages = brief.passages.length ? brief.passages : [{ name: 'lowest passage', heightMm: null }]
  return passages.map((p, i) => {
    const name = p.name || `passage ${i + 1}`
    return limit({
      id: `height.${i}`,
      name: `Height under ${name}`,
      group: 'vehicle',
      unit: 'mm',
      used: overallHeight(assembly, vehicle, brief),
      // a height is near its limit by millimetres, not by a share of the whole: near = within twice the margin
      nearRatio: p.heightMm ? 1 - rules.heightMarginMm / p.heightMm : rules.nearRatio,
      allowed: figure(
        {
          id: `height.${i}.allowed`,
          name: `Clear height of ${name}, less margin`,
          unit: 'mm',
          formula: 'H ≤ h − margin',
          source: `brief; margin: ${SHOP_RULE}`,
          with: { h: [p.heightMm, 'mm', `height of ${name}`], margin: [rules.heightMarginMm, 'mm', 'air to leave'] },
        },
        ({ h, margin }) => h - margin,
      ),
    })
  })
}
