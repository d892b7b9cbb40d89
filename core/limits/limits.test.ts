import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { relieve } from '../advice/relief'
import { partMasses } from '../assembly/places'
import { given } from '../figure/figure'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { openItems } from '../job/openItems'
import { carriedBy } from '../loads/carried'
import { loadCases, windPressurePa } from '../loads/loadCases'
import { shareAlong, shareLimp, shareRigid } from '../loads/shareAlong'
import { rackSolver } from '../loads/solveRack'
import { chooseReading, withReading } from '../measure/settle'
import { G_M_S2 } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { withRack } from '../testing/racks'
import { sourcedValue, unknownValue } from '../vehicle/vehicle'
import { heldUp } from './heldUp'
import { allOfIt, type Limit, limit, limitKey, missingFor } from './limit'

const [survey, oyster, spar, drone] = demoJobs
const find = (job: Job, id: string) => evaluate(job, defaultRules).limits.find((l) => l.id === id)!
const withVehicle = (job: Job, change: Partial<Job['vehicle']>): Job => ({ ...job, vehicle: { ...job.vehicle, ...change } })
const unknown = unknownValue

describe('sharing a load', () => {
  test('100 N whose centre lies a quarter of the way from bar A to bar B: A 75 N, B 25 N, not half each', () =>
    expect(shareAlong([0, 1000], 250, 100, 0)).toEqual([75, 25]))

  test('three even bars, load over the middle one: a third each; a pitching moment of 200 N·m adds 100 N a metre off', () => {
    expect(shareAlong([0, 1000, 2000], 1000, 90, 0).map(Math.round)).toEqual([30, 30, 30])
    expect(shareAlong([0, 1000, 2000], 1000, 90, 200_000).map(Math.round)).toEqual([-70, 30, 130])
  })

  test('a stiff box on three bars of which the middle one gives twice as much: by hand, ends 40 each and middle 20 of 100', () => {
    // d = a for all three: R1·f = R2·2f = R3·f, so R2 = R1/2, and 2.5·R1 = 100
    const f = [
      [0.01, 0, 0],
      [0, 0.02, 0],
      [0, 0, 0.01],
    ]
    expect(shareRigid([0, 1000, 2000], 1000, f).map((r) => r * 100)).toEqual([
      expect.closeTo(40, 9),
      expect.closeTo(20, 9),
      expect.closeTo(40, 9),
    ])
    expect(shareRigid([0, 1000, 2000], 700, f).reduce((s, r, i) => s + r * [0, 1000, 2000][i], 0)).toBeCloseTo(700, 6)
  })

  test('a limp load on three even supports: 3/16, 10/16, 3/16 of it (three-moment equation, Gere & Goodno, table of continuous beams)', () => {
    expect(shareLimp([0, 500, 1000], 0, 1000)).toEqual([expect.closeTo(3 / 16, 9), expect.closeTo(10 / 16, 9), expect.closeTo(3 / 16, 9)])
  })

  test('wind at 100 km/h presses with ½·1.225·27.78² = 472.6 Pa', () => expect(windPressurePa(1.225, 100)).toBeCloseTo(472.6, 1))

  test('force and moment balance for any bars and any place', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: -2000, max: 4000 }), { minLength: 2, maxLength: 6 }),
        fc.integer({ min: -2000, max: 4000 }),
        fc.integer({ min: 1, max: 3000 }),
        (xs, x, N) => {
          const shares = shareAlong(xs, x, N, 0)
          expect(shares.reduce((s, r) => s + r, 0)).toBeCloseTo(N, 6)
          expect(shares.reduce((s, r, i) => s + r * xs[i], 0)).toBeCloseTo(N * x, 2)
        },
      ),
    )
  })

  test('the feet of each demo job carry exactly rack and cargo, in every case without wind', () => {
    for (const job of demoJobs) {
      const { assembly } = evaluate(job, defaultRules)
      const carried = carriedBy(assembly, job.brief)
      const cargoKg = carried.filter((c) => c.counts !== 'parked').reduce((s, c) => s + c.most!, 0)
      const massKg = partMasses(assembly).reduce((s, p) => s + p.kg!, cargoKg)
      for (const c of loadCases(defaultRules, job.brief.road).filter((l) => l.when === 'driving' && l.headWindKmh === null)) {
        const total = rackSolver(assembly, carried, defaultRules, [], 'clamped')!
          .solve(c, 100, 'most', 'feet')
          .feet.reduce((s, f) => s - f.push.z, 0)
        expect(total).toBeCloseTo(massKg * G_M_S2 * c.downG, 4)
      }
    }
  })

  test('cornering shifts load to the outer feet and leaves the sum', () => {
    const { assembly } = evaluate(survey, defaultRules)
    const carried = carriedBy(assembly, survey.brief)
    const [level, left] = ['cruise', 'corner-left'].map(
      (id) =>
        rackSolver(assembly, carried, defaultRules, [], 'clamped')!.solve(
          loadCases(defaultRules, 'road').find((c) => c.id === id)!,
          100,
          'most',
          'feet',
        ).feetDownN,
    )
    const lefts = (f: number[]) => f.filter((_, i) => assembly.mounts[i].side === 'left').reduce((s, v) => s + v, 0)
    expect(lefts(left)).toBeGreaterThan(lefts(level))
  })
})

describe('the tide gauge of the survey van', () => {
  test('roof moving: rack plus 12–15 + 42 + 31 kg against 150 kg, as a range', () => {
    const roof = find(survey, 'roof.moving')
    const rack = evaluate(survey, defaultRules).rackMassKg!
    expect(roof.used.value).toBeCloseTo(rack + 88, 6)
    expect(roof.used.range?.[0]).toBeCloseTo(rack + 85, 6)
  })

  test('axles share by levers: front and rear add up to the gross mass', () => {
    const [front, rear, gross] = ['axle.front', 'axle.rear', 'gross'].map((id) => find(survey, id).used.value!)
    expect(front + rear).toBeCloseTo(gross, 6)
  })

  test('3.4 m poles centred at 950 on bars −250 … 2000 reach 500 past the rear bar and 650 past the front one: over 600', () => {
    const overhang = find(survey, 'overhang.sampling-poles')
    expect(overhang.used.value).toBe(650)
    expect(overhang.state).toBe('over')
    expect(overhang.used.notes).toEqual(['Shortest support that meets this: {2200} with both ends hanging out, {2800} with one'])
  })

  test('height: deck 2560 + 90 + 40 and a 420 case on it = 3110, under 3250 − 50', () => {
    const height = find(survey, 'height.0')
    expect(height.used.value).toBe(3110)
    expect(height.allowed.value).toBe(3200)
  })

  test('static stability falls when the roof is loaded', () => {
    const s = evaluate(survey, defaultRules).stability
    expect(s.before.value).toBeCloseTo(1730 / 1580, 6)
    expect(s.after.value!).toBeLessThan(s.before.value!)
  })
})

describe('unknown is unknown', () => {
  test.each([
    ['roofMovingKg', 'roof.moving', 'Roof limit, moving'],
    ['footDownKg', 'foot.down', 'Rating per foot, down'],
    ['grossKg', 'gross', 'Gross vehicle mass'],
    ['kerbRearKg', 'axle.rear', 'Kerb mass on rear axle'],
    ['wheelbaseMm', 'axle.front', 'Wheelbase'],
  ])('without %s the limit %s is not assessed and names “%s”', (key, id, label) => {
    const l = find(withVehicle(survey, { [key]: unknown }), id)
    expect(l.state).toBe('unknown')
    expect(missingFor(l)).toContain(label)
  })

  test('a cargo of unknown mass leaves roof, feet, bars and axles not assessed', () => {
    const job = {
      ...survey,
      brief: { ...survey.brief, cargo: survey.brief.cargo.map((c, i) => (i ? c : { ...c, massKg: null, massBasis: 'unknown' as const })) },
    }
    for (const id of ['roof.moving', 'foot.down', 'bar.bending', 'gross']) expect(find(job, id).state).toBe('unknown')
  })

  test('the oyster grower’s foot rating was never given', () => expect(find(oyster, 'foot.down').state).toBe('unknown'))
  test('no speed, no wind case: the feet are not assessed', () =>
    expect(find({ ...survey, brief: { ...survey.brief, speedKmh: null } }, 'foot.up').state).toBe('unknown'))
})

test('the demo jobs show one over, one not assessed, one near and one clear', () => {
  expect([survey, oyster, spar, drone].map((j) => evaluate(j, defaultRules).limits[0].state)).toEqual(['over', 'unknown', 'near', 'clear'])
  const states = new Set([survey, oyster, spar, drone].flatMap((j) => evaluate(j, defaultRules).limits.map((l) => l.state)))
  expect([...states].sort()).toEqual(['clear', 'near', 'over', 'unknown'])
})

test('aluminium is soft beside a weld and only there: the rail governs where it is welded to a bar, at 105 instead of 240', () => {
  const welded = withRack(survey, { sideRails: true, build: 'welded' as const })
  const strength = find(welded, 'bar.bending')
  expect(strength.ref).toMatch(/^p1\/rail:/)
  expect(strength.allowed.value).toBeCloseTo(105 / 1.67, 6)
  expect(find(survey, 'bar.bending').allowed.value).toBeCloseTo(170 / 1.67, 6)
  expect(find(welded, 'welds').allowed.value).toBeCloseTo(79 / 1.95, 6)
  expect(find(survey, 'welds')).toBeUndefined()
})

test('an angle is bent about its own axes and may lean over between its feet: both are said', () => {
  const angle = withRack(survey, { profileId: 'angle-40x4-steel' })
  expect(find(angle, 'bar.bending').used.assumes.join()).toContain('about the angle’s own axes')
  expect(find(angle, 'bar.bending').allowed.assumes.join()).toContain('lean over between its feet')
  expect(find(angle, 'bar.bending').allowed.value!).toBeLessThan(235 / 1.67)
  expect(find(survey, 'bar.bending').allowed.value!).toBeCloseTo(170 / 1.67, 9)
})

// from the foot's line to the bar's: the clear step and one thickness, 45; √(45² + 90²) = 100.6
test('a step bracket of 60 × 5 with a clear step of 40 and a rise of 90: σ = 6·(Fz·45 + Fy·90)/(60·25) + 6·Fx·100.6/(5·3600)', () => {
  const stepped = withRack(survey, { bracketInsetMm: 40 })
  const bracket = find(stepped, 'bracket')
  const [down, across, along] = ['Fz', 'Fy', 'Fx'].map((symbol) => bracket.used.with.find((i) => i.symbol === symbol)!.value!)
  expect(bracket.used.value).toBeCloseTo((6 * (down! * 45 + across! * 90)) / 1500 + (6 * along! * 100.6231) / 18_000, 2)
  expect(across).toBeGreaterThan(0)
})

test('every relief proposed for a limit that is over clears it or lowers it, and adds no new one over', () => {
  for (const job of demoJobs) {
    const now = evaluate(job, defaultRules)
    for (const over of now.limits.filter((l) => l.state === 'over')) {
      for (const r of relieve(job, limitKey(over), defaultRules)) {
        const after = evaluate(r.job, defaultRules)
        expect(after.limits.find((l) => l.id === over.id)?.ratio ?? 0).toBeLessThan(over.ratio!)
        expect(after.limits.filter((l) => l.state === 'over').length).toBeLessThanOrEqual(
          now.limits.filter((l) => l.state === 'over').length,
        )
      }
    }
  }
  expect(relieve(survey, 'overhang.sampling-poles', defaultRules).some((r) => r.clears)).toBe(true)
})

test('ratings that only some vehicles have stand only when known: two tyres of 800 carry an axle of 1600; a bought bar of 30 kg governs', () => {
  expect(find(survey, 'tyres.front')).toBeUndefined()
  const rated = withVehicle(survey, { tyreKg: sourcedValue(800, 'maker'), barKg: sourcedValue(30, 'maker') })
  expect(find(rated, 'tyres.front').allowed.value).toBe(1600)
  expect(find(rated, 'tyres.front').used.value).toBeCloseTo(find(rated, 'axle.front').used.value!, 9)
  expect(find(rated, 'bar.rating').state).toBe('over')
})

test('a mount line with a rating of its own is judged by it: the oyster grower’s points at 100 kg a foot', () => {
  const [line] = oyster.vehicle.mounts
  const rated = withVehicle(oyster, { mounts: [{ ...line, footDownKg: sourcedValue(100, 'maker') }] })
  expect(find(rated, 'foot.down').allowed.value).toBeCloseTo(100 * G_M_S2, 6)
  expect(find(rated, 'foot.down').state).not.toBe('unknown')
})

describe('a figure in dispute is no figure', () => {
  const twice = (value: number, again: number) => {
    const one = (v: number) => ({ value: v, typed: '', tolerance: 2, method: 'tape' as const, who: '', at: '' })
    return withReading(withReading(unknownValue, one(value)), one(again))
  }
  test('a wheelbase read as 3660 and 3720 leaves the axles not assessed and says why; one chosen with a reason assesses them', () => {
    const wheelbaseMm = twice(3660, 3720)
    const axle = find(withVehicle(survey, { wheelbaseMm }), 'axle.front')
    expect(axle.state).toBe('unknown')
    const open = openItems(withVehicle(survey, { wheelbaseMm }), null, String).filter((i) => i.weight === 'needed')
    expect(open.map((i) => i.text).join()).toContain('wheelbase: readings disagree')
    expect(
      find(withVehicle(survey, { wheelbaseMm: chooseReading(wheelbaseMm, 0, 'the second ran along the sill') }), 'axle.front').state,
    ).not.toBe('unknown')
  })
  test('two roof limits from two papers: the roof is not assessed, the missing figure is named with its reason', () => {
    const roof = find(withVehicle(survey, { roofMovingKg: twice(150, 100) }), 'roof.moving')
    expect([roof.state, missingFor(roof)]).toEqual(['unknown', ['Roof limit, moving (readings disagree)']])
  })
})

test('an item without an overhang rule of its own is not assessed; only a shop that sets a rule for it gets one', () => {
  const [poles, ...rest] = survey.brief.cargo
  const job = { ...survey, brief: { ...survey.brief, cargo: [{ ...poles, maxOverhangMm: null }, ...rest] } }
  expect(find(job, 'overhang.sampling-poles').state).toBe('unknown')
  expect(missingFor(find(job, 'overhang.sampling-poles'))).toEqual(['overhang rule of Sampling poles 3.4 m, six'])
  const set = evaluate(job, { ...defaultRules, defaultOverhangMm: 700 }).limits.find((l) => l.id === 'overhang.sampling-poles')!
  expect([set.allowed.value, set.allowed.assumes.length]).toEqual([700, 1])
})

test('one figure that is missing is said once, with all that it holds up; limits that lack other figures stay by themselves', () => {
  const lacking = (id: string, missing: string[]): Limit => {
    const unknown = (name: string) =>
      given({ id: `${id}.${name}`, name, unit: 'N', source: 'nobody', symbol: 'x', input: [null, 'N', name] })
    const [a, b] = missing as [string, string?]
    return limit({
      id,
      name: id,
      group: 'rack',
      unit: 'N',
      nearRatio: 0.85,
      used: unknown(a),
      allowed: b ? unknown(b) : allOfIt('x', 'all'),
    })
  }
  const known = limit({
    id: 'k',
    name: 'k',
    group: 'rack',
    unit: '',
    nearRatio: 0.85,
    used: allOfIt('u', 'all'),
    allowed: allOfIt('v', 'all'),
  })
  const list = [lacking('a', ['mass']), known, lacking('b', ['mass']), lacking('c', ['mass', 'rating']), lacking('d', ['mass'])]
  const shown = heldUp(list).map((x) => ('limits' in x ? x.limits.map((l) => l.id) : x.id))
  expect(shown).toEqual([['a', 'b', 'd'], 'k', 'c'])
  // nothing is lost
  expect(shown.flat().sort()).toEqual(['a', 'b', 'c', 'd', 'k'])
})
