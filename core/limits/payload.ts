import { type Figure, figure, type Input, sum } from '../figure/figure'
import { settledValue } from '../measure/settle'
import type { Vehicle } from '../vehicle/vehicle'
import { vehicleInput } from './vehicleFigure'

/** What gross mass and each axle still leave before any rack is on. Three figures, kg; one unknown input leaves its figure unknown. */
export function payloadBeforeRack(vehicle: Vehicle): Figure[] {
  const v = (key: Parameters<typeof vehicleInput>[1], unit: string) => vehicleInput(vehicle, key, unit)
  const wheelbase = settledValue(vehicle.wheelbaseMm)
  const masses = {
    mF: v('kerbFrontKg', 'kg'),
    mR: v('kerbRearKg', 'kg'),
    mI: v('occupantsKg', 'kg'),
    m: vehicle.onBoard.map((o): Input => [o.massKg, 'kg', `mass of ${o.name}`]),
  }
  const places = {
    ...masses,
    L: [wheelbase !== null && wheelbase > 0 ? wheelbase : null, 'mm', v('wheelbaseMm', 'mm')[2]] as Input,
    x: vehicle.onBoard.map((o): Input => [o.xMm, 'mm', `place of ${o.name}`]),
  }
  const about = { unit: 'kg', source: 'limit less load; levers about the axles (statics)' }
  const assumes = ['people and load inside stand midway between the axles']
  return [
    figure(
      {
        ...about,
        id: 'payload.gross',
        name: 'Payload left by gross mass',
        formula: 'left = gross − mF − mR − mI − Σ mᵢ',
        with: { ...masses, gross: v('grossKg', 'kg') },
      },
      ({ gross, mF, mR, mI, m }) => gross - mF - mR - mI - sum(m),
    ),
    figure(
      {
        ...about,
        id: 'payload.front',
        name: 'Left on the front axle',
        formula: 'left = limit − mF − mI/2 − Σ mᵢ·xᵢ/L',
        assumes,
        with: { ...places, limit: v('frontAxleKg', 'kg') },
      },
      (k) => k.limit - k.mF - k.mI / 2 - sum(k.m.map((kg, i) => (kg * k.x[i]!) / k.L)),
    ),
    figure(
      {
        ...about,
        id: 'payload.rear',
        name: 'Left on the rear axle',
        formula: 'left = limit − mR − mI/2 − Σ mᵢ·(1 − xᵢ/L)',
        assumes,
        with: { ...places, limit: v('rearAxleKg', 'kg') },
      },
      (k) => k.limit - k.mR - k.mI / 2 - sum(k.m.map((kg, i) => kg * (1 - k.x[i]! / k.L))),
    ),
  ]
}
