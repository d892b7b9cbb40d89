import type { Bin } from './barCounts'
import { FIT_TOLERANCE_MM } from './barNesting'
import { type Kind, type Pattern, valuablePatterns } from './patterns'

export type Packed = { stock: number; pattern: Pattern }[]
const MOST_PATTERNS = 15_000
/** How far a packing is looked for: states seen, fillings tried a bar, when to stop, and a shake of the order for another try. */
export type Effort = { nodes: number; breadth: number; stop: () => boolean; shake?: () => number }

/**
 * Bin completion (Korf 2002): bars from the smallest room up, each given one of its fullest fillings, going back when the slack is spent.
 * States met before are not tried again. Null when no packing was found within `nodes`: that proves nothing, for only the `breadth`
 * fullest fillings of a bar are tried.
 */
export function packByCompletion(kinds: Kind[], bins: Bin[], counts: number[], { nodes, breadth, stop, shake }: Effort): Packed | null {
  const bars = counts.flatMap((c, s) => new Array<number>(c).fill(s)).sort((a, b) => bins[a]!.room - bins[b]!.room || a - b)
  const need = kinds.reduce((s, k) => s + k.weight * k.demand, 0)
  const slack = bars.reduce((s, b) => s + bins[b]!.room, 0) - need
  const greatest = Math.max(0, ...bars.map((b) => bins[b]!.room))
  const failed = new Set<string>()
  const left = kinds.map((k) => k.demand)
  const packed: Packed = []
  let visited = 0
  const visit = (at: number, slackLeft: number, weightLeft: number): boolean => {
    if (weightLeft <= FIT_TOLERANCE_MM) return true
    if (at === bars.length || ++visited > nodes || (visited % 64 === 0 && stop())) return false
    const key = `${at}:${left.join()}`
    if (failed.has(key)) return false
    const room = bins[bars[at]!]!.room
    // with the roomiest bars the largest piece left is placed at once: it has the fewest homes
    const held = room === greatest ? left.findIndex((n) => n > 0) : -1
    for (const f of fillings(kinds, left, {
      room,
      least: Math.max(0, Math.min(room, weightLeft) - slackLeft),
      held,
      most: breadth,
      shake,
    })) {
      f.pattern.forEach((n, i) => {
        left[i]! -= n
      })
      packed.push({ stock: bars[at]!, pattern: f.pattern })
      if (visit(at + 1, slackLeft - (room - f.weight), weightLeft - f.weight)) return true
      packed.pop()
      f.pattern.forEach((n, i) => {
        left[i]! += n
      })
      if (visited > nodes) return false
    }
    failed.add(key)
    return false
  }
  return visit(0, slack, need) ? packed.filter((p) => p.pattern.some((n) => n > 0)) : null
}

/** The fullest fillings of one bar from what is left, fullest first, larger pieces first among equals. */
function fillings(
  kinds: Kind[],
  left: number[],
  { room, least, held, most, shake }: { room: number; least: number; held: number; most: number; shake: (() => number) | undefined },
): { pattern: Pattern; weight: number }[] {
  const found: { pattern: Pattern; weight: number }[] = []
  const pattern = new Array<number>(kinds.length).fill(0)
  const after = new Array<number>(kinds.length + 1).fill(0)
  for (let i = kinds.length - 1; i >= 0; i--) after[i] = after[i + 1]! + kinds[i]!.weight * left[i]!
  let steps = 0
  let floor = least
  const visit = (k: number, space: number): void => {
    if (++steps > 4000) return
    const weight = room - space
    if (weight + Math.min(space, after[k]!) < floor - FIT_TOLERANCE_MM) return
    if (k === kinds.length) {
      found.push({ pattern: [...pattern], weight })
      if (found.length > 4 * most) {
        found.sort((a, b) => b.weight - a.weight)
        found.length = most
        floor = Math.max(floor, found[most - 1]!.weight)
      }
      return
    }
    const fit = Math.min(left[k]!, Math.floor((space + FIT_TOLERANCE_MM) / kinds[k]!.weight))
    for (let n = fit; n >= (k === held ? 1 : 0); n--) {
      pattern[k] = n
      visit(k + 1, space - n * kinds[k]!.weight)
    }
    pattern[k] = 0
  }
  visit(0, room)
  const worth = new Map(found.map((f) => [f, f.weight * (1 + (shake ? 0.02 * shake() : 0))]))
  return found.sort((a, b) => (worth.get(b) ?? 0) - (worth.get(a) ?? 0)).slice(0, most)
}

/**
 * Decides whether all pieces fit the given bars. The bars' fills exceed the pieces by the slack, so no bar may waste more than the slack:
 * when every pattern that full is listed, the integer programme over the list decides. Null when the list is too long or time ran out.
 */
export function packExactly(
  kinds: Kind[],
  bins: Bin[],
  counts: number[],
  solve: (model: string) => { feasible: boolean; infeasible: boolean; primal: (name: string) => number },
  betweenTimes: () => Packed | null,
): Packed | 'impossible' | null {
  const slack = counts.reduce((s, c, i) => s + c * bins[i]!.fill, 0) - kinds.reduce((s, k) => s + k.weight * k.demand, 0)
  const weights = kinds.map((k) => k.weight)
  const columns: Packed = []
  for (const [s, count] of counts.entries()) {
    if (count === 0) continue
    const full = valuablePatterns(kinds, weights, bins[s]!.room, bins[s]!.fill - slack - FIT_TOLERANCE_MM, MOST_PATTERNS - columns.length)
    if (!full) return null
    columns.push(...full.map((pattern) => ({ stock: s, pattern })))
  }
  const rows = kinds.map((kind, k) => ({ kind, terms: columns.flatMap((c, i) => (c.pattern[k] ? [`${c.pattern[k]} x${i}`] : [])) }))
  if (rows.some((r) => r.kind.demand > 0 && !r.terms.length)) return 'impossible'
  const sum = (terms: string[]) => terms.map((t, i) => (i % 12 === 11 ? `${t}\n` : t)).join(' + ')
  const model = [
    'Minimize',
    '0 x0',
    'Subject To',
    ...rows.filter((r) => r.kind.demand > 0).map((r, k) => `k${k}: ${sum(r.terms)} >= ${r.kind.demand}`),
    ...counts.flatMap((count, s) => {
      const terms = columns.flatMap((c, i) => (c.stock === s ? [`x${i}`] : []))
      return count > 0 && terms.length ? [`s${s}: ${sum(terms)} <= ${count}`] : []
    }),
  ].join('\n')
  // bars cut into fractions are refuted far sooner than whole ones
  if (solve(`${model}\nEnd`).infeasible) return 'impossible'
  const found = betweenTimes()
  if (found) return found
  const solved = solve(`${model}\nGeneral\n${columns.map((_, i) => `x${i}`).join('\n')}\nEnd`)
  if (solved.infeasible) return 'impossible'
  if (!solved.feasible) return null
  return columns.flatMap((c, i) => new Array<typeof c>(Math.round(solved.primal(`x${i}`))).fill(c))
}
