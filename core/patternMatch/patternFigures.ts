import { type Figure, figure } from '../figure/figure'
import type { PatternHole, PatternMatch } from './patternMatch'

/** What is left of the play in the tightest pair of a way that two patterns fit. mm */
export function playFigure(m: PatternMatch, one: PatternHole[], other: PatternHole[], boltMm: number): Figure {
  const left = ({ one: a, other: b, offMm }: PatternMatch['pairs'][number]): number =>
    (one[a]!.diameterMm - boltMm) / 2 + (other[b]!.diameterMm - boltMm) / 2 - offMm
  const tight = m.pairs.reduce((t, p) => (left(p) < left(t) ? p : t))
  return figure(
    {
      id: `pattern.play.${tight.one}.${tight.other}`,
      name: 'Play left in the tightest pair',
      unit: 'gauge',
      formula: 's = (d₁ − d)/2 + (d₂ − d)/2 − e',
      source: 'geometry of a bolt in two holes; holes as measured, Bought parts',
      with: {
        d1: [one[tight.one]!.diameterMm, 'gauge', `hole ${tight.one + 1} of the first`],
        d2: [other[tight.other]!.diameterMm, 'gauge', `hole ${tight.other + 1} of the second`],
        d: [boltMm, 'gauge', 'bolt'],
        e: [tight.offMm, 'gauge', 'middles apart'],
      },
    },
    ({ d1, d2, d, e }) => (d1 - d) / 2 + (d2 - d) / 2 - e,
  )
}
