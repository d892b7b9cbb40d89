import { type Calculation, calculate, calculatorOf } from '../../core/calculators/registry'
import { cutList } from '../../core/cutList/cutList'
import { evaluate } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { type CutPlan, planCuts } from '../../core/nesting/planCuts'
import type { Tools } from '../../core/nesting/tools'
import type { Rules } from '../../core/rules/rules'
import type { Stock } from '../../core/stock/stock'

export type Task =
  | { kind: 'plan'; job: Job; stock: Stock; rules: Rules; timeLimitMs: number }
  | { kind: 'calculate'; name: string; given: unknown }
export type Answer<T extends Task> = T extends { kind: 'plan' } ? CutPlan : Calculation

/** Long work, the same in a worker thread, on the command line and in tests. */
export function perform(task: Task, tools: Tools): CutPlan | Calculation {
  if (task.kind === 'plan') {
    const { assembly } = evaluate(task.job, task.rules)
    return planCuts(
      cutList(assembly),
      task.stock,
      task.rules,
      { useRemnants: task.job.cut.useRemnants, timeLimitMs: task.timeLimitMs },
      tools,
    )
  }
  const calculator = calculatorOf(task.name)
  if (!calculator) throw new Error(`no calculator ${task.name}`)
  return calculate(calculator, task.given, tools)
}
