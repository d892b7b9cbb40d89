import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { figureText } from '../../../core/quantity/figureText'
import type { FoldTrial } from '../../../core/rules/foldTrials'
import { kFigure } from '../../../core/sheet/foldFigures'
import { foldOf, K_CAN_BE, kOfTrial, learnedFold } from '../../../core/sheet/foldTrial'
import { localDay } from '../../../core/time/localDay'
import { useSaveShelf, useShelf } from '../../api/queries'
import { FigureValue } from '../../figure/Working'
import { QuantityInput } from '../../quantity/QuantityInput'
import { useUnits } from '../../quantity/units'
import { useWho } from '../../shell/who'

type Sheet = { materialId: string; thicknessMm: number }
type Tried = { blankMm: number | null; angleDeg: number | null; legAMm: number | null; legBMm: number | null; radiusMm: number | null }
const nothing: Tried = { blankMm: null, angleDeg: 90, legAMm: null, legBMm: null, radiusMm: null }

/** How this sheet is known to fold, and a trial fold typed in: every blank and fold line of it moves. */
export function TrialFold({ sheet }: { sheet: Sheet }) {
  const units = useUnits()
  const shelf = useShelf('rules')
  const save = useSaveShelf('rules')
  const [open, setOpen] = useState(false)
  if (!shelf.data) return null
  const { document: rules, revision } = shelf.data
  const known = learnedFold(rules.foldTrials, sheet.materialId, sheet.thicknessMm)
  const put = (foldTrials: FoldTrial[], done?: () => void) =>
    save.mutate({ revision, document: { ...rules, foldTrials } }, { onSuccess: done })
  const { insideRadiusMm, kFactor } = foldOf(rules, sheet.materialId, sheet.thicknessMm)
  return (
    <Box sx={{ my: 1 }}>
      <Typography variant="body2">
        {known ? (
          <>
            {known.trials.length === 1 ? 'One trial fold' : `${known.trials.length} trial folds`} of this sheet, the last on {known.last}: K{' '}
            <FigureValue figure={kFigure(known.trials)} />
            {known.trials.length > 1 ? ` (${known.leastK.toFixed(3)} to ${known.mostK.toFixed(3)})` : ''}, inside radius{' '}
            {figureText(known.radiusMm, 'gauge', units)}.
          </>
        ) : (
          `Nobody has folded this sheet on trial: K ${kFactor} and an inside radius of ${figureText(insideRadiusMm, 'gauge', units)} are the shop’s usual ones. Fold an offcut first, and type what came out.`
        )}{' '}
        <Button size="small" onClick={() => setOpen(!open)} aria-expanded={open}>
          {open ? 'Leave it' : 'Type a trial fold'}
        </Button>
      </Typography>
      {open && <NewTrial sheet={sheet} busy={save.isPending} keep={(trial) => put([...rules.foldTrials, trial], () => setOpen(false))} />}
      {open && known && (
        <Box component="ul" aria-label="Trial folds of this sheet" sx={{ m: 0, mt: 1, pl: 2.25, fontSize: 14.5 }}>
          {known.trials.map((t) => (
            <li key={JSON.stringify(t)}>
              {t.on}
              {t.by ? `, ${t.by}` : ''}: {figureText(t.blankMm, 'gauge', units)} folded by {t.angleDeg}° to{' '}
              {figureText(t.legAMm, 'gauge', units)} and {figureText(t.legBMm, 'gauge', units)}, K <FigureValue figure={kFigure([t])} />{' '}
              <Button size="small" disabled={save.isPending} onClick={() => put(rules.foldTrials.filter((o) => o !== t))}>
                Take it away
              </Button>
            </li>
          ))}
        </Box>
      )}
      {save.error && <Alert severity="error">Not kept: {save.error.message}</Alert>}
    </Box>
  )
}

function NewTrial({ sheet, busy, keep }: { sheet: Sheet; busy: boolean; keep: (trial: FoldTrial) => void }) {
  const { who } = useWho()
  const [tried, setTried] = useState<Tried>(nothing)
  const put = (patch: Partial<Tried>) => setTried((t) => ({ ...t, ...patch }))
  const trial = wholeTrial(tried, sheet, who)
  const found = trial && kOfTrial(trial)
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fill, minmax(170px, 1fr))', maxWidth: 760, mt: 1 }}>
      <QuantityInput label="Length cut" min={1} max={5000} exact optional value={tried.blankMm} onChange={(blankMm) => put({ blankMm })} />
      <QuantityInput
        label="Folded by"
        dimension="angle"
        min={5}
        max={175}
        optional
        value={tried.angleDeg}
        onChange={(angleDeg) => put({ angleDeg })}
      />
      <QuantityInput
        label="First leg"
        min={1}
        max={5000}
        exact
        optional
        value={tried.legAMm}
        onChange={(legAMm) => put({ legAMm })}
        help="outside, to where the outer faces would meet"
      />
      <QuantityInput label="Second leg" min={1} max={5000} exact optional value={tried.legBMm} onChange={(legBMm) => put({ legBMm })} />
      <QuantityInput
        label="Inside radius"
        min={0.1}
        max={100}
        exact
        optional
        value={tried.radiusMm}
        onChange={(radiusMm) => put({ radiusMm })}
        help="as the tool left it, by gauge"
      />
      <Box sx={{ alignSelf: 'center' }} role="status">
        {found?.possible && `K ${found.k.toFixed(3)}`}
      </Box>
      {found && !found.possible && (
        <Alert severity="error" sx={{ gridColumn: '1 / -1' }}>
          K comes out at {found.k.toFixed(2)}, and lies between {K_CAN_BE[0]} and {K_CAN_BE[1]}: measure both legs outside, to where the
          outer faces would meet, and the length before it was folded.
        </Alert>
      )}
      <Button
        variant="contained"
        disabled={!found?.possible || busy}
        onClick={() => trial && keep(trial)}
        sx={{ alignSelf: 'start', minHeight: 40 }}
      >
        Keep this trial
      </Button>
    </Box>
  )
}

/** The trial once every figure of it is there. */
function wholeTrial(t: Tried, sheet: Sheet, by: string): FoldTrial | null {
  const { blankMm, angleDeg, legAMm, legBMm, radiusMm } = t
  if (blankMm === null || angleDeg === null || legAMm === null || legBMm === null || radiusMm === null) return null
  return { on: localDay(), ...sheet, blankMm, angleDeg, legAMm, legBMm, radiusMm, by: by.slice(0, 80) }
}
