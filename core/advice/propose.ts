import { familyOf } from '../families/all'
import { FOOT_LENGTH_MM } from '../families/crossbarRack/assemble'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import type { Limit } from '../limits/limit'
import { percentText } from '../quantity/percent'
import type { Rules } from '../rules/rules'
import { candidatePlaces, layoutRatio } from '../spacing/spacing'
import type { MountLine } from '../vehicle/vehicle'

/** A placement of bars that was worked out whole: its worst limit, and a line that says why it is offered. Lengths in `why` stand in braces, mm. */
export type Placement = {
  barXMm: number[]
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
  'load_on_nothing',
  'load_on_one_bar',
  'load_tips',
  'foot_lets_go',
  'swing_meets',
  'unstable',
])
/** Limits that where the bars stand has a say in. */
const ours = (l: Limit): boolean => l.group === 'rack' || l.group === 'cargo'
const ROUGH = 4
const STEPS_MM = [100, -100, 50, -50, 25, -25]

type Tried = Omit<Placement, 'why'> & { issues: number }

function tryPlaces(job: Job, rules: Rules, barXMm: number[]): Tried {
  const params = familyOf(job.design).restationed(job.design.params, barXMm)
  const e = evaluate({ ...job, design: { ...job.design, params } }, rules)
  const limits = e.limits.filter(ours)
  const known = limits.filter((l) => l.ratio !== null)
  const worst = known.reduce<Limit | null>((a, l) => (a === null || (l.ratio ?? 0) > (a.ratio ?? 0) ? l : a), null)
  const over = known.filter((l) => l.state === 'over').map((l) => l.name)
  const issues = e.issues.filter((i) => PLACED.has(i.code)).length
  return {
    barXMm,
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
 * The best two or three placements for so many bars on the job's mounts: for each count the layouts that the items' own rules like best are worked
 * out whole (frame, feet, joints), the best of them moved bar by bar in steps of 100 to 25 mm while that helps. Offered are the
 * fewest bars that meet every rule, and the best of one and two more. When none meets the rules, says which to give up.
 */
export function proposePlacements(job: Job, rules: Rules, counts = { least: 2, most: 8 }): Proposal {
  const line = job.vehicle.mounts.find((m) => m.id === job.design.params.mountId) ?? job.vehicle.mounts[0]
  const cargo = job.brief.cargo.filter((c) => c.counts !== 'parked')
  if (!line) return { placements: [], giveUp: 'The vehicle has nowhere to stand a foot: add a mount line at Measure.', tried: 0 }
  if (!cargo.length) return { placements: [], giveUp: 'Nothing is carried yet: say at Brief what rides on it.', tried: 0 }
  let tried = 0
  const work = (xs: number[]) => {
    tried++
    return tryPlaces(job, rules, xs)
  }
  const best: Tried[] = []
  for (let n = counts.least; n <= counts.most; n++) {
    const rough = roughPlaces(line, n, cargo)
    if (!rough.length) continue
    best.push(rough.map(work).reduce((a, b) => (rank(b, a) < 0 ? b : a)))
  }
  if (!best.length)
    return { placements: [], giveUp: `No two feet fit on ${line.name}: its places are nearer than ${FOOT_LENGTH_MM} mm.`, tried }
  const byCount = [...best].sort((a, b) => a.barXMm.length - b.barXMm.length)
  // more bars strain less for ever: what is offered is the fewest that do, and one and two more
  const start = Math.max(
    0,
    byCount.findIndex((t) => t.meets),
  )
  const nearest = [...best].sort(rank)
  const worthwhile = byCount.some((t) => t.meets) ? byCount.slice(start, start + 3) : nearest.slice(0, 3)
  const refined = worthwhile.map((t) => refine(t, line, work))
  const meeting = refined.filter((t) => t.meets)
  const least = [...refined].sort(rank)[0]!
  return {
    tried,
    giveUp: meeting.length ? null : toGiveUp(least, counts),
    placements: refined.map((t) => ({ ...t, why: whyOf(t, t === least, t === meeting[0]) })),
  }
}

/** The few layouts of a count that overhangs and spans like best, far enough from each other to be worth working out. */
function roughPlaces(line: MountLine, n: number, cargo: Job['brief']['cargo']): number[][] {
  const kept: { xs: number[]; ratio: number }[] = []
  for (const xs of candidatePlaces(line, n)) {
    if (xs.slice(1).some((x, k) => x - xs[k]! < FOOT_LENGTH_MM)) continue
    const ratio = layoutRatio(xs, cargo)
    if (kept.length === ROUGH && ratio >= kept[ROUGH - 1]!.ratio) continue
    if (kept.some((k) => k.ratio <= ratio && k.xs.every((x, i) => Math.abs(x - xs[i]!) < 60))) continue
    kept.push({ xs, ratio })
    kept.sort((a, b) => a.ratio - b.ratio)
    kept.length = Math.min(kept.length, ROUGH)
  }
  return kept.map((k) => k.xs)
}

/** Bar by bar along the line while that helps; on fixed points there is nowhere between. */
function refine(start: Tried, line: MountLine, work: (xs: number[]) => Tried): Tried {
  if (line.pointsXMm !== null && line.pointsXMm.length > 0) return start
  let best = start
  for (const step of STEPS_MM)
    for (let i = 0; i < best.barXMm.length; i++) {
      const xs = best.barXMm.map((x, k) => (k === i ? Math.min(line.toXMm, Math.max(line.fromXMm, x + step)) : x)).sort((a, b) => a - b)
      if (xs.slice(1).some((x, k) => x - xs[k]! < FOOT_LENGTH_MM)) continue
      const next = work(xs)
      if (rank(next, best) < -1e-6) best = next
    }
  return best
}

function whyOf(t: Tried, first: boolean, fewest: boolean): string {
  const n = `${t.barXMm.length} bars`
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
