import { type Assembly, assemblyMassKg, memberLengthMm } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { centreOfMass } from '../brief/cargo'
import { massPerMetre, profileOf } from '../catalogue/profiles'
import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
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
      with: {
        s: [brief.snowKgM2, 'kg/m²', 'on a square metre'],
        A: [planM2, 'm²', 'plan area of bars and what lies on them'],
      },
    },
    (v) => v.s * v.A,
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
      with: {
        L: profileIds.map((id): Input => [lengthOf(id), 'mm', profileOf(id).name]),
        'm′': profileIds.map((id): Input => [massPerMetre(id), 'kg/m', `a metre of ${profileOf(id).name}`]),
        plates: [plates, 'kg', 'brackets, gussets and fairing'],
        feet: [feet, 'kg', `${assembly.mounts.length} feet`],
      },
    },
    (v) => sum(v.L.map((mm, i) => (mm / 1000) * v['m′'][i]!)) + v.plates + v.feet,
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
      with: { m: [massKg?.most ?? null, 'kg', `mass of ${name}`] },
      ...(massKg ? { range: [massKg.least, massKg.most] as [number, number] } : {}),
    },
    ({ m }) => m,
  )

/** Sum of the rows that count now; the value is the greatest, the range least to greatest. One unknown mass makes it unknown. */
export function massFigure(rows: LedgerRow[], when: 'driving' | 'parked'): Figure {
  const counted = rows.filter((r) => r.counts === 'both' || r.counts === when)
  const all = (use: 'least' | 'most') => sum(counted.map((r) => r[use] ?? 0))
  return figure(
    {
      id: `mass.${when}`,
      name: when === 'driving' ? 'Mass on the roof, moving' : 'Mass on the roof, parked',
      unit: 'kg',
      formula: 'm = Σ mᵢ',
      source: 'mass ledger: sum of the items that count now',
      with: { m: counted.map((r): Input => [r.most, 'kg', `mass of ${r.name}`]) },
      range: [all('least'), all('most')],
      notes: counted.filter((r) => r.basis === 'estimated').map((r) => `${r.name} is estimated: the greatest of its range counts`),
    },
    ({ m }) => sum(m),
  )
}

/** Masses with places, for axles, height of the centre of mass and gross mass: all that counts while driving. */
export function massesDriving(assembly: Assembly, brief: Brief, vehicle: Vehicle): PlacedMass[] {
  const deck = assembly.deckZMm ?? 0
  return [
    ...rackAsMass(assembly, brief),
    ...vehicle.onBoard.map((o) => ({ ...o, yMm: 0 })),
    ...carrierMasses(vehicle),
    ...brief.cargo
      .filter((c) => c.counts !== 'parked')
      .map((c) => ({ name: c.name, massKg: c.massKg?.most ?? null, ...centreOfMass(c, deck) })),
  ]
}

/** The rack's own mass at its own centre: every member, plate and foot where it is. */
function rackAsMass(assembly: Assembly, brief: Brief): PlacedMass[] {
  if (!assembly.members.length && !assembly.mounts.length) return []
  const bracketKg = sum(assembly.plates.filter((p) => p.role === 'bracket').map((p) => p.massKg))
  const parts = [
    ...carriedBy(assembly, { ...brief, cargo: [] }).map((c) => ({ kg: c.most ?? 0, x: c.xMm, y: c.yMm, z: c.zMm })),
    ...assembly.mounts.map((m) => ({ kg: m.massKg + bracketKg, ...m.place })),
  ]
  const kg = sum(parts.map((p) => p.kg))
  const centre = (of: 'x' | 'y' | 'z') => sum(parts.map((p) => p.kg * p[of])) / Math.max(1e-9, kg)
  return [{ name: 'Rack itself', massKg: assemblyMassKg(assembly), xMm: centre('x'), yMm: centre('y'), zMm: centre('z') }]
}
