import { type Assembly, assemblyMassKg, memberLengthMm, plateMassKg } from '../assembly/assembly'
import { DOWN, fittingFacingMm2, memberFacingMm2, plateFacingMm2 } from '../assembly/facing'
import { centreOfParts, partMasses } from '../assembly/places'
import type { Brief } from '../brief/brief'
import { massPerMetre, profileOf } from '../catalogue/profiles'
import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import { carriedBy, countsWhen } from '../loads/carried'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { cargoBodies, INSIDE, onBodies } from './onBody'

/** A mass with its place; null where nobody measured. kg, mm; x forward of the rear axle, y left of the middle. */
export type PlacedMass = { name: string; massKg: number | null; xMm: number | null; yMm: number; zMm: number | null }

export type LedgerRow = {
  name: string
  least: number | null
  most: number | null
  basis: string
  counts: 'driving' | 'parked' | 'both'
  /** what bears it: bodies of the vehicle, `roof` where it has but one; none = nothing does */
  on: string[]
  figure: Figure
}
export type LedgerGiven = {
  assembly: Assembly
  pieces: { id: string | null; name: string; assembly: Assembly }[]
  vehicle: Vehicle
  brief: Brief
  rules: Rules
}

/** Every mass that is put on the vehicle, one row each: what is known, what is estimated, what nobody knows, and which body bears it. kg. */
export function ledger({ assembly, pieces, vehicle, brief, rules }: LedgerGiven): LedgerRow[] {
  const bodies = onBodies(assembly, vehicle)
  const where = new Map(cargoBodies(assembly, vehicle, brief))
  return [
    ...pieces
      .filter((p) => partMasses(p.assembly).length)
      .map((p): LedgerRow => {
        const kg = assemblyMassKg(p.assembly)
        const own = partMasses(p.assembly).map((x) => x.id)
        return {
          name: p.name,
          least: kg,
          most: kg,
          basis: 'calculated',
          counts: 'both',
          on: [...new Set(own.flatMap((id) => bodies.get(id) ?? []))],
          figure: pieceMass(p.name, p.id, p.assembly),
        }
      }),
    ...brief.cargo.map((c) => ({
      figure: givenMass(c.name, c.massKg, c.massBasis),
      name: c.name,
      least: c.massKg?.least ?? null,
      most: c.massKg?.most ?? null,
      basis: c.massBasis,
      counts: c.counts,
      on: where.get(c.id) ?? [],
    })),
    ...(brief.snowKgM2 > 0 ? snowRows(assembly, vehicle, brief) : []),
    ...(brief.someoneStands || brief.someoneClimbs
      ? [
          {
            name: brief.someoneStands ? 'Person standing' : 'Person climbing up',
            least: rules.personKg,
            most: rules.personKg,
            basis: "shop's own rule",
            counts: 'parked' as const,
            on: [
              ...new Set(
                assembly.supports.flatMap((s) => (brief.someoneStands ? s.walkOn : s.climbOn)).flatMap((id) => bodies.get(id) ?? []),
              ),
            ],
            figure: givenMass('a person', { least: rules.personKg, most: rules.personKg }, SHOP_RULE),
          },
        ]
      : []),
  ]
}

/** Snow on what lies flat while parked: the plan areas of parts and cargo, body by body. kg */
function snowRows(assembly: Assembly, vehicle: Vehicle, brief: Brief): LedgerRow[] {
  const bodies = onBodies(assembly, vehicle)
  const where = new Map(cargoBodies(assembly, vehicle, brief))
  const flat = [
    ...assembly.members.map((m) => ({ on: bodies.get(m.id) ?? [], m2: memberFacingMm2(m, DOWN) / 1e6 })),
    ...assembly.plates.map((p) => ({ on: bodies.get(p.id) ?? [], m2: plateFacingMm2(p, DOWN) / 1e6 })),
    ...assembly.fittings.map((f) => ({ on: bodies.get(f.id) ?? [], m2: fittingFacingMm2(f, DOWN) / 1e6 })),
    ...carriedBy(assembly, brief)
      .filter((c) => countsWhen(c, 'parked'))
      .map((c) => ({ on: where.get(c.cargoId) ?? [], m2: c.planM2 })),
  ]
  const keys = [...new Set(flat.filter((f) => !f.on.includes(INSIDE)).map((f) => f.on.join('+')))]
  return keys.map((key): LedgerRow => {
    const own = flat.filter((f) => f.on.join('+') === key)
    const planM2 = own.reduce((s, f) => s + f.m2, 0)
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
          A: [planM2, 'm²', 'plan area of what lies flat'],
        },
      },
      (v) => v.s * v.A,
    )
    return {
      name: 'Snow or standing water',
      least: massKg,
      most: massKg,
      basis: 'brief',
      counts: 'parked',
      on: own[0]?.on ?? [],
      figure: worked,
    }
  })
}

/** Metres of each profile by its mass per metre, the plates, what is fitted whole, and the feet. kg */
function pieceMass(name: string, id: string | null, assembly: Assembly): Figure {
  const profileIds = [...new Set(assembly.members.map((m) => m.profileId))]
  const plates = assembly.plates.reduce((s, p) => s + plateMassKg(p), 0) + assembly.infills.reduce((s, i) => s + i.massKg, 0)
  const feet = assembly.mounts.reduce((s, m) => s + m.massKg, 0)
  const lengthOf = (profile: string) => assembly.members.filter((m) => m.profileId === profile).reduce((s, m) => s + memberLengthMm(m), 0)
  return figure(
    {
      id: `mass.piece.${id ?? ''}`,
      name,
      unit: 'kg',
      formula: 'm = Σ L·m′ + plates + fitted + feet',
      source: 'mass per metre = area × density (core/catalogue)',
      assumes: ['bolts and caps ride in the mass of the feet'],
      with: {
        L: profileIds.map((profile): Input => [lengthOf(profile), 'mm', profileOf(profile).name]),
        'm′': profileIds.map((profile): Input => [massPerMetre(profile), 'kg/m', `a metre of ${profileOf(profile).name}`]),
        plates: [plates, 'kg', 'flat parts and infill'],
        fitted: assembly.fittings.map((f): Input => [f.massKg, 'kg', `mass of ${f.name}`]),
        feet: [feet, 'kg', `${assembly.mounts.length} feet`],
      },
    },
    (v) => sum(v.L.map((mm, i) => (mm / 1000) * v['m′'][i]!)) + v.plates + sum(v.fitted) + v.feet,
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

/** Sum of the rows that count now on one body; the value is the greatest, the range least to greatest. One unknown mass makes it unknown. */
export function massFigure(rows: LedgerRow[], when: 'driving' | 'parked', where: string, lacks: string[] = []): Figure {
  const counted = rows.filter((r) => r.counts === 'both' || r.counts === when)
  const all = (use: 'least' | 'most') => sum(counted.map((r) => r[use] ?? 0))
  return figure(
    {
      id: `mass.${when}.${where}`,
      name: `Mass on the ${where}, ${when === 'driving' ? 'moving' : 'parked'}`,
      unit: 'kg',
      formula: 'm = Σ mᵢ',
      source: 'mass ledger: sum of the items that count now',
      with: { m: counted.map((r): Input => [r.most, 'kg', `mass of ${r.name}`]) },
      range: [all('least'), all('most')],
      notes: counted.filter((r) => r.basis === 'estimated').map((r) => `${r.name} is estimated: the greatest of its range counts`),
      lacks,
    },
    ({ m }) => sum(m),
  )
}

/** Masses with places, for axles, height of the centre of mass and gross mass: all that counts while driving. */
export const massesDriving = ({ pieces, assembly, brief, vehicle }: Omit<LedgerGiven, 'rules'>): PlacedMass[] => [
  ...pieces.flatMap((p): PlacedMass[] => {
    const parts = partMasses(p.assembly)
    if (!parts.length) return []
    const centre = centreOfParts(parts)
    return [{ name: p.name, massKg: assemblyMassKg(p.assembly), xMm: centre.x, yMm: centre.y ?? 0, zMm: centre.z }]
  }),
  ...vehicle.onBoard.map((o) => ({ ...o, yMm: 0 })),
  ...carriedBy(assembly, brief)
    .filter((c) => c.counts !== 'parked')
    .map((c) => ({ name: c.name, massKg: c.most, xMm: c.xMm, yMm: c.yMm, zMm: c.zMm })),
]
