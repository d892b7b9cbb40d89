import type { Assembly, Mount } from '../assembly/assembly'
import { footTypes } from '../catalogue/mounts'
import { profileSection } from '../catalogue/profiles'
import type { HardwareLine } from '../cutList/hardwareOrder'
import { centreLine, headingAlong, nearestAlong } from '../geometry/centreLine'
import { dot, minus, type Point, size } from '../geometry/vec3'
import { seatAxes } from '../loads/solveRack'
import { footRiseMm, footShape } from './feet'
import { type Dimension, type Entity, project, type Sheet, type ViewName } from './sheet'
import { partsSeen } from './views'

/** How feet of one kind stand, drawn large: one of them, and the marks of all that are like it. `risesMm` = from the least to the most of these. mm */
export type FootDetail = { name: string; marks: string[]; risesMm: [number, number]; sheet: Sheet }

/** So much is shown each way of a foot. mm at full size */
const ABOUT_MM = 170
const SITS_MM = 8
/** Numbers of its small parts stand so far apart, one under another. mm at full size */
const APART_MM = 28

/** A foot of each kind and of each profile that stands on one, with the numbers of its small parts as the hardware list has them. */
export function footDetails(assembly: Assembly, hardware: HardwareLine[]): FootDetail[] {
  const alike = new Map<string, Mount[]>()
  for (const m of assembly.mounts) {
    const on = assembly.members.find((b) => b.id === m.on)
    const key = [m.kind, on?.profileId ?? 'plate', m.via ? 'via' : '', m.theirs ? 'theirs' : '', m.backingMm ?? ''].join(' ')
    alike.set(key, [...(alike.get(key) ?? []), m])
  }
  return [...alike.values()].map((mounts): FootDetail => {
    const rises = mounts.map((m) => footRiseMm(m, assembly))
    const foot = footTypes[mounts[0]!.kind]
    // its own maker's foot comes with its maker's bolts
    const small = mounts[0]!.theirs ? [] : hardware.filter((h) => h.foot === foot.kind)
    return {
      name: mounts[0]!.theirs ? `${foot.name}, its maker's` : foot.name,
      marks: mounts.map((m) => m.mark),
      risesMm: [Math.min(...rises), Math.max(...rises)],
      sheet: drawn(mounts[0]!, assembly, small),
    }
  })
}

/** Seen so that what stands on it runs across the sheet. */
function drawn(m: Mount, assembly: Assembly, small: HardwareLine[]): Sheet {
  const on = assembly.members.find((b) => b.id === m.on)
  const line = on ? centreLine(on.path, on.bendRadiiMm) : null
  const near = line ? nearestAlong(line, m.place).atMm : 0
  const way = line ? headingAlong(line, near) : { x: 0, y: 1, z: 0 }
  const view: ViewName = Math.abs(way.x) > Math.abs(way.y) ? 'side' : 'rear'
  const { out } = seatAxes(m.normal)
  const rise = footRiseMm(m, assembly)
  const seat = project(view, m.place)
  const head = project(view, { x: m.place.x + out.x * rise, y: m.place.y + out.y * rise, z: m.place.z + out.z * rise })
  const middle = { x: (seat.x + head.x) / 2, y: (seat.y + head.y) / 2 }
  // a tall foot is shown whole, with what stands on it
  const high = Math.max(ABOUT_MM * 0.7, rise / 2 + 100)
  const frame = [
    { x: middle.x - ABOUT_MM, y: middle.y - high },
    { x: middle.x + ABOUT_MM, y: middle.y + high },
  ] as const
  // what stands elsewhere along the vehicle is no part of this foot
  const depth = (v: { x: number; y: number }) => (view === 'rear' ? v.x : v.y)
  const here: Assembly = {
    ...assembly,
    mounts: [m],
    members: assembly.members.filter((b) => b.id === m.on || b.path.some((p) => Math.abs(depth(p) - depth(m.place)) < ABOUT_MM)),
    plates: assembly.plates.filter((p) => p.id === m.on || p.id === m.via || size(minus(p.pose.origin, m.place)) < 2 * ABOUT_MM),
    infills: [],
    fittings: assembly.fittings.filter((f) => f.id === m.on),
  }
  const parts = partsSeen(view, here)
  const entities: Entity[] = [
    ...parts.filter((e) => e.layer !== 'foot'),
    footShape(view, m, assembly),
    ...seatLines(seat, project(view, plusOf(m.place, out)), m.backingMm),
    ...marks(small, [m.mark, on?.mark], { seat, head, right: frame[1].x }),
    ...figures(
      { seat, head, level: Math.abs(dot(out, { x: 0, y: 0, z: 1 })) > 0.7, frame, rise },
      line && on ? toEnd(line, near, on.profileId) : null,
      {
        view,
        way: project(view, way).x,
      },
    ),
  ]
  // what runs on past the frame is cut off by the paper
  return { view, title: '', entities, box: { min: frame[0], max: frame[1] } }
}

const plusOf = (a: { x: number; y: number; z: number }, d: { x: number; y: number; z: number }) => ({
  x: a.x + d.x,
  y: a.y + d.y,
  z: a.z + d.z,
})

/** The nearer end of what stands on the foot, and how deep its section is. mm */
function toEnd(line: Parameters<typeof nearestAlong>[0], nearMm: number, profileId: string) {
  const whole = line.slice(1).reduce((s, p, i) => s + size(minus(p, line[i]!)), 0)
  const first = nearMm <= whole - nearMm
  return { mm: first ? nearMm : whole - nearMm, first, deepMm: profileSection(profileId).heightMm }
}

/** The face that it stands on, hatched on the vehicle's side, and the plate behind the sheet where there is one. */
function seatLines(seat: Point, outOf: Point, backingMm: number | null): Entity[] {
  const length = Math.hypot(outOf.x - seat.x, outOf.y - seat.y) || 1
  const out = { x: (outOf.x - seat.x) / length, y: (outOf.y - seat.y) / length }
  const along = { x: -out.y, y: out.x }
  const at = (a: number, o: number): Point => ({ x: seat.x + along.x * a + out.x * o, y: seat.y + along.y * a + out.y * o })
  const hatch = [-80, -50, -20, 10, 40, 70].map(
    (a): Entity => ({ kind: 'line', layer: 'vehicle', from: at(a + 10, 0), to: at(a - 4, -14) }),
  )
  const plate: Entity[] = backingMm
    ? [
        {
          kind: 'polygon',
          layer: 'plate',
          closed: true,
          points: [at(-backingMm / 2, -2), at(backingMm / 2, -2), at(backingMm / 2, -6), at(-backingMm / 2, -6)],
        },
      ]
    : []
  return [{ kind: 'line', layer: 'vehicle', from: at(-95, 0), to: at(95, 0) }, ...hatch, ...plate]
}

/** Rings on lines to the foot: its small parts down the right side, its own mark and that of what stands on it on the left. */
function marks(small: HardwareLine[], [foot, bar]: (string | undefined)[], at: { seat: Point; head: Point; right: number }): Entity[] {
  const middle = { x: (at.seat.x + at.head.x) / 2, y: (at.seat.y + at.head.y) / 2 }
  const ring = (text: string, to: Point, of: Point): Entity[] => [
    { kind: 'line', layer: 'mark', from: of, to },
    { kind: 'balloon', layer: 'mark', at: to, text },
  ]
  const top = middle.y - 24
  return [
    ...small.flatMap((h, i) =>
      ring(h.mark, { x: at.right - 12 - 44 * Math.floor(i / 4), y: top - (i % 4) * APART_MM }, { x: middle.x + 16, y: middle.y - 3 * i }),
    ),
    ...(foot ? ring(foot, { x: middle.x - 82, y: middle.y + 6 }, { x: middle.x - 16, y: middle.y }) : []),
    ...(bar ? ring(bar, { x: middle.x + 112, y: at.head.y + 80 }, { x: middle.x + 70, y: at.head.y + 10 }) : []),
  ]
}

type Places = { seat: Point; head: Point; level: boolean; frame: readonly [Point, Point]; rise: number }
/** How far it rises, and how far its middle is from the end of what stands on it where that end is in sight. */
function figures(
  { seat, head, level, frame, rise }: Places,
  end: { mm: number; first: boolean; deepMm: number } | null,
  { way }: { view: ViewName; way: number },
): Dimension[] {
  // one that sits in its place has no height over it
  if (rise <= SITS_MM) return []
  const own = { kind: 'dimension', layer: 'dimension', fine: true } as const
  const risen: Dimension = level
    ? { ...own, axis: 'y', from: seat, to: head, base: frame[0].x + 44, row: -1, lengthMm: rise }
    : { ...own, axis: 'x', from: seat, to: head, base: frame[0].y, row: -1, lengthMm: rise }
  if (!end || end.mm > ABOUT_MM || !level) return [risen]
  const to = { x: head.x + (end.first ? -1 : 1) * Math.sign(way || 1) * end.mm, y: head.y }
  return [
    risen,
    {
      ...own,
      axis: 'x',
      from: { ...head, y: head.y + end.deepMm },
      to: { ...to, y: head.y + end.deepMm },
      base: frame[1].y,
      row: 1,
      lengthMm: end.mm,
    },
  ]
}
