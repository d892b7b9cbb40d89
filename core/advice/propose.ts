import type { Design } from '../families/design'
import type { Issue } from '../issue/issue'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { type CargoMove, withMoved } from '../job/movedCargo'
import { designedIn, withParams } from '../job/piecesOf'
import type { Limit } from '../limits/limit'
import { wholeOf } from '../pieces/whole'
import { percentText } from '../quantity/percent'
import { restOf } from '../resting/rest'
import type { Rules } from '../rules/rules'
import { candidatePlaces, layoutRatio } from '../spacing/spacing'
import type { MountLine } from '../vehicle/vehicle'

/** A placement of bars that was worked out whole: its worst limit, and a line that says why it is offered. Lengths in `why` stand in braces, mm. */
export type Placement = {
  barXMm: number[]
  /** items set elsewhere along the vehicle with it; none = all stay where the brief has them */
  moved: CargoMove[]
  worst: number
  governs: string
  /** breaks nothing that can be assessed; only with `unknown` 0 is that every rule */
  meets: boolean
  over: string[]
  unknown: number
  why: string
}
export type Proposal = { placements: Placement[]; giveUp: string | null; tried: number }

/** Issues that a placement of bars can cause or cure. */
const PLACED = new Set([
  'bar_off_mount',
  'bars_too_close',
  'bar_hits_obstacle',
  'bar_near_obstacle',
  'load_on_nothing',
  'load_on_one_bar',
  'load_tips',
  'foot_lets_go',
  'swing_meets',
  'unstable',
])
/** Of those, what one bar by itself causes. */
const IN_THE_WAY = new Set(['bar_hits_obstacle', 'bar_near_obstacle'])
/** Issues that an item set elsewhere can cause: only those that were not there before count against it. */
const MOVED = new Set([
  'loads_overlap',
  'access_covered',
  'load_near_body',
  'load_bridges',
  'load_one_body',
  'load_too_large',
  'load_hangs_outside',
])
/** Limits that where the bars stand has a say in. */
const ours = (l: Limit): boolean => l.group === 'rack' || l.group === 'cargo'
const ROUGH = 4
const STEPS_MM = [100, -100, 50, -50, 25, -25]

type Given = { job: Job; pieceId: string; stations: NonNullable<Design['stations']>; rules: Rules; had: number }
type Tried = Omit<Placement, 'why'> & { issues: number }

const countOf = (issues: Issue[], codes: Set<string>): number => issues.filter((i) => codes.has(i.code)).length

function tryPlaces(given: Given, barXMm: number[], moved: CargoMove[]): Tried {
  const e = evaluate(withParams(withMoved(given.job, moved), given.pieceId, given.stations.set(barXMm)), given.rules)
  const limits = e.limits.filter((l) => ours(l) && (l.pieceId === null || l.pieceId === given.pieceId))
  const known = limits.filter((l) => l.ratio !== null)
  const worst = known.reduce<Limit | null>((a, l) => (a === null || (l.ratio ?? 0) > (a.ratio ?? 0) ? l : a), null)
  const over = known.filter((l) => l.state === 'over').map((l) => l.name)
  const issues = countOf(e.issues, PLACED) + Math.max(0, countOf(e.issues, MOVED) - given.had)
  return {
    barXMm,
    moved,
    worst: worst?.ratio ?? 0,
    governs: worst?.name ?? '',
    over,
    issues,
    unknown: limits.length - known.length,
    meets: over.length === 0 && issues === 0,
  }
}

/** Fewer faults come first, then fewer unknowns, then fewer limits over, then the lower worst ratio. */
export const rank = (a: Tried, b: Tried): number =>
  a.issues - b.issues || a.unknown - b.unknown || a.over.length - b.over.length || a.worst - b.worst

/**
 * The best two or three placements for so many bars on the mounts of a piece: for each count the layouts that the items' own rules like best are worked
 * out whole (frame, feet, joints), the best of them moved bar by bar in steps of 100 to 25 mm while that helps. Offered are the
 * fewest bars that meet every rule, and the best of one and two more; where bars alone do not do, items are set elsewhere along the vehicle. When none meets the
 * rules, says which to give up.
 */
export function proposePlacements(job: Job, pieceId: string, rules: Rules, counts = { least: 2, most: 8 }): Proposal {
  const built = designedIn(job, rules).find((b) => b.piece.id === pieceId)
  const stations = built?.design.stations
  if (!built || !stations) return { placements: [], giveUp: 'This piece has no bars to place.', tried: 0 }
  const { line, leastMm } = stations
  const given: Given = { job, pieceId, stations, rules, had: countOf(evaluate(job, rules).issues, MOVED) }
  // what lies on this piece; with nothing said, what lies on whatever is usual
  const own = new Set(built.assembly.supports.map((s) => s.id))
  const { assembly } = wholeOf(job, rules)
  const cargo = job.brief.cargo.filter(
    (c) => c.counts !== 'parked' && (!own.size || restOf(c, assembly).supports.some((s) => own.has(s.id))),
  )
  if (!line) return { placements: [], giveUp: 'The vehicle has nowhere to stand a foot: add a mount line at Measure.', tried: 0 }
  if (!cargo.length) return { placements: [], giveUp: 'Nothing is carried yet: say at Brief what rides on it.', tried: 0 }
  let tried = 0
  const work = (xs: number[], moved: CargoMove[] = []) => {
    tried++
    return tryPlaces(given, xs, moved)
  }
  // places where no bar may stand, whatever the others do: over a fan, a hatch
  const known = new Map<number, boolean>()
  const blocked = (x: number): boolean => {
    const found = known.get(x) ?? countOf(wholeOf(withParams(job, pieceId, stations.set([x])), rules).issues, IN_THE_WAY) > 0
    known.set(x, found)
    return found
  }
  const best: Tried[] = []
  for (let n = counts.least; n <= counts.most; n++) {
    const rough = roughPlaces(line, n, cargo, leastMm, blocked)
    if (!rough.length) continue
    best.push(rough.map((xs) => work(xs)).reduce((a, b) => (rank(b, a) < 0 ? b : a)))
  }
  if (!best.length) return { placements: [], giveUp: `No two feet fit on ${line.name}: its places are nearer than ${leastMm} mm.`, tried }
  const byCount = [...best].sort((a, b) => a.barXMm.length - b.barXMm.length)
  // more bars strain less for ever: what is offered is the fewest that do, and one and two more
  const start = Math.max(
    0,
    byCount.findIndex((t) => t.meets),
  )
  const nearest = [...best].sort(rank)
  const worthwhile = byCount.some((t) => t.meets) ? byCount.slice(start, start + 3) : nearest.slice(0, 3)
  const refined = worthwhile.map((t) => {
    const bars = refine(t, line, leastMm, work)
    // the load is the client's: it is only set elsewhere where bars alone do not do
    return bars.meets ? bars : loadMoved(bars, cargo, work)
  })
  const meeting = refined.filter((t) => t.meets)
  const least = [...refined].sort(rank)[0]!
  return {
    tried,
    giveUp: meeting.length ? null : toGiveUp(least, counts),
    placements: refined.map((t) => ({ ...t, why: whyOf(t, t === least, t === meeting[0], cargo) })),
  }
}

/** The few layouts of a count that overhangs and spans like best, far enough from each other to be worth working out. */
function roughPlaces(
  line: MountLine,
  n: number,
  cargo: Job['brief']['cargo'],
  leastMm: number,
  blocked: (xMm: number) => boolean,
): number[][] {
  const kept: { xs: number[]; ratio: number }[] = []
  for (const xs of candidatePlaces(line, n)) {
    if (xs.slice(1).some((x, k) => x - xs[k]! < leastMm)) continue
    const ratio = layoutRatio(xs, cargo)
    if (kept.length === ROUGH && ratio >= kept[ROUGH - 1]!.ratio) continue
    if (xs.some(blocked)) continue
    if (kept.some((k) => k.ratio <= ratio && k.xs.every((x, i) => Math.abs(x - xs[i]!) < 60))) continue
    kept.push({ xs, ratio })
    kept.sort((a, b) => a.ratio - b.ratio)
    kept.length = Math.min(kept.length, ROUGH)
  }
  return kept.map((k) => k.xs)
}

/** Bar by bar along the line while that helps; on fixed points there is nowhere between. */
function refine(start: Tried, line: MountLine, leastMm: number, work: (xs: number[]) => Tried): Tried {
  if (line.pointsXMm !== null && line.pointsXMm.length > 0) return start
  let best = start
  for (const step of STEPS_MM)
    for (let i = 0; i < best.barXMm.length; i++) {
      const xs = best.barXMm.map((x, k) => (k === i ? Math.min(line.toXMm, Math.max(line.fromXMm, x + step)) : x)).sort((a, b) => a - b)
      if (xs.slice(1).some((x, k) => x - xs[k]! < leastMm)) continue
      const next = work(xs)
      if (rank(next, best) < -1e-6) best = next
    }
  return best
}

/** How far an item is set elsewhere at most, and in which steps. mm */
const LOAD_MM = 600
const LOAD_STEPS_MM = [200, -200, 100, -100, 50, -50]

/** Item by item along the vehicle while that helps, the bars left as they are. */
function loadMoved(start: Tried, cargo: Job['brief']['cargo'], work: (xs: number[], moved: CargoMove[]) => Tried): Tried {
  let best = start
  for (const step of LOAD_STEPS_MM)
    for (const c of cargo) {
      const now = best.moved.find((m) => m.id === c.id)?.xMm ?? c.xMm
      const xMm = now + step
      if (Math.abs(xMm - c.xMm) > LOAD_MM) continue
      const others = best.moved.filter((m) => m.id !== c.id)
      const next = work(best.barXMm, xMm === c.xMm ? others : [...others, { id: c.id, name: c.name, xMm }])
      if (rank(next, best) < -1e-6) best = next
    }
  return best
}

/** “with Case 100 forward and Poles 50 back” */
function movedWords(t: Tried, cargo: Job['brief']['cargo']): string {
  const words = t.moved.map((m) => {
    const by = m.xMm - (cargo.find((c) => c.id === m.id)?.xMm ?? m.xMm)
    return `${m.name} {${Math.abs(by)}} ${by > 0 ? 'forward' : 'back'}`
  })
  return words.length ? ` with ${words.join(' and ')}` : ''
}

function whyOf(t: Tried, first: boolean, fewest: boolean, cargo: Job['brief']['cargo']): string {
  const n = `${t.barXMm.length} bars${movedWords(t, cargo)}`
  // what is not assessed is not met
  const meets = t.unknown ? 'break no rule that can be assessed' : 'meet every rule'
  const reason = !t.meets
    ? `${n}: nearest to the rules; over: ${t.over.join(', ') || 'nothing, but something does not rest or fit'}`
    : fewest && first
      ? `${n}: the fewest that ${meets}, and the least strained`
      : fewest
        ? `${n}: the fewest that ${meets}`
        : first
          ? `${n}: least strained`
          : `${n} that ${meets}`
  return `${reason}; most used is ${t.governs.toLowerCase()} at ${percentText(t.worst)}${t.unknown ? `; ${t.unknown} not assessed` : ''}.`
}

const toGiveUp = (t: Tried, counts: { least: number; most: number }): string =>
  `No placement of ${counts.least} to ${counts.most} bars meets every rule. The nearest has ${t.barXMm.length} bars and breaks ${
    t.over.length
      ? `“${t.over.join('” and “')}”: carry less, choose a stronger bar or mount, or give that rule up with a reason`
      : 'where things rest: move the load or add a mount'
  }.`
