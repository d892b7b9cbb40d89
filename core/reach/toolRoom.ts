import { type BoltSize, boltSizes } from '../catalogue/bolts'
import type { Rules } from '../rules/rules'
import { HAND_DEEP_MM, OFF, THICK } from './tools'

/** Of each way to turn it the room it asks: from the bolt's middle to what stands beside it, and above the metal it lies on. mm */
export type ToolRoom = { tool: 'socket' | 'spanner'; besideMm: number; aboveMm: number; fits: boolean }

/**
 * What a socket and a spanner ask round a bolt, with one wall beside it that is as high as anything and one roof over it. In diameters, the shop's own; a hand
 * is wider than a socket, so that beside a high wall it is the hand that must come by.
 */
export function toolRoom(
  size: BoltSize,
  { besideMm, aboveMm }: { besideMm: number; aboveMm: number },
  rules: Pick<Rules, 'socketMm' | 'socketAcrossD' | 'ringAcrossD' | 'handMm'>,
): ToolRoom[] {
  const d = boltSizes[size].diameterMm
  const asks: Omit<ToolRoom, 'fits'>[] = [
    { tool: 'socket', besideMm: Math.max(rules.socketAcrossD * d, rules.handMm) / 2, aboveMm: rules.socketMm + HAND_DEEP_MM },
    { tool: 'spanner', besideMm: (rules.ringAcrossD * d) / 2, aboveMm: (OFF + THICK) * d },
  ]
  return asks.map((a) => ({ ...a, fits: besideMm >= a.besideMm && aboveMm >= a.aboveMm }))
}
