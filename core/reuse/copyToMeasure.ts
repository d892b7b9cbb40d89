import { toMeasureAgain } from '../measure/settle'
import { type Sourced, type Taken, type Vehicle, vehicleFields } from '../vehicle/vehicle'

/**
 * A copy for another vehicle of the kind: every figure and every place that was measured is now an assumption until it is measured there; what the maker says
 * stays. What belonged to that one vehicle alone is left out: how far its holes are off, and the outlines traced on its photographs.
 */
export function copyToMeasure(vehicle: Vehicle, id: string, name: string): Vehicle {
  const figure = (s: Sourced): Sourced => (s.method === 'maker' ? { ...s, readings: [] } : toMeasureAgain(s, vehicle.name))
  const place = <T extends { taken: Taken }>(p: T): T => ({ ...p, taken: assumedPlace })
  const copy: Vehicle = {
    ...vehicle,
    id,
    name,
    revision: 1,
    measures: Object.fromEntries(Object.entries(vehicle.measures).map(([k, s]) => [k, figure(s)])),
    placeRatings: Object.fromEntries(
      Object.entries(vehicle.placeRatings).map(([k, r]) => [k, { ...r, downKg: figure(r.downKg), upKg: figure(r.upKg) }]),
    ),
    mounts: vehicle.mounts.map((m) => ({ ...place(m), misfit: [], footDownKg: figure(m.footDownKg), footUpKg: figure(m.footUpKg) })),
    bodies: vehicle.bodies.map((b) => ({ ...place(b), movingKg: figure(b.movingKg), parkedKg: figure(b.parkedKg) })),
    obstacles: vehicle.obstacles.map(place),
    swings: vehicle.swings.map(place),
    traces: [],
  }
  for (const { key } of vehicleFields) copy[key] = figure(vehicle[key])
  return copy
}

const assumedPlace: Taken = { method: 'assumed', toleranceMm: null, who: '', at: '' }
