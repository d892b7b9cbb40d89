import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import { type LedgerGiven, massesDriving } from './ledger'
import { type Limit, limit } from './limit'
import { assumed, vehicleInput } from './vehicleFigure'

/**
 * The tilt, as a ratio, at which the vehicle balances on its outer wheels: T / 2h (NHTSA static stability factor), and with a centre of mass off the middle
 * (T/2 − |y|) / h, towards the side that it lies on (statics).
 */
export function stability(given: Omit<LedgerGiven, 'rules'>): { before: Figure; after: Figure } {
  const { vehicle } = given
  const base = { T: vehicleInput(vehicle, 'trackWidthMm', 'mm'), h: vehicleInput(vehicle, 'centreOfMassHeightMm', 'mm') }
  const added = massesDriving(given)
  const source = 'NHTSA static stability factor, SSF = T / 2h'
  const assumes = [
    ...assumed(vehicle, ['centreOfMassHeightMm', 'trackWidthMm', 'occupantsKg']),
    'the vehicle itself, people and what is on board lie in its middle, people at its own centre of mass height',
    'rigid springs and tyres: a real vehicle leans and tips earlier',
  ]
  return {
    before: figure(
      { id: 'ssf.before', name: 'Static stability factor, unladen roof', unit: '', formula: 'SSF = T / 2h', source, assumes, with: base },
      ({ T, h }) => T / (2 * h),
    ),
    after: figure(
      {
        id: 'ssf',
        name: 'Static stability factor, loaded',
        unit: '',
        formula: 'SSF = (T/2 − |y′|) / h′, h′ = (m₀·h + Σ mᵢ·zᵢ) / Σm, y′ = Σ mᵢ·yᵢ / Σm',
        source,
        assumes,
        with: {
          ...base,
          mF: vehicleInput(vehicle, 'kerbFrontKg', 'kg'),
          mR: vehicleInput(vehicle, 'kerbRearKg', 'kg'),
          mI: vehicleInput(vehicle, 'occupantsKg', 'kg'),
          m: added.map((m): Input => [m.massKg, 'kg', `mass of ${m.name}`]),
          z: added.map((m): Input => [m.zMm, 'mm', `centre height of ${m.name}`]),
          y: added.map((m): Input => [m.yMm, 'mm', `${m.name}, left of the middle`]),
        },
      },
      ({ T, h, mF, mR, mI, m, z, y }) => {
        const own = mF + mR + mI
        const all = own + sum(m)
        const height = (own * h + sum(m.map((kg, i) => kg * z[i]!))) / all
        const aside = sum(m.map((kg, i) => kg * y[i]!)) / all
        return (T / 2 - Math.abs(aside)) / height
      },
    ),
  }
}

export const stabilityLimit = (given: LedgerGiven): Limit =>
  limit({
    id: 'stability',
    name: 'Stability against tipping',
    group: 'vehicle',
    unit: '',
    used: stability(given).after,
    nearRatio: 0.97,
    invert: true,
    allowed: figure(
      {
        id: 'ssf.least',
        name: 'Least static stability factor',
        unit: '',
        formula: 'as set',
        source: SHOP_RULE,
        with: { S: [given.rules.leastStability, '', 'least static stability factor'] },
      },
      ({ S }) => S,
    ),
    caution: 'A high load sways and tips earlier: tell the driver, and ask a suspension specialist when this is near its line.',
  })
