import type { Point } from './vec3'

export const turns = [0, 90, 180, 270] as const
export type Turn = (typeof turns)[number]
/** A point turned about nought by so many degrees to the left. */
export const quarterTurn: Record<Turn, (q: Point) => Point> = {
  0: ({ x, y }) => ({ x, y }),
  90: ({ x, y }) => ({ x: -y, y: x }),
  180: ({ x, y }) => ({ x: -x, y: -y }),
  270: ({ x, y }) => ({ x: y, y: -x }),
}
