import { describe, expect, test } from 'vitest'
import type { Assembly } from '../assembly/assembly'
import { demoJobs } from '../job/demoJobs'
import { turningJoints } from '../limits/held'
import { carriedBy } from '../loads/carried'
import { defaultRules } from '../rules/rules'
import { assembled, rackAlone, withRack } from '../testing/racks'
import { addedTo, addOne } from './addOne'

const [survey, oyster] = demoJobs
const tied = withRack(
  { ...rackAlone(survey), brief: { ...survey.brief, cargo: [] } },
  { sideRails: true, build: 'welded', profileId: 'square-40x3-steel', railProfileId: 'square-40x3-steel' },
)
/** The welded rack with one of its joints made on a single bolt. */
const loosened = (): Assembly => {
  const a = assembled(tied)
  const [first] = a.joints.filter((j) => j.kind === 'weld')
  return {
    ...a,
    joints: a.joints.map((j) =>
      j === first ? { id: j.id, kind: 'bolt', between: j.between, at: j.at, bolts: { size: 'M8', count: 1 } } : j,
    ),
  }
}
const given = (assembly: Assembly) => ({
  assembly,
  carried: carriedBy(assembly, tied.brief),
  vehicle: tied.vehicle,
  brief: tied.brief,
  rules: defaultRules,
  tests: [],
})

describe('one more where only grip resists', () => {
  test('a joint on one bolt is named, and a second bolt and a brace are each tried on the whole', () => {
    const a = loosened()
    expect(turningJoints(a)).toHaveLength(1)
    const list = addedTo(given(a))
    expect(list.map((t) => t.tried).sort()).toEqual(['a second bolt beside the first', 'a welded brace between the two'])
    for (const t of list) {
      expect(t.at).toMatch(/ on /)
      expect(t.before).toBeGreaterThan(0)
      expect(t.after).toBeGreaterThan(0)
    }
    // the better one first
    expect(list[0]!.after!).toBeLessThanOrEqual(list[1]!.after!)
  })
  test('with both bolts in it the joint no longer turns, and nothing is left to offer', () => {
    const a = loosened()
    const held = { ...a, joints: a.joints.map((j) => (j.bolts ? { ...j, bolts: { ...j.bolts, count: 2, apartMm: 40 } } : j)) }
    expect(turningJoints(held)).toEqual([])
    expect(addedTo(given(held))).toEqual([])
  })
  test('bars that stand on single bolts are tied by rails; what stays unassessed is counted, never called well', () => {
    const unrated = { ...oyster, vehicle: { ...oyster.vehicle, placeRatings: {} } }
    const [rated] = addOne({ ...oyster, pieces: oyster.pieces.slice(0, 1) }, defaultRules)
    expect(rated!.tried).toMatch(/a rail over each row of feet/)
    const [open] = addOne(unrated, defaultRules)
    expect(open!.open).toBeGreaterThan(0)
  })
  test('a rack on feet of two bolts each needs nothing', () => expect(addOne(tied, defaultRules)).toEqual([]))
})
