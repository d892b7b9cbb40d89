import { type Figure, figure, SHOP_RULE, sum } from '../figure/figure'
import { minus, size } from '../geometry/vec3'
import type { TubePart } from '../tube/tubeParts'
import type { BendSheet } from './bendSheet'

const TANGENTS = 'Machinery’s Handbook, 30th ed., arcs and their tangents'
const rad = (deg: number): number => (deg * Math.PI) / 180

/** The cut length of a bent part with its working. mm; unknown while its radius or a saddle is */
export function cutLengthFigure({ member, bent, lacks }: TubePart): Figure {
  const legs = member.path.slice(1).map((p, i) => size(minus(p, member.path[i]!)))
  return figure(
    {
      id: `cut.${member.id}`,
      name: `Cut length of ${member.mark}`,
      unit: 'mm',
      formula: 'L = Σ l − Σ (2·R·tan(A/2) − R·A)',
      source: TANGENTS,
      assumes: [
        'legs run to where their centre lines meet, and to the longest point of a saddled end',
        'the centre line keeps its length in a bend',
      ],
      with: {
        l: legs.map((l, i) => [l, 'mm', `leg ${i + 1}`] as const),
        R: (bent?.bends ?? []).map((b, i) => [b.radiusMm, 'mm', `radius of bend ${i + 1}`] as const),
        A: (bent?.bends ?? []).map((b, i) => [b.angleDeg, '°', `turn of bend ${i + 1}`] as const),
      },
      lacks: lacks ? [lacks] : [],
    },
    ({ l, R, A }) => sum(l) - sum(R.map((r, i) => 2 * r * Math.tan(rad(A[i]!) / 2) - r * rad(A[i]!))),
  )
}

/** Where a bend begins along the straight tube. mm */
export function markFigure(mark: string, sheet: BendSheet, number: number): Figure {
  const before = sheet.steps.slice(0, number - 1)
  return figure(
    {
      id: `mark.${mark}.${number}`,
      name: `Mark of bend ${number} on ${mark}`,
      unit: 'mm',
      formula: 'x = Σ s + Σ R·A',
      source: TANGENTS,
      assumes: [`counted from the ${sheet.from} end`],
      with: {
        s: sheet.straightsMm.slice(0, number).map((s, i) => [s, 'mm', `straight ${i + 1}`] as const),
        R: [sheet.radiusMm, 'mm', 'centre-line radius of the die'],
        A: before.map((b) => [b.angleDeg, '°', `turn of bend ${b.number}`] as const),
      },
    },
    ({ s, R, A }) => sum(s) + sum(A.map((a) => R * rad(a))),
  )
}

/** What a bend is pulled to, by the trials of its die. degrees; unknown while nobody has tried it */
export function pullFigure(sheet: BendSheet, number: number): Figure {
  const step = sheet.steps[number - 1]
  const trials = sheet.die?.trials ?? []
  return figure(
    {
      id: `pull.${number}`,
      name: `Bend ${number} is pulled to`,
      unit: '°',
      formula: 'P = A·(1 + mean of (p − c)/c)',
      source: `${SHOP_RULE}: trial bends of this die`,
      assumes: ['a bend springs back by a share of itself'],
      with: {
        A: [step?.angleDeg ?? null, '°', 'turn wanted'],
        p: trials.map((t) => [t.pulledDeg, '°', `pulled to, ${t.on}`] as const),
        c: trials.map((t) => [t.cameDeg, '°', `came back to, ${t.on}`] as const),
      },
      lacks: sheet.die ? (trials.length ? [] : ['a trial bend of this die']) : ['a die for this tube and radius'],
    },
    ({ A, p, c }) => A * (1 + sum(p.map((v, i) => (v - c[i]!) / c[i]!)) / p.length),
  )
}
