import type { Method, Reading, Sourced, Taken } from '../vehicle/vehicle'
import { unknownValue } from '../vehicle/vehicle'
import { summariseReadings } from './readings'

/** What a method is good for when nobody says otherwise. mm, degrees, kg. Shop's own. */
export const usualTolerance: Record<Method, number> = {
  tape: 2,
  'angle finder': 0.5,
  weighed: 10,
  maker: 5,
  template: 1,
  scan: 3,
  assumed: 50,
  unknown: 0,
}

/** How far a place may be off, mm: what was said, else what its method is good for; a place nobody speaks for counts as assumed. */
export const placeTolerance = (taken: Taken): number =>
  taken.toleranceMm ?? usualTolerance[taken.method === 'unknown' ? 'assumed' : taken.method]

export type MeasureState = 'unknown' | 'later' | 'conflict' | 'assumed' | 'single' | 'repeated'

/** How far a quantity can be relied on. A conflict stands until one reading is chosen with a reason. */
export function stateOfMeasure(s: Sourced): MeasureState {
  if (s.readings.length > 1 && !s.reason && summariseReadings(s.readings)?.agree === false) return 'conflict'
  if (s.value === null) return s.step ? 'later' : 'unknown'
  if (s.method === 'assumed') return 'assumed'
  return s.readings.length > 1 ? 'repeated' : 'single'
}

/** The value that checks may rest on: none while its readings disagree and nobody has chosen. */
export const settledValue = (s: Sourced): number | null => (stateOfMeasure(s) === 'conflict' ? null : s.value)

/** A field's name as a missing figure is called, saying when it is missing because its readings disagree. */
export const missingName = (label: string, s: Sourced): string =>
  stateOfMeasure(s) === 'conflict' ? `${label} (readings disagree)` : label

export const stateSays: Record<MeasureState, string> = {
  unknown: 'not taken yet',
  later: 'to be measured later',
  conflict: 'readings disagree',
  assumed: 'assumed, not measured',
  single: 'taken once',
  repeated: 'taken more than once',
}

/**
 * The quantity with one more reading. Readings that agree are averaged; when the new one disagrees the value stays as it was and the
 * quantity is in conflict. An assumed value gives way to the first real reading.
 */
export function withReading(s: Sourced, reading: Reading): Sourced {
  const held = s.readings.length === 0 && s.value !== null && s.method !== 'assumed' ? [asReading(s, s.value)] : s.readings
  const readings = [...held, reading].slice(-40)
  const summary = summariseReadings(readings)
  const first = s.value === null || s.method === 'assumed'
  const value = summary?.agree ? summary.mean : first ? reading.value : s.value
  const taken =
    first || summary?.agree
      ? { method: reading.method, tolerance: reading.tolerance, source: reading.who, date: reading.at.slice(0, 10) }
      : {}
  return { ...s, ...taken, readings, value, reason: '', step: null }
}

/** A figure that was there before anyone took a second one counts as the first reading. */
const asReading = (s: Sourced, value: number): Reading => ({
  value,
  typed: '',
  tolerance: s.tolerance ?? usualTolerance[s.method],
  method: s.method,
  who: s.source.slice(0, 80),
  at: s.date,
})

/** One reading stands, with the reason why; the others are kept. */
export function chooseReading(s: Sourced, index: number, reason: string): Sourced {
  const r = s.readings[index]
  return r ? { ...s, value: r.value, method: r.method, tolerance: r.tolerance, source: r.who, date: r.at.slice(0, 10), reason } : s
}

export function withoutReading(s: Sourced, index: number): Sourced {
  const readings = s.readings.filter((_, i) => i !== index)
  if (!readings.length) return unknownValue
  const summary = summariseReadings(readings)
  const last = readings[readings.length - 1]!
  const value = summary?.agree ? summary.mean : readings.some((r) => r.value === s.value) ? s.value : last.value
  return { ...s, readings, value, method: last.method, tolerance: last.tolerance, reason: '' }
}

/** To be measured at a step of the build: unknown until then, and blocks only what depends on it. */
export const measureLater = (step: string): Sourced => ({ ...unknownValue, step })

/** On a copy for another vehicle nothing has been measured yet: every figure becomes an assumption that says where it came from. */
export const toMeasureAgain = (s: Sourced, from: string): Sourced =>
  s.value === null
    ? unknownValue
    : { ...unknownValue, value: s.value, method: 'assumed', source: `like ${from}`.slice(0, 200), date: s.date }
