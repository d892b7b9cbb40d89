import type { Brief } from '../brief/brief'
import { type Figure, figure, type Input, SHOP_RULE, sum } from '../figure/figure'
import { carrierMasses, departureDeg } from '../hitch/carrier'
import { roadFactor } from '../loads/loadCases'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { tyreDiameterMm } from '../vehicle/masses'
import type { Vehicle } from '../vehicle/vehicle'
import { type Limit, limit } from './limit'
import { vehicleFigure, vehicleInput } from './vehicleFigure'

/** The moment needs only the distance behind the pin; where the pin is matters to the axles. */
const masses = (vehicle: Vehicle) =>
  carrierMasses(vehicle).map((m, i) => ({
    ...m,
    behindMm: (i === 0 ? vehicle.carrier?.centreBehindMm : vehicle.carrier?.loads[i - 1]?.behindMm) ?? null,
  }))

const massesOf = (vehicle: Vehicle): Input[] => masses(vehicle).map((m) => [m.massKg, 'kg', `mass of ${m.name}`])
const behindOf = (vehicle: Vehicle): Input[] => masses(vehicle).map((m) => [m.behindMm, 'mm', `${m.name} behind the pin`])

/** Weight times distance behind the pin: what bends the receiver standing still. N·mm. */
export const hitchMoment = (vehicle: Vehicle): Figure => momentFigure(vehicle, 1, 'standing still')

/** The same times what the road adds. */
const momentFigure = (vehicle: Vehicle, factor: number, when: string): Figure =>
  figure(
    {
      id: 'hitch.moment',
      name: `Moment about the hitch pin, ${when}`,
      unit: 'N·mm',
      formula: 'M = k·Σ m·g·d',
      source: factor === 1 ? 'statics' : `statics; k: ${SHOP_RULE}`,
      with: {
        m: massesOf(vehicle),
        d: behindOf(vehicle),
        g: [G_M_S2, 'm/s²', 'standard gravity'],
        k: [factor, '', factor === 1 ? 'standing still' : 'what the road adds'],
      },
    },
    (v) => v.k * sum(v.m.map((kg, i) => kg * v.g * v.d[i]!)),
  )

/** A carrier in the receiver: weight against tongue and carrier ratings, and the angle it leaves at the rear. Nothing when there is none. */
export function hitchLimits(vehicle: Vehicle, brief: Brief, rules: Rules): Limit[] {
  const carrier = vehicle.carrier
  if (!carrier) return []
  const near = { group: 'hitch' as const, nearRatio: rules.nearRatio }
  const load = figure(
    {
      id: 'hitch.load',
      name: 'Carrier and what hangs on it',
      unit: 'kg',
      formula: 'm = Σ mᵢ',
      source: 'sum of masses',
      with: { m: massesOf(vehicle) },
    },
    ({ m }) => sum(m),
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
      id: 'hitch.moment',
      name: 'Moment on the receiver',
      unit: 'N·mm',
      ...near,
      used: momentFigure(vehicle, roadFactor(rules, brief.road), brief.road === 'road' ? 'on a road bump' : 'on a rough track'),
      allowed: figure(
        {
          id: 'hitch.moment.allowed',
          name: 'Tongue rating at its distance behind the pin, on usual roads',
          unit: 'N·mm',
          formula: 'M = k₀·R·g·d₀',
          source: `R: maker; d₀ and k₀: ${SHOP_RULE}`,
          assumes: [
            'nobody rates a receiver by its moment: its tongue rating is taken to hold so far behind the pin, on a road and its bumps',
          ],
          with: {
            R: vehicleInput(vehicle, 'tongueKg', 'kg'),
            'd₀': [rules.receiverArmMm, 'mm', 'distance behind the pin'],
            'k₀': [rules.bumpG, '', 'what a road adds'],
            g: [G_M_S2, 'm/s²', 'standard gravity'],
          },
        },
        (v) => v['k₀'] * v.R * v.g * v['d₀'],
      ),
      caution,
    }),
    limit({
      id: 'departure',
      name: 'Departure angle',
      unit: '°',
      invert: true,
      ...near,
      used: figure(
        {
          id: 'departure',
          name: 'Departure angle under the carrier',
          unit: '°',
          formula: 'd·sin α + (R − h)·cos α = R',
          source: 'ISO 612, 6.11; tangent to the tyre',
          assumes: ['tyre at its nominal size, springs as unladen'],
          with: {
            d: [behindAxleMm, 'mm', 'carrier’s end behind the rear axle'],
            h: [bottomZMm, 'mm', 'lowest part of the carrier above the ground'],
            R: [diameter === null ? null : diameter / 2, 'mm', 'tyre size, as 235/65 R16'],
          },
        },
        ({ d, h, R }) => departureDeg(d, h, R),
      ),
      allowed: figure(
        {
          id: 'departure.least',
          name: 'Least departure angle',
          unit: '°',
          formula: 'as set',
          source: SHOP_RULE,
          with: { α: [rules.leastDepartureDeg, '°', 'least'] },
        },
        ({ α }) => α,
      ),
      caution: 'A carrier that drags on a ramp tears off: try the steepest ramp the client uses.',
    }),
  ]
}
