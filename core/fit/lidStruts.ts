import type { Assembly } from '../assembly/assembly'
import { partMasses } from '../assembly/places'
import type { Brief } from '../brief/brief'
import { cross, dot, minus, times, type Vec3 } from '../geometry/vec3'
import { restOf } from '../resting/rest'
import type { Rules } from '../rules/rules'
import {
  bestStruts,
  type InPlane,
  type StrutChoice,
  type StrutCurve,
  type StrutGiven,
  type StrutSize,
  strutCurve,
  type Turning,
} from '../strut/strutCurve'
import { newStruts, type Struts } from '../strut/struts'
import { type Mover, moversOf } from '../touch/movers'
import type { Solid } from '../touch/solids'
import { solidsOf } from '../touch/solids'
import type { Vehicle } from '../vehicle/vehicle'
import { withMeasured } from './measuredStruts'

/** A leaf in its own plane of turning: masses, gravity, how far its edge reaches. `lacks` = what nobody knows of it. */
export type Leaf = {
  mover: Mover
  u: Vec3
  w: Vec3
  empty: Turning[]
  loaded: Turning[]
  gravity: { out: number; up: number }
  reachMm: number
  toDeg: number | null
  /** weighed by hand: a leaf of the vehicle itself */
  own: boolean
  lacks: string[]
}
export type LidStruts = { struts: Struts; leaf: Leaf; given: StrutGiven | null; curve: StrutCurve | null; lacks: string[] }
type Given = { assembly: Assembly; vehicle: Vehicle; brief: Brief; rules: Rules }

/** What turns about a line that is not upright: gravity opens or shuts it. */
export function leavesOf({ assembly, vehicle, brief }: Given, struts: Struts[]): Leaf[] {
  const solids = solidsOf(assembly, vehicle, brief, 'parked')
  return moversOf(assembly, vehicle, brief)
    .filter((m) => m.kind === 'turn' && Math.abs(m.axis.way.z) < 0.5)
    .map((mover) => {
      const own = struts.find((s) => s.moverId === mover.id) ?? newStruts(mover.id)
      return leafOf(mover, assembly, brief, solids, withMeasured(own, mover, vehicle))
    })
}

function leafOf(mover: Mover, assembly: Assembly, brief: Brief, solids: Solid[], struts: Struts): Leaf {
  const going = new Set(mover.moves)
  const corners = [...solids.filter((s) => going.has(s.id)), ...(mover.leaf ? [mover.leaf] : [])].flatMap((s) => s.hulls.flat())
  const { u, w } = planeOf(mover, corners)
  const inPlane = (p: Vec3): InPlane => ({ out: dot(minus(p, mover.axis.at), u), up: dot(minus(p, mover.axis.at), w) })
  const parts = partMasses(assembly).filter((p) => going.has(p.id))
  const cargo = brief.cargo.filter((c) => going.has(`cargo:${c.id}`))
  const masses: (Turning | null)[] = [
    ...parts.map((p) => (p.kg === null ? null : { kg: p.kg, ...inPlane(p.at) })),
    ...cargo.map((c) => {
      const z = restOf(c, assembly).zMm
      const kg = typeof c.massKg === 'object' && c.massKg !== null ? c.massKg.most : c.massKg
      return kg === null || z === null ? null : { kg, ...inPlane({ x: c.xMm, y: c.yMm, z: z + c.heightMm / 2 }) }
    }),
  ]
  const leaf: Turning | null =
    mover.leaf && struts.leafKg !== null && struts.leafOutMm !== null ? { kg: struts.leafKg, out: struts.leafOutMm, up: 0 } : null
  const known = masses.filter((m) => m !== null)
  const lacks = [
    ...(masses.some((m) => m === null) ? ['the mass of something that moves with it'] : []),
    ...(mover.leaf && !leaf ? [`what the ${mover.name.toLowerCase()} itself weighs, and where its middle is`] : []),
    ...(mover.to === null ? [`how far the ${mover.name.toLowerCase()} opens`] : []),
  ]
  return {
    mover,
    u,
    w,
    // a lid of a piece is empty as it is; on a leaf of the vehicle what stands on it comes on top
    empty: mover.leaf ? (leaf ? [leaf] : []) : known,
    loaded: [...(leaf ? [leaf] : []), ...known],
    gravity: { out: -u.z, up: -w.z },
    reachMm: Math.max(50, ...corners.map((p) => inPlane(p).out)),
    toDeg: mover.to,
    own: mover.leaf !== null,
    lacks,
  }
}

/** Out along the shut leaf, by the vehicle's own axis that it lies nearest to, and up the way it opens. */
function planeOf({ axis }: Mover, corners: Vec3[]): { u: Vec3; w: Vec3 } {
  const mean = times(
    corners.reduce((s, p) => ({ x: s.x + p.x, y: s.y + p.y, z: s.z + p.z }), { x: 0, y: 0, z: 0 }),
    1 / Math.max(1, corners.length),
  )
  const d = minus(mean, axis.at)
  const off = minus(d, times(axis.way, dot(d, axis.way)))
  const [k] = (['x', 'y', 'z'] as const).toSorted((a, b) => Math.abs(off[b]) - Math.abs(off[a]))
  const u = { x: 0, y: 0, z: 0, [k!]: Math.sign(off[k!]) || 1 }
  return { u, w: cross(axis.way, u) }
}

/** Every set of struts of the job, worked out where all that it needs is known. */
export function lidStruts(leaves: Leaf[], all: Struts[], vehicle: Vehicle, rules: Rules): LidStruts[] {
  return all.flatMap((typed): LidStruts[] => {
    const leaf = leaves.find((l) => l.mover.id === typed.moverId)
    if (!leaf) return []
    const struts = withMeasured(typed, leaf.mover, vehicle)
    const need: [number | null, string][] = [
      [struts.forceN, 'force of a strut'],
      [struts.extendedMm, 'its full length'],
      [struts.strokeMm, 'its stroke'],
      [struts.onLeaf.outMm, 'its end on the leaf, out'],
      [struts.onLeaf.belowMm, 'its end on the leaf, below'],
      [struts.onBody.outMm, 'its end on the body, out'],
      [struts.onBody.belowMm, 'its end on the body, below'],
    ]
    const lacks = [...leaf.lacks, ...need.filter(([v]) => v === null).map(([, name]) => name)]
    if (lacks.length) return [{ struts, leaf, given: null, curve: null, lacks }]
    const at = (e: Struts['onLeaf']): InPlane => ({ out: e.outMm ?? 0, up: -(e.belowMm ?? 0) })
    const made: StrutGiven = {
      ...plain(leaf, rules),
      count: struts.count,
      forceN: struts.forceN ?? 0,
      extendedMm: struts.extendedMm ?? 0,
      strokeMm: struts.strokeMm ?? 1,
      onLeaf: at(struts.onLeaf),
      onBody: at(struts.onBody),
    }
    return [{ struts, leaf, given: made, curve: strutCurve(made), lacks: [] }]
  })
}

const plain = (leaf: Leaf, rules: Rules) => ({
  fromDeg: leaf.mover.from,
  toDeg: leaf.toDeg ?? leaf.mover.from,
  empty: leaf.empty,
  loaded: leaf.loaded,
  gravity: leaf.gravity,
  handOutMm: leaf.reachMm,
  progression: rules.strutProgression,
  coldC: rules.coldC,
  hotC: rules.hotC,
  kept: rules.strutKept,
})

/** The best size of the shelf for a leaf and where to put its ends; null where something of the leaf is not known, or none holds it. */
export const chosenStruts = (leaf: Leaf, sizes: StrutSize[], rules: Rules): StrutChoice | null =>
  leaf.lacks.length ? null : bestStruts(plain(leaf, rules), sizes, leaf.reachMm)
