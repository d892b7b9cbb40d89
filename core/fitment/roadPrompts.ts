import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { overallHeight } from '../limits/heightLimits'
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
  if (top > rules.tallMm) out.push({ id: 'tall', text: `{${top.toFixed(0)}} high: put a height plate where the driver sees it.` })
  return out
}
