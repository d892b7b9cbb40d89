import { quarterTurn, type Turn, turns } from '../geometry/quarterTurn'
import { smallestCircle } from '../measure/holePattern'

/** A hole of a pattern, from the part's own lower left corner. mm */
export type PatternHole = { xMm: number; yMm: number; diameterMm: number }
/** How the second part lies on the first so that bolts pass both: turned over, then turned to the left, then moved. mm */
export type PatternMatch = {
  turnDeg: Turn
  over: boolean
  shiftXMm: number
  shiftYMm: number
  /** holes that a bolt passes in both, by their numbers, and how far their middles are apart */
  pairs: { one: number; other: number; offMm: number }[]
  /** the two bolts that stand farthest apart: what keeps it from turning */
  spreadMm: number
  /** what is left of the play in the tightest pair */
  playMm: number
}

type Place = { x: number; y: number }
const off = (a: Place, b: Place): number => Math.hypot(a.x - b.x, a.y - b.y)
/** So many ways are told. */
const MOST = 12

/**
 * Where two hole patterns coincide: a bolt d passes holes d₁ and d₂ whose middles are apart by (d₁ − d)/2 + (d₂ − d)/2 at most. Every hole of one is laid on every
 * hole of the other, in quarter turns and turned over, then moved to the middle of the smallest circle round what is left over. Most bolts first, then the
 * widest apart, then the most play. Two bolts at least.
 */
export function patternMatches(given: { one: PatternHole[]; other: PatternHole[]; boltMm: number; mayTurnOver: boolean }): PatternMatch[] {
  const { boltMm } = given
  const places = (holes: PatternHole[]) =>
    holes.map((h, i) => ({ i, x: h.xMm, y: h.yMm, play: (h.diameterMm - boltMm) / 2 })).filter((h) => h.play >= -1e-9)
  const one = places(given.one)
  const found = new Map<string, PatternMatch>()
  for (const over of given.mayTurnOver ? [false, true] : [false])
    for (const turnDeg of turns) {
      const other = places(given.other).map((h) => ({ ...h, ...quarterTurn[turnDeg]({ x: over ? -h.x : h.x, y: h.y }) }))
      for (const a of one)
        for (const b of other) {
          const shift = { x: a.x - b.x, y: a.y - b.y }
          // laid exactly on one hole, others may be off by twice what they are once the play is shared
          const near = paired(one, other, shift, 2).pairs.map((p) => ({ xMm: p.a.x - p.b.x, yMm: p.a.y - p.b.y }))
          const { centre } = smallestCircle(near)
          const [shared, exact] = [paired(one, other, { x: centre.xMm, y: centre.yMm }), paired(one, other, shift)]
          const best = shared.pairs.length >= exact.pairs.length ? shared : exact
          if (best.pairs.length < 2) continue
          const pairs = best.pairs.map((p) => ({ one: p.a.i, other: p.b.i, offMm: p.offMm }))
          const key = `${over} ${turnDeg} ${pairs.map((p) => `${p.one}-${p.other}`).join()}`
          if (found.has(key)) continue
          const spreadMm = best.pairs.reduce((m, p) => Math.max(m, ...best.pairs.map((q) => off(p.a, q.a))), 0)
          const playMm = best.pairs.reduce((m, p) => Math.min(m, p.a.play + p.b.play - p.offMm), Number.POSITIVE_INFINITY)
          found.set(key, { turnDeg, over, shiftXMm: best.shift.x, shiftYMm: best.shift.y, pairs, spreadMm, playMm })
        }
    }
  return [...found.values()]
    .sort((p, q) => q.pairs.length - p.pairs.length || q.spreadMm - p.spreadMm || q.playMm - p.playMm)
    .slice(0, MOST)
}

type Hole = Place & { i: number; play: number }
/** The nearest to one another first, each hole once. */
function paired(one: Hole[], other: Hole[], shift: Place, slack = 1): { shift: Place; pairs: { a: Hole; b: Hole; offMm: number }[] } {
  const near = one.flatMap((a) =>
    other.flatMap((b) => {
      const offMm = off(a, { x: b.x + shift.x, y: b.y + shift.y })
      return offMm <= slack * (a.play + b.play) + 1e-9 ? [{ a, b, offMm }] : []
    }),
  )
  const pairs: typeof near = []
  for (const n of near.sort((p, q) => p.offMm - q.offMm)) if (!pairs.some((p) => p.a === n.a || p.b === n.b)) pairs.push(n)
  return { shift, pairs: pairs.sort((p, q) => p.a.i - q.a.i) }
}
