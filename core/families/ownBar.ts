import { boxChoices } from './choices'
import type { FieldSpec, Site } from './family'
import { lineField } from './mountLine'

/** What a piece needs to know of bars of its own, where it stands on no other piece. mm */
export type OwnBar = { mountId: string; footHeightMm: number; barProfileId: string }
export const onItsOwn = (_: unknown, site: Site): boolean => site.below === null
export const OWN_BARS = 'Bars of its own'

export const ownBarFields: FieldSpec<OwnBar>[] = [
  { ...lineField('Bars stand on'), group: OWN_BARS, when: onItsOwn },
  { key: 'footHeightMm', label: 'Foot height', kind: 'length', min: 0, max: 400, group: OWN_BARS, when: onItsOwn },
  { key: 'barProfileId', label: 'Bars', kind: 'profile', options: boxChoices, group: OWN_BARS, when: onItsOwn },
]
