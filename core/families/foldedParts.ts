import type { Plate, Pose } from '../assembly/assembly'
import { foldedPan, type PanGiven, placedFaces } from '../sheet/folded'

/** Inside radius of an air bend as a share of the thickness; the shop's own. */
const RADIUS_PER_THICKNESS = 1.5
/** What all folded parts of one design share. mm */
export const sheetOf = (thicknessMm: number, kFactor: number) => ({
  thicknessMm,
  insideRadiusMm: RADIUS_PER_THICKNESS * thicknessMm,
  kFactor,
})

/** One folded part and how it stands. */
export type PanPart = { id: string; mark: string; name: string; pan: PanGiven; pose: Pose }

/** The flat part that it is cut as, with its faces as they stand. Its good face is the outside. */
export function foldedPlate(part: PanPart, metal: { materialId: string; thicknessMm: number }, air: Plate['air']): Plate {
  const { outline, holes, bends, faces } = foldedPan(part.pan)
  return {
    id: part.id,
    mark: part.mark,
    name: part.name,
    ...metal,
    outline,
    holes,
    bends,
    faces: placedFaces(faces, part.pose),
    pose: part.pose,
    goodFace: 'down',
    air,
  }
}

/** A field of sheet by its longer side first. mm */
export const longFirst = (a: number, b: number) => ({ longMm: Math.max(a, b), shortMm: Math.min(a, b) })
