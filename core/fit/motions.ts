import { swingsAside } from '../assembly/swingsAside'
import { plus, times, type Vec3 } from '../geometry/vec3'
import type { Kit } from '../touch/kit'
import { afterMove, type Mover, moversOf, takenOut } from '../touch/movers'
import { type Opening, openingId, openingMovers, openingsOf, openSolid } from '../touch/openings'
import { type Solid, solidsOf } from '../touch/solids'
import { type Pass, type Shift, type Sweep, sweepOf } from '../touch/sweep'
import { meant } from './contacts'
import type { FitGiven } from './gaps'

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
/**
 * One thing that moves: how far it goes, what it meets first or passes nearest, and what would clear it. `lacks` = why it is not assessed; `first` = the arm
 * that must be swung aside before.
 */
export type Motion = {
  mover: Omit<Mover, 'leaf'>
  touch: Pass | null
  least: Pass | null
  cures: Cure[]
  lacks: string | null
  first: { id: string; name: string } | null
}

/** What a mover does, and what would clear it: tried only where it is told, for that takes many sweeps. */
type Moved = { motion: Motion; cures: () => Cure[] }

/** Everything that moves on the job, one at a time from shut to open, all else shut. Parked, for nothing is opened on the road. */
export function motionsOf(given: FitGiven, kit: Kit): Motion[] {
  const { assembly, vehicle, brief, stops } = given
  const all = solidsOf(assembly, vehicle, brief, 'parked')
  const may = meant(assembly, vehicle, brief)
  const movers = moversOf(assembly, vehicle, brief, stops)
  const movable = (pieceId: string) => !assembly.mounts.some((m) => m.id.startsWith(`${pieceId}/`) && m.kind === 'receiver')
  const told = (m: Moved): Motion => ({ ...m.motion, cures: m.cures() })
  const opened = openingsOf(assembly, brief)
  return [
    ...movers.map(onItsWay),
    ...opened.flatMap((o): Motion[] =>
      o.reachMm === null || o.highMm === null ? [unsaid(o)] : openingMovers(o).map((m) => told(moved(m, null))),
    ),
    ...opened.flatMap((o) => besideOpen(o)),
  ]

  function onItsWay(mover: Mover): Motion {
    const shut = moved(mover, movers.find((o) => o.id === mover.after) ?? null)
    if (!mover.leaf || !(shut.motion.touch || shut.motion.lacks)) return told(shut)
    // a gate behind a swing arm is opened once the arm stands aside, as nobody would do it the other way round
    for (const arm of movers.filter((m) => m.pieceId !== null && swingsAside(m))) {
      // an arm that meets something itself does not get out of the way
      if (moved(arm, null).motion.touch) continue
      const aside = moved(mover, arm)
      if (!aside.motion.touch && !aside.motion.lacks) return { ...told(aside), first: { id: arm.id, name: arm.name } }
    }
    return told(shut)
  }

  /** Doors and lids while something stands open over them: told where that is in their way, and nothing was before. */
  function besideOpen(o: Opening): Motion[] {
    if (o.reachMm === null || o.highMm === null) return []
    const open = openSolid(o, o.reachMm, o.highMm)
    const there = all.map((s) => (s.id === open.id ? open : s))
    return movers.flatMap((mover): Motion[] => {
      const before = movers.find((m) => m.id === mover.after) ?? null
      const found = moved(mover, before, there)
      const { touch } = found.motion
      if (touch?.what.id !== open.id) return []
      return [
        {
          ...told(found),
          mover: { ...found.motion.mover, id: `${mover.id}${WHILE_OPEN}${o.item.id}`, name: `${mover.name}, ${o.item.name} open` },
        },
      ]
    })
  }

  /** One mover from shut to open, once another has gone all its way. */
  function moved(mover: Mover, before: Mover | null, there = all): Moved {
    const { leaf, ...told } = mover
    const out = new Set(takenOut(mover, assembly, brief))
    const solids = (before ? afterMove(there, movers, before, before.to ?? before.from) : there).filter((s) => !out.has(s.id))
    const going = new Set(mover.moves)
    // a body that swings is its own leaf; what it stands beside on the vehicle was made to let it pass, but not what stands on it
    const item = mover.item === undefined ? null : `cargo:${mover.item}`
    const own = item ?? (leaf ? leaf.id.replace('swing:', 'body:') : null)
    const moving = [...(leaf ? [leaf] : []), ...solids.filter((s) => going.has(s.id))]
    const still = solids.filter((s) => !going.has(s.id) && s.id !== own)
    // what an item comes to as it opens is anybody's, but not what it lies on
    const lies = (b: Solid) => item !== null && leaf !== null && b.kind !== 'cargo' && may({ ...leaf, id: item }, b)
    const touches = (a: Solid, b: Solid) => (a.id !== leaf?.id ? may(a, b) : item ? lies(b) : b.kind === 'body' || b.kind === 'obstacle')
    const to = mover.to ?? FARTHEST_DEG
    const sweep = (shift: Shift | null = null): Sweep => sweepOf(kit, mover, moving, still, touches, to, shift)
    // its own piece moved as a whole: what turns, the line it turns about, and what of the piece stays
    const mine = new Set(item ? [item] : mover.pieceId === null ? [] : still.filter((s) => s.pieceId === mover.pieceId).map((s) => s.id))
    const movedBy = (by: Vec3): Sweep => {
      const there = { ...mover, axis: { ...mover.axis, at: plus(mover.axis.at, by) } }
      const carried = moving.map((s) => ({ ...s, hulls: s.hulls.map((h) => h.map((p) => plus(p, by))) }))
      return sweepOf(kit, there, carried, still, touches, to, { ids: mine, by })
    }
    const found = sweep()
    // nobody measured how far it opens: that matters only where it could meet something at all
    if (mover.to === null) {
      const lacks = found.touch ? `how far the ${mover.name.toLowerCase()} opens` : null
      return { motion: { mover: told, touch: null, least: null, cures: [], lacks, first: null }, cures: () => [] }
    }
    return {
      motion: { mover: told, ...found, cures: [], lacks: null, first: null },
      cures: () => (found.touch ? curesOf(mover, found.touch, solids, movable, sweep, movedBy) : []),
    }
  }
}

/** Between the name of what moves and of what stands open meanwhile. */
export const WHILE_OPEN = '+open:'
const unsaid = ({ item, reachMm }: Opening): Motion => ({
  mover: {
    ...{ id: openingId(item), name: `${item.name}, as it opens`, kind: 'slide', from: 0, to: null, moves: [], after: null, pieceId: null },
    ...{ axis: { at: { x: item.xMm, y: item.yMm, z: 0 }, way: { x: 0, y: 0, z: 1 } }, item: item.id },
  },
  ...{ touch: null, least: null, cures: [], first: null },
  lacks: reachMm === null ? `how far ${item.name} reaches out when it is open` : `how high ${item.name} stands when it is open`,
})

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

const level = ways.filter(([name]) => name !== 'up' && name !== 'down')

function curesOf(
  mover: Mover,
  touch: Pass,
  solids: Solid[],
  movable: (pieceId: string) => boolean,
  sweep: (shift: Shift) => Sweep,
  movedBy: (by: Vec3) => Sweep,
): Cure[] {
  const stop = Math.floor(touch.at - STOP[mover.kind])
  // a tent that is half open is no tent
  const stops: Cure[] = stop > mover.from && mover.item === undefined ? [{ kind: 'stop', at: stop }] : []
  const met = solids.find((s) => s.id === touch.what.id)
  const own = mover.pieceId
  // its own piece set somewhere else, where it is not what hangs in a receiver and what is met is not a part of it
  const self = mover.item
    ? leastMoves(level, (by) => movedBy(by).touch === null).map(
        (m): Cure => ({ kind: 'move', id: `cargo:${mover.item}`, name: mover.leaf?.name ?? mover.name, pieceId: null, ...m }),
      )
    : own !== null && met?.pieceId !== own && movable(own)
      ? leastMoves(level, (by) => movedBy(by).touch === null).map(
          (m): Cure => ({ kind: 'move', id: own, name: mover.name, pieceId: own, ...m }),
        )
      : []
  if (!met || met.kind === 'body' || met.kind === 'obstacle') return [...stops, ...self.slice(0, 1)]
  // a part goes with its whole piece; an item goes alone
  const ids = new Set(
    met.pieceId === null ? [met.id] : solids.filter((s) => s.pieceId === met.pieceId && !mover.moves.includes(s.id)).map((s) => s.id),
  )
  // what hangs in a receiver stays where its pin is
  if (met.pieceId !== null && (met.pieceId === own || !movable(met.pieceId))) return [...stops, ...self.slice(0, 1)]
  // what lies on something is not hung in the air or pushed through it
  const open = met.kind === 'cargo' ? level : ways
  const moves = leastMoves(open, (by) => sweep({ ids, by }).touch === null).map(
    (m): Cure => ({ kind: 'move', id: met.id, name: met.name, pieceId: met.pieceId, ...m }),
  )
  return [...stops, ...self.slice(0, 1), ...moves.slice(0, 2)]
}

type Move = { way: (typeof ways)[number][0]; byMm: number }
/** Of each way the least that clears, the shortest first. */
function leastMoves(open: readonly (typeof ways)[number][], clears: (by: Vec3) => boolean): Move[] {
  return open
    .flatMap(([way, v]): Move[] => {
      if (!clears(times(v, MOST_MM))) return []
      let [low, high] = [0, MOST_MM]
      while (high - low > TO_MM) {
        const mid = (low + high) / 2
        if (clears(times(v, mid))) high = mid
        else low = mid
      }
      const byMm = Math.ceil(high / TO_MM) * TO_MM
      return clears(times(v, byMm)) ? [{ way, byMm }] : []
    })
    .sort((a, b) => a.byMm - b.byMm)
}
