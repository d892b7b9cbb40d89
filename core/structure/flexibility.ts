import type { FrameLoads } from './frameMember'
import type { Ready } from './solved'
import { halfSolved } from './sparse'

/**
 * How far each of several loads goes in its own direction under each of them: fᵢⱼ = bᵢᵀ·K⁻¹·bⱼ, the same both ways (Maxwell's reciprocal theorem). With
 * K = L·D·Lᵀ that is zᵢᵀ·zⱼ of L·√D·z = b, half a solution of each. mm under loads of 1 N.
 */
export function flexibilityOf({ matrix, index, dofOf }: Ready, loads: FrameLoads['nodes'][]): number[][] {
  const halves = loads.map((own) => {
    const y = new Float64Array(matrix.size)
    const put = (dof: number, value: number) => {
      if (dof >= 0) y[dof]! += value
    }
    for (const { node, force, moment } of own) {
      const n = (index.get(node) ?? 0) * 6
      for (let d = 0; d < 3; d++) {
        put(dofOf[n + d]!, force[d]!)
        put(dofOf[n + 3 + d]!, moment[d]!)
      }
    }
    halfSolved(matrix, y)
    for (let d = 0; d < y.length; d++) if (y[d]) y[d]! /= Math.sqrt(matrix.pivots[d]!)
    return y
  })
  // nothing stands before the first row that a load reaches
  const starts = halves.map((y) =>
    Math.max(
      0,
      y.findIndex((v) => v !== 0),
    ),
  )
  const out = loads.map(() => new Array<number>(loads.length).fill(0))
  halves.forEach((a, i) => {
    for (let j = 0; j <= i; j++) {
      const b = halves[j]!
      let sum = 0
      for (let d = Math.max(starts[i]!, starts[j]!); d < a.length; d++) sum += a[d]! * b[d]!
      out[i]![j] = sum
      out[j]![i] = sum
    }
  })
  return out
}
