import type { Assembly } from '../assembly/assembly'
import { profileOf } from '../catalogue/profiles'
import type { Point } from '../geometry/vec3'
import type { EndCut } from './endCuts'
import { tubeWork } from './tubeParts'

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

/** A mitre of a round tube unrolls to y = r·tan θ·(1 − cos α). Null for what is not round: a saw and a square do it. */
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

/** One template and every end that is cut by it. */
export type SharedTemplate = { id: string; template: Template; end: EndCut; profileId: string; cuts: { mark: string; which: 0 | 1 }[] }

/** Every template of a job once: ends of alike tubes that are cut along the same curve share it. */
export function templatesOf(a: Assembly): SharedTemplate[] {
  const shared = new Map<string, SharedTemplate>()
  for (const { part, marks } of tubeWork(a))
    for (const which of [0, 1] as const) {
      const end = part.ends[which]
      const template = templateOf(end, part.member.profileId)
      if (!template) continue
      const key = JSON.stringify([part.member.profileId, template.cut.map((p) => Math.round(p.y * 10))])
      const cuts = marks.map((mark) => ({ mark, which }))
      const known = shared.get(key)
      if (known) known.cuts.push(...cuts)
      else shared.set(key, { id: `T${shared.size + 1}`, template, end, profileId: part.member.profileId, cuts })
    }
  return [...shared.values()]
}

/** Which ends a template is for: CT1 both ends, HF end 1. */
export function cutsText({ cuts }: SharedTemplate): string {
  const marks = [...new Set(cuts.map((c) => c.mark))]
  return marks
    .map((mark) => {
      const ends = cuts.filter((c) => c.mark === mark).map((c) => c.which + 1)
      return ends.length > 1 ? mark : `${mark} end ${ends[0]}`
    })
    .join(', ')
}
