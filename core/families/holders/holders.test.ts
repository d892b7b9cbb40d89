import { describe, expect, test } from 'vitest'
import { memberLengthMm, memberMassKg } from '../../assembly/assembly'
import { placed } from '../../brief/placeCargo'
import { accessories } from '../../catalogue/accessories'
import { evaluate } from '../../job/evaluate'
import { type Job, newJob } from '../../job/job'
import { withParams } from '../../job/piecesOf'
import { homeFor } from '../../pieces/homeFor'
import type { Piece } from '../../pieces/piece'
import { wholeOf } from '../../pieces/whole'
import { G_M_S2, METRIC } from '../../quantity/units'
import { defaultRules } from '../../rules/rules'
import { built } from '../../testing/onSite'
import { siteOn } from '../../testing/racks'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { familyOf } from '../all'
import { socketPlaces } from './assemble'
import { type HoldersParams, HoldersParams as schema } from './params'

const family = familyOf('holders')!
const [van, pickup] = demoVehicles
const made = (over: Partial<HoldersParams> = {}) => built(family, over, pickup)
const sockets = (b: ReturnType<typeof made>) => b.assembly.members.filter((m) => m.name === 'Socket')

/** A crossbar rack on the van with a row of sockets clamped to one of its bars. */
function onRack(over: Partial<HoldersParams> = {}): Job {
  const base = newJob('Rods', van, METRIC)
  const piece: Piece = {
    id: 'p2',
    name: '',
    letter: 'B',
    family: 'holders',
    params: schema.parse({ socketMm: 260, ...over }),
    on: 'p1',
    state: 'fitted',
  }
  return { ...base, brief: { ...base.brief, speedKmh: 90 }, pieces: [...base.pieces, piece] }
}

describe('sockets in a row', () => {
  test('five between insets of 120 on a bar of 1500 stand 315 apart; a pitch of 300 kept leaves 150 at each end; an odd one stands in the middle', () => {
    const p = schema.parse({ count: 5, insetMm: 120 })
    expect(socketPlaces(p, 1500)).toEqual([120, 435, 750, 1065, 1380])
    expect(socketPlaces({ ...p, pitchMm: 300 }, 1500)).toEqual([150, 450, 750, 1050, 1350])
    expect(socketPlaces({ ...p, count: 4, pitchMm: 300 }, 1500)).toEqual([300, 600, 900, 1200])
    expect(socketPlaces({ ...p, count: 1 }, 1500)).toEqual([750])
  })
  test('each leans back by its tilt beside the bar, touching it but for the collar’s wall, and is as long as asked', () => {
    for (const m of sockets(made({ tiltDeg: 30, socketMm: 300 }))) {
      const [foot, head] = m.path
      expect(memberLengthMm(m)).toBeCloseTo(300, 6)
      expect((foot!.x - head!.x) / (head!.z - foot!.z)).toBeCloseTo(Math.tan(Math.PI / 6), 6)
      expect(foot!.y).toBeCloseTo(head!.y, 6)
    }
    const b = made({ tiltDeg: 0 })
    const bar = b.assembly.members.find((m) => m.id === 'bar')!
    // half a bar of 40, a wall of 4, half a tube of 42.4
    expect(bar.path[0]!.x - sockets(b)[0]!.path[0]!.x).toBeCloseTo(20 + 4 + 21.2, 6)
  })
  test('on another piece they are clamped to a bar of it, hang in its frame and weigh on its feet', () => {
    const [alone, with_] = [evaluate({ ...onRack(), pieces: onRack().pieces.slice(0, 1) }, defaultRules), evaluate(onRack(), defaultRules)]
    const collars = with_.assembly.joints.filter((j) => j.collar)
    expect(collars).toHaveLength(5)
    for (const j of collars) expect(j.between[1]).toMatch(/^p1\//)
    expect(with_.issues.filter((i) => i.code === 'unstable')).toEqual([])
    const level = (e: typeof alone) => e.cases.find((c) => c.case.id === 'cruise')!.feetDownN.reduce((s, n) => s + n, 0)
    const own = with_.assembly.members.filter((m) => m.name === 'Socket').reduce((s, m) => s + memberMassKg(m), 0)
    expect(level(with_) - level(alone)).toBeCloseTo(own * G_M_S2, 1)
    // another of its bars is chosen by its name
    const bars = with_.assembly.members.filter((m) => m.name === 'Crossbar')
    const moved = evaluate(withParams(onRack(), 'p2', { ...onRack().pieces[1]!.params, onMember: bars[1]!.id }), defaultRules)
    expect(new Set(moved.assembly.joints.filter((j) => j.collar).map((j) => j.between[1]))).toEqual(new Set([bars[1]!.id]))
  })
  test('added to a van that has a rack it begins on the rack; on a bare pickup on a bar of its own; a rack never begins on another', () => {
    const at = (job: Job, id: string) => homeFor(familyOf(id)!, wholeOf(job, defaultRules).built, siteOn(job.vehicle)).on
    const racked = newJob('Rods', van, METRIC)
    expect([at(racked, 'holders'), at(racked, 'crossbar-rack')]).toEqual(['p1', null])
    expect(at({ ...newJob('Rods', pickup, METRIC), pieces: [] }, 'holders')).toBeNull()
  })
  test('its rack taken away, it says so; a vehicle without rails has no place for a bar of its own', () => {
    const gone = { ...onRack(), pieces: onRack().pieces.slice(1) }
    expect(evaluate(gone, defaultRules).issues.map((i) => i.code)).toContain('piece_on_gone')
    const bare = built(family, {}, van)
    expect([bare.assembly.members.length, bare.says.join()]).toEqual([0, expect.stringMatching(/no rails for their bar/)])
  })
  test('a collar by hand: the worst of what acts on any of them, all taken as sliding, against μ·n·T/(K·d)/1.875', () => {
    const e = evaluate(onRack(), defaultRules)
    const found = e.limits.find((l) => l.id === 'joint.collar')!
    const all = e.cases.flatMap((c) =>
      c.joints.filter((j) => j.joint.collar).map((j) => Math.hypot(j.alongN, j.acrossN) + Math.hypot(j.bendNmm, j.twistNmm) / 20),
    )
    expect(found.used.value).toBeCloseTo(Math.max(...all), 6)
    const r = defaultRules
    expect(found.allowed.value).toBeCloseTo((r.clampFriction * 2 * ((r.clampTorqueNm * 1000) / (0.2 * 8))) / (1.25 * r.loadFactor), 6)
    const ratio = (over: Partial<HoldersParams>) => evaluate(onRack(over), defaultRules).limits.find((l) => l.id === 'joint.collar')!.ratio!
    expect(ratio({ tiltDeg: 50, socketMm: 600 })).toBeGreaterThan(ratio({}))
  })
  test('what stands in a socket acts on it; its mass unknown leaves the collar open', () => {
    const job = onRack()
    const [first] = evaluate(job, defaultRules).assembly.supports.find((s) => s.kind === 'socket')!.bearings
    const rod = (kg: number | null) => ({
      ...job,
      brief: {
        ...job.brief,
        cargo: [
          {
            ...placed(accessories[0]!, 'rod', first!.xMm, (first!.leftMm + first!.rightMm) / 2, {}),
            lengthMm: 40,
            widthMm: 40,
            heightMm: 1800,
            massKg: kg === null ? null : { least: kg, most: kg },
            massBasis: kg === null ? ('unknown' as const) : ('weighed' as const),
            counts: 'both' as const,
            on: ['p2/sockets'],
          },
        ],
      },
    })
    const collar = (kg: number | null) => evaluate(rod(kg), defaultRules).limits.find((l) => l.id === 'joint.collar')!
    expect(collar(null).state).toBe('unknown')
    expect(collar(6).used.value!).toBeGreaterThan(collar(1).used.value!)
  })
  test('what cannot be is said', () => {
    expect(made().says).toEqual([])
    expect(made({ count: 16, insetMm: 500 }).says.join()).toMatch(/sockets touch: \{\d+\} apart or more, \d+ at most/)
    expect(made({ count: 9, pitchMm: 400 }).says.join()).toMatch(/beyond the end of its bar/)
    expect(made({ behindMm: 3900 }).says.join()).toMatch(/behind the end of the rails/)
  })
})
