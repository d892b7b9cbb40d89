import { missingName, settledValue } from '../measure/settle'
import { quantityOf } from '../measure/sheets'
import { type Body, fieldLabel, type Sourced, type SourcedKey, unknownValue, type Vehicle, vehicleFields } from '../vehicle/vehicle'

const isField = (id: string): id is SourcedKey => vehicleFields.some((f) => f.key === id)

/** A figure of a vehicle by the id its sheet gives it, and what it is called where it is missing; readings in dispute count as unknown. mm, degrees, kg */
export function measured(vehicle: Vehicle, id: string): { value: number | null; says: string } {
  const s: Sourced = isField(id) ? vehicle[id] : (vehicle.measures[id] ?? unknownValue)
  const label = isField(id) ? fieldLabel(id) : (quantityOf(id)?.label ?? id)
  return { value: settledValue(s), says: missingName(`${label.charAt(0).toLowerCase()}${label.slice(1)}`, s) }
}

export const bodyOfKind = (vehicle: Vehicle, kind: Body['kind']): Body | null => vehicle.bodies.find((b) => b.kind === kind) ?? null
