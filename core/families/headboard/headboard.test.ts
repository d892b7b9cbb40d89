import { describe, expect, test } from 'vitest'
import { built } from '../../testing/onSite'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { familyOf } from '../all'
import type { HeadboardParams } from './params'

const family = familyOf('headboard')!
const truck = demoVehicles.find((v) => v.id === 'flat-tray-truck')!
const made = (over: Partial<HeadboardParams> = {}) => built(family, over, truck)
const worst = (b: ReturnType<typeof made>, id: string, caseId: string) =>
  Math.max(
    ...b
      .solve({ speedKmh: 100 })
      .cases.filter((c) => c.case.id === caseId)
      .map((c) => c.members.find((m) => m.memberId === id)!.used),
  )

describe('a headboard', () => {
  test('a stay’s two cuts add up to a right angle, and its slope is that of what it spans', () => {
    const { assembly } = made()
    const stay = assembly.members.find((m) => m.id === 'stay:left')!
    const [a, b] = stay.ends
    if (a.kind !== 'mitre' || b.kind !== 'mitre') throw new Error('a stay is mitred')
    expect(a.angleDeg + b.angleDeg).toBeCloseTo(90, 6)
    const [up, down] = stay.path
    expect(Math.tan((a.angleDeg * Math.PI) / 180)).toBeCloseTo((up!.z - down!.z) / (up!.x - down!.x), 2)
  })
  test('rolled down the sheet is a sail: the head wind bends the posts more than through the mesh, and that more than in the open', () => {
    const post = (over: Partial<HeadboardParams>) => worst(made(over), 'post:left', 'wind')
    expect(post({ sheet: true })).toBeGreaterThan(post({}))
    expect(post({})).toBeGreaterThan(post({ fill: 'open' }))
    // with the mesh before it the wind is counted once: the feet hold as much as behind the sheet alone
    const held = (over: Partial<HeadboardParams>) =>
      made(over)
        .solve({ speedKmh: 100 })
        .cases.find((c) => c.case.id === 'wind')!
        .feet.reduce((sum, f) => sum + f.push.x, 0)
    expect(held({ sheet: true })).toBeCloseTo(held({ sheet: true, fill: 'open' }), 0)
  })
  test('the wind on the sheet by hand: ½·ρ·v²·C·A over its area is what the feet hold rearward', () => {
    const b = made({ sheet: true, fill: 'open', midBars: 0 })
    const { cases } = b.solve({ speedKmh: 100 })
    const rear = (id: string) => cases.find((c) => c.case.id === id)!.feet.reduce((s, f) => s + f.push.x, 0)
    const [sheet] = b.assembly.infills.filter((i) => i.id === 'sheet')
    const [p, q, r] = sheet!.outline
    const area = Math.abs((p!.y - q!.y) * (r!.z - q!.z)) / 1e6
    const v = 130 / 3.6
    const onSheet = 0.5 * 1.225 * v ** 2 * 1.2 * area
    const bare = made({ sheet: false, fill: 'open', midBars: 0 })
      .solve({ speedKmh: 100 })
      .cases.find((c) => c.case.id === 'wind')!
    const metal = bare.feet.reduce((s, f) => s + f.push.x, 0)
    // what the sheet covers of the bars is counted on both: the whole lies between the two sums
    expect(-rear('wind')).toBeGreaterThan(onSheet * 0.97)
    expect(-rear('wind')).toBeLessThan(onSheet - metal + 1)
  })
  test('on a tray it stands on the tray’s edges, on a pickup on the rails of its bed, on a van not at all', () => {
    expect(made().assembly.mounts[0]!.placeId).toBe('tray.edge')
    expect(built(family, { heightMm: 600, stayUpMm: 300 }, demoVehicles[1]!).assembly.mounts[0]!.placeId).toBe('bed.rail')
    const van = built(family, {}, demoVehicles[0])
    expect([van.assembly.members.length, van.says.join()]).toEqual([0, expect.stringMatching(/no edge to stand on/)])
  })
  test('what cannot be is said', () => {
    expect(made().says).toEqual([])
    expect(made({ stayUpMm: 1500 }).says.join()).toMatch(/above the top bar/)
    expect(made({ baseMm: 300, stayBackMm: 600 }).says.join()).toMatch(/behind the base rails/)
    expect(made({ heightMm: 200, stayUpMm: 80, postProfileId: 'square-50x4-steel' }).says.join()).toMatch(
      /no height left|above the top bar|^$/,
    )
  })
})
