import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import { overOf } from '../../core/schedule/chain'
import { dayOf } from '../../core/schedule/shopCalendar'
import type { JobDays, Placed, WorkGiven, WorkJob } from '../../core/schedule/work'
import { FIGURES } from '../theme/theme'
import { Lane } from './Lane'
import { DAY_PX, type DayColumn, xOf } from './scale'

type Props = {
  job: WorkJob
  placed: Placed[]
  days: JobDays
  given: WorkGiven
  columns: DayColumn[]
  open: boolean
  chosen: boolean
  onOpen: () => void
}

/** A job in one line: its hours of work on each day, its waiting between them, the day promised and the day it is handed over. */
export function JobLane({ job, placed, days, given, columns, open, chosen, onOpen }: Props) {
  const { inks } = useTheme()
  const hours = hoursByDay(job, placed, new Set(columns.flatMap((c) => (c.shut ? [c.day] : []))))
  const late = (days.daysLate ?? 0) > 0
  return (
    <Lane
      columns={columns}
      height={44}
      label={
        <Box
          component="button"
          type="button"
          aria-expanded={open}
          onClick={onOpen}
          sx={{
            all: 'unset',
            boxSizing: 'border-box',
            cursor: 'pointer',
            width: '100%',
            height: '100%',
            px: 1,
            display: 'flex',
            flexDirection: 'column',
            justifyContent: 'center',
            borderLeft: '4px solid',
            borderColor: chosen ? inks.selected : 'transparent',
            '&:focus-visible': { outline: `3px solid ${inks.selected}`, outlineOffset: -3 },
          }}
        >
          <Box sx={{ fontWeight: 600, fontSize: 14.5, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
            {open ? '▾ ' : '▸ '}
            {job.title}
          </Box>
          <Box sx={{ fontSize: 13, color: late || days.handOverOn === null ? inks.signal : 'text.secondary', whiteSpace: 'nowrap' }}>
            {handOverWords(days, job.due)}
          </Box>
        </Box>
      }
    >
      {waits(job, placed, given.today).map((p) => (
        <Box
          key={p.stepId}
          aria-hidden
          sx={{
            position: 'absolute',
            top: 31,
            height: 5,
            left: xOf(p.ends),
            width: Math.max(0, xOf(overOf(p, given.jobs)) - xOf(p.ends)),
            background: `repeating-linear-gradient(90deg, ${inks.waterDeep} 0 4px, transparent 4px 8px)`,
          }}
        />
      ))}
      {[...hours].map(([day, h]) => (
        <Box
          key={day}
          title={`${h.toFixed(1)} h of work`}
          sx={{
            position: 'absolute',
            left: xOf(day) + 2,
            width: DAY_PX - 4,
            bottom: 14,
            height: Math.max(6, Math.min(26, (26 * h) / (given.hoursADay * 1.2))),
            bgcolor: inks.mount,
            color: inks.sheet,
            borderRadius: '2px 2px 0 0',
          }}
        />
      ))}
      {job.due && <Mark x={xOf(dayOf(given.today, job.due) + 1)} colour={inks.member} title={`promised for ${job.due}`} sign="|" />}
      {days.handOverOn && (
        <Mark
          x={xOf(dayOf(given.today, days.handOverOn) + 0.5)}
          colour={late ? inks.signal : inks.clear}
          title={`handed over on ${days.handOverOn}`}
          sign={late ? '◆' : '●'}
        />
      )}
    </Lane>
  )
}

/** One sign on a lane, with its words for whoever rests on it. */
function Mark({ x, colour, title, sign }: { x: number; colour: string; title: string; sign: string }) {
  return (
    <Box
      title={title}
      sx={{
        ...{
          position: 'absolute',
          left: x - 7,
          top: sign === '|' ? 0 : 22,
          width: 14,
          height: sign === '|' ? 44 : 18,
          textAlign: 'center',
        },
        ...{ color: colour, fontFamily: FIGURES, fontWeight: 600, lineHeight: '18px', zIndex: 1 },
        ...(sign === '|'
          ? { '&::before': { content: '""', position: 'absolute', left: 6, top: 2, bottom: 2, width: 3, bgcolor: colour } }
          : {}),
      }}
    >
      {sign === '|' ? '' : sign}
    </Box>
  )
}

/** Late first: on a narrow screen the end of the line is cut off. */
export const handOverWords = (days: JobDays, due: string | null): string =>
  days.handOverOn === null
    ? 'no day: see why'
    : days.daysLate
      ? `${days.daysLate} ${days.daysLate === 1 ? 'day' : 'days'} late, ${days.handOverOn}`
      : `${days.handOverOn}${due ? '' : ', nothing promised'}`

const stepOf = (job: WorkJob, p: Placed) => job.steps.find((s) => s.id === p.stepId)
/** what dries, is away or on its way: also of a step that is done, until that is over */
const waits = (job: WorkJob, placed: Placed[], today: string): Placed[] =>
  placed.filter((p) => (stepOf(job, p)?.waitHours ?? 0) > 0 && (!job.done[p.stepId] || p.readyOn > today))

function hoursByDay(job: WorkJob, placed: Placed[], shut: ReadonlySet<number>): Map<number, number> {
  const hours = new Map<number, number>()
  for (const p of placed) {
    const s = stepOf(job, p)
    if (!s || job.done[s.id] || p.ends <= p.begins) continue
    // over several days the hours lie where the shop works: shared by how much of each day the step covers
    const covered = Array.from({ length: Math.ceil(p.ends - 1e-9) - Math.floor(p.begins + 1e-9) }, (_, i) => {
      const day = Math.floor(p.begins + 1e-9) + i
      return { day, part: Math.min(p.ends, day + 1) - Math.max(p.begins, day) }
    })
    const open = covered.filter(({ day }) => !shut.has(day))
    const sum = open.reduce((t, c) => t + c.part, 0)
    for (const { day, part } of open) hours.set(day, (hours.get(day) ?? 0) + (sum > 0 ? ((s.minutes / 60) * part) / sum : 0))
  }
  return hours
}
