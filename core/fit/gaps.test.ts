import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, test } from 'vitest'
import { relieve } from '../advice/relief'
import type { Member } from '../assembly/assembly'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { limitKey } from '../limits/limit'
import { defaultRules } from '../rules/rules'
import { rackAlone, withRack } from '../testing/racks'
import { demoVehicles } from '../vehicle/demoVehicles'
import { surfaceTaken } from './bodySolids'
import { fitGiven, fitOf as wholeFit } from './fit'
import { type Gap, gapsOf } from './gaps'
import { givesMm, movesOf } from './gives'
import { judged } from './judged'
import { rapierKit } from './kit'
import { Measurer } from './meetings'
import { motionsOf } from './motions'
import { passages } from './passages'
import { memberSolid } from './solids'
import { withCure } from './withCure'

beforeAll(() => RAPIER.init())

const fitOf = (job: Job) => {
  const e = evaluate(job, defaultRules)
  const kit = rapierKit(RAPIER)
  const given = {
    assembly: e.assembly,
    vehicle: job.vehicle,
    brief: job.brief,
    rules: defaultRules,
    moves: movesOf(e.cases),
    stops: job.stops,
  }
  const answer = { gaps: gapsOf(given, new Measurer(kit)), motions: motionsOf(given, kit), evaluation: e }
  kit.close()
  return answer
}
const oysterGate = demoJobs[1]!.vehicle.swings.find((s) => s.kind === 'tailgate')!
const between = (gaps: Gap[], a: RegExp, b: RegExp) =>
  gaps.find((g) => (a.test(g.a.name) && b.test(g.b.name)) || (b.test(g.a.name) && a.test(g.b.name)))
const taken = (g: Gap, what: RegExp) => g.takers.find((t) => what.test(t.name))?.mm

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
    const down = Math.max(
      ...evaluation.cases.flatMap((c) => c.members.filter((m) => m.memberId === own.id).flatMap((m) => m.shape.map((p) => -p.z))),
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

describe('what may touch, and what may not', () => {
  test('nothing of the demo jobs that is joined, stands or lies on one another is a gap', () => {
    for (const job of demoJobs)
      for (const g of fitOf(job).gaps.filter((x) => x.state === 'meets')) {
        // what does meet is a load over something on the roof, which its job says as well
        expect(g.b.name).toMatch(/antenna|fan|hatch/)
      }
  })
  test('two pieces in the same place meet; put away, one of them is not there', () => {
    const [survey] = demoJobs
    const alone = rackAlone(survey)
    const [rack] = alone.pieces
    const twice = { ...alone, pieces: [rack!, { ...rack!, id: 'p7', letter: 'G', name: 'Again' }] }
    const met = fitOf(twice).gaps.filter((g) => g.state === 'meets' && g.a.pieceId !== g.b.pieceId)
    expect(met.length).toBeGreaterThan(2)
    const away = { ...twice, pieces: [rack!, { ...twice.pieces[1]!, state: 'off' as const }] }
    expect(fitOf(away).gaps.some((g) => g.a.pieceId === 'p7' || g.b.pieceId === 'p7')).toBe(false)
  })
  test('bodies that move against each other take the movement of both; one that nobody measured leaves the gap open', () => {
    // the cab brought up to 30 behind the guard that stands on the bed
    const oyster = demoJobs[1]!
    const guard = oyster.pieces.find((p) => p.family === 'cab-guard')!
    const alone = { ...oyster, pieces: [guard], brief: { ...oyster.brief, cargo: [] } }
    const front = Math.max(...evaluate(alone, defaultRules).assembly.members.flatMap((m) => m.path.map((p) => p.x)))
    const job = (movesMm: number | null): Job => ({
      ...alone,
      vehicle: {
        ...alone.vehicle,
        bodies: alone.vehicle.bodies.map((b) => (b.kind === 'cab' ? { ...b, fromXMm: front + 50, movesMm: 0 } : { ...b, movesMm })),
      },
    })
    const gap = (movesMm: number | null) =>
      fitOf(job(movesMm)).gaps.find((g) => /the cab/.test(g.a.name + g.b.name) && g.takers.some((t) => / move/.test(t.name)))!
    const known = gap(14)
    expect(taken(known, / move/)).toBe(14)
    const errors = known.takers.filter((t) => t.error).reduce((sum, t) => sum + t.mm!, 0)
    const whole = known.takers.filter((t) => !t.error).reduce((sum, t) => sum + t.mm!, 0)
    expect(whole).toBeGreaterThanOrEqual(14)
    expect(known.worstMm).toBeCloseTo(known.gapMm - errors - whole, 6)
    expect([gap(null).state, gap(null).worstMm]).toEqual(['unknown', null])
  })
  test('two places that sink together come no nearer; one that sinks 5 while the other rises 2 come 7 nearer, apart they come none', () => {
    const member = (id: string, z: number): Member => ({
      id,
      mark: id,
      name: id,
      profileId: 'round-25x2-steel',
      path: [
        { x: 0, y: 0, z },
        { x: 1000, y: 0, z },
      ],
      ends: [{ kind: 'square' }, { kind: 'square' }],
    })
    const [low, high] = [member('low', 1000), member('high', 1100)]
    const solid = (m: Member) => memberSolid(m, [])
    const assembly = { ...evaluate(demoJobs[0]!, defaultRules).assembly, members: [low, high] }
    const shape = (z: number) => [0, 1000].map((atMm) => ({ atMm, x: 0, y: 0, z }))
    const gives = (lowZ: number, highZ: number) =>
      givesMm(
        [
          {
            name: 'bump',
            missing: false,
            members: [
              { memberId: 'low', shape: shape(lowZ) },
              { memberId: 'high', shape: shape(highZ) },
            ],
          },
        ],
        assembly,
        solid(low),
        solid(high),
        [
          { x: 500, y: 0, z: 1012.5 },
          { x: 500, y: 0, z: 1087.5 },
        ],
      )!.mm
    expect([gives(-5, -5), gives(2, -5), gives(-5, 2)]).toEqual([0, 7, 0])
  })
  test('tubes joined to one rail at one place may close on each other in the corner, and not lie in the same place', () => {
    const tube = (id: string, to: { x: number; y: number; z: number }): Member => ({
      id,
      mark: id,
      name: id,
      profileId: 'round-25x2-steel',
      path: [{ x: 0, y: 0, z: 2000 }, to],
      ends: [{ kind: 'square' }, { kind: 'square' }],
    })
    const empty = { ...evaluate({ ...demoJobs[0]!, pieces: [] }, defaultRules).assembly }
    const at = { x: 0, y: 0, z: 2000 }
    const gapsWith = (b: Member) => {
      const members = [tube('p1/rail', { x: 0, y: 800, z: 2000 }), tube('p1/a', { x: 0, y: 0, z: 2800 }), b]
      const joints = ['p1/a', 'p1/b'].map((id) => ({
        id: `j${id}`,
        kind: 'weld' as const,
        between: [id, 'p1/rail'] as [string, string],
        at,
      }))
      const kit = rapierKit(RAPIER)
      const given = {
        ...fitGiven(demoJobs[0]!, { assembly: { ...empty, members, joints, mounts: [] }, cases: [] }, defaultRules),
        brief: { ...demoJobs[0]!.brief, cargo: [] },
      }
      const found = gapsOf(given, new Measurer(kit)).filter(
        (g) => g.state === 'meets' && /^p1.[ab]$/.test(g.a.id) && /^p1.[ab]$/.test(g.b.id),
      )
      kit.close()
      return found
    }
    // nearly the same line: 25 deep all along
    expect(gapsWith(tube('p1/b', { x: 5, y: 0, z: 2800 }))).toHaveLength(1)
  })
})

describe('what moves', () => {
  const chestOf = (job: Job) => fitOf(job).motions.find((m) => m.mover.name === 'Lid')!
  const hive = demoJobs.find((j) => j.title.startsWith('Half guard'))!

  test('the lid of the beekeeper’s chest opens all the way: it turns about the lower edge of its own skirt', () => {
    expect([chestOf(hive).touch, chestOf(hive).lacks]).toEqual([null, null])
  })
  test('a chest against the front wall of the bed: its lid meets the wall; set back by what is offered it opens, 20 less and it does not', () => {
    const chest = hive.pieces.find((p) => p.family === 'chest')!
    const at = (frontMm: number): Job => ({
      ...hive,
      pieces: [{ ...chest, on: null, params: { ...chest.params, frontMm } }],
      brief: { ...hive.brief, cargo: [] },
    })
    const near = chestOf(at(40))
    expect(near.touch!.what.name).toBe('the bed')
    const back = near.cures.find((c) => c.kind === 'move' && c.way === 'back')
    if (back?.kind !== 'move') throw new Error('no way back is offered')
    expect(chestOf(at(40 + back.byMm)).touch).toBeNull()
    expect(chestOf(at(40 + back.byMm - 20)).touch).not.toBeNull()
  })
  test('a door that nobody measured how far it opens is not assessed, never clear', () => {
    const [survey] = demoJobs
    const job = { ...survey, vehicle: { ...survey.vehicle, swings: survey.vehicle.swings.map((s) => ({ ...s, opensDeg: null })) } }
    for (const m of fitOf(job).motions) expect([m.touch, m.least]).toEqual([null, null])
    // a rack on the roof is in no door's way, however far it opens; a mast behind the tailgate may be
    const camper = demoJobs[3]!
    const gate = {
      ...oysterGate,
      id: 'gate',
      xMm: camper.vehicle.rearOverhangMm.value ? -camper.vehicle.rearOverhangMm.value : -1100,
      opensDeg: null,
    }
    const behind = fitOf({ ...camper, vehicle: { ...camper.vehicle, swings: [gate] } }).motions.find((m) => m.mover.id === 'swing:gate')!
    expect([behind.touch, behind.lacks]).toEqual([null, 'how far the tailgate opens'])
  })
  test('a rack on a hinged cover goes up with it: its rails, past the hinge, go down onto the cab; set farther back they do not', () => {
    const vehicle = demoVehicles.find((v) => v.id === 'pickup-cover')!
    const cover = (frontMm: number) => {
      const base = { ...demoJobs[0]!, vehicle, brief: { ...demoJobs[0]!.brief, cargo: [] } }
      const job = withRack(base, {
        mountId: vehicle.mounts[0]!.id,
        barXMm: [-600, frontMm],
        sideRails: true,
        build: 'welded',
        profileId: 'square-40x3-steel',
      })
      return fitOf(job).motions.find((m) => m.mover.id === 'swing:cover')!
    }
    expect(cover(700).touch!.what.name).toBe('the cab')
    expect(cover(300).touch).toBeNull()
  })
  test('a gate that meets the carrier behind it: every stop that is offered clears it, two degrees more would not', () => {
    const camper = demoJobs[3]!
    const gate = { ...oysterGate, id: 'gate', xMm: -(camper.vehicle.rearOverhangMm.value ?? 1100) + 80, reachMm: 800, opensDeg: 90 }
    const job: Job = { ...camper, vehicle: { ...camper.vehicle, swings: [gate] } }
    const of = (j: Job) => fitOf(j).motions.find((m) => m.mover.id === 'swing:gate')!
    const met = of(job)
    const stop = met.cures.find((c) => c.kind === 'stop')
    if (stop?.kind !== 'stop') throw new Error('no stop is offered')
    expect(of(withCure(job, met, stop)!).touch).toBeNull()
    expect(of({ ...job, stops: { 'swing:gate': stop.at + 4 } }).touch).not.toBeNull()
  })
})

describe('what would clear a gap, tried', () => {
  const relief = (job: Job, of: RegExp) => {
    const kit = rapierKit(RAPIER)
    const measurer = new Measurer(kit)
    const judge = (j: Job) => judged(j, defaultRules, kit, measurer)
    const target = judge(job).limits.find((l) => of.test(l.name) && l.state === 'over')!
    const found = relieve(job, limitKey(target), defaultRules, judge)
    const after = found.map((r) =>
      judge(r.job)
        .limits.filter((l) => l.state === 'over')
        .map(limitKey),
    )
    kit.close()
    return { target, found, after }
  }
  test('a bar 9 over a fan needs more: every change that is offered as clearing leaves it clear and nothing else newly over', () => {
    const [survey] = demoJobs
    const { found, after } = relief(rackAlone(withRack(survey, { barXMm: [-250, 1500, 2000], footHeightMm: 94 })), /Gap: .*roof fan/)
    expect(found.length).toBeGreaterThan(0)
    for (const r of found) expect(r.clears).toBe(true)
    for (const over of after) expect(over.some((id) => /gap\./.test(id))).toBe(false)
  })
  test('a crate against the antenna is moved, by no more than it takes', () => {
    const oyster = demoJobs[1]!
    const near = (maxOverhangMm: number): Job => ({
      ...oyster,
      brief: { ...oyster.brief, cargo: oyster.brief.cargo.map((c) => ({ ...c, maxOverhangMm })) },
      vehicle: { ...oyster.vehicle, obstacles: oyster.vehicle.obstacles.map((o) => ({ ...o, xMm: 950 })) },
    })
    const { target, found, after } = relief(near(400), /antenna/)
    expect(target.allowed.value).toBeCloseTo(0, 1)
    const moved = found.find((r) => r.pieceId === null)!
    expect(moved.label).toMatch(/\{20\} forward/)
    expect(after[found.indexOf(moved)]!.some((id) => /antenna|obstacle/.test(id))).toBe(false)
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

describe('under what is driven under', () => {
  const [survey] = demoJobs
  const under = (job: Job) => passages(evaluate(job, defaultRules).assembly, job.vehicle, job.brief, defaultRules)
  test('the air is the passage less the height that the gauge tells, and errors of five things take from it', () => {
    const e = evaluate(survey, defaultRules)
    const [p] = under(survey)
    expect(p!.nominalMm).toBeCloseTo(survey.brief.passages[0]!.heightMm! - e.height.value!, 9)
    expect(p!.worstMm).toBeCloseTo(p!.nominalMm - (5 + 3 + 2 + 5), 9)
    expect(p!.likelyMm).toBeCloseTo(p!.nominalMm - Math.sqrt(25 + 9 + 4 + 25), 9)
  })
  test('feet whose place nobody measured count as assumed; a passage without a height, or a vehicle without one, tells nothing', () => {
    const mounts = survey.vehicle.mounts.map((m) => ({ ...m, taken: { ...m.taken, method: 'unknown' as const, toleranceMm: null } }))
    expect(under({ ...survey, vehicle: { ...survey.vehicle, mounts } })[0]!.takers.find((t) => /feet stand/.test(t.name))!.mm).toBe(50)
    expect(under({ ...survey, brief: { ...survey.brief, passages: [{ name: 'gate', heightMm: null }] } })).toEqual([])
    expect(under({ ...survey, vehicle: { ...survey.vehicle, heightMm: { ...survey.vehicle.heightMm, value: null } } })).toEqual([])
  })
})
