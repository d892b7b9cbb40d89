import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { madeAssembly } from '../job/piecesOf'
import type { CutPlan, PlannedBar } from '../nesting/planCuts'
import { defaultRules } from '../rules/rules'
import { type Grade, preparationMinor } from '../stock/stock'
import { withRack } from '../testing/racks'
import { surfaceNotes } from './stockSurface'

const rack = madeAssembly(withRack(demoJobs[0]!, { sideRails: true, build: 'welded' }), defaultRules)
const bolted = madeAssembly(withRack(demoJobs[0]!, { sideRails: true, build: 'bolted' }), defaultRules)
const bars = rack.members.filter((m) => m.name === 'Crossbar').map((m) => m.mark)
/** A plan of one bar each, so graded. */
const plan = (of: [string, Grade][]): Pick<CutPlan, 'profiles'> => ({
  profiles: [{ bars: of.map(([mark, grade]) => ({ grade, cuts: [{ mark }] }) as unknown as PlannedBar) }] as unknown as CutPlan['profiles'],
})

describe('what is done about the surface of stock', () => {
  test('welded and galvanised: bared by the shop’s own rule, with the smoke; only the pieces that are cut from it', () => {
    const [note, ...more] = surfaceNotes(
      plan([
        [bars[0]!, 'galvanised'],
        [bars[1]!, 'clean'],
      ]),
      rack,
      { bareBesideWeldMm: 25 },
    )
    expect([note!.marks, more]).toEqual([[bars[0]], []])
    expect(note!.says).toMatch(/^galvanised: bare the zinc \{25\} beside each weld.*smoke makes ill.*local rules.*zinc primer/)
  })
  test('bolted there is nothing to bare, but cut ends are bare steel', () =>
    expect(surfaceNotes(plan([[bars[0]!, 'galvanised']]), bolted, defaultRules)).toEqual([
      { marks: [bars[0]], says: 'galvanised: zinc primer on cut ends and in holes' },
    ]))
  test('an old coat is stripped where it is welded, and only there', () => {
    expect(surfaceNotes(plan([[bars[0]!, 'coated']]), rack, defaultRules)[0]!.says).toMatch(/^coated: strip it \{25\}/)
    expect(surfaceNotes(plan([[bars[0]!, 'coated']]), bolted, defaultRules)).toEqual([])
  })
  test('of clean and pitted stock nothing is said', () =>
    expect(
      surfaceNotes(
        plan([
          [bars[0]!, 'clean'],
          [bars[1]!, 'pitted'],
        ]),
        rack,
        defaultRules,
      ),
    ).toEqual([]))
  test('baring zinc has its price; an unknown alloy is used at none', () =>
    expect(
      (['clean', 'coated', 'pitted', 'galvanised', 'unknown alloy'] as const).map((g) =>
        preparationMinor(g, { ...defaultRules, bareZincEach: 8 }),
      ),
    ).toEqual([0, 600, 900, 800, null]))
})
