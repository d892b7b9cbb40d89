import { edgeMm, pitchMm } from '../../adapter/adapterFigures'
import { boltSizes } from '../../catalogue/bolts'
import { along, dot, minus, type Point, type Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import { counted } from '../../quantity/counted'
import type { Rules } from '../../rules/rules'
import { legsFaults } from '../../sheet/legs'
import { sheetOf } from '../foldedParts'
import { faultOf } from '../parts'
import type { Base } from './base'
import type { BracketsParams } from './params'
import { type BracketBlank, boltOneOf, type Group, type HeldBox, leastLegMm, legsOf, type Stood } from './shape'

const up = (mm: number): string => `{${Math.ceil(mm - 1e-6)}}`
const round = (mm: number): number => Math.round(mm * 10) / 10

/** What is wrong with brackets where they stand, in words. */
export function faults(p: BracketsParams, base: Base, blank: BracketBlank, stands: Stood[], box: HeldBox, rules: Rules): Issue[] {
  const legs = legsOf(p, base)
  const folded = legs ? legsFaults(legs, sheetOf(p, rules), rules) : []
  return [
    ...folded.map((s) => faultOf(p.form === 'clamp' ? 'legMm' : p.form === 'step' ? 'stepMm' : 'padMm', `The bracket: ${s}`)),
    ...blank.faults.map((s) => faultOf('shiftXMm', `The plate: ${s}`)),
    ...(legs ? [...(blank.clampBolts ? [] : inPad(p, blank, base, 'one')), ...inPad(p, blank, base, 'other')] : []),
    ...(blank.clampBolts ? clampFaults(p, base) : covered(p, base, stands, box)),
    ...tight(p),
    ...onBase(p, base, blank),
    ...stations(p, base, blank),
    ...(stands.length > 1 && stands[0] && Math.abs(dot(stands[0].out, base.way)) > 0.7
      ? [faultOf('runs', 'They hold along what they stand on, one behind another: let them run across it, or leave one')]
      : []),
  ]
}

/** A side whose holes have no room in its leg: to the fold, to its edges, to one another. */
function inPad(p: BracketsParams, blank: BracketBlank, base: Base, which: 'one' | 'other'): Issue[] {
  const group = blank[which]
  const size = which === 'one' ? boltOneOf(p, base) : p.boltOther
  const edge = edgeMm(size)
  const [from, to] = blank.flats[group.leg]!
  const xs = group.at.map((q) => q.x)
  const ys = group.at.map((q) => q.y)
  // a washer lies flat beside the fold, and the free end has its edge
  const lacksX = Math.max(from + edge - Math.min(...xs), Math.max(...xs) + edge - to)
  const lacksY = Math.max(edge - Math.min(...ys), Math.max(...ys) + edge - blank.wideMm)
  const key = which === 'one' ? 'padMm' : p.form === 'clamp' ? 'wideMm' : 'holdMm'
  const legMm = which === 'one' ? p.padMm : p.holdMm
  const name = which === 'one' ? 'The leg on what it stands on' : 'The leg that holds'
  return [
    ...(lacksX > 0.01
      ? [
          p.form === 'clamp'
            ? faultOf('other', `The holes of what it holds have no room on the clamp: {${Math.ceil(lacksX)}} too long on each side`)
            : faultOf(key, `${name} has no room for its bolts beside the fold: ${up(legMm + lacksX)} or more`),
        ]
      : []),
    ...(lacksY > 0.01 ? [faultOf('wideMm', `Its bolts stand too near the long edge: ${up(blank.wideMm + 2 * lacksY)} wide or more`)] : []),
    ...nearOne(group, pitchMm([size]), which),
  ]
}

function nearOne({ at }: Group, leastMm: number, which: 'one' | 'other'): Issue[] {
  const off = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y)
  const least = Math.min(...at.flatMap((a, i) => at.slice(i + 1).map((b) => off(a, b))))
  return least < leastMm - 1e-6 ? [faultOf(which, `Two holes stand {g ${round(least)}} apart: {g ${round(leastMm)}} or more`)] : []
}

/** A bolt does not go into the hole of the part that it is meant for. */
function tight(p: BracketsParams): Issue[] {
  const d = boltSizes[p.boltOther].diameterMm
  const small = Math.min(...p.other.holes.map((h) => h.diameterMm))
  return small < d ? [faultOf('boltOther', `A bolt ${p.boltOther} does not go into a hole of {g ${round(small)}} of what it holds`)] : []
}

/** A bolt’s head with its washer stands so high over the sheet, in bolts across (ISO 4017, ISO 7089). */
const HEAD_D = 0.85
/** A countersunk head is so deep, in bolts across (ISO 10642), and leaves so much sheet under it; that the shop’s own, mm */
const SUNK_D = 0.55
const LEFT_MM = 0.5
/** Heads that what is held lies on: they are sunk, or it does not lie down. */
function covered(p: BracketsParams, base: Base, stands: Stood[], box: HeldBox): Issue[] {
  const d = boltSizes[boltOneOf(p, base)].diameterMm
  const inside = (v: Vec3) =>
    box.sides.every(({ way, mm }) => Math.abs(dot(minus(v, box.middle), way)) < mm / 2 + (Math.abs(dot(way, base.out)) > 0.7 ? 0 : d))
  const heads = stands.flatMap((s) => s.feet.map((f) => along(f, base.out, p.thicknessMm + HEAD_D * d)))
  const n = heads.filter(inside).length
  // a sunk head as deep as the sheet or deeper leaves no metal under it
  if (p.sunk)
    return p.thicknessMm < SUNK_D * d + LEFT_MM
      ? [faultOf('sunk', `A sunk head goes {g ${round(SUNK_D * d)}} deep: sheet of {g ${round(SUNK_D * d + LEFT_MM)}} or more`)]
      : []
  return n
    ? [
        faultOf(
          'sunk',
          `What it holds lies on ${counted(n, 'head')} of the bolts under it: sink them, and put them in first, or move it off them`,
        ),
      ]
    : []
}

function clampFaults(p: BracketsParams, base: Base): Issue[] {
  const least = leastLegMm(p, base)
  return [
    ...(p.legMm < least - 0.01
      ? [faultOf('legMm', `The legs do not reach under their bar with room for the bolt: ${up(least)} or more`)]
      : []),
    ...(base.member ? [] : [faultOf('form', 'A clamp goes round a tube of another piece: choose another form, or stand it on one')]),
    ...(p.wideMm < 2 * edgeMm(p.boltOne)
      ? [faultOf('wideMm', `Its bolt stands too near the edges: ${up(2 * edgeMm(p.boltOne))} wide or more`)]
      : []),
  ]
}

/** Holes that miss the tube they are meant for, and a plate on a round one. */
function onBase(p: BracketsParams, base: Base, blank: BracketBlank): Issue[] {
  if (p.form === 'clamp') return []
  if (base.round) return [faultOf('form', 'A flat leg does not lie on a round tube: make it a clamp')]
  if (base.wideMm !== null) {
    const across = Math.abs(dot(base.runs, base.way)) > 0.5 ? 'y' : 'x'
    const of = blank.one.at.map((q) => q[across])
    const needs = Math.max(...of) - Math.min(...of) + 2 * 1.2 * blank.one.diameterMm
    return needs > base.wideMm + 0.01
      ? [
          faultOf(
            'one',
            `Its holes come too near the edges of a tube so narrow: {${round(needs)}} are needed across it, and {${round(base.wideMm)}} are there; one row along it`,
          ),
        ]
      : []
  }
  return []
}

function stations(p: BracketsParams, base: Base, blank: BracketBlank): Issue[] {
  // as much as one takes of the line, on the high side where it runs along it
  const ownMm = Math.abs(dot(base.runs, base.way)) > 0.5 && !blank.clampBolts ? blank.flats[0]![1] : blank.wideMm
  const sorted = [...p.atMm].sort((a, b) => a - b)
  const { place } = base
  const points = place?.pointsMm
  return [
    ...(sorted.some((x) => x > base.lengthMm + 0.5)
      ? [faultOf('atMm', `A bracket stands past the end of what they are bolted to, which is {${Math.floor(base.lengthMm)}} long`)]
      : []),
    ...(points && sorted.some((x) => Math.min(...points.map((q) => Math.abs(q - x))) > 1)
      ? [
          faultOf(
            'atMm',
            `${place.place.name} takes bolts at ${counted(points.length, 'place')} only: ${points
              .slice(0, 12)
              .map((q) => `{${round(q)}}`)
              .join(', ')}`,
          ),
        ]
      : []),
    ...(sorted.some((x, i) => i > 0 && x - sorted[i - 1]! < ownMm)
      ? [faultOf('atMm', `Two brackets stand in one another: ${up(ownMm)} apart or more`)]
      : []),
  ]
}
