import type { CutRun } from '../cutRun/cutRun'
import type { TableRan } from '../outside/plasmaTable'
import { bounds, box, type Entity, type Sheet } from './sheet'

/** A ring round a pierce, and round a spot that would be spoilt. mm at full size */
const PIERCE_MM = 3
const SPOT_MM = 18

/** Where the torch comes onto each edge, and what would be spoilt; of holes only where they are few enough to tell apart. */
const FEW = 24
export const runMarks = (run: CutRun): Entity[] => {
  const shown = run.passes.length > FEW ? run.passes.filter((p) => p.what === 'edge') : run.passes
  return [
    ...shown.flatMap((p): Entity[] => [
      { kind: 'line', layer: 'strap', from: p.pierce, to: p.path[0]! },
      { kind: 'circle', layer: 'strap', centre: p.pierce, radius: PIERCE_MM },
    ]),
    ...run.spots.map((s): Entity => ({ kind: 'circle', layer: 'limit', centre: s.at, radius: SPOT_MM })),
  ]
}

/** In which order the parts come free, by their place among the parts of the sheet. */
export const freeOrder = (run: CutRun): Map<number, number> =>
  new Map(run.passes.filter((p) => p.what === 'edge').map((p, i) => [p.part, i + 1]))

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
