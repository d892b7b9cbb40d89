import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive } from '../calculator/fields'
import { gripFits, rivetBearingN, thinFastenersUsed } from './thinFasteners'

const force = (title: string, unit = 'N', most = 1e9) => z.number().min(-most).max(most).default(0).meta({ title, unit })

const rating = (title: string) => z.number().positive('must be more than 0').max(1e6).nullable().default(null).meta({ title, unit: 'N' })

const loadFactor = z.number().min(1).max(3).default(1.5).meta({ title: 'Load factor' })

export const thinFastenersCalculator = calculator({
  name: 'rivet-and-insert',
  title: 'Rivets, rivet nuts, T-slot nuts',
  about:
    'A row of alike fasteners by their maker’s figures, pull and shear together; whether they close on the stack of sheets; and what the thinner sheet bears beside one rivet. Without the maker’s figure it is not assessed.',
  formula: 'Ft/(n·Ft,R) + Fv/(n·Fv,R) ≤ 1; Fb,R = min(α·d, e/1.2)·fu·t/γM2, α = 3.6·√(t/d) ≤ 2.1',
  source: 'EN 1993-1-3, 8.3 and table 8.1; ratings: maker of the fastener',
  input: z
    .object({
      count: z.number().int().min(1).max(200).meta({ title: 'How many' }),
      tensionN: force('Pull on all of them'),
      shearN: force('Shear on all of them'),
      mayTensionN: rating('One may be pulled by, as its maker says'),
      mayShearN: rating('One may be sheared by, as its maker says'),
      diameterMm: positive('Diameter', 'mm', 20),
      stackMm: positive('Stack of sheets', 'mm', 50),
      gripLeastMm: positive('Grip, from', 'mm', 50),
      gripMostMm: positive('Grip, to', 'mm', 50),
      thinnerSheetMm: positive('Thinner sheet', 'mm', 20),
      otherSheetMm: positive('Thicker sheet (empty = as thin)', 'mm', 50).nullable().default(null),
      sheetTensileMPa: positive('Tensile strength of it', 'MPa', 2000),
      endMm: positive('From the hole’s middle to the edge', 'mm', 500),
      loadFactor,
    })
    .refine((v) => v.otherSheetMm === null || v.otherSheetMm >= v.thinnerSheetMm, {
      path: ['otherSheetMm'],
      message: 'must not be thinner than the thinner sheet: swap them',
    })
    .refine((v) => v.gripMostMm >= v.gripLeastMm, { path: ['gripMostMm'], message: 'must not be less than where the grip begins' }),
  output: z.object({
    used: number.nullable(),
    missing: z.array(z.string()),
    closesOnStack: z.boolean(),
    sheetBearsN: number,
    shearEachN: number,
  }),
  example: {
    count: 6,
    tensionN: 900,
    shearN: 1500,
    mayTensionN: 1100,
    mayShearN: 900,
    diameterMm: 4.8,
    stackMm: 3.2,
    gripLeastMm: 1.6,
    gripMostMm: 4.8,
    thinnerSheetMm: 1.2,
    sheetTensileMPa: 360,
    endMm: 10,
  },
  run: (v) => {
    const [tensionN, shearN] = [Math.abs(v.tensionN), Math.abs(v.shearN)]
    return {
      used: thinFastenersUsed({ ...v, tensionN, shearN }),
      missing: [
        ...(tensionN > 0 && v.mayTensionN === null ? ['what one may be pulled by'] : []),
        ...(shearN > 0 && v.mayShearN === null ? ['what one may be sheared by'] : []),
      ],
      closesOnStack: gripFits(v.stackMm, v.gripLeastMm, v.gripMostMm),
      sheetBearsN: rivetBearingN({ ...v, sheetMm: v.thinnerSheetMm, otherSheetMm: v.otherSheetMm ?? v.thinnerSheetMm }),
      shearEachN: shearN / v.count,
    }
  },
})
