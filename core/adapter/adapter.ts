import { type ThreadName, threadNames, threads } from '../boltHoles/boltHoles'
import type { Hole } from '../geometry/hole'
import { rectangleFrom0 } from '../geometry/polygon'
import { quarterTurn, type Turn } from '../geometry/quarterTurn'
import type { Point } from '../geometry/vec3'
import type { PatternHole } from '../patternMatch/patternMatch'
import { edgeMm, pitchMm, WASHER_D } from './adapterFigures'

/** A part by its holes, and how large it is where somebody measured that. mm */
export type Drilled = { holes: PatternHole[]; lengthMm: number | null; widthMm: number | null }
export type AdapterGiven = {
  one: Drilled
  other: Drilled
  boltOne: ThreadName
  boltOther: ThreadName
  /** how the second part lies over the first: turned to the left, then moved. mm */
  turnDeg: Turn
  shiftXMm: number
  shiftYMm: number
}
export type Adapter = {
  /** from its own lower left corner */
  outline: Point[]
  /** those of the first by numbers, of the second by letters */
  holes: (Hole & { of: 'one' | 'other'; name: string })[]
  lengthMm: number
  widthMm: number
  /** where its corner lies from that of the first part */
  from: Point
  /** what is wrong with it, lengths in braces */
  faults: string[]
  /** bolts of the first part that the second covers, by their numbers; null = nobody measured the second */
  under: number[] | null
}

/**
 * A plate that carries one part on another whose holes do not meet its own: drilled with both patterns, clearance by ISO 273 medium or ASME B18.2.8 normal, as
 * large as washers and edges ask. Mates are flat and at rest on it: what it carries is not assessed here.
 */
export function adapter(g: AdapterGiven): Adapter {
  const over = g.other.holes.map((h): Point => {
    const { x, y } = quarterTurn[g.turnDeg]({ x: h.xMm, y: h.yMm })
    return { x: x + g.shiftXMm, y: y + g.shiftYMm }
  })
  const drilled = [
    ...g.one.holes.map((h, i) => ({ of: 'one' as const, name: String(i + 1), at: { x: h.xMm, y: h.yMm }, bolt: g.boltOne, theirs: h })),
    ...g.other.holes.map((h, i) => ({ of: 'other' as const, name: letter(i), at: over[i]!, bolt: g.boltOther, theirs: h })),
  ].map((h) => ({ ...h, diameterMm: threads[h.bolt].normalMm }))
  const edge = (h: (typeof drilled)[number]) => edgeMm(h.bolt)
  const low = { x: Math.min(...drilled.map((h) => h.at.x - edge(h))), y: Math.min(...drilled.map((h) => h.at.y - edge(h))) }
  const high = { x: Math.max(...drilled.map((h) => h.at.x + edge(h))), y: Math.max(...drilled.map((h) => h.at.y + edge(h))) }
  const [lengthMm, widthMm] = [high.x - low.x, high.y - low.y]
  const near = drilled.flatMap((a, i) =>
    drilled.slice(i + 1).flatMap((b) => {
      const apart = Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y)
      const least = pitchMm([a.bolt, b.bolt])
      return apart < least - 1e-9
        ? [`holes ${a.name} and ${b.name} are {g ${round(apart)}} apart: {g ${round(least)}} or more, or move the second`]
        : []
    }),
  )
  const tight = (['one', 'other'] as const).flatMap((of) => {
    const small = drilled.filter((h) => h.of === of && h.theirs.diameterMm < threads[h.bolt].nominalMm)
    const [first] = small
    return first ? [`into ${small.map((h) => h.name).join(', ')} of {g ${first.theirs.diameterMm}} a bolt ${first.bolt} does not go`] : []
  })
  return {
    outline: rectangleFrom0(lengthMm, widthMm),
    holes: drilled.map(({ of, name, at, diameterMm }) => ({ of, name, diameterMm, at: { x: at.x - low.x, y: at.y - low.y } })),
    ...{ lengthMm, widthMm, from: low },
    faults: [...tight, ...near],
    under: covered(g),
  }
}

/** A, B … Z, AA, AB … */
const letter = (i: number): string => (i < 26 ? '' : letter(Math.floor(i / 26) - 1)) + String.fromCharCode(65 + (i % 26))
/** The largest bolt that goes through all holes of a part; the smallest there is where none does. */
export function boltFor(holes: PatternHole[]): ThreadName {
  const least = Math.min(...holes.map((h) => h.diameterMm))
  const fits = threadNames.filter((t) => threads[t].nominalMm < least && t.startsWith('M'))
  return fits.at(-1) ?? threadNames[0]
}
const round = (mm: number): number => Math.round(mm * 10) / 10

/** Bolts of the first that lie under the second part's own box: their heads must be flat, and go in first. */
function covered({ one, other, boltOne, turnDeg, shiftXMm, shiftYMm }: AdapterGiven): number[] | null {
  if (other.lengthMm === null || other.widthMm === null) return null
  const corners = [
    { x: 0, y: 0 },
    { x: other.lengthMm, y: other.widthMm },
  ].map((q) => {
    const { x, y } = quarterTurn[turnDeg](q)
    return { x: x + shiftXMm, y: y + shiftYMm }
  })
  const [left, right] = [Math.min(...corners.map((q) => q.x)), Math.max(...corners.map((q) => q.x))]
  const [low, high] = [Math.min(...corners.map((q) => q.y)), Math.max(...corners.map((q) => q.y))]
  const head = (WASHER_D * threads[boltOne].nominalMm) / 2
  return one.holes.flatMap((h, i) =>
    h.xMm > left - head && h.xMm < right + head && h.yMm > low - head && h.yMm < high + head ? [i + 1] : [],
  )
}
