import { Impossible } from '../issue/impossible'

/** Boards side by side over cross members: where each begins from one datum, how many screws, what they weigh dry and wet. mm, kg, minutes */
export type BoardPlan = {
  count: number
  gapMm: number
  startsMm: number[]
  screws: number
  spares: number
  pilotMm: number
  pilotInWoodMm: number
  threadShare: number
  dryKg: number
  wetKg: number
  minutes: number
}
export type BoardsGiven = {
  clearMm: number
  lengthMm: number
  boardMm: number
  thickMm: number
  leastGapMm: number
  crossings: number
  wallMm: number
  screwMm: number
  densityKgM3: number
  wetShare: number
  sparesPercent: number
  minutesPerScrew: number
}

/**
 * As many boards as fit with no gap under the least, the gaps all alike: g = (clear − n·b)/(n − 1) (arithmetic). Two screws at each crossing. A screw that cuts
 * its own thread in the wall is drilled for so much of its thread: d = D − 1.299·P·share, P about D/4.5; in the board it passes free. What wet wood weighs, the
 * threads in the wall and the minutes are the shop's own. Throws `Impossible` where not one board fits.
 */
export function boardPlan(v: BoardsGiven): BoardPlan {
  const count = Math.floor((v.clearMm + v.leastGapMm) / (v.boardMm + v.leastGapMm) + 1e-9)
  if (count < 1) throw new Impossible(`a board of ${v.boardMm} mm does not fit in ${v.clearMm.toFixed(0)} mm: a narrower board`)
  const gapMm = count > 1 ? (v.clearMm - count * v.boardMm) / (count - 1) : 0
  const screws = 2 * count * v.crossings
  const pitch = v.screwMm / 4.5
  const share = v.wallMm >= 2 ? 0.7 : 0.85
  const dryKg = (count * v.boardMm * v.thickMm * v.lengthMm * v.densityKgM3) / 1e9
  return {
    count,
    gapMm,
    startsMm: Array.from({ length: count }, (_, i) => i * (v.boardMm + gapMm)),
    screws,
    spares: Math.ceil((screws * v.sparesPercent) / 100),
    pilotMm: v.screwMm - 1.299 * pitch * share,
    pilotInWoodMm: v.screwMm + 0.5,
    threadShare: v.wallMm / pitch,
    dryKg,
    wetKg: dryKg * (1 + v.wetShare),
    minutes: screws * v.minutesPerScrew,
  }
}
