import type { Brief } from '../brief/brief'
import type { Cargo } from '../brief/cargo'
import { figure } from '../figure/figure'
import { settledValue } from '../measure/settle'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { type Limit, limit } from './limit'
import { vehicleInput } from './vehicleFigure'

type Way = 'behind' | 'ahead'

/**
 * How far cargo reaches behind and ahead of the vehicle against the local rule as the shop has set it, mm. Where the vehicle's ends are known, only where
 * something does; where they are not, what reaches farthest is named and not assessed.
 */
export function beyondLimits(vehicle: Vehicle, brief: Brief, rules: Rules): Limit[] {
  const driving = brief.cargo.filter((c) => c.counts !== 'parked')
  const [rear, length] = [settledValue(vehicle.rearOverhangMm), settledValue(vehicle.lengthMm)]
  return (['behind', 'ahead'] as const).flatMap((way) => {
    const farthest = driving.reduce<Cargo | null>((a, c) => (a === null || endOf(c, way) > endOf(a, way) ? c : a), null)
    if (!farthest) return []
    const end = way === 'behind' ? rear : rear === null || length === null ? null : length - rear
    return end !== null && endOf(farthest, way) <= end ? [] : [beyond(farthest, way, vehicle, rules)]
  })
}

/** How far from the rear axle an item's end lies on that side. mm */
const endOf = (c: Cargo, way: Way): number => (way === 'behind' ? c.lengthMm / 2 - c.xMm : c.xMm + c.lengthMm / 2)

function beyond(c: Cargo, way: Way, vehicle: Vehicle, rules: Rules): Limit {
  const item = {
    l: [c.lengthMm, 'mm', 'length of the item'] as const,
    x: [c.xMm, 'mm', 'its middle, forward of the rear axle'] as const,
    rear: vehicleInput(vehicle, 'rearOverhangMm', 'mm'),
  }
  const about = { id: `beyond.${way}`, name: `${c.name} ${way} the vehicle`, unit: 'mm', source: 'from the layout' }
  return limit({
    id: `beyond.${way}`,
    name: way === 'behind' ? 'Load behind the vehicle' : 'Load ahead of the vehicle',
    group: 'cargo',
    unit: 'mm',
    ref: `cargo:${c.id}`,
    nearRatio: rules.nearRatio,
    used:
      way === 'behind'
        ? figure({ ...about, formula: 'o = l/2 − x − rear overhang', with: item }, ({ l, x, rear }) => l / 2 - x - rear)
        : figure(
            {
              ...about,
              formula: 'o = x + l/2 − (length − rear overhang)',
              with: { ...item, length: vehicleInput(vehicle, 'lengthMm', 'mm') },
            },
            ({ l, x, rear, length }) => x + l / 2 - (length - rear),
          ),
    allowed: figure(
      {
        id: `beyond.${way}.most`,
        name: 'Most that the place allows',
        unit: 'mm',
        formula: 'as set',
        source: 'local rule as set under Rules: look up yours',
        with: { o: [way === 'behind' ? rules.mostBehindMm : rules.mostAheadMm, 'mm', 'most'] },
      },
      ({ o }) => o,
    ),
    caution: 'What may hang out, and the flag, board or lamp it needs, is the law of the place.',
  })
}
