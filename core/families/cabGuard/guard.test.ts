import { describe, expect, test } from 'vitest'
import { evaluate } from '../../job/evaluate'
import { type Job, newJob } from '../../job/job'
import { METRIC } from '../../quantity/units'
import { defaultRules } from '../../rules/rules'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { GuardParams } from './params'

const guarded = (params: Partial<GuardParams>): Job => ({
  ...newJob('Guard', demoVehicles[1], METRIC),
  pieces: [
    {
      id: 'p1',
      name: '',
      letter: '',
      family: 'cab-guard',
      params: GuardParams.parse({ baseMm: 1400, ...params }),
      on: null,
      state: 'fitted',
    },
  ],
})
const winched = (over: Partial<GuardParams>) => guarded({ winch: true, winchKg: 14, winchN: 9000, loadKg: 260, slopeDeg: 18, ...over })
const cases = (job: Job) => evaluate(job, defaultRules).cases.filter((c) => c.case.id === 'p1/winching')
const limits = (job: Job) => new Map(evaluate(job, defaultRules).limits.map((l) => [l.id, l]))

describe('a winch on a guard', () => {
  test('a load that catches takes all the winch has: the feet hold 9000·cos 18° = 8560 N rearward, not the 1040 N that the ramp needs', () => {
    const [pulling] = cases(winched({}))
    const rearward = pulling!.feet.reduce((s, f) => s - f.push.x, 0)
    expect(rearward).toBeCloseTo(9000 * Math.cos((18 * Math.PI) / 180), 0)
    // what the ramp needs: 260·9.80665·(sin 18° + 0.1·cos 18°)
    expect(limits(winched({})).get('pull')!.used.value).toBeCloseTo(260 * 9.80665 * (0.309017 + 0.1 * 0.951057), 1)
  })
  test('a winch too weak for the ramp is over, and its seat is still held for what the ramp needs', () => {
    const weak = winched({ winchN: 500 })
    expect(limits(weak).get('pull')!.state).toBe('over')
    expect(cases(weak)[0]!.feet.reduce((s, f) => s - f.push.x, 0)).toBeCloseTo(1030 * Math.cos((18 * Math.PI) / 180), -2)
  })
  test.each([
    ['how strong it is', { winchN: null }, 'what the winch pulls at most'],
    ['what it hauls', { loadKg: null }, 'mass of what the winch hauls'],
    ['how steep', { slopeDeg: null }, 'slope of the ramp'],
  ])('nobody knows %s: pull, seat and feet are not assessed', (_, over, says) => {
    const found = limits(winched(over))
    for (const id of ['pull', 'bar.bending', 'foot.up', 'joint.bolts']) expect([id, found.get(id)!.state]).toEqual([id, 'unknown'])
    expect(found.get('bar.bending')!.used.missing.join()).toContain(says)
  })
  test('without one nothing pulls and nothing of it is asked', () => {
    expect(limits(guarded({})).has('pull')).toBe(false)
    expect(cases(guarded({}))).toEqual([])
  })
})

describe('where a guard stands', () => {
  test('bolted through rails, or clamped under a lip that was measured; in pockets only where there are pockets', () => {
    const codes = (job: Job) => evaluate(job, defaultRules).issues.map((i) => i.code)
    expect(codes(guarded({ hold: 'bolted through the rail' }))).toEqual([])
    const { issues } = evaluate(guarded({ hold: 'in the stake pockets' }), defaultRules)
    expect(JSON.stringify(issues)).toMatch(/pocket/i)
  })
  test('its posts lean with the cab by two offsets: (49 − 6) over (560 − 60) is 4.9°', () => {
    const { assembly } = evaluate(guarded({}), defaultRules)
    const post = assembly.members.find((m) => m.mark === 'PL')!
    const [foot, head] = post.path as [(typeof post.path)[number], (typeof post.path)[number]]
    expect((Math.atan2(Math.abs(foot.y - head.y), head.z - foot.z) * 180) / Math.PI).toBeCloseTo((Math.atan(43 / 500) * 180) / Math.PI, 1)
  })
})
