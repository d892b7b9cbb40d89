import {
  type Assembly,
  type AssemblyAnchor,
  emptyAssembly,
  type Joint,
  type Member,
  type OwnDimension,
  type Support,
} from '../../assembly/assembly'
import { footHardware, isHollow, throughBolts } from '../../assembly/usualHardware'
import { footTypes } from '../../catalogue/mounts'
import { profileSection } from '../../catalogue/profiles'
import type { Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import type { Site } from '../family'
import { hitchMount, noReceiver, receiverOf } from '../inReceiver'
import { FOLD_PIN, foldMotions, foldPlates } from './fold'
import type { CarrierParams } from './params'

/** So far the tongue sits in the receiver, ahead of the pin; so far the beam runs on past the last tray. mm; the shop's own */
const ENGAGED_MM = 110
const PAST_MM = 40
const TRAY_BOLTS = { size: 'M10' as const, count: 2, apartMm: 30 }

/** Where the trays stand along the vehicle, the nearest first. mm */
export const trayXMm = (p: CarrierParams, pinXMm: number): number[] =>
  Array.from({ length: p.trays }, (_, i) => pinXMm - p.firstBehindMm - i * p.pitchMm)

/** A torch comes between a mast and a tray that stand so far apart. mm; the shop's own */
const TORCH_MM = 55
/** Of the places behind where it is wished, the first that leaves room for a torch before and after it. mm */
function besideTrays(wishedX: number, xs: number[], widthMm: number): number {
  const near = xs.find((x) => Math.abs(x - wishedX) < widthMm + TORCH_MM)
  return near === undefined ? wishedX : near - widthMm - TORCH_MM
}

const hole = (): Member['ends'] => [{ kind: 'square' }, { kind: 'cap' }]
const capped = (): Member['ends'] => [{ kind: 'cap' }, { kind: 'cap' }]

export function assemble(p: CarrierParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const place = receiverOf(site)
  if (!place) return noReceiver('carrier')
  const pin = place.from
  const tongue = profileSection(p.tongueProfileId)
  const tray = profileSection(p.trayProfileId)
  // a riser needs a tube's height to itself
  const leastRise = tongue.heightMm + 30
  const rises = p.riseMm >= leastRise
  const beamZ = pin.z + (rises ? p.riseMm : 0)
  const trayZ = beamZ + tongue.heightMm / 2 + tray.heightMm / 2
  const xs = trayXMm(p, pin.x)
  const end = xs[xs.length - 1]! - tray.widthMm / 2 - PAST_MM
  // folded, beam and trays stand up about the fold, close behind the vehicle
  const foldX = pin.x - Math.max(160, p.firstBehindMm - 140)
  const folded = p.folds && site.state === 'folded'
  const turned = (v: Vec3): Vec3 => (folded ? { x: foldX + (v.z - beamZ), y: v.y, z: beamZ + (foldX - v.x) } : v)
  const member = (id: string, mark: string, name: string, profileId: string, path: Vec3[], ends: Member['ends']): Member => ({
    id,
    mark,
    name,
    profileId,
    path,
    ends,
  })
  const breaks = rises || p.folds
  const joinX = rises ? foldX : p.folds ? foldX : end
  // one that folds is laid over the trays about a pin above them: its stub must pass the fold's plates then
  const mastX = besideTrays(joinX + (p.folds ? -(PAST_MM + tray.heightMm + 20) : breaks ? -PAST_MM : 200), xs, tray.widthMm)
  const members: Member[] = [
    member(
      'tongue',
      'T1',
      'Tongue',
      p.tongueProfileId,
      [
        { x: pin.x + ENGAGED_MM, y: 0, z: pin.z },
        { x: joinX, y: 0, z: pin.z },
      ],
      hole(),
    ),
    ...(rises
      ? [
          member(
            'riser',
            'T2',
            'Riser',
            p.tongueProfileId,
            [
              { x: joinX, y: 0, z: pin.z + tongue.heightMm / 2 },
              { x: joinX, y: 0, z: beamZ - tongue.heightMm / 2 },
            ],
            capped(),
          ),
        ]
      : []),
    ...(breaks
      ? [
          member(
            'beam',
            'T3',
            'Beam',
            p.tongueProfileId,
            [turned({ x: p.folds ? joinX - 10 : joinX, y: 0, z: beamZ }), turned({ x: end, y: 0, z: beamZ })],
            hole(),
          ),
        ]
      : []),
    ...xs.map((x, i) =>
      member(
        `tray:${i}`,
        `R${i + 1}`,
        p.carries === 'box' ? 'Cross tube' : 'Tray',
        p.trayProfileId,
        [turned({ x, y: p.trayLengthMm / 2, z: trayZ }), turned({ x, y: -p.trayLengthMm / 2, z: trayZ })],
        capped(),
      ),
    ),
    ...(p.carries === 'bicycles'
      ? [
          member(
            'mast',
            'M1',
            'Mast',
            p.trayProfileId,
            [
              turned({ x: mastX, y: 0, z: beamZ + tongue.heightMm / 2 }),
              // folded up it would stand in the vehicle: it is laid back over the trays first
              folded
                ? turned({ x: mastX - p.mastMm, y: 0, z: trayZ + tray.heightMm })
                : { x: mastX, y: 0, z: beamZ + tongue.heightMm / 2 + p.mastMm },
            ],
            [{ kind: 'square' }, { kind: 'cap' }],
          ),
        ]
      : []),
  ]
  const beam = breaks ? 'beam' : 'tongue'
  const made: Joint['kind'] = p.build === 'welded' ? 'weld' : 'bolt'
  const weld = (apartMm: number, lengthMm: number) => ({ weld: { apartMm, lengthMm, allRound: true } })
  const onBeam = (id: string, at: Vec3): Joint => ({
    id: `joint:${id}`,
    kind: made,
    between: [id, beam],
    at: turned(at),
    ...(p.build === 'welded' ? weld(tray.widthMm, tongue.widthMm) : { bolts: TRAY_BOLTS }),
  })
  const fold = p.folds ? foldPlates(p, rises ? 'riser' : 'tongue', { x: joinX, y: 0, z: beamZ }, turned) : null
  const joints: Joint[] = [
    ...xs.map((x, i) => onBeam(`tray:${i}`, { x, y: 0, z: beamZ + tongue.heightMm / 2 })),
    ...(p.carries === 'bicycles' ? [onBeam('mast', { x: mastX, y: 0, z: beamZ + tongue.heightMm / 2 })] : []),
    ...(rises
      ? [
          {
            id: 'joint:riser',
            kind: 'weld' as const,
            between: ['riser', 'tongue'] as [string, string],
            at: { x: joinX, y: 0, z: pin.z + tongue.heightMm / 2 },
            ...weld(tongue.widthMm, tongue.heightMm),
          },
        ]
      : []),
    ...(rises && !p.folds
      ? [
          {
            id: 'joint:beam',
            kind: 'weld' as const,
            between: ['riser', 'beam'] as [string, string],
            at: { x: joinX, y: 0, z: beamZ - tongue.heightMm / 2 },
            ...weld(tongue.widthMm, tongue.heightMm),
          },
        ]
      : []),
    ...(fold?.joints ?? []),
  ]
  const foot = footTypes.receiver
  const z = trayZ + tray.heightMm / 2
  const bearing = (i: number) => ({ on: `tray:${i}`, xMm: xs[i]!, leftMm: p.trayLengthMm / 2, rightMm: -p.trayLengthMm / 2, zMm: z })
  const plain = { bodyId: place.bodyId, surface: null, walkOn: [], climbOn: [] }
  const supports: Support[] = folded
    ? []
    : p.carries === 'box'
      ? [{ ...plain, id: 'platform', name: 'Platform in the receiver', kind: 'bars', bearings: xs.map((_, i) => bearing(i)), holds: false }]
      : xs.map((_, i) => ({
          ...plain,
          id: `tray:${i}`,
          name: `Tray ${i + 1} in the receiver`,
          kind: 'tray',
          bearings: [bearing(i)],
          holds: true,
        }))
  const ends = members.filter((m) => isHollow(m.profileId)).reduce((s, m) => s + m.ends.filter((e) => e.kind === 'cap').length, 0)
  return {
    assembly: {
      ...emptyAssembly,
      members,
      plates: fold?.plates ?? [],
      joints,
      mounts: [hitchMount(place)],
      supports,
      anchors: p.strapPoints ? strapPoints(p, xs, z, turned) : [],
      motions: p.folds && !folded ? foldMotions(members.slice(rises ? 2 : 1), { x: foldX, z: beamZ }) : [],
      hardware: [
        ...footHardware(foot, 1, null),
        ...(p.build === 'bolted'
          ? throughBolts(
              TRAY_BOLTS.size,
              tongue.heightMm + tray.heightMm,
              TRAY_BOLTS.count * (xs.length + (p.carries === 'bicycles' ? 1 : 0)),
              'trays on the beam',
            )
          : []),
        ...(p.folds ? throughBolts(FOLD_PIN.size, tongue.widthMm + 12, FOLD_PIN.count, 'fold') : []),
        ...(p.antiSway ? throughBolts('M10', tongue.widthMm + 10, 1, 'clamp against sway in the receiver') : []),
        ...(ends ? [{ part: { kind: 'end cap' as const }, quantity: ends, for: 'open tube ends' }] : []),
      ],
      dimensions: dimensionsOf(p, pin, xs, z),
    },
    issues: [
      ...(p.antiSway
        ? []
        : [
            {
              code: 'shape',
              at: ['params', 'antiSway'],
              fix: [{ path: ['params', 'antiSway'], to: true }],
              says: 'A tongue is looser than its receiver: without a clamp against sway it knocks and wears',
            } satisfies Issue,
          ]),
      ...(p.riseMm > 0 && !rises
        ? [
            {
              code: 'shape',
              at: ['params', 'riseMm'],
              fix: [{ path: ['params', 'riseMm'], to: leastRise }],
              says: `A rise of {${p.riseMm}} leaves no room for a riser between tongue and beam: it is drawn level. Make it {${leastRise}} or more`,
            } satisfies Issue,
          ]
        : []),
    ],
  }
}

const strapPoints = (p: CarrierParams, xs: number[], z: number, turned: (v: Vec3) => Vec3): AssemblyAnchor[] =>
  xs.flatMap((x, i) =>
    ([1, -1] as const).map(
      (side): AssemblyAnchor => ({
        id: `strap:${i}:${side > 0 ? 'left' : 'right'}`,
        name: `Strap point ${i + 1}, ${side > 0 ? 'left' : 'right'}`,
        on: `tray:${i}`,
        at: turned({ x, y: side * (p.trayLengthMm / 2 - 60), z }),
        kind: 'loop',
        links: [{ part: 'ring', word: 'maker-rated', holdsN: p.strapPointN, source: 'its maker' }],
      }),
    ),
  )

function dimensionsOf(p: CarrierParams, pin: Vec3, xs: number[], z: number): OwnDimension[] {
  const [first] = xs
  return [
    {
      id: 'first',
      view: 'side',
      axis: 'x',
      side: 'low',
      running: false,
      label: 'pin to tray',
      from: pin,
      to: { ...pin, x: first ?? pin.x },
      edits: { figure: 'first', offsetMm: 0 },
    },
    ...(p.trays > 1
      ? [
          {
            id: 'pitch',
            view: 'side' as const,
            axis: 'x' as const,
            side: 'low' as const,
            running: false,
            label: 'trays',
            from: { ...pin, x: xs[0]! },
            to: { ...pin, x: xs[1]! },
            edits: { figure: 'pitch', offsetMm: 0 },
          },
        ]
      : []),
    {
      id: 'trayLength',
      view: 'rear',
      axis: 'x',
      side: 'low',
      running: false,
      label: 'tray',
      from: { x: xs[0]!, y: p.trayLengthMm / 2, z },
      to: { x: xs[0]!, y: -p.trayLengthMm / 2, z },
      edits: { figure: 'tray', offsetMm: 0 },
    },
  ]
}
