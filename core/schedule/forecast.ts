import { dateOf } from './shopCalendar'

export const FORECAST_DAYS = 10
/**
 * Wet days from a day on: a simulated stand-in for a weather service, the same for the same dates. About three days in ten; past its reach nothing is
 * known, and nothing waits for it.
 */
export function simulatedWetDays(today: string): Set<string> {
  const wet = new Set<string>()
  for (let d = 0; d < FORECAST_DAYS; d++) {
    const date = dateOf(today, d)
    const seed = [...date].reduce((h, c) => (h * 31 + c.charCodeAt(0)) % 9973, 7)
    if (seed % 10 < 3) wet.add(date)
  }
  return wet
}
