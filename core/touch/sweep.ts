import { placed, placingAt } from '../geometry/placing'
import { hull, offOrigin } from '../geometry/polygon'
import { cross, dot, minus, unit, type Vec3 } from '../geometry/vec3'
import { radians } from '../quantity/units'
import type { Kit, KitBody } from './kit'
import type { Mover } from './movers'
import type { Solid } from './solids'

/** One thing that a mover meets or passes, and where on its way: the value at first touch, or at the smallest gap. Degrees or mm, and mm */
export type Pass = {
  what: { id: string; name: string }
  part: { id: string; name: string }
  at: number
  gapMm: number
  places: [Vec3, Vec3]
}
/** `touch` = the first thing met; `least` = where nothing is met, the nearest pass of something that turns. */
export type Sweep = { touch: Pass | null; least: Pass | null }
/** What stays, moved aside by so much on trial. mm */
export type Shift = { ids: Set<string>; by: Vec3 }

/** A touch is found to this, and nothing is passed over. mm */
const FOUND_MM = 0.25
/** What lay against something and is so far off it has come clear. mm */
const CLEAR_MM = 1
/** Nothing farther away than this is reported as passed. mm */
const SEEN_MM = 100
const MOST_STEP_DEG = 5
/** What it still lies against is looked at again after so much, and sooner where it has only begun to move. */
const REST_STEP_DEG = 0.5

export type Hull = { solid: Solid; body: KitBody; round: Range; along: Range }
type Range = { low: number; high: number }

/** A mover on its way from shut to open against everything that stays. */
export function sweepOf(
  kit: Kit,
  m: Mover,
  moving: Solid[],
  still: Solid[],
  touches: (a: Solid, b: Solid) => boolean,
  to: number,
  shift: Shift | null = null,
): Sweep {
  const hulls = (s: Solid, by: Vec3 | null): Hull[] =>
    s.hulls.flatMap((given) => {
      const corners = by ? given.map((p) => placed({ turn: STILL, shift: by }, p)) : given
      const body = kit.body(corners)
      return body ? [{ solid: s, body, ...ranges(m, corners) }] : []
    })
  const own = moving.flatMap((s) => hulls(s, null))
  const others = still.flatMap((s) => hulls(s, shift?.ids.has(s.id) ? shift.by : null))
  const may = new Map<string, boolean>()
  const met = (a: Solid, b: Solid) => {
    const key = `${a.id} ${b.id}`
    const known = may.get(key) ?? !touches(a, b)
    may.set(key, known)
    return known
  }
  let touch: Pass | null = null
  let least: Pass | null = null
  for (const a of own)
    for (const b of others) {
      if (!met(a.solid, b.solid) || (m.kind === 'turn' && (apart(a.round, b.round) > SEEN_MM || apart(a.along, b.along) > SEEN_MM)))
        continue
      const found: Sweep = m.kind === 'slide' ? slid(kit, m, a, b, touch?.at ?? to) : turnedTo(kit, m, a, b, touch?.at ?? to)
      if (found.touch && (!touch || found.touch.at < touch.at)) touch = found.touch
      if (found.least && (!least || found.least.gapMm < least.gapMm)) least = found.least
    }
  for (const { body } of [...own, ...others]) kit.forget(body)
  return { touch, least: touch ? null : least }
}
const STILL = { x: 0, y: 0, z: 0, w: 1 }

/** Between which distances from the mover's line a body lies, and between which places along it: turning changes neither. mm */
function ranges(m: Mover, corners: Vec3[]): { round: Range; along: Range } {
  const from = corners.map((p) => minus(p, m.axis.at))
  const on = from.map((d) => dot(d, m.axis.way))
  const u = unit(cross(m.axis.way, Math.abs(m.axis.way.z) < 0.9 ? { x: 0, y: 0, z: 1 } : { x: 1, y: 0, z: 0 }))
  const v = cross(m.axis.way, u)
  const seen = hull(from.map((d) => ({ x: dot(d, u), y: dot(d, v) })))
  return {
    round: { low: offOrigin(seen), high: Math.max(...seen.map((p) => Math.hypot(p.x, p.y))) },
    along: { low: Math.min(...on), high: Math.max(...on) },
  }
}

const apart = (a: Range, b: Range): number => Math.max(a.low - b.high, b.low - a.high)

const passOf = (a: Hull, b: Hull, at: number, c: { gapMm: number; at: [Vec3, Vec3] }): Pass => ({
  what: { id: b.solid.id, name: b.solid.name },
  part: { id: a.solid.id, name: a.solid.name },
  at,
  gapMm: c.gapMm,
  places: c.at,
})

/**
 * One body turning past another: at each place half the gap says how far it may go on without meeting it (conservative advancement; Mirtich 1996), so that
 * nothing is stepped over. What touches where it begins is met only if it goes deeper, until it has come clear.
 */
function turnedTo(kit: Kit, m: Mover, a: Hull, b: Hull, to: number): Sweep {
  const perDeg = Math.max(1e-3, radians(a.round.high))
  const leastStep = FOUND_MM / perDeg
  let rests: number | null = null
  let least: Pass | null = null
  for (let value = m.from; ; ) {
    kit.place(a.body, placingAt(m, value))
    const c = kit.contact(a.body, b.body, SEEN_MM)
    if (c && value === m.from && c.gapMm < FOUND_MM) rests = Math.min(0, c.gapMm)
    if (!c || c.gapMm > CLEAR_MM) rests = null
    const gapMm = c ? c.gapMm - (rests ?? 0) : SEEN_MM
    if (c && value > m.from && gapMm < (rests === null ? FOUND_MM : -FOUND_MM)) return { touch: passOf(a, b, value, c), least: null }
    if (c && rests === null && (!least || c.gapMm < least.gapMm)) least = passOf(a, b, value, c)
    if (value >= to) return { touch: null, least }
    const step = rests === null ? gapMm / 2 / perDeg : Math.max(Math.min(REST_STEP_DEG, value - m.from), CLEAR_MM / 2 / perDeg)
    value = Math.min(to, value + Math.min(MOST_STEP_DEG, Math.max(leastStep, c ? step : SEEN_MM / perDeg)))
  }
}

/** One body sliding past another, cast along its way. What it lies against from the start it slides along, unless a little way on it stands deeper in it. */
export function slid(kit: Kit, m: Mover, a: Hull, b: Hull, before: number): Sweep {
  const none: Sweep = { touch: null, least: null }
  const at = (value: number) => {
    kit.place(a.body, placingAt(m, value))
    return kit.contact(a.body, b.body, FOUND_MM)
  }
  const now = at(m.from)
  const begin = now ? Math.min(before, m.from + CLEAR_MM) : m.from
  const next = now && at(begin)
  if (now && next) return next.gapMm < now.gapMm - CLEAR_MM / 2 ? { touch: passOf(a, b, m.from, next), least: null } : none
  const goes = kit.cast(a.body, m.axis.way, b.body, FOUND_MM, before - begin)
  if (goes === null || begin + goes >= before) return none
  // parallel to it at just that distance it only grazes by
  const further = at(begin + goes + CLEAR_MM)
  if (!further || further.gapMm > FOUND_MM / 2) return none
  kit.place(a.body, placingAt(m, begin + goes))
  const c = kit.contact(a.body, b.body, SEEN_MM)
  return c ? { touch: passOf(a, b, begin + goes, c), least: null } : none
}
