import { describe, expect, test } from 'vitest'
import { memberLengthMm, memberMassKg } from '../../assembly/assembly'
import { notchedOutline } from '../../assembly/notch'
import { materialOf } from '../../catalogue/materials'
import { cutList } from '../../cutList/cutList'
import { areaMm2 } from '../../geometry/polygon'
import { defaultRules } from '../../rules/rules'
import { volumeMm3 } from '../../solid/mesh'
import { sweep } from '../../solid/sweep'
import { rackFrame } from '../../structure/rackFrame'
import { built } from '../../testing/onSite'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { familyOf } from '../all'
import type { LatticeParams } from './params'

const family = familyOf('lattice')!
const [van] = demoVehicles
const plain = {
  stripProfileId: 'flat-40x8-steel',
  thicknessMm: 5,
  mountId: 'gutter',
  footXMm: [0, 900],
  strips: 4,
  endMm: 200,
  notchMm: 15,
  playMm: 1,
  cornerMm: 90,
}
const made = (over: Partial<LatticeParams> = {}) => built(family, { ...plain, ...over }, van!)
const named = (b: ReturnType<typeof made>, name: string) => b.assembly.members.filter((m) => m.name === name)

describe('strips let down over bars', () => {
  test('by hand: 1300 over the band, strips of 1284 between its two halves of 8, notched 31 wide and 15 deep at 192 and 1092 from their rear end', () => {
    const strips = named(made(), 'Strip')
    expect(strips).toHaveLength(4)
    for (const s of strips) {
      expect(memberLengthMm(s)).toBeCloseTo(1300 - 16, 6)
      expect(s.notches!.map((n) => [n.atMm, n.lengthMm, n.depthMm, n.edge])).toEqual([
        [192, 31, 15, 'under'],
        [1092, 31, 15, 'under'],
      ])
    }
    // all alike: one line of the cut list, one stop for the gang
    expect(
      cutList(made().assembly)
        .filter((c) => c.name === 'Strip')
        .map((c) => c.quantity),
    ).toEqual([4])
  })
  test('it lies in its notch on the bar, and weighs what is left: outline, solid and figure agree', () => {
    const b = made()
    const [bar, strip] = [named(b, 'Crossbar')[0]!, named(b, 'Strip')[0]!]
    const barTop = bar.path[0]!.z + 15
    // 40 high, let down by 15: its underside 15 under the top of the bar
    expect(strip.path[0]!.z - 20).toBeCloseTo(barTop - 15, 6)
    const outline = areaMm2(notchedOutline(strip, memberLengthMm(strip)))
    expect(outline).toBeCloseTo(1284 * 40 - 2 * 31 * 15, 6)
    const kg = (outline * 8 * materialOf('steel').densityKgM3) / 1e9
    expect(memberMassKg(strip)).toBeCloseTo(kg, 9)
    expect((volumeMm3(sweep(strip)) * materialOf('steel').densityKgM3) / 1e9).toBeCloseTo(kg, 9)
  })
  test('a strip that ends over its bar is notched up to its end, and no metal is taken away that is not there', () => {
    const b = made({ endMm: 0, band: false })
    const strip = named(b, 'Strip')[0]!
    expect(strip.notches!.map((n) => [n.atMm, n.lengthMm])).toEqual([
      [7.75, 15.5],
      [900 - 7.75, 15.5],
    ])
    const kg = ((900 * 40 - 2 * 15.5 * 15) * 8 * materialOf('steel').densityKgM3) / 1e9
    expect(memberMassKg(strip)).toBeCloseTo(kg, 9)
    expect((volumeMm3(sweep(strip)) * materialOf('steel').densityKgM3) / 1e9).toBeCloseTo(kg, 6)
  })
  test('in the frame it bends there as what is left: 8 by 25, I = 8·25³/12 = 10 417 against 42 667', () => {
    const { assembly } = made()
    const frame = rackFrame(assembly, defaultRules, new Map(), 'clamped')
    const of = (from: number, to: number) => {
      const piece = frame.pieces.find((p) => p.memberId === 'strip:0' && p.fromMm >= from - 0.1 && p.toMm <= to + 0.1)!
      return frame.frame.members[piece.element]!.section.Iy
    }
    expect(of(192 - 15.5, 192 + 15.5)).toBeCloseTo((8 * 25 ** 3) / 12, 6)
    expect(of(192 + 15.5, 1092 - 15.5)).toBeCloseTo((8 * 40 ** 3) / 12, 6)
  })
  test('deeper notches are stressed more, and the working says that it looks into one', () => {
    const used = (notchMm: number) => {
      const l = made({ notchMm, band: false, endMm: 600 })
        .solve()
        .limits.find((x) => x.id === 'bar.bending')!
      return l
    }
    const [deep, shallow] = [used(20), used(4)]
    expect(deep.used.value!).toBeGreaterThan(shallow.used.value!)
    expect(deep.used.notes!.join()).toMatch(/in a notch/)
  })
  test('legs of one sheet: how high they come, whatever they lean', () => {
    for (const leanDeg of [0, 15, 40]) {
      const b = made({ leanDeg, legs: 'rivet nuts' })
      const bar = named(b, 'Crossbar')[0]!
      const seat = van!.mounts[0]!.zMm
      expect(b.says).toEqual([])
      // 90 to the top of the leg's underside, and its sheet of 5 under a bar of 30
      expect(bar.path[0]!.z).toBeCloseTo(seat + 90 + 5 + 15, 6)
      for (const j of b.assembly.joints.filter((x) => x.id.startsWith('joint:leg'))) {
        expect(j.at.z).toBeCloseTo(seat + 95, 6)
        expect(Math.abs(j.at.y)).toBeLessThan(Math.abs(bar.path[0]!.y) - 20)
      }
    }
  })
  test('the band: two halves, each two straights and two quarter turns of its middle line', () => {
    const b = made()
    const [rear, front] = named(b, 'Edge band')
    const wide = 2 * Math.abs(named(b, 'Crossbar')[0]!.path[0]!.y) + 8
    const around = 2 * (1300 - 8) + 2 * wide - 4 * (2 - Math.PI / 2) * 90
    expect(memberLengthMm(rear!) + memberLengthMm(front!)).toBeCloseTo(around, 4)
  })
  test('every crossing is welded, every strip and bar to the band', () => {
    const welds = made().assembly.joints.filter((j) => j.kind === 'weld')
    // 4 × 2 crossings, 4 × 2 strip ends, 2 × 2 bar ends, 2 joints of the band, 4 legs
    expect(welds).toHaveLength(8 + 8 + 4 + 2 + 4)
  })
  test('what cannot be is said', () => {
    const says = (over: Partial<LatticeParams>) => made(over).says.join('; ')
    expect(says({})).toBe('')
    expect(says({ notchMm: 25 })).toMatch(/more than half of a strip \{40\} high: \{20\} or less/)
    expect(says({ strips: 24 })).toBe('')
    expect(says({ cornerMm: null })).toMatch(/no length until the radius/)
    expect(says({ endMm: 30 })).toMatch(/in the corners of the band/)
    expect(says({ riseMm: 30, leanDeg: 0, thicknessMm: 10 })).toMatch(/The legs: a leg of/)
    expect(says({ legWideMm: 40 })).toMatch(/too near the edges of a leg: \{72\} wide or more/)
  })
})
