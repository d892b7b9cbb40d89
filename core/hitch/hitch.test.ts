import { expect, test } from 'vitest'
import type { Figure } from '../figure/figure'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { newLoadTest, plannedTest, verdictOf } from '../loadTest/loadTest'
import { G_M_S2 } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { barHz, sheddingHz, singsAtKmh } from '../structure/whistle'
import { rackParams, withCarrier } from '../testing/racks'
import { sourcedValue } from '../vehicle/vehicle'
import { departureDeg, hitchLoad } from './departure'

test('a carrier of 20 kg centred 300 behind the pin with two of 18 kg at 500: 56 kg, (20·0.3 + 36·0.5)·g = 235 N·m', () => {
  const r = hitchLoad(
    [
      { massKg: 20, behindMm: 300 },
      { massKg: 36, behindMm: 500 },
    ],
    G_M_S2,
  )
  expect(r.massKg).toBe(56)
  expect(r.momentNmm / 1000).toBeCloseTo(24 * G_M_S2, 9)
})

test('departure angle: a tyre without size leaves it at atan(h/d); with one the line must touch its circle', () => {
  expect(departureDeg(1000, 200, 1e-9)).toBeCloseTo((Math.atan(0.2) * 180) / Math.PI, 4)
  const a = (departureDeg(1300, 400, 340) * Math.PI) / 180
  // distance of the wheel's middle from the line through (−1300, 400) at that angle is the radius
  expect(Math.abs(1300 * Math.sin(a) + (340 - 400) * Math.cos(a))).toBeCloseTo(340, 6)
})

test('in a job: ratings unknown are not assessed, known ones are; the rear axle takes more than hangs there, the front gets lighter', () => {
  const [van] = demoJobs
  const with_ = withCarrier(van, {
    pinXMm: -1350,
    massKg: 20,
    behindMm: 300,
    zMm: 500,
    endBehindMm: 700,
    bottomZMm: 420,
    loads: [{ name: 'two bicycles', massKg: 36, behindMm: 500, zMm: 900 }],
  })
  const find = (job: typeof van, id: string) => evaluate(job, defaultRules).limits.find((l) => l.id === id)
  expect(find(van, 'hitch.tongue')).toBeUndefined()
  expect(find(with_, 'hitch.tongue')?.state).toBe('unknown')
  expect(find({ ...with_, vehicle: { ...with_.vehicle, tongueKg: sourcedValue(50, 'maker') } }, 'hitch.tongue')?.state).toBe('over')
  const axle = (job: typeof van, which: string) => find(job, `axle.${which}`)?.used.value ?? 0
  expect(axle(with_, 'rear') - axle(van, 'rear')).toBeCloseTo(20 * (1 + 1650 / 3660) + 36 * (1 + 1850 / 3660), 6)
  expect(axle(with_, 'front')).toBeLessThan(axle(van, 'front'))
  expect(find(with_, 'departure')?.state).toBe('clear')
  expect(evaluate(with_, defaultRules).hitchMoment?.value).toBeCloseTo((20 * 300 + 36 * 500) * G_M_S2, 6)
  // each working says what its factor is
  const factor = (of: Figure | null | undefined) => of?.with.find((i) => i.symbol === 'k')
  expect(factor(evaluate(with_, defaultRules).hitchMoment)).toMatchObject({ value: 1, name: 'standing still' })
  expect(factor(find(with_, 'hitch.moment')?.used)).toMatchObject({ name: 'what the road adds' })
})

test('a carrier that nobody has measured: moment, axles, tipping and departure are unknown, each naming what to measure', () => {
  const [van] = demoJobs
  const e = evaluate(withCarrier(van, { massKg: 20 }), defaultRules)
  const missing = (id: string) => e.limits.find((l) => l.id === id)?.used.missing
  expect(e.hitchMoment).toMatchObject({ value: null, missing: ['Carrier behind the pin'] })
  expect(missing('axle.rear')).toEqual(['place of Carrier'])
  expect(missing('stability')).toEqual(['centre height of Carrier'])
  expect(missing('departure')).toEqual(expect.arrayContaining(['rear end and underside of Carrier']))
  // a pin that nobody placed leaves the axles open, and not the moment: that needs only what is behind it
  const near = evaluate(withCarrier(van, { massKg: 20, behindMm: 300 }), defaultRules)
  expect(near.hitchMoment?.value).toBeCloseTo(20 * 300 * G_M_S2, 6)
  expect(near.limits.find((l) => l.id === 'axle.rear')?.state).toBe('unknown')
  // what it weighs is known, and only that: the gross mass and the tongue are worked out
  expect(e.limits.find((l) => l.id === 'gross')?.state).not.toBe('unknown')
  expect(e.limits.find((l) => l.id === 'hitch.tongue')?.used.value).toBe(20)
})

test('a round bar of 32 at 100 km/h hums at 0.2·27.8/0.032 = 174 Hz; it sings where that is its own 60 Hz: 34.6 km/h', () => {
  expect(sheddingHz('round', 100, 32)).toBeCloseTo(173.6, 1)
  expect(singsAtKmh('round', 60, 32)).toBeCloseTo((60 * 0.032 * 3.6) / 0.2, 9)
  // π/2·√(EI/m)/L² of a simply supported bar, in SI by hand: EI = 210e9·2e-8 = 4200, m = 1.5, L = 1.5
  expect(barHz(1500, 210_000, 20_000, 1.5)).toBeCloseTo((Math.PI / 2 / 2.25) * Math.sqrt(4200 / 1.5), 9)
})

test('the loaded rack’s own frequency is that of its sag: a heavy case lowers it', () => {
  const [van] = demoJobs
  const hz = (massKg: number) =>
    evaluate({ ...van, brief: { ...van.brief, cargo: [{ ...van.brief.cargo[2], massKg: { least: massKg, most: massKg } }] } }, defaultRules)
      .dynamics.frequency.value!
  expect(hz(20)).toBeGreaterThan(hz(80))
  expect(hz(80)).toBeGreaterThan(1)
  // a mass on a spring: four times the load, near half the frequency once the rack's own mass is small beside it
  expect(hz(800) / hz(3200)).toBeGreaterThan(1.8)
  expect(hz(800) / hz(3200)).toBeLessThan(2.05)
})

test('a bar that sank 1.3 times as far as computed is taken at 1.3 times its sag from then on; another profile, or less, changes nothing', () => {
  const [van] = demoJobs
  const sag = (over: object) => {
    const tested = newLoadTest({ id: 't', barMark: 'B1', atMm: 800, loadKg: 60, computedSagMm: 4, at: '', measuredSagMm: 5.2, ...over })
    const one = { ...van, brief: { ...van.brief, cargo: [] } }
    const limits = (loadTests: (typeof tested)[]) => evaluate({ ...one, loadTests }, defaultRules).limits
    const find = (list: ReturnType<typeof limits>) => list.find((l) => l.id === 'bar.sag')!.used
    return { ratio: find(limits([tested])).value! / find(limits([])).value!, source: find(limits([tested])).source }
  }
  const own = rackParams(van).profileId
  // B1 is the longest of the three and sags most under its own weight
  expect(sag({ profileId: own }).ratio).toBeCloseTo(1.3, 9)
  expect(sag({ profileId: own }).source).toContain('load test')
  expect(sag({ profileId: 'round-32x2-steel' }).ratio).toBe(1)
  expect(sag({ profileId: own, measuredSagMm: 3 }).ratio).toBe(1)
  expect(sag({ profileId: own, computedSagMm: 0.2, measuredSagMm: 0.9 }).ratio).toBe(1)
})

test('a load test passes only with both readings, within a quarter of the computed sag and with nothing that stays', () => {
  const t = newLoadTest({ id: 't', barMark: 'B1', atMm: 800, loadKg: 60, computedSagMm: 4, at: '' })
  const word = (over: object) => verdictOf({ ...t, ...over }, defaultRules).word
  expect(verdictOf(t, defaultRules)).toMatchObject({ word: 'planned', passed: false })
  expect(word({ measuredSagMm: 4.4, setMm: 0.2 })).toBe('as computed')
  expect(word({ measuredSagMm: 6, setMm: 0.2 })).toBe('gives more')
  expect(word({ measuredSagMm: 4.4, setMm: 1 })).toBe('stayed bent')
  expect(word({ measuredSagMm: 1, setMm: 0 })).toBe('stiffer')
})

test('the proof load is half as much again as the bar carries standing, or what the worst case puts on it where that is more, up to the next 5 kg', () => {
  const { assembly } = evaluate(demoJobs[0], defaultRules)
  const atMm = Math.round(assembly.members[0].path[0].y)
  // 41 kg standing: 61.5; a rough track at 3 g puts 123 on it
  expect(plannedTest(assembly, 0, { standingKg: 41, worstKg: 41 }, defaultRules)).toEqual({ loadKg: 65, atMm })
  expect(plannedTest(assembly, 0, { standingKg: 41, worstKg: 123 }, defaultRules)).toEqual({ loadKg: 125, atMm })
})

test('what lies ahead of the pin turns the receiver as hard as what lies as far behind it', () => {
  const [van] = demoJobs
  const moment = (behindMm: number) => evaluate(withCarrier(van, { massKg: 20, behindMm }), defaultRules).hitchMoment?.value
  expect(moment(-300)).toBeCloseTo(20 * 300 * G_M_S2, 6)
  expect(moment(300)).toBe(moment(-300))
})
