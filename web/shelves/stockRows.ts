import { profiles } from '../../core/catalogue/profiles'

export const profileChoices = profiles.map((p) => ({ value: p.id, label: p.name }))

/** An id that none of the rows has. */
export function freshId(prefix: string, taken: { id: string }[]): string {
  let n = 1
  while (taken.some((t) => t.id === `${prefix}${n}`)) n++
  return `${prefix}${n}`
}
