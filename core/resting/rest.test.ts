import { describe, expect, test } from 'vitest'
import { emptyAssembly, type Support } from '../assembly/assembly'
import { type Cargo, CargoSchema } from '../brief/cargo'
import { liesOnSurface, restOf, usualHeightMm, usualSupport } from './rest'

const line = (xMm: number, zMm: number) => ({ on: `bar ${xMm}`, xMm, leftMm: 600, rightMm: -600, zMm })
const support = (id: string, over: Partial<Support>): Support => ({
  id,
  name: id,
  kind: 'bars',
  bodyId: null,
  bearings: [],
  surface: null,
  holds: false,
  walkOn: [],
  climbOn: [],
  ...over,
})
const bars = support('bars', { bearings: [line(0, 1900), line(1000, 1900)] })
const guard = support('guard', { kind: 'rail pair', bearings: [line(-800, 1700)] })
const trays = [0, 1].map((i) => support(`tray ${i}`, { kind: 'tray', bearings: [line(-1500 - 300 * i, 500)], holds: true }))
const floor = support('floor', { kind: 'floor', surface: { fromXMm: -900, toXMm: 700, leftMm: 500, rightMm: -500, zMm: 560 } as never })
const all = { ...emptyAssembly, supports: [floor, ...trays, guard, bars] }
const item = (over: Partial<Cargo>) =>
  CargoSchema.parse({
    id: 'i',
    name: 'Item',
    massKg: null,
    massBasis: 'unknown',
    lengthMm: 1400,
    widthMm: 500,
    heightMm: 300,
    counts: 'driving',
    maxOverhangMm: null,
    maxSpanMm: null,
    ruleSource: '',
    xMm: 500,
    yMm: 0,
    ...over,
  })

describe('what an item lies on', () => {
  test('nobody chose: bars before a guard’s top, that before a floor, a floor before nothing; never a holder, which an item may be far ahead of', () => {
    expect(usualSupport(all)).toBe(bars)
    expect(usualSupport({ supports: [floor, ...trays, guard] })).toBe(guard)
    expect(usualSupport({ supports: trays })).toBeNull()
    expect(usualSupport({ supports: [floor] })).toBe(floor)
    expect([usualSupport(emptyAssembly), usualHeightMm(emptyAssembly)]).toEqual([null, null])
  })
  test('what is asked for takes nothing by itself: a van’s floor, a panel’s slots, a ladder’s hooks', () => {
    for (const kind of ['floor', 'slot', 'hook row'] as const) {
      const own = support(kind, { kind, bearings: [line(0, 900)], asked: true })
      expect([usualSupport({ supports: [own] }), usualSupport({ supports: [own, guard] })]).toEqual([null, guard])
    }
  })
  test('on bars it stands at their height, on those that are under it', () => {
    const rest = restOf(item({}), all)
    expect([rest.zMm, rest.under.map((b) => b.xMm), rest.gone]).toEqual([1900, [0, 1000], []])
  })
  test('from the guard (1700) to a bar (1900): at its middle, half way between the two, 1800', () => {
    const rest = restOf(item({ on: ['guard', 'bars'], xMm: -400, lengthMm: 1200 }), all)
    expect(rest.under.map((b) => b.xMm)).toEqual([-800, 0])
    expect(rest.zMm).toBe(1800)
  })
  test('in a holder it stands in that holder, wherever its ends are', () => {
    const rest = restOf(item({ on: ['tray 1'], xMm: -1780, lengthMm: 260, widthMm: 1780 }), all)
    expect([rest.under.map((b) => b.xMm), rest.zMm]).toEqual([[-1800], 500])
  })
  test('on a floor it needs no line under it', () => {
    const rest = restOf(item({ on: ['floor'], xMm: 0 }), all)
    expect([rest.zMm, rest.under, liesOnSurface(rest)]).toEqual([560, [], true])
  })
  test('a support that is gone is named, and the item lies on nothing rather than on something else', () => {
    const rest = restOf(item({ on: ['tray 7'] }), all)
    expect([rest.gone, rest.under, rest.zMm]).toEqual([['tray 7'], [], null])
  })
})
