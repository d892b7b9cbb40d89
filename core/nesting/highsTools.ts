import type { LpSolution, Tools } from '../calculator/tools'

/** The shape of the HiGHS module's one-shot solver; the module itself is loaded by whoever may do I/O. */
type Highs = { solve: (model: string, options?: Record<string, unknown>) => unknown }
type RawSolution = {
  Status: string
  ObjectiveValue: number
  Columns: Record<string, { Primal?: number }>
  Rows: { Name: string; Dual?: number }[]
}

/** Tools for `nestBars` on the HiGHS solver. Gaps are closed fully, so that “optimal” means optimal. */
export function highsTools(highs: Highs, now: () => number, progress?: Tools['progress']): Tools {
  return {
    now,
    ...(progress ? { progress } : {}),
    solve: (model, timeLimitMs): LpSolution => {
      const raw = highs.solve(model, {
        time_limit: timeLimitMs / 1000,
        mip_rel_gap: 0,
        mip_abs_gap: 1e-7,
        output_flag: false,
      }) as RawSolution
      const rows = new Map((raw.Rows ?? []).map((r) => [r.Name, r.Dual ?? 0]))
      const values = Object.values(raw.Columns ?? {})
      return {
        optimal: raw.Status === 'Optimal',
        feasible:
          raw.Status === 'Optimal' ||
          (raw.Status === 'Time limit reached' &&
            values.length > 0 &&
            values.every((c) => Number.isFinite(c.Primal)) &&
            Number.isFinite(raw.ObjectiveValue)),
        infeasible: raw.Status === 'Infeasible',
        objective: raw.ObjectiveValue,
        primal: (name) => raw.Columns[name]?.Primal ?? 0,
        dual: (row) => rows.get(row) ?? 0,
      }
    },
  }
}
