import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { any, number, positive, zero } from '../calculator/fields'
import { Impossible } from '../issue/impossible'
import { bound, endsOf } from './heightBounds'

const bounds = (title: string, about: string) =>
  z
    .array(
      z.object({
        name: z.string().min(1).max(80).meta({ title }),
        gapMm: any(about, 'mm', 10_000),
        errorMm: zero('Error of that, plus or minus', 'mm', 1000).default(0),
        takesMm: zero('What it gives or needs besides', 'mm', 2000).default(0),
      }),
    )
    .max(20)
    .default([])

export const heightWindowCalculator = calculator({
  name: 'height-window',
  title: 'How low and how high a rack may be',
  about: 'The lowest and the highest that something may stand, by everything below it and everything above it, and the room between.',
  formula: 'zlow = z − min(a − e − t); zhigh = z + min(b − e − t)',
  source: 'geometry; errors as the worst case',
  input: z.object({
    nowMm: positive('Height of its top now', 'mm', 10_000),
    below: bounds('What is below it', 'How far it may come down to it'),
    above: bounds('What is above it', 'How far it may go up to it'),
  }),
  output: z.object({
    lowestMm: number.nullable(),
    lowestBy: z.string().nullable(),
    highestMm: number.nullable(),
    highestBy: z.string().nullable(),
    roomMm: number.nullable(),
    fits: z.boolean(),
  }),
  example: {
    nowMm: 2785,
    below: [
      { name: 'roof fan', gapMm: 35, errorMm: 11, takesMm: 4 },
      { name: 'hatch, which opens', gapMm: 90, errorMm: 5, takesMm: 60 },
    ],
    above: [{ name: 'garage door', gapMm: 60, errorMm: 15, takesMm: 0 }],
  },
  run: ({ nowMm, below, above }) => {
    if (!below.length && !above.length) throw new Impossible('nothing bounds it: enter what is below or above it')
    const of = (list: typeof below) =>
      list.map((b, i) =>
        bound(String(i), b.name, b.gapMm, [
          { name: 'error', mm: b.errorMm, error: true },
          { name: 'gives or needs', mm: b.takesMm, error: false },
        ]),
      )
    const { lacks, ...ends } = endsOf({ topMm: nowMm, lower: of(below), higher: of(above) })
    // it stands within its window now: neither bound is passed
    const fits = [ends.lowestMm === null || ends.lowestMm <= nowMm, ends.highestMm === null || ends.highestMm >= nowMm].every(Boolean)
    return { ...ends, fits }
  },
})
