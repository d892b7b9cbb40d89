import { useMemo } from 'react'
import type { Design, Params } from '../../core/families/design'
import type { Read } from '../../core/issue/faults'
import type { Job } from '../../core/job/job'
import { designedIn, withParams } from '../../core/job/piecesOf'
import { type Whole, wholeOf } from '../../core/pieces/whole'
import { useView } from '../drawing/view'
import { editJob } from '../job/jobStore'
import { useRules } from '../job/useEvaluation'

export type PieceInHand = ReturnType<typeof designedIn>[number]

/** All pieces of the job put together, as the rules have it. */
export function useWhole(job: Job): Whole {
  const rules = useRules()
  const { pieces, vehicle, brief } = job
  return useMemo(() => wholeOf({ pieces, vehicle, brief }, rules), [pieces, vehicle, brief, rules])
}

/** The piece that is being worked on: the one that was chosen, else the first that this version can design. */
export function useInHand(job: Job): PieceInHand | null {
  const rules = useRules()
  const chosen = useView((s) => s.pieceId)
  const { pieces, vehicle, brief } = job
  // biome-ignore lint/correctness/useExhaustiveDependencies: what else the job holds says nothing of its designs
  const designed = useMemo(() => designedIn(job, rules), [pieces, vehicle, brief, rules])
  return designed.find((b) => b.piece.id === chosen) ?? designed[0] ?? null
}

/** Other parameters for a piece, by whatever makes them of its design as it is now. */
export const editPiece = (pieceId: string, params: Params): void => editJob((j) => withParams(j, pieceId, params))

/** A set that may be refused: nothing happens then, and the field that asked says why. */
export const editBy = (pieceId: string, set: Read<Params>): boolean => {
  if (set.ok) editPiece(pieceId, set.value)
  return set.ok
}

/** The measure that a figure of the whole names, `piece/measure`, and how to set it. */
export function measureIn(
  designed: PieceInHand[],
  figure: string,
): { pieceId: string; measure: ReturnType<Design['measures']>[number] } | null {
  const [pieceId, ...rest] = figure.split('/')
  const built = designed.find((b) => b.piece.id === pieceId)
  const measure = built?.design.measures().find((m) => m.id === rest.join('/'))
  return pieceId && measure ? { pieceId, measure } : null
}
