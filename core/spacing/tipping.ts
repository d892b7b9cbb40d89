import type { Cargo } from '../brief/cargo'
import { type Figure, figure, input } from '../figure/figure'
import { supportOf } from './spacing'

/** How a long item hangs out, and what on its free end would tip it over its last bar, were it not strapped; null where that end does not hang out. */
export type Hang = { rearMm: number; frontMm: number; tipsAtRear: Figure | null; tipsAtFront: Figure | null }

export function hangOf(c: Cargo, barXMm: number[]): Hang | null {
  const s = supportOf(c, barXMm)
  if (s.under.length < 2) return null
  const centre = c.xMm + c.centreForwardMm
  const [first, last] = [barXMm[s.under[0]], barXMm[s.under[s.under.length - 1]]]
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
            with: [
              input('mᵢ', `mass of ${c.name}`, c.massKg?.least ?? null, 'kg'),
              input('a', 'its centre of mass from that bar', arm, 'mm'),
              input('o', 'how far the end hangs out', hang, 'mm'),
            ],
          },
          () => Math.max(0, ((c.massKg?.least ?? 0) * arm) / hang),
        )
  return {
    rearMm: s.rearOverhangMm,
    frontMm: s.frontOverhangMm,
    tipsAtRear: tips('rear', centre - first, s.rearOverhangMm),
    tipsAtFront: tips('front', last - centre, s.frontOverhangMm),
  }
}
