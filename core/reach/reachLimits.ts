import { given } from '../figure/figure'
import { type Limit, limit } from '../limits/limit'
import type { Rules } from '../rules/rules'
import type { Apart, BoltReach, Trapped } from './takeApart'
import type { Welded } from './welded'

const SOURCE = 'tools of the shop’s own sizes (rules, Reach), held in every direction among the bodies that are there at that moment'
const names = (by: { name: string }[]): string => [...new Set(by.map((b) => b.name))].join(', ')

/**
 * What goes in and does not come out, bolts that no tool gets to, welds with a side that no torch gets to, and those of which nobody can say. What is only
 * reached in a certain order is no fault.
 */
export const reachLimits = ({ trapped, bolts, welds }: Pick<Apart, 'trapped' | 'bolts' | 'welds'>, rules: Rules): Limit[] => [
  ...trapped.map((t) => trapLimit(t, rules)),
  ...oncePerName(bolts.filter((b) => b.when === 'never' || b.when === 'unknown')).map((b) => boltLimit(b, rules)),
  ...oncePerName([...welds].filter((w) => w.when === 'never' || w.when === 'unknown').sort((p, q) => p.reached - q.reached)).map((w) =>
    weldLimit(w, rules),
  ),
]

/** Left and right, and one after another alike: the first speaks for all that are as bad. */
function oncePerName<T extends { name: string; pieceId: string | null; when: string }>(list: T[]): T[] {
  const seen = new Set<string>()
  return list.filter((x) => {
    const key = `${x.pieceId} ${x.when} ${x.name.replace(/ [A-Z0-9-]+\b/g, '')}`
    return !seen.has(key) && seen.add(key)
  })
}

type Ways = {
  id: string
  of: Pick<BoltReach, 'id' | 'pieceId'>
  name: string
  needed: { name: string; source: string; ways: number; says: string }
  found: { name: string; source: string; ways: number | null; says: string }
  caution: string
}
/** So many ways are needed, and so many there are; null = nobody can say. */
function waysLimit({ id, of, name, needed, found, caution }: Ways, rules: Rules): Limit {
  const counted = (key: string, c: Ways['found']) =>
    given({ id: `${id}.${key}`, name: c.name, unit: '', source: c.source, symbol: 'n', input: [c.ways, '', c.says] })
  return limit({
    ...{ id, name, group: 'rack', unit: '', ref: of.id, pieceId: of.pieceId, nearRatio: rules.nearRatio, caution },
    used: counted('used', needed),
    allowed: counted('allowed', found),
  })
}

const trapLimit = (t: Trapped, rules: Rules): Limit =>
  waysLimit(
    {
      id: `trap.${t.ids[0]}`,
      of: { id: t.ids[0] ?? '', pieceId: t.pieceId },
      name: `${t.names[0]} does not come out again`,
      needed: { name: 'Ways out that it needs', source: 'a part that cannot come out cannot be put right', ways: 1, says: 'one' },
      found: {
        name: 'Straight ways out',
        source: 'cast along the vehicle’s axes and out of its plane, with everything off that comes off before it',
        ways: 0,
        says: `farthest {${Math.round(t.goesMm)}}, then ${t.by.name} is in its way`,
      },
      caution: 'Weld nothing over it until it has a way out.',
    },
    rules,
  )

function boltLimit(b: BoltReach, rules: Rules): Limit {
  const lacks = b.when === 'unknown' ? (b.by[0]?.name ?? 'where its bolts stand is not known') : null
  return waysLimit(
    {
      id: `reach.${b.id}`,
      of: b,
      name: lacks === null ? `No tool gets to the ${b.name}` : `Reach of the ${b.name}`,
      needed: {
        name: 'Ways to it that are needed',
        source: 'a bolt that nobody can turn holds nothing',
        ways: 1,
        says: 'one to turn it and one to hold it',
      },
      found: {
        name: 'Ways a socket or spanner comes',
        source: SOURCE,
        ways: lacks === null ? 0 : null,
        says: lacks ?? `in the way: ${names(b.by) || 'what it is screwed to itself'}`,
      },
      caution: 'Nothing is made that cannot be tightened, and tightened again.',
    },
    rules,
  )
}

const weldLimit = (w: Welded, rules: Rules): Limit =>
  waysLimit(
    {
      id: `reach.${w.id}`,
      of: w,
      name: w.when === 'unknown' ? `Reach of the ${w.name}` : `A side that no torch gets to: ${w.name}`,
      needed: {
        name: 'Sides that the checks count as welded',
        source: 'the pattern of the joint',
        ways: Math.max(1, w.sides),
        says: 'all of them',
      },
      found: {
        name: 'Sides that a torch gets to',
        source: SOURCE,
        ways: w.when === 'unknown' ? null : w.reached,
        says: w.when === 'unknown' ? 'where its sides are is not known' : whyNot(w),
      },
      caution: 'A side that is left out carries nothing: the checks of strength count it.',
    },
    rules,
  )

/** What keeps a torch from a weld, in words. */
export const whyNot = (w: Pick<Welded, 'by' | 'sharpDeg'>): string =>
  [
    w.sharpDeg === null ? '' : `it closes at ${Math.round(w.sharpDeg)}° on one side`,
    w.by.length ? `${w.sharpDeg === null ? '' : ' and '}${names(w.by)} is in the way` : '',
  ].join('')
