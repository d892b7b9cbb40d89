import { DxfWriter, point2d, point3d, TextHorizontalAlignment, Units } from '@tarikjabiri/dxf'
import type { CutRun } from '../cutRun/cutRun'
import { cornersOfSlot, edgeOfHole } from '../geometry/hole'
import { areaMm2 } from '../geometry/polygon'
import type { Point } from '../geometry/vec3'
import type { Rules } from '../rules/rules'
import { type LaidPart, laidParts, type SheetGroup, sheetOf } from '../sheetNesting/sheetPlan'
import { isCutHole } from '../workshop/cutHole'
import { holeEntity } from './holeEntity'
import { freeOrder, runMarks } from './runDrawing'
import { bounds, box, type Entity, type Sheet } from './sheet'

/** One sheet with the parts on it, each with its mark and its fold lines; with the run of the table, where that is known, where it begins each edge and in which order they come free. mm */
export function nestDrawing(group: SheetGroup, index: number, run: CutRun | null = null): Sheet {
  const order = run ? freeOrder(run) : null
  const numbered = (order?.size ?? 0) > 1
  const label = (mark: string, i: number) => (numbered ? `${order!.get(i) ?? ''}: ${mark}` : mark)
  const used = group.nest.sheets[index]!
  const size = sheetOf(group, used.sheetId)
  const laid = laidParts(group).filter((l) => l.sheet === index)
  const entities: Entity[] = [
    ...sheetEdge(
      size,
      laid.flatMap((l) => l.plate.outline.map(l.on)),
    ),
    ...laid.flatMap(({ plate, on, mark }, i): Entity[] => {
      const points = plate.outline.map(on)
      return [
        { kind: 'polygon', layer: 'plate', closed: true, filled: true, points },
        ...plate.holes.map((h) => holeEntity(h, 'plate', on)),
        ...plate.bends.map(
          (b): Entity => ({ kind: 'line', layer: 'datum', from: on(b.line[0]), to: on(b.line[1]), dashed: b.side === 'down' }),
        ),
        // among many holes a plain text is not read
        plate.holes.length > MANY_HOLES
          ? { kind: 'balloon', layer: 'mark', at: middleOfBox(points), text: label(mark, i) }
          : { kind: 'text', layer: 'mark', anchor: 'middle', size: 'small', at: labelPlace(points, i), text: label(mark, i) },
      ]
    }),
    ...(run ? runMarks(run) : []),
  ]
  return { view: 'plan', title: size.offcut ? `Sheet ${index + 1}, begun` : `Sheet ${index + 1}`, entities, box: bounds(entities) }
}

const MANY_HOLES = 12
/** Upright narrow parts beside one another have their labels at two heights by turns. */
const NARROW = 2.5
function labelPlace(points: Point[], i: number): Point {
  const { min, max } = bounds([{ kind: 'polygon', layer: 'plate', closed: true, points }])
  const [wide, high] = [max.x - min.x, max.y - min.y]
  const middle = middleOfBox(points)
  return high > NARROW * wide ? { x: middle.x, y: middle.y + (i % 2 ? 0.15 : -0.15) * high } : middle
}
/** Of a sheet that is used in one corner only that is shown, so that its parts can be told apart. */
const CORNER = 0.4
const MORE = 1.5
function sheetEdge({ width, height }: { width: number; height: number }, points: Point[]): Entity[] {
  const most = (of: (p: Point) => number) => points.reduce((m, p) => Math.max(m, of(p)), 0)
  const used = Math.max(most((p) => p.x) / width, most((p) => p.y) / height)
  const share = points.length && used < CORNER ? used * MORE : 1
  const [w, h] = [width * share, height * share]
  if (share === 1) return [{ kind: 'polygon', layer: 'roof', closed: true, points: box({ x: 0, y: 0 }, { x: w, y: h }) }]
  return [
    {
      kind: 'polygon',
      layer: 'roof',
      closed: false,
      points: [
        { x: w, y: 0 },
        { x: 0, y: 0 },
        { x: 0, y: h },
      ],
    },
    {
      kind: 'polygon',
      layer: 'roof',
      closed: false,
      dashed: true,
      points: [
        { x: w, y: 0 },
        { x: w, y: h },
        { x: 0, y: h },
      ],
    },
  ]
}
/** Between sheets that lie beside one another in one file. mm */
const BESIDE_MM = 200
/** Half of the cross at the middle of a hole that is drilled. mm */
const CROSS_MM = 2
const CUT_LAYERS = { CUT: 7, BEND_UP: 5, BEND_DOWN: 1, MARK: 3 } as const

/**
 * Flat parts for a cutting table: closed outlines and holes on CUT, what is inside before what is round it; fold lines by the way they fold; the mark, and a
 * cross where a hole is too small for the table. Millimetres, full size.
 */
export function cuttingDxf(parts: Pick<LaidPart, 'plate' | 'mark' | 'on'>[], rules: Pick<Rules, 'cutHoleT'>): string {
  const dxf = new DxfWriter()
  dxf.setUnits(Units.Millimeters)
  for (const [name, colour] of Object.entries(CUT_LAYERS)) dxf.addLayer(name, colour, 'Continuous')
  for (const { plate, on, mark } of parts) {
    for (const h of plate.holes) {
      const { x, y } = on(h.at)
      const cut = isCutHole(h, plate.thicknessMm, rules)
      dxf.setCurrentLayerName(cut ? 'CUT' : 'MARK')
      if (h.slot) addSlot(dxf, cornersOfSlot(h).map(on))
      else if (h.edge)
        dxf.addLWPolyline(
          edgeOfHole(h)
            .map(on)
            .map((q) => ({ point: point2d(q.x, q.y) })),
          { flags: 1 },
        )
      else if (cut) dxf.addCircle(point3d(x, y), h.diameterMm / 2)
      else
        for (const [dx, dy] of [
          [CROSS_MM, 0],
          [0, CROSS_MM],
        ] as const)
          dxf.addLine(point3d(x - dx, y - dy), point3d(x + dx, y + dy))
    }
    dxf.setCurrentLayerName('CUT')
    dxf.addLWPolyline(
      plate.outline.map(on).map((p) => ({ point: point2d(p.x, p.y) })),
      { flags: 1 },
    )
    for (const b of plate.bends) {
      dxf.setCurrentLayerName(b.side === 'up' ? 'BEND_UP' : 'BEND_DOWN')
      const [from, to] = [on(b.line[0]), on(b.line[1])]
      dxf.addLine(point3d(from.x, from.y), point3d(to.x, to.y))
    }
    dxf.setCurrentLayerName('MARK')
    const points = plate.outline.map(on)
    const { x, y } = middleOfBox(points)
    const at = point3d(x, y)
    const heightMm = Math.max(4, Math.min(20, Math.sqrt(areaMm2(points)) / 12))
    dxf.addText(at, heightMm, mark, { horizontalAlignment: TextHorizontalAlignment.Center, secondAlignmentPoint: at })
  }
  return dxf.stringify()
}

/** One closed line: a bulge of 1 is a half circle (DXF reference, LWPOLYLINE, code 42). */
const addSlot = (dxf: DxfWriter, corners: Point[]) =>
  dxf.addLWPolyline(
    corners.map(({ x, y }, i) => ({ point: point2d(x, y), bulge: i % 2 === 0 ? 1 : 0 })),
    { flags: 1 },
  )

/** All parts of a group as they lie on its sheets, the sheets beside one another. */
export function nestedParts(group: SheetGroup): Pick<LaidPart, 'plate' | 'mark' | 'on'>[] {
  const widths = group.nest.sheets.map((s) => sheetOf(group, s.sheetId).width + BESIDE_MM)
  return laidParts(group).map((l) => {
    const left = widths.slice(0, l.sheet).reduce((s, w) => s + w, 0)
    return { ...l, on: (p) => ({ x: l.on(p).x + left, y: l.on(p).y }) }
  })
}

const middleOfBox = (points: Point[]): Point => {
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)]
  return { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 }
}
