import { expect, test } from 'vitest'
import { type Member, memberMiddle } from './assembly'

const hoop = (bendRadiiMm?: number[]): Member => ({
  id: 'h',
  mark: 'H',
  name: 'hoop',
  profileId: 'round-32x2-steel',
  path: [
    { x: 0, y: 450, z: 0 },
    { x: 0, y: 450, z: 400 },
    { x: 0, y: -450, z: 400 },
    { x: 0, y: -450, z: 0 },
  ],
  ends: [{ kind: 'square' }, { kind: 'square' }],
  ...(bendRadiiMm ? { bendRadiiMm } : {}),
})

test('the middle of a hoop is not between its feet: (2·400·200 + 900·400) / 1700 = 305.9 up, for sharp corners', () => {
  const { x, y, z } = memberMiddle(hoop())
  expect(z).toBeCloseTo(305.88, 2)
  expect([x, y]).toEqual([expect.closeTo(0, 9), expect.closeTo(0, 9)])
})
test('with bends of 100: two legs of 300, two quarter arcs whose middles lie R·2/π off their centres, and 700 between', () => {
  const arc = (100 * Math.PI) / 2
  const up = (2 * 300 * 150 + 2 * arc * (300 + 200 / Math.PI) + 700 * 400) / (600 + 2 * arc + 700)
  expect(memberMiddle(hoop([100, 100])).z).toBeCloseTo(up, 0)
})
test('a straight tube’s is halfway', () => {
  const [a, b] = [
    { x: 0, y: 0, z: 0 },
    { x: 100, y: 40, z: -20 },
  ]
  expect(memberMiddle({ ...hoop(), path: [a, b] })).toEqual({ x: 50, y: 20, z: -10 })
})
