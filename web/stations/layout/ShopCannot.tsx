import Alert from '@mui/material/Alert'
import { useMemo } from 'react'
import { withLengths } from '../../../core/quantity/figureText'
import { cannotDo } from '../../../core/workshop/cannotDo'
import { useShelf } from '../../api/queries'
import { useResult, useRules } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'
import { Group } from '../Group'

/** What this shop cannot make of the design as it is drawn, and what would do. A shop that has listed nothing yet is told once. */
export function ShopCannot() {
  const assembly = useResult((s) => s.evaluation?.assembly)
  const shop = useShelf('shop')
  const units = useUnits()
  const rules = useRules()
  const workshop = shop.data?.document.workshop
  const unlisted = workshop && !workshop.saws.length && !workshop.dies.length && !workshop.welders.length
  const lacks = useMemo(
    () => (assembly && workshop && !unlisted ? cannotDo(assembly, workshop, rules) : []),
    [assembly, workshop, unlisted, rules],
  )
  if (unlisted && assembly?.members.length)
    return (
      <Group title="This shop">
        <Alert severity="info" icon={false}>
          Saws, dies and welders are not listed yet, so nothing says whether this shop can make it: list them at{' '}
          <a href="/shop">The shop</a>.
        </Alert>
      </Group>
    )
  if (!lacks.length) return null
  return (
    <Group title="This shop cannot">
      {lacks.map((l) => (
        <Alert key={l.says} severity="warning" icon={false} sx={{ py: 0.25 }}>
          <strong>{l.marks.slice(0, 6).join(', ')}</strong>
          {l.marks.length > 6 ? ` and ${l.marks.length - 6} more` : ''}: {withLengths(l.says, units)}. What would do:{' '}
          {withLengths(l.would, units)}.
        </Alert>
      ))}
    </Group>
  )
}
