import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { boltHoles, threadNames } from './boltHoles'

export const boltHolesCalculator = calculator({
  name: 'bolt-holes',
  title: 'Holes for a bolt, drill for a tap',
  about: 'Close, normal and loose clearance holes, the drill for a tapped hole, how much thread to catch, and what a hole as drilled is.',
  formula: 'd = D − 1.299·P·share',
  source: 'ISO 273; ASME B18.2.8; ISO 68-1 (height of a 60° thread)',
  input: z.object({
    thread: z.enum(threadNames).meta({ title: 'Thread' }),
    share: z.number().min(0.3).max(1).default(0.75).meta({ title: 'Share of a full thread' }),
    aluminium: z.boolean().default(false).meta({ title: 'Tapped in aluminium' }),
    holeMm: positive('Hole as drilled', 'mm', 100).nullable().default(null),
  }),
  output: z.object({
    closeMm: number,
    normalMm: number,
    looseMm: number,
    tapDrillMm: number,
    threadMm: number,
    fits: z.string().nullable(),
  }),
  example: { thread: 'M8', share: 0.75, aluminium: true, holeMm: 9 },
  run: (v) => boltHoles(v.thread, v.share, v.aluminium, v.holeMm),
})
