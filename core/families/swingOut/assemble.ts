import {
  type Assembly,
  emptyAssembly,
  type Fitting,
  type Joint,
  type Member,
  type Motion,
  type OwnDimension,
  type Plate,
} from '../../assembly/assembly'
import { footHardware, isHollow } from '../../assembly/usualHardware'
import { materialOf } from '../../catalogue/materials'
import { footTypes } from '../../catalogue/mounts'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { rectangle } from '../../geometry/polygon'
import type { Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import type { Site } from '../family'
import { hitchMount, noReceiver, receiverOf } from '../inReceiver'
import type { SwingOutParams } from './params'
import { ENGAGED_MM, PLATE_MM, type SwingShape, spindleTop, swingShape } from './shape'
import { swayOf } from './sway'

const shape = (key: string, says: string): Issue => ({ code: 'shape', at: ['params', key], fix: null, says })

export function assemble(p: SwingOutParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const place = receiverOf(site)
  if (!place) return noReceiver('swing-out carrier')
  const pin = place.from
  const s = swingShape(p, pin)
  const sway = swayOf(p, pin, site.rules.loadFactor)
  const members = [...membersOf(p, s, pin), ...sway.members]
  const caps = members.filter((m) => isHollow(m.profileId)).reduce((n, m) => n + m.ends.filter((e) => e.kind === 'cap').length, 0)
  const foot = footTypes.receiver
  return {
    assembly: {
      ...emptyAssembly,
      members,
      plates: [wheelPlate(p, s)],
      fittings: [wheelOf(p, s)],
      joints: [...jointsOf(p, s, pin), ...sway.joints],
      mounts: [hitchMount(place)],
      motions: [swings(p, s)],
      hardware: [
        ...footHardware(foot, 1, null),
        ...sway.hardware,
        { part: { kind: 'spindle and hub' }, quantity: 1, for: 'arm' },
        { part: { kind: 'latch' }, quantity: 1, for: 'arm, with a second catch that holds when it is not shut' },
        ...(caps ? [{ part: { kind: 'end cap' as const }, quantity: caps, for: 'open tube ends' }] : []),
      ],
      dimensions: dimensionsOf(s, pin),
    },
    issues: [...sway.issues, ...faultsOf(p, s)],
  }
}

function membersOf(p: SwingOutParams, s: SwingShape, pin: Vec3): Member[] {
  const [beam, arm] = [profileSection(p.beamProfileId), profileSection(p.armProfileId)]
  const at = (x: number, y: number, z: number): Vec3 => ({ x, y, z })
  const upright = { x: s.crossX, y: s.hubY }
  const ends = (a: 'square' | 'cap', b: 'square' | 'cap'): Member['ends'] => [{ kind: a }, { kind: b }]
  const of = (id: string, mark: string, name: string, profileId: string, path: Vec3[], e: Member['ends']): Member => ({
    id,
    mark,
    name,
    profileId,
    path,
    ends: e,
  })
  return [
    {
      ...of(
        'tongue',
        'T1',
        'Tongue',
        p.beamProfileId,
        [at(pin.x + ENGAGED_MM, 0, pin.z), at(s.crossX + beam.widthMm / 2, 0, pin.z)],
        ends('square', 'square'),
      ),
      ...(p.sway === 'insert' ? { ends: [{ kind: 'mitre', angleDeg: p.cutDeg }, { kind: 'square' }] as Member['ends'] } : {}),
    },
    of(
      'cross',
      'T2',
      'Cross beam',
      p.beamProfileId,
      [at(s.crossX, s.hingeY + s.side * 40, pin.z), at(s.crossX, s.latchY - s.side * 40, pin.z)],
      ends('cap', 'cap'),
    ),
    of(
      'spindle',
      'S1',
      'Spindle',
      p.spindleProfileId,
      [at(s.crossX, s.hingeY, s.crossTop), at(s.crossX, s.hingeY, spindleTop(s))],
      ends('square', 'cap'),
    ),
    of(
      'rest',
      'S2',
      'Rest',
      p.beamProfileId,
      [at(s.crossX, s.latchY, s.crossTop), at(s.crossX, s.latchY, s.armZ - arm.heightMm / 2)],
      ends('square', 'cap'),
    ),
    of('arm', 'A1', 'Arm', p.armProfileId, [at(s.crossX, s.armFrom, s.armZ), at(s.crossX, s.armTo, s.armZ)], ends('square', 'cap')),
    of(
      'upright',
      'A2',
      'Upright',
      p.armProfileId,
      [at(upright.x, upright.y, s.armTop), at(upright.x, upright.y, s.hubZ + arm.heightMm / 2)],
      ends('square', 'cap'),
    ),
    of(
      'stub',
      'A3',
      'Stub',
      p.armProfileId,
      [at(s.stubFrom, s.hubY, s.hubZ), at(s.faceX + PLATE_MM, s.hubY, s.hubZ)],
      ends('square', 'square'),
    ),
  ]
}

function wheelPlate(p: SwingOutParams, s: SwingShape): Plate {
  const sideMm = p.studCircleMm + 50
  return {
    id: 'plate',
    mark: 'WP',
    name: 'Wheel plate',
    materialId: materialOf(profileOf(p.armProfileId).materialId).id,
    thicknessMm: PLATE_MM,
    outline: rectangle(sideMm, sideMm),
    holes: Array.from({ length: p.studs }, (_, i) => {
      const turn = Math.PI / 2 + (2 * Math.PI * i) / p.studs
      return { at: { x: (p.studCircleMm / 2) * Math.cos(turn), y: (p.studCircleMm / 2) * Math.sin(turn) }, diameterMm: 13 }
    }),
    bends: [],
    // its outline lies across the vehicle; its thickness runs forward from the wheel's face
    pose: { origin: { x: s.faceX, y: s.hubY, z: s.hubZ }, along: { x: 0, y: 1, z: 0 }, up: { x: 0, y: 0, z: 1 } },
    goodFace: 'either',
    air: 'sheltered',
  }
}

const wheelOf = (p: SwingOutParams, s: SwingShape): Fitting => ({
  id: 'wheel',
  mark: 'SW',
  name: 'Spare wheel',
  massKg: p.wheelKg,
  at: s.wheel.middle,
  middle: s.wheel.middle,
  size: s.wheel.size,
  unknown: [],
  priceMinor: null,
  there: true,
  round: { axis: { x: 1, y: 0, z: 0 }, acrossMm: p.wheelMm, wideMm: p.wheelWideMm },
  // the stub and its plate stand in the dish of the wheel
  around: ['stub'],
})

function jointsOf(p: SwingOutParams, s: SwingShape, pin: Vec3): Joint[] {
  const [beam, arm] = [profileSection(p.beamProfileId), profileSection(p.armProfileId)]
  const spindle = profileSection(p.spindleProfileId)
  const weld = (id: string, between: [string, string], at: Vec3, lengthMm: number, apartMm: number): Joint => ({
    id: `joint:${id}`,
    kind: 'weld',
    between,
    at,
    weld: { lengthMm, apartMm, allRound: true },
  })
  return [
    weld('tongue', ['tongue', 'cross'], { x: s.crossX + beam.widthMm / 2, y: 0, z: pin.z }, beam.heightMm, beam.widthMm),
    weld('spindle', ['spindle', 'cross'], { x: s.crossX, y: s.hingeY, z: s.crossTop }, spindle.widthMm, spindle.widthMm),
    weld('rest', ['rest', 'cross'], { x: s.crossX, y: s.latchY, z: s.crossTop }, beam.heightMm, beam.widthMm),
    weld('upright', ['upright', 'arm'], { x: s.crossX, y: s.hubY, z: s.armTop }, arm.widthMm, arm.widthMm),
    weld('stub', ['stub', 'upright'], { x: s.stubFrom, y: s.hubY, z: s.hubZ }, arm.heightMm, arm.widthMm),
    weld('plate', ['plate', 'stub'], { x: s.faceX + PLATE_MM, y: s.hubY, z: s.hubZ }, arm.heightMm, arm.widthMm),
    {
      id: 'joint:hinge',
      kind: 'hinge',
      between: ['arm', 'spindle'],
      at: { x: s.crossX, y: s.hingeY, z: s.armZ },
      axis: { x: 0, y: 0, z: 1 },
      rated: { holdsN: p.spindleN, by: 'its maker', what: 'what spindle and hub hold' },
    },
    {
      id: 'joint:latch',
      kind: 'latch',
      between: ['arm', 'rest'],
      at: { x: s.crossX, y: s.latchY, z: s.armZ - arm.heightMm / 2 },
      rated: { holdsN: p.latchN, by: 'its maker', what: 'what the latch holds' },
    },
    {
      id: 'joint:wheel',
      kind: 'bolt',
      between: ['wheel', 'plate'],
      at: { x: s.faceX, y: s.hubY, z: s.hubZ },
      bolts: { size: 'M12', count: p.studs, apartMm: p.studCircleMm * Math.sin(Math.PI / p.studs) },
    },
  ]
}

/** From shut, out to the rear. */
const swings = (p: SwingOutParams, s: SwingShape): Motion => ({
  id: 'swing',
  name: 'Swing arm',
  kind: 'turn',
  moves: ['arm', 'upright', 'stub', 'plate', 'wheel'],
  axis: { at: { x: s.crossX, y: s.hingeY, z: s.armZ }, way: { x: 0, y: 0, z: -s.side } },
  from: 0,
  to: p.opensDeg,
  heldBy: 'its latch and a second catch',
})

function dimensionsOf(s: SwingShape, pin: Vec3): OwnDimension[] {
  const own = (over: Omit<OwnDimension, 'side' | 'running'> & Partial<Pick<OwnDimension, 'side'>>): OwnDimension => ({
    side: 'low',
    running: false,
    ...over,
  })
  return [
    own({
      id: 'behind',
      view: 'side',
      axis: 'x',
      label: 'pin to beam',
      from: pin,
      to: { ...pin, x: s.crossX },
      edits: { figure: 'behind', offsetMm: 0 },
    }),
    own({
      id: 'hinge',
      view: 'rear',
      axis: 'x',
      label: 'spindle',
      from: { x: s.crossX, y: 0, z: pin.z },
      to: { x: s.crossX, y: s.hingeY, z: pin.z },
      edits: { figure: 'hinge', offsetMm: 0 },
    }),
    own({
      id: 'hub',
      view: 'rear',
      axis: 'y',
      side: 'high',
      label: 'arm to wheel',
      from: { x: s.crossX, y: s.latchY, z: s.armZ },
      to: { x: s.crossX, y: s.latchY, z: s.hubZ },
      edits: { figure: 'hub', offsetMm: 0 },
    }),
  ]
}

function faultsOf(p: SwingOutParams, s: SwingShape): Issue[] {
  const half = profileSection(p.armProfileId).widthMm
  const reach = Math.abs(s.hubY - s.hingeY)
  return [
    ...(p.hubAsideMm > p.latchOutMm - half || -p.hubAsideMm > p.hingeOutMm - half
      ? [shape('hubAsideMm', 'The wheel stands past the end of its arm: nearer the middle, or a longer arm')]
      : []),
    ...(s.hubZ - p.wheelMm / 2 < s.crossTop && p.wheelMm / 2 > 0 && s.faceX + p.backspaceMm > s.crossX - half / 2
      ? [shape('hubUpMm', 'The wheel stands in its own arm: more room behind it')]
      : []),
    ...(reach < p.wheelMm / 2
      ? [
          shape(
            'hingeOutMm',
            `The middle of the wheel stands {${Math.round(reach)}} from the spindle, less than half its size: swung open it still covers the gate. Set the spindle further out`,
          ),
        ]
      : []),
    ...(p.backspaceMm > p.wheelWideMm ? [shape('backspaceMm', 'A wheel’s mounting face lies within its width: measure it again')] : []),
  ]
}
