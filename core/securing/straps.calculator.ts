import { z } from 'zod'
import { strapWays } from '../brief/securing'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { defaultRules } from '../rules/rules'
import { isMet, leastStraps, strapMissing, strapNeeds } from './straps'

export const strapsCalculator = calculator({
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
