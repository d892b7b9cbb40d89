import type { Cure, Motion } from '../../../core/fit/motions'
import type { Job } from '../../../core/job/job'
import { pieceName } from '../../../core/pieces/piece'
import { figureText } from '../../../core/quantity/figureText'
import { useUnits } from '../../quantity/units'

const wayWords = { forward: 'forward', back: 'back', left: 'to the left', right: 'to the right', up: 'up', down: 'down' }

/** A cure as somebody would say it. */
export function useCureWords(cure: Cure, { mover }: Motion, job: Job): string {
  const units = useUnits()
  if (cure.kind === 'stop')
    return `a stop on the ${mover.name.toLowerCase()} at ${figureText(cure.at, mover.kind === 'turn' ? '°' : 'mm', units)}`
  const piece = job.pieces.find((p) => p.id === cure.pieceId)
  return `${piece ? pieceName(piece) : cure.name} ${figureText(cure.byMm, 'mm', units)} ${wayWords[cure.way]}`
}
