import { z } from 'zod'
import type { Cargo } from '../brief/cargo'
import { calculator } from '../calculator/calculator'
import { any, number, positive, zero } from '../calculator/fields'
import { newMountLine } from '../vehicle/vehicle'
import { planBars } from './spacing'

export const spacingCalculator = calculator({
  name: 'spacing',
  title: 'Crossbar spacing',
  about:
    'Where bars may stand so that each item meets its own overhang and span rule: the fewest that do, and the best place for each count.',
  formula: 'min over places of max(overhang / rule, span / rule)',
  source: 'search over fixed points, or equal spacing on a 25 mm grid',
  input: z
    .object({
      fromMm: any('Mounts from'),
      toMm: any('Mounts to'),
      pointsMm: z.array(any('Point')).max(60).nullable().default(null),
      items: z
        .array(
          z.object({
            name: z.string().min(1).max(80),
            lengthMm: positive('Length', 'mm', 20_000),
            middleMm: any('Its middle'),
            maxOverhangMm: zero('Overhang rule', 'mm', 20_000).nullable(),
            maxSpanMm: positive('Span rule', 'mm', 20_000).nullable(),
          }),
        )
        .min(1)
        .max(20),
      least: z.number().int().min(2).max(8).default(2).meta({ title: 'Fewest bars' }),
      most: z.number().int().min(2).max(8).default(8).meta({ title: 'Most bars' }),
      pitchMm: positive('Least distance between two bars', 'mm', 5000).default(80),
    })
    .refine((v) => v.toMm > v.fromMm, { path: ['toMm'], message: 'must lie forward of fromMm' })
    .refine((v) => v.most >= v.least, { path: ['most'], message: 'must be no fewer than the fewest' }),
  output: z.object({ plans: z.array(z.object({ barXMm: z.array(number), ratio: number, meetsRules: z.boolean() })), say: z.string() }),
  example: {
    fromMm: -1000,
    toMm: 2800,
    items: [
      { name: 'poles', lengthMm: 3400, middleMm: 900, maxOverhangMm: 600, maxSpanMm: 1800 },
      { name: 'case', lengthMm: 1200, middleMm: 900, maxOverhangMm: 250, maxSpanMm: 1000 },
    ],
    most: 5,
  },
  run: (v) => {
    const line = newMountLine({
      id: 'line',
      name: 'mounts',
      kind: 'track',
      fromXMm: v.fromMm,
      toXMm: v.toMm,
      halfWidthRearMm: 700,
      halfWidthFrontMm: 700,
      zMm: 1000,
      pointsXMm: v.pointsMm,
    })
    const cargo = v.items.map((i) => ({ ...i, xMm: i.middleMm, centreForwardMm: 0 }) as unknown as Cargo)
    const plans = planBars(line, cargo, { least: v.least, most: v.most }, v.pitchMm).map((p) => ({
      ...p,
      ratio: Number.isFinite(p.ratio) ? p.ratio : 99,
    }))
    const fewest = plans.find((p) => p.meetsRules)
    return {
      plans,
      say: fewest
        ? `${fewest.barXMm.length} bars are the fewest that meet every rule, at ${Math.round(fewest.ratio * 100)} % of the tightest`
        : 'no placement meets every rule: shorten an overhang with a longer run of mounts, or give one rule up with a reason',
    }
  },
})
