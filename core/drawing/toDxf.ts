import { DxfWriter, point2d, point3d, TextHorizontalAlignment, Units } from '@tarikjabiri/dxf'
import type { Point } from '../geometry/vec3'
import { type DisplayUnits, METRIC } from '../quantity/units'
import { dimensionText } from './dimensionText'
import { balloonRadius, dimensionLines, type Entity, layers, type Sheet } from './sheet'

/** AutoCAD colour index of each layer: white/black 7, greys 8 and 9, cyan 4, red 1, blue 5. */
const COLOURS: Record<(typeof layers)[number], number> = {
  vehicle: 9,
  likeness: 254,
  assumed: 8,
  roof: 8,
  obstacle: 6,
  swing: 6,
  mount: 4,
  member: 7,
  plate: 7,
  infill: 9,
  fitting: 6,
  anchor: 5,
  foot: 5,
  cargo: 3,
  strap: 30,
  mark: 7,
  centre: 2,
  limit: 1,
  datum: 8,
  dimension: 5,
  moved: 1,
  force: 1,
}

/** A drawing as DXF text in millimetres, full size, one DXF layer for each layer of the drawing. */
export function toDxf(sheet: Sheet, units: DisplayUnits = METRIC): string {
  const dxf = new DxfWriter()
  dxf.setUnits(Units.Millimeters)
  for (const name of layers) dxf.addLayer(name.toUpperCase(), COLOURS[name], 'Continuous')
  const textMm = Math.max(18, (sheet.box.max.x - sheet.box.min.x) / 90)
  for (const e of sheet.entities) {
    dxf.setCurrentLayerName(e.layer.toUpperCase())
    write(dxf, e, textMm, units)
  }
  return dxf.stringify()
}

const at = (p: Point) => point3d(p.x, p.y)

function write(dxf: DxfWriter, e: Entity, textMm: number, units: DisplayUnits): void {
  switch (e.kind) {
    case 'line':
      dxf.addLine(at(e.from), at(e.to))
      return
    case 'polygon':
      dxf.addLWPolyline(
        e.points.map((p) => ({ point: point2d(p.x, p.y) })),
        { flags: e.closed ? 1 : 0 },
      )
      return
    case 'circle':
      dxf.addCircle(at(e.centre), e.radius)
      return
    case 'text':
      text(dxf, e.at, e.text, textMm * 0.8, e.anchor)
      return
    case 'balloon':
      dxf.addCircle(at(e.at), textMm * balloonRadius(e.text))
      text(dxf, { x: e.at.x, y: e.at.y - textMm * 0.4 }, e.text, textMm * 0.8, 'middle')
      return
    case 'dimension': {
      const d = dimensionLines(e, textMm)
      for (const [a, b] of d.lines) dxf.addLine(at(a), at(b))
      const words = dimensionText(e, units)
      const off = textMm * 0.3
      text(
        dxf,
        d.angleDeg === 0 ? { x: d.text.x, y: d.text.y + off } : { x: d.text.x - off, y: d.text.y },
        words,
        textMm,
        'middle',
        d.angleDeg,
      )
    }
  }
}

function text(dxf: DxfWriter, p: Point, words: string, heightMm: number, anchor: 'start' | 'middle' | 'end', rotation = 0): void {
  const horizontalAlignment =
    anchor === 'start' ? TextHorizontalAlignment.Left : anchor === 'middle' ? TextHorizontalAlignment.Center : TextHorizontalAlignment.Right
  dxf.addText(at(p), heightMm, words, { rotation, horizontalAlignment, secondAlignmentPoint: at(p) })
}
