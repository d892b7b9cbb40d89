import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { InsideSchema, InsideThingSchema } from './inside'
import { stow, whatFrees } from './stow'

const bikes = z.number().int().min(0).max(8)

export const insideRowCalculator = calculator({
  name: 'inside-row',
  title: 'Bicycles and boxes side by side',
  about: 'The least width that bicycles, reversed and staggered, and boxes beside them take of a floor, and what a change would free.',
  formula: 'w = max(y + reach); yⱼ − yᵢ ≥ reachᵢ + reachⱼ + gap wherever they meet in length and height',
  source: 'geometry; branch and bound over both ways round and seven places along the room',
  input: z.object({
    lengthMm: positive('Clear length of the floor', 'mm', 10_000),
    widthMm: positive('Clear width of the floor', 'mm', 4000),
    gapMm: zero('Gap between all', 'mm', 500).default(30),
    bicycles: bikes.meta({ title: 'Bicycles' }),
    bicycleMm: positive('A bicycle, length', 'mm', 2600).default(1800),
    barsMm: positive('Over its handlebars', 'mm', 1200).default(700),
    barsBehindMm: positive('Handlebars behind its front end', 'mm', 2000).default(500),
    barsHighMm: positive('Handlebars above the floor', 'mm', 1600).default(950),
    pedalsMm: positive('Over its pedals', 'mm', 600).default(360),
    pedalsBehindMm: positive('Pedals behind its front end', 'mm', 2000).default(800),
    boxes: z
      .array(z.object({ lengthMm: positive('Length'), widthMm: positive('Width'), heightMm: positive('Height') }))
      .max(6)
      .default([]),
  }),
  output: z.object({
    takesMm: number,
    leftMm: number,
    fits: z.boolean(),
    proven: z.boolean(),
    places: z.array(z.object({ what: z.string(), middleMm: number, fromFrontMm: number, reversed: z.boolean() })),
    frees: z.array(z.object({ change: z.string(), freesMm: number })),
  }),
  example: { lengthMm: 2400, widthMm: 1700, bicycles: 4, boxes: [{ lengthMm: 600, widthMm: 400, heightMm: 320 }] },
  run: (v) => {
    const things = [
      ...Array.from({ length: v.bicycles }, (_, i) =>
        InsideThingSchema.parse({
          ...{
            id: `b${i}`,
            name: `bicycle ${i + 1}`,
            kind: 'bicycle',
            lengthMm: v.bicycleMm,
            widthMm: v.barsMm,
            heightMm: v.barsHighMm + 80,
          },
          ...{ barBehindMm: v.barsBehindMm, barHeightMm: v.barsHighMm, pedalsWideMm: v.pedalsMm, pedalsBehindMm: v.pedalsBehindMm },
        }),
      ),
      ...v.boxes.map((b, i) => InsideThingSchema.parse({ id: `x${i}`, name: `box ${i + 1}`, kind: 'box', ...b })),
    ]
    if (!things.length) throw new Impossible('nothing rides along: enter a bicycle or a box')
    const high = Math.max(...things.map((t) => t.heightMm ?? 0))
    const r = InsideSchema.parse({
      lengthMm: v.lengthMm,
      widthMm: v.widthMm,
      heightMm: Math.min(5000, high),
      archWidthMm: 0,
      gapMm: v.gapMm,
      things,
    })
    const found = stow(r)
    if (!found) throw new Impossible('one of them is longer than the floor: turn it, take a wheel off, or measure the floor again')
    return {
      takesMm: found.widthMm,
      leftMm: found.leftMm,
      fits: found.fits,
      proven: found.proven,
      places: found.things.map((t) => ({
        what: t.name,
        middleMm: t.place?.yMm ?? 0,
        fromFrontMm: t.place?.xMm ?? 0,
        reversed: t.place?.deg === 180,
      })),
      frees: whatFrees(r, found).map((f) => ({ change: f.says, freesMm: f.freesMm })),
    }
  },
})
