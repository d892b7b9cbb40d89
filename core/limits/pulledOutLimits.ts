import type { Assembly, Motion } from '../assembly/assembly'
import { partMasses } from '../assembly/places'
import { figure, type Input } from '../figure/figure'
import type { Carried } from '../loads/carried'
import { G_M_S2, radians } from '../quantity/units'
import type { Rules } from '../rules/rules'
import type { FootRow } from './footRow'
import { type Limit, limit } from './limit'
import { chainFigure } from './strength'

/** Moments about the row of feet nearest to the edge: what hangs beyond it lifts the row farthest in. */
const moment = (kg: number[], mm: number[]): number => kg.reduce((s, m, i) => s + m * mm[i]!, 0)
const SOURCE = 'statics: moments about the feet nearest to the edge; k: the shop’s own, for somebody leaning on it'

/**
 * A drawer or tray pulled right out, parked: whether it stays out on a slope, and what it and its load pull the inner feet up by, against what one of them
 * holds. The frame that stays counts against it, the other drawers as shut. N
 */
export function pulledOutLimits(given: {
  assembly: Assembly
  carried: Carried[]
  feet: FootRow[]
  lacks: string[]
  rules: Rules
  own: (id: string) => boolean
}): Limit[] {
  const { assembly, carried, feet, lacks, rules, own } = given
  const masses = partMasses(assembly).filter((p) => own(p.id))
  return assembly.motions.flatMap((m): Limit[] => {
    const out = m.pulledOut
    if (!out || !own(m.id)) return []
    const support = assembly.supports.find((s) => s.id === out.supportId)
    const load = carried.filter((c) => c.bearings.some((b) => b.on !== null && support?.bearings.some((o) => o.on === b.on)))
    const moving = masses.filter((p) => m.moves.includes(p.id))
    const staysOut = lockLimit(
      m,
      out.lockN,
      [
        ...moving.map((p): Input => [p.kg, 'kg', `mass of ${p.name.toLowerCase()}`]),
        ...load.map((c): Input => [c.most, 'kg', `mass of ${c.name}`]),
      ],
      rules,
    )
    if (feet.length < 2) return [staysOut]
    const xs = feet.map((f) => f.mount.place.x)
    const [edgeX, innerX] = [Math.min(...xs), Math.max(...xs)]
    const inner = feet.filter((f) => Math.abs(f.mount.place.x - innerX) < 1)
    const staying = masses.filter((p) => !m.moves.includes(p.id))
    const baseMm = innerX - edgeX
    const [foot] = inner
    if (!foot || baseMm <= 0) return [staysOut]
    // how far behind the outer feet each thing is when it is out, and how far ahead of them what stays; known as far as its mass is
    const behindMm = (xMm: number) => edgeX - (xMm - m.to)
    return [
      staysOut,
      limit({
        id: `out.${m.id.split('/').pop()}`,
        name: `${m.name}, pulled right out`,
        group: 'rack',
        unit: 'N',
        ref: m.moves[0] ?? null,
        nearRatio: rules.nearRatio,
        used: figure(
          {
            id: `out.${m.id}`,
            name: `Pull up on each of ${inner.length} inner feet`,
            unit: 'N',
            formula: 'F = g·(k·Σ m·d − Σ M·e) / b / n, never less than 0',
            source: SOURCE,
            assumes: ['parked; what lies in it keeps its place in it; the other drawers are shut'],
            with: {
              m: [
                ...moving.map((p): Input => [p.kg, 'kg', `mass of ${p.name.toLowerCase()}`]),
                ...load.map((c): Input => [c.most, 'kg', `mass of ${c.name}`]),
              ],
              d: [
                ...moving.map((p): Input => [behindMm(p.at.x), 'mm', `${p.name.toLowerCase()}, out behind the outer feet`]),
                ...load.map((c): Input => [behindMm(c.xMm), 'mm', `${c.name}, out behind the outer feet`]),
              ],
              M: staying.map((p): Input => [p.kg, 'kg', `mass of ${p.name.toLowerCase()}`]),
              e: staying.map((p): Input => [p.at.x - edgeX, 'mm', `${p.name.toLowerCase()}, ahead of the outer feet`]),
              b: [baseMm, 'mm', 'inner feet ahead of the outer'],
              k: [rules.leanFactor, '', 'for somebody leaning on it'],
              n: [inner.length, '', 'inner feet'],
            },
            lacks: load.length ? lacks : [],
          },
          (v) => Math.max(0, (G_M_S2 * (v.k * moment(v.m, v.d) - moment(v.M, v.e))) / v.b / v.n),
        ),
        allowed: chainFigure(`out.${m.id}.allowed`, `Foot ${foot.mount.mark}, up`, [...foot.links.up, ...foot.links.standing.up]),
        caution: 'Open one at a time, and never lean on what is out: it lifts the far screws.',
      }),
    ]
  })
}

/** Parked nose down on a slope, a drawer that is out runs shut on whoever reaches into it, unless something keeps it out: balls and rollers hold nothing back. N */
const lockLimit = (m: Motion, lockN: number | null, masses: Input[], rules: Rules): Limit =>
  limit({
    id: `kept-out.${m.id.split('/').pop()}`,
    name: `${m.name}, kept out on a slope`,
    group: 'rack',
    unit: 'N',
    ref: m.moves[0] ?? null,
    nearRatio: rules.nearRatio,
    used: figure(
      {
        id: `kept-out.${m.id}`,
        name: `${m.name} runs shut with`,
        unit: 'N',
        formula: 'F = g·Σ m·sin α',
        source: 'statics on a slope; α: the shop’s own rule',
        assumes: ['the slides roll freely: friction counts for nothing', 'parked nose down'],
        with: { m: masses, a: [rules.parkedSlopeDeg, '°', 'slope it is opened on'] },
      },
      (v) => G_M_S2 * v.m.reduce((s, kg) => s + kg, 0) * Math.sin(radians(v.a)),
    ),
    allowed: figure(
      {
        id: `kept-out.${m.id}.allowed`,
        name: 'What keeps it out holds',
        unit: 'N',
        formula: 'as its maker says',
        source: 'maker of the slides',
        with: { R: [lockN, 'N', 'what the lock of a drawer that is out holds'] },
      },
      ({ R }) => R,
    ),
    caution: 'A drawer that is not locked out runs shut on hands: park level, and lock it before reaching in.',
  })
