import { formatQuantity, trim } from './formatQuantity'
import { moneyText } from './money'
import { type Dimension, type DisplayUnits, defaultUnit, KG_PER_POUND, MM_PER_INCH, N_PER_POUND_FORCE } from './units'

/** Units of figures that people also type. `gauge` is mm of walls, sheets and sags, shown finer than a length. */
const DIMENSION: Record<string, Dimension> = {
  mm: 'length',
  gauge: 'gauge',
  kg: 'mass',
  N: 'force',
  'km/h': 'speed',
  'mm/min': 'feed',
  '°': 'angle',
}

/** As what a figure of that unit is typed; of any other it is a plain number. */
export const dimensionOf = (unit: string): Dimension => DIMENSION[unit] ?? 'number'

/** Units that are only read: what one of the core's is in the shop's, by system. */
const SHOWN: Record<string, { metric: [number, string]; inch: [number, string] }> = {
  N·mm: { metric: [1e-3, 'N·m'], inch: [1 / (12 * MM_PER_INCH * N_PER_POUND_FORCE), 'lbf·ft'] },
  MPa: { metric: [1, 'MPa'], inch: [MM_PER_INCH ** 2 / N_PER_POUND_FORCE / 1000, 'ksi'] },
  'N/mm': { metric: [1, 'N/mm'], inch: [MM_PER_INCH / N_PER_POUND_FORCE, 'lbf/in'] },
  'kg/m': { metric: [1, 'kg/m'], inch: [(12 * MM_PER_INCH) / 1000 / KG_PER_POUND, 'lb/ft'] },
  'kg/m²': { metric: [1, 'kg/m²'], inch: [((12 * MM_PER_INCH) / 1000) ** 2 / KG_PER_POUND, 'lb/ft²'] },
  'kg/m³': { metric: [1, 'kg/m³'], inch: [((12 * MM_PER_INCH) / 1000) ** 3 / KG_PER_POUND, 'lb/ft³'] },
  'm²': { metric: [1, 'm²'], inch: [(1000 / (12 * MM_PER_INCH)) ** 2, 'ft²'] },
  'mm²': { metric: [1, 'mm²'], inch: [MM_PER_INCH ** -2, 'in²'] },
  'mm³': { metric: [1, 'mm³'], inch: [MM_PER_INCH ** -3, 'in³'] },
  'mm⁴': { metric: [1, 'mm⁴'], inch: [MM_PER_INCH ** -4, 'in⁴'] },
}

/** A figure's value as text in the job's units: 1565 mm → `61 5/8 in`. Unknown is a dash. */
export function figureText(value: number | null, unit: string, units: DisplayUnits): string {
  if (value === null || !Number.isFinite(value)) return '—'
  if (unit === 'money') return moneyText(value)
  const dimension = DIMENSION[unit]
  if (dimension) return `${formatQuantity(value, dimension, units)} ${defaultUnit(dimension, units.system)}`
  const [factor, name] = SHOWN[unit]?.[units.system] ?? [1, unit]
  const shown = value * factor
  const digits = Math.abs(shown) >= 1000 ? 0 : Math.abs(shown) >= 10 ? 1 : 3
  return `${trim(shown, digits)}${name ? ` ${name}` : ''}`
}

/** Core labels carry lengths as {mm}, walls and sheets as {g mm}; they are shown in the job's units. */
export const withLengths = (label: string, units: DisplayUnits): string =>
  label.replace(/\{(g ?)?([\d.]+)\}/g, (_, fine: string | undefined, mm: string) => figureText(Number(mm), fine ? 'gauge' : 'mm', units))
