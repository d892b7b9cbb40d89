import { seeded } from '../nesting/seeded'

type Pair = [number, number]
export type OutlinePart = { id: string; outline: Pair[]; quantity: number; mayRotate: boolean }

/** A square of 1000 cut at random into so many rectangles, and each by a slanted line into two: a packing without waste is known. */
export function cutSquare(rectangles: number, seed: number): OutlinePart[] {
  const r = seeded(seed)
  let rects = [{ w: 1000, h: 1000 }]
  while (rects.length < rectangles) {
    rects = rects.sort((a, b) => b.w * b.h - a.w * a.h)
    const [c, ...rest] = rects as [(typeof rects)[number], ...typeof rects]
    const t = 0.35 + 0.3 * r()
    rects =
      c.w > c.h ? [...rest, { ...c, w: c.w * t }, { ...c, w: c.w * (1 - t) }] : [...rest, { ...c, h: c.h * t }, { ...c, h: c.h * (1 - t) }]
  }
  const part = (id: string, outline: Pair[]): OutlinePart => ({ id, outline, quantity: 1, mayRotate: true })
  return rects.flatMap(({ w, h }, i) => {
    const [s, t] = [w * (0.2 + 0.6 * r()), w * (0.2 + 0.6 * r())]
    return [
      part(`a${i}`, [
        [0, 0],
        [s, 0],
        [t, h],
        [0, h],
      ]),
      part(`b${i}`, [
        [s, 0],
        [w, 0],
        [w, h],
        [t, h],
      ]),
    ]
  })
}

/** Outlines of five to nine corners at random, seldom convex, 60 to 200 from their middle. */
export function freeOutlines(n: number, seed: number): OutlinePart[] {
  const r = seeded(seed)
  return Array.from({ length: n }, (_, i) => {
    const corners = 5 + Math.floor(r() * 5)
    const reach = 60 + r() * 140
    const outline = Array.from({ length: corners }, (_, k): Pair => {
      const angle = (2 * Math.PI * (k + r() * 0.6)) / corners
      const out = reach * (0.55 + 0.45 * r())
      return [out * Math.cos(angle), out * Math.sin(angle)]
    })
    return { id: `p${i}`, outline, quantity: 1, mayRotate: true }
  })
}
