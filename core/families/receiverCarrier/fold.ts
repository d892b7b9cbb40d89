import type { Joint, Member, Motion, Plate } from '../../assembly/assembly'
import { materialOf } from '../../catalogue/materials'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { rectangle } from '../../geometry/polygon'
import type { Vec3 } from '../../geometry/vec3'
import type { CarrierParams } from './params'

export const FOLD_PIN = { size: 'M12' as const, count: 2, apartMm: 60 }

/** A pair of plates that the beam folds in: welded to what stands before it, two pins through the beam, one of which is drawn to fold. */
export function foldPlates(p: CarrierParams, under: string, at: Vec3, turned: (v: Vec3) => Vec3): { plates: Plate[]; joints: Joint[] } {
  const tongue = profileSection(p.tongueProfileId)
  const rises = under === 'riser'
  const sides = [1, -1] as const
  const idOf = (side: 1 | -1) => `fold:${side > 0 ? 'left' : 'right'}`
  const foot: Vec3 = rises ? { ...at, z: at.z - tongue.heightMm / 2 - 12 } : { ...at, x: at.x + 40 }
  const bolts = [30, 90].map((behind) => turned({ ...at, x: at.x - behind }))
  return {
    plates: sides.map((side) => ({
      id: idOf(side),
      mark: 'FP',
      name: 'Fold plate',
      materialId: materialOf(profileOf(p.tongueProfileId).materialId).id,
      thicknessMm: 6,
      outline: rectangle(180, tongue.heightMm + (rises ? 40 : 0)),
      holes: [-30, -90].map((x) => ({ at: { x: x + 20, y: 0 }, diameterMm: 13 })),
      bends: [],
      pose: {
        origin: { x: at.x - 20, y: side * (tongue.widthMm / 2 + (side > 0 ? 0 : 6)), z: at.z - (rises ? 20 : 0) },
        along: { x: 1, y: 0, z: 0 },
        up: { x: 0, y: 0, z: 1 },
      },
      goodFace: 'either',
      air: 'board',
    })),
    joints: sides.flatMap((side): Joint[] => [
      {
        id: `joint:${idOf(side)}`,
        kind: 'weld',
        between: [idOf(side), under],
        at: { ...foot, y: (side * tongue.widthMm) / 2 },
        weld: { lengthMm: 60, apartMm: tongue.heightMm, allRound: false },
      },
      ...bolts.map(
        (b, k): Joint => ({
          id: `joint:${idOf(side)}:${k}`,
          kind: 'pin',
          between: [idOf(side), 'beam'],
          at: { ...b, y: (side * tongue.widthMm) / 2 },
          bolts: { size: FOLD_PIN.size, count: 1, sleeved: true },
        }),
      ),
    ]),
  }
}

/** The mast is laid back over the trays first, or it would stand in the vehicle; then beam and trays stand up about the fold. */
export function foldMotions(members: Member[], fold: { x: number; z: number }): Motion[] {
  const mast = members.find((m) => m.id === 'mast')
  const tray = members.find((m) => m.id.startsWith('tray:'))
  const half = mast ? profileSection(mast.profileId).widthMm / 2 : 0
  const overMm = tray ? profileSection(tray.profileId).heightMm + 2 : 0
  const across = { x: 0, y: 1, z: 0 }
  const lays: Motion[] = mast
    ? [
        {
          id: 'mast',
          name: 'Mast laid over the trays',
          kind: 'turn',
          moves: ['mast'],
          // its pin stands over the trays, at its rear face
          axis: {
            at: { x: mast.path[0]!.x - half, y: 0, z: mast.path[0]!.z + overMm },
            way: { x: 0, y: -1, z: 0 },
          },
          from: 0,
          to: 90,
          heldBy: 'its own pin',
        },
      ]
    : []
  return [
    ...lays,
    {
      id: 'fold',
      name: 'Folds up',
      kind: 'turn',
      moves: members.map((m) => m.id),
      axis: { at: { x: fold.x, y: 0, z: fold.z }, way: across },
      from: 0,
      to: 90,
      heldBy: 'a second pin through beam and bracket',
      ...(mast ? { after: 'mast' } : {}),
    },
  ]
}
