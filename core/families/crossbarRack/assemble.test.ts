import { describe, expect, test } from 'vitest'
import { type Assembly, memberEnds, plateMassKg } from '../../assembly/assembly'
import { boxOf, plateCentre } from '../../assembly/places'
import { siteOn } from '../../testing/racks'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { assemble } from './assemble'
import { crossbarRack } from './family'
import { type CrossbarParams, plainRack } from './params'

const [van, pickup] = demoVehicles
const plain: CrossbarParams = { ...plainRack, mountId: 'gutter', barXMm: [0, 1100, 2200] }
const built = (over: Partial<CrossbarParams> = {}, vehicle = van): Assembly => assemble({ ...plain, ...over }, siteOn(vehicle)).assembly
const deckOf = (a: Assembly): number => a.supports[0]!.bearings[0]!.zMm
/** Left and right of the middle line, as pairs of what stands where. */
const mirrored = (places: { x: number; y: number; z: number }[]) => {
  const key = (p: { x: number; y: number; z: number }, sign: number) => [p.x, sign * p.y, p.z].map((n) => Math.round(n * 1e6)).join(' ')
  return places.every((p) => places.some((q) => key(q, -1) === key(p, 1)))
}

describe('where everything stands', () => {
  test.each([
    ['plain', {}],
    ['rails and corner plates', { sideRails: true, cornerPlates: true }],
    ['welded rails, fairing', { sideRails: true, build: 'welded' as const, fairing: true }],
    ['stepped brackets', { bracketInsetMm: 60 }],
  ])('%s: what stands on the left stands on the right', (_, over) => {
    for (const vehicle of [van, pickup]) {
      const a = assemble({ ...plain, ...over, mountId: vehicle.mounts[0]!.id, barXMm: [-600, -100, 400] }, siteOn(vehicle)).assembly
      expect(mirrored(a.mounts.map((m) => m.place))).toBe(true)
      expect(mirrored(a.members.flatMap(memberEnds))).toBe(true)
      expect(mirrored(a.plates.map(plateCentre))).toBe(true)
    }
  })
  test('a bar of 40 on feet of 90: its middle 110 above the mounts, the deck 130; it ends 80 past its feet', () => {
    const a = built()
    const z = van.mounts.find((m) => m.id === 'gutter')!.zMm
    const [bar, foot] = [a.members[0]!, a.mounts[0]!]
    expect([bar.path[0]!.z - z, deckOf(a) - z, foot.place.z]).toEqual([110, 130, z])
    expect(bar.path[0]!.y - foot.place.y).toBeCloseTo(80, 9)
  })
  test('a fairing of 150 leans at 45°: its sheet is 150·√2 deep; it lies on the front corner of the bar of 40, its middle 75 ahead of that and 75 under the deck', () => {
    const a = built({ fairing: true, fairingHeightMm: 150 })
    const f = a.plates.find((p) => p.air === 'fairing')!
    const { size } = boxOf(f.outline.map(({ x, y }) => ({ x, y, z: 0 })))
    expect(size.y).toBeCloseTo(212.13, 2)
    const middle = plateCentre(f)
    expect([middle.x, middle.y, middle.z - deckOf(a)].map((v) => Math.round(v * 1e6) / 1e6)).toEqual([2200 + 20 + 75, 0, -75])
    // 2 mm 6061 of 2.70 g/cm³ as long as the front bar
    expect(plateMassKg(f)).toBeCloseTo(size.x * 212.132 * f.thicknessMm * 2.7e-6, 3)
    // screwed into that bar from outside, a third of its width either side of the middle
    const front = a.joints.filter((j) => j.id.startsWith('joint:fairing'))
    expect(front.map((j) => j.between)).toEqual([
      ['fairing', 'bar:2'],
      ['fairing', 'bar:2'],
    ])
    expect(front.map((j) => Math.round((3 * j.at.y) / size.x))).toEqual([1, -1])
  })
  test('rails run 60 past the end bars and lie on the deck; with corner plates between, as much higher as those are thick', () => {
    const a = built({ sideRails: true })
    const rail = a.members.find((m) => m.name === 'Side rail')!
    expect(rail.path.map((p) => p.x)).toEqual([-60, 2260])
    // a tube of 25
    expect(rail.path[0]!.z - deckOf(a)).toBeCloseTo(12.5, 9)
    const plated = built({ sideRails: true, cornerPlates: true })
    const [thick] = plated.plates.filter((p) => p.name === 'Corner plate').map((p) => p.thicknessMm)
    expect(plated.members.find((m) => m.name === 'Side rail')!.path[0]!.z - rail.path[0]!.z).toBeCloseTo(thick!, 9)
    // one bar has nothing to carry a rail between
    expect(built({ sideRails: true, barXMm: [0] }).members.map((m) => m.name)).toEqual(['Crossbar'])
  })
  test('every rail is joined to every bar, bolted or welded as chosen', () => {
    const kinds = (build: 'bolted' | 'welded') =>
      built({ sideRails: true, build })
        .joints.filter((j) => j.id.startsWith('joint:rail'))
        .map((j) => j.kind)
    expect(kinds('bolted')).toEqual(Array(6).fill('bolt'))
    expect(kinds('welded')).toEqual(Array(6).fill('weld'))
  })
  test('nowhere to stand is said, and nothing is built', () => {
    const { assembly, issues } = assemble(plain, siteOn({ ...van, mounts: [] }))
    expect([assembly.members, issues.map((i) => i.code)]).toEqual([[], ['no_mount_line']])
  })
})

describe('what is asked when', () => {
  const asked = (over: Partial<CrossbarParams>, vehicle = van) => {
    const p = { ...plain, ...over }
    return new Set(crossbarRack.fields.filter((f) => f.when?.(p, siteOn(vehicle)) ?? true).map((f) => f.key))
  }
  test('corner plates and sleeves only for rails that are bolted', () => {
    for (const key of ['cornerPlates', 'sleeves'] as const) {
      expect(asked({ sideRails: true, build: 'bolted' }).has(key)).toBe(true)
      expect(asked({ sideRails: false, build: 'bolted' }).has(key)).toBe(false)
      expect(asked({ sideRails: true, build: 'welded' }).has(key)).toBe(false)
    }
  })
  test('a rail’s profile only with rails, a fairing’s height only with a fairing, a bracket’s sizes only with a step', () => {
    expect([asked({ sideRails: true }).has('railProfileId'), asked({}).has('railProfileId')]).toEqual([true, false])
    expect([asked({ fairing: true }).has('fairingHeightMm'), asked({}).has('fairingHeightMm')]).toEqual([true, false])
    for (const key of ['bracketThicknessMm', 'bracketFootPadMm', 'bracketBarPadMm', 'bracketWidthMm', 'bracketBolts'] as const)
      expect([asked({ bracketInsetMm: 40 }).has(key), asked({ bracketInsetMm: 0 }).has(key)]).toEqual([true, false])
  })
  test('a backing plate only behind drilled sheet, equal bars only where the mounts taper', () => {
    const line = van.mounts.find((m) => m.id === 'gutter')!
    const with_ = (over: Partial<typeof line>) => ({ ...van, mounts: [{ ...line, ...over }] })
    expect(asked({}, with_({ kind: 'through-bolt' })).has('backingMm')).toBe(true)
    expect(asked({}, with_({ kind: 'gutter' })).has('backingMm')).toBe(false)
    expect(asked({}, with_({ halfWidthFrontMm: 700, halfWidthRearMm: 720 })).has('equalBars')).toBe(true)
    expect(asked({}, with_({ halfWidthFrontMm: 720, halfWidthRearMm: 720 })).has('equalBars')).toBe(false)
  })
})
