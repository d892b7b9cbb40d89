import type { Point } from '../geometry/vec3'
import { Impossible } from '../issue/impossible'
import { radians } from '../quantity/units'

/** What a tube is coped onto: a round tube of that radius, or a flat face (of a square tube, or a plate) at `halfMm` from its middle. */
export type Main = { kind: 'round'; radiusMm: number } | { kind: 'flat'; halfMm: number }
/**
 * How one tube meets another: `angleDeg` between the two centre lines, and how far those pass each other, to the side of positive x of the cut tube's own
 * section. mm
 */
export type Meeting = { main: Main; angleDeg: number; offsetMm: number }

/**
 * How far from the main tube's centre line a fibre of the cut tube ends, measured along the cut tube: t = (√(R² − (x − e)²) − y·cos θ) / sin θ for a fibre at
 * x across and y in the plane of both lines (cylinder cut by a line; for a flat face the root is its distance). mm. Null where the fibre misses the main tube.
 */
export function fibreEndMm({ x, y }: Point, { main, angleDeg, offsetMm }: Meeting): number | null {
  const a = radians(angleDeg)
  const reach = main.kind === 'flat' ? main.halfMm : main.radiusMm ** 2 - (x - offsetMm) ** 2
  if (main.kind === 'round' && reach < -1e-9) return null
  const face = main.kind === 'flat' ? reach : Math.sqrt(Math.max(0, reach))
  return (face - y * Math.cos(a)) / Math.sin(a)
}

/** One place of a template: how far round the outside from its zero line, and how far in from its longest point. */
export type CopePoint = { rotationDeg: number; aroundMm: number; alongMm: number }
export type Cope = {
  points: CopePoint[]
  maxDepthMm: number
  /** from the main tube's centre line to the cut tube's longest point, along the cut tube */
  setbackMm: number
  /** how much the inside edge must be eased where it would touch before the outside does */
  easeMm: number
  roundMm: number
}

/**
 * The saddle of a round tube, as it is wrapped round its outside. Rotation runs right-handed about the way the tube runs towards the joint, from the line that
 * faces the main tube's direction. Throws `Impossible` where part of the cut tube misses the main tube.
 */
export function copeRound(od: number, wallMm: number, meeting: Meeting, steps = 72): Cope {
  const r = od / 2
  if (meeting.main.kind === 'round' && r + Math.abs(meeting.offsetMm) > meeting.main.radiusMm + 1e-9)
    throw new Impossible(
      Math.abs(meeting.offsetMm) < 0.05
        ? `the cut tube (${od} mm) is larger than the main tube (${2 * meeting.main.radiusMm} mm): cope the smaller one onto the larger`
        : `set off by ${Math.abs(meeting.offsetMm)} mm the cut tube reaches past the side of the main tube: set it off by ${Math.max(0, meeting.main.radiusMm - r).toFixed(1)} mm or less`,
    )
  const end = (phi: number, radius: number) => fibreEndMm({ x: radius * Math.sin(phi), y: radius * Math.cos(phi) }, meeting)!
  const turns = Array.from({ length: steps + 1 }, (_, i) => (2 * Math.PI * i) / steps)
  const outer = turns.map((phi) => end(phi, r))
  const inner = turns.map((phi) => end(phi, Math.max(0, r - wallMm)))
  const looks = steps < LOOKS ? Array.from({ length: LOOKS }, (_, i) => end((2 * Math.PI * i) / LOOKS, r)) : outer.slice(0, -1)
  const [setbackMm, farthestMm] = extremesOf(looks, (phi) => end(phi, r))
  return {
    points: turns.map((phi, i) => ({ rotationDeg: (360 * i) / steps, aroundMm: r * phi, alongMm: Math.max(0, outer[i]! - setbackMm) })),
    maxDepthMm: farthestMm - setbackMm,
    setbackMm,
    easeMm: Math.max(0, ...inner.map((t, i) => t - outer[i]!)),
    roundMm: 2 * Math.PI * r,
  }
}

/** How many places round a tube are looked at before an extreme is closed in on: a saddle has two crests and two troughs. */
const LOOKS = 72
/** Least and greatest value of a smooth periodic function known at places evenly round: the best of them, each closed in on by golden section. */
function extremesOf(values: number[], f: (phi: number) => number): [least: number, greatest: number] {
  const step = (2 * Math.PI) / values.length
  let [low, high] = [0, 0]
  for (let i = 1; i < values.length; i++) {
    if (values[i]! < values[low]!) low = i
    if (values[i]! > values[high]!) high = i
  }
  return [
    Math.min(values[low]!, leastWithin(f, (low - 1) * step, (low + 1) * step)),
    Math.max(values[high]!, -leastWithin((phi) => -f(phi), (high - 1) * step, (high + 1) * step)),
  ]
}

function leastWithin(f: (phi: number) => number, from: number, to: number): number {
  const g = (Math.sqrt(5) - 1) / 2
  let [a, b] = [from, to]
  let [c, d] = [b - g * (b - a), a + g * (b - a)]
  let [atC, atD] = [f(c), f(d)]
  for (let k = 0; k < 40; k++) {
    if (atC < atD) {
      ;[b, d, atD] = [d, c, atC]
      c = b - g * (b - a)
      atC = f(c)
    } else {
      ;[a, c, atC] = [c, d, atD]
      d = a + g * (b - a)
      atD = f(d)
    }
  }
  return f((a + b) / 2)
}
