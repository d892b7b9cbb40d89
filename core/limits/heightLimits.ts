import type { Member } from '../assembly/assembly'
import { boxOf, plateCorners, topOf } from '../assembly/places'
import { ridesOf } from '../assembly/rides'
import { type Figure, figure, type Input, SHOP_RULE } from '../figure/figure'
import { restOf } from '../resting/rest'
import type { LedgerGiven } from './ledger'
import { type Limit, limit } from './limit'
import { assumed, vehicleInput } from './vehicleFigure'

/** Highest point of vehicle, of every part that is fitted, and everything carried while driving. Cargo that lies on nothing leaves it unknown. */
export function overallHeight({ assembly, vehicle, brief }: Pick<LedgerGiven, 'assembly' | 'vehicle' | 'brief'>): Figure {
  const { rides } = ridesOf(assembly)
  const cargo = brief.cargo.filter((c) => c.counts !== 'parked').map((c) => ({ c, zMm: restOf(c, assembly).zMm }))
  const tops = [
    ...assembly.members.map((m: Member) => ({ name: `${m.name} ${m.mark}`, z: topOf(m) })),
    ...assembly.plates.filter((p) => !rides.has(p.id)).map((p) => ({ name: p.name, z: boxTop(boxOf(plateCorners(p))) })),
    ...assembly.infills.map((i) => ({ name: i.name, z: Math.max(...i.outline.map((p) => p.z)) })),
    ...assembly.fittings.map((f) => ({ name: f.name, z: f.middle.z + f.size.z / 2 })),
    ...cargo.flatMap(({ c, zMm }) => (zMm === null ? [] : [{ name: c.name, z: zMm + c.heightMm }])),
  ]
  const lacks = cargo.filter((x) => x.zMm === null).map(({ c }) => `something under ${c.name}`)
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
      lacks,
    },
    (v) => Math.max(v['H₀'], ...v.z),
  )
}

export function heightLimits(given: LedgerGiven): Limit[] {
  const { brief, rules } = given
  const passages = brief.passages.length ? brief.passages : [{ name: 'lowest passage', heightMm: null }]
  return passages.map((p, i) => {
    const name = p.name || `passage ${i + 1}`
    return limit({
      id: `height.${i}`,
      name: `Height under ${name}`,
      group: 'vehicle',
      unit: 'mm',
      used: overallHeight(given),
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

const boxTop = ({ centre, size }: { centre: { z: number }; size: { z: number } }): number => centre.z + size.z / 2
