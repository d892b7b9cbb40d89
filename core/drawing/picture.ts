import type { Assembly } from '../assembly/assembly'
import { fittingCorners } from '../assembly/round'
import type { Brief } from '../brief/brief'
import { cross, dot, minus, size, unit, type Vec3 } from '../geometry/vec3'
import { isInside } from '../places/places'
import { restOf } from '../resting/rest'
import { extrude } from '../solid/extrude'
import type { Mesh } from '../solid/mesh'
import { prism } from '../solid/prism'
import { sweep } from '../solid/sweep'
import type { Vehicle } from '../vehicle/vehicle'
import { vehicleSolid } from './vehicleSolid'

/** Seen from above and the left, from ahead or from behind. */
export type SeenFrom = 'front' | 'rear'
type Eye = { from: Vec3; right: Vec3; above: Vec3 }
const eyeOf = (seen: SeenFrom): Eye => {
  const from = unit({ x: seen === 'front' ? 0.62 : -0.62, y: 0.68, z: 0.42 })
  const right = unit(cross({ x: 0, y: 0, z: 1 }, from))
  return { from, right, above: cross(from, right) }
}
/** A pane is drawn so far before what it is glazed into. mm */
const PANE_MM = 12
const LIGHT: Vec3 = unit({ x: 0.2, y: 0.55, z: 0.8 })

type Ink = 'vehicle' | 'glass' | 'lamp' | 'rack' | 'bought' | 'cargo' | 'tyre'
type Rgb = [number, number, number]
const INKS: Record<Ink, Rgb> = {
  vehicle: [222, 220, 212],
  glass: [120, 146, 152],
  lamp: [196, 128, 40],
  rack: [24, 92, 92],
  bought: [96, 104, 104],
  cargo: [206, 178, 118],
  tyre: [52, 58, 58],
}
/** Three bytes a point, row by row from the top. */
export type Picture = { width: number; height: number; data: Uint8Array }

/** Worked out finer by so much each way, and averaged: no steps on slanted edges. */
const FINER = 2
const PAPER: Rgb = [255, 253, 246]

/**
 * The job as a picture in the round, so many points wide: flat shaded faces, of which the nearest is seen at every point (depth buffer: Catmull 1974). The
 * vehicle is the same likeness as in the views; nothing is measured off it.
 */
export function picture(assembly: Assembly, vehicle: Vehicle, brief: Brief, seen: SeenFrom, width: number): Picture {
  const eye = eyeOf(seen)
  const solid = vehicleSolid(vehicle)
  const cargo = brief.cargo.flatMap((c) => {
    const z = restOf(c, assembly).zMm
    const size = { x: c.lengthMm, y: c.widthMm, z: c.heightMm }
    return z === null ? [] : [prism(fittingCorners({ middle: { x: c.xMm, y: c.yMm, z: z + c.heightMm / 2 }, size }))]
  })
  const inked = (ink: Ink, meshes: Mesh[]) => meshes.map((mesh) => ({ ink, mesh }))
  const all = [
    ...inked('vehicle', solid.paint),
    ...inked('glass', solid.glass),
    ...inked('lamp', solid.lamps),
    ...inked('tyre', tyres(solid.wheels)),
    ...inked('rack', [...assembly.members.map((m) => sweep(m, assembly.members)), ...assembly.plates.filter((p) => !p.steps).map(extrude)]),
    ...inked(
      'bought',
      assembly.fittings.map((f) => prism(fittingCorners(f))),
    ),
    ...inked('cargo', cargo),
  ]
  const faces = all.flatMap(({ ink, mesh }) => facesOf(mesh, ink, eye))
  const whole = seenFaces(faces, faces, width * FINER)
  if (!isInside(assembly)) return average(whole, FINER)
  // what stands inside is seen through the vehicle
  const shell = new Set<Ink>(['vehicle', 'glass', 'lamp', 'tyre'])
  const inner = all.filter(({ ink }) => !shell.has(ink)).flatMap(({ ink, mesh }) => facesOf(mesh, ink, eye))
  return average(mixed(whole, seenFaces(inner, faces, width * FINER), SHELL_SHARE), FINER)
}

/** Wheels of a usual size, proud of the body's sides. */
const tyres = (wheels: { x: number; half: number }[]): Mesh[] =>
  wheels.flatMap(({ x, half }) =>
    [1, -1].map((side) =>
      prism(
        fittingCorners({
          middle: { x, y: side * (half - 100), z: 350 },
          size: { x: 0, y: 0, z: 0 },
          round: { axis: { x: 0, y: 1, z: 0 }, acrossMm: 700, wideMm: 220 },
        }),
      ),
    ),
  )

/** A triangle as it is seen: right and down in mm, how near, and its shade. */
type Face = { corners: [Vec3, Vec3, Vec3]; shade: Rgb }

function facesOf({ positions, indices }: Mesh, ink: Ink, { from, right, above }: Eye): Face[] {
  const at = (i: number): Vec3 => ({ x: positions[3 * i]!, y: positions[3 * i + 1]!, z: positions[3 * i + 2]! })
  const onPaper = (c: Vec3): Vec3 => ({
    x: dot(c, right),
    y: -dot(c, above),
    z: dot(c, from) + (ink === 'glass' || ink === 'lamp' ? PANE_MM : 0),
  })
  const out: Face[] = []
  for (let i = 0; i + 2 < indices.length; i += 3) {
    const [a, b, c] = [at(indices[i]!), at(indices[i + 1]!), at(indices[i + 2]!)]
    const normal = cross(minus(b, a), minus(c, a))
    const area = size(normal)
    if (area < 1) continue
    // lit on the side that is seen, whichever way the skin turns
    const lit = Math.max(0, (Math.sign(dot(normal, from)) * dot(normal, LIGHT)) / area)
    const shade = INKS[ink].map((v) => v * (0.62 + 0.38 * lit)) as Rgb
    out.push({ corners: [onPaper(a), onPaper(b), onPaper(c)], shade })
  }
  return out
}

/** How much of a vehicle that is seen through is left. */
const SHELL_SHARE = 0.3
/** Two pictures of one size over one another, the first by its share. */
const mixed = (a: Picture, b: Picture, share: number): Picture => ({
  ...a,
  data: a.data.map((v, i) => Math.round(v * share + (b.data[i] ?? v) * (1 - share))),
})

/** Fills a picture so wide with the nearest face at every point; `framed` = what it is as large as. */
function seenFaces(faces: Face[], framed: Face[], width: number): Picture {
  const all = framed.flatMap((f) => f.corners)
  const span = (of: (c: Vec3) => number): [number, number] =>
    all.reduce<[number, number]>(([lo, hi], c) => [Math.min(lo, of(c)), Math.max(hi, of(c))], [Infinity, -Infinity])
  const [[x0, x1], [y0, y1]] = [span((c) => c.x), span((c) => c.y)]
  const margin = 0.03 * Math.max(1, x1 - x0)
  const scale = width / Math.max(1, x1 - x0 + 2 * margin)
  const height = Math.max(FINER, Math.ceil((Math.max(0, y1 - y0) + 2 * margin) * scale))
  const data = new Uint8Array(width * height * 3)
  for (let i = 0; i < data.length; i++) data[i] = PAPER[i % 3]!
  const near = new Float64Array(width * height).fill(-Infinity)
  for (const { corners, shade } of faces) {
    const [a, b, c] = corners.map((p) => ({ x: (p.x - x0 + margin) * scale, y: (p.y - y0 + margin) * scale, z: p.z })) as [Vec3, Vec3, Vec3]
    const twice = (b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)
    if (Math.abs(twice) < 1e-9) continue
    const [left, right] = [Math.max(0, Math.floor(Math.min(a.x, b.x, c.x))), Math.min(width - 1, Math.ceil(Math.max(a.x, b.x, c.x)))]
    const [top, low] = [Math.max(0, Math.floor(Math.min(a.y, b.y, c.y))), Math.min(height - 1, Math.ceil(Math.max(a.y, b.y, c.y)))]
    // the shares of the three corners change evenly along a row: what is inside lies between where the first and the last pass through nothing
    const along = [(c.y - b.y) / -twice, (a.y - c.y) / -twice, (b.y - a.y) / -twice]
    for (let y = top; y <= low; y++) {
      const py = y + 0.5
      const first = [
        (b.x * (c.y - py) - c.x * (b.y - py)) / twice,
        (c.x * (a.y - py) - a.x * (c.y - py)) / twice,
        (a.x * (b.y - py) - b.x * (a.y - py)) / twice,
      ]
      let [from, to] = [left + 0.5, right + 0.5]
      for (let k = 0; k < 3; k++) {
        const [s0, ds] = [first[k]!, along[k]!]
        if (ds > 0) from = Math.max(from, -s0 / ds)
        else if (ds < 0) to = Math.min(to, -s0 / ds)
        else if (s0 < 0) to = -1
      }
      const z0 = first[0]! * a.z + first[1]! * b.z + first[2]! * c.z
      const dz = along[0]! * a.z + along[1]! * b.z + along[2]! * c.z
      for (let x = Math.ceil(from - 0.5); x + 0.5 <= to; x++) {
        const z = z0 + dz * (x + 0.5)
        const at = y * width + x
        if (z <= near[at]!) continue
        near[at] = z
        data[3 * at] = shade[0]
        data[3 * at + 1] = shade[1]
        data[3 * at + 2] = shade[2]
      }
    }
  }
  return { width, height, data }
}

/** So many points each way taken together into one. */
function average({ width, height, data }: Picture, by: number): Picture {
  const [w, h] = [Math.floor(width / by), Math.floor(height / by)]
  const out = new Uint8Array(w * h * 3)
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++)
      for (let k = 0; k < 3; k++) {
        let sum = 0
        for (let j = 0; j < by; j++) for (let i = 0; i < by; i++) sum += data[3 * ((y * by + j) * width + x * by + i) + k]!
        out[3 * (y * w + x) + k] = Math.round(sum / by ** 2)
      }
  return { width: w, height: h, data: out }
}
