import { type BoltSize, boltLengthMm } from '../catalogue/bolts'
import type { HardwarePart } from '../catalogue/hardware'
import { backingPlate, type FootType } from '../catalogue/mounts'
import { profileOf } from '../catalogue/profiles'
import type { Hardware } from './assembly'

/** A tube or an extrusion that is open at its ends. */
export const isHollow = (profileId: string): boolean => ['round', 'rectangular', 'slotted'].includes(profileOf(profileId).shape.kind)

/** A foot's own bolts, each with the nut that its kind takes: none where it goes into a thread. */
export function footHardware(foot: FootType, feet: number, backingMm: number | null): Hardware[] {
  const bolts = feet * foot.boltsPerFoot
  const nut: HardwarePart[] = foot.nut === 'lock nut' || foot.nut === 'T-nut' ? [{ kind: foot.nut, size: foot.bolt.size }] : []
  return [
    { part: { kind: 'bolt' as const, ...foot.bolt }, quantity: bolts },
    ...nut.map((part) => ({ part, quantity: bolts })),
    ...foot.extras.map((kind) => ({ part: { kind } as HardwarePart, quantity: feet })),
    ...(backingMm === null
      ? []
      : [{ part: { kind: 'backing plate' as const, sideMm: backingMm, thicknessMm: backingPlate.thicknessMm }, quantity: feet }]),
  ].map((h): Hardware => ({ ...h, for: foot.name.toLowerCase() }))
}

/** Bolts with their nuts through a stack so thick. mm */
export const throughBolts = (
  size: BoltSize,
  stackMm: number,
  quantity: number,
  use: string,
  nut: 'lock nut' | 'T-nut' = 'lock nut',
): Hardware[] => [
  { part: { kind: 'bolt', size, lengthMm: boltLengthMm(size, stackMm) }, quantity, for: use },
  { part: { kind: nut, size }, quantity, for: use },
]
