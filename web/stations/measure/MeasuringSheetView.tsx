import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { drawMeasuringSheet } from '../../../core/drawing/measuringSheet'
import type { Job } from '../../../core/job/job'
import type { MeasuringSheet } from '../../../core/measure/sheets'
import { SheetView } from '../../drawing/SheetView'
import { useView } from '../../drawing/view'

const nothing = new Map()

/** What to measure, from where to where; the one being typed stands out. Pressing a letter goes to its field. */
export function MeasuringSheetView({ job, sheet }: { job: Job; sheet: MeasuringSheet }) {
  const selected = useView((s) => s.selected)
  const drawing = useMemo(() => drawMeasuringSheet(sheet, job.vehicle, job.units), [sheet, job.vehicle, job.units])
  const go = (ref: string | null) => {
    useView.getState().select(ref)
    if (ref) document.querySelector<HTMLInputElement>(`#measure-${CSS.escape(ref)} input`)?.focus()
  }
  return (
    <Box
      component="section"
      aria-label={`${sheet.title}, what to measure`}
      sx={{ height: '100%', display: 'flex', flexDirection: 'column', bgcolor: (t) => t.inks.sheet }}
    >
      <Typography variant="caption" sx={{ px: 1.5, pt: 1, color: 'text.secondary' }}>
        {drawing.title}. {sheet.hint}
      </Typography>
      <Box sx={{ flex: 1, minHeight: 0 }}>
        <SheetView sheet={drawing} handles={[]} marks={nothing} selected={selected} onSelect={go} actions={null} pick />
      </Box>
    </Box>
  )
}
