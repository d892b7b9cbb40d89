import { given } from '../figure/figure'
import { type Limit, limit } from '../limits/limit'
import type { Rules } from '../rules/rules'
import type { Apart, BoltReach } from './takeApart'
import type { Welded } from './welded'

const SOURCE = 'tools of the shop’s own sizes, held in every direction among the bodies that are there at that moment'
const names = (by: { name: string }[]): string => [...new Set(by.map((b) => b.name))].join(', ') || 'what it is screwed to itself'

/** Bolts that no tool gets to, bolts of which nobody can say, and welds with a side that no torch gets to. What is only reached in a certain order is no fault. */
export const reachLimits = ({ bolts, welds }: Pick<Apart, 'bolts' | 'welds'>, rules: Rules): Limit[] => [
  ...oncePerName(bolts.filter((b) => b.when === 'never' || b.when === 'unknown')).map((b) => boltLimit(b, rules)),
  ...oncePerName(welds.filter((w) => w.when === 'never' || w.when === 'unknown')).map((w) => weldLimit(w, rules)),
]

/** Left and right, and one after another alike: the first speaks for all. */
function oncePerName<T extends { name: string; pieceId: string | null }>(list: T[]): T[] {
  const seen = new Set<string>()
  return list.filter((x) => {
    const key = `${x.pieceId} ${x.name.replace(/ [A-Z0-9-]+\b/g, '')}`
    return !seen.has(key) && seen.add(key)
  })
}

function boltLimit(b: BoltReach, rules: Rules): Limit {
  const id = `reach.${b.id}`
  const lacks = b.when === 'unknown' ? (b.by[0]?.name ?? '') : null
  return limit({
    id,
    name: lacks === null ? `No tool gets to the ${b.name}` : `Reach of the ${b.name}`,
    group: 'rack',
    unit: '',
    ref: b.id,
    pieceId: b.pieceId,
    nearRatio: rules.nearRatio,
    used: given({
      id: `${id}.used`,
      name: 'Ways to it that are needed',
      unit: '',
      source: 'a bolt that nobody can turn holds nothing',
      symbol: 'n',
      input: [1, '', 'one to turn it and one to hold it'],
    }),
    allowed: given({
      id: `${id}.allowed`,
      name: 'Ways a socket or spanner comes',
      unit: '',
      source: SOURCE,
      symbol: 'n',
      input: [lacks === null ? 0 : null, '', lacks ?? `in the way: ${names(b.by)}`],
    }),
    caution: 'Nothing is made that cannot be tightened, and tightened again.',
  })
}

function weldLimit(w: Welded, rules: Rules): Limit {
  const id = `reach.${w.id}`
  return limit({
    id,
    name: w.when === 'unknown' ? `Reach of the ${w.name}` : `A side that no torch gets to: ${w.name}`,
    group: 'rack',
    unit: '',
    ref: w.id,
    pieceId: w.pieceId,
    nearRatio: rules.nearRatio,
    used: given({
      id: `${id}.used`,
      name: 'Sides that the checks count as welded',
      unit: '',
      source: 'the pattern of the joint',
      symbol: 'n',
      input: [Math.max(1, w.sides), '', 'all of them'],
    }),
    allowed: given({
      id: `${id}.allowed`,
      name: 'Sides that a torch gets to',
      unit: '',
      source: SOURCE,
      symbol: 'n',
      input: w.when === 'unknown' ? [null, '', 'where its sides are is not known'] : [w.reached, '', `in the way: ${names(w.by)}`],
    }),
    caution: 'A side that is left out carries nothing: the checks of strength count it.',
  })
}
