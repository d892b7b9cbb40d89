import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { defaultRules } from '../rules/rules'
import { roadPrompts } from './roadPrompts'

test('a 6.2 m spar centred at 875 ends 2225 behind the axle: 935 past a rear end at 1290, under the 1000 that reminds; at 700 it reminds', () => {
  const job = demoJobs[2]
  const prompts = (xMm: number) =>
    roadPrompts(
      evaluate(job, defaultRules).assembly,
      job.vehicle,
      { ...job.brief, cargo: job.brief.cargo.map((c, i) => (i ? c : { ...c, xMm })) },
      defaultRules,
    ).map((p) => p.id)
  expect(prompts(875)).not.toContain('behind.spar')
  expect(prompts(700)).toContain('behind.spar')
})

describe('what hides lamps and plate', () => {
  const ids = (job: (typeof demoJobs)[number]) => roadPrompts(evaluate(job, defaultRules).assembly, job.vehicle, job.brief, defaultRules)
  test('two bicycles behind a camper: carrier and bicycles are named with the outline that they cover', () => {
    const lamps = ids(demoJobs[3]).find((p) => p.id === 'lamps')!
    expect(lamps.text).toMatch(/bicycle/i)
    const [low, high, wide] = [...lamps.text.matchAll(/\{(-?\d+)\}/g)].map((m) => Number(m[1]))
    expect(low).toBeGreaterThan(200)
    expect(high).toBeGreaterThan(low!)
    // two bicycles of 1.75 m or so across the vehicle
    expect(wide).toBeGreaterThan(1200)
    expect(wide).toBeLessThan(2300)
  })
  test('nothing of a roof rack on a van hides a lamp, however far its poles reach', () => {
    expect(ids(demoJobs[0]).map((p) => p.id)).not.toContain('lamps')
    expect(ids(demoJobs[2]).map((p) => p.id)).not.toContain('lamps')
  })
})
