import { describe, expect, test } from 'vitest'
import { buildPlan } from '../build/buildPlan'
import { ownerCard } from '../handOver/ownerCard'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { builtFrom } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { moversOf } from '../touch/movers'
import { demoWorkshop } from '../workshop/workshop'
import type { Motion } from './motions'
import { withCure, withoutStop } from './withCure'

const [, job] = demoJobs as [(typeof demoJobs)[0], (typeof demoJobs)[0], ...typeof demoJobs]
const gate = job.vehicle.swings.find((s) => s.kind === 'tailgate')!
const item = job.brief.cargo[0]!
const motion = (id: string) => ({ mover: { id } }) as Pick<Motion, 'mover'>

describe('a cure done', () => {
  test('a stop is written down for the job, by what moves; what was measured of the vehicle stays as it is', () => {
    const done = withCure(job, motion(`swing:${gate.id}`), { kind: 'stop', at: 41 })!
    expect(done.stops).toEqual({ [`swing:${gate.id}`]: 41 })
    expect({ ...done, stops: job.stops }).toEqual(job)
    expect(withoutStop(done, `swing:${gate.id}`)).toEqual(job)
  })
  test('with its stop it is swept no farther, its step stands in the order of work before the load test, and on the owner’s card', () => {
    const done = withCure(job, motion(`swing:${gate.id}`), { kind: 'stop', at: 41 })!
    const e = evaluate(done, defaultRules)
    const to = (j: typeof job) => moversOf(e.assembly, j.vehicle, j.brief, j.stops).find((m) => m.id === `swing:${gate.id}`)!.to
    expect([to(job), to(done)]).toEqual([gate.opensDeg, 41])
    // a stop farther than it opens anyway holds nothing back
    expect(to({ ...done, stops: { [`swing:${gate.id}`]: 179 } })).toBe(gate.opensDeg)
    const { steps } = buildPlan({ ...builtFrom(done, defaultRules), workshop: demoWorkshop, rules: defaultRules })
    const ids = steps.map((s) => s.id)
    expect(ids.indexOf('stops')).toBeGreaterThan(0)
    expect(ids.indexOf('stops')).toBeLessThan(ids.indexOf('load-test'))
    expect(steps.find((s) => s.id === 'stops')!.why).toBe(`${gate.name} at 41°`)
    expect(ownerCard(done, e, defaultRules).mayNot.join()).toMatch(/past its stop at 41°/)
    expect(
      buildPlan({ ...builtFrom(job, defaultRules), workshop: demoWorkshop, rules: defaultRules }).steps.some((s) => s.id === 'stops'),
    ).toBe(false)
  })
  test('an item is moved along the vehicle’s own axes: forward is more x, left is more y', () => {
    const moved = (way: 'forward' | 'back' | 'left' | 'right') => {
      const c = withCure(job, motion('swing:x'), { kind: 'move', id: `cargo:${item.id}`, name: item.name, pieceId: null, way, byMm: 30 })!
        .brief.cargo[0]!
      return [c.xMm - item.xMm, c.yMm - item.yMm]
    }
    expect([moved('forward'), moved('back'), moved('left'), moved('right')]).toEqual([
      [30, 0],
      [-30, 0],
      [0, 30],
      [0, -30],
    ])
  })
  test('a piece set elsewhere, or an item lifted, is somebody’s to design: nothing is done by itself', () => {
    expect(withCure(job, motion('p1/lid'), { kind: 'move', id: 'p1', name: 'lid', pieceId: 'p1', way: 'back', byMm: 30 })).toBeNull()
    expect(withCure(job, motion('x'), { kind: 'move', id: `cargo:${item.id}`, name: 'x', pieceId: null, way: 'up', byMm: 30 })).toBeNull()
  })
})
