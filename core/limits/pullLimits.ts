import type { Assembly, Pull } from '../assembly/assembly'
import { figure, given, SHOP_RULE } from '../figure/figure'
import type { Rules } from '../rules/rules'
import { type Limit, limit } from './limit'

/** What a winch or the like must pull against what its maker lets it. What that does to seat, joints and feet is in their own limits, as a load case. */
export const pullLimits = (assembly: Assembly, rules: Rules, own: (id: string) => boolean): Limit[] =>
  assembly.pulls
    .filter((p) => own(p.id) && p.wind?.way !== 'down')
    .map((p) =>
      p.wind
        ? openInWind(p, p.wind, rules)
        : limit({
            id: 'pull',
            name: `${p.name}: pull`,
            group: 'rack',
            unit: 'N',
            ref: p.on,
            nearRatio: rules.nearRatio,
            used: figure(
              {
                id: `pull.${p.id}`,
                name: `Pull needed, ${p.name.toLowerCase()}`,
                unit: 'N',
                formula: 'F = m·g·(sin α + μ·cos α)',
                source: 'statics of an inclined plane; μ: rolling, as the shop set it',
                with: { F: [p.needsN, 'N', p.lacks[0] ?? 'what is pulled, and how steep'] },
                lacks: p.lacks,
              },
              ({ F }) => F,
            ),
            allowed: given({
              id: `pull.${p.id}.rated`,
              name: 'What its maker lets it pull',
              unit: 'N',
              source: p.ratedBy || 'not given',
              symbol: 'R',
              input: [p.ratedN, 'N', 'its maker’s rating'],
            }),
            caution: p.caution,
          }),
    )

/** Left open up to so much wind, against what its maker lets it stand. What that wind does to brackets, bars and feet is in their limits, as load cases. */
const openInWind = (p: Pull, wind: NonNullable<Pull['wind']>, rules: Rules): Limit =>
  limit({
    id: 'openWind',
    name: `${p.name} in wind`,
    group: 'rack',
    unit: 'km/h',
    ref: p.on,
    nearRatio: rules.nearRatio,
    used: figure(
      {
        id: `wind.${p.id}`,
        name: 'Wind it is left open in',
        unit: 'km/h',
        formula: 'v',
        source: SHOP_RULE,
        with: { v: [wind.kmh, 'km/h', 'wind that it is rolled in at'] },
        lacks: p.lacks,
      },
      ({ v }) => v,
    ),
    allowed: given({
      id: `wind.${p.id}.rated`,
      name: 'Wind its maker lets it stand open in',
      unit: 'km/h',
      source: p.ratedBy || 'not given',
      symbol: 'R',
      input: [wind.ratedKmh, 'km/h', 'its maker’s wind limit'],
    }),
    caution: p.caution,
  })
