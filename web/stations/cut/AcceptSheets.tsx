import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { Job } from '../../../core/job/job'
import { counted } from '../../../core/quantity/counted'
import { formatLength } from '../../../core/quantity/formatQuantity'
import type { AcceptedSheets } from '../../../core/sheetNesting/acceptedSheets'
import { acceptedFrom, type SheetGroup, stillStands } from '../../../core/sheetNesting/sheetPlan'
import { begunUsed, goneFromRack, leftOvers, rackAfterSheets } from '../../../core/sheetNesting/sheetRack'
import type { Stock } from '../../../core/stock/stock'
import { localDay } from '../../../core/time/localDay'
import { useSaveShelf, useShelf } from '../../api/queries'
import { editForGood, editJob } from '../../job/jobStore'
import { useRules } from '../../job/useEvaluation'
import { useUnits } from '../../quantity/units'
import { Doubts, mayCut, useDoubts } from './doubts'

const keep = (flatSheets: AcceptedSheets | null) => editJob((j) => ({ ...j, flatSheets }))

/**
 * The nests are accepted as they lie, so that screen, print and program keep to them; once they are cut, what was begun is taken off the rack and what is left of
 * each sheet is put on it, once. The rack is taken back while it is still as this page left it.
 */
export function AcceptSheets({ groups, job }: { groups: SheetGroup[]; job: Job }) {
  const rules = useRules()
  const units = useUnits()
  const shelf = useShelf('stock')
  const save = useSaveShelf('stock')
  const doubts = useDoubts(job)
  const [reason, setReason] = useState(job.flatSheets?.reason ?? '')
  const [before, setBefore] = useState<{ sheets: Stock['sheets']; revision: number } | null>(null)
  const left = groups.flatMap((g) => leftOvers(g, rules).map((l) => ({ ...l, g })))
  const used = begunUsed(groups)
  if (!shelf.data) return null
  const { revision, document } = shelf.data
  const accepted = job.flatSheets
  const stands = accepted !== null && stillStands(accepted, groups)
  const short = groups.some((g) => g.nest.unplaced.length > 0)
  const gone = stands && !accepted.cut ? goneFromRack(groups, document) : []
  const put = (next: Stock, was: Stock['sheets'] | null, then: AcceptedSheets | null) =>
    save.mutate(
      { revision, document: next },
      {
        onSuccess: (saved) => {
          setBefore(was && { sheets: was, revision: saved.revision })
          // what the rack has, the job has: undone alone it would go there twice
          editForGood((j) => ({ ...j, flatSheets: then }))
        },
      },
    )
  const size = (l: { lengthMm: number; widthMm: number }) =>
    `${formatLength(Math.max(l.lengthMm, l.widthMm), units)} × ${formatLength(Math.min(l.lengthMm, l.widthMm), units)}`
  const free = mayCut(doubts, reason)
  const mayTakeBack = before !== null && before.revision === revision
  return (
    <Box component="section" aria-label="Sheets accepted and cut" sx={{ display: 'grid', gap: 1, justifyItems: 'start' }}>
      <Typography variant="h3">{accepted?.cut && stands ? 'After cutting' : 'Before cutting'}</Typography>
      {accepted && !stands && (
        <Alert severity="warning">
          Sheets were {accepted.cut ? 'cut' : 'accepted'} on {accepted.on}, and their parts have changed since: above, all of them are laid
          anew.{accepted.cut ? ' What is cut already is not taken off.' : ''}
        </Alert>
      )}
      {stands && accepted.cut ? (
        <Alert
          severity="success"
          action={
            mayTakeBack && (
              <Button onClick={() => put({ ...document, sheets: before.sheets }, null, { ...accepted, cut: false })}>Take it back</Button>
            )
          }
        >
          Cut on {accepted.on}: the rack has what is left.{accepted.reason ? ` Cut all the same, because: ${accepted.reason}` : ''}
        </Alert>
      ) : (
        <>
          <Typography variant="body2">
            {stands ? `Accepted on ${accepted.on}: screen, print and program keep to these sheets. ` : ''}
            {left.length
              ? `Worth keeping: ${left.map((l) => `${size(l)} of ${l.g.material}`).join('; ')}.`
              : 'Nothing that is left is worth keeping.'}
            {used ? ` ${counted(used, 'begun sheet')} ${used === 1 ? 'is' : 'are'} used up.` : ''}
          </Typography>
          {gone.length > 0 && (
            <Alert severity="warning">
              {gone.map((o) => `${size(o)}${o.place ? `, ${o.place}` : ''}`).join('; ')}: no longer on the rack. Take the sheets back, and
              they are laid anew.
            </Alert>
          )}
          {doubts.waiting && <Typography variant="body2">{doubts.waiting}</Typography>}
          <Doubts of={doubts} reason={reason} setReason={setReason} told="The prints" ask="Why the sheets are cut all the same" />
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
            {stands ? (
              <Button onClick={() => keep(null)}>Take the sheets back</Button>
            ) : (
              <Button
                variant="outlined"
                disabled={short || !free}
                onClick={() => keep(acceptedFrom(groups, { on: localDay(), cut: false, reason: reason.trim() }))}
              >
                {accepted ? 'Accept the new sheets' : 'Accept these sheets'}
              </Button>
            )}
            <Button
              variant="outlined"
              disabled={save.isPending || short || gone.length > 0 || !free}
              onClick={() =>
                put(
                  rackAfterSheets(document, groups, job.title, rules),
                  document.sheets,
                  acceptedFrom(groups, { on: localDay(), cut: true, reason: reason.trim() }),
                )
              }
            >
              It is cut: bring the rack up to date
            </Button>
          </Box>
          {short && <Typography variant="body2">Parts that lie on no sheet are to be placed first.</Typography>}
        </>
      )}
      {save.error && <Alert severity="error">The rack was not changed: {save.error.message}</Alert>}
    </Box>
  )
}
