import type { Bearing } from '../assembly/assembly'
import type { Triple } from '../geometry/localAxes'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import type { Carried } from './carried'
import type { Contact } from './contacts'
import type { LoadCase } from './loadCases'
import { shareAlong } from './shareAlong'

/** Pressure of the air: all of it (lifts what lies flat), from ahead, and from the side (to the left positive). Pa */
export type Air = { allPa: number; aheadPa: number; leftPa: number }
/** Put on a line at a place across the vehicle: N, and N·mm about x, y, z at the middle of the part that carries it. */
export type OnBearing = { bearing: Bearing; axisZMm: number; yMm: number; force: Triple; moment: Triple }

/**
 * What one item does to the bars under it: its weight and the case's accelerations act at its centre of mass, air and snow at the middle of its faces. Each
 * bar gets its share so that all six sums about the item's centre of mass are met: down by how it rests, along and across by the same shares (so that it
 * does not turn the rack), what tips it forward by levers along, what leans it by its edges, and what lies beyond a bar's end with its moment.
 */
export function itemForces(
  c: Carried,
  massKg: number,
  on: { axisZMm: number[]; contacts: Contact[][]; shares: number[] },
  loadCase: LoadCase,
  air: Air,
  rules: Rules,
): OnBearing[] {
  const { contacts, shares } = on
  const bars = c.bearings
  // the level that levers are taken about: that of the line it rests on, weighed by what each carries
  const axisZ = on.axisZMm.reduce((s, z, i) => s + z * shares[i]!, 0)
  if (!bars.length || c.zMm === null || c.middleZMm === null) return []
  const n = massKg * G_M_S2
  const drag = air.aheadPa * rules.dragCoefficient * c.frontalM2
  const aside = air.leftPa * rules.dragCoefficient * c.sideM2
  const onTop = (loadCase.snowKgM2 * G_M_S2 - air.allPa * rules.liftCoefficient) * c.planM2
  const down = n * loadCase.downG + onTop
  const forward = n * loadCase.forwardG - drag
  const left = n * loadCase.leftG + aside
  // about the centre of mass, at the height of the bars' line
  const [arm, faceArm] = [c.zMm - axisZ, c.middleZMm - axisZ]
  const [aheadBy, leftBy] = [(c.faceXMm ?? c.middleXMm) - c.xMm, (c.faceYMm ?? c.middleYMm) - c.yMm]
  const tipsForward = n * loadCase.forwardG * arm - drag * faceArm + onTop * aheadBy
  const leansLeft = n * loadCase.leftG * arm + aside * faceArm + onTop * leftBy
  const turnsLeft = aheadBy * aside + leftBy * drag
  const xs = bars.map((b) => b.xMm)
  const alone = bars.length < 2
  const tilts = alone ? [0] : shareAlong(xs, 0, 0, tipsForward)
  const yaws = alone ? [0] : shareAlong(xs, 0, 0, turnsLeft)
  // lines of different heights: what turns the item pushes at their own levels, which is no part of its lean
  const leans = leansLeft - yaws.reduce((sum, yaw, k) => sum + yaw * (on.axisZMm[k]! - axisZ), 0)
  return bars.flatMap((bearing, k) => {
    const own = contacts[k]!
    const share = shares[k]!
    const pressed = down * share + tilts[k]!
    const pushed = left * share + yaws[k]!
    // one bar alone takes what tips it, its place before or behind, and what turns it
    const off = alone ? c.xMm - xs[k]! : 0
    const twist = alone ? tipsForward + down * off : 0
    const turn = alone ? turnsLeft + left * off : 0
    const [edge, last] = [own[0]!, own[own.length - 1]!]
    const width = edge.yMm + edge.beyondMm - (last.yMm + last.beyondMm)
    const couple = leans * share
    return own.map((p) => {
      // thrown left it presses harder on its left edge and lifts its right one
      const onEdge = width > 1 ? ((p === edge ? 1 : 0) - (p === last ? 1 : 0)) * (couple / width) : 0
      const lean = width > 1 ? 0 : -couple
      const force: Triple = [forward * share * p.share, pushed * p.share, -pressed * p.share - onEdge]
      // what hangs beyond the end keeps its moment there
      const moment: Triple = [lean + p.beyondMm * force[2], twist * p.share, turn * p.share - p.beyondMm * force[0]]
      return { bearing, axisZMm: on.axisZMm[k]!, yMm: p.yMm, force, moment }
    })
  })
}
