import type { Welder } from '../workshop/workshop'

/** Copper warm from use, Ω·mm²/m at about 60 °C: 0.0172·(1 + 0.0039·40) (IEC 60228 gives 0.0172 at 20 °C) */
const COPPER = 0.0172 * (1 + 0.0039 * 40)

export type Lead = { dropV: number; dropShare: number; atWelderV: number; breakerHolds: boolean }
/** Voltage lost over both conductors of a lead, ΔV = 2·ρ·L·I/A, and whether its breaker holds what the welder draws. */
export function leadOf(w: Pick<Welder, 'supplyV' | 'drawsA' | 'breakerA' | 'leadMm2' | 'leadMm'>): Lead {
  const dropV = (2 * COPPER * (w.leadMm / 1000) * w.drawsA) / w.leadMm2
  return { dropV, dropShare: dropV / w.supplyV, atWelderV: w.supplyV - dropV, breakerHolds: w.drawsA <= w.breakerA }
}
