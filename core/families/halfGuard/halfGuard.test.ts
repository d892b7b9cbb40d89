import { describe, expect, test } from 'vitest'
import { memberLengthMm } from '../../assembly/assembly'
import { minus, size } from '../../geometry/vec3'
import { built } from '../../testing/onSite'
import { endCuts } from '../../tube/endCuts'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { unknownValue } from '../../vehicle/vehicle'
import { familyOf } from '../all'
import type { HalfGuardParams } from './params'

const family = familyOf('half-guard')!
const pickup = demoVehicles[1]!
const made = (over: Partial<HalfGuardParams> = {}, vehicle = pickup) => built(family, { bendRadiusMm: 130, ...over }, vehicle)
const part = (b: ReturnType<typeof made>, id: string) => b.assembly.members.find((m) => m.id === id)!

describe('a half guard', () => {
  test('its base tubes follow the rails: as far apart at each end as the bed is there', () => {
    const b = made()
    const [l, r] = [part(b, 'base:left'), part(b, 'base:right')]
    const apart = (at: 0 | 1) => l.path[at]!.y - r.path[at]!.y
    expect(Math.abs(apart(0) - apart(1))).toBeGreaterThan(5)
    const mounts = b.assembly.mounts.filter((m) => m.side === 'left')
    for (const m of mounts) {
      const t = (m.place.x - l.path[0]!.x) / (l.path[1]!.x - l.path[0]!.x)
      expect(m.place.y).toBeCloseTo(l.path[0]!.y + t * (l.path[1]!.y - l.path[0]!.y), 6)
    }
  })
  test('the hoop by hand: 320 up over two legs and the width there, of equal tubes no saddle is taken off', () => {
    const b = made()
    const hoop = part(b, 'hoop')
    const wide = hoop.path[1]!.y - hoop.path[2]!.y
    expect(memberLengthMm(hoop)).toBeCloseTo(2 * 320 + wide - 2 * (260 - 65 * Math.PI), 0)
  })
  test('a stay meets leg and base at angles that make a right one, and reaches from one to the other', () => {
    const b = made()
    const stay = part(b, 'stay:left')
    const [up, down] = endCuts(stay, b.assembly)
    if (up.kind !== 'cope' || down.kind !== 'cope') throw new Error('a stay is saddled at both ends')
    const acute = (a: number) => Math.min(a, 180 - a)
    // the base tube runs a little inward, so not exactly
    expect(acute(up.meeting.angleDeg) + acute(down.meeting.angleDeg)).toBeCloseTo(90, 0)
    expect(memberLengthMm(stay)).toBeCloseTo(size(minus(stay.path[0]!, stay.path[1]!)), 9)
  })
  test('what cannot be is said: stays in the bend, a base past the bed, larger stays than the hoop, no radius', () => {
    expect(made().says).toEqual([])
    expect(made({ stayUpMm: 200 }).says.join()).toMatch(/where it bends: \{1\d\d\} or less/)
    expect(made({ baseMm: 3000 }).says.join()).toMatch(/runs out behind the bed/)
    expect(made({ stayProfileId: 'round-42x3-steel', hoopProfileId: 'round-32x2-steel' }).says.join()).toMatch(/stays are larger/)
    expect(made({ bendRadiusMm: null }).says.join()).toMatch(/until the radius is known/)
    expect(made({ stayBackMm: 2000 }).says.join()).toMatch(/stand behind the base/)
  })
  test('a bed that nobody measured has no rails: no guard, and where to measure', () => {
    const measures = Object.fromEntries(Object.entries(pickup.measures).map(([id, m]) => [id, id.startsWith('bed.') ? unknownValue : m]))
    const b = made({}, { ...pickup, measures })
    expect(b.assembly.members).toEqual([])
    expect(b.says.join()).toMatch(/measure the bed/)
  })
  test('on the edge of a tray it stands as well', () => {
    const truck = demoVehicles.find((v) => v.id === 'flat-tray-truck')!
    const b = made({ baseMm: 700 }, truck)
    expect(b.assembly.mounts.length).toBeGreaterThanOrEqual(4)
    expect(new Set(b.assembly.mounts.map((m) => m.placeId))).toEqual(new Set(['tray.edge']))
  })
  test('stays carry what braking does to the hoop: without them set far back it is used more', () => {
    const used = (stayBackMm: number) =>
      Math.max(
        ...made({ stayBackMm, lowBars: 0 })
          .solve()
          .cases.filter((c) => c.case.id === 'braking')
          .map((c) => c.members.find((m) => m.memberId === 'hoop')!.used),
      )
    expect(used(500)).toBeLessThan(used(60))
  })
  test('nothing is assessed without a driving speed, and everything is with one', () => {
    expect(made().solve({ speedKmh: null }).missing).toContain('driving speed')
    expect(
      made()
        .solve()
        .limits.every((l) => l.ratio !== null),
    ).toBe(true)
  })
})
