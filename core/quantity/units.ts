/** The units people type and read. Inside the core: mm, kg, N, MPa; degrees only at the edges. */

export type Radians = number & { readonly unit: 'rad' }
export const radians = (degrees: number): Radians => ((degrees * Math.PI) / 180) as Radians
export const degrees = (angle: Radians): number => (angle * 180) / Math.PI

export const MM_PER_INCH = 25.4 // exact, international yard and pound agreement 1959
export const MM_PER_FOOT = 304.8
export const KG_PER_POUND = 0.45359237 // exact, same agreement
export const G_M_S2 = 9.80665 // standard gravity, ISO 80000-3
export const N_PER_POUND_FORCE = KG_PER_POUND * G_M_S2

/** Weight of a mass under standard gravity. kg → N. */
export const weightN = (massKg: number): number => massKg * G_M_S2

export type Dimension = 'length' | 'gauge' | 'mass' | 'force' | 'angle' | 'speed' | 'feed' | 'money' | 'number'
export type UnitSystem = 'metric' | 'inch'

/** How one job shows its figures. Stored values never pass through these roundings. */
export type DisplayUnits = {
  system: UnitSystem
  /** smallest fraction of an inch shown */
  fraction: 16 | 32
  /** rounding of a shown length in mm */
  mmStep: 1 | 0.5
}

export const METRIC: DisplayUnits = { system: 'metric', fraction: 16, mmStep: 1 }
export const INCH: DisplayUnits = { system: 'inch', fraction: 16, mmStep: 1 }

const LENGTH_WORDS: Record<string, number> = {
  mm: 1,
  cm: 10,
  m: 1000,
  metre: 1000,
  meter: 1000,
  metres: 1000,
  meters: 1000,
  '"': MM_PER_INCH,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  "'": MM_PER_FOOT,
  ft: MM_PER_FOOT,
  foot: MM_PER_FOOT,
  feet: MM_PER_FOOT,
}

/** Words and signs accepted for each unit, with the factor to the core's own unit. */
export const UNIT_WORDS: Record<Dimension, Record<string, number>> = {
  length: LENGTH_WORDS,
  gauge: LENGTH_WORDS,
  mass: {
    kg: 1,
    g: 0.001,
    t: 1000,
    lb: KG_PER_POUND,
    lbs: KG_PER_POUND,
    pound: KG_PER_POUND,
    pounds: KG_PER_POUND,
    oz: KG_PER_POUND / 16,
  },
  force: { N: 1, n: 1, kN: 1000, kn: 1000, lbf: N_PER_POUND_FORCE, kgf: G_M_S2 },
  angle: { '°': 1, deg: 1, degree: 1, degrees: 1, rad: 180 / Math.PI },
  speed: { 'km/h': 1, kmh: 1, kph: 1, mph: 1.609344, 'm/s': 3.6 },
  feed: { 'mm/min': 1, 'm/min': 1000, 'in/min': MM_PER_INCH, ipm: MM_PER_INCH },
  money: {},
  number: {},
}

/** The unit taken when a text carries none. */
export function defaultUnit(dimension: Dimension, system: UnitSystem): string {
  const inch = system === 'inch'
  switch (dimension) {
    case 'length':
    case 'gauge':
      return inch ? 'in' : 'mm'
    case 'mass':
      return inch ? 'lb' : 'kg'
    case 'force':
      return inch ? 'lbf' : 'N'
    case 'speed':
      return inch ? 'mph' : 'km/h'
    case 'feed':
      return inch ? 'in/min' : 'mm/min'
    case 'angle':
      return '°'
    case 'money':
    case 'number':
      return ''
  }
}
