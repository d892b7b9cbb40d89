import type { Assembly } from '../assembly/assembly'
import { assemblyMassKg } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { centreOfMass } from '../brief/cargo'
import { type Figure, figure, input } from '../figure/figure'
import { carrierMasses } from '../hitch/carrier'
import { carriedBy, countsWhen } from '../loads/carried'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'

export type LedgerRow = { name: string; least: number | null; most: number | null; basis: string; counts: 'driving' | 'parked' | 'both' }

/** Every mass above the roof, one row each: what is known, what is estimated, what nobody knows. kg. */
export function ledger(assembly: Assembly, brief: Brief, rules: Rules): LedgerRow[] {
  const rack = assemblyMassKg(assembly)
  return [
    { name: 'Rack itself', least: rack, most: rack, basis: 'calculated', counts: 'both' },
    ...brief.cargo.map((c) => ({
      name: c.name,
      least: c.massKg?.least ?? null,
      most: c.massKg?.most ?? null,
      basis: c.massBasis,
      counts: c.counts,
    })),
    ...(brief.snowKgM2 > 0 ? [snowRow(assembly, brief)] : []),
    ...(brief.someoneStands || brief.someoneClimbs
      ? [
          {
            name: brief.someoneStands ? 'Person standing' : 'Person climbing up',
            least: rules.personKg,
            most: rules.personKg,
            basis: "shop's own rule",
            counts: 'parked' as const,
          },
        ]
      : []),
  ]
}

/** Snow on what lies flat while parked: the plan areas of bars, rails and cargo. kg */
function snowRow(assembly: Assembly, brief: Brief): LedgerRow {
  const massKg = carriedBy(assembly, brief)
    .filter((c) => countsWhen(c, 'parked'))
    .reduce((s, c) => s + c.planM2 * brief.snowKgM2, 0)
  return { name: 'Snow or standing water', least: massKg, most: massKg, basis: 'brief', counts: 'parked' }
}

/** Sum of the rows that count now; the value is the greatest, the range least to greatest. One unknown mass makes it unknown. */
export function massFigure(rows: LedgerRow[], when: 'driving' | 'parked'): Figure {
  const counted = rows.filter((r) => r.counts === 'both' || r.counts === when)
  const sum = (use: 'least' | 'most') => counted.reduce((s, r) => s + (r[use] ?? 0), 0)
  return figure(
    {
      id: `mass.${when}`,
      name: when === 'driving' ? 'Mass on the roof, moving' : 'Mass on the roof, parked',
      unit: 'kg',
      formula: 'm = Σ mᵢ',
      source: 'mass ledger: sum of the items that count now',
      with: counted.map((r, i) => input(`m${i + 1}`, `mass of ${r.name}`, r.most, 'kg')),
      range: [sum('least'), sum('most')],
      assumes: counted
        .filter((r) => r.basis === 'estimated')
        .map((r) => `${r.name} is estimated, ${r.least} to ${r.most} kg; the greatest counts`),
    },
    () => sum('most'),
  )
}

/** Masses with places, for axles, height of the centre of mass and gross mass: all that counts while driving. */
export function massesDriving(
  assembly: Assembly,
  brief: Brief,
  vehicle: Vehicle,
): { name: string; massKg: number | null; xMm: number; zMm: number }[] {
  const rack = assemblyMassKg(assembly)
  const xs = assembly.mounts.map((m) => m.place.x)
  const deck = assembly.deckZMm ?? 0
  return [
    ...(xs.length ? [{ name: 'Rack itself', massKg: rack, xMm: xs.reduce((s, x) => s + x, 0) / xs.length, zMm: deck }] : []),
    ...vehicle.onBoard,
    ...carrierMasses(vehicle),
    ...brief.cargo
      .filter((c) => c.counts !== 'parked')
      .map((c) => {
        const centre = centreOfMass(c, deck)
        return { name: c.name, massKg: c.massKg?.most ?? null, xMm: centre.xMm, zMm: centre.zMm }
      }),
  ]
}
