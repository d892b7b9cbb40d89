import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { useMutation } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { gcodeOf } from '../../../core/cutRun/gcode'
import { runFigure } from '../../../core/cutRun/runFigure'
import type { SheetRun } from '../../../core/cutRun/sheetRun'
import { tableRunDrawing } from '../../../core/drawing/runDrawing'
import { TableRanSchema } from '../../../core/outside/plasmaTable'
import { counted } from '../../../core/quantity/counted'
import { withLengths } from '../../../core/quantity/figureText'
import { formatLength } from '../../../core/quantity/formatQuantity'
import type { SheetOnHand } from '../../../core/sheetNesting/sheetPlan'
import { call } from '../../api/client'
import { SheetView } from '../../drawing/SheetView'
import { FigureValue } from '../../figure/Working'
import { useUnits } from '../../quantity/units'

type Props = { told: SheetRun; title: string; size: Pick<SheetOnHand, 'width' | 'height'>; href: string }
const still = { handles: [], marks: new Map(), selected: null, onSelect: () => undefined, actions: null }
/** So many spots are told one by one. */
const MOST = 6

/** How the shop's table cuts one sheet: how many cuts, how long, what would be spoilt; its program, and a simulated table that runs it. */
export function CutRunView({ told, title, size, href }: Props) {
  const units = useUnits()
  const program = useMemo(() => ('missing' in told ? '' : gcodeOf(told.run, told.cut, title)), [told, title])
  if ('missing' in told)
    return (
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        No run for the table yet, missing: {withLengths(told.missing, units)}.
      </Typography>
    )
  const { run, cut, on, drilled } = told
  return (
    <Box sx={{ display: 'grid', gap: 0.75, justifyItems: 'start' }}>
      <Typography variant="body2">
        On the table: {counted(run.passes.length, 'cut')}, holes first and edges by the numbers, {formatLength(run.cutMm, units)},{' '}
        <FigureValue figure={runFigure(run, cut, on)} />
        {drilled ? `. ${counted(drilled, 'small hole')} left to the drill, not in the program` : ''}. Try a new program without the torch
        first.
      </Typography>
      {run.spots.slice(0, MOST).map((s) => (
        <Alert key={`${s.mark} ${s.at.x} ${s.at.y}`} severity="warning" sx={{ py: 0 }}>
          {s.mark}: {withLengths(s.says, units)}.
        </Alert>
      ))}
      {run.spots.length > MOST && <Typography variant="body2">and {run.spots.length - MOST} more.</Typography>}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button size="small" component="a" href={href}>
          Program, G-code
        </Button>
        <OnTable key={program} program={program} title={title} size={size} />
      </Box>
    </Box>
  )
}

/** A simulated table runs the program: what it came to, by a reading of its own. */
function OnTable({ program, title, size }: { program: string; title: string; size: Props['size'] }) {
  const units = useUnits()
  const [shown, setShown] = useState(true)
  const ask = useMutation({
    mutationFn: async () => TableRanSchema.parse(await call('/outside/table', { method: 'POST', json: { program } })),
    onSuccess: () => setShown(true),
  })
  const ran = shown ? ask.data : undefined
  return (
    <>
      <Button size="small" disabled={ask.isPending} onClick={() => (ran ? setShown(false) : ask.mutate())}>
        {ran ? 'Put the table away' : 'Run it on the simulated table'}
      </Button>
      {ask.error && <Alert severity="error">{ask.error.message}</Alert>}
      {ran && (
        <Box component="figure" aria-label={`${title} on the simulated table`} sx={{ m: 0, width: '100%', flexBasis: '100%' }}>
          <Typography component="figcaption" variant="body2" sx={{ color: 'text.secondary' }}>
            Simulated: no table ran. {counted(ran.pierces, 'pierce')}, {formatLength(ran.cutMm, units)} with the torch on,{' '}
            {Math.floor(ran.seconds / 60)} min {Math.round(ran.seconds % 60)} s
            {ran.spots.length ? '' : '; it ran through nothing that was cut before'}.
          </Typography>
          <Box sx={{ height: 220 }}>
            <SheetView sheet={tableRunDrawing(ran, size)} {...still} />
          </Box>
          {ran.spots.slice(0, MOST).map((s) => (
            <Typography key={`${s.x} ${s.y} ${s.says}`} variant="body2" sx={{ color: 'warning.main' }}>
              At {formatLength(s.x, units)}, {formatLength(s.y, units)}: {withLengths(s.says, units)}.
            </Typography>
          ))}
        </Box>
      )}
    </>
  )
}
