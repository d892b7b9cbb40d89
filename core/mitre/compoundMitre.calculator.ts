import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, triple } from '../calculator/fields'
import { compoundMitre } from './compoundMitre'

const side = (title: string) => z.object({ way: triple, width: triple }).meta({ title })
const cut = z.object({ turnDeg: number, tiltDeg: number, pointMm: number })
const vec = ([x, y, z]: [number, number, number]) => ({ x, y, z })

export const compoundMitreCalculator = calculator({
  name: 'compound-mitre',
  title: 'Compound mitre',
  about:
    'Both saw settings where two members that lean meet in a corner: table turned, blade leaned, and how far the long point stands out.',
  formula: 'n = (a − b)/|a − b|; turn = atan(n·y / n·x); tilt = asin(n·z); point = (w·|n·y| + h·|n·z|) / |n·x|',
  source: 'plane geometry: the cut halves the corner',
  input: z.object({
    first: side('First member: the way it leaves the corner, and the way its width lies'),
    second: side('Second member'),
    widthMm: positive('Width, flat on the saw', 'mm', 1000),
    heightMm: positive('Height', 'mm', 1000),
  }),
  output: z.object({ first: cut, second: cut, cornerDeg: number }),
  example: {
    first: { way: [-1, 0, 0], width: [0, 1, 1] },
    second: { way: [0, -1, 0], width: [1, 0, 1] },
    widthMm: 40,
    heightMm: 40,
  },
  run: (v) =>
    compoundMitre({
      ...v,
      first: { way: vec(v.first.way), width: vec(v.first.width) },
      second: { way: vec(v.second.way), width: vec(v.second.width) },
    }),
})
