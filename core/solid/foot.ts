import type { Assembly, Mount } from '../assembly/assembly'
import { footTypes } from '../catalogue/mounts'
import { profileSection } from '../catalogue/profiles'
import { centreLine, nearestAlong, pointAlong } from '../geometry/centreLine'
import { along, dot, minus, turnedWith, type Vec3 } from '../geometry/vec3'

/** A likeness of a foot: a pad on the body and a block up to what stands on it, along the way its seat looks. Sizes along the vehicle, across, up; mm */
export const FOOT = { pad: { x: 80, y: 60, z: 8 }, block: { x: 60, y: 36 } }

/** Its pad, none under a spacer, and its block. mm */
export function footSize({ kind }: Pick<Mount, 'kind'>): { pad: typeof FOOT.pad | null; block: typeof FOOT.block } {
  const wide = footTypes[kind].spacerMm
  return wide === undefined ? FOOT : { pad: null, block: { x: wide, y: wide } }
}

/** How far it is from a foot's seat to the underside of what stands on it: by its spacer, else 8 at least. mm */
export function footRiseMm(mount: Mount, assembly: Assembly): number {
  if (mount.spacerMm !== undefined) return mount.spacerMm
  const member = assembly.members.find((m) => m.id === mount.on)
  const line = member ? centreLine(member.path, member.bendRadiiMm) : null
  const head = line ? pointAlong(line, nearestAlong(line, mount.place).atMm) : mount.place
  return Math.max(8, dot(minus(head, mount.place), mount.normal) - (member ? profileSection(member.profileId).heightMm / 2 : 0))
}

/** Corners of a foot's pad and of its block. Vehicle axes, mm */
export function footCorners(mount: Mount, assembly: Assembly): Vec3[][] {
  const up = { x: 0, y: 0, z: 1 }
  const [x, y] = [
    { x: 1, y: 0, z: 0 },
    { x: 0, y: 1, z: 0 },
  ].map((v) => turnedWith(up, mount.normal, v)) as [Vec3, Vec3]
  const box = (wide: number, deep: number, high: number) =>
    [-1, 1].flatMap((i) =>
      [-1, 1].flatMap((j) => [0, high].map((k) => along(along(along(mount.place, x, (i * wide) / 2), y, (j * deep) / 2), mount.normal, k))),
    )
  const { pad, block } = footSize(mount)
  return [...(pad ? [box(pad.x, pad.y, pad.z)] : []), box(block.x, block.y, footRiseMm(mount, assembly))]
}
