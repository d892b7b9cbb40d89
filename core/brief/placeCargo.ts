import type { Job } from '../job/job'
import { type Cargo, type CargoDraft, CargoSchema } from './cargo'

/** A catalogue accessory set on the vehicle at a place. */
export const placed = (draft: CargoDraft & { id: string }, id: string, xMm: number, yMm: number, over: Partial<Cargo> = {}): Cargo =>
  CargoSchema.parse({ ...draft, id, xMm, yMm, ...over })

/** A free place for a new item: over the middle of the mounts, beside what lies there already, left and right in turn. mm. */
export function startPlace(job: Job, item: { lengthMm: number; widthMm: number; counts: Cargo['counts'] }): { xMm: number; yMm: number } {
  const line = job.vehicle.mounts[0]
  const xMm = line ? Math.round((line.fromXMm + line.toXMm) / 2) : 0
  const meets = (yMm: number) =>
    job.brief.cargo.some(
      (c) =>
        (c.counts === 'both' || item.counts === 'both' || c.counts === item.counts) &&
        Math.abs(c.xMm - xMm) < (c.lengthMm + item.lengthMm) / 2 &&
        Math.abs(c.yMm - yMm) < (c.widthMm + item.widthMm) / 2,
    )
  const half = line ? Math.min(line.halfWidthFrontMm, line.halfWidthRearMm) : 700
  for (let off = 0; off + item.widthMm / 2 <= half + 60; off += 20) {
    if (!meets(off)) return { xMm, yMm: off }
    if (!meets(-off)) return { xMm, yMm: -off }
  }
  return { xMm, yMm: 0 }
}
