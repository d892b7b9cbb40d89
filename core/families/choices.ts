import { z } from 'zod'
import { profileOf, profileSection, profiles } from '../catalogue/profiles'

/** What fields of several families offer. */
export const profileChoices = () => profiles.map((p) => ({ value: p.id, label: p.name }))
export const coatChoices = () => [
  { value: 'powder', label: 'Powder coated' },
  { value: 'painted', label: 'Painted' },
  { value: 'raw', label: 'Raw' },
]
export const sideChoices = () => [
  { value: 'left', label: 'Left' },
  { value: 'right', label: 'Right' },
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

/** What is sawn square or mitred and welded flat. */
const boxTubes = profiles.filter((p) => p.shape.kind === 'rectangular')
export const boxChoices = () => boxTubes.map((p) => ({ value: p.id, label: p.name }))

const among = (list: typeof profiles, fault: string) => z.string().refine((id) => list.some((p) => p.id === id), fault)
export const anyId = among(profiles, 'is not in the profile catalogue: choose one listed there')
export const boxId = among(boxTubes, 'is no square or rectangular tube of the catalogue')
export const roundId = among(roundTubes, 'is no round tube of the profile catalogue: what is bent or saddled is round')
export const lengthBetween = (min: number, max: number) => z.number().min(min).max(max)
