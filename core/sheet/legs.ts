import { rectangleFrom0 } from '../geometry/polygon'
import type { Point } from '../geometry/vec3'
import { radians } from '../quantity/units'
import { flatPattern } from './flatPattern'
import type { StripFold } from './foldedStrip'

type Sheet = { thicknessMm: number; insideRadiusMm: number; kFactor: number }
/** A strip by its legs, outside lengths to the outer apexes, and the turn between each and the next. mm, degrees */
export type Legs = { legsMm: number[]; turns: { angleDeg: number; side: StripFold['side'] }[]; wideMm: number }
/** Its blank, x along the strip: what is cut, where it is folded, and from where to where each leg stays flat. mm */
export type LegsFlat = { outline: Point[]; folds: StripFold[]; flats: [number, number][]; lengthMm: number }

/** The blank of a strip of legs, by `flatPattern` (Machinery’s Handbook, lengths of sheet-metal bends). */
export function legsFlat({ legsMm, turns, wideMm }: Legs, sheet: Sheet): LegsFlat {
  const flat = flatPattern({
    thickness: sheet.thicknessMm,
    insideRadius: sheet.insideRadiusMm,
    kFactor: sheet.kFactor,
    flanges: legsMm,
    bends: turns.map((t) => ({ angle: t.angleDeg })),
  })
  const zones = flat.bends.map((b, i): [number, number] => [flat.bendLines[i]! - b.allowanceMm / 2, flat.bendLines[i]! + b.allowanceMm / 2])
  return {
    outline: rectangleFrom0(flat.flatLength, wideMm),
    folds: turns.map((t, i) => ({ atMm: flat.bendLines[i]!, ...t })),
    flats: legsMm.map((_, i): [number, number] => [zones[i - 1]?.[1] ?? 0, zones[i]?.[0] ?? flat.flatLength]),
    lengthMm: flat.flatLength,
  }
}

/** What a fold takes of each outside length beside it. mm */
export const setbackMm = (angleDeg: number, s: Pick<Sheet, 'thicknessMm' | 'insideRadiusMm'>): number =>
  (s.insideRadiusMm + s.thicknessMm) * Math.tan(radians(angleDeg) / 2)

type Tool = { leastFlangeT: number; leastRadiusT: number }
const ends = (n: number, i: number): boolean => i === 0 || i === n - 1

/**
 * What cannot be folded so, in words, lengths in braces: an outer leg shorter than the tool holds (so many thicknesses, the shop’s own), a web with nothing left
 * between its folds, a radius tighter than the metal takes, legs that run into one another.
 */
export function legsFaults({ legsMm, turns }: Legs, sheet: Sheet, tool: Tool): string[] {
  if (!turns.length) return []
  const set = turns.map((t) => setbackMm(t.angleDeg, sheet))
  const least = tool.leastFlangeT * sheet.thicknessMm
  return [
    ...legsMm.flatMap((mm, i) => {
      const needs = (set[i - 1] ?? 0) + (set[i] ?? 0) + 1
      const room = ends(legsMm.length, i) ? Math.max(least, needs) : needs
      return mm < room - 1e-9 ? [`a leg of {${Math.round(mm)}} is too short to fold: {${Math.ceil(room)}} or more`] : []
    }),
    ...(sheet.insideRadiusMm < tool.leastRadiusT * sheet.thicknessMm
      ? [
          `an inside radius of {g ${sheet.insideRadiusMm}} in {g ${sheet.thicknessMm}} sheet may crack: {g ${Math.round(tool.leastRadiusT * sheet.thicknessMm * 10) / 10}} or more, or fold an offcut first`,
        ]
      : []),
  ]
}

/** A web that steps by so much from the face of one pad to the same face of the other, turned by so many degrees at each fold: its outside length. mm */
export function webOfStepMm(stepMm: number, angleDeg: number, thicknessMm: number): number {
  const a = radians(angleDeg)
  // along the web from the inner apex of one fold to the outer apex of the other, as in `stepBracket`
  return stepMm / Math.sin(a) + thicknessMm * Math.tan(a / 2)
}
