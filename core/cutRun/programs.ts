import type { Rules } from '../rules/rules'
import type { SheetGroup } from '../sheetNesting/sheetPlan'
import type { Table } from '../workshop/workshop'
import { gcodeOf } from './gcode'
import { sheetRuns } from './sheetRun'

/** What stands at the head of a program, sheets counted through all metals of a job: one that nobody accepted says so. */
export const runTitle = (job: string, sheet: number, standing: SheetGroup['standing']): string =>
  `${job}, sheet ${sheet}${standing === 'accepted' ? '' : ', DRAFT: not accepted'}`

/** The program of each sheet of a job in their order, or what is missing for it; lengths in braces. */
export type Program = { program: string } | { missing: string }
export const programsOf = (groups: SheetGroup[], table: Table | null, rules: Pick<Rules, 'cutHoleT'>, job: string): Program[] =>
  sheetRuns(groups, table, rules)
    .flatMap((runs, g) => runs.map((told) => ({ told, standing: groups[g]!.standing })))
    .map(({ told, standing }, i) => ('missing' in told ? told : { program: gcodeOf(told.run, told.cut, runTitle(job, i + 1, standing)) }))
