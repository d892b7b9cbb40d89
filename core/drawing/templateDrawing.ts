import type { Assembly } from '../assembly/assembly'
import { cutsText, templatesOf } from '../tube/template'
import { bounds, type Entity, type Sheet } from './sheet'

const APART_MM = 20

/** Every template of a job under one another at full size, for a plotter or a cutter: outline, cut line, quarter lines, mark. mm */
export function templateDrawing(a: Assembly): Sheet {
  const entities: Entity[] = []
  let y = 0
  for (const shared of templatesOf(a)) {
    const t = shared.template
    const top = y
    const at = (x: number, back: number) => ({ x, y: top - t.edgeMm + back })
    entities.push(
      { kind: 'polygon', layer: 'plate', closed: true, points: [at(0, 0), at(t.roundMm, 0), at(t.roundMm, t.edgeMm), at(0, t.edgeMm)] },
      { kind: 'polygon', layer: 'member', closed: false, points: t.cut.map((p) => at(p.x, p.y)) },
      ...t.quarters.slice(1, -1).map((q): Entity => ({ kind: 'line', layer: 'centre', from: at(q, 0), to: at(q, t.edgeMm), dashed: true })),
      { kind: 'text', layer: 'mark', at: at(4, t.edgeMm - 8), anchor: 'start', size: 'small', text: `${shared.id}: ${cutsText(shared)}` },
    )
    y -= t.edgeMm + APART_MM
  }
  if (!entities.length)
    entities.push({ kind: 'text', layer: 'mark', at: { x: 0, y: 0 }, anchor: 'start', text: 'nothing in this job is saddled' })
  return { view: 'plan', title: 'Templates', entities, box: bounds(entities) }
}
