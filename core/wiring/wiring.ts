import { Impossible } from '../issue/impossible'

/** Copper at 20 °C, IEC 60228. Ω·mm²/m */
const COPPER = 0.0172
/** Conductors on sale, mm², and blade fuses, A (ISO 8820-3) */
export const sectionsMm2 = [0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70]
export const fusesA = [2, 3, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100]

export type Wire = { currentA: number; sectionMm2: number; dropV: number; dropShare: number; fuseA: number; cableMustCarryA: number }
/**
 * Smallest conductor whose drop over both ways, ΔV = n·ρ·L·I/A with n = 2 (1 where the body takes it back, whose own way is not reckoned), keeps under a share of the supply, and the fuse at the source: the next one above the current
 * with a reserve (the shop's own). The conductor's own rating must be no less than that fuse: its maker says.
 */
export function wire(powerW: number, supplyV: number, lengthMm: number, mostShare: number, reserve: number, ways: 1 | 2 = 2): Wire {
  const currentA = powerW / supplyV
  const drop = (mm2: number) => (ways * COPPER * (lengthMm / 1000) * currentA) / mm2
  const sectionMm2 = sectionsMm2.find((s) => drop(s) <= mostShare * supplyV)
  const fuseA = fusesA.find((f) => f >= currentA * reserve)
  if (sectionMm2 === undefined)
    throw new Impossible('no conductor of the list keeps the drop that low: a shorter run, less power, or more voltage')
  if (fuseA === undefined)
    throw new Impossible(`${Math.round(currentA)} A is beyond the fuses of the list: more voltage, or an electrician's own design`)
  return { currentA, sectionMm2, dropV: drop(sectionMm2), dropShare: drop(sectionMm2) / supplyV, fuseA, cableMustCarryA: fuseA }
}
