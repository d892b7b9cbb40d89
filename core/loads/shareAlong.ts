import { buildFrame } from '../structure/frame'
import type { FrameMember, FrameNode, Six } from '../structure/frameMember'

/**
 * Vertical shares of one item on equally stiff supports: R_i = W/n + (W·(x − x̄) + M)·(x_i − x̄) / Σ(x_i − x̄)², the elastic bolt-group rule
 * (Shigley, 10th ed., 8-12) laid along the vehicle. Force and moment always balance; two supports share exactly by levers. With one the moment has
 * nowhere to go. N, mm, N·mm.
 */
export function shareAlong(barXMm: number[], centreXMm: number, downN: number, pitchNmm: number): number[] {
  const n = barXMm.length
  const mean = barXMm.reduce((s, x) => s + x, 0) / n
  const spread = barXMm.reduce((s, x) => s + (x - mean) ** 2, 0)
  return barXMm.map((x) => downN / n + (spread > 0 ? ((downN * (centreXMm - mean) + pitchNmm) * (x - mean)) / spread : 0))
}

/**
 * A rigid item on supports that give: it can only sink and tilt, d_i = a + b·x_i = Σ f_ij·R_j, with ΣR = W and ΣR·x = W·x_c. `flexibility` in mm/N.
 * A matrix that cannot be solved falls back on equal stiffness.
 */
export function shareRigid(barXMm: number[], centreXMm: number, flexibility: number[][]): number[] {
  const n = barXMm.length
  const rows = [
    ...barXMm.map((x, i) => [...flexibility[i]!, -1, -(x - centreXMm), 0]),
    [...barXMm.map(() => 1), 0, 0, 1],
    [...barXMm.map((x) => x - centreXMm), 0, 0, 0],
  ]
  return eliminate(rows)?.slice(0, n) ?? shareAlong(barXMm, centreXMm, 1, 0)
}

/** Gauss with the largest pivot of each column; the last column is the right side. Null when there is no single answer. */
function eliminate(rows: number[][]): number[] | null {
  const n = rows.length
  for (let c = 0; c < n; c++) {
    let pivot = c
    for (let r = c + 1; r < n; r++) if (Math.abs(rows[r]![c]!) > Math.abs(rows[pivot]![c]!)) pivot = r
    if (Math.abs(rows[pivot]![c]!) < 1e-14) return null
    ;[rows[c], rows[pivot]] = [rows[pivot]!, rows[c]!]
    for (let r = 0; r < n; r++) {
      if (r === c) continue
      const k = rows[r]![c]! / rows[c]![c]!
      for (let j = c; j <= n; j++) rows[r]![j]! -= k * rows[c]![j]!
    }
  }
  return rows.map((row, i) => row[n]! / row[i]!)
}

const held: Six<boolean> = [true, true, true, true, false, true]
const free: Six<boolean> = [false, true, false, true, false, true]

/** Reactions of a beam on several firm supports under a load spread evenly over its length, for a whole load of 1. The stiffness cancels out. mm. */
export function shareLimp(supportsMm: number[], fromMm: number, toMm: number): number[] {
  const xs = [...new Set([fromMm, ...supportsMm, toMm])].sort((a, b) => a - b)
  const nodes: FrameNode[] = xs.map((x) => ({ id: String(x), x, y: 0, z: 0, fixed: supportsMm.includes(x) ? held : free }))
  const members: FrameMember[] = xs.slice(1).map((x, i) => ({
    id: String(i),
    from: String(xs[i]),
    to: String(x),
    section: { A: 100, Iy: 1e4, Iz: 1e4, J: 1e4 },
    material: { E: 1e5, G: 4e4 },
    roll: 0,
  }))
  const solved = buildFrame(nodes, members).solve({
    nodes: [],
    members: members.map((m) => ({ member: m.id, uniform: [0, 0, -1 / (toMm - fromMm)] })),
  })
  return supportsMm.map((x) => solved.reaction(xs.indexOf(x))[2]!)
}
