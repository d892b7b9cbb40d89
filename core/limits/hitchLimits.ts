import { type Figure, figure, input, SHOP_RULE } from '../figure/figure'
import { carrierMasses, departureDeg, hitchLoad } from '../hitch/carrier'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { tyreDiameterMm } from '../vehicle/masses'
import type { Vehicle } from '../vehicle/vehicle'
import { type Limit, limit } from './limit'
import { vehicleFigure } from './vehicleLimits'

/** The moment needs only the distance behind the pin; where the pin is matters to the axles. */
const masses = (vehicle: Vehicle) =>
  carrierMasses(vehicle).map((m, i) => ({
    ...m,
    behindMm: (i === 0 ? vehicle.carrier?.centreBehindMm : vehicle.carrier?.loads[i - 1].behindMm) ?? null,
  }))

/** Weight times distance behind the pin: what bends the receiver. N·mm. */
export function hitchMoment(vehicle: Vehicle): Figure {
  const items = masses(vehicle)
  return figure(
    {
      id: 'hitch.moment',
      name: 'Moment about the hitch pin',
      unit: 'N·mm',
      formula: 'M = Σ m·g·d',
      source: 'statics',
      with: items.flatMap((m, i) => [
        input(`m${i + 1}`, `mass of ${m.name}`, m.massKg, 'kg'),
        input(`d${i + 1}`, `${m.name} behind the pin`, m.behindMm, 'mm'),
      ]),
    },
    () =>
      hitchLoad(
        items.map((m) => ({ massKg: m.massKg ?? 0, behindMm: m.behindMm ?? 0 })),
        G_M_S2,
      ).momentNmm,
  )
}

/** A carrier in the receiver: weight against tongue and carrier ratings, and the angle it leaves at the rear. Nothing when there is none. */
export function hitchLimits(vehicle: Vehicle, rules: Rules): Limit[] {
  const carrier = vehicle.carrier
  if (!carrier) return []
  const near = { nearRatio: rules.nearRatio }
  const items = masses(vehicle)
  const load = figure(
    {
      id: 'hitch.load',
      name: 'Carrier and what hangs on it',
      unit: 'kg',
      formula: 'm = Σ mᵢ',
      source: 'sum of masses',
      with: items.map((m, i) => input(`m${i + 1}`, `mass of ${m.name}`, m.massKg, 'kg')),
    },
    () => items.reduce((s, m) => s + (m.massKg ?? 0), 0),
  )
  const caution =
    'A receiver’s ratings hold close to the pin: a long carrier needs its maker’s word, and lamps and number plate must stay seen.'
  const diameter = tyreDiameterMm(vehicle.tyres.now)
  const { endBehindMm, pinXMm, bottomZMm } = carrier
  const behindAxleMm = endBehindMm === null || pinXMm === null ? null : endBehindMm - pinXMm
  return [
    limit({
      id: 'hitch.tongue',
      name: 'Load on the tongue',
      unit: 'kg',
      ...near,
      used: load,
      allowed: vehicleFigure(vehicle, 'tongueKg', 'kg'),
      caution,
    }),
    limit({
      id: 'hitch.carrier',
      name: 'Carrier load of the receiver',
      unit: 'kg',
      ...near,
      used: load,
      allowed: vehicleFigure(vehicle, 'carrierKg', 'kg'),
      caution,
    }),
    limit({
      id: 'departure',
      name: 'Departure angle',
      unit: '°',
      invert: true,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'departure',
          name: 'Departure angle under the carrier',
          unit: '°',
          formula: 'd·sin α + (R − h)·cos α = R',
          source: 'ISO 612, 6.11; tangent to the tyre',
          assumes: ['tyre at its nominal size, springs as unladen'],
          with: [
            input('d', 'carrier’s end behind the rear axle', behindAxleMm, 'mm'),
            input('h', 'lowest part of the carrier above the ground', bottomZMm, 'mm'),
            input('R', 'tyre size, as 235/65 R16', diameter === null ? null : diameter / 2, 'mm'),
          ],
        },
        () => departureDeg(behindAxleMm ?? 0, bottomZMm ?? 0, (diameter ?? 0) / 2),
      ),
      allowed: figure(
        {
          id: 'departure.least',
          name: 'Least departure angle',
          unit: '°',
          formula: 'as set',
          source: SHOP_RULE,
          with: [input('α', 'least', rules.leastDepartureDeg, '°')],
        },
        () => rules.leastDepartureDeg,
      ),
      caution: 'A carrier that drags on a ramp tears off: try the steepest ramp the client uses.',
    }),
  ]
}
