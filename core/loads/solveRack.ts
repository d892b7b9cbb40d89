import { type Assembly, type Joint, loadBars, type Member, memberEnds } from '../assembly/assembly'
import { massPerMetre, profileSection } from '../catalogue/profiles'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import type { Inside, Triple } from '../structure/element'
import type { FrameLoads, Solved } from '../structure/frame'
import { type FeetHold, nearestNode, type RackFrame, rackFrame } from '../structure/rackFrame'
import { type Carried, countsWhen } from './carried'
import { contactsOf, verticalShares } from './contacts'
import { type Air, itemForces } from './itemForces'
import { LEVEL, type LoadCase, windPressurePa } from './loadCases'
import { type MemberState, memberState, sagAt } from './memberState'

/**
 * What one mount takes. N and N·mm: down, forward and left positive; pitch presses the foot's front edge; lean is what its head holds of the bar's
 * bending, nothing where the bar turns on it.
 */
export type FootForce = { downN: number; forwardN: number; leftN: number; pitchNmm: number; leanNmm: number }
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
}
/** Where somebody's weight is on a member, and how much of it pulls aside as well, to the left positive. */
export type Person = { memberId: string; atMm: number; leftShare?: number }

export type RackSolver = {
  solve: (loadCase: LoadCase, speedKmh: number | null, use: 'least' | 'most', want: 'feet' | 'all', person?: Person) => CaseResult
  /** first natural frequency straight up and down, Hz, of the level load; null when a mass is missing */
  frequencyHz: () => number | null
  /** how far a bar sinks against its feet under 1 N at a place */
  sinksPerN: (person: Person) => { sagMm: number }
}

/** The rack as a frame with everything it carries, factorised once. Null when there is nothing to stand on. */
export function rackSolver(assembly: Assembly, carried: Carried[], rules: Rules, people: Person[], hold: FeetHold): RackSolver | null {
  const bars = loadBars(assembly)
  if (!bars.length || !assembly.mounts.length) return null
  const items = carried
    .filter((c) => c.kind !== 'member' && c.bars.length)
    .map((c) => {
      const own = c.bars.map((b) => bars[b]!)
      return { c, bars: own, contacts: own.map((bar) => contactsOf(c, bar)), shares: null as number[] | null }
    })
  const wanted = new Map<string, number[]>()
  const want = (id: string, atMm: number) => wanted.set(id, [...(wanted.get(id) ?? []), atMm])
  for (const i of items) for (const [k, bar] of i.bars.entries()) for (const p of i.contacts[k]!) want(bar.id, p.atMm)
  for (const p of people) want(p.memberId, p.atMm)
  const rack = rackFrame(assembly, rules, wanted, hold)
  const nodeAt = (memberId: string, atMm: number) => String(nearestNode(rack.along.get(memberId) ?? [], atMm))

  function loaded(loadCase: LoadCase, speedKmh: number | null, use: 'least' | 'most', person?: Person) {
    const { air, missing } = airOf(loadCase, speedKmh, rules)
    const loads: FrameLoads = ownWeight(assembly, rack, loadCase, air, rules)
    for (const c of carried) {
      if (!countsWhen(c, loadCase.when)) continue
      if (c[use] === null) missing.push(`mass of ${c.name}`)
      else if (!c.bars.length) missing.push(`a bar under ${c.name}`)
    }
    for (const i of items) {
      const massKg = i.c[use]
      if (massKg === null || !countsWhen(i.c, loadCase.when)) continue
      i.shares ??= verticalShares(i.c, i.contacts, bars, rack)
      for (const f of itemForces(i.c, massKg, { ...i, shares: i.shares }, loadCase, air, rules))
        loads.nodes.push({ node: nodeAt(f.bar.id, f.atMm), force: f.force, moment: f.moment })
    }
    if (person) {
      const n = rules.personKg * rules.personImpact * G_M_S2
      loads.nodes.push({ node: nodeAt(person.memberId, person.atMm), force: [0, n * (person.leftShare ?? 0), -n], moment: [0, 0, 0] })
    }
    return { loads, missing: [...new Set(missing)] }
  }

  return {
    solve: (loadCase, speedKmh, use, wants, person) => {
      const { loads, missing } = loaded(loadCase, speedKmh, use, person)
      const solved = rack.frame.solve(loads)
      const feet = assembly.mounts.map((_, i) => footForce(rack, i, solved, wants === 'all'))
      return {
        case: loadCase,
        hold,
        person: person ? { ...person, kg: rules.personKg } : null,
        joints: wants === 'feet' ? [] : rack.links.map((l) => jointForce(l, solved.inside(l.element))),
        feet,
        feetDownN: feet.map((f) => f.downN),
        members: wants === 'feet' ? [] : assembly.members.map((m) => memberState(m, assembly, rack, solved, rules)),
        missing,
      }
    },
    frequencyHz: () => {
      const { loads, missing } = loaded(LEVEL, null, 'most')
      return missing.length ? null : rayleigh(rack, rack.frame.solve(loads), loads)
    },
    sinksPerN: ({ memberId, atMm }) => {
      const member = assembly.members.find((m) => m.id === memberId)
      if (!member) throw new Error(`no member ${memberId}`)
      const solved = rack.frame.solve({ nodes: [{ node: nodeAt(memberId, atMm), force: [0, 0, -1], moment: [0, 0, 0] }], members: [] })
      return { sagMm: sagAt(member, assembly, rack, solved, atMm) }
    },
  }
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

/** Members along their length with the air on them, feet and step brackets where they stand. */
function ownWeight(assembly: Assembly, rack: RackFrame, loadCase: LoadCase, air: Air, rules: Rules): FrameLoads {
  const loads: FrameLoads = { nodes: [], members: [] }
  for (const m of assembly.members) {
    const uniform = alongMember(m, loadCase, air, rules)
    for (const p of rack.pieces) if (p.memberId === m.id) loads.members.push({ member: String(p.element), uniform })
  }
  const bracketKg = assembly.plates.filter((p) => p.role === 'bracket').reduce((s, p) => s + p.massKg, 0)
  assembly.mounts.forEach((m, i) => {
    const n = (m.massKg + bracketKg) * G_M_S2
    const force: Triple = [n * loadCase.forwardG, n * loadCase.leftG, -n * loadCase.downG]
    loads.nodes.push({ node: String(rack.seats[i]), force, moment: [0, 0, 0] })
  })
  return loads
}

/** N/mm along a member: weight, snow, lift, and the air on the face it shows ahead and aside. */
function alongMember(m: Member, loadCase: LoadCase, air: Air, rules: Rules): Triple {
  const s = profileSection(m.profileId)
  const n = massPerMetre(m.profileId) * 1e-3 * G_M_S2
  const [a, b] = memberEnds(m)
  const reach = Math.max(1, Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z))
  const face = rules.dragCoefficient * s.heightMm * 1e-6
  const drag = (air.aheadPa * face * Math.abs(a.y - b.y)) / reach
  const aside = (air.leftPa * face * Math.abs(a.x - b.x)) / reach
  const onTop = (loadCase.snowKgM2 * G_M_S2 - air.allPa * rules.liftCoefficient) * s.widthMm * 1e-6
  return [n * loadCase.forwardG - drag, n * loadCase.leftG + aside, -onTop - n * loadCase.downG]
}

/** `lean` costs the whole frame's end forces: left out where only what presses and lifts is asked. */
function footForce(rack: RackFrame, i: number, solved: Solved, lean: boolean): FootForce {
  const r = solved.reaction(rack.seats[i]!)
  const post = rack.posts[i]
  const head = !lean || post === null || post === undefined ? undefined : solved.inside(post).at(-1)
  return { downN: r[2]!, forwardN: -r[0]!, leftN: -r[1]!, pitchNmm: -r[4]!, leanNmm: head ? Math.abs(head.momentZ) : 0 }
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
