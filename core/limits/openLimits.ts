import type { Cargo } from '../brief/cargo'
import { figure, given, SHOP_RULE } from '../figure/figure'
import type { Rules } from '../rules/rules'
import { type Limit, limit } from './limit'

/** Each carried thing that somebody said how it stands open: the wind it is shut at against what its maker lets it stand. What that wind does to rack and feet is in their own limits, as load cases. km/h */
export const openLimits = (cargo: Cargo[], rules: Rules): Limit[] =>
  cargo.flatMap((c): Limit[] =>
    c.opens && c.openAs
      ? [
          limit({
            ...{
              id: `open.${c.id}`,
              name: `${c.name}, open in wind`,
              group: 'cargo',
              unit: 'km/h',
              ref: `cargo:${c.id}`,
              nearRatio: rules.nearRatio,
            },
            used: figure(
              {
                ...{ id: `open.${c.id}.used`, name: 'Wind it is left open in', unit: 'km/h', formula: 'v', source: SHOP_RULE },
                assumes: ['its ladder or legs hold nothing', 'what clamps it to the bars is its maker’s matter'],
                with: { v: [rules.tentKmh, 'km/h', 'wind that it is shut at'] },
                lacks: [
                  ...(c.openAs.reachMm === null ? [`how far ${c.name} reaches out when it is open`] : []),
                  ...(c.openAs.highMm === null ? [`how high ${c.name} stands when it is open`] : []),
                ],
              },
              ({ v }) => v,
            ),
            allowed: given({
              ...{
                id: `open.${c.id}.allowed`,
                name: 'Wind its maker lets it stand open in',
                unit: 'km/h',
                source: 'its maker',
                symbol: 'R',
              },
              input: [c.openAs.windRatedKmh, 'km/h', `wind limit of the maker of ${c.name}`],
            }),
            caution: 'Shut it before more wind than this, and sleep in none that rises: a tent that lifts takes its bars with it.',
          }),
        ]
      : [],
  )
