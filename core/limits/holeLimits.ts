import type { Joint, Member } from '../assembly/assembly'
import { type BoltSize, boltSizes } from '../catalogue/bolts'
import { materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import { wallOf } from '../catalogue/section'
import { leftBesideHoles, tubeBearsBoltN } from '../fasten/crushing'
import { figure } from '../figure/figure'
import type { CaseResult } from '../loads/caseResult'
import { bendingMPa, type Inner } from '../loads/memberState'
import type { JointsGiven } from './jointsGiven'
import { type Limit, limit } from './limit'

type Bolted = Joint & { bolts: NonNullable<Joint['bolts']> }
const boltedJoints = (joints: Joint[]): Bolted[] => joints.flatMap((j) => (j.bolts ? [{ ...j, bolts: j.bolts }] : []))
const RUPTURE_SAFETY = 2 // Ω, AISC 360-16, D2 and J4.1b
const TORQUE_FACTOR = 0.2 // K, dry: Shigley, 10th ed., table 8-15
const WASHER = 2 // a washer is twice its bolt across, ISO 7089

/** What bolts do to the members they go through: less section beside the holes, and an empty tube squeezed by a bolt tightened through it. */
export const holeLimits = (given: JointsGiven): Limit[] => [...netSection(given), ...squeezed(given)]

type Place = { r: CaseResult; member: Member; joint: Bolted; inner: Inner }

/** The pair of bolts of a crossing lies along the first part, so it takes one hole out of that part's section and both out of the second's. */
const holesAcross = (p: Pick<Place, 'joint' | 'member'>): number => (p.joint.between[0] === p.member.id ? 1 : p.joint.bolts.count)

function netOf(p: Place): { leftShare: number; netMPa: number; allowedMPa: number; wallMm: number } | null {
  const { shape, materialId } = profileOf(p.member.profileId)
  const s = profileSection(p.member.profileId)
  const wallMm = wallOf(shape)
  if (wallMm === null) return null
  const holeMm = boltSizes[p.joint.bolts.size].diameterMm + 1
  const solid = shape.kind === 'flat' ? s.heightMm / 2 : wallMm
  const leftShare = leftBesideHoles({ secondMomentMm4: s.iyMm4, heightMm: s.heightMm, wallMm: solid, holeMm, holesAcross: holesAcross(p) })
  const netAreaMm2 = Math.max(1, s.areaMm2 - 2 * holesAcross(p) * holeMm * solid)
  const netMPa = Math.abs(p.inner.axialN) / netAreaMm2 + bendingMPa(p.inner.momentYNmm, p.inner.momentZNmm, s) / leftShare
  return { leftShare, netMPa, allowedMPa: materialOf(materialId).tensileMPa / RUPTURE_SAFETY, wallMm }
}

function netSection({ assembly, cases, lacks, rules, own }: JointsGiven): Limit[] {
  const byId = new Map(assembly.members.filter((m) => own(m.id)).map((m) => [m.id, m]))
  const places = cases.flatMap((r) =>
    r.members.flatMap((state) => {
      const member = byId.get(state.memberId)
      if (!member) return []
      return state.atHoles.flatMap((inner): (Place & { net: NonNullable<ReturnType<typeof netOf>> })[] => {
        const [joint] = boltedJoints([inner.joint])
        const net = joint && netOf({ r, member, joint, inner })
        return joint && net ? [{ r, member, joint, inner, net }] : []
      })
    }),
  )
  if (!places.length) return []
  const worst = places.reduce((a, b) => (b.net.netMPa / b.net.allowedMPa > a.net.netMPa / a.net.allowedMPa ? b : a))
  const s = profileSection(worst.member.profileId)
  return [
    limit({
      id: 'member.holes',
      name: 'Members beside their holes',
      group: 'rack',
      unit: 'MPa',
      ref: worst.member.id,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'member.holes',
          name: `${worst.member.name} ${worst.member.mark} at its holes, ${worst.r.case.name}`,
          unit: 'MPa',
          formula: 'σ = σN + σM / k, k = 1 − n·d0·t·2·((h − t)/2)² / I',
          source: 'AISC 360-16, D2b and F13.1: rupture of the net section',
          with: {
            σN: [
              worst.net.netMPa - bendingMPa(worst.inner.momentYNmm, worst.inner.momentZNmm, s) / worst.net.leftShare,
              'MPa',
              'pull over the area left',
            ],
            σM: [bendingMPa(worst.inner.momentYNmm, worst.inner.momentZNmm, s), 'MPa', 'bending of the whole section'],
            k: [worst.net.leftShare, '', 'share of the section that is left'],
          },
          lacks,
        },
        ({ σN, σM, k }) => σN + σM / k,
      ),
      allowed: figure(
        {
          id: 'member.holes.allowed',
          name: 'Tensile strength over its factor',
          unit: 'MPa',
          formula: 'σ ≤ fu / Ω',
          source: 'AISC 360-16, D2b, Ω = 2.0',
          with: {
            fu: [materialOf(profileOf(worst.member.profileId).materialId).tensileMPa, 'MPa', 'tensile strength'],
            Ω: [RUPTURE_SAFETY, '', 'safety factor'],
          },
        },
        ({ fu, Ω }) => fu / Ω,
      ),
    }),
  ]
}

/** A bolt through both walls of an empty tube caves them in when it is tightened, unless a sleeve stands between. */
function squeezed({ assembly, rules, own }: JointsGiven): Limit[] {
  const all = boltedJoints(assembly.joints)
    .filter((j) => !j.bolts.sleeved)
    .flatMap((joint) =>
      joint.between.flatMap((id) => {
        const member = assembly.members.find((m) => m.id === id)
        if (!member || !own(id)) return []
        const { shape, materialId } = profileOf(member.profileId)
        const washerMm = WASHER * boltSizes[joint.bolts.size].diameterMm
        const bearsN = tubeBearsBoltN(shape, washerMm, materialOf(materialId).yieldMPa)
        return bearsN === null ? [] : [{ member, size: joint.bolts.size, bearsN, washerMm }]
      }),
    )
  if (!all.length) return []
  const pull = (size: BoltSize) => (rules.tubeBoltTorqueNm * 1000) / (TORQUE_FACTOR * boltSizes[size].diameterMm)
  const worst = all.reduce((a, b) => (pull(b.size) / b.bearsN > pull(a.size) / a.bearsN ? b : a))
  return [
    limit({
      id: 'joint.squeeze',
      name: 'Bolts squeezing empty tube',
      group: 'rack',
      unit: 'N',
      ref: worst.member.id,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'joint.squeeze',
          name: `${worst.size} through ${worst.member.mark}, tightened`,
          unit: 'N',
          formula: 'P = T / (K·d)',
          source: 'Shigley, 10th ed., eq. 8-27',
          with: {
            T: [rules.tubeBoltTorqueNm * 1000, 'N·mm', 'torque'],
            K: [TORQUE_FACTOR, '', 'torque factor, dry'],
            d: [boltSizes[worst.size].diameterMm, 'mm', 'bolt diameter'],
          },
        },
        ({ T, K, d }) => T / (K * d),
      ),
      allowed: figure(
        {
          id: 'joint.squeeze.allowed',
          name: `Walls of ${worst.member.mark} under a washer`,
          unit: 'N',
          formula: 'rectangular: fy·t²·(2η/(1 − β) + 4/√(1 − β)) / Ω; round: ring of Roark, table 9.2',
          source: 'AISC 360-16, K3 (yield lines); Roark, 8th ed., table 9.2',
          with: { P: [worst.bearsN, 'N', `what it bears under {${worst.washerMm}}`] },
        },
        ({ P }) => P,
      ),
      caution: 'A crushed tube keeps neither its torque nor its strength: sleeve it, or tighten by feel of the wall.',
    }),
  ]
}
