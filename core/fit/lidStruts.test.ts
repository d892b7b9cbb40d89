import { describe, expect, test } from 'vitest'
import { partMasses } from '../assembly/places'
import { demoParts } from '../catalogue/boughtParts'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { G_M_S2 } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { newStruts, type Struts } from '../strut/struts'
import { chosenStruts, leavesOf, lidStruts } from './lidStruts'
import { strutLimits } from './strutLimits'

const hive = demoJobs.find((j) => j.title.startsWith('Half guard'))!
const givenOf = (job: Job) => ({
  assembly: evaluate(job, defaultRules).assembly,
  vehicle: job.vehicle,
  brief: job.brief,
  rules: defaultRules,
})
const lidId = leavesOf(givenOf(hive), []).find((l) => l.mover.name === 'Lid')!.mover.id
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
    const [worked] = lidStruts(g, [struts({ forceN: 1 })])
    const lid = partMasses(g.assembly).find((p) => p.id.endsWith('/lid'))!
    const { leaf, curve } = worked!
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
    const all = lidStruts(givenOf(hive), [struts({ [key]: null })])
    expect(all[0]!.curve).toBeNull()
    expect(strutLimits(all, defaultRules).map((l) => l.state)).toEqual(['unknown'])
  })
  test('an end that nobody chose likewise', () => {
    const all = lidStruts(givenOf(hive), [struts({ onBody: { outMm: null, belowMm: 100 } })])
    expect([all[0]!.curve, all[0]!.lacks]).toEqual([null, ['its end on the body, out']])
  })
  test('past upright it stands by itself, whatever the struts; too strong ones hold, and the hand that shuts it is over', () => {
    const state = (forceN: number, key: RegExp) =>
      strutLimits(lidStruts(givenOf(hive), [struts({ forceN })]), defaultRules).find((l) => key.test(l.name))!.state
    expect(state(1, /hold/)).toBe('clear')
    expect([state(4000, /hold/), state(4000, /to shut it/)]).toEqual(['clear', 'over'])
  })
  test('a hatch of the vehicle must be weighed by hand; then what stands on it comes on top', () => {
    const gate = hive.vehicle.swings.find((s) => s.kind === 'tailgate')!
    const id = `swing:${gate.id}`
    const bare = lidStruts(givenOf(hive), [struts({ moverId: id })])
    expect(bare[0]!.lacks.join()).toMatch(/weighs/)
    const weighed = lidStruts(givenOf(hive), [struts({ moverId: id, leafKg: 18, leafOutMm: 200 })])
    expect(weighed[0]!.leaf.loaded[0]).toEqual({ kg: 18, out: 200, up: 0 })
    // nobody measured how far it opens: nothing is said of holding it there
    const ajar = { ...hive, vehicle: { ...hive.vehicle, swings: [{ ...gate, opensDeg: null }] } }
    const unknown = lidStruts(givenOf(ajar), [struts({ moverId: id, leafKg: 18, leafOutMm: 200 })])
    expect([unknown[0]!.curve, unknown[0]!.lacks]).toEqual([null, ['how far the tailgate opens']])
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
    for (const l of strutLimits(lidStruts(g, [set]), defaultRules))
      expect([l.name, l.state === 'over' || l.state === 'unknown']).toEqual([l.name, false])
  })
})
