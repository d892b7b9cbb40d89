import type { Joint, Member } from '../../assembly/assembly'
import type { Vec3 } from '../../geometry/vec3'
import { letterOf, nameOf, sides } from '../feetOnEdge'
import { pairAlong } from '../parts'
import { saddled } from '../saddled'
import type { BasketParams } from './params'
import type { BasketShape } from './shape'

/** Runners, cross tubes, hoops, side bars and the lamp shell, every saddled end where its longest fibre meets the tube it sits on, and their welds. */
export function tubesOf(p: BasketParams, s: BasketShape): { members: Member[]; joints: Joint[] } {
  const runners = pairAlong(s, s.z, p.runnerProfileId, 'runner', 'RN', 'Runner')
  const [left, right] = runners
  const radii = p.bendRadiusMm === null ? undefined : [p.bendRadiusMm, p.bendRadiusMm]
  const joints: Joint[] = []
  const onto = (m: Omit<Member, 'ends'>, from: Member, to: Member): Member => {
    const made = saddled(m, from, to)
    joints.push(...made.joints)
    return made.member
  }
  const cross = s.crossX.map((x, i) =>
    onto(
      {
        id: `cross:${i}`,
        mark: `CT${i + 1}`,
        name: 'Cross tube',
        profileId: p.crossProfileId,
        path: [
          { x, y: s.half(x), z: s.z },
          { x, y: -s.half(x), z: s.z },
        ],
      },
      left,
      right,
    ),
  )
  const hoops = s.hoops.map((h) =>
    onto(
      {
        id: `hoop:${h.name}`,
        mark: h.name === 'front' ? 'HF' : 'HR',
        name: h.name === 'front' ? 'Front hoop' : 'Rear hoop',
        profileId: p.hoopProfileId,
        path: h.path,
        ...(radii ? { bendRadiiMm: radii } : {}),
      },
      left,
      right,
    ),
  )
  const [front, rear] = hoops as [Member, Member]
  const up = s.sideUpMm
  const bars =
    up === null
      ? []
      : sides.map((side) =>
          onto(
            {
              id: `side:${nameOf(side)}`,
              mark: `SB${letterOf(side)}`,
              name: 'Side bar',
              profileId: p.sideProfileId,
              path: [s.hoops[0].legAt(up, side), s.hoops[1].legAt(up, side)],
            },
            front,
            rear,
          ),
        )
  const shellUp = s.shellUpMm
  const shell =
    shellUp === null
      ? []
      : [
          onto(
            {
              id: 'shell',
              mark: 'LS',
              name: 'Lamp shell',
              profileId: p.hoopProfileId,
              path: shellPath(p, s, shellUp),
              ...(radii ? { bendRadiiMm: radii } : {}),
            },
            front,
            front,
          ),
        ]
  return { members: [...runners, ...cross, ...hoops, ...bars, ...shell], joints }
}

/** From one leg of the front hoop ahead, across, and back to the other. */
function shellPath(p: BasketParams, s: BasketShape, upMm: number): Vec3[] {
  const [l, r] = [s.hoops[0].legAt(upMm, 1), s.hoops[0].legAt(upMm, -1)]
  return [l, { ...l, x: l.x + p.shellAheadMm }, { ...r, x: r.x + p.shellAheadMm }, r]
}
