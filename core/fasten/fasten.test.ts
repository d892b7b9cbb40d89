import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { backingPlateChecks, backingPlateHoldsN, skinMoment } from './backingPlate'
import { boltLengthMm, boltPreload, boltShear, boltTension, boltTogether, holeBearing } from './bolt'
import { bracketBending, bracketFixes } from './bracket'
import { wallBearsN } from './crushing'
import { filletWeldStress, weldRound, weldSides } from './filletWeld'
import { gripFits, rivetBearingN, thinFastenersUsed } from './thinFasteners'
import { screwPullOutN } from './woodScrew'

describe('bolts (EN 1993-1-8, table 3.4)', () => {
  test('M8 8.8 without a load factor: 21.1 kN in tension, 14.1 kN in shear, as in every table', () => {
    expect(boltTension('M8', '8.8', 1).value).toBeCloseTo(21_082, 0)
    expect(boltShear('M8', '8.8', 1).value).toBeCloseTo(14_054, 0)
    expect(boltTension('M8', '8.8', 1.5).value).toBeCloseTo(21_082 / 1.5, 0)
  })
  test('half of its tension and half of its shear: 0.5 + 0.5/1.4 = 0.857; all of its tension alone is 1', () => {
    expect(boltTogether(50, 40, 100, 80)).toBeCloseTo(0.5 + 0.5 / 1.4, 9)
    expect(boltTogether(100, 0, 100, 80)).toBe(1)
  })
  test('hole in 3 mm S235 (fu 360), M8, 12 to the end, 12 to the edge: αb = 12/27, k1 = 2.8·12/9 − 1.7 = 2.03', () => {
    const v = { size: 'M8', grade: '8.8', sheetTensileMPa: 360, thicknessMm: 3, endMm: 12, edgeMm: 12, loadFactor: 1 } as const
    expect(holeBearing(v)).toBeCloseTo(((2.8 * 12) / 9 - 1.7) * (12 / 27) * ((360 * 8 * 3) / 1.25), 6)
    expect(holeBearing({ ...v, edgeMm: 5 })).toBe(0) // a hole on the edge bears nothing
    expect(holeBearing({ ...v, endMm: 100, edgeMm: 100 })).toBeCloseTo((2.5 * 360 * 8 * 3) / 1.25, 6)
  })
  test('a stack of 65 with M6 needs 65 + 2.2·6 = 78.2: 80 is sold; 5 with M8 needs 22.6: 25; beyond all lengths the longest', () => {
    expect([boltLengthMm('M6', 65), boltLengthMm('M8', 5), boltLengthMm('M8', 900)]).toEqual([80, 25, 300])
  })
  test('M10 8.8 dry: preload 0.75·580·58 = 25.2 kN, torque 0.2·25.2·10 = 50 N·m; oiled three quarters of it', () => {
    expect(boltPreload('M10', '8.8', false)).toEqual({ preloadN: 25_230, torqueNm: expect.closeTo(50.46, 6) })
    expect(boltPreload('M10', '8.8', true).torqueNm).toBeCloseTo(50.46 * 0.75, 6)
  })
})

describe('fillet welds (Shigley, 9-2 to 9-4)', () => {
  const nothing = { fx: 0, fy: 0, fz: 0, mx: 0, my: 0, mz: 0 }
  test('10 kN along two runs of 50, leg 5: 10000 / (0.707·5·100) = 28.3 MPa', () => {
    expect(filletWeldStress(weldSides(40, 50), 5, { ...nothing, fy: 10_000 }).stressMPa).toBeCloseTo(10_000 / (Math.SQRT1_2 * 5 * 100), 9)
  })
  test('out-of-plane bending of two runs d apart b: Iu = d²·b/2… table 9-2: two horizontal runs of b, d apart, Iu = b·d²/2', () => {
    const runs = [
      { x1: -30, y1: 20, x2: 30, y2: 20 },
      { x1: -30, y1: -20, x2: 30, y2: -20 },
    ]
    const Iu = (60 * 40 ** 2) / 2
    expect(filletWeldStress(runs, 4, { ...nothing, mx: 100_000 }).stressMPa).toBeCloseTo((100_000 * 20) / Iu / (Math.SQRT1_2 * 4), 9)
  })
  test('twisting a C of b = 56, d = 190 (table 9-1, row 4): Ju = (8b³ + 6bd² + d³)/12 − b⁴/(2b + d), centroid b²/(2b + d) from the back', () => {
    const [b, d] = [56, 190]
    const runs = [
      { x1: 0, y1: 0, x2: b, y2: 0 },
      { x1: 0, y1: d, x2: b, y2: d },
      { x1: 0, y1: 0, x2: 0, y2: d },
    ]
    const Ju = (8 * b ** 3 + 6 * b * d ** 2 + d ** 3) / 12 - b ** 4 / (2 * b + d)
    const farthest = Math.hypot(d / 2, b - b ** 2 / (2 * b + d))
    expect(filletWeldStress(runs, 6, { ...nothing, mz: 2_760_000 }).stressMPa).toBeCloseTo(
      (2_760_000 * farthest) / Ju / (Math.SQRT1_2 * 6),
      6,
    )
  })
  test('all round is never weaker than two sides, and twice the leg halves the stress', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 80, noNaN: true }),
        fc.double({ min: 10, max: 80, noNaN: true }),
        fc.double({ min: -5e4, max: 5e4, noNaN: true }),
        (b, d, m) => {
          const load = { fx: 500, fy: -300, fz: 800, mx: m, my: -m / 2, mz: m / 3 }
          const sides = filletWeldStress(weldSides(b, d), 3, load).stressMPa
          expect(filletWeldStress(weldRound(b, d), 3, load).stressMPa).toBeLessThanOrEqual(sides * (1 + 1e-9))
          expect(filletWeldStress(weldSides(b, d), 6, load).stressMPa).toBeCloseTo(sides / 2, 6)
        },
      ),
    )
  })
})

describe('backing plate on thin skin', () => {
  test('stress beside a rigid plate is k·P/t², k by a/b as Timoshenko tabulates it', () => {
    for (const [ratio, k] of [
      [1.25, 0.115],
      [1.5, 0.22],
      [2, 0.405],
      [3, 0.703],
      [4, 0.933],
      [5, 1.13],
    ])
      expect(Math.abs((6 * skinMoment(1, 10, 10 * ratio)) / k - 1)).toBeLessThan(0.01)
  })
  const plate = {
    plateAcrossMm: 80,
    plateThicknessMm: 4,
    plateYieldMPa: 235,
    washerMm: 24,
    skinThicknessMm: 0.8,
    skinYieldMPa: 140,
    panelRadiusMm: 200,
    safety: 1.67,
  }
  test('the pull that it holds uses the weakest check up, and a larger plate holds more', () => {
    const holds = backingPlateHoldsN(plate)
    expect(Math.max(...backingPlateChecks({ ...plate, pullN: holds }).map((c) => c.used))).toBeCloseTo(1, 9)
    expect(backingPlateHoldsN({ ...plate, plateAcrossMm: 120 })).toBeGreaterThan(holds)
    // 0.8 mm of mild skin in a panel of 200: bending governs, σ = k·P/t² with k near 1.13 for a/b = 5
    expect(holds).toBeCloseTo((140 / 1.67) * (0.8 ** 2 / (6 * skinMoment(1, 40, 200))), 6)
  })
})

describe('brackets', () => {
  const z = {
    kind: 'Z',
    widthMm: 60,
    thicknessMm: 5,
    reachMm: 45,
    sidesMm: 0,
    bothEndsHeld: false,
    elasticMPa: 210_000,
    yieldMPa: 235,
    safety: 1.67,
  } as const
  test('1 kN on a step of 45 in 60 × 5: M = 45 N·m, W = 250 mm³, σ = 180 MPa, over 140.7', () => {
    const r = bracketBending(z, 1000)
    expect([r.momentNmm, r.modulusMm3, r.stressMPa]).toEqual([45_000, 250, 180])
    expect(r.used).toBeCloseTo(180 / (235 / 1.67), 9)
    expect(bracketBending(z, r.holdsN).used).toBeCloseTo(1, 9)
  })
  test('twice the reach gives eight times as much (cube law)', () => {
    expect(bracketBending({ ...z, reachMm: 90 }, 1000).bendsByMm / bracketBending(z, 1000).bendsByMm).toBeCloseTo(8, 9)
  })
  test('every fix that is offered was worked out, helps, and the mildest that clears comes first', () => {
    const fixes = bracketFixes(z, 1000)
    expect(fixes[0]).toEqual({ what: 'a second bolt at each end, so that both bends share the moment', used: expect.closeTo(0.64, 2) })
    for (const f of fixes) expect(f.used).toBeLessThan(bracketBending(z, 1000).used)
    expect(fixes.map((f) => f.what)).toContain('6 mm thick instead of 5')
  })
  test('folded sides: two strips 5 × 25 and a web 50 × 5 about their common axis', () => {
    const c = bracketBending({ ...z, kind: 'channel', sidesMm: 25 }, 1000)
    const at = (250 * 2.5 + 250 * 12.5) / 500
    const I = (50 * 125) / 12 + 250 * (at - 2.5) ** 2 + (2 * 5 * 25 ** 3) / 12 + 250 * (12.5 - at) ** 2
    expect(c.modulusMm3).toBeCloseTo(I / (25 - at), 6)
  })
})

test('tube walls: 40 × 3 under a foot of 80 bears 2·3·(80 + 30)·170/1.5; round 42.4 × 3 by its ring; flat does not crush, slotted is the maker’s', () => {
  expect(wallBearsN({ kind: 'rectangular', heightMm: 40, widthMm: 40, wallMm: 3, outsideRadiusMm: 6 }, 80, 170)).toBeCloseTo(
    (2 * 3 * 110 * 170) / 1.5,
    6,
  )
  expect(wallBearsN({ kind: 'round', outsideDiameterMm: 42.4, wallMm: 3 }, 80, 235)).toBeCloseTo(
    (Math.PI * 235 * 2.25 * 122.4) / 19.7 / 1.5,
    6,
  )
  expect(wallBearsN({ kind: 'flat', heightMm: 40, widthMm: 8 }, 80, 235)).toBeNull()
  expect(
    wallBearsN({ kind: 'slotted', heightMm: 40, widthMm: 40, areaMm2: 620, iyMm4: 9e4, izMm4: 9e4, torsionMm4: 9e3 }, 80, 110),
  ).toBeUndefined()
})

test('four 5 mm screws, 30 of thread in ply of 500 kg/m³: 4^0.9 · 0.52·5^−0.5·30^−0.1·500^0.8 · 5·30 · 5/8, over 1.3·1.5', () => {
  const strength = 0.52 * 5 ** -0.5 * 30 ** -0.1 * 500 ** 0.8
  expect(screwPullOutN({ screws: 4, diameterMm: 5, threadMm: 30, densityKgM3: 500, loadFactor: 1.5 })).toBeCloseTo(
    (4 ** 0.9 * strength * 150 * 0.625) / 1.95,
    6,
  )
  expect(screwPullOutN({ screws: 4, diameterMm: 5, threadMm: 29, densityKgM3: 500, loadFactor: 1.5 })).toBe(0)
})

describe('fasteners of thin sheet (EN 1993-1-3)', () => {
  test('six rivets of 1.2 kN pull and 1.5 kN shear under 3 kN pull and 1.8 kN shear: 500/1200 + 300/1500 = 0.617', () => {
    expect(thinFastenersUsed({ count: 6, tensionN: 3000, shearN: 1800, mayTensionN: 1200, mayShearN: 1500 })).toBeCloseTo(
      500 / 1200 + 0.2,
      9,
    )
  })
  test('without its maker’s figure for a force that acts nothing is said; a force that does not act needs none', () => {
    expect(thinFastenersUsed({ count: 2, tensionN: 10, shearN: 0, mayTensionN: null, mayShearN: 900 })).toBeNull()
    expect(thinFastenersUsed({ count: 2, tensionN: 0, shearN: 900, mayTensionN: null, mayShearN: 900 })).toBe(0.5)
  })
  test('4.8 mm rivet in 1 mm of fu 360: α = 3.6·√(1/4.8) = 1.643, 1.643·360·4.8/1.25; 3 mm sheet is capped at 2.1; too near the end bears nothing', () => {
    const v = { diameterMm: 4.8, sheetMm: 1, sheetTensileMPa: 360, endMm: 10, loadFactor: 1 }
    expect(rivetBearingN(v)).toBeCloseTo((3.6 * Math.sqrt(1 / 4.8) * 360 * 4.8) / 1.25, 6)
    expect(rivetBearingN({ ...v, sheetMm: 3 })).toBeCloseTo((2.1 * 360 * 4.8 * 3) / 1.25, 6)
    expect(rivetBearingN({ ...v, endMm: 7 })).toBe(0)
    expect([gripFits(3.2, 3, 5), gripFits(5.5, 3, 5)]).toEqual([true, false])
  })
})
