import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Joint, Plate } from '../assembly/assembly'
import { recheckWords } from '../build/reaching'
import { apartOf, bolt, high, low, plate, weld, when, Z0 } from '../testing/apart'

beforeAll(() => RAPIER.init())

/**
 * A long lid of 400 × 60 lies 14 over the bolt that holds `high` to `low`, on two arms, held by a bolt at each end. A bar over it keeps it from going up, walls at its ends
 * and stops beside one end from going anywhere else: it comes off by no straight way. About the bolt between the stops it can go round: the corners of that
 * end are √(20² + 30²) = 36 from its bolt.
 */
const wallX = (id: string, x: number): Plate => ({
  ...plate(id, [-80, 80], [0, 40], 0, 3),
  pose: { origin: { x, y: 0, z: Z0 }, along: { x: 0, y: 1, z: 0 }, up: { x: 0, y: 0, z: 1 } },
})
const stop = (id: string, y: number): Plate => ({
  ...plate(id, [185, 205], [0, 40], 0, 3),
  pose: { origin: { x: 0, y, z: Z0 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 0, z: 1 } },
})
const lidBolt = (arm: string): Joint => ({
  ...bolt(['lid', arm], { into: arm }),
  at: { x: arm === 'armA' ? -180 : 180, y: 0, z: Z0 + 14 },
})
const parts = (stopsAt: number, over: { plates?: Plate[]; joints?: Joint[]; lid?: Joint[] } = {}) => {
  const fixed = [
    plate('armA', [-200, -160], [-30, 30], 10, 4),
    plate('armB', [160, 200], [-30, 30], 10, 4),
    plate('bar', [100, 120], [-200, 200], 60, 3),
    wallX('wallA', -210),
    wallX('wallB', 225),
    stop('stopA', stopsAt),
    stop('stopB', -stopsAt - 3),
  ]
  const lid = { ...plate('lid', [-200, 200], [-30, 30], 14, 4), name: 'Lid' }
  return {
    plates: [low, high, lid, ...fixed, ...(over.plates ?? [])],
    joints: [
      bolt(['low', 'high'], { into: 'low' }),
      ...fixed.map((p) => weld([p.id, 'low'])),
      ...(over.lid ?? [lidBolt('armA'), lidBolt('armB')]),
      ...(over.joints ?? []),
    ],
  }
}

describe('a part that comes off by no way, swung aside on one of its bolts', () => {
  test('round about the bolt between the stops it goes, and the bolt under it is reached then; the step says so', () => {
    const found = apartOf(parts(40))
    expect(found.trapped.map((t) => t.ids[0])).toContain('lid')
    expect([when(found).when, when(found).by.map((b) => b.id), when(found).tool?.what]).toEqual(['swung', ['lid'], 'socket'])
    expect(recheckWords(found)).toMatch(/with lid.* swung aside on one bolt/i)
  })
  test('stops nearer than its corners reach keep it from turning about that one, and its far end from turning about the other: no tool gets there', () => {
    const found = when(apartOf(parts(33)))
    expect([found.when, found.by.map((b) => b.id)]).toEqual(['never', ['lid']])
  })
  test('held by one bolt alone it would fall; welded at one end it does not turn; with a bolt of its own that nothing gets to it cannot be loosened', () => {
    expect(when(apartOf(parts(40, { lid: [lidBolt('armB')] }))).when).toBe('never')
    expect(when(apartOf(parts(40, { lid: [weld(['lid', 'armA'], { x: -180, y: 0, z: Z0 + 14 }), lidBolt('armB')] }))).when).toBe('never')
    // a roof of 6 over the bolt at the far end
    const roof = plate('roof', [-200, -150], [-28, 28], 24, 2)
    expect(when(apartOf(parts(40, { plates: [roof], joints: [weld(['roof', 'low'])] }))).when).toBe('never')
  })
  test('what hangs on it alone would fall with it', () => {
    const lamp = plate('lamp', [-110, -90], [-10, 10], 18, 10)
    const hung: Joint = { ...bolt(['lamp', 'lid'], { into: 'lid' }), at: { x: -100, y: 0, z: Z0 + 18 } }
    expect(when(apartOf(parts(40, { plates: [lamp], joints: [hung] }))).when).toBe('never')
  })
})
