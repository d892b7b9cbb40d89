import {
  type Assembly,
  emptyAssembly,
  type Hardware,
  type Joint,
  type Mount,
  type OwnDimension,
  type Plate,
  type Support,
} from '../../assembly/assembly'
import { throughBolts } from '../../assembly/usualHardware'
import { boltLengthMm } from '../../catalogue/bolts'
import { footTypes } from '../../catalogue/mounts'
import { edgeOfHole, type Hole, mirroredHole } from '../../geometry/hole'
import type { Point, Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import type { Rules } from '../../rules/rules'
import { placedFaces } from '../../sheet/folded'
import { foldedStrip } from '../../sheet/foldedStrip'
import type { Site } from '../family'
import { sheetOf } from '../foldedParts'
import { clampedTo, faultOf, notYet } from '../parts'
import type { PanelParams } from './params'
import {
  EDGE_D,
  jogFits,
  MOST_SLOTS,
  openAt,
  outlineOf,
  type PanelPart,
  type PanelShape,
  panelShape,
  runTogether,
  SEAM_BOLT,
  SEAM_HOLE_MM,
  seamOf,
  WASHER_OVER_MM,
} from './shape'
import { before, facing, type Wall, wallOf } from './wall'

const UP: Vec3 = { x: 0, y: 0, z: 1 }
/** Sheet of a rib that a screw is bought for before anybody has measured it. Shop's own, mm */
const RIB_MM = 1.5

export function assemble(p: PanelParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const wall = wallOf(p, site)
  if (!wall) return notYet('The panel has no wall to stand before: measure the van’s inside with its ribs, or the cab, at Measure')
  const s = panelShape(p, wall, site.rules)
  const names = s.parts.map((_, i) => (s.parts.length > 1 ? `panel:${i}` : 'panel'))
  const plates = [
    ...s.parts.map((part, i) => plateOf(p, wall, site.rules, part, { id: names[i]!, mark: s.parts.length > 1 ? `PN${i + 1}` : 'PN' })),
    ...(s.strap ? [strapPlate(p, wall, s.strap)] : []),
  ]
  const mounts = s.screws.map((_, i) => screwOf(p, wall, s, names, i))
  return {
    assembly: {
      ...emptyAssembly,
      plates,
      mounts,
      joints: [...seamJoints(p, wall, s, names), ...clampedTo(mounts)],
      supports: s.parts.map((_, i) => fieldOf(p, wall, s, names, i)),
      hardware: hardwareOf(p, s, mounts),
      dimensions: dimensionsOf(p, wall),
    },
    issues: faults(p, wall, s, site.rules),
  }
}

/** Mirrored where its own x runs against the wall's way: the drawing of a left and of a right one are each as it is seen from inside. */
function plateOf(p: PanelParams, wall: Wall, rules: Rules, part: PanelPart, named: { id: string; mark: string }): Plate {
  const { x, flip } = facing(wall)
  const widthMm = Math.max(...part.outline.map((q) => q.x))
  const outline = part.outline.map((q): Point => (flip ? { x: widthMm - q.x, y: q.y } : q))
  const holes = part.holes.map((h): Hole => (flip ? mirroredHole(h, widthMm / 2) : h))
  const folds = part.folds.map((f) => ({ ...f, atMm: flip ? widthMm - f.atMm : f.atMm }))
  const jog = part.folds.length > 0
  const endMm = part.startMm + (jog ? p.lengthMm - part.startMm : widthMm)
  // its first face: on the other part where it laps over that, but of a jog the one that lies beside it
  const outMm = p.standOffMm + (part.over && !(jog && flip) ? p.thicknessMm : 0)
  const pose = { origin: before(wall, p.fromMm + (flip ? endMm : part.startMm), p.lowMm, outMm), along: x, up: UP }
  const made = folds.length ? foldedStrip({ outline, holes, folds, ...sheetOf(p, rules) }) : null
  return {
    ...named,
    name: part.startMm > 0 ? 'Panel, second part' : p.split === 'one' ? 'Panel' : 'Panel, first part',
    materialId: p.materialId,
    thicknessMm: p.thicknessMm,
    outline,
    holes,
    bends: made?.bends ?? [],
    ...(made ? { faces: placedFaces(made.faces, pose) } : {}),
    pose,
    goodFace: 'up',
    air: wall.place.kind === 'cab wall' ? 'board' : 'sheltered',
  }
}

function strapPlate(p: PanelParams, wall: Wall, strap: NonNullable<PanelShape['strap']>): Plate {
  const { x, flip } = facing(wall)
  const widthMm = 2 * p.lapMm
  const turn = (q: Point): Point => (flip ? { x: widthMm - q.x, y: q.y } : q)
  return {
    id: 'strap',
    mark: 'SS',
    name: 'Strip behind the seam',
    materialId: p.materialId,
    thicknessMm: p.thicknessMm,
    outline: strap.outline.map(turn),
    holes: strap.holes.map((h) => ({ ...h, at: turn(h.at) })),
    bends: [],
    pose: {
      origin: before(wall, p.fromMm + strap.startMm + (flip ? widthMm : 0), p.lowMm + strap.lowMm, p.standOffMm - p.thicknessMm),
      along: x,
      up: UP,
    },
    goodFace: 'either',
    air: 'sheltered',
  }
}

/** How far a spacer keeps a screw's part off the body: the gap as it was measured at that row, and the other part where it laps over that. mm */
const spacerMm = (p: PanelParams, s: PanelShape, i: number): number => {
  const { row, part } = s.screws[i]!
  const gap = p.gapsMm[Math.min(row, p.gapsMm.length - 1)] ?? p.standOffMm
  return gap + (s.parts[part]?.over && p.split === 'overlap' ? p.thicknessMm : 0)
}

function screwOf(p: PanelParams, wall: Wall, s: PanelShape, names: string[], i: number): Mount {
  const { at, part } = s.screws[i]!
  const gap = spacerMm(p, s, i)
  const plane = p.standOffMm + (s.parts[part]?.over && p.split === 'overlap' ? p.thicknessMm : 0)
  return {
    id: `screw:${i}`,
    mark: `S${i + 1}`,
    kind: 'rivet nut',
    placeId: wall.place.id,
    bodyId: wall.place.bodyId,
    on: names[part]!,
    side: wall.place.side,
    place: before(wall, p.fromMm + at.x, p.lowMm + at.y, plane - gap),
    normal: wall.out,
    massKg: footTypes['rivet nut'].massKg,
    backingMm: null,
    via: null,
    offMm: s.offMm,
    spacerMm: gap,
  }
}

/** Bolts of the seam, put in on the bench: through both parts, or through each and the strip behind, into rivet nuts in what lies behind. */
function seamJoints(p: PanelParams, wall: Wall, s: PanelShape, names: string[]): Joint[] {
  return s.seam.map((q, i): Joint => {
    const first = q.x < p.splitMm
    const [front, back] = s.strap ? [first ? names[0]! : names[1]!, 'strap'] : [names[1]!, names[0]!]
    return {
      id: `seam:${i}`,
      kind: 'bolt',
      between: [front, back],
      at: before(wall, p.fromMm + q.x, p.lowMm + q.y, p.standOffMm + (s.strap ? 0 : p.thicknessMm)),
      bolts: { size: SEAM_BOLT, count: 1, into: back },
    }
  })
}

/** Things hang on its slots: a line out of it over each column of screws. */
function fieldOf(p: PanelParams, wall: Wall, s: PanelShape, names: string[], i: number): Support {
  const part = s.parts[i]!
  const from = part.startMm
  const to = i === s.parts.length - 1 ? p.lengthMm : s.parts[i + 1]!.startMm
  const mine = s.columnsMm.filter((x) => x >= from - 0.5 && x <= to + 0.5)
  const columns = mine.length > 1 ? mine : [from + (to - from) * 0.2, from + (to - from) * 0.8]
  const ends = (x: number) =>
    [0, p.reachMm].map((out) => before(wall, p.fromMm + x, p.lowMm + p.heightMm / 2, p.standOffMm + p.thicknessMm + out))
  const lines = wall.place.kind === 'cab wall' ? across(ends(columns[0]!), ends(columns[columns.length - 1]!)) : columns.map(ends)
  return {
    id: s.parts.length > 1 ? `field:${i}` : 'field',
    name: s.parts.length > 1 ? `${i ? 'Second' : 'First'} part of the panel` : 'Panel',
    kind: 'slot',
    bodyId: wall.place.bodyId,
    bearings: lines.map(([a, b]) => ({
      on: names[i]!,
      xMm: a!.x,
      leftMm: Math.max(a!.y, b!.y),
      rightMm: Math.min(a!.y, b!.y),
      zMm: a!.z,
    })),
    surface: null,
    holds: false,
    asked: true,
    walkOn: [],
    climbOn: [],
    ratedKg: { value: p.hangKg, source: 'the shop’s own trial of what hangs on it', own: true },
  }
}
/** Before a wall that stands across the vehicle the lines run along it: at the panel, and as far out as things stand. */
const across = (first: Vec3[], last: Vec3[]): Vec3[][] => first.map((a, k) => [a, last[k]!])

function hardwareOf(p: PanelParams, s: PanelShape, mounts: Mount[]): Hardware[] {
  const { bolt, name } = footTypes['rivet nut']
  const each = new Map<number, number>()
  for (const m of mounts) each.set(m.spacerMm ?? 0, (each.get(m.spacerMm ?? 0) ?? 0) + 1)
  const use = name.toLowerCase()
  return [
    ...[...each].flatMap(([gap, quantity]): Hardware[] => [
      {
        part: { kind: 'bolt', size: bolt.size, lengthMm: boltLengthMm(bolt.size, p.thicknessMm + gap + RIB_MM) },
        quantity,
        for: `${use}, for a rib up to {g ${RIB_MM}}`,
        foot: 'rivet nut',
      },
      ...(gap > 0 ? [{ part: { kind: 'spacer' as const, size: bolt.size, lengthMm: gap }, quantity, for: 'behind the panel' }] : []),
    ]),
    ...(mounts.length
      ? [
          { part: { kind: 'rivet nut' as const, size: bolt.size }, quantity: mounts.length, for: use, foot: 'rivet nut' as const },
          {
            part: { kind: 'wide washer' as const, size: bolt.size, acrossMm: p.washerMm },
            quantity: mounts.length,
            for: 'over the holes of the panel',
          },
        ]
      : []),
    ...(s.seam.length ? throughBolts(SEAM_BOLT, 2 * p.thicknessMm, s.seam.length, 'seam of the panel', 'rivet nut') : []),
  ]
}

function dimensionsOf(p: PanelParams, wall: Wall): OwnDimension[] {
  const cab = wall.place.kind === 'cab wall'
  const at = (x: number, up: number) => before(wall, p.fromMm + x, up, p.standOffMm)
  const view = cab ? ('rear' as const) : ('side' as const)
  const level = (id: string, label: string, from: Vec3, to: Vec3, figure: string): OwnDimension => ({
    ...{ id, view, axis: 'x', side: 'low', running: false, label, from, to },
    edits: { figure, offsetMm: 0 },
  })
  return [
    level('length', 'panel', at(0, p.lowMm), at(p.lengthMm, p.lowMm), 'length'),
    ...(p.split === 'one' ? [] : [level('split', 'to the seam', at(0, p.lowMm), at(p.splitMm, p.lowMm), 'split')]),
    {
      ...{ id: 'height', view, axis: 'y', side: 'high', running: false, label: 'panel' },
      from: at(p.lengthMm, p.lowMm),
      to: at(p.lengthMm, p.lowMm + p.heightMm),
      edits: { figure: 'height', offsetMm: 0 },
    },
  ]
}

function faults(p: PanelParams, wall: Wall, s: PanelShape, rules: Rules): Issue[] {
  const round = (mm: number) => Math.round(mm)
  const lap = seamOf(p)
  const inLap = lap ? s.columnsMm.find((x) => x > lap[0]! - p.edgeMm && x < lap[1]! + p.edgeMm) : undefined
  const spanMm = s.screwHole.diameterMm
  const stations = [
    ...new Set([0, p.lengthMm, ...[p.topMm, p.bottomMm].flatMap((o) => o.map((_, i) => (p.lengthMm * i) / Math.max(1, o.length - 1)))]),
  ]
  const outline = outlineOf(p, facing(wall).flip)
  const thin = p.drawn ? undefined : stations.find((x) => openAt(outline, x).high - openAt(outline, x).low < 2 * p.edgeMm)
  const perPart = s.parts.map((_, i) => s.screws.filter((w) => w.part === i).length)
  return [
    ...(p.fromMm + p.lengthMm > wall.lengthMm + 0.5
      ? [faultOf('lengthMm', `The panel runs past its wall: {${Math.max(0, round(wall.lengthMm - p.fromMm))}} at most`)]
      : []),
    ...(wall.heightMm !== null && p.lowMm + p.heightMm > wall.heightMm + 0.5
      ? [faultOf('heightMm', `The panel is higher than the room inside: {${Math.max(0, round(wall.heightMm - p.lowMm))}} at most`)]
      : []),
    ...(wall.ribsMm && s.columnsMm.length < 2
      ? [
          faultOf(
            'lengthMm',
            `The panel reaches ${s.columnsMm.length ? 'one rib' : 'no rib'} with room for its screws: longer, or further along`,
          ),
        ]
      : []),
    ...(thin === undefined ? [] : [faultOf('topMm', `Nothing is left of the panel {${round(thin)}} from its first edge: less taken off`)]),
    ...(perPart.some((n) => n < 3) && s.columnsMm.length > 1
      ? [faultOf('rows', `Each part is held by three screws at least${p.split === 'one' ? '' : ': move the seam or add a row'}`)]
      : []),
    ...(p.split !== 'one' &&
    (p.splitMm + p.lapMm + 2 * p.edgeMm > p.lengthMm || (p.split === 'strap' && p.splitMm < p.lapMm + 2 * p.edgeMm))
      ? [
          faultOf(
            'splitMm',
            `The seam leaves too little of one part: {${round(p.lengthMm - p.lapMm - 2 * p.edgeMm)}} from the first edge at most`,
          ),
        ]
      : []),
    ...edgeFaults(p, s),
    ...(inLap === undefined
      ? []
      : [
          faultOf(
            'splitMm',
            `The rib {${round(inLap)}} from the first edge lies in the seam: its screws would pass both parts. Move the seam`,
          ),
        ]),
    ...(p.split === 'strap' && p.standOffMm < p.thicknessMm + 2
      ? [faultOf('standOffMm', `No room behind the panel for the strip of its seam: {g ${p.thicknessMm + 2}} or more`)]
      : []),
    ...(p.split === 'jog' && !jogFits(p, rules)
      ? [faultOf('split', 'The inside radius is too large for a jog of one thickness: lap it over, or put a strip behind')]
      : []),
    ...(p.washerMm < spanMm + 2 * WASHER_OVER_MM
      ? [
          faultOf(
            'washerMm',
            `A washer of {g ${p.washerMm}} does not cover a hole of {g ${round(spanMm * 10) / 10}}: {g ${Math.ceil(spanMm + 2 * WASHER_OVER_MM)}} or more`,
          ),
        ]
      : []),
    ...fieldFaults(p, s),
  ]
}

/** Holes too near an edge, and cut-outs of a drawing that the seam would cut through. */
function edgeFaults(p: PanelParams, s: PanelShape): Issue[] {
  const { diameterMm, slot } = s.screwHole
  const leastMm = EDGE_D * diameterMm + (slot ? (slot.lengthMm - diameterMm) / 2 : 0)
  const edge =
    p.edgeMm < leastMm - 1e-9
      ? [faultOf('edgeMm', `Holes of {g ${Math.round(diameterMm * 10) / 10}} stand too near the edge: {${Math.ceil(leastMm)}} or more`)]
      : []
  const seam = seamOf(p)
  if (!seam) return edge
  const lines = p.split === 'strap' ? 2 : 1
  const leastLapMm = 2 * EDGE_D * SEAM_HOLE_MM.back
  const through = s.cutOuts.find((h) => {
    const xs = edgeOfHole(h).map((q) => q.x)
    return Math.min(...xs) < seam[1] && Math.max(...xs) > seam[0]
  })
  return [
    ...edge,
    ...(p.lapMm < leastLapMm
      ? [faultOf('lapMm', `The bolts of the seam stand too near its edge: {${Math.ceil(leastLapMm)}} or more`)]
      : []),
    ...(s.seam.length < p.seamBolts * lines
      ? [
          faultOf(
            'seamBolts',
            s.seam.length < 2 * lines
              ? 'The seam has no room for two bolts where it lies: move it'
              : `The seam has room for ${Math.floor(s.seam.length / lines)} bolts one above another where it lies: fewer, or move it`,
          ),
        ]
      : []),
    ...(through
      ? [faultOf('splitMm', `The seam cuts through what is cut out {${Math.round(through.at.x)}} from the first edge: move it`)]
      : []),
  ]
}

function fieldFaults(p: PanelParams, s: PanelShape): Issue[] {
  if (p.slotMm <= 0 || s.slots > 0) return []
  const least = (mm: number) => `{${Math.ceil(mm + 2 * p.thicknessMm)}} or more`
  const near = runTogether(p)
  if (near === 'slots') return [faultOf('pitchMm', `The slots run into one another: ${least(p.slotMm)} from one to the next`)]
  if (near === 'rows') return [faultOf('rowPitchMm', `The rows of slots run into one another: ${least(p.slotWideMm)}`)]
  if ((p.lengthMm / p.pitchMm) * (p.heightMm / p.rowPitchMm) > MOST_SLOTS)
    return [faultOf('pitchMm', `More than ${MOST_SLOTS} slots would be cut: set them farther apart`)]
  return [faultOf('slotMm', 'No slot has room beside screws and edges: shorter slots, or a smaller margin')]
}
