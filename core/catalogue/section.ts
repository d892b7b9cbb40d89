import { z } from 'zod'

const mm = z.number().positive().max(1000)
/** Cross-section shapes sold by the bar; `height` is vertical as fitted, `width` along the vehicle. */
export const ShapeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('round'), outsideDiameterMm: mm, wallMm: mm }),
  z.object({ kind: z.literal('rectangular'), heightMm: mm, widthMm: mm, wallMm: mm, outsideRadiusMm: z.number().min(0).max(500) }),
  z.object({ kind: z.literal('flat'), heightMm: mm, widthMm: mm }),
  z.object({ kind: z.literal('angle'), heightMm: mm, widthMm: mm, thicknessMm: mm }),
  z.object({ kind: z.literal('channel'), heightMm: mm, widthMm: mm, webMm: mm, flangeMm: mm }),
  z.object({
    kind: z.literal('slotted'),
    heightMm: mm,
    widthMm: mm,
    /** maker's values: slots make a closed formula meaningless */
    areaMm2: z.number().positive(),
    iyMm4: z.number().positive(),
    izMm4: z.number().positive(),
    torsionMm4: z.number().positive(),
  }),
])
export type Shape = z.infer<typeof ShapeSchema>

/** Section properties. `iy` resists vertical bending (about the horizontal axis), `iz` fore-and-aft. */
export type Section = {
  areaMm2: number
  iyMm4: number
  izMm4: number
  torsionMm4: number
  /** elastic modulus for vertical bending: iy over the farther fibre */
  wyMm3: number
  /** the same for bending fore and aft */
  wzMm3: number
  /** product of inertia about the same axes: an angle's legs share their bending through it; 0 where they are axes of symmetry */
  iyzMm4: number
  /** the least second moment about any axis, the one a strut bends about */
  leastMm4: number
  /** corners where bending of an unsymmetrical section can peak, from its centroid: along the vehicle, up. mm; none = the moduli say all */
  corners: { yMm: number; zMm: number }[]
  /** torque over the greatest shear stress it makes */
  torsionModulusMm3: number
  heightMm: number
  widthMm: number
  perimeterMm: number
}

/**
 * Section properties from outside dimensions, corner radii included. mm → mm², mm⁴, mm³.
 * Sources: Roark's Formulas for Stress and Strain, 8th ed., table A.1 (areas, second moments by superposition and
 * the parallel-axis theorem) and table 10.1 / 10.7 (torsion: round exact; closed thin tube 4·A²·t/p, Bredt; open
 * sections Σ b·t³/3); rounded-corner terms from EN 10219-2, annex B. Slotted extrusion takes the maker's values.
 * Throws when the shape cannot exist; callers at an edge use `shapeFault` first.
 */
export function sectionOf(shape: Shape): Section {
  const fault = shapeFault(shape)
  if (fault) throw new Error(fault.message)
  switch (shape.kind) {
    case 'round':
      return roundTube(shape.outsideDiameterMm, shape.wallMm)
    case 'rectangular':
      return rectangularTube(shape)
    case 'flat': {
      const { heightMm: h, widthMm: b } = shape
      const [long, short] = [Math.max(b, h), Math.min(b, h)]
      return whole({
        areaMm2: b * h,
        iyMm4: (b * h ** 3) / 12,
        izMm4: (h * b ** 3) / 12,
        torsionMm4: long * short ** 3 * (1 / 3 - 0.21 * (short / long) * (1 - short ** 4 / (12 * long ** 4))),
        farMm: [h / 2, b / 2],
        torsionDepthMm: short,
        heightMm: h,
        widthMm: b,
        perimeterMm: 2 * (b + h),
      })
    }
    case 'angle':
      return angleSection(shape)
    case 'channel':
      return channelSection(shape)
    case 'slotted':
      return whole({
        areaMm2: shape.areaMm2,
        iyMm4: shape.iyMm4,
        izMm4: shape.izMm4,
        torsionMm4: shape.torsionMm4,
        farMm: [shape.heightMm / 2, shape.widthMm / 2],
        torsionDepthMm: Math.max(shape.heightMm, shape.widthMm) / 2,
        heightMm: shape.heightMm,
        widthMm: shape.widthMm,
        perimeterMm: 2 * (shape.heightMm + shape.widthMm),
      })
  }
}

/** What a bolt put through from above bears on, mm; null for a slotted extrusion, which holds bolts in its slots. */
export function wallOf(shape: Shape): number | null {
  switch (shape.kind) {
    case 'round':
    case 'rectangular':
      return shape.wallMm
    case 'flat':
      return shape.heightMm
    case 'angle':
      return shape.thicknessMm
    case 'channel':
      return shape.webMm
    case 'slotted':
      return null
  }
}

/** Why a shape cannot exist, naming the field; null when it can. */
export function shapeFault(shape: Shape): { field: string; message: string } | null {
  const over = (field: string, thickness: number, room: number) =>
    thickness > room + 1e-9 ? { field, message: `${field} ${thickness} mm does not fit: use ${room} mm or less` } : null
  switch (shape.kind) {
    case 'round':
      return over('wallMm', shape.wallMm, shape.outsideDiameterMm / 2)
    case 'rectangular': {
      const least = Math.min(shape.heightMm, shape.widthMm)
      return over('wallMm', shape.wallMm, least / 2) ?? over('outsideRadiusMm', shape.outsideRadiusMm, least / 2)
    }
    case 'angle':
      return over('thicknessMm', shape.thicknessMm, Math.min(shape.heightMm, shape.widthMm))
    case 'channel':
      return over('flangeMm', shape.flangeMm, shape.heightMm / 2) ?? over('webMm', shape.webMm, shape.widthMm)
    case 'slotted':
      return over('areaMm2', shape.areaMm2, shape.heightMm * shape.widthMm)
    case 'flat':
      return null
  }
}

type Whole = {
  areaMm2: number
  iyMm4: number
  izMm4: number
  torsionMm4: number
  /** from the centroid to the farthest fibre, up and aside */
  farMm: [number, number]
  /** what turns the torsion constant into a modulus: the thickest wall of an open section, the radius of a round */
  torsionDepthMm: number
  heightMm: number
  widthMm: number
  perimeterMm: number
}
const whole = ({
  areaMm2,
  iyMm4,
  izMm4,
  torsionMm4,
  farMm: [farZMm, farYMm],
  torsionDepthMm,
  heightMm,
  widthMm,
  perimeterMm,
}: Whole): Section => ({
  areaMm2,
  iyMm4,
  izMm4,
  iyzMm4: 0,
  leastMm4: Math.min(iyMm4, izMm4),
  corners: [],
  torsionMm4,
  wyMm3: iyMm4 / farZMm,
  wzMm3: izMm4 / farYMm,
  torsionModulusMm3: torsionMm4 / torsionDepthMm,
  heightMm,
  widthMm,
  perimeterMm,
})

function roundTube(D: number, t: number): Section {
  const d = D - 2 * t
  const I = (Math.PI * (D ** 4 - d ** 4)) / 64
  return whole({
    areaMm2: (Math.PI * (D ** 2 - d ** 2)) / 4,
    iyMm4: I,
    izMm4: I,
    torsionMm4: 2 * I,
    farMm: [D / 2, D / 2],
    torsionDepthMm: D / 2,
    heightMm: D,
    widthMm: D,
    perimeterMm: Math.PI * D,
  })
}

function rectangularTube({ heightMm: h, widthMm: b, wallMm: t, outsideRadiusMm: r }: Extract<Shape, { kind: 'rectangular' }>): Section {
  const outer = roundedRectangle(b, h, r)
  const inner = roundedRectangle(b - 2 * t, h - 2 * t, Math.max(0, r - t))
  const rm = Math.max(0, r - t / 2) // mean corner radius for the middle line
  const enclosed = (b - t) * (h - t) - (4 - Math.PI) * rm ** 2
  const middle = 2 * (b - t + (h - t)) - (8 - 2 * Math.PI) * rm
  return whole({
    areaMm2: outer.area - inner.area,
    iyMm4: outer.iy - inner.iy,
    izMm4: outer.iz - inner.iz,
    torsionMm4: (4 * enclosed ** 2 * t) / middle,
    farMm: [h / 2, b / 2],
    // Bredt: torque over 2·A·t is the shear in the wall
    torsionDepthMm: (2 * enclosed) / middle,
    heightMm: h,
    widthMm: b,
    perimeterMm: 2 * (b + h) - (8 - 2 * Math.PI) * r,
  })
}

/** Rectangle less its four corner pieces (square minus quarter circle, EN 10219-2 annex B). */
function roundedRectangle(b: number, h: number, r: number) {
  const cut = (1 - Math.PI / 4) * r ** 2
  const fromEdge = ((10 - 3 * Math.PI) / (12 - 3 * Math.PI)) * r
  const own = (1 / 3 - Math.PI / 16 - 1 / (3 * (12 - 3 * Math.PI))) * r ** 4
  return {
    area: b * h - 4 * cut,
    iy: (b * h ** 3) / 12 - 4 * (own + cut * (h / 2 - fromEdge) ** 2),
    iz: (h * b ** 3) / 12 - 4 * (own + cut * (b / 2 - fromEdge) ** 2),
  }
}

/** Two rectangles; leg `height` upright, bending about the axes of its legs with their product of inertia. */
function angleSection({ heightMm: h, widthMm: b, thicknessMm: t }: Extract<Shape, { kind: 'angle' }>): Section {
  const parts = [
    { w: t, h, x: t / 2, y: h / 2 },
    { w: b - t, h: t, x: t + (b - t) / 2, y: t / 2 },
  ]
  const { area, iy, iz, iyz, cx, cy } = compose(parts)
  const far: [number, number] = [Math.max(cy, h - cy), Math.max(cx, b - cx)]
  const corners = [
    [0, 0],
    [0, h],
    [t, h],
    [b, 0],
    [b, t],
  ].map(([x = 0, y = 0]) => ({ yMm: x - cx, zMm: y - cy }))
  return {
    ...whole({
      areaMm2: area,
      iyMm4: iy,
      izMm4: iz,
      torsionMm4: ((h + b - t) * t ** 3) / 3,
      farMm: far,
      torsionDepthMm: t,
      heightMm: h,
      widthMm: b,
      perimeterMm: 2 * (b + h),
    }),
    iyzMm4: iyz,
    // Mohr's circle
    leastMm4: (iy + iz) / 2 - Math.hypot((iy - iz) / 2, iyz),
    corners,
  }
}

/** Channel with its web upright. */
function channelSection({ heightMm: h, widthMm: b, webMm, flangeMm }: Extract<Shape, { kind: 'channel' }>): Section {
  const { area, iy, iz, cx } = compose([
    { w: webMm, h, x: webMm / 2, y: h / 2 },
    { w: b - webMm, h: flangeMm, x: (b + webMm) / 2, y: flangeMm / 2 },
    { w: b - webMm, h: flangeMm, x: (b + webMm) / 2, y: h - flangeMm / 2 },
  ])
  const far: [number, number] = [h / 2, Math.max(cx, b - cx)]
  return whole({
    areaMm2: area,
    iyMm4: iy,
    izMm4: iz,
    torsionMm4: (2 * b * flangeMm ** 3 + (h - 2 * flangeMm) * webMm ** 3) / 3,
    farMm: far,
    torsionDepthMm: Math.max(webMm, flangeMm),
    heightMm: h,
    widthMm: b,
    perimeterMm: 2 * h + 4 * b - 2 * webMm,
  })
}

function compose(parts: { w: number; h: number; x: number; y: number }[]) {
  const area = parts.reduce((s, p) => s + p.w * p.h, 0)
  const cx = parts.reduce((s, p) => s + p.w * p.h * p.x, 0) / area
  const cy = parts.reduce((s, p) => s + p.w * p.h * p.y, 0) / area
  const iy = parts.reduce((s, p) => s + (p.w * p.h ** 3) / 12 + p.w * p.h * (p.y - cy) ** 2, 0)
  const iz = parts.reduce((s, p) => s + (p.h * p.w ** 3) / 12 + p.w * p.h * (p.x - cx) ** 2, 0)
  const iyz = parts.reduce((s, p) => s + p.w * p.h * (p.x - cx) * (p.y - cy), 0)
  return { area, iy, iz, iyz, cx, cy }
}
