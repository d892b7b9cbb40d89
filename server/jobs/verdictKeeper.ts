import type { Knex } from 'knex'
import type { Workshop } from '../workshop/workshop'
import { VERDICT_VERSION } from './verdict'
import { verdictStore } from './verdictStore'

const MOST_WORDS = 300
/** A job that is being worked on is judged once nobody has saved it for so long; at once where somebody looks at the list. */
const QUIET_MS = 15_000

/**
 * Brings verdicts up to date one at a time, in a thread beside the server: the jobs that somebody looks at first, then the rest. A job that cannot be
 * worked out is marked with the reason and does not keep the others waiting.
 */
export function verdictKeeper(db: Knex, workshop: Workshop, log: (error: unknown) => void) {
  const store = verdictStore(db)
  const wanted = new Set<string>()
  let running: Promise<void> | null = null
  let again = false
  let closed = false
  const quiet = new Map<string, NodeJS.Timeout>()

  const one = async (): Promise<boolean> => {
    const seen = [...wanted]
    const unjudged = (seen.length ? await store.next(seen) : null) ?? (await store.next(null))
    if (!unjudged) return false
    wanted.delete(unjudged.id)
    // a tick or a date is no other design
    if (unjudged.basis && (await store.stands(unjudged))) return true
    const { document, rules, accepted } = unjudged
    const turn = seen.includes(unjudged.id) ? 'person' : 'background'
    try {
      const done = workshop.run({ kind: 'verdict', document, rules, accepted }, { turn })
      // a full queue is no fault of the job: what waits is done first
      if (!done) await new Promise((resolve) => setTimeout(resolve, 200))
      else await store.write(unjudged, await done)
    } catch (error) {
      if (closed) return false
      log(error)
      const [said] = (error instanceof Error ? error.message : String(error)).split('\n')
      await store.write(unjudged, { fault: (said || 'no reason was given').slice(0, MOST_WORDS) })
    }
    return true
  }
  const run = async () => {
    do {
      again = false
      while (!closed && (await one())) await new Promise((resolve) => setImmediate(resolve))
      wanted.clear()
    } while (again && !closed)
  }
  const refresh = (first: string[] = []): void => {
    for (const id of first) wanted.add(id)
    again = true
    running ??= run()
      .catch(log)
      .finally(() => {
        running = null
      })
  }
  return {
    /** A cache made by an older program is worthless. */
    start: async () => {
      const [{ user_version: made }] = (await db.raw('pragma user_version')) as { user_version: number }[]
      if (made !== VERDICT_VERSION) {
        await db('verdicts').delete()
        await db.raw(`pragma user_version = ${VERDICT_VERSION}`)
      }
      // a thread that was lost is no fault of the job: what failed is tried again
      else await db('verdicts').whereNot({ fault: '' }).delete()
    },
    refresh,
    /** Was saved, and will be again soon: while somebody works on it each verdict would be stale before it stands. */
    saved: (id: string): void => {
      clearTimeout(quiet.get(id))
      const timer = setTimeout(() => {
        quiet.delete(id)
        refresh([id])
      }, QUIET_MS)
      timer.unref()
      quiet.set(id, timer)
    },
    /** Resolves once every verdict stands. */
    settled: async (): Promise<void> => {
      refresh()
      while (running) await running
    },
    close: async () => {
      closed = true
      for (const timer of quiet.values()) clearTimeout(timer)
      await running
    },
  }
}
export type VerdictKeeper = ReturnType<typeof verdictKeeper>
