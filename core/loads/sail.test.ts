import { describe, expect, test } from 'vitest'
import { placed } from '../brief/placeCargo'
import { accessories } from '../catalogue/accessories'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { defaultRules } from '../rules/rules'
import { withRack } from '../testing/racks'

const [survey] = demoJobs
const carrying = (id: string, over: Partial<Job['brief']> = {}): Job => {
  const item = accessories.find((a) => a.id === id)!
  return { ...survey, brief: { ...survey.brief, speedKmh: 110, cargo: [placed(item, item.id, 1500, 0)], ...over } }
}
const sailOf = (job: Job) => evaluate(job, defaultRules).sail!

describe('a covered frame is a sail', () => {
  test('plywood 2.44 × 1.22 adds ½·1.225·(110/3.6)²·0.3·2.977 = 511 N to what lifts the open bars', () => {
    const s = sailOf(carrying('sheet-bundle'))
    expect(s.covered.value! - s.open.value!).toBeCloseTo(0.5 * 1.225 * (110 / 3.6) ** 2 * 0.3 * 2.44 * 1.22, 6)
    expect(s.prompt).toContain('Plywood sheets, five closes the open frame')
  })
  test('a box of the same plan leaves air between and is no deck; no speed, no figure', () => {
    expect(sailOf(carrying('cargo-box')).prompt).toBeNull()
    const still = sailOf(carrying('sheet-bundle', { speedKmh: null }))
    expect([still.covered.value, still.covered.missing]).toEqual([null, ['driving speed']])
  })
  test('one bar is no frame', () => expect(evaluate(withRack(survey, { barXMm: [1500] }), defaultRules).sail).toBeNull())
})
