import type { Plate, Pose } from '../assembly/assembly'
import { materials } from '../catalogue/materials'
import type { Rules } from '../rules/rules'
import { foldedPan, type PanGiven, placedFaces } from '../sheet/folded'
import { foldOf } from '../sheet/foldTrial'
import type { FieldSpec } from './family'

type OfSheet = { materialId: string; thicknessMm: number }
/** What all folded parts of one sheet share. mm */
export const sheetOf = ({ materialId, thicknessMm }: OfSheet, rules: Rules) => ({
  thicknessMm,
  ...foldOf(rules, materialId, thicknessMm),
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

/** Which metal it is of; tempers that crack in a fold are left out. */
export const metalField = (label: string): FieldSpec<Pick<OfSheet, 'materialId'>> => ({
  key: 'materialId',
  label,
  kind: 'choice',
  options: () => materials.filter((m) => !m.id.startsWith('al606')).map((m) => ({ value: m.id, label: m.name })),
  group: 'Metal',
})
/** What sheet it is folded of. */
export const sheetFields: FieldSpec<OfSheet>[] = [
  metalField('Sheet'),
  { key: 'thicknessMm', label: 'Thickness', kind: 'length', gauge: true, min: 0.8, max: 6, group: 'Metal' },
]
