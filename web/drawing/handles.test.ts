import { describe, expect, test } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import type { Job } from '../../core/job/job'
import { handlesOf, nudged } from './handles'

const [survey, oyster, spar] = demoJobs
const handle = (job: Job, ref: string) => handlesOf(job).find((h) => h.ref === ref)!
const bars = (job: Job) => job.design.params.barXMm

describe('taking hold of a bar', () => {
  test('every bar and every load has one handle', () =>
    expect(handlesOf(survey).map((h) => h.ref)).toEqual([
      'bar:0',
      'bar:1',
      'bar:2',
      'cargo:sampling-poles',
      'cargo:equipment-case',
      'cargo:side-awning',
    ]))
  test('on a gutter it snaps to whole centimetres from the datum, and Alt leaves that off', () => {
    const h = handle(survey, 'bar:0') // roof begins at −1180
    expect(bars(h.moved(survey, -243.4, 0, false))[0]).toBe(-240)
    expect(bars(h.moved(survey, -243.4, 0, true))[0]).toBe(-243.4)
  })
  test('it stops at the end of the gutter', () => expect(bars(handle(survey, 'bar:0').moved(survey, -9000, 0, false))[0]).toBe(-1050))
  test('on fixed points it jumps from point to point', () => {
    const h = handle(oyster, 'bar:0')
    expect(bars(h.moved(oyster, 1300, 0, false))[0]).toBe(1180)
    expect(bars(h.moved(oyster, 1400, 0, false))[0]).toBe(1530)
  })
  test('a place it already has is no change, so that undo has no empty steps', () =>
    expect(handle(oyster, 'bar:0').moved(oyster, 1200, 0, false)).toBe(oyster))
})

describe('taking hold of a load', () => {
  test('it snaps to the middle line and to centimetres', () => {
    const moved = handle(survey, 'cargo:equipment-case').moved(survey, 1004, 6, false)
    expect([moved.brief.cargo[1].xMm, moved.brief.cargo[1].yMm]).toEqual([1000, 0])
  })
  test('in an inch job it snaps to half inches', () => {
    const { xMm } = handle(spar, 'cargo:ladder').moved(spar, 700, 480, false).brief.cargo[1]
    expect(xMm / 12.7).toBeCloseTo(Math.round(xMm / 12.7), 9)
  })
  test('only that load moves', () => {
    const moved = handle(survey, 'cargo:side-awning').moved(survey, 500, -600, false)
    expect(moved.brief.cargo.slice(0, 2)).toEqual(survey.brief.cargo.slice(0, 2))
    expect(moved.design).toBe(survey.design)
  })
})

describe('arrow keys', () => {
  test('5 mm a press, 50 with Shift', () => {
    const h = handle(survey, 'bar:1')
    expect(bars(nudged(survey, h, 1, 0, false))[1]).toBe(855)
    expect(bars(nudged(survey, h, -1, 0, true))[1]).toBe(800)
  })
  test('on fixed points one press goes to the next point, however far', () => {
    expect(bars(nudged(oyster, handle(oyster, 'bar:0'), 1, 0, false))[0]).toBe(1530)
    expect(nudged(oyster, handle(oyster, 'bar:0'), -1, 0, false)).toBe(oyster) // there is none farther back
  })
  test('a quarter of an inch in an inch job', () => {
    const before = spar.brief.cargo[1].yMm
    expect(nudged(spar, handle(spar, 'cargo:ladder'), 0, 1, false).brief.cargo[1].yMm - before).toBeCloseTo(6.35, 1)
  })
})
