import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useEffect, useState } from 'react'
import type { Relief } from '../../core/advice/relief'
import type { Job } from '../../core/job/job'
import { withLengths } from '../../core/quantity/figureText'
import { percentText } from '../../core/quantity/percent'
import { editJob } from '../job/jobStore'
import { evaluating, useRules } from '../job/useEvaluation'
import { besideFit } from '../job/useFit'
import { useUnits } from '../quantity/units'
import { FIGURES } from '../theme/theme'

/** Single changes that were tried and relieve a limit; pressing one makes it. */
export function Reliefs({ job, limitId }: { job: Job; limitId: string }) {
  const units = useUnits()
  const rules = useRules()
  const [reliefs, setReliefs] = useState<Relief[] | null>(null)
  useEffect(() => {
    let gone = false
    const own = /(^|\/)(gap|way|trap|strut|reach)\./.test(limitId)
    const { found, stop } = own
      ? besideFit((api) => api.relieve(job, limitId, rules))
      : { found: evaluating((api) => api.relieve(job, limitId, rules)), stop: () => undefined }
    found.then(
      (r) => !gone && setReliefs(r),
      () => !gone && setReliefs([]),
    )
    return () => {
      gone = true
      stop()
    }
  }, [job, limitId, rules])
  return (
    <Box>
      <Typography variant="h3">What would relieve it</Typography>
      {reliefs === null ? (
        <Typography variant="caption">Trying changes…</Typography>
      ) : reliefs.length === 0 ? (
        <Typography variant="caption">
          No single change of a piece relieves it without pushing another limit over. Change the load, the vehicle or the way it stands.
        </Typography>
      ) : (
        reliefs.map((r) => (
          <Button
            key={r.label}
            variant="outlined"
            fullWidth
            sx={{ mt: 0.5, justifyContent: 'space-between', textAlign: 'left' }}
            onClick={() => editJob((j) => ({ ...j, pieces: r.job.pieces, brief: r.job.brief }))}
          >
            <span>{withLengths(r.label, units)}</span>
            <Box component="span" sx={{ fontFamily: FIGURES, ml: 1, whiteSpace: 'nowrap' }}>
              → {percentText(r.ratioAfter)}
            </Box>
          </Button>
        ))
      )}
    </Box>
  )
}
