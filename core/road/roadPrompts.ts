import type { Assembly } from '../assembly/assembly'
import { boxOf, plateCorners } from '../assembly/places'
import type { Brief } from '../brief/brief'
import { profileSection } from '../catalogue/profiles'
import { overallHeight } from '../limits/heightLimits'
import { restOf } from '../resting/rest'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'

/** A reminder that a local rule may ask for something. Never a verdict: what applies is the law of the place. Lengths in braces, mm. */
export type RoadPrompt = { id: string; text: string }

/** Cargo past the ends or sides, lamps and plate that a thing at the back may hide, great height. Thresholds are the shop's own rules. */
export function roadPrompts(assembly: Assembly, vehicle: Vehicle, brief: Brief, rules: Rules): RoadPrompt[] {
  const driving = brief.cargo.filter((c) => c.counts !== 'parked')
  const out: RoadPrompt[] = []
  const rear = vehicle.rearOverhangMm.value
  const length = vehicle.lengthMm.value
  if (rear !== null && length !== null) {
    for (const c of driving) {
      const behind = -rear - (c.xMm - c.lengthMm / 2)
      const ahead = c.xMm + c.lengthMm / 2 - (length - rear)
      if (behind > rules.flagBehindMm)
        out.push({
          id: `behind.${c.id}`,
          text: `${c.name} reaches {${behind.toFixed(0)}} behind the vehicle: ask what flag, board or lamp the local rules want there.`,
        })
      if (ahead > rules.flagAheadMm)
        out.push({
          id: `ahead.${c.id}`,
          text: `${c.name} reaches {${ahead.toFixed(0)}} ahead of the vehicle: local rules limit this, and the driver may not see its end.`,
        })
    }
  } else out.push({ id: 'ends', text: 'How far cargo reaches past the ends is not known: measure overall length and rear overhang.' })
  const width = vehicle.widthMm.value
  for (const c of driving)
    if (width !== null && Math.abs(c.yMm) + c.widthMm / 2 > width / 2)
      out.push({ id: `side.${c.id}`, text: `${c.name} reaches past the side of the vehicle: few places allow that.` })
  const top = overallHeight({ assembly, vehicle, brief }).value ?? 0
  const hidden = rear === null ? null : behindTheRear(assembly, brief, -rear)
  if (hidden)
    out.push({
      id: 'lamps',
      text: `${hidden.names.join(', ')} ${hidden.names.length > 1 ? 'stand' : 'stands'} behind the vehicle from {${hidden.lowMm.toFixed(0)}} to {${hidden.highMm.toFixed(0)}} above the ground, {${hidden.wideMm.toFixed(0)}} wide: look from ten metres behind and from both sides; lamps, reflectors or a number plate hidden there are repeated on a board.`,
    })
  if (top > rules.tallMm) out.push({ id: 'tall', text: `{${top.toFixed(0)}} high: put a height plate where the driver sees it.` })
  return out
}

/** Above this nothing hides a lamp or a plate. Shop's own, mm. */
const LAMPS_BELOW_MM = 1500

/** What stands or lies behind the rear end of the body at the height of lamps, and the outline it covers as seen from behind; null when nothing does. */
function behindTheRear(assembly: Assembly, brief: Brief, rearXMm: number) {
  const boxes = [
    ...assembly.members.map((m) => {
      const half = profileSection(m.profileId).heightMm / 2
      const { centre, size } = boxOf(m.path)
      return { name: m.name, centre, size: { x: size.x, y: size.y + 2 * half, z: size.z + 2 * half } }
    }),
    ...assembly.plates.map((p) => ({ name: p.name, ...boxOf(plateCorners(p)) })),
    ...assembly.fittings.map((f) => ({ name: f.name, centre: f.middle, size: f.size })),
    ...brief.cargo.flatMap((c) => {
      const z = c.counts === 'parked' ? null : restOf(c, assembly).zMm
      if (z === null) return []
      return [{ name: c.name, centre: { x: c.xMm, y: c.yMm, z: z + c.heightMm / 2 }, size: { x: c.lengthMm, y: c.widthMm, z: c.heightMm } }]
    }),
  ].filter((b) => b.centre.x - b.size.x / 2 < rearXMm - 1 && b.centre.z - b.size.z / 2 < LAMPS_BELOW_MM)
  if (!boxes.length) return null
  const most = (of: (b: (typeof boxes)[number]) => number) => Math.max(...boxes.map(of))
  return {
    names: [...new Set(boxes.map((b) => b.name))],
    lowMm: -most((b) => b.size.z / 2 - b.centre.z),
    highMm: most((b) => b.centre.z + b.size.z / 2),
    wideMm: most((b) => b.centre.y + b.size.y / 2) + most((b) => b.size.y / 2 - b.centre.y),
  }
}
