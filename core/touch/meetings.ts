import type { Vec3 } from '../geometry/vec3'
import type { Contact, Kit, KitBody } from './kit'
import type { Solid } from './solids'

/** Two things near one another: the gap, less than 0 = how deep they stand in one another, and the two nearest points. mm */
export type Meeting = Contact & { a: Solid; b: Solid }

type Box = { low: Vec3; high: Vec3 }
type Held = { box: Box; hulls: { box: Box; body: KitBody }[] }

export const boxRound = (points: Vec3[]): Box => {
  const [low, high] = [{ ...points[0]! }, { ...points[0]! }]
  for (const p of points)
    for (const k of ['x', 'y', 'z'] as const) {
      if (p[k] < low[k]) low[k] = p[k]
      if (p[k] > high[k]) high[k] = p[k]
    }
  return { low, high }
}
/** Two boxes no farther apart than so much along any axis. */
const near = (a: Box, b: Box, mm: number): boolean =>
  a.low.x - b.high.x < mm &&
  b.low.x - a.high.x < mm &&
  a.low.y - b.high.y < mm &&
  b.low.y - a.high.y < mm &&
  a.low.z - b.high.z < mm &&
  b.low.z - a.high.z < mm

/**
 * Measures pairs of solids, and remembers: a solid that did not change keeps its bodies, a pair of which neither changed keeps its gap. So that after a
 * change only the pairs of what moved are worked out again.
 */
export class Measurer {
  private held = new Map<string, Held>()
  private pairs = new Map<string, Contact | null>()
  private used = { held: new Set<string>(), pairs: new Set<string>() }
  constructor(private kit: Kit) {}

  /** Every pair that is asked for and nearer than so much, nearest first. mm */
  meetings(solids: Solid[], asked: (a: Solid, b: Solid) => boolean, withinMm: number): Meeting[] {
    this.used = { held: new Set(), pairs: new Set() }
    const keyed = solids.map((solid) => ({ solid, key: keyOf(solid) }))
    const out: Meeting[] = []
    keyed.forEach(({ solid: a, key: ka }, i) => {
      for (const { solid: b, key: kb } of keyed.slice(i + 1)) {
        if (!near(this.hold(a, ka).box, this.hold(b, kb).box, withinMm) || !asked(a, b)) continue
        const found = this.remembered(a, ka, b, kb, withinMm)
        if (found) out.push({ a, b, ...found })
      }
    })
    this.forgetUnused()
    return out.sort((p, q) => p.gapMm - q.gapMm)
  }

  private remembered(a: Solid, ka: string, b: Solid, kb: string, withinMm: number): Contact | null {
    const key = `${ka}|${kb}|${withinMm}`
    this.used.pairs.add(key)
    const known = this.pairs.get(key)
    if (known !== undefined) return known
    const found = this.between(a, ka, b, kb, withinMm)
    this.pairs.set(key, found)
    return found
  }

  /** Filled, and where that says they meet and one is a tube that the other may lie inside, wall by wall. */
  private between(a: Solid, ka: string, b: Solid, kb: string, withinMm: number): Contact | null {
    const filled = nearest(this.kit, this.hold(a, ka), this.hold(b, kb), withinMm)
    if (!filled || filled.gapMm >= 0 || !(a.walls || b.walls)) return filled
    const open = (s: Solid, key: string) => (s.walls ? this.hold({ ...s, hulls: s.walls() }, `${key}#`) : this.hold(s, key))
    return nearest(this.kit, open(a, ka), open(b, kb), withinMm)
  }

  private hold(solid: Solid, key: string): Held {
    this.used.held.add(key)
    const known = this.held.get(key)
    if (known) return known
    const made: Held = {
      box: boxRound(solid.hulls.flat()),
      hulls: solid.hulls.flatMap((corners) => {
        const body = this.kit.body(corners)
        return body ? [{ body, box: boxRound(corners) }] : []
      }),
    }
    this.held.set(key, made)
    return made
  }

  private forgetUnused(): void {
    for (const [key, h] of this.held)
      if (!this.used.held.has(key)) {
        for (const { body } of h.hulls) this.kit.forget(body)
        this.held.delete(key)
      }
    for (const key of this.pairs.keys()) if (!this.used.pairs.has(key)) this.pairs.delete(key)
  }
}

/** The deepest of what meets, else the nearest of what does not. */
function nearest(kit: Kit, a: Held, b: Held, withinMm: number): Contact | null {
  let best: Contact | null = null
  for (const p of a.hulls) {
    if (!near(p.box, b.box, withinMm)) continue
    for (const q of b.hulls) {
      const within = best ? Math.max(0, Math.min(withinMm, best.gapMm)) : withinMm
      if (!near(p.box, q.box, within)) continue
      const found = kit.contact(p.body, q.body, within)
      if (found && (!best || found.gapMm < best.gapMm)) best = found
    }
  }
  return best
}

/** Solids of the same corners are the same solid. */
const keyOf = (s: Solid): string => {
  let text = `${s.id}`
  for (const h of s.hulls) for (const p of h) text += `,${Math.round(p.x * 100)},${Math.round(p.y * 100)},${Math.round(p.z * 100)}`
  return text
}
