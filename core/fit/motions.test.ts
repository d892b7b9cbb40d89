import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import type { Job } from '../job/job'
import { fitOf } from '../testing/fitted'
import { withRack } from '../testing/racks'
import { demoVehicles } from '../vehicle/demoVehicles'
import { withCure } from './withCure'

beforeAll(() => RAPIER.init())
const oysterGate = demoJobs[1]!.vehicle.swings.find((s) => s.kind === 'tailgate')!

describe('what moves', () => {
  const chestOf = (job: Job) => fitOf(job).motions.find((m) => m.mover.name === 'Lid')!
  const hive = demoJobs.find((j) => j.title.startsWith('Half guard'))!

  test('the lid of the beekeeper’s chest opens all the way: it turns about the lower edge of its own skirt', () => {
    expect([chestOf(hive).touch, chestOf(hive).lacks]).toEqual([null, null])
  })
  test('a chest against the front wall of the bed: its lid meets the wall; set back by what is offered it opens, 20 less and it does not', () => {
    const chest = hive.pieces.find((p) => p.family === 'chest')!
    const at = (frontMm: number): Job => ({
      ...hive,
      pieces: [{ ...chest, on: null, params: { ...chest.params, frontMm } }],
      brief: { ...hive.brief, cargo: [] },
    })
    const near = chestOf(at(40))
    expect(near.touch!.what.name).toBe('the bed')
    const back = near.cures.find((c) => c.kind === 'move' && c.way === 'back')
    if (back?.kind !== 'move') throw new Error('no way back is offered')
    expect(chestOf(at(40 + back.byMm)).touch).toBeNull()
    expect(chestOf(at(40 + back.byMm - 20)).touch).not.toBeNull()
  })
  test('a door that nobody measured how far it opens is not assessed, never clear', () => {
    const [survey] = demoJobs
    const job = { ...survey, vehicle: { ...survey.vehicle, swings: survey.vehicle.swings.map((s) => ({ ...s, opensDeg: null })) } }
    for (const m of fitOf(job).motions) expect([m.touch, m.least]).toEqual([null, null])
    // a rack on the roof is in no door's way, however far it opens; a mast behind the tailgate may be
    const camper = demoJobs[3]!
    const gate = {
      ...oysterGate,
      id: 'gate',
      xMm: camper.vehicle.rearOverhangMm.value ? -camper.vehicle.rearOverhangMm.value : -1100,
      opensDeg: null,
    }
    const behind = fitOf({ ...camper, vehicle: { ...camper.vehicle, swings: [gate] } }).motions.find((m) => m.mover.id === 'swing:gate')!
    expect([behind.touch, behind.lacks]).toEqual([null, 'how far the tailgate opens'])
  })
  test('a rack on a hinged cover goes up with it: its rails, past the hinge, go down onto the cab; set farther back they do not', () => {
    const vehicle = demoVehicles.find((v) => v.id === 'pickup-cover')!
    const cover = (frontMm: number) => {
      const base = { ...demoJobs[0]!, vehicle, brief: { ...demoJobs[0]!.brief, cargo: [] } }
      const job = withRack(base, {
        mountId: vehicle.mounts[0]!.id,
        barXMm: [-600, frontMm],
        sideRails: true,
        build: 'welded',
        profileId: 'square-40x3-steel',
      })
      return fitOf(job).motions.find((m) => m.mover.id === 'swing:cover')!
    }
    expect(cover(700).touch!.what.name).toBe('the cab')
    expect(cover(300).touch).toBeNull()
  })
  test('a gate that meets the carrier behind it: every stop that is offered clears it, two degrees more would not', () => {
    const camper = demoJobs[3]!
    const gate = { ...oysterGate, id: 'gate', xMm: -(camper.vehicle.rearOverhangMm.value ?? 1100) + 80, reachMm: 800, opensDeg: 90 }
    const job: Job = { ...camper, vehicle: { ...camper.vehicle, swings: [gate] } }
    const of = (j: Job) => fitOf(j).motions.find((m) => m.mover.id === 'swing:gate')!
    const met = of(job)
    const stop = met.cures.find((c) => c.kind === 'stop')
    if (stop?.kind !== 'stop') throw new Error('no stop is offered')
    expect(of(withCure(job, met, stop)!).touch).toBeNull()
    expect(of({ ...job, stops: { 'swing:gate': stop.at + 4 } }).touch).not.toBeNull()
  })
})
