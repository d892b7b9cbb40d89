import Box from '@mui/material/Box'
import { useEffect, useMemo, useRef } from 'react'
import { NavLink } from 'react-router'
import type { Job } from '../../core/job/job'
import { openItems } from '../../core/job/openItems'
import { type Station, stationNames, stations } from '../../core/job/stations'
import { figureText } from '../../core/quantity/figureText'
import { useResult } from './useEvaluation'
import { useFit } from './useFit'

export const useOpenItems = (job: Job) => {
  const evaluation = useResult((s) => s.evaluation)
  const fit = useFit()
  return useMemo(() => openItems(job, evaluation, (mm) => figureText(mm, 'mm', job.units), fit?.limits), [job, evaluation, fit])
}

/** One line, a mark for each station, and how much is open there. */
export function StationPath({ id, at, job }: { id: string; at: Station; job: Job }) {
  const items = useOpenItems(job)
  const path = useRef<HTMLElement>(null)
  // on a phone the line is longer than the screen: the station stands in sight
  useEffect(() => {
    const line = path.current
    const here = line?.querySelector<HTMLElement>('[aria-current]')
    if (line && here && at) line.scrollLeft = here.offsetLeft - line.clientWidth / 2 + here.clientWidth / 2
  }, [at])
  return (
    <Box
      component="nav"
      ref={path}
      aria-label="Stations of this job"
      sx={{ display: 'flex', px: 1.5, borderBottom: 1, borderColor: 'divider', overflowX: 'auto', position: 'relative' }}
    >
      {stations.map((s, i) => {
        const needed = items.filter((x) => x.station === s && x.weight === 'needed').length
        const here = s === at
        return (
          <Box
            key={s}
            component={NavLink}
            to={`/jobs/${id}/${s}`}
            aria-keyshortcuts={String(i + 1)}
            sx={{
              flex: '1 0 auto',
              minWidth: 84,
              pr: 1.5,
              whiteSpace: 'nowrap',
              display: 'flex',
              alignItems: 'center',
              gap: 0.75,
              color: here ? 'text.primary' : 'text.secondary',
              textDecoration: 'none',
              fontSize: 14.5,
              fontWeight: here ? 600 : 400,
              pb: 0.75,
              pt: 1.5,
              position: 'relative',
              '&::before': {
                content: '""',
                position: 'absolute',
                top: 6,
                left: 0,
                right: 0,
                height: 2,
                bgcolor: 'text.primary',
                opacity: 0.4,
              },
              '&::after': {
                content: '""',
                position: 'absolute',
                top: here ? 0 : 2,
                left: 0,
                width: here ? 14 : 10,
                height: here ? 14 : 10,
                borderRadius: '50%',
                border: 2,
                borderColor: 'text.primary',
                bgcolor: here ? 'primary.main' : 'background.default',
                boxSizing: 'border-box',
              },
            }}
          >
            <span>{stationNames[s]}</span>
            {needed > 0 && (
              <Box component="span" sx={{ fontSize: 12.5, fontWeight: 400, color: 'error.main' }}>
                {needed} open
              </Box>
            )}
          </Box>
        )
      })}
    </Box>
  )
}
