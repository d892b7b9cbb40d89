import type { Assembly } from '../assembly/assembly'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { holePlaces } from './holes'

/** The middle of a place where a part is drilled, from its first end, null = nobody measured it; how many holes it has, and how far apart where there is more than one. mm */
export type HoleAlong = { atMm: number | null; count: number; apartMm: number | null }

/** For each mark where it is drilled, nearest its first end first, and last what nobody measured. */
export function holesAlong(a: Assembly, vehicle: Vehicle, rules: Rules): Map<string, HoleAlong[]> {
  const found = new Map<string, Map<string, HoleAlong>>()
  const members = new Set(a.members.map((m) => m.id))
  for (const place of holePlaces(a, vehicle, rules))
    for (const l of place.layers) {
      if (!members.has(l.part)) continue
      const atMm = l.atMm === null ? null : Math.round(l.atMm * 10) / 10
      const own = found.get(l.mark) ?? new Map<string, HoleAlong>()
      own.set(`${atMm ?? place.id} ${place.count}`, { atMm, count: place.count, apartMm: place.count > 1 ? place.apartMm : null })
      found.set(l.mark, own)
    }
  return new Map(
    [...found].map(([mark, at]) => [
      mark,
      [...at.values()].sort((x, y) => (x.atMm ?? Number.POSITIVE_INFINITY) - (y.atMm ?? Number.POSITIVE_INFINITY)),
    ]),
  )
}
