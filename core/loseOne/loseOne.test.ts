import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { defaultRules } from '../rules/rules'
import { rackAlone, withRack } from '../testing/racks'
import { loseOne } from './loseOne'

const [survey, oyster, , drone] = demoJobs

describe('one thing gone', () => {
  const bare = { ...rackAlone(survey), brief: { ...survey.brief, cargo: [] } }
  test('a bar on two feet has nothing left when one goes: both feet of every bar deserve a second', () => {
    const feet = loseOne(bare, defaultRules).filter((w) => w.kind === 'foot')
    expect(feet).toHaveLength(6)
    for (const w of feet) expect([w.falls, w.next, w.secondNeeded]).toEqual([expect.stringMatching(/^B\d$/), null, true])
  })
  test('tied by side rails the same bar stays: the other feet take what it took, and more than before', () => {
    const tied = withRack(
      { ...bare, vehicle: { ...bare.vehicle, footUpKg: { ...bare.vehicle.footUpKg, value: 500 } } },
      { sideRails: true, build: 'welded', profileId: 'square-40x3-steel', railProfileId: 'square-40x3-steel' },
    )
    const feet = loseOne(tied, defaultRules).filter((w) => w.kind === 'foot')
    for (const w of feet) {
      expect(w.falls).toBeNull()
      expect(w.next!.ratio!).toBeGreaterThan(w.next!.before!)
    }
  })
  test('the only thing in the receiver takes everything on it along; a tray’s weld takes the tray', () => {
    const list = loseOne({ ...drone, pieces: drone.pieces.filter((p) => p.id === 'p2') }, defaultRules)
    expect(list.find((w) => w.name === 'Foot B-H1')!.falls).toBe('B-T1, B-R1, B-R2, B-M1')
    expect(list.find((w) => w.name === 'Weld B-R2 to B-T1')!.falls).toBe('B-R2')
    expect(list[0]!.secondNeeded).toBe(true)
  })
  test('of two straps over a case one may go; of a lone one nothing is left', () => {
    const straps = (n: number) => {
      const [, item] = survey.brief.cargo
      const securing = { ...item!.securing!, straps: item!.securing!.straps.slice(0, n) }
      const job = { ...survey, pieces: [], brief: { ...survey.brief, cargo: [{ ...item!, securing }] } }
      return loseOne(job, defaultRules)
    }
    for (const w of straps(3)) expect([w.kind, w.secondNeeded]).toEqual(['strap', false])
    expect(straps(1).map((w) => w.secondNeeded)).toEqual([true])
  })
  test('what is not assessed is never called well: the crates’ rack has feet that nobody rated', () => {
    const rated = loseOne({ ...rackAlone(oyster), pieces: oyster.pieces.slice(1), brief: { ...oyster.brief, cargo: [] } }, defaultRules)
    const unrated = loseOne(
      {
        ...oyster,
        vehicle: { ...oyster.vehicle, placeRatings: {} },
        pieces: oyster.pieces.slice(1),
        brief: { ...oyster.brief, cargo: [] },
      },
      defaultRules,
    )
    const feet = (list: typeof rated) => list.filter((w) => w.kind === 'foot').map((w) => w.secondNeeded)
    expect(feet(rated)).toEqual(Array(6).fill(false))
    expect(feet(unrated).filter((n) => n === false)).toEqual([])
    expect(unrated.find((w) => w.kind === 'foot')!.next!.missing.join()).toMatch(/sheet under/)
  })
  test('nothing of the job itself is changed by asking', () => {
    const before = JSON.stringify([bare, evaluate(bare, defaultRules).limits])
    loseOne(bare, defaultRules)
    expect(JSON.stringify([bare, evaluate(bare, defaultRules).limits])).toBe(before)
  })
})
