import type { Fitting, Joint, Member, Plate, Pull } from '../../assembly/assembly'
import { materialOf } from '../../catalogue/materials'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { rectangle } from '../../geometry/polygon'
import type { Vec3 } from '../../geometry/vec3'
import { radians } from '../../quantity/units'
import { rampPullN } from '../../winch/rampPull'
import type { GuardParams } from './params'
import { capped, nameOf, PLATE_MM, sides } from './parts'
import type { GuardShape } from './shape'

/** The winch on a seat on a low bar that lies over both base rails; what it hauls up a ramp pulls the seat rearward, and down the ramp. */
export function winchOf(p: GuardParams, s: GuardShape): { member: Member; plate: Plate; fitting: Fitting; joints: Joint[]; pull: Pull } {
  const base = profileSection(p.baseProfileId)
  const bar = profileSection(p.profileId)
  const x = Math.max(s.rearX + 40, s.frontX - p.winchBehindMm)
  const z = s.baseZ + base.heightMm / 2 + bar.heightMm / 2
  const y = s.half(x) + base.widthMm / 2
  const materialId = materialOf(profileOf(p.profileId).materialId).id
  const seatZ = z + bar.heightMm / 2
  const member: Member = {
    id: 'winchBar',
    mark: 'WB',
    name: 'Winch bar',
    profileId: p.profileId,
    path: [
      { x, y, z },
      { x, y: -y, z },
    ],
    ends: capped,
  }
  const plate: Plate = {
    id: 'seat',
    mark: 'WS',
    name: 'Winch seat',
    materialId,
    thicknessMm: PLATE_MM,
    outline: rectangle(160, 260),
    holes: [-1, 1].flatMap((a) => [-1, 1].map((b) => ({ at: { x: a * 50, y: b * 83 }, diameterMm: 11 }))),
    bends: [],
    pose: { origin: { x, y: 0, z: seatZ }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
    goodFace: 'up',
    air: 'sheltered',
  }
  const middle: Vec3 = { x, y: 0, z: seatZ + PLATE_MM + 90 }
  const fitting: Fitting = {
    id: 'winch',
    mark: 'W1',
    name: 'Winch',
    massKg: p.winchKg,
    at: middle,
    middle,
    size: { x: 140, y: 320, z: 180 },
    unknown: [],
    priceMinor: p.winchPriceMinor,
    there: false,
  }
  const joints: Joint[] = [
    ...sides.map(
      (side): Joint => ({
        id: `weld:winchBar:${nameOf(side)}`,
        kind: 'weld',
        between: ['winchBar', `base:${nameOf(side)}`],
        at: { x, y: side * s.half(x), z: s.baseZ + base.heightMm / 2 },
        weld: { lengthMm: base.widthMm, apartMm: bar.widthMm, allRound: true },
      }),
    ),
    {
      id: 'weld:seat',
      kind: 'weld',
      between: ['seat', 'winchBar'],
      at: { x, y: 0, z: seatZ },
      weld: { lengthMm: 200, apartMm: bar.widthMm, allRound: false },
    },
    {
      id: 'bolts:winch',
      kind: 'bolt',
      between: ['winch', 'seat'],
      at: { x, y: 0, z: seatZ + PLATE_MM },
      bolts: { size: 'M10', count: 4, apartMm: 166 },
    },
  ]
  const lacks = [...(p.loadKg === null ? ['mass of what the winch hauls'] : []), ...(p.slopeDeg === null ? ['slope of the ramp'] : [])]
  const needsN = lacks.length ? null : rampPullN({ massKg: p.loadKg ?? 0, slopeDeg: p.slopeDeg ?? 0, rolling: p.rolling })
  const slope = radians(p.slopeDeg ?? 0)
  // a load that catches is pulled with all the winch has: seat, joints and feet hold that, not only what the ramp needs
  const fullN = Math.max(needsN ?? 0, p.winchN ?? 0)
  // the rope runs rearward along the bed and the ramp: it pulls the winch back and down
  const force: Vec3 = { x: -fullN * Math.cos(slope), y: 0, z: -fullN * Math.sin(slope) }
  return {
    member,
    plate,
    fitting,
    joints,
    pull: {
      id: 'winching',
      name: 'Winching up a ramp',
      on: 'winch',
      at: { ...middle, z: seatZ + PLATE_MM + 50 },
      force,
      needsN,
      ratedN: p.winchN,
      ratedBy: 'its maker, first layer of the drum',
      caution: 'A rope that parts whips back: nobody stands in line with it, and a weight hangs over it while it pulls.',
      lacks: [...lacks, ...(p.winchN === null ? ['what the winch pulls at most'] : [])],
    },
  }
}
