import { type Figure, figure, type Input } from '../figure/figure'
import { hull } from '../geometry/polygon'
import type { Point } from '../geometry/vec3'
import type { Block } from './blocks'
import { heightOf, type InsidePlace, type InsideThing } from './inside'

export type Stowed = InsideThing & { place: InsidePlace }
/** A thing as it stands, with what it fills. */
export type Standing = { t: Stowed; blocks: Block[] }

/** A top so near under a thing bears it. mm */
const TOUCHES_MM = 3
export const onFloor = (t: Stowed): boolean => heightOf(t.place) <= TOUCHES_MM

/** What each thing stands on that is not on the floor: boxes that begin lower and whose top is under it. */
export type Bearers = ReadonlyMap<Standing, Standing[]>
export const bearersOf = (all: Standing[]): Bearers =>
  new Map(
    all.map((a) => [
      a,
      onFloor(a.t) ? [] : all.filter((o) => o.t.kind === 'box' && heightOf(o.t.place) < heightOf(a.t.place) && laps(a, o).length > 0),
    ]),
  )

const baseOf = ({ t, blocks }: Standing): Block[] => blocks.filter((b) => b.z0 - heightOf(t.place) < 1)
/** Where the underside of one lies on the top of another, as corners on the floor. */
function laps(a: Standing, o: Standing): Point[] {
  return baseOf(a).flatMap((p) =>
    o.blocks.flatMap((q) => {
      if (Math.abs(q.z1 - heightOf(a.t.place)) > TOUCHES_MM) return []
      const [x0, x1] = [Math.max(p.x0, q.x0), Math.min(p.x1, q.x1)]
      const [y0, y1] = [Math.max(p.y0, q.y0), Math.min(p.y1, q.y1)]
      return x1 - x0 < 1 || y1 - y0 < 1
        ? []
        : [
            { x: x0, y: y0 },
            { x: x1, y: y0 },
            { x: x1, y: y1 },
            { x: x0, y: y1 },
          ]
    }),
  )
}

/** The highest top under the middle of a thing, for it to be set down on; 0 = the floor. mm */
export function topUnder(a: Standing, all: Standing[]): number {
  const [base] = baseOf(a)
  if (!base) return 0
  const [x, y] = [(base.x0 + base.x1) / 2, (base.y0 + base.y1) / 2]
  const stands = aboveOf(a, bearersOf(all))
  const tops = all
    .filter((o) => o !== a && o.t.kind === 'box' && heightOf(o.t.place) < topOf(a) && !stands.has(o))
    .flatMap((o) => o.blocks.filter((b) => b.x0 <= x && x <= b.x1 && b.y0 <= y && y <= b.y1).map((b) => b.z1))
  return Math.max(0, ...tops)
}
const topOf = ({ blocks }: Standing): number => Math.max(...blocks.map((b) => b.z1))
/** All that stands on a thing, and on that, and so on. */
function aboveOf(a: Standing, bearers: Bearers): Set<Standing> {
  const found = new Set<Standing>()
  for (let next = [a]; next.length; ) {
    next = [...bearers].flatMap(([o, under]) => (!found.has(o) && under.some((u) => next.includes(u)) ? [o] : []))
    for (const o of next) found.add(o)
  }
  return found
}

/** Whether what bears a thing reaches round its middle; the middle of its length and width is taken as where it weighs. */
export function standsFirm(a: Standing, bearers: Standing[]): boolean {
  const round = hull(bearers.flatMap((o) => laps(a, o)))
  const [base] = baseOf(a)
  if (!base || round.length < 3) return false
  const at = { x: (base.x0 + base.x1) / 2, y: (base.y0 + base.y1) / 2 }
  // a hull runs left-handed or right-handed all round: the middle is on the same side of every edge
  const sides = round.map((p, i) => {
    const q = round[(i + 1) % round.length]!
    return (q.x - p.x) * (at.y - p.y) - (q.y - p.y) * (at.x - p.x)
  })
  return sides.every((s) => s >= -1e-6) || sides.every((s) => s <= 1e-6)
}

/** What stands on a box and what its top bears. Of what stands on several, each is taken to carry it all. */
export type Stack = { id: string; name: string; load: Figure; bearsKg: number | null; state: 'clear' | 'over' | 'unknown' }
export function stacksOf(bearers: Bearers): Stack[] {
  return [...bearers.keys()].flatMap((o): Stack[] => {
    const carried = [...aboveOf(o, bearers)]
    if (!carried.length) return []
    const load = figure(
      {
        ...{ id: `inside.on.${o.t.id}`, name: `On top of ${o.t.name}`, unit: 'kg', formula: 'm = Σ mᵢ' },
        source: 'statics; what stands on several boxes is taken to stand on each of them alone',
        with: { m: carried.map((a): Input => [a.t.massKg, 'kg', `mass of ${a.t.name}`]) },
      },
      ({ m }) => m.reduce((s, kg) => s + kg, 0),
    )
    const bears = o.t.bearsKg
    const state = load.value === null || bears === null ? 'unknown' : load.value > bears ? 'over' : 'clear'
    return [{ id: o.t.id, name: o.t.name, load, bearsKg: bears, state }]
  })
}
