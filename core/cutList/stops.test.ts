import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { assembled, withRack } from '../testing/racks'
import { demoWorkshop } from '../workshop/workshop'
import { cutList } from './cutList'
import { moreFit, stops } from './stops'

const [survey] = demoJobs
const parts = cutList(
  assembled(withRack({ ...survey, pieces: survey.pieces.slice(0, 1) }, { equalBars: true, profileId: 'square-30x2-al6063t6' })),
)

test('equal bars are one stop; of 30 × 30 the saw takes 5 × 6 at once, and three bars are one cut', () => {
  const [stop, ...rest] = stops(parts, demoWorkshop.saws).filter((s) => s.marks.includes('B1'))
  expect(rest).toEqual([])
  expect(stop).toMatchObject({ marks: ['B1', 'B2', 'B3'], atOnce: 3, cuts: 1, beyondStop: false })
})
test('every piece stands on one stop, longest first within its section', () => {
  const all = stops(parts, demoWorkshop.saws)
  expect(all.flatMap((s) => s.marks).sort()).toEqual(parts.flatMap((p) => p.marks).sort())
  for (const id of new Set(all.map((s) => s.profileId))) {
    const lengths = all.filter((s) => s.profileId === id).map((s) => s.lengthMm)
    expect(lengths).toEqual([...lengths].sort((a, b) => b - a))
  }
})
test('without a saw nothing is ganged, and a part past its stop says so', () => {
  expect(stops(parts, []).every((s) => s.atOnce === 1)).toBe(true)
  const short = demoWorkshop.saws.map((s) => ({ ...s, stopMm: 500 }))
  expect(stops(parts, short).find((s) => s.marks.includes('B1'))!.beyondStop).toBe(true)
})
test('of an offcut of 4000, two more of 1700 with a kerf of 3; of 1000 none', () => {
  const two = [{ ...parts[0]!, lengthMm: 1700 }]
  expect(moreFit(4000, two, 3)).toMatchObject({ count: 2 })
  expect(moreFit(3402, two, 3)).toMatchObject({ count: 1 })
  expect(moreFit(3403, two, 3)).toMatchObject({ count: 2 })
  expect(moreFit(1000, two, 3)).toBeNull()
})
