import { describe, expect, test } from 'vitest'
import { orderedLines, orderNumber, placedMinor } from './order'
import type { PooledLine } from './pooled'

const line = (over: Partial<PooledLine>): PooledLine => ({
  ...{ key: 'nuts', kind: 'small parts', name: 'Nuts', unit: 'piece', quantity: 30, spares: 0, minor: 3000, supplier: null },
  for: [
    { jobId: 'a', title: 'A', quantity: 20 },
    { jobId: 'b', title: 'B', quantity: 10 },
  ],
  ...over,
})
const bar = { stockId: 's', profileId: 'round-25x2-steel', lengthMm: 6000, count: 2, priceMinor: 2700 }

describe('an order as it was placed', () => {
  test('numbers run on, with the year; a thousandth order has its four figures', () =>
    expect([orderNumber(7, '2026-11-30'), orderNumber(1000, '2027-01-02')]).toEqual(['2026-007', '2027-1000']))
  test('ordered for one job of two: its quantity, at two thirds of the price; what nobody asked for is not on it', () => {
    const [nuts, ...none] = orderedLines([line({}), line({ key: 'caps' })], [{ jobId: 'a', key: 'nuts', quantity: 20 }])
    expect([nuts!.quantity, nuts!.minor, nuts!.for.map((f) => f.jobId), none]).toEqual([20, 2000, ['a'], []])
  })
  test('two bars at 27.00 and nuts for 30.00 come to 84.00; one line without a price, or sections without bars, leave it unknown', () => {
    const tube = line({ key: 'section x', kind: 'sections', unit: 'mm', minor: null })
    expect(placedMinor({ lines: [line({}), tube], bars: [bar] })).toBe(8400)
    expect(placedMinor({ lines: [line({}), tube], bars: [] })).toBeNull()
    expect(placedMinor({ lines: [line({}), line({ key: 'lamp', minor: null })], bars: [] })).toBeNull()
  })
})
