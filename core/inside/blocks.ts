import { type BicycleTaken, heightOf, type Inside, type InsidePlace, type InsideThing } from './inside'

/** A box in the room: x from the front wall, y from the left wall, z up. mm */
export type Block = { x0: number; x1: number; y0: number; y1: number; z0: number; z1: number; of: string; part: string }

/** How a block is called. */
export const nameOf = (b: Block): string => (b.part ? `${b.part} of ${b.of}` : b.of)

/** What a thing fills, its front end at 0, its middle line at 0, looking to the front. All of it must be measured. */
function ownBlocks(t: InsideThing, as: BicycleTaken): Block[] {
  const [L, W, H] = [t.lengthMm ?? 0, t.widthMm ?? 0, t.heightMm ?? 0]
  if (t.kind === 'box') return [{ x0: 0, x1: L, y0: -W / 2, y1: W / 2, z0: 0, z1: H, of: t.name, part: '' }]
  const [bar, barZ, axle, pedals] = [t.barBehindMm ?? 0, t.barHeightMm ?? 0, t.pedalsBehindMm ?? 0, t.pedalsWideMm ?? 0]
  // turned along the frame they are as long as they were wide
  const [along, wide] = t.barsTurned ? [Math.max(W, as.barsAlongMm), as.barsTurnedMm] : [as.barsAlongMm, W]
  const strip = (x0: number, x1: number, wide: number, z0: number, z1: number, part: string): Block => ({
    ...{ x0: Math.max(0, x0), x1: Math.min(L, x1), y0: -wide / 2, y1: wide / 2, z0: Math.max(0, z0), z1, of: t.name, part },
  })
  return [
    strip(0, L, as.frameMm, 0, H, 'frame'),
    strip(bar - along / 2, bar + along / 2, wide, barZ - as.barsDownMm, Math.min(H, barZ + as.barsUpMm), 'handlebars'),
    strip(axle - as.pedalsReachMm, axle + as.pedalsReachMm, pedals, as.axleMm - as.pedalsReachMm, as.axleMm + as.pedalsReachMm, 'pedals'),
  ]
}

/** Turned about the middle of its length, and put where it stands. `x` is where its forward-most end comes. */
export function blocksOf(t: InsideThing, place: InsidePlace, as: BicycleTaken): Block[] {
  const { xMm, yMm, deg } = place
  const L = t.lengthMm ?? 0
  const up = heightOf(place)
  const own = ownBlocks(t, as).map((b) => ({ ...b, z0: b.z0 + up, z1: b.z1 + up }))
  const reach = own.reduce((r, b) => Math.max(r, b.y1), 0)
  return own.map((b) => {
    if (deg === 0) return { ...b, x0: b.x0 + xMm, x1: b.x1 + xMm, y0: b.y0 + yMm, y1: b.y1 + yMm }
    if (deg === 180) return { ...b, x0: L - b.x1 + xMm, x1: L - b.x0 + xMm, y0: b.y0 + yMm, y1: b.y1 + yMm }
    // across: its length lies across the room, its middle line along x; 90 = its front to the right
    const y = deg === 90 ? ([L / 2 - b.x1, L / 2 - b.x0] as const) : ([b.x0 - L / 2, b.x1 - L / 2] as const)
    return { ...b, x0: b.y0 + reach + xMm, x1: b.y1 + reach + xMm, y0: y[0] + yMm, y1: y[1] + yMm }
  })
}

/** The wheel arches, as boxes along both walls. */
export function archesOf(r: Inside): Block[] {
  const [W, from, long, wide, high] = [r.widthMm ?? 0, r.archFromMm ?? 0, r.archLengthMm ?? 0, r.archWidthMm ?? 0, r.archHeightMm ?? 0]
  if (!wide || !long || !high) return []
  const box = (y0: number, y1: number, side: string): Block => ({
    x0: from,
    x1: from + long,
    y0,
    y1,
    z0: 0,
    z1: high,
    of: `the ${side} wheel arch`,
    part: '',
  })
  return [box(0, wide, 'left'), box(W - wide, W, 'right')]
}

const apart = (a0: number, a1: number, b0: number, b1: number): number => Math.max(a0 - b1, b0 - a1)
/** How far two boxes are apart on the floor, as one looks down on it; negative = in one another. Infinity where one passes over the other. mm */
export function gapBetween(a: Block, b: Block): number {
  if (apart(a.z0, a.z1, b.z0, b.z1) >= 0) return Number.POSITIVE_INFINITY
  const [dx, dy] = [apart(a.x0, a.x1, b.x0, b.x1), apart(a.y0, a.y1, b.y0, b.y1)]
  return dx > 0 && dy > 0 ? Math.hypot(dx, dy) : Math.max(dx, dy)
}
