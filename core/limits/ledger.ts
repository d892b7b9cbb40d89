import { type Assembly, assemblyMassKg, memberLengthMm } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { centreOfMass } from '../brief/cargo'
import { massPerMetre, profileOf } from '../catalogue/profiles'
import { type Figure, figure, input, SHOP_RULE } from '../figure/figure'
import { carrierMasses, type PlacedMass } from '../hitch/carrier'
import { carriedBy, countsWhen } from '../loads/carried'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'

export type LedgerRow = {
  name: string
  least: number | null
  most: number | null
  basis: string
  counts: 'driving' | 'parked' | 'both'
  figure: Figure
}

/** Every mass above the roof, one row each: what is known, what is estimated, what nobody knows. kg. */
export function ledger(assembly: Assembly, brief: Brief, rules: Rules): LedgerRow[] {
  const rack = assemblyMassKg(assembly)
  return [
    { name: 'Rack itself', least: rack, most: rack, basis: 'calculated', counts: 'both', figure: rackMass(assembly) },
    ...brief.cargo.map((c) => ({
      figure: givenMass(c.name, c.massKg, c.massBasis),
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
            figure: givenMass('a person', { least: rules.personKg, most: rules.personKg }, SHOP_RULE),
          },
        ]
      : []),
  ]
}

/** Snow on what lies flat while parked: the plan areas of bars, rails and cargo. kg */
function snowRow(assembly: Assembly, brief: Brief): LedgerRow {
  const planM2 = carriedBy(assembly, brief)
    .filter((c) => countsWhen(c, 'parked'))
    .reduce((s, c) => s + c.planM2, 0)
  const massKg = planM2 * brief.snowKgM2
  const worked = figure(
    {
      id: 'mass.snow',
      name: 'Snow or standing water',
      unit: 'kg',
      formula: 'm = s·A',
      source: 'brief; snow on the ground by EN 1991-1-3 or the local code',
      with: [input('s', 'on a square metre', brief.snowKgM2, 'kg/m²'), input('A', 'plan area of bars and what lies on them', planM2, 'm²')],
    },
    () => massKg,
  )
  return { name: 'Snow or standing water', least: massKg, most: massKg, basis: 'brief', counts: 'parked', figure: worked }
}

/** Metres of each profile by its mass per metre, the plates and the feet. kg */
function rackMass(assembly: Assembly): Figure {
  const profileIds = [...new Set(assembly.members.map((m) => m.profileId))]
  const plates = assembly.plates.reduce((s, p) => s + p.massKg * p.quantity, 0)
  const feet = assembly.mounts.reduce((s, m) => s + m.massKg, 0)
  const lengthOf = (id: string) => assembly.members.filter((m) => m.profileId === id).reduce((s, m) => s + memberLengthMm(m), 0)
  return figure(
    {
      id: 'mass.rack',
      name: 'Rack itself',
      unit: 'kg',
      formula: 'm = Σ L·m′ + plates + feet',
      source: 'mass per metre = area × density (core/catalogue)',
      assumes: ['bolts and caps ride in the mass of the feet'],
      with: [
        ...profileIds.flatMap((id, i) => [
          input(`L${i + 1}`, profileOf(id).name, lengthOf(id), 'mm'),
          input(`m′${i + 1}`, 'mass of a metre of it', massPerMetre(id), 'kg/m'),
        ]),
        input('plates', 'brackets, gussets and fairing', plates, 'kg'),
        input('feet', `${assembly.mounts.length} feet`, feet, 'kg'),
      ],
    },
    () => assemblyMassKg(assembly),
  )
}

const givenMass = (name: string, massKg: { least: number; most: number } | null, source: string): Figure =>
  figure(
    {
      id: `mass.of.${name}`,
      name,
      unit: 'kg',
      formula: 'as given; the greatest counts',
      source,
      with: [input('m', `mass of ${name}`, massKg?.most ?? null, 'kg')],
      ...(massKg ? { range: [massKg.least, massKg.most] as [number, number] } : {}),
    },
    () => massKg?.most ?? 0,
  )

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
      notes: counted.filter((r) => r.basis === 'estimated').map((r) => `${r.name} is estimated: the greatest of its range counts`),
    },
    () => sum('most'),
  )
}

/** Masses with places, for axles, height of the centre of mass and gross mass: all that counts while driving. */
export function massesDriving(assembly: Assembly, brief: Brief, vehicle: Vehicle): PlacedMass[] {
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
