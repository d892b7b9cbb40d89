import { z } from 'zod'

const finite = z.number().min(-1e9).max(1e9)
export const CrossbarStaticsInput = z
  .object({
    lengthMm: z.number().positive().max(20_000),
    supportsMm: z.tuple([finite, finite]),
    pointLoads: z
      .array(z.object({ atMm: finite, forceN: finite }))
      .max(200)
      .default([]),
    patchLoads: z
      .array(z.object({ fromMm: finite, toMm: finite, forceN: finite }))
      .max(200)
      .default([]),
    elasticMPa: z.number().positive().max(1e6),
    secondMomentMm4: z.number().positive().max(1e12),
    sectionModulusMm3: z.number().positive().max(1e10),
  })
  .superRefine((v, ctx) => {
    const [a, b] = v.supportsMm
    const inside = (x: number) => x >= -1e-6 && x <= v.lengthMm + 1e-6
    if (!(inside(a) && inside(b) && b - a > 1e-6))
      ctx.addIssue({ code: 'custom', path: ['supportsMm'], message: 'the two supports must lie on the bar, the first before the second' })
    v.pointLoads.forEach((p, i) => {
      if (!inside(p.atMm))
        ctx.addIssue({ code: 'custom', path: ['pointLoads', i, 'atMm'], message: `must lie on the bar, 0 to ${v.lengthMm}` })
    })
    v.patchLoads.forEach((p, i) => {
      if (!(inside(p.fromMm) && inside(p.toMm) && p.toMm > p.fromMm))
        ctx.addIssue({
          code: 'custom',
          path: ['patchLoads', i],
          message: `fromMm and toMm must lie on the bar, 0 to ${v.lengthMm}, the first before the second`,
        })
    })
  })
export type CrossbarStaticsInput = z.infer<typeof CrossbarStaticsInput>
export type CrossbarStatics = {
  reactionsN: [number, number]
  maxMomentNmm: number
  maxMomentAtMm: number
  stressMPa: number
  maxSagMm: number
  maxSagAtMm: number
}

/**
 * A bar on two feet with free ends past them, point and patch loads (downward positive), positions from the bar's first end.
 * Reactions by moments; bending by Macaulay's brackets; deflection from E·I·v'''' = −q integrated with brackets and
 * v = 0 at both supports (Gere & Goodno, Mechanics of Materials, 8th ed., ch. 9; Roark table 8.1). Sag downward positive.
 * `want` leaves out what a load case does not need: bending and sag cost far more than the reactions.
 * Feet support, they do not clamp: real feet clamp a little, which lowers moment and sag, the safe side.
 */
export function crossbarStatics(given: CrossbarStaticsInput, want: 'all' | 'strength' | 'reactions' = 'all'): CrossbarStatics {
  const [a, b] = given.supportsMm
  const loads = [
    ...given.pointLoads.map((p) => ({ forceN: p.forceN, middle: p.atMm })),
    ...given.patchLoads.map((p) => ({ forceN: p.forceN, middle: (p.fromMm + p.toMm) / 2 })),
  ]
  const total = loads.reduce((s, l) => s + l.forceN, 0)
  const rightN = loads.reduce((s, l) => s + l.forceN * (l.middle - a), 0) / (b - a)
  const leftN = total - rightN

  const points = [...given.pointLoads.map((p) => ({ at: p.atMm, f: p.forceN })), { at: a, f: -leftN }, { at: b, f: -rightN }]
  const patches = given.patchLoads.map((p) => ({ from: p.fromMm, to: p.toMm, q: p.forceN / (p.toMm - p.fromMm) }))
  const bracket = (x: number, n: 1 | 2 | 3 | 4) => (x <= 0 ? 0 : n === 1 ? x : n === 2 ? x * x : n === 3 ? x * x * x : x * x * x * x)
  // hogging negative: M(x) = −Σ F⟨x−a⟩ − Σ q/2(⟨x−from⟩² − ⟨x−to⟩²)
  const moment = (x: number) =>
    -points.reduce((s, p) => s + p.f * bracket(x - p.at, 1), 0) -
    patches.reduce((s, p) => s + (p.q / 2) * (bracket(x - p.from, 2) - bracket(x - p.to, 2)), 0)
  const shear = (x: number) =>
    -points.reduce((s, p) => s + (x > p.at ? p.f : 0), 0) -
    patches.reduce((s, p) => s + p.q * (bracket(x - p.from, 1) - bracket(x - p.to, 1)), 0)
  const bent = (x: number) =>
    -points.reduce((s, p) => s + (p.f / 6) * bracket(x - p.at, 3), 0) -
    patches.reduce((s, p) => s + (p.q / 24) * (bracket(x - p.from, 4) - bracket(x - p.to, 4)), 0)
  const EI = given.elasticMPa * given.secondMomentMm4
  const slope = (bent(b) - bent(a)) / (b - a)
  const sag = (x: number) => -(bent(x) - bent(a) - slope * (x - a)) / EI

  const nothing = {
    reactionsN: [leftN, rightN] as [number, number],
    maxMomentNmm: 0,
    maxMomentAtMm: a,
    stressMPa: 0,
    maxSagMm: 0,
    maxSagAtMm: a,
  }
  if (want === 'reactions') return nothing
  const breaks = [...new Set([0, given.lengthMm, ...points.map((p) => p.at), ...patches.flatMap((p) => [p.from, p.to])])].sort(
    (x, y) => x - y,
  )
  const worst = { moment: 0, momentAt: a, sag: 0, sagAt: a }
  const tryMoment = (x: number) => {
    const m = moment(x)
    if (Math.abs(m) > Math.abs(worst.moment)) Object.assign(worst, { moment: m, momentAt: x })
  }
  breaks.slice(1).forEach((end, k) => {
    const start = breaks[k]!
    if (end - start < 1e-9) return
    tryMoment(start)
    tryMoment(end)
    const inset = Math.min(1e-6, (end - start) / 4)
    const [v0, v1] = [shear(start + inset), shear(end - inset)]
    if (v0 * v1 < 0) tryMoment(start + ((end - start) * v0) / (v0 - v1))
    if (want === 'strength') return
    for (let i = 0; i <= 24; i++) {
      const x = start + ((end - start) * i) / 24
      const s = sag(x)
      if (Math.abs(s) > Math.abs(worst.sag)) Object.assign(worst, { sag: s, sagAt: x })
    }
  })
  return {
    ...nothing,
    maxMomentNmm: worst.moment,
    maxMomentAtMm: worst.momentAt,
    stressMPa: Math.abs(worst.moment) / given.sectionModulusMm3,
    maxSagMm: worst.sag,
    maxSagAtMm: worst.sagAt,
  }
}

export const crossbarStaticsExample: z.input<typeof CrossbarStaticsInput> = {
  lengthMm: 1500,
  supportsMm: [200, 1300],
  patchLoads: [{ fromMm: 200, toMm: 1300, forceN: 490.3 }],
  elasticMPa: 210_000,
  secondMomentMm4: 21_300,
  sectionModulusMm3: 1331,
}
