import { letterOf, type MeasuringSheet, measureOf } from '../measure/sheets'
import { formatQuantity } from '../quantity/formatQuantity'
import type { DisplayUnits } from '../quantity/units'
import type { Vehicle } from '../vehicle/vehicle'
import { bounds, type Entity, type Sheet } from './sheet'

/** About so wide is a letter on these sheets, in their own unit. */
const LETTER_WIDE = 13

/** The drawing of a measuring sheet: what to measure, from where to where, each with its letter and what is known of it. `blank` leaves the figures out, for a clipboard. */
export function drawMeasuringSheet(sheet: MeasuringSheet, vehicle: Vehicle, units: DisplayUnits, blank = false): Sheet {
  const outline = sheet.outline.map(
    (o): Entity => ({ kind: 'polygon', layer: 'vehicle', points: o.points, closed: o.closed, ...(o.dashed ? { dashed: true } : {}) }),
  )
  const arrows = sheet.quantities.flatMap((quantity): Entity[] => {
    const s = measureOf(vehicle, quantity)
    const letter = letterOf(sheet, quantity.id)
    const text =
      blank || s.value === null
        ? letter
        : `${letter} ${formatQuantity(s.value, quantity.dimension, units)}${quantity.dimension === 'angle' ? '°' : ''}`
    const { from, to } = quantity
    const ref = quantity.id
    const slanted = from.x !== to.x && from.y !== to.y
    if (slanted)
      return [
        { kind: 'line', layer: 'dimension', ref, from, to, dashed: true },
        {
          kind: 'text',
          layer: 'dimension',
          ref,
          at: { x: from.x + (to.x - from.x) * 0.3, y: from.y + (to.y - from.y) * 0.3 + 8 },
          text,
          anchor: 'middle',
        },
      ]
    const across = from.y === to.y
    const tick = 9
    const end = (p: typeof from): Entity => ({
      kind: 'line',
      layer: 'dimension',
      ref,
      from: { x: p.x - tick, y: p.y - tick },
      to: { x: p.x + tick, y: p.y + tick },
    })
    return [
      { kind: 'line', layer: 'dimension', ref, from, to },
      end(from),
      end(to),
      {
        kind: 'text',
        layer: 'dimension',
        ref,
        // long lines cross in the middle of a drawing: their figures stand nearer one end
        at: across
          ? { x: from.x + (to.x - from.x) * (to.x - from.x > 500 ? 0.22 : 0.5), y: from.y + 10 }
          : { x: from.x + 8, y: from.y + (to.y - from.y) * (to.y - from.y > 200 ? 0.36 : 0.5) },
        text,
        anchor: across ? 'middle' : 'start',
      },
    ]
  })
  const entities = [...outline, ...arrows]
  const box = bounds(entities)
  // a figure beside the last line to the right runs on past it
  const ends = entities.flatMap((e) => (e.kind === 'text' && e.anchor === 'start' ? [e.at.x + e.text.length * LETTER_WIDE] : []))
  return {
    view: 'plan',
    title: `${sheet.title}, ${sheet.view}`,
    entities,
    box: { ...box, max: { ...box.max, x: Math.max(box.max.x, ...ends) } },
  }
}
