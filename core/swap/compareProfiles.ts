import { memberLengthMm } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { massPerMetre, type Profile, profileOf, profiles } from '../catalogue/profiles'
import { evaluate } from '../job/evaluate'
import type { Job } from '../job/job'
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

/** The rack in every profile of the catalogue: mass, metal and how hard the bars work. Mass and thickness change together, for the rack carries itself too. */
export function compareProfiles(job: Job, rules: Rules): ProfileComparison[] {
  const own = profileOf(job.design.params.profileId)
  return profiles.map((p: Profile): ProfileComparison => {
    const { assembly, limits, rackMassKg } = evaluate(
      { ...job, design: { ...job.design, params: { ...job.design.params, profileId: p.id } } },
      rules,
    )
    const find = (id: string) => limits.find((l) => l.id === id)
    const lengthM = assembly.members.filter((m) => m.profileId === p.id).reduce((s, m) => s + memberLengthMm(m) / 1000, 0)
    const states = ['bar.bending', 'bar.sag', 'roof.moving'].map((id) => find(id)?.state ?? 'unknown')
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
