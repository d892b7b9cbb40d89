import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { absorbMisfit, mountMisfit } from '../measure/mountMisfit'
import { defaultRules } from '../rules/rules'
import { withRack } from '../testing/racks'
import { demoVehicles } from '../vehicle/demoVehicles'
import { withPoint } from '../vehicle/vehicle'
import { bodyIssues, movesApart } from './bodyIssues'

const on = (vehicleId: string, barXMm: number[], xMm: number): Job => {
  const vehicle = demoVehicles.find((v) => v.id === vehicleId)!
  const [survey] = demoJobs
  const brief = { ...survey.brief, cargo: [{ ...survey.brief.cargo[0], xMm, yMm: 0 }] }
  return withRack({ ...survey, vehicle, brief }, { mountId: vehicle.mounts[0].id, barXMm })
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
  const { vehicle } = job
  const bridging = {
    ...assembly,
    mounts: assembly.mounts.map((m, i) => (i < 2 ? { ...m, bodyId: 'cab' } : m)),
    joints: [
      ...assembly.joints,
      { id: 'tie', kind: 'weld' as const, between: ['p1/bar:0', 'p1/bar:1'] as [string, string], at: { x: 0, y: 0, z: 0 } },
    ],
  }
  expect(bodyIssues(bridging, vehicle, job.brief)).toContainEqual(expect.objectContaining({ code: 'bridges_bodies', movesMm: 14 }))
  expect(bodyIssues(assembly, vehicle, job.brief)).toEqual([])
})

test('3.4 m poles on a bed cover reach the cab, which is taller: they stand into it; on the canopy they pass 255 above it', () => {
  // cover deck 1095 + 90 + 40 = 1225 against a cab of 1790; canopy deck 1915 + 130 = 2045
  expect(codes(on('pickup-cover', [-600, 300], 0))).toContain('load_near_body')
  const canopy = on('pickup-canopy', [-800, 500], 0)
  expect(codes(canopy)).not.toContain('load_near_body')
})

test('six fixed points, one 3 mm too far forward: every M8 foot wants 8 + 2·(1.5 + 0.5) = 12 mm at most, and unmeasured is not answered', () => {
  const [line] = demoVehicles[1].mounts
  expect(mountMisfit(line, 0.5)).toBeNull()
  const fit = mountMisfit(
    {
      ...line,
      misfit: line.pointsXMm!.flatMap((_, i) => [
        { alongMm: i === 1 ? 3 : 0, acrossMm: 0, upMm: 0 },
        { alongMm: 0, acrossMm: 0, upMm: 0 },
      ]),
    },
    0.5,
  )!
  expect(fit.worstMm).toBeLessThanOrEqual(1.5 + 1e-6) // a shift by half would do; a small turn may do better
  expect(fit.holeMm).toBeCloseTo(8 + 2 * (fit.worstMm + 0.5), 9)
})

test('a fixed point taken away takes its two holes with it; one moved is another hole, not measured; the rest keep their own', () => {
  const [line] = demoVehicles[1].mounts
  const [a, b, c] = line.pointsXMm!
  const hole = (alongMm: number) => ({ alongMm, acrossMm: 0, upMm: 0 })
  const measured = { ...line, misfit: [1, 2, 3, 4, 5, 6].map(hole) }
  expect(withPoint(measured, 1, null)).toMatchObject({ pointsXMm: [a, c], misfit: [1, 2, 5, 6].map(hole) })
  const blank = { alongMm: null, acrossMm: null, upMm: null }
  // the first moved past the last: order follows the place, and nothing measured moves along with it
  expect(withPoint(measured, 0, c + 100)).toMatchObject({ pointsXMm: [b, c, c + 100], misfit: [...[3, 4, 5, 6].map(hole), blank, blank] })
  expect(mountMisfit(withPoint(measured, 0, c + 100), 0.5)).toBeNull()
  expect(withPoint({ ...line, misfit: [] }, 3, c + 300).misfit).toEqual([])
  expect(withPoint(withPoint(withPoint(measured, 0, null), 0, null), 0, null).pointsXMm).toBeNull()
})

test('slots and shims instead: the one hole 3 mm forward asks for slots along the vehicle; seats 0, 1.2 and 2 high get shims to the nearest half', () => {
  const [line] = demoVehicles[1].mounts
  const up = [0, 1.2, 2]
  const absorbed = absorbMisfit(
    {
      ...line,
      misfit: line.pointsXMm!.flatMap((_, i) => [
        { alongMm: i === 1 ? 3 : 0, acrossMm: 0, upMm: up[i] },
        { alongMm: i === 1 ? 3 : 0, acrossMm: 0, upMm: 2 },
      ]),
    },
    0.5,
  )!
  // both holes of the middle point are 3 forward: the best place is 1.5 forward of the drawing, all six are off by 1.5 along
  expect(absorbed.slot).toEqual({ along: 'the vehicle', lengthMm: expect.closeTo(12, 4), widthMm: expect.closeTo(9, 4) })
  expect(absorbed.shims).toEqual([
    { name: 'point 1, left', thicknessMm: 2 },
    { name: 'point 2, left', thicknessMm: 1 },
  ])
  expect(absorbMisfit(line, 0.5)).toBeNull()
})

test('a case over a hatch that needs 450 to open is named; beside it nothing is said', () => {
  const job = demoJobs[3] // hatch at 630, 228 long; deck 2290 + 60 + 30 = 2380 would stand 20 into it
  const over = { ...job, brief: { ...job.brief, cargo: [{ ...job.brief.cargo[1], xMm: 630, yMm: 0 }] } }
  expect(evaluate(over, defaultRules).issues).toContainEqual(
    expect.objectContaining({ code: 'access_covered', clearMm: 2380 - 2280 - 120, needMm: 450 }),
  )
  expect(codes(job)).not.toContain('access_covered')
})
