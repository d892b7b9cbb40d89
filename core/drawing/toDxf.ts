import { DxfWriter, point2d, point3d, TextHorizontalAlignment, Units } from '@tarikjabiri/dxf'
import type { Point } from '../geometry/vec3'
import { type DisplayUnits, METRIC } from '../quantity/units'
import { dimensionText } from './dimensionText'
import { balloonRadius, type Dimension, dimensionLines, type Entity, layers, type Sheet } from './sheet'

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

/** What is not there, or not measured, or swings. */
const DASHED = new Set<string>(['assumed', 'swing', 'limit'])
const DASH_MM = 40

/** A drawing as DXF text in millimetres, full size, one DXF layer for each layer of the drawing. */
export function toDxf(sheet: Sheet, units: DisplayUnits = METRIC): string {
  const dxf = new DxfWriter()
  dxf.setUnits(Units.Millimeters)
  dxf.addLType('DASHED', 'Dashed __ __ __', [DASH_MM, -DASH_MM / 2])
  for (const name of layers) dxf.addLayer(name.toUpperCase(), COLOURS[name], DASHED.has(name) ? 'DASHED' : 'Continuous')
  const textMm = Math.max(18, (sheet.box.max.x - sheet.box.min.x) / 90)
  for (const e of sheet.entities) {
    dxf.setCurrentLayerName(e.layer.toUpperCase())
    write(dxf, e, textMm, units)
  }
  const { min, max } = sheet.box
  dxf.setVariable('$EXTMIN', { 10: min.x, 20: min.y, 30: 0 })
  dxf.setVariable('$EXTMAX', { 10: max.x, 20: max.y, 30: 0 })
  return dxf.stringify()
}

const at = (p: Point) => point3d(p.x, p.y)

function write(dxf: DxfWriter, e: Entity, textMm: number, units: DisplayUnits): void {
  switch (e.kind) {
    case 'line':
      dxf.addLine(at(e.from), at(e.to), e.dashed ? { lineType: 'DASHED' } : {})
      return
    case 'polygon':
      dxf.addLWPolyline(
        e.points.map((p) => ({ point: point2d(p.x, p.y) })),
        { flags: e.closed ? 1 : 0, ...(e.dashed ? { lineType: 'DASHED' } : {}) },
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
    case 'dimension':
      dimension(dxf, e, textMm, units)
  }
}

/** A DIMENSION that a drawing program measures and moves as one, with its lines and words in a block of its own for those that only show it. */
function dimension(dxf: DxfWriter, e: Dimension, textMm: number, units: DisplayUnits): void {
  const d = dimensionLines(e, textMm)
  const words = dimensionText(e, units)
  const off = textMm * 0.3
  const place = d.angleDeg === 0 ? { x: d.text.x, y: d.text.y + off } : { x: d.text.x - off, y: d.text.y }
  const block = dxf.addBlock(`DIM${dxf.document.blocks.blocks.length}`)
  block.setLayerName(e.layer.toUpperCase())
  for (const [a, b] of d.lines) block.addLine(at(a), at(b))
  text(block, place, words, textMm, 'middle', d.angleDeg)
  dxf.addLinearDim(at(e.from), at(e.to), {
    blockName: block.name,
    angle: d.angleDeg,
    linearType: d.angleDeg,
    definitionPoint: at(d.angleDeg === 0 ? { x: e.to.x, y: d.text.y } : { x: d.text.x, y: e.to.y }),
    middlePoint: at(place),
    text: words,
  })
}

function text(
  dxf: Pick<DxfWriter, 'addText'>,
  p: Point,
  words: string,
  heightMm: number,
  anchor: 'start' | 'middle' | 'end',
  rotation = 0,
): void {
  const horizontalAlignment =
    anchor === 'start' ? TextHorizontalAlignment.Left : anchor === 'middle' ? TextHorizontalAlignment.Center : TextHorizontalAlignment.Right
  dxf.addText(at(p), heightMm, words, { rotation, horizontalAlignment, secondAlignmentPoint: at(p) })
}
