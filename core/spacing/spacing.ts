import type { Cargo } from '../brief/cargo'
import { type MountLine, nearestMountX } from '../vehicle/vehicle'

/** Running positions of `count` marks from one datum, first and last included. mm. */
export function equalPositions(fromMm: number, toMm: number, count: number): number[] {
  if (count <= 0) return []
  if (count === 1) return [(fromMm + toMm) / 2]
  return Array.from({ length: count }, (_, k) => fromMm + ((toMm - fromMm) * k) / (count - 1))
}

/** How many marks fit between two ends at no less than a pitch: ⌊length / pitch⌋ + 1. */
export const largestCount = (fromMm: number, toMm: number, leastPitchMm: number): number =>
  leastPitchMm > 0 && toMm >= fromMm ? Math.floor((toMm - fromMm) / leastPitchMm + 1e-9) + 1 : 0

export type ItemSupport = {
  under: number[]
  rearOverhangMm: number
  frontOverhangMm: number
  greatestSpanMm: number
  /** least distance between first and last bar that the item's own rule allows, both ends overhanging */
  shortestSupportMm: number | null
}

/** Which bars lie under an item and how far it reaches past them. */
export function supportOf(item: Pick<Cargo, 'xMm' | 'lengthMm' | 'maxOverhangMm'>, barXMm: number[]): ItemSupport {
  const [rear, front] = [item.xMm - item.lengthMm / 2, item.xMm + item.lengthMm / 2]
  const under = barXMm
    .map((_, i) => i)
    .filter((i) => barXMm[i]! >= rear - 0.5 && barXMm[i]! <= front + 0.5)
    .sort((a, b) => barXMm[a]! - barXMm[b]!)
  const xs = under.map((i) => barXMm[i]!)
  const shortestSupportMm = item.maxOverhangMm === null ? null : Math.max(0, item.lengthMm - 2 * item.maxOverhangMm)
  if (!xs.length) return { under, rearOverhangMm: item.lengthMm, frontOverhangMm: item.lengthMm, greatestSpanMm: 0, shortestSupportMm }
  return {
    under,
    shortestSupportMm,
    rearOverhangMm: Math.max(0, xs[0]! - rear),
    frontOverhangMm: Math.max(0, front - xs[xs.length - 1]!),
    greatestSpanMm: xs.slice(1).reduce((most, x, k) => Math.max(most, x - xs[k]!), 0),
  }
}

/** Worst of overhang and span against each item's own rules; 1 = just allowed, Infinity = tips or unsupported. */
export function layoutRatio(barXMm: number[], cargo: Cargo[]): number {
  let worst = 0
  for (const item of cargo) {
    const s = supportOf(item, barXMm)
    if (s.under.length < 2) return Number.POSITIVE_INFINITY
    const centre = item.xMm + item.centreForwardMm
    if (centre < barXMm[s.under[0]!]! || centre > barXMm[s.under[s.under.length - 1]!]!) return Number.POSITIVE_INFINITY
    if (item.maxOverhangMm !== null)
      worst = Math.max(worst, Math.max(s.rearOverhangMm, s.frontOverhangMm) / Math.max(1, item.maxOverhangMm))
    if (item.maxSpanMm !== null) worst = Math.max(worst, s.greatestSpanMm / item.maxSpanMm)
  }
  return worst
}

export type BarPlan = { barXMm: number[]; ratio: number; meetsRules: boolean }

/**
 * Fewest bars that meet every item's overhang and span rule on the mounts there are, then the placement with the
 * least worst ratio; one plan a count from the fewest that works. Fixed points: every choice of points while there
 * are few, else equal spacing brought to the nearest point. Lines: equal spacing between ends on a 25 mm grid.
 */
export function planBars(line: MountLine, cargo: Cargo[], counts: { least: number; most: number }, keepPitchMm: number): BarPlan[] {
  const plans: BarPlan[] = []
  for (let n = counts.least; n <= counts.most; n++) {
    let best: BarPlan | null = null
    for (const barXMm of candidatePlaces(line, n)) {
      if (barXMm.slice(1).some((x, k) => x - barXMm[k]! < keepPitchMm)) continue
      const ratio = layoutRatio(barXMm, cargo)
      if (!best || ratio < best.ratio - 1e-9) best = { barXMm, ratio, meetsRules: ratio <= 1 + 1e-9 }
    }
    if (best) plans.push(best)
    if (plans.filter((p) => p.meetsRules).length === 2) break
  }
  return plans
}

const GRID_MM = 25
const MOST_CHOICES = 20_000

/** Layouts of n bars worth a look: every choice of fixed points while they are few, else equal spacing between ends on a grid. mm */
export function* candidatePlaces(line: MountLine, n: number): Generator<number[]> {
  const free = line.pointsXMm?.filter((x) => nearestMountX(line, x) === x)
  const points = free && [...new Set(free)].sort((a, b) => a - b)
  if (points && choices(points.length, n) <= MOST_CHOICES) {
    yield* combinations(points, n)
    return
  }
  const steps = Math.max(1, Math.floor((line.toXMm - line.fromXMm) / GRID_MM))
  for (let a = 0; a <= steps; a++)
    for (let b = a + 1; b <= steps; b++) {
      const even = equalPositions(line.fromXMm + a * GRID_MM, line.fromXMm + b * GRID_MM, n)
      yield points || line.keepOuts.length ? even.map((x) => nearestMountX(line, x)) : even
    }
}

const choices = (n: number, k: number): number => Array.from({ length: k }, (_, i) => (n - i) / (i + 1)).reduce((a, b) => a * b, 1)

function* combinations(points: number[], n: number, start = 0, chosen: number[] = []): Generator<number[]> {
  if (chosen.length === n) {
    yield [...chosen]
    return
  }
  for (let i = start; i <= points.length - (n - chosen.length); i++) yield* combinations(points, n, i + 1, [...chosen, points[i]!])
}
