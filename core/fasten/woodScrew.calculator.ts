import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { screwPullOutN, woodPlaceNames } from './woodScrew'

const force = (title: string, unit = 'N', most = 1e9) => z.number().min(-most).max(most).default(0).meta({ title, unit })

const loadFactor = z.number().min(1).max(3).default(1.5).meta({ title: 'Load factor' })

export const woodScrewCalculator = calculator({
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
    pullN: force('Pull on all of them'),
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
