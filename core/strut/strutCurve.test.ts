import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { G_M_S2 } from '../quantity/units'
import { strutBalance } from './coverStrut'
import { bestStruts, type StrutGiven, strutCurve, strutForceN } from './strutCurve'

// a level lid of 12 kg, its middle 250 out, opened to 90°; gravity straight down on it
const lid: StrutGiven = {
  fromDeg: 0,
  toDeg: 90,
  empty: [{ kg: 12, out: 250, up: 0 }],
  loaded: [{ kg: 12, out: 250, up: 0 }],
  gravity: { out: 0, up: -1 },
  handOutMm: 500,
  count: 2,
  forceN: 150,
  extendedMm: 420,
  strokeMm: 170,
  progression: 1.3,
  onLeaf: { out: 300, up: 0 },
  onBody: { out: 60, up: -230 },
  coldC: -10,
  hotC: 40,
  kept: 0.85,
}

describe('a lid on gas struts', () => {
  test('without struts a hand lifts half the weight at twice the arm, and nothing when it stands upright', () => {
    const { points } = strutCurve({ ...lid, forceN: 0 })
    expect(points[0]!.hand.heavy).toBeCloseTo((12 * G_M_S2 * 250) / 500, 9)
    expect(points[points.length - 1]!.hand.heavy).toBeCloseTo(0, 9)
  })
  test('shut: from (60, −230) to (300, 0) a strut is 332.4 long and its arm about the hinge 300·230/332.4 = 207.6', () => {
    const [shut] = strutCurve(lid).points
    expect(shut!.lengthMm).toBeCloseTo(Math.hypot(240, 230), 9)
    expect(shut!.armMm).toBeCloseTo((300 * 230) / Math.hypot(240, 230), 9)
  })
  test('force: at full length as labelled at 20 °C; pushed right in 1.3 times; at −10 °C 263/293 of it', () => {
    expect(strutForceN(lid, 420, 20)).toBeCloseTo(150, 9)
    expect(strutForceN(lid, 250, 20)).toBeCloseTo(195, 9)
    expect(strutForceN(lid, 420, -10)).toBeCloseTo((150 * 263.15) / 293.15, 9)
  })
  test('at one angle it balances as the calculator for covers does, which has its own formula', () => {
    for (const deg of [0, 20, 45, 70]) {
      const { points } = strutCurve({ ...lid, fromDeg: deg, toDeg: deg + 1, progression: 1 })
      const cover = strutBalance({
        openDeg: deg,
        coverKg: 12,
        coverCentreMm: 250,
        rackKg: 0,
        rackCentreMm: 0,
        struts: 2,
        strutForceN: 150,
        onCoverMm: 300,
        onBodyMm: 60,
        bodyBelowMm: 230,
      })
      expect(points[0]!.armMm).toBeCloseTo(cover.armMm, 6)
      expect(points[0]!.closes.loaded).toBeCloseTo(cover.weightMomentNmm, 3)
    }
  })
  test('the strut’s moment is its force times how fast it grows longer: virtual work, by differences (300 lids)', () => {
    const n = (a: number, b: number) => fc.double({ min: a, max: b, noNaN: true })
    fc.assert(
      fc.property(n(100, 800), n(-60, 0), n(20, 700), n(-400, -30), n(5, 85), (out, up, bodyOut, bodyUp, deg) => {
        const at = (d: number) =>
          strutCurve({ ...lid, onLeaf: { out, up }, onBody: { out: bodyOut, up: bodyUp }, fromDeg: d, toDeg: d + 1 }).points[0]!
        const step = 1e-4
        const grows = (at(deg + step).lengthMm - at(deg - step).lengthMm) / ((2 * step * Math.PI) / 180)
        expect(at(deg).armMm).toBeCloseTo(grows, 2)
      }),
      { numRuns: 300, seed: 2 },
    )
  })
  test('a load that stands out from the lid pulls it open past 45°: with it off the lid shuts harder, and that counts', () => {
    const load = { kg: 20, out: 100, up: 300 }
    const c = strutCurve({ ...lid, toDeg: 70, loaded: [...lid.empty, load] })
    const by = (deg: number, m: { kg: number; out: number; up: number }) =>
      m.kg * G_M_S2 * (m.out * Math.cos((deg * Math.PI) / 180) - m.up * Math.sin((deg * Math.PI) / 180))
    expect(by(70, load)).toBeLessThan(0)
    expect(c.closesOpenNmm).toBeCloseTo(by(70, lid.empty[0]!), 3)
    const worst = c.points.map((p) => Math.max(by(p.deg, lid.empty[0]!), by(p.deg, lid.empty[0]!) + by(p.deg, load)) - p.opens.cold)
    expect(c.mostToOpenN).toBeCloseTo(Math.max(0, ...worst) / 500, 6)
  })
  test('a strut that would have to be longer than it is, or shorter, says where', () => {
    expect(strutCurve({ ...lid, extendedMm: 360 }).outOfReach!.says).toBe('too short')
    expect(strutCurve({ ...lid, extendedMm: 520, strokeMm: 100 }).outOfReach).toMatchObject({ deg: 0, says: 'too long' })
  })
  test('stronger struts lift by themselves, push at the latch and ask a hand to pull; weaker ones drop it', () => {
    const [weak, strong] = [strutCurve({ ...lid, forceN: 20 }), strutCurve({ ...lid, forceN: 400 })]
    expect([weak.liftsFromDeg === null || weak.liftsFromDeg > 60, strong.liftsFromDeg]).toEqual([true, 0])
    expect(strong.atLatchN).toBeGreaterThan(0)
    expect(strong.mostToShutN).toBeGreaterThan(weak.mostToShutN)
    expect(weak.mostToOpenN).toBeGreaterThan(strong.mostToOpenN)
  })
})

describe('the best on the shelf', () => {
  const sizes = [
    { id: 'g150', forceN: 150, extendedMm: 405, strokeMm: 150 },
    { id: 'g650', forceN: 650, extendedMm: 502, strokeMm: 200 },
  ]
  const heavy = { ...lid, loaded: [{ kg: 12, out: 250, up: 0 }], toDeg: 85 }
  test('holds it open old and cold with a tenth to spare, within its stroke, and no end that was tried feels lighter', () => {
    const found = bestStruts(heavy, sizes, 500)!
    expect(found.curve.outOfReach).toBeNull()
    expect(found.curve.holdsOpenNmm).toBeGreaterThanOrEqual(1.1 * found.curve.closesOpenNmm)
    const feels = (c: typeof found.curve) => Math.max(c.mostToOpenN, c.mostToShutN)
    for (const out of [0.25, 0.45, 0.65])
      for (const body of [0.15, 0.35, 0.55]) {
        const size = sizes[0]!
        const c = strutCurve({ ...heavy, ...size, count: 1, onLeaf: { out: out * 500, up: -15 }, onBody: { out: body * 500, up: -125 } })
        if (!c.outOfReach && c.holdsOpenNmm >= 1.1 * c.closesOpenNmm) expect(feels(found.curve)).toBeLessThanOrEqual(feels(c) + 0.01)
      }
  })
  test('a lid that none of them holds gets none', () => {
    expect(bestStruts({ ...heavy, loaded: [{ kg: 400, out: 250, up: 0 }], toDeg: 40 }, sizes, 500)).toBeNull()
  })
})
