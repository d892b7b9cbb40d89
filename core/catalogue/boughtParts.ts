import { z } from 'zod'

export const partKinds = ['foot', 'slide', 'strut', 'washer', 'insert', 'hinge', 'latch', 'other'] as const

const mm = z.number().min(0).max(5000).nullable().default(null)
/** A part the shop buys, as measured or as its sheet says. What nobody knows is null. Hole places from the part's own lower left corner. */
export const BoughtPartSchema = z.object({
  id: z.string().min(1).max(60),
  number: z.string().max(60).default(''),
  name: z.string().min(1, 'give the part a name').max(120),
  kind: z.enum(partKinds),
  heightMm: mm,
  lengthMm: mm,
  widthMm: mm,
  boreMm: mm,
  holes: z
    .array(
      z.object({ xMm: z.number().min(-5000).max(5000), yMm: z.number().min(-5000).max(5000), diameterMm: z.number().min(0.5).max(200) }),
    )
    .max(60)
    .default([]),
  /** of a strut or slide: how far it runs */
  strokeMm: mm,
  forceN: z.number().min(0).max(50_000).nullable().default(null),
  massKg: z.number().min(0).max(200).nullable().default(null),
  priceMinor: z.number().int().min(0).max(10_000_000).nullable().default(null),
  source: z.string().max(200).default(''),
})
export type BoughtPart = z.infer<typeof BoughtPartSchema>
export const PartsSchema = z.array(BoughtPartSchema).max(1000)

const part = (id: string, number: string, name: string, kind: BoughtPart['kind'], rest: Partial<BoughtPart>): BoughtPart =>
  BoughtPartSchema.parse({ id, number, name, kind, source: 'measured in the shop', ...rest })
const square = (a: number, b: number, diameterMm: number, inset = 12) =>
  [inset, b - inset].flatMap((yMm) => [inset, a - inset].map((xMm) => ({ xMm, yMm, diameterMm })))

/** Generic parts with numbers of our own. Dimensions are what the shop measured on the part, not what a catalogue rounds to. */
export const demoParts: BoughtPart[] = [
  part('foot-low', 'SQ-F070', 'Foot, low casting', 'foot', {
    heightMm: 70.5,
    lengthMm: 80,
    widthMm: 46,
    holes: square(80, 46, 9),
    massKg: 0.62,
    priceMinor: 2400,
  }),
  part('foot-mid', 'SQ-F090', 'Foot, middle casting', 'foot', {
    heightMm: 90.5,
    lengthMm: 80,
    widthMm: 46,
    holes: square(80, 46, 9),
    massKg: 0.74,
    priceMinor: 2600,
  }),
  part('foot-tall', 'SQ-F140', 'Foot, tall casting', 'foot', {
    heightMm: 141,
    lengthMm: 80,
    widthMm: 46,
    holes: square(80, 46, 9),
    massKg: 1.02,
    priceMinor: 3200,
  }),
  part('slide-700', 'SQ-S700', 'Drawer slide 700, full travel, a pair', 'slide', {
    lengthMm: 711,
    heightMm: 76,
    widthMm: 19,
    holes: [35, 163, 355, 547, 675].map((xMm) => ({ xMm, yMm: 38, diameterMm: 6.5 })),
    massKg: 4.6,
    priceMinor: 8900,
  }),
  part('strut-150', 'SQ-G150', 'Gas strut 150 N, 355 long', 'strut', {
    lengthMm: 355,
    strokeMm: 130,
    boreMm: 6,
    forceN: 150,
    massKg: 0.2,
    priceMinor: 1400,
  }),
  part('strut-300', 'SQ-G300', 'Gas strut 300 N, 405 long', 'strut', {
    lengthMm: 405,
    strokeMm: 150,
    boreMm: 8,
    forceN: 300,
    massKg: 0.3,
    priceMinor: 1700,
  }),
  part('strut-650', 'SQ-G650', 'Gas strut 650 N, 500 long', 'strut', {
    lengthMm: 502,
    strokeMm: 200,
    boreMm: 8,
    forceN: 650,
    massKg: 0.4,
    priceMinor: 2100,
  }),
  part('washer-m8-30', 'SQ-W830', 'Repair washer M8 × 30', 'washer', {
    boreMm: 8.6,
    widthMm: 30,
    heightMm: 1.5,
    massKg: 0.008,
    priceMinor: 25,
  }),
  part('insert-m8', 'SQ-N8', 'Rivet nut M8, steel', 'insert', {
    boreMm: 11.1,
    lengthMm: 18.5,
    massKg: 0.011,
    priceMinor: 60,
    source: 'maker’s sheet',
  }),
  part('latch-slam', 'SQ-L20', 'Slam latch, unmeasured', 'latch', { source: 'came without a sheet' }),
]
