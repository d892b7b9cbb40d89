import { Impossible } from '../issue/impossible'

/** Round or square things side by side in an opening, the same gap between all of them and at both ends. mm */
export type InOpening = { gapMm: number; middlesMm: number[]; mostThatFit: number }

/**
 * Equal gaps: g = (clear − n·d)/(n + 1); n ≤ ⌊(clear − g₀)/(d + g₀)⌋ for a least gap g₀ (arithmetic). Middles are measured from one wall of the opening. Throws
 * `Impossible` where so many do not fit, with how many do.
 */
export function pitchInOpening(clearMm: number, itemMm: number, count: number, leastGapMm: number): InOpening {
  const mostThatFit = Math.max(0, Math.floor((clearMm - leastGapMm) / (itemMm + leastGapMm) + 1e-9))
  if (count > mostThatFit)
    throw new Impossible(
      mostThatFit
        ? `${count} of ${itemMm} mm do not fit in ${clearMm.toFixed(0)} mm with gaps of ${leastGapMm} mm: ${mostThatFit} do, and ${count - mostThatFit} need another place`
        : `not one of ${itemMm} mm fits in ${clearMm.toFixed(0)} mm with gaps of ${leastGapMm} mm: a smaller one, or a wider opening`,
    )
  const gapMm = count ? (clearMm - count * itemMm) / (count + 1) : clearMm
  return { gapMm, mostThatFit, middlesMm: Array.from({ length: count }, (_, i) => gapMm * (i + 1) + itemMm * (i + 0.5)) }
}
