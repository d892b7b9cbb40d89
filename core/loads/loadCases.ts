import type { Rules } from '../rules/rules'

/** Where the air of a case comes from; the vehicle's own speed makes the one ahead, a gust the ones from the side. */
export type WindFrom = 'ahead' | 'left' | 'right'
/** Accelerations in g that act on every mass of a case, and the air that does. Down, forward and left positive. */
export type LoadCase = {
  id: string
  name: string
  when: 'driving' | 'parked'
  downG: number
  forwardG: number
  leftG: number
  windFrom: WindFrom | null
  /** on everything that lies flat, kg/m² */
  snowKgM2: number
  source: string
}

export function loadCases(rules: Rules, road: 'road' | 'rough track', snowKgM2 = 0): LoadCase[] {
  const rough = road === 'rough track'
  const securing = 'EN 12195-1:2010, table 2; 49 CFR 393.102'
  const driving = (
    id: string,
    name: string,
    downG: number,
    forwardG: number,
    leftG: number,
    source: string,
    windFrom: WindFrom | null = null,
  ): LoadCase => ({
    id,
    name,
    when: 'driving',
    downG,
    forwardG,
    leftG,
    windFrom,
    snowKgM2: 0,
    source,
  })
  return [
    { id: 'parked', name: 'parked', when: 'parked', downG: 1, forwardG: 0, leftG: 0, windFrom: null, snowKgM2: 0, source: 'dead load' },
    ...(snowKgM2 > 0
      ? [
          {
            id: 'snow',
            name: 'parked under snow',
            when: 'parked' as const,
            downG: 1,
            forwardG: 0,
            leftG: 0,
            windFrom: null,
            snowKgM2,
            source: 'brief; snow on the ground by EN 1991-1-3 or the local code',
          },
        ]
      : []),
    driving('cruise', 'driving level', 1, 0, 0, 'dead load'),
    driving('bump', rough ? 'rough track' : 'road bump', rough ? rules.roughG : rules.bumpG, 0, 0, "shop's own rule"),
    driving('braking', 'braking', 1, rules.brakingG, 0, securing),
    driving('pulling', 'pulling away', 1, -rules.pullingG, 0, securing),
    driving('corner-left', 'cornering, thrown left', 1, 0, rules.corneringG, securing),
    driving('corner-right', 'cornering, thrown right', 1, 0, -rules.corneringG, securing),
    driving('wind', 'head wind at speed', 1, 0, 0, 'EN 1991-1-4, 4.5: q = ½·ρ·v²', 'ahead'),
    ...(rules.sideWindKmh > 0
      ? (['left', 'right'] as const).map((from) =>
          driving(`wind-${from}`, `gust from the ${from}`, 1, 0, 0, 'EN 1991-1-4, 4.5: q = ½·ρ·v²', from),
        )
      : []),
  ]
}

/** Velocity pressure ½·ρ·v². km/h → Pa = N/m². */
export const windPressurePa = (airDensity: number, speedKmh: number): number => 0.5 * airDensity * (speedKmh / 3.6) ** 2
