import { type Figure, figure, SHOP_RULE, sum } from '../figure/figure'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { type StrutCurve, type StrutGiven, type StrutPoint, shutsByMm, warmth } from '../strut/strutCurve'

type Worked = { given: StrutGiven; curve: StrutCurve }
const STATICS = 'statics: moments about the hinge'
const at = (p: StrutPoint): string => `at ${Math.round(p.deg)}°`
type Named = { id: string; name: string }

/** Σ m·g·a of the leaf at a point, with its load or without, whichever is worse. N·mm, less than 0 = it opens the leaf */
function closing({ given }: Worked, p: StrutPoint, worse: 'most' | 'least') {
  const loaded = p.closes.loaded >= p.closes.empty === (worse === 'most')
  const masses = loaded ? given.loaded : given.empty
  return {
    nmm: loaded ? p.closes.loaded : p.closes.empty,
    says: loaded ? 'with all it carries' : 'with nothing on it',
    m: masses.map((m) => [m.kg, 'kg', 'mass'] as const),
    a: masses.map((m) => [shutsByMm(m, p.deg, given.gravity), 'mm', `its lever ${at(p)}`] as const),
  }
}

/** What shuts the leaf wide open: its masses, and struts that have gone past the hinge and draw it shut. N·mm */
export function shuttingFigure(of: Named, w: Worked): Figure {
  const p = w.curve.governs.open
  const { m, a, says } = closing(w, p, 'most')
  return figure(
    {
      ...of,
      unit: 'N·mm',
      formula: 'M = max(0, 9.80665·Σ m·a + d)',
      source: STATICS,
      assumes: [says],
      with: { m, a, d: [Math.max(0, -p.opens.hot, -p.opens.cold), 'N·mm', 'by which struts draw it shut'] },
    },
    (v) => Math.max(0, G_M_S2 * sum(v.m.map((kg, i) => kg * v.a[i]!)) + v.d),
  )
}

/** n·F·s of the struts wide open, old ones in the cold. N·mm */
export function holdingFigure(of: Named, { given, curve }: Worked): Figure {
  const p = curve.governs.open
  return figure(
    {
      ...of,
      unit: 'N·mm',
      formula: 'S = max(0, n·F·(1 + (q − 1)·x)·t·k·s)',
      source: `${STATICS}; gas by temperature (Gay-Lussac); q and k: ${SHOP_RULE}`,
      assumes: [`struts old and cold, ${given.coldC} °C`],
      with: {
        n: [given.count, '', 'struts'],
        F: [given.forceN, 'N', 'force of one, on its label'],
        q: [given.progression, '', 'pushed right in, times'],
        x: [p.pushedIn, '', `share it is pushed in ${at(p)}`],
        t: [warmth(given.coldC), '', 'for its temperature'],
        k: [given.kept, '', 'of its force kept'],
        s: [p.armMm, 'mm', `its lever ${at(p)}`],
      },
    },
    ({ n, F, q, x, t, k, s }) => Math.max(0, n * F * (1 + (q - 1) * x) * t * k * s),
  )
}

/** What a hand feels at the edge of the leaf: what it lifts at most to open it, or pulls to shut it. N */
export function handFigure(of: Named, w: Worked, which: 'open' | 'shut'): Figure {
  const p = which === 'open' ? w.curve.governs.toOpen : w.curve.governs.toShut
  return atEdge(of, w, p, which)
}

/** What struts that are new and hot push at the edge of the shut leaf, against its latch. N */
export const latchFigure = (id: string, w: Worked): Figure => atEdge({ id, name: 'Push at the latch, shut' }, w, w.curve.points[0]!, 'shut')

function atEdge(of: Named, w: Worked, p: StrutPoint, which: 'open' | 'shut'): Figure {
  const open = which === 'open'
  const { nmm, says } = closing(w, p, open ? 'most' : 'least')
  return figure(
    {
      ...of,
      unit: 'N',
      formula: open ? 'H = max(0, (M − S) / R)' : 'H = max(0, (S − M) / R)',
      source: STATICS,
      assumes: [says, open ? `struts old and cold, ${w.given.coldC} °C` : `struts new and hot, ${w.given.hotC} °C`],
      with: {
        M: [nmm, 'N·mm', `shuts it ${at(p)}`],
        S: [open ? p.opens.cold : p.opens.hot, 'N·mm', `struts open it ${at(p)}`],
        R: [w.given.handOutMm, 'mm', 'hinge to the edge'],
      },
    },
    ({ M, S, R }) => Math.max(0, (open ? M - S : S - M) / R),
  )
}

/** What both hinges together bear at worst: the struts' push and the weight, as forces along the shut leaf and square to it. N */
export const hingeFigure = (id: string, w: Worked): Figure => {
  const p = w.curve.governs.hinge
  return figure(
    {
      id,
      name: `All hinges together, ${at(p)}`,
      unit: 'N',
      formula: 'R = √((F₁ + W₁)² + (F₂ + W₂)²)',
      source: 'statics: forces in balance',
      assumes: [`struts new and hot, ${w.given.hotC} °C`, 'with its load or without, whichever is worse'],
      with: {
        'F₁': [p.push.out, 'N', 'push of the struts, along the shut leaf'],
        'F₂': [p.push.up, 'N', 'push of the struts, square to it'],
        'W₁': [p.weight.out, 'N', 'weight, along the shut leaf'],
        'W₂': [p.weight.up, 'N', 'weight, square to it'],
      },
    },
    (v) => Math.hypot(v['F₁'] + v['W₁'], v['F₂'] + v['W₂']),
  )
}

/** The most that a hand should have to do at a lid. N */
export const handRule = (id: string, rules: Rules): Figure =>
  figure({ id, name: 'Most at a lid', unit: 'N', formula: 'H', source: SHOP_RULE, with: { H: [rules.handN, 'N', 'a hand'] } }, ({ H }) => H)
