import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { oneDegree, sawSettings, solveTrapezoid } from './trapezoid'

const mm = (title: string) => z.number().min(1, 'must be 1 mm or more').max(20_000).nullable().default(null).meta({ title, unit: 'mm' })
const number = z.number()

export const trapezoidCalculator = calculator({
  name: 'trapezoid',
  title: 'Leaning legs under a bar',
  about:
    'Any three of base, top, height, leg and lean give the rest, the saw settings for both ends, what one degree changes, and how far inside or outside a rail the legs land.',
  formula: '(b − t)/2 = l·sin θ; h = l·cos θ; mitre = (90° − θ)/2',
  source: 'trigonometry',
  input: z.object({
    baseMm: mm('Base, leg to leg'),
    topMm: mm('Top'),
    heightMm: mm('Height'),
    legMm: mm('Leg'),
    leanDeg: z.number().min(-80).max(80).nullable().default(null).meta({ title: 'Lean off upright, inward', unit: '°' }),
    widthMm: z.number().min(1).max(500).default(40).meta({ title: 'Width of the tube in the plane of the cut', unit: 'mm' }),
    railMm: mm('Rail to rail that the legs stand on'),
  }),
  output: z.object({
    baseMm: number,
    topMm: number,
    heightMm: number,
    legMm: number,
    leanDeg: number,
    saw: z.array(z.object({ part: z.string(), offSquareDeg: number, cuts: z.string(), longMm: number, shortMm: number })),
    topInMm: number,
    sinksMm: number,
    insideRailMm: number.nullable(),
  }),
  example: { baseMm: 1454, topMm: null, heightMm: 612, legMm: null, leanDeg: 4.9, widthMm: 40, railMm: 1510 },
  run: ({ widthMm, railMm, ...known }) => {
    const t = solveTrapezoid(known)
    return { ...t, saw: sawSettings(t, widthMm), ...oneDegree(t), insideRailMm: railMm === null ? null : (railMm - t.baseMm) / 2 }
  },
})
