import { z } from 'zod'
import { calculator } from '../calculator/calculator'
import { number } from '../calculator/fields'
import { tradeSize, trades } from './tradeSize'

const kind = (title: string) => z.enum(trades).meta({ title })
const name = (title: string) => z.string().min(1, 'type a name, as 1 1/4 or 14').max(20).meta({ title })

export const tradeSizeCalculator = calculator({
  name: 'trade-size',
  title: 'Sold by name, as it measures',
  about:
    'Pipe, conduit, sheet gauges and timber by their trade names: what they really measure, and what moves when one takes the place of another.',
  formula: 'table of the trade; difference = second − first',
  source: 'ASME B36.10M schedule 40; ANSI C80.3; Manufacturers’ Standard Gage; Brown & Sharpe; US Standard Gage; PS 20',
  input: z.object({
    trade: kind('Kind'),
    size: name('Name it is sold by'),
    insteadTrade: kind('In its place, kind').nullable().default(null),
    insteadSize: name('In its place, name').nullable().default(null),
  }),
  output: z.object({
    outsideMm: number.nullable(),
    wallMm: number.nullable(),
    heightMm: number.nullable(),
    clearMm: number.nullable(),
    outsideMovesMm: number.nullable(),
    wallMovesMm: number.nullable(),
  }),
  example: { trade: 'pipe', size: '1 1/4', insteadTrade: 'conduit', insteadSize: '1 1/4' },
  run: (v) => {
    const own = tradeSize(v.trade, v.size)
    const other = v.insteadTrade && v.insteadSize ? tradeSize(v.insteadTrade, v.insteadSize) : null
    const moves = (a: number | null, b: number | null | undefined) => (a === null || b == null ? null : b - a)
    return { ...own, outsideMovesMm: moves(own.outsideMm, other?.outsideMm), wallMovesMm: moves(own.wallMm, other?.wallMm) }
  },
})
