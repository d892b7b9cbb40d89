import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { bandLengthMm } from '../band/band'
import { boltHoles } from '../boltHoles/boltHoles'
import { coatSchedule } from '../coat/coat'
import { cutTime } from '../cutTime/cutTime'
import { fitUpGap, gangCut } from '../gang/gang'
import { liftPlan } from '../lift/lift'
import { scoredFold } from '../scoredFold/scoredFold'
import { slideOut } from '../slide/slide'
import { tilted } from '../tilt/tilt'
import { wedge } from '../wedge/wedge'
import { wire } from '../wiring/wiring'

describe('metal', () => {
  test('a groove 3 deep in plate of 4, folded square: 6 wide, a web of 1; cut only 4 wide it closes at 67.4°', () => {
    expect(scoredFold(4, 3, 90, null)).toMatchObject({ widthMm: expect.closeTo(6, 9), webMm: 1, closes: true })
    expect(scoredFold(4, 3, 90, 4)).toMatchObject({ closes: false, closesAtDeg: expect.closeTo(67.38, 2) })
    expect(() => scoredFold(4, 4, 90, null)).toThrow(/goes through/)
  })
  test('M8: 8.4, 9 and 10 clear; tapped at three quarters it is drilled 6.78, as the 6.8 of every chart; 16 of thread in aluminium', () => {
    const m8 = boltHoles('M8', 0.75, true, 9)
    expect(m8).toMatchObject({ closeMm: 8.4, normalMm: 9, looseMm: 10, threadMm: 16, fits: 'normal' })
    expect(m8.tapDrillMm).toBeCloseTo(6.78, 2)
    expect(boltHoles('M8', 0.75, false, 8).fits).toBe('too tight')
    expect(boltHoles('M8', 0.75, false, 6.8).fits).toBe('thread only')
    expect(boltHoles('M8', 0.75, false, 11).fits).toBe('too loose')
    // 3/8-16 at 77 %: the chart's 5/16 drill
    expect(boltHoles('3/8-16', 0.77, false, null).tapDrillMm / 25.4).toBeCloseTo(5 / 16, 2)
  })
  test('a band round 2200 × 1300 with corners of 90 is 154.5 shorter than round sharp ones; of corners as large as it is wide it is a circle and two straights', () => {
    expect(bandLengthMm(2200, 1300, 90, 0).aroundMm).toBeCloseTo(7000 - 1.7168 * 90, 1)
    expect(bandLengthMm(2000, 1000, 500, 0).aroundMm).toBeCloseTo(2000 + Math.PI * 1000, 6)
    expect(bandLengthMm(1000, 1000, 500, 10).bandMm).toBeCloseTo(Math.PI * 1010, 6)
    expect(() => bandLengthMm(1000, 400, 300, 0)).toThrow(/200 mm or less/)
  })
  test('twelve tubes of 40 pass a saw of 150 by 170 at once; fourteen take two cuts instead of fourteen', () => {
    expect(gangCut(40, 40, 150, 170, 14, 1.5)).toEqual({ atOnce: 12, cuts: 2, savedMin: 18 })
    expect(() => gangCut(200, 40, 150, 170, 2, 1)).toThrow(/does not pass/)
    // 0.4 in 100 both ways over a tube of 50
    expect(fitUpGap(0.4, 100, 50, 1.5)).toEqual({ gapMm: expect.closeTo(0.4, 9), bridges: true })
    expect(fitUpGap(2, 100, 50, 1.5).bridges).toBe(false)
  })
  test('1240 at 2400 a minute and five pierces: 36 s; eight of them and ten minutes to set up are 14.8 min', () => {
    const t = cutTime({ lengthMm: 1240, feedMmMin: 2400, pierces: 5, pierceS: 1, setUpMin: 10, perHourMinor: 6000, quantity: 8 })
    expect(t).toEqual({ secondsEach: 36, minutesAll: expect.closeTo(14.8, 9), priceMinor: 1480 })
  })
})

describe('in and on the vehicle', () => {
  test('level it is as long as it is, upright as tall; between, height and reach keep the diagonal', () => {
    expect(tilted(3000, 110, 0)).toEqual({ heightMm: 110, reachMm: 3000 })
    expect(tilted(3000, 110, 90).heightMm).toBeCloseTo(3000, 6)
    fc.assert(
      fc.property(fc.double({ min: 0, max: 90, noNaN: true }), (a) => {
        const t = tilted(2000, 0, a)
        expect(Math.hypot(t.heightMm, t.reachMm)).toBeCloseTo(2000, 6)
      }),
    )
  })
  test('a tray of 1400 out by 1300: 112 kg a half 168, 600 past the edge, against a base of 1300: 760 N up, less half the frame', () => {
    const s = slideOut({ trayMm: 1400, travelMm: 1300, baseMm: 1300, trayKg: 22, loadKg: 90, frameKg: 14, fixings: 2, loadFactor: 1.5 })
    const byHand = 9.80665 * ((168 * 600) / 1300 - 7)
    expect(s.upliftN).toBeCloseTo(byHand, 6)
    expect(s.perFixingN).toBeCloseTo(byHand / 2, 6)
    // pulled out by half the tray and a little, the frame's own weight still holds it
    expect(
      slideOut({ trayMm: 1400, travelMm: s.tipsAtMm! - 1, baseMm: 1300, trayKg: 22, loadKg: 90, frameKg: 14, fixings: 2, loadFactor: 1.5 })
        .upliftN,
    ).toBe(0)
    expect(() =>
      slideOut({ trayMm: 600, travelMm: 2000, baseMm: 600, trayKg: 1, loadKg: 1, frameKg: 0, fixings: 2, loadFactor: 1 }),
    ).toThrow(/come out/)
  })
  test('1.6 of slack by a wedge of 8°: drawn 11.4, 7.6 turns of a pitch of 1.5; steeper than friction it creeps back', () => {
    const w = wedge(1.6, 8, 1.5, 0.15)
    expect(w.drawMm).toBeCloseTo(11.38, 2)
    expect(w.turns).toBeCloseTo(7.59, 2)
    expect(w.holdsItself).toBe(true)
    expect(wedge(1.6, 12, 1.5, 0.15).holdsItself).toBe(false)
    expect(() => wedge(1.6, 0, 1.5, 0.15)).toThrow(/takes up nothing/)
  })
  test('96 W at 12 V over 5.2 m: 8 A, 4 mm² loses 0.36 V and 2.5 would lose 0.57; a fuse of 10', () => {
    const fed = { powerW: 96, supplyV: 12, lengthMm: 5200, back: 'cable' as const }
    const rules = { mostShare: 0.03, reserve: 1.25, mostAPerMm2: 5 }
    const w = wire(fed, rules)
    expect(w).toMatchObject({ currentA: 8, sectionMm2: 4, fuseA: 10, cableMustCarryA: 10 })
    expect(w.dropV).toBeCloseTo((2 * 0.0172 * 5.2 * 8) / 4, 9)
    expect((2 * 0.0172 * 5.2 * 8) / 2.5).toBeGreaterThan(0.36)
    expect(() => wire({ ...fed, powerW: 5000 }, rules)).toThrow(/417 A is beyond the fuses/)
    expect(() => wire({ ...fed, powerW: 900, lengthMm: 40_000 }, rules)).toThrow(/no conductor/)
    // a short run: 0.5 mm² would lose little, and burn before a fuse of 10 lets go
    const short = { ...fed, lengthMm: 500 }
    expect((2 * 0.0172 * 0.5 * 8) / 0.5).toBeLessThan(0.36)
    expect(wire(short, rules).sectionMm2).toBe(2.5)
    for (const powerW of [5, 30, 96, 240, 600]) {
      const { sectionMm2, fuseA } = wire({ ...short, powerW }, rules)
      expect(sectionMm2 * 5).toBeGreaterThanOrEqual(fuseA)
    }
  })
  test('68 kg to the roof of a wagon: six pairs of hands above the shoulder, so a hoist; to the bench three people', () => {
    expect(liftPlan(68, 1960, 25, 1400)).toMatchObject({ people: 6, hoist: true })
    expect(liftPlan(68, 900, 25, 1400)).toMatchObject({ people: 3, hoist: false })
    expect(liftPlan(20, 900, 25, 1400).says).toBe('one person')
  })
  test('two coats on two faces: 4 × 0.5 of work, 2 × 2 to turn, 12 between, 72 to cure: 90 h', () => {
    const s = coatSchedule({ coats: 2, faces: 2, workHours: 0.5, touchHours: 2, recoatHours: 12, cureHours: 72 })
    expect(s.readyHour).toBe(2 + 4 + 12 + 72)
    for (const [i, step] of s.steps.slice(1).entries()) expect(step.fromHour).toBe(s.steps[i]!.untilHour)
  })
})
