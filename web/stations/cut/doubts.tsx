import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import type { Job } from '../../../core/job/job'
import type { Limit } from '../../../core/limits/limit'
import { neededBeforeCutting } from '../../../core/places/neededBeforeCutting'
import { useFitWanting, useLimits } from '../../job/useFit'
import { TextInput } from '../../quantity/TextInput'

/** What stands in the way of cutting: what is to be measured first, what is still being worked out, and what asks for a reason. */
export type DoubtsOf = {
  needed: ReturnType<typeof neededBeforeCutting>
  waiting: string | null
  doubtful: Pick<Limit, 'name' | 'state'>[]
}
export function useDoubts(job: Job): DoubtsOf {
  const limits = useLimits()
  const wanting = useFitWanting()
  return {
    needed: neededBeforeCutting(job.vehicle),
    waiting: wanting && !wanting.failed ? wanting.says : null,
    // gaps that could not be worked out here are a doubt like any other
    doubtful: [
      ...limits.filter((l) => l.state === 'over' || l.state === 'unknown'),
      ...(wanting?.failed ? [{ name: 'Gaps and ways', state: 'unknown' as const }] : []),
    ],
  }
}

/** Whether it may be cut: nothing is to be measured first, nothing still worked out, and what is doubtful has its reason. */
export const mayCut = ({ needed, waiting, doubtful }: DoubtsOf, reason: string): boolean =>
  needed.length === 0 && waiting === null && (doubtful.length === 0 || reason.trim() !== '')

type Props = { of: DoubtsOf; reason: string; setReason: (reason: string) => void; told: string; ask: string }
/** The doubts in words, and the reason that they ask for; `told` = where they will stand, `ask` = what is asked. */
export function Doubts({ of: { needed, waiting, doubtful }, reason, setReason, told, ask }: Props) {
  return (
    <>
      {needed.length > 0 && (
        <Alert severity="warning" icon={false} sx={{ mb: 1 }}>
          Measure before cutting: {needed.map((d) => `${d.label}, ${d.why}`).join('; ')}.
        </Alert>
      )}
      {!needed.length && waiting === null && doubtful.length > 0 && (
        <Alert severity="warning" icon={false} sx={{ mb: 1, '& .MuiAlert-message': { width: '100%' } }}>
          {doubtful.map((l) => `${l.name}: ${l.state === 'over' ? 'over its line' : 'not assessed'}`).join('; ')}. {told} will say so.
          <Box sx={{ mt: 1 }}>
            <TextInput label={ask} value={reason} maxLength={500} onChange={setReason} />
          </Box>
        </Alert>
      )}
    </>
  )
}
