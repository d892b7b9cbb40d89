/** Time and price on a cutting table: length over feed, and a pause for every pierce. mm, mm/min, s, minor units */
export function cutTime(v: {
  lengthMm: number
  feedMmMin: number
  pierces: number
  pierceS: number
  setUpMin: number
  perHourMinor: number
  quantity: number
}): { secondsEach: number; minutesAll: number; priceMinor: number } {
  const secondsEach = (v.lengthMm / v.feedMmMin) * 60 + v.pierces * v.pierceS
  const minutesAll = v.setUpMin + (v.quantity * secondsEach) / 60
  return { secondsEach, minutesAll, priceMinor: Math.round((minutesAll / 60) * v.perHourMinor) }
}
