import type { KeptAnswer } from '../clientAnswer/clientAnswer'
import type { Entity, ViewName } from './sheet'

/** At the vehicle's own size. mm */
const RING_MM = 34
const ASIDE_MM = 90
/** Words longer than this are read in full at Hand-over. */
const MOST_LETTERS = 36

/** What a client marked on his page and nobody settled yet: a ring where he put it, and his words beside it. */
export function clientMarks(view: ViewName, answers: KeptAnswer[]): Entity[] {
  return answers
    .flatMap((a) => a.marks)
    .filter((m) => m.view === view && !m.settled)
    .flatMap((m): Entity[] => {
      const at = { x: m.xMm, y: m.yMm }
      const text = m.says.length > MOST_LETTERS ? `${m.says.slice(0, MOST_LETTERS - 1)}…` : m.says
      const [near, far] = [RING_MM * Math.SQRT1_2, ASIDE_MM]
      return [
        { kind: 'circle', layer: 'limit', centre: at, radius: RING_MM },
        { kind: 'line', layer: 'limit', from: { x: at.x + near, y: at.y + near }, to: { x: at.x + far, y: at.y + far } },
        { kind: 'text', layer: 'limit', at: { x: at.x + far + 12, y: at.y + far }, text: `“${text}”`, anchor: 'start' },
      ]
    })
}
