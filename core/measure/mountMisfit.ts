import { footTypes } from '../catalogue/mounts'
import { type MountLine, mountHalfWidthMm } from '../vehicle/vehicle'
import { fitHolePattern, type HolePatternFit } from './holePattern'

/** The fixed points of a line in the order of `misfit`: each point left, then right. mm in vehicle axes. */
export const fixedHoles = (line: MountLine): { name: string; xMm: number; yMm: number }[] =>
  (line.pointsXMm ?? []).flatMap((xMm, i) => [
    { name: `point ${i + 1}, left`, xMm, yMm: mountHalfWidthMm(line, xMm) },
    { name: `point ${i + 1}, right`, xMm, yMm: -mountHalfWidthMm(line, xMm) },
  ])

/** The smallest hole and washer in the feet that still seats every bolt in the vehicle's own crooked holes. Null until each hole was measured. */
export function mountMisfit(line: MountLine, toleranceMm: number): (HolePatternFit & { boltMm: number }) | null {
  const holes = fixedHoles(line)
  if (!holes.length || line.misfit.length !== holes.length) return null
  const boltMm = Number(/M(\d+)/.exec(footTypes[line.kind].bolt)?.[1] ?? 8)
  const vehicleHoles = holes.map((h, i) => ({ xMm: h.xMm + line.misfit[i].alongMm, yMm: h.yMm + line.misfit[i].acrossMm }))
  return { ...fitHolePattern({ partHoles: holes, vehicleHoles, boltMm, toleranceMm }), boltMm }
}
