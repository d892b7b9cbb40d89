/** A linear or integer programme solver, handed in: the core loads nothing itself. Model in CPLEX LP text. */
export type LpSolution = {
  optimal: boolean
  feasible: boolean
  infeasible: boolean
  objective: number
  primal: (name: string) => number
  dual: (row: string) => number
}
export type Tools = {
  solve: (model: string, timeLimitMs: number) => LpSolution
  /** a clock in ms, for the time limit only */
  now: () => number
  progress?: (note: { stage: string; cost: number | null; lowerBound: number }) => void
}
