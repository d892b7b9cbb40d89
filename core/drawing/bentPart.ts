import { profileSection } from '../catalogue/profiles'
import type { Point } from '../geometry/vec3'
import { formedAfter } from '../tube/formed'
import type { TubePart } from '../tube/tubeParts'
import { bounds, type Entity, type Sheet } from './sheet'

/** A bent part after each of its bends, side by side to one scale, the finished one in full line; a dot at the end that is held. mm */
export function bentPartSheet(part: TubePart): Sheet {
  const n = part.bent?.bends.length ?? 0
  const half = profileSection(part.member.profileId).heightMm / 2
  const lines = Array.from({ length: n }, (_, i) => formedAfter(part.member, i + 1))
  const spans = lines.map((line) => bounds([{ kind: 'polygon', layer: 'member', points: line, closed: false }]))
  let left = 0
  const entities = lines.flatMap((line, i): Entity[] => {
    const { min, max } = spans[i]!
    const by = { x: left - min.x, y: -min.y }
    left += Math.max(120, max.x - min.x) + 160
    const moved = line.map((p): Point => ({ x: p.x + by.x, y: p.y + by.y }))
    return [
      tubeAlong(moved, half, i === n - 1),
      { kind: 'circle', layer: 'datum', centre: moved[0]!, radius: 9, filled: true },
      { kind: 'text', layer: 'mark', at: { x: moved[0]!.x, y: -90 }, anchor: 'start', text: `after bend ${i + 1}` },
    ]
  })
  const box = bounds(entities)
  return {
    view: 'plan',
    title: part.member.mark,
    entities,
    box: { min: { x: box.min.x - 60, y: box.min.y - 60 }, max: { x: box.max.x + 60, y: box.max.y + 40 } },
  }
}

/** Both edges of a tube along a line; the finished part is filled. */
function tubeAlong(line: Point[], half: number, finished: boolean): Entity {
  const edge = (side: 1 | -1) =>
    line.map((p, i) => {
      const [from, to] = [line[Math.max(0, i - 1)]!, line[Math.min(line.length - 1, i + 1)]!]
      const size = Math.hypot(to.x - from.x, to.y - from.y) || 1
      return { x: p.x - (side * half * (to.y - from.y)) / size, y: p.y + (side * half * (to.x - from.x)) / size }
    })
  return {
    kind: 'polygon',
    layer: finished ? 'member' : 'plate',
    points: [...edge(1), ...edge(-1).reverse()],
    closed: true,
    filled: finished,
  }
}
