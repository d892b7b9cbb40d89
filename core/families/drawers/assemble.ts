import { type Assembly, emptyAssembly, type Fitting, type Joint, type Motion, type Mount, type Support } from '../../assembly/assembly'
import { footHardware, throughBolts } from '../../assembly/usualHardware'
import { footTypes } from '../../catalogue/mounts'
import { sectionOf } from '../../catalogue/section'
import type { Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import type { Place } from '../../places/places'
import { G_M_S2 } from '../../quantity/units'
import type { Rules } from '../../rules/rules'
import { panFaults } from '../../sheet/folded'
import type { Site } from '../family'
import { sides } from '../feetOnEdge'
import { floorFaults, floorFootKind, floorOf } from '../floor'
import { foldedPlate, longFirst, type PanPart, sheetOf } from '../foldedParts'
import { clampedTo, faultOf, notYet } from '../parts'
import type { DrawersParams } from './params'

/** Skirt of the deck, flanges of a partition, air over a drawer and behind it, width of a rib. Shop's own, mm */
const SKIRT_MM = 30
const FLANGE_MM = 25
const AIR_MM = 8
const RIB_WIDE_MM = 40
const FOOT_IN_MM = 60
/** A slide is drawn so high. mm */
const SLIDE_MM = 45

export type DrawersShape = {
  floor: Place
  rearX: number
  frontX: number
  zMm: number
  topMm: number
  /** clear width of a bay, and the middle of each */
  bayMm: number
  bayY: number[]
  drawerMm: { x: number; y: number; z: number }
  ribX: number[]
}

export function drawersShape(p: DrawersParams, floor: Place): DrawersShape {
  const t = p.thicknessMm
  const frontX = Math.max(floor.from.x, floor.to.x) - p.frontMm
  const rearX = frontX - p.lengthMm
  const zMm = floor.to.z
  const bayMm = (p.widthMm - 2 * t - (p.count - 1) * t) / p.count
  const bayY = Array.from({ length: p.count }, (_, i) => p.widthMm / 2 - t - bayMm / 2 - i * (bayMm + t))
  return {
    floor,
    rearX,
    frontX,
    zMm,
    topMm: zMm + p.heightMm,
    bayMm,
    bayY,
    drawerMm: { x: p.lengthMm - 3 * t - AIR_MM, y: bayMm - 2 * p.slideGapMm, z: p.heightMm - 2 * t - 3 * AIR_MM - p.ribMm },
    // the first lies under the rear edge, which nothing else holds; the front one hangs on the back
    ribX: Array.from({ length: p.ribs }, (_, i) => rearX + t + RIB_WIDE_MM / 2 + ((p.lengthMm - t - RIB_WIDE_MM / 2) * i) / p.ribs),
  }
}

const X: Vec3 = { x: 1, y: 0, z: 0 }
const Y: Vec3 = { x: 0, y: 1, z: 0 }
const Z: Vec3 = { x: 0, y: 0, z: 1 }

function partsOf(p: DrawersParams, s: DrawersShape, rules: Rules): PanPart[] {
  const t = p.thicknessMm
  const sheet = sheetOf(t, rules.kFactor)
  const half = p.widthMm / 2
  const flange = { lengthMm: FLANGE_MM }
  const wall = { lengthMm: p.heightMm }
  const off = t + 1
  const { drawerMm: d } = s
  const tray = { lengthMm: d.z }
  return [
    {
      id: 'carcass',
      mark: 'CA',
      name: 'Carcass: floor, sides and back',
      pan: { ...sheet, lengthMm: p.lengthMm, widthMm: p.widthMm, flanges: { 'y+': wall, 'y-': wall, 'x+': wall } },
      pose: { origin: { x: s.rearX, y: -half, z: s.zMm }, along: X, up: Y },
    },
    ...s.bayY.slice(1).map(
      (y, i): PanPart => ({
        id: `partition:${i}`,
        mark: 'PA',
        name: 'Partition',
        pan: { ...sheet, lengthMm: p.lengthMm - t - 2, widthMm: p.heightMm - t - 1, flanges: { 'y-': flange, 'y+': flange } },
        pose: { origin: { x: s.rearX, y: y + s.bayMm / 2 + t, z: s.zMm + t }, along: X, up: Z },
      }),
    ),
    {
      id: 'deck',
      mark: 'DK',
      name: 'Deck',
      pan: {
        ...sheet,
        lengthMm: p.widthMm + 2 * off,
        widthMm: p.lengthMm + off,
        flanges: { 'x+': { lengthMm: SKIRT_MM }, 'x-': { lengthMm: SKIRT_MM }, 'y+': { lengthMm: SKIRT_MM } },
      },
      pose: { origin: { x: s.rearX, y: -half - off, z: s.topMm + t + 1 }, along: Y, up: X },
    },
    ...s.ribX.flatMap((x, i) =>
      s.bayY.map(
        (y, k): PanPart => ({
          id: `rib:${i}:${k}`,
          mark: 'RB',
          name: 'Rib under the deck',
          pan: {
            ...sheet,
            lengthMm: RIB_WIDE_MM,
            widthMm: s.bayMm - 2,
            flanges: { 'x+': { lengthMm: p.ribMm }, 'x-': { lengthMm: p.ribMm } },
          },
          // open downwards, its back against the deck
          pose: { origin: { x: x - RIB_WIDE_MM / 2, y: y + s.bayMm / 2 - 1, z: s.topMm + 1 }, along: X, up: { x: 0, y: -1, z: 0 } },
        }),
      ),
    ),
    ...s.bayY.map(
      (y, i): PanPart => ({
        id: `drawer:${i}`,
        mark: 'DR',
        name: 'Drawer',
        pan: { ...sheet, lengthMm: d.x, widthMm: d.y, flanges: { 'x+': tray, 'x-': tray, 'y+': tray, 'y-': tray } },
        pose: { origin: { x: s.rearX + t, y: y - d.y / 2, z: s.zMm + t + AIR_MM }, along: X, up: Y },
      }),
    ),
    ...s.bayY.map(
      (y, i): PanPart => ({
        id: `front:${i}`,
        mark: 'FP',
        name: 'Front of a drawer',
        pan: { ...sheet, lengthMm: s.bayMm - 4, widthMm: p.heightMm - t - 2, flanges: {} },
        pose: { origin: { x: s.rearX, y: y - s.bayMm / 2 + 2, z: s.zMm + t + 1 }, along: Y, up: Z },
      }),
    ),
  ]
}

export function assemble(p: DrawersParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const floor = floorOf(p, site)
  if (!floor) return notYet('The drawers have no floor to stand on: measure the bed, the tray or the van’s floor at Measure')
  const s = drawersShape(p, floor)
  const parts = partsOf(p, s, site.rules)
  const plates = parts.map((part) =>
    foldedPlate(
      part,
      { materialId: p.materialId, thicknessMm: p.thicknessMm },
      /^(rib|drawer|partition)/.test(part.id) ? 'sheltered' : 'board',
    ),
  )
  const mounts = feetOf(p, s)
  const joints = jointsOf(p, s)
  const bolted = joints.reduce((n, j) => n + (j.bolts?.count ?? 0), 0)
  return {
    assembly: {
      ...emptyAssembly,
      plates,
      fittings: slidesOf(p, s),
      mounts,
      joints: [...joints, ...clampedTo(mounts)],
      supports: [deckOf(p, s), ...s.bayY.map((_, i) => trayOf(p, s, i))],
      motions: s.bayY.map(
        (_, i): Motion => ({
          id: `drawer:${i}`,
          name: `Drawer ${i + 1}`,
          kind: 'slide',
          moves: [`drawer:${i}`, `front:${i}`, `slide:${i}:0`, `slide:${i}:1`],
          axis: { at: { x: s.rearX, y: s.bayY[i]!, z: s.zMm }, way: { x: -1, y: 0, z: 0 } },
          from: 0,
          to: Math.min(p.travelMm, s.drawerMm.x),
          heldBy: 'its lock',
          pulledOut: { supportId: `tray:${i}` },
        }),
      ),
      hardware: [
        ...footHardware(footTypes[floorFootKind(floor)], mounts.length, mounts[0]?.backingMm ?? null, p.thicknessMm),
        { part: { kind: 'drawer slide', lengthMm: Math.round(s.drawerMm.x) }, quantity: 2 * p.count, for: 'a pair to each drawer' },
        { part: { kind: 'latch' }, quantity: p.count, for: 'lock of each drawer' },
        ...throughBolts('M6', 2 * p.thicknessMm, bolted, 'deck, ribs and fronts'),
      ],
      dimensions: [
        {
          id: 'length',
          view: 'plan',
          axis: 'x',
          side: 'low',
          running: false,
          label: 'drawers',
          from: { x: s.rearX, y: -p.widthMm / 2, z: s.zMm },
          to: { x: s.frontX, y: -p.widthMm / 2, z: s.zMm },
          edits: { figure: 'length', offsetMm: 0 },
        },
        {
          id: 'height',
          view: 'rear',
          axis: 'y',
          side: 'low',
          running: false,
          label: 'floor to deck',
          from: { x: s.rearX, y: p.widthMm / 2, z: s.zMm },
          to: { x: s.rearX, y: p.widthMm / 2, z: s.topMm },
          edits: { figure: 'height', offsetMm: 0 },
        },
      ],
    },
    issues: faults(p, s, parts, site.rules),
  }
}

const noPeople = { holds: false, walkOn: [], climbOn: [], surface: null }

/** Things lie on the deck as on bars: a line over each rib, or over its two ends. */
function deckOf(p: DrawersParams, s: DrawersShape): Support {
  const at = [...s.ribX, s.frontX - 20]
  return {
    ...noPeople,
    id: 'deck',
    name: 'Deck over the drawers',
    kind: 'deck',
    bodyId: s.floor.bodyId,
    bearings: at.map((x) => ({ on: 'deck', xMm: x, leftMm: p.widthMm / 2, rightMm: -p.widthMm / 2, zMm: s.topMm + p.thicknessMm + 1 })),
    panels: [
      {
        part: 'deck',
        name: 'deck between ribs and walls',
        takes: 'down',
        ...longFirst(s.bayMm, p.lengthMm / p.ribs),
        ribs: { part: 'rib:0:0', spanMm: s.bayMm, pitchMm: p.lengthMm / p.ribs, modulusMm3: ribModulusMm3(p) },
      },
    ],
  }
}

/** Of a rib bent downwards: a channel lying on its back, about the axis along its back. mm³ */
const ribModulusMm3 = (p: DrawersParams): number =>
  sectionOf({ kind: 'channel', widthMm: p.ribMm, heightMm: RIB_WIDE_MM, webMm: p.thicknessMm, flangeMm: p.thicknessMm }).wzMm3

const trayOf = (p: DrawersParams, s: DrawersShape, i: number): Support => ({
  ...noPeople,
  id: `tray:${i}`,
  name: `Drawer ${i + 1}`,
  kind: 'tray',
  bodyId: s.floor.bodyId,
  bearings: [0.3, 0.5, 0.7].map((share) => ({
    on: `drawer:${i}`,
    xMm: s.rearX + s.drawerMm.x * share,
    leftMm: s.bayY[i]! + s.drawerMm.y / 2,
    rightMm: s.bayY[i]! - s.drawerMm.y / 2,
    zMm: s.zMm + 2 * p.thicknessMm + AIR_MM,
  })),
  holds: true,
  ratedKg: { value: p.slideKg, source: 'maker of the slides' },
  panels: [
    { part: `drawer:${i}`, name: 'floor of a drawer', takes: 'down', ...longFirst(s.drawerMm.x, s.drawerMm.y) },
    { part: `drawer:${i}`, name: 'ends of a drawer', takes: 'along', ...longFirst(s.drawerMm.y, s.drawerMm.z) },
    { part: `drawer:${i}`, name: 'sides of a drawer', takes: 'aside', ...longFirst(s.drawerMm.x, s.drawerMm.z) },
  ],
  encloses: {
    room: { x: s.drawerMm.x - 2 * p.thicknessMm, y: s.drawerMm.y - 2 * p.thicknessMm, z: s.drawerMm.z - p.thicknessMm },
    lid: { joints: [] },
  },
})

/** Two feet at each end, three along where it is long, through the floor of the carcass. */
function feetOf(p: DrawersParams, s: DrawersShape): Mount[] {
  const kind = floorFootKind(s.floor)
  const half = Math.min(Math.abs(s.floor.from.y), Math.abs(s.floor.to.y), p.widthMm / 2 - FOOT_IN_MM)
  const xs = p.lengthMm > 900 ? [0, 0.5, 1] : [0, 1]
  return xs.flatMap((share, i) =>
    (['left', 'right'] as const).map(
      (side): Mount => ({
        id: `foot:${i}:${side}`,
        mark: `F${i + 1}${side === 'left' ? 'L' : 'R'}`,
        kind,
        placeId: s.floor.id,
        bodyId: s.floor.bodyId,
        on: 'carcass',
        side,
        place: {
          x: s.rearX + FOOT_IN_MM + share * (p.lengthMm - 2 * FOOT_IN_MM),
          y: side === 'left' ? half : -half,
          z: s.floor.to.z,
        },
        normal: Z,
        massKg: footTypes[kind].massKg,
        backingMm: footTypes[kind].drilled ? 50 : null,
        via: null,
      }),
    ),
  )
}

function jointsOf(p: DrawersParams, s: DrawersShape): Joint[] {
  const midX = (s.rearX + s.frontX) / 2
  // bolts in one line keep nothing from turning about it
  const row: Pick<Joint, 'axis'> = { axis: X }
  const bolts = (count: number, apartMm: number): Pick<Joint, 'kind' | 'bolts'> => ({ kind: 'bolt', bolts: { size: 'M6', count, apartMm } })
  const along = Math.max(3, Math.ceil(p.lengthMm / 200))
  const edges = [1, -1].map(
    (side, i): Joint => ({
      id: `joint:deck:${i}`,
      between: ['deck', 'carcass'],
      at: { x: midX, y: (side * p.widthMm) / 2, z: s.topMm },
      ...bolts(along, p.lengthMm * 0.8),
      ...row,
    }),
  )
  return [
    ...edges,
    ...s.bayY.slice(1).flatMap((y, i): Joint[] => {
      const at = y + s.bayMm / 2 + p.thicknessMm / 2
      return [
        {
          id: `joint:partition:${i}:floor`,
          between: [`partition:${i}`, 'carcass'],
          at: { x: midX, y: at, z: s.zMm + p.thicknessMm },
          ...bolts(along, p.lengthMm * 0.8),
          ...row,
        },
        {
          id: `joint:partition:${i}:deck`,
          between: ['deck', `partition:${i}`],
          at: { x: midX, y: at, z: s.topMm },
          ...bolts(along, p.lengthMm * 0.8),
          ...row,
        },
      ]
    }),
    ...s.ribX.flatMap((x, i) =>
      s.bayY.map(
        (y, k): Joint => ({
          id: `joint:rib:${i}:${k}`,
          between: [`rib:${i}:${k}`, 'deck'],
          at: { x, y, z: s.topMm + 1 },
          ...bolts(3, s.bayMm * 0.8),
        }),
      ),
    ),
    ...s.bayY.flatMap((y, i): Joint[] => [
      ...sides.flatMap((side, k): Joint[] => {
        const at = { x: midX, y: y + (side * (s.bayMm - p.slideGapMm)) / 2, z: s.zMm + p.heightMm / 2 }
        return [
          {
            id: `joint:slide:${i}:${k}`,
            kind: 'slide',
            between: [`drawer:${i}`, `slide:${i}:${k}`],
            at,
            // one of a pair carries half of what the pair does; the road's shocks come on top of the weight
            rated: {
              holdsN: p.slideKg === null ? null : (p.slideKg * G_M_S2) / 2,
              by: 'maker of the slides',
              what: 'what a pair of slides carries, by its maker',
            },
          },
          {
            id: `joint:slide:${i}:${k}:wall`,
            between: [`slide:${i}:${k}`, wallOfBay(p, i, side)],
            at: { ...at, y: y + (side * s.bayMm) / 2 },
            ...bolts(along, p.lengthMm * 0.8),
            ...row,
          },
        ]
      }),
      {
        id: `lock:${i}`,
        kind: 'latch',
        between: [`drawer:${i}`, 'carcass'],
        at: { x: s.rearX, y, z: s.zMm + p.heightMm / 2 },
        rated: { holdsN: p.latchN, by: 'maker of the lock', what: 'what its maker lets the lock of a drawer hold' },
      },
      {
        id: `joint:front:${i}`,
        between: [`front:${i}`, `drawer:${i}`],
        at: { x: s.rearX + p.thicknessMm, y, z: s.zMm + p.heightMm / 2 },
        ...bolts(4, s.bayMm * 0.6),
      },
    ]),
  ]
}

/** The left wall of the first bay and the right one of the last are the carcass's, between them stand partitions. */
const wallOfBay = (p: DrawersParams, bay: number, side: 1 | -1): string =>
  side > 0 ? (bay === 0 ? 'carcass' : `partition:${bay - 1}`) : bay === p.count - 1 ? 'carcass' : `partition:${bay}`

/** The bought slides, one on each side of a drawer. */
const slidesOf = (p: DrawersParams, s: DrawersShape): Fitting[] =>
  s.bayY.flatMap((y, i) =>
    sides.map((side, k): Fitting => {
      const middle = {
        x: s.rearX + p.thicknessMm + s.drawerMm.x / 2,
        y: y + (side * (s.bayMm - p.slideGapMm)) / 2,
        z: s.zMm + p.heightMm / 2,
      }
      return {
        id: `slide:${i}:${k}`,
        mark: 'SL',
        name: 'Drawer slide',
        massKg: p.slidePairKg === null ? null : p.slidePairKg / 2,
        at: middle,
        middle,
        size: { x: s.drawerMm.x, y: p.slideGapMm - 1, z: Math.min(SLIDE_MM, s.drawerMm.z) },
        unknown: [],
        // their price stands with the small parts
        priceMinor: 0,
        there: false,
      }
    }),
  )

function faults(p: DrawersParams, s: DrawersShape, parts: PanPart[], rules: Rules): Issue[] {
  const seen = new Set<string>()
  return [
    ...floorFaults('drawers', { lengthMm: p.lengthMm, widthMm: p.widthMm, rearX: s.rearX, frontMm: p.frontMm }, s.floor),
    ...(s.drawerMm.y < 80 ? [faultOf('count', 'The drawers would be too narrow between their slides: fewer of them')] : []),
    ...(s.drawerMm.z < 30 ? [faultOf('heightMm', 'No height is left for the drawers under the deck: taller')] : []),
    ...(p.travelMm > s.drawerMm.x + 1
      ? [faultOf('travelMm', `A drawer of {${Math.round(s.drawerMm.x)}} cannot travel farther than it is long`)]
      : []),
    ...parts.flatMap((part) =>
      panFaults(part.pan, { leastFlangeT: rules.leastFlangeT, leastRadiusT: rules.leastRadiusT }).flatMap((says) => {
        const line = `${part.name.split(':')[0]}: ${says}`
        if (seen.has(line)) return []
        seen.add(line)
        return [faultOf('thicknessMm', line)]
      }),
    ),
  ]
}
