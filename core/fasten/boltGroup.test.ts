import { expect, test } from 'vitest'
import { leverMm } from './boltGroup'

const grid = (xs: number[], ys: number[]) => xs.flatMap((x) => ys.map((y) => ({ x, y })))
const pad = { padXMm: 80, padYMm: 60 }

test('two bolts 50 apart are as good as themselves along their line, and pry over the part’s 60 across it: the poorer counts', () => {
  expect(leverMm({ at: grid([0, 50], [0]), padXMm: 80, padYMm: 60 })).toBeCloseTo(50, 9)
  expect(leverMm({ at: grid([0, 50], [0]), padXMm: 80, padYMm: 30 })).toBeCloseTo(30, 9)
})
test('four in a rectangle 50 by 22: two pairs 22 apart', () => expect(leverMm({ at: grid([0, 50], [0, 22]), ...pad })).toBeCloseTo(22, 9))
test('three rows 40 apart: by hand, M over three bolts at −40, 0 and 40 pulls each outer one M/80, as a pair 80 apart would pull two: of three bolts M/(a/2)/3, a = 53.3', () => {
  const a = leverMm({ at: grid([0], [0, 40, 80]), padXMm: 200, padYMm: 200 })
  expect(1 / (a / 2) / 3).toBeCloseTo(1 / 80, 9)
})
test('one bolt pries over the narrower way of its part', () => expect(leverMm({ at: [{ x: 5, y: 5 }], padXMm: 40, padYMm: 60 })).toBe(40))
