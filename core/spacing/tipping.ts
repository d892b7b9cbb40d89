import type { Cargo } from '../brief/cargo'
import { type Figure, figure } from '../figure/figure'
import { supportOf } from './spacing'

/** How a long item hangs out, and what on its free end would tip it over its last bar, were it not strapped; null where that end does not hang out. */
export type Hang = { rearMm: number; frontMm: number; tipsAtRear: Figure | null; tipsAtFront: Figure | null }

export function hangOf(c: Cargo, barXMm: number[]): Hang | null {
  const s = supportOf(c, barXMm)
  if (s.under.length < 2) return null
  const centre = c.xMm + c.centreForwardMm
  const [first, last] = [barXMm[s.under[0]!]!, barXMm[s.under[s.under.length - 1]!]!]
  const tips = (end: 'rear' | 'front', arm: number, hang: number): Figure | null =>
    hang <= 0
      ? null
      : figure(
          {
            id: `tips.${end}.${c.id}`,
            name: `${c.name}, on its ${end} end`,
            unit: 'kg',
            formula: 'm = mᵢ·a / o',
            source: 'levers about the last bar (statics)',
            assumes: ['it lies loose; the least of its mass counts'],
            with: {
              mᵢ: [c.massKg?.least ?? null, 'kg', `mass of ${c.name}`],
              a: [arm, 'mm', 'its centre of mass from that bar'],
              o: [hang, 'mm', 'how far the end hangs out'],
            },
          },
          ({ mᵢ, a, o }) => Math.max(0, (mᵢ * a) / o),
        )
  return {
    rearMm: s.rearOverhangMm,
    frontMm: s.frontOverhangMm,
    tipsAtRear: tips('rear', centre - first, s.rearOverhangMm),
    tipsAtFront: tips('front', last - centre, s.frontOverhangMm),
  }
}
