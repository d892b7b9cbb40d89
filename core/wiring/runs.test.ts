import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { builtFrom } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { labelOf, type Run, RunSchema, wiredRuns } from './runs'

const { assembly } = builtFrom(demoJobs.find((j) => j.title.startsWith('Hoop'))!, defaultRules)
const lamp = assembly.fittings.find((f) => /lamp/i.test(f.name))!
const foot = assembly.mounts[0]!
const run = (over: Partial<Run> = {}): Run =>
  RunSchema.parse({ id: 'r', name: 'Lamps', powerW: 96, fittingId: lamp.id, mountId: foot.id, restMm: 4000, ...over })
const one = (over: Partial<Run> = {}) => wiredRuns([run(over)], assembly, defaultRules)[0]!

describe('a run to the lamps of the demo basket', () => {
  test('by hand: along the rack and on to the battery with slack; 8 A over it may lose 0.36 V', () => {
    const along = Math.abs(lamp.at.x - foot.place.x) + Math.abs(lamp.at.y - foot.place.y) + Math.abs(lamp.at.z - foot.place.z)
    const found = one()
    expect(found.alongMm).toBeCloseTo(along, 6)
    const metres = ((along + 4000) * 1.15) / 1000
    expect(found.lengthMm).toBeCloseTo(metres * 1000, 6)
    // 2 · 0.0172 · L · 8 / A ≤ 0.36
    const least = (2 * 0.0172 * metres * 8) / 0.36
    expect(found.wire!.sectionMm2).toBeGreaterThanOrEqual(least)
    expect(found.wire!.sectionMm2 / 1.7).toBeLessThan(least)
    // 8 A and a quarter more
    expect(found.wire!.fuseA).toBe(10)
    expect(labelOf({ ...found, run: run({ colour: 'red' }) })).toBe('Lamps, red: fuse 10 A')
    // what is shown opens its working, and the working says the same
    const shown = Object.fromEntries(found.figures.map((f) => [f.id, f.value]))
    expect(shown).toEqual({
      'run.section': found.wire!.sectionMm2,
      'run.fuse': 10,
      'run.length': found.lengthMm,
      'run.current': 8,
      'run.drop': found.wire!.dropV,
    })
  })
  test('back through the body half is lost; twice the volts need a quarter of the copper', () => {
    expect(one({ back: 'body' }).wire!.dropV).toBeCloseTo(
      (one().wire!.dropV * one().wire!.sectionMm2) / 2 / one({ back: 'body' }).wire!.sectionMm2,
      9,
    )
    expect(one({ supplyV: 24 }).wire!.sectionMm2).toBeLessThan(one().wire!.sectionMm2)
  })
  test('what nobody knows leaves it without a cable, and is named; a winch beyond the fuses of the list says so', () => {
    expect(one({ powerW: null, restMm: null })).toMatchObject({
      wire: null,
      lacks: ['power of Lamps', `the way from foot ${foot.mark} to the source`],
    })
    expect(one({ fittingId: 'gone' }).lacks).toEqual(['what it went to, which is not there any more'])
    expect(one({ mountId: null }).lacks).toEqual(['the foot by which it leaves the rack'])
    const unplaced = { ...assembly, fittings: assembly.fittings.map((f) => (f.id === lamp.id ? { ...f, unknown: ['x' as const] } : f)) }
    expect(wiredRuns([run()], unplaced, defaultRules)[0]!.lacks).toEqual([`place of ${lamp.name}`])
    expect(one({ powerW: 4000 })).toMatchObject({
      wire: null,
      lacks: [],
      fault: expect.stringContaining('333 A is beyond the fuses'),
    })
    expect(labelOf(one({ powerW: null }))).toBe('Lamps: no fuse yet')
  })
  test('a thing that stands on no rack is fed by its own measured way alone', () => {
    expect(one({ fittingId: null, mountId: null, restMm: 2000 })).toMatchObject({ alongMm: null, lengthMm: 2300 })
  })
})
