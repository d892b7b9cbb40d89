import { bundleBench } from './bundle'
import { compiled } from './compiled'
import { daysBench } from './days'
import { dragBench } from './drag'
import { fitBench } from './fit'
import { nestingBench, outlineBench, sheetBench } from './nesting'
import { slipwayBench } from './slipway'

const rows = [
  ...(await nestingBench()),
  ...sheetBench(),
  ...outlineBench(),
  ...(await slipwayBench()),
  ...(await compiled<typeof import('./frame')>('frame')).frameBench(),
  ...(await compiled<typeof import('./pieces')>('pieces')).piecesBench(),
  ...daysBench(),
  ...(await fitBench()),
  ...bundleBench(),
  ...(await dragBench()),
]
const widths = [0, 1, 2].map((c) => Math.max(...rows.map((r) => r[c].length)))
for (const row of rows)
  process.stdout.write(
    `${row
      .map((cell, c) => cell.padEnd(widths[c]))
      .join('  ')
      .trimEnd()}\n`,
  )
process.exit(0)
