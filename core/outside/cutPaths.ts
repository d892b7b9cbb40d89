import type { Point } from '../geometry/vec3'

type Stretch = { a: Point; b: Point }
/** What was cut is looked for cell by cell, each stretch under the cells that it passes. mm */
const CELL_MM = 25
const off = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y)
const side = (a: Point, b: Point, c: Point): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
const crosses = (p: Stretch, q: Stretch): boolean =>
  side(p.a, p.b, q.a) * side(p.a, p.b, q.b) < 0 && side(q.a, q.b, p.a) * side(q.a, q.b, p.b) < 0

/** What was cut so far, so that a pierce on it and a cut through it are found without looking at all of it. */
export class CutPaths {
  private cells = new Map<string, Stretch[]>()

  /** Whether some cut comes so near to a place. mm */
  near(at: Point, withinMm: number): boolean {
    const low = { x: at.x - withinMm, y: at.y - withinMm }
    const high = { x: at.x + withinMm, y: at.y + withinMm }
    return this.under(keysBetween(low, high)).some((s) => fromStretch(at, s) < withinMm)
  }

  /** Takes a cut in; the stretch of it that first runs through an earlier one begins there, null where none does. mm */
  add(path: Point[]): Point | null {
    const own = path.slice(1).map((b, i) => ({ stretch: { a: path[i]!, b }, keys: keysAlong(path[i]!, b) }))
    const hit = own.find(({ stretch, keys }) => this.under(keys).some((s) => crosses(stretch, s)))
    for (const { stretch, keys } of own)
      for (const key of keys) {
        const there = this.cells.get(key)
        if (there) there.push(stretch)
        else this.cells.set(key, [stretch])
      }
    return hit ? hit.stretch.a : null
  }

  private under(keys: Iterable<string>): Stretch[] {
    return [...keys].flatMap((k) => this.cells.get(k) ?? [])
  }
}

const cell = (v: number): number => Math.floor(v / CELL_MM)
function keysBetween(low: Point, high: Point): string[] {
  const keys: string[] = []
  for (let x = cell(low.x); x <= cell(high.x); x++) for (let y = cell(low.y); y <= cell(high.y); y++) keys.push(`${x} ${y}`)
  return keys
}

/** Cells that a stretch passes, found piece by piece, each no longer than a cell. */
function keysAlong(a: Point, b: Point): Set<string> {
  const parts = Math.max(1, Math.ceil(off(a, b) / CELL_MM))
  const at = (k: number): Point => ({ x: a.x + ((b.x - a.x) * k) / parts, y: a.y + ((b.y - a.y) * k) / parts })
  return new Set(
    Array.from({ length: parts }, (_, k) => [at(k), at(k + 1)] as const).flatMap(([p, q]) =>
      keysBetween({ x: Math.min(p.x, q.x), y: Math.min(p.y, q.y) }, { x: Math.max(p.x, q.x), y: Math.max(p.y, q.y) }),
    ),
  )
}

function fromStretch(at: Point, { a, b }: Stretch): number {
  const long = off(a, b)
  const t = long > 0 ? Math.max(0, Math.min(1, ((at.x - a.x) * (b.x - a.x) + (at.y - a.y) * (b.y - a.y)) / long ** 2)) : 0
  return off(at, { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t })
}
