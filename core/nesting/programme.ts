import type { Tools } from '../calculator/tools'
import { priceOf } from './barNesting'
import type { Column, Found, Problem } from './problem'

/** The integer programme over the given columns; with `atMost`, only plans that cheap are looked for. */
export function integer(problem: Problem, columns: Column[], tools: Tools, deadline: number): Found | null
export function integer(problem: Problem, columns: Column[], tools: Tools, deadline: number, atMost: number): Found | null | 'none cheaper'
export function integer(
  problem: Problem,
  columns: Column[],
  tools: Tools,
  deadline: number,
  atMost?: number,
): Found | null | 'none cheaper' {
  // a kind that no listed pattern holds cannot be met that cheaply, where nothing may be left out
  const kept = (k: number) => columns.some((c) => (c.pattern[k] ?? 0) > 0)
  if (atMost !== undefined && problem.stock.some((s) => s.quantity === null) && !problem.kinds.every((_, k) => kept(k)))
    return 'none cheaper'
  const text = model(problem, columns, true, atMost)
  const left = deadline - tools.now()
  // over many columns the solver looks at its clock late
  const solved = tools.solve(text, Math.max(50, columns.length > 1000 ? left * 0.6 : left))
  if (solved.infeasible && atMost !== undefined) return 'none cheaper'
  if (!solved.feasible) return null
  const uses = columns.map((c, i) => ({ ...c, count: Math.round(solved.primal(`x${i}`)) })).filter((u) => u.count > 0)
  return { uses, cost: solved.objective, lowerBound: 0, closed: solved.optimal }
}

/** min Σ price·x + short·u, each kind covered, limited stock not exceeded. */
export function model({ kinds, stock, shortCost }: Problem, columns: Column[], whole: boolean, atMost?: number): string {
  const scarce = stock.every((s) => s.quantity !== null)
  const cost = columns.map((c, i) => `${priceOf(stock[c.stock]!)} x${i}`)
  const rows = kinds.map((_, k) => columns.flatMap((c, i) => (c.pattern[k] ? [`${c.pattern[k]} x${i}`] : [])))
  const lines = ['Minimize', wrap([...cost, ...(scarce ? kinds.map((_, k) => `${shortCost} u${k}`) : [])]), 'Subject To']
  kinds.forEach((kind, k) => {
    lines.push(`k${k}: ${wrap([...rows[k]!, ...(scarce || !rows[k]!.length ? [`1 u${k}`] : [])])} >= ${kind.demand}`)
  })
  stock.forEach((s, i) => {
    const terms = columns.flatMap((c, j) => (c.stock === i ? [`1 x${j}`] : []))
    if (s.quantity !== null && terms.length) lines.push(`s${i}: ${wrap(terms)} <= ${s.quantity}`)
    if (whole && s.quantity === null && terms.length) lines.push(`b${i}: ${wrap(terms)} - n${i} = 0`)
  })
  if (atMost !== undefined) lines.push(`most: ${wrap(cost.filter((c) => !c.startsWith('0 ')))} <= ${atMost}`)
  if (whole) {
    // how many bars of each length is a whole number too: branching on it closes the gap far sooner than on patterns
    const counted = stock.flatMap((s, i) => (s.quantity === null && columns.some((c) => c.stock === i) ? [`n${i}`] : []))
    lines.push('General', [...columns.map((_, i) => `x${i}`), ...counted].join('\n'))
  }
  return [...lines, 'End'].join('\n')
}

const wrap = (terms: string[]): string => terms.map((t, i) => (i && i % 12 === 0 ? `\n+ ${t}` : i ? `+ ${t}` : t)).join(' ')
