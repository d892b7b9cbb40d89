import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { bracedGivesMm, gussetedGivesMm, postGivesMm } from './stiffness'

export const stiffnessCalculator = calculator({
  name: 'reach-and-flex',
  title: 'Reach and flex',
  about:
    'How far a post or arm held at its foot gives under a push at its top, how that grows with its reach, and what a gusset or a brace takes off.',
  formula: 'δ = F·L³/3EI; gusset to g: F·(L − g)³/3EI; brace at g: F·c³/3EI + F·c²·g/4EI, c = L − g',
  source: 'Gere & Goodno, Mechanics of Materials, 8th ed., table G-1 and ch. 10',
  input: z
    .object({
      forceN: positive('Push at the top', 'N'),
      reachMm: positive('Reach: foot to top', 'mm', 5000),
      elasticMPa: positive('Elastic modulus', 'MPa').default(210_000),
      secondMomentMm4: positive('Second moment of area', 'mm⁴', 1e12),
      heldToMm: z.number().min(0).max(5000).default(0).meta({ title: 'Gusset or brace reaches up to', unit: 'mm' }),
    })
    .refine((v) => v.heldToMm < v.reachMm, { path: ['heldToMm'], message: 'must end below the top: make it less than the reach' }),
  output: z.object({
    bendsByMm: number,
    withGussetMm: number,
    withBraceMm: number,
    byReach: z.array(z.object({ reachMm: number, bendsByMm: number, times: number })),
    byHeldHeight: z.array(z.object({ heldToMm: number, gussetTakesOffPercent: number, braceTakesOffPercent: number })),
  }),
  example: { forceN: 200, reachMm: 600, elasticMPa: 210_000, secondMomentMm4: 54_000, heldToMm: 150 },
  run: ({ heldToMm, ...post }) => {
    const bendsByMm = postGivesMm(post)
    const off = (withIt: number) => 100 * (1 - withIt / bendsByMm)
    return {
      bendsByMm,
      withGussetMm: gussetedGivesMm(post, heldToMm),
      withBraceMm: bracedGivesMm(post, heldToMm),
      byReach: [0.5, 0.75, 1, 1.25, 1.5, 2].map((k) => {
        const reachMm = post.reachMm * k
        const gives = postGivesMm({ ...post, reachMm })
        return { reachMm, bendsByMm: gives, times: gives / bendsByMm }
      }),
      byHeldHeight: [0.125, 0.25, 0.5, 0.75].map((k) => ({
        heldToMm: k * post.reachMm,
        gussetTakesOffPercent: off(gussetedGivesMm(post, k * post.reachMm)),
        braceTakesOffPercent: off(bracedGivesMm(post, k * post.reachMm)),
      })),
    }
  },
})
