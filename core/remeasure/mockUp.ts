import type { Rules } from '../rules/rules'
import type { AtStake, PartAtStake } from './atStake'

/** What is held up on the vehicle instead of metal, to find out whether a reading is right; what it takes, and what it may save. Minutes, minor units */
export type MockUp = {
  kind: 'batten' | 'card' | 'set out'
  readingLabel: string
  /** the part that it stands for: the dearest at stake */
  mark: string
  says: string
  minutes: number
  costMinor: number
  savesMinor: number
}

/** Of each way the minutes by the shop's rules, and what is bought for it: a strip of wood, hardboard. Minor units, the shop's own */
const ways = (rules: Rules): Record<MockUp['kind'], { minutes: number; stuffMinor: number }> => ({
  batten: { minutes: rules.mockBattenMin, stuffMinor: 50 },
  card: { minutes: rules.mockCardMin, stuffMinor: 200 },
  'set out': { minutes: rules.mockSetOutMin, stuffMinor: 0 },
})

/** The least that shows all the ways in which a part could come out wrong: its length on a batten, places and angles on a card, another part altogether only set out. */
const kindFor = (p: PartAtStake): MockUp['kind'] => (p.other ? 'set out' : p.placesMm || p.turnsDeg ? 'card' : 'batten')

const WORDS: Record<MockUp['kind'], (mark: string) => string> = {
  batten: (mark) => `cut a batten as long as ${mark}, hold it where ${mark} goes, and mark what it lacks`,
  card: (mark) => `cut ${mark} out of card or hardboard with its holes and corners, and hold it where it goes`,
  'set out': (mark) => `set ${mark} out full size with tape on the vehicle before any of it is cut`,
}

/**
 * The cheapest mock-up for the riskiest reading: of the readings with most at stake the first for which holding something up costs less than what it may save;
 * null where reading again is all that pays. Money by the shop's rate.
 */
export function mockUpFor({ readings }: AtStake, rules: Rules): MockUp | null {
  for (const r of readings) {
    const [dearest] = [...r.parts].sort((a, b) => b.costMinor - a.costMinor)
    if (!dearest) continue
    const kind = kindFor(dearest)
    const { minutes, stuffMinor } = ways(rules)[kind]
    const costMinor = Math.round((minutes / 60) * rules.labourPerHour * 100) + stuffMinor
    if (costMinor >= r.costMinor) continue
    return { kind, readingLabel: r.label, mark: dearest.mark, says: WORDS[kind](dearest.mark), minutes, costMinor, savesMinor: r.costMinor }
  }
  return null
}
