import type { Assembly } from '../assembly/assembly'
import { movesApart } from '../bodies/bodyIssues'
import type { Brief } from '../brief/brief'
import type { Vec3 } from '../geometry/vec3'
import { combinedTolerance } from '../measure/readings'
import { placeTolerance, usualTolerance } from '../measure/settle'
import type { Rules } from '../rules/rules'
import { surfaceTaken } from '../touch/bodySolids'
import type { Measurer, Meeting } from '../touch/meetings'
import { type Solid, solidsOf } from '../touch/solids'
import type { Stops } from '../vehicle/swings'
import type { Vehicle } from '../vehicle/vehicle'
import { inOneCorner, meant } from './contacts'
import { type CaseMoves, givesMm } from './gives'
import { seatTaker } from './seats'

/** What may take from a gap. `error` = a tolerance, as likely one way as the other; else it comes whole. mm; null = nobody knows */
export type Taker = { name: string; mm: number | null; error: boolean }
/**
 * Two things that may not touch: how far apart they are drawn, what may take from that, and what is left at worst and likely. A gap to a surface nobody
 * measured has no millimetres.
 */
export type Gap = {
  id: string
  a: { id: string; name: string; pieceId: string | null }
  b: { id: string; name: string; pieceId: string | null }
  gapMm: number
  at: [Vec3, Vec3]
  takers: Taker[]
  worstMm: number | null
  likelyMm: number | null
  state: 'meets' | 'tight' | 'clear' | 'measure' | 'unknown'
}
export type FitGiven = { assembly: Assembly; vehicle: Vehicle; brief: Brief; rules: Rules; moves: CaseMoves; stops: Stops }

/** Gaps wider than this are not listed: between parts of one piece, which are made together, and between all else. mm */
const LISTED_MM = { own: 12, other: 100 }

/** Every pair that may not touch and is nearer than what is listed, the worst first. */
export function gapsOf(given: FitGiven, measurer: Measurer): Gap[] {
  const { assembly, vehicle, brief } = given
  // what lies there only while parked has its gaps as well; items among themselves are judged where they are laid out
  const solids = solidsOf(assembly, vehicle, brief, 'ever')
  const may = meant(assembly, vehicle, brief)
  return measurer
    .meetings(solids, (a, b) => !may(a, b), LISTED_MM.other)
    .filter((m) => m.gapMm < LISTED_MM.own || m.a.pieceId === null || m.a.pieceId !== m.b.pieceId)
    .filter((m) => !inOneCorner(m, assembly) && !liesAgainst(m, given))
    .map((m) => gapOf(m, given))
    .sort((p, q) => rank[p.state] - rank[q.state] || (p.worstMm ?? p.gapMm) - (q.worstMm ?? q.gapMm))
}
const rank = { meets: 0, tight: 1, unknown: 2, measure: 3, clear: 4 }

/** Parts of one piece may be drawn against one another; what stands on a bed or tray lies on it, or as near to it as it is made. */
function liesAgainst({ a, b, gapMm }: Meeting, { assembly, vehicle, rules }: FitGiven): boolean {
  if (a.pieceId !== null && a.pieceId === b.pieceId) return Math.abs(gapMm) <= rules.touchMm
  const [body, part] = a.kind === 'body' ? [a, b] : [b, a]
  const own = vehicle.bodies.find((x) => `body:${x.id}` === body.id)
  const standsOn = assembly.mounts.some((x) => x.id.startsWith(`${part.pieceId}/`) && `body:${x.bodyId ?? ''}` === body.id)
  return body.kind === 'body' && (own?.kind === 'tray' || own?.kind === 'bed') && standsOn && gapMm >= -rules.touchMm
}

/** What is measured is good to this. mm */
const MEASURED_MM = 0.05
function gapOf(m: Meeting, given: FitGiven): Gap {
  const takers = takersOf(m, given)
  const known = takers.filter((t): t is Taker & { mm: number } => t.mm !== null)
  const errors = combinedTolerance(known.filter((t) => t.error).map((t) => t.mm))
  const whole = known.filter((t) => !t.error).reduce((s, t) => s + t.mm, 0)
  const all = takers.every((t) => t.mm !== null)
  const worstMm = all ? m.gapMm - errors.worst - whole : null
  const named = ({ id, name, pieceId }: Solid) => ({ id, name, pieceId })
  const nobody = takers.some((t) => t.name === UNMEASURED)
  return {
    id: `${m.a.id}|${m.b.id}`,
    a: named(m.a),
    b: named(m.b),
    gapMm: m.gapMm,
    at: m.at,
    takers,
    worstMm,
    likelyMm: all ? m.gapMm - errors.likely - whole : null,
    state: nobody
      ? 'measure'
      : m.gapMm < -given.rules.touchMm
        ? 'meets'
        : worstMm === null
          ? 'unknown'
          : worstMm < -MEASURED_MM
            ? 'tight'
            : 'clear',
  }
}

export const UNMEASURED = 'the surface there, which nobody measured'

/** What the gap of a pair may lose: errors of making and measuring, how their bodies move, and what gives under load. */
export function takersOf(m: Meeting, given: FitGiven): Taker[] {
  const { assembly, vehicle, rules, moves } = given
  const sides = [
    { solid: m.a, at: m.at[0] },
    { solid: m.b, at: m.at[1] },
  ]
  const own = sides.flatMap(({ solid, at }): Taker[] => {
    if (solid.kind === 'body') {
      const taken = surfaceTaken(vehicle, solid.id, at)
      return [taken ? { name: taken.name, mm: taken.toleranceMm, error: true } : { name: UNMEASURED, mm: null, error: true }]
    }
    if (solid.kind === 'obstacle') {
      const o = vehicle.obstacles[Number(solid.id.split(':')[1])]
      const roof = vehicle.roofHeightMm
      return [
        { name: `height of the ${solid.name}`, mm: Math.max(rules.softMm, o ? placeTolerance(o.taken) : 0), error: true },
        { name: 'roof height', mm: roof.tolerance ?? usualTolerance[roof.method], error: true },
      ]
    }
    return [{ name: `${solid.name}, as made`, mm: solid.kind === 'cargo' ? rules.softMm : rules.madeMm, error: true }]
  })
  // what is made together is fitted together: one error between the two
  const same = m.a.pieceId !== null && m.a.pieceId === m.b.pieceId && m.a.kind !== 'cargo' && m.b.kind !== 'cargo'
  const making: Taker[] = same ? [{ name: 'as made', mm: rules.madeMm, error: true }] : own
  const apart = m.a.pieceId === null || m.a.pieceId !== m.b.pieceId
  // parts of one piece stand where the piece stands; of two, each where its own seats were measured
  const seats = apart ? [...new Set(sides.map((s) => s.solid.pieceId))].flatMap((id) => (id === null ? [] : seatTakers(id, given))) : []
  const give = givesMm(moves, assembly, m.a, m.b, m.at)
  const gives: Taker[] = !moves.length
    ? []
    : give === null
      ? [{ name: 'what gives under load, which is not assessed', mm: null, error: false }]
      : give.mm > 0.05
        ? [{ name: `gives under load, ${give.when}`, mm: give.mm, error: false }]
        : []
  return [...making, ...seats, ...bodiesMove(m, given), ...gives]
}

function seatTakers(pieceId: string, { assembly, vehicle }: FitGiven): Taker[] {
  const mounts = assembly.mounts.filter((x) => x.id.startsWith(`${pieceId}/`))
  return mounts.length ? [seatTaker(mounts, vehicle)] : []
}

/** The bodies that two pieces stand on move against each other as the frame twists. */
function bodiesMove(m: Meeting, { assembly, vehicle }: FitGiven): Taker[] {
  const bodiesOf = (s: Solid): string[] =>
    s.kind === 'body'
      ? [s.id.slice('body:'.length)]
      : s.pieceId === null
        ? []
        : [...new Set(assembly.mounts.filter((x) => x.id.startsWith(`${s.pieceId}/`)).flatMap((x) => x.bodyId ?? []))]
  return bodiesOf(m.a).flatMap((p) =>
    bodiesOf(m.b).flatMap((q): Taker[] => {
      const [a, b] = [p, q].map((id) => vehicle.bodies.find((x) => x.id === id))
      if (!a || !b || a === b) return []
      const mm = movesApart(a, b)
      const name = `${a.name.toLowerCase()} and ${b.name.toLowerCase()} move`
      return mm === 0 ? [] : [{ name: mm === null ? `${name}: nobody measured how far` : name, mm, error: false }]
    }),
  )
}
