import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import { settledValue } from '../measure/settle'
import type { Rules } from '../rules/rules'
import type { Vehicle } from '../vehicle/vehicle'
import { type LedgerGiven, massesDriving } from './ledger'
import { type Limit, limit } from './limit'
import { assumed, vehicleFigure, vehicleInput } from './vehicleFigure'

/** Gross mass, both axles and their tyres, and the load that the front axle must keep to steer and brake. */
export function axleLimits(given: LedgerGiven): Limit[] {
  const { vehicle, rules } = given
  const near = { group: 'vehicle' as const, unit: 'kg' as const, nearRatio: rules.nearRatio }
  const axle = axleFigures(given)
  return [
    limit({
      id: 'gross',
      name: 'Gross mass',
      used: grossMass(given),
      allowed: vehicleFigure(vehicle, 'grossKg', 'kg'),
      ...near,
    }),
    limit({ id: 'axle.front', name: 'Front axle', used: axle.front, allowed: vehicleFigure(vehicle, 'frontAxleKg', 'kg'), ...near }),
    limit({ id: 'axle.rear', name: 'Rear axle', used: axle.rear, allowed: vehicleFigure(vehicle, 'rearAxleKg', 'kg'), ...near }),
    leastFront(axle.front, vehicle, rules),
    ...tyreLimits(vehicle, axle, near),
  ]
}

const massInputs = (given: Omit<LedgerGiven, 'rules'>) => {
  const added = massesDriving(given)
  return {
    m: added.map((m): Input => [m.massKg, 'kg', `mass of ${m.name}`]),
    x: added.map((m): Input => [m.xMm, 'mm', `place of ${m.name}`]),
  }
}

const grossMass = ({ vehicle, ...rest }: Omit<LedgerGiven, 'rules'>): Figure =>
  figure(
    {
      id: 'gross',
      name: 'Gross mass as loaded',
      unit: 'kg',
      formula: 'm = mF + mR + mI + Σ mᵢ',
      source: 'sum of masses',
      assumes: assumed(vehicle, ['occupantsKg']),
      with: {
        mF: vehicleInput(vehicle, 'kerbFrontKg', 'kg'),
        mR: vehicleInput(vehicle, 'kerbRearKg', 'kg'),
        mI: vehicleInput(vehicle, 'occupantsKg', 'kg'),
        m: massInputs({ vehicle, ...rest }).m,
      },
    },
    ({ mF, mR, mI, m }) => mF + mR + mI + sum(m),
  )

function axleFigures(given: Omit<LedgerGiven, 'rules'>): Record<'front' | 'rear', Figure> {
  const { vehicle } = given
  const wheelbase = settledValue(vehicle.wheelbaseMm)
  const axle = (which: 'front' | 'rear'): Figure => {
    const kerb = which === 'front' ? 'kerbFrontKg' : 'kerbRearKg'
    return figure(
      {
        id: `axle.${which}`,
        name: `${which === 'front' ? 'Front' : 'Rear'} axle as loaded`,
        unit: 'kg',
        source: 'levers about the axles (statics)',
        formula: which === 'front' ? 'mF = kerb + mI/2 + Σ mᵢ·xᵢ/L' : 'mR = kerb + mI/2 + Σ mᵢ·(1 − xᵢ/L)',
        assumes: ['people and load inside stand midway between the axles', ...assumed(vehicle, ['occupantsKg', kerb, 'wheelbaseMm'])],
        with: {
          kerb: vehicleInput(vehicle, kerb, 'kg'),
          mI: vehicleInput(vehicle, 'occupantsKg', 'kg'),
          L: [wheelbase !== null && wheelbase > 0 ? wheelbase : null, 'mm', vehicleInput(vehicle, 'wheelbaseMm', 'mm')[2]],
          ...massInputs(given),
        },
      },
      ({ kerb: own, mI, L, m, x }) => own + mI / 2 + sum(m.map((kg, i) => kg * (which === 'front' ? x[i]! / L : 1 - x[i]! / L))),
    )
  }
  return { front: axle('front'), rear: axle('rear') }
}

/** What hangs behind the rear axle lifts the front one: too light, it neither steers nor brakes. */
const leastFront = (front: Figure, vehicle: Vehicle, rules: Rules): Limit =>
  limit({
    id: 'axle.front.least',
    name: 'Front axle, load it must keep',
    group: 'vehicle',
    unit: 'kg',
    invert: true,
    nearRatio: 0.97,
    used: front,
    allowed: figure(
      {
        id: 'axle.front.least',
        name: 'Least load on the front axle',
        unit: 'kg',
        formula: 'm = k·kerb',
        source: SHOP_RULE,
        assumes: assumed(vehicle, ['kerbFrontKg']),
        with: { k: [rules.leastFrontShare, '', 'share of its unladen load'], kerb: vehicleInput(vehicle, 'kerbFrontKg', 'kg') },
      },
      ({ k, kerb }) => k * kerb,
    ),
    caution: 'A front axle that is too light steers and brakes badly: move load forward, and try it at walking pace first.',
  })

/** Two tyres carry an axle; asked only where their rating is known. */
function tyreLimits(
  vehicle: Vehicle,
  axle: Record<'front' | 'rear', Figure>,
  near: Pick<Limit, 'group' | 'unit'> & { nearRatio: number },
): Limit[] {
  if (vehicle.tyreKg.value === null) return []
  return (['front', 'rear'] as const).map((which) =>
    limit({
      id: `tyres.${which}`,
      name: which === 'front' ? 'Front tyres' : 'Rear tyres',
      used: axle[which],
      allowed: vehicleFigure(vehicle, 'tyreKg', 'kg', 2),
      ...near,
    }),
  )
}
