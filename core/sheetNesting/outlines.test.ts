import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { distanceToEdge, isInside } from '../geometry/contours'
import { areaMm2 } from '../geometry/polygon'
import { quarterTurn } from '../geometry/quarterTurn'
import type { Point } from '../geometry/vec3'
import { cutSquare } from '../testing/outlines'
import { nestSheets } from './nestSheets'
import { boxOfPart, type SheetNesting, SheetNestingInput } from './sheetNesting'

type Pair = [number, number]
type Given = { sheets?: object[]; parts: object[]; gap?: number; edge?: number }
const TRIES = 40
/** By so many tries and no clock: the same nest whatever else the machine does. */
const asked = (given: Given): SheetNestingInput =>
  SheetNestingInput.parse({ sheets: [{ id: 'S', width: 1000, height: 1000, quantity: null }], gap: 0, edge: 0, ...given })
const nest = (given: Given, tries = TRIES) => nestSheets(asked(given), { now: () => 0, tries })
const part = (id: string, outline: Pair[], quantity = 1, more: object = {}) => ({ id, outline, quantity, mayRotate: true, ...more })
const box = (w: number, h: number, x = 0, y = 0): Pair[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
]

/** Where a part's corners came to lie, by its own way: about the middle of its box, back into the corner that was answered. */
function laid(p: SheetNestingInput['parts'][number], at: SheetNesting['sheets'][number]['placements'][number], of: Pair[]): Point[] {
  const outline = p.outline ?? box(p.width!, p.height!)
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)]
  const middle = { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 }
  const turned = (points: Pair[]) => points.map(([x, y]) => quarterTurn[at.turn]({ x: x - middle.x, y: y - middle.y }))
  const all = turned(outline)
  const low = { x: Math.min(...all.map((q) => q.x)), y: Math.min(...all.map((q) => q.y)) }
  return turned(of).map((q) => ({ x: q.x - low.x + at.x, y: q.y - low.y + at.y }))
}
/** Every part on its sheet, and every two of them the gap apart by their true edges, or one within a cut-out of the other. */
function sound(input: SheetNestingInput, out: SheetNesting): void {
  const of = new Map(input.parts.map((p) => [p.id, p]))
  for (const s of out.sheets) {
    const sheet = input.sheets.find((x) => x.id === s.sheetId)!
    const parts = s.placements.map((at) => {
      const p = of.get(at.partId)!
      if (!p.mayRotate) expect(at.turn % 180).toBe(0)
      expect(at.rotated).toBe(at.turn % 180 !== 0)
      return {
        id: at.partId,
        edge: laid(p, at, p.outline ?? box(p.width!, p.height!)),
        cutOuts: (p.cutOuts ?? []).map((c) => laid(p, at, c)),
      }
    })
    for (const [i, a] of parts.entries()) {
      for (const q of a.edge) expect(Math.min(q.x, q.y, sheet.width - q.x, sheet.height - q.y)).toBeGreaterThan(input.edge - 0.03)
      for (const b of parts.slice(i + 1)) {
        const apart = Math.min(...a.edge.map((q) => distanceToEdge(q, b.edge)), ...b.edge.map((q) => distanceToEdge(q, a.edge)))
        const holds = [a.cutOuts.find((c) => isInside(b.edge[0]!, c)), b.cutOuts.find((c) => isInside(a.edge[0]!, c))]
        if (holds[0] || holds[1]) {
          const [inner, round] = holds[0] ? [b.edge, holds[0]] : [a.edge, holds[1]!]
          expect(Math.min(...inner.map((q) => distanceToEdge(q, round)), ...round.map((q) => distanceToEdge(q, inner)))).toBeGreaterThan(
            input.gap - 0.03,
          )
          continue
        }
        expect([a.id, b.id, apart > input.gap - 0.03 ? 0 : apart - input.gap]).toEqual([a.id, b.id, 0])
        expect([isInside(a.edge[0]!, b.edge) && input.gap > 0, isInside(b.edge[0]!, a.edge) && input.gap > 0]).toEqual([false, false])
      }
    }
  }
  for (const p of input.parts) {
    const placed = out.sheets.flatMap((s) => s.placements).filter((x) => x.partId === p.id).length
    expect([p.id, placed + out.unplaced.filter((u) => u.partId === p.id).reduce((s, u) => s + u.quantity, 0)]).toEqual([p.id, p.quantity])
  }
}

describe('parts by their outlines', () => {
  test('two triangles are one rectangle: 400 × 300 of sheet takes both, and by their boxes it would take two', () => {
    const triangle = part(
      't',
      [
        [0, 0],
        [400, 0],
        [0, 300],
      ],
      2,
    )
    const sheets = [{ id: 'S', width: 400, height: 300, quantity: null }]
    const out = nest({ sheets, parts: [triangle] })
    expect([out.sheets.length, out.utilisation]).toEqual([1, 1])
    expect(nest({ sheets, parts: [part('b', box(400, 300), 2)] }).sheets).toHaveLength(2)
  })
  test('twenty gussets with legs of 100 and a gap of 6: pairs stand 6·√2 further along, five pairs by two fill what is left for them', () => {
    // along a leg, two hypotenuses 6 apart are 6·√2 apart: a pair is 108.485 × 100
    const long = 5 * (100 + 6 * Math.SQRT2) + 4 * 6
    const input = asked({
      sheets: [{ id: 'S', width: long + 0.1, height: 206.1, quantity: null }],
      parts: [
        part(
          'g',
          [
            [0, 0],
            [100, 0],
            [0, 100],
          ],
          20,
        ),
      ],
      gap: 6,
    })
    const out = nestSheets(input, { now: () => 0, tries: TRIES })
    expect(out.sheets.map((s) => s.placements.length)).toEqual([20])
    sound(input, out)
    // by boxes there is room for five by two: half of them
    expect(nest({ sheets: input.sheets, parts: [part('b', box(100, 100), 20)], gap: 6 }).sheets).toHaveLength(2)
  })
  test('a plate goes into the cut-out of another with the gap round it, and does not where it is a hair too large', () => {
    const frame = (inner: number) => ({
      sheets: [{ id: 'S', width: 400, height: 400, quantity: null }],
      parts: [part('f', box(400, 400), 1, { cutOuts: [box(300, 300, 50, 50)] }), part('i', box(inner, inner))],
      gap: 5,
    })
    const fits = nest(frame(290))
    expect(fits.sheets).toHaveLength(1)
    sound(asked(frame(290)), fits)
    expect(nest(frame(290.2)).sheets).toHaveLength(2)
  })
  test('an L lies in the corner of another', () => {
    const l: Pair[] = [
      [0, 0],
      [300, 0],
      [300, 100],
      [100, 100],
      [100, 300],
      [0, 300],
    ]
    const sheets = [{ id: 'S', width: 400, height: 400, quantity: null }]
    // turned half round it stands 100 off: both in 400 × 400, which two boxes of 300 are not
    const out = nest({ sheets, parts: [part('l', l, 2)] })
    expect(out.sheets).toHaveLength(1)
    expect(out.sheets[0]!.placements.map((p) => p.turn).sort()).not.toEqual([0, 0])
    sound(asked({ sheets, parts: [part('l', l, 2)] }), out)
  })
  test('the grain keeps a part from a quarter turn, not from half a one', () => {
    const grain = part(
      't',
      [
        [0, 0],
        [400, 0],
        [0, 300],
      ],
      4,
      { mayRotate: false },
    )
    const out = nest({ sheets: [{ id: 'S', width: 800, height: 300, quantity: null }], parts: [grain] })
    expect(out.sheets).toHaveLength(1)
    expect(out.sheets[0]!.placements.map((p) => p.turn).sort()).toEqual([0, 0, 180, 180])
    // in a sheet the other way round there is no room for one lying along
    expect(nest({ sheets: [{ id: 'S', width: 300, height: 800, quantity: null }], parts: [grain] }).unplaced[0]!.quantity).toBe(4)
  })
  test('a square cut at random into twelve and twenty-four quadrilaterals is filled again to 92 % of one that is 4 % larger', () => {
    for (const n of [6, 12]) {
      const parts = cutSquare(n, 7)
      const out = nest({ sheets: [{ id: 'S', width: 1040, height: 1040, quantity: 1 }], parts }, 2000)
      expect([n, out.unplaced, out.utilisation > 0.92]).toEqual([n, [], true])
    }
  })
})

describe('an edge of very many corners', () => {
  /** A wheel of teeth, each a few chords: nothing that a few corners could follow. */
  const gear = (teeth: number, mm: number): Pair[] =>
    Array.from({ length: teeth * 8 }, (_, i): Pair => {
      const a = (2 * Math.PI * i) / (teeth * 8)
      const r = mm + (i % 8 < 4 ? 6 : 0) + (i % 2) * 0.3
      return [r * Math.cos(a), r * Math.sin(a)]
    })
  /** A disc with a spike that lies in line with its first and its last corner. */
  const spiked: Pair[] = [
    ...Array.from({ length: 120 }, (_, i): Pair => [100 * Math.cos((2 * Math.PI * i) / 120), 100 * Math.sin((2 * Math.PI * i) / 120)]),
  ].flatMap((q, i): Pair[] =>
    i === 60
      ? [
          [-100, 2],
          [-260, 0],
          [-100, -2],
        ]
      : [q],
  )
  test.each([
    ['a gear of 200 teeth', gear(200, 90)],
    ['a gear of 12', gear(12, 60)],
    ['a disc with a spike', spiked],
  ])('%s is laid by a simpler one round it: true edges keep their gap, on the sheet', (_, outline) => {
    const given = {
      sheets: [{ id: 'S', width: 900, height: 700, quantity: null }],
      parts: [
        part('a', outline, 4),
        part(
          'b',
          [
            [0, 0],
            [150, 0],
            [0, 120],
          ],
          5,
        ),
      ],
      gap: 6,
      edge: 10,
    }
    const out = nest(given, 2)
    sound(asked(given), out)
    expect(out.unplaced).toEqual([])
  })
  test('in a cut-out of very many corners the gap is kept to its true edge', () => {
    const given = {
      sheets: [{ id: 'S', width: 420, height: 420, quantity: null }],
      parts: [
        part('f', box(400, 400), 1, { cutOuts: [gear(50, 150).map(([x, y]): Pair => [x + 200, y + 200])] }),
        part('i', box(180, 180)),
      ],
      gap: 5,
      edge: 5,
    }
    const out = nest(given, 2)
    expect(out.sheets).toHaveLength(1)
    sound(asked(given), out)
  })
})

/** A star of so many points with random arms: seldom convex. */
const star = fc
  .record({
    arms: fc.array(fc.integer({ min: 40, max: 200 }), { minLength: 4, maxLength: 8 }),
    quantity: fc.integer({ min: 1, max: 3 }),
    mayRotate: fc.boolean(),
  })
  .map(({ arms, ...rest }) => ({
    ...rest,
    outline: arms.map((r, i): Pair => [r * Math.cos((2 * Math.PI * i) / arms.length), r * Math.sin((2 * Math.PI * i) / arms.length)]),
  }))
test('whatever their shape: on the sheet, the gap apart by their true edges, each placed or named; no dearer than by their boxes, and the same again', () => {
  fc.assert(
    fc.property(
      fc.array(star, { minLength: 2, maxLength: 5 }),
      fc.integer({ min: 0, max: 15 }),
      fc.integer({ min: 0, max: 20 }),
      (list, gap, edge) => {
        const given = {
          parts: list.map((p, i) => ({ id: `p${i}`, ...p })),
          gap,
          edge,
          sheets: [{ id: 'S', width: 700, height: 500, quantity: null }],
        }
        const input = asked(given)
        const out = nest(given, 4)
        sound(input, out)
        const boxes = input.parts.map((p) => ({
          id: p.id,
          quantity: p.quantity,
          mayRotate: p.mayRotate,
          width: boxOfPart(p).width,
          height: boxOfPart(p).height,
        }))
        expect(out.cost).toBeLessThanOrEqual(nest({ ...given, parts: boxes }, 4).cost + 1e-9)
        expect(nest(given, 4)).toEqual(out)
        const metal = out.sheets
          .flatMap((s) => s.placements)
          .reduce((s, p) => s + areaMm2(list[Number(p.partId.slice(1))]!.outline.map(([x, y]) => ({ x, y }))), 0)
        if (out.sheets.length) expect(out.utilisation).toBeCloseTo(metal / (350_000 * out.sheets.length), 6)
      },
    ),
    { numRuns: 40, seed: 3 },
  )
})
