import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { Job } from '../../../core/job/job'
import { useAsked } from '../../job/useAsked'
import { useRules } from '../../job/useEvaluation'

const percent = (ratio: number | null): string =>
  ratio === null ? 'not assessed' : ratio > 9.99 ? 'more than 999 %' : `${Math.round(ratio * 100)} %`

/** Where nothing but grip holds: the job solved again with a second bolt, a brace, a second foot or rails, and what each does to the worst limit. */
export function AddOne({ job }: { job: Job }) {
  const rules = useRules()
  const { busy, fault, press, answer: now, stale } = useAsked(job, (bench) => bench.run((api) => api.addOne(job, rules)))
  return (
    <>
      <Button variant="outlined" sx={{ justifySelf: 'start' }} onClick={press}>
        {busy ? 'Stop trying' : 'Try one more of each'}
      </Button>
      {fault && <Alert severity="error">{fault}</Alert>}
      {stale && <Typography variant="caption">The job has changed since: try again.</Typography>}
      {now?.length === 0 && <Typography variant="body2">Nothing here turns or lifts on grip alone where one more could be put.</Typography>}
      {now?.map((t) => (
        <Typography key={t.at + t.tried} variant="body2">
          <strong>{t.at}</strong>, with {t.tried}: most used {percent(t.before)} → {percent(t.after)}
          {t.limit ? ` (${t.limit.charAt(0).toLowerCase()}${t.limit.slice(1)})` : ''}
          {t.open ? `; ${t.open} not assessed` : ''}.
        </Typography>
      ))}
    </>
  )
}
