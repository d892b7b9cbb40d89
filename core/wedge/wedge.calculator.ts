import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { wedge } from './wedge'

export const wedgeCalculator = calculator({
  name: 'anti-sway-wedge',
  title: 'Wedge against sway',
  about:
    'How far a wedge in a receiver tube is drawn to take up its slack, how many turns of the bolt that is, and whether it holds by itself.',
  formula: 'draw = slack / tan α; turns = draw / pitch',
  source: 'geometry; self-holding while tan α < μ (Shigley, 10th ed., 8-2)',
  input: z.object({
    slackMm: positive('Slack', 'mm', 20),
    angleDeg: z.number().min(0).max(45).default(8).meta({ title: 'Wedge', unit: '°' }),
    pitchMm: positive('Pitch of the bolt', 'mm', 10).default(1.5),
    friction: z.number().min(0.02).max(0.8).default(0.15).meta({ title: 'Friction' }),
  }),
  output: z.object({ drawMm: number, turns: number, holdsItself: z.boolean() }),
  example: { slackMm: 1.6 },
  run: (v) => wedge(v.slackMm, v.angleDeg, v.pitchMm, v.friction),
})
