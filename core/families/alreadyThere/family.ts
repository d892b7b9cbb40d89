import { emptyAssembly, type Fitting, type Joint, type Mount, type Support } from '../../assembly/assembly'
import { footTypes } from '../../catalogue/mounts'
import type { Vec3 } from '../../geometry/vec3'
import { alongPlace, type Place, placesOf } from '../../places/places'
import type { Family, Site } from '../family'
import { thereExamples } from './examples'
import { ThereParams } from './params'

const DRAWN = { sizeMm: 300, behindMm: 300, pinXMm: -1200 } // stand-ins to draw by where nobody measured

const placesFor = (site: Site): Place[] => placesOf(site.vehicle).places.filter((p) => p.side !== 'right')
const placeFor = (p: ThereParams, site: Site): Place | null => placesFor(site).find((x) => x.id === p.where) ?? null

/** What the vehicle carries already, or what is bought whole: entered by measure, weighed, held and rated, never cut or priced. */
export const alreadyThere: Family<ThereParams> = {
  id: 'already-there',
  title: 'Already there',
  group: 'over the roof',
  says: 'A bought or found rack, box, carrier or frame, by its measures and its maker’s ratings.',
  params: ThereParams,
  there: true,
  fits: (site) => (placesFor(site).length ? null : 'nothing is measured that it could stand on'),
  start: (site) => {
    const [first] = placesFor(site)
    return ThereParams.parse({ where: first?.id ?? '', feet: null })
  },
  assemble: (p, site) => {
    const place = placeFor(p, site)
    const inReceiver = place?.kind === 'receiver' || p.where === 'receiver'
    if (!place && !inReceiver)
      return {
        assembly: emptyAssembly,
        issues: [
          {
            code: 'shape',
            at: ['params', 'where'],
            fix: null,
            says: `${p.name || 'It'} stands on a place that this vehicle does not have: choose another`,
          },
        ],
      }
    const body = inReceiver ? hungInReceiver(p, place) : standing(p, place)
    const fitting: Fitting = {
      ...body,
      id: 'it',
      mark: 'X1',
      name: p.name || 'bought piece',
      massKg: p.massKg,
      priceMinor: null,
      there: true,
    }
    const loads = p.loads.map((l, i): Fitting => {
      const pin = pinOf(p, place)
      const at = { x: pin.x - (l.behindMm ?? DRAWN.behindMm), y: 0, z: l.zMm ?? fitting.at.z }
      return {
        id: `load:${i}`,
        mark: `X${i + 2}`,
        name: l.name,
        massKg: l.massKg,
        at,
        middle: at,
        size: { x: 120, y: 120, z: 120 },
        unknown: [
          ...(p.pinXMm === null && !place ? (['x'] as const) : []),
          ...(l.behindMm === null ? (['x', 'behind'] as const) : []),
          ...(l.zMm === null ? (['z'] as const) : []),
        ],
        priceMinor: null,
        there: true,
      }
    })
    return {
      assembly: {
        ...emptyAssembly,
        fittings: [fitting, ...loads],
        joints: loads.map((l): Joint => ({ id: `held:${l.id}`, kind: 'clamp', between: [l.id, 'it'], at: l.at })),
        mounts: mountsOf(p, place, fitting),
        supports: supportsOf(p, place),
      },
      issues: p.altered
        ? [
            {
              code: 'shape',
              at: ['params', 'altered'],
              fix: null,
              says: `${fitting.name} was drilled, cut or welded since it left its maker: it has no rating until he or an engineer gives one`,
            },
          ]
        : [],
    }
  },
  fields: [
    { key: 'name', label: 'What it is', kind: 'text', most: 80 },
    { key: 'where', label: 'Stands on', kind: 'place', options: (site) => placesFor(site).map((p) => ({ value: p.id, label: p.name })) },
    { key: 'massKg', label: 'Mass', kind: 'mass', min: 0, max: 5000, nullable: true },
    { key: 'feet', label: 'Feet', kind: 'count', min: 1, max: 12, nullable: true, when: (p) => p.where !== 'receiver' },
    {
      key: 'xMm',
      label: 'Centre of mass, forward of rear axle',
      when: (p) => p.where !== 'receiver',
      kind: 'length',
      min: -20_000,
      max: 20_000,
      nullable: true,
      group: 'Where it is',
    },
    { key: 'yMm', label: 'Centre of mass, left of the middle', kind: 'length', min: -3000, max: 3000, group: 'Where it is' },
    { key: 'zMm', label: 'Centre of mass above ground', kind: 'length', min: 0, max: 5000, nullable: true, group: 'Where it is' },
    {
      key: 'pinXMm',
      label: 'Pin, forward of rear axle',
      kind: 'length',
      min: -20_000,
      max: 0,
      nullable: true,
      group: 'Where it is',
      when: (p) => p.where === 'receiver',
    },
    {
      key: 'behindMm',
      label: 'Centre of mass behind the pin',
      kind: 'length',
      min: -2000,
      max: 5000,
      nullable: true,
      group: 'Where it is',
      when: (p) => p.where === 'receiver',
    },
    {
      key: 'endBehindMm',
      label: 'Rear end behind the pin',
      kind: 'length',
      min: 1,
      max: 5000,
      nullable: true,
      group: 'Where it is',
      when: (p) => p.where === 'receiver',
    },
    {
      key: 'fromXMm',
      label: 'Rear end, forward of rear axle',
      kind: 'length',
      min: -20_000,
      max: 20_000,
      nullable: true,
      group: 'Where it is',
      when: (p) => p.where !== 'receiver',
    },
    {
      key: 'toXMm',
      label: 'Front end, forward of rear axle',
      kind: 'length',
      min: -20_000,
      max: 20_000,
      nullable: true,
      group: 'Where it is',
      when: (p) => p.where !== 'receiver',
    },
    { key: 'widthMm', label: 'Width', kind: 'length', min: 1, max: 5000, nullable: true, group: 'Where it is' },
    { key: 'bottomZMm', label: 'Underside above ground', kind: 'length', min: 0, max: 5000, nullable: true, group: 'Where it is' },
    { key: 'topZMm', label: 'Top above ground', kind: 'length', min: 0, max: 6000, nullable: true, group: 'Where it is' },
    {
      key: 'barsXMm',
      label: 'Bars or slots that things lie on',
      each: 'Bar',
      kind: 'lengths',
      min: -20_000,
      max: 20_000,
      most: 20,
      group: 'What it carries',
    },
    {
      key: 'barsZMm',
      label: 'Tops of the bars above ground',
      kind: 'length',
      min: 0,
      max: 6000,
      nullable: true,
      group: 'What it carries',
      when: (p) => p.barsXMm.length > 0,
    },
    {
      key: 'holds',
      label: 'It holds things upright by itself',
      kind: 'switch',
      group: 'What it carries',
      when: (p) => p.barsXMm.length > 0,
    },
    {
      key: 'ratedKg',
      label: 'What its maker lets it carry',
      kind: 'mass',
      min: 0,
      max: 5000,
      nullable: true,
      group: 'What it carries',
      when: (p) => p.barsXMm.length > 0,
    },
    { key: 'ratedBy', label: 'Where that stands', kind: 'text', most: 120, group: 'What it carries', when: (p) => p.barsXMm.length > 0 },
    { key: 'altered', label: 'Drilled, cut or welded since', kind: 'switch', group: 'What it carries' },
  ],
  measures: (params) =>
    params.xMm === null
      ? []
      : [
          {
            id: 'x',
            label: 'Place along the vehicle',
            unit: 'length',
            value: params.xMm,
            min: -20_000,
            max: 20_000,
            // the whole of it moves
            set: (p, to) => {
              const by = to - (p.xMm ?? to)
              const on = (v: number | null) => (v === null ? null : v + by)
              return { ...p, xMm: to, fromXMm: on(p.fromXMm), toXMm: on(p.toXMm), barsXMm: p.barsXMm.map((x) => x + by) }
            },
          },
        ],
  handles: (p) =>
    p.xMm === null || p.where === 'receiver'
      ? []
      : [
          {
            id: 'it',
            ref: 'it',
            label: p.name || 'It',
            at: { x: p.xMm, y: p.yMm, z: p.zMm ?? 0 },
            moves: [{ axis: 'x', measure: 'x', per: 1 }],
          },
        ],
  changes: () => [],
  mirrored: (p) => ({ ...p, yMm: -p.yMm }),
  examples: thereExamples,
}

const pinOf = (p: ThereParams, place: Place | null): Vec3 =>
  place ? place.from : { x: p.pinXMm ?? DRAWN.pinXMm, y: 0, z: p.bottomZMm ?? 400 }

type Body = Pick<Fitting, 'at' | 'middle' | 'size' | 'unknown'>

/** In the receiver: told from its pin, so that a carrier whose pin nobody placed still has its moment. */
function hungInReceiver(p: ThereParams, place: Place | null): Body {
  const pin = p.pinXMm === null ? pinOf(p, place) : { ...pinOf(p, place), x: p.pinXMm }
  const placed = place !== null || p.pinXMm !== null
  const x = pin.x - (p.behindMm ?? DRAWN.behindMm)
  const end = p.endBehindMm ?? 2 * DRAWN.behindMm
  const bottom = p.bottomZMm ?? pin.z
  const top = p.topZMm ?? bottom + DRAWN.sizeMm
  return {
    at: { x, y: p.yMm, z: p.zMm ?? (bottom + top) / 2 },
    middle: { x: pin.x - end / 2, y: 0, z: (bottom + top) / 2 },
    size: { x: end, y: p.widthMm ?? DRAWN.sizeMm, z: Math.max(1, top - bottom) },
    unknown: [
      ...(p.behindMm === null || !placed ? (['x'] as const) : []),
      ...(p.behindMm === null ? (['behind'] as const) : []),
      ...(p.zMm === null ? (['z'] as const) : []),
      ...(p.endBehindMm === null || p.bottomZMm === null ? (['box'] as const) : []),
    ],
  }
}

function standing(p: ThereParams, place: Place | null): Body {
  const seat = place?.from.z ?? 0
  const [from, to] = [p.fromXMm ?? (p.xMm ?? 0) - DRAWN.sizeMm, p.toXMm ?? (p.xMm ?? 0) + DRAWN.sizeMm]
  const [bottom, top] = [p.bottomZMm ?? seat, p.topZMm ?? (p.bottomZMm ?? seat) + DRAWN.sizeMm]
  const boxed = [p.fromXMm, p.toXMm, p.widthMm, p.bottomZMm, p.topZMm].every((v) => v !== null) && to > from && top > bottom
  return {
    at: { x: p.xMm ?? (from + to) / 2, y: p.yMm, z: p.zMm ?? (bottom + top) / 2 },
    middle: { x: (from + to) / 2, y: p.yMm, z: (bottom + top) / 2 },
    size: { x: Math.max(1, to - from), y: p.widthMm ?? DRAWN.sizeMm, z: Math.max(1, top - bottom) },
    unknown: [
      ...(p.xMm === null ? (['x'] as const) : []),
      ...(p.zMm === null ? (['z'] as const) : []),
      ...(boxed ? [] : (['box'] as const)),
      ...(p.feet === null ? (['feet'] as const) : []),
    ],
  }
}

/** Its maker's feet, spread in pairs under its box along its place; in a receiver its tongue. */
function mountsOf(p: ThereParams, place: Place | null, body: Fitting): Mount[] {
  const mount = (id: string, side: Mount['side'], at: Vec3): Mount => ({
    id,
    mark: id.toUpperCase(),
    kind: place?.mounts[0] ?? 'receiver',
    placeId: place?.id ?? 'receiver',
    bodyId: place?.bodyId ?? null,
    on: 'it',
    side,
    place: at,
    normal: place?.normal ?? { x: -1, y: 0, z: 0 },
    // its feet weigh with it
    massKg: 0,
    backingMm: place && footTypes[place.mounts[0] ?? 'point'].drilled ? 80 : null,
    via: null,
    theirs: true,
  })
  if (!place || place.kind === 'receiver') return [mount('x1', 'middle', { ...pinOf(p, place), x: p.pinXMm ?? pinOf(p, place).x })]
  const count = p.feet ?? 4
  const pairs = Math.max(1, Math.ceil(count / 2))
  const length = Math.hypot(place.to.x - place.from.x, place.to.y - place.from.y)
  return Array.from({ length: count }, (_, i): Mount => {
    const side = place.side === 'middle' ? 'middle' : i % 2 ? 'right' : 'left'
    const k = Math.floor(i / 2)
    const x = body.middle.x + (pairs === 1 ? 0 : (k / (pairs - 1) - 0.5) * body.size.x * 0.7)
    const at = alongPlace(place, Math.max(0, Math.min(length, x - place.from.x)))
    return mount(`x${i + 1}`, side, side === 'right' ? { ...at, y: -at.y } : at)
  })
}

function supportsOf(p: ThereParams, place: Place | null): Support[] {
  if (!p.barsXMm.length || p.barsZMm === null) return []
  const half = (p.widthMm ?? DRAWN.sizeMm) / 2
  const z = p.barsZMm
  return [
    {
      id: 'bars',
      name: p.name || 'Bars that were there',
      kind: p.holds ? 'tray' : 'bars',
      bodyId: place?.bodyId ?? null,
      bearings: [...p.barsXMm].sort((a, b) => a - b).map((xMm) => ({ on: 'it', xMm, leftMm: p.yMm + half, rightMm: p.yMm - half, zMm: z })),
      surface: null,
      holds: p.holds,
      walkOn: [],
      climbOn: [],
      ratedKg: { value: p.altered ? null : p.ratedKg, source: p.ratedBy || 'its maker' },
    },
  ]
}
