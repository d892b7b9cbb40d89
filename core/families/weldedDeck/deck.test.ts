import { describe, expect, test } from 'vitest'
import { assemblyMassKg, memberLengthMm } from '../../assembly/assembly'
import { standingPlaces } from '../../limits/whereSomebodyIs'
import { built } from '../../testing/onSite'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { mountHalfWidthMm } from '../../vehicle/vehicle'
import { familyOf } from '../all'
import type { DeckParams } from './params'

const family = familyOf('welded-deck')!
const van = demoVehicles[0]
const plain = { mountId: 'gutter', footXMm: [-600, 400, 1400, 2400], crosses: 7 }
const made = (over: Partial<DeckParams> = {}) => built(family, { ...plain, ...over }, van)

describe('a welded deck', () => {
  test('cross members are as long as the beams leave between them, flush with their tops', () => {
    const { assembly } = made()
    const beam = assembly.members.find((m) => m.id === 'beam:left')!
    for (const m of assembly.members.filter((x) => x.id.startsWith('cross:'))) {
      const x = m.path[0]!.x
      const t = (x - beam.path[0]!.x) / (beam.path[1]!.x - beam.path[0]!.x)
      const y = beam.path[0]!.y + t * (beam.path[1]!.y - beam.path[0]!.y)
      expect(memberLengthMm(m)).toBeCloseTo(2 * (y - 20), 6)
      // 40 beams, 30 members: tops level
      expect(m.path[0]!.z + 15).toBeCloseTo(beam.path[0]!.z + 20, 6)
    }
  })
  test('its boards weigh what wet wood weighs: by hand from their number, width and length', () => {
    const { assembly } = made()
    const [boards] = assembly.infills
    const n = boards!.boards!.startsMm.length
    expect(boards!.massKg).toBeCloseTo(n * 0.095 * 0.02 * (boards!.boards!.lengthMm / 1000) * 520 * 1.25, 6)
    const bare = made({ boards: false }).assembly
    expect(assemblyMassKg(assembly)! - assemblyMassKg(bare)!).toBeCloseTo(boards!.massKg, 6)
  })
  test('the boards end inside the beams at the narrower end of a roof that narrows', () => {
    const { assembly } = made()
    const { boards } = assembly.infills[0]!
    const wide = boards!.startsMm.at(-1)! + boards!.widthMm
    const narrow = Math.min(...[-600, 2400].map((x) => mountHalfWidthMm(van.mounts[0]!, x)))
    expect(wide).toBeLessThanOrEqual(2 * (narrow + 20) + 1e-6)
  })
  test('somebody may stand on every cross member, and is counted', () => {
    const b = made()
    const places = standingPlaces(b.assembly)
    expect(new Set(places.map((p) => p.memberId)).size).toBe(7)
    const stood = b.solve({ someoneStands: true })
    const alone = b.solve()
    const worst = (r: typeof stood) => Math.max(...r.limits.filter((l) => l.group === 'rack').map((l) => l.ratio ?? 0))
    expect(stood.missing).toEqual([])
    expect(worst(stood)).toBeGreaterThan(worst(alone))
  })
  test('two pairs of feet press more than four, and a heavier board more than a lighter one', () => {
    const pressed = (over: Partial<DeckParams>) =>
      made(over)
        .solve()
        .limits.find((l) => l.name === 'Foot, pressed down')!.ratio!
    expect(pressed({ footXMm: [-600, 2400] })).toBeGreaterThan(pressed({}))
    expect(pressed({ boardThickMm: 40 })).toBeGreaterThan(pressed({}))
  })
  test('boards that do not fit, members that touch and taller cross members are refused in words', () => {
    expect(made().says).toEqual([])
    expect(made({ crosses: 24, footXMm: [0, 300], pastMm: 0 }).says.join()).toMatch(/touch/)
    expect(made({ crossProfileId: 'square-50x4-steel' }).says.join()).toMatch(/taller than the beams/)
  })
  test('lower feet bring it down by as much', () => {
    const top = (footHeightMm: number) => made({ footHeightMm }).assembly.supports[0]!.bearings[0]!.zMm
    expect(top(60) - top(20)).toBeCloseTo(40, 9)
  })
})
