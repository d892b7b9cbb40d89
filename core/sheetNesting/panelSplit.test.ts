import { describe, expect, test } from 'vitest'
import { type PanelSplitGiven, panelSplit } from './panelSplit'

const given: PanelSplitGiven = {
  ...{ lengthMm: 2100, heightMm: 640, thicknessMm: 2, densityKgM3: 2680, lapMm: 40 },
  sheets: [{ id: '2000', width: 2000, height: 1000, price: 105, quantity: null }],
  ...{ edgeMm: 10, gapMm: 6 },
  parcel: { longMm: 1750, girthMm: 3000, kg: 31.5 },
}
const ways = (over: Partial<PanelSplitGiven> = {}) => panelSplit({ ...given, ...over }, { now: () => 0, tries: 20 })

describe('a panel in one part or in two', () => {
  test('2100 × 640 does not go on a sheet of 2000 × 1000; two of 1070 go on two of them', () => {
    const [one, two] = ways()
    expect([one!.fits, one!.cost]).toEqual([false, null])
    // 2 × 1070 and a gap are more than 2000, 2 × 640 more than 1000
    expect([two!.fits, two!.longMm, two!.sheets, two!.cost]).toEqual([true, 1070, 2, 210])
  })
  test('1800 × 480 is one sheet either way; in two it is posted, whole it is too long', () => {
    const [one, two] = ways({ lengthMm: 1800, heightMm: 480 })
    expect([one!.sheets, two!.sheets]).toEqual([1, 1])
    expect([one!.posts, two!.posts]).toEqual([false, true])
    // (1800 + 40)/2 = 920 long, 480 wide, two of 2 thick: 920 + 2·(480 + 4)
    expect(two!.girthMm).toBe(1888)
    expect(two!.massKg).toBeCloseTo(2 * 0.92 * 0.48 * 0.002 * 2680, 9)
  })
  test.each([
    ['too heavy', { parcel: { longMm: 1750, girthMm: 3000, kg: 4 } }],
    ['too thick round', { parcel: { longMm: 1750, girthMm: 1800, kg: 31.5 } }],
  ])('%s it is not posted', (_, over) => expect(ways({ lengthMm: 1800, heightMm: 480, ...over })[1]!.posts).toBe(false))
})
