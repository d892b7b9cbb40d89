import {
  type Assembly,
  emptyAssembly,
  type Joint,
  type Member,
  type Mount,
  memberLengthMm,
  type OwnDimension,
  type Support,
} from '../../assembly/assembly'
import { footHardware } from '../../assembly/usualHardware'
import { footTypes } from '../../catalogue/mounts'
import { profileSection } from '../../catalogue/profiles'
import { centreLine, headingAlong, pointAlong } from '../../geometry/centreLine'
import { along, times, type Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import { alongPlace, type Place } from '../../places/places'
import { radians } from '../../quantity/units'
import { equalPositions } from '../../spacing/spacing'
import type { Site } from '../family'
import { leftEdge, letterOf, nameOf, sides } from '../feetOnEdge'
import { capped, clampedTo, faultOf, notYet, straight } from '../parts'
import type { HoldersParams } from './params'

/** Wall of a collar between bar and socket, and its two bolts. Shop's own, mm */
const COLLAR = { wallMm: 4, bolts: { size: 'M8', count: 2 } } as const
/** So much of a socket hangs below the middle of its bar. */
const BELOW = 0.3
/** A bar of its own is as long as the rails are apart, and so much more. mm */
const PAST_MM = 30

/** Tubes of the piece below that run more across the vehicle than along it, and lie level: what a row of sockets may be clamped to. */
export const acrossBars = (below: Assembly): Member[] =>
  below.members.filter((m) => {
    const [a, b] = [m.path[0]!, m.path[m.path.length - 1]!]
    return Math.abs(b.y - a.y) > Math.abs(b.x - a.x) && Math.abs(b.z - a.z) < 50 && Math.abs(b.y - a.y) > 200
  })

type Base = { bar: Member; own: boolean; mounts: Mount[]; rails: Place | null }
/** The bar that the sockets are clamped to. */
export function baseOf(p: HoldersParams, site: Site): Base | null {
  if (site.below) {
    const bars = acrossBars(site.below)
    const bar = bars.find((m) => m.id === p.onMember) ?? bars[0]
    return bar ? { bar, own: false, mounts: [], rails: null } : null
  }
  const rails = leftEdge(site, 'bed.rail', 'tray.edge')
  if (!rails) return null
  const frontX = Math.max(rails.from.x, rails.to.x)
  const at = alongPlace(rails, Math.abs(rails.to.x - rails.from.x) - p.behindMm)
  const { heightMm } = profileSection(p.barProfileId)
  const z = at.z + heightMm / 2
  const x = Math.min(frontX, at.x)
  const end = (side: 1 | -1): Vec3 => ({ x, y: side * (at.y + PAST_MM), z })
  const bar = straight('bar', 'HB', 'Bar across the bed', p.barProfileId, end(1), end(-1), capped)
  const mounts = sides.map(
    (side): Mount => ({
      id: `foot:${nameOf(side)}`,
      mark: `F1${letterOf(side)}`,
      kind: 'through-bolt',
      placeId: rails.id,
      bodyId: rails.bodyId,
      on: 'bar',
      side: nameOf(side),
      place: { x, y: side * at.y, z: at.z },
      normal: { x: 0, y: 0, z: 1 },
      massKg: footTypes['through-bolt'].massKg,
      backingMm: 50,
      via: null,
    }),
  )
  return { bar, own: true, mounts, rails }
}

/** Places along the bar from its first end: even from end to end, or at a pitch about the middle. mm */
export function socketPlaces(p: HoldersParams, lengthMm: number): number[] {
  if (p.pitchMm === null) return equalPositions(p.insetMm, lengthMm - p.insetMm, p.count)
  return Array.from({ length: p.count }, (_, i) => lengthMm / 2 + (i - (p.count - 1) / 2) * p.pitchMm!)
}

export function assemble(p: HoldersParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const base = baseOf(p, site)
  if (!base)
    return notYet(
      site.below
        ? 'The piece below has no tube across that sockets could be clamped to: stand them on another'
        : 'The sockets have no rails for their bar: measure the bed or the tray, or stand them on another piece',
    )
  const { bar } = base
  const line = centreLine(bar.path, bar.bendRadiiMm)
  const lengthMm = memberLengthMm(bar)
  const places = socketPlaces(p, lengthMm)
  const beside = profileSection(bar.profileId).widthMm / 2 + COLLAR.wallMm + profileSection(p.socketProfileId).widthMm / 2
  // over a closed tray there is no room under its edge: a socket stands on it, its cut end clear of the boards as it leans
  const closed = base.rails?.kind === 'tray edge'
  const below = closed
    ? Math.max(
        0,
        (profileSection(bar.profileId).heightMm / 2 - profileSection(p.socketProfileId).widthMm / 2) * Math.cos(radians(p.tiltDeg)),
      )
    : BELOW * p.socketMm
  const sockets = places.map((at, i) => {
    const clear = Math.max(0, Math.min(lengthMm, at))
    const on = pointAlong(line, clear)
    const run = headingAlong(line, clear)
    // square to the bar and level, on its rear side
    const rear = run.y < 0 ? { x: run.y, y: -run.x, z: 0 } : { x: -run.y, y: run.x, z: 0 }
    const lean = radians(p.tiltDeg)
    const up = along(times({ x: 0, y: 0, z: 1 }, Math.cos(lean)), rear, Math.sin(lean))
    const middle = along(on, rear, beside)
    return {
      on,
      middle,
      member: straight(`socket:${i}`, 'SK', 'Socket', p.socketProfileId, along(middle, up, -below), along(middle, up, p.socketMm - below), [
        { kind: 'square' },
        { kind: 'square' },
      ]),
    }
  })
  const joints = sockets.map(
    (s, i): Joint => ({
      id: `collar:${i}`,
      kind: 'clamp',
      between: [`socket:${i}`, bar.id],
      at: along(times(s.on, 0.5), s.middle, 0.5),
      collar: COLLAR.bolts,
    }),
  )
  return {
    assembly: {
      ...emptyAssembly,
      members: [...(base.own ? [bar] : []), ...sockets.map((s, i) => ({ ...s.member, mark: `SK${i + 1}` }))],
      joints: [...joints, ...clampedTo(base.mounts)],
      mounts: base.mounts,
      supports: [
        socketsSupport(
          p,
          sockets.map((s) => s.member),
          base,
        ),
      ],
      hardware: [
        ...(base.own ? footHardware(footTypes['through-bolt'], 2, 50, profileSection(p.barProfileId).heightMm) : []),
        { part: { kind: 'clamp band' }, quantity: p.count, for: 'collar of each socket' },
        { part: { kind: 'bolt', size: COLLAR.bolts.size, lengthMm: 35 }, quantity: COLLAR.bolts.count * p.count, for: 'collars' },
        { part: { kind: 'lock nut', size: COLLAR.bolts.size }, quantity: COLLAR.bolts.count * p.count, for: 'collars' },
        { part: { kind: 'end cap' }, quantity: base.own ? 2 : 0, for: 'open ends of the bar' },
      ].filter((h) => h.quantity > 0) as Assembly['hardware'],
      dimensions: dimensionsOf(
        bar,
        sockets.map((s) => s.on),
      ),
    },
    issues: faults(p, base, lengthMm, places),
  }
}

function socketsSupport(p: HoldersParams, sockets: Member[], base: Base): Support {
  const half = profileSection(p.socketProfileId).widthMm / 2
  return {
    id: 'sockets',
    name: 'Sockets',
    kind: 'socket',
    bodyId: base.rails?.bodyId ?? null,
    bearings: sockets.map((m) => {
      const foot = m.path[0]!
      return { on: m.id, xMm: foot.x, leftMm: foot.y + half, rightMm: foot.y - half, zMm: foot.z }
    }),
    surface: null,
    holds: true,
    walkOn: [],
    climbOn: [],
  }
}

/** Each socket from the left end of the bar, running. */
const dimensionsOf = (bar: Member, at: Vec3[]): OwnDimension[] =>
  at.map((to, i) => ({
    id: `socket:${i}`,
    view: 'rear',
    axis: 'x',
    side: 'high',
    running: true,
    from: bar.path[0]!,
    to,
    ref: `socket:${i}`,
  }))

function faults(p: HoldersParams, base: Base, lengthMm: number, places: number[]): Issue[] {
  const wide = profileSection(p.socketProfileId).widthMm + 2 * COLLAR.wallMm
  const [first, second] = places
  const pitch = first !== undefined && second !== undefined ? Math.abs(second - first) : null
  const most = Math.max(1, Math.floor((lengthMm - 2 * p.insetMm) / Math.max(1, wide + 10)) + 1)
  const ends = places.length ? Math.min(...places, lengthMm - Math.max(...places)) : lengthMm
  const rails = base.rails
  return [
    ...(pitch !== null && pitch < wide + 2
      ? [
          faultOf(
            p.pitchMm === null ? 'count' : 'pitchMm',
            `The sockets touch: {${Math.ceil(wide + 10)}} apart or more, ${most} at most on this bar`,
          ),
        ]
      : []),
    ...(ends < wide / 2
      ? [faultOf(p.pitchMm === null ? 'insetMm' : 'pitchMm', 'A socket stands beyond the end of its bar: fewer, or nearer together')]
      : []),
    ...(rails && p.behindMm > Math.abs(rails.to.x - rails.from.x) ? [faultOf('behindMm', 'The bar lies behind the end of the rails')] : []),
  ]
}
