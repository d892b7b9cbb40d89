import type { Hole } from '../../geometry/hole'
import type { Point, Vec3 } from '../../geometry/vec3'
import type { Place } from '../../places/places'
import type { Rules } from '../../rules/rules'
import type { PanGiven } from '../../sheet/folded'
import { tabbedEdge, tabPlaces, tabSlot } from '../../sheet/tabs'
import { type PanPart, sheetOf } from '../foldedParts'
import type { ChestParams } from './params'

/** Air between parts that go into one another. Shop's own, mm */
export const SLIP_MM = 1
/** Flanges of ends and dividers; width of a bearer and its lips; how far the lid's skirt stands off the body. Shop's own, mm */
export const FLANGE_MM = 25
const BEARER_MM = 60
const FLANGE_CLEAR_MM = 12
const BEARER_LIP_MM = 18
const LID_AIR_MM = 3
/** A foot's bolts are so far from the ends of a bearer. mm */
export const FOOT_IN_MM = 60

export type ChestShape = {
  floor: Place
  rearX: number
  frontX: number
  /** its own floor, and its rim */
  zMm: number
  topMm: number
  /** the line the lid turns about: the outer lower edge of its front skirt, or the skirt would swing into the body */
  pin: { x: number; z: number }
  bearerY: number[]
  dividerY: number[]
  parts: PanPart[]
  /** flat dividers, in slots of the floor: as they are cut, and where their lower rear corners stand */
  flats: { id: string; mark: string; name: string; outline: Point[]; origin: Vec3 }[]
  /** the edge that a flat divider stands on, and where its tabs are; none = they have no room. mm */
  tabEdgeMm: number
  tabsMm: number[]
  /** clear inside, mm */
  insideX: number
  insideY: number
  insideZ: number
}

/** Every sheet of it, as it is folded and as it stands. */
export function chestShape(p: ChestParams, floor: Place, rules: Rules): ChestShape {
  const t = p.thicknessMm
  const sheet = sheetOf(p, rules)
  const [lengthMm, widthMm] = [p.lengthMm, p.widthMm]
  const frontX = Math.max(floor.from.x, floor.to.x) - p.frontMm
  const rearX = frontX - lengthMm
  const zMm = floor.to.z + p.bearerHeightMm
  const topMm = zMm + p.heightMm
  const half = widthMm / 2
  // the bolts of the feet stand in the middle of a bearer: clear of the flange that an end stands on, by half a ring spanner
  const outer = half - Math.max(BEARER_MM / 2 + 2, t + FLANGE_MM + FLANGE_CLEAR_MM)
  const bearerY = Array.from({ length: p.bearers }, (_, i) => outer - (2 * outer * i) / (p.bearers - 1))
  const dividerY = Array.from({ length: p.dividers }, (_, i) => half - (widthMm * (i + 1)) / (p.dividers + 1))
  const rim = { lengthMm: p.heightMm, lip: { lengthMm: p.rimMm } }
  const [insideX, insideZ] = [lengthMm - 2 * t, p.heightMm - t]
  const flange = { lengthMm: FLANGE_MM }
  const end: PanGiven = {
    ...sheet,
    lengthMm: insideX - SLIP_MM,
    widthMm: insideZ - t,
    flanges: { 'x+': flange, 'x-': flange, 'y-': flange, 'y+': { lengthMm: Math.max(FLANGE_MM, p.rimMm) } },
  }
  const divider: PanGiven = {
    ...sheet,
    lengthMm: insideX - SLIP_MM,
    widthMm: Math.max(20, insideZ - t - 10),
    flanges: { 'x+': { lengthMm: FLANGE_MM }, 'x-': { lengthMm: FLANGE_MM }, 'y-': { lengthMm: FLANGE_MM } },
  }
  const slotted = p.build === 'slotted'
  const tabs = { count: p.tabs, tabMm: p.tabMm, allowanceMm: p.allowanceMm }
  const edgeMm = insideX - SLIP_MM
  const places = slotted ? tabPlaces(edgeMm, tabs) : []
  // dropped in from above: their tabs go through the floor and end level with its underside
  const slots: Hole[] = dividerY.flatMap((y) => places.map((s) => tabSlot({ x: t + SLIP_MM / 2 + s, y: y + half }, 'x', t, tabs)))
  const off = t + LID_AIR_MM
  const skirt = { lengthMm: p.skirtMm }
  const X = { x: 1, y: 0, z: 0 }
  const Y = { x: 0, y: 1, z: 0 }
  const Z = { x: 0, y: 0, z: 1 }
  const parts: PanPart[] = [
    {
      id: 'body',
      mark: 'BO',
      name: 'Body: floor, front and back',
      pan: { ...sheet, lengthMm, widthMm, flanges: { 'x+': rim, 'x-': rim }, ...(slots.length ? { holes: slots } : {}) },
      pose: { origin: { x: rearX, y: -half, z: zMm }, along: X, up: Y },
    },
    {
      id: 'end:left',
      mark: 'EN',
      name: 'End',
      pan: end,
      pose: { origin: { x: rearX + t + SLIP_MM / 2, y: half, z: zMm + t }, along: X, up: Z },
    },
    {
      id: 'end:right',
      mark: 'EN',
      name: 'End',
      pan: end,
      pose: { origin: { x: frontX - t - SLIP_MM / 2, y: -half, z: zMm + t }, along: { x: -1, y: 0, z: 0 }, up: Z },
    },
    ...(slotted ? [] : dividerY).map(
      (y, i): PanPart => ({
        id: `divider:${i}`,
        mark: 'DV',
        name: 'Divider',
        pan: divider,
        pose: { origin: { x: rearX + t + SLIP_MM / 2, y: y + t / 2, z: zMm + t }, along: X, up: Z },
      }),
    ),
    {
      id: 'lid',
      mark: 'LD',
      name: 'Lid',
      // its base is the top: laid along the vehicle's y, open downwards
      pan: {
        ...sheet,
        lengthMm: widthMm + 2 * off,
        widthMm: lengthMm + 2 * off,
        flanges: { 'x+': skirt, 'x-': skirt, 'y+': skirt, 'y-': skirt },
      },
      pose: { origin: { x: rearX - off, y: -half - off, z: topMm + t + SLIP_MM }, along: Y, up: X },
    },
    ...bearerY.map(
      (y, i): PanPart => ({
        id: `bearer:${i}`,
        mark: 'BR',
        name: 'Bearer',
        pan: {
          ...sheet,
          lengthMm: BEARER_MM,
          widthMm: lengthMm,
          flanges: {
            'x+': { lengthMm: p.bearerHeightMm, lip: { lengthMm: BEARER_LIP_MM } },
            'x-': { lengthMm: p.bearerHeightMm, lip: { lengthMm: BEARER_LIP_MM } },
          },
        },
        pose: { origin: { x: rearX, y: y - BEARER_MM / 2, z: zMm }, along: Y, up: X },
      }),
    ),
  ]
  const pin = { x: frontX + off, z: topMm + t + SLIP_MM - p.skirtMm }
  const outline = slotted ? flatDivider(edgeMm, Math.max(20, insideZ - t - 10), places, p) : []
  const flats = (slotted ? dividerY : []).map((y, i) => ({
    ...{ id: `divider:${i}`, mark: 'DV', name: 'Divider', outline },
    origin: { x: rearX + t + SLIP_MM / 2, y: y + t / 2, z: zMm + t },
  }))
  return {
    tabEdgeMm: edgeMm,
    tabsMm: places,
    flats,
    floor,
    rearX,
    frontX,
    zMm,
    topMm,
    pin,
    bearerY,
    dividerY,
    parts,
    insideX,
    insideY: widthMm - 2 * t,
    insideZ,
  }
}

/** The first and the last tab push outwards, each against the far end of its slot: so spread, they leave the divider no play along. mm */
function flatDivider(edgeMm: number, heightMm: number, places: number[], p: ChestParams): Point[] {
  const push = p.allowanceMm / 2
  const spread = places.map((s, i) => s + (i === 0 ? -push : i === places.length - 1 ? push : 0))
  return [
    ...tabbedEdge({ x: 0, y: 0 }, { x: edgeMm, y: 0 }, spread, p.tabMm, p.thicknessMm),
    { x: edgeMm, y: 0 },
    { x: edgeMm, y: heightMm },
    { x: 0, y: heightMm },
  ]
}
