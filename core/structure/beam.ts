import { Impossible } from '../issue/impossible'
import { buildFrame } from './frame'
import type { FrameMember, FrameNode, Six } from './frameMember'

export type BeamInput = {
  lengthMm: number
  supportsMm: number[]
  /** null = firm; else N/mm */
  supportNmm: number | null
  pointLoads: { atMm: number; forceN: number }[]
  spreadLoads: { fromMm: number; toMm: number; newtonPerMm: number }[]
  elasticMPa: number
  secondMomentMm4: number
  sectionModulusMm3: number
}
export type BeamResult = {
  reactionsN: number[]
  maxMomentNmm: number
  maxMomentAtMm: number
  stressMPa: number
  maxSagMm: number
  maxSagAtMm: number
}

const PIECES = 240 // the sag is read at nodes: fine enough that the greatest is within 0.01 %

/** A straight beam on any number of supports, firm or springy, with free ends: the frame solver in one plane. Loads and sag downward positive. N, mm. */
export function continuousBeam(v: BeamInput): BeamResult {
  if (v.supportsMm.length < 2) throw new Impossible('a beam with free ends needs two supports or more, or it turns over')
  const xs = [
    ...new Set([
      ...Array.from({ length: PIECES + 1 }, (_, i) => (v.lengthMm * i) / PIECES),
      ...v.supportsMm,
      ...v.pointLoads.map((p) => p.atMm),
      ...v.spreadLoads.flatMap((s) => [s.fromMm, s.toMm]),
    ]),
  ]
    .sort((a, b) => a - b)
    .filter((x, i, all) => i === 0 || x - all[i - 1]! > 1e-6)
  const near = (x: number) => xs.reduce((best, at, i) => (Math.abs(at - x) < Math.abs(xs[best]! - x) ? i : best), 0)
  const supports = v.supportsMm.map(near)
  const plane = (up: boolean): Six<boolean> => [false, true, up, true, false, true]
  const nodes: FrameNode[] = xs.map((x, i) => {
    const on = supports.includes(i)
    const fixed = plane(on && v.supportNmm === null)
    // one place holds it along, so that it does not slide away
    fixed[0] = i === supports[0]
    return {
      id: String(i),
      x,
      y: 0,
      z: 0,
      fixed,
      ...(on && v.supportNmm !== null ? { springs: [0, 0, v.supportNmm, 0, 0, 0] as Six<number> } : {}),
    }
  })
  const members: FrameMember[] = xs.slice(1).map((_, i) => ({
    id: String(i),
    from: String(i),
    to: String(i + 1),
    section: { A: 1000, Iy: v.secondMomentMm4, Iz: v.secondMomentMm4, J: v.secondMomentMm4 },
    material: { E: v.elasticMPa, G: v.elasticMPa / 2.6 },
    roll: 0,
  }))
  const solved = buildFrame(nodes, members).solve({
    nodes: v.pointLoads.map((p) => ({ node: String(near(p.atMm)), force: [0, 0, -p.forceN], moment: [0, 0, 0] })),
    members: v.spreadLoads.flatMap((s) =>
      members.flatMap((m, i) => {
        const [from, to] = [Math.max(xs[i]!, s.fromMm), Math.min(xs[i + 1]!, s.toMm)]
        return to - from > 1e-6
          ? [{ member: m.id, uniform: [0, 0, -s.newtonPerMm] as [number, number, number], from: from - xs[i]!, to: to - xs[i]! }]
          : []
      }),
    ),
  })
  const out: BeamResult = {
    reactionsN: supports.map((n) => solved.reaction(n)[2]!),
    maxMomentNmm: 0,
    maxMomentAtMm: 0,
    stressMPa: 0,
    maxSagMm: 0,
    maxSagAtMm: 0,
  }
  members.forEach((_, i) => {
    // sagging positive: the frame's bending about y has the sign of the upward pull on the first end
    for (const s of solved.inside(i))
      if (Math.abs(s.momentY) > Math.abs(out.maxMomentNmm)) Object.assign(out, { maxMomentNmm: s.momentY, maxMomentAtMm: xs[i]! + s.x })
  })
  xs.forEach((x, i) => {
    const sag = -solved.movement(i)[2]!
    if (Math.abs(sag) > Math.abs(out.maxSagMm)) Object.assign(out, { maxSagMm: sag, maxSagAtMm: x })
  })
  out.stressMPa = Math.abs(out.maxMomentNmm) / v.sectionModulusMm3
  return out
}
