export type CoatStep = { what: string; fromHour: number; untilHour: number }
/**
 * A coat face by face: each face must be dry to the touch before it is turned, each coat before the next, and all of it cured before it carries. Hours from the
 * start; the maker's sheet says how many, at his temperature: cold and damp take longer.
 */
export function coatSchedule(v: {
  coats: number
  faces: number
  workHours: number
  touchHours: number
  recoatHours: number
  cureHours: number
}): { steps: CoatStep[]; readyHour: number } {
  const steps: CoatStep[] = []
  let at = 0
  for (let coat = 1; coat <= v.coats; coat++) {
    for (let face = 1; face <= v.faces; face++) {
      steps.push({ what: `coat ${coat}, face ${face}`, fromHour: at, untilHour: at + v.workHours })
      at += v.workHours
      const wait = face < v.faces ? v.touchHours : coat < v.coats ? v.recoatHours : v.cureHours
      steps.push({
        what: face < v.faces ? 'dry to the touch, then turned' : coat < v.coats ? 'before the next coat' : 'cured',
        fromHour: at,
        untilHour: at + wait,
      })
      at += wait
    }
  }
  return { steps, readyHour: at }
}

/**
 * How many times as long a coat takes in a room colder than its maker's sheet reckons with: 2^(Δ/d), twice for each d degrees. Never less than once: what is
 * warmer dries no sooner than the sheet says. Shop's own rule.
 */
export const coldFactor = (sheetC: number, roomC: number, doublesC: number): number => 2 ** (Math.max(0, sheetC - roomC) / doublesC)
