import { describe, expect, test } from 'vitest'
import { drawView } from '../../drawing/views'
import { demoJobs } from '../../job/demoJobs'
import { evaluate } from '../../job/evaluate'
import type { Job } from '../../job/job'
import { patchedParams } from '../../job/piecesOf'
import { carriedBy } from '../../loads/carried'
import { defaultRules } from '../../rules/rules'
import { unknownValue } from '../../vehicle/vehicle'
import type { CarrierParams } from './params'

const drone = demoJobs[3] as Job
const carrier: Job = {
  ...drone,
  pieces: drone.pieces.filter((p) => p.id === 'p2'),
  brief: { ...drone.brief, cargo: drone.brief.cargo.filter((c) => c.on.length) },
}
const withCarrier = (params: Partial<CarrierParams>): Job => patchedParams(carrier, 'p2', params)
const limits = (job: Job) => new Map(evaluate(job, defaultRules).limits.map((l) => [l.id, l]))

describe('two bicycles behind the receiver', () => {
  test('its pin is 70 ahead of a rear end at −1050; the first tray 420 behind the pin, the second 280 farther', () => {
    const { assembly } = evaluate(carrier, defaultRules)
    const trays = assembly.members.filter((m) => m.id.startsWith('p2/tray')).map((m) => m.path[0]!.x)
    expect(assembly.mounts[0]!.place).toEqual({ x: -980, y: 0, z: 435 })
    expect(trays).toEqual([-1400, -1680])
  })
  test('what the receiver bears is the carrier and 2 × 15 kg, by hand and in its limit', () => {
    const e = evaluate(carrier, defaultRules)
    expect(limits(carrier).get('hitch.carrier')!.used.value).toBeCloseTo(e.rackMassKg! + 30, 6)
    expect(limits(carrier).get('hitch.carrier')!.allowed.value).toBe(85)
  })
  test('the pin takes all of it down, and its moment about the pin is Σ m·g·(distance behind)', () => {
    const e = evaluate(carrier, defaultRules)
    const level = e.cases.find((c) => c.case.id === 'cruise')!
    expect(-level.feet[0]!.push.z).toBeCloseTo((e.rackMassKg! + 30) * 9.80665, 3)
    // the two bicycles alone: 15 kg at −1440 and at −1720, told from the pin at −980
    const empty = evaluate({ ...carrier, brief: { ...carrier.brief, cargo: [] } }, defaultRules)
    const turned = level.feet[0]!.turn.y - empty.cases.find((c) => c.case.id === 'cruise')!.feet[0]!.turn.y
    expect(Math.abs(turned)).toBeCloseTo(15 * 9.80665 * (460 + 740), -1)
  })
  test('farther out at the same mass the moment about the pin grows, the tongue load does not', () => {
    const far = limits(withCarrier({ firstBehindMm: 700 }))
    const near = limits(carrier)
    expect(far.get('hitch.moment')!.ratio!).toBeGreaterThan(near.get('hitch.moment')!.ratio!)
  })
  test.each([
    ['the tongue', { tongueKg: unknownValue }, 'hitch.tongue'],
    ['the carrier', { carrierKg: unknownValue }, 'hitch.carrier'],
  ])('nobody rated %s: not assessed', (_, over, id) => {
    expect(limits({ ...carrier, vehicle: { ...carrier.vehicle, ...over } }).get(id)!.state).toBe('unknown')
  })
  test('a bicycle that nobody weighed leaves open what it loads', () => {
    const cargo = carrier.brief.cargo.map((c) => (c.id === 'bicycle-1' ? { ...c, massKg: null } : c))
    const found = limits({ ...carrier, brief: { ...carrier.brief, cargo } })
    for (const id of ['hitch.tongue', 'hitch.carrier', 'bar.bending']) expect([id, found.get(id)!.state]).toEqual([id, 'unknown'])
  })
  test('a tray fewer than bicycles: the second names a support that is gone, and is never carried by another', () => {
    const e = evaluate(withCarrier({ trays: 1 }), defaultRules)
    expect(
      e.limits
        .filter((l) => l.state === 'unknown')
        .flatMap((l) => l.used.missing)
        .join(),
    ).toContain('something under Bicycle, hers')
  })
  test('what lay on a rack that is gone lies on nothing: ahead of the pin it would have eased the receiver', () => {
    const e = evaluate({ ...carrier, brief: drone.brief }, defaultRules)
    const missing = e.limits.flatMap((l) => (l.state === 'unknown' ? l.used.missing : []))
    expect(missing.join()).toContain('something under Solar panel')
    const hitch = e.limits.find((l) => l.id === 'hitch.moment')!
    expect(hitch.used.with.map((w) => w.name).join()).not.toContain('Solar panel')
  })
  test('folded it carries nothing and reaches less far behind', () => {
    const folding = withCarrier({ folds: true })
    const set = (state: 'fitted' | 'folded') => ({ ...folding, pieces: folding.pieces.map((p) => ({ ...p, state })) })
    const rearmost = (job: Job) => Math.min(...evaluate(job, defaultRules).assembly.members.flatMap((m) => m.path.map((p) => p.x)))
    expect(rearmost(set('folded'))).toBeGreaterThan(rearmost(set('fitted')) + 300)
    expect(evaluate(set('folded'), defaultRules).assembly.supports.filter((s) => s.id.startsWith('p2'))).toEqual([])
  })
})

describe('the wind on what is carried', () => {
  test('a bicycle stops 0.4 of its outline: 0.4 × 1.78 × 1.06 m² from ahead; a closed box all of it; snow lies on all of either', () => {
    const { assembly } = evaluate(carrier, defaultRules)
    const bicycle = carriedBy(assembly, carrier.brief).find((c) => c.cargoId === 'bicycle-1')!
    expect(bicycle.frontalM2).toBeCloseTo(0.4 * 1.78 * 1.06, 9)
    expect(bicycle.planM2).toBeCloseTo(1.78 * 0.26, 9)
    const closed = { ...carrier.brief, cargo: carrier.brief.cargo.map((c) => ({ ...c, stopsAir: 1 })) }
    expect(carriedBy(assembly, closed).find((c) => c.cargoId === 'bicycle-1')!.frontalM2).toBeCloseTo(1.78 * 1.06, 9)
  })
})

describe('marks of several pieces', () => {
  const e = evaluate(drone, defaultRules)
  const marks = (told: string | null) =>
    drawView('plan', e.assembly, drone.vehicle, drone.brief, 'driving', told).entities.flatMap((x) => (x.kind === 'balloon' ? [x] : []))
  test('those of one piece only, when it is in hand; together they are all', () => {
    expect(marks('p2').every((b) => b.text.startsWith('B-'))).toBe(true)
    expect(marks('p1').some((b) => b.text.startsWith('B-'))).toBe(false)
    expect(marks('p1').length + marks('p2').length).toBe(marks(null).length)
  })
  test('no two rings stand on one another', () => {
    const all = marks('p2')
    for (const [i, a] of all.entries())
      for (const b of all.slice(i + 1)) expect(Math.hypot(a.at.x - b.at.x, a.at.y - b.at.y)).toBeGreaterThan(150)
  })
})
