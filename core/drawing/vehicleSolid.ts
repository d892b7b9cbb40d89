import { cross, dot, minus, type Point, type Vec3 } from '../geometry/vec3'
import { boxIndices, type Mesh } from '../solid/mesh'
import { triangulate } from '../solid/triangulate'
import type { Body, Vehicle } from '../vehicle/vehicle'
import { likeness } from './likeness'
import { box, type Entity } from './sheet'
import { drawnVehicle, vehicleOutline } from './vehicleOutline'

/** A vehicle in the round: painted skin, glass and lamps on it, wheels. Drawn by the same likeness as the flat views; no figure is taken from it. mm */
export type VehicleSolid = { paint: Mesh[]; glass: Mesh[]; lamps: Mesh[]; wheels: { x: number; half: number }[] }

/** Walls of an open bed as they are drawn. mm */
const WALL_MM = 45
/** Glass stands so far off the skin, or the two would flicker. mm */
const PROUD_MM = 5

export function vehicleSolid(vehicle: Vehicle): VehicleSolid {
  const d = drawnVehicle(vehicle)
  const cab = vehicle.bodies.find((b) => b.kind === 'cab')
  const width = cab?.widthMm ?? d.width
  const shoulderZ = Math.min(d.cab.topZ * 0.55, 1250)
  const topHalf = Math.min(width / 2, (vehicle.roofWidthRearMm.value ?? d.roofWidthRear) / 2 + 40)
  /** half the width of the cab at a height: upright to its shoulder, then leaning in to the roof */
  const half = (z: number) =>
    z <= shoulderZ ? width / 2 : width / 2 + (topHalf - width / 2) * Math.min(1, (z - shoulderZ) / Math.max(1, d.cab.topZ - shoulderZ))
  const sides = vehicleOutline(vehicle, 'side').flatMap((e) => (e.kind === 'polygon' && e.closed ? [e.points] : []))
  const paint = vehicle.bodies.length
    ? vehicle.bodies.flatMap((b, i) => (b.kind === 'cab' ? [skin(sides[i] ?? [], half, shoulderZ)] : bodyMeshes(b)))
    : sides.map((s) => skin(s, half, shoulderZ))
  return {
    paint,
    glass: [...sideGlass(vehicle, half, shoulderZ), ...rearGlass(vehicle, d.cab.rearX, d.rear), ...screenGlass(vehicle)],
    lamps: lampsOf(d.rear, d.front, d.width / 2, d.lampZ, d.cab.bonnetZ),
    wheels: [0, d.base].map((x) => ({ x, half: d.width / 2 })),
  }
}

const byHeight = (points: Point[], z: number, keep: 'below' | 'above'): Point[] => {
  const inside = (p: Point) => (keep === 'below' ? p.y <= z + 1e-9 : p.y >= z - 1e-9)
  return points.flatMap((p, i) => {
    const q = points[(i + 1) % points.length]!
    const cut = inside(p) !== inside(q) ? [{ x: p.x + ((q.x - p.x) * (z - p.y)) / (q.y - p.y), y: z }] : []
    return inside(p) ? [p, ...cut] : cut
  })
}

/** Both sides of an outline at their own half widths, and the band round it; turned outward. */
function skin(outline: Point[], half: (z: number) => number, shoulderZ: number): Mesh {
  const mesh: Mesh = { positions: [], indices: [] }
  const put = (p: Vec3) => mesh.positions.push(p.x, p.y, p.z) / 3 - 1
  for (const part of [byHeight(outline, shoulderZ, 'below'), byHeight(outline, shoulderZ, 'above')]) {
    if (part.length < 3) continue
    const tris = triangulate(part)
    for (const side of [1, -1]) {
      const first = part.map((p) => put({ x: p.x, y: side * half(p.y), z: p.y }))
      for (let i = 0; i < tris.length; i += 3) {
        const t = [first[tris[i]!]!, first[tris[i + 1]!]!, first[tris[i + 2]!]!] as const
        mesh.indices.push(...(side > 0 ? [t[0], t[2], t[1]] : t))
      }
    }
    part.forEach((p, i) => {
      const q = part[(i + 1) % part.length]!
      // where the two parts meet there is no skin between them
      if (Math.abs(p.y - shoulderZ) < 1e-6 && Math.abs(q.y - shoulderZ) < 1e-6) return
      const at = [p, q].flatMap((r) => [put({ x: r.x, y: half(r.y), z: r.y }), put({ x: r.x, y: -half(r.y), z: r.y })]) as [
        number,
        number,
        number,
        number,
      ]
      mesh.indices.push(at[0], at[1], at[3], at[0], at[3], at[2])
    })
  }
  return outward(mesh)
}

/** Faces the skin's triangles away from its middle; a vehicle's side is near enough convex for its light. */
function outward(mesh: Mesh): Mesh {
  const at = (i: number): Vec3 => ({ x: mesh.positions[3 * i]!, y: mesh.positions[3 * i + 1]!, z: mesh.positions[3 * i + 2]! })
  const n = mesh.positions.length / 3
  const middle = { x: 0, y: 0, z: 0 }
  for (let i = 0; i < n; i++) {
    const p = at(i)
    middle.x += p.x / n
    middle.y += p.y / n
    middle.z += p.z / n
  }
  for (let i = 0; i < mesh.indices.length; i += 3) {
    const [a, b, c] = [at(mesh.indices[i]!), at(mesh.indices[i + 1]!), at(mesh.indices[i + 2]!)]
    if (dot(cross(minus(b, a), minus(c, a)), minus(a, middle)) < 0) {
      const swap = mesh.indices[i + 1]!
      mesh.indices[i + 1] = mesh.indices[i + 2]!
      mesh.indices[i + 2] = swap
    }
  }
  return mesh
}

/** A bed is open at the top: floor and four walls; everything else is as full as it is. */
function bodyMeshes(b: Body): Mesh[] {
  const full = (from: Vec3, to: Vec3) => block(from, to)
  const h = b.widthMm / 2
  if (b.kind !== 'bed') return [full({ x: b.fromXMm, y: -h, z: b.bottomZMm }, { x: b.toXMm, y: h, z: b.topZMm })]
  const floor = b.bottomZMm + (b.topZMm - b.bottomZMm) * 0.38
  return [
    full({ x: b.fromXMm, y: -h, z: b.bottomZMm }, { x: b.toXMm, y: h, z: floor }),
    ...[1, -1].map((s) =>
      full({ x: b.fromXMm, y: s > 0 ? h - WALL_MM : -h, z: floor }, { x: b.toXMm, y: s > 0 ? h : -h + WALL_MM, z: b.topZMm }),
    ),
    full({ x: b.fromXMm, y: -h, z: floor }, { x: b.fromXMm + WALL_MM, y: h, z: b.topZMm }),
    full({ x: b.toXMm - WALL_MM, y: -h, z: floor }, { x: b.toXMm, y: h, z: b.topZMm }),
  ]
}

function block(a: Vec3, b: Vec3): Mesh {
  const at = (x: number, y: number, z: number) => [x ? b.x : a.x, y ? b.y : a.y, z ? b.z : a.z]
  const corners = [0, 1].flatMap((x) => [0, 1].flatMap((y) => [0, 1].map((z) => at(x, y, z))))
  return { positions: corners.flat(), indices: boxIndices }
}

/** A flat piece by its corners, seen from both sides. */
const pane = (corners: Vec3[]): Mesh => ({
  positions: corners.flatMap((c) => [c.x, c.y, c.z]),
  indices: corners.slice(2).flatMap((_, i) => [0, i + 1, i + 2]),
})
const glassOf = (entities: Entity[]): Point[][] => entities.flatMap((e) => (e.kind === 'polygon' && e.filled ? [e.points] : []))

/** Windows of both sides; what of the side view is a lamp lies lower than any window. */
function sideGlass(vehicle: Vehicle, half: (z: number) => number, shoulderZ: number): Mesh[] {
  const d = drawnVehicle(vehicle)
  return (
    glassOf(likeness(vehicle, 'side'))
      .filter((points) => Math.min(...points.map((p) => p.y)) > d.cab.topZ * 0.4 && Math.max(...points.map((p) => p.x)) < d.cab.footX)
      .filter((points) => Math.min(...points.map((p) => p.x)) > d.rear + 100)
      // bent where the side is, or the skin would stand before the glass
      .flatMap((points) => [byHeight(points, shoulderZ, 'below'), byHeight(points, shoulderZ, 'above')].filter((part) => part.length > 2))
      .flatMap((points) => [1, -1].map((s) => pane(points.map((p) => ({ x: p.x, y: s * (half(p.y) + PROUD_MM), z: p.y })))))
  )
}

/** Windows of the rear end, on the back of the cab where there is a bed behind it. */
function rearGlass(vehicle: Vehicle, cabRearX: number, rearX: number): Mesh[] {
  const d = drawnVehicle(vehicle)
  const x = (vehicle.body === 'pickup' || vehicle.body === 'truck' ? cabRearX : rearX) - PROUD_MM
  return glassOf(likeness(vehicle, 'rear'))
    .filter((points) => Math.min(...points.map((p) => p.y)) > d.cab.topZ * 0.45)
    .map((points) => pane(points.map((p) => ({ x, y: -p.x, z: p.y }))))
}

/** The windscreen, along the slope from the bonnet to the roof. */
function screenGlass(vehicle: Vehicle): Mesh[] {
  const { cab, width, roofWidthRear } = drawnVehicle(vehicle)
  const on = (share: number, y: number): Vec3 => ({
    x: cab.footX + (cab.topX - cab.footX) * share + PROUD_MM,
    y,
    z: cab.bonnetZ + (cab.topZ - cab.bonnetZ) * share + PROUD_MM,
  })
  const [low, high] = [width / 2 - 140, Math.min(width / 2, roofWidthRear / 2) - 90]
  return [pane([on(0.08, low), on(0.9, high), on(0.9, -high), on(0.08, -low)])]
}

function lampsOf(rear: number, front: number, half: number, lampZ: number, bonnetZ: number): Mesh[] {
  const at = (x: number, list: Point[]) => pane(list.map((p) => ({ x, y: p.x, z: p.y })))
  return [-1, 1].flatMap((s) => [
    at(rear - PROUD_MM, box({ x: s * (half - 40), y: lampZ - 170 }, { x: s * (half - 130), y: lampZ + 170 })),
    at(front + PROUD_MM, box({ x: s * (half - 60), y: bonnetZ * 0.6 }, { x: s * (half - 330), y: bonnetZ * 0.76 })),
  ])
}
