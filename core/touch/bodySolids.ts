import { drawnVehicle } from '../drawing/vehicleOutline'
import type { Vec3 } from '../geometry/vec3'
import { placeTolerance, usualTolerance } from '../measure/settle'
import type { Body, Sourced, Vehicle } from '../vehicle/vehicle'
import type { Solid } from './solids'

/** The underside of what is drawn of a body, and where its sides begin to lean in. mm: drawn sizes, no figure is taken from them */
const SILL_MM = 320
const SHOULDER_MM = 1250

/** Both sides of a point of the outline. */
const pair = (x: number, z: number, half: number): Vec3[] => [1, -1].map((s) => ({ x, y: s * half, z }))

/** Roof, cab, bed and what else the vehicle is made of, as it is drawn: convex bodies between the measured figures. */
export function bodySolids(vehicle: Vehicle): Solid[] {
  if (!vehicle.bodies.length) {
    const closed = vehicle.body === 'van' || vehicle.body === 'camper'
    return [{ id: 'body:', name: closed ? 'the roof' : 'the cab', kind: 'body', pieceId: null, hulls: cabHulls(vehicle, null) }]
  }
  return vehicle.bodies.map((b) => ({
    id: `body:${b.id}`,
    name: `the ${b.name.toLowerCase()}`,
    kind: 'body',
    pieceId: null,
    hulls: b.kind === 'cab' ? cabHulls(vehicle, b) : b.kind === 'bed' ? bedHulls(b) : [full(b, b.bottomZMm, b.topZMm)],
  }))
}

function cabHulls(vehicle: Vehicle, cab: Body | null): Vec3[][] {
  const d = drawnVehicle(vehicle)
  const { rearX, topX, topZ, footX, bonnetZ } = d.cab
  const half = (cab?.widthMm ?? d.width) / 2
  const shoulder = Math.min(topZ * 0.55, SHOULDER_MM)
  const roofFrom = cab ? rearX : Math.max(rearX, vehicle.roofFromXMm.value ?? rearX)
  const [rearHalf, frontHalf] = cab
    ? [half - 60, half - 60]
    : [(vehicle.roofWidthRearMm.value ?? d.roofWidthRear) / 2, (vehicle.roofWidthFrontMm.value ?? d.roofWidthRear) / 2]
  const cabin = [
    ...pair(rearX, SILL_MM, half),
    ...pair(footX, SILL_MM, half),
    ...pair(rearX, shoulder, half),
    ...pair(footX, Math.min(bonnetZ, shoulder), half),
    ...pair(roofFrom, topZ, rearHalf),
    ...pair(topX, topZ, frontHalf),
  ]
  const bonnet = [
    ...pair(footX, SILL_MM, half),
    ...pair(d.front, SILL_MM, half),
    ...pair(d.front, bonnetZ * 0.82, half),
    ...pair(footX, bonnetZ, half),
  ]
  return [cabin, bonnet]
}

const full = (
  b: Body,
  from: number,
  to: number,
  x: [number, number] = [b.fromXMm, b.toXMm],
  y: [number, number] = [-b.widthMm / 2, b.widthMm / 2],
) => x.flatMap((i) => y.flatMap((j) => [from, to].map((k): Vec3 => ({ x: i, y: j, z: k }))))

/** Walls of an open bed; its floor is where its places to stand on are, and nothing is measured to it here. */
const WALL_MM = 45
function bedHulls(b: Body): Vec3[][] {
  const h = b.widthMm / 2
  return [
    full(b, b.bottomZMm, b.topZMm, [b.fromXMm, b.toXMm], [h - WALL_MM, h]),
    full(b, b.bottomZMm, b.topZMm, [b.fromXMm, b.toXMm], [-h, -h + WALL_MM]),
    full(b, b.bottomZMm, b.topZMm, [b.toXMm - WALL_MM, b.toXMm]),
  ]
}

/** How well a place on a body's surface is known: by which reading, ± mm; null where the surface is a likeness and nobody measured it. */
export function surfaceTaken(vehicle: Vehicle, bodyId: string, at: Vec3): { name: string; toleranceMm: number } | null {
  const NEAR = 2
  const by = (name: string, s: Sourced) => (s.value === null ? null : { name, toleranceMm: s.tolerance ?? usualTolerance[s.method] })
  const body = vehicle.bodies.find((b) => `body:${b.id}` === bodyId)
  if (body) {
    const toleranceMm = placeTolerance(body.taken)
    const name = body.name.toLowerCase()
    if (Math.abs(at.z - body.topZMm) < NEAR && at.x < body.toXMm + NEAR) return { name: `top of the ${name}`, toleranceMm }
    if (Math.abs(at.x - body.fromXMm) < NEAR) return { name: `rear of the ${name}`, toleranceMm }
    if (body.kind !== 'cab' && Math.abs(at.x - body.toXMm) < NEAR) return { name: `front of the ${name}`, toleranceMm }
    const upright = body.kind !== 'cab' || at.z <= Math.min(body.topZMm * 0.55, SHOULDER_MM)
    return upright && Math.abs(Math.abs(at.y) - body.widthMm / 2) < NEAR ? { name: `side of the ${name}`, toleranceMm } : null
  }
  const roof = vehicle.roofHeightMm
  const along = vehicle.roofFromXMm.value !== null && vehicle.roofToXMm.value !== null
  return along && roof.value !== null && Math.abs(at.z - roof.value) < NEAR ? by('roof height', roof) : null
}
