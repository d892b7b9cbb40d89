import { type BoltSize, boltLengthMm } from '../catalogue/bolts'
import type { HardwarePart } from '../catalogue/hardware'
import { backingPlate, type FootType } from '../catalogue/mounts'
import { profileOf } from '../catalogue/profiles'
import type { Hardware } from './assembly'

/** A tube or an extrusion that is open at its ends. */
export const isHollow = (profileId: string): boolean => ['round', 'rectangular', 'slotted'].includes(profileOf(profileId).shape.kind)

/** Sheet of a body that a bolt is bought for before anybody has measured it; the shop's own. mm */
const USUAL_SHEET_MM = 1.5

/**
 * A foot's own bolts, each with the nut that its kind takes: none where it goes into a thread. `overMm` = what stands on the place itself and is passed as well:
 * the bolt is then as long as that, the sheet and the plate behind it need.
 */
export function footHardware(foot: FootType, feet: number, backingMm: number | null, overMm = 0): Hardware[] {
  const bolts = feet * foot.boltsPerFoot
  const stackMm = overMm + USUAL_SHEET_MM + (backingMm === null ? 0 : backingPlate.thicknessMm)
  const stacked = foot.drilled && foot.nut === 'lock nut' && overMm > 0
  const lengthMm = stacked ? boltLengthMm(foot.bolt.size, stackMm) : foot.bolt.lengthMm
  const nut: HardwarePart[] =
    foot.nut === 'lock nut' || foot.nut === 'T-nut' || foot.nut === 'rivet nut' ? [{ kind: foot.nut, size: foot.bolt.size }] : []
  return [
    { part: { kind: 'bolt' as const, size: foot.bolt.size, lengthMm }, quantity: bolts },
    ...nut.map((part) => ({ part, quantity: bolts })),
    ...foot.extras.map((kind) => ({ part: { kind } as HardwarePart, quantity: feet })),
    ...(backingMm === null
      ? []
      : [{ part: { kind: 'backing plate' as const, sideMm: backingMm, thicknessMm: backingPlate.thicknessMm }, quantity: feet }]),
  ].map(
    (h): Hardware => ({
      ...h,
      foot: foot.kind,
      for: `${foot.name.toLowerCase()}${stacked ? `, for sheet up to {g ${USUAL_SHEET_MM}}` : ''}`,
    }),
  )
}

/** Bolts with their nuts through a stack so thick. mm */
export const throughBolts = (
  size: BoltSize,
  stackMm: number,
  quantity: number,
  use: string,
  nut: 'lock nut' | 'T-nut' | 'rivet nut' = 'lock nut',
): Hardware[] => [
  { part: { kind: 'bolt', size, lengthMm: boltLengthMm(size, stackMm) }, quantity, for: use },
  { part: { kind: nut, size }, quantity, for: use },
]
