import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Job } from '../../../core/job/job'
import { counted } from '../../../core/quantity/counted'
import { formatLength } from '../../../core/quantity/formatQuantity'
import type { SheetGroup } from '../../../core/sheetNesting/sheetPlan'
import { begunUsed, leftOvers, rackAfterSheets } from '../../../core/sheetNesting/sheetRack'
import type { Stock } from '../../../core/stock/stock'
import { useSaveShelf, useShelf } from '../../api/queries'
import { useRules } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'

/** Once the sheets are cut: what was begun is taken off the rack, what is left of each is put on it; taken back while this page is open. */
export function AfterCutting({ groups, job }: { groups: SheetGroup[]; job: Job }) {
  const rules = useRules()
  const units = useUnits()
  const shelf = useShelf('stock')
  const save = useSaveShelf('stock')
  /** the begun sheets as they were, while the rack is still as this page left it */
  const [before, setBefore] = useState<{ sheets: Stock['sheets']; revision: number } | null>(null)
  const left = groups.flatMap((g) => leftOvers(g, rules).map((l) => ({ ...l, g })))
  const used = begunUsed(groups)
  if (!shelf.data) return null
  const { revision, document } = shelf.data
  const put = (next: Stock, was: Stock['sheets'] | null) =>
    save.mutate({ revision, document: next }, { onSuccess: (saved) => setBefore(was && { sheets: was, revision: saved.revision }) })
  const size = (l: { lengthMm: number; widthMm: number }) =>
    `${formatLength(Math.max(l.lengthMm, l.widthMm), units)} × ${formatLength(Math.min(l.lengthMm, l.widthMm), units)}`
  return (
    <Box component="section" aria-label="After cutting" sx={{ display: 'grid', gap: 1, justifyItems: 'start' }}>
      <Typography variant="h3">After cutting</Typography>
      {before?.revision === revision ? (
        <Alert severity="success" action={<Button onClick={() => put({ ...document, sheets: before.sheets }, null)}>Take it back</Button>}>
          The rack has what is left. The nests above are what would be cut anew.
        </Alert>
      ) : (
        <>
          <Typography variant="body2">
            {left.length
              ? `Worth keeping: ${left.map((l) => `${size(l)} of ${l.g.material}`).join('; ')}.`
              : 'Nothing that is left is worth keeping.'}
            {used ? ` ${counted(used, 'begun sheet')} ${used === 1 ? 'is' : 'are'} used up.` : ''}
          </Typography>
          {(left.length > 0 || used > 0) && (
            <Button
              variant="outlined"
              disabled={save.isPending}
              onClick={() => put(rackAfterSheets(document, groups, job.title, rules), document.sheets)}
            >
              It is cut: bring the rack up to date
            </Button>
          )}
        </>
      )}
      {save.error && <Alert severity="error">The rack was not changed: {save.error.message}</Alert>}
    </Box>
  )
}
