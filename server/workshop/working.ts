import type { Response } from 'express'
import { refuse } from '../http/faults'
import type { Answer, Task } from './tasks'
import { WorkLost, type Workshop } from './workshop'

/** A task for whoever waits for this response; when they go away it is dropped. */
export async function working<T extends Task>(workshop: Workshop, task: T, response: Response): Promise<Answer<T>> {
  const gone = new AbortController()
  const leave = () => gone.abort()
  response.once('close', leave)
  const running = workshop.run(task, { signal: gone.signal })
  if (!running) return refuse(503, 'the server', 'a free place in the queue: too much is waiting, try again in a minute')
  try {
    return await running
  } catch (error) {
    if (error instanceof WorkLost)
      return refuse(503, 'the server', `an answer in time, but ${error.message}: try again; nothing was stored`)
    throw error
  } finally {
    response.removeListener('close', leave)
  }
}
