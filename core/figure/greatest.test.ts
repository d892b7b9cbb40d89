import { describe, expect, test } from 'vitest'
import { emptyAssembly } from '../assembly/assembly'
import { kept } from '../assembly/kept'
import { dimensionText } from '../drawing/dimensionText'
import type { Dimension } from '../drawing/sheet'
import { INCH, METRIC } from '../quantity/units'
import { greatest } from './greatest'

describe('the one of which most is asked', () => {
  test('is asked of each once, is the first of equals, and is nobody where there is none', () => {
    const asked: number[] = []
    const size = (n: number) => {
      asked.push(n)
      return Math.abs(n)
    }
    expect(greatest([2, -7, 7, 3], size)).toBe(-7)
    expect(asked).toEqual([2, -7, 7, 3])
    expect(greatest([], size)).toBeNull()
    // all below nothing: still one of them
    expect(greatest([-3, -9], (n) => n)).toBe(-3)
  })
})

describe('what is found for a part', () => {
  test('is found once for each assembly, and anew for another', () => {
    let found = 0
    const count = kept((part: { id: string }) => {
      found++
      return part.id.length
    })
    const part = { id: 'bar' }
    const [a, b] = [{ ...emptyAssembly }, { ...emptyAssembly }]
    expect([count(part, a), count(part, a), found]).toEqual([3, 3, 1])
    count(part, b)
    count({ ...part }, a)
    expect(found).toBe(3)
  })
})

test('a fold is told as fine as a brake is set, a length as a tape reads', () => {
  const d: Dimension = {
    kind: 'dimension',
    layer: 'dimension',
    from: { x: 0, y: 0 },
    to: { x: 1, y: 0 },
    axis: 'x',
    row: 0,
    base: 0,
    lengthMm: 76.03,
  }
  expect([dimensionText(d, METRIC), dimensionText({ ...d, fine: true }, METRIC)]).toEqual(['76', '76'])
  expect([dimensionText({ ...d, lengthMm: 76.14, fine: true }, METRIC), dimensionText({ ...d, label: 'base' }, METRIC)]).toEqual([
    '76.1',
    'base 76',
  ])
  expect([dimensionText(d, INCH), dimensionText({ ...d, fine: true }, INCH)]).toEqual(['3', '2.993'])
})
