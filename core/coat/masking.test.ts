import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { madeAssembly } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { coatFaults } from './faultGuide'
import { maskingOf } from './masking'

test('of a rack on clamps: each bar bears on its feet and stays bare there; what is welded only has no holes to mask', () => {
  const survey = madeAssembly(demoJobs[0]!, defaultRules)
  expect(maskingOf(survey).bearingFaces).toEqual(['B1', 'B2', 'B3'])
  const noBolts = { ...survey, joints: survey.joints.filter((j) => !j.bolts), plates: [] }
  expect(maskingOf(noBolts).boltHoles).toEqual([])
})
test('every part of every demo job that a bolt goes through is on the list, once, by its mark', () => {
  for (const job of demoJobs) {
    const a = madeAssembly(job, defaultRules)
    const { boltHoles } = maskingOf(a)
    expect(new Set(boltHoles).size).toBe(boltHoles.length)
    const bolted = a.joints.filter((j) => j.bolts).flatMap((j) => j.between)
    for (const m of a.members.filter((x) => bolted.includes(x.id))) expect(boltHoles, `${job.title} ${m.mark}`).toContain(m.mark)
  }
})
test('each fault of a coat has a cause and a cure of its own', () => {
  expect(new Set(coatFaults.flatMap((f) => [f.seen, f.why, f.cure])).size).toBe(3 * coatFaults.length)
})
