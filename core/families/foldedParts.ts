import type { Plate, Pose } from '../assembly/assembly'
import { materials } from '../catalogue/materials'
import { foldedPan, type PanGiven, placedFaces } from '../sheet/folded'
import type { FieldSpec } from './family'

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

type OfSheet = { materialId: string; thicknessMm: number }
/** What sheet it is folded of; tempers that crack in a fold are left out. */
export const sheetFields: FieldSpec<OfSheet>[] = [
  {
    key: 'materialId',
    label: 'Sheet',
    kind: 'choice',
    options: () => materials.filter((m) => !m.id.startsWith('al606')).map((m) => ({ value: m.id, label: m.name })),
    group: 'Metal',
  },
  { key: 'thicknessMm', label: 'Thickness', kind: 'length', gauge: true, min: 0.8, max: 6, group: 'Metal' },
]
