import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { strutArmMm, strutBalance } from '../strut/coverStrut'
import { axleLoads, payloadLeft, tyreDiameterMm } from '../vehicle/masses'
import { fitHolePattern, smallestCircle } from './holePattern'
import { combinedTolerance, summariseReadings } from './readings'
import { angleFromOffsets, chainMisfit, taper } from './taper'

const at = (...values: number[]) => values.map((value) => ({ value, tolerance: 2 }))

describe('readings', () => {
  test('1565, 1566, 1564: mean 1565, spread 2, s = 1; they agree', () =>
    expect(summariseReadings(at(1565, 1566, 1564))).toEqual({ mean: 1565, spread: 2, deviation: 1, agree: true, takeAgain: null }))
  test('1565, 1566, 1581 do not agree within 2 + 2: the third is farthest from the median', () =>
    expect(summariseReadings(at(1565, 1566, 1581))).toMatchObject({ agree: false, takeAgain: 2 }))
  test('a gap between four readings of ±1, ±1, ±2, ±2: 6 at worst, √10 = 3.16 likely', () => {
    expect(combinedTolerance([1, 1, 2, 2]).worst).toBe(6)
    expect(combinedTolerance([1, 1, 2, 2]).likely).toBeCloseTo(Math.sqrt(10), 9)
  })
})

describe('taper and diagonals', () => {
  const bed = { lengthMm: 1500, rearWidthMm: 1240, frontWidthMm: 1280, diagonalAMm: null, diagonalBMm: null, toleranceMm: 2 }
  test('1240 behind, 1280 in front over 1500: 40 in all, 20 a side, atan(20/1500) = 0.764°; diagonals would be √(1500² + 1260²) = 1958.98', () => {
    const t = taper(bed)
    expect([t.totalMm, t.perSideMm, t.square]).toEqual([40, 20, null])
    expect(t.perSideDeg).toBeCloseTo(0.7639, 4)
    expect(t.squareDiagonalMm).toBeCloseTo(1958.98, 2)
    expect(t.say).toContain('narrower at the rear, {40} in all, {20} a side')
  })
  test('diagonals worked out from corners set 15 off: the skew comes back, and the length agrees', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -60, max: 60 }),
        fc.integer({ min: 900, max: 1500 }),
        fc.integer({ min: 900, max: 1500 }),
        (s, rear, front) => {
          const [rl, rr, fl, fr] = [
            [0, rear / 2 + s],
            [0, -rear / 2 + s],
            [1500, front / 2],
            [1500, -front / 2],
          ]
          const d = (p: number[], q: number[]) => Math.hypot(p[0] - q[0], p[1] - q[1])
          const t = taper({
            lengthMm: 1500,
            rearWidthMm: rear,
            frontWidthMm: front,
            diagonalAMm: d(rl, fr),
            diagonalBMm: d(rr, fl),
            toleranceMm: 1,
          })
          expect(t.skewMm).toBeCloseTo(s, 6)
          expect(t.lengthMisfitMm).toBeCloseTo(0, 6)
          expect(t.agrees).toBe(true)
        },
      ),
    )
  })
  test('a length read from the wrong edge, 60 too long, is found and named', () => {
    const t = taper({ ...bed, lengthMm: 1560, diagonalAMm: 1959, diagonalBMm: 1959 })
    expect(t.agrees).toBe(false)
    expect(t.lengthMisfitMm).toBeCloseTo(-60, 0)
    expect(t.say).toContain('take the length again')
  })
  test('partial lengths 400 + 650 + 440 against 1500 overall miss by 10: more than four readings of ±2 explain', () =>
    expect(chainMisfit([400, 650, 440], 1500, 2)).toEqual({ sumMm: 1490, misfitMm: -10, agrees: false }))
  test('an offset that grows from 42 to 147 over 600 leans atan(105/600) = 9.93°; one degree is 600/cos²·π/180 = 10.79 mm', () => {
    const a = angleFromOffsets({ lowerHeightMm: 900, lowerOffsetMm: 42, upperHeightMm: 1500, upperOffsetMm: 147, toleranceMm: 1 })
    expect(a.angleDeg).toBeCloseTo(9.926, 3)
    expect(a.offsetPerDegreeMm).toBeCloseTo(10.793, 3)
    expect(a.errorDeg).toBeGreaterThan(0.18)
    expect(a.errorDeg).toBeLessThan(0.25)
  })
})

describe('hole pattern', () => {
  const two = [
    { xMm: 0, yMm: 0 },
    { xMm: 100, yMm: 0 },
  ]
  test('two holes 100 apart over two 103 apart: each is off by 1.5, so M8 wants 8 + 2·1.5 = 11', () => {
    const fit = fitHolePattern({
      partHoles: two,
      vehicleHoles: [
        { xMm: 5, yMm: 2 },
        { xMm: 108, yMm: 2 },
      ],
      boltMm: 8,
      toleranceMm: 0,
    })
    expect(fit.worstMm).toBeCloseTo(1.5, 5)
    expect(fit.holeMm).toBeCloseTo(11, 5)
    expect(fit.washerMm).toBeCloseTo(19, 5)
  })
  test('a pattern that is only shifted and turned fits with nothing to spare', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ xMm: fc.integer({ min: -800, max: 800 }), yMm: fc.integer({ min: -800, max: 800 }) }), {
          minLength: 2,
          maxLength: 6,
        }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (part, deg) => {
          const a = (deg * Math.PI) / 180
          const moved = part.map((p) => ({
            xMm: p.xMm * Math.cos(a) - p.yMm * Math.sin(a) + 12,
            yMm: p.xMm * Math.sin(a) + p.yMm * Math.cos(a) - 7,
          }))
          expect(fitHolePattern({ partHoles: part, vehicleHoles: moved, boltMm: 8, toleranceMm: 0 }).worstMm).toBeLessThan(1e-4)
        },
      ),
      { numRuns: 30 },
    )
  })
  test('the smallest circle round an equilateral triangle of side 6 has radius 6/√3', () =>
    expect(
      smallestCircle([
        { xMm: 0, yMm: 0 },
        { xMm: 6, yMm: 0 },
        { xMm: 3, yMm: 3 * Math.sqrt(3) },
      ]).radiusMm,
    ).toBeCloseTo(6 / Math.sqrt(3), 9))
})

describe('masses', () => {
  const van = { kerbFrontKg: 1000, kerbRearKg: 800, wheelbaseMm: 3000, kerbCentreZMm: 700 }
  test('100 kg midway: 50 each; 100 kg 600 behind the rear axle: rear +120, front −20', () => {
    expect(axleLoads({ ...van, items: [{ name: 'a', massKg: 100, xMm: 1500, zMm: 0 }] })).toMatchObject({ frontKg: 1050, rearKg: 850 })
    const behind = axleLoads({ ...van, items: [{ name: 'b', massKg: 100, xMm: -600, zMm: 0 }] })
    expect(behind.frontKg).toBeCloseTo(980, 9)
    expect(behind.rearKg).toBeCloseTo(920, 9)
  })
  test('force and moment balance for any items, and the centre of mass lies where the axles say', () => {
    const item = fc.record({
      name: fc.constant('x'),
      massKg: fc.integer({ min: 0, max: 400 }),
      xMm: fc.integer({ min: -2000, max: 5000 }),
      zMm: fc.integer({ min: 0, max: 3000 }),
    })
    fc.assert(
      fc.property(fc.array(item, { maxLength: 8 }), (items) => {
        const l = axleLoads({ ...van, items })
        expect(l.frontKg + l.rearKg).toBeCloseTo(l.totalKg, 6)
        expect(l.frontKg * 3000).toBeCloseTo(1000 * 3000 + items.reduce((s, i) => s + i.massKg * i.xMm, 0), 3)
      }),
    )
  })
  test('a rating that is missing promises nothing; the tightest of three governs', () => {
    const loads = axleLoads({ ...van, items: [] })
    expect(payloadLeft(loads, { grossKg: 2800, frontAxleKg: 1400, rearAxleKg: 1500 }).leftKg).toBe(400)
    expect(payloadLeft(loads, { grossKg: 2800, frontAxleKg: null, rearAxleKg: 1500 }).leftKg).toBeNull()
    expect(payloadLeft(loads, { grossKg: 1700, frontAxleKg: 1400, rearAxleKg: 1500 }).leftKg).toBe(-100) // it carries more already
  })
  test('235/65 R16 is 2·235·0.65 + 16·25.4 = 711.9 mm; 245/75 R16 stands (773.9 − 711.9)/2 = 31 higher', () => {
    expect(tyreDiameterMm('235/65 R16')).toBeCloseTo(711.9, 6)
    expect(((tyreDiameterMm('245/75R16') ?? 0) - (tyreDiameterMm('235/65 R16') ?? 0)) / 2).toBeCloseTo(31, 6)
    expect(tyreDiameterMm('thirty-one inch')).toBeNull()
  })
})

describe('struts of a hinged cover', () => {
  const level = {
    openDeg: 0,
    coverKg: 20,
    coverCentreMm: 500,
    rackKg: 10,
    rackCentreMm: 500,
    struts: 2,
    strutForceN: 400,
    onCoverMm: 400,
    onBodyMm: 400,
    bodyBelowMm: 300,
  }
  test('struts straight up under a level cover: 30 kg · g · 500 = 147 100 N·mm over two arms of 400: 183.9 N each', () => {
    expect(strutArmMm(level, 0)).toBeCloseTo(400, 9)
    expect(strutBalance(level).neededForceN).toBeCloseTo((30 * 9.80665 * 500) / 800, 6)
  })
  test('the greatest rack is where the balance turns: with just that mass they still hold, with a gram more they do not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 70 }), fc.integer({ min: 300, max: 1500 }), (openDeg, strutForceN) => {
        const v = { ...level, openDeg, strutForceN }
        const most = strutBalance(v).mostRackKg
        if (most > 0) {
          expect(strutBalance({ ...v, rackKg: most - 0.001 }).holds).toBe(true)
          expect(strutBalance({ ...v, rackKg: most + 0.001 }).holds).toBe(false)
        }
      }),
    )
  })
})
