import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { any, number, positive } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { strutBalance } from './coverStrut'

const kg = (title: string) => z.number().min(0).max(50_000).meta({ title, unit: 'kg' })

export const strutCalculator = calculator({
  name: 'cover-strut',
  title: 'Struts of a hinged cover',
  about:
    'A hinged cover with a rack on it: the force that still holds it open at its angle, what the given struts can carry, and the push that shuts it with the rack off.',
  formula: 'n·F·arm = Σ m·g·x·cos θ',
  source: 'moments about the hinge (statics)',
  input: z.object({
    openDeg: z.number().min(0).max(89, 'must be less than 90°: past it the cover holds itself').meta({ title: 'Open at', unit: '°' }),
    coverKg: kg('Cover'),
    coverCentreMm: positive('Hinge to its centre'),
    rackKg: kg('Rack and load on it'),
    rackCentreMm: positive('Hinge to the rack’s centre'),
    struts: z.number().int().min(1).max(8).meta({ title: 'Struts' }),
    strutForceN: positive('Force of one strut', 'N', 20_000),
    onCoverMm: positive('Strut on the cover, from hinge'),
    onBodyMm: any('Strut on the body, from hinge'),
    bodyBelowMm: any('Strut on the body, below hinge'),
  }),
  output: z.object({
    weightMomentNmm: number,
    armMm: number,
    neededForceN: number,
    holds: z.boolean(),
    mostRackKg: number,
    closingHandN: number,
  }),
  example: {
    openDeg: 35,
    coverKg: 38,
    coverCentreMm: 720,
    rackKg: 22,
    rackCentreMm: 760,
    struts: 2,
    strutForceN: 700,
    onCoverMm: 520,
    onBodyMm: 900,
    bodyBelowMm: 120,
  },
  run: (v) => {
    const answer = strutBalance(v)
    if (!Number.isFinite(answer.neededForceN) || answer.armMm <= 0)
      throw new Impossible('the strut’s line passes on the wrong side of the hinge: it pulls the cover shut; move one of its ends')
    return answer
  },
})
