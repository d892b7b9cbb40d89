import RAPIER from '@dimforge/rapier3d-compat'
import fc from 'fast-check'
import { beforeAll, describe, expect, onTestFinished, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { defaultRules, type Rules } from '../rules/rules'
import { between, fitOf } from '../testing/fitted'
import { rackAlone, withRack } from '../testing/racks'
import { rapierKit } from '../touch/kit'
import type { Swing } from '../vehicle/vehicle'
import { bound, endsOf } from './heightBounds'
import { heightWindows } from './heightWindow'
import { heightWindowCalculator } from './heightWindow.calculator'

beforeAll(() => RAPIER.init())

const [survey, oyster] = demoJobs
const windowsOf = (job: Job, rules: Rules = defaultRules) => {
  const kit = rapierKit(RAPIER)
  onTestFinished(() => kit.close())
  return heightWindows({ job, evaluation: evaluate(job, rules), rules }, kit)
}
const windowOf = (job: Job, rules: Rules = defaultRules) => {
  const [w, ...others] = windowsOf(job, rules)
  expect(others).toEqual([])
  return w!
}
/** Bars on feet of so many mm over a roof at 2575 with a fan of 70; seats at 2560 */
const rack = (footHeightMm: number, barXMm = [-250, 1500, 2000]): Job => {
  const job = rackAlone(withRack(survey, { barXMm, footHeightMm }))
  return { ...job, brief: { ...job.brief, cargo: [] } }
}
const withFan = (job: Job, accessMm: number | null): Job => ({
  ...job,
  vehicle: { ...job.vehicle, obstacles: job.vehicle.obstacles.map((o) => ({ ...o, accessMm })) },
})
const passing = (job: Job, heightMm: number | null): Job => ({ ...job, brief: { ...job.brief, passages: [{ name: 'gate', heightMm }] } })

describe('how low', () => {
  test('feet of 120 leave 2560 + 120 − 2645 = 35 over the fan, straight down; what takes from that gap takes from it here', () => {
    const job = withFan(rack(120), null)
    const fan = windowOf(job).lower.find((b) => b.name.includes('fan'))!
    const gap = between(fitOf(job).gaps, /crossbar/, /roof fan/)!
    expect(fan.nominalMm).toBeCloseTo(35, 0)
    expect(fan.nominalMm! - fan.mm!).toBeCloseTo(gap.gapMm - gap.worstMm!, 0)
    // lowered by all of it, worst and all, it stands on the fan
    const lower = withFan(rack(120 - fan.nominalMm!), null)
    expect(between(fitOf(lower).gaps, /crossbar/, /roof fan/)!.gapMm).toBeCloseTo(0, 0)
  })
  test('a fan that needs 120 of air to open wants the bar 85 higher than 35, and all that takes from it', () => {
    const fan = (access: number | null) => windowOf(withFan(rack(120), access)).lower.find((b) => b.name.includes('fan'))!
    expect(fan(120).mm).toBeCloseTo(fan(null).mm! - 120, 6)
    expect(fan(120).mm).toBeLessThan(35 - 120)
  })
  test('a foot has no more to give than its height: 90 from its seat to the bar', () => {
    const foot = windowOf(rack(90, [-250, 2000])).lower.find((b) => b.id === 'feet')!
    expect(foot.mm).toBeCloseTo(90, 6)
  })
  test('a roof whose height nobody measured gives no millimetres', () => {
    const job = rack(120, [-250, 2000])
    const vehicle = { ...job.vehicle, roofHeightMm: { ...job.vehicle.roofHeightMm, value: null }, obstacles: [] }
    const w = windowOf({ ...job, vehicle })
    const roof = w.lower.find((b) => b.name.includes('roof'))!
    expect([roof.mm, roof.lacks]).toEqual([null, 'the surface there, which nobody measured'])
    expect(endsOf(w).lacks).toContain('the surface there, which nobody measured')
  })
  test('a roof that pops up by 30° under a bar: 420 · tan 30° and half its thickness over its hinge', () => {
    const pop: Swing = { ...survey.vehicle.swings[0]!, id: 'pop', name: 'Pop-top', kind: 'pop-top' }
    const swings = [{ ...pop, xMm: 0, yMm: 0, zMm: 2300, reachMm: 700, hingeLengthMm: 300, opensDeg: 30 }]
    const job = rack(120, [400, 2000])
    const bar = evaluate(job, defaultRules).assembly.members[0]!
    const half = 20 // bars of 40, their front edge the farther from the hinge
    const needs = 2300 + (bar.path[0]!.x + half) * Math.tan(Math.PI / 6) + 20 / Math.cos(Math.PI / 6)
    const w = windowOf({ ...job, vehicle: { ...job.vehicle, swings } })
    expect(w.lower.find((b) => b.id === 'swing:pop')!.mm).toBeCloseTo(2680 - needs, -1)
    const unknown = windowOf({ ...job, vehicle: { ...job.vehicle, swings: swings.map((s) => ({ ...s, opensDeg: null })) } })
    expect(unknown.lower.find((b) => b.id === 'swing:pop')).toMatchObject({ mm: null, lacks: 'how far the pop-top opens' })
  })
})

describe('how high', () => {
  test('under a gate: its height less the top, less the air the shop leaves or the errors, the more of the two', () => {
    const job = passing(rack(120), 3000)
    const { topMm, higher } = windowOf(job)
    const gate = higher.find((b) => b.name === 'the gate')!
    expect(topMm).toBeCloseTo(evaluate(job, defaultRules).height.value!, 3)
    expect(gate.mm).toBeCloseTo(3000 - topMm - defaultRules.heightMarginMm, 6)
    const bold = windowOf(job, { ...defaultRules, heightMarginMm: 0 }).higher.find((b) => b.name === 'the gate')!
    // gate ±5, where its feet stand ±3, made ±2; no load
    expect(bold.mm).toBeCloseTo(3000 - topMm - 10, 6)
    // set higher by just that, the gauge is at its limit and no more
    const raised = evaluate(passing(rack(120 + gate.mm!), 3000), defaultRules).limits.find((l) => l.id === 'height.0')!
    expect(raised.used.value).toBeCloseTo(raised.allowed.value!, 3)
  })
  test('a gate of which nobody knows the height bounds it by nothing that is known', () => {
    const w = windowOf(passing(rack(120), null))
    expect(w.higher.find((b) => b.name === 'the gate')).toMatchObject({ mm: null, lacks: 'height of the gate' })
    expect(endsOf(w).lacks).toContain('height of the gate')
  })
  test('raised until its centre of mass is at the least stability, the stability of the raised rack is that', () => {
    const now = evaluate(rack(120), defaultRules).stability.after.value!
    const rules = { ...defaultRules, leastStability: now * 0.999 }
    const tips = windowOf(rack(120), rules).higher.find((b) => b.id === 'tipping')!
    expect(tips.mm).toBeGreaterThan(20)
    const raised = evaluate(rack(120 + tips.mm!), rules).stability.after.value!
    expect(raised).toBeCloseTo(rules.leastStability, 4)
  })
  test('without a mass it is not known where it tips', () => {
    const job = rack(120)
    const vehicle = { ...job.vehicle, kerbFrontKg: { ...job.vehicle.kerbFrontKg, value: null } }
    expect(windowOf({ ...job, vehicle }).higher.find((b) => b.id === 'tipping')!.mm).toBeNull()
  })
})

test('pieces that are not joined have a window each; what hangs in a receiver has none', () => {
  expect(windowsOf(oyster!).map((w) => w.name)).toEqual(['Crossbar rack', 'Guard and crate rails'])
  const carrier = demoJobs.find((j) => j.title.startsWith('Spar'))!
  expect(windowsOf(carrier).map((w) => w.name)).toEqual(['Crossbar rack'])
})

describe('the window of some bounds', () => {
  test('by hand: 35 down less 11 and 4, 60 up less 15, from 2,785', () =>
    expect(heightWindowCalculator.run(heightWindowCalculator.input.parse(heightWindowCalculator.example), undefined as never)).toEqual({
      // the hatch leaves 90 − 5 − 60 = 25, the fan 20
      ...{ lowestMm: 2765, lowestBy: 'roof fan', highestMm: 2830, highestBy: 'garage door', roomMm: 65, fits: true },
    }))
  test('nearest counts, whichever order they come in, and the room is what lies between', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -300, max: 900 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 0, max: 900 }),
        (gaps, up) => {
          const lower = gaps.map((g, i) => bound(`${i}`, `${i}`, g, []))
          const higher = [bound('gate', 'gate', up, [])]
          const ends = endsOf({ topMm: 2000, lower, higher })
          expect(ends.lowestMm).toBe(2000 - Math.min(...gaps))
          expect(ends.highestMm! - ends.lowestMm!).toBe(ends.roomMm)
          expect(endsOf({ topMm: 2000, lower: [...lower].reverse(), higher })).toEqual(ends)
        },
      ),
    ))
  test('what is not known bounds nothing, and is named', () => {
    const unknown = bound('a', 'roof', 50, [{ name: 'the surface', mm: null, error: true }])
    expect(endsOf({ topMm: 1000, lower: [unknown], higher: [] })).toMatchObject({ lowestMm: null, roomMm: null, lacks: ['the surface'] })
  })
})
