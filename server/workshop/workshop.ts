import { Worker } from 'node:worker_threads'
import type { Answer, Task } from './tasks'

type Waiting = { resolve: (answer: never) => void; reject: (error: Error) => void; task: Task }
const MOST_WAITING = 100

/** One worker thread for long work, one task at a time, so that the server goes on answering. A thread that dies is replaced. */
export function openWorkshop() {
  const queue: Waiting[] = []
  let busy: (Waiting & { id: number }) | null = null
  let worker: Worker | null = null
  let closed = false
  let ids = 0

  const start = (): Worker => {
    const thread = new Worker(new URL('./thread.mjs', import.meta.url))
    thread.unref()
    thread.on('message', (m: { id: number; answer?: never; error?: string }) => {
      if (!busy || busy.id !== m.id) return
      const done = busy
      busy = null
      thread.unref()
      if (m.error) done.reject(new Error(m.error))
      else done.resolve(m.answer as never)
      next()
    })
    thread.on('error', (error) => lost(error as Error))
    thread.on('exit', () => {
      if (!closed) lost(new Error('the worker thread ended'))
    })
    return thread
  }
  const lost = (error: Error) => {
    worker = null
    const done = busy
    busy = null
    done?.reject(error)
    if (!closed) next()
  }
  const next = () => {
    if (busy || !queue.length) return
    const waiting = queue.shift() as Waiting
    busy = { ...waiting, id: ++ids }
    worker ??= start()
    worker.ref()
    worker.postMessage({ id: busy.id, task: waiting.task })
  }
  return {
    /** Resolves with the task's answer; null when too much is waiting already. */
    run: <T extends Task>(task: T): Promise<Answer<T>> | null => {
      if (queue.length >= MOST_WAITING) return null
      return new Promise<Answer<T>>((resolve, reject) => {
        queue.push({ task, resolve: resolve as (answer: never) => void, reject })
        next()
      })
    },
    close: async () => {
      closed = true
      await worker?.terminate()
    },
  }
}
export type Workshop = ReturnType<typeof openWorkshop>
