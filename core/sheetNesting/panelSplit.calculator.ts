import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number, positive, zero } from '../calculator/fields'
import { panelSplit } from './panelSplit'

const way = z.object({
  parts: number,
  fits: z.boolean(),
  sheets: number,
  cost: number.nullable(),
  usedShare: number,
  longMm: number,
  girthMm: number,
  massKg: number,
  posts: z.boolean(),
})
export const panelSplitCalculator = calculator({
  name: 'panel-split',
  title: 'Panel in one part or in two',
  about:
    'What sheet a panel takes whole and in two alike parts lapped over, and whether it can be posted: its longest side, length and girth, mass.',
  formula: 'part = (L + lap)/2; girth = long + 2·(wide + n·t); m = n·A·t·ρ',
  source:
    'boxes on sheets: Jylänki (2010), A Thousand Ways to Pack the Bin; what a carrier takes is his to say, the example is the shop’s own',
  input: z.object({
    lengthMm: positive('Length', 'mm', 10_000),
    heightMm: positive('Height', 'mm', 5000),
    thicknessMm: positive('Thickness', 'mm', 25),
    densityKgM3: positive('Density', 'kg/m³', 25_000),
    lapMm: zero('Lap of the two parts', 'mm', 500),
    sheetLongMm: positive('Sheet, long side', 'mm', 10_000),
    sheetWideMm: positive('Sheet, short side', 'mm', 5000),
    sheetPrice: zero('Price of a sheet', 'money', 1e6),
    edgeMm: zero('Left free along the edge', 'mm', 200),
    gapMm: zero('Between parts', 'mm', 100),
    parcelLongMm: positive('Longest side that is posted', 'mm', 10_000),
    parcelGirthMm: positive('Length and girth that are posted', 'mm', 20_000),
    parcelKg: positive('Mass that is posted', 'kg', 1000),
  }),
  output: z.object({ ways: z.array(way) }),
  example: {
    ...{ lengthMm: 2100, heightMm: 640, thicknessMm: 2, densityKgM3: 2680, lapMm: 40 },
    ...{ sheetLongMm: 2000, sheetWideMm: 1000, sheetPrice: 105, edgeMm: 10, gapMm: 6 },
    ...{ parcelLongMm: 1750, parcelGirthMm: 3000, parcelKg: 31.5 },
  },
  run: (v, tools) => ({
    ways: panelSplit(
      {
        ...{ lengthMm: v.lengthMm, heightMm: v.heightMm, thicknessMm: v.thicknessMm, densityKgM3: v.densityKgM3, lapMm: v.lapMm },
        sheets: [{ id: 'sheet', width: v.sheetLongMm, height: v.sheetWideMm, price: v.sheetPrice, quantity: null }],
        ...{ edgeMm: v.edgeMm, gapMm: v.gapMm },
        parcel: { longMm: v.parcelLongMm, girthMm: v.parcelGirthMm, kg: v.parcelKg },
      },
      { now: tools.now, tries: 50 },
    ),
  }),
})
