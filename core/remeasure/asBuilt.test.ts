import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import type { Job } from '../job/job'
import { stateOfMeasure } from '../measure/settle'
import { measureOf, quantityOf } from '../measure/sheets'
import { defaultRules } from '../rules/rules'
import { rackAlone } from '../testing/racks'
import { tickOf } from '../workLog/tick'
import { changedParts } from './asBuilt'
import { readingsOf } from './readingsOf'

const [survey, oyster] = demoJobs
const by = { who: 'Tjark', on: '2026-11-26', why: 'as built, at “Try it on the vehicle”', tolerance: 1 }
const figure = (job: Job, id: string) => readingsOf(job.vehicle).find((r) => r.id === id)!

describe('measured at the build', () => {
  test('the bed is 6 wider at the front than the tape said: that reading stands with its reason, the old one is kept, and no check rests on a conflict', () => {
    const f =
      figure(oyster!, 'bed.widthFront') ??
      readingsOf(oyster!.vehicle).find((r) => r.sheet === 'bed' && /width inside at the front/.test(r.label))!
    const vehicle = f.measured(f.value + 6, by)
    const now = measureOf(vehicle, quantityOf(f.id)!)
    expect(now).toMatchObject({ value: f.value + 6, method: 'tape', source: 'Tjark', reason: by.why })
    expect(now.readings.map((r) => r.value)).toEqual([f.value, f.value + 6])
    expect(stateOfMeasure(now)).not.toBe('conflict')
    const changed = changedParts(oyster!, vehicle, defaultRules)
    // what spans the bed grows with it; nothing of the rack on the cab does
    expect(changed.length).toBeGreaterThan(0)
    for (const p of changed) {
      expect(p.mark).toMatch(/^B-/)
      expect(p.longerMm).toBeGreaterThan(3)
      expect(p.longerMm).toBeLessThanOrEqual(6.5)
    }
  })
  test('half a millimetre changes no part; a gutter 4 further out at the rear makes the rear bar nearly 8 longer', () => {
    const job = rackAlone(survey)
    const line = job.vehicle.mounts[0]!
    const f = figure(job, `line.${line.id}.halfWidthRearMm`)
    expect(changedParts(job, f.measured(f.value + 0.2, by), defaultRules)).toEqual([])
    const [first] = changedParts(job, f.measured(f.value + 4, by), defaultRules)
    const share = (job.pieces[0]!.params as { barXMm: number[] }).barXMm.map((x) => (x - line.fromXMm) / (line.toXMm - line.fromXMm))
    expect(first!.longerMm).toBeCloseTo(8 * (1 - Math.min(...share)), 0)
  })
  test('what is cut already comes first and is said to be cut; before that step nothing is', () => {
    const f = readingsOf(oyster!.vehicle).find((r) => r.sheet === 'bed' && /width inside at the front/.test(r.label))!
    const vehicle = f.measured(f.value + 6, by)
    expect(changedParts({ ...oyster!, built: {} }, vehicle, defaultRules).some((p) => p.cut)).toBe(false)
    const cut = changedParts({ ...oyster!, built: { cut: tickOf('2026-11-20', 'x') } }, vehicle, defaultRules)
    expect(cut.every((p) => p.cut)).toBe(true)
  })
  test('one figure of a place measured well does not make its others better known', () => {
    const job = rackAlone(survey)
    const line = job.vehicle.mounts[0]!
    const assumed = {
      ...job,
      vehicle: { ...job.vehicle, mounts: [{ ...line, taken: { ...line.taken, method: 'unknown' as const, toleranceMm: null } }] },
    }
    const f = figure(assumed, `line.${line.id}.halfWidthRearMm`)
    expect(f.measured(f.value + 1, by).mounts[0]!.taken).toMatchObject({ method: 'unknown', toleranceMm: null, who: 'Tjark' })
    const taped = figure(job, `line.${line.id}.halfWidthRearMm`)
    expect(taped.measured(taped.value + 1, by).mounts[0]!.taken.toleranceMm).toBe(line.taken.toleranceMm)
  })
})
