import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Job } from '../../../core/job/job'
import type { Added } from '../../../core/loseOne/addOne'
import { useRules } from '../../job/useEvaluation'
import { useSearch } from '../../job/useSearch'

const percent = (ratio: number | null): string =>
  ratio === null ? 'not assessed' : ratio > 9.99 ? 'more than 999 %' : `${Math.round(ratio * 100)} %`

/** Where nothing but grip holds: the job solved again with a second bolt, a brace, a second foot or rails, and what each does to the worst limit. */
export function AddOne({ job }: { job: Job }) {
  const rules = useRules()
  const [found, setFound] = useState<{ list: Added[]; of: Job } | null>(null)
  const { busy, fault, run } = useSearch()
  const now = found?.of === job ? found.list : null
  return (
    <>
      <Button
        variant="outlined"
        sx={{ justifySelf: 'start' }}
        onClick={() =>
          busy
            ? busy.stop()
            : void run(
                (bench) => bench.run((api) => api.addOne(job, rules)),
                (list) => setFound({ list, of: job }),
              )
        }
      >
        {busy ? 'Stop trying' : 'Try one more of each'}
      </Button>
      {fault && <Alert severity="error">{fault}</Alert>}
      {found && !now && <Typography variant="caption">The job has changed since: try again.</Typography>}
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
