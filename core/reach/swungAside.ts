import type { Assembly } from '../assembly/assembly'
import { type Placing, placingAt } from '../geometry/placing'
import { cross, minus, plus, size, times, type Vec3 } from '../geometry/vec3'
import type { Kit } from '../touch/kit'
import type { Solid } from '../touch/solids'
import { type Held, overlaps, put } from './bodies'
import type { BoltEnd, Fastening } from './fastenings'
import { boltAccess } from './toolReach'
import type { ToolBox, ToolPose } from './tools'
import type { Unit } from './wayOut'

/** The bolt that is left in is slackened by so much, for the part to come free of what it lies on. mm */
const SLACK_MM = 2
/** No point of it goes farther than this between two looks. mm */
const ARC_MM = 4
/** So far it is swung, and there it is tried whether tools get past it. degrees */
const STOPS_DEG = [30, 60, 90]

type Given = {
  assembly: Assembly
  units: Unit[]
  /** bolts that tools get to as everything stands */
  reached: Fastening[]
  all: Held[]
}

/**
 * A bolt that is reached once a part in its way is swung aside on one of its own bolts: all its others undone, that one slackened, and nothing met on the way
 * round. The part must hang on nothing but bolts that tools get to, two at least, and carry nothing that hangs on it alone.
 */
export function swungAside(
  kit: Kit,
  tools: ToolBox,
  f: Fastening,
  witness: Set<Solid>,
  given: Given,
): { unit: Unit; pose: ToolPose } | null {
  const inWay = new Set([...witness].map((s) => s.id))
  for (const unit of given.units) {
    if (!unit.ids.some((id) => inWay.has(id)) || f.holds.some((id) => unit.ids.includes(id))) continue
    for (const pivot of pivotsOf(unit, given)) {
      const pose = swung(kit, tools, f, unit, pivot, given.all)
      if (pose) return { unit, pose }
    }
  }
  return null
}

/** The bolts about which a part can be swung; none where it would fall, or where something else holds it. */
function pivotsOf({ ids }: Unit, { assembly, reached, units }: Given): BoltEnd[] {
  const mine = new Set(ids)
  const outer = assembly.joints.filter((j) => mine.has(j.between[0]) !== mine.has(j.between[1]))
  const own = reached.filter((g) => outer.some((j) => j.id === g.id))
  if (assembly.mounts.some((m) => mine.has(m.on)) || own.length < outer.length || own.reduce((n, g) => n + g.count, 0) < 2) return []
  // what hangs on it alone would fall
  const falls = units.some((o) => {
    const theirs = assembly.joints.filter((j) => j.between.some((id) => o.ids.includes(id)) && !j.between.every((id) => o.ids.includes(id)))
    const others = theirs.some((j) => !outer.includes(j)) || assembly.mounts.some((m) => o.ids.includes(m.on))
    return o.ids[0] !== ids[0] && theirs.length > 0 && !others
  })
  return falls ? [] : own.flatMap((g) => g.places.flatMap((p) => p.ends[0] ?? []))
}

/** Round about a bolt, either way, lifted off what it lies on: how the tool is held once one stop lets it by. Everything is put back. */
function swung(kit: Kit, tools: ToolBox, f: Fastening, unit: Unit, { at, out }: BoltEnd, all: Held[]): ToolPose | null {
  const rest = all.filter((h) => !unit.bodies.includes(h))
  const reach = Math.max(...unit.bodies.flatMap((b) => b.corners.map((c) => size(cross(minus(c, at), out)))))
  const step = (ARC_MM / Math.max(ARC_MM, reach)) * (180 / Math.PI)
  let found: ToolPose | null = null
  for (const side of [1, -1])
    for (const way of [1, -1]) {
      let from = 0
      for (const stop of STOPS_DEG) {
        const n = Math.ceil((stop - from) / step)
        const looks = Array.from({ length: n + 1 }, (_, i) => from + ((stop - from) * i) / n)
        if (found || looks.some((deg) => meets(kit, unit, rest, slackened(at, out, way * deg, side)))) break
        const there = slackened(at, out, way * stop, side)
        const stands = all.map((h) => (unit.bodies.includes(h) ? put(kit, h, there) : h))
        found = boltAccess(kit, tools, f, stands).pose
        from = stop
      }
    }
  for (const h of unit.bodies) put(kit, h, null)
  return found
}

const slackened = (at: Vec3, out: Vec3, deg: number, side: number): Placing => {
  const turn = placingAt({ kind: 'turn', axis: { at, way: out } }, deg)
  return { ...turn, shift: plus(turn.shift, times(out, side * SLACK_MM)) }
}

function meets(kit: Kit, unit: Unit, rest: Held[], at: Placing): boolean {
  return unit.bodies.some((b) => {
    const there = put(kit, b, at)
    return rest.some((o) => overlaps(there.box, o.box) && kit.meets(b.body, o.body))
  })
}
