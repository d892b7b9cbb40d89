import type { Assembly } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import type { Brief } from '../brief/brief'
import { type Placing, placingAt } from '../geometry/placing'
import type { Vec3 } from '../geometry/vec3'
import type { Rules } from '../rules/rules'
import type { Kit } from '../touch/kit'
import { moversOf } from '../touch/movers'
import { type Solid, solidsOf } from '../touch/solids'
import type { Stops } from '../vehicle/swings'
import type { Vehicle } from '../vehicle/vehicle'
import { type Held, heldOf, put } from './bodies'
import { type Captive, captivesOf } from './captives'
import { type Fastening, fasteningsOf } from './fastenings'
import { seamsOf } from './seamSides'
import { swungAside } from './swungAside'
import { allInTheWay, boltAccess, whatShuts } from './toolReach'
import { roomOf, type ToolPose, toolBox } from './tools'
import { asOne, staying, type Unit, unitsOf, type Way, wayOut } from './wayOut'
import { type Welded, weldedOf } from './welded'

/** What comes off as one: parts welded together, or a part by itself. Its way out, and in which place of the order; the order in which it is put together is this one backwards. */
export type ComesOff = { ids: string[]; names: string[]; pieceId: string | null; way: Way }
/** What cannot be taken out straight, whatever else was taken off before, and what is in its way where it comes farthest. */
export type Trapped = { ids: string[]; names: string[]; pieceId: string | null; by: { id: string; name: string }; goesMm: number }
/** When tools get to some bolts: with all on the vehicle, once something is open, swung aside on a bolt of its own, or off, with their piece on the bench, or never; by what they are kept away. */
export type BoltReach = {
  id: string
  name: string
  pieceId: string | null
  count: number
  /** where the first of them is turned; null = nobody knows. mm */
  at: Vec3 | null
  when: 'fitted' | 'opened' | 'swung' | 'off' | 'bench' | 'never' | 'unknown'
  /** what is opened or off first, on the bench too, or in the way; of `unknown` what is missing */
  by: { id: string; name: string }[]
  /** the tool that gets there and the room it was held in; null where it has none. mm */
  tool: { what: ToolPose['tool']; room: Vec3[][] } | null
}
export type Apart = { order: ComesOff[]; trapped: Trapped[]; bolts: BoltReach[]; welds: Welded[]; captives: Captive[] }
export type ApartGiven = { assembly: Assembly; vehicle: Vehicle; brief: Brief; rules: Rules; stops: Stops }

/** Bolts that no tool gets to yet. */
type Wanting = { f: Fastening; witness: Set<Solid> }

const told = (s: { id: string; name: string }) => ({ id: s.id, name: s.name })

/**
 * The one graph of order: everything that is not welded taken off again, all cargo out. A bolt is undone once tools get to both its ends past all that is
 * still there; parts come off straight, along the vehicle's axes or out of their own plane, as far as tight bolts keep them together as one. Taking something
 * off never shuts a way, so that going on until nothing more comes finds all there is to find. Backwards it is the order in which it is put together.
 */
export function takeApart(given: ApartGiven, kit: Kit): Apart {
  const of = keyOf(given)
  const known = last.get(kit)
  if (known?.of === of) return known.found
  const found = takenApart(given, kit)
  last.set(kit, { of, found })
  return found
}
/** What was found last with a kit: while only loads or dates are changed it stands. */
const last = new WeakMap<Kit, { of: string; found: Apart }>()
function keyOf({ assembly, vehicle, rules, stops }: ApartGiven): string {
  const { members, plates, infills, fittings, joints, mounts, motions } = assembly
  return JSON.stringify([members, plates, infills, fittings, joints, mounts, motions, vehicle, stops, rules])
}

function takenApart(given: ApartGiven, kit: Kit): Apart {
  const { assembly, vehicle, brief, rules } = given
  const solids = solidsOf(assembly, vehicle, { ...brief, cargo: [] }, 'parked')
  const all = solids.flatMap((s) => heldOf(kit, s))
  const stays = new Set(staying(assembly))
  const made = assembly.fittings.filter((f) => !stays.has(f))
  const own = new Set([...assembly.members, ...assembly.plates, ...assembly.infills, ...made].map((p) => p.id))
  const feet = all.filter((h) => h.solid.kind === 'foot')
  const standsOn = new Map(assembly.mounts.map((m) => [m.id, m.on]))
  const ground = all.filter((h) => !own.has(h.solid.id) && h.solid.kind !== 'foot')
  const units = unitsOf(assembly, all)
  const tools = toolBox(kit, rules)
  const bolts: BoltReach[] = []
  const say = (f: Fastening, when: BoltReach['when'], by: { id: string; name: string }[], pose: ToolPose | null = null) =>
    bolts.push({
      id: f.id,
      name: f.name,
      pieceId: f.pieceId,
      count: f.count,
      at: f.places[0]?.ends[0]?.at ?? null,
      when,
      by,
      tool: pose && { what: pose.tool, room: roomOf(pose) },
    })

  const asked = fasteningsOf(assembly, all)
  const judged = asked.filter((f) => f.lacks === null)
  for (const f of asked) if (f.lacks !== null) say(f, 'unknown', [{ id: f.id, name: f.lacks }])

  // as it stands, then with one thing open
  const wanting: Wanting[] = []
  for (const f of judged) {
    const { pose, witness } = boltAccess(kit, tools, f, all)
    if (pose) say(f, 'fitted', [], pose)
    else wanting.push({ f, witness })
  }
  const tight = wanting.filter((w) => !opened(w))

  const order: ComesOff[] = []
  const gone = new Set<string>()
  let left = tight
  /** among what a bolt was tried last */
  const lastSeen = new Map<string, Held[]>()
  let trapped = undo(units, ground, false)
  // what comes off by no way may still go round on one of its bolts
  const reached = judged.filter((f) => bolts.some((b) => b.id === f.id && b.when === 'fitted'))
  const stuck = left.length > 0
  left = left.filter(({ f, witness }) => {
    const found = swungAside(kit, tools, f, new Set([...witness, ...whatShuts(kit, tools, f, all)]), { assembly, units, reached, all })
    if (found) say(f, 'swung', found.unit.solids.map(told), found.pose)
    return !found
  })
  // what no tool gets to is said, and then taken as undone, so that what is trapped besides is found as well
  for (const { f } of left) say(f, 'never', whatShuts(kit, tools, f, lastSeen.get(f.id) ?? all).map(told))
  if (stuck) trapped = again()
  const welds = weldedOf(kit, tools, seamsOf(assembly), units)
  const captives = captivesOf(kit, assembly, all)
  tools.close()
  for (const h of all) kit.forget(h.body)
  return { order, trapped, bolts, welds, captives }

  /** All of it taken apart once more, with every bolt undone. */
  function again(): Trapped[] {
    left = []
    order.length = 0
    gone.clear()
    return undo(units, ground, false)
  }

  /** With each lid or drawer open in turn, whole or half, all else as it stands. */
  function opened({ f, witness }: Wanting): boolean {
    const near = new Set([...f.holds, ...[...witness].map((s) => s.id)])
    for (const m of moversOf(assembly, vehicle, brief, given.stops)) {
      if (m.leaf || m.to === null || m.after) continue
      const going = new Set(m.moves)
      if (!m.moves.some((id) => near.has(id))) continue
      // open all the way, else half of it
      for (const value of [m.to, (m.from + m.to) / 2]) {
        const at: Placing = placingAt(m, value)
        const stands = all.map((h) => (going.has(h.solid.id) ? put(kit, h, at) : h))
        const { pose } = boltAccess(kit, tools, f, stands, f.holds.every((id) => going.has(id)) ? at : null)
        for (const h of all) if (going.has(h.solid.id)) put(kit, h, null)
        if (!pose) continue
        say(f, 'opened', [{ id: m.id, name: m.name }], pose)
        return true
      }
    }
    return false
  }

  /** Takes off what comes off, among what stays; parts that came off as one are taken apart further on the bench. */
  function undo(from: Unit[], stays: Held[], bench: boolean): Trapped[] {
    let here = from
    let caught: Trapped[] = []
    const standing = () => {
      const ids = new Set(here.flatMap((u) => u.ids))
      return [...stays, ...here.flatMap((u) => u.bodies), ...feet.filter((h) => !bench && ids.has(standsOn.get(h.solid.id) ?? ''))]
    }
    for (let going = true; going && here.length; ) {
      going = false
      const ids = new Set(here.flatMap((u) => u.ids))
      const bodies = standing()
      const present = new Set(bodies.map((b) => b.solid))
      left = left.filter((w) => {
        // while all that was in its way is still there nothing has changed
        if (!w.f.holds.some((id) => ids.has(id)) || [...w.witness].every((s) => present.has(s))) return true
        const { pose, room, witness } = boltAccess(kit, tools, w.f, bodies)
        lastSeen.set(w.f.id, bodies)
        if (!pose) {
          w.witness = witness
          return true
        }
        // of all that is off by now, what would be in the way again
        const off = allInTheWay(
          kit,
          room,
          all.filter((h) => gone.has(h.solid.id) && !w.f.but.includes(h.solid.id)),
        )
        // on the bench it may be the vehicle, or what stays on it, that was in the way: then it is reached nowhere else
        const away = bench ? all.filter((h) => !present.has(h.solid) && !gone.has(h.solid.id) && !w.f.but.includes(h.solid.id)) : []
        const onlyThere = bench && (!off.length || allInTheWay(kit, room, away).length > 0)
        say(w.f, onlyThere ? 'bench' : 'off', off.map(told), pose)
        return false
      })
      caught = []
      for (const group of keptTogether(
        here,
        left.map((w) => w.f),
      )) {
        // nothing comes apart that all hangs together
        if (bench && group.length > 1 && group.length === here.length) continue
        const u = asOne(group)
        const rest = [...stays, ...here.filter((o) => !group.includes(o)).flatMap((o) => o.bodies)]
        const found = wayOut(kit, u, rest)
        if (found.way) {
          here = here.filter((o) => !group.includes(o))
          if (group.length > 1) {
            order.push({ ...toldOf(u), way: found.way })
            undo(group, [], true)
          } else order.push({ ...toldOf(u), way: found.way })
          for (const id of u.ids) gone.add(id)
          going = true
        } else if (found.by) caught.push({ ...toldOf(u), by: found.by, goesMm: found.goesMm })
      }
    }
    return caught
  }
}

const toldOf = (u: Unit) => ({ ids: u.ids, names: u.solids.map((s) => s.name), pieceId: pieceIdOf(u.ids[0]!) })

/** Units that tight bolts keep together, the smallest first. */
function keptTogether(units: Unit[], tight: Fastening[]): Unit[][] {
  const of = new Map(units.flatMap((u) => u.ids.map((id) => [id, u] as const)))
  const groups = new Map(units.map((u) => [u, [u]]))
  for (const f of tight) {
    const held = [...new Set(f.holds.flatMap((id) => of.get(id) ?? []))]
    const merged = [...new Set(held.flatMap((u) => groups.get(u)!))]
    for (const u of merged) groups.set(u, merged)
  }
  return [...new Set(groups.values())].sort((p, q) => p.flatMap((u) => u.ids).length - q.flatMap((u) => u.ids).length)
}
