import type { Mount } from '../assembly/assembly'
import { footTypes } from '../catalogue/mounts'
import type { Issue } from '../issue/issue'
import { type MountLine, nearestMountX, type Vehicle } from '../vehicle/vehicle'
import type { Measure, Site } from './family'
import { letterOf, nameOf, sides } from './feetOnEdge'
import { overTo } from './overTo'

/** Shop's own: as far apart as feet usually stand. mm */
const FOOT_APART_MM = 900
/** A foot casting is so long. Shop's own, mm */
const NEAREST_MM = 80
type OnFeet = { mountId: string; footXMm: number[] }

/** Feet spread over the front of the first line of mounts, as a new piece begins. */
export function feetAlong({ mounts }: Vehicle): OnFeet {
  const [line] = mounts
  if (!line) return { mountId: '', footXMm: [0, FOOT_APART_MM] }
  const [from, to] = [line.fromXMm + 150, line.toXMm - 150]
  const rear = Math.max(from, to - 2 * FOOT_APART_MM)
  const n = Math.max(2, Math.round((to - rear) / FOOT_APART_MM) + 1)
  const wanted = Array.from({ length: n }, (_, i) => nearestMountX(line, rear + ((to - rear) * i) / (n - 1)))
  const footXMm = [...new Set(wanted.map(Math.round))]
  return { mountId: line.id, footXMm: footXMm.length > 1 ? footXMm : [footXMm[0]!, footXMm[0]! + 300] }
}

/** The feet of a design taken over from one vehicle to another. */
export function feetOver<P extends OnFeet>(p: P, { vehicle }: Site, from: Vehicle): P {
  const over = overTo(p.mountId, p.footXMm, from, vehicle)
  return over ? { ...p, mountId: over.line.id, footXMm: over.xMm } : p
}

/** Each foot's place as a figure that is typed or dragged. */
export const footMeasures = <P extends OnFeet>(p: P, line: MountLine | null): Measure<P>[] =>
  p.footXMm.map((x, i) => ({
    id: `foot:${i}`,
    label: `Foot ${i + 1} ahead of the rear axle`,
    unit: 'length' as const,
    value: x,
    min: line?.fromXMm ?? -5000,
    max: line?.toXMm ?? 8000,
    ...(line ? { snap: (v: number) => nearestMountX(line, v) } : {}),
    set: (q: P, v: number) => ({ ...q, footXMm: q.footXMm.map((o, k) => (k === i ? v : o)) }),
  }))

/** One more pair of feet in the middle of the widest gap, where one is wide enough. */
export function moreFeet<P extends OnFeet>(p: P, line: MountLine | null): { label: string; params: P }[] {
  const xs = [...p.footXMm].sort((a, b) => a - b)
  const widest = xs
    .slice(1)
    .reduce((best, x, i) => (x - xs[i]! > best.gap ? { gap: x - xs[i]!, at: (x + xs[i]!) / 2 } : best), { gap: 0, at: 0 })
  return line && widest.gap > 320 && p.footXMm.length < 10
    ? [{ label: 'one more pair of feet', params: { ...p, footXMm: [...p.footXMm, Math.round(nearestMountX(line, widest.at))] } }]
    : []
}

/** A pair of feet at each of those places on a line of the roof, under two members that run along it. */
export function feetOnLine(
  footXMm: number[],
  line: MountLine,
  half: (x: number) => number,
  on: (side: 'left' | 'right') => string,
): Mount[] {
  const foot = footTypes[line.kind]
  return footXMm.flatMap((x, i) =>
    sides.map(
      (side): Mount => ({
        id: `foot:${i}:${nameOf(side)}`,
        mark: `F${i + 1}${letterOf(side)}`,
        kind: line.kind,
        placeId: line.id,
        bodyId: line.bodyId,
        on: on(nameOf(side)),
        side: nameOf(side),
        place: { x, y: side * half(x), z: line.zMm },
        normal: { x: 0, y: 0, z: 1 },
        massKg: foot.massKg,
        backingMm: foot.drilled ? 50 : null,
        via: null,
      }),
    ),
  )
}

/** What is wrong with feet on a line: where it takes none, and two that stand too near. */
export function footFaults(footXMm: number[], line: MountLine): Issue[] {
  const xs = [...footXMm].sort((a, b) => a - b)
  return [
    ...footXMm.flatMap((x, i): Issue[] =>
      x < line.fromXMm - 0.5 || x > line.toXMm + 0.5 || Math.abs(nearestMountX(line, x) - x) > 1
        ? [
            {
              code: 'shape',
              at: ['params', 'footXMm', i],
              fix: [{ path: ['params', 'footXMm', i], to: nearestMountX(line, x) }],
              says: `Foot ${i + 1} stands where ${line.name} takes none`,
            },
          ]
        : [],
    ),
    ...(xs.some((x, i) => i > 0 && x - xs[i - 1]! < NEAREST_MM)
      ? [
          {
            code: 'shape' as const,
            at: ['params', 'footXMm'],
            fix: null,
            says: `Two feet stand nearer than {${NEAREST_MM}} to one another`,
          },
        ]
      : []),
  ]
}
