import { describe, expect, test } from 'vitest'
import type { Cargo, OpenAs } from '../brief/cargo'
import { cross, plus, type Vec3 } from '../geometry/vec3'
import { item } from '../job/demo/parts'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { G_M_S2 } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { assembled, rackAlone } from '../testing/racks'
import { type Carried, carriedBy } from './carried'
import { loadCases, type StandingWind } from './loadCases'
import { openedOut } from './openedOut'
import { openTentCalculator } from './openTent.calculator'
import { rackSolver } from './solveRack'

const base = rackAlone(demoJobs[0]!)
const known: OpenAs = { to: 'left', reachMm: 1300, highMm: 1100, windRatedKmh: 60 }
/** A tent of 2,200 × 1,300 × 300 that folds out to the left. */
const jobOf = (openAs: OpenAs | null = known, over: Partial<Cargo> = {}): Job => ({
  ...base,
  brief: { ...base.brief, cargo: [item('roof-tent', 700, 0, { ...(openAs ? { openAs } : {}), ...over })] },
})
const limitOf = (job: Job, id = `open.${job.brief.cargo[0]!.id}`) => evaluate(job, defaultRules).limits.find((l) => l.id === id)

test('by itself in 40 km/h, by hand: q = ½·ρ·11.11² on 2.2 × 1.1, on 2.6 × 1.1, and up on 2.2 × 2.6', () => {
  const run = openTentCalculator.run(openTentCalculator.input.parse(openTentCalculator.example), undefined as never)
  const q = 0.5 * defaultRules.airDensity * (40 / 3.6) ** 2
  expect(run.asideN).toBeCloseTo(q * defaultRules.dragCoefficient * 2.42, 6)
  expect(run.aheadN / run.asideN).toBeCloseTo(2.86 / 2.42, 9)
  expect(run.liftN).toBeCloseTo(q * defaultRules.liftCoefficient * 5.72, 6)
  expect(run.heldDownN).toBeCloseTo(58 * G_M_S2 - run.liftN, 6)
  expect(run.overturnsNmm).toBeCloseTo(run.asideN * 550, 4)
})

describe('a tent that stands open', () => {
  test('folded out by its own width it covers twice as much; its weight lies evenly on that, half its width out; its feet are where they were', () => {
    const [c] = carriedBy(assembled(jobOf()), jobOf().brief) as [Carried]
    const o = openedOut(c, known)!
    expect([o.yMm - c.yMm, o.faceYMm! - c.middleYMm, o.xMm - c.xMm, o.faceXMm! - c.middleXMm]).toEqual([650, 650, 0, 0])
    expect([o.planM2, o.sideM2, o.frontalM2].map((a) => Math.round(a * 1e4) / 1e4)).toEqual([5.72, 2.42, 2.86])
    expect(o.middleZMm! - c.middleZMm!).toBe((1100 - 300) / 2)
    expect([o.bearings, o.widthMm, o.middleYMm]).toEqual([c.bearings, c.widthMm, c.middleYMm])
    expect(openedOut(c, { ...known, to: 'rear', reachMm: 1000 })!.xMm - c.xMm).toBe(-500)
    // one that only rises stays over its middle
    expect(openedOut(c, { ...known, reachMm: 0 })!.yMm).toBe(c.yMm)
    expect([openedOut(c, { ...known, reachMm: null }), openedOut(c, { ...known, highMm: null })]).toEqual([null, null])
  })
  test.each<[StandingWind, number, number]>([
    ['left', 0, -1],
    ['right', 0, 1],
    ['front', -1, 0],
    ['rear', 1, 0],
  ])(
    'wind from %s: what the feet hold is weight, drag at half its height and lift in the middle of all it covers, in force and in moment',
    (from, x, y) => {
      const job = jobOf()
      const assembly = assembled(job)
      const [c] = carriedBy(assembly, job.brief) as [Carried]
      const [parked] = loadCases(defaultRules, 'road')
      const held = (carried: Carried[]) => {
        const { feet } = rackSolver(assembly, carried, defaultRules, [], 'clamped')!.solve(
          { ...parked!, standingWind: { kmh: 40, from } },
          null,
          'least',
          'all',
        )
        const moment = (p: Vec3, f: Vec3) => cross(p, f)
        return feet.reduce(
          (s, f, i) => ({ force: plus(s.force, f.push), moment: plus(s.moment, plus(f.turn, moment(assembly.mounts[i]!.place, f.push))) }),
          { force: { x: 0, y: 0, z: 0 }, moment: { x: 0, y: 0, z: 0 } },
        )
      }
      const [bare, tented] = [held([]), held([openedOut(c, known)!])]
      // ½·1.25·(40/3.6)² = 77.2 Pa
      const q = 0.5 * defaultRules.airDensity * (40 / 3.6) ** 2
      const underside = c.middleZMm! - 150
      const drag = q * defaultRules.dragCoefficient * (y ? 2.2 * 1.1 : 2.6 * 1.1)
      const lift = q * defaultRules.liftCoefficient * 5.72
      const acts: [Vec3, Vec3][] = [
        [
          { x: c.xMm, y: c.yMm + 650, z: 0 },
          { x: 0, y: 0, z: -58 * G_M_S2 },
        ],
        [
          { x: c.middleXMm, y: c.middleYMm + 650, z: 0 },
          { x: 0, y: 0, z: lift },
        ],
        [
          { x: c.middleXMm, y: c.middleYMm + 650, z: underside + 550 },
          { x: x * drag, y: y * drag, z: 0 },
        ],
      ]
      const expected = acts.reduce((s, [p, f]) => ({ force: plus(s.force, f), moment: plus(s.moment, cross(p, f)) }), {
        force: { x: 0, y: 0, z: 0 },
        moment: { x: 0, y: 0, z: 0 },
      })
      for (const k of ['x', 'y', 'z'] as const) {
        expect(tented.force[k] - bare.force[k]).toBeCloseTo(expected.force[k], 4)
        expect((tented.moment[k] - bare.moment[k]) / 1000).toBeCloseTo(expected.moment[k] / 1000, 2)
      }
    },
  )
  test('it is judged by the wind its maker lets it stand; what nobody measured, or the maker never said, is not assessed; closed for good it is not asked', () => {
    expect(limitOf(jobOf())!.state).toBe('clear')
    expect(limitOf(jobOf({ ...known, windRatedKmh: 30 }))!.state).toBe('over')
    for (const lack of [{ reachMm: null }, { highMm: null }, { windRatedKmh: null }])
      expect(limitOf(jobOf({ ...known, ...lack }))!.state).toBe('unknown')
    expect(limitOf(jobOf(known, { opens: false }))).toBeUndefined()
    expect(limitOf(jobOf(null))).toBeUndefined()
  })
  test('open it uses more of feet and bars than parked shut, the more the higher it stands, and the case says so', () => {
    const most = (job: Job) => {
      const e = evaluate(job, defaultRules)
      return { used: Math.max(...e.cases.filter((c) => c.case.id.startsWith('open:')).flatMap((c) => c.members.map((m) => m.used))), e }
    }
    const [low, high] = [most(jobOf()), most(jobOf({ ...known, highMm: 1800 }))]
    const shut = Math.max(...low.e.cases.find((c) => c.case.id === 'parked')!.members.map((m) => m.used))
    expect(low.used).toBeGreaterThan(shut)
    expect(high.used).toBeGreaterThan(low.used)
    expect(low.e.cases.map((c) => c.case.name)).toContain('Fold-out roof tent open, wind from the right')
    // empty, and with nothing else there, it lifts the feet on the side that the wind comes from
    const up = (e: typeof low.e) => Math.min(...e.feet.map((f) => f.leastDownN))
    expect(up(high.e)).toBeLessThan(up(low.e))
  })
  test('two that stand open are looked at each alone and both together: what lifts both lifts the feet no less than either', () => {
    const two = (second: boolean): Job => ({
      ...base,
      brief: {
        ...base.brief,
        cargo: [
          item('roof-tent', 1500, 0, { openAs: known, lengthMm: 900 }),
          item('roof-tent', 300, 0, { id: 'other', name: 'Other tent', opens: second, openAs: { ...known, to: 'right' }, lengthMm: 900 }),
        ],
      },
    })
    const e = evaluate(two(true), defaultRules)
    const ids = new Set(e.cases.map((c) => c.case.id.split(':')[1]))
    for (const id of ['roof-tent', 'other', 'roof-tent+other']) expect(ids).toContain(id)
    const least = (job: Job) => evaluate(job, defaultRules).feet.map((f) => f.leastDownN)
    const alone = least(two(false))
    least(two(true)).forEach((n, i) => {
      expect(n).toBeLessThanOrEqual(alone[i]! + 1e-6)
    })
  })
})
