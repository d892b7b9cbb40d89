import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { boardPlan } from './boards'

export const boardsCalculator = calculator({
  name: 'deck-boards',
  title: 'Boards of a deck',
  about: 'How many boards, their gaps from one datum, screws with spares, pilot drill, and what the deck weighs dry and wet.',
  formula: 'g = (clear − n·b)/(n − 1); d = D − 1.299·P·share',
  source: "arithmetic; ISO 68-1 (thread height); share of thread, wet wood and minutes: shop's own",
  input: z.object({
    clearMm: positive('Clear width', 'mm', 10_000),
    lengthMm: positive('Length of a board', 'mm', 10_000),
    boardMm: positive('Width of a board', 'mm', 1000),
    thickMm: positive('Thickness', 'mm', 200),
    leastGapMm: zero('Least gap', 'mm', 200).default(8),
    crossings: z.number().int().min(2).max(60).meta({ title: 'Cross members' }),
    wallMm: positive('Wall it is screwed into', 'mm', 50).default(3),
    screwMm: positive('Screw', 'mm', 12).default(5.5),
    densityKgM3: z.number().min(200).max(1500).default(520).meta({ title: 'Wood, dry', unit: 'kg/m³' }),
    wetShare: z.number().min(0).max(1).default(0.25).meta({ title: 'Heavier when wet, by' }),
    sparesPercent: zero('Spares', '%', 100).default(5),
    minutesPerScrew: zero('Minutes a screw', 'min', 30).default(0.8),
  }),
  output: z.object({
    count: number,
    gapMm: number,
    startsMm: z.array(number),
    screws: number,
    spares: number,
    pilotMm: number,
    pilotInWoodMm: number,
    threadShare: number,
    dryKg: number,
    wetKg: number,
    minutes: number,
  }),
  example: { clearMm: 1180, lengthMm: 2200, boardMm: 95, thickMm: 20, crossings: 5 },
  run: boardPlan,
})
