import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { memberLengthMm } from '../assembly/assembly'
import { BriefSchema } from '../brief/brief'
import { placed } from '../brief/placeCargo'
import { accessories } from '../catalogue/accessories'
import { profiles } from '../catalogue/profiles'
import { cutList } from '../cutList/cutList'
import { toDxf } from '../drawing/toDxf'
import { drawView } from '../drawing/views'
import { readJobFile, writeJobFile } from '../exchange/jobFile'
import { patched } from '../issue/patch'
import { loadCases } from '../loads/loadCases'
import { G_M_S2, METRIC } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { rackParams, withRack } from '../testing/racks'
import { demoVehicles } from '../vehicle/demoVehicles'
import { unknownValue, vehicleFields } from '../vehicle/vehicle'
import { demoJobs } from './demoJobs'
import { evaluate } from './evaluate'
import { type Job, JobSchema, newJob } from './job'

/** Every number in a value that must be finite or null, with its path. */
function badNumbers(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path} = ${value}`]
  if (Array.isArray(value)) return value.flatMap((v, i) => badNumbers(v, `${path}[${i}]`))
  if (value && typeof value === 'object') return Object.entries(value).flatMap(([k, v]) => badNumbers(v, `${path}.${k}`))
  return []
}

const cargo = fc.record({
  accessory: fc.constantFrom(...accessories),
  xMm: fc.integer({ min: -4000, max: 5000 }),
  yMm: fc.integer({ min: -900, max: 900 }),
  known: fc.boolean(),
  ahead: fc.integer({ min: -400, max: 400 }),
})
const anyJob = fc.record({
  vehicle: fc.constantFrom(...demoVehicles),
  blanks: fc.subarray(
    vehicleFields.map((f) => f.key),
    { maxLength: 4 },
  ),
  profileId: fc.constantFrom(...profiles.map((p) => p.id)),
  bars: fc.array(fc.integer({ min: -1500, max: 3200 }), { maxLength: 6 }),
  overhangMm: fc.integer({ min: 0, max: 600 }),
  footHeightMm: fc.integer({ min: 0, max: 500 }),
  bracketInsetMm: fc.integer({ min: 0, max: 300 }),
  sideRails: fc.boolean(),
  fairing: fc.boolean(),
  build: fc.constantFrom('bolted' as const, 'welded' as const),
  someoneStands: fc.boolean(),
  someoneClimbs: fc.boolean(),
  speedKmh: fc.option(fc.integer({ min: 0, max: 200 })),
  cargo: fc.array(cargo, { maxLength: 5 }),
})
type Drawn = typeof anyJob extends fc.Arbitrary<infer T> ? T : never

function jobOf(d: Drawn): Job {
  const base = newJob('Any', d.vehicle, METRIC)
  const vehicle = { ...d.vehicle, ...Object.fromEntries(d.blanks.map((key) => [key, unknownValue])) }
  return {
    ...base,
    vehicle,
    brief: {
      ...base.brief,
      speedKmh: d.speedKmh,
      someoneStands: d.someoneStands,
      someoneClimbs: d.someoneClimbs,
      cargo: d.cargo.map((c, i) =>
        placed(c.accessory, `c${i}`, c.xMm, c.yMm, {
          centreForwardMm: c.ahead,
          ...(c.known ? {} : { massKg: null, massBasis: 'unknown' as const }),
        }),
      ),
    },
    pieces: withRack(base, {
      profileId: d.profileId,
      barXMm: d.bars,
      overhangMm: d.overhangMm,
      footHeightMm: d.footHeightMm,
      bracketInsetMm: d.bracketInsetMm,
      sideRails: d.sideRails,
      fairing: d.fairing,
      build: d.build,
    }).pieces,
  }
}

describe('any job whatever', () => {
  test('is evaluated without throwing, and no figure is NaN or infinite', () => {
    fc.assert(
      fc.property(anyJob, (d) => {
        const e = evaluate(jobOf(d), defaultRules)
        expect(badNumbers({ limits: e.limits, feet: e.feet, ledger: e.ledger, rack: e.rackMassKg })).toEqual([])
      }),
      { numRuns: 50, seed: 20261124 },
    )
  })

  test('a limit with an unknown on either side is not assessed, and names what is missing', () => {
    fc.assert(
      fc.property(anyJob, (d) => {
        for (const l of evaluate(jobOf(d), defaultRules).limits) {
          const open = l.used.value === null || l.allowed.value === null
          expect(l.state === 'unknown').toBe(open)
          if (open) expect([...l.used.missing, ...l.allowed.missing].length).toBeGreaterThan(0)
        }
      }),
      { numRuns: 40, seed: 7 },
    )
  })

  test('the feet carry what stands on the bars: down forces of the level case add up to the weights', () => {
    fc.assert(
      fc.property(anyJob, (d) => {
        const job = { ...jobOf(d), brief: { ...jobOf(d).brief, cargo: [] } }
        const e = evaluate(job, defaultRules)
        const level = e.cases.find((c) => c.case.id === 'cruise')
        if (!level || !e.assembly.mounts.length) return
        expect(level.feetDownN.reduce((s, f) => s + f, 0)).toBeCloseTo(e.rackMassKg! * G_M_S2, 3)
      }),
      { numRuns: 40, seed: 11 },
    )
  })

  test('every piece of the assembly is in the cut list, at its length', () => {
    fc.assert(
      fc.property(anyJob, (d) => {
        const { assembly } = evaluate(jobOf(d), defaultRules)
        const parts = cutList(assembly)
        expect(parts.reduce((s, p) => s + p.quantity, 0)).toBe(assembly.members.length)
        const listed = parts.reduce((s, p) => s + p.quantity * p.lengthMm, 0)
        const drawn = assembly.members.reduce((s, m) => s + memberLengthMm(m), 0)
        expect(Math.abs(listed - drawn)).toBeLessThanOrEqual(0.5 * assembly.members.length)
      }),
      { numRuns: 40, seed: 13 },
    )
  })

  test('is drawn in three views and written as DXF without a NaN', () => {
    fc.assert(
      fc.property(anyJob, (d) => {
        const job = jobOf(d)
        const { assembly } = evaluate(job, defaultRules)
        for (const view of ['plan', 'side', 'rear'] as const)
          expect(toDxf(drawView(view, assembly, job.vehicle, job.brief))).not.toContain('NaN')
      }),
      { numRuns: 25, seed: 17 },
    )
  })

  test('goes out as a file and in again unchanged, if it was a job at all', () => {
    fc.assert(
      fc.property(anyJob, (d) => {
        const job = JobSchema.parse(jobOf(d))
        expect(readJobFile(writeJobFile(job))).toEqual({ ok: true, value: job })
      }),
      { numRuns: 40, seed: 19 },
    )
  })

  test('a fix that an issue proposes clears that issue', () => {
    fc.assert(
      fc.property(anyJob, (d) => {
        const job = jobOf(d)
        // one of each kind: ten mounts without a height are one question, not ten
        const kinds = new Map(evaluate(job, defaultRules).issues.flatMap((i) => (i.fix ? [[i.code, i]] : [])))
        for (const issue of kinds.values()) {
          const after = evaluate(patched(job, issue.fix ?? []), defaultRules).issues
          expect(after.filter((i) => i.code === issue.code && JSON.stringify(i.at) === JSON.stringify(issue.at))).toEqual([])
        }
      }),
      { numRuns: 60, seed: 23 },
    )
  })
})

test('a rack whose seats hold nothing is no structure: it is not assessed, says how it moves, and the gauge cannot look clear', () => {
  const e = evaluate(demoJobs[3], { ...defaultRules, seatFirmNmm: 0, seatSkinNmm: 0 })
  expect(e.limits.find((l) => l.id === 'rack')).toMatchObject({ state: 'unknown', ratio: null })
  expect(e.limits[0].state).toBe('unknown')
  expect(e.issues.find((i) => i.code === 'unstable')).toMatchObject({ says: expect.stringMatching(/node \d+ (slides|turns)/) })
})

describe('the same job twice', () => {
  test.each(demoJobs.map((j) => [j.title, j] as const))('%s gives the same figures and the same drawing', (_, job) => {
    expect(JSON.stringify(evaluate(job, defaultRules))).toBe(JSON.stringify(evaluate(structuredClone(job), defaultRules)))
    const draw = () => toDxf(drawView('plan', evaluate(job, defaultRules).assembly, job.vehicle, job.brief))
    expect(draw()).toBe(draw())
  })
})

describe('what a job begins with', () => {
  test('a new job of any vehicle starts with bars on its mounts, or says what is missing', () => {
    for (const vehicle of demoVehicles) {
      const job = newJob('New', vehicle, METRIC)
      expect(evaluate(job, defaultRules).issues.filter((i) => i.code === 'bar_off_mount')).toEqual([])
      // nothing to carry yet: the bars stand apart, over more than a third of the line
      const [line] = vehicle.mounts
      const xs = rackParams(job).barXMm
      if (line) expect(Math.max(...xs) - Math.min(...xs)).toBeGreaterThan((line.toXMm - line.fromXMm) / 3)
    }
    const bare = newJob('Bare', { ...demoVehicles[0], mounts: [] }, METRIC)
    expect(bare.pieces).toEqual([])
    expect(evaluate(bare, defaultRules).issues).toEqual([])
    expect(BriefSchema.parse({})).toEqual(bare.brief)
  })
  test('load cases: the static one first, each with a source, rough track heavier than road', () => {
    const [road, rough] = [loadCases(defaultRules, 'road'), loadCases(defaultRules, 'rough track')]
    expect(road[0].when).toBe('parked')
    expect(road.every((c) => c.source.length > 5)).toBe(true)
    expect(rough.find((c) => c.id === 'bump')!.downG).toBeGreaterThan(road.find((c) => c.id === 'bump')!.downG)
  })
})
