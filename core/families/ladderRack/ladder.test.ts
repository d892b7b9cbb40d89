import { describe, expect, test } from 'vitest'
import { memberLengthMm } from '../../assembly/assembly'
import { built } from '../../testing/onSite'
import { siteOn } from '../../testing/racks'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { unknownValue } from '../../vehicle/vehicle'
import { familyOf } from '../all'
import type { LadderParams } from './params'

const family = familyOf('ladder-rack')!
const pickup = demoVehicles[1]!
const made = (over: Partial<LadderParams> = {}, vehicle = pickup) => built(family, over, vehicle)
const used = (b: ReturnType<typeof made>, caseId: string, id: RegExp) =>
  Math.max(
    ...b
      .solve()
      .cases.filter((c) => c.case.id === caseId)
      .flatMap((c) => c.members.filter((m) => id.test(m.memberId)).map((m) => m.used)),
  )

describe('a ladder rack', () => {
  test('its top stands so far above the rail as typed, and its rails reach so far over the cab', () => {
    const { assembly } = made({ heightMm: 980, overCabMm: 700 })
    const rail = assembly.members.find((m) => m.id === 'rail:left')!
    const edge = assembly.mounts[0]!.place.z
    expect(rail.path[0]!.z + 20 - edge).toBeCloseTo(980, 6)
    const front = Math.max(...assembly.members.filter((m) => m.id.startsWith('post:')).map((m) => m.path[0]!.x))
    expect(rail.path[1]!.x - front).toBeCloseTo(700, 6)
  })
  test('rails through the roof of the cab are refused by how far, rails too near by how much is left; a roof not measured is no pass', () => {
    const roof = pickup.roofHeightMm.value!
    const rail = made().assembly.mounts[0]!.place.z
    const through = made({ heightMm: roof - rail - 60 }).says.join()
    expect(through).toMatch(/nose bar runs through the roof of the cab, \{\d+\} below it/)
    expect(made({ heightMm: roof - rail + 100 }).says.join()).toMatch(/clears the roof of the cab by \{20\} only/)
    expect(made({ heightMm: roof - rail + 121 }).says).toEqual([])
    expect(made({}, { ...pickup, roofHeightMm: unknownValue }).says.join()).toMatch(/not known: measure the height of the roof/)
    expect(made({ heightMm: 400, overCabMm: 0 }).says).toEqual([])
  })
  test('added to a pickup whose roof is measured it begins clear of it', () => {
    const begun = built(family, family.start(siteOn(pickup)), pickup)
    expect(begun.says).toEqual([])
    const nose = begun.assembly.members.find((m) => m.id === 'nose')!
    expect(nose.path[0]!.z - 20 - pickup.roofHeightMm.value!).toBeGreaterThanOrEqual(40)
  })
  test('braces take the bending of braking out of the posts', () => {
    expect(used(made(), 'braking', /^post/)).toBeLessThan(used(made({ braces: false }), 'braking', /^post/))
  })
  test('the further over the cab, the more a bump bends the rails there', () => {
    expect(used(made({ overCabMm: 1400 }), 'bump', /^rail/)).toBeGreaterThan(used(made({ overCabMm: 500 }), 'bump', /^rail/))
  })
  test('a brace spans from the foot of one gate to the head of the next, mitred to lie on both', () => {
    const { assembly } = made()
    const brace = assembly.members.find((m) => m.id === 'brace:0:left')!
    const [a, b] = brace.ends
    if (a.kind !== 'mitre' || b.kind !== 'mitre') throw new Error('a brace is mitred')
    expect(a.angleDeg + b.angleDeg).toBeCloseTo(90, 6)
    const posts = assembly.members.filter((m) => m.id.endsWith(':left') && m.id.startsWith('post:'))
    expect(memberLengthMm(brace)).toBeGreaterThan(posts[1]!.path[0]!.x - posts[0]!.path[0]!.x - 100)
  })
  test('every bar that a load may lie on is of one height, and the rails stand beside it: nothing rests on a bar that it does not touch', () => {
    const { assembly } = made({ gates: 3 })
    const tops = assembly.supports[0]!.bearings.map((b) => b.zMm)
    expect(new Set(tops.map((z) => z.toFixed(6))).size).toBe(1)
    for (const b of assembly.supports[0]!.bearings) {
      const bar = assembly.members.find((m) => m.id === b.on)!
      // 40 high
      expect(bar.path[0]!.z + 20).toBeCloseTo(b.zMm, 6)
      expect(bar.path[0]!.x).toBeCloseTo(b.xMm, 6)
    }
    const rail = assembly.members.find((m) => m.id === 'rail:left')!
    expect(rail.path[0]!.z - 20).toBeCloseTo(tops[0]!, 6)
  })
  test('three gates have three bars to lie on and the nose a fourth; without a nose there is none', () => {
    expect(made({ gates: 3 }).assembly.supports[0]!.bearings).toHaveLength(4)
    expect(made({ gates: 3, overCabMm: 0 }).assembly.supports[0]!.bearings).toHaveLength(3)
  })
  test('what cannot be is said, and a base past the bed with it', () => {
    expect(made({ baseMm: 4000 }).says.join()).toMatch(/runs out behind the bed/)
    expect(made({ gates: 5, baseMm: 400 }).says.join()).toMatch(/gates touch/)
    expect(made({ baseMm: 600, overCabMm: 2200, heightMm: 1200 }).says.join()).toMatch(/further over the cab than its gates can hold/)
    const van = built(family, {}, demoVehicles[0])
    expect(van.says.join()).toMatch(/no rails to stand on/)
  })
})
