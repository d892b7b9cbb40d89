import { boltSizes } from '../catalogue/bolts'
import { footTypes } from '../catalogue/mounts'
import { type MountLine, mountHalfWidthMm } from '../vehicle/vehicle'
import { fitHolePattern, type HolePatternFit } from './holePattern'

/** The fixed points of a line in the order of `misfit`: each point left, then right. mm in vehicle axes. */
export const fixedHoles = (line: MountLine): { name: string; xMm: number; yMm: number }[] =>
  (line.pointsXMm ?? []).flatMap((xMm, i) => [
    { name: `point ${i + 1}, left`, xMm, yMm: mountHalfWidthMm(line, xMm) },
    { name: `point ${i + 1}, right`, xMm, yMm: -mountHalfWidthMm(line, xMm) },
  ])

/** A slot takes the error along it and a tight hole's play across it; a shim brings each low seat up to the highest. mm */
export type Absorbed = {
  slot: { along: 'the vehicle' | 'the bar'; lengthMm: number; widthMm: number }
  /** null until the height of every seat was measured */
  shims: { name: string; thicknessMm: number }[] | null
}
/** Shims are cut from sheet of this step: the shop's own. */
export const SHIM_STEP_MM = 0.5

/**
 * What else takes up the misfit, beside one round hole: slots along the way in which the holes are off most, length d + 2·(e + t) and width the
 * same with the smaller error; and under each seat a shim of the highest seat's height less its own, to the nearest step.
 */
export function absorbMisfit(line: MountLine, toleranceMm: number): Absorbed | null {
  const fit = mountMisfit(line, toleranceMm)
  if (!fit) return null
  const most = (way: 'xMm' | 'yMm') => Math.max(...fit.offsets.map((o) => Math.abs(o[way])))
  const room = (e: number) => fit.boltMm + 2 * (e + toleranceMm)
  const [x, y] = [most('xMm'), most('yMm')]
  const ups = line.misfit.map((m) => m.upMm)
  const known = ups.filter((up) => up !== null)
  const highest = Math.max(...known)
  return {
    slot: { along: x >= y ? 'the vehicle' : 'the bar', lengthMm: room(Math.max(x, y)), widthMm: room(Math.min(x, y)) },
    shims:
      known.length < ups.length
        ? null
        : fixedHoles(line).flatMap((h, i) => {
            const thicknessMm = Math.round((highest - known[i]!) / SHIM_STEP_MM) * SHIM_STEP_MM
            return thicknessMm > 0 ? [{ name: h.name, thicknessMm }] : []
          }),
  }
}

/** The smallest hole and washer in the feet that still seats every bolt in the vehicle's own crooked holes. Null until each hole was measured. */
export function mountMisfit(line: MountLine, toleranceMm: number): (HolePatternFit & { boltMm: number }) | null {
  const holes = fixedHoles(line)
  if (!holes.length || line.misfit.length !== holes.length) return null
  const boltMm = boltSizes[footTypes[line.kind].bolt.size].diameterMm
  const vehicleHoles = holes.flatMap((h, i) => {
    const { alongMm, acrossMm } = line.misfit[i]!
    return alongMm === null || acrossMm === null ? [] : [{ xMm: h.xMm + alongMm, yMm: h.yMm + acrossMm }]
  })
  if (vehicleHoles.length < holes.length) return null
  return { ...fitHolePattern({ partHoles: holes, vehicleHoles, boltMm, toleranceMm }), boltMm }
}
