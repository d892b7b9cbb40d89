import { Impossible } from '../issue/impossible'
import { MM_PER_INCH } from '../quantity/units'

const inch = (nominal: number, pitchPerInch: number, close: number, normal: number, loose: number) => ({
  nominalMm: nominal * MM_PER_INCH,
  pitchMm: MM_PER_INCH / pitchPerInch,
  closeMm: close * MM_PER_INCH,
  normalMm: normal * MM_PER_INCH,
  looseMm: loose * MM_PER_INCH,
})
const metric = (nominalMm: number, pitchMm: number, closeMm: number, normalMm: number, looseMm: number) => ({
  nominalMm,
  pitchMm,
  closeMm,
  normalMm,
  looseMm,
})

/** Clearance holes: ISO 273 fine, medium, coarse; ASME B18.2.8 close, normal, loose. Pitches: ISO 261 coarse, ASME B1.1 UNC. mm */
export const threads = {
  M4: metric(4, 0.7, 4.3, 4.5, 4.8),
  M5: metric(5, 0.8, 5.3, 5.5, 5.8),
  M6: metric(6, 1, 6.4, 6.6, 7),
  M8: metric(8, 1.25, 8.4, 9, 10),
  M10: metric(10, 1.5, 10.5, 11, 12),
  M12: metric(12, 1.75, 13, 13.5, 14.5),
  M16: metric(16, 2, 17, 17.5, 18.5),
  '1/4-20': inch(1 / 4, 20, 17 / 64, 9 / 32, 19 / 64),
  '5/16-18': inch(5 / 16, 18, 21 / 64, 11 / 32, 23 / 64),
  '3/8-16': inch(3 / 8, 16, 25 / 64, 13 / 32, 27 / 64),
  '1/2-13': inch(1 / 2, 13, 17 / 32, 9 / 16, 39 / 64),
} as const
export type ThreadName = keyof typeof threads
export const threadNames = Object.keys(threads) as [ThreadName, ...ThreadName[]]

/** A hole set out on the vehicle: one bolt in two holes, each off by e, needs d + 2·e, and never less than a normal clearance hole. mm */
export const locatedHoleMm = (thread: ThreadName, offMm: number): number =>
  Math.max(threads[thread].normalMm, threads[thread].nominalMm + 2 * offMm)

export type BoltHoles = {
  closeMm: number
  normalMm: number
  looseMm: number
  tapDrillMm: number
  threadMm: number
  fits: 'thread only' | 'too tight' | 'close' | 'normal' | 'loose' | 'too loose' | null
}
/**
 * Tap drill for so much of a full 60° thread: d = D − 1.299·P·share (thread height 0.6495·P a side, ISO 68-1); and what a hole as drilled is to the bolt.
 * Engagement: a thread as deep as the bolt is thick in steel, twice that in aluminium (usual rule of the trade; the shop's own).
 */
export function boltHoles(thread: ThreadName, share: number, aluminium: boolean, holeMm: number | null): BoltHoles {
  const t = threads[thread]
  if (share <= 0 || share > 1)
    throw new Impossible('the share of a full thread lies above 0 and is no more than 1: use 0.75 in steel, 0.65 in stainless')
  return {
    closeMm: t.closeMm,
    normalMm: t.normalMm,
    looseMm: t.looseMm,
    tapDrillMm: t.nominalMm - 1.299 * t.pitchMm * share,
    threadMm: t.nominalMm * (aluminium ? 2 : 1),
    fits: holeMm === null ? null : fitOf(holeMm, t),
  }
}

function fitOf(holeMm: number, t: (typeof threads)[ThreadName]): BoltHoles['fits'] {
  if (holeMm < t.nominalMm) return 'thread only'
  if (holeMm < t.closeMm - 0.05) return 'too tight'
  if (holeMm < t.normalMm - 0.05) return 'close'
  if (holeMm < t.looseMm - 0.05) return 'normal'
  return holeMm <= t.looseMm + 0.3 ? 'loose' : 'too loose'
}
