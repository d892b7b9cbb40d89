import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Member, Plate } from '../assembly/assembly'
import { profileSection, profiles } from '../catalogue/profiles'
import { extrude } from './extrude'
import { type Mesh, volumeMm3 } from './mesh'
import { sweep } from './sweep'

const member = (over: Partial<Member>): Member => ({
  id: 'm',
  mark: 'M',
  name: 'Tube',
  profileId: 'square-40x3-steel',
  path: [
    { x: 0, y: 0, z: 0 },
    { x: 1000, y: 0, z: 0 },
  ],
  ends: [{ kind: 'square' }, { kind: 'square' }],
  ...over,
})
/** Every edge of a closed skin is shared by two triangles that run along it opposite ways. */
function openEdges({ positions, indices }: Mesh): number {
  const at = (i: number) => [0, 1, 2].map((k) => positions[3 * i + k]!.toFixed(4)).join()
  const edges = new Map<string, number>()
  for (let i = 0; i < indices.length; i += 3)
    for (const [a, b] of [
      [0, 1],
      [1, 2],
      [2, 0],
    ] as const) {
      const [p, q] = [at(indices[i + a]!), at(indices[i + b]!)]
      const [key, way] = p < q ? [`${p} ${q}`, 1] : [`${q} ${p}`, -1]
      edges.set(key, (edges.get(key) ?? 0) + way)
    }
  return [...edges.values()].filter((n) => n !== 0).length
}

describe('a member as a solid', () => {
  test('a slotted extrusion has a slot to every 40 of each side, and its skin is closed', () => {
    const of = (profileId: string) => sweep(member({ profileId }))
    // 40 × 40 less four slots of 8 × 11; 40 × 80 less six
    expect(volumeMm3(of('slotted-40x40-al6063t5')) / 1000).toBeCloseTo(1600 - 4 * 88, 3)
    expect(volumeMm3(of('slotted-40x80-al6063t5')) / 1000).toBeCloseTo(3200 - 6 * 88, 3)
    expect(openEdges(of('slotted-40x80-al6063t5'))).toBe(0)
  })
  test('a tube of 40 × 3, a metre long: (40² − 34²) × 1000 = 444 000 mm³ where its corners are sharp', () => {
    const v = volumeMm3(sweep(member({})))
    expect(v / (profileSection('square-40x3-steel').areaMm2 * 1000)).toBeCloseTo(1, 2)
    expect(v).toBeLessThanOrEqual(444_000 + 1e-3)
  })
  // slots are left out of the picture: their section is drawn full
  test.each(profiles.filter((p) => !p.id.startsWith('slotted')).map((p) => [p.id]))(
    '%s is closed, turns outward and has its section’s area',
    (profileId) => {
      const mesh = sweep(member({ profileId }))
      expect(openEdges(mesh)).toBe(0)
      expect(volumeMm3(mesh) / (profileSection(profileId).areaMm2 * 1000)).toBeGreaterThan(0.93)
      expect(volumeMm3(mesh) / (profileSection(profileId).areaMm2 * 1000)).toBeLessThan(1.07)
    },
  )
  test('whichever way it runs and rolls it is as large', () => {
    const coordinate = fc.integer({ min: -900, max: 900 })
    fc.assert(
      fc.property(coordinate, coordinate, coordinate, fc.integer({ min: 0, max: 360 }), (x, y, z, rollDeg) => {
        const length = Math.hypot(x, y, z)
        fc.pre(length > 100)
        const mesh = sweep(
          member({
            path: [
              { x: 0, y: 0, z: 0 },
              { x, y, z },
            ],
            rollDeg,
          }),
        )
        expect(volumeMm3(mesh) / volumeMm3(sweep(member({})))).toBeCloseTo(length / 1000, 6)
      }),
      { numRuns: 60 },
    )
  })
})

describe('a flat part as a solid', () => {
  const plate = (outline: [number, number][]): Plate => ({
    id: 'p',
    mark: 'P',
    name: 'Plate',
    materialId: 's235',
    thicknessMm: 5,
    outline: outline.map(([x, y]) => ({ x, y })),
    holes: [],
    bends: [],
    pose: { origin: { x: 10, y: 20, z: 30 }, along: { x: 0, y: 1, z: 0 }, up: { x: 0, y: 0, z: 1 } },
    goodFace: 'either',
    air: 'board',
  })
  test('a triangle of legs 80 and 60, 5 thick: 80·60/2·5 = 12 000 mm³, whichever way its corners go round', () => {
    expect(
      volumeMm3(
        extrude(
          plate([
            [0, 0],
            [80, 0],
            [0, 60],
          ]),
        ),
      ),
    ).toBeCloseTo(12_000, 6)
    expect(
      volumeMm3(
        extrude(
          plate([
            [0, 60],
            [80, 0],
            [0, 0],
          ]),
        ),
      ),
    ).toBeCloseTo(12_000, 6)
  })
  test('an L with an inner corner is closed and holds (100·100 − 60·60)·5', () => {
    const mesh = extrude(
      plate([
        [0, 0],
        [100, 0],
        [100, 40],
        [40, 40],
        [40, 100],
        [0, 100],
      ]),
    )
    expect(volumeMm3(mesh)).toBeCloseTo(6400 * 5, 6)
    expect(openEdges(mesh)).toBe(0)
  })
})
