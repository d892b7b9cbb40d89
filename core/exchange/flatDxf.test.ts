import { DxfWriter, point2d, point3d, Units } from '@tarikjabiri/dxf'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Plate } from '../assembly/assembly'
import { cuttingDxf } from '../drawing/sheetDrawing'
import { areaMm2 } from '../geometry/polygon'
import type { Point } from '../geometry/vec3'
import { type DrawingUnit, readFlatDxf } from './flatDxf'

type Draw = (d: DxfWriter) => void
function dxfOf(draw: Draw, units: number | null = Units.Millimeters): string {
  const d = new DxfWriter()
  d.setUnits(units ?? Units.Unitless)
  draw(d)
  return d.stringify()
}
const line = (d: DxfWriter, a: Point, b: Point) => d.addLine(point3d(a.x, a.y), point3d(b.x, b.y))
const round = (d: DxfWriter, points: Point[]) => {
  for (const [i, p] of points.entries()) line(d, p, points[(i + 1) % points.length]!)
}
const box = (w: number, h: number, at: Point = { x: 0, y: 0 }): Point[] => [
  at,
  { x: at.x + w, y: at.y },
  { x: at.x + w, y: at.y + h },
  { x: at.x, y: at.y + h },
]
const read = (text: string, as: DrawingUnit | null = null) => readFlatDxf('part.dxf', text, as)
const said = (text: string, as: DrawingUnit | null = null) => {
  const r = read(text, as)
  return [...r.faults.map((f) => `${f.where}: ${f.expected}`), ...r.notes].join(' | ')
}

describe('a flat part drawn elsewhere', () => {
  test('four lines in any order and direction are a plate of 300 × 200, its corner at its lower left', () => {
    const [a, b, c, d] = box(300, 200, { x: 1000, y: -50 }) as [Point, Point, Point, Point]
    const text = dxfOf((w) => {
      line(w, c, b)
      line(w, a, d)
      line(w, a, b)
      line(w, c, d)
    })
    const { drawn, unit, faults } = read(text)
    expect([faults, unit]).toEqual([[], 'mm'])
    expect(new Set(drawn!.outline.map((p) => `${p.x} ${p.y}`))).toEqual(new Set(['0 0', '300 0', '300 200', '0 200']))
  })
  test('in inches it is 25.4 times as large; without a unit it asks, and takes what it is told', () => {
    expect(areaMm2(read(dxfOf((w) => round(w, box(10, 4)), Units.Inches)).drawn!.outline)).toBeCloseTo(254 * 101.6, 6)
    const bare = dxfOf((w) => round(w, box(10, 4)), null)
    expect(said(bare)).toMatch(/its lengths: a unit/)
    expect(areaMm2(read(bare, 'inch').drawn!.outline)).toBeCloseTo(254 * 101.6, 6)
    // 10 × 4 mm is no part of anything
    expect(said(bare, 'mm')).toMatch(/another unit/)
  })
  test('rounded corners by bulges: 300 × 200 with radius 20 has the area of a plate less (4 − π)·20²', () => {
    const q = Math.tan(Math.PI / 8)
    const text = dxfOf((w) =>
      w.addLWPolyline(
        [
          [20, 0, 0],
          [280, 0, q],
          [300, 20, 0],
          [300, 180, q],
          [280, 200, 0],
          [20, 200, q],
          [0, 180, 0],
          [0, 20, q],
        ].map(([x, y, bulge]) => ({ point: point2d(x!, y!), bulge: bulge! })),
        { flags: 1 },
      ),
    )
    const area = areaMm2(read(text).drawn!.outline)
    expect(Math.abs(area - (300 * 200 - (4 - Math.PI) * 400))).toBeLessThan(5)
  })
  test('arcs and circles: a plate with a half round end, a hole of 11, a slot of two lines and two arcs', () => {
    const text = dxfOf((w) => {
      line(w, { x: 0, y: 0 }, { x: 200, y: 0 })
      w.addArc(point3d(200, 50), 50, 270, 90)
      line(w, { x: 200, y: 100 }, { x: 0, y: 100 })
      line(w, { x: 0, y: 100 }, { x: 0, y: 0 })
      w.addCircle(point3d(30, 50), 5.5)
      line(w, { x: 90, y: 46 }, { x: 122, y: 46 })
      w.addArc(point3d(122, 50), 4, 270, 90)
      line(w, { x: 122, y: 54 }, { x: 90, y: 54 })
      w.addArc(point3d(90, 50), 4, 90, 270)
    })
    const { drawn } = read(text)
    expect(Math.abs(areaMm2(drawn!.outline) - (200 * 100 + (Math.PI * 2500) / 2))).toBeLessThan(3)
    expect(drawn!.holes[0]).toEqual({ at: { x: 30, y: 50 }, diameterMm: 11 })
    const slot = drawn!.holes[1]!
    expect([slot.at.x, slot.at.y, slot.diameterMm, slot.slot!.lengthMm].map((v) => Math.round(v * 10) / 10)).toEqual([106, 50, 8, 40])
    expect(Math.abs(slot.slot!.turnDeg)).toBeLessThan(0.1)
  })
  test('a cut-out of any other edge stays as it is', () => {
    const { drawn } = read(
      dxfOf((w) => {
        round(w, box(400, 300))
        round(w, [
          { x: 50, y: 50 },
          { x: 150, y: 50 },
          { x: 50, y: 120 },
        ])
      }),
    )
    expect(areaMm2(drawn!.holes[0]!.edge!)).toBeCloseTo((100 * 70) / 2, 6)
  })
  test('a spline with its middle on a known curve: the degree 2 of (0,0) (50,100) (100,0) passes (50, 50)', () => {
    const r = read(
      dxfOf((w) => {
        w.addSpline({ controlPoints: [point3d(0, 0), point3d(50, 100), point3d(100, 0)], degreeCurve: 2, knots: [0, 0, 0, 1, 1, 1] })
        line(w, { x: 100, y: 0 }, { x: 0, y: 0 })
      }),
    )
    // area under a parabola: two thirds of 100 × 50
    expect(areaMm2(r.drawn!.outline) / ((2 / 3) * 100 * 50)).toBeCloseTo(1, 2)
    expect(Math.max(...r.drawn!.outline.map((p) => p.y))).toBeCloseTo(50, 1)
  })
})

describe('what is no part yet is named with its place', () => {
  test('an edge that is open: where, and by how much', () =>
    expect(
      said(
        dxfOf((w) => {
          const [a, b, c, d] = box(300, 200) as [Point, Point, Point, Point]
          line(w, a, b)
          line(w, b, c)
          line(w, c, d)
          line(w, d, { x: 0, y: 0.8 })
        }),
      ),
    ).toMatch(/at \{0\}, \{0\}: .*open there, \{g 0.8\} short/))
  test('a line drawn twice counts once', () => {
    const text = dxfOf((w) => {
      round(w, box(300, 200))
      line(w, { x: 300, y: 0 }, { x: 0, y: 0 })
    })
    expect(read(text).drawn).not.toBeNull()
    expect(said(text)).toMatch(/drawn twice at \{150\}, \{0\}/)
  })
  test('an edge that crosses itself', () =>
    expect(
      said(
        dxfOf((w) =>
          round(w, [
            { x: 0, y: 0 },
            { x: 300, y: 200 },
            { x: 300, y: 0 },
            { x: 0, y: 200 },
          ]),
        ),
      ),
    ).toMatch(/at \{150\}, \{100\}: an edge that does not cross itself/))
  test('a second part beside the first', () =>
    expect(
      said(
        dxfOf((w) => {
          round(w, box(300, 200))
          round(w, box(100, 100, { x: 400, y: 0 }))
        }),
      ),
    ).toMatch(/at \{450\}, \{50\}: one part to a drawing/))
  test('metres taken for millimetres', () => expect(said(dxfOf((w) => round(w, box(1.2, 0.6))))).toMatch(/in another unit/))
  test('text and dimensions are left out and counted', () =>
    expect(
      said(
        dxfOf((w) => {
          round(w, box(300, 200))
          w.addText(point3d(10, 10), 5, 'this side up')
        }),
      ),
    ).toMatch(/1 × text left out/))
  test.each(['', 'hello', '0\nSECTION\n2\nENTITIES\n0\nLINE\n', '<svg></svg>', '0\nEOF\n'])(
    '“%s” is refused and nothing throws',
    (text) => {
      const r = read(text, 'mm')
      expect([r.drawn, r.faults.length > 0]).toEqual([null, true])
    },
  )
  test('a file cut off anywhere, or with any of its lines spoilt, is refused or read, and nothing throws or hangs', () => {
    const whole = dxfOf((w) => {
      round(w, box(300, 200))
      w.addCircle(point3d(30, 50), 5.5)
    })
    const lines = whole.split('\n')
    fc.assert(
      fc.property(fc.integer({ min: 0, max: whole.length }), (n) => {
        const cut = read(whole.slice(0, n), 'mm')
        expect(cut.drawn === null || n > whole.length - 3).toBe(true)
      }),
    )
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: lines.length - 1 }),
        fc.constantFrom('', '0', '999', 'NaN', '1e999', 'LINE', 'ENDSEC', '-5'),
        (at, as) => {
          const { drawn } = read(lines.map((l, i) => (i === at ? as : l)).join('\n'), 'mm')
          for (const p of drawn?.outline ?? []) expect(Number.isFinite(p.x) && Number.isFinite(p.y)).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })
})

/** A file as plain pairs of code and value. */
const byHand = (...entities: (string | number)[][]): string =>
  [
    0,
    'SECTION',
    2,
    'HEADER',
    9,
    '$INSUNITS',
    70,
    4,
    0,
    'ENDSEC',
    0,
    'SECTION',
    2,
    'ENTITIES',
    ...entities.flat(),
    0,
    'ENDSEC',
    0,
    'EOF',
  ].join('\n')
const polyline = (points: [number, number][], ...more: (string | number)[]) => [
  ...[0, 'LWPOLYLINE', 8, 'CUT', 90, points.length, 70, 1, ...more],
  ...points.flatMap(([x, y]) => [10, x, 20, y]),
]
const circle = (x: number, y: number, r: number, ...more: (string | number)[]) => [0, 'CIRCLE', 8, 'CUT', ...more, 10, x, 20, y, 40, r]
const AWAY = [210, 0, 220, 0, 230, -1]
/** A plate 300 × 200 with its lower right corner taken off: unlike its mirror image. */
const corner: [number, number][] = [
  [0, 0],
  [200, 0],
  [300, 100],
  [300, 200],
  [0, 200],
]
const over = (by: (p: [number, number]) => [number, number]) => corner.map(by)

describe('what was drawn from behind', () => {
  test('an outline and its holes whose planes look away are read as they are seen, and a line beside them is not turned', () => {
    const seen = read(byHand(polyline(corner), circle(40, 50, 5), circle(260, 150, 8))).drawn!
    // seen from the front, its coordinates in a plane that looks away have x the other way round
    const away = over(([x, y]) => [-x, y])
    const mixed = read(byHand(polyline(away, ...AWAY), circle(40, 50, 5), circle(-260, 150, 8, ...AWAY))).drawn!
    const places = (d: typeof seen) => [
      d.outline.map((p) => `${p.x} ${p.y}`).sort(),
      d.holes.map((h) => `${h.at.x} ${h.at.y} ${h.diameterMm}`).sort(),
    ]
    expect(places(mixed)).toEqual(places(seen))
    expect(places(seen)[1]).toEqual(['260 150 16', '40 50 10'])
    // and its mirror image is another part
    expect(places(read(byHand(polyline(away), circle(-40, 50, 5))).drawn!)[0]).not.toEqual(places(seen)[0])
  })
  test('half an ellipse that looks away lies on the other side of its long axis', () => {
    const closed = (...more: (string | number)[]) =>
      read(
        byHand(
          [0, 'ELLIPSE', 8, 'CUT', ...more, 10, 100, 20, 0, 11, 100, 21, 0, 40, 0.5, 41, 0, 42, Math.PI],
          [0, 'LINE', 8, 'CUT', 10, 0, 20, 0, 11, 60, 21, 10],
          [0, 'LINE', 8, 'CUT', 10, 60, 20, 10, 11, 200, 21, 0],
        ),
      ).drawn!
    // half of π·100·50, less or more the triangle 200 × 10 / 2 above its axis
    expect(areaMm2(closed().outline) / ((Math.PI * 5000) / 2 - 1000)).toBeCloseTo(1, 3)
    expect(areaMm2(closed(...AWAY).outline) / ((Math.PI * 5000) / 2 + 1000)).toBeCloseTo(1, 3)
  })
  test('a plane that leans is named, not flattened', () =>
    expect(said(byHand(polyline(corner, 210, 0, 220, 0.6, 230, 0.8)))).toMatch(/1 × lwpolyline: a flat drawing/))
})

describe('cut-outs that are none', () => {
  test('an edge drawn twice is one edge, not a hole as large as the part; so is a hole drawn twice', () => {
    const text = byHand(
      polyline(corner),
      polyline([...corner.slice(2), ...corner.slice(0, 2)].reverse()),
      circle(60, 60, 9),
      circle(60, 60, 9),
    )
    expect(read(text).drawn!.holes).toEqual([{ at: { x: 60, y: 60 }, diameterMm: 18 }])
    expect(said(text)).toMatch(/drawn twice at/)
  })
  test.each([
    ['a round one over the edge', circle(0, 100, 9), /runs over it/],
    [
      'one along the edge',
      polyline([
        [0, 50],
        [20, 50],
        [20, 90],
        [0, 90],
      ]),
      /at \{0\}, .*runs over it/,
    ],
    ['one beyond it', circle(-40, 100, 9), /outside its edge/],
  ])('%s is named with its place', (_, cut, why) => expect(said(byHand(polyline(corner), cut))).toMatch(why))
  test('two that run into one another, and one within another, are named', () => {
    expect(said(byHand(polyline(corner), circle(60, 60, 9), circle(70, 60, 9)))).toMatch(/run into one, draw them as one/)
    expect(said(byHand(polyline(corner), circle(60, 100, 30), circle(60, 100, 9)))).toMatch(/what is between falls out/)
    expect(read(byHand(polyline(corner), circle(60, 100, 9), circle(80, 100, 9))).drawn!.holes).toHaveLength(2)
  })
  test('feet are feet: a plate of one by half a foot is 304.8 × 152.4', () => {
    const text = byHand(
      polyline([
        [0, 0],
        [1, 0],
        [1, 0.5],
        [0, 0.5],
      ]),
    ).replace('\n4\n0\nENDSEC', '\n2\n0\nENDSEC')
    const { drawn, said: bySelf } = read(text)
    expect([drawn!.outline[2], bySelf]).toEqual([{ x: expect.closeTo(304.8, 6), y: expect.closeTo(152.4, 6) }, true])
  })
})

test('our own file for the table reads back: the same edge, holes and slots, fold lines and marks left out', () => {
  const plate: Plate = {
    ...{ id: 'p', mark: 'PN', name: 'Panel', materialId: 'steel', thicknessMm: 2, goodFace: 'up', air: 'sheltered' },
    pose: { origin: { x: 0, y: 0, z: 0 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } },
    outline: [
      { x: 0, y: 0 },
      { x: 500, y: 0 },
      { x: 500, y: 260 },
      { x: 120, y: 300 },
      { x: 0, y: 300 },
    ],
    holes: [
      { at: { x: 40, y: 40 }, diameterMm: 9 },
      { at: { x: 200, y: 150 }, diameterMm: 8, slot: { lengthMm: 40, turnDeg: 30 } },
      {
        at: { x: 350, y: 150 },
        diameterMm: 40,
        edge: [
          { x: -30, y: -20 },
          { x: 30, y: -20 },
          { x: 0, y: 40 },
        ],
      },
    ],
    bends: [
      {
        line: [
          { x: 100, y: 0 },
          { x: 100, y: 300 },
        ],
        angleDeg: 90,
        side: 'up',
        insideRadiusMm: 2,
      },
    ],
  }
  const { drawn, notes } = read(cuttingDxf([{ plate, mark: 'PN', on: (p) => p }], { cutHoleT: 1.5 }))
  expect(areaMm2(drawn!.outline)).toBeCloseTo(areaMm2(plate.outline), 6)
  expect(drawn!.holes[0]).toEqual(plate.holes[0])
  const slot = drawn!.holes.find((h) => h.slot)!
  expect([slot.diameterMm, slot.slot!.lengthMm, slot.slot!.turnDeg].map((v) => Math.round(v))).toEqual([8, 40, 30])
  expect(areaMm2(drawn!.holes.find((h) => h.edge)!.edge!)).toBeCloseTo(areaMm2(plate.holes[2]!.edge!), 6)
  expect(notes.join()).toMatch(/2 on layers for folds, marks and dimensions/)
})
