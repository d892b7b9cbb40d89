import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { type QueryClient, useMutation, useQueryClient } from '@tanstack/react-query'
import { wrap } from 'comlink'
import { useState } from 'react'
import { type BarsLeft, barsInHand, type CutOther, changedCuts } from '../../../core/barsLeft/barsLeft'
import { type CutState, cutState, goneOf, unnoted, withPiece } from '../../../core/barsLeft/cutPieces'
import { profileOf } from '../../../core/catalogue/profiles'
import type { CutPart } from '../../../core/cutList/cutList'
import { type IssuedPlan, standingPlan } from '../../../core/issuedPlan/issuedPlan'
import type { Job } from '../../../core/job/job'
import { formatLength } from '../../../core/quantity/formatQuantity'
import type { Stock } from '../../../core/stock/stock'
import { localDay } from '../../../core/time/localDay'
import { ApiError, call } from '../../api/client'
import { type StoredJob, useIssuedPlans } from '../../api/queries'
import { editJob } from '../../job/jobStore'
import { saveNow } from '../../job/useAutosave'
import { useRules } from '../../job/useEvaluation'
import { TextInput } from '../../quantity/TextInput'
import { useUnits } from '../../quantity/units'
import type { PlanApi } from './plan.worker'

type Props = { job: Job; jobId: string; parts: CutPart[]; stock: Stock | undefined }
/** Once cutting has begun: which pieces no longer fit the design, and what is left planned anew from the bars that lie there. */
export function BarsInHand({ job, jobId, parts, stock }: Props) {
  const accepted = standingPlan(useIssuedPlans(jobId).data ?? [])
  const rules = useRules()
  const client = useQueryClient()
  if (!accepted || !stock) return null
  const marks = accepted.pieces.map((p) => p.mark)
  const gone = goneOf(accepted.plan)
  const state = (m: string) => cutState(job.built, m, gone(m))
  const begun = marks.filter((m) => state(m) !== 'to cut')
  if (!begun.length && !marks.some(gone)) return null
  const again = begun.filter((m) => state(m) === 'scrap')
  const twice = begun.filter((m) => unnoted(job.built, m, gone(m)))
  return (
    <Box component="section" aria-label="Bars in hand" sx={{ mb: 2, pb: 1.5, borderBottom: 1, borderColor: 'divider' }}>
      <Typography variant="h2">Bars in hand</Typography>
      <Typography variant="body2" role="status">
        {begun.length - again.length} of {marks.length} pieces of the accepted plan are cut
        {again.length ? `; to be made again: ${again.join(', ')}` : ''}.
      </Typography>
      <Others others={changedCuts(job.built, accepted, parts)} />
      {again.map((mark) => (
        <SetPiece key={mark} mark={mark} to="cut" words={`${mark} does after all`} />
      ))}
      {twice.length > 0 ? (
        <Alert severity="warning" sx={{ mt: 1 }}>
          {twice.join(', ')} {twice.length === 1 ? 'was' : 'were'} cut more than once, and nobody noted from which bar: measure what is left
          of each bar before more is cut.
        </Alert>
      ) : (
        <Replan
          key={JSON.stringify([accepted.id, job.built, job.pieces, job.vehicle])}
          ask={() => planned(job, accepted, stock, rules)}
          hand={barsInHand(accepted, job.built, rules).length}
          goOn={(reason) => goOnBy(client, jobId, accepted.id, reason)}
        />
      )}
    </Box>
  )
}

/** A worker of its own for one answer: the plan of the whole job may be running in the other. */
async function planned(job: Job, accepted: IssuedPlan, stock: Stock, rules: ReturnType<typeof useRules>): Promise<BarsLeft> {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' })
  try {
    return await wrap<PlanApi>(worker).left(job, accepted, stock, rules)
  } finally {
    worker.terminate()
  }
}

function SetPiece({ mark, to, words }: { mark: string; to: CutState; words: string }) {
  return (
    <Button
      size="small"
      variant="outlined"
      sx={{ minHeight: 40, mr: 1, mt: 0.5 }}
      onClick={() => editJob((j) => withPiece(j, mark, to, { lengthMm: null, on: localDay() }))}
    >
      {words}
    </Button>
  )
}

function Others({ others }: { others: CutOther[] }) {
  const units = useUnits()
  if (!others.length) return null
  const words = ({ mark, cutMm, nowMm }: CutOther) => {
    if (nowMm === null) return `${mark} is cut, and the design has no such piece any more`
    const by = `${mark} is cut at ${formatLength(cutMm, units)}, and would be ${formatLength(nowMm, units)} now`
    return nowMm < cutMm
      ? `${by}: trim it`
      : nowMm > cutMm
        ? `${by}: too short, it stays only if that does`
        : `${mark} is cut of another profile`
  }
  return (
    <Alert severity="warning" sx={{ my: 1 }}>
      {others.map((o) => (
        <div key={o.mark}>
          {words(o)}. {o.nowMm !== null && <SetPiece mark={o.mark} to="scrap" words={`Make ${o.mark} again`} />}
        </div>
      ))}
    </Alert>
  )
}

/** The plan in hand becomes the one that stands: the rack gets what that leaves, and what it no longer leaves is taken off it. */
async function goOnBy(client: QueryClient, jobId: string, goesOnFrom: string, reason: string): Promise<void> {
  await saveNow()
  const [{ revision }, stock] = await Promise.all([call<StoredJob>(`/jobs/${jobId}`), call<{ revision: number }>('/shelves/stock')])
  await call(`/jobs/${jobId}/plans`, { method: 'POST', json: { revision, stockRevision: stock.revision, reason, goesOnFrom } })
  await Promise.all(
    [['plans', jobId], ['shelf', 'stock'], ['jobs'], ['purchase']].map((queryKey) => client.invalidateQueries({ queryKey })),
  )
}

function Replan({ ask, hand, goOn }: { ask: () => Promise<BarsLeft>; hand: number; goOn: (reason: string) => Promise<void> }) {
  const left = useMutation({ mutationFn: ask })
  return (
    <>
      <Button variant="outlined" disabled={left.isPending} onClick={() => left.mutate()} sx={{ mt: 1 }}>
        {left.isPending ? 'Planning…' : `Plan what is left from the ${hand} ${hand === 1 ? 'bar' : 'bars'} in hand`}
      </Button>
      {left.error && <Alert severity="error">{left.error.message}</Alert>}
      {left.data && <Answer left={left.data} />}
      {left.data?.plan.complete && left.data.toCut.length > 0 && <GoOn goOn={goOn} />}
    </>
  )
}

/** What is left goes to the saw by this plan; a limit that is over or not assessed asks for a reason, as the first plan did. */
function GoOn({ goOn }: { goOn: (reason: string) => Promise<void> }) {
  const [reason, setReason] = useState('')
  const going = useMutation({ mutationFn: () => goOn(reason.trim()) })
  const faults = going.error instanceof ApiError ? going.error.faults : []
  const wanting = faults.find((f) => f.where === 'reason')
  return (
    <Box sx={{ display: 'grid', gap: 1, justifyItems: 'start', maxWidth: 620 }}>
      {going.error && (
        <Alert severity="error" sx={{ width: '100%' }}>
          {wanting
            ? `Give ${wanting.expected}.`
            : faults.length
              ? `Not accepted: ${faults.map((f) => f.expected).join('; ')}.`
              : going.error.message}
        </Alert>
      )}
      {(wanting || reason) && (
        <Box sx={{ width: '100%' }}>
          <TextInput label="Why it is cut all the same" value={reason} maxLength={500} onChange={setReason} />
        </Box>
      )}
      <Button variant="contained" disabled={going.isPending} onClick={() => going.mutate()}>
        {going.isPending ? 'Accepting…' : 'Go on by this plan'}
      </Button>
      <Typography variant="caption" sx={{ color: 'text.secondary' }}>
        What is cut stays in it. The rack gets the offcuts of this plan instead of the first one’s; taken back, that one stands again.
      </Typography>
    </Box>
  )
}

function Answer({ left: { bars, toCut, plan, unused } }: { left: BarsLeft }) {
  const units = useUnits()
  if (!toCut.length) return <Typography sx={{ mt: 1 }}>Every piece is cut.</Typography>
  const rows = plan.profiles.flatMap((p) =>
    p.bars.map((b, i) => {
      const mine = bars.find((h) => h.id === b.stockId)
      const from = mine
        ? `bar ${mine.number}, ${formatLength(mine.leftMm, units)} left`
        : `${b.source === 'remnant' ? 'offcut of the rack' : 'to buy'}, ${formatLength(b.lengthMm, units)}`
      const cuts = b.cuts.map((c) => `${c.mark} ${formatLength(c.lengthMm, units)}`).join(' + ')
      return {
        key: `${p.profileId} ${i}`,
        text: `${profileOf(p.profileId).name}, ${from}: ${cuts}, leaves ${formatLength(b.offcutMm, units)}`,
        mine,
      }
    }),
  )
  const short = plan.profiles.flatMap((p) => p.unplaced)
  return (
    <Box component="ul" aria-label="What is left, bar by bar" sx={{ pl: 2.5, my: 1 }}>
      {rows.map((r) => (
        <Typography component="li" variant="body2" key={r.key} sx={{ fontWeight: r.mine ? 400 : 700 }}>
          {r.text}
        </Typography>
      ))}
      {short.map((u) => (
        <Typography component="li" variant="body2" key={u.marks.join()} sx={{ color: (t) => t.inks.signal }}>
          {u.marks.join(', ')}: {u.reason}
        </Typography>
      ))}
      {unused.length > 0 && (
        <Typography component="li" variant="body2">
          Nothing more from{' '}
          {unused.map((b) => `bar ${b.number} of ${profileOf(b.profileId).name}, ${formatLength(b.leftMm, units)}`).join('; ')}: put it on
          the rack as it is.
        </Typography>
      )}
    </Box>
  )
}
