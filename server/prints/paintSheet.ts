import { dimensionText } from '../../core/drawing/dimensionText'
import { balloonRadius, dimensionLines, type Entity, type Layer, type Sheet } from '../../core/drawing/sheet'
import type { Point } from '../../core/geometry/vec3'
import type { DisplayUnits } from '../../core/quantity/units'
import { INK, type Paper, QUIET, SIGNAL } from './paper'

const PEN: Record<Layer, { colour: string; width: number; fill?: string }> = {
  vehicle: { colour: '#8a9896', width: 0.5 },
  likeness: { colour: '#c3ccc9', width: 0.35, fill: '#eef3f2' },
  assumed: { colour: '#8a9896', width: 0.4 },
  roof: { colour: '#8a9896', width: 0.5, fill: '#f3f5f2' },
  obstacle: { colour: '#8a5a00', width: 0.5 },
  swing: { colour: '#8a5a00', width: 0.3 },
  mount: { colour: '#0b7a75', width: 0.5 },
  member: { colour: INK, width: 0.9, fill: '#c9d6d3' },
  plate: { colour: INK, width: 0.7, fill: '#e3eae7' },
  infill: { colour: '#8a9896', width: 0.35 },
  fitting: { colour: INK, width: 0.6, fill: '#eef1ee' },
  anchor: { colour: '#0b7a75', width: 0.8 },
  foot: { colour: INK, width: 0.6, fill: '#5b6f6e' },
  cargo: { colour: '#3a5f8a', width: 0.5, fill: '#e7edf3' },
  strap: { colour: '#8a5a00', width: 1.1 },
  mark: { colour: INK, width: 0.6, fill: '#ffffff' },
  centre: { colour: '#3a5f8a', width: 0.4 },
  limit: { colour: SIGNAL, width: 0.6 },
  datum: { colour: INK, width: 0.4 },
  dimension: { colour: '#0b5f5b', width: 0.4 },
  moved: { colour: SIGNAL, width: 0.7 },
  force: { colour: INK, width: 0.6 },
}
export type Frame = { x: number; y: number; width: number; height: number }

/** Letters on a drawing, as the sheet is laid out: 2.5 mm. Points */
const TEXT_PT = 7
/** A row of dimensions. Points */
export const ROW_PT = TEXT_PT * 1.6

/** Paints one view where its origin is and as large as it is. Points a mm. */
export function paintAt(paper: Paper, sheet: Sheet, origin: Point, scale: number, units: DisplayUnits): void {
  const on = (p: Point): Point => ({ x: origin.x + p.x * scale, y: origin.y - p.y * scale })
  for (const e of sheet.entities) paint(paper, e, on, scale, TEXT_PT, units)
}

/** Room that the rows of dimensions on each side of a drawing need, never more than two fifths of the frame. Points */
function roomFor(sheet: Sheet, frame: Frame, least: number): { left: number; right: number; above: number; below: number } {
  const rows = (axis: 'x' | 'y', sign: 1 | -1): number =>
    sheet.entities.reduce((most, e) => (e.kind === 'dimension' && e.axis === axis ? Math.max(most, sign * e.row) : most), 0)
  const room = (n: number, of: number) => Math.min(0.4 * of, Math.max(least, (n + 1) * ROW_PT))
  return {
    left: room(rows('y', -1), frame.width),
    right: room(rows('y', 1), frame.width),
    above: room(rows('x', 1), frame.height),
    below: room(rows('x', -1), frame.height),
  }
}

/** Paints one view into a frame on the page, as large as fits; returns the scale used (paper points per mm). `least` room is left all round. Points */
export function paintSheet(paper: Paper, sheet: Sheet, frame: Frame, units: DisplayUnits, least = TEXT_PT * 6): number {
  const size = { x: sheet.box.max.x - sheet.box.min.x, y: sheet.box.max.y - sheet.box.min.y }
  const room = roomFor(sheet, frame, least)
  const [width, height] = [frame.width - room.left - room.right, frame.height - room.above - room.below]
  const scale = Math.min(width / size.x, height / size.y)
  const origin = {
    x: frame.x + room.left + (width - size.x * scale) / 2 - sheet.box.min.x * scale,
    y: frame.y + room.above + (height + size.y * scale) / 2 + sheet.box.min.y * scale,
  }
  paper.save().rect(frame.x, frame.y, frame.width, frame.height).clip()
  paintAt(paper, sheet, origin, scale, units)
  paper.restore()
  paper
    .font('text')
    .fontSize(8)
    .fillColor(QUIET)
    .text(sheet.title, frame.x + 4, frame.y + 2, { lineBreak: false })
  return scale
}

function paint(paper: Paper, e: Entity, on: (p: Point) => Point, scale: number, size: number, units: DisplayUnits): void {
  const pen = PEN[e.layer]
  paper.lineWidth(pen.width).strokeColor(pen.colour)
  const dashed = (e.kind === 'line' || e.kind === 'polygon') && e.dashed
  if (dashed) paper.dash(3, { space: 2 })
  if (e.kind === 'line') stroke(paper, on(e.from), on(e.to))
  else if (e.kind === 'polygon') {
    const [first, ...rest] = e.points.map(on)
    paper.moveTo(first.x, first.y)
    for (const p of rest) paper.lineTo(p.x, p.y)
    if (e.closed) paper.closePath()
    if (e.filled && pen.fill)
      paper
        .fillOpacity(e.layer === 'cargo' ? 0.6 : 1)
        .fillAndStroke(pen.fill, pen.colour)
        .fillOpacity(1)
    else paper.stroke()
  } else if (e.kind === 'circle') paper.circle(on(e.centre).x, on(e.centre).y, Math.max(1.5, e.radius * scale)).stroke()
  else if (e.kind === 'balloon') {
    const at = on(e.at)
    paper.circle(at.x, at.y, size * balloonRadius(e.text)).fillAndStroke('#ffffff', pen.colour)
    words(paper, e.text, { at: { x: at.x, y: at.y + size * 0.52 }, size, anchor: 'middle', colour: pen.colour })
  } else if (e.kind === 'text') words(paper, e.text, { at: on(e.at), size, anchor: e.anchor, colour: pen.colour })
  else {
    const d = dimensionLines(e, size / scale)
    for (const [a, b] of d.lines) stroke(paper, on(a), on(b))
    const at = on(d.text)
    words(paper, dimensionText(e, units), {
      at: d.angleDeg === 0 ? { x: at.x, y: at.y - 2 } : { x: at.x - 2, y: at.y },
      size,
      anchor: 'middle',
      colour: pen.colour,
      angleDeg: d.angleDeg,
    })
  }
  if (dashed) paper.undash()
}

const stroke = (paper: Paper, a: Point, b: Point) => paper.moveTo(a.x, a.y).lineTo(b.x, b.y).stroke()

type Lettering = { at: Point; size: number; anchor: 'start' | 'middle' | 'end'; colour: string; angleDeg?: number }
function words(paper: Paper, text: string, { at, size, anchor, colour, angleDeg = 0 }: Lettering): void {
  paper.font('figures').fontSize(size).fillColor(colour)
  const width = paper.widthOfString(text)
  const left = anchor === 'start' ? 0 : anchor === 'middle' ? -width / 2 : -width
  paper.save()
  if (angleDeg) paper.rotate(-angleDeg, { origin: [at.x, at.y] })
  paper.text(text, at.x + left, at.y - size, { lineBreak: false })
  paper.restore()
}
