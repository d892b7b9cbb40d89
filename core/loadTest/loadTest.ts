import { z } from 'zod'
import { type Assembly, loadBars, memberLengthMm } from '../assembly/assembly'
import type { Rules } from '../rules/rules'

/** A proof load put on a bar and what came of it. Kept as it was: the computed sag is that of the rack on the day. kg, mm from the bar's left end. */
export const LoadTestSchema = z.object({
  id: z.string().min(1).max(60),
  barMark: z.string().min(1).max(20),
  atMm: z.number().min(0).max(20_000),
  loadKg: z.number().positive('must be more than 0').max(5000),
  computedSagMm: z.number().min(-1000).max(1000),
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
export const newLoadTest = (planned: Pick<LoadTest, 'id' | 'barMark' | 'atMm' | 'loadKg' | 'computedSagMm' | 'at'>): LoadTest => ({
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
      says: 'It gives more than computed: look for a loose foot, thin skin or a thinner wall than drawn.',
    }
  if (t.measuredSagMm < t.computedSagMm * 0.5 - 0.5)
    return {
      word: 'stiffer',
      passed: false,
      says: 'It gives far less than computed: was the load where it was planned, and the gauge against the feet?',
    }
  return { word: 'as computed', passed: true, says: `Proof-tested with ${t.loadKg} kg at this place.` }
}

/** The proof load for a bar: the shop's factor times the most it carries standing, at the middle between its feet. kg, mm. */
export function plannedTest(assembly: Assembly, barIndex: number, carriedKg: number, rules: Rules): { loadKg: number; atMm: number } {
  const bar = loadBars(assembly)[barIndex]
  const feet = assembly.mounts.filter((m) => m.memberId === bar?.id).map((m) => (bar ? bar.path[0].y - m.place.y : 0))
  const atMm = feet.length ? feet.reduce((s, v) => s + v, 0) / feet.length : bar ? memberLengthMm(bar) / 2 : 0
  return { loadKg: Math.max(5, Math.ceil((carriedKg * rules.proofFactor) / 5) * 5), atMm: Math.round(atMm) }
}
