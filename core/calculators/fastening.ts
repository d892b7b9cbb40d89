import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { boltGradeNames, boltSizeNames } from '../catalogue/bolts'
import { backingPlateChecks, backingPlateHoldsN, plateTheoryEndsN, skinSinksMm } from '../fasten/backingPlate'
import { boltPreload, boltShear, boltTension, boltTogether } from '../fasten/bolt'
import { bracketFixes, bracketKinds, bracketUnder } from '../fasten/bracket'
import { fillerNames, fillers, filletWeldStress } from '../fasten/filletWeld'
import { gripFits, rivetBearingN, thinFastenersUsed } from '../fasten/thinFasteners'
import { screwPullOutN, woodPlaceNames } from '../fasten/woodScrew'
import { Impossible } from '../issue/impossible'

const number = z.number()
const positive = (title: string, unit = 'mm', most = 1e6) => z.number().positive('must be more than 0').max(most).meta({ title, unit })
const any = (title: string, unit = 'N', most = 1e9) => z.number().min(-most).max(most).default(0).meta({ title, unit })
const safety = z.number().min(1).max(5).default(1.67).meta({ title: 'Safety factor on yield' })
const loadFactor = z.number().min(1).max(3).default(1.5).meta({ title: 'Load factor' })

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
      const flat = v.lines.every((l) => l.y1 === v.lines[0]!.y1 && l.y2 === v.lines[0]!.y1)
      const upright = v.lines.every((l) => l.x1 === v.lines[0]!.x1 && l.x2 === v.lines[0]!.x1)
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
    'A square plate on thin sheet, pulled or pressed: tearing round it, the skin bending beside it, the plate bending over its washer; the force it holds, and what a larger plate would. Where the skin moves by its own thickness the theory ends and a load test must say.',
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
      skinElasticMPa: positive('Skin, elastic modulus', 'MPa').default(68_900),
      safety,
    })
    .refine((v) => v.panelRadiusMm > v.plateAcrossMm / 2, {
      path: ['panelRadiusMm'],
      message: 'the plate reaches over the rib: then the rib holds it, not the skin; use a smaller plate or a check of the rib',
    }),
  output: z.object({
    checks: z.array(z.object({ name: z.string(), stressMPa: number, allowedMPa: number, used: number })),
    holdsN: number,
    /** how far the skin moves under the pull, and up to which pull plate theory speaks for it */
    movesMm: number,
    theoryEndsN: number,
    assessed: z.boolean(),
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
    holdsN: Math.min(backingPlateHoldsN(v), plateTheoryEndsN(v)),
    movesMm: skinSinksMm(v),
    theoryEndsN: plateTheoryEndsN(v),
    // beyond its own thickness the skin stretches like a membrane: only a load test says what it holds
    assessed: v.pullN <= plateTheoryEndsN(v),
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
  formula: 'σ = (F·e + Fy·h)/W + Fx·√(e² + h²)/Ws (half of it with both ends held); δ = F·e³/3EI',
  source: 'Gere & Goodno, Mechanics of Materials, 8th ed., 5.5 and table G-1',
  input: z.object({
    kind: z.enum(bracketKinds).meta({ title: 'Kind' }),
    forceN: positive('Force on it', 'N'),
    reachMm: positive('Reach: from the held bend to the force', 'mm', 1000),
    riseMm: z.number().min(0).max(1000).default(0).meta({ title: 'Rise: height of a step bracket', unit: 'mm' }),
    acrossN: z.number().min(0).max(1e6).default(0).meta({ title: 'Push across, on the rise', unit: 'N' }),
    alongN: z.number().min(0).max(1e6).default(0).meta({ title: 'Push along the vehicle', unit: 'N' }),
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
  run: ({ forceN, acrossN, alongN, ...b }) => ({
    ...bracketUnder(b, { downN: forceN, acrossN, alongN }),
    fixes: bracketFixes(b, { downN: forceN, acrossN, alongN }),
  }),
})

const rating = (title: string) => z.number().positive('must be more than 0').max(1e6).nullable().default(null).meta({ title, unit: 'N' })
const thin = calculator({
  name: 'rivet-and-insert',
  title: 'Rivets, rivet nuts, T-slot nuts',
  about:
    'A row of alike fasteners by their maker’s figures, pull and shear together; whether they close on the stack of sheets; and what the thinner sheet bears beside one rivet. Without the maker’s figure it is not assessed.',
  formula: 'Ft/(n·Ft,R) + Fv/(n·Fv,R) ≤ 1; Fb,R = min(α·d, e/1.2)·fu·t/γM2, α = 3.6·√(t/d) ≤ 2.1',
  source: 'EN 1993-1-3, 8.3 and table 8.1; ratings: maker of the fastener',
  input: z
    .object({
      count: z.number().int().min(1).max(200).meta({ title: 'How many' }),
      tensionN: any('Pull on all of them'),
      shearN: any('Shear on all of them'),
      mayTensionN: rating('One may be pulled by, as its maker says'),
      mayShearN: rating('One may be sheared by, as its maker says'),
      diameterMm: positive('Diameter', 'mm', 20),
      stackMm: positive('Stack of sheets', 'mm', 50),
      gripLeastMm: positive('Grip, from', 'mm', 50),
      gripMostMm: positive('Grip, to', 'mm', 50),
      thinnerSheetMm: positive('Thinner sheet', 'mm', 20),
      otherSheetMm: positive('Thicker sheet (empty = as thin)', 'mm', 50).nullable().default(null),
      sheetTensileMPa: positive('Tensile strength of it', 'MPa', 2000),
      endMm: positive('From the hole’s middle to the edge', 'mm', 500),
      loadFactor,
    })
    .refine((v) => v.otherSheetMm === null || v.otherSheetMm >= v.thinnerSheetMm, {
      path: ['otherSheetMm'],
      message: 'must not be thinner than the thinner sheet: swap them',
    })
    .refine((v) => v.gripMostMm >= v.gripLeastMm, { path: ['gripMostMm'], message: 'must not be less than where the grip begins' }),
  output: z.object({
    used: number.nullable(),
    missing: z.array(z.string()),
    closesOnStack: z.boolean(),
    sheetBearsN: number,
    shearEachN: number,
  }),
  example: {
    count: 6,
    tensionN: 900,
    shearN: 1500,
    mayTensionN: 1100,
    mayShearN: 900,
    diameterMm: 4.8,
    stackMm: 3.2,
    gripLeastMm: 1.6,
    gripMostMm: 4.8,
    thinnerSheetMm: 1.2,
    sheetTensileMPa: 360,
    endMm: 10,
  },
  run: (v) => {
    const [tensionN, shearN] = [Math.abs(v.tensionN), Math.abs(v.shearN)]
    return {
      used: thinFastenersUsed({ ...v, tensionN, shearN }),
      missing: [
        ...(tensionN > 0 && v.mayTensionN === null ? ['what one may be pulled by'] : []),
        ...(shearN > 0 && v.mayShearN === null ? ['what one may be sheared by'] : []),
      ],
      closesOnStack: gripFits(v.stackMm, v.gripLeastMm, v.gripMostMm),
      sheetBearsN: rivetBearingN({ ...v, sheetMm: v.thinnerSheetMm, otherSheetMm: v.otherSheetMm ?? v.thinnerSheetMm }),
      shearEachN: shearN / v.count,
    }
  },
})

const screw = calculator({
  name: 'wood-screw',
  title: 'Screws into ply or timber',
  about:
    'What screws in ply or timber hold against being pulled out across the grain, out of doors less than under cover. A thread shorter than six diameters does not count; the rule holds for 6 to 12 mm.',
  formula: 'F = kmod·n^0.9·f·d·l·kd / (γM·γQ), f = 0.52·d^−0.5·l^−0.1·ρ^0.8, kd = d/8 ≤ 1',
  source: 'EN 1995-1-1:2004+A1, 2.4.3, table 3.1 and 8.7.2, eq. 8.38 to 8.40; γM = 1.3',
  input: z.object({
    screws: z.number().int().min(1).max(200).meta({ title: 'How many' }),
    diameterMm: positive('Outer thread', 'mm', 24),
    threadMm: positive('Thread in the wood', 'mm', 400),
    densityKgM3: z.number().min(200).max(1200).meta({ title: 'Density of the wood, characteristic', unit: 'kg/m³' }),
    place: z.enum(woodPlaceNames).default('out of doors').meta({ title: 'Where it is used' }),
    pullN: any('Pull on all of them'),
    loadFactor,
  }),
  output: z.object({ holdsN: number, used: number, leastThreadMm: number }),
  example: { screws: 4, diameterMm: 8, threadMm: 60, densityKgM3: 500, pullN: 6000 },
  run: ({ pullN, ...v }) => {
    const holdsN = screwPullOutN(v)
    if (holdsN === null)
      throw new Impossible(`the rule holds for screws of 6 to 12 mm, not ${v.diameterMm}: use one of these, or its maker’s own figures`)
    if (holdsN === 0)
      throw new Impossible(`${v.threadMm} mm of thread is less than six diameters: use ${6 * v.diameterMm} mm or a thinner screw`)
    return { holdsN, used: Math.abs(pullN) / holdsN, leastThreadMm: 6 * v.diameterMm }
  },
})

export const fasteningCalculators = [bolt, weld, plate, bracket, thin, screw]
