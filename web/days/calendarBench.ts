import { type Remote, wrap } from 'comlink'
import type { CalendarApi } from './calendar.worker'

let bench: Remote<CalendarApi> | null = null
/** The thread that works out the days, one for the page. */
export function calendar(): Remote<CalendarApi> {
  bench ??= wrap<CalendarApi>(new Worker(new URL('./calendar.worker.ts', import.meta.url), { type: 'module' }))
  return bench
}
