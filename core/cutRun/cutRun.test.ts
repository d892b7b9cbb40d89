import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { distanceToEdge, isInside } from '../geometry/contours'
import { edgeOfHole } from '../geometry/hole'
import type { Point } from '../geometry/vec3'
import { demoJobs } from '../job/demoJobs'
import { madeAssembly } from '../job/piecesOf'
import { runOnTable } from '../outside/plasmaTable'
import { defaultRules } from '../rules/rules'
import { planSheets } from '../sheetNesting/sheetPlan'
import { demoShop } from '../shop/shop'
import { backwards, edgeContour, holeContour, lengthOf, pointsOf } from './contour'
import { type CutRun, cutRun, type RunCut, type RunPart } from './cutRun'
import { gcodeOf } from './gcode'
import { cutOf, sheetRun } from './sheetRun'

const SHEET = { width: 2000, height: 1000 }
const CUT: RunCut = { kerfMm: 2, leadMm: 6, spreadMm: 0, square: 'right', feedMmMin: 3000, pierceS: 0.5, rapidMmMin: 12_000 }
const box = (x: number, y: number, w: number, h: number): Point[] => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
]
const plain = (mark: string, x: number, y: number, w = 100, h = 100): RunPart => ({ mark, outline: box(x, y, w, h), holes: [] })
const order = (r: CutRun) => r.passes.map((p) => `${p.mark} ${p.what}`)
const signed = (points: Point[]) =>
  points.reduce((s, a, i) => s + a.x * points[(i + 1) % points.length]!.y - points[(i + 1) % points.length]!.x * a.y, 0) / 2
const says = (r: CutRun) => r.spots.map((s) => `${s.mark}: ${s.says}`)

describe('a plate of 300 × 200 with a hole of 20 and a slot of 40 × 10, kerf 2', () => {
  const part: RunPart = {
    mark: 'A',
    outline: box(50, 50, 300, 200),
    holes: [
      { at: { x: 100, y: 100 }, diameterMm: 20 },
      { at: { x: 250, y: 150 }, diameterMm: 10, slot: { lengthMm: 40, turnDeg: 30 } },
    ],
  }
  const run = cutRun(SHEET, [part], CUT)
  test('what is inside comes before the edge; the torch runs half a kerf off the line, in what falls away', () => {
    expect(order(run)).toEqual(['A hole', 'A hole', 'A edge'])
    for (const q of pointsOf(run.passes[0]!.path)) expect(Math.hypot(q.x - 100, q.y - 100)).toBeCloseTo(9, 9)
    for (const q of pointsOf(run.passes[1]!.path)) expect(distanceToEdge(q, edgeOfHole(part.holes[1]!, 400))).toBeCloseTo(1, 3)
    const edge = pointsOf(run.passes[2]!.path)
    expect([Math.min(...edge.map((q) => q.x)), Math.max(...edge.map((q) => q.x))]).toEqual([49, 351])
  })
  test('length by hand: 18π, 8π + 2·30, 2·(302 + 202), and a lead of 6 to each', () => {
    const leads = run.passes.map((p) => Math.hypot(p.pierce.x - p.path[0]!.x, p.pierce.y - p.path[0]!.y))
    expect(run.passes.map((p) => lengthOf(p.path))).toEqual([18 * Math.PI, 8 * Math.PI + 60, 1008].map((v) => expect.closeTo(v, 6)))
    expect(leads[0]).toBeCloseTo(6, 6)
    expect(leads[2]).toBeCloseTo(6, 6)
    // across a slot of 10 there is no room for it: it comes along the slot
    expect(leads[1]).toBeCloseTo(6, 6)
    const cutMm = 26 * Math.PI + 60 + 1008 + leads.reduce((s, v) => s + v, 0)
    expect(run.seconds).toBeCloseTo((cutMm / 3000 + run.travelMm / 12_000) * 60 + 3 * 0.5, 6)
  })
  test('it pierces within the holes, clear of their edges, and outside the edge of the part', () => {
    expect(isInside(run.passes[2]!.pierce, part.outline)).toBe(false)
    expect(Math.hypot(run.passes[0]!.pierce.x - 100, run.passes[0]!.pierce.y - 100)).toBeLessThan(4)
    expect(distanceToEdge(run.passes[1]!.pierce, edgeOfHole(part.holes[1]!, 40))).toBeGreaterThan(2)
  })
  test('edges run clockwise and holes counter-clockwise where the right of its travel is cut square; all turn round where the left is', () => {
    const ways = (r: CutRun) => r.passes.map((p) => Math.sign(signed(pointsOf(p.path))))
    expect(ways(run)).toEqual([1, 1, -1])
    expect(ways(cutRun(SHEET, [part], { ...CUT, square: 'left' }))).toEqual([-1, -1, 1])
  })
  test('a path turned round has the same length and the same points', () => {
    for (const h of part.holes) {
      const { path } = holeContour(h, 2, 'right')!
      expect(lengthOf(backwards(path))).toBeCloseTo(lengthOf(path), 9)
      const far = pointsOf(backwards(path)).map((q) => distanceToEdge(q, pointsOf(path)))
      expect(Math.max(...far)).toBeLessThan(0.1)
    }
  })
})

describe('in which order', () => {
  const row = Array.from({ length: 6 }, (_, i) => plain(`P${i}`, 20 + 120 * i, 20))
  test('without a spread the nearest is next; with 200 each stands clear of the two before it while that can be', () => {
    expect(order(cutRun(SHEET, row, CUT))).toEqual([0, 1, 2, 3, 4, 5].map((i) => `P${i} edge`))
    const spread = cutRun(SHEET, row, { ...CUT, spreadMm: 200 }).passes.map((p) => Number(p.mark.slice(1)))
    expect([...spread].sort()).toEqual([0, 1, 2, 3, 4, 5])
    // 120 from one to the next: neighbours are too near, the next but one is not
    for (const [i, p] of spread.entries()) if (i > 0 && i < 4) expect(Math.abs(p - spread[i - 1]!)).toBeGreaterThan(1)
  })
  test('a part cut from another’s cut-out comes before that falls out', () => {
    const frame: RunPart = {
      mark: 'F',
      outline: box(20, 20, 400, 400),
      holes: [{ at: { x: 220, y: 220 }, diameterMm: 300, edge: box(-150, -150, 300, 300) }],
    }
    const inner = plain('I', 120, 120)
    expect(order(cutRun(SHEET, [frame, inner], CUT))).toEqual(['I edge', 'F hole', 'F edge'])
  })
  test('holes of a field are spread too', () => {
    const field: RunPart = {
      ...{ mark: 'S', outline: box(20, 20, 800, 200) },
      holes: Array.from({ length: 12 }, (_, i) => ({ at: { x: 60 + 60 * i, y: 120 }, diameterMm: 20 })),
    }
    const xs = cutRun(SHEET, [field], { ...CUT, spreadMm: 100 })
      .passes.slice(0, 10)
      .map((p) => pointsOf(p.path)[0]!.x)
    for (const [i, x] of xs.entries()) if (i > 0 && i < 8) expect(Math.abs(x - xs[i - 1]!)).toBeGreaterThan(90)
  })
})

test('two thousand slots on one panel are put in order: each once, the edge last', () => {
  const slots = Array.from({ length: 2000 }, (_, i) => ({
    at: { x: 40 + 30 * (i % 63), y: 40 + 25 * Math.floor(i / 63) },
    diameterMm: 8,
    slot: { lengthMm: 20, turnDeg: 0 },
  }))
  const run = cutRun(SHEET, [{ mark: 'S', outline: box(20, 20, 1920, 940), holes: slots }], { ...CUT, spreadMm: 150 })
  expect([run.passes.length, run.passes.at(-1)!.what, run.spots.length]).toEqual([2001, 'edge', 0])
  expect(new Set(run.passes.map((p) => `${p.pierce.x} ${p.pierce.y}`)).size).toBe(2001)
})

describe('what would go wrong is named', () => {
  test.each([
    [
      'a hole no wider than the kerf',
      [{ ...plain('A', 50, 50), holes: [{ at: { x: 90, y: 90 }, diameterMm: 2 }] }],
      /A: a hole of \{g 2\} is no wider/,
    ],
    [
      'a slit with no room for a pierce',
      [{ ...plain('A', 50, 50), holes: [{ at: { x: 90, y: 90 }, diameterMm: 3, slot: { lengthMm: 40, turnDeg: 0 } }] }],
      /A: no room to pierce within/,
    ],
    [
      'parts with no gap, boxed in',
      [
        plain('M', 100, 100),
        plain('L', 0, 0, 99, 300),
        plain('R', 201, 0, 99, 300),
        plain('B', 100, 0, 100, 99),
        plain('T', 100, 201, 100, 99),
      ],
      /M: no room to pierce beside it/,
    ],
    ['a part over the edge of its sheet', [plain('A', 0.5, 50)], /A: its cut runs over the edge/],
  ] as [string, RunPart[], RegExp][])('%s', (_, parts, why) => expect(says(cutRun(SHEET, parts, CUT)).join('; ')).toMatch(why))
  test('a keyhole that closes at its neck, and a saw cut in an edge, are told; the same a little wider are cut whole', () => {
    const neck = (wide: number): Point[] =>
      [
        [-20, -20],
        [20, -20],
        [20, 20],
        [wide / 2, 20],
        [wide / 2, 60],
        [-wide / 2, 60],
        [-wide / 2, 20],
        [-20, 20],
      ].map(([x, y]) => ({ x: x!, y: y! }))
    const keyhole = (wide: number): RunPart => ({
      ...plain('K', 50, 50, 200, 200),
      holes: [{ at: { x: 150, y: 130 }, diameterMm: wide, edge: neck(wide) }],
    })
    const slit = (wide: number): RunPart => ({
      mark: 'S',
      holes: [],
      outline: [
        [50, 50],
        [250, 50],
        [250, 150],
        [150 + wide, 150],
        [150 + wide, 90],
        [150, 90],
        [150, 150],
        [50, 150],
      ].map(([x, y]) => ({ x: x!, y: y! })),
    })
    expect(says(cutRun(SHEET, [keyhole(1.8)], CUT))).toEqual(['K: a cut-out narrower than the kerf somewhere: that is not cut'])
    expect(says(cutRun(SHEET, [keyhole(2.4)], CUT))).toEqual([])
    expect(says(cutRun(SHEET, [slit(1.8)], CUT))).toEqual(['S: a notch in its edge is narrower than the kerf: that is not cut'])
    expect(says(cutRun(SHEET, [slit(2.4)], CUT))).toEqual([])
    // a star keeps its sharp corners without a word
    const star = Array.from({ length: 10 }, (_, i) => ({
      x: 300 + (i % 2 ? 30 : 120) * Math.cos((Math.PI * i) / 5),
      y: 300 + (i % 2 ? 30 : 120) * Math.sin((Math.PI * i) / 5),
    }))
    expect(says(cutRun(SHEET, [{ mark: 'X', outline: star, holes: [] }], CUT))).toEqual([])
  })
  test('what would be spoilt stands at the head of the program too', () =>
    expect(gcodeOf(cutRun(SHEET, [{ ...plain('A', 50, 50), holes: [{ at: { x: 90, y: 90 }, diameterMm: 2 }] }], CUT), CUT, 'x')).toMatch(
      /\(LOOK A: a hole of 2 mm is no wider than the kerf: drill it\)/,
    ))
  test('with room it says nothing', () => expect(says(cutRun(SHEET, [plain('A', 50, 50), plain('B', 200, 50)], CUT))).toEqual([]))
  test('a way over a part that is cut free is gone only where there is no other, and told', () => {
    // heat would have it go on to C, on the far side of A; but from B to C there is no way past A once that is cut
    const row = [plain('B', 20, 20), plain('A', 150, 20), plain('C', 280, 20)]
    const passes = (spreadMm: number) => cutRun(SHEET, row, { ...CUT, spreadMm })
    expect(order(passes(0)).map((x) => x[0])).toEqual(['B', 'A', 'C'])
    expect(order(passes(200)).map((x) => x[0])).toEqual(['B', 'C', 'A'])
    const ring = [plain('M', 300, 300, 40, 40), plain('W', 20, 20, 200, 600), plain('E', 420, 20, 200, 600)]
    expect(says(cutRun(SHEET, ring, { ...CUT, spreadMm: 0 }))).toEqual([])
  })
})

const parts = fc
  .array(
    fc.record({
      w: fc.integer({ min: 40, max: 150 }),
      h: fc.integer({ min: 40, max: 150 }),
      d: fc.integer({ min: 8, max: 24 }),
      n: fc.integer({ min: 0, max: 2 }),
    }),
    { minLength: 1, maxLength: 12 },
  )
  .map((list) =>
    list.map(({ w, h, d, n }, i): RunPart => {
      const [x, y] = [20 + 180 * (i % 6), 20 + 180 * Math.floor(i / 6)]
      return {
        mark: `P${i}`,
        outline: box(x, y, w, h),
        holes: Array.from({ length: n }, (_, k) => ({ at: { x: x + 16 + k * (w - 32), y: y + h / 2 }, diameterMm: Math.min(d, w / 4) })),
      }
    }),
  )
test('whatever lies on the sheet: each line once, holes before their edge, no pierce in metal that is kept; the table, reading the program, comes to the same length and pierces', () => {
  fc.assert(
    fc.property(parts, fc.constantFrom('right' as const, 'left' as const), fc.integer({ min: 0, max: 400 }), (list, square, spreadMm) => {
      const run = cutRun(SHEET, list, { ...CUT, square, spreadMm })
      expect(run.passes).toHaveLength(list.reduce((s, p) => s + 1 + p.holes.length, 0))
      for (const p of list) {
        const own = run.passes.filter((x) => x.mark === p.mark)
        expect(own.map((x) => x.what)).toEqual([...p.holes.map(() => 'hole'), 'edge'])
      }
      for (const { pierce } of run.passes)
        for (const p of list) if (isInside(pierce, p.outline)) expect(p.holes.some((h) => isInside(pierce, edgeOfHole(h, 40)))).toBe(true)
      const told = runOnTable(gcodeOf(run, CUT, 'test'))
      if (!('ran' in told)) throw new Error(told.faults[0]!.expected)
      expect(told.ran.pierces).toBe(run.passes.length)
      // figures of the program are told to a thousandth
      expect(told.ran.cutMm / run.cutMm).toBeCloseTo(1, 5)
      expect(told.ran.spots).toEqual([])
    }),
    { numRuns: 60 },
  )
})

describe('of a job', () => {
  const wall = demoJobs.find((j) => j.title.startsWith('Slotted'))!
  const { table } = demoShop.workshop
  const groups = planSheets(madeAssembly(wall, defaultRules), { rules: defaultRules, system: 'metric', begun: [] }, () => 0)
  const [g] = groups
  test('the drone pair’s wall: every hole that the table cuts and both edges, as often as the sheet’s parts have them', () => {
    const told = sheetRun(g!, 0, table, defaultRules)
    if (!('run' in told)) throw new Error(told.missing)
    expect(told.run.passes).toHaveLength(g!.kinds.reduce((s, k) => s + k.pierces * k.marks.length, 0))
    // without leads and kerf it is what the parts list says
    const nominal = g!.kinds.reduce((s, k) => s + k.cutMm * k.marks.length, 0)
    expect(told.run.cutMm / nominal).toBeGreaterThan(0.9)
    expect(told.run.cutMm / nominal).toBeLessThan(1.15)
    expect(told.run.spots).toEqual([])
    // what the table only marks is told, not forgotten
    const small = sheetRun(g!, 0, table, { ...defaultRules, cutHoleT: 4 })
    expect('run' in small && [small.drilled, small.run.passes.length + small.drilled]).toEqual([expect.any(Number), told.run.passes.length])
    expect('run' in small && small.drilled).toBeGreaterThan(0)
  })
  test('nobody tried that thickness, no table, a sheet that is larger than it: no seconds, and what is missing', () => {
    expect(sheetRun(g!, 0, null, defaultRules)).toEqual({ missing: expect.stringMatching(/no cutting table/) })
    expect(sheetRun(g!, 0, { ...table!, cuts: [] }, defaultRules)).toEqual({
      missing: expect.stringMatching(/how the table cuts .*\{g 2\} clean/),
    })
    expect(sheetRun(g!, 0, { ...table!, lengthMm: 900 }, defaultRules)).toEqual({ missing: expect.stringMatching(/as large as the sheet/) })
  })
  test('of two that are near enough the nearer holds, of two alike the later', () => {
    const at = (thicknessMm: number, feedMmMin: number, on: string | null) => ({
      ...table!.cuts[0]!,
      id: `${feedMmMin}`,
      thicknessMm,
      feedMmMin,
      on,
    })
    const cuts = [at(1.95, 1, null), at(2, 2, '2026-01-02'), at(2, 3, '2026-03-01'), at(3, 4, '2026-08-01')]
    expect(cutOf({ ...table!, cuts }, 'al5052h32', 2)?.feedMmMin).toBe(3)
    expect(cutOf({ ...table!, cuts }, 'al5052h32', 2.5)).toBeNull()
    expect(cutOf({ ...table!, cuts }, 'steel', 2)).toBeNull()
  })
  test('an edge with a notch keeps half a kerf everywhere', () => {
    const notch = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 60 },
      { x: 60, y: 60 },
      { x: 60, y: 30 },
      { x: 40, y: 30 },
      { x: 40, y: 60 },
      { x: 0, y: 60 },
    ]
    for (const q of pointsOf(edgeContour(notch, 3, 'right').path)) {
      const away = distanceToEdge(q, notch)
      // corners outside are mitred: no more than twice half the kerf away
      expect(away > 1.5 - 1e-3 && away < 3).toBe(true)
      expect(isInside(q, notch)).toBe(false)
    }
  })
})
