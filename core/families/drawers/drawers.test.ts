import { describe, expect, test } from 'vitest'
import { boxOf, partMasses, plateCorners } from '../../assembly/places'
import { placed } from '../../brief/placeCargo'
import { accessories } from '../../catalogue/accessories'
import { evaluate } from '../../job/evaluate'
import { type Job, newJob } from '../../job/job'
import { METRIC } from '../../quantity/units'
import { defaultRules } from '../../rules/rules'
import { built } from '../../testing/onSite'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { familyOf } from '../all'
import { type DrawersParams, DrawersParams as schema } from './params'

const family = familyOf('drawers')!
const pickup = demoVehicles[1]!
const plain = { frontMm: 350, widthMm: 1000, slideKg: 90, slidePairKg: 6, latchN: 2000, outLockN: 300 }
const made = (over: Partial<DrawersParams> = {}) => built(family, { ...plain, ...over }, pickup)
const box = (b: ReturnType<typeof made>, id: string) => boxOf(plateCorners(b.assembly.plates.find((p) => p.id === id)!))

/** where they lie, shut: forward of the rear axle. mm */
const spanners = { xMm: -150 }
function jobOf(over: Partial<DrawersParams> = {}, kg: number | null = 30): Job {
  const base = newJob('Drawers', pickup, METRIC)
  const piece = {
    id: 'p1',
    name: '',
    letter: '',
    family: 'drawers',
    params: schema.parse({ ...plain, ...over }),
    on: null,
    state: 'fitted' as const,
  }
  const item = {
    ...placed(accessories[0]!, 'tools', spanners.xMm, 240, {}),
    name: 'Spanners',
    lengthMm: 300,
    widthMm: 300,
    heightMm: 100,
    use: 'goods' as const,
    massKg: kg === null ? null : { least: kg, most: kg },
    massBasis: kg === null ? ('unknown' as const) : ('weighed' as const),
    counts: 'both' as const,
    securing: null,
    on: ['p1/tray:0'],
  }
  return { ...base, brief: { ...base.brief, speedKmh: 80, agreedUses: ['goods'], cargo: [item] }, pieces: [piece] }
}
const limits = (job: Job) => new Map(evaluate(job, defaultRules).limits.map((l) => [l.id, l]))

describe('drawers under a deck', () => {
  test('each drawer is as wide as its bay less two slides, and stands clear of walls, partition and deck', () => {
    const b = made({ count: 2, slideGapMm: 13, thicknessMm: 2, heightMm: 260 })
    // (1000 − 2·2 − 2) / 2 = 497 a bay, less 26
    expect(box(b, 'drawer:0').size.y).toBeCloseTo(471, 3)
    expect(box(b, 'drawer:0').centre.y).toBeCloseTo(500 - 2 - 497 / 2, 3)
    const [drawer, deck, carcass] = [box(b, 'drawer:0'), box(b, 'deck'), box(b, 'carcass')]
    expect([carcass.size.x, carcass.size.y, carcass.size.z]).toEqual([1100, 1000, 260].map((v) => expect.closeTo(v, 3)))
    const rib = box(b, 'rib:0:0')
    expect(drawer.centre.z + drawer.size.z / 2).toBeLessThan(rib.centre.z - rib.size.z / 2)
    expect(drawer.centre.z - drawer.size.z / 2).toBeGreaterThan(carcass.centre.z - 130 + 2)
    expect(deck.centre.z + deck.size.z / 2).toBeCloseTo(carcass.centre.z + 130 + 3, 3)
    // the front closes its bay from outside
    expect(box(b, 'front:0').size.y).toBeCloseTo(492, 6)
    expect(drawer.centre.x - drawer.size.x / 2).toBeGreaterThanOrEqual(carcass.centre.x - 550 + 2 - 1e-6)
  })
  test('pulled right out it lifts the far feet: moments about the outer row, from where everything then stands', () => {
    const travel = 900
    const e = evaluate(jobOf({ count: 2, travelMm: travel }, 60), defaultRules)
    const { assembly } = e
    const at = (xMm: number, kg: number) => ({ xMm, kg })
    const isOut = (id: string) => /\/(drawer|front):0$/.test(id) || /\/slide:0/.test(id)
    // every part at its own centre; the first drawer and its spanners 900 further to the rear, and half as heavy again
    const stands = [
      ...partMasses(assembly).map((p) => at(p.at.x - (isOut(p.id) ? travel : 0), (p.kg ?? 0) * (isOut(p.id) ? 1.5 : 1))),
      at(e.assembly.supports.length ? spanners.xMm - travel : 0, 60 * 1.5),
    ]
    const xs = assembly.mounts.map((m) => m.place.x)
    const [outer, inner] = [Math.min(...xs), Math.max(...xs)]
    const turning = stands.reduce((s, p) => s + p.kg * 9.80665 * (outer - p.xMm), 0)
    expect(turning).toBeGreaterThan(0)
    const out = e.limits.find((l) => l.id === 'out.drawer:0')!
    // two feet in the inner row
    expect(out.used.value!).toBeCloseTo(turning / (inner - outer) / 2, 2)
    expect(limits(jobOf({ travelMm: 500 }, 60)).get('out.drawer:0')!.used.value!).toBeLessThan(out.used.value!)
    // the other drawer is empty: it alone is less
    expect(e.limits.find((l) => l.id === 'out.drawer:1')!.used.value!).toBeLessThan(out.used.value!)
  })
  test('slides by their maker: 60 kg on 90 is clear, on 50 over, unknown is open; a load nobody weighed too', () => {
    const rated = (slideKg: number | null, kg: number | null = 60) => limits(jobOf({ slideKg }, kg)).get('support.p1/tray:0')!.state
    expect([rated(90), rated(50), rated(null), rated(90, null)]).toEqual(['clear', 'over', 'unknown', 'unknown'])
    expect(limits(jobOf({ latchN: null })).get('joint.rated')!.state).toBe('unknown')
    expect(limits(jobOf({}, null)).get('out.drawer:0')!.state).toBe('unknown')
  })
  test('out on a slope of 8° it runs shut with g·m·sin 8°, and its lock must hold that; no lock is over, an unknown one and an unweighed load are not assessed', () => {
    const kept = (outLockN: number | null, kg: number | null = 60) => limits(jobOf({ outLockN }, kg)).get('kept-out.drawer:0')!
    const { assembly } = evaluate(jobOf({}, 60), defaultRules)
    const moves = assembly.motions.find((m) => m.id === 'p1/drawer:0')!.moves
    const kg = partMasses(assembly).reduce((s, p) => s + (moves.includes(p.id) ? p.kg! : 0), 60)
    expect(kept(300).used.value!).toBeCloseTo(kg * 9.80665 * 0.139173, 2)
    expect([kept(300), kept(90), kept(0), kept(null), kept(300, null)].map((l) => l.state)).toEqual([
      'clear',
      'over',
      'over',
      'unknown',
      'unknown',
    ])
  })
  test('shut in under the deck it needs no strap; its floor bends under it', () => {
    const l = limits(jobOf())
    expect(l.has('straps.tools')).toBe(false)
    expect(l.get('sheet')!.used.name).toMatch(/a drawer, Spanners/)
    expect(limits(jobOf({ thicknessMm: 3 })).get('sheet')!.ratio!).toBeLessThan(l.get('sheet')!.ratio!)
  })
  test('what lies on the deck bends a rib by hand: a channel 40 × 25 × 2 on its back, over a bay of 497', () => {
    const job = jobOf({}, 20)
    const onDeck = (kg: number | null, over: Partial<DrawersParams> = {}) => {
      const j = jobOf(over, kg)
      return limits({ ...j, brief: { ...j.brief, cargo: j.brief.cargo.map((c) => ({ ...c, on: ['p1/deck'] })) } }).get('sheet.ribs')
    }
    expect(limits(job).has('sheet.ribs')).toBe(false)
    // back 40 × 2 at 1, two legs 23 × 2 at 13.5: middle at (80·1 + 92·13.5)/172 = 7.69
    const y = (80 * 1 + 92 * 13.5) / 172
    const I = (40 * 2 ** 3) / 12 + 80 * (y - 1) ** 2 + (2 * (2 * 23 ** 3)) / 12 + 92 * (13.5 - y) ** 2
    const W = I / (25 - y)
    const l = onDeck(20)!
    expect(l.used.with.find((i) => i.symbol === 'W')!.value! / W).toBeCloseTo(1, 3)
    // five ribs 220 apart, spanners 300 long and 300 wide: 220/300 of them on one rib
    const bump = evaluate(job, defaultRules).cases.reduce((most, c) => Math.max(most, c.case.downG), 0)
    const M = (20 * 9.80665 * bump * (220 / 300) * (2 * 497 - 300)) / 8
    expect(l.used.value! / (M / W)).toBeCloseTo(1, 3)
    expect(onDeck(null)!.state).toBe('unknown')
    expect(onDeck(20, { ribMm: 45 })!.ratio!).toBeLessThan(l.ratio!)
  })
  test('slides that nobody weighed leave the mass of it unknown, and with it the gross mass', () => {
    const open = evaluate(jobOf({ slidePairKg: null }), defaultRules)
    expect(open.rackMassKg).toBeNull()
    expect(open.limits.find((l) => l.id === 'gross')!.state).toBe('unknown')
    const known = evaluate(jobOf(), defaultRules).rackMassKg!
    expect(known - evaluate(jobOf({ slidePairKg: 0 }), defaultRules).rackMassKg!).toBeCloseTo(2 * 6, 9)
  })
  test('the rear edge of the deck lies on a rib; each rib ends short of the walls of its bay', () => {
    const b = made({ count: 2 })
    const [deck, first] = [box(b, 'deck'), box(b, 'rib:0:0')]
    expect(first.centre.x - first.size.x / 2 - (deck.centre.x - deck.size.x / 2)).toBeLessThan(5)
    for (const [bay, id] of [
      [0, 'rib:1:0'],
      [1, 'rib:1:1'],
    ] as const) {
      const rib = box(b, id)
      // beside a partition it ends at the flange, 25 wide and 1 clear
      expect(rib.size.y).toBeCloseTo(bay === 0 ? 494 : 468, 3)
      expect(Math.sign(rib.centre.y)).toBe(bay === 0 ? 1 : -1)
      expect(Math.abs(rib.centre.y) - rib.size.y / 2).toBeGreaterThan(1)
    }
  })
  test('what cannot be is said', () => {
    expect(made().says).toEqual([])
    expect(made({ travelMm: 1090 }).says.join()).toMatch(/cannot travel farther than it is long/)
    expect(made({ heightMm: 90, ribs: 4 }).says.join()).toMatch(/^$|No height/)
    expect(made({ widthMm: 300, count: 4 }).says.join()).toMatch(/too narrow between their slides/)
    expect(made({ frontMm: 900 }).says.join()).toMatch(/run out behind what they stand on/)
  })
})
