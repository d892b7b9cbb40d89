import { z } from 'zod'
import type { Point } from '../geometry/vec3'
import { type Fault, MAX_FILE_BYTES } from '../issue/faults'
import { MM_PER_INCH } from '../quantity/units'
import { CutPaths } from './cutPaths'
import { readLine } from './program'

/** A program for the table, as text. */
export const TableAskedSchema = z.object({ program: z.string().min(1, 'a program is wanted').max(MAX_FILE_BYTES) })
const MOST_SPOTS = 200
/** What its run came to: seconds, pierces, length with the torch on, where it would spoil something, and the way it went. mm */
export const TableRanSchema = z.object({
  simulated: z.literal(true),
  seconds: z.number(),
  pierces: z.number(),
  cutMm: z.number(),
  spots: z.array(z.object({ x: z.number(), y: z.number(), says: z.string().max(200) })).max(MOST_SPOTS),
  runs: z.array(z.object({ on: z.boolean(), path: z.array(z.tuple([z.number(), z.number()])) })),
})
export type TableRan = z.infer<typeof TableRanSchema>
export type TableTold = { ran: TableRan } | { faults: Fault[] }

/** A made-up table of our own. mm, mm/min */
const BED = { width: 3200, height: 1600 }
const RAPID = 12_000
const KERF_MM = 1
/** Longer than that is no program for a sheet: it is refused before it is run. Lines, mm */
const MOST_LINES = 50_000
const FARTHEST_MM = 20_000
const LONGEST_MM = 5_000_000
/** An arc is drawn by chords that leave it by no more; so many points are shown. mm */
const CHORD_OFF_MM = 0.05
const MOST_POINTS = 150_000

type Moved = { way: Point[]; longMm: number }
type Head = { at: Point; torch: boolean; move: number; feed: number; perUnit: number; pierced: boolean }
type Run = { on: boolean; path: Point[] }

/**
 * A cutting table that is none: it reads a program of ISO 6983 line by line, runs it and tells what it did. It knows nothing of parts: what it names it sees by
 * where its torch went. Nothing throws.
 */
export function runOnTable(program: string): TableTold {
  const lines = program.split(/\r\n|\r|\n/)
  if (lines.length > MOST_LINES) return { faults: [{ where: 'the program', expected: `${MOST_LINES} lines or fewer` }] }
  const head: Head = { at: { x: 0, y: 0 }, torch: false, move: 0, feed: 0, perUnit: 1, pierced: false }
  const runs: Run[] = []
  const spots: TableRan['spots'] = []
  const cut = new CutPaths()
  let [seconds, pierces, cutMm, wayMm] = [0, 0, 0, 0]
  const say = (at: Point, says: string) => {
    if (spots.length < MOST_SPOTS) spots.push({ x: at.x, y: at.y, says })
  }
  const off = () => {
    const last = runs[runs.length - 1]
    const through = head.torch && last ? cut.add(last.path) : null
    if (through) say(through, 'cuts through an earlier cut')
    head.torch = false
  }
  for (const [i, raw] of lines.entries()) {
    const fault = (expected: string): TableTold => ({ faults: [{ where: `line ${i + 1}`, expected }] })
    const line = readLine(raw)
    if (line === null) continue
    if (typeof line === 'string') return fault(line)
    const { codes, words } = line
    for (const c of codes) {
      if (c === 'G20' || c === 'G21') head.perUnit = c === 'G20' ? MM_PER_INCH : 1
      if (/^G[0-3]$/.test(c)) head.move = Number(c.slice(1))
      if (c === 'M5') off()
      if (c === 'M3') {
        off()
        if (cut.near(head.at, KERF_MM)) say(head.at, 'pierces on a cut that is there already')
        Object.assign(head, { torch: true, pierced: false })
        pierces++
        runs.push({ on: true, path: [head.at] })
      }
    }
    if (words.has('F')) head.feed = words.get('F')! * head.perUnit
    if (codes.includes('G4')) {
      seconds += Math.max(0, words.get('P') ?? 0)
      head.pierced = true
      continue
    }
    if (!words.has('X') && !words.has('Y')) continue
    const told = moved(head, words)
    if (typeof told === 'string') return fault(told)
    wayMm += told.longMm
    if (wayMm > LONGEST_MM) return { faults: [{ where: 'the program', expected: `a way of ${LONGEST_MM / 1e6} km or less` }] }
    if (head.move === 0) {
      if (head.torch) say(head.at, 'moves fast with the torch on')
      seconds += (told.longMm / RAPID) * 60
      runs.push({ on: false, path: told.way })
    } else {
      if (head.feed <= 0) return fault('a feed before the first cut')
      seconds += (told.longMm / head.feed) * 60
      if (head.torch) {
        cutMm += told.longMm
        if (!head.pierced) say(head.at, 'moves off before it has pierced')
        runs[runs.length - 1]!.path.push(...told.way.slice(1))
      }
    }
    head.pierced = true
    const to = told.way[told.way.length - 1]!
    if (to.x < 0 || to.y < 0 || to.x > BED.width || to.y > BED.height) say(to, `off the bed of {${BED.width}} × {${BED.height}}`)
    head.at = to
  }
  if (head.torch) say(head.at, 'the torch is never switched off')
  off()
  return { ran: { simulated: true, ...{ seconds, pierces, cutMm, spots }, runs: shown(runs) } }
}

/** Where a line takes the head, and how far; or what was expected instead. */
function moved({ at, move, perUnit }: Head, words: Map<string, number>): Moved | string {
  const figure = (letter: string, else_: number): number => (words.has(letter) ? words.get(letter)! * perUnit : else_)
  const to = { x: figure('X', at.x), y: figure('Y', at.y) }
  const middle = { x: at.x + figure('I', 0), y: at.y + figure('J', 0) }
  const farthest = Math.max(...[to.x, to.y, ...(move > 1 ? [middle.x, middle.y] : [])].map(Math.abs))
  if (farthest > FARTHEST_MM) return `a place within ${FARTHEST_MM / 1000} m`
  if (move < 2) return { way: [at, to], longMm: Math.hypot(to.x - at.x, to.y - at.y) }
  return arc(at, to, middle, move === 3) ?? 'an arc that ends on its own circle'
}

/** An arc about its middle, by its own length and in chords; null where its end is on another circle than its beginning. mm */
function arc(from: Point, to: Point, m: Point, counter: boolean): Moved | null {
  const [r, end] = [Math.hypot(from.x - m.x, from.y - m.y), Math.hypot(to.x - m.x, to.y - m.y)]
  if (r < 1e-6 || Math.abs(r - end) > 0.01) return null
  const [a, b] = [Math.atan2(from.y - m.y, from.x - m.x), Math.atan2(to.y - m.y, to.x - m.x)]
  const full = 2 * Math.PI
  const by = counter ? (b - a + full) % full || full : -((a - b + full) % full || full)
  const n = Math.max(4, Math.ceil(Math.abs(by) / (2 * Math.acos(Math.max(0, 1 - CHORD_OFF_MM / r)))))
  const way = Array.from({ length: n + 1 }, (_, i) =>
    i === n ? to : { x: m.x + r * Math.cos(a + (by * i) / n), y: m.y + r * Math.sin(a + (by * i) / n) },
  )
  return { way, longMm: r * Math.abs(by) }
}

/** The way it went, as much of it as is drawn. */
function shown(runs: Run[]): TableRan['runs'] {
  const drawn: TableRan['runs'] = []
  let points = 0
  for (const { on, path } of runs.filter((r) => r.path.length > 1)) {
    points += path.length
    if (points > MOST_POINTS) break
    drawn.push({ on, path: path.map((p): [number, number] => [p.x, p.y]) })
  }
  return drawn
}
