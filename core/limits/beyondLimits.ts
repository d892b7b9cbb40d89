import type { Brief } from '../brief/brief'
import { figure, input } from '../figure/figure'
import { settledValue } from '../measure/settle'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { type Limit, limit } from './limit'

/** How far cargo reaches behind and ahead of the vehicle against the local rule as the shop has set it; only where something does. mm */
export function beyondLimits(vehicle: Vehicle, brief: Brief, rules: Rules): Limit[] {
  const [rear, length] = [settledValue(vehicle.rearOverhangMm), settledValue(vehicle.lengthMm)]
  if (rear === null || length === null) return []
  const driving = brief.cargo.filter((c) => c.counts !== 'parked')
  return (['behind', 'ahead'] as const).flatMap((way) => {
    const reach = (c: (typeof driving)[number]) =>
      way === 'behind' ? -rear - (c.xMm - c.lengthMm / 2) : c.xMm + c.lengthMm / 2 - (length - rear)
    const farthest = driving.reduce<(typeof driving)[number] | null>((a, c) => (reach(c) > (a ? reach(a) : 0) ? c : a), null)
    if (!farthest) return []
    const most = way === 'behind' ? rules.mostBehindMm : rules.mostAheadMm
    return [
      limit({
        id: `beyond.${way}`,
        name: way === 'behind' ? 'Load behind the vehicle' : 'Load ahead of the vehicle',
        unit: 'mm',
        ref: `cargo:${farthest.id}`,
        nearRatio: rules.nearRatio,
        used: figure(
          {
            id: `beyond.${way}`,
            name: `${farthest.name} ${way} the vehicle`,
            unit: 'mm',
            formula: way === 'behind' ? 'o = l/2 − x − rear overhang' : 'o = x + l/2 − (length − rear overhang)',
            source: 'from the layout',
            with: [
              input('l', 'length of the item', farthest.lengthMm, 'mm'),
              input('x', 'its middle, forward of the rear axle', farthest.xMm, 'mm'),
              input('rear', 'rear overhang of the vehicle', rear, 'mm'),
              input('length', 'length of the vehicle', length, 'mm'),
            ],
          },
          () => reach(farthest),
        ),
        allowed: figure(
          {
            id: `beyond.${way}.most`,
            name: 'Most that the place allows',
            unit: 'mm',
            formula: 'as set',
            source: 'local rule as set under Rules: look up yours',
            with: [input('o', 'most', most, 'mm')],
          },
          () => most,
        ),
        caution: 'What may hang out, and the flag, board or lamp it needs, is the law of the place.',
      }),
    ]
  })
}
