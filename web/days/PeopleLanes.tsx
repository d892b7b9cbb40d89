import Box from '@mui/material/Box'
import { useTheme } from '@mui/material/styles'
import { dateOf, within } from '../../core/schedule/shopCalendar'
import type { Schedule, WorkGiven } from '../../core/schedule/work'
import { Lane } from './Lane'
import { DAY_PX, type DayColumn, xOf } from './scale'

/** Who is at work when: one line each, absences shaded. */
export function PeopleLanes({ given, days, columns }: { given: WorkGiven; days: Schedule; columns: DayColumn[] }) {
  const { inks } = useTheme()
  return given.calendar.people.map((p) => (
    <Lane key={p.id} columns={columns} height={28} label={<Box sx={{ px: 1.5, lineHeight: '28px', fontSize: 14 }}>{p.name || p.id}</Box>}>
      {columns.map((c) => {
        const off = within(p.away, dateOf(given.today, c.day))
        return off && !c.shut ? (
          <Box
            key={c.day}
            title={off.why || 'away'}
            sx={{
              ...{ position: 'absolute', top: 3, bottom: 3, left: xOf(c.day), width: DAY_PX },
              background: `repeating-linear-gradient(45deg, ${inks.line} 0 3px, transparent 3px 7px)`,
            }}
          />
        ) : null
      })}
      {days.placed
        .filter((x) => x.people.includes(p.id) && x.ends > x.begins)
        .map((x) => (
          <Box
            key={`${x.jobId} ${x.stepId}`}
            title={given.jobs.find((j) => j.id === x.jobId)?.title}
            sx={{
              position: 'absolute',
              top: 8,
              height: 12,
              left: xOf(x.begins),
              width: Math.max(3, xOf(x.ends) - xOf(x.begins) - 1),
              bgcolor: inks.member,
              opacity: 0.75,
            }}
          />
        ))}
    </Lane>
  ))
}
