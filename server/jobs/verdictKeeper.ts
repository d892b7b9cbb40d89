import type { Knex } from 'knex'
import type { JobStore } from './jobStore'
import { VERDICT_VERSION } from './verdict'

const BATCH = 20

/** Brings verdicts up to date a few at a time, so that the server goes on answering in between. */
export function verdictKeeper(db: Knex, jobs: JobStore, log: (error: unknown) => void) {
  let running: Promise<void> | null = null
  let closed = false
  const run = async () => {
    while (!closed && (await jobs.refreshVerdicts(BATCH)) > 0) await new Promise((resolve) => setImmediate(resolve))
  }
  return {
    /** A cache made by an older program is worthless. */
    start: async () => {
      const [{ user_version: made }] = (await db.raw('pragma user_version')) as { user_version: number }[]
      if (made !== VERDICT_VERSION) {
        await db('verdicts').delete()
        await db.raw(`pragma user_version = ${VERDICT_VERSION}`)
      }
    },
    refresh: (): void => {
      running ??= run()
        .catch(log)
        .finally(() => {
          running = null
        })
    },
    close: async () => {
      closed = true
      await running
    },
  }
}
export type VerdictKeeper = ReturnType<typeof verdictKeeper>
