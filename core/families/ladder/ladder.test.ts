import { describe, expect, test } from 'vitest'
import { memberLengthMm } from '../../assembly/assembly'
import { profileSection } from '../../catalogue/profiles'
import { evaluate } from '../../job/evaluate'
import { type Job, newJob } from '../../job/job'
import { G_M_S2, METRIC } from '../../quantity/units'
import { defaultRules } from '../../rules/rules'
import { built } from '../../testing/onSite'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { familyOf } from '../all'
import { type LadderParams, LadderParams as schema } from './params'

const family = familyOf('ladder')!
const wagon = demoVehicles.find((v) => v.id === 'boxy-wagon')!
const made = (over: Partial<LadderParams> = {}) => built(family, { mountId: 'gutter', ...over }, wagon)
const rungs = (b: ReturnType<typeof made>) => b.assembly.members.filter((m) => m.name === 'Rung')
const climbing = (over: Partial<LadderParams> = {}): Job => {
  const base = newJob('Ladder', wagon, METRIC)
  return {
    ...base,
    brief: { ...base.brief, speedKmh: 90, someoneClimbs: true },
    pieces: [
      {
        id: 'p1',
        name: '',
        letter: 'A',
        family: 'ladder',
        params: schema.parse({ mountId: 'gutter', ...over }),
        on: null,
        state: 'fitted',
      },
    ],
  }
}

describe('a rear ladder', () => {
  test('rungs are even from the first to the last, and no two farther apart than asked', () => {
    const zs = rungs(made({ firstRungMm: 620, mostPitchMm: 300 })).map((m) => m.path[0]!.z)
    const gaps = zs.slice(1).map((z, i) => z - zs[i]!)
    expect(zs[0]).toBeCloseTo(620, 6)
    for (const g of gaps) expect(g).toBeCloseTo(gaps[0]!, 6)
    expect(gaps[0]!).toBeLessThanOrEqual(300)
    // one rung fewer would be too few
    expect((zs.at(-1)! - zs[0]!) / (zs.length - 2)).toBeGreaterThan(300)
  })
  test('both rails are the same tube with the same two bends, cut as long as straights and arcs: by hand from its corners', () => {
    const [left, right] = made({ bendRadiusMm: 96 }).assembly.members.filter((m) => m.name === 'Ladder rail')
    expect(left!.path.map((v) => ({ x: v.x, z: v.z }))).toEqual(right!.path.map((v) => ({ x: v.x, z: v.z })))
    expect(left!.path[0]!.y - right!.path[0]!.y).toBeCloseTo(340, 6)
    const [a, b, c, d] = left!.path.map((v) => ({ x: v.x, z: v.z })) as { x: number; z: number }[]
    const leg = (p: typeof a, q: typeof a) => Math.hypot(q!.x - p!.x, q!.z - p!.z)
    const turn = Math.atan2(d!.x - c!.x, c!.z - d!.z)
    // a quarter turn at the shoulder, the lean at the knee: each takes two tangents off and gives its arc
    const arc = (angle: number) => 96 * angle - 2 * 96 * Math.tan(angle / 2)
    expect(memberLengthMm(left!)).toBeCloseTo(leg(a, b) + leg(b, c) + leg(c, d) + arc(Math.PI / 2) + arc(Math.abs(turn)), 0)
  })
  test('a person in the middle of a rung, by hand: no less than M = F·L/8 of a built-in beam, no more than F·L/4 of one on two supports', () => {
    const e = evaluate(climbing(), defaultRules)
    const rung = e.assembly.members.find((m) => m.id.endsWith('rung:1'))!
    const used = e.limits.find((l) => l.id === 'bar.bending')!
    expect(used.used.value).not.toBeNull()
    const forceN = defaultRules.personKg * defaultRules.personImpact * G_M_S2
    const w = profileSection(rung.profileId).wyMm3
    const least = (forceN * memberLengthMm(rung)) / 8 / w
    // the worst member of all is used no less than the rung is
    expect(used.used.value!).toBeGreaterThan(least)
  })
  test('a climber leans out behind the ladder: its collars are pulled to the rear by his share, by the frame’s own balance', () => {
    const e = evaluate(climbing(), defaultRules)
    const { people } = { people: e.cases.filter((c) => c.person) }
    expect(people.length).toBeGreaterThan(0)
    for (const c of people) expect(c.person!.pulls).toEqual({ x: -defaultRules.climbPullShare, y: 0 })
    const [worst] = people
    const forward = worst!.feet.reduce((s, f) => s + f.push.x, 0)
    const n = defaultRules.personKg * defaultRules.personImpact * G_M_S2
    expect(forward).toBeCloseTo(-n * defaultRules.climbPullShare, 3)
    // who does not lean pulls less at the head
    const collar = (share: number) =>
      evaluate(climbing(), { ...defaultRules, climbPullShare: share }).limits.find((l) => l.id === 'joint.collar')!.used.value!
    expect(collar(defaultRules.climbPullShare)).toBeGreaterThan(collar(0))
  })
  test('without somebody who climbs it is only carried; with a weaker rung more is used', () => {
    const ratio = (job: Job) => evaluate(job, defaultRules).limits.find((l) => l.id === 'bar.bending')!.ratio!
    const still = { ...climbing(), brief: { ...climbing().brief, someoneClimbs: false } }
    expect(ratio(climbing())).toBeGreaterThan(3 * ratio(still))
    expect(ratio(climbing({ wideMm: 560 }))).toBeGreaterThan(ratio(climbing({ wideMm: 340 })))
  })
  test('nobody rated the bumper: its feet are not assessed', () => {
    const feet = evaluate(climbing(), defaultRules).limits.filter((l) => l.id.startsWith('foot.') && l.pieceId === 'p1')
    expect(feet.some((l) => l.state === 'unknown')).toBe(true)
  })
  test('on a rack it hangs on the rearmost bar', () => {
    const base = newJob('Ladder', wagon, METRIC)
    const job: Job = {
      ...base,
      brief: { ...base.brief, speedKmh: 90 },
      pieces: [...base.pieces, { id: 'p2', name: '', letter: 'B', family: 'ladder', params: schema.parse({}), on: 'p1', state: 'fitted' }],
    }
    const { assembly, issues } = evaluate(job, defaultRules)
    const bars = assembly.members.filter((m) => m.name === 'Crossbar').sort((a, b) => a.path[0]!.x - b.path[0]!.x)
    expect(new Set(assembly.joints.filter((j) => j.collar).map((j) => j.between[1]))).toEqual(new Set([bars[0]!.id]))
    expect(issues.filter((i) => i.code === 'unstable')).toEqual([])
  })
  test('what cannot be is said', () => {
    expect(made().says).toEqual([])
    expect(made({ firstRungMm: 900 }).says.join()).toMatch(/nobody steps so high; \{700\}/)
    expect(made({ wideMm: 240 }).says.join()).toMatch(/A foot has \{208\} between the rails/)
    expect(made({ bendRadiusMm: null }).says.join()).toMatch(/no cut length until its radius is known/)
    expect(built(family, {}, { ...wagon, measures: {} }).says.join()).toMatch(/measure the bumper/)
    expect(built(family, {}, { ...wagon, mounts: [] }).says.join()).toMatch(/no line for a bar of its own/)
  })
})

describe('a ladder that is folded up or lifted off for the road', () => {
  const hinged = { kind: 'hinged', hingeUpMm: 700, barXMm: -900, hingeN: 6000, latchN: 3000 } as const
  const van = demoVehicles[0]!
  const withBumper = { ...van, measures: { ...van.measures, 'rear.bumperHeight': { ...wagon.measures['rear.bumperHeight']!, value: 540 } } }
  const job = (over: Partial<LadderParams>, state: 'fitted' | 'folded' = 'fitted'): Job => {
    const base = newJob('Ladder', withBumper, METRIC)
    return {
      ...base,
      brief: { ...base.brief, speedKmh: 90, someoneClimbs: state === 'fitted' },
      pieces: [
        {
          id: 'p1',
          name: '',
          letter: '',
          family: 'ladder',
          params: schema.parse({ mountId: 'gutter', ...hinged, ...over }),
          on: null,
          state,
        },
      ],
    }
  }
  test('by hand: hinged 700 over the bumper, the foot comes to lie 700 over the hinges, as far behind the rails as these are thick', () => {
    const down = evaluate(job({}), defaultRules).assembly
    const up = evaluate(job({}, 'folded'), defaultRules).assembly
    const foot = (a: typeof down) => a.members.find((m) => m.id === 'p1/lower:left')!.path.at(-1)!
    const rail = down.members.find((m) => m.id === 'p1/rail:left')!.path.at(-1)!
    expect(rail.z).toBeCloseTo(540 + 700, 6)
    expect(foot(down).z).toBeCloseTo(540, 6)
    expect(foot(up).z).toBeCloseTo(540 + 1400, 6)
    // half a turn about the rear face of a rail of 32
    expect(foot(up).x).toBeCloseTo(2 * (rail.x - 16) - foot(down).x, 6)
    const top = up.members.find((m) => m.id === 'p1/lower:left')!.path[0]!
    expect(rail.x - top.x).toBeCloseTo(32, 6)
    // what it is cut of is the same
    expect(up.members.map(memberLengthMm)).toEqual(down.members.map((m) => expect.closeTo(memberLengthMm(m), 6)))
  })
  test('folded up nothing of it stands on the bumper, nobody climbs it, and its latches hold it', () => {
    const e = evaluate(job({}, 'folded'), defaultRules)
    expect(e.assembly.mounts.some((m) => m.id.includes('bumper'))).toBe(false)
    expect(e.assembly.supports.some((s) => s.climbOn.length)).toBe(false)
    expect(e.assembly.joints.filter((j) => j.kind === 'latch')).toHaveLength(2)
    expect(e.limits.find((l) => l.id === 'joint.rated')!.state).toBe('clear')
  })
  test('a hinge, a latch or a hook whose maker said nothing is not assessed', () => {
    const state = (over: Partial<LadderParams>, at: 'fitted' | 'folded' = 'fitted') =>
      evaluate(job(over, at), defaultRules).limits.find((l) => l.id === 'joint.rated')!.state
    expect(state({ hingeN: null })).toBe('unknown')
    expect(state({ latchN: null }, 'folded')).toBe('unknown')
    expect(state({ kind: 'removable', latchN: null })).toBe('unknown')
    expect(state({ kind: 'removable', latchN: 9000 })).not.toBe('unknown')
  })
  test('its way up is swept, and the owner is told what he sees to before he drives', () => {
    const e = evaluate(job({}), defaultRules)
    const fold = e.assembly.motions.find((m) => m.name === 'Ladder folds up')!
    expect(fold.moves.filter((id) => id.includes('lower'))).toHaveLength(2)
    expect(fold.moves.length).toBe(2 + e.assembly.members.filter((m) => m.name === 'Rung' && m.path[0]!.z < 1240).length)
    const told = (over: Partial<LadderParams>) => evaluate(job(over), defaultRules).assembly.checks.join()
    expect(told({})).toMatch(/folded up, both latches are shut and pinned/)
    expect(told({ kind: 'removable', stow: 'on the rack' })).toMatch(/off its hooks and lies on the rack, strapped/)
    expect(told({ kind: 'fixed' })).toBe('')
  })
  test('hinges that cannot be', () => {
    const says = (over: Partial<LadderParams>) => built(family, { mountId: 'gutter', ...hinged, ...over }, withBumper).says.join('; ')
    expect(says({})).toBe('')
    expect(says({ hingeUpMm: 1400 })).toMatch(/past the bend of the rails: hinges \{\d+\} above the bumper or less/)
    expect(says({ hingeUpMm: 200 })).toMatch(/in the bend of the knee/)
  })
})
