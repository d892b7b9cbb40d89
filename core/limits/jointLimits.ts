import { figure } from '../figure/figure'
import { boltLimit } from './boltLimits'
import { collarLimit, ratedLimit } from './boughtJoints'
import type { JointsGiven } from './jointsGiven'
import { allOfIt, type Limit, limit } from './limit'
import { weldLimits } from './weldLimits'

/** Welds, the metal beside them, bolts between members, what is bought and rated, and joints for which there is no rule. */
export const jointLimits = (given: JointsGiven): Limit[] => [
  ...weldLimits(given),
  ...boltLimit(given),
  ...collarLimit(given),
  ...ratedLimit(given),
  ...notChecked(given),
]

/** A joint for which there is no rule is named, never passed over: between two parts of ours, or with something fitted whole that has no rating. */
function notChecked(given: JointsGiven): Limit[] {
  const { assembly, rules, own } = given
  const parts = new Map([...assembly.members, ...assembly.plates, ...assembly.fittings].map((p) => [p.id, p.mark]))
  const ours = new Set([...assembly.members, ...assembly.plates].map((p) => p.id))
  const open = assembly.joints.filter((j) => {
    if (!own(j.id) || !j.between.every((id) => parts.has(id))) return false
    // what its maker put together is his
    if (j.between.every((id) => !ours.has(id))) return false
    const bolted = j.kind === 'bolt' || j.kind === 'hinge' || j.kind === 'pin' || j.kind === 'slide'
    // bolts into something bought are ours, and what they hold of it is its maker's
    return !j.rated && !j.collar && !((j.kind === 'weld' && j.between.every((id) => ours.has(id))) || (bolted && j.bolts))
  })
  if (!open.length) return []
  const figureOf = (id: string, name: string) =>
    figure(
      {
        id,
        name,
        unit: '',
        formula: 'no rule',
        source: 'not assessed',
        with: {},
        lacks: open.map((j) => `strength of the ${j.kind} ${j.between.map((id) => parts.get(id)).join(' to ')}`),
      },
      () => 0,
    )
  return [
    limit({
      id: 'joints.open',
      name: 'Joints without a rule',
      group: 'rack',
      unit: '',
      nearRatio: rules.nearRatio,
      used: figureOf('joints.open', 'Joints that are not assessed'),
      allowed: allOfIt('joints.open.allowed', 'its maker, a load test or an engineer'),
    }),
  ]
}
