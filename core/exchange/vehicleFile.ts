import { z } from 'zod'
import { faultsOf, type Read, readJson } from '../issue/faults'
import { type Vehicle, VehicleSchema } from '../vehicle/vehicle'

import { vehicleWithoutCarrier } from './vehicleToPieces'

const VehicleFile = z.object({
  format: z.literal('tide-line/vehicle', 'must be “tide-line/vehicle”: this is not a vehicle file'),
  version: z.literal(2),
  vehicle: VehicleSchema,
})

export const writeVehicleFile = (vehicle: Vehicle): string =>
  `${JSON.stringify(VehicleFile.parse({ format: 'tide-line/vehicle', version: 2, vehicle }), null, 2)}\n`

/** A vehicle from a file; refused whole with the path of every fault. */
export function readVehicleFile(text: string): Read<Vehicle> {
  const json = readJson(text)
  if (!json.ok) return json
  const raw = json.value as { version?: unknown; vehicle?: unknown } | null
  // 1 → 2: what hung in the receiver is a piece of a job, and ratings are their bodies’
  const now = raw?.version === 1 ? { ...raw, version: 2, vehicle: vehicleWithoutCarrier(raw.vehicle) } : raw
  const read = VehicleFile.safeParse(now)
  return read.success ? { ok: true, value: read.data.vehicle } : { ok: false, faults: faultsOf(read.error) }
}

/** The published schema of a vehicle file. */
export const vehicleJsonSchema = (): unknown => z.toJSONSchema(VehicleFile, { io: 'input', unrepresentable: 'any' })
