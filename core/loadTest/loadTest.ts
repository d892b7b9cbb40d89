import { z } from 'zod'
import { type Assembly, bearingMembers, memberLengthMm } from '../assembly/assembly'
import { carriedAtMm } from '../assembly/heldAt'
import type { Rules } from '../rules/rules'

/** A proof load put on a bar and what came of it. Kept as it was: the computed sag is that of the rack on the day. kg, mm from the bar's left end. */
export const LoadTestSchema = z.object({
  id: z.string().min(1).max(60),
  barMark: z.string().min(1).max(20),
  /** what the bar was made of on the day; null in tests from before this was kept */
  profileId: z.string().max(60).nullable().default(null),
  atMm: z.number().min(0).max(20_000),
  loadKg: z.number().positive('must be more than 0').max(5000),
  computedSagMm: z.number().min(-1000).max(1000),
  /** the same with the bar clamped by its feet: the least it may give; null in tests from before this was kept */
  clampedSagMm: z.number().min(-1000).max(1000).nullable().default(null),
  measuredSagMm: z.number().min(-1000).max(1000).nullable(),
  /** what stayed after the load was taken off */
  setMm: z.number().min(-1000).max(1000).nullable(),
  who: z.string().max(80),
  at: z.string().max(30),
  photoId: z.string().max(60).nullable(),
  note: z.string().max(500),
})
export type LoadTest = z.infer<typeof LoadTestSchema>
/** A test that is planned and not yet measured. */
export const newLoadTest = (
  planned: Pick<LoadTest, 'id' | 'barMark' | 'atMm' | 'loadKg' | 'computedSagMm' | 'at'> & Partial<LoadTest>,
): LoadTest => ({
  profileId: null,
  clampedSagMm: null,
  measuredSagMm: null,
  setMm: null,
  who: '',
  photoId: null,
  note: '',
  ...planned,
})
export type TestVerdict = { word: 'planned' | 'as computed' | 'gives more' | 'stayed bent' | 'stiffer'; says: string; passed: boolean }

/** What a measured sag says beside the computed one. Nothing passes without both readings. */
export function verdictOf(t: LoadTest, rules: Rules): TestVerdict {
  if (t.measuredSagMm === null || t.setMm === null)
    return { word: 'planned', passed: false, says: 'Measure the sag under the load, and what stays when it is off.' }
  if (Math.abs(t.setMm) > rules.proofSetMm + 1e-9)
    return { word: 'stayed bent', passed: false, says: 'Something yielded or slipped: find it before anything is carried.' }
  if (t.measuredSagMm > t.computedSagMm * rules.proofSagShare + 0.5)
    return {
      word: 'gives more',
      passed: false,
      says: 'It gives more than computed: look for a loose foot, thin skin or a thinner wall than drawn. Its sag counts by what was measured.',
    }
  if (t.measuredSagMm < (t.clampedSagMm ?? t.computedSagMm) * 0.5 - 0.5)
    return {
      word: 'stiffer',
      passed: false,
      says: 'It gives far less than computed: was the load where it was planned, and the gauge against the feet?',
    }
  return {
    word: 'as computed',
    passed: true,
    says: 'Proof-tested with this load at this place; from now on its sag counts by what was measured.',
  }
}

/**
 * The proof load for a bar, at the middle between its feet: the shop's factor times the most it carries standing, and never less than the worst case
 * puts on it. kg, mm.
 */
export function plannedTest(
  assembly: Assembly,
  barIndex: number,
  carried: { standingKg: number; worstKg: number },
  rules: Rules,
): { loadKg: number; atMm: number } {
  const bar = bearingMembers(assembly)[barIndex]
  const feet = bar ? carriedAtMm(bar, assembly) : []
  const atMm = feet.length ? feet.reduce((s, v) => s + v, 0) / feet.length : bar ? memberLengthMm(bar) / 2 : 0
  const loadKg = Math.max(carried.standingKg * rules.proofFactor, carried.worstKg)
  return { loadKg: Math.max(5, Math.ceil(loadKg / 5 - 1e-9) * 5), atMm: Math.round(atMm) }
}

const LEAST_COMPUTED_MM = 0.5 // below it the gauge's own error is as large as what it measures
/**
 * How many times the computed sag a bar really gives, by its tests; 1 where none says. A bar that gave more counts by the worst of them. One that gave less
 * and passed has shown how much its feet clamp: it counts by the most it gave, never by less than clamped feet would. Only a test of this very bar in
 * this profile speaks.
 */
export function measuredGive(tests: LoadTest[], bar: { mark: string; profileId: string }, rules: Rules): number {
  const own = tests.filter(
    (t) => t.barMark === bar.mark && t.profileId === bar.profileId && t.measuredSagMm !== null && t.computedSagMm >= LEAST_COMPUTED_MM,
  )
  const given = (t: LoadTest) => (t.measuredSagMm ?? 0) / t.computedSagMm
  const more = Math.max(0, ...own.map(given))
  if (more > 1) return more
  const taught = own.filter((t) => t.clampedSagMm !== null && verdictOf(t, rules).passed)
  return taught.length ? Math.max(...taught.map((t) => Math.max(given(t), (t.clampedSagMm ?? t.computedSagMm) / t.computedSagMm))) : 1
}
