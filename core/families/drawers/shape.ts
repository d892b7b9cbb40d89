import type { Vec3 } from '../../geometry/vec3'
import type { Place } from '../../places/places'
import type { Rules } from '../../rules/rules'
import { type PanPart, sheetOf } from '../foldedParts'
import type { DrawersParams } from './params'

/** Skirt of the deck, flanges of a partition, air over a drawer and behind it, width of a rib. Shop's own, mm */
export const SKIRT_MM = 30
export const FLANGE_MM = 25
export const AIR_MM = 8
export const RIB_WIDE_MM = 40
export const FOOT_IN_MM = 60
/** A slide is drawn so high. mm */
export const SLIDE_MM = 45

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

export const X: Vec3 = { x: 1, y: 0, z: 0 }
const Y: Vec3 = { x: 0, y: 1, z: 0 }
export const Z: Vec3 = { x: 0, y: 0, z: 1 }

/** Every sheet of it, as it is folded and as it stands. */
export function partsOf(p: DrawersParams, s: DrawersShape, rules: Rules): PanPart[] {
  const t = p.thicknessMm
  const sheet = sheetOf(p, rules)
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
        // it begins behind the fronts, which stand between its neighbours
        pan: { ...sheet, lengthMm: p.lengthMm - 2 * t - 3, widthMm: p.heightMm - t - 1, flanges: { 'y-': flange, 'y+': flange } },
        pose: { origin: { x: s.rearX + t + 1, y: y + s.bayMm / 2 + t, z: s.zMm + t }, along: X, up: Z },
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
      s.bayY.map((y, k): PanPart => {
        // beside a partition it ends at the flange that the deck is bolted to
        const lip = k > 0 ? FLANGE_MM + 1 : 0
        return {
          id: `rib:${i}:${k}`,
          mark: 'RB',
          name: 'Rib under the deck',
          pan: {
            ...sheet,
            lengthMm: RIB_WIDE_MM,
            widthMm: s.bayMm - 3 - lip,
            flanges: { 'x+': { lengthMm: p.ribMm }, 'x-': { lengthMm: p.ribMm } },
          },
          // open downwards, its back against the deck
          pose: { origin: { x: x - RIB_WIDE_MM / 2, y: y + s.bayMm / 2 - 1.5 - lip, z: s.topMm + 1 }, along: X, up: { x: 0, y: -1, z: 0 } },
        }
      }),
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
        pan: { ...sheet, lengthMm: s.bayMm - 5, widthMm: p.heightMm - t - 4, flanges: {} },
        pose: { origin: { x: s.rearX, y: y - s.bayMm / 2 + 2.5, z: s.zMm + t + 2 }, along: Y, up: Z },
      }),
    ),
  ]
}
