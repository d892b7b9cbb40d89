import { type Assembly, type Joint, loadBars, type Member } from '../assembly/assembly'
import { type Material, materialOf } from '../catalogue/materials'
import { massPerMetre, profileOf, profileSection } from '../catalogue/profiles'
import type { Section } from '../catalogue/section'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import type { Inside } from '../structure/element'
import type { FrameLoads, Solved } from '../structure/frame'
import { nearestNode, type RackFrame, rackFrame } from '../structure/rackFrame'
import { type Carried, countsWhen } from './carried'
import { type LoadCase, windPressurePa } from './loadCases'
import { shareAlong, shareLimp, shareRigid } from './shareAlong'

/** What one mount takes. N and N·mm: down, forward and left positive; pitch presses the foot's front edge. */
export type FootForce = { downN: number; forwardN: number; leftN: number; pitchNmm: number }
/** The most used place of one member in one case. */
export type MemberState = {
  memberId: string
  /** stress over what is allowed there */
  used: number
  stressMPa: number
  allowedMPa: number
  weld: boolean
  atMm: number
  axialN: number
  momentYNmm: number
  momentZNmm: number
  torqueNmm: number
  shearN: number
  /** greatest push along it */
  pushN: number
  /** deepest place between or beyond its feet, against the line through them */
  sagMm: number
  sagAtMm: number
  /** how its centre line moves, in order along it */
  shape: { atMm: number; x: number; y: number; z: number }[]
}
/** Greatest of each along a joint's link: along it, across it, twist about it, bending of it. N, N·mm */
export type JointForce = {
  joint: Joint
  /** from the joint to the nearer end of each part, mm */
  fromEndMm: [number, number]
  alongN: number
  acrossN: number
  twistNmm: number
  bendNmm: number
}
export type CaseResult = {
  case: LoadCase
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
/** Where a carried thing touches a bar: places along it, and the share of the load on each. */
type Contact = { atMm: number; share: number }

export type RackSolver = {
  solve: (loadCase: LoadCase, speedKmh: number | null, use: 'least' | 'most', want: 'feet' | 'all', person?: Person) => CaseResult
  /** first natural frequency straight up and down, Hz, of the level load; null when a mass is missing */
  frequencyHz: () => number | null
  /** how far a bar sinks against its feet under 1 N at a place, and the forces that makes on the feet */
  sinksPerN: (person: Person) => { sagMm: number }
}

/** The rack as a frame with everything it carries, factorised once. Null when there is nothing to stand on. */
export function rackSolver(assembly: Assembly, carried: Carried[], rules: Rules, people: Person[] = []): RackSolver | null {
  const bars = loadBars(assembly)
  if (!bars.length || !assembly.mounts.length) return null
  const items = carried.filter((c) => c.kind !== 'member' && c.bars.length)
  const contacts = items.map((c) => c.bars.map((b) => contactsOf(c, bars[b])))
  const wanted = new Map<string, number[]>()
  const want = (bar: Member, atMm: number) => wanted.set(bar.id, [...(wanted.get(bar.id) ?? []), atMm])
  items.forEach((c, i) => {
    c.bars.forEach((b, k) => {
      for (const p of contacts[i][k]) want(bars[b], p.atMm)
    })
  })
  for (const p of people) wanted.set(p.memberId, [...(wanted.get(p.memberId) ?? []), p.atMm])
  const rack = rackFrame(assembly, rules, wanted)
  const sections = new Map(
    assembly.members.map((m) => [m.id, { section: profileSection(m.profileId), material: materialOf(profileOf(m.profileId).materialId) }]),
  )
  const bracketKg = assembly.plates.filter((p) => p.role === 'bracket').reduce((s, p) => s + p.massKg, 0)
  const shares = items.map(() => null as number[] | null)
  /** shares of the whole weight on each bar under an item, by how it rests */
  const sharesOf = (i: number): number[] => {
    shares[i] ??= verticalShares(items[i], contacts[i], bars, rack)
    return shares[i]
  }

  function loaded(loadCase: LoadCase, speedKmh: number | null, use: 'least' | 'most', person?: Person) {
    const missing = new Set<string>()
    const air = loadCase.windFrom === 'ahead' ? speedKmh : loadCase.windFrom ? rules.sideWindKmh : 0
    if (air === null) missing.add('driving speed')
    const wind = windPressurePa(rules.airDensity, air ?? 0)
    const ahead = loadCase.windFrom === 'ahead' ? wind : 0
    // a gust from the left pushes to the right
    const fromSide = loadCase.windFrom === 'left' ? -wind : loadCase.windFrom === 'right' ? wind : 0
    const loads: FrameLoads = { nodes: [], members: [] }
    const atNode = (node: number, x: number, y: number, z: number, mx = 0, my = 0) =>
      loads.nodes.push({ node: String(node), force: [x, y, z], moment: [mx, my, 0] })

    for (const m of assembly.members) {
      const s = profileSection(m.profileId)
      const n = massPerMetre(m.profileId) * 1e-3 * G_M_S2
      const [a, b] = [m.path[0], m.path[m.path.length - 1]]
      const reach = Math.max(1, Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z))
      const face = rules.dragCoefficient * s.heightMm * 1e-6
      const drag = (ahead * face * Math.abs(a.y - b.y)) / reach
      const aside = (fromSide * face * Math.abs(a.x - b.x)) / reach
      const lift = wind * rules.liftCoefficient * s.widthMm * 1e-6
      const snow = loadCase.snowKgM2 * G_M_S2 * s.widthMm * 1e-6
      for (const p of rack.pieces)
        if (p.memberId === m.id)
          loads.members.push({
            member: String(p.element),
            uniform: [n * loadCase.forwardG - drag, n * loadCase.leftG + aside, lift - snow - n * loadCase.downG],
          })
    }
    assembly.mounts.forEach((m, i) => {
      const n = (m.massKg + bracketKg) * G_M_S2
      atNode(rack.seats[i], n * loadCase.forwardG, n * loadCase.leftG, -n * loadCase.downG)
    })
    for (const c of carried) {
      if (!countsWhen(c, loadCase.when)) continue
      if (c[use] === null) missing.add(`mass of ${c.name}`)
      else if (!c.bars.length) missing.add(`a bar under ${c.name}`)
    }
    items.forEach((c, i) => {
      const massKg = c[use]
      if (massKg === null || !countsWhen(c, loadCase.when)) return
      const drag = c.drag === 'fairing' ? rules.fairingDragCoefficient : rules.dragCoefficient
      const n = massKg * G_M_S2
      const down = n * loadCase.downG + (loadCase.snowKgM2 * G_M_S2 - wind * rules.liftCoefficient) * c.planM2
      const forward = n * loadCase.forwardG - ahead * drag * c.frontalM2
      const left = n * loadCase.leftG + fromSide * rules.dragCoefficient * c.sideM2
      const count = c.bars.length
      const axis = bars[c.bars[0]].path[0]
      const arm = c.zMm - axis.z
      const weights = sharesOf(i)
      const tilts = shareAlong(
        c.bars.map((b) => bars[b].path[0].x),
        0,
        0,
        forward * arm,
      )
      c.bars.forEach((b, k) => {
        const bar = bars[b]
        const own = contacts[i][k]
        const onBar = down * weights[k] + tilts[k]
        // one bar alone takes the item's lean and its place before or behind by twisting
        const twist = count > 1 ? 0 : forward * arm + down * (c.xMm - axis.x)
        const couple = (left / count) * arm
        const [first, last] = [own[0], own[own.length - 1]]
        const width = last.atMm - first.atMm
        own.forEach((p) => {
          const node = nearestNode(rack.along.get(bar.id) ?? [], p.atMm)
          // thrown left it presses harder on its left edge (the bar runs from left to right) and lifts its right one
          const edge = width > 1 ? ((p === first ? 1 : 0) - (p === last ? 1 : 0)) * (couple / width) : 0
          const lean = width > 1 ? 0 : -couple
          atNode(node, (forward / count) * p.share, (left / count) * p.share, -onBar * p.share - edge, lean, twist * p.share)
        })
      })
    })
    if (person) {
      const n = rules.personKg * G_M_S2
      atNode(nearestNode(rack.along.get(person.memberId) ?? [], person.atMm), 0, n * (person.leftShare ?? 0), -n)
    }
    return { loads, missing: [...missing] }
  }

  return {
    solve: (loadCase, speedKmh, use, want, person) => {
      const { loads, missing } = loaded(loadCase, speedKmh, use, person)
      const solved = rack.frame.solve(loads)
      const feet = assembly.mounts.map((_, i): FootForce => {
        const r = solved.reaction(rack.seats[i])
        return { downN: r[2], forwardN: -r[0], leftN: -r[1], pitchNmm: -r[4] }
      })
      const members =
        want === 'feet' ? [] : assembly.members.map((m) => memberState(m, assembly, rack, solved, sections.get(m.id) as Made, rules))
      const joints = want === 'feet' ? [] : rack.links.map((l) => jointForce(l, solved.inside(l.element)))
      return {
        case: loadCase,
        person: person ? { ...person, kg: rules.personKg } : null,
        joints,
        feet,
        feetDownN: feet.map((f) => f.downN),
        members,
        missing,
      }
    },
    frequencyHz: () => {
      const level: LoadCase = {
        id: 'level',
        name: 'level',
        when: 'driving',
        downG: 1,
        forwardG: 0,
        leftG: 0,
        windFrom: null,
        snowKgM2: 0,
        source: '',
      }
      const { loads, missing } = loaded(level, null, 'most')
      return missing.length ? null : rayleigh(rack, rack.frame.solve(loads), loads)
    },
    sinksPerN: ({ memberId, atMm }) => {
      const member = assembly.members.find((m) => m.id === memberId)
      if (!member) throw new Error(`no member ${memberId}`)
      const own = rack.along.get(memberId) ?? []
      const node = nearestNode(own, atMm)
      const solved = rack.frame.solve({ nodes: [{ node: String(node), force: [0, 0, -1], moment: [0, 0, 0] }], members: [] })
      return { sagMm: sagAt(member, assembly, rack, solved, atMm) }
    },
  }
}

function jointForce({ joint, fromEndMm }: RackFrame['links'][number], inside: Inside[]): JointForce {
  const most = (of: (i: Inside) => number) => Math.max(...inside.map((i) => Math.abs(of(i))))
  return {
    joint,
    fromEndMm,
    alongN: most((i) => i.axial),
    acrossN: most((i) => Math.hypot(i.shearY, i.shearZ)),
    twistNmm: most((i) => i.torque),
    bendNmm: most((i) => Math.hypot(i.momentY, i.momentZ)),
  }
}

type Made = { section: Section; material: Material }

/** Places where an item touches a bar, from the bar's first (left) end, and the share of its load on each: levers to its centre of mass. */
function contactsOf(c: Carried, bar: Member): Contact[] {
  const half = Math.abs(bar.path[0].y)
  const clamp = (y: number) => Math.min(2 * half, Math.max(0, half - y))
  const at = clamp(c.yMm)
  if (c.rests === 'brackets') return [{ atMm: at, share: 1 }]
  const [left, right] = [clamp(c.middleYMm + c.widthMm / 2), clamp(c.middleYMm - c.widthMm / 2)]
  if (right - left < 2) return [{ atMm: at, share: 1 }]
  if (c.rests === 'box') {
    const onRight = (half - c.yMm - left) / (right - left)
    return [
      { atMm: left, share: 1 - onRight },
      { atMm: right, share: onRight },
    ]
  }
  // a limp load spread evenly over each half, so much on either that its centre of mass is met; each half as ends and middle, 1 : 2 : 1
  const middle = (left + right) / 2
  const onLeft = ((left + 3 * right) / 4 - (half - c.yMm)) / ((right - left) / 2)
  return [
    { atMm: left, share: onLeft / 4 },
    { atMm: (left + middle) / 2, share: onLeft / 2 },
    { atMm: middle, share: 1 / 4 },
    { atMm: (middle + right) / 2, share: (1 - onLeft) / 2 },
    { atMm: right, share: (1 - onLeft) / 4 },
  ]
}

/** Shares of an item's weight on the bars under it: a box by the bars' own give, a bundle as a limp beam, brackets as equal springs. */
function verticalShares(c: Carried, contacts: Contact[][], bars: Member[], rack: RackFrame): number[] {
  const xs = c.bars.map((b) => bars[b].path[0].x)
  if (c.rests === 'bundle' && c.kind === 'cargo' && xs.length > 1 && new Set(xs).size === xs.length) {
    const middle = [c.xMm - c.lengthMm / 2, c.xMm + c.lengthMm / 2]
    const [from, to] = [Math.min(middle[0], ...xs) - 1, Math.max(middle[1], ...xs) + 1]
    const limp = shareLimp(xs, from, to)
    const centre = limp.reduce((s, r, i) => s + r * xs[i], 0)
    // what the spread does not say of the centre of mass is put right by levers
    const correction = shareAlong(xs, 0, 0, c.xMm - centre)
    return limp.map((r, i) => r + correction[i])
  }
  if (c.rests !== 'box' || xs.length < 3) return shareAlong(xs, c.xMm, 1, 0)
  const nodes = c.bars.map((b, k) =>
    contacts[k].map((p) => ({ node: nearestNode(rack.along.get(bars[b].id) ?? [], p.atMm), share: p.share })),
  )
  const flexibility = nodes.map(() => [] as number[])
  nodes.forEach((own) => {
    const solved = rack.frame.solve({
      nodes: own.map((p) => ({ node: String(p.node), force: [0, 0, -p.share], moment: [0, 0, 0] })),
      members: [],
    })
    nodes.forEach((other, i) => {
      flexibility[i].push(-other.reduce((s, p) => s + p.share * solved.movement(p.node)[2], 0))
    })
  })
  return shareRigid(xs, c.xMm, flexibility)
}

/** Combined stress (von Mises, Shigley 5-5): |N|/A + |My|/Wy + |Mz|/Wz with torque and mean shear. MPa. Corners taken as if both bendings peaked there. */
export function stressOf(i: Inside, s: Section): number {
  const direct = Math.abs(i.axial) / s.areaMm2 + Math.abs(i.momentY) / s.wyMm3 + Math.abs(i.momentZ) / s.wzMm3
  const shear = Math.abs(i.torque) / s.torsionModulusMm3 + (2 * Math.hypot(i.shearY, i.shearZ)) / s.areaMm2
  return Math.sqrt(direct ** 2 + 3 * shear ** 2)
}

function memberState(
  m: Member,
  assembly: Assembly,
  rack: RackFrame,
  solved: Solved,
  { section, material }: Made,
  rules: Rules,
): MemberState {
  const state: MemberState = {
    memberId: m.id,
    used: 0,
    stressMPa: 0,
    allowedMPa: material.yieldMPa / rules.yieldSafety,
    weld: false,
    atMm: 0,
    axialN: 0,
    momentYNmm: 0,
    momentZNmm: 0,
    torqueNmm: 0,
    shearN: 0,
    pushN: 0,
    sagMm: 0,
    sagAtMm: 0,
    shape: [],
  }
  for (const piece of rack.pieces) {
    if (piece.memberId !== m.id) continue
    const allowedMPa = (piece.weld ? material.weldedYieldMPa : material.yieldMPa) / rules.yieldSafety
    for (const i of solved.inside(piece.element)) {
      state.pushN = Math.max(state.pushN, -i.axial)
      const stressMPa = stressOf(i, section)
      if (stressMPa / allowedMPa <= state.used) continue
      Object.assign(state, {
        used: stressMPa / allowedMPa,
        stressMPa,
        allowedMPa,
        weld: piece.weld,
        atMm: piece.fromMm + i.x,
        axialN: i.axial,
        momentYNmm: i.momentY,
        momentZNmm: i.momentZ,
        torqueNmm: i.torque,
        shearN: Math.hypot(i.shearY, i.shearZ),
      })
    }
  }
  const own = rack.along.get(m.id) ?? []
  state.shape = own.map(({ node, atMm }) => {
    const u = solved.movement(node)
    return { atMm, x: u[0], y: u[1], z: u[2] }
  })
  const chord = chordOf(m, assembly, rack, solved)
  for (const s of state.shape) {
    const sag = chord(s.atMm) - s.z
    if (Math.abs(sag) > Math.abs(state.sagMm)) Object.assign(state, { sagMm: sag, sagAtMm: s.atMm })
  }
  return state
}

/** The line through where a member's feet went, or through its ends where it has none. */
function chordOf(m: Member, assembly: Assembly, rack: RackFrame, solved: Solved): (atMm: number) => number {
  const own = rack.along.get(m.id) ?? []
  const heads = new Set(assembly.mounts.flatMap((mount, i) => (mount.memberId === m.id ? [rack.heads[i]] : [])))
  const on = own.filter((s) => heads.has(s.node))
  const [a, b] = on.length >= 2 ? [on[0], on[on.length - 1]] : [own[0], own[own.length - 1]]
  const [za, zb] = [solved.movement(a.node)[2], solved.movement(b.node)[2]]
  return (atMm) => za + ((zb - za) * (atMm - a.atMm)) / Math.max(1e-9, b.atMm - a.atMm)
}

function sagAt(bar: Member, assembly: Assembly, rack: RackFrame, solved: Solved, atMm: number): number {
  const own = rack.along.get(bar.id) ?? []
  const node = nearestNode(own, atMm)
  const at = own.find((s) => s.node === node)?.atMm ?? atMm
  return chordOf(bar, assembly, rack, solved)(at) - solved.movement(node)[2]
}

/** f = (1/2π)·√(g·Σ W·δ / Σ W·δ²), the shape of the level load taken as that of the first mode (Shigley, 10th ed., eq. 7-23). Hz. */
function rayleigh(rack: RackFrame, solved: Solved, loads: FrameLoads): number | null {
  let [top, bottom] = [0, 0]
  const put = (weightN: number, sinkMm: number) => {
    top += weightN * sinkMm
    bottom += weightN * sinkMm ** 2
  }
  for (const l of loads.nodes) put(-l.force[2], -solved.movement(Number(l.node))[2])
  for (const l of loads.members) {
    const m = rack.frame.members[Number(l.member)]
    const [a, b] = [rack.frame.nodes[Number(m.from)], rack.frame.nodes[Number(m.to)]]
    const n = (-(l.uniform?.[2] ?? 0) * Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z)) / 2
    put(n, -solved.movement(Number(m.from))[2])
    put(n, -solved.movement(Number(m.to))[2])
  }
  return bottom > 0 && top > 0 ? Math.sqrt((G_M_S2 * 1000 * top) / bottom) / (2 * Math.PI) : null
}
