import { describe, expect, test } from 'vitest'
import { defaultRules } from '../rules/rules'
import { learnedTimes, timeOffer } from './learnedTimes'
import { type Tick, TickSchema, tickOf, tookMinutes } from './tick'

const tick = (tookMin: number | null, reckonedMin: number | null, figureMin: number | null = 2) =>
  tickOf('2026-11-27', 'x', { tookMin, reckonedMin, figureMin })

describe('what a step took', () => {
  test('from ten past two to a quarter to three: 35 minutes; a blink is one; left over night, or begun in the future, is none', () => {
    expect(tookMinutes('2026-11-27T14:10:00.000Z', '2026-11-27T14:45:10.000Z')).toBe(35)
    expect(tookMinutes('2026-11-27T14:10:00.000Z', '2026-11-27T14:10:04.000Z')).toBe(1)
    expect(tookMinutes('2026-11-27T14:10:00.000Z', '2026-11-28T07:30:00.000Z')).toBeNull()
    expect(tookMinutes('2026-11-27T14:10:00.000Z', '2026-11-27T14:09:00.000Z')).toBeNull()
  })
  test('a tick of before times were taken reads as untimed', () => {
    expect(TickSchema.parse({ on: '2026-10-01', was: 'ff' })).toEqual(tickOf('2026-10-01', 'ff'))
  })
})

describe('what the shop learns from its log', () => {
  const log: Record<string, Tick>[] = [
    { cut: tick(30, 20), bend: tick(null, 40), weld: tick(90, 60, null) },
    { cut: tick(20, 20), weld: tick(70, 60, null) },
    { cut: tick(40, 20), weld: tick(80, 60, null), 'hole:3:A': tick(null, null), lift: tick(10, 0) },
  ]
  test('three cuts that took 90 where 60 was reckoned: a cut of 2 minutes would have to be 3', () => {
    const [cut] = learnedTimes(log)
    // sixty minutes at two a cut are thirty cuts
    expect(cut).toEqual({ id: 'cut', times: 3, tookMin: 90, reckonedMin: 60, pieces: 30 })
    expect(defaultRules.cutMin).toBe(2)
    expect(timeOffer(cut!, defaultRules)).toEqual({ key: 'cutMin', now: 2, would: 3 })
  })
  test('once it is used the same log offers the same figure and no more; what is reckoned with the new one agrees', () => {
    const [cut] = learnedTimes(log)
    const used = { ...defaultRules, cutMin: 3 }
    expect(timeOffer(cut!, used)).toEqual({ key: 'cutMin', now: 3, would: 3 })
    const [later] = learnedTimes([...log, { cut: tick(30, 30, 3) }])
    expect(timeOffer(later!, used)!.would).toBe(3)
  })
  test('with the offered figure the same log would have been reckoned right', () => {
    const [cut] = learnedTimes(log)
    const { now, would } = timeOffer(cut!, defaultRules)!
    expect((cut!.reckonedMin * would) / now).toBeCloseTo(cut!.tookMin, 6)
  })
  test('what was not timed, or was reckoned at nothing, teaches nothing; two times are too few; welding hangs on several figures and gets no offer', () => {
    const all = learnedTimes(log)
    expect(all.map((l) => l.id)).toEqual(['cut', 'weld'])
    expect(timeOffer(learnedTimes(log.slice(0, 2))[0]!, defaultRules)).toBeNull()
    expect(timeOffer(all[1]!, defaultRules)).toBeNull()
    expect(learnedTimes([])).toEqual([])
  })
})
