import { balloonRadius, bounds, type Entity, type Layer, project, type Sheet, type ViewName } from '../drawing/sheet'
import type { WeldMap } from './weldMap'

const WELDED: Layer[] = ['member', 'plate', 'fitting', 'foot']

/** A drawing with the number of each weld in a ring, off its joint and clear of the other rings; joints one behind the other share a line to their numbers. */
export function withSeams(drawn: Sheet, map: WeldMap, view: ViewName): Sheet {
  // the vehicle under it and what lies on it say nothing of a weld
  const sheet = { ...drawn, entities: drawn.entities.filter((e) => WELDED.includes(e.layer)) }
  const own = bounds(sheet.entities)
  // rings as large as reads where the piece fills the view
  const ring = Math.max(own.max.x - own.min.x, own.max.y - own.min.y) / (view === 'plan' ? 62 : 44)
  const taken: { x: number; y: number; r: number }[] = []
  const marks = map.seams.flatMap((s): Entity[] => {
    const at = project(view, s.at)
    const r = ring * balloonRadius(`${s.number}`)
    const free = [1, 1.7, 2.4, 3.2]
      .flatMap((k) =>
        Array.from({ length: 12 }, (_, i) => ({
          x: at.x + k * 2.1 * ring * Math.cos((i * Math.PI) / 6),
          y: at.y + k * 2.1 * ring * Math.sin((i * Math.PI) / 6),
        })),
      )
      .find((p) => taken.every((o) => Math.hypot(o.x - p.x, o.y - p.y) >= o.r + r))
    if (!free) return []
    taken.push({ ...free, r })
    return [
      { kind: 'line', layer: 'mark', from: at, to: free },
      { kind: 'balloon', layer: 'mark', at: free, text: `${s.number}` },
    ]
  })
  const points = taken.flatMap((t) => [
    { x: t.x - t.r, y: t.y - t.r },
    { x: t.x + t.r, y: t.y + t.r },
  ])
  const all = [own.min, own.max, ...points]
  const by = (pick: (...v: number[]) => number, of: 'x' | 'y') => pick(...all.map((p) => p[of]))
  return {
    ...sheet,
    entities: [...sheet.entities, ...marks],
    box: { min: { x: by(Math.min, 'x'), y: by(Math.min, 'y') }, max: { x: by(Math.max, 'x'), y: by(Math.max, 'y') } },
  }
}
