import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { cutRun } from './cutRun'

const mm = z.number().min(-20_000).max(20_000)
const point = z.object({ x: mm, y: mm })
const place = z.object({ x: number, y: number })

export const cutRunCalculator = calculator({
  name: 'cut-run',
  title: 'Order, leads and time on the cutting table',
  about:
    'In which order a table cuts the parts of a sheet: what is inside before edges, the next one clear of the last ones for the heat; where it pierces, and what would be spoilt.',
  formula: 'T = L/f + n·p + Lt/ft',
  source: 'arithmetic; order, leads and spread by the shop’s own rules; side of the square cut by the table’s maker',
  input: z.object({
    lengthMm: positive('Sheet, long'),
    widthMm: positive('Sheet, wide'),
    parts: z
      .array(
        z.object({
          mark: z.string().min(1).max(40),
          outline: z.array(point).min(3, 'three corners at least').max(2000),
          holes: z
            .array(z.object({ at: point, diameterMm: z.number().positive('must be more than 0').max(5000) }))
            .max(500)
            .default([]),
        }),
      )
      .min(1, 'one part at least')
      .max(200)
      .meta({ title: 'Parts as they lie' }),
    kerfMm: positive('Kerf', 'mm', 10),
    leadMm: positive('Lead-in', 'mm', 100).default(6),
    spreadMm: zero('Next cut from the last ones', 'mm', 2000).default(200),
    square: z.enum(['right', 'left']).default('right').meta({ title: 'Cuts square, of its travel' }),
    feedMmMin: positive('Feed', 'mm/min', 100_000),
    pierceS: zero('Seconds a pierce', 's', 60).default(0.5),
    rapidMmMin: positive('Moves between cuts', 'mm/min', 200_000).default(8000),
  }),
  output: z.object({
    seconds: number,
    cutMm: number,
    travelMm: number,
    cuts: z.array(z.object({ mark: z.string(), what: z.enum(['hole', 'edge']), pierce: place, lengthMm: number })),
    spots: z.array(z.object({ mark: z.string(), at: place, says: z.string() })),
  }),
  example: {
    lengthMm: 1000,
    widthMm: 500,
    parts: [
      {
        mark: 'A',
        outline: [
          { x: 20, y: 20 },
          { x: 220, y: 20 },
          { x: 220, y: 120 },
          { x: 20, y: 120 },
        ],
        holes: [{ at: { x: 60, y: 70 }, diameterMm: 18 }],
      },
      {
        mark: 'B',
        outline: [
          { x: 240, y: 20 },
          { x: 340, y: 20 },
          { x: 240, y: 120 },
        ],
        holes: [],
      },
    ],
    kerfMm: 1.5,
    feedMmMin: 2100,
  },
  run: ({ lengthMm, widthMm, parts, ...cut }) => {
    const { passes, spots, seconds, cutMm, travelMm } = cutRun({ width: lengthMm, height: widthMm }, parts, cut)
    return {
      ...{ seconds, cutMm, travelMm },
      cuts: passes.map(({ mark, what, pierce, lengthMm: long }) => ({ mark, what, pierce, lengthMm: long })),
      spots: spots.map((s) => ({ ...s, says: s.says.replace(/\{(?:g )?([^}]*)\}/g, '$1 mm') })),
    }
  },
})
