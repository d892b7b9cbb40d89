import type { Assembly, Fitting, Plate } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { plateNormal } from '../assembly/places'
import { times, type Vec3 } from '../geometry/vec3'
import type { Kit } from '../touch/kit'
import { boxRound } from '../touch/meetings'
import type { Mover } from '../touch/movers'
import type { Solid } from '../touch/solids'
import { slid } from '../touch/sweep'
import { type Box, type Held, overlaps, put } from './bodies'

export type Way = 'up' | 'down' | 'forward' | 'back' | 'to the left' | 'to the right' | 'out of its plane'
/** Parts that come off as one: welded, or kept together by bolts that are still tight. The ways that are open to them. */
export type Unit = { ids: string[]; solids: Solid[]; bodies: Held[]; ways: [Way, Vec3][] }
const ways: [Way, Vec3][] = [
  ['up', { x: 0, y: 0, z: 1 }],
  ['back', { x: -1, y: 0, z: 0 }],
  ['forward', { x: 1, y: 0, z: 0 }],
  ['to the left', { x: 0, y: 1, z: 0 }],
  ['to the right', { x: 0, y: -1, z: 0 }],
  ['down', { x: 0, y: 0, z: -1 }],
]
/** It is out once it has gone its own length and this much more. mm */
const BEYOND_MM = 150

/** What was there already is not taken off, unless it is bolted to what is made: a wheel of the client's own comes off its plate. */
export const staying = (a: Assembly): Fitting[] =>
  a.fittings.filter((f) => f.there && !a.joints.some((j) => j.kind === 'bolt' && j.between.includes(f.id)))

/** Parts that welds make one. What is there already is not taken apart. */
export function unitsOf(assembly: Assembly, bodies: Held[]): Unit[] {
  const solids = [...new Set(bodies.map((b) => b.solid))]
  const root = new Map<string, string>()
  const top = (id: string): string => {
    const up = root.get(id)
    return up === undefined || up === id ? id : top(up)
  }
  for (const j of assembly.joints) {
    if (j.kind !== 'weld' && j.kind !== 'rivet') continue
    const [a, b] = [top(j.between[0]), top(j.between[1])]
    if (a !== b) root.set(a, b)
  }
  // mesh and boards stay on what they are fixed to
  for (const i of assembly.infills) if (i.on[0] && i.fixings.what === 'tacks') root.set(top(i.id), top(i.on[0]))
  const groups = new Map<string, string[]>()
  // what stands on something does not go down through it
  const stands = new Set(assembly.mounts.filter((m) => m.normal.z > 0.5).map((m) => pieceIdOf(m.id) ?? ''))
  // what reaches into a receiver comes out of it to the rear
  const pins = new Map(assembly.mounts.filter((m) => m.kind === 'receiver').map((m) => [pieceIdOf(m.id), m.place.x]))
  const there = new Set(staying(assembly).map((f) => f.id))
  for (const s of solids)
    if (['member', 'plate', 'infill', 'fitting'].includes(s.kind) && !there.has(s.id))
      groups.set(top(s.id), [...(groups.get(top(s.id)) ?? []), s.id])
  // small things before what they are fixed to
  return [...groups.values()]
    .sort((p, q) => p.length - q.length)
    .map((ids) => {
      const set = new Set(ids)
      const mine = solids.filter((s) => set.has(s.id))
      const plate = ids.length === 1 ? assembly.plates.find((p) => p.id === ids[0]) : undefined
      const pieceId = pieceIdOf(ids[0]!)
      const pin = pins.get(pieceId)
      const inside = pin !== undefined && mine.some((s) => s.kind === 'member' && s.hulls.flat().some((p) => p.x > pin + 1))
      const open = ways.filter(([name]) => (name !== 'down' || !stands.has(pieceId ?? '')) && (name === 'back' || !inside))
      return { ids, solids: mine, bodies: bodies.filter((b) => set.has(b.solid.id)), ways: [...open, ...outOfPlane(plate)] }
    })
}

/** Several that go as one: only the ways that are open to each of them. */
export const asOne = (units: Unit[]): Unit =>
  units.length === 1
    ? units[0]!
    : {
        ids: units.flatMap((u) => u.ids),
        solids: units.flatMap((u) => u.solids),
        bodies: units.flatMap((u) => u.bodies),
        ways: ways.filter(([name]) => units.every((u) => u.ways.some(([w]) => w === name))),
      }

/** So far it goes to be out: its own length that way and a little more. mm */
function outMm(u: Unit, v: Vec3): number {
  const { low, high } = boxRound(u.bodies.flatMap((b) => b.corners))
  return Math.abs(v.x) * (high.x - low.x) + Math.abs(v.y) * (high.y - low.y) + Math.abs(v.z) * (high.z - low.z) + BEYOND_MM
}

/** A flat part also comes off the way it looks, and the other. */
function outOfPlane(plate: Plate | undefined): [Way, Vec3][] {
  if (!plate || plate.faces) return []
  const n = plateNormal(plate)
  return [
    ['out of its plane', n],
    ['out of its plane', times(n, -1)],
  ]
}

/** The first way along which nothing is met; else what is met where it comes farthest. */
export function wayOut(kit: Kit, u: Unit, others: Held[]): { way: Way | null; by: { id: string; name: string } | null; goesMm: number } {
  let best: { by: { id: string; name: string }; goesMm: number } | null = null
  for (const [name, way] of u.ways) {
    const to = outMm(u, way)
    const met = firstMet(kit, u, others, way, to)
    if (!met) return { way: name, by: null, goesMm: to }
    if (!best || met.goesMm > best.goesMm) best = met
  }
  return { way: null, by: best?.by ?? null, goesMm: best?.goesMm ?? 0 }
}

function firstMet(kit: Kit, u: Unit, others: Held[], way: Vec3, to: number): { by: { id: string; name: string }; goesMm: number } | null {
  const mover: Mover = {
    id: '',
    name: '',
    kind: 'slide',
    axis: { at: { x: 0, y: 0, z: 0 }, way },
    from: 0,
    to,
    moves: [],
    leaf: null,
    after: null,
    pieceId: null,
  }
  const none = { low: 0, high: 0 }
  let met: { by: { id: string; name: string }; goesMm: number } | null = null
  for (const a of u.bodies) {
    const path = swept(a.box, way, to)
    for (const b of others) {
      if (!overlaps(path, b.box)) continue
      const { touch } = slid(kit, mover, { ...a, round: none, along: none }, { ...b, round: none, along: none }, met?.goesMm ?? to)
      if (touch && (!met || touch.at < met.goesMm)) met = { by: { id: b.solid.id, name: b.solid.name }, goesMm: touch.at }
    }
    put(kit, a, null)
    if (met?.goesMm === 0) return met
  }
  return met
}

const swept = ({ low, high }: Box, way: Vec3, to: number): Box => ({
  low: { x: low.x + Math.min(0, way.x * to), y: low.y + Math.min(0, way.y * to), z: low.z + Math.min(0, way.z * to) },
  high: { x: high.x + Math.max(0, way.x * to), y: high.y + Math.max(0, way.y * to), z: high.z + Math.max(0, way.z * to) },
})
