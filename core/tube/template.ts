import { profileOf } from '../catalogue/profiles'
import type { Point } from '../geometry/vec3'
import type { EndCut } from './endCuts'

/**
 * A wrap-round template at full size: `cut` = the line to cut along, x round the tube from its zero line, y back from the longest point, `edge` = the straight
 * line it is squared up by, `quarters` = lines along the tube at every quarter turn. mm
 */
export type Template = { roundMm: number; edgeMm: number; cut: Point[]; quarters: number[]; depthMm: number }
/** Paper left behind the deepest place, so that there is something to tape down. mm */
const TAPED_MM = 25

export function templateOf(end: EndCut, profileId: string): Template | null {
  if (end.kind === 'mitre') return mitreTemplate(end.angleDeg, profileId)
  if (end.kind !== 'cope' || !end.cope) return null
  const { points, roundMm, maxDepthMm } = end.cope
  return {
    roundMm,
    edgeMm: maxDepthMm + TAPED_MM,
    cut: points.map((p) => ({ x: p.aroundMm, y: p.alongMm })),
    quarters: [0, 0.25, 0.5, 0.75, 1].map((q) => q * roundMm),
    depthMm: maxDepthMm,
  }
}

/** A mitre of a round tube unrolls to y = r·tan θ·(1 − cos φ). Null for what is not round: a saw and a square do it. */
function mitreTemplate(angleDeg: number, profileId: string): Template | null {
  const { shape } = profileOf(profileId)
  if (shape.kind !== 'round') return null
  const r = shape.outsideDiameterMm / 2
  const k = r * Math.tan((Math.abs(angleDeg) * Math.PI) / 180)
  const cut = Array.from({ length: 73 }, (_, i) => {
    const phi = (2 * Math.PI * i) / 72
    return { x: r * phi, y: k * (1 - Math.cos(phi)) }
  })
  return {
    roundMm: 2 * Math.PI * r,
    edgeMm: 2 * k + TAPED_MM,
    cut,
    quarters: [0, 0.25, 0.5, 0.75, 1].map((q) => q * 2 * Math.PI * r),
    depthMm: 2 * k,
  }
}
