import type { Mount } from '../assembly/assembly'
import { type Figure, figure, type Input } from '../figure/figure'
import type { CaseResult } from '../loads/caseResult'
import { FRAME, FRAME_ASSUMES } from './footLimits'
import type { FootChain } from './footLinks'

/** What one foot takes at worst, and every link its force passes through. N */
export type FootRow = {
  mount: Mount
  /** its place among the feet of a case */
  index: number
  levelN: number
  mostDownN: number
  downCase: string
  leastDownN: number
  upCase: string
  /** most pushed along and aside, sizes */
  mostAlongN: number
  alongCase: string
  mostAsideN: number
  asideCase: string
  links: FootChain
}
export function footRow(mount: Mount, i: number, cases: CaseResult[], links: FootChain): FootRow {
  const most = (of: (r: CaseResult) => number) => cases.reduce((best, r) => (of(r) > of(best) ? r : best))
  const down = most((r) => r.feetDownN[i]!)
  const lifted = most((r) => -r.feetDownN[i]!)
  const along = most((r) => Math.abs(r.feet[i]!.forwardN))
  const aside = most((r) => Math.abs(r.feet[i]!.leftN))
  return {
    mount,
    index: i,
    levelN: cases.find((r) => r.case.id === 'cruise')?.feetDownN[i] ?? 0,
    mostDownN: down.feetDownN[i]!,
    downCase: down.case.name,
    leastDownN: lifted.feetDownN[i]!,
    upCase: lifted.case.name,
    mostAlongN: Math.abs(along.feet[i]!.forwardN),
    alongCase: along.case.name,
    mostAsideN: Math.abs(aside.feet[i]!.leftN),
    asideCase: aside.case.name,
    links,
  }
}

/** What each load case puts on one foot, and the most or the least of them. N */
export function footByCase(foot: FootRow, i: number, cases: CaseResult[], missing: string[], which: 'most' | 'least'): Figure {
  const worst = which === 'most' ? { n: foot.mostDownN, of: foot.downCase } : { n: foot.leastDownN, of: foot.upCase }
  return figure(
    {
      id: `foot.${which}.${foot.mount.id}`,
      name: `Foot ${foot.mount.mark}, ${which} pressed down`,
      unit: 'N',
      formula: `${which} of R over the load cases: ${worst.of}`,
      source: FRAME,
      assumes: [...FRAME_ASSUMES, ...(which === 'least' ? ['the least of each estimated mass counts'] : [])],
      with: {
        R: [
          ...cases.map((c): Input => [c.feetDownN[i] ?? null, 'N', c.case.name]),
          ...(cases.some((c) => c.feetDownN[i] === worst.n) ? [] : [[worst.n, 'N', `${worst.of}, as it is worst for this foot`] as Input]),
        ],
      },
      lacks: missing,
    },
    ({ R }) => (which === 'most' ? Math.max(...R) : Math.min(...R)),
  )
}

/** What pushes one foot along or aside in each case, and the most of it. N */
export function footSideways(foot: FootRow, i: number, cases: CaseResult[], missing: string[], way: 'along' | 'aside'): Figure {
  const worst = way === 'along' ? { n: foot.mostAlongN, of: foot.alongCase } : { n: foot.mostAsideN, of: foot.asideCase }
  const force = (c: CaseResult) => (way === 'along' ? c.feet[i]!.forwardN : c.feet[i]!.leftN)
  return figure(
    {
      id: `foot.${way}.${foot.mount.id}`,
      name: `Foot ${foot.mount.mark}, pushed ${way}`,
      unit: 'N',
      formula: `greatest size over the load cases: ${worst.of}`,
      source: FRAME,
      assumes: [...FRAME_ASSUMES, way === 'along' ? 'forward is positive' : 'to the left is positive'],
      with: {
        H: [
          ...cases.map((c): Input => [force(c), 'N', c.case.name]),
          ...(cases.some((c) => Math.abs(force(c)) === worst.n)
            ? []
            : [[worst.n, 'N', `${worst.of}, as it is worst for this foot`] as Input]),
        ],
      },
      lacks: missing,
    },
    ({ H }) => Math.max(...H.map(Math.abs)),
  )
}
