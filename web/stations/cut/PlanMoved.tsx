import Alert from '@mui/material/Alert'
import type { IssuedPlan } from '../../../core/issuedPlan/issuedPlan'
import { movedText, planMoved } from '../../../core/issuedPlan/planMoved'
import { withLengths } from '../../../core/quantity/figureText'
import { useResult } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'

/** Says which pieces the design has moved away from since a plan was accepted, and by how much; nothing while they are the same. */
export function PlanMoved({ accepted }: { accepted: IssuedPlan | null }) {
  const units = useUnits()
  const assembly = useResult((s) => s.evaluation?.assembly)
  if (!accepted || !assembly) return null
  const moved = planMoved(accepted.pieces, assembly)
  if (!moved.length) return null
  return (
    <Alert severity="error" icon={false}>
      <strong>The design has moved since this plan was accepted.</strong> Its sheet is superseded: take the plan back and accept again.{' '}
      {moved.map((m) => withLengths(movedText(m), units)).join('; ')}.
    </Alert>
  )
}
