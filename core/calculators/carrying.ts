import { z } from 'zod'
import type { Cargo } from '../brief/cargo'
import { strapWays } from '../brief/securing'
import { calculator } from '../calculator/calculator'
import { departureDeg, hitchLoad } from '../hitch/departure'
import { Impossible } from '../issue/impossible'
import { windPressurePa } from '../loads/loadCases'
import { degrees, G_M_S2, type Radians } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { isMet, leastStraps, strapMissing, strapNeeds } from '../securing/straps'
import { planBars } from '../spacing/spacing'
import { barHz, sheddingHz, singsAtKmh } from '../structure/whistle'
import { newMountLine } from '../vehicle/vehicle'

const number = z.number()
const positive = (title: string, unit = 'mm', most = 1e6) => z.number().positive('must be more than 0').max(most).meta({ title, unit })
const zero = (title: string, unit = 'mm', most = 1e6) => z.number().min(0).max(most).meta({ title, unit })
const any = (title: string, unit = 'mm', most = 20_000) => z.number().min(-most).max(most).meta({ title, unit })

const spacing = calculator({
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

const hitch = calculator({
  name: 'tongue-and-carrier',
  title: 'Tongue and carrier',
  about: 'What a receiver feels of a carrier and its load: weight, moment about the pin, and the departure angle left under it.',
  formula: 'm = Σ mᵢ; M = Σ mᵢ·g·dᵢ; d·sin α + (R − h)·cos α = R',
  source: 'statics; ISO 612, 6.11',
  input: z.object({
    items: z
      .array(z.object({ name: z.string().min(1).max(80), massKg: zero('Mass', 'kg', 5000), behindMm: any('Behind the pin') }))
      .min(1)
      .max(40),
    tongueKg: positive('Tongue rating', 'kg').nullable().default(null),
    carrierKg: positive('Carrier rating', 'kg').nullable().default(null),
    pinBehindAxleMm: positive('Pin behind the rear axle', 'mm', 5000),
    endBehindPinMm: positive('Carrier’s end behind the pin', 'mm', 5000),
    bottomMm: zero('Its lowest part above the ground', 'mm', 3000),
    tyreMm: positive('Tyre, outside diameter', 'mm', 2000),
  }),
  output: z.object({
    massKg: number,
    momentNm: number,
    tongueUsed: number.nullable(),
    carrierUsed: number.nullable(),
    departureDeg: number,
    say: z.string(),
  }),
  example: {
    items: [
      { name: 'carrier', massKg: 20, behindMm: 300 },
      { name: 'two bicycles', massKg: 36, behindMm: 500 },
    ],
    tongueKg: 75,
    carrierKg: null,
    pinBehindAxleMm: 1350,
    endBehindPinMm: 700,
    bottomMm: 420,
    tyreMm: 712,
  },
  run: (v) => {
    const { massKg, momentNmm } = hitchLoad(v.items, G_M_S2)
    const used = (rating: number | null) => (rating === null ? null : massKg / rating)
    const [tongueUsed, carrierUsed] = [used(v.tongueKg), used(v.carrierKg)]
    const over = [tongueUsed, carrierUsed].some((u) => u !== null && u > 1)
    const open = [v.tongueKg === null ? 'tongue rating' : '', v.carrierKg === null ? 'carrier rating' : ''].filter(Boolean)
    return {
      massKg,
      momentNm: momentNmm / 1000,
      tongueUsed,
      carrierUsed,
      departureDeg: departureDeg(v.pinBehindAxleMm + v.endBehindPinMm, v.bottomMm, v.tyreMm / 2),
      say: over ? 'over a rating' : open.length ? `not assessed: ${open.join(' and ')} unknown` : 'within the ratings given',
    }
  },
})

const rollover = calculator({
  name: 'rollover',
  title: 'Rollover figure',
  about:
    'Static stability factor before and after a load on the roof, the tilt at which the vehicle would balance on its outer wheels, and what the load costs.',
  formula: 'SSF = T/2h; h′ = (m·h + Σ mᵢ·zᵢ)/(m + Σ mᵢ); tilt = atan SSF',
  source: 'NHTSA static stability factor',
  input: z.object({
    trackMm: positive('Track width', 'mm', 5000),
    centreHeightMm: positive('Centre of mass height, unladen', 'mm', 5000),
    massKg: positive('Mass, unladen', 'kg', 50_000),
    items: z
      .array(
        z.object({ name: z.string().min(1).max(80), massKg: zero('Mass', 'kg', 5000), heightMm: zero('Height of its centre', 'mm', 6000) }),
      )
      .max(40),
  }),
  output: z.object({ before: number, after: number, lossPercent: number, heightAfterMm: number, tiltDeg: number }),
  example: { trackMm: 1730, centreHeightMm: 790, massKg: 2570, items: [{ name: 'rack and load', massKg: 110, heightMm: 2800 }] },
  run: (v) => {
    const mass = v.items.reduce((s, i) => s + i.massKg, v.massKg)
    const heightAfterMm = (v.massKg * v.centreHeightMm + v.items.reduce((s, i) => s + i.massKg * i.heightMm, 0)) / mass
    const [before, after] = [v.trackMm / (2 * v.centreHeightMm), v.trackMm / (2 * heightAfterMm)]
    return { before, after, lossPercent: 100 * (1 - after / before), heightAfterMm, tiltDeg: degrees(Math.atan(after) as Radians) }
  },
})

const wind = calculator({
  name: 'wind-and-whistle',
  title: 'Wind and whistle',
  about:
    'Drag and lift on a thing on the roof at a speed, how many kilograms of its weight the lift takes off, and the tone and singing speed of a bare bar.',
  formula: 'q = ½·ρ·v²; F = q·C·A; f = St·v/D; f₁ = (π/2L²)·√(EI/m)',
  source: 'EN 1991-1-4, 4.5; Hoerner, Fluid-Dynamic Drag; Blevins, Flow-Induced Vibration, 2nd ed.',
  input: z.object({
    speedKmh: positive('Speed through the air', 'km/h', 300),
    airDensity: z.number().min(0.8).max(1.5).default(1.225).meta({ title: 'Air density', unit: 'kg/m³' }),
    acrossMm: positive('Width facing the wind', 'mm', 5000),
    heightMm: positive('Height facing the wind', 'mm', 3000),
    lengthMm: positive('Length along the vehicle', 'mm', 20_000),
    dragCoefficient: z.number().min(0.05).max(2.5).default(1.2).meta({ title: 'Drag coefficient' }),
    liftCoefficient: z.number().min(0).max(2).default(0.3).meta({ title: 'Lift coefficient' }),
    massKg: zero('Its mass', 'kg', 5000),
    bar: z.enum(['round', 'flat']).default('round').meta({ title: 'Bare bar' }),
    barMm: positive('Bar, height in the wind', 'mm', 200),
    barSpanMm: positive('Bar, span between feet', 'mm', 5000),
    barKgM: positive('Bar, mass per metre', 'kg/m', 50),
    elasticMPa: positive('Bar, elastic modulus', 'MPa').default(210_000),
    secondMomentMm4: positive('Bar, second moment of area', 'mm⁴', 1e9),
  }),
  output: z.object({
    pressurePa: number,
    dragN: number,
    liftN: number,
    liftKg: number,
    floats: z.boolean(),
    toneHz: number,
    ownHz: number,
    singsAtKmh: number,
  }),
  example: {
    speedKmh: 110,
    acrossMm: 900,
    heightMm: 400,
    lengthMm: 2000,
    massKg: 45,
    barMm: 32,
    barSpanMm: 1500,
    barKgM: 1.48,
    secondMomentMm4: 21_300,
  },
  run: (v) => {
    const pressurePa = windPressurePa(v.airDensity, v.speedKmh)
    const liftN = (pressurePa * v.liftCoefficient * v.acrossMm * v.lengthMm) / 1e6
    const ownHz = barHz(v.barSpanMm, v.elasticMPa, v.secondMomentMm4, v.barKgM)
    return {
      pressurePa,
      dragN: (pressurePa * v.dragCoefficient * v.acrossMm * v.heightMm) / 1e6,
      liftN,
      liftKg: liftN / G_M_S2,
      floats: liftN > v.massKg * G_M_S2,
      toneHz: sheddingHz(v.bar, v.speedKmh, v.barMm),
      ownHz,
      singsAtKmh: singsAtKmh(v.bar, ownHz, v.barMm),
    }
  },
})

const straps = calculator({
  name: 'strap-plan',
  title: 'Strap plan',
  about:
    'How many straps by length and mass, what they must hold against sliding each way, tipping and lifting, what they do hold, and which one is missing.',
  formula:
    'over the top: 2·μ·F·sin α/fs; against a motion: F·(cos α + 0.75·μ·F·sin α); tipping: m·g·(c·d − b); Σ limits ≥ ½ weight, direct ones half',
  source: '49 CFR 393.106, 393.110; EN 12195-1:2010, 5.3 to 5.5',
  input: z.object({
    massKg: positive('Mass', 'kg', 5000),
    lengthMm: positive('Length', 'mm', 20_000),
    widthMm: positive('Width', 'mm', 5000),
    heightMm: positive('Height', 'mm', 5000),
    centreUpMm: positive('Centre of mass above its underside (empty = half its height)', 'mm', 5000).nullable().default(null),
    blockedForward: z.boolean().default(false).meta({ title: 'Something in front holds it' }),
    blockHoldsN: zero('What that holds', 'N', 1e6).nullable().default(null),
    friction: z.number().min(0.05).max(1).default(0.3).meta({ title: 'Friction' }),
    handPullN: positive('Pull that a hand puts into a strap', 'N', 10_000).default(500),
    safety: z.number().min(1).max(2).default(1.25).meta({ title: 'Factor on friction lashing' }),
    liftN: zero('Lift of the air on it', 'N', 1e5).default(0),
    straps: z
      .array(
        z.object({
          wllKg: positive('Working load limit', 'kg', 20_000).nullable(),
          anchorN: positive('Each anchor point holds', 'N').nullable(),
          angleDeg: z.number().min(0).max(90).meta({ title: 'Angle to the deck', unit: '°' }),
          way: z.enum(strapWays).meta({ title: 'Over the top, or the way it keeps it from going' }),
          atMm: z.number().min(-10_000).max(10_000).nullable().default(null).meta({ title: 'Forward of its middle', unit: 'mm' }),
        }),
      )
      .max(40),
  }),
  output: z.object({
    leastStraps: number,
    needs: z.array(
      z.object({ id: z.string(), says: z.string(), unit: z.string(), need: number, have: number.nullable(), held: z.boolean().nullable() }),
    ),
    missing: z.string().nullable(),
  }),
  example: {
    massKg: 42,
    lengthMm: 1200,
    widthMm: 600,
    heightMm: 420,
    friction: 0.4,
    straps: [
      { wllKg: 250, anchorN: 2600, angleDeg: 70, way: 'over', atMm: 300 },
      { wllKg: 250, anchorN: 2600, angleDeg: 70, way: 'over', atMm: -300 },
    ],
  },
  run: ({ handPullN, centreUpMm, ...v }) => {
    if (v.straps.some((s) => s.way === 'over' && s.angleDeg < 5))
      throw new Impossible('a strap over the top that lies flat presses nothing: steepen it, or let it pull against a motion')
    const needs = strapNeeds({
      ...v,
      centreUpMm: centreUpMm ?? v.heightMm / 2,
      centreForwardMm: 0,
      centreLeftMm: 0,
      tensionN: handPullN,
      forwardG: defaultRules.brakingG,
      sideG: defaultRules.corneringG,
      rearG: defaultRules.pullingG,
      tiltG: defaultRules.tiltingG,
      reboundG: defaultRules.reboundG,
      flatPitchMm: defaultRules.flatPitchMm,
      flatEndMm: defaultRules.flatEndMm,
    })
    return {
      leastStraps: leastStraps(v.lengthMm, v.massKg, v.blockedForward),
      needs: needs.map((n) => ({ ...n, held: n.have === null ? null : isMet(n) })),
      missing: strapMissing(needs),
    }
  },
})

export const carryingCalculators = [spacing, hitch, rollover, wind, straps]
