import type { Mount } from '../assembly/assembly'
import { placeTolerance, usualTolerance } from '../measure/settle'
import type { Vehicle } from '../vehicle/vehicle'

/** How far a foot's seat may be off: by its own line, else its body, else the worst figure of the sheet its place was made of; nobody's word counts as assumed. mm */
function seatToleranceMm(x: Mount, vehicle: Vehicle): number {
  const line = vehicle.mounts.find((l) => l.id === x.placeId)
  if (line) return placeTolerance(line.taken)
  const body = vehicle.bodies.find((b) => b.id === x.bodyId)
  if (body) return placeTolerance(body.taken)
  const sheet = Object.entries(vehicle.measures).flatMap(([key, m]) =>
    key.startsWith(`${x.placeId.split('.')[0]}.`) && m.value !== null ? [m.tolerance ?? usualTolerance[m.method]] : [],
  )
  return sheet.length ? Math.max(...sheet) : usualTolerance.assumed
}

/** What the worst of some seats takes from a gap. */
export const seatTaker = (mounts: Mount[], vehicle: Vehicle) => ({
  name: 'where its feet stand',
  mm: Math.max(...mounts.map((m) => seatToleranceMm(m, vehicle))),
  error: true,
})
