import { bundleBench } from './bundle'
import { daysBench } from './days'
import { dragBench } from './drag'
import { fitBench } from './fit'
import { frameBench } from './frame'
import { nestingBench, outlineBench, sheetBench } from './nesting'
import { piecesBench } from './pieces'
import { slipwayBench } from './slipway'

const rows = [
  ...(await nestingBench()),
  ...sheetBench(),
  ...outlineBench(),
  ...(await slipwayBench()),
  ...frameBench(),
  ...piecesBench(),
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
