import { buying } from './buying'
import { coating } from './coating'
import { fitting } from './fitting'
import { joining } from './joining'
import { making } from './making'
import type { BuildGiven, BuildPlan, BuildStep, Stage } from './step'

/**
 * The order of work, derived from what is built: its parts, joints, holes, coat and mounts. A step is there because a fact of the assembly asks for it, and
 * says which. Minutes by the shop's own times. Nothing to build gives no step.
 */
export function buildPlan(given: BuildGiven): BuildPlan {
  const { assembly: a } = given
  if (!a.members.length && !a.plates.length && !a.mounts.length) return { steps: [], workMinutes: 0, waitHours: 0 }
  const of = (stage: Stage, steps: BuildStep[]) => steps.map((s) => ({ ...s, stage }))
  const steps = [
    ...of('buy', buying(given)),
    ...of('make', making(given)),
    ...of('join', joining(given)),
    ...of('coat', coating(given)),
    ...of('fit', fitting(given)),
  ]
  // what a step needs and this build does not have is no need
  const there = new Set(steps.map((s) => s.id))
  const all = steps.map((s) => ({ ...s, needs: s.needs.filter((n) => there.has(n)) }))
  return { steps: all, workMinutes: all.reduce((s, x) => s + x.minutes, 0), waitHours: all.reduce((s, x) => s + x.waitHours, 0) }
}
