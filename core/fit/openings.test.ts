import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, test } from 'vitest'
import type { OpenAs } from '../brief/cargo'
import { demoJobs } from '../job/demoJobs'
import type { Job } from '../job/job'
import { restOf } from '../resting/rest'
import { defaultRules } from '../rules/rules'
import { fitOf } from '../testing/fitted'
import { assembled } from '../testing/racks'
import { fitLimits } from './fitLimits'
import { movedTo } from './moved'
import { withCure } from './withCure'

beforeAll(() => RAPIER.init())
const [survey] = demoJobs
const box = survey.brief.cargo.find((c) => c.rests === 'box')!
/** One box on the survey van's rack that opens as is said, and what else lies there. */
const tent = (openAs: Partial<OpenAs>, more: Job['brief']['cargo'] = []): Job => ({
  ...survey,
  pieces: survey.pieces.slice(0, 1),
  vehicle: { ...survey.vehicle, obstacles: [], swings: [] },
  brief: {
    ...survey.brief,
    cargo: [
      {
        ...box,
        id: 't',
        name: 'Tent',
        lengthMm: 1200,
        widthMm: 900,
        heightMm: 300,
        xMm: 900,
        yMm: 0,
        on: [],
        counts: 'both',
        opens: true,
        openAs: { to: 'left', reachMm: 1000, highMm: 1100, windRatedKmh: null, ...openAs },
      },
      ...more,
    ],
  },
})
const limitState = (job: Job) => fitLimits({ ...fitOf(job), lost: [] }, defaultRules).find((l) => l.id === 'way.opens:t')!.state
const motion = (job: Job, id: string) => fitOf(job).motions.find((m) => m.mover.id === id)!

describe('what a tent fills as it is opened', () => {
  test('with nothing round it, it rises and goes out', () => {
    expect(['rises:t', 'opens:t'].map((id) => motion(tent({}), id).touch)).toEqual([null, null])
  })
  test('by hand: a crate whose near side is 700 left of the middle is met after 700 − 450 = 250 of its way; its tip is 100 past the tent’s front edge, so that 105 of either clears it', () => {
    const crate = {
      ...{ ...box, id: 'c', name: 'Crate', lengthMm: 400, widthMm: 200, heightMm: 250, xMm: 1600, yMm: 800 },
      ...{ on: [], counts: 'both' as const, opens: false },
    }
    const job = tent({}, [crate])
    const met = motion(job, 'opens:t')
    expect(met.touch!.what.name).toBe('Crate')
    expect(Math.abs(met.touch!.at - 250)).toBeLessThan(2)
    // a tent half open is no tent: no stop is offered
    expect(met.cures.every((c) => c.kind === 'move')).toBe(true)
    const moves = met.cures.flatMap((c) => (c.kind === 'move' ? [`${c.name} ${c.way} ${c.byMm}`] : []))
    expect(moves).toEqual(expect.arrayContaining(['Tent, open back 105', 'Crate forward 105']))
    for (const c of met.cures) {
      const cured = withCure(job, met, c)
      if (cured) expect(motion(cured, 'opens:t').touch).toBeNull()
    }
    expect(limitState(job)).toBe('over')
    // the same crate on the other side is nobody's matter
    expect(motion(tent({ to: 'right' }, [crate]), 'opens:t').touch).toBeNull()
  })
  test('what nobody knows is not assessed: how far, or how high', () => {
    for (const unknown of [{ reachMm: null }, { highMm: null }]) {
      const m = motion(tent(unknown), 'opens:t')
      expect([m.touch, m.lacks]).toEqual([null, expect.stringMatching(/Tent (reaches out|stands) when it is open/)])
      expect(limitState(tent(unknown))).toBe('unknown')
    }
  })
  test('a hatch that opens past level is free under a shut tent, and meets one that stands open to the rear: by hand at 90° + asin(height over its hinge / its reach)', () => {
    const rear = -survey.vehicle.rearOverhangMm.value!
    const hinge = survey.vehicle.roofHeightMm.value!
    const hatch = {
      ...demoJobs[1]!.vehicle.swings[0]!,
      id: 'h',
      name: 'Rear hatch',
      kind: 'hatch' as const,
      xMm: rear,
      zMm: hinge,
      reachMm: 1000,
      opensDeg: 130,
    }
    const job = tent({ to: 'rear', reachMm: 1500 })
    const [item] = job.brief.cargo
    const on = { ...job, vehicle: { ...job.vehicle, swings: [hatch] }, brief: { ...job.brief, cargo: [{ ...item!, xMm: rear + 600 }] } }
    const z = restOf(on.brief.cargo[0]!, assembled(on)).zMm!
    const told = fitOf(on).motions.filter((m) => m.mover.name.startsWith('Rear hatch'))
    expect(told.map((m) => [m.mover.name, m.touch?.what.name ?? null])).toEqual([
      ['Rear hatch', null],
      ['Rear hatch, Tent open', 'Tent, open'],
    ])
    // its leaf is 40 thick about its line
    expect(told[1]!.touch!.at).toBeCloseTo(90 + (Math.asin((z - hinge - 20) / 1000) * 180) / Math.PI, 0)
  })
})

test('drawn so far out: its box is longer by that on its side and as high as it stands; a door beside it is drawn with it open', () => {
  const job = tent({})
  const shown = { assembly: assembled(job), vehicle: job.vehicle, brief: job.brief }
  const at = (id: string, value: number) => movedTo(shown, id, value).brief.cargo[0]!
  const z = restOf(job.brief.cargo[0]!, shown.assembly).zMm
  expect(z).not.toBeNull()
  expect(at('opens:t', 400)).toMatchObject({ widthMm: 1300, yMm: 200, heightMm: 1100, lengthMm: 1200 })
  expect(at('rises:t', 100)).toMatchObject({ widthMm: 900, yMm: 0, heightMm: 400 })
  expect(at('swing:gate+open:t', 10)).toMatchObject({ widthMm: 1900, yMm: 500, heightMm: 1100 })
})
