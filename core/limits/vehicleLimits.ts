import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import { agreedLoadKg } from '../loads/carried'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { axleLimits } from './axleLimits'
import { heightLimits } from './heightLimits'
import { ledger, massFigure } from './ledger'
import { type Limit, limit } from './limit'
import { stabilityLimit } from './stability'
import { vehicleFigure } from './vehicleFigure'

/** Roof, gross mass, axles, height, stability and the agreed load class. */
export function vehicleLimits(assembly: Assembly, vehicle: Vehicle, brief: Brief, rules: Rules): Limit[] {
  const rows = ledger(assembly, brief, rules)
  const roof = (when: 'driving' | 'parked'): Limit =>
    limit({
      id: when === 'driving' ? 'roof.moving' : 'roof.parked',
      name: when === 'driving' ? 'Roof, moving' : 'Roof, parked',
      group: 'vehicle',
      unit: 'kg',
      nearRatio: rules.nearRatio,
      used: massFigure(rows, when),
      allowed: vehicleFigure(vehicle, when === 'driving' ? 'roofMovingKg' : 'roofParkedKg', 'kg'),
      caution: 'A roof limit is the vehicle maker’s; where it is missing or in doubt ask the maker or an engineer, and follow local rules.',
    })
  return [
    roof('driving'),
    roof('parked'),
    ...axleLimits(assembly, vehicle, brief, rules),
    ...heightLimits(assembly, vehicle, brief, rules),
    stabilityLimit(assembly, vehicle, brief, rules),
    ...loadClassLimit(brief, rules),
  ]
}

function loadClassLimit(brief: Brief, rules: Rules): Limit[] {
  const agreed = agreedLoadKg(brief)
  if (agreed === null) return []
  const cargo = brief.cargo.filter((c) => c.counts !== 'parked')
  return [
    limit({
      id: 'load.class',
      name: 'Load class agreed',
      group: 'cargo',
      unit: 'kg',
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'load.wished',
          name: 'Cargo while driving',
          unit: 'kg',
          formula: 'm = Σ mᵢ',
          source: 'brief',
          with: { m: cargo.map((c): Input => [c.massKg?.most ?? null, 'kg', `mass of ${c.name}`]) },
        },
        ({ m }) => sum(m),
      ),
      allowed: figure(
        {
          id: 'load.agreed',
          name: `Load class “${brief.loadClass}”`,
          unit: 'kg',
          formula: 'as agreed at intake',
          source: SHOP_RULE,
          with: { m: [agreed, 'kg', 'load class'] },
        },
        ({ m }) => m,
      ),
    }),
  ]
}
