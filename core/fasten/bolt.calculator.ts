import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number } from '../calculator/fields'
import { boltGradeNames, boltSizeNames } from '../catalogue/bolts'
import { boltPreload, boltShear, boltTension, boltTogether } from './bolt'

const loadFactor = z.number().min(1).max(3).default(1.5).meta({ title: 'Load factor' })

export const boltCalculator = calculator({
  name: 'bolt',
  title: 'Bolt',
  about: 'What one bolt takes in tension and in shear, both together, and the preload and torque to fit it with.',
  formula: 'Ft = 0.9·fu·As/(γM2·γQ); Fv = αv·fu·As/(γM2·γQ); F = 0.75·Sp·As; T = K·F·d',
  source: 'EN 1993-1-8, table 3.4; ISO 898-1; ISO 3506-1; SAE J429; Shigley, 10th ed., 8-7 to 8-9',
  input: z.object({
    size: z.enum(boltSizeNames).meta({ title: 'Size' }),
    grade: z.enum(boltGradeNames).meta({ title: 'Grade' }),
    tensionN: z.number().min(0).max(1e6).default(0).meta({ title: 'Pull on it', unit: 'N' }),
    shearN: z.number().min(0).max(1e6).default(0).meta({ title: 'Shear on it', unit: 'N' }),
    oiled: z.boolean().default(false).meta({ title: 'Threads oiled' }),
    loadFactor,
  }),
  output: z.object({ mayTensionN: number, mayShearN: number, used: number, preloadN: number, torqueNm: number, say: z.string() }),
  example: { size: 'M8', grade: '8.8', tensionN: 3000, shearN: 2000 },
  run: (v) => {
    const mayTensionN = boltTension(v.size, v.grade, v.loadFactor).value ?? 0
    const mayShearN = boltShear(v.size, v.grade, v.loadFactor).value ?? 0
    const used = boltTogether(v.tensionN, v.shearN, mayTensionN, mayShearN)
    const stainless = v.grade.startsWith('A')
    return {
      mayTensionN,
      mayShearN,
      used,
      ...boltPreload(v.size, v.grade, v.oiled),
      say: `${used <= 1 ? 'within' : 'over'} what it takes${stainless ? '; stainless threads gall: use a paste and a slow wrench' : ''}`,
    }
  },
})
