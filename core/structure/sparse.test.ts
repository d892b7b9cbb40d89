import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { localAxes } from '../geometry/localAxes'
import { endLoads, insideAt, localStiffness, release, type SpanLoad, telling } from './element'
import { addTo, backSubstitute, factorise, freeMotion, numberNodes, sparse } from './sparse'

/** A spring network on n places: always symmetric, positive definite once every place is held a little. */
const networks = fc.integer({ min: 2, max: 14 }).chain((n) =>
  fc.record({
    n: fc.constant(n),
    links: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1), fc.double({ min: 0.1, max: 50, noNaN: true })), { maxLength: 30 }),
    right: fc.array(fc.double({ min: -100, max: 100, noNaN: true }), { minLength: n, maxLength: n }),
  }),
)
type Network = { n: number; links: [number, number, number][]; right: number[] }
function build({ n, links }: Network, held: number) {
  const full = Array.from({ length: n }, (_, i) => Array.from({ length: n }, (_, j) => (i === j ? held : 0)))
  const m = sparse(
    n,
    links.map(([a, b]) => Int32Array.of(a, b)),
  )
  for (let i = 0; i < n; i++) addTo(m, i, i, held)
  for (const [a, b, k] of links) {
    if (a === b) continue
    for (const [i, j, v] of [
      [a, a, k],
      [b, b, k],
      [a, b, -k],
    ]) {
      full[i][j] += v
      if (i !== j) full[j][i] += v
      addTo(m, i, j, v)
    }
  }
  return { m, full }
}

describe('L·D·Lᵀ of a matrix with few entries', () => {
  test('solves what it was given: K·x is the right side again', () => {
    fc.assert(
      fc.property(networks, (given) => {
        const { m, full } = build(given, 0.5)
        expect(factorise(m)).toBeNull()
        const x = Float64Array.from(given.right)
        backSubstitute(m, x)
        full.forEach((row, i) => {
          expect(row.reduce((s, k, j) => s + k * x[j], 0)).toBeCloseTo(given.right[i], 6)
        })
      }),
    )
  })
  test('a network that nothing holds has a pivot with nothing left, and moves as a whole', () => {
    const chain: Network = {
      n: 4,
      links: [
        [0, 1, 3],
        [1, 2, 5],
        [2, 3, 7],
      ],
      right: [],
    }
    const { m } = build(chain, 0)
    const loose = factorise(m)
    expect(loose).toBe(3)
    expect([...freeMotion(m, 3)].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([1, 1, 1, 1])
  })
  test('a hub with arms is eliminated from the tips of its arms inwards: nothing fills in', () => {
    // 0 – 1 – 2, and 1 – 3 with 4 and 5 behind it: 1 and 3 may only come once one neighbour is left to each
    for (const hub of [
      [0, 3, 2],
      [2, 0, 3],
    ]) {
      const order = numberNodes([[1], hub, [1], [1, 4, 5], [3], [3]])
      const at = (n: number) => order.indexOf(n)
      const gone = (n: number, of: number[]) => of.filter((o) => at(o) < at(n)).length
      expect(gone(1, hub)).toBeGreaterThanOrEqual(2)
      expect(gone(3, [1, 4, 5])).toBeGreaterThanOrEqual(2)
    }
  })
  test('bars that lie across two rails fill in only where they meet them, however many there are', () => {
    const bars = 40
    // node 7·b + k: k from 0 (left rail) over five places of the bar to 6 (right rail)
    const links = Array.from({ length: bars }, (_, b) => [
      ...[0, 1, 2, 3, 4, 5].map((k) => [7 * b + k, 7 * b + k + 1]),
      ...(b ? [0, 6].map((k) => [7 * b + k, 7 * (b - 1) + k]) : []),
    ]).flat()
    const near = Array.from({ length: 7 * bars }, (_, i) => links.flatMap(([a, b]) => (a === i ? [b] : b === i ? [a] : [])))
    const place = numberNodes(near).reduce<number[]>((at, n, i) => {
      at[n] = i
      return at
    }, [])
    const m = sparse(
      near.length,
      links.map(([a, b]) => Int32Array.of(place[a], place[b])),
    )
    near.forEach((_, i) => {
      addTo(m, i, i, 10)
    })
    expect(factorise(m)).toBeNull()
    // a ladder has two to three entries below each pivot; numbered along its bars it would have about seven
    expect(m.below.length / near.length).toBeLessThan(2.5)
  })
  test('numbering names every node once, whatever hangs together', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 30 }), fc.array(fc.tuple(fc.nat(29), fc.nat(29)), { maxLength: 60 }), (n, pairs) => {
        const neighbours = Array.from({ length: n }, (_, i) => [
          ...new Set(pairs.flatMap(([a, b]) => (a === i && b < n ? [b] : b === i && a < n ? [a] : []))),
        ])
        expect([...numberNodes(neighbours)].sort((a, b) => a - b)).toEqual(Array.from({ length: n }, (_, i) => i))
      }),
    )
  })
})

describe('one member', () => {
  const section = { A: 500, Iy: 80_000, Iz: 120_000, J: 150_000 }
  const k = localStiffness(1000, section, { E: 210_000, G: 81_000 })
  test('its stiffness is symmetric and does no work when it is only carried or turned as a whole', () => {
    for (let i = 0; i < 12; i++) for (let j = 0; j < 12; j++) expect(k[i * 12 + j]).toBe(k[j * 12 + i])
    const rigid = [
      [1, 0, 0, 0, 0, 0, 1, 0, 0, 0, 0, 0],
      [0, 1, 0, 0, 0, 0, 0, 1, 0, 0, 0, 0],
      [0, 0, 1, 0, 0, 0, 0, 0, 1, 0, 0, 0],
      [0, 0, 0, 1, 0, 0, 0, 0, 0, 1, 0, 0],
      [0, 0, 0, 0, 1, 0, 0, 0, -1000, 0, 1, 0],
      [0, 0, 0, 0, 0, 1, 0, 1000, 0, 0, 0, 1],
    ]
    for (const u of rigid) for (let i = 0; i < 12; i++) expect(Math.abs(u.reduce((s, v, j) => s + k[i * 12 + j] * v, 0))).toBeLessThan(1e-3)
  })
  test('a force P at a from one end of L: P·b²·(3a + b)/L³ and P·a·b²/L² there (Gere & Goodno, table of fixed-end actions)', () => {
    const f = new Float64Array(12)
    const [L, a, P] = [1000, 300, 800]
    const b = L - a
    endLoads(L, [{ force: [0, P, 0], at: a }], f)
    expect(f[1]).toBeCloseTo((P * b ** 2 * (3 * a + b)) / L ** 3, 6)
    expect(f[5]).toBeCloseTo((P * a * b ** 2) / L ** 2, 6)
    expect(f[7]).toBeCloseTo((P * a ** 2 * (3 * b + a)) / L ** 3, 6)
    expect(f[11]).toBeCloseTo((-P * a ** 2 * b) / L ** 2, 6)
  })
  test('a stretch of spread load is the same as many small forces along it', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 400, noNaN: true }), fc.double({ min: 10, max: 500, noNaN: true }), (from, length) => {
        const [one, many] = [new Float64Array(12), new Float64Array(12)]
        endLoads(1000, [{ perMm: [0.1, -0.4, 0.7], from, to: from + length }], one)
        const n = 2000
        const bits: SpanLoad[] = Array.from({ length: n }, (_, i) => ({
          force: [0.1, -0.4, 0.7].map((q) => (q * length) / n) as [number, number, number],
          at: from + (length * (i + 0.5)) / n,
        }))
        endLoads(1000, bits, many)
        one.forEach((v, i) => {
          expect(Math.abs(v - many[i])).toBeLessThan(1e-3 * Math.max(1, Math.abs(v)))
        })
      }),
      { numRuns: 20 },
    )
  })
  test('with its far end free to turn it is 3EI/L stiff at the near one, and carries q·L²/8 there', () => {
    const own = k.slice()
    const f = new Float64Array(12)
    endLoads(1000, [{ perMm: [0, 1, 0], from: 0, to: 1000 }], f)
    release(own, f, [11])
    expect(own[5 * 12 + 5]).toBeCloseTo((3 * 210_000 * 120_000) / 1000, 0)
    expect(f[5]).toBeCloseTo(1000 ** 2 / 8, 3)
    expect(f[11]).toBe(0)
    expect([...own.slice(11 * 12)].every((v) => v === 0)).toBe(true)
  })
  test('inside a simple beam under a force in its middle: bending F·L/4 there, shear jumps, and the telling places hold it', () => {
    const ends = new Float64Array(12)
    ends[1] = 400
    ends[7] = 400
    const loads: SpanLoad[] = [{ force: [0, -800, 0], at: 500 }]
    expect(insideAt(500, ends, 0, loads).momentZ).toBeCloseTo((800 * 1000) / 4, 6)
    expect([insideAt(499, ends, 0, loads).shearY, insideAt(501, ends, 0, loads).shearY]).toEqual([400, -400])
    expect(telling(1000, ends, 0, loads)).toContain(500)
  })
  test('a member upright but for a hair has square axes too', () => {
    const [ex, ey] = localAxes([0, 0, 0], [3e-7, 4e-7, 1], 0)
    expect(Math.abs(ex[0] * ey[0] + ex[1] * ey[1] + ex[2] * ey[2])).toBeLessThan(1e-15)
  })
  test('axes are at right angles and right-handed for every direction and roll', () => {
    const part = fc.double({ min: -1, max: 1, noNaN: true })
    fc.assert(
      fc.property(part, part, part, fc.integer({ min: -180, max: 180 }), (x, y, z, roll) => {
        fc.pre(Math.hypot(x, y, z) > 0.01)
        const [ex, ey, ez] = localAxes([0, 0, 0], [x, y, z], roll)
        const dot = (a: number[], b: number[]) => a.reduce((s, v, i) => s + v * b[i], 0)
        for (const [a, b] of [
          [ex, ey],
          [ey, ez],
          [ez, ex],
        ])
          expect(Math.abs(dot(a, b))).toBeLessThan(1e-9)
        expect(
          ex[0] * (ey[1] * ez[2] - ey[2] * ez[1]) + ex[1] * (ey[2] * ez[0] - ey[0] * ez[2]) + ex[2] * (ey[0] * ez[1] - ey[1] * ez[0]),
        ).toBeCloseTo(1, 9)
      }),
    )
  })
})
