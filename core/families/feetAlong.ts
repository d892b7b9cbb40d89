import { type MountLine, nearestMountX, type Vehicle } from '../vehicle/vehicle'
import type { Measure } from './family'

/** Shop's own: as far apart as feet usually stand. mm */
const FOOT_APART_MM = 900
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
