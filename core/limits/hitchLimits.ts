import type { Fitting } from '../assembly/assembly'
import { boxOf, centreOfParts, type PartMass, partMasses, plateCorners } from '../assembly/places'
import { profileSection } from '../catalogue/profiles'
import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import { greatest } from '../figure/greatest'
import { departureDeg } from '../hitch/departure'
import { carriedBy } from '../loads/carried'
import { roadFactor } from '../loads/loadCases'
import { swungThrough } from '../loads/swungOpen'
import { G_M_S2 } from '../quantity/units'
import { tyreDiameterMm } from '../vehicle/masses'
import type { LedgerGiven } from './ledger'
import { type Limit, limit } from './limit'
import { cargoBodies, onBodies, RECEIVER } from './onBody'
import { vehicleFigure, vehicleInput } from './vehicleFigure'

type Hung = { name: string; massKg: number | null; behindMm: number | null }
type OnHitch = { hung: Hung[]; lowest: { behindAxleMm: number; bottomZMm: number; name: string }[]; lacks: string[] }

/** What hangs in the receiver: each piece by its own middle, and what lies on it; null when nothing does. kg, mm behind the pin */
function onHitch({ assembly, pieces, vehicle, brief }: LedgerGiven): OnHitch | null {
  const pin = assembly.mounts.find((m) => m.kind === 'receiver')
  if (!pin) return null
  const bodies = onBodies(assembly, vehicle)
  const own = (id: string) => bodies.get(id)?.includes(RECEIVER) ?? false
  const there = new Map(cargoBodies(assembly, vehicle, brief))
  const cargo = carriedBy(assembly, brief).filter((c) => c.counts !== 'parked' && there.get(c.cargoId)?.includes(RECEIVER))
  const hung = [
    ...pieces.flatMap((p): Hung[] => {
      const parts = partMasses(p.assembly).filter((x) => own(x.id))
      if (!parts.length) return []
      const at = centreOfParts(parts)
      return [{ name: p.name, massKg: kgOf(parts), behindMm: at.behind === null ? null : pin.place.x - at.behind }]
    }),
    ...cargo.map((c) => ({ name: c.name, massKg: c.most, behindMm: pin.place.x - c.xMm })),
  ]
  const boxes = [
    ...assembly.members
      .filter((m) => own(m.id))
      .map((m) => {
        const half = profileSection(m.profileId).heightMm / 2
        return { name: `${m.name} ${m.mark}`, x: Math.min(...m.path.map((p) => p.x)) - half, z: Math.min(...m.path.map((p) => p.z)) - half }
      }),
    ...assembly.plates.filter((p) => own(p.id)).map((p) => ({ name: p.name, ...corner(boxOf(plateCorners(p))) })),
    ...assembly.fittings.filter((f) => own(f.id) && boxed(f)).map((f) => ({ name: f.name, ...corner({ centre: f.middle, size: f.size }) })),
    ...cargo.flatMap((c) =>
      c.middleZMm === null ? [] : [{ name: c.name, x: c.middleXMm - c.lengthMm / 2, z: c.middleZMm - c.heightMm / 2 }],
    ),
  ]
  const lacks = assembly.fittings.filter((f) => own(f.id) && !boxed(f)).map((f) => `rear end and underside of ${f.name}`)
  return { hung, lacks, lowest: boxes.map((b) => ({ name: b.name, behindAxleMm: -b.x, bottomZMm: b.z })) }
}

const boxed = (f: Fitting): boolean => !f.unknown.includes('box') && !f.unknown.includes('x')
const corner = ({ centre, size }: ReturnType<typeof boxOf>) => ({ x: centre.x - size.x / 2, z: centre.z - size.z / 2 })
const kgOf = (parts: PartMass[]): number | null => parts.reduce<number | null>((s, p) => (s === null || p.kg === null ? null : s + p.kg), 0)

const massesOf = ({ hung }: OnHitch): Input[] => hung.map((m) => [m.massKg, 'kg', `mass of ${m.name}`])
const behindOf = ({ hung }: OnHitch): Input[] => hung.map((m) => [m.behindMm, 'mm', `${m.name} behind the pin`])

/** Weight times distance behind the pin: what bends the receiver standing still. N·mm. */
export function hitchMoment(given: LedgerGiven): Figure | null {
  const on = onHitch(given)
  return on && momentFigure(on, 1, 'standing still')
}

/** The same times what the road adds. */
const momentFigure = (on: OnHitch, factor: number, when: string): Figure =>
  figure(
    {
      id: 'hitch.moment',
      name: `Moment about the hitch pin, ${when}`,
      unit: 'N·mm',
      formula: 'M = k·|Σ m·g·d|',
      source: factor === 1 ? 'statics' : `statics; k: ${SHOP_RULE}`,
      with: {
        m: massesOf(on),
        d: behindOf(on),
        g: [G_M_S2, 'm/s²', 'standard gravity'],
        k: [factor, '', factor === 1 ? 'standing still' : 'what the road adds'],
      },
    },
    // what lies ahead of the pin turns the receiver as hard the other way
    (v) => Math.abs(v.k * sum(v.m.map((kg, i) => kg * v.g * v.d[i]!))),
  )

/**
 * The same with an arm swung aside, parked: what swings stands further behind the pin, and beside it, which twists the receiver as well; both together. The
 * worst of all its way, and of several arms; null where nothing in the receiver swings.
 */
function openMoment({ assembly, vehicle, brief }: LedgerGiven): Figure | null {
  const pin = assembly.mounts.find((m) => m.kind === 'receiver')
  if (!pin) return null
  const bodies = onBodies(assembly, vehicle)
  const own = (id: string) => bodies.get(id)?.includes(RECEIVER) ?? false
  const there = new Map(cargoBodies(assembly, vehicle, brief))
  const all = swungThrough(assembly, carriedBy(assembly, brief))
    .filter((o) => o.motion.moves.some(own))
    .map((o) => {
      const parts = partMasses(o.assembly).filter((x) => own(x.id))
      const placed = (x: PartMass) => !x.unknown?.some((u) => u === 'x' || u === 'behind')
      const cargo = o.carried.filter((c) => c.counts !== 'driving' && there.get(c.cargoId)?.includes(RECEIVER))
      return figure(
        {
          id: 'hitch.open',
          name: `Moment about the hitch pin, ${o.motion.name.toLowerCase()} swung to ${Math.round(o.atDeg)}°, parked`,
          unit: 'N·mm',
          formula: 'M = g·√((Σ m·d)² + (Σ m·y)²)',
          source: 'statics',
          with: {
            m: [
              ...parts.map((x): Input => [x.kg, 'kg', `mass of ${x.name}`]),
              ...cargo.map((c): Input => [c.most, 'kg', `mass of ${c.name}`]),
            ],
            d: [
              ...parts.map((x): Input => [placed(x) ? pin.place.x - x.at.x : null, 'mm', `${x.name} behind the pin`]),
              ...cargo.map((c): Input => [pin.place.x - c.xMm, 'mm', `${c.name} behind the pin`]),
            ],
            y: [
              ...parts.map((x): Input => [x.at.y - pin.place.y, 'mm', `${x.name} beside it`]),
              ...cargo.map((c): Input => [c.yMm - pin.place.y, 'mm', `${c.name} beside it`]),
            ],
            g: [G_M_S2, 'm/s²', 'standard gravity'],
          },
        },
        ({ m, d, y, g }) => g * Math.hypot(sum(m.map((kg, i) => kg * d[i]!)), sum(m.map((kg, i) => kg * y[i]!))),
      )
    })
  return all.find((f) => f.value === null) ?? greatest(all, (f) => f.value ?? 0)
}

/** A carrier in the receiver: weight against tongue and carrier ratings, and the angle it leaves at the rear. Nothing when there is none. */
export function hitchLimits(given: LedgerGiven): Limit[] {
  const { vehicle, brief, rules } = given
  const on = onHitch(given)
  if (!on) return []
  const near = { group: 'hitch' as const, nearRatio: rules.nearRatio }
  const load = figure(
    {
      id: 'hitch.load',
      name: 'Carrier and what hangs on it',
      unit: 'kg',
      formula: 'm = Σ mᵢ',
      source: 'sum of masses',
      with: { m: massesOf(on) },
    },
    ({ m }) => sum(m),
  )
  const caution =
    'A receiver’s ratings hold close to the pin: a long carrier needs its maker’s word, and lamps and number plate must stay seen.'
  const diameter = tyreDiameterMm(vehicle.tyres.now)
  const radius = diameter === null ? null : diameter / 2
  const angle = (p: OnHitch['lowest'][number]) => departureDeg(p.behindAxleMm, p.bottomZMm, radius ?? 350)
  const open = openMoment(given)
  const mayTurn = figure(
    {
      id: 'hitch.moment.allowed',
      name: 'Tongue rating at its distance behind the pin, on usual roads',
      unit: 'N·mm',
      formula: 'M = k₀·R·g·d₀',
      source: `R: maker; d₀ and k₀: ${SHOP_RULE}`,
      assumes: ['nobody rates a receiver by its moment: its tongue rating is taken to hold so far behind the pin, on a road and its bumps'],
      with: {
        R: vehicleInput(vehicle, 'tongueKg', 'kg'),
        'd₀': [rules.receiverArmMm, 'mm', 'distance behind the pin'],
        'k₀': [rules.bumpG, '', 'what a road adds'],
        g: [G_M_S2, 'm/s²', 'standard gravity'],
      },
    },
    (v) => v['k₀'] * v.R * v.g * v['d₀'],
  )
  const [drags] = [...on.lowest].sort((a, b) => angle(a) - angle(b))
  return [
    limit({
      id: 'hitch.tongue',
      name: 'Load on the tongue',
      unit: 'kg',
      ...near,
      used: load,
      allowed: vehicleFigure(vehicle, 'tongueKg', 'kg'),
      caution,
    }),
    limit({
      id: 'hitch.carrier',
      name: 'Carrier load of the receiver',
      unit: 'kg',
      ...near,
      used: load,
      allowed: vehicleFigure(vehicle, 'carrierKg', 'kg'),
      caution,
    }),
    limit({
      id: 'hitch.moment',
      name: 'Moment on the receiver',
      unit: 'N·mm',
      ...near,
      used: momentFigure(on, roadFactor(rules, brief.road), brief.road === 'road' ? 'on a road bump' : 'on a rough track'),
      allowed: mayTurn,
      caution,
    }),
    ...(open
      ? [
          limit({
            id: 'hitch.open',
            name: 'Moment on the receiver, swung open',
            unit: 'N·mm',
            ...near,
            used: open,
            allowed: mayTurn,
            caution: 'Open an arm on level ground only, its stop fitted: on a slope it swings by itself.',
          }),
        ]
      : []),
    limit({
      id: 'departure',
      name: 'Departure angle',
      unit: '°',
      invert: true,
      ...near,
      used: figure(
        {
          id: 'departure',
          name: 'Departure angle under the carrier',
          unit: '°',
          formula: 'd·sin α + (R − h)·cos α = R',
          source: 'ISO 612, 6.11; tangent to the tyre',
          assumes: ['tyre at its nominal size, springs as unladen'],
          with: {
            d: [drags?.behindAxleMm ?? null, 'mm', `rear end of ${drags?.name ?? 'it'} behind the rear axle`],
            h: [drags?.bottomZMm ?? null, 'mm', `underside of ${drags?.name ?? 'it'} above the ground`],
            R: [radius, 'mm', 'tyre size, as 235/65 R16'],
          },
          lacks: on.lacks,
        },
        ({ d, h, R }) => departureDeg(d, h, R),
      ),
      allowed: figure(
        {
          id: 'departure.least',
          name: 'Least departure angle',
          unit: '°',
          formula: 'as set',
          source: SHOP_RULE,
          with: { α: [rules.leastDepartureDeg, '°', 'least'] },
        },
        ({ α }) => α,
      ),
      caution: 'A carrier that drags on a ramp tears off: try the steepest ramp the client uses.',
    }),
  ]
}
