import { SHOP_RULE } from '../figure/figure'
import type { Rules } from '../rules/rules'

/** A gust's side; the air that the vehicle's own speed makes comes from ahead in every case with wind. */
export type GustFrom = 'left' | 'right'
export const standingWinds = ['front', 'rear', 'left', 'right'] as const
export type StandingWind = (typeof standingWinds)[number]
/** Accelerations in g that act on every mass of a case, and the air that does. Down, forward and left positive. */
export type LoadCase = {
  id: string
  name: string
  when: 'driving' | 'parked'
  downG: number
  forwardG: number
  leftG: number
  /** air from ahead at the driving speed and so much more; null = still air. km/h */
  headWindKmh: number | null
  gustFrom: GustFrom | null
  /** parked, with something open: a wind from one side alone, which lifts as well */
  standingWind?: { kmh: number; from: StandingWind }
  /** on everything that lies flat, kg/m² */
  snowKgM2: number
  /** the road's own shocks are in it; a rating made for standing loads is not held against it */
  shock: boolean
  source: string
}

const NO_STANDARD = `${SHOP_RULE}: no standard prescribes it for racks of this class`
/** Its own weight and nothing else, as sag, shares and swings are worked out with. */
export const LEVEL: LoadCase = {
  id: 'level',
  name: 'level',
  when: 'driving',
  downG: 1,
  forwardG: 0,
  leftG: 0,
  headWindKmh: null,
  gustFrom: null,
  snowKgM2: 0,
  shock: false,
  source: '',
}
const PARKED: LoadCase = { ...LEVEL, id: 'parked', name: 'parked', when: 'parked', source: 'dead load' }

/**
 * What a rack goes through. No standard prescribes load cases for racks of this class: the factors are the shop's own rules. On a rough track braking and
 * cornering come together with a share of its shocks, and what it throws up comes back down: the rebound.
 */
export function loadCases(rules: Rules, road: 'road' | 'rough track', snowKgM2 = 0): LoadCase[] {
  const rough = road === 'rough track'
  const driving = (id: string, name: string, over: Partial<LoadCase>): LoadCase => ({
    ...PARKED,
    id,
    name,
    when: 'driving',
    source: NO_STANDARD,
    ...over,
  })
  const downG = roadFactor(rules, road)
  const together = 1 + (downG - 1) * rules.roughShare
  const wind = 'EN 1991-1-4, 4.5: q = ½·ρ·v²'
  return [
    PARKED,
    ...(snowKgM2 > 0
      ? [
          {
            ...PARKED,
            id: 'snow',
            name: 'parked under snow',
            snowKgM2,
            source: 'brief; snow on the ground by EN 1991-1-3 or the local code',
          },
        ]
      : []),
    driving('cruise', 'driving level', { source: 'dead load' }),
    driving('bump', rough ? 'rough track' : 'road bump', { downG, shock: true }),
    driving('rebound', rough ? 'rebound on a rough track' : 'rebound after a bump', { downG: reboundFactor(rules, road), shock: true }),
    driving('braking', 'braking', { forwardG: rules.brakingG }),
    driving('pulling', 'pulling away', { forwardG: -rules.pullingG }),
    driving('corner-left', 'cornering, thrown left', { leftG: rules.corneringG }),
    driving('corner-right', 'cornering, thrown right', { leftG: -rules.corneringG }),
    ...(rough
      ? [
          driving('rough-braking', 'braking on a rough track', { downG: together, forwardG: rules.brakingG, shock: true }),
          driving('rough-left', 'rough track, thrown left', { downG: together, leftG: rules.corneringG, shock: true }),
          driving('rough-right', 'rough track, thrown right', { downG: together, leftG: -rules.corneringG, shock: true }),
        ]
      : []),
    driving('wind', 'head wind at speed', { headWindKmh: rules.headWindKmh, source: wind }),
    ...(rules.sideWindKmh > 0
      ? (['left', 'right'] as const).map((from) =>
          driving(`wind-${from}`, `gust from the ${from} at speed`, { headWindKmh: 0, gustFrom: from, source: wind }),
        )
      : []),
  ]
}

/** How many times its weight everything presses down on the agreed road, and how many when that comes back up. */
export const roadFactor = (rules: Rules, road: 'road' | 'rough track'): number => (road === 'rough track' ? rules.roughG : rules.bumpG)
export const reboundFactor = (rules: Rules, road: 'road' | 'rough track'): number =>
  road === 'rough track' ? rules.roughReboundG : rules.reboundG

/** Velocity pressure ½·ρ·v². km/h → Pa = N/m². */
export const windPressurePa = (airDensity: number, speedKmh: number): number => 0.5 * airDensity * (speedKmh / 3.6) ** 2
