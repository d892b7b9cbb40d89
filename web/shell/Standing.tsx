import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import { useStanding } from '../api/standing'
import { backupTrouble, useBackups } from '../shop/useBackups'

/** What everybody should know wherever they are: the server has become a newer one, or the work is not being backed up. */
export function Standing() {
  const newer = useStanding((s) => s.newer)
  const backups = useBackups()
  const trouble = backupTrouble(backups.data, backups.error)
  return (
    <>
      {newer && (
        <Alert severity="info" action={<Button onClick={() => location.reload()}>Load it again</Button>}>
          Tide Line was brought up to date. Load this page again; what you typed is kept.
        </Alert>
      )}
      {trouble && <Alert severity="warning">{trouble}</Alert>}
    </>
  )
}
