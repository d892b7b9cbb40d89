import type { Joint, Member } from '../assembly/assembly'
import { type BoltSize, boltSizes } from '../catalogue/bolts'
import { materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import { type Section, wallOf } from '../catalogue/section'
import { leftBesideHoles, tubeBearsBoltN } from '../fasten/crushing'
import { figure } from '../figure/figure'
import { greatest } from '../figure/greatest'
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

type Place = { r: CaseResult; inner: Inner; net: Net; netMPa: number }
/** What of a member is left beside the holes of a joint: the same in every case. */
type Net = { member: Member; joint: Bolted; section: Section; leftShare: number; netAreaMm2: number; allowedMPa: number }

/** The pair of bolts of a crossing lies along the first part, so it takes one hole out of that part's section and both out of the second's. */
const holesAcross = (member: Member, joint: Bolted): number => (joint.between[0] === member.id ? 1 : joint.bolts.count)

function netOf(member: Member, of: Joint): Net | null {
  const [joint] = boltedJoints([of])
  const { shape, materialId } = profileOf(member.profileId)
  const section = profileSection(member.profileId)
  const wallMm = wallOf(shape)
  if (wallMm === null || !joint) return null
  const holeMm = boltSizes[joint.bolts.size].diameterMm + 1
  const solid = shape.kind === 'flat' ? section.heightMm / 2 : wallMm
  const across = holesAcross(member, joint)
  const leftShare = leftBesideHoles({
    ...{ secondMomentMm4: section.iyMm4, heightMm: section.heightMm, wallMm: solid, holeMm, holesAcross: across },
  })
  const netAreaMm2 = Math.max(1, section.areaMm2 - 2 * across * holeMm * solid)
  return { member, joint, section, leftShare, netAreaMm2, allowedMPa: materialOf(materialId).tensileMPa / RUPTURE_SAFETY }
}

function netSection({ assembly, cases, lacks, rules, own }: JointsGiven): Limit[] {
  const byId = new Map(assembly.members.filter((m) => own(m.id)).map((m) => [m.id, m]))
  const nets = new Map<Member, Map<Joint, Net | null>>()
  const kept = (member: Member, joint: Joint): Net | null => {
    const its = nets.get(member) ?? new Map<Joint, Net | null>()
    nets.set(member, its)
    const found = its.get(joint)
    if (found !== undefined) return found
    const net = netOf(member, joint)
    its.set(joint, net)
    return net
  }
  const places: Place[] = []
  for (const r of cases)
    for (const state of r.members) {
      const member = byId.get(state.memberId)
      if (!member) continue
      for (const inner of state.atHoles) {
        const net = kept(member, inner.joint)
        if (!net) continue
        const bends = bendingMPa(inner.momentYNmm, inner.momentZNmm, net.section)
        places.push({ r, inner, net, netMPa: Math.abs(inner.axialN) / net.netAreaMm2 + bends / net.leftShare })
      }
    }
  const worst = greatest(places, (p) => p.netMPa / p.net.allowedMPa)
  if (!worst) return []
  const { member, section: s, leftShare } = worst.net
  return [
    limit({
      id: 'member.holes',
      name: 'Members beside their holes',
      group: 'rack',
      unit: 'MPa',
      ref: member.id,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'member.holes',
          name: `${member.name} ${member.mark} at its holes, ${worst.r.case.name}`,
          unit: 'MPa',
          formula: 'σ = σN + σM / k, k = 1 − n·d0·t·2·((h − t)/2)² / I',
          source: 'AISC 360-16, D2b and F13.1: rupture of the net section',
          with: {
            σN: [
              worst.netMPa - bendingMPa(worst.inner.momentYNmm, worst.inner.momentZNmm, s) / leftShare,
              'MPa',
              'pull over the area left',
            ],
            σM: [bendingMPa(worst.inner.momentYNmm, worst.inner.momentZNmm, s), 'MPa', 'bending of the whole section'],
            k: [leftShare, '', 'share of the section that is left'],
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
            fu: [materialOf(profileOf(member.profileId).materialId).tensileMPa, 'MPa', 'tensile strength'],
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
