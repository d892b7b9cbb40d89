import { memberLengthMm } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'
import { materialOf } from '../catalogue/materials'
import { massPerMetre, type Profile, profileOf, profiles } from '../catalogue/profiles'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
import { designedIn, withParams } from '../job/piecesOf'
import type { Limit } from '../limits/limit'
import type { Rules } from '../rules/rules'

export type ProfileComparison = {
  profileId: string
  name: string
  sameShape: boolean
  rackMassKg: number
  /** bar metal by length at the merchant's price per kg, whole bars not counted; minor units */
  metalMinor: number
  massKgPerM: number
  bending: number | null
  sag: number | null
  state: Limit['state']
  notes: string
}

/** One piece in every profile of the catalogue: mass, metal and how hard the bars work. Mass and thickness change together, for the rack carries itself too. */
export function compareProfiles(job: Job, pieceId: string, rules: Rules): ProfileComparison[] {
  const profile = designedIn(job, rules).find((b) => b.piece.id === pieceId)?.design.profile
  if (!profile) return []
  const own = profileOf(profile.id)
  return profiles.map((p: Profile): ProfileComparison => {
    const { assembly, limits, pieces } = evaluate(withParams(job, pieceId, profile.set(p.id)), rules)
    const rackMassKg = pieces.find((x) => x.id === pieceId)?.massKg ?? 0
    const find = (id: string) => limits.find((l) => l.id === id && (l.pieceId === pieceId || l.pieceId === null))
    const lengthM = assembly.members
      .filter((m) => m.profileId === p.id && pieceIdOf(m.id) === pieceId)
      .reduce((s, m) => s + memberLengthMm(m) / 1000, 0)
    const states = limits.filter((l) => l.pieceId === pieceId || l.id.endsWith('.moving')).map((l) => l.state)
    return {
      profileId: p.id,
      name: p.name,
      sameShape: p.shape === own.shape,
      rackMassKg,
      massKgPerM: massPerMetre(p.id),
      metalMinor: Math.round(lengthM * massPerMetre(p.id) * materialOf(p.materialId).pricePerKgMinor),
      bending: find('bar.bending')?.ratio ?? null,
      sag: find('bar.sag')?.ratio ?? null,
      state: (['over', 'unknown', 'near', 'clear'] as const).find((s) => states.includes(s)) ?? 'unknown',
      notes: materialOf(p.materialId).notes,
    }
  })
}
