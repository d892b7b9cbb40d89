import { profileSection } from '../../catalogue/profiles'
import type { Hole } from '../../geometry/hole'
import { radians } from '../../quantity/units'
import type { Rules } from '../../rules/rules'
import { type Legs, legsFlat, setbackMm, webOfStepMm } from '../../sheet/legs'
import { equalPositions } from '../../spacing/spacing'
import { type MountLine, mountHalfWidthMm } from '../../vehicle/vehicle'
import { sheetOf } from '../foldedParts'
import type { LatticeParams } from './params'

/** The outer strips stand so far in from the ends of the bars that a torch comes between them and the band. Shop's own, mm */
const EDGE_STRIP_MM = 75

/** One leg by its legs' outside lengths. mm, degrees */
export const legOf = (p: LatticeParams): Legs => ({
  wideMm: p.legWideMm,
  legsMm: [p.padMm, webOfStepMm(p.riseMm, 90 - p.leanDeg, p.thicknessMm), p.topMm],
  turns: [
    { angleDeg: 90 - p.leanDeg, side: 'up' },
    { angleDeg: 90 - p.leanDeg, side: 'down' },
  ],
})

/** Where everything of it stands. mm, vehicle axes */
export type LatticeShape = {
  xs: number[]
  seatZ: number
  half: (x: number) => number
  barZ: number
  barTopZ: number
  barHalf: number
  stripZ: number
  /** its upper edge level with the strips' */
  bandZ: number
  stripTopZ: number
  rearX: number
  frontX: number
  /** where the halves of the band meet: between two bars */
  jointX: number
  stripYs: number[]
  /** of a leg, from the middle of its bolts inwards: where its top pad begins and ends, and the middle of its bolts there */
  top: { fromMm: number; toMm: number; middleMm: number }
}

export function latticeShape(p: LatticeParams, line: MountLine, rules: Rules): LatticeShape {
  const xs = [...p.footXMm].sort((a, b) => a - b)
  const half = (x: number) => Math.max(80, mountHalfWidthMm(line, x))
  const bar = profileSection(p.barProfileId)
  const strip = profileSection(p.stripProfileId)
  const barBottom = line.zMm + p.riseMm + p.thicknessMm
  const barTopZ = barBottom + bar.heightMm
  const stripZ = barTopZ - p.notchMm + strip.heightMm / 2
  const top = topPad(p, rules)
  // one length of bar for all: legs that stand nearer the middle reach under it where they are
  const barHalf = Math.max(...xs.map((x) => half(x) - top.fromMm)) + p.pastMm
  const out = barHalf - EDGE_STRIP_MM
  return {
    ...{ xs, seatZ: line.zMm, half, barZ: barBottom + bar.heightMm / 2, barTopZ, barHalf },
    ...{ stripZ, stripTopZ: stripZ + strip.heightMm / 2, top },
    bandZ: stripZ + strip.heightMm / 2 - profileSection(p.bandProfileId).heightMm / 2,
    rearX: xs[0]! - p.endMm,
    frontX: xs[xs.length - 1]! + p.endMm,
    jointX: (xs[(xs.length >> 1) - 1]! + xs[xs.length >> 1]!) / 2,
    stripYs: equalPositions(-out, out, p.strips),
  }
}

/** Level distances along a leg from the middle of its foot's bolts: its web leans in over them. mm */
function topPad(p: LatticeParams, rules: Rules): LatticeShape['top'] {
  const turn = 90 - p.leanDeg
  const back = setbackMm(turn, sheetOf(p, rules))
  const foot = p.padMm - footMm(p)
  // outer apex to outer apex of the web, level
  const web = webOfStepMm(p.riseMm, turn, p.thicknessMm) * Math.cos(radians(turn))
  const apex = foot + web - p.thicknessMm * Math.sin(radians(turn))
  const [fromMm, toMm] = [apex + back * Math.cos(radians(turn)), apex + p.topMm]
  return { fromMm, toMm, middleMm: (apex + back + toMm) / 2 }
}
/** The foot's bolts stand so far from the free end of their pad. mm */
export const footMm = (p: LatticeParams): number => Math.min(p.padMm / 2, 25)

/** Its blank, with the holes of its foot and of its bar. mm */
export function legBlank(p: LatticeParams, rules: Rules, holes: { foot: Hole[]; topMm: number | null; topHoleMm: number }) {
  const flat = legsFlat(legOf(p), sheetOf(p, rules))
  const [from, to] = flat.flats[2]!
  const middle = (from + to) / 2
  const apart = holes.topMm
  const top =
    apart === null ? [] : [-0.5, 0.5].map((k) => ({ at: { x: middle + k * apart, y: p.legWideMm / 2 }, diameterMm: holes.topHoleMm }))
  return { ...flat, holes: [...holes.foot, ...top] }
}
