import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { overallHeight } from '../limits/heightLimits'
import { combinedTolerance } from '../measure/readings'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import type { Taker } from './gaps'
import { seatTaker } from './seats'

/** Air under a place that is driven under: as reckoned, and what errors leave of it at worst and likely. mm */
export type Passage = { name: string; nominalMm: number; worstMm: number; likelyMm: number; takers: (Taker & { mm: number })[] }

/** Under every passage whose height somebody told; without a height of the loaded vehicle there is none to tell. */
export function passages(assembly: Assembly, vehicle: Vehicle, brief: Brief, rules: Rules): Passage[] {
  const top = overallHeight({ assembly, vehicle, brief }).value
  if (top === null || !(assembly.members.length || assembly.fittings.length || assembly.plates.length)) return []
  const loaded = brief.cargo.some((c) => c.counts !== 'parked')
  return brief.passages.flatMap((p): Passage[] => {
    if (p.heightMm === null) return []
    const name = p.name || 'passage'
    const takers = [
      { name: `height of the ${name}`, mm: rules.softMm, error: true },
      ...(assembly.mounts.length ? [seatTaker(assembly.mounts, vehicle)] : []),
      { name: 'feet and bars as made', mm: 2 * rules.madeMm, error: true },
      ...(loaded ? [{ name: 'height of the load', mm: rules.softMm, error: true }] : []),
    ]
    const { worst, likely } = combinedTolerance(takers.map((t) => t.mm))
    const nominalMm = p.heightMm - top
    return [{ name: `Under the ${name}`, nominalMm, worstMm: nominalMm - worst, likelyMm: nominalMm - likely, takers }]
  })
}
