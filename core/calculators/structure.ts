import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { continuousBeam } from '../structure/beam'
import { FrameInput, frameExample, solveFrame } from '../structure/frameInput'
import { bracedGivesMm, gussetedGivesMm, postGivesMm } from '../structure/stiffness'

const number = z.number()
const triple = z.tuple([number, number, number])
const positive = (title: string, unit = 'mm', most = 1e6) => z.number().positive('must be more than 0').max(most).meta({ title, unit })

const frame = calculator({
  name: 'frame',
  title: 'Space frame',
  about:
    'Movements, reactions and forces of any frame of straight members in space, with springs, released ends and rigid arms. A frame that moves without being loaded is refused, naming the node and how it moves.',
  formula: 'K·u = f, K = Σ Bᵀ·k·B; L·D·Lᵀ',
  source: 'Przemieniecki, Theory of Matrix Structural Analysis; McGuire, Gallagher & Ziemian, 2nd ed.',
  input: FrameInput,
  output: z.object({
    displacements: z.array(z.object({ node: z.string(), translation: triple, rotation: triple })),
    reactions: z.array(z.object({ node: z.string(), force: triple, moment: triple })),
    members: z.array(z.object({ id: z.string(), maxMoment: number, maxShear: number, axial: number })),
  }),
  example: frameExample,
  run: (given) => solveFrame(given),
})

const beam = calculator({
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

const stiffness = calculator({
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

export const structureCalculators = [frame, beam, stiffness]
