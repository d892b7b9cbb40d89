import { describe, expect, test } from 'vitest'
import { emptyAssembly, type Member, type Plate } from '../assembly/assembly'
import { rectangle } from '../geometry/polygon'
import { defaultRules } from '../rules/rules'
import { cannotDo } from './cannotDo'
import { dieFor, learned, pullToDeg, radiusFromGain } from './learned'
import { type Die, DieSchema, demoWorkshop, WorkshopSchema } from './workshop'

const die = (trials: object[]): Die =>
  DieSchema.parse({ id: 'd', tubeMm: 32, radiusMm: 96, straightBeforeMm: 60, straightBetweenMm: 40, trials })

describe('what trial bends teach', () => {
  test('pulled to 93 it came back to 90, to 62 it came to 60: 3.33 % each; a bend of 45 is pulled to 46.5', () => {
    const d = die([
      { on: '2026-03-02', pulledDeg: 93, cameDeg: 90 },
      { on: '2026-05-18', pulledDeg: 62, cameDeg: 60 },
    ])
    expect(learned(d)).toMatchObject({ trials: 2, last: '2026-05-18', share: expect.closeTo(1 / 30, 9), radiusMm: null })
    expect(pullToDeg(d, 45)).toBeCloseTo(46.5, 9)
  })
  test('a die that nobody tried says nothing: no angle to pull to', () => {
    expect(learned(die([]))).toBeNull()
    expect(pullToDeg(die([]), 90)).toBeNull()
    expect(pullToDeg(null, 90)).toBeNull()
  })
  test('legs of 321 and 321 out of 600 cut at 90°: gain 42, and R = 42 / (2 − π/2) = 97.86', () => {
    expect(radiusFromGain(90, 42)).toBeCloseTo(42 / (2 - Math.PI / 2), 6)
    expect(radiusFromGain(90, 0)).toBeNull()
    const d = die([{ on: '2026-03-02', pulledDeg: 93, cameDeg: 90, cutMm: 600, legAMm: 321, legBMm: 321 }])
    expect(learned(d)!.radiusMm).toBeCloseTo(97.86, 1)
  })
  test('a die is that for this tube and this radius, or none', () => {
    expect(dieFor(demoWorkshop.dies, 32, 96)!.id).toBe('die-1')
    expect(dieFor(demoWorkshop.dies, 32, 114)).toBeNull()
  })
})

describe('what this shop cannot do', () => {
  const tube = (over: Partial<Member>): Member => ({
    id: 'm',
    mark: 'M1',
    name: 'tube',
    profileId: 'round-32x2-steel',
    path: [
      { x: 0, y: 0, z: 0 },
      { x: 0, y: 0, z: 400 },
      { x: 0, y: 900, z: 400 },
    ],
    bendRadiiMm: [96],
    ends: [{ kind: 'square' }, { kind: 'square' }],
    ...over,
  })
  const says = (m: Member, w = demoWorkshop) => cannotDo({ ...emptyAssembly, members: [m] }, w, defaultRules).map((c) => c.says)

  test('a bend that the die makes is said nothing of; another radius, another tube and a straight too short are, with what would do', () => {
    expect(says(tube({}))).toEqual([])
    expect(says(tube({ bendRadiiMm: [120] }))).toEqual(['no die of radius {120} for it'])
    expect(says(tube({ profileId: 'round-42x3-steel', bendRadiiMm: [96] }))).toEqual(['no die of radius {96} for it'])
    const short = tube({
      path: [
        { x: 0, y: 0, z: 0 },
        { x: 0, y: 0, z: 130 },
        { x: 0, y: 900, z: 130 },
      ],
    })
    // 130 less the set-back of 96 leaves 34, and the clamp wants 60
    expect(says(short)).toEqual(['the straight before bend 1 is {34} and the clamp needs {60}'])
    expect(cannotDo({ ...emptyAssembly, members: [tube({ bendRadiiMm: [120] })] }, demoWorkshop, defaultRules)[0]!.would).toBe(
      'radius {96}, which the shop has; or sent out, 6 days',
    )
  })
  test('a bend past what the die turns, and one with no radius', () => {
    const back = tube({
      profileId: 'round-42x3-steel',
      bendRadiiMm: [130],
      path: [
        { x: 0, y: 0, z: 0 },
        { x: 0, y: 0, z: 900 },
        { x: 0, y: 500, z: 30 },
      ],
    })
    expect(says(back)).toEqual(['bend 1 turns 150° and its die 120°'])
    expect(says(tube({ bendRadiiMm: [] }))[0]).toMatch(/no radius/)
  })
  test('a mitre beyond the saw, a cut taller than the throat; no saw at all is a lack and no pass', () => {
    const straight = (angleDeg: number, profileId = 'square-50x4-steel') =>
      tube({
        profileId,
        path: [
          { x: 0, y: 0, z: 0 },
          { x: 0, y: 900, z: 0 },
        ],
        bendRadiiMm: [],
        ends: [{ kind: 'mitre', angleDeg }, { kind: 'square' }],
      })
    expect(says(straight(45))).toEqual([])
    expect(says(straight(70))).toEqual(['a mitre of 70° is beyond the saw’s 60°'])
    const low = WorkshopSchema.parse({ saws: [{ id: 's', name: 'small saw', mostLeftDeg: 60, throatMm: 60 }] })
    // 50 / cos 45° = 71
    expect(says(straight(45), low)).toEqual(['its cut is {71} tall and the saw takes {60}'])
    expect(says(straight(0), WorkshopSchema.parse({}))).toEqual(['no saw is listed'])
  })
  test('aluminium to be welded wants a welder for it, and a saddle a hole saw of its tube', () => {
    const main = tube({
      id: 'a',
      mark: 'A',
      profileId: 'round-42x3-al6061t6',
      path: [
        { x: 0, y: 300, z: 0 },
        { x: 900, y: 300, z: 0 },
      ],
      bendRadiiMm: [],
    })
    const sits = tube({
      id: 'b',
      mark: 'B',
      profileId: 'round-32x2-al6061t6',
      path: [
        { x: 400, y: -300, z: 0 },
        { x: 400, y: 286, z: 0 },
      ],
      bendRadiiMm: [],
      ends: [{ kind: 'square' }, { kind: 'cope', onto: 'a' }],
    })
    const a = {
      ...emptyAssembly,
      members: [main, sits],
      joints: [{ id: 'w', kind: 'weld' as const, between: ['b', 'a'] as [string, string], at: { x: 400, y: 286, z: 0 } }],
    }
    expect(cannotDo(a, demoWorkshop, defaultRules)).toEqual([])
    const bare = { ...demoWorkshop, holeSawsMm: [32], welders: demoWorkshop.welders.filter((w) => w.process === 'MIG') }
    expect(cannotDo(a, bare, defaultRules).map((c) => c.says)).toEqual([
      'no hole saw for a saddle onto {42.4}',
      'no welder here is set up for aluminium',
    ])
    expect(cannotDo(a, { ...bare, notcher: true }, defaultRules).map((c) => c.says)).toEqual(['no welder here is set up for aluminium'])
  })
  test('a hole beyond the drill, a fold beyond the brake, and a shop without a brake', () => {
    const plate = (over: Partial<Plate>): Plate => ({
      id: 'p',
      mark: 'P1',
      name: 'plate',
      materialId: 'steel',
      thicknessMm: 5,
      outline: rectangle(120, 300),
      holes: [],
      bends: [],
      pose: { origin: { x: 0, y: 0, z: 0 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
      goodFace: 'either',
      air: 'sheltered',
      ...over,
    })
    const of = (p: Plate, w = demoWorkshop) => cannotDo({ ...emptyAssembly, plates: [p] }, w, defaultRules).map((c) => c.says)
    const fold = (longMm: number): Plate['bends'] => [
      {
        line: [
          { x: 0, y: -longMm / 2 },
          { x: 0, y: longMm / 2 },
        ],
        angleDeg: 90,
        side: 'up',
        insideRadiusMm: 5,
      },
    ]
    expect(of(plate({ holes: [{ at: { x: 0, y: 0 }, diameterMm: 16 }], bends: fold(300) }))).toEqual([])
    const wide = plate({ holes: [{ at: { x: 0, y: 0 }, diameterMm: 22 }] })
    expect(of(wide, { ...demoWorkshop, table: null })).toEqual(['a hole of {g 22} and the largest drill is {g 16}'])
    // the table cuts it; in plate so thick that it would close up there, it is drilled after all
    expect(of(wide)).toEqual([])
    expect(of({ ...wide, thicknessMm: 20 })).toEqual(['a hole of {g 22} and the largest drill is {g 16}'])
    expect(of(plate({ outline: rectangle(120, 1500), bends: fold(1500) }))).toEqual(['a fold {1500} long and the brake takes {1200}'])
    expect(of(plate({ bends: fold(300) }), { ...demoWorkshop, brakeMm: 0 })).toEqual(['it is folded and no brake is listed'])
  })
  test('a saw 2 off in 100 leaves 2 · 2 · 50 / 100 = 2.0 at a welded tube of 50, more than a weld may bridge; a saddled end is cut otherwise', () => {
    const post = tube({
      profileId: 'square-50x4-steel',
      path: [
        { x: 0, y: 0, z: 0 },
        { x: 0, y: 0, z: 500 },
      ],
      bendRadiiMm: [],
    })
    const base = tube({
      id: 'n',
      mark: 'N',
      profileId: 'square-50x4-steel',
      path: [
        { x: -300, y: 0, z: -25 },
        { x: 300, y: 0, z: -25 },
      ],
      bendRadiiMm: [],
      ends: [{ kind: 'cap' }, { kind: 'cap' }],
    })
    const a = {
      ...emptyAssembly,
      members: [post, base],
      joints: [{ id: 'w', kind: 'weld' as const, between: ['m', 'n'] as [string, string], at: { x: 0, y: 0, z: 0 } }],
    }
    expect(cannotDo(a, demoWorkshop, defaultRules)).toEqual([])
    const worn = { ...demoWorkshop, saws: demoWorkshop.saws.map((s) => ({ ...s, outOfSquareMm: 2 })) }
    expect(cannotDo(a, worn, defaultRules).map((c) => [c.marks, c.says])).toEqual([
      [['M1'], 'the saw is off square by {2} in {100}: up to {2.0} of gap, and a weld may bridge {1.5}'],
    ])
  })
  test('a die whose trials came out at another radius than is drawn: the marks are off, and the radius to type is named', () => {
    const taught = {
      ...demoWorkshop,
      dies: demoWorkshop.dies.map((d) => ({
        ...d,
        trials: d.id === 'die-1' ? [{ on: '2026-03-02', pulledDeg: 93, cameDeg: 90, cutMm: 600, legAMm: 322.5, legBMm: 322.5 }] : [],
      })),
    }
    // gain 45: 45 / (2 − π/2) = 104.8
    expect(says(tube({}), taught)).toEqual(['trial bends of its die came out at radius {104.8}, drawn with {96}: its marks are off'])
    expect(says(tube({}))).toEqual([])
  })
})
