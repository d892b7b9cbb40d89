import { along, cross, dot, minus, size, times, unit, type Vec3 } from '../geometry/vec3'
import { Impossible } from '../issue/impossible'

export type MitreGiven = {
  /** the two members as they leave the corner, and for each the way its width lies, as it will lie flat on the saw */
  first: { way: Vec3; width: Vec3 }
  second: { way: Vec3; width: Vec3 }
  /** section of either, mm */
  widthMm: number
  heightMm: number
}
export type SawCut = {
  /** table or blade turned from square, seen from above, and the blade leaned over; 0 and 0 is a square cut. degrees */
  turnDeg: number
  tiltDeg: number
  /** how far the longest point stands beyond the shortest, along the member. mm */
  pointMm: number
}
export type CompoundMitre = { first: SawCut; second: SawCut; cornerDeg: number }

/**
 * Both saw settings of a mitre between two members that lean: the cut lies in the plane that halves the corner, and each member sees it in its own axes.
 * With n the plane's normal, x along the member, y across its width and z through its height: turn = atan(n_y / n_x), tilt = asin(n_z) (plane geometry).
 * The sections meet edge to edge only where both widths lie alike to the plane. Throws `Impossible` where no corner is left to cut.
 */
export function compoundMitre(g: MitreGiven): CompoundMitre {
  const [a, b] = [unit(g.first.way), unit(g.second.way)]
  if (size(a) < 1e-9 || size(b) < 1e-9) throw new Impossible('a member runs nowhere: give the way each one leaves the corner')
  const cos = Math.max(-1, Math.min(1, dot(a, b)))
  const cornerDeg = (Math.acos(cos) * 180) / Math.PI
  if (cornerDeg < 1) throw new Impossible('the two members lie on one another: there is no corner to cut')
  const n = unit(minus(a, b))
  return { first: cutOf(a, g.first.width, n, g), second: cutOf(b, g.second.width, times(n, -1), g), cornerDeg }
}

/** The plane as one member sees it, lying flat on its width. */
function cutOf(x: Vec3, widthWay: Vec3, normal: Vec3, { widthMm, heightMm }: MitreGiven): SawCut {
  const level = along(widthWay, x, -dot(widthWay, x))
  if (size(level) < 1e-9) throw new Impossible('a width cannot lie along its own member: give the way it lies across')
  const y = unit(level)
  const z = cross(x, y)
  const [nx, ny, nz] = [dot(normal, x), dot(normal, y), dot(normal, z)]
  // looking along the member towards the corner the normal points back at it: never square to it, as the corner is one
  const [turn, tilt] = [Math.atan2(ny, nx), Math.asin(Math.max(-1, Math.min(1, nz)))]
  return {
    turnDeg: (turn * 180) / Math.PI,
    tiltDeg: (tilt * 180) / Math.PI,
    pointMm: (widthMm * Math.abs(ny) + heightMm * Math.abs(nz)) / Math.abs(nx),
  }
}
