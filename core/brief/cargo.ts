import { z } from 'zod'
import { SecuringSchema } from './securing'

const dimension = z.number().min(1, 'must be 1 mm or more').max(20_000, 'must be 20 m or less')
/** Kinds of use a load class is agreed for. */
export const uses = ['goods', 'sheets', 'boats', 'bedding', 'people', 'plant'] as const
export type Use = (typeof uses)[number]
/** How it rests: a stiff box on its edges, a limp bundle spread over its width, or brackets of its own at its middle. */
export const restings = ['box', 'bundle', 'brackets'] as const
/** How a thing stands open while parked: to which side its floor or roof goes out past itself and how far, how high it then is, and the wind its maker lets it stand. null = nobody knows */
export const OpenAsSchema = z.object({
  to: z.enum(['left', 'right', 'front', 'rear']),
  /** 0 = it only rises */
  reachMm: z.number().min(0).max(6000).nullable(),
  highMm: z.number().min(1).max(6000).nullable(),
  windRatedKmh: z.number().min(0).max(200).nullable(),
})
export type OpenAs = z.infer<typeof OpenAsSchema>
/** One thing carried on the rack. Lengths in mm, mass in kg as a least-to-most range, null where nobody knows. */
export const CargoSchema = z.object({
  id: z.string().min(1).max(60),
  name: z.string().min(1, 'give the item a name').max(120),
  massKg: z
    .object({ least: z.number().min(0).max(5000), most: z.number().min(0).max(5000) })
    .nullable()
    .refine((m) => m === null || m.most >= m.least, 'the greatest mass is less than the least: swap them'),
  massBasis: z.enum(['weighed', 'maker', 'estimated', 'unknown']),
  lengthMm: dimension,
  widthMm: dimension,
  heightMm: dimension,
  counts: z.enum(['driving', 'parked', 'both']),
  /** the item's own rule: how far it may reach past its last support; null = no rule known */
  maxOverhangMm: z.number().min(0).max(20_000).nullable(),
  /** the item's own rule: greatest distance between two supports; null = no rule known */
  maxSpanMm: z.number().min(1).max(20_000).nullable(),
  ruleSource: z.string().max(200),
  rests: z.enum(restings).default('box'),
  /** centre of mass, forward of and to the left of the item's middle, and above its underside (null = half height) */
  centreForwardMm: z.number().min(-10_000).max(10_000).default(0),
  centreLeftMm: z.number().min(-5000).max(5000).default(0),
  centreUpMm: z.number().min(0).max(5000).nullable().default(null),
  /** share of its outline that stops the wind, from ahead and from the side: 1 = a closed box */
  stopsAir: z.number().min(0.05).max(1).default(1),
  /** somebody stands, lies or sleeps on it or in it */
  people: z.boolean().default(false),
  /** it is opened where it stands, as an awning or a tent; what wind then does to it is reckoned once somebody said how it stands open */
  opens: z.boolean().default(false),
  openAs: OpenAsSchema.optional(),
  /** what kind of use it is: one that was not agreed at intake opens the checks again */
  use: z.enum(uses).default('goods'),
  /** the supports it lies on, one or two; none = what things usually lie on */
  on: z.array(z.string().max(90)).max(2, 'two supports at most').default([]),
  /** its maker wants it on one body: it may not bridge two */
  oneBody: z.boolean().default(false),
  /** how it is held; null = nobody said yet */
  securing: SecuringSchema.nullable().default(null),
  /** where its middle stands on the vehicle: x forward of the rear axle, y left of the middle */
  xMm: z.number().min(-20_000).max(20_000),
  yMm: z.number().min(-5000).max(5000),
})
export type Cargo = z.infer<typeof CargoSchema>
export type CargoDraft = Omit<
  Cargo,
  | 'xMm'
  | 'yMm'
  | 'centreForwardMm'
  | 'centreLeftMm'
  | 'centreUpMm'
  | 'rests'
  | 'people'
  | 'opens'
  | 'openAs'
  | 'securing'
  | 'use'
  | 'on'
  | 'oneBody'
  | 'stopsAir'
> &
  Partial<Pick<Cargo, 'rests' | 'people' | 'opens' | 'openAs' | 'securing' | 'use' | 'on' | 'oneBody' | 'stopsAir'>>

export const centreOfMass = (c: Cargo, undersideMm: number) => ({
  xMm: c.xMm + c.centreForwardMm,
  yMm: c.yMm + c.centreLeftMm,
  zMm: undersideMm + (c.centreUpMm ?? c.heightMm / 2),
})
