import type { Assembly, Member } from '../assembly/assembly'
import { markOf } from '../assembly/marks'
import { profileOf, profileSection } from '../catalogue/profiles'
import { centreLine, headingAlong, nearestAlong, pointAlong } from '../geometry/centreLine'
import { sectionAxes } from '../geometry/localAxes'
import { along, cross, dot, minus, size, times, turnedWith, unit, type Vec3 } from '../geometry/vec3'
import { Impossible } from '../issue/impossible'
import { degrees, type Radians } from '../quantity/units'
import { type Cope, copeRound, type Meeting } from './cope'

/** How one end of a member is cut. `zero` = the way its template's zero line looks, square to the tube; `lacks` = why the cope could not be worked out. */
export type EndCut =
  | { kind: 'square' | 'cap' }
  | { kind: 'mitre'; angleDeg: number }
  | { kind: 'cope'; onto: string; meeting: Meeting; zero: Vec3; cope: Cope | null; lacks: string | null }

export const endCuts = (m: Member, a: Assembly): [EndCut, EndCut] => [endCut(m, 0, a), endCut(m, 1, a)]

/** Which way a member runs into its end, and where that is. */
export function endRun(m: Member, which: 0 | 1): { at: Vec3; run: Vec3 } {
  const line = which === 0 ? [...m.path].reverse() : m.path
  const at = line[line.length - 1]!
  return { at, run: unit(minus(at, line[line.length - 2] ?? at)) }
}

function endCut(m: Member, which: 0 | 1, a: Assembly): EndCut {
  const end = m.ends[which]
  if (end.kind !== 'cope') return end
  const main = a.members.find((o) => o.id === end.onto)
  const { at, run } = endRun(m, which)
  const onto = markOf(a, end.onto)
  const none: Extract<EndCut, { kind: 'cope' }> = {
    kind: 'cope',
    onto,
    meeting: { main: { kind: 'flat', halfMm: 0 }, angleDeg: 90, offsetMm: 0 },
    zero: { x: 0, y: 0, z: 1 },
    cope: null,
    lacks: `the tube it is coped onto (${onto}) is not there`,
  }
  if (!main) return none
  const met = meetingOf(at, run, main)
  if (!met) return { ...none, lacks: 'the two run the same way: there is nothing to cope' }
  const { shape } = profileOf(m.profileId)
  try {
    if (shape.kind !== 'round') throw new Impossible('a template is worked out for round tube: cut it to the drawing')
    if (met.lacks) throw new Impossible(met.lacks)
    return {
      ...none,
      meeting: met.meeting,
      zero: met.zero,
      cope: copeRound(shape.outsideDiameterMm, shape.wallMm, met.meeting),
      lacks: null,
    }
  } catch (error) {
    if (!(error instanceof Impossible)) throw error
    return { ...none, meeting: met.meeting, zero: met.zero, lacks: error.message }
  }
}

/**
 * How a line running `run` into `at` meets a member: the angle of their centre lines, how far those pass each other, and the direction its zero line faces.
 * Null where both run the same way.
 */
export function meetingOf(at: Vec3, run: Vec3, main: Member): { meeting: Meeting; zero: Vec3; lacks: string | null } | null {
  const line = centreLine(main.path, main.bendRadiiMm)
  const near = nearestAlong(line, at)
  const d = headingAlong(line, near.atMm)
  const cos = dot(run, d)
  const square = along(d, run, -cos)
  if (size(square) < 1e-3) return null
  const zero = unit(square)
  const side = cross(run, zero)
  const angleDeg = degrees(Math.acos(Math.max(-1, Math.min(1, cos))) as Radians)
  const offsetMm = dot(minus(pointAlong(line, near.atMm), at), side)
  const { shape } = profileOf(main.profileId)
  if (shape.kind === 'round')
    return { meeting: { main: { kind: 'round', radiusMm: shape.outsideDiameterMm / 2 }, angleDeg, offsetMm }, zero, lacks: null }
  // which face of a main tube that is not round looks at it
  const axes = sectionAxes(main.path[0]!, main.path[1]!, main.rollDeg)
  const q = along(times(run, Math.sqrt(Math.max(0, 1 - cos * cos))), zero, -cos)
  const s = profileSection(main.profileId)
  const [tall, wide] = [Math.abs(dot(q, axes.height)), Math.abs(dot(q, axes.width))]
  const halfMm = (tall >= wide ? s.heightMm : s.widthMm) / 2
  const lacks = Math.max(tall, wide) < 0.99 ? 'it meets an edge of the tube and no face: turn that tube, or cut it to the drawing' : null
  return { meeting: { main: { kind: 'flat', halfMm }, angleDeg, offsetMm }, zero, lacks }
}

/**
 * How far the second end's zero line is turned from the first's, right-handed about the way the tube runs, carried round its bends without twist. degrees;
 * null where not both ends are coped.
 */
export function turnBetweenCopes(m: Member, [first, second]: [EndCut, EndCut]): number | null {
  if (first.kind !== 'cope' || second.kind !== 'cope') return null
  const carried = carriedAlong(m, first.zero)
  const run = endRun(m, 1).run
  const turned = degrees(Math.atan2(dot(cross(carried, second.zero), run), dot(carried, second.zero)) as Radians)
  return Math.abs(turned) < 1e-9 ? 0 : turned
}

/** A direction square to the first leg as it stands on the last one. */
function carriedAlong(m: Member, from: Vec3): Vec3 {
  const ways = m.path.slice(1).map((p, i) => unit(minus(p, m.path[i]!)))
  return ways.slice(1).reduce((v, way, i) => turnedWith(ways[i]!, way, v), from)
}

/** Where a tube's centre line must end to be coped onto a member that it would otherwise run into: its longest point lies on the main tube's surface. */
export function copedTo(from: Vec3, toAxis: Vec3, profileId: string, main: Member): Vec3 {
  const run = unit(minus(toAxis, from))
  const met = meetingOf(toAxis, run, main)
  const { shape } = profileOf(profileId)
  if (!met || shape.kind !== 'round') return toAxis
  try {
    return along(toAxis, run, -copeRound(shape.outsideDiameterMm, shape.wallMm, met.meeting, 36).setbackMm)
  } catch (error) {
    // its end says why there is no saddle; until then it runs to the middle
    if (!(error instanceof Impossible)) throw error
    return toAxis
  }
}

const round1 = (v: number) => Math.round(v * 10) / 10

export function endCutText(e: EndCut): string {
  switch (e.kind) {
    case 'mitre':
      return `mitre ${e.angleDeg}°`
    case 'cap':
      return 'square, capped'
    case 'cope':
      return `cope onto ${e.onto} at ${round1(Math.min(e.meeting.angleDeg, 180 - e.meeting.angleDeg))}°`
    default:
      return 'square'
  }
}

/** What makes two ends the same cut, whatever they sit on. */
export const endCutKey = (e: EndCut): string =>
  e.kind === 'cope'
    ? `cope ${JSON.stringify([e.meeting.main, round1(e.meeting.angleDeg), round1(e.meeting.offsetMm), e.lacks])}`
    : endCutText(e)
