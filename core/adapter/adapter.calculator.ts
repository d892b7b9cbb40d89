import { z } from 'zod'
import { threadNames } from '../boltHoles/boltHoles'
import { calculator } from '../calculator/calculator'
import { any, number } from '../calculator/fields'
import { turns } from '../geometry/quarterTurn'
import { patternHoles } from '../patternMatch/patternHoles'
import { adapter } from './adapter'

const size = (title: string) => z.number().positive('must be more than 0').max(5000).nullable().default(null).meta({ title, unit: 'mm' })
const point = z.object({ x: number, y: number })

export const adapterCalculator = calculator({
  name: 'adapter-plate',
  title: 'Plate between two hole patterns',
  about:
    'One part on another whose holes do not meet its own: the plate with both patterns, holes too near one another, and which bolts go in before it is covered.',
  formula: 'e ≥ max(1.2·d₀ ; w/2 + 2); p ≥ 2.4·d₀',
  source: 'EN 1993-1-8, table 3.3; ISO 273 medium, ASME B18.2.8 normal; ISO 7089 washers; rim: shop’s own rule',
  input: z.object({
    one: patternHoles('Holes of the first part'),
    other: patternHoles('Holes of the second part'),
    otherLengthMm: size('Second part, long'),
    otherWidthMm: size('Second part, wide'),
    boltOne: z.enum(threadNames).meta({ title: 'Bolt of the first' }),
    boltOther: z.enum(threadNames).meta({ title: 'Bolt of the second' }),
    turnDeg: z.literal(turns).default(0).meta({ title: 'Second turned to the left', unit: '°' }),
    shiftXMm: any('Second moved along'),
    shiftYMm: any('Second moved across'),
  }),
  output: z.object({
    lengthMm: number,
    widthMm: number,
    from: point,
    holes: z.array(z.object({ of: z.enum(['one', 'other']), name: z.string(), diameterMm: number, at: point })),
    faults: z.array(z.string()),
    under: z.array(number).nullable(),
  }),
  example: {
    one: [12, 68].flatMap((xMm) => [12, 34].map((yMm) => ({ xMm, yMm, diameterMm: 9 }))),
    other: [10, 110].map((xMm) => ({ xMm, yMm: 15, diameterMm: 6.6 })),
    otherLengthMm: 120,
    otherWidthMm: 30,
    boltOne: 'M8',
    boltOther: 'M6',
    turnDeg: 0,
    shiftXMm: -20,
    shiftYMm: 60,
  },
  run: ({ one, other, otherLengthMm, otherWidthMm, ...rest }) => {
    const { outline, faults, ...made } = adapter({
      ...rest,
      one: { holes: one, lengthMm: null, widthMm: null },
      other: { holes: other, lengthMm: otherLengthMm, widthMm: otherWidthMm },
    })
    return { ...made, faults: faults.map((f) => f.replace(/\{(?:g )?([^}]*)\}/g, '$1 mm')) }
  },
})
