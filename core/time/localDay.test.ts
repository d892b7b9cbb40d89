import { expect, test } from 'vitest'
import { localDay, localMinute } from './localDay'

test('a day is the one on the wall, from its first minute to its last, wherever that is', () => {
  expect(localDay(new Date(2026, 11, 24, 0, 0))).toBe('2026-12-24')
  expect(localDay(new Date(2026, 11, 24, 23, 59))).toBe('2026-12-24')
  expect(localDay(new Date(2027, 0, 1, 0, 30))).toBe('2027-01-01')
  expect(localMinute(new Date(2026, 2, 3, 8, 5))).toBe('2026-03-03 08:05')
})
