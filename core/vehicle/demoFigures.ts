import { type Sourced, sourcedValue, unknownValue, type Vehicle } from './vehicle'

export const tape = (value: number): Sourced => sourcedValue(value, 'tape', 'measured in the yard', '2026-10-14', 2)
export const maker = (value: number): Sourced => sourcedValue(value, 'maker', "owner's handbook", '2026-10-14')
export const weighed = (value: number): Sourced => sourcedValue(value, 'weighed', 'weigh pads', '2026-10-15')
export const assumed = (value: number): Sourced => sourcedValue(value, 'assumed', 'like vehicles', '2026-10-14')
export const unknown = unknownValue
export const taped = (values: Record<string, number>): Vehicle['measures'] =>
  Object.fromEntries(Object.entries(values).map(([id, v]) => [id, tape(v)]))

/** What is asked only of vehicles that have it, and what nobody has added yet. */
export const unasked = {
  barKg: unknown,
  tyreKg: unknown,
  tongueKg: unknown,
  carrierKg: unknown,
  revision: 1,
  measures: {},
  bodies: [],
  onBoard: [],
  traces: [],
  tyres: { now: '', next: '' },
}
export const plainLine = { keepOuts: [], footDownKg: unknown, footUpKg: unknown, adjustMm: null, misfit: [] }
