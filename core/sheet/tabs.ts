import type { Hole } from '../geometry/hole'
import type { Point } from '../geometry/vec3'
import { equalPositions } from '../spacing/spacing'

/** How two flat parts find each other: so many tabs along an edge, each so long, in slots that are wider and longer by the allowance. mm */
export type Tabs = { count: number; tabMm: number; allowanceMm: number }
/** From an end of the edge to its first tab, and between tabs, in lengths of a tab: metal that the slots leave. Shop's own */
const APART_TABS = 0.75

/** Middles of the tabs along an edge, even from end to end; none where they have no room. mm */
export function tabPlaces(edgeMm: number, { count, tabMm }: Tabs): number[] {
  const free = edgeMm - count * tabMm
  if (count < 1 || free < (count + 1) * APART_TABS * tabMm - 1e-9) return []
  const between = free / (count + 1)
  return count === 1 ? [edgeMm / 2] : equalPositions(between + tabMm / 2, edgeMm - between - tabMm / 2, count)
}
/** The most tabs of that length that an edge has room for. */
export const mostTabs = (edgeMm: number, tabMm: number): number =>
  Math.max(0, Math.floor((edgeMm / tabMm - APART_TABS) / (1 + APART_TABS) + 1e-9))

/**
 * The allowance that slots need where the cut rounds their corners by half its kerf r: a square tab's corner clears the arc at r·(1 − 1/√2) from each of two
 * sides, so 2·(kerf/2)·(1 − 1/√2) over both. mm
 */
export const leastAllowanceMm = (kerfMm: number): number => kerfMm * (1 - Math.SQRT1_2)

/** From a corner to the next, the corners of an edge with its tabs, which stand out to the right of the way by so much; without the last corner. mm */
export function tabbedEdge(from: Point, to: Point, places: number[], tabMm: number, outMm: number, shiftMm = 0): Point[] {
  const long = Math.hypot(to.x - from.x, to.y - from.y)
  const way = { x: (to.x - from.x) / long, y: (to.y - from.y) / long }
  const at = (s: number, out: number): Point => ({ x: from.x + way.x * s + way.y * out, y: from.y + way.y * s - way.x * out })
  return [
    from,
    ...[...places]
      .sort((a, b) => a - b)
      .flatMap((p) => {
        const [a, b] = [p + shiftMm - tabMm / 2, p + shiftMm + tabMm / 2]
        return [at(a, 0), at(a, outMm), at(b, outMm), at(b, 0)]
      }),
  ]
}

/** The slot that takes a tab: its middle, along x or up y, as thick as the part that comes through and longer and wider by the allowance. mm */
export function tabSlot(at: Point, along: 'x' | 'y', throughMm: number, { tabMm, allowanceMm }: Tabs): Hole {
  const [long, wide] = [(tabMm + allowanceMm) / 2, (throughMm + allowanceMm) / 2]
  const [x, y] = along === 'x' ? [long, wide] : [wide, long]
  return {
    at,
    diameterMm: Math.min(throughMm, tabMm) + allowanceMm,
    edge: [
      { x: -x, y: -y },
      { x, y: -y },
      { x, y },
      { x: -x, y },
    ],
  }
}
