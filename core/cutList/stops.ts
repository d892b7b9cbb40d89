import { profileOf, profileSection } from '../catalogue/profiles'
import { gangCut } from '../gang/gang'
import { Impossible } from '../issue/impossible'
import type { Saw } from '../workshop/workshop'
import { type CutPart, SAME_CUT_MM } from './cutList'

/** One setting of the saw's stop: everything of one profile that is cut by it, longest first, and how many the saw takes at once. mm */
export type Stop = {
  profileId: string
  profile: string
  lengthMm: number
  marks: string[]
  ends: string
  atOnce: number
  cuts: number
  beyondStop: boolean
}

/**
 * The order of stops for a cut list: profile by profile, longest first, parts of one length together whatever they are called. How many go at once is by the
 * roomiest saw and for square ends only; a mitre or a saddle is cut by itself. Parts without a length yet are left out: they are named with the plan.
 */
export function stops(parts: CutPart[], saws: Saw[]): Stop[] {
  const out: Stop[] = []
  for (const p of parts) {
    if (p.lacks !== null) continue
    const known = out.find(
      (s) => s.profileId === p.profileId && Math.abs(s.lengthMm - p.lengthMm) < SAME_CUT_MM && s.ends === p.endTexts.join(' / '),
    )
    if (known) known.marks.push(...p.marks)
    else
      out.push({
        profileId: p.profileId,
        profile: profileOf(p.profileId).name,
        lengthMm: p.lengthMm,
        marks: [...p.marks],
        ends: p.endTexts.join(' / '),
        atOnce: 1,
        cuts: 1,
        beyondStop: saws.length > 0 && p.lengthMm > Math.max(...saws.map((s) => s.stopMm)),
      })
  }
  return out.map((s) => ({ ...s, ...ganged(s, saws) }))
}

function ganged(s: Stop, saws: Saw[]): { atOnce: number; cuts: number } {
  const one = { atOnce: 1, cuts: s.marks.length }
  if (!/^square(, capped)? \/ square(, capped)?$/.test(s.ends)) return one
  const { heightMm, widthMm } = profileSection(s.profileId)
  return saws
    .map((saw) => {
      try {
        return gangCut(heightMm, widthMm, saw.throatMm, saw.viceMm, s.marks.length, 0)
      } catch (error) {
        if (!(error instanceof Impossible)) throw error
        return one
      }
    })
    .reduce((best, g) => (g.atOnce > best.atOnce ? { atOnce: g.atOnce, cuts: g.cuts } : best), one)
}

/** How many more of each part would come out of what is left of a bar, with a kerf before each: the one that fills it best. Null where none fits. */
export function moreFit(offcutMm: number, parts: CutPart[], kerfMm: number): { marks: string[]; lengthMm: number; count: number } | null {
  const fits = parts
    .filter((p) => p.lacks === null)
    .map((p) => ({ marks: p.marks, lengthMm: p.lengthMm, count: Math.floor((offcutMm + kerfMm) / (p.lengthMm + kerfMm)) }))
    .filter((f) => f.count > 0)
  return fits.length ? fits.reduce((a, b) => (b.count * b.lengthMm > a.count * a.lengthMm ? b : a)) : null
}
