import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Member } from '../assembly/assembly'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { defaultRules } from '../rules/rules'
import { fitOf, taken } from '../testing/fitted'
import { rackAlone } from '../testing/racks'
import { rapierKit } from '../touch/kit'
import { Measurer } from '../touch/meetings'
import { memberSolid } from '../touch/solids'
import { fitGiven } from './fit'
import { gapsOf } from './gaps'
import { givesMm } from './gives'

beforeAll(() => RAPIER.init())

describe('what may touch, and what may not', () => {
  test('nothing of the demo jobs that is joined, stands or lies on one another is a gap', () => {
    for (const job of demoJobs)
      for (const g of fitOf(job).gaps.filter((x) => x.state === 'meets')) {
        // what does meet is a load over something on the roof, which its job says as well
        expect(g.b.name).toMatch(/antenna|fan|hatch/)
      }
  })
  test('two pieces in the same place meet; put away, one of them is not there', () => {
    const [survey] = demoJobs
    const alone = rackAlone(survey)
    const [rack] = alone.pieces
    const twice = { ...alone, pieces: [rack!, { ...rack!, id: 'p7', letter: 'G', name: 'Again' }] }
    const met = fitOf(twice).gaps.filter((g) => g.state === 'meets' && g.a.pieceId !== g.b.pieceId)
    expect(met.length).toBeGreaterThan(2)
    const away = { ...twice, pieces: [rack!, { ...twice.pieces[1]!, state: 'off' as const }] }
    expect(fitOf(away).gaps.some((g) => g.a.pieceId === 'p7' || g.b.pieceId === 'p7')).toBe(false)
  })
  test('bodies that move against each other take the movement of both; one that nobody measured leaves the gap open', () => {
    // the cab brought up to 30 behind the guard that stands on the bed
    const oyster = demoJobs[1]!
    const guard = oyster.pieces.find((p) => p.family === 'cab-guard')!
    const alone = { ...oyster, pieces: [guard], brief: { ...oyster.brief, cargo: [] } }
    const front = Math.max(...evaluate(alone, defaultRules).assembly.members.flatMap((m) => m.path.map((p) => p.x)))
    const job = (movesMm: number | null): Job => ({
      ...alone,
      vehicle: {
        ...alone.vehicle,
        bodies: alone.vehicle.bodies.map((b) => (b.kind === 'cab' ? { ...b, fromXMm: front + 50, movesMm: 0 } : { ...b, movesMm })),
      },
    })
    const gap = (movesMm: number | null) =>
      fitOf(job(movesMm)).gaps.find((g) => /the cab/.test(g.a.name + g.b.name) && g.takers.some((t) => / move/.test(t.name)))!
    const known = gap(14)
    expect(taken(known, / move/)).toBe(14)
    const errors = known.takers.filter((t) => t.error).reduce((sum, t) => sum + t.mm!, 0)
    const whole = known.takers.filter((t) => !t.error).reduce((sum, t) => sum + t.mm!, 0)
    expect(whole).toBeGreaterThanOrEqual(14)
    expect(known.worstMm).toBeCloseTo(known.gapMm - errors - whole, 6)
    expect([gap(null).state, gap(null).worstMm]).toEqual(['unknown', null])
  })
  test('two places that sink together come no nearer; one that sinks 5 while the other rises 2 come 7 nearer, apart they come none', () => {
    const member = (id: string, z: number): Member => ({
      id,
      mark: id,
      name: id,
      profileId: 'round-25x2-steel',
      path: [
        { x: 0, y: 0, z },
        { x: 1000, y: 0, z },
      ],
      ends: [{ kind: 'square' }, { kind: 'square' }],
    })
    const [low, high] = [member('low', 1000), member('high', 1100)]
    const solid = (m: Member) => memberSolid(m, [])
    const assembly = { ...evaluate(demoJobs[0]!, defaultRules).assembly, members: [low, high] }
    const shape = (z: number) => ({ atMm: [0, 1000], from: [0, 6], moved: Float64Array.of(0, 0, z, 0, 0, 0, 0, 0, z, 0, 0, 0) })
    const gives = (lowZ: number, highZ: number) =>
      givesMm(
        [
          {
            name: 'bump',
            missing: false,
            members: [
              { memberId: 'low', shape: shape(lowZ) },
              { memberId: 'high', shape: shape(highZ) },
            ],
          },
        ],
        assembly,
        solid(low),
        solid(high),
        [
          { x: 500, y: 0, z: 1012.5 },
          { x: 500, y: 0, z: 1087.5 },
        ],
      )!.mm
    expect([gives(-5, -5), gives(2, -5), gives(-5, 2)]).toEqual([0, 7, 0])
  })
  test('tubes joined to one rail at one place may close on each other in the corner, and not lie in the same place', () => {
    const tube = (id: string, to: { x: number; y: number; z: number }): Member => ({
      id,
      mark: id,
      name: id,
      profileId: 'round-25x2-steel',
      path: [{ x: 0, y: 0, z: 2000 }, to],
      ends: [{ kind: 'square' }, { kind: 'square' }],
    })
    const empty = { ...evaluate({ ...demoJobs[0]!, pieces: [] }, defaultRules).assembly }
    const at = { x: 0, y: 0, z: 2000 }
    const gapsWith = (b: Member) => {
      const members = [tube('p1/rail', { x: 0, y: 800, z: 2000 }), tube('p1/a', { x: 0, y: 0, z: 2800 }), b]
      const joints = ['p1/a', 'p1/b'].map((id) => ({
        id: `j${id}`,
        kind: 'weld' as const,
        between: [id, 'p1/rail'] as [string, string],
        at,
      }))
      const kit = rapierKit(RAPIER)
      const given = {
        ...fitGiven(demoJobs[0]!, { assembly: { ...empty, members, joints, mounts: [] }, cases: [] }, defaultRules),
        brief: { ...demoJobs[0]!.brief, cargo: [] },
      }
      const found = gapsOf(given, new Measurer(kit)).filter(
        (g) => g.state === 'meets' && /^p1.[ab]$/.test(g.a.id) && /^p1.[ab]$/.test(g.b.id),
      )
      kit.close()
      return found
    }
    // nearly the same line: 25 deep all along
    expect(gapsWith(tube('p1/b', { x: 5, y: 0, z: 2800 }))).toHaveLength(1)
  })
})
