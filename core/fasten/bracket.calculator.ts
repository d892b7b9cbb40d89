import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { bracketFixes, bracketKinds, bracketUnder } from './bracket'

const safety = z.number().min(1).max(5).default(1.67).meta({ title: 'Safety factor on yield' })

export const bracketCalculator = calculator({
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
