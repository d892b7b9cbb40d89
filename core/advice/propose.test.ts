import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { withMoved } from '../job/movedCargo'
import { defaultRules } from '../rules/rules'
import { hangOf } from '../spacing/tipping'
import { withRack } from '../testing/racks'
import { proposePlacements, rank } from './propose'

const [survey, oyster, spar] = demoJobs
const apply = (job: Job, xs: number[]): Job => withRack(job, { barXMm: xs })

test('the survey van’s three items: what is offered stands on the gutter, says its worst, and does what it says when applied', () => {
  const road = { ...survey, brief: { ...survey.brief, road: 'road' as const } }
  const { placements, giveUp } = proposePlacements(road, 'p1', defaultRules, { least: 2, most: 5 })
  expect(giveUp).toBeNull()
  expect(placements.length).toBeGreaterThanOrEqual(2)
  for (const p of placements.filter((q) => q.meets)) {
    const e = evaluate(apply(withMoved(road, p.moved), p.barXMm), defaultRules)
    expect(e.issues.filter((i) => i.code === 'load_on_one_bar' || i.code === 'load_tips' || i.code === 'bar_off_mount')).toEqual([])
    const governing = e.limits.find((l) => l.name === p.governs)!
    expect(governing.ratio).toBeCloseTo(p.worst, 9)
    expect(e.limits.filter((l) => /^(foot|bar|overhang|span)/.test(l.id) && l.state === 'over')).toEqual([])
    expect(p.why).toContain(`${p.barXMm.length} bars`)
  }
  // the fewest come first, and none is worse than what is there now
  const now = evaluate(road, defaultRules).limits.filter((l) => /^(foot|bar|overhang|span)/.test(l.id))
  expect(placements[0].worst).toBeLessThan(Math.max(...now.map((l) => l.ratio ?? 99)))
}, 30_000)

test('on fixed points only fixed points are offered', () => {
  const { placements } = proposePlacements(oyster, 'p1', defaultRules, { least: 2, most: 3 })
  const points = oyster.vehicle.mounts[0].pointsXMm!
  for (const p of placements) for (const x of p.barXMm) expect(points).toContain(x)
  // nobody rated the points, down or up: what is offered breaks no rule, which is less than meeting every one
  expect(placements[0]).toMatchObject({ meets: true, unknown: 2 })
  expect(placements[0].why).toMatch(/break no rule that can be assessed.*; 2 not assessed\.$/)
})

test('a case that hangs off the rear end of the gutter, wherever bars stand: it is set forward, by no more than it says, and then rests', () => {
  const line = survey.vehicle.mounts[0]
  const box = { ...survey.brief.cargo[1]!, lengthMm: 700, xMm: line.fromXMm - 250, yMm: 0, massKg: { least: 20, most: 20 } }
  const job = { ...survey, brief: { ...survey.brief, road: 'road' as const, cargo: [box] } }
  const { placements } = proposePlacements(job, 'p1', defaultRules, { least: 2, most: 2 })
  const [p] = placements
  expect(p!.moved).toHaveLength(1)
  const by = p!.moved[0]!.xMm - box.xMm
  expect(by).toBeGreaterThan(0)
  expect(by).toBeLessThanOrEqual(600)
  expect(p!.why).toContain(`with ${box.name} {${by}} forward`)
  const issues = (of: Job) =>
    evaluate(of, defaultRules).issues.filter((i) => i.code === 'load_tips' || i.code === 'load_on_one_bar' || i.code === 'load_on_nothing')
  expect(issues(apply(job, p!.barXMm)).length).toBeGreaterThan(0)
  expect(issues(apply(withMoved(job, p!.moved), p!.barXMm))).toEqual([])
  // where bars alone do, the load stays where the client wants it
  const there = { ...job, brief: { ...job.brief, cargo: [{ ...box, xMm: (line.fromXMm + line.toXMm) / 2 }] } }
  for (const q of proposePlacements(there, 'p1', defaultRules, { least: 2, most: 2 }).placements) if (q.meets) expect(q.moved).toEqual([])
}, 60_000)

test('a load too heavy for any placement: says that none meets the rules and which to give up', () => {
  const heavy = {
    ...oyster,
    vehicle: spar.vehicle,
    pieces: spar.pieces,
    brief: { ...spar.brief, cargo: [{ ...oyster.brief.cargo[0], xMm: 800, massKg: { least: 900, most: 900 } }] },
  }
  const { giveUp, placements } = proposePlacements(heavy, 'p1', defaultRules, { least: 2, most: 3 })
  expect(giveUp).toMatch(/No placement of 2 to 3 bars meets every rule.*“Foot, pressed down”/)
  expect(placements[0].meets).toBe(false)
}, 30_000)

test('a placement without faults comes before one with all figures known, that before one with nothing over, that before the lower worst', () => {
  const tried = (issues: number, unknown: number, over: number, worst: number) => ({
    barXMm: [],
    moved: [],
    governs: '',
    meets: false,
    over: Array<string>(over).fill('x'),
    issues,
    unknown,
    worst,
  })
  const order = [
    tried(0, 0, 0, 0.4),
    tried(0, 0, 0, 0.9),
    tried(0, 0, 1, 0.2),
    tried(0, 2, 0, 0.1),
    tried(0, 2, 3, 0.1),
    tried(1, 0, 0, 0),
    tried(3, 0, 0, 0),
  ]
  expect([...order].reverse().sort(rank)).toEqual(order)
})

test('nothing carried, nowhere to stand: says what is missing', () => {
  expect(proposePlacements({ ...survey, brief: { ...survey.brief, cargo: [] } }, 'p1', defaultRules).giveUp).toContain('Nothing is carried')
  expect(proposePlacements({ ...survey, vehicle: { ...survey.vehicle, mounts: [] } }, 'p1', defaultRules).giveUp).toContain('mount line')
})

test('a 4 m pole of 8 kg on bars 0 and 1000, its middle at 1000: 1000 out behind, 2000 ahead; it stands on the tip at the front, 8 kg·1000/1000 at its rear end', () => {
  const pole = { ...survey.brief.cargo[0], lengthMm: 4000, xMm: 1000, centreForwardMm: 0, massKg: { least: 8, most: 8 } }
  expect(hangOf(pole, [0, 1000])).toMatchObject({ rearMm: 1000, frontMm: 2000, tipsAtRear: { value: 8 }, tipsAtFront: { value: 0 } })
  expect(hangOf({ ...pole, massKg: null }, [0, 1000])?.tipsAtRear).toMatchObject({ value: null, missing: [`mass of ${pole.name}`] })
  expect(hangOf(pole, [0])).toBeNull()
})
