import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number } from '../calculator/fields'

const kg = (label: string) => z.number().min(0).max(100_000).meta({ title: label, unit: 'kg' })

export const roofLoadCalculator = calculator({
  name: 'roof-load',
  title: 'Roof load',
  about:
    'What the roof may still carry after the rack itself and what is on it, moving and parked. A missing limit leaves the answer open.',
  formula: 'left = limit − rack − Σ carried',
  source: 'vehicle maker’s roof limits; sum of masses',
  input: z.object({
    roofMovingKg: kg('Roof limit, moving').nullable(),
    roofParkedKg: kg('Roof limit, parked').nullable(),
    rackKg: kg('Rack itself'),
    carriedKg: z
      .array(z.object({ name: z.string().max(120), massKg: kg('Mass').nullable(), counts: z.enum(['driving', 'parked', 'both']) }))
      .max(200),
  }),
  output: z.object({
    movingKg: number.nullable(),
    movingLeftKg: number.nullable(),
    parkedKg: number.nullable(),
    parkedLeftKg: number.nullable(),
    verdict: z.string(),
    missing: z.array(z.string()),
  }),
  example: {
    roofMovingKg: 150,
    roofParkedKg: 300,
    rackKg: 16.4,
    carriedKg: [
      { name: 'case', massKg: 42, counts: 'driving' },
      { name: 'awning', massKg: 31, counts: 'both' },
      { name: 'sleepers', massKg: 180, counts: 'parked' },
    ],
  },
  run: (v) => {
    const sum = (when: 'driving' | 'parked') => {
      const rows = v.carriedKg.filter((c) => c.counts === 'both' || c.counts === when)
      return rows.some((c) => c.massKg === null) ? null : rows.reduce((s, c) => s + (c.massKg ?? 0), v.rackKg)
    }
    const [movingKg, parkedKg] = [sum('driving'), sum('parked')]
    const left = (limit: number | null, used: number | null) => (limit === null || used === null ? null : limit - used)
    const [movingLeftKg, parkedLeftKg] = [left(v.roofMovingKg, movingKg), left(v.roofParkedKg, parkedKg)]
    const missing = [
      ...(v.roofMovingKg === null ? ['Roof limit, moving'] : []),
      ...(v.roofParkedKg === null ? ['Roof limit, parked'] : []),
      ...v.carriedKg.filter((c) => c.massKg === null).map((c) => `mass of ${c.name}`),
    ]
    const verdict =
      (movingLeftKg ?? 0) < 0 || (parkedLeftKg ?? 0) < 0 ? 'over' : missing.length ? 'not assessed' : 'within the limits given'
    return { movingKg, movingLeftKg, parkedKg, parkedLeftKg, verdict, missing }
  },
})
