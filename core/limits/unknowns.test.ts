import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Figure } from '../figure/figure'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { defaultRules } from '../rules/rules'
import { rackAlone, withCarrier } from '../testing/racks'
import { type SourcedKey, unknownValue, type Vehicle, vehicleFields } from '../vehicle/vehicle'
import { type Limit, limitKey } from './limit'

/** A job in which everything is known and nothing is over: the drone pair’s, with a carrier whose ratings are known too. */
const drone = rackAlone(demoJobs[3])
const rating = (value: number) => ({ ...unknownValue, value, method: 'maker' as const, source: 'plate' })
const whole: Job = withCarrier(
  {
    ...drone,
    vehicle: {
      ...drone.vehicle,
      tongueKg: rating(75),
      carrierKg: rating(90),
      barKg: rating(100),
      tyres: { now: '235/65 R16', next: '' },
      mounts: drone.vehicle.mounts.map((m) => ({ ...m, footDownKg: unknownValue, footUpKg: unknownValue })),
      footDownKg: rating(100),
      footUpKg: rating(80),
    },
  },
  { pinXMm: -1350, massKg: 20, behindMm: 300, zMm: 500, endBehindMm: 700, bottomZMm: 420 },
)
const states = (job: Job) =>
  new Map(evaluate(job, defaultRules).limits.map((l) => [l.id === 'rack' || l.pieceId !== 'p9' ? l.id : limitKey(l), l]))
const without = (vehicle: Partial<Vehicle>): Job => ({ ...whole, vehicle: { ...whole.vehicle, ...vehicle } })

test('the job these stand on has every limit assessed', () => {
  const open = [...states(whole).values()].filter((l) => l.state === 'unknown').map((l) => [l.id, l.used.missing, l.allowed.missing])
  expect(open).toEqual([])
})

/** Which limits fall with a figure that nobody knows. */
const falls: [SourcedKey, string[]][] = [
  ['roofMovingKg', ['roof.moving']],
  ['roofParkedKg', ['roof.parked']],
  ['grossKg', ['gross']],
  ['frontAxleKg', ['axle.front']],
  ['rearAxleKg', ['axle.rear']],
  ['kerbFrontKg', ['gross', 'axle.front', 'axle.front.least', 'stability']],
  ['kerbRearKg', ['gross', 'axle.rear', 'stability']],
  ['occupantsKg', ['gross', 'axle.front', 'axle.front.least', 'axle.rear', 'stability']],
  ['wheelbaseMm', ['axle.front', 'axle.front.least', 'axle.rear']],
  ['trackWidthMm', ['stability']],
  ['centreOfMassHeightMm', ['stability']],
  ['footDownKg', ['foot.down', 'foot.side']],
  ['footUpKg', ['foot.up']],
  ['tongueKg', ['hitch.tongue', 'hitch.moment']],
  ['carrierKg', ['hitch.carrier']],
]
describe('one figure of the vehicle that nobody knows', () => {
  const full = states(whole)
  test.each(falls)('%s', (key, ids) => {
    const after = states(without({ [key]: unknownValue }))
    const label = vehicleFields.find((f) => f.key === key)!.label
    for (const id of ids) {
      const l = after.get(id)!
      expect([id, l.state, l.ratio]).toEqual([id, 'unknown', null])
      expect([...l.used.missing, ...l.allowed.missing].join()).toContain(label)
    }
    // and nothing else changes: what does not depend on it is judged as before
    for (const [id, l] of full)
      if (!ids.includes(id) && after.has(id)) {
        expect([id, after.get(id)!.state]).toEqual([id, l.state])
        if (l.ratio !== null) expect(after.get(id)!.ratio).toBeCloseTo(l.ratio, 9)
      }
  })
})

describe('one thing carried that nobody weighed', () => {
  test('every limit that its mass enters is not assessed and names it; overhangs and heights, which it does not enter, stand', () => {
    const [first, ...rest] = whole.brief.cargo
    const after = states({ ...whole, brief: { ...whole.brief, cargo: [{ ...first, massKg: null, massBasis: 'unknown' }, ...rest] } })
    const unknown = [...after.values()].filter((l) => l.state === 'unknown')
    for (const l of unknown) expect([...l.used.missing, ...l.allowed.missing].join()).toContain(first.name)
    expect(unknown.map((l) => l.id)).toEqual(
      expect.arrayContaining([
        'roof.moving',
        'gross',
        'axle.front',
        'axle.rear',
        'stability',
        'foot.down',
        'foot.up',
        'foot.bolts',
        'foot.grip',
        'bar.bending',
        'bar.sag',
        'load.class',
      ]),
    )
    for (const l of after.values()) if (/^(overhang|span|height|hitch|departure)/.test(l.id)) expect(l.state).not.toBe('unknown')
  })
})

describe('no figure is shown without what it was made of', () => {
  const figuresOf = (l: Limit): Figure[] => [l.used, l.allowed]
  test.each(demoJobs.map((j) => [j.title, j] as const))('%s', (_, job) => {
    for (const l of evaluate(job, defaultRules).limits)
      for (const f of figuresOf(l)) {
        expect(f.name.length).toBeGreaterThan(0)
        expect(f.formula.length).toBeGreaterThan(0)
        expect(f.source.length).toBeGreaterThan(0)
        // a value is there exactly when nothing is missing
        expect([f.id, f.value === null]).toEqual([f.id, f.missing.length > 0])
        expect(f.missing).toEqual(f.with.filter((i) => i.value === null).map((i) => i.name))
      }
  })
  test('whatever is blanked, no limit turns clear that was not, and none loses its reason', () => {
    const keys = falls.map(([key]) => key)
    const full = states(whole)
    fc.assert(
      fc.property(fc.subarray(keys, { minLength: 1 }), fc.nat(), (blank, pick) => {
        const cargo = whole.brief.cargo.map((c, i) =>
          pick % 3 === 0 && i === pick % whole.brief.cargo.length ? { ...c, massKg: null } : c,
        )
        const job = without(Object.fromEntries(blank.map((k) => [k, unknownValue])))
        for (const [id, l] of states({ ...job, brief: { ...job.brief, cargo } })) {
          if (l.state === 'unknown') expect([...l.used.missing, ...l.allowed.missing].length).toBeGreaterThan(0)
          else expect(l.state).toBe(full.get(id)?.state)
        }
      }),
      { numRuns: 60 },
    )
  })
})
