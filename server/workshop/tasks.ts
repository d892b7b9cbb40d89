import { otherWays, type WayRow } from '../../core/advice/otherWays'
import { replanned } from '../../core/barsLeft/barsLeft'
import { goesOn } from '../../core/barsLeft/goesOn'
import type { Tools } from '../../core/calculator/tools'
import { type Calculation, calculate, calculatorOf } from '../../core/calculators/registry'
import { cutList } from '../../core/cutList/cutList'
import { type Program, programsOf } from '../../core/cutRun/programs'
import { readJob } from '../../core/exchange/jobFile'
import { withFit } from '../../core/fit/fit'
import type { IssuedPlan } from '../../core/issuedPlan/issuedPlan'
import { type Piece, piecesOf } from '../../core/issuedPlan/planMoved'
import { evaluate } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { madeAssembly } from '../../core/job/piecesOf'
import type { Limit } from '../../core/limits/limit'
import { type CutPlan, planCuts } from '../../core/nesting/planCuts'
import { runOnTable, type TableTold } from '../../core/outside/plasmaTable'
import { type PooledBars, type PooledJob, pooledBars } from '../../core/purchase/pooled'
import type { Rules } from '../../core/rules/rules'
import { planSheets } from '../../core/sheetNesting/sheetPlan'
import type { PlannedShop } from '../../core/shop/shop'
import type { SheetOffcut, Stock } from '../../core/stock/stock'
import type { Table } from '../../core/workshop/workshop'
import { type Verdict, verdictOf } from '../jobs/verdict'
import { backUp } from '../keeping/backup'
import { type Print, printed } from '../prints/printed'
import { type JobWork, jobWork } from '../shopWork/jobWork'
import { fittingReady } from './fitting'

/** What is asked before metal is cut: what is over or unknown, and which pieces there are. */
export type Judged = { limits: Pick<Limit, 'name' | 'state'>[]; pieces: Piece[] }

export type Task =
  | { kind: 'plan'; job: Job; stock: Stock; rules: Rules; timeLimitMs: number }
  /** what is left to cut of a plan that was begun, as that plan goes on */
  | { kind: 'goOn'; job: Job; accepted: IssuedPlan; stock: Stock; rules: Rules; timeLimitMs: number }
  /** a program on the simulated table */
  | { kind: 'table'; program: string }
  | { kind: 'calculate'; name: string; given: unknown }
  | { kind: 'print'; print: Print }
  | { kind: 'ways'; job: Job; stock: Stock; rules: Rules }
  /** the programs of its sheets for the cutting table */
  | { kind: 'programs'; job: Job; rules: Rules; begun: SheetOffcut[]; table: Table | null }
  | { kind: 'judge'; job: Job; rules: Rules }
  /** `document`: the job as it is kept */
  | { kind: 'verdict'; document: string; rules: unknown; accepted: Piece[] | null }
  /** `document`: the job as it is kept */
  | { kind: 'work'; document: string; shop: PlannedShop; rules: Rules }
  | { kind: 'pool'; jobs: PooledJob[]; stock: Stock; rules: Rules }
  | { kind: 'backup'; database: string; to: string }
type Answers = {
  plan: CutPlan
  goOn: CutPlan
  calculate: Calculation
  print: Uint8Array
  ways: WayRow[]
  programs: Program[]
  table: TableTold
  judge: Judged
  verdict: Verdict
  work: JobWork
  pool: PooledBars
  backup: null
}
export type Answer<T extends Task> = Answers[T['kind']]

const searching = (name: string): boolean => calculatorOf(name)?.searches ?? false
export const needsSolver = (task: Task): boolean =>
  task.kind === 'plan' ||
  task.kind === 'goOn' ||
  task.kind === 'ways' ||
  task.kind === 'pool' ||
  (task.kind === 'calculate' && searching(task.name))
/** Tasks that may take seconds. */
export const takesLong = (task: Task): boolean => needsSolver(task) || task.kind === 'backup'

/** Tools without a solver, for what never asks one. */
export const unsolved = (now: () => number): Tools => ({
  now,
  solve: () => {
    throw new Error('this task asks the solver: mark it so')
  },
})

function asKept(document: string): Job {
  const read = readJob(JSON.parse(document))
  if (!read.ok) throw new Error(read.faults.map((f) => `${f.where}: ${f.expected}`).join('; '))
  return read.value
}
/** So long the bars of all jobs are planned together, and each by itself. */
const POOL_MS = 8000

/** Long work, the same in a worker thread, on the command line and in tests. */
export async function perform(task: Task, tools: Tools): Promise<Answer<Task>> {
  switch (task.kind) {
    case 'plan': {
      const { assembly } = evaluate(task.job, task.rules)
      const { useRemnants } = task.job.cut
      return planCuts(cutList(assembly), task.stock, task.rules, { useRemnants, timeLimitMs: task.timeLimitMs }, tools)
    }
    case 'goOn': {
      const { job, accepted, stock, rules, timeLimitMs } = task
      const left = replanned(job, accepted, cutList(madeAssembly(job, rules)), stock, rules, timeLimitMs, tools)
      return goesOn(accepted, job.built, left, rules)
    }
    case 'ways':
      return otherWays(task.job, task.stock, task.rules, tools)
    case 'programs': {
      const { job, rules, begun, table } = task
      const groups = planSheets(madeAssembly(job, rules), { rules, system: job.units.system, begun, accepted: job.flatSheets }, tools.now)
      return programsOf(groups, table, rules, job.title)
    }
    case 'table':
      return runOnTable(task.program)
    case 'calculate': {
      const calculator = calculatorOf(task.name)
      if (!calculator) throw new Error(`no calculator ${task.name}`)
      return calculate(calculator, task.given, tools)
    }
    case 'print':
      return printed(task.print)
    case 'judge': {
      const figures = evaluate(task.job, task.rules)
      const { assembly } = figures
      const limits = withFit(figures.limits, (await fittingReady())(task.job, figures, task.rules))
      return { limits: limits.map(({ name, state }) => ({ name, state })), pieces: piecesOf(assembly) }
    }
    case 'verdict':
      return verdictOf(asKept(task.document), task.rules, task.accepted, await fittingReady())
    case 'work':
      return jobWork(asKept(task.document), task.shop, task.rules)
    case 'pool':
      return pooledBars(task.jobs, task.stock, task.rules, POOL_MS, tools)
    case 'backup':
      backUp(task.database, task.to)
      return null
  }
}
