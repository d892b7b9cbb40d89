import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { fillerNames, fillers, filletWeldStress } from './filletWeld'

const force = (title: string, unit = 'N', most = 1e9) => z.number().min(-most).max(most).default(0).meta({ title, unit })

export const filletWeldCalculator = calculator({
  name: 'fillet-weld',
  title: 'Fillet weld',
  about:
    'Greatest stress in the throat of a group of straight runs under forces and moments at its centroid, and how much of what the filler takes that is.',
  formula: 'τ = √(fx² + fy² + fz²)/a, f = F/L ± M·c/I, a = leg/√2',
  source: 'Shigley, 10th ed., 9-2 to 9-4; AISC 360-16, J2.4; Aluminum Design Manual',
  input: z
    .object({
      lines: z
        .array(z.object({ x1: force('x1', 'mm', 1e4), y1: force('y1', 'mm', 1e4), x2: force('x2', 'mm', 1e4), y2: force('y2', 'mm', 1e4) }))
        .min(1)
        .max(40),
      legMm: positive('Leg', 'mm', 50),
      filler: z.enum(fillerNames).meta({ title: 'Filler' }),
      fx: force('Force along x'),
      fy: force('Force along y'),
      fz: force('Force out of the plane'),
      mx: force('Moment about x', 'N·mm'),
      my: force('Moment about y', 'N·mm'),
      mz: force('Twist in the plane', 'N·mm'),
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
