import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, test } from 'vitest'
import { memberMassKg, memberMiddle, plateMassKg } from '../../assembly/assembly'
import { type Motion, motionsOf } from '../../fit/motions'
import { evaluate } from '../../job/evaluate'
import { type Job, newJob } from '../../job/job'
import { loadCases } from '../../loads/loadCases'
import { rackSolver } from '../../loads/solveRack'
import { swungOpen } from '../../loads/swungOpen'
import { G_M_S2, METRIC } from '../../quantity/units'
import { defaultRules } from '../../rules/rules'
import { built } from '../../testing/onSite'
import { siteOn } from '../../testing/racks'
import { rapierKit } from '../../touch/kit'
import { familyOf } from '../all'
import { type SwingOutParams, SwingOutParams as schema } from './params'
import { insertOf } from './sway'

const family = familyOf('swing-out')!
const { vehicle } = family.examples[0]!
const known: Partial<SwingOutParams> = { wheelKg: 32, spindleN: 9000, latchN: 4000, slackMm: 1.6 }
const made = (over: Partial<SwingOutParams> = {}) => built(family, { ...known, ...over }, vehicle)
const jobOf = (over: Partial<SwingOutParams> = {}): Job => {
  const base = newJob('Wheel', vehicle, METRIC)
  return {
    ...base,
    brief: { ...base.brief, speedKmh: 90 },
    pieces: [
      { id: 'p1', name: '', letter: 'A', family: 'swing-out', params: schema.parse({ ...known, ...over }), on: null, state: 'fitted' },
    ],
  }
}
const limitOf = (over: Partial<SwingOutParams>, id: string) => evaluate(jobOf(over), defaultRules).limits.find((l) => l.id === id)!

beforeAll(async () => {
  await RAPIER.init()
})
function motionOf(job: Job, name: string): Motion {
  const kit = rapierKit(RAPIER)
  const { assembly } = evaluate(job, defaultRules)
  const all = motionsOf({ assembly, vehicle: job.vehicle, brief: job.brief, rules: defaultRules, moves: [], stops: {} }, kit)
  kit.close()
  return all.find((m) => m.mover.name === name)!
}

describe('a swing-out wheel carrier', () => {
  test('a slack of 1.6 on a slope of 15°: 5.97 to draw, 3.4 turns of M12, and 6.4 of the 30 of travel are left; not measured is not taken up', () => {
    const does = insertOf({ slackMm: 1.6, cutDeg: 15 })!
    expect(does.drawMm).toBeCloseTo(5.971, 3)
    expect(does.turns).toBeCloseTo(3.412, 3)
    expect(does.reserveMm).toBeCloseTo(6.438, 3)
    expect(insertOf({ slackMm: null, cutDeg: 15 })).toBeNull()
    expect(made({ slackMm: null }).says.join()).toMatch(/not measured: nobody knows whether the insert takes it up/)
    expect(made({ slackMm: 5, cutDeg: 8 }).says.join()).toMatch(/takes up \{4.2\} in all its travel, and the slack is \{5\}/)
    expect(made({ sway: 'none' }).says.join()).toMatch(/looser than its receiver/)
  })

  test('swung open the spindle alone holds the arm: the moment at its foot is every part’s weight times its distance from the spindle, by hand', () => {
    const { assembly } = evaluate(jobOf({ opensDeg: 90 }), defaultRules)
    const [open] = swungOpen(assembly, [])
    const [parked] = loadCases(defaultRules, 'road')
    const result = rackSolver(open!.assembly, [], defaultRules, [], 'clamped')!.solve(parked!, null, 'most', 'all')
    const spindle = open!.assembly.members.find((m) => m.id.endsWith('spindle'))!
    const axis = spindle.path[0]!
    const moving = new Set(open!.motion.moves)
    const weights = [
      ...open!.assembly.members.map((m) => ({ id: m.id, kg: memberMassKg(m), at: memberMiddle(m) })),
      ...open!.assembly.plates.map((p) => ({ id: p.id, kg: plateMassKg(p), at: p.pose.origin })),
      ...open!.assembly.fittings.map((f) => ({ id: f.id, kg: f.massKg!, at: f.at })),
    ].filter((w) => moving.has(w.id))
    expect(weights).toHaveLength(5)
    const about = (k: 'x' | 'y') => weights.reduce((s, w) => s + w.kg * G_M_S2 * (w.at[k] - axis[k]), 0)
    const state = result.members.find((m) => m.memberId === spindle.id)!
    // the plate's middle lies half its thickness off the place where it is drawn
    expect(Math.hypot(state.momentYNmm, state.momentZNmm) / Math.hypot(about('x'), about('y'))).toBeCloseTo(1, 2)
    // a quarter turn to the left puts the wheel straight behind the spindle's side
    const wheel = open!.assembly.fittings[0]!
    const shut = assembly.fittings[0]!
    expect(wheel.at.x - axis.x).toBeCloseTo(-(axis.y - shut.at.y), 6)
    expect(wheel.at.y - axis.y).toBeCloseTo(axis.x - shut.at.x, 6)
  })

  test('open, the latch holds nothing and the arm does not swing on; the worst of the spindle is then, and nothing of it is shown as a road case', () => {
    const e = evaluate(jobOf(), defaultRules)
    const [open] = swungOpen(e.assembly, [])
    expect(open!.assembly.joints.map((j) => j.kind)).not.toContain('latch')
    expect(open!.assembly.joints.filter((j) => j.axis)).toEqual([])
    expect(e.cases.some((c) => c.case.id.startsWith('open:'))).toBe(false)
    const hitch = e.feet[0]!
    expect(hitch.mostAlongN).toBeGreaterThan(0)
    // a heavier wheel, further out, is more in every way
    const ratio = (over: Partial<SwingOutParams>) => limitOf(over, 'bar.bending')?.ratio ?? limitOf(over, 'member.bending').ratio!
    expect(ratio({ wheelKg: 60 })).toBeGreaterThan(ratio({}))
    expect(ratio({ hingeOutMm: 900 })).toBeGreaterThan(ratio({}))
  })

  test('open, the receiver is turned back and twisted at once: by hand from every part’s place, and more than shut', () => {
    const e = evaluate(jobOf({ opensDeg: 90 }), defaultRules)
    const [open] = swungOpen(e.assembly, [])
    const pin = e.assembly.mounts[0]!.place
    const masses = [
      ...open!.assembly.members.map((m) => ({ kg: memberMassKg(m), at: memberMiddle(m) })),
      ...open!.assembly.plates.map((p) => ({ kg: plateMassKg(p), at: p.pose.origin })),
      ...open!.assembly.fittings.map((f) => ({ kg: f.massKg!, at: f.at })),
    ]
    const about = (of: (at: { x: number; y: number }) => number) => masses.reduce((s, m) => s + m.kg * G_M_S2 * of(m.at), 0)
    const hand = Math.hypot(
      about((at) => pin.x - at.x),
      about((at) => at.y - pin.y),
    )
    const found = e.limits.find((l) => l.id === 'hitch.open')!
    // the receiver’s own fitting weighs a little at the pin; the plate is drawn by its face
    expect(found.used.value! / hand).toBeCloseTo(1, 2)
    expect(found.used.value!).toBeGreaterThan(e.hitchMoment!.value!)
    expect(limitOf({ wheelKg: null }, 'hitch.open').state).toBe('unknown')
    expect(limitOf({ wheelKg: 110 }, 'hitch.open').used.value!).toBeGreaterThan(2 * limitOf({}, 'hitch.open').used.value!)
  })

  test('an arm that opens to 150° passes the worst on its way: it uses no less of receiver and spindle than one that stops at a right angle', () => {
    const [right, wide] = [90, 150].map((opensDeg) => evaluate(jobOf({ opensDeg }), defaultRules).limits)
    for (const id of ['hitch.open', 'bar.bending']) {
      const used = (l: typeof right) => l!.find((x) => x.id === id)!.used.value!
      expect(used(wide)).toBeGreaterThanOrEqual(0.999 * used(right))
    }
    // its end alone would have told less
    const at = swungOpen(evaluate(jobOf({ opensDeg: 150 }), defaultRules).assembly, []).map((o) => Math.round(o.atDeg))
    expect(at[0]).toBe(150)
    expect(at[1]).toBeLessThan(150)
  })
  test('a gate is not called free by an arm that cannot get out of its way', () => {
    const job = jobOf({ ...(family.start(siteOn(vehicle)) as SwingOutParams), ...known })
    const post = {
      name: 'Post',
      xMm: -2100,
      yMm: 900,
      lengthMm: 900,
      widthMm: 900,
      heightMm: 900,
      accessMm: null,
      taken: vehicle.bodies[0]!.taken,
    }
    const walled = { ...job, vehicle: { ...job.vehicle, roofHeightMm: { ...job.vehicle.roofHeightMm, value: 300 }, obstacles: [post] } }
    expect(motionOf(walled, 'Swing arm').touch).not.toBeNull()
    const gate = motionOf(walled, 'Tailgate')
    expect([gate.first, gate.touch === null]).toEqual([null, false])
  })
  test('the draw bolt of the insert is held against its own grade, not as a collar', () => {
    const e = evaluate(jobOf(), defaultRules)
    const insert = e.assembly.joints.find((j) => j.id.endsWith('joint:insert'))!
    expect([insert.collar, insert.rated?.by]).toEqual([undefined, expect.stringMatching(/ISO 3506/)])
    expect(e.limits.some((l) => l.id === 'joint.collar')).toBe(false)
  })

  test('what nobody weighed or rated is not assessed: the wheel, the spindle, the latch', () => {
    expect(evaluate(jobOf({ wheelKg: null }), defaultRules).limits.filter((l) => l.group === 'rack' && l.state === 'clear')).toEqual([])
    expect(limitOf({ latchN: null }, 'joint.rated').state).toBe('unknown')
    expect(limitOf({ spindleN: null }, 'joint.rated').state).toBe('unknown')
    expect(limitOf({}, 'joint.rated').state).not.toBe('unknown')
    expect(limitOf({ latchN: 50 }, 'joint.rated').state).toBe('over')
  })

  test('to the right it is the same, mirrored', () => {
    const [left, right] = [made().assembly, made({ hinge: 'right' }).assembly]
    for (const [i, m] of left.members.entries()) expect(right.members[i]!.path.map((v) => -v.y + 0)).toEqual(m.path.map((v) => v.y + 0))
    expect(right.motions[0]!.axis.way.z).toBe(-left.motions[0]!.axis.way.z)
  })

  test('the gate behind it opens once the arm stands aside, and the arm’s own way is free of the vehicle', () => {
    expect(vehicle.swings.some((s) => s.kind === 'tailgate')).toBe(true)
    const kit = rapierKit(RAPIER)
    // half a gate of 1420 and 70 more
    const start = family.start({ ...siteOn(vehicle) }) as SwingOutParams
    expect([start.hingeOutMm, start.latchOutMm]).toEqual([780, 780])
    const job = jobOf({ ...start, ...known })
    const motions = motionsOf(
      { assembly: evaluate(job, defaultRules).assembly, vehicle, brief: job.brief, rules: defaultRules, moves: [], stops: {} },
      kit,
    )
    kit.close()
    const leaf = motions.find((m) => m.mover.name === 'Tailgate')!
    expect([leaf.touch, leaf.first?.name]).toEqual([null, 'Swing arm'])
    expect(motions.find((m) => m.mover.name === 'Swing arm')!.touch).toBeNull()
    // within the gate's width the spindle and the rest stand in its way, arm or no arm
    const within = motionOf(jobOf({ hingeOutMm: 620, latchOutMm: 560 }), 'Tailgate')
    expect([within.touch?.what.name, within.first]).toEqual([expect.stringMatching(/upright|spindle|rest|wheel|arm/), null])
  })

  test('what cannot be is said', () => {
    expect(made({ hubAsideMm: 500, latchOutMm: 400 }).says.join()).toMatch(/past the end of its arm/)
    expect(made({ hingeOutMm: 300 }).says.join()).toMatch(/stands \{300\} from the spindle, less than half its size/)
    expect(made({ backspaceMm: 300, wheelWideMm: 200 }).says.join()).toMatch(/lies within its width/)
    expect(made({ cutDeg: 20 }).says.join()).toMatch(/slides back by itself/)
    expect(made({ cutDeg: 8 }).says).toEqual([])
  })
})
