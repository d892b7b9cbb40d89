import { z } from 'zod'
import { lengthBetween as mm, anyId as profileId } from '../choices'

export const guardHolds = ['clamped under the lip', 'bolted through the rail', 'in the stake pockets'] as const
export const guardFills = ['open', 'mesh', 'slats'] as const

/** A cab guard on the rails of a bed: two base rails, two posts that lean with the cab, a top bar with lips, and what else is asked for. mm */
export const GuardParams = z.object({
  hold: z.enum(guardHolds).default('bolted through the rail'),
  /** the front of its base behind the front wall of the bed, and how far back it runs */
  frontGapMm: mm(0, 1500).default(40),
  baseMm: mm(200, 3000).default(500),
  /** how far inside the middle of the rail it lands; less than 0 = outside it */
  insideMm: mm(-60, 200).default(0),
  /** top of the rail to the top of the guard */
  heightMm: mm(200, 1800).default(700),
  /** lean of the posts inward: with the cab by its two measured offsets, or as typed */
  leanFrom: z.enum(['the cab', 'typed']).default('the cab'),
  leanDeg: z.number().min(-20).max(40).default(4),
  lipMm: mm(0, 400).default(60),
  profileId: profileId.default('square-40x3-steel'),
  baseProfileId: profileId.default('square-40x3-steel'),
  fill: z.enum(guardFills).default('mesh'),
  /** the bar under the infill, above the rail; by the window's sill where that is measured */
  sillMm: mm(60, 1200).default(160),
  gussets: z.boolean().default(true),
  gussetMm: mm(40, 200).default(80),
  lampTabs: z.number().int().min(0).max(6).default(2),
  /** rings along each base rail, behind its front end */
  ringsMm: z.array(mm(20, 3000)).max(12, 'twelve a side at most').default([]),
  ringN: z.number().min(0).max(200_000).nullable().default(null),
  ringKind: z.enum(['ring', 'hook', 'made here']).default('ring'),
  winch: z.boolean().default(false),
  winchBehindMm: mm(60, 2500).default(220),
  winchKg: z.number().min(0).max(200).nullable().default(null),
  winchN: z.number().min(0).max(500_000).nullable().default(null),
  winchPriceMinor: z.number().int().min(0).max(100_000_000).nullable().default(null),
  /** what it hauls up a ramp, how steep, and how it rolls */
  loadKg: z.number().min(0).max(20_000).nullable().default(null),
  slopeDeg: z.number().min(0).max(60).nullable().default(null),
  rolling: z.number().min(0).max(2).default(0.1),
  finish: z.enum(['raw', 'painted', 'powder']).default('powder'),
})
export type GuardParams = z.infer<typeof GuardParams>
