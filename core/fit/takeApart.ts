import type { Assembly, Plate } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { plateNormal } from '../assembly/places'
import { times, type Vec3 } from '../geometry/vec3'
import type { FitGiven } from './gaps'
import type { Kit, KitBody } from './kit'
import { boxRound } from './meetings'
import type { Mover } from './movers'
import { type Solid, solidsOf } from './solids'
import { slid } from './sweep'

/** What comes off as one: parts welded together, or a part by itself. Its way out, and in which place of the order; the order in which it is put together is this one backwards. */
export type ComesOff = { ids: string[]; names: string[]; pieceId: string | null; way: Way }
/** What cannot be taken out straight, whatever else was taken off before, and what is in its way where it comes farthest. */
export type Trapped = { ids: string[]; names: string[]; pieceId: string | null; by: { id: string; name: string }; goesMm: number }
export type Apart = { order: ComesOff[]; trapped: Trapped[] }
export type Way = 'up' | 'down' | 'forward' | 'back' | 'to the left' | 'to the right' | 'out of its plane'

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

type Unit = { ids: string[]; solids: Solid[]; bodies: Held[]; ways: [Way, Vec3][]; reachMm: (way: Vec3) => number }
type Held = { solid: Solid; body: KitBody; box: ReturnType<typeof boxRound> }

/**
 * Everything that is not welded taken off again, one thing after another, straight along the vehicle's axes or out of its own plane, all cargo out and every
 * bolt undone. What goes in but never comes out is found here, before the last weld.
 */
export function takeApart(given: FitGiven, kit: Kit): Apart {
  const { assembly, vehicle, brief } = given
  const solids = solidsOf(assembly, vehicle, { ...brief, cargo: [] }, 'parked')
  const held = (s: Solid): Held[] =>
    s.hulls.flatMap((corners) => {
      const body = kit.body(corners)
      return body ? [{ solid: s, body, box: boxRound(corners) }] : []
    })
  // what was there already is not taken off: it stays in the way
  const made = assembly.fittings.filter((f) => !f.there)
  const own = new Set([...assembly.members, ...assembly.plates, ...assembly.infills, ...made].map((p) => p.id))
  // a foot is unbolted, and goes with what stands on it or stays
  const ground = solids.filter((s) => !own.has(s.id) && s.kind !== 'foot').flatMap(held)
  const all = unitsOf(assembly, solids, held)
  let left = all
  const order: ComesOff[] = []
  let trapped: Trapped[] = []
  for (let going = true; going && left.length; ) {
    going = false
    trapped = []
    for (const u of left) {
      const others = [...ground, ...left.filter((o) => o !== u).flatMap((o) => o.bodies)]
      const found = wayOut(kit, u, others)
      if (found.way) {
        order.push({ ...toldOf(u), way: found.way })
        left = left.filter((o) => o !== u)
        going = true
      } else if (found.by) trapped.push({ ...toldOf(u), by: found.by, goesMm: found.goesMm })
    }
  }
  for (const h of [...ground, ...all.flatMap((u) => u.bodies)]) kit.forget(h.body)
  return { order, trapped }
}

const toldOf = (u: Unit) => ({ ids: u.ids, names: u.solids.map((s) => s.name), pieceId: pieceIdOf(u.ids[0]!) })

/** Parts that welds make one. What is there already is not taken apart. */
function unitsOf(assembly: Assembly, solids: Solid[], held: (s: Solid) => Held[]): Unit[] {
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
  const there = new Set(assembly.fittings.filter((f) => f.there).map((f) => f.id))
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
      const inside = pin !== undefined && mine.some((s) => s.hulls.flat().some((p) => p.x > pin + 1))
      const open = ways.filter(([name]) => (name !== 'down' || !stands.has(pieceId ?? '')) && (name === 'back' || !inside))
      return unitOf(ids, mine, mine.flatMap(held), [...open, ...outOfPlane(plate)])
    })
}

function unitOf(ids: string[], solids: Solid[], bodies: Held[], open: [Way, Vec3][]): Unit {
  const { low, high } = boxRound(solids.flatMap((s) => s.hulls.flat()))
  const reachMm = (v: Vec3) =>
    Math.abs(v.x) * (high.x - low.x) + Math.abs(v.y) * (high.y - low.y) + Math.abs(v.z) * (high.z - low.z) + BEYOND_MM
  return { ids, solids, bodies, ways: open, reachMm }
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
function wayOut(kit: Kit, u: Unit, others: Held[]): { way: Way | null; by: { id: string; name: string } | null; goesMm: number } {
  let best: { by: { id: string; name: string }; goesMm: number } | null = null
  for (const [name, way] of u.ways) {
    const to = u.reachMm(way)
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
    kit.place(a.body, { turn: { x: 0, y: 0, z: 0, w: 1 }, shift: { x: 0, y: 0, z: 0 } })
    if (met?.goesMm === 0) return met
  }
  return met
}

const swept = ({ low, high }: Held['box'], way: Vec3, to: number): Held['box'] => ({
  low: { x: low.x + Math.min(0, way.x * to), y: low.y + Math.min(0, way.y * to), z: low.z + Math.min(0, way.z * to) },
  high: { x: high.x + Math.max(0, way.x * to), y: high.y + Math.max(0, way.y * to), z: high.z + Math.max(0, way.z * to) },
})
const overlaps = (a: Held['box'], b: Held['box']): boolean =>
  (['x', 'y', 'z'] as const).every((k) => a.low[k] <= b.high[k] + 1 && b.low[k] <= a.high[k] + 1)
