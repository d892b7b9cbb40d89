import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Cargo } from '../brief/cargo'
import { placed } from '../brief/placeCargo'
import { accessories } from '../catalogue/accessories'
import type { CrossbarParams } from '../families/crossbarRack/params'
import { demoJobs } from '../job/demoJobs'
import { type Evaluation, evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { G_M_S2 } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { assembled, withRack } from '../testing/racks'
import { carriedBy } from './carried'
import { loadCases } from './loadCases'
import { rackSolver } from './solveRack'

/** A rack on a roof of one width, so that left and right are alike; no wind and no gusts unless asked for. */
const [survey] = demoJobs
const calm = { ...defaultRules, sideWindKmh: 0, headWindKmh: 0 }
const base: Job = {
  ...survey,
  vehicle: {
    ...survey.vehicle,
    mounts: [{ ...survey.vehicle.mounts[0], halfWidthFrontMm: 760, halfWidthRearMm: 760 }],
    obstacles: [],
    swings: [],
  },
  pieces: withRack(survey, { barXMm: [-200, 900, 2000], sideRails: true }).pieces,
  brief: { ...survey.brief, speedKmh: 0, road: 'road', cargo: [] },
}
const carrying = (cargo: Cargo[], params: Partial<CrossbarParams> = {}): Job => ({
  ...base,
  pieces: withRack(base, params).pieces,
  brief: { ...base.brief, cargo },
})
const box = accessories.find((a) => a.id === 'equipment-case')!
const item = fc
  .record({
    massKg: fc.double({ min: 1, max: 80, noNaN: true }),
    xMm: fc.integer({ min: 100, max: 1700 }),
    yMm: fc.integer({ min: -350, max: 350 }),
    rests: fc.constantFrom('box' as const, 'bundle' as const, 'brackets' as const),
    lengthMm: fc.integer({ min: 1300, max: 2600 }),
    left: fc.integer({ min: -60, max: 60 }),
  })
  .map(({ massKg, left, ...at }) => ({ ...at, massKg: { least: massKg, most: massKg }, centreLeftMm: left, heightMm: 300, widthMm: 500 }))
type Item = typeof item extends fc.Arbitrary<infer T> ? T : never
const put = (i: Item, id = 'a'): Cargo => placed(box, id, i.xMm, i.yMm, i)
const run = (job: Job) => evaluate(job, calm)
const caseOf = (e: Evaluation, id: string) => e.cases.find((c) => c.case.id === id)!
/** One case with feet that clamp: of two ways that feet may hold, an evaluation keeps the worse, which need not be the same for two loads. */
const clamped = (job: Job, id: string) => {
  const assembly = assembled(job)
  const loadCase = loadCases(calm, job.brief.road).find((c) => c.id === id)!
  return rackSolver(assembly, carriedBy(assembly, job.brief), calm, [], 'clamped')!.solve(loadCase, job.brief.speedKmh, 'most', 'all')
}
const few = { numRuns: 40 }

describe('what every loaded rack keeps to', () => {
  test('mirrored left for right, every foot takes what its opposite took, in every case', () => {
    const opposite: Record<string, string> = { 'corner-left': 'corner-right', 'corner-right': 'corner-left' }
    fc.assert(
      fc.property(item, (i) => {
        const mirrored = { ...i, yMm: -i.yMm, centreLeftMm: -i.centreLeftMm }
        const [one, other] = [run(carrying([put(i)])), run(carrying([put(mirrored)]))]
        for (const c of one.cases) {
          const twin = caseOf(other, opposite[c.case.id] ?? c.case.id)
          one.assembly.mounts.forEach((m, k) => {
            const across = other.assembly.mounts.findIndex((o) => o.place.x === m.place.x && o.side !== m.side)
            expect(c.feetDownN[k]).toBeCloseTo(twin.feetDownN[across], 4)
          })
        }
      }),
      few,
    )
  })
  test('two things together press as much as each alone, less the bare rack counted twice', () => {
    fc.assert(
      fc.property(item, item, (a, b) => {
        const down = (cargo: Cargo[]) => clamped(carrying(cargo), 'bump').feetDownN
        const [none, first, second, both] = [[], [put(a)], [put(b, 'b')], [put(a), put(b, 'b')]].map(down)
        for (const [k, n] of both.entries()) expect(n).toBeCloseTo(first[k] + second[k] - none[k], 4)
      }),
      few,
    )
  })
  test('the feet together carry the weight, wherever it lies and however it rests', () => {
    fc.assert(
      fc.property(fc.array(item, { maxLength: 4 }), (items) => {
        const cargo = items.map((i, k) => put(i, `c${k}`))
        const [bare, loaded] = [run(carrying([])), run(carrying(cargo))]
        const sum = (e: Evaluation) => caseOf(e, 'cruise').feetDownN.reduce((s, n) => s + n, 0)
        const weight = items.reduce((s, i) => s + i.massKg.most * G_M_S2, 0)
        expect(sum(loaded) - sum(bare)).toBeCloseTo(weight, 3)
      }),
      few,
    )
  })
  test('and its place: the moment about the rear axle is that of the weights (statics)', () => {
    fc.assert(
      fc.property(item, (i) => {
        const moment = (e: Evaluation) => {
          const c = caseOf(e, 'cruise')
          return e.assembly.mounts.reduce((s, m, k) => s + c.feetDownN[k] * m.place.x + c.feet[k].pitchNmm, 0)
        }
        const gain = moment(run(carrying([put(i)]))) - moment(run(carrying([])))
        expect(gain / (i.massKg.most * G_M_S2)).toBeCloseTo(i.xMm, 3)
      }),
      few,
    )
  })
  test('a heavier thing in the same place uses no limit of the rack less', () => {
    // what hogs over a bar that the load bows down may be relieved: the holes in a rail are left out, and so is what pressing holds down
    const rack = /^(foot\.down|foot\.grip|bar\.|joint|member\.push)/
    fc.assert(
      fc.property(item, fc.double({ min: 1.05, max: 2, noNaN: true }), (i, more) => {
        const heavier = { ...i, massKg: { least: i.massKg.least * more, most: i.massKg.most * more } }
        const [light, heavy] = [run(carrying([put(i)])), run(carrying([put(heavier)]))]
        for (const l of light.limits.filter((x) => rack.test(x.id))) {
          const after = heavy.limits.find((x) => x.id === l.id)!
          expect(after.used.value!).toBeGreaterThanOrEqual(l.used.value! - 1e-6)
        }
      }),
      few,
    )
  })
  test('a bump of 2 g is twice what stands still, in every foot, member and joint', () => {
    fc.assert(
      fc.property(item, (i) => {
        const job = carrying([put(i)])
        const [level, bump] = [clamped(job, 'cruise'), clamped(job, 'bump')]
        for (const [k, n] of level.feetDownN.entries()) expect(bump.feetDownN[k]).toBeCloseTo(2 * n, 4)
        for (const [k, m] of level.members.entries()) expect(bump.members[k].used).toBeCloseTo(2 * m.used, 6)
        for (const [k, j] of level.joints.entries()) expect(bump.joints[k].alongN).toBeCloseTo(2 * j.alongN, 4)
      }),
      few,
    )
  })
  test('braking and pulling away throw one way and the other; cornering leaves the sum downward alone', () => {
    fc.assert(
      fc.property(item, (i) => {
        const e = run(carrying([put(i)]))
        const sum = (id: string, of: 'downN' | 'forwardN' | 'leftN') => caseOf(e, id).feet.reduce((s, f) => s + f[of], 0)
        expect(sum('braking', 'forwardN') / 0.8).toBeCloseTo(-sum('pulling', 'forwardN') / 0.5, 4)
        expect(sum('corner-left', 'leftN')).toBeCloseTo(-sum('corner-right', 'leftN'), 4)
        for (const id of ['braking', 'pulling', 'corner-left']) expect(sum(id, 'downN')).toBeCloseTo(sum('cruise', 'downN'), 4)
      }),
      few,
    )
  })
  test('wind grows with the square of the speed: twice as fast, four times the drag and the lift', () => {
    const at = (speedKmh: number, i: Item) => {
      const job = carrying([put(i)])
      const e = run({ ...job, brief: { ...job.brief, speedKmh } })
      const sum = (id: string, of: 'downN' | 'forwardN') => caseOf(e, id).feet.reduce((s, f) => s + f[of], 0)
      return { drag: sum('wind', 'forwardN'), lift: sum('cruise', 'downN') - sum('wind', 'downN') }
    }
    fc.assert(
      fc.property(item, fc.integer({ min: 20, max: 70 }), (i, speed) => {
        const [slow, fast] = [at(speed, i), at(2 * speed, i)]
        expect(fast.drag / slow.drag).toBeCloseTo(4, 5)
        expect(fast.lift / slow.lift).toBeCloseTo(4, 5)
      }),
      few,
    )
  })
  test('what is only estimated is judged by its worst: the greatest presses, the least lifts', () => {
    fc.assert(
      fc.property(item, fc.double({ min: 0.2, max: 0.9, noNaN: true }), (i, share) => {
        const range = { least: i.massKg.most * share, most: i.massKg.most }
        const [sure, ranged] = [run(carrying([put(i)])), run(carrying([put({ ...i, massKg: range })]))]
        ranged.feet.forEach((f, k) => {
          expect(f.mostDownN).toBeGreaterThanOrEqual(sure.feet[k].mostDownN - 1e-6)
          expect(f.leastDownN).toBeLessThanOrEqual(sure.feet[k].leastDownN + 1e-6)
        })
      }),
      few,
    )
  })
})
