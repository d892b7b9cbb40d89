import { Impossible } from '../issue/impossible'

/** Copper at 20 °C, IEC 60228. Ω·mm²/m */
const COPPER = 0.0172
/** Conductors on sale, mm², and blade fuses, A (ISO 8820-3) */
export const sectionsMm2 = [0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70]
export const fusesA = [2, 3, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100]

export type Wire = { currentA: number; sectionMm2: number; dropV: number; dropShare: number; fuseA: number; cableMustCarryA: number }
/** What is fed: W, V, mm one way. `back` by the body: only the way out is counted, and what the body loses is not. */
export type Fed = { powerW: number; supplyV: number; lengthMm: number; back: 'cable' | 'body' }
/** Most of the supply lost on the way, the fuse's reserve over the current, and the most a square millimetre is trusted to carry: the shop's own. */
export type WireRules = { mostShare: number; reserve: number; mostAPerMm2: number }

/** ΔV = n·ρ·L·I/A, n = 2 out and back by cables, 1 where the body takes it back. V */
export const dropV = ({ lengthMm, back }: Pick<Fed, 'lengthMm' | 'back'>, currentA: number, sectionMm2: number): number =>
  ((back === 'body' ? 1 : 2) * COPPER * (lengthMm / 1000) * currentA) / sectionMm2

/**
 * The fuse at the source is the next one above the current with a reserve; the conductor the smallest whose drop keeps under a share of the supply and that
 * carries no less than that fuse lets through: else the cable burns before the fuse does. What its maker lets it carry where it lies comes before the rule.
 */
export function wire(fed: Fed, { mostShare, reserve, mostAPerMm2 }: WireRules): Wire {
  const currentA = fed.powerW / fed.supplyV
  const fuseA = fusesA.find((f) => f >= currentA * reserve)
  if (fuseA === undefined)
    throw new Impossible(`${Math.round(currentA)} A is beyond the fuses of the list: more voltage, or an electrician's own design`)
  const sectionMm2 = sectionsMm2.find((s) => dropV(fed, currentA, s) <= mostShare * fed.supplyV && s * mostAPerMm2 >= fuseA)
  if (sectionMm2 === undefined)
    throw new Impossible(
      'no conductor of the list keeps the drop that low and carries that fuse: a shorter run, less power, or more voltage',
    )
  const lost = dropV(fed, currentA, sectionMm2)
  return { currentA, sectionMm2, dropV: lost, dropShare: lost / fed.supplyV, fuseA, cableMustCarryA: fuseA }
}
