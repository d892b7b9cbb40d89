import { figure, given } from '../figure/figure'
import { type Limit, limit } from '../limits/limit'
import type { Rules } from '../rules/rules'
import type { LidStruts } from './lidStruts'

/** Whether struts hold their leaf open, stay within their stroke, and what a hand feels. */
export function strutLimits(all: LidStruts[], rules: Rules): Limit[] {
  return all.flatMap(({ struts, leaf, curve, lacks }): Limit[] => {
    const name = leaf.mover.name
    const base = { group: 'rack' as const, ref: leaf.mover.moves[0] ?? null, pieceId: leaf.mover.pieceId, nearRatio: rules.nearRatio }
    const id = `strut.${struts.moverId}`
    const holds = limit({
      ...base,
      id: `${id}.open`,
      name: `${name}: struts hold it open`,
      unit: 'N·mm',
      used: figure(
        {
          id: `${id}.closes`,
          name: 'Moment that shuts it, wide open and loaded',
          unit: 'N·mm',
          formula: 'M = Σ m·g·a',
          source: 'statics: moments about the hinge',
          with: { M: [curve?.closesOpenNmm ?? null, 'N·mm', lacks[0] ?? 'masses and their arms'] },
          lacks: lacks.slice(1),
        },
        ({ M }) => Math.max(0, M),
      ),
      allowed: figure(
        {
          id: `${id}.holds`,
          name: 'Moment of the struts there, old and in the cold',
          unit: 'N·mm',
          formula: 'n·F·k·a',
          source: 'label of the strut; its gas by temperature (Gay-Lussac)',
          with: {
            n: [struts.count, '', 'struts'],
            k: [rules.strutKept, '', 'kept of its force'],
            M: [curve?.holdsOpenNmm ?? null, 'N·mm', lacks[0] ?? 'of all together'],
          },
        },
        ({ M }) => Math.max(0, M),
      ),
      caution: 'Prop it by hand until it is seen to hold: a lid that falls breaks fingers.',
    })
    if (!curve) return [holds]
    const hand = (key: string, label: string, n: number) =>
      limit({
        ...base,
        id: `${id}.${key}`,
        name: `${name}: ${label}`,
        unit: 'N',
        used: given({
          id: `${id}.${key}.used`,
          name: label,
          unit: 'N',
          source: 'moments about the hinge, at the edge',
          symbol: 'H',
          input: [n, 'N', label],
        }),
        allowed: given({
          id: `${id}.${key}.allowed`,
          name: 'Most at a lid',
          unit: 'N',
          source: "shop's own",
          symbol: 'H',
          input: [rules.handN, 'N', 'a hand'],
        }),
      })
    const out = curve.outOfReach
    const runs = out
      ? [
          limit({
            ...base,
            id: `${id}.stroke`,
            name: `${name}: strut ${out.says} at ${Math.round(out.deg)}°`,
            unit: 'mm',
            used: given({
              id: `${id}.stroke.used`,
              name: out.says === 'too short' ? 'Length it would have to be' : 'Shortest it can be',
              unit: 'mm',
              source: 'geometry of its ends',
              symbol: 'L',
              input: [out.says === 'too short' ? out.lengthMm : (struts.extendedMm ?? 0) - (struts.strokeMm ?? 0), 'mm', 'there'],
            }),
            allowed: given({
              id: `${id}.stroke.allowed`,
              name: out.says === 'too short' ? 'Its full length' : 'Room between its ends',
              unit: 'mm',
              source: 'its label',
              symbol: 'L',
              input: [out.says === 'too short' ? struts.extendedMm : out.lengthMm, 'mm', 'there'],
            }),
          }),
        ]
      : []
    return [
      holds,
      ...runs,
      hand('lift', 'hand to open it, old struts, cold', curve.mostToOpenN),
      hand('shut', 'hand to shut it, new struts, hot', curve.mostToShutN),
    ]
  })
}
