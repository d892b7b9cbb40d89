import type { Assembly, Vec3 } from '../assembly/assembly'
import type { Evaluation } from '../job/evaluate'
import { chainFigure } from '../limits/strength'
import type { CaseResult } from '../loads/solveRack'
import { formatQuantity } from '../quantity/formatQuantity'
import { type DisplayUnits, defaultUnit } from '../quantity/units'
import { centreLine, pointAlong } from '../structure/centreLine'
import { type Entity, type Point, project, type ViewName } from './sheet'

/** How a case looks on the drawing: how much each member is used, its movement drawn larger by a stated factor, and what each foot takes. */
export type Strain = { uses: Map<string, number>; entities: Entity[]; factor: number }

/** The most that a case uses of any member and of any rated foot; a foot without a rating has no share. */
export function usedInCase(result: CaseResult, e: Pick<Evaluation, 'feet'>): { members: number; feet: number | null } {
  const shares = e.feet.map((f, i) => {
    const down = result.feetDownN[i]
    const rated = chainFigure('foot', f.mount.mark, down >= 0 ? f.links.down : f.links.up).value
    return rated === null || rated <= 0 ? null : Math.abs(down) / rated
  })
  return {
    members: Math.max(0, ...result.members.map((m) => m.used)),
    feet: shares.some((s) => s === null) ? null : Math.max(0, ...shares.map((s) => s ?? 0)),
  }
}

/** The case that uses most of anything. */
export const worstCase = (e: Pick<Evaluation, 'cases' | 'feet'>): CaseResult | null =>
  e.cases.reduce<CaseResult | null>((a, r) => {
    const most = (c: CaseResult) => {
      const u = usedInCase(c, e)
      return Math.max(u.members, u.feet ?? 0)
    }
    return a === null || most(r) > most(a) ? r : a
  }, null)

const SEEN_MM = 25
const SHOWN_MM = 110 // the greatest movement is drawn this long, at the vehicle's own size
const rounded = (factor: number): number => {
  const power = 10 ** Math.floor(Math.log10(Math.max(1, factor)))
  return Math.max(1, [5, 2, 1].map((k) => k * power).find((k) => k <= factor) ?? 1)
}

export function strainOf(view: ViewName, assembly: Assembly, result: CaseResult, units: DisplayUnits): Strain {
  const uses = new Map(result.members.map((m) => [m.memberId, m.used]))
  const moved = result.members.flatMap((s) => s.shape.map((p) => Math.hypot(p.x, p.y, p.z)))
  const factor = rounded(SHOWN_MM / Math.max(0.01, ...moved))
  const worst = result.members.reduce((a, m) => (a === null || m.used > a.used ? m : a), null as CaseResult['members'][number] | null)
  const shapes = result.members.flatMap((s): Entity[] => {
    const member = assembly.members.find((m) => m.id === s.memberId)
    if (!member) return []
    const line = centreLine(member.path, member.bendRadiiMm)
    const still = s.shape.map((p): Point => project(view, pointAlong(line, p.atMm)))
    const points = s.shape.map((p): Point => {
      const at = pointAlong(line, p.atMm)
      return project(view, { x: at.x + p.x * factor, y: at.y + p.y * factor, z: at.z + p.z * factor })
    })
    // what hardly moves in this view would only draw over itself
    const visible = points.some((p, i) => Math.hypot(p.x - still[i].x, p.y - still[i].y) > SEEN_MM)
    return visible ? [{ kind: 'polygon', layer: 'moved', closed: false, dashed: s !== worst, points }] : []
  })
  return {
    uses,
    factor,
    entities: [...shapes, ...worstLabel(view, assembly, worst), ...feetForces(view, assembly, result, worst?.memberId ?? null, units)],
  }
}

function worstLabel(view: ViewName, assembly: Assembly, worst: CaseResult['members'][number] | null): Entity[] {
  const member = assembly.members.find((m) => m.id === worst?.memberId)
  if (!member || !worst) return []
  const at = project(view, pointAlong(centreLine(member.path, member.bendRadiiMm), worst.atMm))
  return [
    { kind: 'circle', layer: 'moved', centre: at, radius: 34 },
    {
      kind: 'text',
      layer: 'moved',
      at: { x: at.x + 50, y: at.y + 50 },
      text: `${member.mark} ${Math.round(worst.used * 100)} %`,
      anchor: 'start',
    },
  ]
}

/** Arrows as the foot presses the vehicle; upward where it is pulled. In plan the figure only, beside the foot. */
function feetForces(view: ViewName, assembly: Assembly, result: CaseResult, worstMember: string | null, units: DisplayUnits): Entity[] {
  const most = Math.max(1, ...result.feetDownN.map(Math.abs))
  const words = (n: number) => `${n < 0 ? '↑ ' : ''}${formatQuantity(Math.abs(n), 'force', units)} ${defaultUnit('force', units.system)}`
  return assembly.mounts.flatMap((m, i): Entity[] => {
    const n = result.feetDownN[i]
    const outward = m.side === 'left' ? 1 : -1
    if (view === 'plan')
      return [
        { kind: 'text', layer: 'force', at: { x: m.place.x + 60, y: m.place.y + outward * 95 - 20 }, text: words(n), anchor: 'start' },
      ]
    // seen from behind or from the side feet stand one behind the other: those of the worst bar, or of the near side, speak for all
    if (view === 'rear' ? m.memberId !== (worstMember ?? m.memberId) : m.side !== 'right') return []
    const length = 90 + (260 * Math.abs(n)) / most
    const at = (dz: number, dx = 0): Vec3 => ({
      x: m.place.x + (view === 'side' ? dx : 0),
      y: m.place.y + (view === 'rear' ? dx : 0),
      z: m.place.z + dz,
    })
    const [tip, tail] = n >= 0 ? [-30, -30 - length] : [-30 - length, -30]
    const head = n >= 0 ? tail + 55 : tail - 55
    const line = (a: Vec3, b: Vec3): Entity => ({ kind: 'line', layer: 'force', from: project(view, a), to: project(view, b) })
    const end = n >= 0 ? tail : tail
    return [
      line(at(tip), at(end)),
      line(at(end), at(head, 22)),
      line(at(end), at(head, -22)),
      { kind: 'text', layer: 'force', at: project(view, at(Math.min(tip, tail) - 70)), text: words(n), anchor: 'middle' },
    ]
  })
}
