import { calculator } from '../calculator/calculator'
import { nestSheets } from './nestSheets'
import { SheetNestingInput, SheetNestingOutput } from './sheetNesting'

export const sheetNestingCalculator = calculator({
  name: 'sheet-nesting',
  title: 'Sheet nesting',
  about:
    'Parts on sheets by their boxes or outlines, also within cut-outs, at least price, with the gap between parts and the edge left free.',
  formula: 'min Σ price; parts apart by the gap, inside the sheet less its edge',
  source:
    'Boxes: Jylänki (2010), A Thousand Ways to Pack the Bin, largest free rectangles; pairs: Adamowicz & Albano (1976); outlines: bottom-left with no-fit polygons, Burke et al. (2007); orders shuffled within the time given; not proven best',
  input: SheetNestingInput,
  output: SheetNestingOutput,
  example: {
    sheets: [
      { id: 'S1', width: 2000, height: 1000, price: 84, quantity: null },
      { id: 'S2', width: 2500, height: 1250, price: 128, quantity: 2 },
    ],
    parts: [
      { id: 'side', width: 560, height: 430, quantity: 4, mayRotate: true },
      { id: 'lid', width: 1180, height: 640, quantity: 1, mayRotate: true },
      {
        id: 'ear',
        outline: [
          [0, 0],
          [120, 0],
          [120, 40],
          [60, 90],
          [0, 40],
        ],
        quantity: 6,
        mayRotate: true,
      },
    ],
    gap: 6,
    edge: 10,
    timeLimitMs: 500,
  },
  searches: true,
  run: (given, tools) => nestSheets(given, tools),
})
