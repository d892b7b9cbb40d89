import { profileOf, profileSection } from '../catalogue/profiles'
import type { Shape } from '../catalogue/section'
import type { Point } from '../geometry/vec3'

/** A section as it is seen from its end: the outline, and for a tube the hole in it. x across its width, y up its height, about its middle; mm */
export type Outline = { outer: Point[]; inner: Point[] | null }

const ROUND = 32
const CORNER = 6

export const outlineOf = (profileId: string): Outline => outlineOfShape(profileOf(profileId).shape)

export function outlineOfShape(s: Shape): Outline {
  switch (s.kind) {
    case 'round':
      return { outer: circle(s.outsideDiameterMm / 2), inner: circle(s.outsideDiameterMm / 2 - s.wallMm) }
    case 'rectangular':
      return {
        outer: rounded(s.widthMm, s.heightMm, s.outsideRadiusMm),
        inner: rounded(s.widthMm - 2 * s.wallMm, s.heightMm - 2 * s.wallMm, Math.max(0, s.outsideRadiusMm - s.wallMm)),
      }
    case 'flat':
      return { outer: rounded(s.widthMm, s.heightMm, 0), inner: null }
    case 'angle':
      return { outer: centred(angle(s.widthMm, s.heightMm, s.thicknessMm)), inner: null }
    case 'channel':
      return { outer: centred(channel(s.widthMm, s.heightMm, s.webMm, s.flangeMm)), inner: null }
    default:
      return { outer: slotted(s.widthMm, s.heightMm), inner: null }
  }
}

/** The same outline as convex pieces, filled where it is hollow or slotted: what distances are measured to. */
export function convexPieces(profileId: string): Point[][] {
  const s = profileOf(profileId).shape
  const rect = (x0: number, y0: number, x1: number, y1: number, w: number, h: number): Point[] =>
    [
      { x: x0, y: y0 },
      { x: x1, y: y0 },
      { x: x1, y: y1 },
      { x: x0, y: y1 },
    ].map((p) => ({ x: p.x - w / 2, y: p.y - h / 2 }))
  const { widthMm: w, heightMm: h } = profileSection(profileId)
  switch (s.kind) {
    case 'angle':
      return [rect(0, 0, w, s.thicknessMm, w, h), rect(0, s.thicknessMm, s.thicknessMm, h, w, h)]
    case 'channel':
      return [rect(0, 0, w, s.flangeMm, w, h), rect(0, s.flangeMm, s.webMm, h - s.flangeMm, w, h), rect(0, h - s.flangeMm, w, h, w, h)]
    case 'round':
    case 'rectangular':
    case 'flat':
      return [outlineOfShape(s).outer]
    default:
      return [rect(0, 0, w, h, w, h)]
  }
}

/** A likeness of its slots, one to so much of a side: how wide and how deep; its true section is its maker's. mm */
const SLOT = { eachMm: 40, wideMm: 8, deepMm: 11 }

/** Round a slotted extrusion counter-clockwise, each side with its slots. */
function slotted(w: number, h: number): Point[] {
  const side = (lengthMm: number, at: (along: number, inward: number) => Point): Point[] => {
    const n = Math.max(1, Math.round(lengthMm / SLOT.eachMm))
    const middles = Array.from({ length: n }, (_, i) => (lengthMm * (i + 0.5)) / n)
    return [
      at(0, 0),
      ...middles.flatMap((m) => [
        at(m - SLOT.wideMm / 2, 0),
        at(m - SLOT.wideMm / 2, SLOT.deepMm),
        at(m + SLOT.wideMm / 2, SLOT.deepMm),
        at(m + SLOT.wideMm / 2, 0),
      ]),
    ]
  }
  const [x, y] = [w / 2, h / 2]
  return [
    ...side(w, (a, d) => ({ x: -x + a, y: -y + d })),
    ...side(h, (a, d) => ({ x: x - d, y: -y + a })),
    ...side(w, (a, d) => ({ x: x - a, y: y - d })),
    ...side(h, (a, d) => ({ x: -x + d, y: y - a })),
  ]
}

const circle = (r: number): Point[] =>
  // as large as makes the polygon's area the circle's
  Array.from({ length: ROUND }, (_, i) => {
    const a = (2 * Math.PI * i) / ROUND
    const k = r * Math.sqrt((2 * Math.PI) / ROUND / Math.sin((2 * Math.PI) / ROUND))
    return { x: k * Math.cos(a), y: k * Math.sin(a) }
  })

function rounded(w: number, h: number, r: number): Point[] {
  const [x, y] = [w / 2 - r, h / 2 - r]
  const centres = [
    { x, y, from: 0 },
    { x: -x, y, from: 90 },
    { x: -x, y: -y, from: 180 },
    { x, y: -y, from: 270 },
  ]
  if (r <= 0) return centres.map((c) => ({ x: c.x, y: c.y }))
  return centres.flatMap((c) =>
    Array.from({ length: CORNER + 1 }, (_, i) => {
      const a = ((c.from + (90 * i) / CORNER) * Math.PI) / 180
      return { x: c.x + r * Math.cos(a), y: c.y + r * Math.sin(a) }
    }),
  )
}

const angle = (w: number, h: number, t: number): Point[] => [
  { x: 0, y: 0 },
  { x: w, y: 0 },
  { x: w, y: t },
  { x: t, y: t },
  { x: t, y: h },
  { x: 0, y: h },
]
const channel = (w: number, h: number, web: number, flange: number): Point[] => [
  { x: 0, y: 0 },
  { x: w, y: 0 },
  { x: w, y: flange },
  { x: web, y: flange },
  { x: web, y: h - flange },
  { x: w, y: h - flange },
  { x: w, y: h },
  { x: 0, y: h },
]
/** About the middle of its box, as the frame's axis is drawn. */
const centred = (p: Point[]): Point[] => {
  const [xs, ys] = [p.map((q) => q.x), p.map((q) => q.y)]
  const [cx, cy] = [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2]
  return p.map((q) => ({ x: q.x - cx, y: q.y - cy }))
}
