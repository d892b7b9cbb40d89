import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import { localMinute } from '../../core/time/localDay'
import { useJob } from '../job/jobStore'
import { forget } from './browserCopy'
import type { LeftBehind } from './unsaved'

/** Unsaved work of this job that another window left and that is not what stands here: it can be taken along as a file, or thrown away. */
export function LeftBehindNotice() {
  const left = useJob((s) => s.left)
  const throwAway = (one: LeftBehind) => {
    forget(one.key)
    useJob.setState({ left: left.filter((l) => l.key !== one.key) })
  }
  return left.map((one) => (
    <Alert
      key={one.key}
      severity="warning"
      sx={{ mx: 1.5, mb: 1 }}
      action={
        <>
          <Button component="a" href={`data:application/json,${encodeURIComponent(one.text)}`} download="unsaved-job.json">
            Save as a file
          </Button>
          <Button onClick={() => throwAway(one)}>Throw away</Button>
        </>
      }
    >
      Unsaved work {one.at ? `of ${localMinute(new Date(one.at))} ` : ''}
      {one.job ? 'from another window is kept in this browser.' : 'is kept in this browser, but this release cannot read it.'}
    </Alert>
  ))
}
