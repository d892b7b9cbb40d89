import { type Assembly, type Bearing, type Fitting, type Joint, type Plate, type Pull, plateMassKg } from '../assembly/assembly'
import { AHEAD, ASIDE, DOWN, fittingFacingMm2, infillFacingMm2, pieceFacingMm2, plateFacingMm2 } from '../assembly/facing'
import { plateCentre, plateNormal } from '../assembly/places'
import { ridesOf } from '../assembly/rides'
import { massPerMetre } from '../catalogue/profiles'
import { centreLine, nearestAlong, pointAlong } from '../geometry/centreLine'
import type { Triple } from '../geometry/localAxes'
import { cross, dot, minus, plus, size, times, type Vec3 } from '../geometry/vec3'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import type { Inside } from '../structure/element'
import type { FrameLoads, Solved } from '../structure/frame'
import { type FeetHold, nearestNode, type RackFrame, rackFrame } from '../structure/rackFrame'
import { type Carried, countsWhen } from './carried'
import { contactsOf, verticalShares } from './contacts'
import { type Air, itemForces } from './itemForces'
import { LEVEL, type LoadCase, windPressurePa } from './loadCases'
import { type MemberState, memberState, sagAt } from './memberState'

/**
 * What one mount takes, N and N·mm, told from its own seat: `down` presses onto it, `forward` and `left` push along and across it (the vehicle's own ways on a
 * seat that looks up); pitch presses its front edge; lean is what its head holds of the bar's bending, nothing where the bar turns on it. `push` is the same
 * force in vehicle axes, as it acts on the vehicle, and `turn` the moment with it.
 */
export type FootForce = { downN: number; forwardN: number; leftN: number; pitchNmm: number; leanNmm: number; push: Vec3; turn: Vec3 }
/** Greatest of each along a joint's link: along it, across it both ways, twist about it, bending of it both ways. N, N·mm */
export type JointForce = {
  joint: Joint
  /** from the joint to the nearer end of each part, mm */
  fromEndMm: [number, number]
  alongN: number
  acrossYN: number
  acrossZN: number
  acrossN: number
  twistNmm: number
  bendYNmm: number
  bendZNmm: number
  bendNmm: number
}
export type CaseResult = {
  case: LoadCase
  /** whether the feet clamp the bars or the bars turn on them */
  hold: FeetHold
  /** somebody's weight on a bar in this case */
  person: (Person & { kg: number }) | null
  /** per mount in assembly order */
  feet: FootForce[]
  feetDownN: number[]
  members: MemberState[]
  /** what each joint between two members passes on */
  joints: JointForce[]
  missing: string[]
  lacks: Lack[]
}
/** What a case lacks, and the parts it is about; null = all of them. */
export type Lack = { says: string; on: string[] | null }
/** Where somebody's weight is on a member, and how much of it pulls aside as well, to the left positive. */
export type Person = { memberId: string; atMm: number; leftShare?: number }

export type RackSolver = {
  solve: (
    loadCase: LoadCase,
    speedKmh: number | null,
    use: 'least' | 'most',
    want: 'feet' | 'all',
    person?: Person,
    pull?: Pull,
  ) => CaseResult
  /** first natural frequency straight up and down, Hz, of the level load; null when a mass is missing */
  frequencyHz: () => number | null
  /** how far a bar sinks against its feet under 1 N at a place */
  sinksPerN: (person: Person) => { sagMm: number }
}

/** All pieces as a frame with everything they carry, factorised once. Null when there is nothing that could bear, or nothing to stand on. */
export function rackSolver(assembly: Assembly, carried: Carried[], rules: Rules, people: Person[], hold: FeetHold): RackSolver | null {
  if (!assembly.mounts.length || !(assembly.members.length || assembly.fittings.length || assembly.plates.length)) return null
  const centreLines = new Map(assembly.members.map((m) => [m.id, centreLine(m.path, m.bendRadiiMm)]))
  const wanted = new Map<string, number[]>()
  const want = (id: string, atMm: number) => wanted.set(id, [...(wanted.get(id) ?? []), atMm])
  /** the place of a contact on the part that carries it: the level of its centre line, and how far along */
  const placeOn = (b: Bearing, yMm: number): { at: Vec3; atMm: number } => {
    const line = b.on === null ? undefined : centreLines.get(b.on)
    if (!line) return { at: { x: b.xMm, y: yMm, z: b.zMm }, atMm: 0 }
    const { atMm } = nearestAlong(line, { x: b.xMm, y: yMm, z: b.zMm })
    return { at: pointAlong(line, atMm), atMm }
  }
  const items = carried
    .filter((c) => c.bearings.length)
    .map((c) => {
      const contacts = c.bearings.map((b) => contactsOf(c, b))
      c.bearings.forEach((b, k) => {
        for (const p of contacts[k]!) if (b.on !== null && centreLines.has(b.on)) want(b.on, placeOn(b, p.yMm).atMm)
      })
      const axisZMm = c.bearings.map((b, k) => placeOn(b, contacts[k]![0]!.yMm).at.z)
      return { c, contacts, axisZMm, shares: null as number[] | null }
    })
  for (const p of people) want(p.memberId, p.atMm)
  for (const p of assembly.pulls) {
    const line = centreLines.get(p.on)
    if (line) want(p.on, nearestAlong(line, p.at).atMm)
  }
  const rack = rackFrame(assembly, rules, wanted, hold)
  const nodeAt = (memberId: string, atMm: number) => String(nearestNode(rack.along.get(memberId) ?? [], atMm))
  const hung = hungPlates(assembly, rack)
  const own = { hung, pieces: perMm(assembly, rack) }

  /** A force at a place of a bearing, as it comes onto the frame; what the vehicle itself bears is no part of it. */
  const onBearing = (b: Bearing, yMm: number, force: Triple, moment: Triple): FrameLoads['nodes'] => {
    if (b.on === null) return []
    const { at, atMm } = placeOn(b, yMm)
    if (centreLines.has(b.on)) return [{ node: nodeAt(b.on, atMm), force, moment }]
    const block = rack.blocks.get(b.on)
    return block ? [{ node: String(block.node), ...carriedTo(at, block.at, force, moment) }] : []
  }
  /** how far line k sinks under 1 N put on line i as an item puts it */
  const sinksOf = (i: (typeof items)[number]) => (from: number) => {
    const solved = rack.frame.solve({
      nodes: i.contacts[from]!.flatMap((p) => onBearing(i.c.bearings[from]!, p.yMm, [0, 0, -p.share], [0, 0, 0])),
      members: [],
    })
    return i.c.bearings.map((b, k) => -i.contacts[k]!.reduce((s, p) => s + p.share * sinkAt(b, p.yMm, solved), 0))
  }
  const sinkAt = (b: Bearing, yMm: number, solved: Solved): number => {
    if (b.on === null) return 0
    const { at, atMm } = placeOn(b, yMm)
    const line = rack.along.get(b.on)
    if (line) return solved.movement(nearestNode(line, atMm))[2]!
    const block = rack.blocks.get(b.on)
    if (!block) return 0
    const u = solved.movement(block.node)
    return u[2]! + u[3]! * (at.y - block.at.y) - u[4]! * (at.x - block.at.x)
  }

  /** the node of a part nearest to a place on it */
  const partNode = (id: string, at: Vec3): { node: number; at: Vec3 } | null => {
    const line = centreLines.get(id)
    if (!line) return rack.blocks.get(id) ?? null
    const { atMm } = nearestAlong(line, at)
    return { node: nearestNode(rack.along.get(id) ?? [], atMm), at: pointAlong(line, atMm) }
  }
  function loaded(loadCase: LoadCase, speedKmh: number | null, use: 'least' | 'most', person?: Person, pull?: Pull) {
    const { air, missing } = airOf(loadCase, speedKmh, rules)
    const lacks: Lack[] = missing.map((says) => ({ says, on: null }))
    const loads: FrameLoads = ownWeight(assembly, rack, own, loadCase, air, rules)
    for (const f of assembly.fittings) lacks.push(...lacksOf(f).map((says) => ({ says, on: [f.id] })))
    for (const c of carried) {
      if (!countsWhen(c, loadCase.when)) continue
      if (!c.bearings.length && !c.onFloor) lacks.push({ says: `something under ${c.name}`, on: null })
      if (c[use] === null)
        lacks.push({ says: `mass of ${c.name}`, on: c.bearings.length || c.onFloor ? c.bearings.flatMap((b) => b.on ?? []) : null })
    }
    for (const i of items) {
      const massKg = i.c[use]
      if (massKg === null || !countsWhen(i.c, loadCase.when)) continue
      i.shares ??= verticalShares(i.c, sinksOf(i))
      for (const f of itemForces(i.c, massKg, { ...i, shares: i.shares }, loadCase, air, rules))
        loads.nodes.push(...onBearing(f.bearing, f.yMm, f.force, f.moment))
    }
    if (person) {
      const n = rules.personKg * rules.personImpact * G_M_S2
      loads.nodes.push({ node: nodeAt(person.memberId, person.atMm), force: [0, n * (person.leftShare ?? 0), -n], moment: [0, 0, 0] })
    }
    if (pull) {
      lacks.push(...pull.lacks.map((says) => ({ says, on: [pull.on] })))
      const at = partNode(pull.on, pull.at)
      const { x, y, z } = pull.force
      if (at) loads.nodes.push({ node: String(at.node), ...carriedTo(pull.at, at.at, [x, y, z], [0, 0, 0]) })
    }
    return { loads, air, lacks }
  }

  return {
    solve: (loadCase, speedKmh, use, wants, person, pull) => {
      const { loads, air, lacks } = loaded(loadCase, speedKmh, use, person, pull)
      const solved = rack.frame.solve(loads)
      const feet = assembly.mounts.map((m, i) => footForce(rack, m, i, solved, wants === 'all'))
      return {
        case: loadCase,
        hold,
        person: person ? { ...person, kg: rules.personKg } : null,
        joints:
          wants === 'feet'
            ? []
            : [
                ...rack.links.map((l) => jointForce(l, solved.inside(l.element))),
                ...hung.flatMap((h) => hungForces(h, loadCase, air, rules)),
              ],
        feet,
        feetDownN: feet.map((f) => f.downN),
        members: wants === 'feet' ? [] : assembly.members.map((m) => memberState(m, assembly, rack, solved, rules)),
        missing: [...new Set(lacks.map((l) => l.says))],
        lacks,
      }
    },
    frequencyHz: () => {
      const { loads, lacks } = loaded(LEVEL, null, 'most')
      return lacks.length ? null : rayleigh(rack, rack.frame.solve(loads), loads)
    },
    sinksPerN: ({ memberId, atMm }) => {
      const member = assembly.members.find((m) => m.id === memberId)
      if (!member) throw new Error(`no member ${memberId}`)
      const solved = rack.frame.solve({ nodes: [{ node: nodeAt(memberId, atMm), force: [0, 0, -1], moment: [0, 0, 0] }], members: [] })
      return { sagMm: sagAt(member, assembly, rack, solved, atMm) }
    },
  }
}

/** What of a fitting the frame needs and nobody measured. */
function lacksOf(f: Fitting): string[] {
  const says = {
    x: `place of ${f.name}`,
    behind: `place of ${f.name} behind the pin`,
    z: `centre height of ${f.name}`,
    box: `size of ${f.name}`,
    feet: `how many feet ${f.name} has`,
  }
  return [...(f.massKg === null ? [`mass of ${f.name}`] : []), ...f.unknown.map((u) => says[u])]
}

/** A force and moment at one place as they are at another of the same stiff part: m + r × f. */
function carriedTo(at: Vec3, to: Vec3, force: Triple, moment: Triple): { force: Triple; moment: Triple } {
  const [fx, fy, fz] = force
  const turn = cross(minus(at, to), { x: fx, y: fy, z: fz })
  return { force, moment: [moment[0] + turn.x, moment[1] + turn.y, moment[2] + turn.z] }
}

/** A sheet that is only hung on other parts: where it is joined, and the node there of the part that carries it. */
type Hung = { plate: Plate; at: Vec3; joints: { joint: Joint; node: number; nodeAt: Vec3; fromEndMm: number; atMm: number }[] }

function hungPlates(assembly: Assembly, rack: RackFrame): Hung[] {
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

function hungForces(h: Hung, loadCase: LoadCase, air: Air, rules: Rules): JointForce[] {
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
function airOf(loadCase: LoadCase, speedKmh: number | null, rules: Rules): { air: Air; missing: string[] } {
  const still = loadCase.headWindKmh === null
  const missing = !still && speedKmh === null ? ['driving speed'] : []
  const pressure = (kmh: number) => windPressurePa(rules.airDensity, kmh)
  const aheadPa = still ? 0 : pressure((speedKmh ?? 0) + (loadCase.headWindKmh ?? 0))
  const gustPa = loadCase.gustFrom ? pressure(rules.sideWindKmh) : 0
  // a gust from the left pushes to the right
  return { air: { allPa: aheadPa + gustPa, aheadPa, leftPa: loadCase.gustFrom === 'left' ? -gustPa : gustPa }, missing }
}

/** Members along their length with the air on them; stiff plates and fittings at their middle, sheet at its joints, infill along what it is fixed to, feet and their brackets where they stand. */
function ownWeight(
  assembly: Assembly,
  rack: RackFrame,
  { hung, pieces }: { hung: Hung[]; pieces: PerMm[] },
  loadCase: LoadCase,
  air: Air,
  rules: Rules,
): FrameLoads {
  const loads: FrameLoads = { nodes: [], members: [] }
  const infill = infillAlong(assembly, rack, loadCase, air, rules)
  for (const p of pieces) {
    const own = alongPiece(p, loadCase, air, rules)
    const more = infill.get(p.piece.memberId) ?? [0, 0, 0]
    loads.members.push({ member: String(p.piece.element), uniform: [own[0] + more[0], own[1] + more[1], own[2] + more[2]] })
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
type PerMm = { piece: RackFrame['pieces'][number]; weightN: number; downM2: number; aheadM2: number; asideM2: number }
function perMm(assembly: Assembly, rack: RackFrame): PerMm[] {
  const byId = new Map(assembly.members.map((m) => [m.id, m]))
  return rack.pieces.flatMap((piece): PerMm[] => {
    const m = byId.get(piece.memberId)
    if (!m) return []
    const length = Math.max(1e-9, piece.toMm - piece.fromMm)
    const face = (way: Vec3) => (pieceFacingMm2(m, piece.from, piece.to, way) / length) * 1e-6
    const weightN = massPerMetre(m.profileId) * 1e-3 * G_M_S2
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

/** A seat's own ways: out of the body, along the vehicle (aside on a seat that looks along it), and square to both. */
export function seatAxes(normal: Vec3): { out: Vec3; along: Vec3; aside: Vec3 } {
  const wish = Math.abs(normal.x) > 0.9 ? ASIDE : AHEAD
  const level = minus(wish, times(normal, dot(wish, normal)))
  const along = times(level, 1 / size(level))
  return { out: normal, along, aside: cross(normal, along) }
}

/** `lean` costs the whole frame's end forces: left out where only what presses and lifts is asked. */
function footForce(rack: RackFrame, mount: Assembly['mounts'][number], i: number, solved: Solved, lean: boolean): FootForce {
  const r = solved.reaction(rack.seats[i]!)
  const post = rack.posts[i]
  const head = !lean || post === null || post === undefined ? undefined : solved.inside(post).at(-1)
  const push: Vec3 = { x: -r[0]!, y: -r[1]!, z: -r[2]! }
  const turn: Vec3 = { x: -r[3]!, y: -r[4]!, z: -r[5]! }
  const { out, along, aside } = seatAxes(mount.normal)
  return {
    downN: -dot(push, out),
    forwardN: dot(push, along),
    leftN: dot(push, aside),
    pitchNmm: dot(turn, aside),
    leanNmm: head && rack.leansAbout[i] ? Math.abs(rack.leansAbout[i] === 'y' ? head.momentY : head.momentZ) : 0,
    push,
    turn,
  }
}

function jointForce({ joint, fromEndMm }: RackFrame['links'][number], inside: Inside[]): JointForce {
  const most = (of: (i: Inside) => number) => Math.max(...inside.map((i) => Math.abs(of(i))))
  return {
    joint,
    fromEndMm,
    alongN: most((i) => i.axial),
    acrossYN: most((i) => i.shearY),
    acrossZN: most((i) => i.shearZ),
    acrossN: most((i) => Math.hypot(i.shearY, i.shearZ)),
    twistNmm: most((i) => i.torque),
    bendYNmm: most((i) => i.momentY),
    bendZNmm: most((i) => i.momentZ),
    bendNmm: most((i) => Math.hypot(i.momentY, i.momentZ)),
  }
}

/** f = (1/2π)·√(g·Σ W·δ / Σ W·δ²), the shape of the level load taken as that of the first mode (Shigley, 10th ed., eq. 7-23). Hz. */
function rayleigh(rack: RackFrame, solved: Solved, loads: FrameLoads): number | null {
  let [top, bottom] = [0, 0]
  const put = (weightN: number, sinkMm: number) => {
    top += weightN * sinkMm
    bottom += weightN * sinkMm ** 2
  }
  const sinks = (node: string) => -solved.movement(Number(node))[2]!
  for (const l of loads.nodes) put(-l.force[2], sinks(l.node))
  for (const l of loads.members) {
    const m = rack.frame.members[Number(l.member)]!
    const [a, b] = [rack.frame.nodes[Number(m.from)]!, rack.frame.nodes[Number(m.to)]!]
    const n = (-(l.uniform?.[2] ?? 0) * Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z)) / 2
    put(n, sinks(m.from))
    put(n, sinks(m.to))
  }
  return bottom > 0 && top > 0 ? Math.sqrt((G_M_S2 * 1000 * top) / bottom) / (2 * Math.PI) : null
}
