import type { Assembly, Mount } from '../assembly/assembly'
import { centreLine, pointAlong } from '../geometry/centreLine'
import { along, type Point, size, type Vec3 } from '../geometry/vec3'
import type { Evaluation } from '../job/evaluate'
import { feetUsed } from '../limits/usedInCase'
import type { CaseResult, FootForce } from '../loads/caseResult'
import { drawnAt, type MemberShape, movedAt } from '../loads/memberShape'
import { formatQuantity } from '../quantity/formatQuantity'
import { percentText } from '../quantity/percent'
import { type DisplayUnits, defaultUnit } from '../quantity/units'
import { type Entity, project, type ViewName } from './sheet'

/** How a case looks on the drawing: how much each member is used, its movement drawn larger by a stated factor, and what each foot takes. */
export type Strain = { uses: Map<string, number>; entities: Entity[]; factor: number }

const NEAR = 0.85
const SEEN_MM = 25
const SHOWN_MM = 110 // the greatest movement is drawn this long, at the vehicle's own size
const rounded = (factor: number): number => {
  const power = 10 ** Math.floor(Math.log10(Math.max(1, factor)))
  return Math.max(1, [5, 2, 1].map((k) => k * power).find((k) => k <= factor) ?? 1)
}

/** Every member's centre line as it moves, drawn larger by the same factor for all. Vehicle axes, mm. */
export function movedLines(
  assembly: Assembly,
  result: CaseResult,
): { factor: number; lines: { memberId: string; still: Vec3[]; moved: Vec3[] }[] } {
  const most = Math.max(0.01, ...result.members.flatMap((s) => movesOf(s.shape).map(size)))
  const factor = rounded(SHOWN_MM / most)
  return {
    factor,
    lines: result.members.flatMap((s) => {
      const member = assembly.members.find((m) => m.id === s.memberId)
      if (!member) return []
      const line = centreLine(member.path, member.bendRadiiMm)
      const places = drawnAt(s.shape)
      const still = places.map((at) => pointAlong(line, at))
      return [
        {
          memberId: s.memberId,
          still,
          moved: places.map((at, i) => along(still[i]!, movedAt(s.shape, line, at), factor)),
        },
      ]
    }),
  }
}

/** How far each place of a member that has one goes. mm */
const movesOf = ({ from, moved }: MemberShape): Vec3[] => from.map((at) => ({ x: moved[at]!, y: moved[at + 1]!, z: moved[at + 2]! }))

export function strainOf(view: ViewName, e: Pick<Evaluation, 'assembly' | 'feet'>, result: CaseResult, units: DisplayUnits): Strain {
  const { assembly } = e
  const uses = new Map(result.members.map((m) => [m.memberId, m.used]))
  const { factor, lines } = movedLines(assembly, result)
  const worst = result.members.reduce((a, m) => (a === null || m.used > a.used ? m : a), null as CaseResult['members'][number] | null)
  const shapes = lines.flatMap(({ memberId, still, moved }): Entity[] => {
    const seen = (list: Vec3[]) => list.map((p) => project(view, p))
    const [from, points] = [seen(still), seen(moved)]
    // what hardly moves in this view would only draw over itself
    const visible = points.some((p, i) => Math.hypot(p.x - from[i]!.x, p.y - from[i]!.y) > SEEN_MM)
    return visible ? [{ kind: 'polygon', layer: 'moved', closed: false, dashed: memberId !== worst?.memberId, points }] : []
  })
  return {
    uses,
    factor,
    entities: [
      ...shapes,
      ...worstLabel(view, assembly, worst),
      ...feetForces(view, e, result, worst?.memberId ?? null, units),
      ...personMark(view, assembly, result, units),
    ],
  }
}

function worstLabel(view: ViewName, assembly: Assembly, worst: CaseResult['members'][number] | null): Entity[] {
  const member = assembly.members.find((m) => m.id === worst?.memberId)
  if (!member || !worst) return []
  const at = project(view, pointAlong(centreLine(member.path, member.bendRadiiMm), worst.atMm))
  const foremost = Math.max(...assembly.members.flatMap((m) => m.path.map((p) => p.x)))
  const outside = view === 'rear' ? at.x > 0 : at.x > foremost - 100
  return [
    { kind: 'circle', layer: 'moved', centre: at, radius: 34 },
    {
      kind: 'text',
      layer: 'moved',
      // near the right-hand edge of the view the words run inward
      at: { x: at.x + (outside ? -50 : 50), y: at.y + 50 },
      text: `${member.mark} ${percentText(worst.used)}`,
      anchor: outside ? 'end' : 'start',
    },
  ]
}

/** Where somebody's weight is: an arrow onto the bar, in plan a ring. */
function personMark(view: ViewName, assembly: Assembly, { person }: CaseResult, units: DisplayUnits): Entity[] {
  const member = person && assembly.members.find((m) => m.id === person.memberId)
  if (!member) return []
  const place = pointAlong(centreLine(member.path, member.bendRadiiMm), person.atMm)
  const above = (dz: number, dy = 0): Point => project(view, { x: place.x, y: place.y + dy, z: place.z + dz })
  const text = `${formatQuantity(person.kg, 'mass', units)} ${defaultUnit('mass', units.system)}`
  if (view === 'plan')
    return [
      { kind: 'circle', layer: 'force', centre: above(0), radius: 55 },
      {
        kind: 'text',
        layer: 'force',
        at: project(view, { ...place, x: place.x - 75, y: place.y - Math.sign(place.y) * 150 }),
        text,
        anchor: 'end',
      },
    ]
  const line = (from: Point, to: Point): Entity => ({ kind: 'line', layer: 'force', from, to })
  return [
    line(above(330), above(30)),
    line(above(30), above(85, 22)),
    line(above(30), above(85, -22)),
    { kind: 'text', layer: 'force', at: above(350), text, anchor: view === 'side' ? 'middle' : place.y > 0 ? 'start' : 'end' },
  ]
}

/** Arrows as the foot presses the vehicle; upward where it is pulled. In plan the figure only, beside the foot. */
function feetForces(
  view: ViewName,
  { assembly, feet }: Pick<Evaluation, 'assembly' | 'feet'>,
  result: CaseResult,
  worstMember: string | null,
  units: DisplayUnits,
): Entity[] {
  const most = Math.max(1, ...result.feet.map((f) => Math.abs(f.push.z)))
  const shares = feetUsed(result, feet)
  // a foot near or over what holds it says by how much, in the ink of limits
  const words = (i: number) => {
    const [n, share] = [-result.feet[i]!.push.z, shares[i]]
    const force = `${n < 0 ? '↑ ' : ''}${formatQuantity(Math.abs(n), 'force', units)} ${defaultUnit('force', units.system)}`
    return share !== null && share !== undefined && share >= NEAR ? `${force}, ${percentText(share)}` : force
  }
  const layerOf = (i: number) => ((shares[i] ?? 0) > 1 ? ('limit' as const) : ('force' as const))
  const foremost = Math.max(...assembly.mounts.map((m) => m.place.x))
  return assembly.mounts.flatMap((m, i): Entity[] => {
    const n = -result.feet[i]!.push.z
    const outward = m.side === 'right' ? -1 : 1
    if (view === 'plan') {
      // words run rearward from the foremost bar, where the sheet ends, and forward from the others
      const ahead = m.place.x < foremost - 1
      // clear of the bar's end and of a rail on it
      const bar = assembly.members.find((b) => b.id === m.on)
      const past = bar ? Math.abs(bar.path[0]!.y) - Math.abs(m.place.y) : 0
      const at = { x: m.place.x + (ahead ? 60 : -60), y: m.place.y + outward * (past + 60) - 20 }
      return [
        { kind: 'text', layer: layerOf(i), at, text: words(i), anchor: ahead ? 'start' : 'end' },
        ...levelForce(view, m, result.feet[i]!, most, units),
      ]
    }
    // seen from behind or from the side feet stand one behind the other: those of the worst bar, or of the near side, speak for all
    if (
      view === 'rear' ? m.on !== (worstMember && assembly.mounts.some((x) => x.on === worstMember) ? worstMember : m.on) : m.side === 'left'
    )
      return []
    const length = 90 + (260 * Math.abs(n)) / most
    const at = (dz: number, dx = 0): Vec3 => ({
      x: m.place.x + (view === 'side' ? dx : 0),
      y: m.place.y + (view === 'rear' ? dx : 0),
      z: m.place.z + dz,
    })
    const [tip, tail] = n >= 0 ? [-30, -30 - length] : [-30 - length, -30]
    const head = n >= 0 ? tail + 55 : tail - 55
    const line = (a: Vec3, b: Vec3): Entity => ({ kind: 'line', layer: 'force', from: project(view, a), to: project(view, b) })
    // from behind the words run inward, where the vehicle leaves room for them
    const anchor = view === 'side' ? 'middle' : m.side === 'left' ? 'start' : 'end'
    return [
      line(at(tip), at(tail)),
      line(at(tail), at(head, 22)),
      line(at(tail), at(head, -22)),
      { kind: 'text', layer: layerOf(i), at: project(view, at(Math.min(tip, tail) - 70)), text: words(i), anchor },
      ...levelForce(view, m, result.feet[i]!, most, units),
    ]
  })
}

/** What hardly pushes is not drawn: a share of the greatest force down. */
const LEAST_PUSH = 0.03

/** The push of a foot along and aside as one arrow in the level plane, at the scale of the others; in a view that looks along it, only what is seen of it. */
function levelForce(view: ViewName, { place, side }: Mount, { push }: FootForce, most: number, units: DisplayUnits): Entity[] {
  const seen = { x: view === 'rear' ? 0 : push.x, y: view === 'side' ? 0 : push.y }
  const sizeN = Math.hypot(seen.x, seen.y)
  if (sizeN < LEAST_PUSH * most) return []
  const length = 60 + (260 * sizeN) / most
  const way = { x: seen.x / sizeN, y: seen.y / sizeN }
  const from: Vec3 = { ...place, z: place.z - 15 }
  const at = (along: number, across: number): Vec3 => ({
    x: from.x + way.x * along - way.y * across,
    y: from.y + way.y * along + way.x * across,
    z: from.z,
  })
  const flat = view === 'plan'
  // the head opens across the arrow where the view shows that, else up and down
  const wing = (across: number): Vec3 => (flat ? at(length - 45, across) : { ...at(length - 45, 0), z: from.z + across })
  const line = (a: Vec3, b: Vec3): Entity => ({ kind: 'line', layer: 'force', from: project(view, a), to: project(view, b) })
  const arrow = [line(from, at(length, 0)), line(at(length, 0), wing(18)), line(at(length, 0), wing(-18))]
  if (!flat) return arrow
  const inward = side === 'left' ? -1 : 1
  const text = `${formatQuantity(sizeN, 'force', units)} ${defaultUnit('force', units.system)} level`
  return [
    ...arrow,
    { kind: 'text', layer: 'force', at: project(view, { ...at(length, 0), y: at(length, 0).y + inward * 70 }), text, anchor: 'start' },
  ]
}
