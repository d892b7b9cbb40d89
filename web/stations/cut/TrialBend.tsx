import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { formatLength } from '../../../core/quantity/formatQuantity'
import { localDay } from '../../../core/time/localDay'
import { learned } from '../../../core/workshop/learned'
import { useSaveShelf, useShelf } from '../../api/queries'
import { QuantityInput } from '../../quantity/QuantityInput'
import { useUnits } from '../../quantity/units'

type Tried = { pulledDeg: number | null; cameDeg: number | null; cutMm: number | null; legAMm: number | null; legBMm: number | null }
const nothing: Tried = { pulledDeg: null, cameDeg: null, cutMm: null, legAMm: null, legBMm: null }

/** What this die is known to do, and a trial bend typed in: the angles to pull to move with it. */
export function TrialBend({ dieId, radiusMm }: { dieId: string | null; radiusMm: number }) {
  const units = useUnits()
  const shelf = useShelf('shop')
  const save = useSaveShelf('shop')
  const [open, setOpen] = useState(false)
  const [tried, setTried] = useState<Tried>(nothing)
  const die = shelf.data?.document.workshop.dies.find((d) => d.id === dieId)
  if (!die)
    return (
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        No die of radius {formatLength(radiusMm, units)} for this tube is listed at The shop: list it to keep its trial bends.
      </Typography>
    )
  const known = learned(die)
  const put = (patch: Partial<Tried>) => setTried((t) => ({ ...t, ...patch }))
  const ready = tried.pulledDeg !== null && tried.cameDeg !== null
  const keep = () => {
    if (!shelf.data || tried.pulledDeg === null || tried.cameDeg === null) return
    const trial = { ...tried, pulledDeg: tried.pulledDeg, cameDeg: tried.cameDeg, on: localDay() }
    const { document, revision } = shelf.data
    const dies = document.workshop.dies.map((d) => (d.id === die.id ? { ...d, trials: [...d.trials, trial] } : d))
    save.mutate(
      { revision, document: { ...document, workshop: { ...document.workshop, dies } } },
      {
        onSuccess: () => {
          setTried(nothing)
          setOpen(false)
        },
      },
    )
  }
  return (
    <Box sx={{ my: 1 }}>
      <Typography variant="body2">
        {known
          ? `${known.trials === 1 ? 'One trial' : `${known.trials} trials`} of this die, the last on ${known.last}: it comes back ${known.leastDeg.toFixed(1)}° to ${known.mostDeg.toFixed(1)}° at 90°.${known.radiusMm === null ? '' : ` Its measured gain is that of radius ${formatLength(known.radiusMm, units)}; the die says ${formatLength(die.radiusMm, units)}.`}`
          : 'Nobody has tried this die: bend an offcut of this tube first, and type what came out.'}{' '}
        <Button size="small" onClick={() => setOpen(!open)} aria-expanded={open}>
          {open ? 'Leave it' : 'Type a trial bend'}
        </Button>
      </Typography>
      {open && (
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(170px, 1fr))', maxWidth: 760, mt: 1 }}>
          <Bent tried={tried} put={put} />
          <Button variant="contained" disabled={!ready || save.isPending} onClick={keep} sx={{ alignSelf: 'start', minHeight: 40 }}>
            Keep this trial
          </Button>
        </Box>
      )}
      {save.error && <Alert severity="error">Not kept: {save.error.message}</Alert>}
    </Box>
  )
}

/** What it was pulled to, what came back, and where it was measured what was cut and how long the legs came out. */
function Bent({ tried, put }: { tried: Tried; put: (patch: Partial<Tried>) => void }) {
  return (
    <>
      <QuantityInput
        label="Pulled to"
        dimension="angle"
        min={1}
        max={200}
        optional
        value={tried.pulledDeg}
        onChange={(v) => put({ pulledDeg: v })}
      />
      <QuantityInput
        label="Came back to"
        dimension="angle"
        min={1}
        max={200}
        optional
        value={tried.cameDeg}
        onChange={(v) => put({ cameDeg: v })}
      />
      <QuantityInput
        label="Length cut"
        min={1}
        optional
        value={tried.cutMm}
        onChange={(v) => put({ cutMm: v })}
        help="for its gain; may stay empty"
      />
      <QuantityInput
        label="First leg"
        min={1}
        optional
        value={tried.legAMm}
        onChange={(v) => put({ legAMm: v })}
        help="end to where the centre lines meet"
      />
      <QuantityInput label="Second leg" min={1} optional value={tried.legBMm} onChange={(v) => put({ legBMm: v })} />
    </>
  )
}
