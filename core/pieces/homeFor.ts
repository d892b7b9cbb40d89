import type { ListedFamily } from '../families/design'
import type { Site } from '../families/family'
import type { Built } from './whole'

/** Where a new piece begins: on the vehicle, or, if it is made to stand on another piece, on the first that has room for it. */
export function homeFor(family: ListedFamily, built: Built[], site: Site): { on: string | null; site: Site } {
  const vehicle = { on: null, site: { ...site, below: null } }
  if (family.group !== 'on another piece') return vehicle
  const onPieces = built.map((b) => ({ on: b.piece.id, site: { ...site, below: b.assembly } }))
  return [...onPieces, vehicle].find((h) => family.fits(h.site) === null) ?? vehicle
}
