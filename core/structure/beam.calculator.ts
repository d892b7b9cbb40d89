import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { continuousBeam } from './beam'

export const beamCalculator = calculator({
  name: 'beam',
  title: 'Beam on several supports',
  about:
    'Reactions, greatest bending, stress and sag of a straight bar over two supports or more, firm or springy, its ends free past them.',
  formula: 'K·u = f in one plane; σ = M / W',
  source: 'Gere & Goodno, Mechanics of Materials, 8th ed., ch. 10 (continuous beams)',
  input: z
    .object({
      lengthMm: positive('Length', 'mm', 20_000),
      supportsMm: z.array(z.number().min(0).max(20_000)).min(1).max(20).meta({ title: 'Supports, from its first end', unit: 'mm' }),
      supportNmm: z
        .number()
        .positive()
        .max(1e7)
        .nullable()
        .default(null)
        .meta({ title: 'Support gives way by (empty = firm)', unit: 'N/mm' }),
      pointLoads: z
        .array(z.object({ atMm: z.number().min(0).max(20_000), forceN: z.number().min(-1e6).max(1e6) }))
        .max(100)
        .default([]),
      spreadLoads: z
        .array(
          z.object({
            fromMm: z.number().min(0).max(20_000),
            toMm: z.number().min(0).max(20_000),
            newtonPerMm: z.number().min(-1e4).max(1e4),
          }),
        )
        .max(100)
        .default([]),
      elasticMPa: positive('Elastic modulus', 'MPa'),
      secondMomentMm4: positive('Second moment of area', 'mm⁴', 1e12),
      sectionModulusMm3: positive('Section modulus', 'mm³', 1e10),
    })
    .superRefine((v, ctx) => {
      const fault = (path: (string | number)[], message: string) => ctx.addIssue({ code: 'custom', path, message })
      v.supportsMm.forEach((x, i) => {
        if (x > v.lengthMm) fault(['supportsMm', i], `must lie on the beam, 0 to ${v.lengthMm}`)
        if (v.supportsMm.some((o, k) => k < i && Math.abs(o - x) < 1)) fault(['supportsMm', i], 'stands on another support: leave it out')
      })
      v.pointLoads.forEach((p, i) => {
        if (p.atMm > v.lengthMm) fault(['pointLoads', i, 'atMm'], `must lie on the beam, 0 to ${v.lengthMm}`)
      })
      v.spreadLoads.forEach((s, i) => {
        if (s.toMm > v.lengthMm || s.toMm <= s.fromMm)
          fault(['spreadLoads', i, 'toMm'], `must lie on the beam after fromMm, up to ${v.lengthMm}`)
      })
    }),
  output: z.object({
    reactionsN: z.array(number),
    maxMomentNmm: number,
    maxMomentAtMm: number,
    stressMPa: number,
    maxSagMm: number,
    maxSagAtMm: number,
  }),
  example: {
    lengthMm: 3000,
    supportsMm: [0, 1500, 3000],
    supportNmm: null,
    spreadLoads: [{ fromMm: 0, toMm: 3000, newtonPerMm: 0.4 }],
    elasticMPa: 210_000,
    secondMomentMm4: 97_000,
    sectionModulusMm3: 4850,
  },
  run: (v) => continuousBeam(v),
})
