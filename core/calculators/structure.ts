import { z } from 'zod'
import { backingPlateChecks, backingPlateHoldsN } from '../fasten/backingPlate'
import { boltGradeNames, boltPreload, boltShear, boltSizeNames, boltTension, boltTogether } from '../fasten/bolt'
import { bracketBending, bracketFixes, bracketKinds } from '../fasten/bracket'
import { fillerNames, fillers, filletWeldStress } from '../fasten/filletWeld'
import { continuousBeam } from '../structure/beam'
import { FrameInput, frameExample, solveFrame } from '../structure/frameInput'
import { bracedGivesMm, gussetedGivesMm, postGivesMm } from '../structure/stiffness'
import { calculator } from './calculator'

const number = z.number()
const triple = z.tuple([number, number, number])
const positive = (title: string, unit = 'mm', most = 1e6) => z.number().positive('must be more than 0').max(most).meta({ title, unit })
const any = (title: string, unit = 'N', most = 1e9) => z.number().min(-most).max(most).default(0).meta({ title, unit })
const safety = z.number().min(1).max(5).default(1.67).meta({ title: 'Safety factor on yield' })
const loadFactor = z.number().min(1).max(3).default(1.5).meta({ title: 'Load factor' })

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

const bolt = calculator({
  name: 'bolt',
  title: 'Bolt',
  about: 'What one bolt takes in tension and in shear, both together, and the preload and torque to fit it with.',
  formula: 'Ft = 0.9·fu·As/(γM2·γQ); Fv = αv·fu·As/(γM2·γQ); F = 0.75·Sp·As; T = K·F·d',
  source: 'EN 1993-1-8, table 3.4; ISO 898-1; ISO 3506-1; SAE J429; Shigley, 10th ed., 8-7 to 8-9',
  input: z.object({
    size: z.enum(boltSizeNames).meta({ title: 'Size' }),
    grade: z.enum(boltGradeNames).meta({ title: 'Grade' }),
    tensionN: z.number().min(0).max(1e6).default(0).meta({ title: 'Pull on it', unit: 'N' }),
    shearN: z.number().min(0).max(1e6).default(0).meta({ title: 'Shear on it', unit: 'N' }),
    oiled: z.boolean().default(false).meta({ title: 'Threads oiled' }),
    loadFactor,
  }),
  output: z.object({ mayTensionN: number, mayShearN: number, used: number, preloadN: number, torqueNm: number, say: z.string() }),
  example: { size: 'M8', grade: '8.8', tensionN: 3000, shearN: 2000 },
  run: (v) => {
    const mayTensionN = boltTension(v.size, v.grade, v.loadFactor).value ?? 0
    const mayShearN = boltShear(v.size, v.grade, v.loadFactor).value ?? 0
    const used = boltTogether(v.tensionN, v.shearN, mayTensionN, mayShearN)
    const stainless = v.grade.startsWith('A')
    return {
      mayTensionN,
      mayShearN,
      used,
      ...boltPreload(v.size, v.grade, v.oiled),
      say: `${used <= 1 ? 'within' : 'over'} what it takes${stainless ? '; stainless threads gall: use a paste and a slow wrench' : ''}`,
    }
  },
})

const weld = calculator({
  name: 'fillet-weld',
  title: 'Fillet weld',
  about:
    'Greatest stress in the throat of a group of straight runs under forces and moments at its centroid, and how much of what the filler takes that is.',
  formula: 'τ = √(fx² + fy² + fz²)/a, f = F/L ± M·c/I, a = leg/√2',
  source: 'Shigley, 10th ed., 9-2 to 9-4; AISC 360-16, J2.4; Aluminum Design Manual',
  input: z
    .object({
      lines: z
        .array(z.object({ x1: any('x1', 'mm', 1e4), y1: any('y1', 'mm', 1e4), x2: any('x2', 'mm', 1e4), y2: any('y2', 'mm', 1e4) }))
        .min(1)
        .max(40),
      legMm: positive('Leg', 'mm', 50),
      filler: z.enum(fillerNames).meta({ title: 'Filler' }),
      fx: any('Force along x'),
      fy: any('Force along y'),
      fz: any('Force out of the plane'),
      mx: any('Moment about x', 'N·mm'),
      my: any('Moment about y', 'N·mm'),
      mz: any('Twist in the plane', 'N·mm'),
    })
    .superRefine((v, ctx) => {
      v.lines.forEach((l, i) => {
        if (Math.hypot(l.x2 - l.x1, l.y2 - l.y1) < 1)
          ctx.addIssue({ code: 'custom', path: ['lines', i], message: 'a run of no length welds nothing: move one end' })
      })
      const flat = v.lines.every((l) => l.y1 === v.lines[0].y1 && l.y2 === v.lines[0].y1)
      const upright = v.lines.every((l) => l.x1 === v.lines[0].x1 && l.x2 === v.lines[0].x1)
      if ((flat && v.mx !== 0) || (upright && v.my !== 0))
        ctx.addIssue({ code: 'custom', path: ['lines'], message: 'runs on one line cannot hold a moment about it: weld a second side' })
    }),
  output: z.object({ throatMm: number, lengthMm: number, stressMPa: number, atX: number, atY: number, allowedMPa: number, used: number }),
  example: {
    lines: [
      { x1: -20, y1: -15, x2: 20, y2: -15 },
      { x1: -20, y1: 15, x2: 20, y2: 15 },
    ],
    legMm: 4,
    filler: 'steel, 70 ksi electrode',
    fz: 2000,
    mx: 40_000,
  },
  run: ({ lines, legMm, filler, ...load }) => {
    const r = filletWeldStress(lines, legMm, load)
    const { allowedMPa } = fillers[filler]
    return { ...r, allowedMPa, used: r.stressMPa / allowedMPa }
  },
})

const plate = calculator({
  name: 'backing-plate',
  title: 'Backing plate on thin skin',
  about:
    'A square plate under thin sheet pulled upwards: tearing round it, the skin bending beside it, the plate bending over its washer; the pull it holds, and what a larger plate would.',
  formula: 'τ = P/(4·s·t); σ = 6·M/t², M = (P/4π)·[2a²/(a² − b²)·ln(a/b) − 1]',
  source: 'AISC 360-16, J4.2; Timoshenko, Strength of Materials II, art. 23; Roark, 8th ed., table 11.2',
  input: z
    .object({
      pullN: positive('Pull', 'N'),
      plateAcrossMm: positive('Plate, across', 'mm', 1000),
      plateThicknessMm: positive('Plate, thickness', 'mm', 50),
      plateYieldMPa: positive('Plate, yield', 'MPa', 2000),
      washerMm: positive('Washer across', 'mm', 200),
      skinThicknessMm: positive('Skin, thickness', 'mm', 20),
      skinYieldMPa: positive('Skin, yield', 'MPa', 2000),
      panelRadiusMm: positive('From the bolt to the nearest rib or seam', 'mm', 2000),
      safety,
    })
    .refine((v) => v.panelRadiusMm > v.plateAcrossMm / 2, {
      path: ['panelRadiusMm'],
      message: 'the plate reaches over the rib: then the rib holds it, not the skin; use a smaller plate or a check of the rib',
    }),
  output: z.object({
    checks: z.array(z.object({ name: z.string(), stressMPa: number, allowedMPa: number, used: number })),
    holdsN: number,
    largerPlates: z.array(z.object({ acrossMm: number, holdsN: number })),
    doubledSkinHoldsN: number,
  }),
  example: {
    pullN: 400,
    plateAcrossMm: 80,
    plateThicknessMm: 4,
    plateYieldMPa: 235,
    washerMm: 24,
    skinThicknessMm: 0.9,
    skinYieldMPa: 140,
    panelRadiusMm: 180,
  },
  run: (v) => ({
    checks: backingPlateChecks(v).map(({ name, stressMPa, allowedMPa, used }) => ({ name, stressMPa, allowedMPa, used })),
    holdsN: backingPlateHoldsN(v),
    doubledSkinHoldsN: backingPlateHoldsN({ ...v, skinThicknessMm: 2 * v.skinThicknessMm }),
    largerPlates: [1.25, 1.5, 2]
      .map((k) => Math.round(v.plateAcrossMm * k))
      .filter((acrossMm) => acrossMm / 2 < v.panelRadiusMm)
      .map((acrossMm) => ({ acrossMm, holdsN: backingPlateHoldsN({ ...v, plateAcrossMm: acrossMm }) })),
  }),
})

const bracket = calculator({
  name: 'bracket',
  title: 'Bracket',
  about:
    'Bending of a lift bracket with two bends, an L foot or a folded channel leg, how much it gives (twice the reach, eight times the give), and what would bring it under its line.',
  formula: 'σ = M/W, M = F·e (half of it with both ends held); δ = F·e³/3EI',
  source: 'Gere & Goodno, Mechanics of Materials, 8th ed., 5.5 and table G-1',
  input: z.object({
    kind: z.enum(bracketKinds).meta({ title: 'Kind' }),
    forceN: positive('Force on it', 'N'),
    reachMm: positive('Reach: from the held bend to the force', 'mm', 1000),
    widthMm: positive('Width', 'mm', 1000),
    thicknessMm: positive('Thickness', 'mm', 50),
    sidesMm: z.number().min(0).max(300).default(0).meta({ title: 'Folded sides, height (channel)', unit: 'mm' }),
    bothEndsHeld: z.boolean().default(false).meta({ title: 'Both ends held flat by two bolts' }),
    elasticMPa: positive('Elastic modulus', 'MPa').default(210_000),
    yieldMPa: positive('Yield', 'MPa', 2000),
    safety,
  }),
  output: z.object({
    momentNmm: number,
    modulusMm3: number,
    stressMPa: number,
    allowedMPa: number,
    used: number,
    bendsByMm: number,
    holdsN: number,
    fixes: z.array(z.object({ what: z.string(), used: number })),
  }),
  example: { kind: 'Z', forceN: 900, reachMm: 45, widthMm: 60, thicknessMm: 5, yieldMPa: 235 },
  run: ({ forceN, ...b }) => ({ ...bracketBending(b, forceN), fixes: bracketFixes(b, forceN) }),
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

export const structureCalculators = [frame, beam, stiffness, bolt, weld, plate, bracket]
