import { describe, expect, test } from 'vitest'
import { bearingMembers, memberLengthMm } from '../assembly/assembly'
import { partMasses } from '../assembly/places'
import { materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import { cross, plus, times } from '../geometry/vec3'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { footLinks } from '../limits/footLinks'
import { G_M_S2 } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { nearestNode, rackFrame } from '../structure/rackFrame'
import { assembled, rackAlone, withRack as withParams } from '../testing/racks'
import { carriedBy } from './carried'
import { loadCases } from './loadCases'
import { memberState, stressOf } from './memberState'
import { rackSolver } from './solveRack'

const [survey, , spar] = demoJobs
const drone = rackAlone(demoJobs[3])
const none = { x: 0, y: 0, z: 0 }

const plainClimb = (job: Job): Job => ({ ...job, brief: { ...job.brief, someoneClimbs: true, cargo: [] } })

describe('equilibrium: what acts comes out at the feet, in every direction and case', () => {
  test.each(demoJobs.map((j) => [j.title, j] as const))('%s', (_, job) => {
    const assembly = assembled(job)
    const carried = carriedBy(assembly, job.brief)
    const solver = rackSolver(assembly, carried, defaultRules, [], 'clamped')!
    const masses = [
      ...carried.filter((c) => c.counts !== 'parked').map((c) => ({ kg: c.most!, at: { x: c.xMm, y: c.yMm, z: c.zMm! } })),
      ...partMasses(assembly).map((p) => ({ kg: p.kg!, at: p.at })),
    ]
    const massKg = masses.reduce((s, m) => s + m.kg, 0)
    for (const c of loadCases(defaultRules, 'road').filter((l) => l.when === 'driving' && l.headWindKmh === null)) {
      const { feet } = solver.solve(c, 100, 'most', 'feet')
      const acts = times({ x: c.forwardG, y: c.leftG, z: -c.downG }, G_M_S2)
      const sum = feet.reduce((s, f) => plus(s, f.push), none)
      for (const way of ['x', 'y', 'z'] as const) expect(sum[way]).toBeCloseTo(massKg * acts[way], 3)
      // about the origin on the ground: what the feet pass on turns the vehicle as the masses do
      const turned = feet.reduce((s, f, i) => plus(s, plus(cross(assembly.mounts[i]!.place, f.push), f.turn)), none)
      const wanted = masses.reduce((s, m) => plus(s, cross(m.at, times(acts, m.kg))), none)
      // a floor lies half a tube above the line that carries it, which the frame does not see: 3 mm of arm in all
      for (const way of ['x', 'y', 'z'] as const) expect(Math.abs(turned[way] - wanted[way])).toBeLessThan(3e-3 * massKg * G_M_S2 * 1000)
    }
  })
  test('by hand: braking the drone pair’s rack, Σ R·x and the pitch in the feet balance Σ m·a·h about the seats', () => {
    const assembly = assembled(drone)
    const carried = carriedBy(assembly, drone.brief)
    const cases = loadCases(defaultRules, 'road')
    const solver = rackSolver(assembly, carried, defaultRules, [], 'clamped')!
    const about = (id: string) => {
      const c = cases.find((l) => l.id === id)!
      const { feet } = solver.solve(c, 100, 'most', 'feet')
      return feet.reduce((s, f, i) => s + f.downN * assembly.mounts[i].place.x + f.pitchNmm, 0)
    }
    const seat = assembly.mounts[0].place.z
    const masses = [...carried.map((c) => ({ kg: c.most!, z: c.zMm! })), ...partMasses(assembly).map((p) => ({ kg: p.kg!, z: p.at.z }))]
    const thrown = masses.reduce((s, m) => s + m.kg * G_M_S2 * defaultRules.brakingG * (m.z - seat), 0)
    expect(about('braking') - about('cruise')).toBeCloseTo(thrown, -1)
  })
})

describe('wind, people and what is parked', () => {
  test('a head wind pushes rearward and lifts: the feet together lose ½ρv²·Σ C_L·A, v = 100 and 30 of wind on top', () => {
    const assembly = assembled(survey)
    const solver = rackSolver(assembly, carriedBy(assembly, survey.brief), defaultRules, [], 'free')!
    const cases = loadCases(defaultRules, 'road')
    const down = (id: string) => solver.solve(cases.find((c) => c.id === id)!, 100, 'most', 'feet').feet
    const q = (0.5 * 1.225 * (130 / 3.6) ** 2) / 1e6
    const planMm2 =
      survey.brief.cargo.reduce((s, c) => s + c.lengthMm * c.widthMm, 0) +
      bearingMembers(assembly).reduce((s, b) => s + memberLengthMm(b) * profileSection(b.profileId).widthMm, 0)
    const lost = down('cruise').reduce((s, f) => s + f.downN, 0) - down('wind').reduce((s, f) => s + f.downN, 0)
    expect(lost).toBeCloseTo(q * 0.3 * planMm2, 3)
    expect(down('wind').reduce((s, f) => s + f.forwardN, 0)).toBeLessThan(0)
  })
  test('a gust from the left pushes everything to the right with ½ρv²·C·Σ(length × height), and from the right as much the other way', () => {
    const rails = withParams(survey, { sideRails: true })
    const assembly = assembled(rails)
    const solver = rackSolver(assembly, carriedBy(assembly, rails.brief), defaultRules, [], 'free')!
    const left = (id: string) =>
      solver.solve(loadCases(defaultRules, 'road').find((c) => c.id === id)!, 100, 'most', 'feet').feet.reduce((s, f) => s + f.leftN, 0)
    const q = (0.5 * 1.225 * (90 / 3.6) ** 2) / 1e6
    const sideMm2 =
      rails.brief.cargo.reduce((s, c) => s + c.lengthMm * c.heightMm, 0) +
      assembly.members
        .filter((m) => m.name === 'Side rail')
        .reduce((s, m) => s + Math.abs(m.path[1].x - m.path[0].x) * profileSection(m.profileId).heightMm, 0)
    expect(left('wind-left')).toBeCloseTo(-q * 1.2 * sideMm2, 3)
    expect(left('wind-right')).toBeCloseTo(q * 1.2 * sideMm2, 3)
    // the shop may leave gusts out
    expect(loadCases({ ...defaultRules, sideWindKmh: 0 }, 'road').some((c) => c.gustFrom === 'left')).toBe(false)
  })
  test('somebody climbing up by a bar’s end: one and a half times his weight there and half of that outward, 1:1 in the feet', () => {
    const job = plainClimb(survey)
    const e = evaluate(job, defaultRules)
    const worst = e.feet.find((f) => f.downCase === 'a person climbing up')
    expect(worst).toBeDefined()
    const assembly = assembled(job)
    const place = { memberId: 'p1/bar:0', atMm: 0, pulls: { x: 0, y: 0.5 } }
    const solver = rackSolver(assembly, [], defaultRules, [place], 'free')!
    const parked = loadCases(defaultRules, 'road')[0]
    const [without, with_] = [undefined, place].map((p) => solver.solve(parked, null, 'most', 'feet', p).feet)
    const gain = (of: (f: (typeof without)[number]) => number) => with_.reduce((s, f, i) => s + of(f) - of(without[i]), 0)
    expect(gain((f) => f.downN)).toBeCloseTo(150 * G_M_S2, 4)
    expect(gain((f) => f.leftN)).toBeCloseTo(75 * G_M_S2, 4)
    expect(e.engineer.join()).toContain('climb')
    expect(e.ledger.at(-1)).toMatchObject({ name: 'Person climbing up', counts: 'parked', most: 100 })
  })
  test('somebody may also step on a rail between two bars: 150 kg at midspan with its impact, and its worst place can govern its strength', () => {
    const job = withParams({ ...spar, brief: { ...spar.brief, someoneStands: true, cargo: [] } }, { sideRails: true })
    const e = evaluate(job, defaultRules)
    const rail = e.assembly.members.find((m) => m.id === 'p1/rail:left')!
    const strength = e.limits.find((l) => l.id === 'bar.bending')!
    expect(strength.used.name).toMatch(/^Side rail R[LR], a person standing$/)
    // a rail on four bars, about one span of it: between a beam on two free ends, F·L/4, and one built in at both, F·L/8
    const moment = strength.used.with.find((i) => i.symbol === 'My')!.value!
    const span = 1150
    expect(Math.abs(moment)).toBeLessThan((150 * G_M_S2 * span) / 4 + 5000)
    expect(Math.abs(moment)).toBeGreaterThan((150 * G_M_S2 * span) / 8 - 5000)
    expect(rail.path[0].x).toBeCloseTo(-910, 6)
  })
  test('50 kg of snow on a square metre, parked: the feet carry it over the plan of bars and cargo, the roof’s parked limit too; driving does not', () => {
    const snowed = { ...drone, brief: { ...drone.brief, snowKgM2: 50 } }
    const [bare, white] = [evaluate(drone, defaultRules), evaluate(snowed, defaultRules)]
    const bars = white.assembly.members.reduce((s, m) => s + (memberLengthMm(m) * profileSection(m.profileId).widthMm) / 1e6, 0)
    const planM2 = carriedBy(white.assembly, snowed.brief)
      .filter((c) => c.counts !== 'driving')
      .reduce((s, c) => s + c.planM2, bars)
    const down = (e: typeof bare, id: string) => e.cases.find((c) => c.case.id === id)!.feetDownN.reduce((s, f) => s + f, 0)
    expect(down(white, 'snow') - down(bare, 'parked')).toBeCloseTo(planM2 * 50 * G_M_S2, 3)
    expect(down(white, 'bump')).toBeCloseTo(down(bare, 'bump'), 6)
    const roof = (e: typeof bare) => e.limits.find((l) => l.id === 'roof.parked')!.used.value!
    expect(roof(white) - roof(bare)).toBeCloseTo(planM2 * 50, 6)
    expect(bare.cases.map((c) => c.case.id)).not.toContain('snow')
  })
  test('1 N at mid-span sinks near L³/48EI, at the bar’s end near a²·(L + a)/3EI (Gere & Goodno, table G-2)', () => {
    const job = withParams(survey, { sideRails: false, overhangMm: 200 })
    const assembly = assembled(job)
    const [bar] = bearingMembers(assembly)
    const half = memberLengthMm(bar) / 2
    const span = 2 * Math.abs(assembly.mounts[0].place.y)
    const EI = materialOf(profileOf(bar.profileId).materialId).elasticMPa * profileSection(bar.profileId).iyMm4
    const places = [
      { memberId: bar.id, atMm: half },
      { memberId: bar.id, atMm: 0 },
    ]
    const solver = rackSolver(assembly, [], defaultRules, places, 'free')!
    const a = half - span / 2
    // the bar turns on its feet: a simple beam to the last decimal, for no foot holds its ends
    expect(solver.sinksPerN(places[0]!).sagMm / (span ** 3 / (48 * EI))).toBeCloseTo(1, 3)
    expect(solver.sinksPerN(places[1]!).sagMm / ((a ** 2 * (span + a)) / (3 * EI))).toBeCloseTo(1, 3)
    // clamped by its feet it gives less, never more
    const clamped = rackSolver(assembly, [], defaultRules, places, 'clamped')!
    expect(clamped.sinksPerN(places[0]!).sagMm).toBeLessThan(solver.sinksPerN(places[0]!).sagMm)
  })
  test('a load off the middle sinks a bar most at √((L² − b²)/3) from the far foot, by P·b·(L² − b²)^1.5 / (9√3·L·EI) (Gere & Goodno, table G-2)', () => {
    const job = withParams(survey, { sideRails: false, overhangMm: 200 })
    const assembly = { ...assembled(job), infills: [] }
    const [bar] = bearingMembers(assembly)
    const span = 2 * Math.abs(assembly.mounts[0].place.y)
    const EI = materialOf(profileOf(bar.profileId).materialId).elasticMPa * profileSection(bar.profileId).iyMm4
    const b = 0.3 * span
    const rack = rackFrame(assembly, defaultRules, new Map([[bar.id, [200 + b]]]), 'free')
    const at = nearestNode(rack.along.get(bar.id)!, 200 + b)
    const solved = rack.frame.solve({ nodes: [{ node: String(at), force: [0, 0, -400], moment: [0, 0, 0] }], members: [] })
    const state = memberState(bar, assembly, rack, solved, defaultRules)
    expect(state.sagMm / ((400 * b * (span ** 2 - b ** 2) ** 1.5) / (9 * Math.sqrt(3) * span * EI))).toBeCloseTo(1, 2)
    const fromFar = Math.sqrt((span ** 2 - b ** 2) / 3)
    expect(Math.abs(state.sagAtMm - (200 + span - fromFar))).toBeLessThan(15)
  })
  test('no bar, no feet: nothing to solve', () =>
    expect(rackSolver(assembled(withParams(survey, { barXMm: [] })), [], defaultRules, [], 'free')).toBeNull())
})

test('combined stress, by hand: 2 kN pull, 300 N·m up and down, 50 aside, 40 of twist, 900 N of shear in square 40 × 3', () => {
  const s = profileSection('square-40x3-steel')
  const direct = 2000 / s.areaMm2 + 300_000 / s.wyMm3 + 50_000 / s.wzMm3
  const shear = 40_000 / s.torsionModulusMm3 + (2 * 900) / s.areaMm2
  expect(stressOf({ axialN: 2000, momentYNmm: -300_000, momentZNmm: 50_000, torqueNmm: -40_000, shearN: 900 }, s)).toBeCloseTo(
    Math.sqrt(direct ** 2 + 3 * shear ** 2),
    9,
  )
  // Bredt: torque over twice the enclosed area and the wall
  const enclosed = 37 * 37 - (4 - Math.PI) * 4.5 ** 2
  expect(s.torsionModulusMm3).toBeCloseTo(2 * enclosed * 3, 6)
})

describe('welds and joints', () => {
  test('rails welded on tie the bars: a load on one bar alone sags less than without them, and the joints carry something', () => {
    const one = {
      ...spar,
      brief: { ...spar.brief, cargo: [{ ...spar.brief.cargo[1], lengthMm: 300, xMm: 300, massKg: { least: 60, most: 60 } }] },
    }
    const sag = (job: Job) =>
      Math.max(
        ...evaluate(job, defaultRules)
          .cases.find((c) => c.case.id === 'cruise')!
          .members.filter((m) => m.memberId.startsWith('p1/bar'))
          .map((m) => m.sagMm),
      )
    expect(sag(one)).toBeLessThan(sag(withParams(one, { sideRails: false })))
    const joints = evaluate(one, defaultRules).cases.find((c) => c.case.id === 'cruise')!.joints
    expect(joints).toHaveLength(8)
    expect(Math.max(...joints.map((j) => j.alongN))).toBeGreaterThan(1)
  })
  test('bolted instead, the joints pass no twist about the bolt and no bending across the rail', () => {
    const bolted = withParams(spar, { build: 'bolted' })
    for (const c of evaluate(bolted, defaultRules).cases) for (const j of c.joints) expect(j.twistNmm).toBeLessThan(1e-3)
    expect(evaluate(bolted, defaultRules).limits.find((l) => l.id === 'welds')).toBeUndefined()
  })
})

describe('what holds a foot', () => {
  const links = (job: Job, rules = defaultRules) => {
    const assembly = assembled(job)
    return footLinks(assembly.mounts[0], assembly, job.vehicle, rules)
  }
  test('a gutter foot: mount and tube wall down; mount and bolts up', () => {
    expect(links(survey).down.map((l) => [l.part, l.word])).toEqual([
      ['mount', 'maker-rated'],
      ['tube wall over the foot', 'calculated'],
    ])
    expect(links(survey).up.map((l) => l.part)).toEqual(['mount', '2 bolts M8 A2-70'])
    expect(links(survey).up[1].holdsN).toBeCloseTo((2 * 0.9 * 700 * 36.6) / (1.25 * 1.5), 3)
  })
  test('a step bracket is a link both ways; a slotted bar hangs on nuts that only their maker can rate', () => {
    expect(links(withParams(survey, { bracketInsetMm: 45 })).up.map((l) => l.part)).toContain('step bracket')
    const slotted = withParams(drone, { profileId: 'slotted-40x40-al6063t5' })
    expect(links(slotted).up.find((l) => l.part === 'T-slot nuts')).toMatchObject({
      holdsN: null,
      asked: 'maker’s rating of the T-slot nuts',
    })
    expect(links(slotted, { ...defaultRules, tNutN: 3500 }).up.find((l) => l.part === 'T-slot nuts')?.holdsN).toBe(7000)
  })
  test('a drilled foot without the sheet measured is unrated; with it the sheet is a link', () => {
    const drilled = (skin: Job['vehicle']['mounts'][number]['skin']): Job => ({
      ...drone,
      vehicle: { ...drone.vehicle, mounts: [{ ...drone.vehicle.mounts[0], kind: 'through-bolt', skin }] },
    })
    const sheet = (job: Job) => links(job).up.find((l) => l.part === 'sheet under the backing plate')
    expect(sheet(drilled(null))?.holdsN).toBeNull()
    expect(sheet(drilled({ thicknessMm: 1, yieldMPa: null, panelRadiusMm: 200 }))?.holdsN).toBeNull()
    expect(evaluate(drilled(null), defaultRules).engineer.join()).toContain('holes are drilled in the body')
    expect(links(drilled({ thicknessMm: 1, yieldMPa: 140, panelRadiusMm: 200 })).up.at(-1)?.holdsN).toBeGreaterThan(10)
  })
})

test('a post in a stake pocket that is lifted lets go: said in words, with the foot and the case', () => {
  const pocket: Job = {
    ...drone,
    vehicle: { ...drone.vehicle, mounts: [{ ...drone.vehicle.mounts[0], kind: 'stake pocket' }] },
    brief: { ...drone.brief, someoneStands: true },
  }
  const lifted = evaluate(withParams(pocket, { overhangMm: 500, barXMm: [0, 1500] }), defaultRules)
  const issue = lifted.issues.find((i) => i.code === 'foot_lets_go')
  expect(issue).toMatchObject({ when: 'a person standing' })
  // the same on a track, which clamps, is a limit and no issue
  const clamped = evaluate(withParams({ ...drone, brief: pocket.brief }, { overhangMm: 500, barXMm: [0, 1500] }), defaultRules)
  expect(clamped.issues.map((i) => i.code)).not.toContain('foot_lets_go')
  expect(clamped.limits.find((l) => l.id === 'foot.up')?.used.value).toBeGreaterThan(0)
})

test('what hangs out behind is held against the local rule as set, and only what does', () => {
  const find = (job: Job, id: string) => evaluate(job, defaultRules).limits.find((l) => l.id === id)
  // a 6.1 m spar centred at 875 ends 2173 behind the axle, 883 past a rear end at 1290
  const behind = find(spar, 'beyond.behind')!
  const [item] = spar.brief.cargo
  expect(behind.used.value).toBeCloseTo(item.lengthMm / 2 - item.xMm - 1290, 6)
  expect(behind.allowed.value).toBe(1500)
  expect(find(spar, 'beyond.ahead')).toBeUndefined()
  expect(find(drone, 'beyond.behind')).toBeUndefined()
})
