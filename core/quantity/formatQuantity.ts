import { type Dimension, type DisplayUnits, defaultUnit, KG_PER_POUND, MM_PER_INCH, N_PER_POUND_FORCE } from './units'

/** A length in the job's units without the unit: `1565`, `61 5/8`. Unknown is a dash, never zero. */
export function formatLength(lengthMm: number | null, units: DisplayUnits): string {
  if (lengthMm === null || !Number.isFinite(lengthMm)) return '—'
  return units.system === 'inch' ? fractionText(lengthMm / MM_PER_INCH, units.fraction) : stepText(lengthMm, units.mmStep)
}

/** A wall, a sheet's thickness or a sag, which a length's rounding would hide: to 0.1 mm, or to thousandths of an inch. `2.5`, `0.098` */
export const formatGauge = (lengthMm: number | null, units: DisplayUnits): string =>
  lengthMm === null || !Number.isFinite(lengthMm) ? '—' : units.system === 'inch' ? trim(lengthMm / MM_PER_INCH, 3) : trim(lengthMm, 1)

/** A length with feet: `5' 1-5/8"`. */
export function formatFeetInches(lengthMm: number, units: DisplayUnits): string {
  const parts = Math.round((Math.abs(lengthMm) / MM_PER_INCH) * units.fraction)
  const feet = Math.floor(parts / (12 * units.fraction))
  const inches = fractionText((parts - feet * 12 * units.fraction) / units.fraction, units.fraction).replace(' ', '-')
  return `${lengthMm < 0 ? '-' : ''}${feet ? `${feet}' ` : ''}${inches}"`
}

/** Nearest binary fraction of an inch, reduced: 61.625 → `61 5/8`. */
export function fractionText(inches: number, finest: number): string {
  const parts = Math.round(Math.abs(inches) * finest)
  const whole = Math.floor(parts / finest)
  let top = parts % finest
  let bottom = finest
  while (top > 0 && top % 2 === 0) {
    top /= 2
    bottom /= 2
  }
  const sign = inches < 0 && parts > 0 ? '-' : ''
  if (top === 0) return `${sign}${whole}`
  return `${sign}${whole ? `${whole} ` : ''}${top}/${bottom}`
}

const stepText = (value: number, step: number): string => {
  const rounded = Math.round(value / step) * step
  return (Object.is(rounded, -0) ? 0 : rounded).toFixed(step < 1 ? 1 : 0).replace(/\.0$/, '')
}

/** Any quantity in the job's units, without the unit. */
export function formatQuantity(value: number | null, dimension: Dimension, units: DisplayUnits): string {
  if (value === null || !Number.isFinite(value)) return '—'
  const inch = units.system === 'inch'
  switch (dimension) {
    case 'length':
      return formatLength(value, units)
    case 'gauge':
      return formatGauge(value, units)
    case 'mass':
      return trim(inch ? value / KG_PER_POUND : value, 1)
    case 'force':
      return trim(inch ? value / N_PER_POUND_FORCE : value, 0)
    case 'speed':
      return trim(inch ? value / 1.609344 : value, 0)
    case 'feed':
      return trim(inch ? value / MM_PER_INCH : value, inch ? 1 : 0)
    case 'angle':
      return trim(value, 1)
    case 'money':
      return value.toFixed(2)
    case 'number':
      return trim(value, 3)
  }
}

export const withUnit = (value: number | null, dimension: Dimension, units: DisplayUnits): string => {
  const text = formatQuantity(value, dimension, units)
  return text === '—' ? text : `${text} ${defaultUnit(dimension, units.system)}`.trim()
}

/** Decimal text without trailing zeros. */
export const trim = (value: number, decimals: number): string => {
  const text = value.toFixed(decimals)
  const short = text.includes('.') ? text.replace(/\.?0+$/, '') : text
  return short === '-0' ? '0' : short
}

/**
 * Text that reads back to exactly the stored value, for an edit field: the rounded text when it is exact,
 * otherwise enough decimals. Keeps a job free of drift when it is switched between inch and metric.
 */
export function editText(value: number | null, dimension: Dimension, units: DisplayUnits, read: (text: string) => number | null): string {
  if (value === null) return ''
  const shown = formatQuantity(value, dimension, units)
  const back = read(shown)
  if (back !== null && Math.abs(back - value) < 1e-6) return shown
  const scale =
    (dimension === 'length' || dimension === 'gauge') && units.system === 'inch'
      ? MM_PER_INCH
      : dimension === 'mass' && units.system === 'inch'
        ? KG_PER_POUND
        : 1
  return trim(value / scale, 4)
}
