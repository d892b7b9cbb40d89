import { pointAlong } from '../geometry/centreLine'
import { apart, cross, minus, times, type Vec3 } from '../geometry/vec3'

/**
 * How a member's centre line moves: places in order along it, mm, and where in `moved` stand the six ways each of them goes: mm along x, y and z, radians about
 * them.
 */
export type MemberShape = { atMm: readonly number[]; from: readonly number[]; moved: Float64Array }

const way = ({ from, moved }: MemberShape, k: number, turns = 0): Vec3 => {
  const at = from[k]! + turns
  return { x: moved[at]!, y: moved[at + 1]!, z: moved[at + 2]! }
}

/**
 * How far a place of a member goes, mm, from how the places before and after it go and turn: u = h₁·u₁ + h₂·u₂ + L·(h₃·θ₁ + h₄·θ₂) × t with Hermite's cubics,
 * the shape of a beam that nothing lies on between them (Przemieniecki, 5.6). `line`: its centre line.
 */
export function movedAt(shape: MemberShape, line: Vec3[], at: number): Vec3 {
  const last = shape.atMm.length - 1
  const next = shape.atMm.findIndex((mm) => mm >= at)
  const [p, q] = next < 0 ? [last, last] : [Math.max(0, next - 1), next]
  const [from, to] = [shape.atMm[p]!, shape.atMm[q]!]
  const [a, b] = [pointAlong(line, from), pointAlong(line, to)]
  const long = apart(a, b)
  if (to <= from || long <= 0) return way(shape, q)
  const run = times(minus(b, a), 1 / long)
  const s = Math.min(1, Math.max(0, (at - from) / (to - from)))
  const [h1, h3, h4] = [1 - 3 * s * s + 2 * s ** 3, s - 2 * s * s + s ** 3, s ** 3 - s * s]
  const [u1, u2] = [way(shape, p), way(shape, q)]
  const [slope1, slope2] = [cross(way(shape, p, 3), run), cross(way(shape, q, 3), run)]
  const at3 = (axis: 'x' | 'y' | 'z') => h1 * u1[axis] + (1 - h1) * u2[axis] + long * (h3 * slope1[axis] + h4 * slope2[axis])
  return { x: at3('x'), y: at3('y'), z: at3('z') }
}

const EVERY_MM = 150
/** Places along a member near enough to draw how it bends: its own, and between them none farther apart than 150 mm. */
export const drawnAt = ({ atMm }: MemberShape): number[] =>
  atMm.flatMap((at, i) => {
    const next = atMm[i + 1]
    if (next === undefined) return [at]
    const n = Math.max(1, Math.ceil((next - at) / EVERY_MM))
    return Array.from({ length: n }, (_, k) => at + ((next - at) * k) / n)
  })
