import { z } from 'zod'
import { profiles } from '../../catalogue/profiles'

const profileId = z.string().refine((id) => profiles.some((p) => p.id === id), 'is not in the profile catalogue: choose one listed there')
const mm = (min: number, max: number) => z.number().min(min).max(max)

export const MOST_OVERHANG_MM = 600
export const MOST_FOOT_HEIGHT_MM = 500

/** What the outfitter chooses for a crossbar rack. Bar places are absolute, from the rear axle. */
export const CrossbarParams = z.object({
  mountId: z.string().max(40),
  profileId,
  barXMm: z.array(mm(-20_000, 20_000)).max(12, 'twelve bars at most'),
  overhangMm: mm(0, MOST_OVERHANG_MM),
  footHeightMm: mm(0, MOST_FOOT_HEIGHT_MM),
  bracketInsetMm: mm(0, 300),
  bracketThicknessMm: mm(2, 20),
  bracketWidthMm: mm(20, 200),
  bracketBolts: z.enum(['one', 'two']).default('one'),
  /** seats of a bracket's bolts at the foot and at the bar, edge to fold */
  bracketFootPadMm: mm(20, 200).default(60),
  bracketBarPadMm: mm(20, 200).default(60),
  /** every bar as long as the longest has to be, where the mounts taper */
  equalBars: z.boolean().default(false),
  /** side of the plate behind drilled sheet */
  backingMm: mm(40, 300).default(80),
  sideRails: z.boolean(),
  railProfileId: profileId,
  cornerPlates: z.boolean().default(false),
  /** a sleeve round each bolt in an empty tube */
  sleeves: z.boolean().default(false),
  fairing: z.boolean(),
  fairingHeightMm: mm(50, 600),
  build: z.enum(['bolted', 'welded']),
  finish: z.enum(['raw', 'painted', 'powder']),
})
export type CrossbarParams = z.infer<typeof CrossbarParams>

/** What a rack begins with before anyone chose anything but where it stands: the shop's most usual one. */
export const plainRack: Omit<CrossbarParams, 'mountId' | 'barXMm'> = {
  profileId: 'square-40x3-al6063t6',
  overhangMm: 80,
  footHeightMm: 90,
  bracketInsetMm: 0,
  bracketThicknessMm: 5,
  bracketWidthMm: 60,
  bracketBolts: 'one',
  bracketFootPadMm: 60,
  bracketBarPadMm: 60,
  equalBars: false,
  backingMm: 80,
  sideRails: false,
  railProfileId: 'round-25x2-al6061t6',
  cornerPlates: false,
  sleeves: false,
  fairing: false,
  fairingHeightMm: 150,
  build: 'bolted',
  finish: 'powder',
}
