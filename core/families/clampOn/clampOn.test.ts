import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, test } from 'vitest'
import { onPlate, plateNormal } from '../../assembly/places'
import { profileSection } from '../../catalogue/profiles'
import { jointPlaces } from '../../drilling/holes'
import { dot, minus } from '../../geometry/vec3'
import { demoJobs } from '../../job/demoJobs'
import { evaluate } from '../../job/evaluate'
import { type Job, newJob } from '../../job/job'
import { carriedBy } from '../../loads/carried'
import { METRIC } from '../../quantity/units'
import { defaultRules } from '../../rules/rules'
import { fitOf } from '../../testing/fitted'
import { built } from '../../testing/onSite'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { familyOf } from '../all'
import { CarrierParams } from '../receiverCarrier/params'
import { type ClampOnParams, ClampOnParams as schema } from './params'

beforeAll(() => RAPIER.init())
const family = familyOf('clamp-on')!
const [van] = demoVehicles
const camper = demoVehicles.find((v) => v.id === 'camper-van')!
const made = (over: Partial<ClampOnParams> = {}) => built(family, { mountId: 'gutter', atMm: 700, ...over }, van!)

describe('jaws clamped over bars', () => {
  test('by hand: between the ears the bar of 30 and twice 2 of lining, over the bar 90 of pack and twice 12 of padding', () => {
    const { assembly, says } = made()
    expect(says).toEqual([])
    const [bar] = assembly.members.filter((m) => m.name === 'Bar')
    const s = profileSection(bar!.profileId)
    const top = bar!.path[0]!.z + s.heightMm / 2
    const [front, rear] = assembly.plates.filter((p) => p.id.startsWith('ear:0:far'))
    // their insides, facing each other
    expect(Math.abs(front!.pose.origin.x - rear!.pose.origin.x)).toBeCloseTo(s.widthMm + 4, 6)
    expect(dot(plateNormal(front!), minus(front!.pose.origin, rear!.pose.origin))).toBeGreaterThan(0)
    const tube = assembly.members.find((m) => m.id === 'tube:0')!
    expect(tube.path[0]!.z - profileSection(tube.profileId).heightMm / 2 - top).toBeCloseTo(114, 6)
    for (const p of assembly.plates) {
      const [low, high] = p.holes.map((h) => onPlate(p, h.at).z)
      // the tube's middle, and half a hole of 9 under bar and lining
      expect([high! - top, top - low!]).toEqual([expect.closeTo(114 + 12.5, 6), expect.closeTo(s.heightMm + 2 + 4.5, 6)])
    }
  })
  test('one bolt goes through two ears and the tube: one place on the drilling sheet, its stack all of 2·5 + 34, and the next on sale over 44 + 2.2·8', () => {
    const { assembly } = made()
    const places = jointPlaces(assembly)
    // two jaws of two ends, though each bolt holds the tube to two ears
    expect(places).toHaveLength(4)
    expect(assembly.joints.filter((j) => j.bolts)).toHaveLength(8)
    for (const p of places) expect([p.stackMm, p.boltMm]).toEqual([44, 65])
    const bought = assembly.hardware.filter((h) => h.part.kind === 'bolt' && h.for.includes('tubes'))
    expect(bought.map((h) => [h.quantity, 'lengthMm' in h.part && h.part.lengthMm])).toEqual([[4, 65]])
  })
  test('far ears are slotted along the tube, so that the holder does not brace its bar: the bar bends as if nothing were on it', () => {
    const far = made().assembly.plates.filter((p) => p.id.includes(':far:'))
    expect(far.every((p) => p.holes[1]!.slot?.lengthMm === 17 && p.holes[0]!.slot === undefined)).toBe(true)
    const solid = (b: ReturnType<typeof made>) => b.assembly.joints.filter((j) => j.kind === 'slide')
    expect(solid(made()).map((j) => Math.abs(j.axis!.y))).toEqual([1, 1, 1, 1].map((v) => expect.closeTo(v, 6)))
    const sag = (job: Job) => evaluate(job, defaultRules).limits.find((l) => l.id === 'bar.sag' && l.pieceId === 'p1')!.used.value!
    const [survey] = demoJobs
    const bare = { ...survey, brief: { ...survey.brief, cargo: survey.brief.cargo.filter((c) => c.rests === 'bundle') } }
    const held = {
      ...bare,
      pieces: [
        ...bare.pieces,
        { id: 'p9', name: '', letter: 'X', family: 'clamp-on', params: schema.parse({ atMm: 430 }), on: 'p1', state: 'fitted' as const },
      ],
    }
    // its own weight bends the bar a little more
    expect(sag(held) / sag(bare)).toBeGreaterThan(0.97)
  })
  test('nothing of the bar is drilled', () => {
    const { assembly } = made()
    const bars = new Set(assembly.members.filter((m) => m.name === 'Bar').map((m) => m.id))
    expect(
      jointPlaces(assembly)
        .flatMap((p) => p.layers.map((l) => l.part))
        .filter((id) => bars.has(id)),
    ).toEqual([])
  })
  test('what cannot be is said', () => {
    const says = (over: Partial<ClampOnParams>) => made(over).says.join('; ')
    expect(says({ tubeProfileId: 'round-42x3-steel' })).toMatch(/A tube of \{42\} does not go between ears \{34\} apart/)
    expect(says({ packWideMm: 1600, earWideMm: 120 })).toMatch(/wide over its ears, and its bar/)
    expect(says({ atMm: 10 })).toMatch(/past the end of its bar: between \{\d+\} and \{\d+\}/)
    expect(says({ jaws: 1, footXMm: [0] })).toMatch(/One jaw alone/)
    expect(says({ jaws: 3 })).toMatch(/Only 2 bars of one height and size lie there for 3 jaws/)
  })
})

test('a pack in its jaws lies on all of its bars', () => {
  const rowing = demoJobs.find((j) => j.title === 'Jaws for oars on three bars')!
  const e = evaluate(rowing, defaultRules)
  const [oars] = carriedBy(e.assembly, rowing.brief)
  expect(oars!.bearings.map((b) => b.on)).toEqual(['p1/bar:0', 'p1/bar:1', 'p1/bar:2'])
  expect(e.limits.filter((l) => l.state === 'over').map((l) => l.id)).toEqual([])
})

describe('on somebody’s carrier', () => {
  const base = newJob('Skis', { ...camper }, METRIC)
  const job = (folds: boolean): Job => ({
    ...base,
    brief: { ...base.brief, speedKmh: 90 },
    pieces: [
      {
        id: 'p1',
        name: '',
        letter: '',
        family: 'receiver-carrier',
        params: CarrierParams.parse({ carries: 'box', trays: 2, folds }),
        on: null,
        state: 'fitted',
      },
      { id: 'p2', name: '', letter: 'B', family: 'clamp-on', params: schema.parse({ atMm: 600 }), on: 'p1', state: 'fitted' },
    ],
  })
  test('both jaws on its trays, one structure with it', () => {
    const e = evaluate(job(false), defaultRules)
    expect(e.issues).toEqual([])
    expect(
      e.assembly.joints
        .filter((j) => j.kind === 'clamp' && j.between[0].startsWith('p2/'))
        .every((j) => j.between[1].startsWith('p1/tray:')),
    ).toBe(true)
    expect(e.limits.some((l) => l.id === 'joint.collar' && l.pieceId === 'p2')).toBe(true)
  })
  test('its fold is kept: what is clamped on goes up with it, and what meets the vehicle there is told', () => {
    const fold = fitOf(job(true)).motions.find((m) => m.mover.pieceId === 'p1')!
    expect(fold.mover.moves.filter((id) => id.startsWith('p2/')).length).toBe(2 + 8)
    expect(fold.mover.moves).toContain('p2/tube:0')
    expect(fold.touch?.what.id.startsWith('p2/') ?? false).toBe(false)
  })
})
