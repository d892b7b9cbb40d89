/** One run of weld in the plane of the joint, mm. */
export type WeldLine = { x1: number; y1: number; x2: number; y2: number }
/** Acting at the group's centroid: along x and y in the plane, z out of it, and moments about the three. N, N·mm. */
export type WeldLoad = { fx: number; fy: number; fz: number; mx: number; my: number; mz: number }

/** What the throat may carry in shear, MPa. */
export const fillers = {
  'steel, 70 ksi electrode': { allowedMPa: 0.3 * 483, source: 'AISC 360-16, J2.4: 0.60·Fexx / 2.0' },
  'aluminium, 4043': { allowedMPa: 79 / 1.95, source: 'Aluminum Design Manual: filler shear 11.5 ksi, Ω = 1.95' },
  'aluminium, 5356': { allowedMPa: 117 / 1.95, source: 'Aluminum Design Manual: filler shear 17 ksi, Ω = 1.95' },
} as const
export type Filler = keyof typeof fillers
export const fillerNames = Object.keys(fillers) as [Filler, ...Filler[]]

const THROAT = Math.SQRT1_2 // a fillet’s throat is its leg times sin 45°
export type WeldStress = { throatMm: number; lengthMm: number; stressMPa: number; atX: number; atY: number }

/** What a fillet's leg counts for: no more than the thinner wall, for a leg beyond it lies on air (AISC 360-16, J2.2b: size along edges). mm */
export const countingLegMm = (legMm: number, thinnerWallMm: number | null): number =>
  thinnerWallMm === null ? legMm : Math.min(legMm, thinnerWallMm)

/**
 * What the metal beside a weld may take in shear on the leg's face, MPa: 0.6·fu / 2.0 (AISC 360-16, J4.2b) for steels; aluminium with its welded
 * tensile strength, 0.6·Ftuw / 1.95 (Aluminum Design Manual 2015, J.2.2).
 */
export const besideWeldMPa = (m: { aluminium: boolean; tensileMPa: number; weldedTensileMPa: number }): number =>
  m.aluminium ? (0.6 * m.weldedTensileMPa) / 1.95 : (0.6 * m.tensileMPa) / 2

/** A weld group as lines of throat: its length, its own second moments about its centroid, and the ends of its runs from there. mm, mm³ */
export type WeldGroup = ReturnType<typeof weldGroup>
export function weldGroup(lines: WeldLine[]) {
  const runs = lines.map((l) => ({
    ...l,
    length: Math.sqrt((l.x2 - l.x1) ** 2 + (l.y2 - l.y1) ** 2),
    cx: (l.x1 + l.x2) / 2,
    cy: (l.y1 + l.y2) / 2,
  }))
  const lengthMm = runs.reduce((s, r) => s + r.length, 0)
  const cx = runs.reduce((s, r) => s + r.length * r.cx, 0) / lengthMm
  const cy = runs.reduce((s, r) => s + r.length * r.cy, 0) / lengthMm
  // per unit of throat: a run's own L·Δ²/12 and its distance from the centroid
  const Ix = runs.reduce((s, r) => s + r.length * ((r.y2 - r.y1) ** 2 / 12 + (r.cy - cy) ** 2), 0)
  const Iy = runs.reduce((s, r) => s + r.length * ((r.x2 - r.x1) ** 2 / 12 + (r.cx - cx) ** 2), 0)
  const ends = runs.flatMap((r) => [
    { x: r.x1, y: r.y1 },
    { x: r.x2, y: r.y2 },
  ])
  return { lengthMm, Ix, Iy, J: Ix + Iy, ends: ends.map((e) => ({ ...e, dx: e.x - cx, dy: e.y - cy })) }
}
const over = (moment: number, arm: number, by: number): number =>
  moment === 0 ? 0 : by > 0 ? (moment * arm) / by : Number.POSITIVE_INFINITY

/**
 * Greatest stress in the throat of a fillet-weld group, each run a line of throat leg/√2: direct shares over all runs, and moments by distance
 * from the centroid over the group's own Ix, Iy and J (Shigley, 10th ed., 9-2 to 9-4; Blodgett, Design of Weldments). mm, N → MPa.
 */
export function filletWeldStress(lines: WeldLine[], legMm: number, load: WeldLoad): WeldStress {
  const { lengthMm, Ix, Iy, J, ends } = weldGroup(lines)
  const throatMm = THROAT * legMm
  const stresses = ends.map(({ x, y, dx, dy }): WeldStress => {
    const fx = load.fx / lengthMm - over(load.mz, dy, J)
    const fy = load.fy / lengthMm + over(load.mz, dx, J)
    const fz = load.fz / lengthMm + over(load.mx, dy, Ix) - over(load.my, dx, Iy)
    return { throatMm, lengthMm, stressMPa: Math.hypot(fx, fy, fz) / throatMm, atX: x, atY: y }
  })
  return stresses.reduce((a, b) => (b.stressMPa > a.stressMPa ? b : a))
}

/** The same where only the size of each force and moment is known: at every end all of them add up. MPa */
export function filletWeldWorst({ lengthMm, Ix, Iy, J, ends }: WeldGroup, legMm: number, load: WeldLoad): WeldStress {
  const throatMm = THROAT * legMm
  const size = Math.abs
  const worst = { throatMm, lengthMm, stressMPa: -1, atX: 0, atY: 0 }
  for (const { x, y, dx, dy } of ends) {
    const fx = size(load.fx) / lengthMm + over(size(load.mz), size(dy), J)
    const fy = size(load.fy) / lengthMm + over(size(load.mz), size(dx), J)
    const fz = size(load.fz) / lengthMm + over(size(load.mx), size(dy), Ix) + over(size(load.my), size(dx), Iy)
    const stressMPa = Math.sqrt(fx * fx + fy * fy + fz * fz) / throatMm
    if (stressMPa > worst.stressMPa) Object.assign(worst, { stressMPa, atX: x, atY: y })
  }
  return worst
}

/** Runs all round a rectangle, or only along its two sides of length d. mm, centred. */
export const weldRound = (b: number, d: number): WeldLine[] => [
  ...weldSides(b, d),
  { x1: -b / 2, y1: -d / 2, x2: b / 2, y2: -d / 2 },
  { x1: -b / 2, y1: d / 2, x2: b / 2, y2: d / 2 },
]
export const weldSides = (b: number, d: number): WeldLine[] => [
  { x1: -b / 2, y1: -d / 2, x2: -b / 2, y2: d / 2 },
  { x1: b / 2, y1: -d / 2, x2: b / 2, y2: d / 2 },
]
