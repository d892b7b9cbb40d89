import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { filletWeldWorst, weldGroup, weldRound } from '../fasten/filletWeld'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { patchedParams } from '../job/piecesOf'
import { carriedBy } from '../loads/carried'
import { wholeOf } from '../pieces/whole'
import { defaultRules } from '../rules/rules'
import type { Limit } from './limit'
import { remembered } from './remembered'
import { groupsOf } from './tiedPieces'

const [survey, oyster] = demoJobs
const groups = (job: Job) => {
  const { assembly } = wholeOf(job, defaultRules)
  return groupsOf(assembly, carriedBy(assembly, job.brief))
}
const told = (limits: Limit[], pieceId: string) =>
  limits.filter((l) => l.pieceId === pieceId).map((l) => [l.id, l.state, l.used.value, l.allowed.value])

describe('pieces that pass nothing on to one another', () => {
  test('rack and guard of the oyster grower are two frames; what lies on the rack is with the rack alone', () => {
    const [rack, guard, ...more] = groups(oyster!)
    expect(more).toEqual([])
    expect(new Set([...rack!.assembly.members, ...rack!.assembly.mounts].map((p) => p.id.split('/')[0]))).toEqual(new Set(['p1']))
    expect(new Set(guard!.assembly.members.map((p) => p.id.split('/')[0]))).toEqual(new Set(['p2']))
    const all = wholeOf(oyster!, defaultRules).assembly
    for (const part of ['members', 'joints', 'mounts', 'plates', 'anchors', 'pulls', 'infills'] as const)
      expect(rack!.assembly[part].length + guard!.assembly[part].length, part).toBe(all[part].length)
  })
  test('one thing that lies on both makes one frame of them; so does a joint between them', () => {
    const { assembly } = wholeOf(oyster!, defaultRules)
    const [a, b] = [assembly.members.find((m) => m.id.startsWith('p1/'))!, assembly.members.find((m) => m.id.startsWith('p2/'))!]
    const [thing] = carriedBy(assembly, oyster!.brief)
    const line = (on: string) => ({ ...thing!.bearings[0]!, on })
    expect(groupsOf(assembly, [{ ...thing!, bearings: [line(a.id)] }])).toHaveLength(2)
    expect(groupsOf(assembly, [{ ...thing!, bearings: [line(a.id), line(b.id)] }])).toHaveLength(1)
    const joint = { id: 'p1/tie', kind: 'weld' as const, between: [a.id, b.id] as [string, string], at: a.path[0]! }
    expect(groupsOf({ ...assembly, joints: [...assembly.joints, joint] }, [])).toHaveLength(1)
  })
  test('a piece is judged the same with the other there, put away, or moved', () => {
    const empty: Job = { ...oyster!, brief: { ...oyster!.brief, cargo: [] } }
    const alone = (id: string) => told(evaluate({ ...empty, pieces: empty.pieces.filter((p) => p.id === id) }, defaultRules).limits, id)
    const together = evaluate(empty, defaultRules).limits
    expect(told(together, 'p2')).toEqual(alone('p2'))
    const { barXMm } = oyster!.pieces[0]!.params as { barXMm: number[] }
    const moved = evaluate(patchedParams(empty, 'p1', { barXMm: barXMm.map((x, i) => (i ? x : x - 25)) }), defaultRules).limits
    expect(told(moved, 'p2')).toEqual(told(together, 'p2'))
    expect(told(moved, 'p1')).not.toEqual(told(together, 'p1'))
  })
  test('every case tells the feet of all pieces, in their order, also while one is pulled', () => {
    const e = evaluate(oyster!, defaultRules)
    expect(e.feet.map((f) => f.mount.id)).toEqual(e.assembly.mounts.map((m) => m.id))
    for (const c of e.cases)
      expect([c.case.id, c.feet.length, c.members.length]).toEqual([c.case.id, e.feet.length, e.assembly.members.length])
    const pulled = e.cases.find((c) => c.case.id.startsWith('p2/'))!
    const parked = e.cases.find((c) => c.case.id === 'parked')!
    const rack = e.feet.filter((f) => f.mount.id.startsWith('p1/')).map((f) => f.index)
    expect(rack.map((i) => pulled.feetDownN[i])).toEqual(rack.map((i) => parked.feetDownN[i]))
  })
  test('what somebody stands on is missing only where no piece of the job has it', () => {
    const job = { ...survey, brief: { ...survey.brief, someoneStands: true } }
    const lack = 'a support made to stand on'
    expect(evaluate(job, defaultRules).missing.includes(lack)).toBe(
      !wholeOf(job, defaultRules).assembly.supports.some((s) => s.walkOn.length),
    )
  })
  test('a thing of unknown weight that lies on nothing leaves every piece open; one on a floor of the vehicle none', () => {
    const unknown = { ...survey.brief.cargo[0]!, id: 'x', massKg: null, on: ['gone/top'] }
    const lost = evaluate({ ...oyster!, brief: { ...oyster!.brief, cargo: [unknown] } }, defaultRules)
    for (const id of ['p1', 'p2']) expect(lost.limits.find((l) => l.id === 'bar.bending' && l.pieceId === id)!.state).toBe('unknown')
  })
})

test('remembered: worked out once for equal questions, anew for another, and the oldest is let go', () => {
  const asked: number[] = []
  const twice = remembered(({ n }: { n: number }) => {
    asked.push(n)
    return { twice: 2 * n }
  })
  const first = twice({ n: 1 })
  expect(twice({ n: 1 })).toBe(first)
  expect(twice({ n: 2 })).toEqual({ twice: 4 })
  expect(asked).toEqual([1, 2])
  for (let n = 3; n < 40; n++) twice({ n })
  expect(twice({ n: 1 })).toEqual(first)
  expect(asked.filter((n) => n === 1)).toHaveLength(2)
})

test('more of every force and moment never asks less of a weld: what is left out of the search cannot govern', () => {
  const size = fc.double({ min: 0, max: 1e6, noNaN: true })
  const six = fc.record({ fx: size, fy: size, fz: size, mx: size, my: size, mz: size })
  const group = weldGroup(weldRound(40, 60))
  fc.assert(
    fc.property(six, six, (a, b) => {
      const most = Object.fromEntries(Object.keys(a).map((k) => [k, Math.max(a[k as 'fx'], b[k as 'fx'])])) as typeof a
      const of = (load: typeof a) => filletWeldWorst(group, 4, load).stressMPa
      expect(of(most)).toBeGreaterThanOrEqual(Math.max(of(a), of(b)) * (1 - 1e-12))
    }),
  )
})
