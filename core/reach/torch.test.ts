import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, test } from 'vitest'
import { relieve } from '../advice/relief'
import type { Member, Plate } from '../assembly/assembly'
import { families } from '../families/all'
import { judged } from '../fit/judged'
import type { Vec3 } from '../geometry/vec3'
import { type Job, newJob } from '../job/job'
import { limitKey } from '../limits/limit'
import { nextPlace } from '../pieces/piece'
import { METRIC } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { apartOf, plate, weld, Z0 } from '../testing/apart'
import { rapierKit } from '../touch/kit'
import { Measurer } from '../touch/meetings'
import { reachLimits } from './reachLimits'
import type { Apart } from './takeApart'

beforeAll(() => RAPIER.init())

describe('a torch', () => {
  // a rib of 4 upright on a plate, welded along both sides
  const base = plate('base', [-200, 200], [-200, 200], -4, 4)
  const rib = (id: string, y: number): Plate => ({
    ...plate(id, [-40, 40], [0, 60], 0, 4),
    pose: { origin: { x: 0, y: y - 2, z: Z0 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 0, z: 1 } },
  })
  const seam = (a: Apart, id: string) => a.welds.find((w) => w.id === id)!
  test('gets to both sides of a rib that stands alone', () => {
    expect(seam(apartOf({ plates: [rib('r', 0), base], joints: [weld(['r', 'base'])] }), 'weld:r-base')).toMatchObject({
      when: 'tacked',
      reached: 2,
      sides: 2,
    })
  })
  test('between two ribs of 60 that stand 20 apart it gets to neither inner side, whichever is first; 150 apart to all', () => {
    const two = (gapMm: number) =>
      apartOf({
        plates: [rib('r', 0), rib('s', gapMm), base],
        joints: [weld(['r', 'base']), weld(['s', 'base'], { x: 0, y: gapMm, z: Z0 })],
      })
    const near = two(20)
    expect(near.welds.map((w) => [w.when, w.reached])).toEqual([
      ['never', 1],
      ['never', 1],
    ])
    expect(reachLimits(near, defaultRules)[0]!.state).toBe('over')
    expect(two(150).welds.map((w) => w.when)).toEqual(['tacked', 'tacked'])
  })
  test('a strut of 30 that ends on a bar at 20° closes too sharply on one side, at 40° it does not; a bar that runs past on top has no such corner', () => {
    const tube = (id: string, path: [Vec3, Vec3]): Member => ({
      ...{ id, mark: id.toUpperCase(), name: 'Tube', profileId: 'square-30x2-steel', path },
      ends: [{ kind: 'square' }, { kind: 'square' }],
    })
    const bar = tube('bar', [
      { x: -600, y: 0, z: Z0 - 15 },
      { x: 600, y: 0, z: Z0 - 15 },
    ])
    const on = (id: string, to: Vec3) =>
      apartOf({
        members: [bar, tube(id, [{ x: 0, y: 0, z: Z0 }, to])],
        joints: [{ ...weld([id, 'bar']), weld: { lengthMm: 30, apartMm: 30, allRound: true } }],
      }).welds[0]!
    const at = (deg: number) => {
      const rad = (deg * Math.PI) / 180
      return on('strut', { x: 500 * Math.cos(rad), y: 0, z: Z0 + 500 * Math.sin(rad) })
    }
    expect(at(20)).toMatchObject({ when: 'never', reached: 3, sides: 4, sharpDeg: expect.closeTo(20, 6) })
    expect(at(40)).toMatchObject({ when: 'tacked', sharpDeg: null })
    const [l] = reachLimits({ trapped: [], bolts: [], welds: [at(20)] }, defaultRules)
    expect([l!.state, l!.allowed.value, l!.allowed.with[0]!.name]).toEqual(['over', 3, expect.stringMatching(/closes at 20°/)])
    const across = apartOf({
      members: [
        bar,
        tube('over', [
          { x: 0, y: -300, z: Z0 + 15 },
          { x: 0, y: 300, z: Z0 + 15 },
        ]),
      ],
      joints: [{ ...weld(['over', 'bar']), weld: { lengthMm: 30, apartMm: 30, allRound: false } }],
    }).welds[0]!
    expect(across).toMatchObject({ when: 'tacked', sharpDeg: null })
  })
  test('a weld to something that is no tube and no flat part has no sides that anybody knows: not assessed', () => {
    const ring = { ...rib('ring', 0), id: 'ring' }
    const a = apartOf({
      plates: [base],
      fittings: [
        {
          ...{ id: 'ring', mark: 'R', name: 'Ring', massKg: 1, unknown: [], priceMinor: 0, there: false },
          at: ring.pose.origin,
          middle: ring.pose.origin,
          size: { x: 40, y: 40, z: 40 },
        },
      ],
      joints: [weld(['ring', 'base'])],
    })
    expect(a.welds[0]!.when).toBe('unknown')
    expect(reachLimits(a, defaultRules)[0]!.state).toBe('unknown')
  })
  test('a rib that a hood is riveted over is welded before the hood goes on', () => {
    const hood = plate('hood', [-200, 200], [-200, 200], 70, 4)
    const post: Plate = { ...rib('post', 180), outline: plate('x', [-40, 40], [0, 70], 0, 4).outline }
    const a = apartOf({
      plates: [rib('r', 0), base, post, hood],
      joints: [
        weld(['r', 'base']),
        weld(['post', 'base'], { x: 0, y: 180, z: Z0 }),
        { ...weld(['post', 'hood'], { x: 0, y: 180, z: Z0 + 70 }), kind: 'rivet' as const },
      ],
    })
    expect(seam(a, 'weld:r-base')).toMatchObject({ when: 'before', by: [{ id: 'hood' }] })
  })
})

describe('what would relieve it', () => {
  test('stays that lie too flat on the base of a half guard: set nearer to the hoop they are steep enough', () => {
    const guard = families.find((f) => f.id === 'half-guard')!
    const [example] = guard.examples
    const piece = {
      ...nextPlace([]),
      name: '',
      family: guard.id,
      params: { ...example!.params, stayBackMm: 500 },
      on: null,
      state: 'fitted' as const,
    }
    const job = { ...newJob('Stays', example!.vehicle, METRIC), pieces: [piece] }
    const kit = rapierKit(RAPIER)
    const judge = (j: Job) => judged(j, defaultRules, kit, new Measurer(kit))
    const flat = judge(job).limits.find((l) => /no torch gets to: weld of stay/.test(l.name))!
    expect(flat.state).toBe('over')
    const [relief] = relieve(job, limitKey(flat), defaultRules, judge)
    expect(relief).toMatchObject({ label: 'stays {320} nearer to the hoop', clears: true })
    kit.close()
  })
})
