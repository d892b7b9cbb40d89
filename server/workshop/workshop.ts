import { Worker } from 'node:worker_threads'
import { type Answer, type Task, takesLong } from './tasks'

/** Who waits: a person in front of the screen, or nobody. */
export type Turn = 'person' | 'background'
type Waiting = { resolve: (answer: never) => void; reject: (error: Error) => void; task: Task; turn: Turn; signal: AbortSignal | null }
type Bench = { worker: Worker | null; busy: (Waiting & { id: number; timer: ReturnType<typeof setTimeout> }) | null; forLong: boolean }

const MOST_WAITING = 100
/** A search keeps its own time limit; a thread that has not answered so long after it will not. */
const GRACE_MS = 2000
const MOST_MS = 60_000

/** Thrown to who waits when the task took longer than it may, or its thread died. */
export class WorkLost extends Error {}

const limitMs = (task: Task): number => (task.kind === 'plan' || task.kind === 'goOn' ? task.timeLimitMs + GRACE_MS + START_MS : MOST_MS)
/** A fresh thread loads the program first. */
const START_MS = 15_000

/**
 * Threads for all that takes long, so that the server goes on answering: one takes searches, the other never does, so that a drawing need not wait for
 * a cut plan. A task whose asker has gone away is dropped; a thread that dies fails only its own task and is replaced.
 */
export function openWorkshop() {
  const queue: Waiting[] = []
  const benches: Bench[] = [
    { worker: null, busy: null, forLong: false },
    { worker: null, busy: null, forLong: true },
  ]
  let closed = false
  let ids = 0

  const start = (bench: Bench): Worker => {
    const thread = new Worker(new URL('./thread.mjs', import.meta.url))
    thread.unref()
    thread.on('message', (m: { id: number; answer?: never; error?: string }) => {
      if (bench.busy?.id !== m.id) return
      const done = free(bench)
      thread.unref()
      if (m.error) done?.reject(new Error(m.error))
      else done?.resolve(m.answer as never)
      next()
    })
    const lost = (error: Error) => {
      if (bench.worker !== thread) return
      bench.worker = null
      free(bench)?.reject(new WorkLost(error.message))
      if (!closed) next()
    }
    thread.on('error', (error) => lost(error as Error))
    thread.on('exit', () => lost(new Error('the worker thread ended')))
    return thread
  }
  const free = (bench: Bench): Waiting | null => {
    const done = bench.busy
    bench.busy = null
    if (done) clearTimeout(done.timer)
    return done
  }
  /** Stops what a bench is doing; only ending its thread can. */
  const stop = (bench: Bench, why: Error): void => {
    const thread = bench.worker
    bench.worker = null
    free(bench)?.reject(why)
    void thread?.terminate()
    if (!closed) next()
  }
  const give = (bench: Bench, waiting: Waiting): void => {
    const id = ++ids
    const timer = setTimeout(() => stop(bench, new WorkLost('it took longer than it may')), limitMs(waiting.task))
    timer.unref()
    bench.busy = { ...waiting, id, timer }
    bench.worker ??= start(bench)
    bench.worker.ref()
    bench.worker.postMessage({ id, task: waiting.task })
  }
  const next = () => {
    for (const bench of benches) {
      if (bench.busy) continue
      const fits = (w: Waiting) => takesLong(w.task) === bench.forLong
      const first = queue.findIndex((w) => fits(w) && w.turn === 'person')
      const at = first >= 0 ? first : queue.findIndex(fits)
      if (at >= 0) give(bench, queue.splice(at, 1)[0] as Waiting)
    }
  }
  const drop = (waiting: Waiting): void => {
    const why = new DOMException('nobody waits for it any more', 'AbortError') as unknown as Error
    const at = queue.indexOf(waiting)
    if (at >= 0) {
      queue.splice(at, 1)
      waiting.reject(why)
      return
    }
    const bench = benches.find((b) => b.busy?.resolve === waiting.resolve)
    if (bench) stop(bench, why)
  }
  return {
    /** Resolves with the task's answer; null when too much is waiting already. */
    run: <T extends Task>(
      task: T,
      { turn = 'person', signal = null }: { turn?: Turn; signal?: AbortSignal | null } = {},
    ): Promise<Answer<T>> | null => {
      if (queue.length >= MOST_WAITING) return null
      return new Promise<Answer<T>>((resolve, reject) => {
        const waiting: Waiting = { task, turn, signal, resolve: resolve as (answer: never) => void, reject }
        queue.push(waiting)
        signal?.addEventListener('abort', () => drop(waiting), { once: true })
        if (signal?.aborted) drop(waiting)
        else next()
      })
    },
    close: async () => {
      closed = true
      await Promise.all(benches.map((b) => b.worker?.terminate()))
    },
  }
}
export type Workshop = ReturnType<typeof openWorkshop>
