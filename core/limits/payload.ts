import { type Figure, figure, input } from '../figure/figure'
import { missingName, settledValue } from '../measure/settle'
import { axleLoads } from '../vehicle/masses'
import { fieldLabel, type Vehicle } from '../vehicle/vehicle'

/** What gross mass and each axle still leave before any rack is on. Three figures, kg; one unknown input leaves its figure unknown. */
export function payloadBeforeRack(vehicle: Vehicle): Figure[] {
  const v = (
    key: 'kerbFrontKg' | 'kerbRearKg' | 'occupantsKg' | 'wheelbaseMm' | 'grossKg' | 'frontAxleKg' | 'rearAxleKg',
    symbol: string,
    unit: string,
  ) => input(symbol, missingName(fieldLabel(key), vehicle[key]), settledValue(vehicle[key]), unit)
  const wheelbase = settledValue(vehicle.wheelbaseMm)
  const usable = wheelbase !== null && wheelbase > 0 ? wheelbase : null
  const board = vehicle.onBoard.map((o, i) => input(`m${i + 1}`, `mass of ${o.name}`, o.massKg, 'kg'))
  const places = vehicle.onBoard.map((o, i) => input(`x${i + 1}`, `place of ${o.name}`, o.xMm, 'mm'))
  const kerb = [v('kerbFrontKg', 'mF', 'kg'), v('kerbRearKg', 'mR', 'kg'), v('occupantsKg', 'mI', 'kg')]
  const loads = () =>
    axleLoads({
      kerbFrontKg: vehicle.kerbFrontKg.value ?? 0,
      kerbRearKg: vehicle.kerbRearKg.value ?? 0,
      wheelbaseMm: usable ?? 1,
      kerbCentreZMm: null,
      items: [
        { name: 'people', massKg: vehicle.occupantsKg.value ?? 0, xMm: (usable ?? 0) / 2, zMm: 0 },
        ...vehicle.onBoard.map((o) => ({ ...o, massKg: o.massKg ?? 0, xMm: o.xMm ?? 0, zMm: o.zMm ?? 0 })),
      ],
    })
  const source = 'limit less load; levers about the axles (statics)'
  const assumes = ['people and load inside stand midway between the axles']
  return [
    figure(
      {
        id: 'payload.gross',
        name: 'Payload left by gross mass',
        unit: 'kg',
        formula: 'left = gross − mF − mR − mI − Σ mᵢ',
        source,
        with: [v('grossKg', 'gross', 'kg'), ...kerb, ...board],
      },
      () => (vehicle.grossKg.value ?? 0) - loads().totalKg,
    ),
    figure(
      {
        id: 'payload.front',
        name: 'Left on the front axle',
        unit: 'kg',
        formula: 'left = limit − mF − mI/2 − Σ mᵢ·xᵢ/L',
        source,
        assumes,
        with: [v('frontAxleKg', 'limit', 'kg'), input('L', 'Wheelbase', usable, 'mm'), ...kerb, ...board, ...places],
      },
      () => (vehicle.frontAxleKg.value ?? 0) - loads().frontKg,
    ),
    figure(
      {
        id: 'payload.rear',
        name: 'Left on the rear axle',
        unit: 'kg',
        formula: 'left = limit − mR − mI/2 − Σ mᵢ·(1 − xᵢ/L)',
        source,
        assumes,
        with: [v('rearAxleKg', 'limit', 'kg'), input('L', 'Wheelbase', usable, 'mm'), ...kerb, ...board, ...places],
      },
      () => (vehicle.rearAxleKg.value ?? 0) - loads().rearKg,
    ),
  ]
}
