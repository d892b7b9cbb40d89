import { type Figure, figure, given } from '../figure/figure'
import { type Limit, limit } from '../limits/limit'
import type { Rules } from '../rules/rules'
import type { StrutCurve } from '../strut/strutCurve'
import type { LidStruts } from './lidStruts'
import { handFigure, handRule, holdingFigure, shuttingFigure } from './strutFigures'

/** Whether struts hold their leaf open, stay within their stroke, and what a hand feels. */
export function strutLimits(all: LidStruts[], rules: Rules): Limit[] {
  return all.flatMap(({ struts, leaf, given: as, curve, lacks }): Limit[] => {
    const id = `strut.${struts.moverId}`
    const make = (key: string, says: string, unit: Limit['unit'], used: Figure, allowed: Figure, caution?: string): Limit =>
      limit({
        id: `${id}.${key}`,
        name: `${leaf.mover.name}: ${says}`,
        group: 'rack',
        unit,
        used,
        allowed,
        ref: leaf.mover.moves[0] ?? null,
        pieceId: leaf.mover.pieceId,
        nearRatio: rules.nearRatio,
        ...(caution ? { caution } : {}),
      })
    const [shuts, holds] = [
      { id: `${id}.open.used`, name: 'Moment that shuts it, wide open' },
      { id: `${id}.open.allowed`, name: 'Moment of the struts there, old and in the cold' },
    ]
    const open = (used: Figure, allowed: Figure) =>
      make(
        'open',
        'struts hold it open',
        'N·mm',
        used,
        allowed,
        'Prop it by hand until it is seen to hold: a lid that falls breaks fingers.',
      )
    if (!curve || !as) return [open(unknown(shuts, lacks), unknown(holds, lacks))]
    const worked = { given: as, curve }
    const hand = (key: 'lift' | 'shut', says: string, which: 'open' | 'shut') =>
      make(key, says, 'N', handFigure({ id: `${id}.${key}.used`, name: says }, worked, which), handRule(`${id}.${key}.allowed`, rules))
    const { outOfReach } = curve
    return [
      open(shuttingFigure(shuts, worked), holdingFigure(holds, worked)),
      ...(outOfReach
        ? [make('stroke', `strut ${outOfReach.says} at ${Math.round(outOfReach.deg)}°`, 'mm', ...stroke(id, as, outOfReach))]
        : []),
      hand('lift', 'hand to open it, old struts, cold', 'open'),
      hand('shut', 'hand to shut it, new struts, hot', 'shut'),
    ]
  })
}

const unknown = (of: { id: string; name: string }, lacks: string[]): Figure =>
  figure({ ...of, unit: 'N·mm', formula: 'moments about the hinge', source: 'statics', with: {}, lacks }, () => 0)

/** Where a strut would be longer than it can, its length there against its full one; where shorter, its shortest against the room there is. */
function stroke(id: string, as: { extendedMm: number; strokeMm: number }, out: NonNullable<StrutCurve['outOfReach']>): [Figure, Figure] {
  const between = (key: string) =>
    given({
      id: `${id}.stroke.${key}`,
      name: `Between its ends at ${Math.round(out.deg)}°`,
      unit: 'mm',
      source: 'geometry of its ends',
      symbol: 'L',
      input: [out.lengthMm, 'mm', 'between its ends'],
    })
  const own = (key: string, name: string, strokeMm: number) =>
    figure(
      {
        id: `${id}.stroke.${key}`,
        name,
        unit: 'mm',
        formula: 'L − s',
        source: 'its label',
        with: { L: [as.extendedMm, 'mm', 'full length'], s: [strokeMm, 'mm', 'pushed in'] },
      },
      ({ L, s }) => L - s,
    )
  return out.says === 'too short'
    ? [between('used'), own('allowed', 'Its full length', 0)]
    : [own('used', 'Shortest it can be', as.strokeMm), between('allowed')]
}
