import { create } from 'zustand'
import { usualTolerance, withReading } from '../../../core/measure/settle'
import { measureOf, type Quantity, withMeasure } from '../../../core/measure/sheets'
import type { Method, Sourced } from '../../../core/vehicle/vehicle'
import { editJob } from '../../job/jobStore'
import { useWho } from '../../shell/who'

type Measuring = { field: string | null; take: (field: string | null) => void }
/** Which field the next reading goes to. */
export const useMeasuring = create<Measuring>()((set) => ({ field: null, take: (field) => set({ field }) }))

export const setMeasure = (quantity: Quantity, change: (s: Sourced) => Sourced): void =>
  editJob((j) => ({ ...j, vehicle: withMeasure(j.vehicle, quantity, change(measureOf(j.vehicle, quantity))) }))

export function reading(value: number, typed: string, method: Method, tolerance?: number) {
  return {
    value,
    typed: typed.slice(0, 60),
    tolerance: tolerance ?? usualTolerance[method],
    method,
    who: useWho.getState().who,
    at: new Date().toISOString().slice(0, 16),
  }
}

/** A first figure, or a correction of the last reading; “again” adds one beside it. */
export const typedValue = (s: Sourced, value: number, typed: string, fallback: Method): Sourced => {
  const method = s.method === 'unknown' || s.method === 'assumed' ? fallback : s.method
  const next = reading(value, typed, method, s.value === null ? undefined : (s.tolerance ?? undefined))
  const earlier = s.readings.slice(0, -1)
  return withReading({ ...s, readings: earlier, value: earlier.length ? s.value : null, reason: '' }, next)
}
