import type { Assembly } from '../assembly/assembly'
import { type CutPart, cutList, SAME_CUT_MM } from '../cutList/cutList'

/** How one piece differs from what was accepted for the saw. Lengths mm; null = it is not there. */
export type Moved = {
  mark: string
  wasMm: number | null
  nowMm: number | null
  what: 'longer' | 'shorter' | 'new' | 'gone' | 'other profile' | 'other ends'
}

/** One piece as it goes to the saw, kept with the plan that was accepted. */
export type Piece = Pick<CutPart, 'lengthMm' | 'profileId' | 'ends'> & { mark: string; work?: string }
export const piecesOf = (assembly: Assembly): Piece[] =>
  cutList(assembly).flatMap(({ marks, lengthMm, profileId, ends, work }) =>
    marks.map((mark) => ({ mark, lengthMm, profileId, ends, work })),
  )

/** Which pieces of the rack as drawn now are not those of the rack as accepted, piece by piece. */
export function planMoved(accepted: Piece[], now: Assembly): Moved[] {
  const [was, is] = [accepted, piecesOf(now)].map((list) => new Map(list.map((p) => [p.mark, p]))) as [
    Map<string, Piece>,
    Map<string, Piece>,
  ]
  const marks = [...new Set([...was.keys(), ...is.keys()])].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }))
  return marks.flatMap((mark): Moved[] => {
    const [a, b] = [was.get(mark) ?? null, is.get(mark) ?? null]
    const row = (what: Moved['what']): Moved[] => [{ mark, wasMm: a?.lengthMm ?? null, nowMm: b?.lengthMm ?? null, what }]
    if (!a || !b) return row(a ? 'gone' : 'new')
    if (a.profileId !== b.profileId) return row('other profile')
    if (Math.abs(a.lengthMm - b.lengthMm) >= SAME_CUT_MM) return row(b.lengthMm > a.lengthMm ? 'longer' : 'shorter')
    // plans of before bends and copes have no line of work: their ends still tell
    const same = a.work !== undefined && b.work !== undefined ? a.work === b.work : JSON.stringify(a.ends) === JSON.stringify(b.ends)
    return same ? [] : row('other ends')
  })
}

/** One piece's change in words, lengths in braces, mm. */
export function movedText(m: Moved): string {
  const [was, now] = [m.wasMm ?? 0, m.nowMm ?? 0]
  switch (m.what) {
    case 'longer':
    case 'shorter':
      return `${m.mark} is {${Math.abs(now - was)}} ${m.what}: {${was}} accepted, {${now}} now`
    case 'new':
      return `${m.mark} is new, {${now}}`
    case 'gone':
      return `${m.mark}, {${was}}, is no longer there`
    default:
      return `${m.mark} has ${m.what === 'other profile' ? 'another profile' : 'other ends or bends'}`
  }
}
