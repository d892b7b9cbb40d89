import { type BoltSize, boltSizes } from '../catalogue/bolts'
import type { Rules } from '../rules/rules'

/** The size that the shop's rule of rivet nuts is for. */
const RATED: BoltSize = 'M6'

/** What one rivet nut of a size holds in the sheet in use, pulled or sheared: its maker's to say, and null while nobody asked him or the size is another. N */
export const rivetNutHoldsN = (size: BoltSize, rules: Pick<Rules, 'rivetNutN'>): number | null =>
  size === RATED && rules.rivetNutN > 0 ? rules.rivetNutN : null
export const rivetNutMissing = (size: BoltSize): string => `what a rivet nut ${size} holds in sheet so thin, by its maker (Rules)`

/** What it may be turned with before it spins in its sheet: the shop's own for its size, by the cube of the diameter for others. N·m */
export const rivetNutTorqueNm = (size: BoltSize, rules: Pick<Rules, 'rivetNutTorqueNm'>): number =>
  rules.rivetNutTorqueNm * (boltSizes[size].diameterMm / boltSizes[RATED].diameterMm) ** 3
