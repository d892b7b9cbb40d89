import Alert from '@mui/material/Alert'
import { cutState } from '../../../core/barsLeft/cutPieces'
import type { IssuedPlan } from '../../../core/issuedPlan/issuedPlan'
import { movedText, planMoved } from '../../../core/issuedPlan/planMoved'
import { withLengths } from '../../../core/quantity/figureText'
import { useJob } from '../../job/jobStore'
import { useResult } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'

/** Says which pieces the design has moved away from since a plan was accepted, and by how much; nothing while they are the same. */
export function PlanMoved({ accepted }: { accepted: IssuedPlan | null }) {
  const units = useUnits()
  const job = useJob((s) => s.job)
  const assembly = useResult((s) => s.evaluation?.assembly)
  if (!accepted || !assembly) return null
  const moved = planMoved(accepted.pieces, assembly)
  if (!moved.length) return null
  // what is cut is cut: no plan of the whole is made again
  const begun = job !== null && accepted.pieces.some((p) => cutState(job.built, p.mark) !== 'to cut')
  return (
    <Alert severity="error" icon={false}>
      <strong>The design has moved since this plan was accepted.</strong> Its sheet is superseded:{' '}
      {begun ? 'go on from the bars in hand, under Cut, Bars' : 'take the plan back and accept again'}.{' '}
      {moved.map((m) => withLengths(movedText(m), units)).join('; ')}.
    </Alert>
  )
}
