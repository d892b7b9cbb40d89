import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, onTestFinished, test } from 'vitest'
import { relieve } from '../advice/relief'
import { memberLengthMm } from '../assembly/assembly'
import { centreLine } from '../geometry/centreLine'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { limitKey } from '../limits/limit'
import { movedAt } from '../loads/memberShape'
import { defaultRules } from '../rules/rules'
import { between, fitOf, taken } from '../testing/fitted'
import { rackAlone, withRack } from '../testing/racks'
import { surfaceTaken } from '../touch/bodySolids'
import { rapierKit } from '../touch/kit'
import { Measurer } from '../touch/meetings'
import { fitGiven, fitOf as wholeFit } from './fit'
import { judged } from './judged'

beforeAll(() => RAPIER.init())

describe('a rack over a roof fan', () => {
  // the fan is 70 high on a roof of 2575; its feet stand at 2560
  const [survey] = demoJobs
  const over = (footHeightMm: number) => rackAlone(withRack(survey, { barXMm: [-250, 1500, 2000], footHeightMm }))
  const fan = (job: Job) => between(fitOf(job).gaps, /crossbar/, /roof fan/)!

  test('a foot of 120 leaves 2560 + 120 − 2645 = 35 over the fan; at worst less 1 as made, 5, 2, 3 and what the bar sags there', () => {
    const g = fan(over(120))
    expect(g.gapMm).toBeCloseTo(35, 1)
    const sag = g.takers.find((t) => !t.error)?.mm ?? 0
    expect(g.worstMm).toBeCloseTo(g.gapMm - (1 + 5 + 2 + 3) - sag, 9)
    expect(g.likelyMm).toBeCloseTo(g.gapMm - Math.sqrt(1 + 25 + 4 + 9) - sag, 9)
    expect(g.state).toBe('clear')
  })
  test('a foot of 170 leaves 85, and that is still told: less 11 at worst, √39 likely, and the sag', () => {
    const g = fan(over(170))
    expect(g.gapMm).toBeCloseTo(85, 1)
    const sag = taken(g, /gives under load/) ?? 0
    expect(g.worstMm).toBeCloseTo(g.gapMm - 11 - sag, 6)
    expect(g.likelyMm).toBeCloseTo(g.gapMm - Math.sqrt(39) - sag, 6)
  })
  test('what the bar sags at the fan is no more than the most it sags anywhere, and no less than half of it, for the fan lies near the middle', () => {
    const job = over(120)
    const { gaps, evaluation } = fitOf(job)
    const g = between(gaps, /crossbar/, /roof fan/)!
    const own = evaluation.assembly.members.find((m) => m.id === g.a.id || m.id === g.b.id)!
    const line = centreLine(own.path, own.bendRadiiMm)
    const everyMm = Array.from({ length: Math.ceil(memberLengthMm(own)) }, (_, mm) => mm)
    const down = Math.max(
      ...evaluation.cases.flatMap((c) =>
        c.members.filter((m) => m.memberId === own.id).flatMap(({ shape }) => everyMm.map((mm) => -movedAt(shape, line, mm).z)),
      ),
    )
    expect(taken(g, /gives under load/)!).toBeLessThanOrEqual(down + 1e-9)
    expect(taken(g, /gives under load/)!).toBeGreaterThan(down / 2)
  })
  test('a foot of 94 is tight, one of 70 stands 15 deep in the fan and says so', () => {
    expect(fan(over(94)).state).toBe('tight')
    const deep = fan(over(70))
    expect([deep.state, Math.round(deep.gapMm)]).toEqual(['meets', -15])
  })
  test('lifted by 1 the gap is 1 more: the drawing, the list and the solid are one', () => {
    expect(fan(over(121)).gapMm - fan(over(120)).gapMm).toBeCloseTo(1, 2)
  })
  test('no roof height, no millimetres: nothing is said to be so far from a roof that nobody measured', () => {
    const job = over(120)
    const unmeasured = { ...job, vehicle: { ...job.vehicle, roofHeightMm: { ...job.vehicle.roofHeightMm, value: null } } }
    const { gaps } = fitOf(unmeasured)
    expect(between(gaps, /crossbar/, /fan/)).toBeUndefined()
    for (const g of gaps.filter((x) => /roof/.test(x.a.name + x.b.name))) expect([g.state, g.worstMm]).toEqual(['measure', null])
  })
})

describe('what would clear a gap, tried', () => {
  const relief = (job: Job, of: RegExp) => {
    const kit = rapierKit(RAPIER)
    const measurer = new Measurer(kit)
    onTestFinished(() => kit.close())
    const judge = (j: Job) => judged(j, defaultRules, kit, measurer)
    const target = judge(job).limits.find((l) => of.test(l.name) && l.state === 'over')!
    const found = relieve(job, limitKey(target), defaultRules, judge)
    /** what is over once one of them is taken */
    const overWith = (r: (typeof found)[number]) =>
      judge(r.job)
        .limits.filter((l) => l.state === 'over')
        .map(limitKey)
    return { target, found, overWith }
  }
  test('a bar 9 over a fan needs more: every change that is offered as clearing leaves it clear and nothing else newly over', () => {
    const [survey] = demoJobs
    const { found, overWith } = relief(rackAlone(withRack(survey, { barXMm: [-250, 1500, 2000], footHeightMm: 94 })), /Gap: .*roof fan/)
    expect(found.length).toBeGreaterThan(0)
    for (const r of found) expect(r.clears).toBe(true)
    for (const r of found) expect(overWith(r).some((id) => /gap\./.test(id))).toBe(false)
  })
  test('a crate against the antenna is moved, by no more than it takes', () => {
    const oyster = demoJobs[1]!
    const near = (maxOverhangMm: number): Job => ({
      ...oyster,
      brief: { ...oyster.brief, cargo: oyster.brief.cargo.map((c) => ({ ...c, maxOverhangMm })) },
      vehicle: { ...oyster.vehicle, obstacles: oyster.vehicle.obstacles.map((o) => ({ ...o, xMm: 950 })) },
    })
    const { target, found, overWith } = relief(near(400), /antenna/)
    expect(target.allowed.value).toBeCloseTo(0, 1)
    const moved = found.find((r) => r.pieceId === null)!
    expect(moved.label).toMatch(/\{20\} forward/)
    expect(overWith(moved).some((id) => /antenna|obstacle/.test(id))).toBe(false)
    // its own rule of 200 is used up where it lies: no move is offered that would break it
    expect(relief(near(200), /antenna/).found.filter((r) => r.pieceId === null)).toEqual([])
  })
})

describe('nothing passes for want of a figure', () => {
  test('what is fitted and nobody measured has no gaps, and that is said; once it is measured it has', () => {
    const found = (box: boolean) => {
      const [survey] = demoJobs
      const e = evaluate(survey, defaultRules)
      const fitting = {
        id: 'p9/box',
        mark: 'BX',
        name: 'Found box',
        massKg: 10,
        at: { x: 500, y: 0, z: 2700 },
        middle: { x: 500, y: 0, z: 2700 },
        size: { x: 400, y: 400, z: 200 },
        unknown: box ? [] : (['box'] as ('box' | 'x')[]),
        priceMinor: null,
        there: true,
      }
      const kit = rapierKit(RAPIER)
      const given = { ...fitGiven(survey, e, defaultRules), assembly: { ...e.assembly, fittings: [fitting] } }
      const { limits } = wholeFit(given, kit, new Measurer(kit))
      kit.close()
      return limits.filter((l) => /found box/i.test(l.name))
    }
    expect(found(false).map((l) => [l.state, l.allowed.missing])).toEqual([['unknown', ['size of found box']]])
    expect(found(true).some((l) => l.state !== 'unknown')).toBe(true)
  })
  test('a roof that nobody measured leaves the gaps to its fan open', () => {
    const [survey] = demoJobs
    const job = { ...survey, vehicle: { ...survey.vehicle, roofHeightMm: { ...survey.vehicle.roofHeightMm, value: null } } }
    const kit = rapierKit(RAPIER)
    const { limits } = wholeFit(fitGiven(job, evaluate(job, defaultRules), defaultRules), kit, new Measurer(kit))
    kit.close()
    expect(limits.find((l) => l.name === 'Gaps to roof fan')!.state).toBe('unknown')
  })
  test('points, lines and what is no number have no body, and the kit goes on', () => {
    const kit = rapierKit(RAPIER)
    const p = (x: number, y = 0, z = 0) => ({ x, y, z })
    for (const bad of [
      [p(0), p(0), p(0), p(0)],
      [p(0), p(1), p(2), p(3)],
      [p(0), p(1)],
      [p(0), p(1, 1), p(0, 1, 1), p(Number.NaN)],
    ])
      expect(kit.body(bad)).toBeNull()
    expect(kit.body([p(0), p(100), p(0, 100), p(0, 0, 100)])).not.toBeNull()
    kit.close()
  })
  test('an item that is there only while parked has its gaps too', () => {
    const [, oyster] = demoJobs as [Job, Job, ...Job[]]
    const near = { ...oyster.vehicle, obstacles: oyster.vehicle.obstacles.map((o) => ({ ...o, xMm: 950 })) }
    const parked = {
      ...oyster,
      vehicle: near,
      brief: { ...oyster.brief, cargo: oyster.brief.cargo.map((c) => ({ ...c, counts: 'parked' as const })) },
    }
    expect(between(fitOf(parked).gaps, /Oyster/, /antenna/)!.state).toBe('tight')
  })
})

describe('what of a vehicle was measured', () => {
  const [survey, oyster] = demoJobs as [Job, Job, ...Job[]]
  const roof = survey.vehicle.roofHeightMm
  test('the roof where its height was taken; the windscreen, a van’s side and the front of a bonnet never', () => {
    const on = (x: number, y: number, z: number) => surfaceTaken(survey.vehicle, 'body:', { x, y, z })
    expect(on(500, 0, roof.value!)).toEqual({ name: 'roof height', toleranceMm: roof.tolerance ?? 2 })
    for (const place of [on(3200, 0, roof.value! - 500), on(500, 1000, 1200), on(4200, 0, 800)]) expect(place).toBeNull()
  })
  test('of a body its top, its ends and its upright sides; of a cab neither screen nor the sides that lean in', () => {
    const cab = oyster.vehicle.bodies.find((b) => b.kind === 'cab')!
    const bed = oyster.vehicle.bodies.find((b) => b.kind === 'bed')!
    const at = (id: string, x: number, y: number, z: number) => surfaceTaken(oyster.vehicle, `body:${id}`, { x, y, z })?.name ?? null
    const mid = (bed.fromXMm + bed.toXMm) / 2
    expect(at(bed.id, mid, bed.widthMm / 2, bed.topZMm)).toMatch(/^top of/)
    expect(at(bed.id, mid, bed.widthMm / 2, bed.topZMm - 200)).toMatch(/^side of/)
    expect(at(cab.id, cab.fromXMm, 0, 1000)).toMatch(/^rear of/)
    expect([at(cab.id, cab.toXMm + 400, 0, 1400), at(cab.id, 1500, cab.widthMm / 2 - 30, cab.topZMm - 150)]).toEqual([null, null])
  })
})
