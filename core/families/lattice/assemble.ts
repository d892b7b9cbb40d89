import {
  type Assembly,
  emptyAssembly,
  type Joint,
  type Member,
  type Mount,
  type Notch,
  type OwnDimension,
  type Plate,
} from '../../assembly/assembly'
import { onPlate } from '../../assembly/places'
import { footHardware, throughBolts } from '../../assembly/usualHardware'
import { locatedHoleMm, threads } from '../../boltHoles/boltHoles'
import { footTypes } from '../../catalogue/mounts'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { wallOf } from '../../catalogue/section'
import { leverMm } from '../../fasten/boltGroup'
import { ROWS_APART_MM } from '../../fasten/footPull'
import type { Hole } from '../../geometry/hole'
import { along, cross, minus, type Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import type { Rules } from '../../rules/rules'
import { placedFaces } from '../../sheet/folded'
import { foldedStrip } from '../../sheet/foldedStrip'
import type { MountLine } from '../../vehicle/vehicle'
import type { Site } from '../family'
import { feetOnLine } from '../feetAlong'
import { nameOf, sides } from '../feetOnEdge'
import { sheetOf } from '../foldedParts'
import { lineOf } from '../mountLine'
import { barsSupport, capped, clampedTo, squareCut, straight } from '../parts'
import { faults } from './faults'
import type { LatticeParams } from './params'
import { footMm, type LatticeShape, latticeShape, legBlank } from './shape'

const BOLT = 'M8' as const
/** A leg's two bolts in its bar stand so far apart along it. Shop's own, mm */
const TOP_APART_MM = 36

export function assemble(p: LatticeParams, { vehicle, rules }: Site): { assembly: Assembly; issues: Issue[] } {
  const line = lineOf(p, vehicle)
  if (!line) return { assembly: emptyAssembly, issues: [{ code: 'no_mount_line', at: ['vehicle', 'mounts'], fix: null }] }
  const s = latticeShape(p, line, rules)
  const bars = s.xs.map((x, i) =>
    straight(`bar:${i}`, `B${i + 1}`, 'Crossbar', p.barProfileId, { x, y: s.barHalf, z: s.barZ }, { x, y: -s.barHalf, z: s.barZ }, capped),
  )
  const strips = stripsOf(p, s)
  const band = p.band ? bandOf(p, s) : []
  const mounts = feetOnLine(s.xs, line, s.half, () => '').map((m, i): Mount => ({ ...m, on: legId(Math.floor(i / 2), i % 2 ? -1 : 1) }))
  const legs = s.xs.flatMap((x, i) => sides.map((side) => legPlate(p, s, line, rules, { i, x, side })))
  return {
    assembly: {
      ...emptyAssembly,
      members: [...bars, ...strips, ...band],
      plates: legs.map((l) => l.plate),
      mounts,
      joints: [...legs.map((l) => l.joint), ...crossings(p, s), ...(p.band ? bandJoints(p, s) : []), ...clampedTo(mounts)],
      supports: [
        {
          ...barsSupport({
            id: 'deck',
            name: 'Lattice',
            bodyId: line.bodyId,
            bearings: s.xs.map((x, i) => ({ on: `bar:${i}`, xMm: x, leftMm: s.barHalf, rightMm: -s.barHalf, zMm: s.stripTopZ })),
          }),
        },
      ],
      hardware: [
        ...footHardware(footTypes[line.kind], mounts.length, mounts[0]?.backingMm ?? null, p.thicknessMm),
        ...(p.legs === 'welded'
          ? []
          : throughBolts(
              BOLT,
              p.thicknessMm + (wallOf(profileOf(p.barProfileId).shape) ?? 0),
              2 * legs.length,
              'legs under their bars, from below',
              'rivet nut',
            )),
        { part: { kind: 'end cap' }, quantity: 2 * bars.length, for: 'open tube ends' },
      ],
      dimensions: dimensionsOf(s),
    },
    issues: faults(p, s, line, rules),
  }
}

const legId = (i: number, side: 1 | -1) => `leg:${i}:${nameOf(side)}`

/** One leg on its foot, running in under the end of its bar, and the bolts that hold it there. */
function legPlate(
  p: LatticeParams,
  s: LatticeShape,
  line: MountLine,
  rules: Rules,
  { i, x, side }: { i: number; x: number; side: 1 | -1 },
): { plate: Plate; joint: Joint } {
  const foot = footTypes[line.kind]
  const footHoleMm = foot.drilled ? locatedHoleMm(foot.bolt.size, rules.holeErrorMm) : threads[foot.bolt.size].normalMm
  const ys = foot.boltsPerFoot > 1 ? [-0.5, 0.5].map((k) => p.legWideMm / 2 + k * ROWS_APART_MM) : [p.legWideMm / 2]
  const footHoles = ys.map((y): Hole => ({ at: { x: footMm(p), y }, diameterMm: footHoleMm }))
  const blank = legBlank(p, rules, { foot: footHoles, topMm: p.legs === 'welded' ? null : TOP_APART_MM, topHoleMm: threads[BOLT].normalMm })
  const out: Vec3 = { x: 0, y: 0, z: 1 }
  const runs: Vec3 = { x: 0, y: -side, z: 0 }
  const up = cross(out, runs)
  const place: Vec3 = { x, y: side * s.half(x), z: s.seatZ }
  const pose = { origin: along(along(place, runs, -footMm(p)), up, -p.legWideMm / 2), along: runs, up }
  const strip = foldedStrip({ outline: blank.outline, holes: blank.holes, folds: blank.folds, ...sheetOf(p, rules) })
  const faces = placedFaces(strip.faces, pose)
  const top = faces.filter((f) => !f.bend)[2]
  const found = (top?.holes ?? []).map((h) => along(onPlate(top!, h.at), out, p.thicknessMm))
  const [one, two] = found
  // a leg too short for its folds has no top: it is drawn where that would be, and said
  const at = one && two ? along(one, minus(two, one), 0.5) : along(along(place, runs, s.top.middleMm), out, p.riseMm + p.thicknessMm)
  const rows = one && two ? found : [at, at]
  const bar = profileSection(p.barProfileId)
  return {
    plate: {
      ...{ id: legId(i, side), mark: 'LG', name: 'Leg', materialId: p.materialId, thicknessMm: p.thicknessMm },
      ...{ outline: blank.outline, holes: blank.holes, bends: strip.bends, faces, pose, goodFace: 'down', air: 'board' },
    },
    joint: {
      ...{ id: `joint:${legId(i, side)}`, between: [`bar:${i}`, legId(i, side)], at },
      ...(p.legs === 'welded'
        ? { kind: 'weld', weld: { lengthMm: Math.max(10, s.top.toMm - s.top.fromMm), apartMm: bar.widthMm, allRound: false } }
        : {
            kind: 'bolt',
            bolts: {
              ...{ size: BOLT, count: 2, rows, into: `bar:${i}` },
              apartMm: leverMm({
                at: [-0.5, 0.5].map((k) => ({ x: k * TOP_APART_MM, y: 0 })),
                padXMm: p.topMm,
                padYMm: Math.min(p.legWideMm, bar.widthMm),
              }),
            },
          }),
    },
  }
}

/** Strips from the rear to the front, each notched over every bar. */
function stripsOf(p: LatticeParams, s: LatticeShape): Member[] {
  const wide = profileSection(p.barProfileId).widthMm + p.playMm
  const [rear, front] = stripEnds(p, s)
  // over an end bar with nothing past it the notch is open at the strip's end
  const notches = s.xs.map((x): Notch => {
    const [from, to] = [Math.max(0, x - rear - wide / 2), Math.min(front - rear, x - rear + wide / 2)]
    return { atMm: (from + to) / 2, lengthMm: Math.max(0, to - from), depthMm: p.notchMm, edge: 'under' }
  })
  return s.stripYs.map((y, i) => ({
    ...straight(`strip:${i}`, `S${i + 1}`, 'Strip', p.stripProfileId, { x: rear, y, z: s.stripZ }, { x: front, y, z: s.stripZ }, squareCut),
    notches,
  }))
}
/** Between the band where there is one. mm */
const stripEnds = (p: LatticeParams, s: LatticeShape): [number, number] => {
  const t = p.band ? profileSection(p.bandProfileId).widthMm : 0
  return [s.rearX + t, s.frontX - t]
}

/** Every strip is welded into every bar, on both of its sides. */
const crossings = (p: LatticeParams, s: LatticeShape): Joint[] =>
  s.stripYs.flatMap((y, i) =>
    s.xs.map(
      (x, k): Joint => ({
        id: `weld:${i}:${k}`,
        kind: 'weld',
        between: [`strip:${i}`, `bar:${k}`],
        at: { x, y, z: s.barTopZ },
        weld: {
          lengthMm: profileSection(p.barProfileId).widthMm,
          apartMm: profileSection(p.stripProfileId).widthMm,
          allRound: false,
        },
      }),
    ),
  )

/** Two halves that meet in the middle of the long sides: each bent at two corners, cut long and trimmed at the joint. */
function bandOf(p: LatticeParams, s: LatticeShape): Member[] {
  const t = profileSection(p.bandProfileId).widthMm
  const y = s.barHalf + t / 2
  const mid = s.jointX
  const half = (id: string, mark: string, x: number): Member => ({
    ...{ id, mark, name: 'Edge band', profileId: p.bandProfileId, ends: squareCut },
    path: [
      { x: mid, y, z: s.bandZ },
      { x, y, z: s.bandZ },
      { x, y: -y, z: s.bandZ },
      { x: mid, y: -y, z: s.bandZ },
    ],
    ...(p.cornerMm === null ? {} : { bendRadiiMm: [p.cornerMm, p.cornerMm] }),
  })
  return [half('band:rear', 'EB1', s.rearX + t / 2), half('band:front', 'EB2', s.frontX - t / 2)]
}

function bandJoints(p: LatticeParams, s: LatticeShape): Joint[] {
  const flat = profileSection(p.bandProfileId)
  const t = flat.widthMm
  const y = s.barHalf + t / 2
  const mid = s.jointX
  // how far the band comes down over the end of a bar
  const onBarMm = Math.max(1, Math.min(profileSection(p.barProfileId).heightMm, s.barTopZ - (s.bandZ - flat.heightMm / 2)))
  const strip = profileSection(p.stripProfileId)
  const butt = { weld: { lengthMm: flat.heightMm, apartMm: t, allRound: false } }
  const [rear, front] = stripEnds(p, s)
  return [
    ...sides.map(
      (side): Joint => ({
        id: `weld:band:${nameOf(side)}`,
        kind: 'weld',
        between: ['band:rear', 'band:front'],
        at: { x: mid, y: side * y, z: s.bandZ },
        ...butt,
      }),
    ),
    ...s.xs.flatMap((x, i) =>
      sides.map(
        (side): Joint => ({
          id: `weld:bar:${i}:${nameOf(side)}`,
          kind: 'weld',
          between: [x <= mid ? 'band:rear' : 'band:front', `bar:${i}`],
          at: { x, y: side * s.barHalf, z: s.barTopZ - onBarMm / 2 },
          weld: {
            lengthMm: onBarMm,
            apartMm: profileSection(p.barProfileId).widthMm,
            allRound: false,
          },
        }),
      ),
    ),
    ...s.stripYs.flatMap((yStrip, i) =>
      (
        [
          ['rear', rear],
          ['front', front],
        ] as const
      ).map(
        ([end, x]): Joint => ({
          id: `weld:strip:${i}:${end}`,
          kind: 'weld',
          between: [`band:${end}`, `strip:${i}`],
          at: { x, y: yStrip, z: s.stripZ },
          weld: { lengthMm: strip.heightMm, apartMm: strip.widthMm, allRound: false },
        }),
      ),
    ),
  ]
}

function dimensionsOf(s: LatticeShape): OwnDimension[] {
  const first = s.stripYs[0]!
  return [
    {
      ...{ id: 'length', view: 'plan', axis: 'x', side: 'low', running: false, label: 'over the band' },
      from: { x: s.rearX, y: -s.barHalf, z: s.stripZ },
      to: { x: s.frontX, y: -s.barHalf, z: s.stripZ },
    },
    ...s.stripYs.slice(1).map(
      (y, i): OwnDimension => ({
        ...{ id: `strip:${i + 1}`, view: 'rear', axis: 'x', side: 'high', running: true, ref: `strip:${i + 1}` },
        from: { x: s.rearX, y: first, z: s.stripTopZ },
        to: { x: s.rearX, y, z: s.stripTopZ },
      }),
    ),
    {
      ...{ id: 'rise', view: 'rear', axis: 'y', side: 'low', running: false, label: 'seat to bar' },
      from: { x: s.xs[0]!, y: s.half(s.xs[0]!), z: s.seatZ },
      to: { x: s.xs[0]!, y: s.half(s.xs[0]!), z: s.barZ - (s.barTopZ - s.barZ) },
    },
  ]
}
