import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { any, number, zero } from '../calculator/fields'
import { combinedTolerance } from '../measure/readings'

export const leaveLongCalculator = calculator({
  name: 'leave-long',
  title: 'How much to leave a part long',
  about:
    'What the errors of several readings make of one part, which reading counts most, and how much longer to cut it so that it can be trimmed at the fit.',
  formula: 'worst = Σ |kᵢ·tᵢ|; likely = √Σ (kᵢ·tᵢ)²',
  source: 'JCGM 100:2008 (GUM), 5.1, for independent errors; the sum of all as the worst case',
  input: z.object({
    readings: z
      .array(
        z.object({
          name: z.string().min(1).max(80).meta({ title: 'Reading' }),
          toleranceMm: zero('May be off by, plus or minus', 'mm', 1000),
          moves: any('The part grows by so much a millimetre of it', '', 100).default(1),
        }),
      )
      .min(1, 'enter one reading at least')
      .max(40),
    madeMm: zero('The part as made may be off by', 'mm', 50).default(1),
  }),
  output: z.object({
    worstMm: number,
    likelyMm: number,
    leaveLongMm: number,
    ranked: z.array(z.object({ name: z.string(), partMm: number, sharePercent: number })),
  }),
  example: {
    readings: [
      { name: 'Half width at the rear', toleranceMm: 3, moves: 1.2 },
      { name: 'Half width at the front', toleranceMm: 3, moves: 0.8 },
    ],
    madeMm: 1,
  },
  run: ({ readings, madeMm }) => {
    const parts = readings.map((r) => ({ name: r.name, partMm: Math.abs(r.moves * r.toleranceMm) }))
    const { worst, likely } = combinedTolerance([...parts.map((p) => p.partMm), madeMm])
    const all = parts.reduce((s, p) => s + p.partMm ** 2, 0)
    return {
      worstMm: worst,
      likelyMm: likely,
      leaveLongMm: Math.ceil(worst - 1e-6),
      ranked: parts
        .map((p) => ({ ...p, sharePercent: all > 0 ? (100 * p.partMm ** 2) / all : 0 }))
        .sort((a, b) => b.partMm - a.partMm || (a.name < b.name ? -1 : 1)),
    }
  },
})
