import type { Cargo } from '../brief/cargo'
import { supportOf } from './spacing'

/** How a long item hangs out and what on its free end would tip it over its last bar, were it not strapped. kg by levers; null when its mass or its rest is unknown. */
export type Hang = { rearMm: number; frontMm: number; tipsAtRearKg: number | null; tipsAtFrontKg: number | null }

export function hangOf(c: Cargo, barXMm: number[]): Hang | null {
  const s = supportOf(c, barXMm)
  if (s.under.length < 2) return null
  const centre = c.xMm + c.centreForwardMm
  const [first, last] = [barXMm[s.under[0]], barXMm[s.under[s.under.length - 1]]]
  const mass = c.massKg?.least ?? null
  const tips = (arm: number, hang: number) => (mass === null || hang <= 0 ? null : Math.max(0, (mass * arm) / hang))
  return {
    rearMm: s.rearOverhangMm,
    frontMm: s.frontOverhangMm,
    tipsAtRearKg: tips(centre - first, s.rearOverhangMm),
    tipsAtFrontKg: tips(last - centre, s.frontOverhangMm),
  }
}
