import type { Point } from '../geometry/vec3'

const area = (p: Point[]): number => p.reduce((s, a, i) => s + a.x * p[(i + 1) % p.length]!.y - p[(i + 1) % p.length]!.x * a.y, 0) / 2

/**
 * Triangles over an outline by cutting ears (Eberly), a hole joined to it by a bridge first. Indices into `[...outer, ...inner]`; outlines turn counter-clockwise.
 */
export function triangulate(outer: Point[], inner: Point[] | null): number[] {
  const points = [...outer, ...(inner ?? [])]
  const loop = outer.map((_, i) => i)
  if (area(outer) < 0) loop.reverse()
  if (inner) {
    const hole = inner.map((_, i) => outer.length + i)
    if (area(inner) > 0) hole.reverse()
    // both are about one middle: the two rightmost points see each other
    const rightmost = (list: number[]) => list.reduce((a, b) => (points[b]!.x > points[a]!.x ? b : a))
    const [o, h] = [rightmost(loop), rightmost(hole)]
    const [i, k] = [loop.indexOf(o), hole.indexOf(h)]
    loop.splice(i + 1, 0, ...hole.slice(k), ...hole.slice(0, k), h, o)
  }
  return ears(points, loop)
}

function ears(points: Point[], loop: number[]): number[] {
  const left = [...loop]
  const out: number[] = []
  const turn = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
  let tries = 0
  while (left.length > 3 && tries < left.length) {
    const n = left.length
    let cut = false
    for (let i = 0; i < n; i++) {
      const [ia, ib, ic] = [left[(i + n - 1) % n]!, left[i]!, left[(i + 1) % n]!]
      const [a, b, c] = [points[ia]!, points[ib]!, points[ic]!]
      if (turn(a, b, c) <= 1e-9) continue
      const blocked = left.some((k) => {
        const p = points[k]!
        const same = [a, b, c].some((q) => Math.abs(q.x - p.x) < 1e-9 && Math.abs(q.y - p.y) < 1e-9)
        return !same && turn(a, b, p) >= 0 && turn(b, c, p) >= 0 && turn(c, a, p) >= 0
      })
      if (blocked) continue
      out.push(ia, ib, ic)
      left.splice(i, 1)
      cut = true
      break
    }
    tries = cut ? 0 : tries + 1
    if (!cut) break
  }
  if (left.length === 3) out.push(left[0]!, left[1]!, left[2]!)
  return out
}
