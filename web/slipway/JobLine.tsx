import Box from '@mui/material/Box'
import IconButton from '@mui/material/IconButton'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { useTheme } from '@mui/material/styles'
import Typography from '@mui/material/Typography'
import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import type { JobRow } from '../../core/job/jobRow'
import { type Station, stationNames, stations } from '../../core/job/stations'
import { localDay } from '../../core/time/localDay'
import { call } from '../api/client'
import type { StoredJob } from '../api/queries'
import { stateMarks } from '../limits/states'
import { ReuseDialog } from '../reuse/ReuseDialog'
import { FIGURES } from '../theme/theme'

/** One job of the list: where it stands, when it is due, the verdict on its limits, and what can be done with it. */
export function JobLine({ row }: { row: JobRow }) {
  const { inks } = useTheme()
  const late = row.due !== null && row.due < localDay() && row.station !== 'hand-over'
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr auto', md: '2.2fr 1.1fr 0.9fr 1.9fr auto' },
        gap: { xs: 0.5, md: 2 },
        alignItems: 'center',
        px: 2,
        py: 1,
        borderBottom: 1,
        borderColor: 'divider',
        '&:last-child': { borderBottom: 0 },
        '&:hover': { bgcolor: inks.sheet },
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Box
          component={Link}
          to={`/jobs/${row.id}/${row.station}`}
          sx={{ color: 'text.primary', fontWeight: 600, fontSize: 16, textDecoration: 'none', '&:hover': { textDecoration: 'underline' } }}
        >
          {row.title}
        </Box>
        <Typography variant="body2" sx={{ color: 'text.secondary' }}>
          {row.client || 'no client yet'}
        </Typography>
      </Box>
      <StationMarks at={row.station} />
      <Box sx={{ fontFamily: FIGURES, color: late ? inks.signal : 'text.primary', fontSize: 15 }}>
        {row.due ? `${late ? 'late, ' : 'due '}${row.due}` : 'no date'}
      </Box>
      <Verdict row={row} />
      <More row={row} />
    </Box>
  )
}

/** Its limits in a word, and the one that governs. */
function Verdict({ row }: { row: JobRow }) {
  const { inks } = useTheme()
  const verdict = row.fault
    ? { mark: stateMarks.unknown, text: 'could not be worked out', colour: inks.signal }
    : !row.judged
      ? { mark: stateMarks.unknown, text: 'not worked out yet', colour: inks.unknown }
      : row.over
        ? { mark: stateMarks.over, text: `${row.over} over`, colour: inks.signal }
        : row.unknown
          ? { mark: stateMarks.unknown, text: `${row.unknown} not assessed`, colour: inks.unknown }
          : row.near
            ? { mark: stateMarks.near, text: `${row.near} near`, colour: inks.near }
            : { mark: stateMarks.clear, text: 'clear', colour: inks.clear }
  return (
    <Box sx={{ minWidth: 0 }}>
      <Box component="span" sx={{ color: verdict.colour, fontWeight: 600, fontFamily: FIGURES }}>
        <span aria-hidden="true">{verdict.mark}</span> {verdict.text}
      </Box>
      <Typography
        variant="caption"
        component="p"
        sx={{ color: 'text.secondary', overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}
      >
        {row.fault || (row.judged ? row.governing : '')}
      </Typography>
      {row.moved > 0 && (
        <Typography variant="caption" component="p" sx={{ color: inks.signal, fontWeight: 600 }}>
          {row.moved} {row.moved === 1 ? 'piece' : 'pieces'} moved since the cut plan was accepted
        </Typography>
      )}
    </Box>
  )
}

/** What can be done with a job without opening it. */
function More({ row }: { row: JobRow }) {
  const navigate = useNavigate()
  const client = useQueryClient()
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const [taking, setTaking] = useState(false)
  const act = useMutation({
    mutationFn: async (what: 'copy' | 'archive') =>
      what === 'copy'
        ? call<StoredJob>(`/jobs/${row.id}/copy`, { method: 'POST', json: {} })
        : call<null>(`/jobs/${row.id}/archive`, { method: 'POST', json: { archived: !row.archived } }),
    onSuccess: (made) => {
      void client.invalidateQueries({ queryKey: ['jobs'] })
      if (made && 'id' in made) void navigate(`/jobs/${made.id}/brief`)
    },
  })
  return (
    <Box>
      <IconButton
        aria-label={`More for ${row.title}`}
        aria-haspopup="menu"
        onClick={(e) => setAnchor(e.currentTarget)}
        sx={{ fontSize: 20, width: 40, height: 40, color: 'text.primary' }}
      >
        ⋯
      </IconButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <MenuItem
          onClick={() => {
            setAnchor(null)
            act.mutate('copy')
          }}
        >
          Copy as a new job
        </MenuItem>
        <MenuItem
          onClick={() => {
            setAnchor(null)
            setTaking(true)
          }}
        >
          For another vehicle…
        </MenuItem>
        <MenuItem component="a" href={`/api/jobs/${row.id}/file.json`} onClick={() => setAnchor(null)}>
          Job file
        </MenuItem>
        <MenuItem
          onClick={() => {
            setAnchor(null)
            act.mutate('archive')
          }}
        >
          {row.archived ? 'Bring back' : 'Archive'}
        </MenuItem>
      </Menu>
      {taking && <ReuseDialog jobId={row.id} onClose={() => setTaking(false)} />}
      {act.error && (
        <Typography variant="caption" color="error" role="alert">
          {act.error.message}
        </Typography>
      )}
    </Box>
  )
}

const EACH_PX = 17
/** Where the job stands, as a short piece of the station line. */
function StationMarks({ at }: { at: Station }) {
  const index = stations.indexOf(at)
  return (
    <Box>
      <svg width={12 + EACH_PX * (stations.length - 1)} height="12" aria-hidden="true">
        <line x1="6" x2={6 + EACH_PX * (stations.length - 1)} y1="6" y2="6" stroke="currentColor" strokeOpacity="0.35" />
        {stations.map((s, i) => (
          <circle
            key={s}
            cx={6 + i * EACH_PX}
            cy={6}
            r={i === index ? 5 : 2.5}
            fill={i <= index ? 'currentColor' : 'none'}
            stroke="currentColor"
            strokeOpacity={i <= index ? 1 : 0.5}
          />
        ))}
      </svg>
      <Typography variant="caption" component="p">
        {stationNames[at]}
      </Typography>
    </Box>
  )
}
