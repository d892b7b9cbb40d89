import { type Assembly, type Member, memberEnds, memberLengthMm } from '../assembly/assembly'
import { heldAtMm } from '../assembly/heldAt'
import type { Person } from '../loads/caseResult'
import type { Rules } from '../rules/rules'

/** On what is made to stand on: at each end of a member and midway between the places that hold it. */
export function standingPlaces(assembly: Assembly): Person[] {
  const walked = new Set(assembly.supports.flatMap((s) => s.walkOn))
  return assembly.members
    .filter((m) => walked.has(m.id))
    .flatMap((m) => {
      const held = heldAtMm(m, assembly)
      const between = held.slice(1).map((at, i) => (at + held[i]!) / 2)
      return [0, ...between, memberLengthMm(m)].map((atMm) => ({ memberId: m.id, atMm }))
    })
}

/** Up by the ends of what is made to climb by, hanging outward from it; on a rung in its middle too, where a foot bends it most. */
export function climbingPlaces(assembly: Assembly, rules: Rules): Person[] {
  const climbed = new Set(assembly.supports.flatMap((s) => s.climbOn))
  return assembly.members
    .filter((m) => climbed.has(m.id))
    .flatMap((m) => {
      const long = memberLengthMm(m)
      if (long >= RUNG_MM)
        return [
          { memberId: m.id, atMm: 0, pulls: { x: 0, y: rules.climbPullShare } },
          { memberId: m.id, atMm: long, pulls: { x: 0, y: -rules.climbPullShare } },
        ]
      const out = outwardOf(m, assembly)
      return [0, long / 2, long].map((atMm) => ({ memberId: m.id, atMm, pulls: times2(out, rules.climbPullShare) }))
    })
}
/** Level, square to a rung, and away from the middle of what the piece stands on: the way a climber leans out from it. */
function outwardOf(m: Member, { mounts }: Assembly): { x: number; y: number } {
  const [a, b] = memberEnds(m)
  const long = Math.hypot(b.x - a.x, b.y - a.y)
  if (long < 1) return { x: 0, y: 0 }
  const square = { x: (b.y - a.y) / long, y: (a.x - b.x) / long }
  const mean = (of: (p: { x: number; y: number }) => number) => mounts.reduce((s, f) => s + of(f.place), 0) / Math.max(1, mounts.length)
  const away = square.x * ((a.x + b.x) / 2 - mean((p) => p.x)) + square.y * ((a.y + b.y) / 2 - mean((p) => p.y))
  return times2(square, away < 0 ? -1 : 1)
}
const times2 = (v: { x: number; y: number }, by: number) => ({ x: v.x * by, y: v.y * by })
/** What is shorter than this and made to climb by is a rung: nobody's hand reaches from end to end of more. Shop's own, mm */
const RUNG_MM = 700
