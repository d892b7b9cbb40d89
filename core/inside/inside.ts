import { z } from 'zod'

const mm = (most = 20_000) => z.number().min(0).max(most).nullable().default(null)

/** Something that rides inside: a box, or a bicycle with its handlebars and pedals. mm; null = nobody measured it */
export const InsideThingSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().max(80),
  kind: z.enum(['box', 'bicycle']),
  lengthMm: mm(10_000),
  /** of a bicycle: across the handlebars */
  widthMm: mm(5000),
  heightMm: mm(5000),
  /** of a bicycle: the middle of the handlebars behind its front end, and above the floor */
  barBehindMm: mm(5000),
  barHeightMm: mm(3000),
  /** of a bicycle: across the pedals, and their axle behind the front end */
  pedalsWideMm: mm(1000),
  pedalsBehindMm: mm(5000),
  /** its mass with what is in it; what may stand on a box, all together. kg; null = nobody knows */
  massKg: z.number().min(0).max(5000).nullable().default(null),
  bearsKg: z.number().min(0).max(5000).nullable().default(null),
  /** the handlebars are turned along the frame */
  barsTurned: z.boolean().default(false),
  /** its front end's place from the front wall, its middle from the left wall, its underside above the floor (left out = on it), and how it is turned: 0 = front to the front; null = not stowed yet */
  place: z
    .object({
      xMm: z.number().min(-5000).max(20_000),
      yMm: z.number().min(-5000).max(20_000),
      zMm: z.number().min(0).max(5000).optional(),
      deg: z.union([z.literal(0), z.literal(90), z.literal(180), z.literal(270)]),
    })
    .nullable()
    .default(null),
})
export type InsideThing = z.infer<typeof InsideThingSchema>
export type InsidePlace = NonNullable<InsideThing['place']>
/** How high its underside is above the floor. mm */
export const heightOf = (p: InsidePlace): number => p.zMm ?? 0

/** What of every bicycle is taken to be alike: nobody measures it on each. The shop's own, to be set where they are wider. mm */
export const BicycleSchema = z.object({
  /** a frame with its tyres, across */
  frameMm: z.number().min(20).max(400).default(65),
  /** handlebars with grips and levers: along the bicycle, and up and down from their middle */
  barsAlongMm: z.number().min(20).max(600).default(160),
  barsUpMm: z.number().min(0).max(500).default(80),
  barsDownMm: z.number().min(0).max(500).default(120),
  /** turned along the frame they are this wide: stem and levers */
  barsTurnedMm: z.number().min(20).max(600).default(220),
  /** a crank of 172 with half of a pedal of 100 before it; their axle above the floor */
  pedalsReachMm: z.number().min(50).max(400).default(222),
  axleMm: z.number().min(100).max(500).default(290),
})
export type BicycleTaken = z.infer<typeof BicycleSchema>

export const MOST_THINGS = 30
/** The room inside as it is measured: clear floor, clear height, the wheel arches (both alike), and what is to stay free. mm */
export const InsideSchema = z.object({
  lengthMm: mm(),
  widthMm: mm(5000),
  heightMm: mm(5000),
  /** nobody measured = not assessed; a width of 0 = there are none */
  archFromMm: mm(),
  archLengthMm: mm(5000),
  archWidthMm: mm(1000),
  archHeightMm: mm(2000),
  /** a door in a side wall, clear: where it begins from the front, how long and how high it is */
  doorSide: z.enum(['none', 'left', 'right']).default('none'),
  doorFromMm: mm(),
  doorLengthMm: mm(5000),
  doorHeightMm: mm(5000),
  /** between things, and to the walls */
  gapMm: z.number().min(0).max(500).default(30),
  /** a way along it that is to stay free; 0 = none is wanted */
  aisleMm: z.number().min(0).max(3000).default(0),
  bicycle: BicycleSchema.default(() => BicycleSchema.parse({})),
  things: z.array(InsideThingSchema).max(MOST_THINGS, `${MOST_THINGS} things at most`).default([]),
})
export type Inside = z.infer<typeof InsideSchema>

/** What of a thing or of the room nobody measured, in words. */
export function lacksOf(t: InsideThing): string[] {
  const fields: [keyof InsideThing, string][] = [
    ['lengthMm', 'length'],
    ['widthMm', t.kind === 'bicycle' ? 'width over the handlebars' : 'width'],
    ['heightMm', 'height'],
    ...(t.kind === 'bicycle'
      ? ([
          ['barBehindMm', 'handlebars behind the front end'],
          ['barHeightMm', 'height of the handlebars'],
          ['pedalsWideMm', 'width over the pedals'],
          ['pedalsBehindMm', 'pedals behind the front end'],
        ] as [keyof InsideThing, string][])
      : []),
  ]
  return fields.flatMap(([k, says]) => (t[k] === null ? [`${says} of ${t.name || 'a thing'}`] : []))
}
export function roomLacks(r: Inside): string[] {
  const base: [keyof Inside, string][] = [
    ['lengthMm', 'clear length of the floor'],
    ['widthMm', 'clear width of the floor'],
    ['heightMm', 'clear height'],
    ['archWidthMm', 'width of the wheel arches (0 = none)'],
    ...(r.archWidthMm === 0
      ? []
      : ([
          ['archFromMm', 'where the wheel arches begin'],
          ['archLengthMm', 'length of the wheel arches'],
          ['archHeightMm', 'height of the wheel arches'],
        ] as [keyof Inside, string][])),
  ]
  return base.flatMap(([k, says]) => (r[k] === null ? [says] : []))
}

/** Stands wherever something rides inside. */
export const INSIDE_CAUTION = 'Every load inside is strapped against a crash, and the people’s space kept apart; ask your local rules.'
