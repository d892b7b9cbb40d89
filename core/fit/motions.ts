import type { Vec3 } from '../geometry/vec3'
import { unit } from '../geometry/vec3'
import { meant } from './contacts'
import type { FitGiven } from './gaps'
import type { Kit } from './kit'
import { afterMove, type Mover, moversOf, takenOut } from './movers'
import { type Solid, solidsOf } from './solids'
import { type Pass, type Shift, type Sweep, sweepOf } from './sweep'

/** A change that was tried and clears the whole way: a stop, or what is met moved so far. Degrees or mm */
export type Cure =
  | { kind: 'stop'; at: number }
  | {
      kind: 'move'
      id: string
      name: string
      pieceId: string | null
      way: 'forward' | 'back' | 'left' | 'right' | 'up' | 'down'
      byMm: number
    }
/** One thing that moves: how far it goes, what it meets first or passes nearest, and what would clear it. `lacks` = why it is not assessed. */
export type Motion = { mover: Omit<Mover, 'leaf'>; touch: Pass | null; least: Pass | null; cures: Cure[]; lacks: string | null }

/** Everything that moves on the job, one at a time from shut to open, all else shut. Parked, for nothing is opened on the road. */
export function motionsOf(given: FitGiven, kit: Kit): Motion[] {
  const { assembly, vehicle, brief } = given
  const all = solidsOf(assembly, vehicle, brief, 'parked')
  const may = meant(assembly, vehicle, brief)
  const movers = moversOf(assembly, vehicle, brief)
  const movable = (pieceId: string) => !assembly.mounts.some((m) => m.id.startsWith(`${pieceId}/`) && m.kind === 'receiver')
  return movers.map((mover): Motion => {
    const { leaf, ...told } = mover
    const before = movers.find((o) => o.id === mover.after)
    const out = new Set(takenOut(mover, assembly, brief))
    const solids = (before ? afterMove(all, movers, before, before.to ?? before.from) : all).filter((s) => !out.has(s.id))
    const going = new Set(mover.moves)
    // a body that swings is its own leaf; what it stands beside on the vehicle was made to let it pass
    const own = leaf ? leaf.id.replace('swing:', 'body:') : null
    const moving = [...(leaf ? [leaf] : []), ...solids.filter((s) => going.has(s.id))]
    const still = solids.filter((s) => !going.has(s.id) && s.id !== own)
    const touches = (a: Solid, b: Solid) =>
      a === leaf ? b.kind === 'body' || b.kind === 'obstacle' : may(a, b) || (b.kind === 'body' && leaf !== null)
    const sweep = (shift: Shift | null = null): Sweep => sweepOf(kit, mover, moving, still, touches, mover.to ?? FARTHEST_DEG, shift)
    const found = sweep()
    // nobody measured how far it opens: that matters only where it could meet something at all
    if (mover.to === null)
      return {
        mover: told,
        touch: null,
        least: null,
        cures: [],
        lacks: found.touch ? `how far the ${mover.name.toLowerCase()} opens` : null,
      }
    return { mover: told, ...found, cures: found.touch ? curesOf(mover, found.touch, solids, movable, sweep) : [], lacks: null }
  })
}

/** No leaf opens farther. */
const FARTHEST_DEG = 180
/** So far before the first touch a stop is set. Degrees, mm */
const STOP = { turn: 2, slide: 10 }
/** What is met is moved no farther than this, and to this. mm */
const MOST_MM = 400
const TO_MM = 5
const ways = [
  ['forward', { x: 1, y: 0, z: 0 }],
  ['back', { x: -1, y: 0, z: 0 }],
  ['left', { x: 0, y: 1, z: 0 }],
  ['right', { x: 0, y: -1, z: 0 }],
  ['up', { x: 0, y: 0, z: 1 }],
  ['down', { x: 0, y: 0, z: -1 }],
] as const

function curesOf(
  mover: Mover,
  touch: Pass,
  solids: Solid[],
  movable: (pieceId: string) => boolean,
  sweep: (shift: Shift) => Sweep,
): Cure[] {
  const stop = Math.floor(touch.at - STOP[mover.kind])
  const stops: Cure[] = stop > mover.from ? [{ kind: 'stop', at: stop }] : []
  const met = solids.find((s) => s.id === touch.what.id)
  if (!met || met.kind === 'body' || met.kind === 'obstacle') return stops
  // a part goes with its whole piece; an item goes alone
  const ids = new Set(
    met.pieceId === null ? [met.id] : solids.filter((s) => s.pieceId === met.pieceId && !mover.moves.includes(s.id)).map((s) => s.id),
  )
  // what hangs in a receiver stays where its pin is
  if (met.pieceId !== null && (met.pieceId === mover.pieceId || !movable(met.pieceId))) return stops
  const clears = (way: Vec3, mm: number) => sweep({ ids, by: { x: way.x * mm, y: way.y * mm, z: way.z * mm } }).touch === null
  const moves = ways
    // what lies on something is not hung in the air or pushed through it
    .filter(([name]) => met.kind !== 'cargo' || (name !== 'up' && name !== 'down'))
    .flatMap(([way, v]): (Cure & { kind: 'move' })[] => {
      if (!clears(unit(v), MOST_MM)) return []
      let [low, high] = [0, MOST_MM]
      while (high - low > TO_MM) {
        const mid = (low + high) / 2
        if (clears(v, mid)) high = mid
        else low = mid
      }
      const byMm = Math.ceil(high / TO_MM) * TO_MM
      return clears(v, byMm) ? [{ kind: 'move', id: met.id, name: met.name, pieceId: met.pieceId, way, byMm }] : []
    })
    .sort((a, b) => a.byMm - b.byMm)
  return [...stops, ...moves.slice(0, 2)]
}
