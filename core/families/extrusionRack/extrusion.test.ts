import { describe, expect, test } from 'vitest'
import { memberLengthMm } from '../../assembly/assembly'
import { drillList, holePlaces } from '../../drilling/holes'
import { rackLimits } from '../../limits/rackLimits'
import { defaultRules } from '../../rules/rules'
import { built } from '../../testing/onSite'
import { siteOn } from '../../testing/racks'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { familyOf } from '../all'
import type { ExtrusionParams } from './params'

const family = familyOf('extrusion-rack')!
const van = demoVehicles[0]
const made = (over: Partial<ExtrusionParams> = {}) => built(family, { mountId: 'gutter', footXMm: [-600, 900, 2400], ...over }, van)
const count = (b: ReturnType<typeof made>, kind: string) =>
  b.assembly.hardware.filter((h) => h.part.kind === kind).reduce((s, h) => s + h.quantity, 0)

describe('a rack of slotted extrusion', () => {
  test('crossbars are as long as the side bars leave clear, the stop reaches over both', () => {
    const { assembly } = made()
    const beam = (side: string) => assembly.members.find((m) => m.id === `beam:${side}`)!
    const half = (x: number) => {
      const [a, b] = beam('left').path
      return a!.y + ((b!.y - a!.y) * (x - a!.x)) / (b!.x - a!.x)
    }
    for (const m of assembly.members.filter((x) => x.id.startsWith('cross:')))
      expect(memberLengthMm(m)).toBeCloseTo(2 * (half(m.path[0]!.x) - 20), 6)
    const stop = assembly.members.find((m) => m.id === 'stop')!
    expect(memberLengthMm(stop)).toBeCloseTo(2 * (half(stop.path[0]!.x) + 20), 6)
    // it lies on top of the side bars: two halves of 40 between the middles
    expect(stop.path[0]!.z - beam('left').path[0]!.z).toBeCloseTo(40, 6)
  })
  test('captive nuts are counted by hand: four crossbars, two ends, two brackets, two bolts each; a nut to every bolt, and the feet’s beside them', () => {
    const b = made({ crosses: 4, stop: false })
    const bracketBolts = 4 * 2 * 2 * 2
    expect(count(b, 'corner bracket')).toBe(16)
    expect(count(b, 'T-nut')).toBe(bracketBolts + 2 * b.assembly.mounts.length)
    const tapped = made({ held: 'tapped ends', stop: false })
    expect([count(tapped, 'corner bracket'), count(tapped, 'anti-turn pin')]).toEqual([0, 8])
  })
  test('a slot holds what its maker says: unknown until the rule has it, then counted bolt by bolt', () => {
    const { assembly } = made()
    const brief = { ...siteOn(van).brief, cargo: [], speedKmh: 90 }
    const joints = (tNutN: number) =>
      rackLimits({ assembly, carried: [], vehicle: van, brief, rules: { ...defaultRules, tNutN }, tests: [] }).limits.find(
        (l) => l.id === 'joint.bolts',
      )!
    expect(joints(0)).toMatchObject({ state: 'unknown' })
    expect(joints(0).used.missing.join()).toMatch(/what the slot of .* holds, by its maker/)
    const [weak, firm] = [joints(100), joints(5000)]
    expect(weak.ratio!).toBeGreaterThan(firm.ratio!)
    const shear = firm.used.with.find((i) => i.symbol === 'Fv')!.value!
    expect(weak.used.value!).toBeGreaterThanOrEqual(shear / 100 - 1e-6)
    // a nut is pulled out of its slot before its bolt breaks
    expect(firm.used.with.find((i) => i.symbol === 'Ft,R')!.value).toBe(5000)
    expect(joints(50_000).used.with.find((i) => i.symbol === 'Ft,R')!.value).toBeLessThan(50_000)
  })
  test('brackets keep it square: pushed by its own weight in a bend it leans less than on bolts alone', () => {
    const sag = (held: ExtrusionParams['held']) =>
      made({ held, stop: false })
        .solve()
        .limits.find((l) => l.id === 'bar.sag')!.used.value!
    expect(sag('brackets')).toBeLessThan(sag('tapped ends'))
  })
  test('nothing is drilled in it, and what cannot be is said', () => {
    const b = made()
    const places = holePlaces(b.assembly, van, defaultRules)
    expect([places.filter((p) => p.what === 'joint'), drillList(b.assembly, places)]).toEqual([[], []])
    expect(b.says).toEqual([])
    expect(made({ footXMm: [400, 1400], crosses: 12 }).says.join()).toMatch(/brackets of two crossbars meet/)
    expect(made({ footXMm: [400, 420] }).says.join()).toMatch(/nearer than|takes none/)
  })
})
