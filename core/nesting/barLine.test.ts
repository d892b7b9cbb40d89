import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { piecesOf, planMoved } from '../issuedPlan/planMoved'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { INCH, METRIC } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { rackParams, withRack } from '../testing/racks'
import { barLine, barLineText, offcutsShown } from './barLine'
import type { PlannedBar, ProfilePlan } from './planCuts'

const bar = (lengthMm: number, cuts: number[]) => ({ lengthMm, cuts: cuts.map((c) => ({ lengthMm: c })) })
const saw = { kerfMm: 3, endTrimMm: 5 }

describe('what a bar comes apart into', () => {
  test('6000 in two of 2000: 10 trim, 4000, two kerfs of 3, and 1984 left, not 1987', () => {
    const line = barLine(bar(6000, [2000, 2000]), saw)
    expect(line).toMatchObject({ kerfs: 2, offcutMm: 1984, sliverMm: 0 })
    expect(barLineText(line, METRIC)).toMatchObject({ text: 'trim 10 + 2000 + 2000 + 2 kerfs 6 + offcut 1984 = 6000', offcut: '1984' })
  })
  test('filled up, the last cut needs no kerf of its own: 4 × 1495.25 and 3 kerfs', () =>
    expect(barLine(bar(6000, [1495.25, 1495.25, 1495.25, 1495.25]), saw)).toMatchObject({ kerfs: 3, offcutMm: 0, sliverMm: 0 }))
  test('in inches, 20 ft in two of 61 5/8: 3/8 trim, two kerfs of 1/8 in 1/4, what is left makes 240', () => {
    const line = barLine(bar(240 * 25.4, [61.625 * 25.4, 61.625 * 25.4]), saw)
    expect(barLineText(line, INCH).text).toBe('trim 3/8 + 61 5/8 + 61 5/8 + 2 kerfs 1/4 + offcut 116 1/8 = 240')
  })
  test('the numbers printed add up to the bar in each unit, and no offcut is promised longer than it is by more than half a step a number', () => {
    const value = (text: string) =>
      text.split(' ').reduce((s, part) => {
        if (!part) return s
        const [top, under] = part.split('/')
        return s + (under ? Number(top) / Number(under) : Number(part))
      }, 0)
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 200, max: 1400, noNaN: true }), { minLength: 1, maxLength: 4 }),
        fc.double({ min: 1, max: 4, noNaN: true }),
        fc.constantFrom(METRIC, INCH, { ...METRIC, mmStep: 0.5 as const }, { ...INCH, fraction: 32 as const }),
        (cuts, kerfMm, units) => {
          const line = barLine(bar(6000, cuts), { kerfMm, endTrimMm: 5 })
          const { text, offcutMm } = barLineText(line, units)
          const [left, right] = text.split(' = ')
          const terms = left!.split(' + ').map((t) => value(t.replace(/^trim |^offcut |^lost |^\d+ kerfs? /, '')))
          expect(terms.reduce((a, b) => a + b, 0)).toBeCloseTo(value(right!), 6)
          const step = units.system === 'inch' ? 25.4 / units.fraction : units.mmStep
          expect(offcutMm - line.offcutMm - line.sliverMm).toBeLessThanOrEqual((step / 2) * (cuts.length + 3) + 1e-9)
        },
      ),
    )
  })
})

describe('what moved since a plan was accepted', () => {
  const [survey] = demoJobs
  const at = (params: object) => evaluate(withRack(survey, { ...params }), defaultRules).assembly
  const accepted = piecesOf(at({}))
  test('nothing, while the pieces are the same: a finish or a foot height moves none', () => {
    expect(planMoved(accepted, at({ footHeightMm: 120, finish: 'raw' }))).toEqual([])
  })
  test('10 more past each foot makes every bar 20 longer, each by its mark', () => {
    const moved = planMoved(accepted, at({ overhangMm: rackParams(survey).overhangMm + 10 }))
    expect(moved.map((m) => [m.mark, m.what, Math.round((m.nowMm ?? 0) - (m.wasMm ?? 0))])).toEqual([
      ['B1', 'longer', 20],
      ['B2', 'longer', 20],
      ['B3', 'longer', 20],
    ])
  })
  test('a bar more, a bar less, another profile', () => {
    expect(planMoved(accepted, at({ barXMm: [-250, 850, 2000, 2400] })).map((m) => [m.mark, m.what])).toEqual([['B4', 'new']])
    expect(planMoved(accepted, at({ barXMm: [-250, 850] })).map((m) => [m.mark, m.what])).toEqual([['B3', 'gone']])
    expect(planMoved(accepted, at({ profileId: 'square-40x3-steel' })).map((m) => m.what)).toEqual([
      'other profile',
      'other profile',
      'other profile',
    ])
  })
})

test('the table of what goes back to the rack says each offcut as its bar’s line does: 95.14 in is 95 3/16 in both, for trim, cut and kerf took the rest', () => {
  const bar = {
    stockId: '6',
    source: 'sale' as const,
    lengthMm: 6000,
    priceMinor: 1,
    offcutMm: 0,
    keepsRemnant: true,
    grade: 'clean' as const,
    place: '',
  }
  const bars = [3570.3, 3570.3].map((lengthMm) => ({ ...bar, cuts: [{ mark: 'R', name: 'rail', lengthMm }] })) as unknown as PlannedBar[]
  const saw = { kerfMm: 3, endTrimMm: 5 }
  const [shown] = offcutsShown(
    [{ profileId: 'p', bars, unplaced: [], costMinor: 0, bound: 0, proven: true } as unknown as ProfilePlan],
    saw,
    INCH,
  )
  const line = barLineText(barLine(bars[0]!, saw), INCH)
  expect(shown).toEqual({ profileId: 'p', grade: 'clean', length: line.offcut, count: 2 })
  expect(line.text).toContain(`offcut ${shown!.length} =`)
  expect(shown!.length).toBe('95 3/16')
})
