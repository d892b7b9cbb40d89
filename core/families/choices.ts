import { profileOf, profileSection, profiles } from '../catalogue/profiles'

/** What fields of several families offer. */
export const profileChoices = () => profiles.map((p) => ({ value: p.id, label: p.name }))
export const coatChoices = () => [
  { value: 'powder', label: 'Powder coated' },
  { value: 'painted', label: 'Painted' },
  { value: 'raw', label: 'Raw' },
]
export const jointChoices = () => [
  { value: 'bolted', label: 'Bolted' },
  { value: 'welded', label: 'Welded' },
]

/** Rectangular tubes of the same metal that bend less, the lightest first. */
export const stifferThan = (id: string) =>
  profiles
    .filter(
      (q) =>
        q.materialId === profileOf(id).materialId &&
        q.shape.kind === 'rectangular' &&
        profileSection(q.id).wyMm3 > profileSection(id).wyMm3,
    )
    .sort((a, b) => profileSection(a.id).areaMm2 - profileSection(b.id).areaMm2)
    .slice(0, 3)

/** What bends over round dies and is saddled. */
export const roundTubes = profiles.filter((p) => p.shape.kind === 'round')
export const roundChoices = () => roundTubes.map((p) => ({ value: p.id, label: p.name }))
