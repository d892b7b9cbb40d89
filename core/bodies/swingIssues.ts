import type { Assembly } from '../assembly/assembly'
import { swingsAside } from '../assembly/swingsAside'
import type { Brief } from '../brief/brief'
import { profileSection } from '../catalogue/profiles'
import { middleOf, times, type Vec3 } from '../geometry/vec3'
import type { Issue } from '../issue/issue'
import { restOf } from '../resting/rest'
import { type Box, firstMeeting, swingsOf } from '../vehicle/swings'
import type { Vehicle } from '../vehicle/vehicle'

/** Every part, what is fitted whole, and what is carried, as upright boxes. mm */
function standing(assembly: Assembly, brief: Brief): Box[] {
  // a bent member box by box, leg by leg
  const members = assembly.members.flatMap((m) => {
    const s = profileSection(m.profileId)
    return m.path.slice(1).map((b, i): Box => {
      const a = m.path[i]!
      const half = (from: number, to: number, width: number) => Math.max(Math.abs(from - to), width) / 2
      return {
        name: `${m.name.toLowerCase()} ${m.mark}`,
        centre: middleOf(a, b),
        half: { x: half(a.x, b.x, s.widthMm), y: half(a.y, b.y, s.widthMm), z: half(a.z, b.z, s.heightMm) },
      }
    })
  })
  const boxed = (name: string, centre: Vec3, size: Vec3): Box => ({ name, centre, half: times(size, 0.5) })
  const cargo = brief.cargo.flatMap((c) => {
    const { zMm } = restOf(c, assembly)
    return zMm === null
      ? []
      : [boxed(c.name, { x: c.xMm, y: c.yMm, z: zMm + c.heightMm / 2 }, { x: c.lengthMm, y: c.widthMm, z: c.heightMm })]
  })
  return [...members, ...assembly.fittings.map((f) => boxed(f.name.toLowerCase(), f.middle, f.size)), ...cargo]
}

/** Doors, hatches, tailgates and covers that cannot open for the rack or its load. A cover that swings with the rack on it is not held against it, nor an arm that is swung aside first. */
export function swingIssues(assembly: Assembly, vehicle: Vehicle, brief: Brief): Issue[] {
  const own = new Set(assembly.mounts.map((m) => m.bodyId))
  const aside = new Set(assembly.motions.filter(swingsAside).flatMap((m) => m.moves))
  const stays = <T extends { id: string }>(parts: T[]): T[] => parts.filter((p) => !aside.has(p.id))
  const boxes = standing({ ...assembly, members: stays(assembly.members), fittings: stays(assembly.fittings) }, brief)
  return swingsOf(vehicle)
    .filter((s) => !(s.kind === 'cover' && own.has(s.id)))
    .flatMap((swing) => {
      const met = boxes.flatMap((box): Issue[] => {
        const atDeg = firstMeeting(swing, box)
        return atDeg === null
          ? []
          : [
              {
                code: 'swing_meets',
                at: ['vehicle', 'swings'],
                fix: null,
                swing: swing.name.toLowerCase(),
                item: box.name,
                atDeg,
                opensDeg: swing.opensDeg ?? 0,
              },
            ]
      })
      // the first thing met says it all
      return met.sort((a, b) => (a.code === 'swing_meets' && b.code === 'swing_meets' ? a.atDeg - b.atDeg : 0)).slice(0, 1)
    })
}
