import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { backingPlateChecks, backingPlateHoldsN, plateTheoryEndsN, skinSinksMm } from './backingPlate'

const safety = z.number().min(1).max(5).default(1.67).meta({ title: 'Safety factor on yield' })

export const backingPlateCalculator = calculator({
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
