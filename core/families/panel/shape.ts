import { locatedHoleMm } from '../../boltHoles/boltHoles'
import { rivetNutHoleMm } from '../../catalogue/bolts'
import { footTypes } from '../../catalogue/mounts'
import { distanceToEdge, isInside } from '../../geometry/contours'
import { edgeOfHole, endsOfHole, type Hole, mirroredHole } from '../../geometry/hole'
import type { Point } from '../../geometry/vec3'
import { radians } from '../../quantity/units'
import type { Rules } from '../../rules/rules'
import { acrossAt, allowanceMm, cutBetween, type StripFold } from '../../sheet/foldedStrip'
import { equalPositions } from '../../spacing/spacing'
import { sheetOf } from '../foldedParts'
import type { PanelParams } from './params'
import { facing, type Wall } from './wall'

/** Least metal between a slot and anything else, in thicknesses and in mm; how steep a jog is. Shop's own */
const WEB_T = 2
const WEB_MM = 6
const JOG_DEG = 20
/** What a washer must lie over beside its hole. Shop's own, mm */
export const WASHER_OVER_MM = 2
export const SEAM_BOLT = 'M6' as const
/** In front the bolt passes; what lies behind takes its rivet nut. mm */
export const SEAM_HOLE_MM = { front: locatedHoleMm(SEAM_BOLT, 0), back: rivetNutHoleMm[SEAM_BOLT] ?? 0 }

/** From the middle of a hole to an edge, and to the next one across the pull, in diameters of the hole at least (EN 1993-1-8, table 3.3) */
export const EDGE_D = 1.2
const PITCH_D = 2.4

/** From where to where two parts lie over one another, or the strip behind them; null = one part. mm */
export const seamOf = (p: PanelParams): [number, number] | null =>
  p.split === 'one' ? null : [p.splitMm - (p.split === 'strap' ? p.lapMm : 0), p.splitMm + p.lapMm]

/** A screw of the panel: its place from the panel's first lower corner, which row it is in and which part it goes through. mm */
export type Screw = { at: Point; row: number; part: number }
/** One flat part as it is cut, x from its own first edge; `startMm` = where that is along the panel, `over` = lies on the other one. mm */
export type PanelPart = { outline: Point[]; holes: Hole[]; folds: StripFold[]; startMm: number; over: boolean }
export type PanelShape = {
  parts: PanelPart[]
  /** the strip behind a seam, from its own first lower corner; null = none */
  strap: { outline: Point[]; holes: Hole[]; startMm: number; lowMm: number } | null
  screws: Screw[]
  seam: Point[]
  /** how far a hole of the body may be off, and the hole that takes it up */
  offMm: number
  screwHole: Hole
  /** what of a drawing is cut out of it */
  cutOuts: Hole[]
  rowsMm: number[]
  columnsMm: number[]
  slots: number
}

/** Upper and lower edge at a place along the panel. mm */
const edgeAt = (offsets: number[], s: number, lengthMm: number): number => {
  if (!offsets.length) return 0
  if (offsets.length === 1) return offsets[0]!
  const t = Math.max(0, Math.min(1, s / lengthMm)) * (offsets.length - 1)
  const i = Math.min(offsets.length - 2, Math.floor(t))
  return offsets[i]! + (offsets[i + 1]! - offsets[i]!) * (t - i)
}
/** Where an upright line meets its edge, lowest and highest. mm */
export function openAt(outline: Point[], x: number): { low: number; high: number } {
  const [low, high] = acrossAt(outline, x) ?? [
    { x, y: 0 },
    { x, y: 0 },
  ]
  return { low: low.y, high: high.y }
}
const edges = (p: PanelParams, s: number): { low: number; high: number } => ({
  low: edgeAt(p.bottomMm, s, p.lengthMm),
  high: p.heightMm - edgeAt(p.topMm, s, p.lengthMm),
})

/** Its whole edge from the first lower corner, counter-clockwise; a drawing is as it is seen from inside, and turned over where the wall runs the other way. */
export function outlineOf(p: PanelParams, flip: boolean): Point[] {
  if (p.drawn) return flip ? p.drawn.outline.map((q) => ({ x: p.lengthMm - q.x, y: q.y })).reverse() : p.drawn.outline
  const stations = (n: number) => (n > 1 ? equalPositions(0, p.lengthMm, n) : [0, p.lengthMm])
  return [
    ...stations(p.bottomMm.length).map((x) => ({ x, y: edges(p, x).low })),
    ...stations(p.topMm.length)
      .reverse()
      .map((x) => ({ x, y: edges(p, x).high })),
  ]
}

export function panelShape(p: PanelParams, wall: Wall, rules: Rules): PanelShape {
  const [first, last] = [p.fromMm, p.fromMm + p.lengthMm]
  const columnsMm = wall.ribsMm
    ? wall.ribsMm.filter((r) => r >= first + p.edgeMm - 0.5 && r <= last - p.edgeMm + 0.5).map((r) => r - p.fromMm)
    : equalPositions(p.edgeMm, p.lengthMm - p.edgeMm, p.columns)
  const rowsMm = equalPositions(p.edgeMm, p.heightMm - p.edgeMm, p.rows)
  const offMm = p.offMm.length ? Math.max(...p.offMm) : rules.holeErrorMm
  const size = footTypes['rivet nut'].bolt.size
  const wideMm = locatedHoleMm(size, offMm)
  const plainMm = locatedHoleMm(size, 0)
  const screwHole: Hole =
    p.holes === 'round'
      ? { at: { x: 0, y: 0 }, diameterMm: wideMm }
      : { at: { x: 0, y: 0 }, diameterMm: plainMm, slot: { lengthMm: Math.max(plainMm, wideMm), turnDeg: p.holes === 'along' ? 0 : 90 } }
  const two = p.split !== 'one'
  const lies = seamOf(p)
  const lapEnd = p.splitMm + p.lapMm
  const { flip } = facing(wall)
  const outline = outlineOf(p, flip)
  const cutOuts: Hole[] = (p.drawn?.holes ?? []).map((h) => (flip ? mirroredHole(h, p.lengthMm / 2) : h))
  // a screw is left out where the body's line takes the metal away round it
  const screws = columnsMm.flatMap((x) =>
    rowsMm.flatMap((y, row): Screw[] => {
      const at = { x, y }
      const clear = cutOuts.every((h) => apartOf(at, at, ...endsOfHole(h)) >= p.washerMm / 2 + roughlyMm(h) / 2)
      return isInside(at, outline) && distanceToEdge(at, outline) >= p.edgeMm - 0.5 && clear
        ? [{ at: { x, y }, row, part: two && x > p.splitMm + p.lapMm / 2 ? 1 : 0 }]
        : []
    }),
  )
  const seamX = p.split === 'strap' ? [p.splitMm - p.lapMm / 2, p.splitMm + p.lapMm / 2] : [p.splitMm + p.lapMm / 2]
  const seam = two ? seamX.flatMap((x) => seamAlong(p, outline, x)) : []
  const taken: Hole[] = [
    ...cutOuts.map((h) => ({ ...h, diameterMm: roughlyMm(h) })),
    ...screws.map((s) => ({ ...screwHole, at: s.at, diameterMm: Math.max(p.washerMm, screwHole.diameterMm) })),
    ...seam.map((q) => seamHole(q, 'back')),
  ]
  const field = slotField(p, outline, taken, lies ? [lies[0], lies[1] + (p.split === 'jog' ? jogOf(p, rules).runMm : 0)] : null)
  const every = (from: number, to: number, lies: keyof typeof SEAM_HOLE_MM): Hole[] =>
    [...screws.map((s): Hole => ({ ...screwHole, at: s.at })), ...seam.map((q) => seamHole(q, lies)), ...field, ...cutOuts].filter(
      (h) => h.at.x >= from && h.at.x <= to,
    )
  const part = (from: number, to: number, over: boolean): PanelPart => ({
    outline: cutBetween(outline, from, to).map((q) => ({ x: q.x - from, y: q.y })),
    // lapped under the other it takes the nuts of the seam; before a strip, that does
    holes: every(from, to, over || p.split === 'strap' ? 'front' : 'back').map((h) => ({ ...h, at: { x: h.at.x - from, y: h.at.y } })),
    folds: [],
    startMm: from,
    over,
  })
  const laps = p.split === 'overlap' || p.split === 'jog'
  const parts = !two
    ? [part(0, p.lengthMm, false)]
    : [
        part(0, laps ? lapEnd : p.splitMm, false),
        p.split === 'jog' ? jogged(part(p.splitMm, p.lengthMm, true), p, rules) : part(p.splitMm, p.lengthMm, laps),
      ]
  return {
    parts,
    strap: p.split === 'strap' ? strapOf(p, outline, seam) : null,
    screws,
    seam,
    offMm,
    cutOuts,
    screwHole,
    rowsMm,
    columnsMm,
    slots: field.length,
  }
}

const seamHole = (at: Point, lies: keyof typeof SEAM_HOLE_MM): Hole => ({ at, diameterMm: SEAM_HOLE_MM[lies] })
function seamAlong(p: PanelParams, outline: Point[], x: number): Point[] {
  const open = openAt(outline, x)
  const roomMm = open.high - open.low - 2 * p.edgeMm
  if (roomMm < 0) return []
  const most = Math.floor(roomMm / (PITCH_D * SEAM_HOLE_MM.back)) + 1
  return equalPositions(open.low + p.edgeMm, open.high - p.edgeMm, Math.min(p.seamBolts, most))
    .map((y) => ({ x, y }))
    .filter((q) => isInside(q, outline) && distanceToEdge(q, outline) >= EDGE_D * SEAM_HOLE_MM.back)
}

function strapOf(p: PanelParams, outline: Point[], seam: Point[]): PanelShape['strap'] {
  const [a, b] = [openAt(outline, p.splitMm - p.lapMm), openAt(outline, p.splitMm + p.lapMm)]
  const lowMm = Math.max(a.low, b.low)
  const high = Math.min(a.high, b.high)
  const startMm = p.splitMm - p.lapMm
  return {
    startMm,
    lowMm,
    outline: [
      { x: 0, y: 0 },
      { x: 2 * p.lapMm, y: 0 },
      { x: 2 * p.lapMm, y: high - lowMm },
      { x: 0, y: high - lowMm },
    ],
    holes: seam.map((q) => seamHole({ x: q.x - startMm, y: q.y - lowMm }, 'back')),
  }
}

/** What the slanted web of a jog is long, so that its edge comes up by one thickness; and how far it runs. mm */
function jogOf(p: PanelParams, rules: Rules) {
  const { thicknessMm: t, insideRadiusMm: r } = sheetOf(p, rules)
  const a = radians(JOG_DEG)
  const webMm = (t - (2 * r + t) * (1 - Math.cos(a))) / Math.sin(a)
  return { webMm, runMm: (2 * r + t) * Math.sin(a) + webMm * Math.cos(a) }
}
export const jogFits = (p: PanelParams, rules: Rules): boolean => jogOf(p, rules).webMm > 0

/** The edge that lies on the other part is set up by one thickness: from the lap on the blank is longer than the part. mm */
function jogged(part: PanelPart, p: PanelParams, rules: Rules): PanelPart {
  const sheet = sheetOf(p, rules)
  const { webMm, runMm } = jogOf(p, rules)
  if (webMm <= 0) return part
  const bend = allowanceMm(JOG_DEG, sheet)
  const longer = 2 * bend + webMm - runMm
  const out = (q: Point): Point => (q.x > p.lapMm ? { x: q.x + longer, y: q.y } : q)
  return {
    ...part,
    outline: part.outline.map(out),
    holes: part.holes.map((h) => ({ ...h, at: out(h.at) })),
    folds: [
      { atMm: p.lapMm + bend / 2, angleDeg: JOG_DEG, side: 'down' },
      { atMm: p.lapMm + 1.5 * bend + webMm, angleDeg: JOG_DEG, side: 'up' },
    ],
  }
}

/** More than so many on one panel are no field but a screen: bought perforated. Shop's own */
export const MOST_SLOTS = 2000
/** Slots or rows of them so near that they run into one another. */
export const runTogether = (p: PanelParams): 'slots' | 'rows' | null =>
  p.slotMm <= 0
    ? null
    : p.pitchMm < p.slotMm + 2 * p.thicknessMm
      ? 'slots'
      : p.rowPitchMm < p.slotWideMm + 2 * p.thicknessMm
        ? 'rows'
        : null

/** Slots in even rows over the whole panel; one is left out where it would come too near an edge, a washer, a bolt or the seam. */
function slotField(p: PanelParams, outline: Point[], taken: Hole[], seam: [number, number] | null): Hole[] {
  if (p.slotMm <= 0) return []
  const webMm = Math.max(WEB_MM, WEB_T * p.thicknessMm)
  const long = Math.max(p.slotMm, p.slotWideMm)
  const spread = (roomMm: number, ownMm: number, pitch: number): number[] => {
    const n = Math.floor((roomMm - ownMm) / pitch + 1e-9) + 1
    return n < 1 ? [] : Array.from({ length: n }, (_, i) => (i - (n - 1) / 2) * pitch)
  }
  const xs = spread(p.lengthMm - 2 * p.marginMm, long, p.pitchMm).map((x) => x + p.lengthMm / 2)
  const ys = spread(p.heightMm - 2 * p.marginMm, p.slotWideMm, p.rowPitchMm).map((y) => y + p.heightMm / 2)
  const slot = (x: number, y: number): Hole => ({ at: { x, y }, diameterMm: p.slotWideMm, slot: { lengthMm: long, turnDeg: 0 } })
  if (runTogether(p) || xs.length * ys.length > MOST_SLOTS) return []
  return xs.flatMap((x) =>
    ys
      .map((y) => slot(x, y))
      .filter((h) => {
        const [a, b] = endsOfHole(h)
        const clear = (metal: number, from: Point, to: Point) => apartOf(a, b, from, to) - h.diameterMm / 2 >= metal
        const inside = edgeOfHole(h).every((q) => isInside(q, outline))
        const edges = outline.every((q, i) => clear(webMm, q, outline[(i + 1) % outline.length]!))
        const others = taken.every((o) => clear(webMm + o.diameterMm / 2, ...endsOfHole(o)))
        const seams = !seam || x + long / 2 + webMm <= seam[0] || x - long / 2 - webMm >= seam[1]
        return inside && edges && others && seams
      }),
  )
}

/** A hole's width, and of a cut-out the circle round it. mm */
const roughlyMm = (h: Hole): number => (h.edge ? 2 * Math.max(...h.edge.map((q) => Math.hypot(q.x, q.y))) : h.diameterMm)

/** The least distance between two stretches that do not cross. mm */
function apartOf(a: Point, b: Point, c: Point, d: Point): number {
  const off = (p: Point, q: Point, r: Point): number => {
    const [x, y] = [r.x - q.x, r.y - q.y]
    const long = x * x + y * y
    const t = long > 0 ? Math.max(0, Math.min(1, ((p.x - q.x) * x + (p.y - q.y) * y) / long)) : 0
    return Math.hypot(p.x - q.x - t * x, p.y - q.y - t * y)
  }
  return Math.min(off(a, c, d), off(b, c, d), off(c, a, b), off(d, a, b))
}
