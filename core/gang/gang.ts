import { Impossible } from '../issue/impossible'

/** How many alike pieces go under the blade at once: side by side in the vice, on top of one another under the throat; cuts and minutes that saves. mm */
export function gangCut(
  heightMm: number,
  widthMm: number,
  throatMm: number,
  viceMm: number,
  pieces: number,
  minutes: number,
): { atOnce: number; cuts: number; savedMin: number } {
  const [high, wide] = [Math.floor(throatMm / heightMm + 1e-9), Math.floor(viceMm / widthMm + 1e-9)]
  if (!high || !wide) throw new Impossible(`one piece of ${heightMm} × ${widthMm} mm does not pass: a larger saw, or cut from two sides`)
  const atOnce = Math.min(pieces, high * wide)
  const cuts = Math.ceil(pieces / atOnce)
  return { atOnce, cuts, savedMin: (pieces - cuts) * minutes }
}

/** Gap at a butt from a saw that is off square: both ends the wrong way, over the section's depth; against what a weld may bridge. mm */
export function fitUpGap(outOfSquareMm: number, overMm: number, depthMm: number, mostMm: number): { gapMm: number; bridges: boolean } {
  const gapMm = (2 * outOfSquareMm * depthMm) / overMm
  return { gapMm, bridges: gapMm <= mostMm }
}
