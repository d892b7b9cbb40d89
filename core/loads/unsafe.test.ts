import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type Assembly, emptyAssembly } from '../assembly/assembly'
import type { Cargo } from '../brief/cargo'
import { placed } from '../brief/placeCargo'
import { accessories } from '../catalogue/accessories'
import type { CrossbarParams } from '../families/crossbarRack/params'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { notSolved } from '../limits/notSolved'
import { rackLimits } from '../limits/rackLimits'
import { G_M_S2 } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import type { FeetHold } from '../structure/rackFrame'
import { assembled, withRack } from '../testing/racks'
import { carriedBy } from './carried'
import { loadCases } from './loadCases'
import { rackSolver } from './solveRack'

/** The answers that would hurt somebody if they were wrong, each on the side that would. */
const [survey] = demoJobs
const box = accessories.find((a) => a.id === 'equipment-case')!
const rack = (params: Partial<CrossbarParams>, cargo: Cargo[], halfMm = 700): Job => ({
  ...survey,
  vehicle: {
    ...survey.vehicle,
    mounts: [{ ...survey.vehicle.mounts[0]!, halfWidthFrontMm: halfMm, halfWidthRearMm: halfMm }],
    obstacles: [],
    swings: [],
  },
  pieces: withRack(survey, { sideRails: false, fairing: false, bracketInsetMm: 0, ...params }).pieces,
  brief: { ...survey.brief, road: 'road', cargo },
})
function solved(job: Job, id: string, hold: FeetHold = 'free', rules = defaultRules) {
  const assembly = assembled(job)
  const carried = carriedBy(assembly, job.brief)
  const loadCase = loadCases(rules, job.brief.road).find((c) => c.id === id)!
  return { assembly, carried, result: rackSolver(assembly, carried, rules, [], hold)!.solve(loadCase, 100, 'most', 'all') }
}

describe('a load past the end of its bar', () => {
  const awning = (yMm: number) =>
    rack({ barXMm: [0, 1000], overhangMm: 100 }, [
      placed(box, 'awning', 500, yMm, { rests: 'brackets', massKg: { least: 60, most: 60 }, lengthMm: 1400, widthMm: 150, heightMm: 150 }),
    ])
  const byMark = (job: Job) => {
    const { assembly, result } = solved(job, 'cruise')
    const bare = solved({ ...job, brief: { ...job.brief, cargo: [] } }, 'cruise').result
    return Object.fromEntries(assembly.mounts.map((m, i) => [m.mark, result.feetDownN[i]! - bare.feetDownN[i]!]))
  }
  test('30 kg a bar, hung 400 outside an end at 800, feet at ±700: the near foot takes 30·1900/1400 = 40.7 kg, the far one is lifted by 10.7', () => {
    const down = byMark(awning(1200))
    expect(down.F1L! / G_M_S2).toBeCloseTo((30 * 1900) / 1400, 6)
    expect(down.F1R! / G_M_S2).toBeCloseTo((-30 * 500) / 1400, 6)
  })
  test('and bends the bar over its foot by 30·g·500, five times as much as at the end of its overhang', () => {
    const bending = (yMm: number) => Math.max(...solved(awning(yMm), 'cruise').result.members.map((m) => Math.abs(m.momentYNmm)))
    // the overhang's own weight of 0.1 m adds next to nothing
    expect(bending(1200) / (30 * G_M_S2 * 500)).toBeCloseTo(1, 2)
    expect(bending(1200) / bending(800)).toBeGreaterThan(4.5)
  })
  test('it says that it hangs outside', () => {
    expect(evaluate(awning(1200), defaultRules).issues).toContainEqual(
      expect.objectContaining({ code: 'load_hangs_outside', item: 'Equipment case', outsideMm: 400 }),
    )
    expect(evaluate(awning(780), defaultRules).issues.map((i) => i.code)).not.toContain('load_hangs_outside')
  })
})

describe('feet that do not clamp', () => {
  const slender = rack({ barXMm: [0, 1000], overhangMm: 0, profileId: 'round-25x2-al6061t6' }, [], 1200)
  const middle: Job = {
    ...slender,
    brief: {
      ...slender.brief,
      cargo: [placed(box, 'x', 500, 0, { rests: 'brackets', massKg: { least: 50, most: 50 }, lengthMm: 1200, widthMm: 100 })],
    },
  }
  test('25 × 2 tube over 2.4 m with 25 kg in its middle sinks F·L³/48EI = 106.4 mm and 2.5 of its own weight, not half of that', () => {
    // I = π·(25⁴ − 21⁴)/64 = 9628 mm⁴, E = 68 900; 25·9.80665·2400³/(48·68900·9628) = 106.4
    const I = (Math.PI * (25 ** 4 - 21 ** 4)) / 64
    const own = ((Math.PI * (25 ** 2 - 21 ** 2)) / 4) * 2700e-9 * G_M_S2
    const byHand = (25 * G_M_S2 * 2400 ** 3) / (48 * 68_900 * I) + (5 * own * 2400 ** 4) / (384 * 68_900 * I)
    expect(byHand).toBeCloseTo(108.9, 1)
    const bar = solved(middle, 'cruise').result.members[0]!
    expect(bar.sagMm / byHand).toBeCloseTo(1, 2)
    expect(Math.abs(bar.momentYNmm) / ((25 * G_M_S2 * 2400) / 4 + (own * 2400 ** 2) / 8)).toBeCloseTo(1, 2)
    // stiff portals would show little more than half; the gauge takes the worse
    expect(solved(middle, 'cruise', 'clamped').result.members[0]!.sagMm / byHand).toBeLessThan(0.7)
    const sag = evaluate(middle, defaultRules).limits.find((l) => l.id === 'bar.sag')!
    expect(sag.used.value! / byHand).toBeCloseTo(1, 2)
  })
  test('the thrust and the head moment that clamped feet bring have checks of their own, and there is none where the bar turns', () => {
    const [free, clamped] = (['free', 'clamped'] as const).map((hold) => solved(middle, 'cruise', hold).result.feet[0]!)
    expect(Math.abs(free!.leftN)).toBeLessThan(1e-3)
    expect(free!.leanNmm).toBeLessThan(1)
    expect(Math.abs(clamped!.leftN)).toBeGreaterThan(20)
    // the head holds what the thrust makes over the foot's height: 90 and half the tube
    expect(clamped!.leanNmm / (Math.abs(clamped!.leftN) * (90 + 12.5))).toBeCloseTo(1, 6)
    const e = evaluate(middle, defaultRules)
    expect(e.limits.find((l) => l.id === 'foot.clamp')!.used.value!).toBeGreaterThan(clamped!.leanNmm * 0.99)
    expect(e.limits.find((l) => l.id === 'foot.side')!.used.value!).toBeGreaterThan(Math.abs(clamped!.leftN) * 0.99)
  })
  test('a load test teaches it: 60 mm under a load that free feet would let sink 100 and clamped ones 55 counts as 0.6 of the computed sag', () => {
    const test = { barMark: 'B1', profileId: 'round-25x2-al6061t6', atMm: 1200, loadKg: 25, who: '', at: '', photoId: null, note: '' }
    const sag = (over: object) =>
      evaluate(
        {
          ...middle,
          loadTests: ['B1', 'B2'].map((barMark) => ({
            ...test,
            id: barMark,
            barMark,
            computedSagMm: 100,
            clampedSagMm: 55,
            measuredSagMm: 60,
            setMm: 0,
            ...over,
          })),
        },
        defaultRules,
      )
        .limits.find((l) => l.id === 'bar.sag')!
        .used.with.find((i) => i.symbol === 'k')!.value
    expect(sag({})).toBeCloseTo(0.6, 9)
    // less than clamped feet would give cannot be: it counts as clamped
    expect(sag({ measuredSagMm: 50 })).toBeCloseTo(0.55, 9)
    // a test that stayed bent teaches nothing, one that gave more counts for more
    expect(sag({ setMm: 3 })).toBe(1)
    expect(sag({ measuredSagMm: 130 })).toBeCloseTo(1.3, 9)
  })
})

describe('in equilibrium in all six directions', () => {
  const item = fc
    .record({
      massKg: fc.double({ min: 1, max: 80, noNaN: true }),
      xMm: fc.integer({ min: -200, max: 1200 }),
      yMm: fc.integer({ min: -900, max: 900 }),
      rests: fc.constantFrom('box' as const, 'bundle' as const, 'brackets' as const),
      forward: fc.integer({ min: -300, max: 300 }),
      left: fc.integer({ min: -200, max: 200 }),
      lengthMm: fc.integer({ min: 900, max: 2600 }),
    })
    .map(({ massKg, xMm, yMm, forward, left, ...i }) =>
      placed(box, 'a', xMm, yMm, {
        ...i,
        massKg: { least: massKg, most: massKg },
        centreForwardMm: forward,
        centreLeftMm: left,
        widthMm: 500,
        heightMm: 300,
      }),
    )
  test('whatever the case and however the feet hold, the feet take each item’s force and moment about the ground, along, across and up', () => {
    fc.assert(
      fc.property(
        item,
        fc.constantFrom('cruise', 'rebound', 'braking', 'corner-left', 'rough-right', 'wind', 'wind-left'),
        fc.constantFrom('free' as const, 'clamped' as const),
        (c, id, hold) => {
          const job: Job = {
            ...rack({ barXMm: [-300, 500, 1300], sideRails: true }, [c]),
            brief: { ...survey.brief, cargo: [c], road: 'rough track' },
          }
          const [loaded, bare] = [job, { ...job, brief: { ...job.brief, cargo: [] } }].map((j) => solved(j, id, hold))
          const { case: k } = loaded!.result
          const carried = loaded!.carried[0]!
          const gain = (of: (i: number, f: (typeof loaded.result.feet)[number]) => number) =>
            loaded!.assembly.mounts.reduce((s, _, i) => s + of(i, loaded!.result.feet[i]!) - of(i, bare!.result.feet[i]!), 0)
          const at = (i: number) => loaded!.assembly.mounts[i]!.place
          // what acts: the mass at its centre, the air at the middle of its faces
          const n = carried.most! * G_M_S2
          const q = (kmh: number) => 0.5 * 1.225 * (kmh / 3.6) ** 2
          const ahead = k.headWindKmh === null ? 0 : q(100 + k.headWindKmh)
          const gust = k.gustFrom ? q(defaultRules.sideWindKmh) : 0
          const drag = ahead * 1.2 * carried.frontalM2
          const aside = (k.gustFrom === 'left' ? -1 : 1) * gust * 1.2 * carried.sideM2
          const lift = (ahead + gust) * 0.3 * carried.planM2
          const centre = { x: carried.xMm, y: carried.yMm, z: carried.zMm! }
          const face = { x: carried.middleXMm, y: carried.middleYMm, z: carried.middleZMm! }
          const mass = { x: n * k.forwardG, y: n * k.leftG, z: -n * k.downG }
          const air = { x: -drag, y: aside, z: lift }
          const sum = (of: (r: typeof centre, f: typeof mass) => number) => of(centre, mass) + of(face, air)
          const scale = n + drag + Math.abs(aside) + lift
          expect(gain((_, f) => f.forwardN) / scale).toBeCloseTo(sum((_, f) => f.x) / scale, 6)
          expect(gain((_, f) => f.leftN) / scale).toBeCloseTo(sum((_, f) => f.y) / scale, 6)
          expect(gain((_, f) => f.downN) / scale).toBeCloseTo(-sum((_, f) => f.z) / scale, 6)
          // about z: forces along and across at their places; a foot's own hold against turning is not given out, so to a millimetre or so
          const yaw = gain((i, f) => at(i).x * f.leftN - at(i).y * f.forwardN)
          expect(Math.abs(yaw / scale - sum((r, f) => r.x * f.y - r.y * f.x) / scale)).toBeLessThan(3)
          // about y, with the pitch that feet take themselves
          const pitch = gain((i, f) => at(i).x * f.downN + f.pitchNmm + at(i).z * f.forwardN)
          expect(Math.abs(pitch / scale - sum((r, f) => -r.x * f.z + r.z * f.x) / scale)).toBeLessThan(0.01)
          // about x; feet that stand by themselves hold a little of it as lean
          const roll = gain((i, f) => at(i).y * f.downN + at(i).z * f.leftN)
          if (hold === 'clamped') expect(Math.abs(roll / scale - sum((r, f) => -r.y * f.z + r.z * f.y) / scale)).toBeLessThan(0.01)
        },
      ),
      { numRuns: 60 },
    )
  })
  test('cornering with the mass over the rear bar: that bar’s feet take it, not a third of it', () => {
    const c = placed(box, 'a', -200, 0, {
      massKg: { least: 60, most: 60 },
      lengthMm: 2400,
      widthMm: 500,
      rests: 'brackets',
      centreForwardMm: 0,
    })
    const job = rack({ barXMm: [-200, 1000] }, [{ ...c, xMm: 400, centreForwardMm: -600 }])
    const bare = { ...job, brief: { ...job.brief, cargo: [] } }
    const [on, off] = [job, bare].map((j) => solved(j, 'corner-left').result.feet)
    const bar = (first: number) => [first, first + 1].reduce((s, i) => s + on![i]!.leftN - off![i]!.leftN, 0)
    expect(bar(0)).toBeCloseTo(60 * G_M_S2 * 0.5, 4)
    expect(bar(2)).toBeCloseTo(0, 4)
  })
})

describe('what stands on nothing is no structure', () => {
  test('members without feet, feet without a bar that carries, cargo without a bar: not a structure, never clear', () => {
    const { vehicle, brief } = survey
    const { members, mounts } = assembled(survey)
    const on = (assembly: Assembly) =>
      rackLimits({ assembly, carried: carriedBy(assembly, brief), vehicle, brief, rules: defaultRules, tests: [] }).limits
    expect(on({ ...emptyAssembly, members }).find((l) => l.id === 'rack')).toMatchObject({
      state: 'unknown',
      ratio: null,
      name: notSolved('').name,
    })
    // members on feet that nothing lies on: cargo is under nothing, and so no limit of theirs is known
    const bare = on({ ...emptyAssembly, members, mounts }).filter((l) => l.group === 'rack')
    expect(bare.length).toBeGreaterThan(3)
    for (const l of bare)
      expect([l.id, l.state, l.used.missing.join()]).toEqual([l.id, 'unknown', expect.stringContaining('something under')])
    // and a job of no piece with something to carry is not clear either
    const none_ = evaluate({ ...survey, pieces: [] }, defaultRules)
    expect(none_.limits.find((l) => l.id === 'roof.moving')).toMatchObject({ state: 'unknown' })
    // nothing to carry and nothing built: nothing to judge
    const none = rackLimits({
      assembly: emptyAssembly,
      carried: [],
      vehicle,
      brief: { ...brief, cargo: [] },
      rules: defaultRules,
      tests: [],
    })
    expect(none.limits).toEqual([])
  })
})
