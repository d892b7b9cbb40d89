import { z } from 'zod'
import { familyOf } from '../families/all'
import type { Params } from '../families/design'
import { pieceStates, type Site } from '../families/family'

export const MOST_PIECES = 40

/**
 * One design of a job: its family and that family's parameters, the piece it stands on (null = the vehicle), how it is set, and the letter before its
 * marks (none for the first). A family that this version does not know keeps its parameters as they came.
 */
export const PieceSchema = z
  .object({
    id: z
      .string()
      .min(1)
      .max(40)
      .regex(/^[A-Za-z0-9-]+$/, 'letters, figures and dashes only'),
    name: z.string().max(80).default(''),
    letter: z.string().max(3).default(''),
    family: z.string().min(1).max(60),
    params: z.record(z.string().max(60), z.unknown()),
    on: z.string().max(40).nullable().default(null),
    state: z.enum(pieceStates).default('fitted'),
    /** welds of it that are ground flush, by their own names */
    flushSeams: z.array(z.string().max(120)).max(400).optional(),
  })
  .transform((piece, ctx) => {
    const family = familyOf(piece.family)
    if (!family) return piece
    const read = family.schema.safeParse(piece.params)
    if (read.success) return { ...piece, params: read.data as Params }
    for (const i of read.error.issues) ctx.addIssue({ code: 'custom', path: ['params', ...i.path], message: i.message })
    return z.NEVER
  })
export type Piece = z.infer<typeof PieceSchema>

/** What a piece is called: the name it was given, else its family’s. */
export const pieceName = (p: Pick<Piece, 'name' | 'family'>): string =>
  p.name || familyOf(p.family)?.title || `Piece of an unknown kind (${p.family})`

/** A free id and a free letter: pieces keep theirs for good, so that marks in the shop stay true. */
export function nextPlace(pieces: Piece[]): { id: string; letter: string } {
  const used = new Set(pieces.map((p) => p.id))
  let n = pieces.length + 1
  while (used.has(`p${n}`)) n++
  const letters = new Set(pieces.map((p) => p.letter))
  let k = pieces.length === 0 ? 0 : 1
  while (letters.has(letterOf(k))) k++
  return { id: `p${n}`, letter: letterOf(k) }
}
const letterOf = (k: number): string => (k === 0 ? '' : k <= 25 ? String.fromCharCode(65 + k) : `Z${k - 25}`)

/** A new piece of a family as it begins on this vehicle; null where no such family is listed. */
export function newPiece(familyId: string, pieces: Piece[], site: Site, on: string | null = null): Piece | null {
  const family = familyOf(familyId)
  return family && { ...nextPlace(pieces), name: '', family: familyId, params: family.start(site), on, state: 'fitted' }
}
