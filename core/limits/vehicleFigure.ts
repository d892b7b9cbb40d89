import { type Figure, figure, type Input } from '../figure/figure'
import { missingName, settledValue } from '../measure/settle'
import { fieldLabel, type Sourced, type SourcedKey, type Vehicle } from '../vehicle/vehicle'

/** A quoted or measured value of the vehicle as a figure, naming who said so; an assumed one says that it is assumed. */
export function vehicleFigure(vehicle: Vehicle, key: SourcedKey, unit: string, factor = 1): Figure {
  const s = vehicle[key]
  const label = fieldLabel(key)
  return figure(
    {
      id: `vehicle.${key}`,
      name: label,
      unit,
      formula: factor === 1 ? 'as given' : 'n·R',
      with: { R: vehicleInput(vehicle, key, unit), n: factor === 1 ? [] : [[factor, '', 'how many'] as Input] },
      source: sourceOf(s),
      assumes: assumed(vehicle, [key]),
    },
    ({ R, n }) => n.reduce((a, b) => a * b, R),
  )
}

/** A rating that is no field of the vehicle's list: a body's, a place's. */
export const sourcedFigure = (s: Sourced, id: string, name: string, unit: string): Figure =>
  figure(
    {
      id,
      name,
      unit,
      formula: 'as given',
      with: { R: [settledValue(s), unit, missingName(name, s)] },
      source: sourceOf(s),
      assumes: s.method === 'assumed' ? [`${name}: nobody measured it`] : [],
    },
    ({ R }) => R,
  )

const sourceOf = (s: Sourced): string =>
  s.value === null ? 'not given' : `${s.method}${s.source ? `, ${s.source}` : ''}${s.date ? `, ${s.date}` : ''}`

/** A value of the vehicle as a formula's input: unknown while its readings disagree, and then named so. */
export const vehicleInput = (vehicle: Vehicle, key: SourcedKey, unit: string): Input => [
  settledValue(vehicle[key]),
  unit,
  missingName(fieldLabel(key), vehicle[key]),
]

export const assumed = (vehicle: Vehicle, keys: SourcedKey[]): string[] =>
  keys.filter((k) => vehicle[k].method === 'assumed').map((k) => `${fieldLabel(k)}: nobody measured it`)
