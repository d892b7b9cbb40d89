import type { Assembly, Bearing, Support } from '../assembly/assembly'
import type { Cargo } from '../brief/cargo'
import { supportOf } from '../spacing/spacing'

/** What an item lies on: its supports, the lines of them under it, and the height it stands at. `gone` = what it names that is not there any more. */
export type Rest = { supports: Support[]; all: Bearing[]; under: Bearing[]; zMm: number | null; gone: string[] }

/**
 * A support that things lie on by themselves when nobody chose one: bars or a deck first, then what else there is. Nothing stands in a holder, hangs on a panel or
 * goes inside unasked: what lost its rack would pass every limit of the roof.
 */
export const usualSupport = (a: Pick<Assembly, 'supports'>): Support | null => {
  const open = a.supports.filter((s) => !s.holds && !s.asked)
  return open.find((s) => s.kind === 'bars' || s.kind === 'deck') ?? open.find((s) => s.kind !== 'floor') ?? open[0] ?? null
}

export function restOf(c: Cargo, a: Pick<Assembly, 'supports'>): Rest {
  const usual = usualSupport(a)
  const named = c.on.flatMap((id) => a.supports.filter((s) => s.id === id))
  const supports = c.on.length ? named : usual ? [usual] : []
  const gone = c.on.filter((id) => !a.supports.some((s) => s.id === id))
  const all = supports.flatMap((s) => s.bearings).sort((p, q) => p.xMm - q.xMm)
  const lines = supportOf(
    c,
    all.map((b) => b.xMm),
  ).under.map((i) => all[i]!)
  // what stands in a holder stands in the nearest of them, wherever its own ends are
  const held = supports.every((s) => s.holds) && all.length ? [nearest(c, all)] : []
  const under = gone.length ? [] : held.length ? held : lines
  return { supports, all, under, zMm: gone.length ? null : heightAt(c, under, all, supports), gone }
}

const nearest = (c: Cargo, all: Bearing[]): Bearing =>
  all.reduce((a, b) => (Math.hypot(b.xMm - c.xMm, across(b, c)) < Math.hypot(a.xMm - c.xMm, across(a, c)) ? b : a))
const across = (b: Bearing, c: Cargo): number => Math.max(0, c.yMm - b.leftMm, b.rightMm - c.yMm)

/** On lines of one height at that height; on two of different heights where the straight line over them is, at the item's middle. mm */
function heightAt(c: Cargo, under: Bearing[], all: Bearing[], supports: Support[]): number | null {
  const [first, last] = [under[0], under[under.length - 1]]
  if (first && last && last.xMm - first.xMm > 1) return first.zMm + ((last.zMm - first.zMm) * (c.xMm - first.xMm)) / (last.xMm - first.xMm)
  return first?.zMm ?? supports.find((s) => s.surface)?.surface?.zMm ?? all[0]?.zMm ?? null
}

/** An item that lies flat on a floor or deck of the vehicle itself needs no line under it. */
export const liesOnSurface = (r: Rest): boolean => r.supports.some((s) => s.surface !== null)

/** The height of what items usually lie on: where a new item begins. mm; null where there is nothing to lie on */
export const usualHeightMm = (a: Pick<Assembly, 'supports'>): number | null => {
  const s = usualSupport(a)
  return s ? (s.surface?.zMm ?? s.bearings[0]?.zMm ?? null) : null
}
