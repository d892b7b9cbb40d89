import { describe, expect, test } from 'vitest'
import { memberLengthMm, plateMassKg } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { assemble } from '../families/crossbarRack/assemble'
import { crossbarExamples } from '../families/crossbarRack/examples'
import { demoJobs } from '../job/demoJobs'
import { defaultRules } from '../rules/rules'
import { flatKinds, marksOf } from '../sheetNesting/sheetPlan'
import { assembled, rackAlone, rackParams, siteOn, withRack } from '../testing/racks'
import { cutList } from './cutList'

const made = crossbarExamples.map((e) => [e.name, assemble(e.params, siteOn(e.vehicle)).assembly] as const)

describe.each(made)('%s', (_, assembly) => {
  test('the cut list holds every member once, at its own length', () => {
    const parts = cutList(assembly)
    expect(parts.flatMap((p) => p.marks).sort()).toEqual(assembly.members.map((m) => m.mark).sort())
    for (const p of parts)
      for (const mark of p.marks)
        expect(Math.abs(memberLengthMm(assembly.members.find((m) => m.mark === mark)!) - p.lengthMm)).toBeLessThan(0.5)
  })
  test('the flat parts are as many and as heavy as the plates of the rack', () => {
    const parts = flatKinds(assembly, defaultRules)
    const sum = (of: { quantity: number; kg: number }[], what: 'quantity' | 'kg') =>
      of.reduce((s, p) => s + (what === 'kg' ? p.kg * p.quantity : p.quantity), 0)
    const drawn = assembly.plates.map((p) => ({ quantity: 1, kg: plateMassKg(p) }))
    const listed = parts.map((p) => ({ quantity: p.marks.length, kg: p.massEachKg }))
    expect(sum(listed, 'quantity')).toBe(sum(drawn, 'quantity'))
    expect(sum(listed, 'kg')).toBeCloseTo(sum(drawn, 'kg'), 9)
  })
})

test('alike plates stand on one line: six corner plates 90 × 90 × 4 and six step brackets, steel apart from aluminium', () => {
  const [job] = demoJobs
  const list = (profileId: string) =>
    flatKinds(
      assembled(withRack(rackAlone(job), { profileId, sideRails: true, cornerPlates: true, bracketInsetMm: 45 })),
      defaultRules,
    ).map((k) => [marksOf(k), k.marks.length, k.plate.thicknessMm, materialOf(k.plate.materialId).name])
  expect(list(rackParams(job).profileId)).toEqual([
    ['SB', 6, 5, 'Aluminium 6061-T6'],
    ['CP', 6, 4, 'Aluminium 6061-T6'],
  ])
  expect(list('square-40x3-steel').map((p) => p[3])).toEqual(['Steel S235', 'Steel S235'])
})
