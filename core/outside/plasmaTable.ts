import { z } from 'zod'
import type { Point } from '../geometry/vec3'
import { type Fault, MAX_FILE_BYTES } from '../issue/faults'

/** A program for the table, as text. */
export const TableAskedSchema = z.object({ program: z.string().min(1, 'a program is wanted').max(MAX_FILE_BYTES) })
const spot = z.object({ x: z.number(), y: z.number(), says: z.string().max(200) })
const path = z.array(z.tuple([z.number(), z.number()]))
/** What its run came to: seconds, pierces, length with the torch on, where it would spoil something, and the way it went. mm */
export const TableRanSchema = z.object({
  simulated: z.literal(true),
  seconds: z.number(),
  pierces: z.number(),
  cutMm: z.number(),
  spots: z.array(spot).max(200),
  runs: z.array(z.object({ on: z.boolean(), path })).max(20_000),
})
export type TableRan = z.infer<typeof TableRanSchema>

/** A made-up table of our own. mm, mm/min */
const BED = { width: 3200, height: 1600 }
const RAPID = 12_000
const KERF_MM = 1
const MOST_LINES = 200_000
const WORDS = new Set(['G', 'M', 'X', 'Y', 'I', 'J', 'F', 'P', 'N', 'S', 'T', 'Z'])
const CODES = new Set(['G0', 'G1', 'G2', 'G3', 'G4', 'G17', 'G21', 'G20', 'G40', 'G90', 'M3', 'M5', 'M30', 'M2'])

const off = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y)

/**
 * A cutting table that is none: it reads a program of ISO 6983 line by line, runs it and tells what it did. It knows nothing of parts: what it names it sees by
 * where its torch went. Nothing throws.
 */
export function runOnTable(program: string): { ran: TableRan } | { faults: Fault[] } {
  const lines = program.split(/\r\n|\r|\n/)
  const fault = (i: number, expected: string) => ({ faults: [{ where: `line ${i + 1}`, expected }] })
  if (lines.length > MOST_LINES) return { faults: [{ where: 'the program', expected: `${MOST_LINES} lines or fewer` }] }
  const runs: { on: boolean; path: Point[] }[] = []
  const spots: TableRan['spots'] = []
  let [head, torch, move, feed, unit]: [Point, boolean, number, number, number] = [{ x: 0, y: 0 }, false, 0, 0, 1]
  let [seconds, pierces, cutMm, paused] = [0, 0, 0, false]
  const say = (at: Point, says: string) => spots.push({ x: at.x, y: at.y, says })
  for (const [i, raw] of lines.entries()) {
    const text = raw
      .replace(/\([^)]*\)/g, '')
      .replace(/;.*$/, '')
      .trim()
    if (!text || text === '%') continue
    const words = [...text.matchAll(/([A-Za-z])\s*([-+]?[\d.]+)/g)].map((m) => [m[1]!.toUpperCase(), Number(m[2])] as const)
    if (words.map(([k, v]) => `${k}${v}`).join('').length < 2 || /[^A-Za-z0-9.+\-\s]/.test(text))
      return fault(i, 'words of a letter and a number')
    const has = new Map<string, number>()
    for (const [k, v] of words) {
      if (!WORDS.has(k) || !Number.isFinite(v)) return fault(i, `a word this table knows: not ${k}${v}`)
      if (k !== 'G' && k !== 'M') has.set(k, v)
      else if (!CODES.has(`${k}${v}`)) return fault(i, `a code this table knows: not ${k}${v}`)
    }
    const codes = words.filter(([k]) => k === 'G' || k === 'M').map(([k, v]) => `${k}${v}`)
    for (const c of codes) {
      if (c === 'G20') unit = 25.4
      if (c === 'G21') unit = 1
      if (c === 'M3') {
        torch = true
        pierces++
        paused = false
        if (runs.some((r) => r.on && near(head, r.path))) say(head, 'pierces on a cut that is there already')
        runs.push({ on: true, path: [head] })
      }
      if (c === 'M5') torch = false
      if (/^G[0-3]$/.test(c)) move = Number(c.slice(1))
    }
    if (has.has('F')) feed = has.get('F')! * unit
    if (codes.includes('G4')) {
      seconds += has.get('P') ?? 0
      paused = true
      continue
    }
    if (!has.has('X') && !has.has('Y')) continue
    const to = { x: (has.get('X') ?? head.x / unit) * unit, y: (has.get('Y') ?? head.y / unit) * unit }
    const way = move > 1 ? arc(head, to, { x: (has.get('I') ?? 0) * unit, y: (has.get('J') ?? 0) * unit }, move === 3) : [head, to]
    if (!way) return fault(i, 'an arc that ends on its own circle')
    const long = way.slice(1).reduce((s, p, k) => s + off(p, way[k]!), 0)
    if (move === 0) {
      if (torch) say(head, 'moves fast with the torch on')
      seconds += (long / RAPID) * 60
      runs.push({ on: false, path: [head, to] })
    } else {
      if (feed <= 0) return fault(i, 'a feed before the first cut')
      seconds += (long / feed) * 60
      if (torch) {
        cutMm += long
        if (!paused) say(head, 'moves off before it has pierced')
        runs[runs.length - 1]!.path.push(...way.slice(1))
      }
    }
    paused = true
    if (to.x < 0 || to.y < 0 || to.x > BED.width || to.y > BED.height) say(to, `off the bed of {${BED.width}} × {${BED.height}}`)
    head = to
  }
  if (torch) say(head, 'the torch is never switched off')
  spots.push(...crossings(runs.filter((r) => r.on).map((r) => r.path)))
  const cuts = runs.filter((r) => r.path.length > 1)
  return {
    ran: {
      simulated: true,
      ...{ seconds, pierces, cutMm },
      spots: spots.slice(0, 200),
      runs: cuts.slice(0, 20_000).map((r) => ({ on: r.on, path: r.path.map((p): [number, number] => [p.x, p.y]) })),
    },
  }
}

/** Points along an arc about its middle; null where its end is on another circle than its beginning. mm */
function arc(from: Point, to: Point, middleFrom: Point, counter: boolean): Point[] | null {
  const m = { x: from.x + middleFrom.x, y: from.y + middleFrom.y }
  const [r, end] = [off(from, m), off(to, m)]
  if (r < 1e-6 || Math.abs(r - end) > 0.01) return null
  const [a, b] = [Math.atan2(from.y - m.y, from.x - m.x), Math.atan2(to.y - m.y, to.x - m.x)]
  const full = 2 * Math.PI
  const by = counter ? (b - a + full) % full || full : -((a - b + full) % full || full)
  const n = Math.max(8, Math.ceil(Math.abs(by) / 0.05))
  return Array.from({ length: n + 1 }, (_, i) =>
    i === n ? to : { x: m.x + r * Math.cos(a + (by * i) / n), y: m.y + r * Math.sin(a + (by * i) / n) },
  )
}

const boxOf = (points: Point[]) => {
  const box = {
    left: Number.POSITIVE_INFINITY,
    right: Number.NEGATIVE_INFINITY,
    low: Number.POSITIVE_INFINITY,
    high: Number.NEGATIVE_INFINITY,
  }
  for (const p of points) {
    box.left = Math.min(box.left, p.x)
    box.right = Math.max(box.right, p.x)
    box.low = Math.min(box.low, p.y)
    box.high = Math.max(box.high, p.y)
  }
  return box
}
type Box = ReturnType<typeof boxOf>
const apart = (a: Box, b: Box, by: number): boolean =>
  a.left - by > b.right || b.left - by > a.right || a.low - by > b.high || b.low - by > a.high

function near(at: Point, path: Point[]): boolean {
  if (apart(boxOf([at]), boxOf(path), KERF_MM)) return false
  return path.slice(1).some((b, i) => {
    const a = path[i]!
    const long = off(a, b)
    const t = long > 0 ? Math.max(0, Math.min(1, ((at.x - a.x) * (b.x - a.x) + (at.y - a.y) * (b.y - a.y)) / long ** 2)) : 0
    return off(at, { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t }) < KERF_MM
  })
}

/** Where a cut runs through an earlier one: it spoils what was cut there. */
function crossings(paths: Point[][]): TableRan['spots'] {
  const boxes = paths.map(boxOf)
  const side = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
  return paths.flatMap((p, i) => {
    for (const [k, o] of paths.slice(0, i).entries()) {
      if (apart(boxes[i]!, boxes[k]!, 0)) continue
      for (const [n, a] of p.slice(0, -1).entries()) {
        const b = p[n + 1]!
        const hit = o
          .slice(0, -1)
          .some((c, m) => side(a, b, c) * side(a, b, o[m + 1]!) < 0 && side(c, o[m + 1]!, a) * side(c, o[m + 1]!, b) < 0)
        if (hit) return [{ x: a.x, y: a.y, says: 'cuts through an earlier cut' }]
      }
    }
    return []
  })
}
