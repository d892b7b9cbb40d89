import { describe, expect, test } from 'vitest'
import { partMasses } from '../assembly/places'
import { demoParts } from '../catalogue/boughtParts'
import type { Figure } from '../figure/figure'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { G_M_S2, radians } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { strutBalance } from '../strut/coverStrut'
import { newStruts, type Struts } from '../strut/struts'
import { demoVehicles } from '../vehicle/demoVehicles'
import { chosenStruts, leavesOf, lidStruts } from './lidStruts'
import { hingeFigure } from './strutFigures'
import { strutLimits } from './strutLimits'

const hive = demoJobs.find((j) => j.title.startsWith('Half guard'))!
const givenOf = (job: Job) => ({
  assembly: evaluate(job, defaultRules).assembly,
  vehicle: job.vehicle,
  brief: job.brief,
  rules: defaultRules,
})
const lidId = leavesOf(givenOf(hive), []).find((l) => l.mover.name === 'Lid')!.mover.id
/** a job's leaves with these struts on them */
const worked = (g: ReturnType<typeof givenOf>, all: Struts[]) => lidStruts(leavesOf(g, all), all, g.vehicle, g.rules)
const struts = (over: Partial<Struts>): Struts => ({
  ...newStruts(lidId),
  forceN: 150,
  extendedMm: 355,
  strokeMm: 130,
  onLeaf: { outMm: 150, belowMm: 15 },
  onBody: { outMm: 150, belowMm: 250 },
  ...over,
})

describe('struts under the lid of a chest', () => {
  test('the lid is weighed by its parts; shut, a hand lifts half of that at twice the arm, less what the struts push', () => {
    const g = givenOf(hive)
    const [lidded] = worked(g, [struts({ forceN: 1 })])
    const lid = partMasses(g.assembly).find((p) => p.id.endsWith('/lid'))!
    const { leaf, curve } = lidded!
    expect(leaf.empty).toHaveLength(1)
    expect(leaf.empty[0]!.kg).toBeCloseTo(lid.kg!, 9)
    // its middle lies half its length out from a hinge at its front edge
    expect(leaf.empty[0]!.out / leaf.reachMm).toBeGreaterThan(0.45)
    expect(leaf.empty[0]!.out / leaf.reachMm).toBeLessThan(0.55)
    const by = (lid.kg! * G_M_S2 * leaf.empty[0]!.out) / leaf.reachMm
    expect(curve!.points[0]!.hand.heavy / by).toBeGreaterThan(0.95)
    expect(curve!.points[0]!.hand.heavy / by).toBeLessThan(1.001)
  })
  test.each(['forceN', 'extendedMm', 'strokeMm'] as const)('without %s nothing is said of it, and that it holds is not assessed', (key) => {
    const all = worked(givenOf(hive), [struts({ [key]: null })])
    expect(all[0]!.curve).toBeNull()
    expect(strutLimits(all, defaultRules).map((l) => l.state)).toEqual(['unknown'])
  })
  test('an end that nobody chose likewise', () => {
    const all = worked(givenOf(hive), [struts({ onBody: { outMm: null, belowMm: 100 } })])
    expect([all[0]!.curve, all[0]!.lacks]).toEqual([null, ['its end on the body, out']])
  })
  test('past upright it stands by itself, whatever the struts; too strong ones hold, and the hand that shuts it is over', () => {
    const state = (forceN: number, key: RegExp) =>
      strutLimits(worked(givenOf(hive), [struts({ forceN })]), defaultRules).find((l) => key.test(l.name))!.state
    expect(state(1, /hold/)).toBe('clear')
    expect([state(4000, /hold/), state(4000, /to shut it/)]).toEqual(['clear', 'over'])
  })
  test('a hatch of the vehicle must be weighed by hand; then what stands on it comes on top', () => {
    const gate = hive.vehicle.swings.find((s) => s.kind === 'tailgate')!
    const id = `swing:${gate.id}`
    const bare = worked(givenOf(hive), [struts({ moverId: id })])
    expect(bare[0]!.lacks.join()).toMatch(/weighs/)
    const weighed = worked(givenOf(hive), [struts({ moverId: id, leafKg: 18, leafOutMm: 200 })])
    expect(weighed[0]!.leaf.loaded[0]).toEqual({ kg: 18, out: 200, up: 0 })
    // nobody measured how far it opens: nothing is said of holding it there
    const ajar = { ...hive, vehicle: { ...hive.vehicle, swings: [{ ...gate, opensDeg: null }] } }
    const unknown = worked(givenOf(ajar), [struts({ moverId: id, leafKg: 18, leafOutMm: 200 })])
    expect([unknown[0]!.curve, unknown[0]!.lacks]).toEqual([null, ['how far the tailgate opens']])
  })
  test('struts that have gone past the hinge draw an upright lid shut, however little it weighs there', () => {
    // the end on the body 300 behind the hinge and level with it: from 451 shut to about 310 open, its line then behind the hinge
    const past = { forceN: 4000, extendedMm: 460, strokeMm: 200, onBody: { outMm: -300, belowMm: 0 } }
    const [open] = strutLimits(worked(givenOf(hive), [struts(past)]), defaultRules)
    expect(open!.used.with.find((i) => i.symbol === 'd')!.value).toBeGreaterThan(2 * 4000 * 100)
    expect([open!.allowed.value, open!.state]).toEqual([0, 'over'])
  })
  test('each figure of a strut shows what it is made of: by hand for this lid', () => {
    const set = worked(givenOf(hive), [struts({ forceN: 400 })])
    const { curve, given } = set[0]!
    const limits = strutLimits(set, defaultRules)
    const shown = (f: Figure) => Object.fromEntries(f.with.map((i) => [i.symbol, i.value!]))
    const shut = limits.find((l) => /to shut it/.test(l.name))!.used
    const { M, S, R } = shown(shut)
    expect(shut.value).toBeCloseTo((S! - M!) / R!, 9)
    expect(shut.value).toBeCloseTo(Math.max(...curve!.points.map((p) => (p.opens.hot - p.closes.empty) / given!.handOutMm)), 9)
    const hinge = hingeFigure('h', { given: given!, curve: curve! })
    // in balance: hinges + struts + weight = 0, so the hinges bear the other two's sum, by its two directions
    const { 'F₁': f1, 'F₂': f2, 'W₁': w1, 'W₂': w2 } = shown(hinge)
    expect(Math.hypot(f1!, f2!)).toBeGreaterThan(2 * 400)
    expect(w1).toBeCloseTo(0, 9)
    expect(w2).toBeCloseTo(-given!.empty[0]!.kg * G_M_S2, 9)
    expect(hinge.value! ** 2).toBeCloseTo((f1! + w1!) ** 2 + (f2! + w2!) ** 2, 6)
  })
  test('the best of the shelf clears every limit of its own', () => {
    const g = givenOf(hive)
    const leaf = leavesOf(g, []).find((l) => l.mover.id === lidId)!
    const sizes = demoParts.flatMap((p) =>
      p.kind === 'strut' && p.forceN && p.lengthMm && p.strokeMm
        ? [{ id: p.id, forceN: p.forceN, extendedMm: p.lengthMm, strokeMm: p.strokeMm }]
        : [],
    )
    const found = chosenStruts(leaf, sizes, defaultRules)!
    const end = (p: { out: number; up: number }) => ({ outMm: p.out, belowMm: -p.up })
    const { id: _, ...size } = found.size
    const set = struts({ ...size, count: found.count, onLeaf: end(found.onLeaf), onBody: end(found.onBody) })
    for (const l of strutLimits(worked(g, [set]), defaultRules))
      expect([l.name, l.state === 'over' || l.state === 'unknown']).toEqual([l.name, false])
  })
})

describe('struts of a bed cover that was measured', () => {
  const vehicle = demoVehicles.find((v) => v.id === 'pickup-cover')!
  const job: Job = { ...hive, vehicle, pieces: [], brief: { ...hive.brief, cargo: [] } }
  // 36 kg at 840; opens 38°; ends 560 out on the cover, 930 out and 115 below on the body; 650 N each
  const long = Math.hypot(930 - 560 * Math.cos(radians(38)), 115 + 560 * Math.sin(radians(38)))
  const bare = { ...newStruts('swing:cover'), extendedMm: long, strokeMm: 290, onLeaf: { outMm: null, belowMm: 0 } }
  test('nothing measured is typed again: only what the sheet does not hold is missing', () => {
    expect(worked(givenOf(job), [newStruts('swing:cover')])[0]!.lacks).toEqual([
      'its full length',
      'its stroke',
      'its end on the leaf, below',
    ])
  })
  test('open it is held as the calculator for covers says, with struts at 85 % in −10 °C', () => {
    const { curve } = worked(givenOf(job), [bare])[0]!
    const cover = strutBalance({
      openDeg: 38,
      coverKg: 36,
      coverCentreMm: 840,
      rackKg: 0,
      rackCentreMm: 0,
      struts: 2,
      strutForceN: (650 * 0.85 * 263.15) / 293.15,
      onCoverMm: 560,
      onBodyMm: 930,
      bodyBelowMm: 115,
    })
    expect(curve!.closesOpenNmm).toBeCloseTo(cover.weightMomentNmm, 3)
    expect(curve!.holdsOpenNmm >= curve!.closesOpenNmm).toBe(cover.holds)
    expect(curve!.holdsOpenNmm / cover.weightMomentNmm).toBeCloseTo((650 * 0.85 * 263.15) / 293.15 / cover.neededForceN, 6)
  })
  test('what is typed wins, and a figure in dispute counts for nothing', () => {
    expect(worked(givenOf(job), [{ ...bare, forceN: 100 }])[0]!.given!.forceN).toBe(100)
    const { 'cover.mass': _, ...others } = vehicle.measures
    const unweighed = { ...job, vehicle: { ...vehicle, measures: others } }
    expect(worked(givenOf(unweighed), [bare])[0]!.lacks.join()).toMatch(/itself weighs/)
  })
})
