import type { Assembly, Joint } from '../assembly/assembly'
import { kept } from '../assembly/kept'
import { boxOf } from '../assembly/places'
import { type Material, materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import { wallOf } from '../catalogue/section'

/** What a joint's rules need to know of a part, be it a member or a flat part: how wide it is there, and the wall that bears. mm; null wall = a slot of its maker's */
export type JoinedPart = {
  id: string
  mark: string
  widthMm: number
  heightMm: number
  wallMm: number | null
  walls: 1 | 2
  material: Material
  member: boolean
}

/** The two parts of a joint as its rules see them; a fitting is its maker's and no part of ours: then there is one, or none. */
export const partsOf = (a: Assembly, joint: Joint): JoinedPart[] => keptParts(joint, a)
const keptParts = kept((joint: Joint, a: Assembly): JoinedPart[] =>
  joint.between.flatMap((id): JoinedPart[] => {
    const m = a.members.find((x) => x.id === id)
    if (m) {
      const { shape, materialId } = profileOf(m.profileId)
      const s = profileSection(m.profileId)
      const hollow = shape.kind === 'round' || shape.kind === 'rectangular'
      return [
        {
          id,
          mark: m.mark,
          widthMm: s.widthMm,
          heightMm: s.heightMm,
          wallMm: wallOf(shape),
          walls: hollow ? 2 : 1,
          material: materialOf(materialId),
          member: true,
        },
      ]
    }
    const p = a.plates.find((x) => x.id === id)
    if (!p) return []
    const { size } = boxOf(p.outline.map(({ x, y }) => ({ x, y, z: 0 })))
    return [
      {
        id,
        mark: p.mark,
        widthMm: Math.min(size.x, size.y),
        heightMm: p.thicknessMm,
        wallMm: p.thicknessMm,
        walls: 1,
        material: materialOf(p.materialId),
        member: false,
      },
    ]
  }),
)

/** How long and how far apart the runs of a weld are: the pattern that the joint says, else along the first part's sides over the second's width. mm */
export const weldRuns = ({ weld }: Joint, [first, second]: JoinedPart[]): { alongMm: number; apartMm: number; allRound: boolean } => ({
  alongMm: weld?.lengthMm ?? second?.widthMm ?? 25,
  apartMm: weld?.apartMm ?? first?.widthMm ?? 25,
  allRound: weld?.allRound ?? false,
})
