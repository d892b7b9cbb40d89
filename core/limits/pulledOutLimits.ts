import type { Assembly } from '../assembly/assembly'
import { partMasses } from '../assembly/places'
import { figure, type Input } from '../figure/figure'
import type { Carried } from '../loads/carried'
import type { Rules } from '../rules/rules'
import { slideOut } from '../slide/slide'
import { type Limit, limit } from './limit'
import type { FootRow } from './rackLimits'
import { chainFigure } from './strength'

/** Moments about the row of feet nearest to the edge: what hangs beyond it lifts the row farthest in. */
const SOURCE = 'statics: moments about the feet nearest to the edge; k: the shop’s own, for somebody leaning on it'

/**
 * A drawer or tray pulled right out, parked: what it and its load pull the inner feet up by, against what one of them holds. The frame that stays counts
 * against it, the other drawers as shut. N
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
    if (!out || !own(m.id) || feet.length < 2) return []
    const xs = feet.map((f) => f.mount.place.x)
    const [edgeX, innerX] = [Math.min(...xs), Math.max(...xs)]
    const inner = feet.filter((f) => Math.abs(f.mount.place.x - innerX) < 1)
    const support = assembly.supports.find((s) => s.id === out.supportId)
    const load = carried.filter((c) => c.bearings.some((b) => b.on !== null && support?.bearings.some((o) => o.on === b.on)))
    const trayKg = masses.filter((p) => m.moves.includes(p.id)).reduce((s, p) => s + (p.kg ?? 0), 0)
    const frameKg = masses.filter((p) => !m.moves.includes(p.id)).reduce((s, p) => s + (p.kg ?? 0), 0)
    const baseMm = innerX - edgeX
    // it hangs over the row of feet, not over the end of its frame
    const travelMm = m.to - (edgeX - out.edgeXMm)
    const [foot] = inner
    if (!foot || baseMm <= 0) return []
    return [
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
            formula: 'F = g·(k·(m + Σ mᵢ)·(s − l/2) − M·b/2) / b / n',
            source: SOURCE,
            assumes: ['parked; the load lies in the middle of it'],
            with: {
              m: [trayKg, 'kg', 'drawer'],
              mᵢ: load.map((c): Input => [c.most, 'kg', `mass of ${c.name}`]),
              s: [travelMm, 'mm', 'travel past the outer feet'],
              l: [out.trayMm, 'mm', 'length of the drawer'],
              M: [frameKg, 'kg', 'what stays'],
              b: [baseMm, 'mm', 'inner feet behind the outer'],
              k: [rules.leanFactor, '', 'for somebody leaning on it'],
              n: [inner.length, '', 'inner feet'],
            },
            lacks: load.length ? lacks : [],
          },
          (v) =>
            slideOut({
              trayMm: v.l,
              travelMm: Math.min(v.s, v.l + v.b),
              baseMm: v.b,
              trayKg: v.m,
              loadKg: v.mᵢ.reduce((s, kg) => s + kg, 0),
              frameKg: v.M,
              fixings: v.n,
              loadFactor: v.k,
            }).perFixingN,
        ),
        allowed: chainFigure(`out.${m.id}.allowed`, `Foot ${foot.mount.mark}, up`, [...foot.links.up, ...foot.links.standing.up]),
        caution: 'Open one at a time, and never lean on what is out: it lifts the far screws.',
      }),
    ]
  })
}
