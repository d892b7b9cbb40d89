import { G_M_S2 } from '../quantity/units'

/** Who lifts what: people by mass, one more above shoulder height, a stand or hoist beyond what four can. Limits per person are the shop's own. kg, mm */
export function liftPlan(
  massKg: number,
  toMm: number,
  perPersonKg: number,
  shoulderMm: number,
): { people: number; hoist: boolean; eachN: number; says: string } {
  const high = toMm > shoulderMm
  // above the shoulder a person lifts half as much
  const people = Math.max(1, Math.ceil(massKg / (high ? perPersonKg / 2 : perPersonKg) - 1e-9))
  const hoist = people > 4
  const says = hoist
    ? 'a hoist or stands: more than four people do not lift together'
    : people === 1
      ? 'one person'
      : `${people} people, one of them calls the lift${high ? '; firm footing at the height it is lifted to' : ''}`
  return { people, hoist, eachN: (massKg * G_M_S2) / people, says }
}
