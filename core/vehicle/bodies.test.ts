import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { clearances } from '../measure/clearances'
import { defaultRules } from '../rules/rules'
import { bodyIssues, movesApart } from './bodies'
import { demoVehicles } from './demoVehicles'

const on = (vehicleId: string, barXMm: number[], xMm: number): Job => {
  const vehicle = demoVehicles.find((v) => v.id === vehicleId)!
  const [survey] = demoJobs
  const params = { ...survey.design.params, mountId: vehicle.mounts[0].id, barXMm }
  return {
    ...survey,
    vehicle,
    design: { ...survey.design, params },
    brief: { ...survey.brief, cargo: [{ ...survey.brief.cargo[0], xMm, yMm: 0 }] },
  }
}
const codes = (job: Job) => evaluate(job, defaultRules).issues.map((i) => i.code)

test('a cover that moves 10 and a canopy that moves 14 against the cab move 24 against each other at worst; unknown stays unknown', () => {
  const canopy = demoVehicles.find((v) => v.id === 'pickup-canopy')!.bodies[2]
  const cover = demoVehicles.find((v) => v.id === 'pickup-cover')!.bodies[2]
  expect(movesApart(canopy, cover)).toBe(24)
  expect(movesApart(canopy, { ...cover, movesMm: null })).toBeNull()
})

test('feet on the cab and on the bed at once are refused: the rack would tie two moving bodies together', () => {
  const job = on('pickup-canopy', [-600, 300], -200)
  const { assembly } = evaluate(job, defaultRules)
  const vehicle = { ...job.vehicle, mounts: [...job.vehicle.mounts, { ...job.vehicle.mounts[0], id: 'cab-line', bodyId: 'cab' }] }
  const bridging = { ...assembly, mounts: assembly.mounts.map((m, i) => (i < 2 ? { ...m, lineId: 'cab-line' } : m)) }
  expect(bodyIssues(bridging, vehicle, job.brief)).toContainEqual(expect.objectContaining({ code: 'bridges_bodies', movesMm: 14 }))
  expect(bodyIssues(assembly, vehicle, job.brief)).toEqual([])
})

test('3.4 m poles on a bed cover reach the cab, which is taller: they stand into it; on the canopy they pass 255 above it', () => {
  // cover deck 1095 + 90 + 40 = 1225 against a cab of 1790; canopy deck 1915 + 130 = 2045
  expect(codes(on('pickup-cover', [-600, 300], 0))).toContain('load_near_body')
  const canopy = on('pickup-canopy', [-800, 500], 0)
  expect(codes(canopy)).not.toContain('load_near_body')
  const gap = clearances(evaluate(canopy, defaultRules).assembly, canopy.vehicle, canopy.brief).find((c) => c.name.includes('cab'))!
  expect(gap.nominalMm).toBe(2045 - 1790 - 14)
})

test('a gap of 85 with errors 2, 5, 2, 1, 1 is 74 at worst and 85 − √35 = 79.1 likely', () => {
  const [survey] = demoJobs
  const job = {
    ...survey,
    design: { ...survey.design, params: { ...survey.design.params, barXMm: [-250, 1500, 2000], footHeightMm: 170 } },
  }
  // bar underside 2560 + 170 = 2730; fan top 2575 + 70 = 2645
  const fan = clearances(evaluate(job, defaultRules).assembly, job.vehicle, job.brief).find((c) => c.name === 'Bar over the roof fan')!
  expect([fan.nominalMm, fan.worstMm]).toEqual([85, 74])
  expect(fan.likelyMm).toBeCloseTo(85 - Math.sqrt(35), 6)
})
