import { profileOf } from '../catalogue/profiles'
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
      return { outer: rounded(s.widthMm, s.heightMm, 2), inner: null }
  }
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
