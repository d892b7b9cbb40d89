import { isInside, spanOf } from '../geometry/contours'
import { edgeOfHole, type Hole } from '../geometry/hole'
import type { Point } from '../geometry/vec3'
import { type Contour, edgeContour, holeContour, lengthOf, type PathPoint, pointsOf } from './contour'
import { type Keep, type Lead, leadsOf } from './lead'

/** A part as it lies on its sheet: its edge, and the holes that are cut. mm */
export type RunPart = { mark: string; outline: Point[]; holes: Hole[] }
/** How the table cuts this metal. mm, mm/min, s */
export type RunCut = {
  kerfMm: number
  leadMm: number
  /** two cuts one after the other stand so far apart where they can: heat pulls the sheet */
  spreadMm: number
  /** which side of its travel the table cuts square */
  square: 'right' | 'left'
  feedMmMin: number
  pierceS: number
  rapidMmMin: number
}
/** One cut: from its pierce onto the path and once round it; `part` = of which, by its place among those given. */
export type Pass = {
  part: number
  mark: string
  what: Contour['what']
  pierce: Point
  path: PathPoint[]
  lengthMm: number
  travelMm: number
}
/** What would go wrong there, lengths in braces. */
export type Spot = { mark: string; at: Point; says: string }
export type CutRun = { passes: Pass[]; spots: Spot[]; cutMm: number; travelMm: number; seconds: number }

/** How many cuts back heat is remembered. */
const WARM = 2
const off = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y)
const middle = (points: Point[]): Point => ({
  x: points.reduce((s, p) => s + p.x, 0) / points.length,
  y: points.reduce((s, p) => s + p.y, 0) / points.length,
})

/**
 * The run of a table over one sheet: all that is inside before any edge, for the sheet holds its parts still until then; a part that lies in another's cut-out before
 * that falls out; from one cut to the next the nearest that stands clear of the last ones, so that heat does not pull the sheet. Kerf and leads on the side that falls away. mm, s
 * T = L/feed + n·pierce + travel/rapid. Order, leads and spread are the shop's own rules.
 */
export function cutRun(sheet: { width: number; height: number }, parts: RunPart[], cut: RunCut): CutRun {
  const passes: Pass[] = []
  const spots: Spot[] = []
  const free: Free[] = []
  let head: Point = { x: 0, y: 0 }
  const warm: Point[] = []
  const put = ({ part, mark, contour, keep, at }: Feature, rest: Feature[]) => {
    const leads = leadsOf({ contour, keep: near(keep, contour, cut), sheet, ...cut })
    const lead = contour.what === 'hole' ? leads[0] : towards(leads, head, free, rest)
    if (!lead) spots.push({ mark, at, says: noRoom(contour, cut) })
    const path = lead?.path ?? contour.path
    const pierce = lead?.pierce ?? path[0]!
    if (free.some((o) => passesOver(head, pierce, o)))
      spots.push({ mark, at: pierce, says: 'the way to it passes over a part that is cut free' })
    const travelMm = off(head, pierce)
    passes.push({ part, mark, what: contour.what, pierce, path, lengthMm: off(pierce, path[0]!) + lengthOf(path), travelMm })
    head = path[0]!
    warm.push(at)
    if (warm.length > WARM) warm.shift()
  }
  const left = new Set(features(parts, cut, spots))
  for (const p of parts)
    if (pointsOf(edgeContour(p.outline, cut.kerfMm, cut.square).path).some((q) => !isOn(q, sheet)))
      spots.push({ mark: p.mark, at: middle(p.outline), says: 'its cut runs over the edge of the sheet' })
  while (left.size) {
    const ready = [...left].filter((f) => !f.after.some((o) => left.has(o)))
    const inner = ready.filter((f) => f.contour.what === 'hole')
    const open = inner.length ? inner : ready
    const next = nextOf(open, { head, warm, free, spreadMm: cut.spreadMm })
    left.delete(next)
    put(next, [...left])
    if (next.contour.what === 'edge') free.push({ outline: next.outline, box: spanOf(next.outline) })
  }
  const cutMm = passes.reduce((s, x) => s + x.lengthMm, 0)
  const travelMm = passes.reduce((s, x) => s + x.travelMm, 0)
  const seconds = (cutMm / cut.feedMmMin + travelMm / cut.rapidMmMin) * 60 + passes.length * cut.pierceS
  return { passes, spots, cutMm, travelMm, seconds }
}

/** One line to be cut, what is cut before it, and what its pierce keeps clear of. */
type Feature = { part: number; mark: string; outline: Point[]; at: Point; contour: Contour; after: Feature[]; keep: Keep[] }
function features(parts: RunPart[], cut: RunCut, spots: Spot[]): Feature[] {
  const inside = (p: RunPart, h: Hole) => parts.filter((o) => o !== p && isInside(o.outline[0]!, edgeOfHole(h)))
  const holes = new Map(
    parts.map((p, part) => [
      p,
      p.holes.flatMap((h): { f: Feature; holds: RunPart[] }[] => {
        const contour = holeContour(h, cut.kerfMm, cut.square)
        if (!contour) spots.push({ mark: p.mark, at: h.at, says: `a hole of {g ${h.diameterMm}} is no wider than the kerf: drill it` })
        if (contour?.closes) spots.push({ mark: p.mark, at: h.at, says: 'a cut-out narrower than the kerf somewhere: that is not cut' })
        const holds = inside(p, h)
        const keep = holds.map((o): Keep => ({ outline: o.outline, within: false }))
        return contour ? [{ f: { part, mark: p.mark, outline: p.outline, at: h.at, contour, after: [], keep }, holds }] : []
      }),
    ]),
  )
  const edges = new Map(
    parts.map((p, part): [RunPart, Feature] => {
      const within = new Set(p.holes.flatMap((h) => inside(p, h)))
      const keep = parts.filter((o) => o !== p && !within.has(o)).map((o) => besides(o, p))
      const contour = edgeContour(p.outline, cut.kerfMm, cut.square)
      if (contour.closes)
        spots.push({ mark: p.mark, at: middle(p.outline), says: 'a notch in its edge is narrower than the kerf: that is not cut' })
      return [p, { part, mark: p.mark, outline: p.outline, at: middle(p.outline), contour, after: holes.get(p)!.map((h) => h.f), keep }]
    }),
  )
  for (const { f, holds } of [...holes.values()].flat()) f.after.push(...holds.map((o) => edges.get(o)!))
  return [...[...holes.values()].flat().map((h) => h.f), ...edges.values()]
}

const isOn = (q: Point, { width, height }: { width: number; height: number }): boolean =>
  q.x >= 0 && q.y >= 0 && q.x <= width && q.y <= height

/** Of what a pierce keeps clear of, that which it could come near to. */
function near(keep: Keep[], { path }: Contour, { leadMm, kerfMm }: RunCut): Keep[] {
  const own = spanOf(path)
  const reach = leadMm + 2 * kerfMm
  return keep.filter(({ outline, within }) => {
    const o = spanOf(outline)
    const apart = o.left > own.right + reach || o.right < own.left - reach || o.low > own.high + reach || o.high < own.low - reach
    return within || !apart
  })
}

const noRoom = ({ what }: Contour, { kerfMm }: RunCut): string =>
  what === 'hole'
    ? `no room to pierce within it: {g ${Math.round(30 * kerfMm) / 10}} from its edge are wanted`
    : `no room to pierce beside it: more gap between parts, {g ${Math.round(35 * kerfMm) / 10}} or more`

/** Another part that is not to be spoilt: of one that this lies within, what is round its cut-out. */
function besides(o: RunPart, p: RunPart): Keep {
  const round = o.holes.map((h) => edgeOfHole(h)).find((edge) => isInside(p.outline[0]!, edge))
  return round ? { outline: round, within: true } : { outline: o.outline, within: false }
}

/** Where an edge is begun, it ends too: reached past what is cut free, and near to what is left. */
function towards(leads: Lead[], head: Point, free: Free[], rest: Feature[]): Lead | undefined {
  const reached = leads.filter((l) => !free.some((o) => passesOver(head, l.pierce, o)))
  const open = reached.length ? reached : leads
  if (!rest.length || !open.length) return open[0]
  const next = rest.reduce((a, b) => (off(b.at, open[0]!.pierce) < off(a.at, open[0]!.pierce) ? b : a)).at
  return open.reduce((a, b) => (off(b.pierce, next) < off(a.pierce, next) - 1e-9 ? b : a))
}

/** The nearest that stands clear of the last cuts, of those one that is reached past what is cut free; where all are warm, the one farthest from them. */
function nextOf(list: Feature[], at: { head: Point; warm: Point[]; free: Free[]; spreadMm: number }): Feature {
  const clearOf = (f: Feature) => at.warm.reduce((s, w) => Math.min(s, off(f.at, w)), Number.POSITIVE_INFINITY)
  const cool = list.filter((f) => clearOf(f) >= at.spreadMm)
  if (!cool.length) return list.reduce((a, b) => (clearOf(b) > clearOf(a) + 1e-9 ? b : a))
  const past = cool.filter((f) => !at.free.some((o) => passesOver(at.head, f.at, o)))
  return (past.length ? past : cool).reduce((a, b) => (off(b.at, at.head) < off(a.at, at.head) - 1e-9 ? b : a))
}

/** A part that is cut free, and the box round it. */
type Free = { outline: Point[]; box: ReturnType<typeof spanOf> }
/** Whether a straight way passes over it. */
function passesOver(from: Point, to: Point, { outline, box }: Free): boolean {
  if (Math.max(from.x, to.x) < box.left || Math.min(from.x, to.x) > box.right) return false
  if (Math.max(from.y, to.y) < box.low || Math.min(from.y, to.y) > box.high) return false
  const side = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)
  return outline.some((a, i) => {
    const b = outline[(i + 1) % outline.length]!
    return side(from, to, a) * side(from, to, b) < 0 && side(a, b, from) * side(a, b, to) < 0
  })
}
