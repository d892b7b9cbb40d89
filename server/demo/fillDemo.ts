import type { Knex } from 'knex'
import { demoJobs } from '../../core/job/demoJobs'
import type { ShopCalendar, Span } from '../../core/schedule/shopCalendar'
import { demoShop } from '../../core/shop/shop'
import { demoStock } from '../../core/stock/demoStock'
import { localDay } from '../../core/time/localDay'
import { demoVehicles } from '../../core/vehicle/demoVehicles'
import { jobStore } from '../jobs/jobStore'
import { inOne } from '../keeping/openStore'
import { shelfStore } from '../shelves/shelfStore'
import { withProgress } from './demoProgress'

/** Skerry Quay's jobs, rack and vehicles, into an empty database only, all of it or nothing. Due dates keep their distance to each other and lie ahead of today. */
export const fillDemo = (db: Knex, today = new Date()): Promise<boolean> => inOne(db, (trx) => fill(trx, today))

async function fill(db: Knex, today: Date): Promise<boolean> {
  const [{ n }] = (await db('jobs').count({ n: '*' })) as { n: number }[]
  if (n > 0) return false
  const anchor = Date.parse('2026-11-24')
  const shift = Math.round((Date.parse(localDay(today)) - anchor) / 86_400_000)
  const moved = (date: string) => new Date(Date.parse(date) + shift * 86_400_000).toISOString().slice(0, 10)
  const shelves = shelfStore(db)
  for (const [name, document] of [
    ['stock', demoStock],
    ['vehicles', demoVehicles],
    ['shop', { ...demoShop, calendar: shifted(demoShop.calendar, moved) }],
  ] as const) {
    const { revision } = await shelves.get(name)
    if (revision === 0) await shelves.put(name, 0, document as never)
  }
  const jobs = jobStore(db)
  for (const job of demoJobs) await jobs.create(withProgress({ ...job, due: job.due && moved(job.due) }, localDay(today)))
  return true
}

/** Absences and closed days as far from today as they were from the day the demonstration was written. */
const shifted = (calendar: ShopCalendar, moved: (date: string) => string): ShopCalendar => {
  const all = (spans: Span[]) => spans.map((s) => ({ ...s, from: moved(s.from), to: moved(s.to) }))
  return { ...calendar, closed: all(calendar.closed), people: calendar.people.map((p) => ({ ...p, away: all(p.away) })) }
}
