import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useTheme } from '@mui/material/styles'
import { useState } from 'react'
import type { Job } from '../../../core/job/job'
import { findings } from '../../../core/measure/findings'
import { type MeasuringSheet, measureOf, measuringSheets } from '../../../core/measure/sheets'
import { Group } from '../Group'

export type Place = MeasuringSheet | 'ratings' | 'mounts'

/** The sheets this job's design asks for, with how much is taken; the others can be opened too. */
export function SheetList({ job, at, go }: { job: Job; at: string; go: (id: string) => void }) {
  const { inks } = useTheme()
  const [all, setAll] = useState(false)
  const fitting = measuringSheets.filter((s) => s.id === at || all || (s.fits(job.vehicle) && s.quantities.some((q) => q.key)))
  const row = (id: string, title: string, note: string, alarm: boolean) => (
    <Box
      key={id}
      component="button"
      type="button"
      aria-pressed={at === id}
      onClick={() => go(id)}
      sx={{
        all: 'unset',
        boxSizing: 'border-box',
        cursor: 'pointer',
        display: 'flex',
        justifyContent: 'space-between',
        gap: 1,
        py: 1,
        px: 1,
        minHeight: 40,
        alignItems: 'center',
        borderLeft: 4,
        borderColor: at === id ? 'primary.main' : 'divider',
        bgcolor: at === id ? inks.sheet : 'transparent',
        fontWeight: at === id ? 600 : 400,
        '&:focus-visible': { outline: '2px solid', outlineOffset: -2 },
      }}
    >
      <span>{title}</span>
      <Box component="span" sx={{ fontSize: 13, color: alarm ? inks.signal : 'text.secondary', whiteSpace: 'nowrap' }}>
        {note}
      </Box>
    </Box>
  )
  return (
    <Group title="Sheets" action={<Button onClick={() => setAll(!all)}>{all ? 'Only what is needed' : 'All places'}</Button>}>
      <Box sx={{ display: 'grid' }}>
        {fitting.map((s) => {
          const taken = s.quantities.filter((q) => measureOf(job.vehicle, q).value !== null).length
          const wrong = findings(job.vehicle, s).filter((f) => f.kind === 'contradiction').length
          return row(s.id, s.title, wrong ? `▲ ${wrong} contradict` : `${taken} of ${s.quantities.length}`, wrong > 0)
        })}
        {row('ratings', 'Ratings and masses', '', false)}
        {row('mounts', 'Mounts, obstacles, bodies', `${job.vehicle.mounts.length} and ${job.vehicle.obstacles.length}`, false)}
      </Box>
    </Group>
  )
}
