import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { editText, formatFeetInches, formatLength, withUnit } from './formatQuantity'
import { parseQuantity } from './parseQuantity'
import { percentText } from './percent'
import { type Dimension, INCH, METRIC, type UnitSystem } from './units'

const read = (text: string, system: UnitSystem = 'inch', dimension: Dimension = 'length') => {
  const parsed = parseQuantity(text, dimension, system)
  if (!parsed.ok) throw new Error(parsed.message)
  return parsed.value
}
const refusal = (text: string, dimension: Dimension = 'length') => {
  const parsed = parseQuantity(text, dimension, 'metric')
  return parsed.ok ? `read as ${parsed.value}` : parsed.message
}

describe('typed lengths, in mm', () => {
  // 61 5/8 in = 61.625 × 25.4 = 1565.275 mm
  test.each([
    ['61 5/8', 1565.275],
    ['61-5/8', 1565.275],
    [`5' 1-5/8"`, 1565.275],
    [`5' 1 5/8"`, 1565.275],
    [`5'1-5/8"`, 1565.275],
    ['5ft 1.625in', 1565.275],
    [`5'-1.625"`, 1565.275],
    ['61⅝"', 1565.275],
    ['1.57 m', 1570],
    ['1565 mm', 1565],
    ["5'", 1524],
    ['3/8', 9.525],
    ['84 - 2*1 3/4', 80.5 * 25.4],
    ['(84-2) / 2', 41 * 25.4],
    ["5' 6", 66 * 25.4],
    ['-3', -76.2],
    ['2 * 300 mm + 1', 625.4],
    ['6\' - 2"', 70 * 25.4],
  ])('%s', (text, mm) => expect(read(text)).toBeCloseTo(mm, 9))

  test('1565 in a metric job is millimetres', () => expect(read('1565', 'metric')).toBe(1565))
  test('a decimal comma is read, 1,57 m = 1570 mm', () => expect(read('1,57 m', 'metric')).toBeCloseTo(1570, 9))
})

test('other quantities: 8.5°, 2 1/4 lb, 1 lb 8 oz, 60 mph, 140 in/min', () => {
  expect(read('8.5°', 'metric', 'angle')).toBe(8.5)
  expect(read('2 1/4 lb', 'metric', 'mass')).toBeCloseTo(1.02058, 5)
  expect(read('1 lb 8 oz', 'metric', 'mass')).toBeCloseTo(0.68039, 5)
  expect(read('60 mph', 'metric', 'speed')).toBeCloseTo(96.56, 2)
  expect([read('140', 'inch', 'feed'), read('3.5 m/min', 'metric', 'feed'), read('140 in/min', 'metric', 'feed')]).toEqual([
    3556, 3500, 3556,
  ])
})

test.each([
  ['', 'nothing was typed'],
  ['abc', 'a number was expected'],
  ['12 kg', 'not a unit of length'],
  ['1,565', 'thousands or decimals'],
  ['5 m * 2 m', 'cannot be multiplied'],
  ['4 / 0', 'divides by zero'],
  ['(3', 'not closed'],
  ['3/0', 'divides by zero'],
  ['3 4', 'after the number'],
  ['9'.repeat(200), 'too long'],
  ['1e999', 'no finite answer'],
  ['5 §', 'could not read “§”'],
])('“%s” is refused and says why', (text, reason) => expect(refusal(text)).toContain(reason))

test('1565.275 mm shows as 1565, 61 5/8 and 5\' 1-5/8"', () => {
  expect(formatLength(1565.275, METRIC)).toBe('1565')
  expect(formatLength(1565.275, { ...METRIC, mmStep: 0.5 })).toBe('1565.5')
  expect(formatLength(1565.275, INCH)).toBe('61 5/8')
  expect(formatFeetInches(1565.275, INCH)).toBe(`5' 1-5/8"`)
  expect(formatLength(1.5, { ...INCH, fraction: 32 })).toBe('1/16')
  expect(formatLength(null, INCH)).toBe('—')
  expect(formatLength(-0.2, METRIC)).toBe('0')
  expect(withUnit(31, 'mass', INCH)).toBe('68.3 lb')
})

test('what is shown is read back to within half the finest fraction, and edit text to the value itself', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 20_000, noNaN: true }),
      fc.constantFrom(METRIC, INCH, { ...INCH, fraction: 32 as const }),
      (mm, units) => {
        const half = units.system === 'inch' ? 25.4 / units.fraction / 2 : 0.5
        expect(Math.abs(read(formatLength(mm, units), units.system) - mm)).toBeLessThanOrEqual(half + 1e-6)
        const exact = editText(mm, 'length', units, (t) => read(t, units.system))
        expect(Math.abs(read(exact, units.system) - mm)).toBeLessThan(0.0051)
      },
    ),
  )
})

test('a mass in an edit field reads back to what is kept, in pounds as in kilograms: 10.1234 kg is 22.3183 lb', () => {
  const text = (units: typeof INCH) => editText(10.1234, 'mass', units, (t) => read(t, units.system, 'mass'))
  expect([text(INCH), text(METRIC)]).toEqual(['22.3183', '10.1234'])
})

test('a share: 97 %, 142 %, and more than 999 says no more than that', () =>
  expect([0.974, 1.416, 9.994, 9.996, 1e9].map(percentText)).toEqual(['97 %', '142 %', '999 %', 'more than 999 %', 'more than 999 %']))

test('no text at all makes the reader throw or give NaN', () => {
  fc.assert(
    fc.property(fc.string({ unit: fc.constantFrom(...`0123456789 ./-+*()'"mftinkgx½,`) }), (text) => {
      const parsed = parseQuantity(text, 'length', 'inch')
      expect(parsed.ok ? Number.isFinite(parsed.value) : parsed.message.length > 5).toBe(true)
    }),
    { numRuns: 500 },
  )
})
