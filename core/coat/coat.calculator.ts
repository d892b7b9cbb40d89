import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { any, number, zero } from '../calculator/fields'
import { coatSchedule, coldFactor } from './coat'

const hours = (title: string) => zero(title, 'h', 1000)

export const coatCalculator = calculator({
  name: 'coat-and-cure',
  title: 'Coat and cure',
  about: 'When a painted piece can be turned, coated again, and loaded: face by face, coat by coat.',
  formula: 'Σ work + drying × 2^((sheet − room) / d), turned once a face',
  source: 'hours by the maker of the coat; the order and the cold are the shop’s own',
  input: z.object({
    coats: z.number().int().min(1).max(10).meta({ title: 'Coats' }),
    faces: z.number().int().min(1).max(6).default(2).meta({ title: 'Faces, one at a time' }),
    workHours: hours('Work for a face'),
    touchHours: hours('Dry to the touch after'),
    recoatHours: hours('Next coat after'),
    cureHours: hours('Cured after'),
    sheetC: any('The sheet’s hours are at', '°C', 60).default(20),
    roomC: any('The room has', '°C', 60).default(20),
    doublesC: z
      .number()
      .min(3, 'must be 3 or more')
      .max(40)
      .default(10)
      .meta({ title: 'Twice as long for each so much colder', unit: '°C' }),
  }),
  output: z.object({
    steps: z.array(z.object({ what: z.string(), fromHour: number, untilHour: number })),
    readyHour: number,
    timesAsLong: number,
  }),
  example: { coats: 2, faces: 2, workHours: 0.5, touchHours: 2, recoatHours: 12, cureHours: 72 },
  run: ({ sheetC, roomC, doublesC, ...v }) => {
    const times = coldFactor(sheetC, roomC, doublesC)
    const dried = { touchHours: v.touchHours * times, recoatHours: v.recoatHours * times, cureHours: v.cureHours * times }
    return { ...coatSchedule({ ...v, ...dried }), timesAsLong: times }
  },
})
