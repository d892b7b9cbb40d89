import { type Assembly, type Joint, type Member, memberMassKg, type Plate, plateMassKg } from '../assembly/assembly'
import { AHEAD, ASIDE, DOWN, fittingFacingMm2, infillFacingMm2, pieceFacingMm2, plateFacingMm2 } from '../assembly/facing'
import { plateCentre, plateNormal } from '../assembly/places'
import { ridesOf } from '../assembly/rides'
import { centreLine, nearestAlong, pointAlong } from '../geometry/centreLine'
import type { Triple } from '../geometry/localAxes'
import { cross, dot, minus, plus, size, times, type Vec3 } from '../geometry/vec3'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import type { FrameLoads } from '../structure/frameMember'
import { nearestNode, type RackFrame, type RackParts } from '../structure/rackFrame'
import type { JointForce } from './caseResult'
import type { Air } from './itemForces'
import { type LoadCase, windPressurePa } from './loadCases'

/** A force and moment at one place as they are at another of the same stiff part: m + r × f. */
export function carriedTo(at: Vec3, to: Vec3, force: Triple, moment: Triple): { force: Triple; moment: Triple } {
  const [fx, fy, fz] = force
  const turn = cross(minus(at, to), { x: fx, y: fy, z: fz })
  return { force, moment: [moment[0] + turn.x, moment[1] + turn.y, moment[2] + turn.z] }
}

/** A sheet that is only hung on other parts: where it is joined, and the node there of the part that carries it. */
export type Hung = { plate: Plate; at: Vec3; joints: { joint: Joint; node: number; nodeAt: Vec3; fromEndMm: number; atMm: number }[] }

export function hungPlates(assembly: Assembly, rack: RackParts): Hung[] {
  const { hung } = ridesOf(assembly)
  return assembly.plates
    .filter((p) => hung.has(p.id))
    .map((plate) => ({
      plate,
      at: plateCentre(plate),
      joints: assembly.joints.flatMap((joint) => {
        const other = joint.between[0] === plate.id ? joint.between[1] : joint.between[1] === plate.id ? joint.between[0] : null
        if (other === null) return []
        const member = assembly.members.find((m) => m.id === other)
        if (member) {
          const line = centreLine(member.path, member.bendRadiiMm)
          const { atMm } = nearestAlong(line, joint.at)
          const own = rack.along.get(other) ?? []
          const node = nearestNode(own, atMm)
          const length = own[own.length - 1]?.atMm ?? 0
          return [{ joint, node, nodeAt: pointAlong(line, atMm), fromEndMm: Math.min(atMm, length - atMm), atMm }]
        }
        const block = rack.blocks.get(other)
        return block ? [{ joint, node: block.node, nodeAt: block.at, fromEndMm: 0, atMm: 0 }] : []
      }),
    }))
}

/** Weight, and the air on a face, as one force at the middle of a part. N */
function partForce(kg: number, facingMm2: (way: Vec3) => number, drag: number, loadCase: LoadCase, air: Air, rules: Rules): Triple {
  const n = kg * G_M_S2
  const face = (way: Vec3) => facingMm2(way) * 1e-6
  const onTop = (loadCase.snowKgM2 * G_M_S2 - air.allPa * rules.liftCoefficient) * face(DOWN)
  return [
    n * loadCase.forwardG - air.aheadPa * drag * face(AHEAD),
    n * loadCase.leftG + air.leftPa * rules.dragCoefficient * face(ASIDE),
    -n * loadCase.downG - onTop,
  ]
}

const plateForce = (p: Plate, loadCase: LoadCase, air: Air, rules: Rules): Triple =>
  partForce(
    plateMassKg(p),
    (way) => plateFacingMm2(p, way),
    p.air === 'fairing' ? rules.fairingDragCoefficient : rules.dragCoefficient,
    loadCase,
    air,
    rules,
  )

/** What each joint of a hung sheet takes: its share of the force, and of the moment about the middle of its joints. N, N·mm */
function hungShares({ plate, at, joints }: Hung, loadCase: LoadCase, air: Air, rules: Rules): { force: Triple; moment: Triple } | null {
  if (!joints.length) return null
  const all = plateForce(plate, loadCase, air, rules)
  const middle = times(
    joints.reduce((s, j) => plus(s, j.joint.at), { x: 0, y: 0, z: 0 }),
    1 / joints.length,
  )
  const { force, moment } = carriedTo(at, middle, all, [0, 0, 0])
  const each = (t: Triple): Triple => [t[0] / joints.length, t[1] / joints.length, t[2] / joints.length]
  return { force: each(force), moment: each(moment) }
}

export function hungForces(h: Hung, loadCase: LoadCase, air: Air, rules: Rules): JointForce[] {
  const share = hungShares(h, loadCase, air, rules)
  if (!share) return []
  const n = plateNormal(h.plate)
  const vec = ([x, y, z]: Triple): Vec3 => ({ x, y, z })
  const [f, m] = [vec(share.force), vec(share.moment)]
  const [along, twist] = [dot(f, n), dot(m, n)]
  const [across, bend] = [size(minus(f, times(n, along))), size(minus(m, times(n, twist)))]
  return h.joints.map(({ joint, fromEndMm }) => ({
    joint,
    fromEndMm: joint.between[0] === h.plate.id ? [0, fromEndMm] : [fromEndMm, 0],
    alongN: Math.abs(along),
    acrossYN: across,
    acrossZN: across,
    acrossN: across,
    twistNmm: Math.abs(twist),
    bendYNmm: bend,
    bendZNmm: bend,
    bendNmm: bend,
  }))
}

/** The air of a case: the vehicle's own speed and what comes on top of it from ahead, and a gust from one side at the same time. */
export function airOf(loadCase: LoadCase, speedKmh: number | null, rules: Rules): { air: Air; missing: string[] } {
  const { standingWind: wind } = loadCase
  if (wind) {
    const q = windPressurePa(rules.airDensity, wind.kmh)
    const signed = (plus: boolean, minus: boolean) => (plus ? q : minus ? -q : 0)
    return {
      air: {
        allPa: q,
        aheadPa: signed(wind.from === 'front', wind.from === 'rear'),
        leftPa: signed(wind.from === 'right', wind.from === 'left'),
      },
      missing: [],
    }
  }
  const still = loadCase.headWindKmh === null
  const missing = !still && speedKmh === null ? ['driving speed'] : []
  const pressure = (kmh: number) => windPressurePa(rules.airDensity, kmh)
  const aheadPa = still ? 0 : pressure((speedKmh ?? 0) + (loadCase.headWindKmh ?? 0))
  const gustPa = loadCase.gustFrom ? pressure(rules.sideWindKmh) : 0
  // a gust from the left pushes to the right
  return { air: { allPa: aheadPa + gustPa, aheadPa, leftPa: loadCase.gustFrom === 'left' ? -gustPa : gustPa }, missing }
}

/** Members along their length with the air on them; stiff plates and fittings at their middle, sheet at its joints, infill along what it is fixed to, feet and their brackets where they stand. */
export function ownWeight(
  assembly: Assembly,
  rack: RackFrame,
  { hung, pieces }: { hung: Hung[]; pieces: PerMm[] },
  loadCase: LoadCase,
  air: Air,
  rules: Rules,
): FrameLoads {
  const perMm = new Float64Array(3 * rack.frame.members.length)
  const loads: FrameLoads = { nodes: [], members: [], perMm }
  const infill = infillAlong(assembly, rack, loadCase, air, rules)
  for (const p of pieces) {
    const own = alongPiece(p, loadCase, air, rules)
    const more = infill.get(p.piece.memberId) ?? [0, 0, 0]
    for (let d = 0; d < 3; d++) perMm[3 * p.piece.element + d] = own[d]! + more[d]!
  }
  const put = (node: number, force: Triple, moment: Triple = [0, 0, 0]) => loads.nodes.push({ node: String(node), force, moment })
  const weigh = (kg: number): Triple => [kg * G_M_S2 * loadCase.forwardG, kg * G_M_S2 * loadCase.leftG, -kg * G_M_S2 * loadCase.downG]
  const plates = new Map(assembly.plates.map((p) => [p.id, p]))
  for (const p of assembly.plates) {
    const block = rack.blocks.get(p.id)
    if (block) put(block.node, plateForce(p, loadCase, air, rules))
  }
  for (const f of assembly.fittings) {
    const block = rack.blocks.get(f.id)
    if (!block) continue
    const still = { ...loadCase, forwardG: 0, leftG: 0, downG: 0 }
    const blown = partForce(0, (way) => fittingFacingMm2(f, way), rules.dragCoefficient, still, air, rules)
    put(block.node, weigh(f.massKg ?? 0))
    const { force, moment } = carriedTo(f.middle, f.at, blown, [0, 0, 0])
    put(block.node, force, moment)
  }
  for (const h of hung) {
    const share = hungShares(h, loadCase, air, rules)
    if (share)
      for (const j of h.joints) {
        const { force, moment } = carriedTo(j.joint.at, j.nodeAt, share.force, share.moment)
        put(j.node, force, moment)
      }
  }
  for (const l of rack.links) {
    const plate = l.joint.gusset && plates.get(l.joint.gusset.plateId)
    if (plate) put(Number(rack.frame.members[l.element]!.to), plateForce(plate, loadCase, air, rules))
  }
  assembly.mounts.forEach((m, i) => {
    const via = m.via === null ? undefined : plates.get(m.via)
    put(rack.seats[i]!, weigh(m.massKg + (via ? plateMassKg(via) : 0)))
  })
  return loads
}

/** One straight piece of a member by the millimetre: its weight, N, and the faces it shows, m². The same in every case, so worked out once. */
export type PerMm = { piece: RackFrame['pieces'][number]; weightN: number; downM2: number; aheadM2: number; asideM2: number }
export function perMm(assembly: Assembly, rack: RackParts): PerMm[] {
  const byId = new Map(assembly.members.map((m) => [m.id, m]))
  // chords of a bend are a hair shorter than its arc: all of the tube weighs all the same
  const ends = (m: Member) => Math.max(1e-9, rack.along.get(m.id)?.at(-1)?.atMm ?? 0)
  const weight = new Map(assembly.members.map((m) => [m.id, (memberMassKg(m) * G_M_S2) / ends(m)]))
  return rack.pieces.flatMap((piece): PerMm[] => {
    const m = byId.get(piece.memberId)
    if (!m) return []
    const length = Math.max(1e-9, piece.toMm - piece.fromMm)
    const face = (way: Vec3) => (pieceFacingMm2(m, piece.from, piece.to, way) / length) * 1e-6
    const weightN = weight.get(m.id) ?? 0
    return [{ piece, weightN, downM2: face(DOWN), aheadM2: face(AHEAD), asideM2: face(ASIDE) }]
  })
}

/** N/mm along one straight piece of a member: weight, snow, lift, and the air on the faces it shows ahead and aside. */
function alongPiece({ weightN: n, downM2, aheadM2, asideM2 }: PerMm, loadCase: LoadCase, air: Air, rules: Rules): Triple {
  const onTop = (loadCase.snowKgM2 * G_M_S2 - air.allPa * rules.liftCoefficient) * downM2
  return [
    n * loadCase.forwardG - air.aheadPa * rules.dragCoefficient * aheadM2,
    n * loadCase.leftG + air.leftPa * rules.dragCoefficient * asideM2,
    -onTop - n * loadCase.downG,
  ]
}

/** N/mm that infill puts on each member it is fixed to: shared by their length. */
function infillAlong(assembly: Assembly, rack: RackFrame, loadCase: LoadCase, air: Air, rules: Rules): Map<string, Triple> {
  const out = new Map<string, Triple>()
  for (const i of assembly.infills) {
    const lengths = i.on.map((id) => ({ id, mm: rack.along.get(id)?.at(-1)?.atMm ?? 0 }))
    const all = lengths.reduce((s, l) => s + l.mm, 0)
    if (all <= 0) continue
    const f = partForce(i.massKg, (way) => infillFacingMm2(i, way), rules.dragCoefficient, loadCase, air, rules)
    for (const { id } of lengths) {
      const now = out.get(id) ?? [0, 0, 0]
      out.set(id, [now[0] + f[0] / all, now[1] + f[1] / all, now[2] + f[2] / all])
    }
  }
  return out
}
