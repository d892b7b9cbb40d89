import { familyOf } from '../families/all'
import type { Site } from '../families/family'
import { nextPlace, type Piece } from './piece'

/** A copy beside the first: its own id and letter, the same parameters. */
export function copied(pieces: Piece[], id: string): Piece[] {
  const of = pieces.find((p) => p.id === id)
  if (!of) return pieces
  const copy: Piece = { ...structuredClone(of), ...nextPlace(pieces), name: of.name ? `${of.name}, copy` : '' }
  return pieces.flatMap((p) => (p === of ? [p, copy] : [p]))
}

/** The piece on the other side of the vehicle; one that is the same on both sides stays as it is. */
export function mirrored(pieces: Piece[], id: string, site: Site): Piece[] {
  return pieces.map((p) => {
    if (p.id !== id) return p
    const turn = familyOf(p.family)?.design(p.params, site).mirrored
    return turn ? { ...p, params: turn() } : p
  })
}

/** Without a piece; what stood on it stays, and says that its stand is gone. */
export const without = (pieces: Piece[], id: string): Piece[] => pieces.filter((p) => p.id !== id)

/** One place up or down in the list: the order of prints and of the ledger. */
export function reordered(pieces: Piece[], id: string, by: -1 | 1): Piece[] {
  const at = pieces.findIndex((p) => p.id === id)
  const to = at + by
  const [piece, other] = [pieces[at], pieces[to]]
  if (!piece || !other) return pieces
  return pieces.map((p, i) => (i === at ? other : i === to ? piece : p))
}

/** What a piece may stand on without a circle: the vehicle, or a piece that does not stand on it, near or far. */
export function mayStandOn(pieces: Piece[], id: string): Piece[] {
  const stands = (p: Piece, trail: string[] = []): boolean => {
    if (p.on === id) return true
    const under = pieces.find((o) => o.id === p.on)
    return under !== undefined && !trail.includes(under.id) && stands(under, [...trail, under.id])
  }
  return pieces.filter((p) => p.id !== id && !stands(p))
}

/** One weld ground flush, or left as it was welded. `seam` = its own name in the piece. */
export const withFlushSeam = (pieces: Piece[], id: string, seam: string, flush: boolean): Piece[] =>
  pieces.map((p) => {
    if (p.id !== id) return p
    const others = (p.flushSeams ?? []).filter((s) => s !== seam)
    return { ...p, flushSeams: flush ? [...others, seam] : others }
  })
