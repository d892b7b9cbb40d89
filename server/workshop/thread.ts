import { parentPort } from 'node:worker_threads'
import loadHighs from 'highs'
import { highsTools } from '../../core/nesting/highsTools'
import { perform, type Task } from './tasks'

// The solver module is loaded afresh for every task: an aborted solve leaves its memory in no state to go on.
parentPort?.on('message', async ({ id, task }: { id: number; task: Task }) => {
  try {
    const tools = highsTools(await loadHighs(), () => performance.now())
    parentPort?.postMessage({ id, answer: perform(task, tools) })
  } catch (error) {
    parentPort?.postMessage({ id, error: error instanceof Error ? (error.stack ?? error.message) : String(error) })
  }
})
