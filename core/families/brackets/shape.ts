import { adapter } from '../../adapter/adapter'
import { edgeMm } from '../../adapter/adapterFigures'
import type { Face, Fold, Pose } from '../../assembly/assembly'
import { onPlate, plateNormal } from '../../assembly/places'
import { locatedHoleMm, threads } from '../../boltHoles/boltHoles'
import { footTypes } from '../../catalogue/mounts'
import { leverMm } from '../../fasten/boltGroup'
import { ROWS_APART_MM } from '../../fasten/footPull'
import type { Hole } from '../../geometry/hole'
import { turns } from '../../geometry/quarterTurn'
import { along, cross, dot, type Point, plus, times, type Vec3 } from '../../geometry/vec3'
import type { Rules } from '../../rules/rules'
import { placedFaces } from '../../sheet/folded'
import { foldedStrip } from '../../sheet/foldedStrip'
import { type Legs, legsFlat, webOfStepMm } from '../../sheet/legs'
import { sheetOf } from '../foldedParts'
import { type Base, rowOf } from './base'
import type { BracketsParams } from './params'

/** Bolts of one side: their middles on the blank, the hole that each takes, and on which leg they stand. mm */
export type Group = { at: Point[]; diameterMm: number; leg: number }
/** One bracket as it is cut, x along the strip from its first free end. mm */
export type BracketBlank = {
  outline: Point[]
  holes: Hole[]
  folds: ReturnType<typeof legsFlat>['folds']
  flats: [number, number][]
  wideMm: number
  one: Group
  other: Group
  /** bolts of a clamp through both of its legs; 0 = it is no clamp */
  clampBolts: number
  /** what the plate of two patterns has to say, lengths in braces */
  faults: string[]
}

/** Its legs by their outside lengths; a flat one has none. */
export function legsOf(p: BracketsParams, base: Base | null): Legs | null {
  const { wideMm, thicknessMm: t } = p
  switch (p.form) {
    case 'flat':
      return null
    case 'angle':
      return { wideMm, legsMm: [p.padMm, p.holdMm], turns: [{ angleDeg: p.angleDeg, side: 'up' }] }
    case 'step':
      return {
        wideMm,
        legsMm: [p.padMm, webOfStepMm(p.stepMm, p.webDeg, t), p.holdMm],
        turns: [
          { angleDeg: p.webDeg, side: 'up' },
          { angleDeg: p.webDeg, side: 'down' },
        ],
      }
    case 'clamp':
      return {
        wideMm,
        legsMm: [p.legMm, gapOf(p, base) + 2 * t, p.legMm],
        turns: [
          { angleDeg: 90, side: 'up' },
          { angleDeg: 90, side: 'up' },
        ],
      }
  }
}
/** Between the legs of a clamp: the bar, and its lining on both sides. mm */
export const gapOf = (p: BracketsParams, base: Base | null): number => (base?.wideMm ?? 40) + 2 * p.liningMm

/** The hole in the bracket: a normal clearance hole; where it is set out on the vehicle larger by twice what that may be off. mm */
const oneHoleMm = (p: BracketsParams, base: Base, rules: Rules): number =>
  base.place ? locatedHoleMm(footTypes[base.place.kind].bolt.size, rules.holeErrorMm) : threads[p.boltOne].normalMm
/** Which bolt holds it on what it stands on. */
export const boltOneOf = (p: BracketsParams, base: Base) => (base.place ? footTypes[base.place.kind].bolt.size : p.boltOne)

/** The first pattern: a foot’s own row along its line, one hole at a fixed point, else as it was given. mm */
function patternOne(p: BracketsParams, base: Base, diameterMm: number): { xMm: number; yMm: number; diameterMm: number }[] {
  if (!base.place) return p.one.holes
  if (base.place.kind === 'point') return [{ xMm: 0, yMm: 0, diameterMm }]
  const row = rowOf(base.place.kind)
  if (row === null) return p.one.holes.map((h) => ({ ...h, diameterMm: Math.max(h.diameterMm, diameterMm) }))
  const alongStrip = Math.abs(dot(base.runs, base.way)) > 0.5
  return Array.from({ length: row }, (_, i) =>
    alongStrip ? { xMm: i * ROWS_APART_MM, yMm: 0, diameterMm } : { xMm: 0, yMm: i * ROWS_APART_MM, diameterMm },
  )
}

export function blankOf(p: BracketsParams, base: Base, rules: Rules): BracketBlank {
  const diameterMm = oneHoleMm(p, base, rules)
  const legs = legsOf(p, base)
  const pattern = patternOne(p, base, diameterMm)
  const otherMm = threads[p.boltOther].normalMm
  if (!legs) return flatBlank(p, base, pattern, diameterMm)
  const flat = legsFlat(legs, sheetOf(p, rules))
  const middle = p.wideMm / 2
  const edges = { one: edgeMm(boltOneOf(p, base)), other: edgeMm(p.boltOther) }
  const last = legs.legsMm.length - 1
  const holds = p.form === 'clamp' ? 1 : last
  const [from, to] = flat.flats[holds]!
  const held = centred(p.other.holes)
  const reach = Math.max(...held.map((h) => h.x))
  const otherX = p.form === 'clamp' ? (from + to) / 2 : to - edges.other - reach
  const other: Group = { leg: holds, diameterMm: otherMm, at: held.map((h) => ({ x: otherX + h.x, y: middle + h.y })) }
  const clampBolts = p.form === 'clamp' ? (p.wideMm >= 2 * edges.one + 2.4 * threads[p.boltOne].normalMm ? 2 : 1) : 0
  const one: Group =
    p.form === 'clamp' ? clampHoles(p, base, flat, clampBolts, edges.one) : firstPad(pattern, edges.one, middle, diameterMm)
  return {
    outline: flat.outline,
    folds: flat.folds,
    flats: flat.flats,
    wideMm: p.wideMm,
    one,
    other,
    clampBolts,
    holes: [...one.at.map((at) => ({ at, diameterMm: one.diameterMm })), ...other.at.map((at) => ({ at, diameterMm: other.diameterMm }))],
    faults: [],
  }
}

/** About its own middle. mm */
function centred(holes: { xMm: number; yMm: number }[]): Point[] {
  const mid = (of: 'xMm' | 'yMm') => (Math.min(...holes.map((h) => h[of])) + Math.max(...holes.map((h) => h[of]))) / 2
  const [x, y] = [mid('xMm'), mid('yMm')]
  return holes.map((h) => ({ x: h.xMm - x, y: h.yMm - y }))
}
function firstPad(pattern: { xMm: number; yMm: number }[], edge: number, middle: number, diameterMm: number): Group {
  const own = centred(pattern)
  const low = Math.min(...own.map((h) => h.x))
  return { leg: 0, diameterMm, at: own.map((h) => ({ x: edge + h.x - low, y: middle + h.y })) }
}

/** From the web’s outside down past the bar, lined above and below. mm */
const underMm = (p: BracketsParams, base: Base): number => p.thicknessMm + 2 * p.liningMm + (base.deepMm ?? 40)
/** Legs that still hold their bolt under the bar. mm */
export const leastLegMm = (p: BracketsParams, base: Base): number => underMm(p, base) + threads[p.boltOne].normalMm / 2 + edgeMm(p.boltOne)
/** Just under the bar, through both legs. */
function clampHoles(p: BracketsParams, base: Base, flat: ReturnType<typeof legsFlat>, bolts: number, edge: number): Group {
  const d = threads[p.boltOne].normalMm
  const down = underMm(p, base) + d / 2
  const ys = bolts > 1 ? [edge, p.wideMm - edge] : [p.wideMm / 2]
  const xs = [p.legMm - down, flat.lengthMm - (p.legMm - down)]
  return { leg: 0, diameterMm: d, at: xs.flatMap((x) => ys.map((y) => ({ x, y }))) }
}

function flatBlank(
  p: BracketsParams,
  base: Base,
  pattern: { xMm: number; yMm: number; diameterMm: number }[],
  diameterMm: number,
): BracketBlank {
  const made = adapter({
    one: { holes: pattern, lengthMm: null, widthMm: null },
    other: { holes: p.other.holes, lengthMm: null, widthMm: null },
    ...{
      boltOne: boltOneOf(p, base),
      boltOther: p.boltOther,
      turnDeg: turns.find((t) => String(t) === p.turned) ?? 0,
      shiftXMm: p.shiftXMm,
      shiftYMm: p.shiftYMm,
    },
  })
  const of = (which: 'one' | 'other', mm: number): Group => ({
    leg: 0,
    diameterMm: mm,
    at: made.holes.filter((h) => h.of === which).map((h) => h.at),
  })
  const [one, other] = [of('one', diameterMm), of('other', threads[p.boltOther].normalMm)]
  return {
    outline: made.outline,
    folds: [],
    flats: [[0, made.lengthMm]],
    wideMm: made.widthMm,
    one,
    other,
    clampBolts: 0,
    holes: [one, other].flatMap((g) => g.at.map((at) => ({ at, diameterMm: g.diameterMm }))),
    faults: made.faults,
  }
}

const middleOfGroup = ({ at }: Group): Point => ({
  x: (Math.min(...at.map((q) => q.x)) + Math.max(...at.map((q) => q.x))) / 2,
  y: (Math.min(...at.map((q) => q.y)) + Math.max(...at.map((q) => q.y))) / 2,
})

/** One bracket as it stands: its faces, its bolts on what it lies on, and where and which way it holds. mm */
export type Stood = {
  pose: Pose
  bends: Fold[]
  faces: Face[]
  /** on the face of what it stands on */
  foot: Vec3
  feet: Vec3[]
  /** on its own face that holds */
  hold: Vec3
  holds: Vec3[]
  out: Vec3
}

export function stood(p: BracketsParams, base: Base, blank: BracketBlank, atMm: number, rules: Rules): Stood {
  const on = along(base.at, base.way, atMm)
  const pose = p.form === 'clamp' ? clampPose(p, base, on) : padPose(base, blank, on)
  const strip = foldedStrip({ outline: blank.outline, holes: blank.holes, folds: blank.folds, ...sheetOf(p, rules) })
  const faces = placedFaces(strip.faces, pose)
  const legs = faces.filter((f) => !f.bend)
  const leg = legs[blank.other.leg]!
  const [start] = blank.flats[blank.other.leg]!
  const inLeg = (q: Point): Vec3 => onPlate(leg, { x: q.x - start, y: q.y })
  // a clamp’s thickness lies inwards, a foot’s away from what it stands on
  const inside = (p.lies === 'over') !== (p.form === 'clamp')
  const out = times(plateNormal(leg), inside ? 1 : -1)
  const skin = inside ? p.thicknessMm : 0
  const lifted = (v: Vec3) => along(v, out, skin)
  return {
    pose,
    bends: strip.bends,
    faces,
    foot: on,
    feet: p.form === 'clamp' ? [on] : blank.one.at.map((q) => onPlate({ pose }, q)),
    hold: lifted(inLeg(middleOfGroup(blank.other))),
    holds: blank.other.at.map((q) => lifted(inLeg(q))),
    out,
  }
}

/** Its first pattern’s middle on the place, its thickness away from it. */
function padPose(base: Base, blank: BracketBlank, on: Vec3): Pose {
  const up = cross(base.out, base.runs)
  const c = middleOfGroup(blank.one)
  return { origin: along(along(on, base.runs, -c.x), up, -c.y), along: base.runs, up }
}

/** Its web over the face, one leg on each side of the bar; the strip begins at the end of the first leg. */
function clampPose(p: BracketsParams, base: Base, on: Vec3): Pose {
  const over = cross(base.out, base.way)
  const up = cross(over, base.out)
  const corner = along(on, over, -(gapOf(p, base) / 2 + p.thicknessMm))
  const end = along(corner, base.out, p.liningMm + p.thicknessMm - p.legMm)
  return { origin: along(end, up, -p.wideMm / 2), along: base.out, up }
}

/** How far apart two bolts would stand that turn it over no worse: of the pad, and no wider than what it lies on. mm */
export function leverOf(group: Group, blank: BracketBlank, base: Base | null): number {
  const [from, to] = blank.flats[group.leg]!
  const across = base ? Math.abs(dot(base.runs, base.way)) > 0.5 : false
  const most = base?.wideMm ?? Number.POSITIVE_INFINITY
  return leverMm({
    at: group.at,
    padXMm: Math.min(to - from, across ? Number.POSITIVE_INFINITY : most),
    padYMm: Math.min(blank.wideMm, across ? most : Number.POSITIVE_INFINITY),
  })
}

export const meanOf = (places: Vec3[]): Vec3 => times(places.reduce(plus, { x: 0, y: 0, z: 0 }), 1 / places.length)

/** What they hold, as a box turned with them. mm */
export type HeldBox = { middle: Vec3; sides: { way: Vec3; mm: number }[] }
/** Its length along what the brackets stand on; where they face along that, across it. */
export function heldBox(p: BracketsParams, base: Base, stands: Stood[]): HeldBox {
  const { out } = stands[0]!
  const long = Math.abs(dot(out, base.way)) < 0.7 ? base.way : cross(base.out, base.way)
  return {
    middle: along(meanOf(stands.map((s) => s.hold)), out, p.deepMm / 2),
    sides: [
      { way: long, mm: p.lengthMm },
      { way: out, mm: p.deepMm },
      { way: cross(out, long), mm: p.highMm },
    ],
  }
}
