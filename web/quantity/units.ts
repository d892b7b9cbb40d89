import { createContext, useContext } from 'react'
import { moneyText } from '../../core/cost/money'
import { formatQuantity, trim } from '../../core/quantity/formatQuantity'
import { type Dimension, type DisplayUnits, defaultUnit, METRIC } from '../../core/quantity/units'

/** The units of the job on screen. Values themselves are always mm, kg, N. */
export const UnitsContext = createContext<DisplayUnits>(METRIC)
export const useUnits = (): DisplayUnits => useContext(UnitsContext)

const DIMENSION: Record<string, Dimension> = { mm: 'length', kg: 'mass', N: 'force', 'km/h': 'speed', '°': 'angle' }

/** A figure's value as text in the job's units: 1565 mm → `61 5/8 in`. Unknown is a dash. */
export function figureText(value: number | null, unit: string, units: DisplayUnits): string {
  if (value === null || !Number.isFinite(value)) return '—'
  if (unit === 'money') return moneyText(value)
  const dimension = DIMENSION[unit]
  if (dimension) return `${formatQuantity(value, dimension, units)} ${defaultUnit(dimension, units.system)}`
  const digits = Math.abs(value) >= 1000 ? 0 : Math.abs(value) >= 10 ? 1 : 3
  return `${trim(value, digits)}${unit ? ` ${unit}` : ''}`
}

/** Core labels carry lengths as {mm}; they are shown in the job's units. */
export const withLengths = (label: string, units: DisplayUnits): string =>
  label.replace(/\{([\d.]+)\}/g, (_, mm: string) => figureText(Number(mm), 'mm', units))
