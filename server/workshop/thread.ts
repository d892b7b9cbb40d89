import { parentPort } from 'node:worker_threads'
import loadHighs from 'highs'
import type { Tools } from '../../core/calculator/tools'
import { highsTools } from '../../core/nesting/highsTools'
import { needsSolver, perform, type Task, unsolved } from './tasks'

const now = () => performance.now()
let solver: Tools | null = null

parentPort?.on('message', async ({ id, task }: { id: number; task: Task }) => {
  try {
    if (needsSolver(task)) solver ??= highsTools(await loadHighs(), now)
    parentPort?.postMessage({ id, answer: await perform(task, solver ?? unsolved(now)) })
  } catch (error) {
    // an aborted solve leaves the solver's memory in no state to go on: the next task loads it afresh
    solver = null
    parentPort?.postMessage({ id, error: error instanceof Error ? (error.stack ?? error.message) : String(error) })
  }
})
