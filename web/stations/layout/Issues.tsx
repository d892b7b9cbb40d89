import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import { issueMessage } from '../../../core/issue/messages.en'
import { patched } from '../../../core/issue/patch'
import type { Job } from '../../../core/job/job'
import { figureText } from '../../../core/quantity/figureText'
import { editJob } from '../../job/jobStore'
import { useResult } from '../../job/useEvaluation'
import { Group } from '../Group'

/** What cannot be built or carried as it stands, each with the change that clears it where there is one. */
export function Issues({ job }: { job: Job }) {
  const issues = useResult((s) => s.evaluation?.issues) ?? []
  if (!issues.length) return null
  return (
    <Group title="Does not work yet">
      {issues.map((issue, i) => (
        <Alert
          key={i}
          severity="warning"
          icon={false}
          action={issue.fix ? <Button onClick={() => editJob((j) => patched(j, issue.fix ?? []))}>Fix</Button> : undefined}
          sx={{ py: 0.25 }}
        >
          {issueMessage(issue, (mm) => figureText(mm, 'mm', job.units))}
        </Alert>
      ))}
    </Group>
  )
}
