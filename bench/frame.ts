import { buildFrame } from '../core/structure/frame'
import type { FrameLoads, FrameMember, FrameNode, Six } from '../core/structure/frameMember'

/** 300 members × 10 load cases: a long rack of bars on springy feet tied by four rails. Reach: under 50 ms. */
const free: Six<boolean> = [false, false, false, false, false, false]
const section = { A: 430, Iy: 97_000, Iz: 97_000, J: 150_000 }
const material = { E: 68_900, G: 26_000 }
const nodes: FrameNode[] = []
const members: FrameMember[] = []
const across = 9
const bars = 26
for (let b = 0; b < bars; b++)
  for (let k = 0; k < across; k++) {
    const foot = k === 1 || k === across - 2
    nodes.push({
      id: `${b}.${k}`,
      x: b * 150,
      y: k * 200 - 800,
      z: 0,
      fixed: free,
      ...(foot ? { springs: [200, 200, 800, 0, 1e7, 1e7] as Six<number> } : {}),
    })
    const add = (id: string, from: string, to: string) => members.push({ id, from, to, section, material, roll: 0 })
    if (k) add(`bar ${b}.${k}`, `${b}.${k - 1}`, `${b}.${k}`)
    if (b && [0, 3, 5, 8].includes(k)) add(`rail ${b}.${k}`, `${b - 1}.${k}`, `${b}.${k}`)
  }
const loads = (c: number): FrameLoads => ({
  nodes: nodes.map((n, i) => ({ node: n.id, force: [c, (i % 7) - 3, -10 - c], moment: [0, 0, 0] })),
  members: members.map((m) => ({ member: m.id, uniform: [0, 0, -0.05] })),
})

export function frameBench(): string[][] {
  const times: number[] = []
  const solving: number[] = []
  for (let i = 0; i < 40; i++) {
    const start = performance.now()
    const frame = buildFrame(nodes, members)
    const solved = Array.from({ length: 10 }, (_, c) => frame.solve(loads(c)))
    const half = performance.now()
    for (const s of solved) for (let m = 0; m < members.length; m++) s.inside(m)
    times.push(performance.now() - start)
    solving.push(half - start)
  }
  const at = (list: number[], share: number) => [...list].sort((a, b) => a - b)[Math.floor(list.length * share)].toFixed(0)
  return [
    [
      `frame, ${members.length} members × 10 cases`,
      `${at(solving, 0.5)} ms`,
      `95 % ${at(solving, 0.95)} ms; with every stress ${at(times, 0.5)} ms`,
    ],
  ]
}
