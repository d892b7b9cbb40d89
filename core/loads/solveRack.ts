import type { Assembly, Bearing, Fitting, Pull } from '../assembly/assembly'
import { AHEAD, ASIDE } from '../assembly/facing'
import { centreLine, nearestAlong, pointAlong } from '../geometry/centreLine'
import type { Triple } from '../geometry/localAxes'
import { apart, cross, dot, minus, size, times, type Vec3 } from '../geometry/vec3'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import type { FrameLoads } from '../structure/frameMember'
import { type FeetHold, nearestNode, type RackFrame, rackLayout, standing } from '../structure/rackFrame'
import { ROW, type Solved } from '../structure/solved'
import { type Carried, countsWhen } from './carried'
import type { CaseResult, FootForce, JointForce, Lack, Person } from './caseResult'
import { type Contact, contactsOf, verticalShares } from './contacts'
import { type Air, itemForces } from './itemForces'
import { LEVEL, type LoadCase } from './loadCases'
import { memberState, sagAt } from './memberState'
import { airOf, carriedTo, type Hung, hungForces, hungPlates, ownWeight, type PerMm, perMm } from './ownWeight'

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
export const rackSolver = (assembly: Assembly, carried: Carried[], rules: Rules, people: Person[], hold: FeetHold): RackSolver | null =>
  rackSolvers(assembly, carried, rules, people, [hold])[0] ?? null

/** The same on feet that hold one way and the other: what is laid out is laid out once. */
export function rackSolvers(assembly: Assembly, carried: Carried[], rules: Rules, people: Person[], holds: FeetHold[]): RackSolver[] {
  if (!assembly.mounts.length || !(assembly.members.length || assembly.fittings.length || assembly.plates.length)) return []
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
      return { c, contacts, axisZMm }
    })
  for (const p of people) want(p.memberId, p.atMm)
  for (const p of assembly.pulls) {
    const line = centreLines.get(p.on)
    if (line) want(p.on, nearestAlong(line, p.at).atMm)
  }
  const layout = rackLayout(assembly, rules, wanted)
  const hung = hungPlates(assembly, layout.parts)
  const given: SolverGiven = {
    ...{ assembly, carried, rules, items, placeOn, centreLines },
    axes: assembly.mounts.map((m) => seatAxes(m.normal)),
    own: { hung, pieces: perMm(assembly, layout.parts) },
  }
  let first: RackFrame | undefined
  return holds.map((hold) => {
    const rack = standing(layout, hold, first)
    first ??= rack
    return solverOn(rack, hold, given)
  })
}

type Item = { c: Carried; contacts: Contact[][]; axisZMm: number[] }
type SolverGiven = {
  assembly: Assembly
  carried: Carried[]
  rules: Rules
  items: Item[]
  placeOn: (b: Bearing, yMm: number) => { at: Vec3; atMm: number }
  centreLines: Map<string, Vec3[]>
  axes: ReturnType<typeof seatAxes>[]
  own: { hung: Hung[]; pieces: PerMm[] }
}
function solverOn(
  rack: RackFrame,
  hold: FeetHold,
  { assembly, carried, rules, items, placeOn, centreLines, axes, own }: SolverGiven,
): RackSolver {
  const nodeAt = (memberId: string, atMm: number) => String(nearestNode(rack.along.get(memberId) ?? [], atMm))
  /** A force at a place of a bearing, as it comes onto the frame; what the vehicle itself bears is no part of it. */
  const onBearing = (b: Bearing, yMm: number, force: Triple, moment: Triple): FrameLoads['nodes'] => {
    if (b.on === null) return []
    const { at, atMm } = placeOn(b, yMm)
    if (centreLines.has(b.on)) return [{ node: nodeAt(b.on, atMm), force, moment }]
    const block = rack.blocks.get(b.on)
    return block ? [{ node: String(block.node), ...carriedTo(at, block.at, force, moment) }] : []
  }
  /** how far each line sinks under 1 N put on each of them, both as the item puts it. mm/N */
  const sinksOf = ({ c, contacts }: Item) =>
    rack.frame.flexibility(c.bearings.map((b, k) => contacts[k]!.flatMap((p) => onBearing(b, p.yMm, [0, 0, -p.share], [0, 0, 0]))))

  /** the node of a part nearest to a place on it */
  const partNode = (id: string, at: Vec3): { node: number; at: Vec3 } | null => {
    const line = centreLines.get(id)
    if (!line) return rack.blocks.get(id) ?? null
    const { atMm } = nearestAlong(line, at)
    return { node: nearestNode(rack.along.get(id) ?? [], atMm), at: pointAlong(line, atMm) }
  }
  /** What a case lacks, and the parts it is about. */
  function lacksIn({ when }: LoadCase, airLacks: string[], use: 'least' | 'most', pull?: Pull): Lack[] {
    const lacks: Lack[] = airLacks.map((says) => ({ says, on: null }))
    for (const f of assembly.fittings) lacks.push(...lacksOf(f).map((says) => ({ says, on: [f.id] })))
    for (const c of carried) {
      if (!countsWhen(c, when)) continue
      if (!c.bearings.length && !c.onFloor) lacks.push({ says: `something under ${c.name}`, on: null })
      if (c[use] === null)
        lacks.push({ says: `mass of ${c.name}`, on: c.bearings.length || c.onFloor ? c.bearings.flatMap((b) => b.on ?? []) : null })
    }
    if (pull) lacks.push(...pull.lacks.map((says) => ({ says, on: [pull.on] })))
    return lacks
  }
  const shares = new Map<Item, number[]>()
  /** Everything under one way of loading, as it is when driving or parked. */
  function loadsOf(loadCase: LoadCase, air: Air, use: 'least' | 'most'): FrameLoads {
    const loads: FrameLoads = ownWeight(assembly, rack, own, loadCase, air, rules)
    for (const i of items) {
      const massKg = i.c[use]
      if (massKg === null || !countsWhen(i.c, loadCase.when)) continue
      const known = shares.get(i) ?? verticalShares(i.c, () => sinksOf(i))
      shares.set(i, known)
      for (const f of itemForces(i.c, massKg, { ...i, shares: known }, loadCase, air, rules))
        loads.nodes.push(...onBearing(f.bearing, f.yMm, f.force, f.moment))
    }
    return loads
  }
  // each way of loading is solved once for all cases that have some of it
  const alike = items.every(({ c }) => (c.least === null) === (c.most === null))
  const alwaysThere = items.every(({ c }) => countsWhen(c, 'driving') && countsWhen(c, 'parked'))
  const solvedWays = new Map<string, Solved>()
  const wayOf = (way: Way, when: LoadCase['when'], use: 'least' | 'most'): Solved => {
    // air and snow ask for no mass: where both masses are known, or neither, they are the same for the least and the most
    const key = `${way} ${alwaysThere ? 'always' : when} ${alike && !way.endsWith('G') ? 'any' : use}`
    const known = solvedWays.get(key)
    if (known) return known
    const { loadCase, air } = oneOf(way, when)
    const solved = rack.frame.solve(loadsOf(loadCase, air, use))
    solvedWays.set(key, solved)
    return solved
  }
  const aloneAt = (node: string, force: Triple, moment: Triple = [0, 0, 0]) => ({
    solved: rack.frame.solve({ nodes: [{ node, force, moment }], members: [] }),
    times: 1,
  })
  const pulledBy = (pull: Pull) => {
    const at = partNode(pull.on, pull.at)
    const { x, y, z } = pull.force
    const { force, moment } = carriedTo(pull.at, at?.at ?? pull.at, [x, y, z], [0, 0, 0])
    return at ? [aloneAt(String(at.node), force, moment)] : []
  }
  const stoodOn = (person: Person) => {
    const n = rules.personKg * rules.personImpact * G_M_S2
    return aloneAt(nodeAt(person.memberId, person.atMm), [n * (person.pulls?.x ?? 0), n * (person.pulls?.y ?? 0), -n])
  }

  return {
    solve: (loadCase, speedKmh, use, wants, person, pull) => {
      const { air, missing } = airOf(loadCase, speedKmh, rules)
      const lacks = lacksIn(loadCase, missing, use, pull)
      const solved = rack.frame.together([
        ...waysOf(loadCase, air).map(({ way, times }) => ({ solved: wayOf(way, loadCase.when, use), times })),
        ...(person ? [stoodOn(person)] : []),
        ...(pull ? pulledBy(pull) : []),
      ])
      const feet = axes.map((a, i) => footForce(rack, a, i, solved, wants === 'all'))
      return {
        case: loadCase,
        hold,
        person: person ? { ...person, kg: rules.personKg } : null,
        joints:
          wants === 'feet'
            ? []
            : [...rack.links.map((l) => jointForce(l, solved)), ...own.hung.flatMap((h) => hungForces(h, loadCase, air, rules))],
        feet,
        feetDownN: feet.map((f) => f.downN),
        members: wants === 'feet' ? [] : assembly.members.map((m) => memberState(m, assembly, rack, solved, rules)),
        missing: [...new Set(lacks.map((l) => l.says))],
        lacks,
      }
    },
    frequencyHz: () => {
      if (lacksIn(LEVEL, [], 'most').length) return null
      return rayleigh(rack, wayOf('downG', LEVEL.when, 'most'), loadsOf(LEVEL, STILL, 'most'))
    },
    sinksPerN: ({ memberId, atMm }) => {
      const member = assembly.members.find((m) => m.id === memberId)
      if (!member) throw new Error(`no member ${memberId}`)
      const solved = rack.frame.solve({ nodes: [{ node: nodeAt(memberId, atMm), force: [0, 0, -1], moment: [0, 0, 0] }], members: [] })
      return { sagMm: sagAt(member, assembly, rack, solved, atMm) }
    },
  }
}

/** What every load of a case is so many times of, none depending on another: g, kg/m², Pa. */
const WAYS = ['downG', 'forwardG', 'leftG', 'snowKgM2', 'allPa', 'aheadPa', 'leftPa'] as const
type Way = (typeof WAYS)[number]
const STILL: Air = { allPa: 0, aheadPa: 0, leftPa: 0 }
/** One of a way and nothing of the others. */
const oneOf = (way: Way, when: LoadCase['when']): { loadCase: LoadCase; air: Air } => ({
  loadCase: { ...LEVEL, when, downG: 0, ...(way in LEVEL ? { [way]: 1 } : {}) },
  air: { ...STILL, ...(way in STILL ? { [way]: 1 } : {}) },
})
const waysOf = (loadCase: LoadCase, air: Air): { way: Way; times: number }[] => {
  const of = { ...loadCase, ...air }
  return WAYS.flatMap((way) => (of[way] === 0 ? [] : [{ way, times: of[way] }]))
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

/** A seat's own ways: out of the body, along the vehicle (aside on a seat that looks along it), and square to both. */
export function seatAxes(normal: Vec3): { out: Vec3; along: Vec3; aside: Vec3 } {
  const wish = Math.abs(normal.x) > 0.9 ? ASIDE : AHEAD
  const level = minus(wish, times(normal, dot(wish, normal)))
  const along = times(level, 1 / size(level))
  return { out: normal, along, aside: cross(normal, along) }
}

/** `lean` costs the whole frame's end forces: left out where only what presses and lifts is asked. */
function footForce(
  rack: RackFrame,
  { out, along, aside }: ReturnType<typeof seatAxes>,
  i: number,
  solved: Solved,
  lean: boolean,
): FootForce {
  const r = solved.reaction(rack.seats[i]!)
  const post = rack.posts[i]
  const head = !lean || post === null || post === undefined ? undefined : solved.atEnd(post)
  const push: Vec3 = { x: -r[0]!, y: -r[1]!, z: -r[2]! }
  const turn: Vec3 = { x: -r[3]!, y: -r[4]!, z: -r[5]! }
  return {
    downN: -dot(push, out),
    forwardN: dot(push, along),
    leftN: dot(push, aside),
    pitchNmm: dot(turn, aside),
    // a bar leans on its seat or turns on it; a flat part is held by its bolts there, prying
    rollNmm: rack.flatOn[i] ? Math.abs(dot(turn, along)) : 0,
    leanNmm: head && rack.leansAbout[i] ? Math.abs(rack.leansAbout[i] === 'y' ? head.momentY : head.momentZ) : 0,
    push,
    turn,
  }
}

function jointForce({ joint, fromEndMm, element }: RackFrame['links'][number], solved: Solved): JointForce {
  const most = { joint, fromEndMm, alongN: 0, acrossYN: 0, acrossZN: 0, acrossN: 0, twistNmm: 0, bendYNmm: 0, bendZNmm: 0, bendNmm: 0 }
  const { rows, count } = solved.insideRows(element, [])
  for (let k = 0; k < count; k++) {
    const at = k * ROW
    const [axial, shearY, shearZ] = [rows[at + 1]!, rows[at + 2]!, rows[at + 3]!]
    const [torque, momentY, momentZ] = [rows[at + 4]!, rows[at + 5]!, rows[at + 6]!]
    most.alongN = Math.max(most.alongN, Math.abs(axial))
    most.acrossYN = Math.max(most.acrossYN, Math.abs(shearY))
    most.acrossZN = Math.max(most.acrossZN, Math.abs(shearZ))
    most.acrossN = Math.max(most.acrossN, Math.sqrt(shearY * shearY + shearZ * shearZ))
    most.twistNmm = Math.max(most.twistNmm, Math.abs(torque))
    most.bendYNmm = Math.max(most.bendYNmm, Math.abs(momentY))
    most.bendZNmm = Math.max(most.bendZNmm, Math.abs(momentZ))
    most.bendNmm = Math.max(most.bendNmm, Math.sqrt(momentY * momentY + momentZ * momentZ))
  }
  return most
}

/** f = (1/2π)·√(g·Σ W·δ / Σ W·δ²), the shape of the level load taken as that of the first mode (Shigley, 10th ed., eq. 7-23). Hz. */
function rayleigh(rack: RackFrame, solved: Solved, loads: FrameLoads): number | null {
  let [top, bottom] = [0, 0]
  const put = (weightN: number, sinkMm: number) => {
    top += weightN * sinkMm
    bottom += weightN * sinkMm ** 2
  }
  const sinks = (node: string) => -solved.movedMm(Number(node), 2)
  for (const l of loads.nodes) put(-l.force[2], sinks(l.node))
  // along a piece by Simpson: its ends and four times its middle
  for (const { element, from, to } of rack.pieces) {
    const m = rack.frame.members[element]!
    const n = (-(loads.perMm?.[3 * element + 2] ?? 0) * apart(from, to)) / 6
    put(n, sinks(m.from))
    put(4 * n, -solved.middleMm(element, 2))
    put(n, sinks(m.to))
  }
  return bottom > 0 && top > 0 ? Math.sqrt((G_M_S2 * 1000 * top) / bottom) / (2 * Math.PI) : null
}
