import { describe, expect, test } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import type { Job } from '../../core/job/job'
import { defaultRules } from '../../core/rules/rules'
import { rackParams } from '../../core/testing/racks'
import { handlesOf, nudged } from './handles'

const [survey, oyster, spar] = demoJobs
const handle = (job: Job, ref: string) => handlesOf(job, defaultRules).find((h) => h.ref === ref)!
const inPlan = (job: Job, ref: string, x: number, y: number) => {
  const h = handle(job, ref)
  return h.moved(h.moved(job, 'x', x, false), 'y', y, false)
}
const bars = (job: Job) => rackParams(job).barXMm

describe('taking hold of a bar', () => {
  test('every bar and every load has one handle', () =>
    expect(handlesOf(survey, defaultRules).map((h) => h.ref)).toEqual([
      'p1/bar:0',
      'p1/bar:1',
      'p1/bar:2',
      'cargo:sampling-poles',
      'cargo:equipment-case',
      'cargo:side-awning',
    ]))
  test('on a gutter it snaps to whole centimetres from the datum, and Alt leaves that off', () => {
    const h = handle(survey, 'p1/bar:0') // roof begins at −1180
    expect(bars(h.moved(survey, 'x', -243.4, false))[0]).toBe(-240)
    expect(bars(h.moved(survey, 'x', -243.4, true))[0]).toBe(-243.4)
  })
  test('it stops at the end of the gutter', () => expect(bars(handle(survey, 'p1/bar:0').moved(survey, 'x', -9000, false))[0]).toBe(-1050))
  test('on fixed points it jumps from point to point', () => {
    const h = handle(oyster, 'p1/bar:0')
    expect(bars(h.moved(oyster, 'x', 1300, false))[0]).toBe(1180)
    expect(bars(h.moved(oyster, 'x', 1400, false))[0]).toBe(1530)
  })
  test('a place it already has is no change, so that undo has no empty steps', () =>
    expect(handle(oyster, 'p1/bar:0').moved(oyster, 'x', 1200, false)).toBe(oyster))
})

describe('taking hold of a load', () => {
  test('it snaps to the middle line and to centimetres', () => {
    const moved = inPlan(survey, 'cargo:equipment-case', 1004, 6)
    expect([moved.brief.cargo[1].xMm, moved.brief.cargo[1].yMm]).toEqual([1000, 0])
  })
  test('in an inch job it snaps to half inches', () => {
    const { xMm } = inPlan(spar, 'cargo:ladder', 700, 480).brief.cargo[1]
    expect(xMm / 12.7).toBeCloseTo(Math.round(xMm / 12.7), 9)
  })
  test('only that load moves', () => {
    const moved = inPlan(survey, 'cargo:side-awning', 500, -600)
    expect(moved.brief.cargo.slice(0, 2)).toEqual(survey.brief.cargo.slice(0, 2))
    expect(moved.pieces).toBe(survey.pieces)
  })
})

describe('arrow keys', () => {
  test('5 mm a press, 50 with Shift', () => {
    const h = handle(survey, 'p1/bar:1')
    expect(bars(nudged(survey, h, 'x', 1, false))[1]).toBe(855)
    expect(bars(nudged(survey, h, 'x', -1, true))[1]).toBe(800)
  })
  test('on fixed points one press goes to the next point, however far', () => {
    expect(bars(nudged(oyster, handle(oyster, 'p1/bar:0'), 'x', 1, false))[0]).toBe(1530)
    expect(nudged(oyster, handle(oyster, 'p1/bar:0'), 'x', -1, false)).toBe(oyster) // there is none farther back
  })
  test('a quarter of an inch in an inch job', () => {
    const before = spar.brief.cargo[1].yMm
    expect(nudged(spar, handle(spar, 'cargo:ladder'), 'y', 1, false).brief.cargo[1].yMm - before).toBeCloseTo(6.35, 1)
  })
})
