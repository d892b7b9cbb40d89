import { expose } from 'comlink'
import loadHighs from 'highs'
import wasm from 'highs/runtime?url'
import { compareLengths, type LengthComparison, type StockAdvice, stockAdvice } from '../../../core/advice/stockAdvisor'
import { type BarsLeft, replanned } from '../../../core/barsLeft/barsLeft'
import { calculate, calculatorOf } from '../../../core/calculators/registry'
import { cutList } from '../../../core/cutList/cutList'
import { type SheetRun, sheetRuns } from '../../../core/cutRun/sheetRun'
import type { IssuedPlan } from '../../../core/issuedPlan/issuedPlan'
import type { Job } from '../../../core/job/job'
import { madeAssembly } from '../../../core/job/piecesOf'
import { highsTools } from '../../../core/nesting/highsTools'
import { type CutPlan, planCuts } from '../../../core/nesting/planCuts'
import type { Rules } from '../../../core/rules/rules'
import { planSheets, type SheetGroup } from '../../../core/sheetNesting/sheetPlan'
import { begunFor } from '../../../core/sheetNesting/sheetRack'
import type { Stock } from '../../../core/stock/stock'
import type { Table } from '../../../core/workshop/workshop'

/** The flat parts on their sheets, and how the table cuts each of these. */
export type SheetsOfJob = { groups: SheetGroup[]; runs: SheetRun[][] }
export type Progress = { stage: string; cost: number | null; lowerBound: number }
const PLAN_MS = 8000
const LEFT_MS = 3000
const ready = loadHighs({ locateFile: () => wasm })
// who waits for it is told; nobody waiting yet is no error
ready.catch(() => undefined)
const tools = async (note?: (p: Progress) => void) => highsTools(await ready, () => performance.now(), note)

const api = {
  plan: async (job: Job, stock: Stock, rules: Rules, note: (p: Progress) => void): Promise<CutPlan> =>
    planCuts(
      cutList(madeAssembly(job, rules)),
      stock,
      rules,
      { useRemnants: job.cut.useRemnants, timeLimitMs: PLAN_MS },
      await tools(note),
    ),
  advise: async (job: Job, stock: Stock, rules: Rules): Promise<{ advice: StockAdvice[]; lengths: LengthComparison[] }> => {
    const t = await tools()
    return { advice: stockAdvice(job, stock, rules, t), lengths: compareLengths(job, stock, rules, t) }
  },
  left: async (job: Job, accepted: IssuedPlan, stock: Stock, rules: Rules): Promise<BarsLeft> =>
    replanned(job, accepted, cutList(madeAssembly(job, rules)), stock, rules, LEFT_MS, await tools()),
  sheets: (job: Job, stock: Stock, table: Table | null, rules: Rules): SheetsOfJob => {
    const given = { rules, system: job.units.system, begun: begunFor(job, stock), accepted: job.flatSheets }
    const groups = planSheets(madeAssembly(job, rules), given, () => performance.now())
    return { groups, runs: sheetRuns(groups, table, rules) }
  },
  calculate: async (name: string, given: unknown) => {
    const calculator = calculatorOf(name)
    if (!calculator) throw new Error(`no calculator ${name}`)
    return calculate(calculator, given, await tools())
  },
}
export type PlanApi = typeof api
expose(api)
