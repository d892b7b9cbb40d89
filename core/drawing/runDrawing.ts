import type { CutRun } from '../cutRun/cutRun'
import type { TableRan } from '../outside/plasmaTable'
import { bounds, box, type Entity, type Sheet } from './sheet'

/** A ring round a pierce, and round a spot that would be spoilt. mm at full size */
const PIERCE_MM = 3
const SPOT_MM = 18

/** Where the torch comes onto each line, and what would be spoilt. */
export const runMarks = (run: CutRun): Entity[] => [
  ...run.passes.flatMap((p): Entity[] => [
    { kind: 'line', layer: 'strap', from: p.pierce, to: p.path[0]! },
    { kind: 'circle', layer: 'strap', centre: p.pierce, radius: PIERCE_MM },
  ]),
  ...run.spots.map((s): Entity => ({ kind: 'circle', layer: 'limit', centre: s.at, radius: SPOT_MM })),
]

/** Which cuts of the run are a part's: the first to the last. */
export function cutsOf(run: CutRun): Map<string, string> {
  const of = new Map<string, number[]>()
  for (const [i, p] of run.passes.entries()) of.set(p.mark, [...(of.get(p.mark) ?? []), i + 1])
  return new Map([...of].map(([mark, n]) => [mark, n.length > 1 ? `${n[0]}–${n[n.length - 1]}` : `${n[0]}`]))
}

/** What the simulated table did: cut lines full, the way between them dashed, spots ringed. mm */
export function tableRunDrawing(ran: TableRan, sheet: { width: number; height: number }): Sheet {
  const entities: Entity[] = [
    { kind: 'polygon', layer: 'roof', closed: true, points: box({ x: 0, y: 0 }, { x: sheet.width, y: sheet.height }) },
    ...ran.runs.map(
      ({ on, path }): Entity => ({
        kind: 'polygon',
        layer: on ? 'plate' : 'datum',
        closed: false,
        ...(on ? {} : { dashed: true }),
        points: path.map(([x, y]) => ({ x, y })),
      }),
    ),
    ...ran.spots.map((s): Entity => ({ kind: 'circle', layer: 'limit', centre: { x: s.x, y: s.y }, radius: SPOT_MM })),
  ]
  return { view: 'plan', title: 'Simulated table', entities, box: bounds(entities) }
}
