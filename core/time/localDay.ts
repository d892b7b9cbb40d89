/** The day on the wall where this runs, as 2026-12-24: what people write on sheets and mean by “today”. */
export const localDay = (at: Date = new Date()): string =>
  [at.getFullYear(), at.getMonth() + 1, at.getDate()].map((n, i) => String(n).padStart(i ? 2 : 4, '0')).join('-')

/** The same with the time, as 2026-12-24 08:05. */
export const localMinute = (at: Date): string =>
  `${localDay(at)} ${[at.getHours(), at.getMinutes()].map((n) => String(n).padStart(2, '0')).join(':')}`
