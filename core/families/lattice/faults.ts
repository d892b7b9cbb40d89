import { edgeMm } from '../../adapter/adapterFigures'
import { footTypes } from '../../catalogue/mounts'
import { profileSection } from '../../catalogue/profiles'
import { ROWS_APART_MM } from '../../fasten/footPull'
import type { Issue } from '../../issue/issue'
import type { Rules } from '../../rules/rules'
import { legsFaults } from '../../sheet/legs'
import type { MountLine } from '../../vehicle/vehicle'
import { footFaults } from '../feetAlong'
import { sheetOf } from '../foldedParts'
import { faultOf } from '../parts'
import type { LatticeParams } from './params'
import { footMm, type LatticeShape, legOf } from './shape'

/** A hand's breadth between strips that things are lashed to. Shop's own, mm */
const FINGERS_MM = 30

export function faults(p: LatticeParams, s: LatticeShape, line: MountLine, rules: Rules): Issue[] {
  const strip = profileSection(p.stripProfileId)
  const foot = footTypes[line.kind]
  const edge = edgeMm(foot.bolt.size)
  const wide = foot.boltsPerFoot > 1 ? ROWS_APART_MM + 2 * edge : 2 * edge
  const apart = s.stripYs.length > 1 ? Math.abs(s.stripYs[1]! - s.stripYs[0]!) : Number.POSITIVE_INFINITY
  const side = Math.min(s.frontX - s.rearX, 2 * s.barHalf)
  const reach = s.top.toMm
  return [
    ...legsFaults(legOf(p), sheetOf(p, rules), rules).map((t) => faultOf('riseMm', `The legs: ${t}`)),
    ...(p.legWideMm < wide - 0.01
      ? [faultOf('legWideMm', `A foot's bolts stand too near the edges of a leg: {${Math.ceil(wide)}} wide or more`)]
      : []),
    ...(footMm(p) < edge - 0.01
      ? [faultOf('padMm', `A foot's bolts stand too near the end of their pad: {${Math.ceil(2 * edge)}} or more`)]
      : []),
    ...(p.notchMm > strip.heightMm / 2
      ? [
          faultOf(
            'notchMm',
            `A notch of {${Math.round(p.notchMm)}} takes more than half of a strip {${Math.round(strip.heightMm)}} high: {${Math.floor(strip.heightMm / 2)}} or less`,
          ),
        ]
      : []),
    ...(apart < FINGERS_MM + strip.widthMm
      ? [faultOf('strips', `Strips stand {${Math.round(apart - strip.widthMm)}} apart: no strap goes between; fewer of them`)]
      : []),
    ...(reach > Math.min(...s.xs.map(s.half)) - 20
      ? [faultOf('leanDeg', 'The legs lean so far in that they meet in the middle: steeper, or lower')]
      : []),
    ...(p.band && p.cornerMm === null
      ? [faultOf('cornerMm', 'The band has no length until the radius of its corners is known: type it')]
      : []),
    ...(p.band && p.cornerMm !== null && 2 * p.cornerMm > side - 2 * 40
      ? [faultOf('cornerMm', `Corners of {${Math.round(p.cornerMm)}} do not fit: {${Math.floor(side / 2 - 40)}} or less`)]
      : []),
    ...(p.band && p.endMm < (p.cornerMm ?? 0) * 0.3 + 20
      ? [faultOf('endMm', 'The end bars stand in the corners of the band: strips farther past them')]
      : []),
    ...footFaults(p.footXMm, line),
  ]
}
