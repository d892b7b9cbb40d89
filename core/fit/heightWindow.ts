import { pieceIdOf } from '../assembly/ids'
import { movedParts } from '../assembly/moved'
import { placed, placingAt } from '../geometry/placing'
import { along } from '../geometry/vec3'
import type { Evaluation } from '../job/evaluate'
import type { Job } from '../job/job'
import { stability } from '../limits/stability'
import { groupsOf } from '../limits/tiedPieces'
import { carriedBy } from '../loads/carried'
import { pieceName } from '../pieces/piece'
import type { Rules } from '../rules/rules'
import { footRiseMm } from '../solid/foot'
import type { Kit } from '../touch/kit'
import { type Mover, moversOf } from '../touch/movers'
import { type Solid, solidsOf } from '../touch/solids'
import { type Pass, sweepOf } from '../touch/sweep'
import { meant } from './contacts'
import { fitGiven } from './fit'
import { type FitGiven, type Taker, takersOf } from './gaps'
import { type Bound, bound, type HeightWindow, nearestFirst } from './heightBounds'
import { seatTaker } from './seats'

type Given = { job: Job; evaluation: Pick<Evaluation, 'assembly' | 'cases' | 'pieces'>; rules: Rules }

/** Nothing farther than this is looked for; found to this. mm */
const REACH_MM = 400
const TO_MM = 1
const DOWN = { x: 0, y: 0, z: -1 }
const UP = { x: 0, y: 0, z: 1 }
const STILL = { x: 0, y: 0, z: 0, w: 1 }

/**
 * The lowest and the highest that each set of joined pieces may stand, as a whole with what it carries, its feet made longer or shorter: straight down and up
 * against all that stays, the doors and hatches that swing under or past it, the air a hatch needs, the feet's own height, what is driven under, and the
 * centre of mass. Errors of measuring and making, and what gives under load, come off as they do of every gap.
 */
export function heightWindows({ job, evaluation, rules }: Given, kit: Kit): HeightWindow[] {
  const { assembly } = evaluation
  const { vehicle, brief } = job
  const fit = fitGiven(job, evaluation, rules)
  const all = solidsOf(assembly, vehicle, brief, 'ever')
  const movers = moversOf(assembly, vehicle, brief, job.stops)
  return groupsOf(assembly, carriedBy(assembly, brief)).flatMap(({ assembly: own, carried }): HeightWindow[] => {
    const pieces = new Set([...own.members, ...own.plates, ...own.fittings].map((p) => pieceIdOf(p.id)))
    const on = new Set(carried.filter((c) => c.bearings.length).map((c) => `cargo:${c.cargoId}`))
    const goes = (s: Solid) => (s.pieceId !== null && pieces.has(s.pieceId) && s.kind !== 'foot') || on.has(s.id)
    const going = all.filter(goes)
    // what hangs in a receiver stands where its pin is
    if (!going.length || own.mounts.every((m) => m.kind === 'receiver')) return []
    const stays = all.filter((s) => !goes(s) && !(s.kind === 'foot' && pieces.has(s.pieceId)))
    const names = job.pieces.filter((p) => pieces.has(p.id)).map(pieceName)
    const ask = { job, fit, own, going, stays, kit }
    const swung = movers.filter((m) => m.leaf && !m.moves.some((id) => going.some((s) => s.id === id))).map((m) => swings(m, ask))
    return [
      {
        id: [...pieces].join(' '),
        name: names.join(' and '),
        topMm: topOf(going),
        lower: nearestFirst([...against(DOWN, ask), ...feet(ask), ...swung.flatMap((s) => s.lower)]),
        higher: nearestFirst([
          ...against(UP, ask),
          ...swung.flatMap((s) => s.higher),
          ...driven(ask, on),
          ...tipping({ job, evaluation, rules }, new Set(going.map((s) => s.id))),
        ]),
      },
    ]
  })
}

type Ask = { job: Job; fit: FitGiven; own: FitGiven['assembly']; going: Solid[]; stays: Solid[]; kit: Kit }

const box = (s: Solid, axis: 'x' | 'y' | 'z') => {
  const at = s.hulls.flat().map((p) => p[axis])
  return { low: Math.min(...at), high: Math.max(...at) }
}
const topOf = (solids: Solid[]): number => Math.max(...solids.map((s) => box(s, 'z').high))

/** Straight against what stays, each thing that stays once: the part that comes nearest it. */
function against(way: typeof DOWN, { fit, own, going, stays, kit, job }: Ask): Bound[] {
  const may = meant(fit.assembly, fit.vehicle, fit.brief)
  const beds = new Set(job.vehicle.bodies.filter((b) => b.kind === 'bed' || b.kind === 'tray').map((b) => `body:${b.id}`))
  const standsOn = new Set(own.mounts.map((m) => `body:${m.bodyId ?? ''}`))
  const mover: Mover = {
    ...{ id: 'height', name: 'height', kind: 'slide', from: 0, to: REACH_MM, moves: [], leaf: null, after: null, pieceId: null },
    axis: { at: STILL, way },
  }
  const spans = new Map([...going, ...stays].map((s) => [s, { x: box(s, 'x'), y: box(s, 'y'), z: box(s, 'z') }]))
  const over = (a: Solid, b: Solid) => {
    const [p, q] = [spans.get(a)!, spans.get(b)!]
    const beside = (['x', 'y'] as const).every((k) => p[k].low < q[k].high && q[k].low < p[k].high)
    return (
      beside && (way === DOWN ? q.z.low < p.z.high && q.z.high > p.z.low - REACH_MM : q.z.high > p.z.low && q.z.low < p.z.high + REACH_MM)
    )
  }
  return stays.flatMap((b): Bound[] => {
    // what stands in a bed or on a tray is made to lie on it
    if (beds.has(b.id) && standsOn.has(b.id) && way === DOWN) return []
    let first: { a: Solid; touch: Pass } | null = null
    for (const a of going) {
      if (may(a, b) || !over(a, b)) continue
      const { touch } = sweepOf(kit, mover, [a], [b], () => false, first?.touch.at ?? REACH_MM)
      if (touch && (!first || touch.at < first.touch.at)) first = { a, touch }
    }
    if (!first) return []
    const { a, touch } = first
    const gapMm = touch.at + Math.min(0, touch.gapMm)
    // what gives there is asked of where the part is, not of where it was moved to
    const [from, to] = touch.places
    const takers = takersOf({ a, b, gapMm, at: [along(from, way, -touch.at), to] }, fit)
    const needs = job.vehicle.obstacles.find((_, i) => b.id === `obstacle:${i}`)?.accessMm ?? null
    const air: Taker[] = needs !== null && way === DOWN ? [{ name: `air that the ${b.name} needs to open`, mm: needs, error: false }] : []
    return [bound(b.id, `${a.name} ${way === DOWN ? 'over' : 'under'} ${b.name}`, gapMm, [...takers, ...air])]
  })
}

/** A foot cannot be less than nothing. Feet on which something lies have no height to give. */
function feet({ own }: Ask): Bound[] {
  const rises = own.mounts.map((m) => ({ m, mm: footRiseMm(m, own) })).filter((r) => r.mm > LIES_MM)
  if (!rises.length) return []
  const least = rises.reduce((a, b) => (b.mm < a.mm ? b : a))
  return [bound('feet', `foot ${least.m.mark}, which then has no height left`, least.mm, [])]
}
const LIES_MM = 15

/** A door, hatch or cover on its whole way, past the pieces set lower or higher. */
function swings(m: Mover, { going, kit }: Ask): { lower: Bound[]; higher: Bound[] } {
  const ids = new Set(going.map((s) => s.id))
  const told = (mm: number | null): Bound => ({
    ...{ id: m.id, name: `the ${m.name.toLowerCase()} opening`, takers: [], nominalMm: mm, mm, likelyMm: mm },
    lacks: mm === null ? `how far the ${m.name.toLowerCase()} opens` : null,
  })
  const near = reached(m, going)
  const clears = (dz: number) =>
    !near.length || sweepOf(kit, m, [m.leaf!], near, () => false, m.to ?? FARTHEST_DEG, { ids, by: { x: 0, y: 0, z: dz } }).touch === null
  const now = clears(0)
  // one way from where it clears to where it does not
  const between = (clear: number, not: number): number => {
    let [yes, no] = [clear, not]
    while (Math.abs(no - yes) > TO_MM) {
      const mid = (yes + no) / 2
      if (clears(mid)) yes = mid
      else no = mid
    }
    return yes
  }
  const open = (mm: number) => [told(m.to === null ? null : mm)]
  return {
    lower: now ? (clears(-REACH_MM / 2) ? [] : open(-between(0, -REACH_MM / 2))) : clears(REACH_MM) ? open(-between(REACH_MM, 0)) : [],
    higher: now ? (clears(REACH_MM / 2) ? [] : open(between(0, REACH_MM / 2))) : [],
  }
}
const FARTHEST_DEG = 180
/** How far past where a leaf is looked at something may still stand: a leaf is looked at every so many degrees. mm */
const BETWEEN_MM = 60
/** What a leaf can come to anywhere on its way, were it set as much lower or higher as is looked for. */
function reached(m: Mover, going: Solid[]): Solid[] {
  const to = m.to ?? FARTHEST_DEG
  const way = Array.from({ length: 19 }, (_, i) => placingAt(m, m.from + ((to - m.from) * i) / 18)).flatMap((at) =>
    m.leaf!.hulls.flat().map((p) => placed(at, p)),
  )
  const swept: Solid = { ...m.leaf!, hulls: [way] }
  const meets = (s: Solid, axis: 'x' | 'y' | 'z') => {
    const [p, q] = [box(s, axis), box(swept, axis)]
    const more = BETWEEN_MM + (axis === 'z' ? REACH_MM : 0)
    return p.low < q.high + more && q.low < p.high + more
  }
  return going.filter((s) => meets(s, 'x') && meets(s, 'y') && meets(s, 'z'))
}

/** Each place driven under, from the top of what goes there while driving. */
function driven({ job, fit, going }: Ask, on: Set<string>): Bound[] {
  const { brief, vehicle } = job
  const { rules } = fit
  const parked = new Set(brief.cargo.filter((c) => c.counts === 'parked').map((c) => `cargo:${c.id}`))
  const top = topOf(going.filter((s) => !parked.has(s.id)))
  const loaded = [...on].some((id) => !parked.has(id))
  return brief.passages.flatMap((p, i): Bound[] => {
    const name = p.name || 'passage'
    if (p.heightMm === null)
      return [
        { id: `passage:${i}`, name: `the ${name}`, nominalMm: null, takers: [], mm: null, likelyMm: null, lacks: `height of the ${name}` },
      ]
    const takers: Taker[] = [
      { name: `height of the ${name}`, mm: rules.softMm, error: true },
      seatTaker(fit.assembly.mounts, vehicle),
      { name: 'feet and bars as made', mm: 2 * rules.madeMm, error: true },
      ...(loaded ? [{ name: 'height of the load', mm: rules.softMm, error: true }] : []),
    ]
    const b = bound(`passage:${i}`, `the ${name}`, p.heightMm - top, takers)
    // the air that the shop leaves, or the errors: the more of the two
    return [
      b.mm !== null && b.mm > p.heightMm - top - rules.heightMarginMm
        ? bound(b.id, b.name, p.heightMm - top, [{ name: 'air to leave', mm: rules.heightMarginMm, error: false }])
        : b,
    ]
  })
}

/**
 * Where the static stability factor comes down to the least the shop allows. The height of the centre of mass grows evenly with the height of the pieces, so 1/SSF
 * does too: two heights tell all.
 */
function tipping({ job, evaluation, rules }: Given, going: Set<string>): Bound[] {
  const { vehicle, brief } = job
  const at = (dz: number) => {
    const raised = { turn: STILL, shift: { x: 0, y: 0, z: dz } }
    const assembly = movedParts(evaluation.assembly, going, raised)
    const pieces = evaluation.pieces.map((p) => ({ ...p, assembly: movedParts(p.assembly, going, raised) }))
    return stability({ assembly, pieces, vehicle, brief }).after
  }
  const [now, higher] = [at(0), at(REACH_MM)]
  const id = 'tipping'
  const name = 'its centre of mass: tipping'
  if (now.value === null || higher.value === null)
    return [{ id, name, nominalMm: null, takers: [], mm: null, likelyMm: null, lacks: now.missing[0] ?? 'a mass' }]
  const perMm = (1 / higher.value - 1 / now.value) / REACH_MM
  if (perMm <= 0) return []
  const mm = (1 / rules.leastStability - 1 / now.value) / perMm
  return mm > 10 * REACH_MM ? [] : [bound(id, name, mm, [])]
}
