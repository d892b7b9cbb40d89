import type { Assembly } from '../assembly/assembly'
import { pieceIdOf } from '../assembly/ids'

/** The four corners a piece is set up on for tacking, from where its feet stand on the vehicle: widths front and rear, how far apart, both diagonals, taper. mm */
export type Jig = {
  pieceId: string | null
  frontMm: number
  rearMm: number
  apartMm: number
  diagonalMm: number
  taperPerSideDeg: number
  feet: string[]
}

/**
 * A trapezoid of the outer feet: diagonal = √(apart² + ((front + rear)/2)²) for one that is symmetrical (Pythagoras), so equal diagonals prove it square. Null
 * for a piece whose feet stand in fewer than two pairs.
 */
export function jigOf(a: Assembly, pieceId: string | null): Jig | null {
  const own = a.mounts.filter((m) => pieceIdOf(m.id) === pieceId && m.side !== 'middle')
  const pairs = own
    .filter((m) => m.side === 'left')
    .flatMap((l) => {
      const r = own.find((m) => m.side === 'right' && Math.abs(m.place.x - l.place.x) < 1)
      return r ? [{ x: l.place.x, width: l.place.y - r.place.y, marks: [l.mark, r.mark] }] : []
    })
    .sort((p, q) => p.x - q.x)
  const [rear, front] = [pairs[0], pairs[pairs.length - 1]]
  if (!rear || !front || front.x - rear.x < 1) return null
  const apartMm = front.x - rear.x
  return {
    pieceId,
    frontMm: front.width,
    rearMm: rear.width,
    apartMm,
    diagonalMm: Math.hypot(apartMm, (front.width + rear.width) / 2),
    taperPerSideDeg: (Math.atan2((rear.width - front.width) / 2, apartMm) * 180) / Math.PI,
    feet: [...rear.marks, ...front.marks],
  }
}
