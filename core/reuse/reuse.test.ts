import { describe, expect, test } from 'vitest'
import { overTo } from '../families/overTo'
import { demoJobs } from '../job/demoJobs'
import { type Job, JobSchema } from '../job/job'
import { openItems } from '../job/openItems'
import { neededBeforeCutting } from '../places/neededBeforeCutting'
import { readingsOf } from '../remeasure/readingsOf'
import { defaultRules } from '../rules/rules'
import { demoVehicles } from '../vehicle/demoVehicles'
import type { Vehicle } from '../vehicle/vehicle'
import { asNew } from './asNew'
import { copyToMeasure } from './copyToMeasure'
import { onVehicle } from './onVehicle'
import { reuse } from './reuse'

const poles = demoJobs[0]!
const van = poles.vehicle
const line = van.mounts[0]!
/** The van with its roof line elsewhere, as a vehicle of its own. */
const other = (change: Partial<typeof line>): Vehicle => ({ ...van, id: 'other-van', mounts: [{ ...line, ...change }] })
const again = (job: Job, vehicle: Vehicle, unlike = false) => reuse(job, { title: 'Again', vehicle, unlike }, defaultRules)

describe('stations taken over to another line', () => {
  const on = (fromXMm: number, toXMm: number, more: Partial<typeof line> = {}) =>
    other({ fromXMm, toXMm, keepOuts: [], pointsXMm: null, ...more })
  const moved = (xs: number[], from: Vehicle, to: Vehicle) => overTo(line.id, xs, from, to)?.xMm
  const first = { ...on(0, 2000), id: 'first' }

  test('250, 750, 1250 on 0…2000 lie with their middle at 3/8 of it: on 1000…3000 they begin at 1250; on 1000…5000 their middle is at 2500', () => {
    expect(moved([250, 750, 1250], first, on(1000, 3000))).toEqual([1250, 1750, 2250])
    expect(moved([250, 750, 1250], first, on(1000, 5000))).toEqual([2000, 2500, 3000])
  })
  test('a line of 500 draws 1000 between them together to 500, one of 100 leaves two feet and not three', () => {
    expect(moved([250, 750, 1250], first, on(0, 500))).toEqual([0, 250, 500])
    expect(moved([250, 750, 1250], first, on(0, 100))).toEqual([0, 100])
  })
  test('they go to the holes there are, and out of a stretch where no foot may stand', () => {
    expect(moved([300, 900, 1500], first, on(0, 2000, { pointsXMm: [100, 450, 1000, 1400] }))).toEqual([450, 1000, 1400])
    expect(moved([300, 900, 1500], first, on(0, 2000, { keepOuts: [{ fromXMm: 800, toXMm: 950 }] }))).toEqual([300, 950, 1500])
  })
  test('the same vehicle measured anew: they stay where they are, and go back only as far as the line does', () => {
    const anew = (toXMm: number) => ({ ...on(0, toXMm), id: 'first' })
    expect(moved([250.4, 1250.4], first, anew(1990))).toEqual([250.4, 1250.4])
    expect(moved([250, 1250], first, anew(1200))).toEqual([200, 1200])
  })
  test('of another kind of line it takes the first; without any line there is nowhere', () => {
    expect(overTo('gone', [0, 500], first, on(0, 2000))?.line.id).toBe(line.id)
    expect(overTo(line.id, [0, 500], first, { ...first, mounts: [] })).toBeNull()
  })
})

describe('a job for another vehicle', () => {
  test('40 further out on each side: each bar is 80 longer, and no other part is another one', () => {
    const [piece] = again(poles, other({ halfWidthFrontMm: line.halfWidthFrontMm + 40, halfWidthRearMm: line.halfWidthRearMm + 40 })).pieces
    expect(piece?.parts.map((p) => [p.becomes, Math.round(p.byMm * 10) / 10])).toEqual([
      ['longer', 80],
      ['longer', 80],
      ['longer', 80],
    ])
    expect([piece?.same, piece?.issues]).toEqual([0, []])
  })
  test('600 further forward: the cargo goes with its bars, so that every overhang stays what it was', () => {
    const { job } = again(poles, other({ fromXMm: line.fromXMm + 600, toXMm: line.toXMm + 600, keepOuts: [] }))
    const by = job.brief.cargo.map((c, i) => c.xMm - poles.brief.cargo[i]!.xMm)
    expect(by.every((d) => d === 600)).toBe(true)
  })
  test('what was done, bought, tested and agreed stays with the first job', () => {
    const done: Job = {
      ...poles,
      due: '2027-01-20',
      built: { cut: { on: '2026-12-01', mark: 'x', by: 'Ruth', otherwise: '', settled: false, reckonedMin: 10, tookMin: 12 } } as never,
      loadTests: [{} as never],
      kit: { bar: { state: 'here' } } as never,
    }
    const r = again(done, other({}))
    expect([r.job.built, r.job.loadTests, r.job.kit, r.job.due, r.job.clientAnswers]).toEqual([{}, [], {}, null, []])
    expect(r.left).toEqual([
      '1 step that was ticked',
      '1 line of the kit that was here or ordered',
      '1 load test',
      'its dates',
      'its notes',
    ])
    // a door of the first client is none of the next one's, and what was noted of him stays with him
    expect([done.brief.passages.length > 0, r.job.brief.passages, r.job.brief.budgetMinor, r.job.notes]).toEqual([true, [], null, ''])
    expect(r.job.like).toEqual({ title: poles.title, vehicle: van.name })
    // another client has agreed to nothing yet: it is open
    expect([r.job.brief.clientName, r.job.brief.loadClass, r.job.brief.asked]).toEqual(['', null, {}])
    expect(openItems(r.job, null, String).map((i) => i.text)).toContain('Agree a load class, so that later wishes can be held against it')
  })
  test('what the first vehicle’s anchors held says nothing of another’s: straps on them are not assessed there', () => {
    const r = again(poles, other({}))
    expect(r.unknown[0]).toBe('what Tie rings on the bars holds')
    expect(r.job.anchors.flatMap((a) => [a.count, ...a.links.map((l) => l.holdsN)]).every((n) => n === null)).toBe(true)
    expect(r.worse.filter((l) => l.name.endsWith('straps')).map((l) => l.is)).toEqual(['unknown', 'unknown'])
    expect(again(poles, van).unknown.some((u) => u.includes('Tie rings'))).toBe(false)
  })
  test('the room inside and the cable along it are measured anew; things inside are not stowed yet', () => {
    const inside = {
      ...poles.inside,
      lengthMm: 3000,
      things: [{ id: 'b', name: 'box', kind: 'box', place: { xMm: 0, yMm: 0, deg: 0 } } as never],
    }
    const wired = { ...poles, inside, wiring: [{ id: 'w', name: 'lamp', restMm: 2400 } as never] }
    const r = again(wired, other({}))
    expect([r.job.inside.lengthMm, r.job.inside.things[0]?.place, r.job.wiring[0]?.restMm]).toEqual([null, null, null])
    expect(r.unknown).toContain('the way of the cable “lamp” along the vehicle')
  })
  test('of one like it every figure that the bars hang on is to be measured there, until it is', () => {
    const r = again(poles, van, true)
    const width = r.measure.find((m) => m.id === `line.${line.id}.halfWidthRearMm`)
    expect(width?.parts.length).toBe(3)
    // nothing is cut before that, and the shelf's own newer revision is not offered for it
    expect(neededBeforeCutting(r.job.vehicle).map((n) => n.id)).toContain(`line.${line.id}`)
    expect(r.job.vehicle.id).not.toBe(van.id)
    expect(again(poles, van).measure).toEqual([])
    const read = readingsOf(r.job.vehicle).find((f) => f.id === 'roofWidthRearMm')!
    const measured = { ...r.job, vehicle: read.measured(read.value + 3, { who: 'Ruth', on: '2026-12-01', why: 'read', tolerance: 2 }) }
    expect(neededBeforeCutting(measured.vehicle).map((n) => n.id)).not.toContain('roofWidthRearMm')
  })
  test('figures that a half-measured vehicle lacks are named, and nothing of them is guessed', () => {
    const half = demoVehicles.find((v) => v.id === 'half-measured-box')!
    expect(again(poles, half).unread.map((u) => u.split(': ')[1])).toEqual(['not taken yet'])
    expect(again(poles, van).unread).toEqual([])
  })
  test('any demo job on any demo vehicle is a job that can be kept, with all its pieces', () => {
    for (const job of demoJobs)
      for (const v of demoVehicles) {
        const next = onVehicle(asNew(job, 'Again'), v, defaultRules)
        expect(JobSchema.parse(next)).toEqual(next)
        expect(next.pieces.map((p) => p.id)).toEqual(job.pieces.map((p) => p.id))
      }
  })
})

test('a copy to measure: places and holes too are no longer measured; what the maker rates stays', () => {
  const rated = { ...van, mounts: [{ ...line, misfit: [{ alongMm: 3, acrossMm: 0, upMm: 0 }] }] }
  const copy = copyToMeasure(rated, 'x', 'Another van')
  expect([copy.mounts[0]?.taken.method, copy.mounts[0]?.misfit, copy.roofMovingKg.method]).toEqual(['assumed', [], 'maker'])
  expect([...copy.bodies, ...copy.obstacles, ...copy.swings].every((p) => p.taken.method === 'assumed')).toBe(true)
})

test('a bed that was measured is a place to stand on: a chest in it needs no line on the roof before it is cut', () => {
  const pickup = demoVehicles.find((v) => v.name === 'Crew-cab pickup')!
  expect(neededBeforeCutting({ ...pickup, mounts: [] }).map((n) => n.id)).not.toContain('mounts')
  expect(neededBeforeCutting({ ...pickup, mounts: [], measures: {}, bodies: [] }).map((n) => n.id)).toContain('mounts')
})
