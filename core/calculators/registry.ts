import { z } from 'zod'
import { type Calculator, calculator } from '../calculator/calculator'
import { ShapeSchema, sectionOf, shapeFault } from '../catalogue/section'
import { CrossbarStaticsInput, crossbarStatics, crossbarStaticsExample } from '../crossbar/statics'
import { type Fault, faultsOf } from '../issue/faults'
import { Impossible } from '../issue/impossible'
import { BarNestingInput, BarNestingOutput, barNestingExample } from '../nesting/barNesting'
import { nestBars } from '../nesting/nestBars'
import type { Tools } from '../nesting/tools'
import { fractionText } from '../quantity/formatQuantity'
import { parseQuantity } from '../quantity/parseQuantity'
import { MM_PER_INCH } from '../quantity/units'
import { flatPattern } from '../sheet/flatPattern'
import { equalPositions, largestCount } from '../spacing/spacing'
import { trapezoidCalculator } from '../trapezoid/trapezoid.calculator'
import { rampPullCalculator } from '../winch/rampPull.calculator'
import { carryingCalculators } from './carrying'
import { fasteningCalculators } from './fastening'
import { measuringCalculators } from './measuring'
import { structureCalculators } from './structure'

const number = z.number()
const mm = (label: string) => z.number().min(-100_000).max(100_000).meta({ title: label, unit: 'mm' })
const kg = (label: string) => z.number().min(0).max(100_000).meta({ title: label, unit: 'kg' })

const section = calculator({
  name: 'section',
  title: 'Section properties',
  about: 'Area, second moments, section modulus and mass of a bar from its outside dimensions, corner radii included.',
  formula: 'A, I by superposition and the parallel-axis theorem; W = I / c; J by Bredt or Σ b·t³/3; m = A·ρ',
  source: 'Roark, 8th ed., tables A.1, 10.1, 10.7; EN 10219-2, annex B (corners)',
  input: z
    .object({ shape: ShapeSchema, densityKgM3: z.number().min(100).max(20_000).default(7850).meta({ title: 'Density', unit: 'kg/m³' }) })
    .superRefine((v, ctx) => {
      const fault = shapeFault(v.shape)
      if (fault) ctx.addIssue({ code: 'custom', path: ['shape', fault.field], message: fault.message })
    }),
  output: z.object({
    areaMm2: number,
    iyMm4: number,
    izMm4: number,
    torsionMm4: number,
    wyMm3: number,
    perimeterMm: number,
    massKgPerM: number,
  }),
  example: { shape: { kind: 'rectangular', heightMm: 40, widthMm: 40, wallMm: 3, outsideRadiusMm: 6 }, densityKgM3: 7850 },
  run: ({ shape, densityKgM3 }) => {
    const { areaMm2, iyMm4, izMm4, torsionMm4, wyMm3, perimeterMm } = sectionOf(shape)
    return { areaMm2, iyMm4, izMm4, torsionMm4, wyMm3, perimeterMm, massKgPerM: (areaMm2 * densityKgM3) / 1e6 }
  },
})

const barNesting = calculator({
  name: 'bar-nesting',
  title: 'Bar nesting',
  about: 'Least-cost cutting of parts from stock lengths and remnants, with saw kerf and end trim; says when the plan is proven best.',
  formula: 'min Σ price, each bar: Σ length + kerf·(n − 1) ≤ stock − 2·trim',
  source: 'Gilmore & Gomory (1961, 1963), column generation; integer programme closed over every pattern within the gap',
  input: BarNestingInput,
  output: BarNestingOutput,
  example: barNestingExample,
  searches: true,
  run: (given, tools) => nestBars(given, tools),
})

const crossbar = calculator({
  name: 'crossbar',
  title: 'Crossbar on two feet',
  about: 'Foot reactions, bending, stress and sag of a bar on two feet with free ends, under point and spread loads.',
  formula: 'ΣF = 0, ΣM = 0; σ = M / W; E·I·v⁗ = −q',
  source: 'Gere & Goodno, Mechanics of Materials, 8th ed., ch. 5 and 9; Roark, table 8.1',
  input: CrossbarStaticsInput,
  output: z.object({
    reactionsN: z.tuple([number, number]),
    maxMomentNmm: number,
    maxMomentAtMm: number,
    stressMPa: number,
    maxSagMm: number,
    maxSagAtMm: number,
  }),
  example: crossbarStaticsExample,
  run: (given) => crossbarStatics(given),
})

const roofLoad = calculator({
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

const fraction = calculator({
  name: 'fraction',
  title: 'Fractions, decimals, metric',
  about: 'Reads a length as the trade writes it, sums included, and gives it in millimetres, decimal inches and fractions.',
  formula: '1 in = 25.4 mm',
  source: 'international yard and pound agreement, 1959 (exact)',
  input: z
    .object({
      text: z.string().min(1, 'type a length').max(120).meta({ title: 'Length' }),
      system: z.enum(['metric', 'inch']).default('inch').meta({ title: 'A number without a unit is' }),
    })
    .superRefine((v, ctx) => {
      const read = parseQuantity(v.text, 'length', v.system)
      if (!read.ok) ctx.addIssue({ code: 'custom', path: ['text'], message: read.message })
    }),
  output: z.object({ mm: number, inches: number, sixteenths: z.string(), thirtySeconds: z.string(), errorAtSixteenthMm: number }),
  example: { text: '84 - 2*1 3/4', system: 'inch' },
  run: ({ text, system }) => {
    const read = parseQuantity(text, 'length', system)
    if (!read.ok) throw new Impossible(read.message)
    const inches = read.value / MM_PER_INCH
    return {
      mm: read.value,
      inches,
      sixteenths: fractionText(inches, 16),
      thirtySeconds: fractionText(inches, 32),
      errorAtSixteenthMm: (Math.round(inches * 16) / 16 - inches) * MM_PER_INCH,
    }
  },
})

const spacing = calculator({
  name: 'even-spacing',
  title: 'Even spacing and largest count',
  about: 'Exact pitch and running positions from one datum, and how many fit at no less than a pitch.',
  formula: 'pitch = (length − inset₁ − inset₂) / (n − 1); n ≤ ⌊length / pitch⌋ + 1',
  source: 'arithmetic',
  input: z
    .object({
      lengthMm: mm('Length').min(1),
      firstInsetMm: mm('Inset at the datum end').min(0).default(0),
      lastInsetMm: mm('Inset at the far end').min(0).default(0),
      count: z.number().int().min(1).max(200).meta({ title: 'How many' }),
      leastPitchMm: mm('Least pitch').min(1),
    })
    .refine((v) => v.firstInsetMm + v.lastInsetMm < v.lengthMm, {
      path: ['lastInsetMm'],
      message: 'the two insets leave nothing between them: make them smaller',
    }),
  output: z.object({ positionsMm: z.array(number), pitchMm: number.nullable(), largestCount: z.number() }),
  example: { lengthMm: 2400, firstInsetMm: 100, lastInsetMm: 100, count: 4, leastPitchMm: 500 },
  run: (v) => {
    const [from, to] = [v.firstInsetMm, v.lengthMm - v.lastInsetMm]
    return {
      positionsMm: equalPositions(from, to, v.count),
      pitchMm: v.count > 1 ? (to - from) / (v.count - 1) : null,
      largestCount: largestCount(from, to, v.leastPitchMm),
    }
  },
})

const positive = z.number().positive().max(10_000)
const flat = calculator({
  name: 'flat-pattern',
  title: 'Flat pattern',
  about: 'Blank length and bend lines of a folded strip from outside flange lengths.',
  formula: 'BA = (r + K·t)·A; OSSB = (r + t)·tan(A/2); flat = Σ flanges − Σ (2·OSSB − BA)',
  source: "Machinery's Handbook, 30th ed., lengths of sheet-metal bends",
  input: z
    .object({
      thickness: positive.meta({ title: 'Thickness', unit: 'mm' }),
      insideRadius: z.number().min(0).max(1000).meta({ title: 'Inside radius', unit: 'mm' }),
      kFactor: z.number().min(0).max(1).meta({ title: 'K factor' }),
      flanges: z.array(positive).min(1).max(30),
      bends: z.array(z.object({ angle: z.number().gt(0).lt(180) })).max(29),
    })
    .refine((v) => v.flanges.length === v.bends.length + 1, { path: ['flanges'], message: 'there must be one flange more than bends' }),
  output: z.object({ flatLength: number, bendLines: z.array(number) }),
  example: { thickness: 2, insideRadius: 3, kFactor: 0.42, flanges: [40, 60, 40], bends: [{ angle: 90 }, { angle: 90 }] },
  run: (given) => {
    const { flatLength, bendLines } = flatPattern(given)
    const edges = [0, ...bendLines, flatLength]
    if (edges.some((x, i) => i > 0 && x <= edges[i - 1]!))
      throw new Impossible('a flange is shorter than its bends take: lengthen it or use a smaller radius')
    return { flatLength, bendLines }
  },
})

/** In the order the work goes: on the tape, on the vehicle, on the bars, in the metal, at the saw and the brake. */
export const calculatorGroups = [
  { title: 'Measuring', calculators: [fraction, ...measuringCalculators, trapezoidCalculator] },
  { title: 'Carrying', calculators: [roofLoad, ...carryingCalculators, rampPullCalculator, spacing] },
  { title: 'Strength', calculators: [section, crossbar, ...structureCalculators] },
  { title: 'Fastening', calculators: fasteningCalculators },
  { title: 'Cutting and folding', calculators: [barNesting, flat] },
] as unknown as { title: string; calculators: Calculator[] }[]
export const calculators: Calculator[] = calculatorGroups.flatMap((g) => g.calculators)
export const calculatorOf = (name: string): Calculator | null => calculators.find((c) => c.name === name) ?? null

export type Calculation = { ok: true; value: unknown } | { ok: false; kind: 'bad-input' | 'impossible'; faults: Fault[] }

/** Parses, computes, and checks its own answer; the same for every way in. */
export function calculate(c: Calculator, raw: unknown, tools: Tools): Calculation {
  const given = c.input.safeParse(raw)
  if (!given.success) return { ok: false, kind: 'bad-input', faults: faultsOf(given.error) }
  try {
    return { ok: true, value: c.output.parse(c.run(given.data, tools)) }
  } catch (error) {
    if (error instanceof Impossible) return { ok: false, kind: 'impossible', faults: [{ where: 'the whole', expected: error.message }] }
    throw error
  }
}

export const inputJsonSchema = (c: Calculator): unknown => z.toJSONSchema(c.input, { io: 'input', unrepresentable: 'any' })
