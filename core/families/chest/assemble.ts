import { type Assembly, emptyAssembly, type Fitting, type Joint, type Mount, type OwnDimension, type Plate } from '../../assembly/assembly'
import { footHardware } from '../../assembly/usualHardware'
import { footTypes } from '../../catalogue/mounts'
import type { Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import type { Rules } from '../../rules/rules'
import { panFaults } from '../../sheet/folded'
import { mostTabs } from '../../sheet/tabs'
import type { Site } from '../family'
import { letterOf, nameOf, sides } from '../feetOnEdge'
import { floorFaults, floorFootKind, floorOf } from '../floor'
import { foldedPlate, longFirst } from '../foldedParts'
import { clampedTo, faultOf, notYet } from '../parts'
import type { ChestParams } from './params'
import { type ChestShape, chestShape, FLANGE_MM, FOOT_IN_MM } from './shape'

/** Shares and distances of seams and bolts. Shop's own: stitched over four tenths; a bolt each so many mm */
const STITCHED = 0.4
const BOLT_EACH_MM = 150
/** Hinges stand so far in from the lid's ends, as a share of its width. */
const HINGE_IN = 1 / 6

export function assemble(p: ChestParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const floor = floorOf(p, site)
  if (!floor) return notYet('The chest has no floor to stand on: measure the bed, the tray or the van’s floor at Measure')
  const s = chestShape(p, floor, site.rules)
  const plates = s.parts.map((part) =>
    foldedPlate(part, { materialId: p.materialId, thicknessMm: p.thicknessMm }, /^(divider|bearer)/.test(part.id) ? 'sheltered' : 'board'),
  )
  const flats = s.flats.map(
    ({ origin, ...named }): Plate => ({
      ...named,
      ...{ materialId: p.materialId, thicknessMm: p.thicknessMm, holes: [], bends: [], goodFace: 'either', air: 'sheltered' },
      pose: { origin, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 0, z: 1 } },
    }),
  )
  const mounts = feetOf(p, s)
  const joints = jointsOf(p, s)
  const fittings = boughtParts(p, s, site.rules)
  const panel = { longMm: s.insideX, shortMm: (2 * s.bearerY[0]!) / (p.bearers - 1) }
  return {
    assembly: {
      ...emptyAssembly,
      plates: [...plates, ...flats],
      fittings,
      mounts,
      joints: [...joints, ...fittings.flatMap((f) => screwed(p, f)), ...clampedTo(mounts)],
      supports: [
        {
          id: 'inside',
          name: 'Inside the chest',
          kind: 'tray',
          bodyId: floor.bodyId,
          bearings: [0.25, 0.5, 0.75].map((share) => ({
            on: 'body',
            xMm: s.rearX + p.lengthMm * share,
            leftMm: s.insideY / 2,
            rightMm: -s.insideY / 2,
            zMm: s.zMm + p.thicknessMm,
          })),
          surface: null,
          holds: true,
          walkOn: [],
          climbOn: [],
          panels: [
            { part: 'body', name: 'floor between bearers', takes: 'down', ...longFirst(panel.longMm, panel.shortMm) },
            {
              part: 'body',
              name: 'front and back',
              takes: 'along',
              ...longFirst(s.insideY / (p.dividers + 1), s.insideZ),
            },
            { part: 'end:left', name: 'ends', takes: 'aside', ...longFirst(s.insideX, s.insideZ) },
            { part: 'lid', name: 'lid', takes: 'up', ...longFirst(s.insideY, s.insideX) },
          ],
          encloses: {
            room: { x: s.insideX, y: s.insideY / (p.dividers + 1), z: s.insideZ },
            lid: { joints: Array.from({ length: p.latches }, (_, i) => `latch:${i}`) },
          },
        },
      ],
      motions: [
        {
          id: 'lid',
          name: 'Lid',
          kind: 'turn',
          moves: ['lid'],
          axis: { at: { x: s.pin.x, y: 0, z: s.pin.z }, way: { x: 0, y: 1, z: 0 } },
          from: 0,
          to: 100,
          heldBy: p.keyNumber ? `${p.latches} latches, lock with key ${p.keyNumber}` : `${p.latches} latches`,
        },
      ],
      hardware: [
        ...footHardware(footTypes[floorFootKind(floor)], mounts.length, mounts[0]?.backingMm ?? null, p.thicknessMm),
        { part: { kind: 'piano hinge', lengthMm: Math.round(p.widthMm - 40) }, quantity: 1, for: 'lid' },
        { part: { kind: 'latch' }, quantity: p.latches, for: 'lid' },
        ...(p.keyNumber ? [{ part: { kind: 'lock' as const }, quantity: 1, for: `lid, key ${p.keyNumber}` }] : []),
        { part: { kind: 'seal strip', lengthMm: Math.round(2 * (p.lengthMm + p.widthMm)) }, quantity: 1, for: 'rim' },
        ...bolts([...joints, ...fittings.flatMap((f) => screwed(p, f))]),
      ],
      dimensions: dimensionsOf(p, s),
    },
    issues: faults(p, s, site.rules),
  }
}

/** Stitches run along both walls of a bearer; screws stand in its middle, staggered by this, for a socket comes up between its lips. Shop's own, mm */
const STITCHES_APART_MM = 50
const SCREWS_APART_MM = 8

/** Two bolted feet under each outer bearer that the floor's line reaches. */
function feetOf(p: ChestParams, s: ChestShape): Mount[] {
  const kind = floorFootKind(s.floor)
  const half = Math.min(Math.abs(s.floor.from.y), Math.abs(s.floor.to.y))
  const reached = s.bearerY.findIndex((y) => y <= half + 0.5)
  const at = reached < 0 || reached >= p.bearers / 2 ? 0 : reached
  return [s.rearX + FOOT_IN_MM, s.frontX - FOOT_IN_MM].flatMap((x, i) =>
    sides.map((side): Mount => {
      const bearer = side > 0 ? at : p.bearers - 1 - at
      return {
        id: `foot:${i}:${nameOf(side)}`,
        mark: `F${i + 1}${letterOf(side)}`,
        kind,
        placeId: s.floor.id,
        bodyId: s.floor.bodyId,
        on: `bearer:${bearer}`,
        side: nameOf(side),
        place: { x, y: s.bearerY[bearer]!, z: s.floor.to.z },
        normal: { x: 0, y: 0, z: 1 },
        massKg: footTypes[kind].massKg,
        backingMm: footTypes[kind].drilled ? 50 : null,
        via: null,
      }
    }),
  )
}

function jointsOf(p: ChestParams, s: ChestShape): Joint[] {
  const midX = (s.rearX + s.frontX) / 2
  const seam = (lengthMm: number, apartMm: number, rows: Vec3[], into?: string): Pick<Joint, 'kind' | 'weld' | 'bolts'> =>
    p.build !== 'bolted'
      ? { kind: 'weld', weld: { lengthMm: lengthMm * STITCHED, apartMm, allRound: false, legMm: p.thicknessMm } }
      : {
          kind: 'bolt',
          bolts: { size: 'M6', count: 2 * Math.max(2, Math.ceil(lengthMm / BOLT_EACH_MM)), apartMm, rows, ...(into ? { into } : {}) },
        }
  // on the flanges of what stands in the body: against its front, its back and its floor; into rivet nuts there, for under the floor may be a bearer
  const t = p.thicknessMm
  const onFlanges = (y: number): Vec3[] => [
    { x: s.frontX - t, y, z: s.zMm + p.heightMm / 2 },
    { x: s.rearX + t, y, z: s.zMm + p.heightMm / 2 },
    { x: midX, y, z: s.zMm + t },
  ]
  const inward = t + FLANGE_MM / 2
  const rim = s.topMm
  const hinges = hingeY(p).map(
    (y, i): Joint => ({
      id: `hinge:${i}`,
      kind: 'hinge',
      between: ['lid', 'body'],
      at: { x: s.pin.x, y, z: s.pin.z },
      axis: { x: 0, y: 1, z: 0 },
      bolts: { size: 'M6', count: Math.max(2, Math.round(p.widthMm / 300)) },
    }),
  )
  const latches = latchY(p).map(
    (y, i): Joint => ({
      id: `latch:${i}`,
      kind: 'latch',
      between: ['lid', 'body'],
      at: { x: s.rearX, y, z: rim },
      rated: { holdsN: p.latchN, by: 'maker of the latch', what: 'what its maker lets the latch hold' },
    }),
  )
  return [
    ...sides.map(
      (side): Joint => ({
        id: `seam:end:${nameOf(side)}`,
        between: [`end:${nameOf(side)}`, 'body'],
        at: { x: midX, y: side * (p.widthMm / 2), z: s.zMm + p.heightMm / 2 },
        ...seam(s.insideZ, s.insideX, onFlanges(side * (p.widthMm / 2 - inward)), 'body'),
      }),
    ),
    ...s.dividerY.map(
      (y, i): Joint => ({
        id: `seam:divider:${i}`,
        between: [`divider:${i}`, 'body'],
        at: { x: midX, y, z: s.zMm + p.heightMm / 2 },
        ...seam(s.insideZ, s.insideX, onFlanges(y + t / 2 - inward), 'body'),
      }),
    ),
    ...s.bearerY.map(
      (y, i): Joint => ({
        id: `seam:bearer:${i}`,
        between: [`bearer:${i}`, 'body'],
        at: { x: midX, y, z: s.zMm },
        ...seam(
          p.lengthMm,
          p.build !== 'bolted' ? STITCHES_APART_MM : SCREWS_APART_MM,
          [-1, 1].map((k) => ({ x: midX, y: y + (k * SCREWS_APART_MM) / 2, z: s.zMm })),
        ),
      }),
    ),
    ...hinges,
    ...latches,
  ]
}

/** Hinge and latches, drawn and weighed on the body that they are screwed to; what holds the lid is in the joints between the two. */
function boughtParts(p: ChestParams, s: ChestShape, rules: Rules): Fitting[] {
  const fitting = (id: string, mark: string, name: string, massKg: number, middle: Vec3, size: Vec3): Fitting => ({
    id,
    mark,
    name,
    massKg,
    at: middle,
    middle,
    size,
    unknown: [],
    // their price stands with the small parts
    priceMinor: 0,
    there: false,
  })
  const longMm = p.widthMm - 40
  return [
    fitting(
      'hinge',
      'HI',
      'Piano hinge',
      (rules.hingeKgM * longMm) / 1000,
      // one leaf on the body below the skirt, on a strip as thick as the skirt stands off
      { x: (s.frontX + s.pin.x) / 2, y: 0, z: s.pin.z - 12 },
      { x: s.pin.x - s.frontX, y: longMm, z: 24 },
    ),
    ...latchY(p).map((y, i) =>
      fitting(`catch:${i}`, 'LT', 'Latch', rules.latchKg, { x: s.rearX - 10, y, z: s.topMm - 30 }, { x: 20, y: 45, z: 90 }),
    ),
  ]
}

/** A latch on four screws about its middle; the hinge on as many, where its leaf carries the lid. */
const screwed = (p: ChestParams, f: Fitting): Joint[] => {
  const on = (id: string, y: number, count: number): Joint => ({
    id,
    kind: 'bolt',
    between: [f.id, 'body'],
    at: { ...f.middle, y },
    bolts: { size: 'M6', count, apartMm: 30 },
  })
  return f.id === 'hinge' ? hingeY(p).map((y, i) => on(`screws:${f.id}:${i}`, y, 2)) : [on(`screws:${f.id}`, f.middle.y, 4)]
}

/** Where the hinge takes hold of the lid, from the right. mm */
const hingeY = (p: ChestParams): number[] => [-1, 1].map((side) => side * p.widthMm * (0.5 - HINGE_IN))

/** Where the latches stand across the chest, from the left. mm */
const latchY = (p: ChestParams): number[] =>
  Array.from({ length: p.latches }, (_, i) => (p.latches === 1 ? 0 : p.widthMm * (0.5 - HINGE_IN) * (1 - (2 * i) / (p.latches - 1))))

const bolts = (joints: Joint[]): Assembly['hardware'] => {
  const sum = (of: Joint[]) => of.reduce((n, j) => n + (j.bolts?.count ?? 0), 0)
  const [count, blind] = [sum(joints), sum(joints.filter((j) => j.bolts?.into))]
  return [
    { part: { kind: 'bolt', size: 'M6', lengthMm: 16 }, quantity: count, for: 'hinge, latches and flanges' },
    { part: { kind: 'lock nut', size: 'M6' }, quantity: count - blind, for: 'hinge, latches and flanges' },
    ...(blind ? [{ part: { kind: 'rivet nut' as const, size: 'M6' as const }, quantity: blind, for: 'ends and dividers' }] : []),
  ]
}

function dimensionsOf(p: ChestParams, s: ChestShape): OwnDimension[] {
  const y = -p.widthMm / 2
  return [
    {
      id: 'length',
      view: 'plan',
      axis: 'x',
      side: 'low',
      running: false,
      label: 'chest',
      from: { x: s.rearX, y, z: s.zMm },
      to: { x: s.frontX, y, z: s.zMm },
      edits: { figure: 'length', offsetMm: 0 },
    },
    {
      id: 'width',
      view: 'plan',
      axis: 'y',
      side: 'low',
      running: false,
      label: 'chest, outside',
      from: { x: s.rearX, y: -y, z: s.zMm },
      to: { x: s.rearX, y, z: s.zMm },
      edits: { figure: 'width', offsetMm: 0 },
    },
    {
      id: 'height',
      view: 'rear',
      axis: 'y',
      side: 'low',
      running: false,
      label: 'floor to rim',
      from: { x: s.rearX, y: -y, z: s.zMm },
      to: { x: s.rearX, y: -y, z: s.topMm },
      edits: { figure: 'height', offsetMm: 0 },
    },
  ]
}

function faults(p: ChestParams, s: ChestShape, rules: Rules): Issue[] {
  const seen = new Set<string>()
  const folds = s.parts.flatMap((part) =>
    panFaults(part.pan, { leastFlangeT: rules.leastFlangeT, leastRadiusT: rules.leastRadiusT }).flatMap((says) => {
      const name = part.name.split(':')[0]!
      if (seen.has(name + says)) return []
      seen.add(name + says)
      return [faultOf('thicknessMm', `${name}: ${says}`)]
    }),
  )
  return [
    ...floorFaults('chest', { lengthMm: p.lengthMm, widthMm: p.widthMm, rearX: s.rearX, frontMm: p.frontMm }, s.floor),
    ...((2 * s.bearerY[0]!) / (p.bearers - 1) < 65 ? [faultOf('bearers', 'The bearers have no room side by side: fewer')] : []),
    ...(s.flats.length && !s.tabsMm.length
      ? [
          faultOf(
            'tabs',
            `So many tabs have no room along a divider: ${mostTabs(s.tabEdgeMm, p.tabMm)} of that length at most, or shorter ones`,
          ),
        ]
      : []),
    ...folds,
  ]
}
