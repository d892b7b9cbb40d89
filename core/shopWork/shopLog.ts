import { isPieceKey } from '../barsLeft/cutPieces'
import { isHoleKey } from '../drilling/holes'
import type { Job } from '../job/job'
import type { DisplayUnits } from '../quantity/units'
import type { Workshop } from '../workshop/workshop'

/**
 * One thing that was done, measured or said, with its day and whose word it is. Lengths in what was said stand in braces, mm. `units` = those of its job;
 * null where it is the shop's own.
 */
export type LogEntry = {
  on: string
  jobId: string | null
  job: string
  vehicle: string
  what: string
  said: string
  by: string
  units: DisplayUnits | null
}

/** What the log knows of one job: steps done with what came out otherwise, what was wrong with what came, loads tried, and the client's words. */
export function entriesOf(jobId: string, job: Job): LogEntry[] {
  const about = { jobId, job: job.title, vehicle: job.vehicle.name, units: job.units }
  const steps = Object.entries(job.built).flatMap(([id, t]): LogEntry[] => {
    // a hole or a piece that is ticked is no entry of its own
    if (isHoleKey(id) || isPieceKey(id)) return []
    const took =
      t.tookMin === null ? '' : `${Math.round(t.tookMin)} min${t.reckonedMin === null ? '' : `, reckoned at ${Math.round(t.reckonedMin)}`}`
    const otherwise = t.otherwise ? `not as drawn: ${t.otherwise}${t.settled ? ', settled' : ''}` : ''
    return [{ ...about, on: t.on, what: t.what || id, said: [otherwise, took].filter(Boolean).join('; '), by: t.by }]
  })
  const kit = Object.entries(job.kit).flatMap(([key, line]): LogEntry[] =>
    line.said
      ? [{ ...about, on: job.built.receive?.on ?? job.built.buy?.on ?? '', what: `what came: ${key}`, said: line.said, by: '' }]
      : [],
  )
  const loads = job.loadTests.map((t): LogEntry => {
    const sag =
      t.measuredSagMm === null
        ? 'planned'
        : `sag {g ${t.measuredSagMm}}, computed {g ${t.computedSagMm}}${t.setMm ? `, {g ${t.setMm}} stayed` : ''}`
    return {
      ...about,
      on: t.at.slice(0, 10),
      what: `load test of bar ${t.barMark}`,
      said: [sag, t.note].filter(Boolean).join('; '),
      by: t.who,
    }
  })
  const client = job.clientAnswers.flatMap((a): LogEntry[] =>
    [a.note, ...a.marks.map((m) => m.says)]
      .filter(Boolean)
      .map((said) => ({ ...about, on: a.at.slice(0, 10), what: a.agrees ? 'the client agrees' : 'the client asks', said, by: a.who })),
  )
  return [...steps, ...kit, ...loads, ...client]
}

/** Trial bends, which belong to a die and to no job. */
export const trialEntries = ({ dies }: Workshop): LogEntry[] =>
  dies.flatMap((d) =>
    d.trials.map(
      (t): LogEntry => ({
        ...{ on: t.on, jobId: null, job: '', vehicle: '', units: null, by: '' },
        what: `trial bend, tube {${d.tubeMm}} on radius {${d.radiusMm}}`,
        said: `pulled to ${t.pulledDeg}°, came to ${t.cameDeg}°: back by ${Math.round((t.pulledDeg - t.cameDeg) * 10) / 10}°`,
      }),
    ),
  )

const plain = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
const newest = (a: LogEntry, b: LogEntry): number => b.on.localeCompare(a.on) || a.job.localeCompare(b.job)

/** Those that have every word asked for, in any case and without its accents, newest first. */
export function searchLog(entries: LogEntry[], asked: string): LogEntry[] {
  const words = plain(asked).split(/\s+/).filter(Boolean)
  return entries
    .filter((e) => {
      const text = plain([e.on, e.job, e.vehicle, e.what, e.said, e.by].join(' '))
      return words.every((w) => text.includes(w))
    })
    .sort(newest)
}
