import { profiles } from '../../core/catalogue/profiles'

export const profileChoices = profiles.map((p) => ({ value: p.id, label: p.name }))
