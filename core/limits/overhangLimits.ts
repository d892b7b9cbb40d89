import type { Assembly } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { figure, given, SHOP_RULE } from '../figure/figure'
import { liesOnSurface, restOf } from '../resting/rest'
import type { Rules } from '../rules/rules'
import { supportOf } from '../spacing/spacing'
import { type Limit, limit } from './limit'

/** Each item's own rules: how far past its last bar, and between two bars. No rule = not assessed, unless the shop sets one. */
export function overhangLimits(assembly: Assembly, brief: Brief, rules: Rules): Limit[] {
  return brief.cargo
    .filter((c) => c.counts !== 'parked')
    .flatMap((c) => {
      const shopRule = c.maxOverhangMm === null && rules.defaultOverhangMm > 0
      const allowedMm = c.maxOverhangMm ?? (shopRule ? rules.defaultOverhangMm : null)
      const rest = restOf(c, assembly)
      // what a holder holds, or a floor carries all along, hangs over nothing
      if (rest.supports.length && (rest.supports.every((x) => x.holds) || liesOnSurface(rest))) return []
      const s = supportOf(
        { ...c, maxOverhangMm: allowedMm },
        rest.all.map((b) => b.xMm),
      )
      const atRear = s.rearOverhangMm >= s.frontOverhangMm
      // the limit turned round: how far apart the outer bars must stand at least
      const shortest =
        allowedMm === null || s.shortestSupportMm === null
          ? []
          : [
              `Shortest support that meets this: {${s.shortestSupportMm}} with both ends hanging out, {${Math.max(0, c.lengthMm - allowedMm)}} with one`,
            ]
      const overhang = limit({
        id: `overhang.${c.id}`,
        name: `${c.name}: overhang`,
        group: 'cargo',
        unit: 'mm',
        ref: `cargo:${c.id}`,
        nearRatio: rules.nearRatio,
        used: figure(
          {
            id: `overhang.${c.id}`,
            name: `${c.name} past its ${atRear ? 'rearmost' : 'foremost'} bar`,
            unit: 'mm',
            formula: 'o = max(rear, front): half length − distance from its middle to the last bar',
            source: 'from the layout',
            notes: shortest,
            with: {
              l: [c.lengthMm, 'mm', 'length of the item'],
              rear: [s.rearOverhangMm, 'mm', 'past the rearmost bar'],
              front: [s.frontOverhangMm, 'mm', 'past the foremost bar'],
            },
            lacks: s.under.length < 2 ? [`a second bar under ${c.name}`] : [],
          },
          (v) => Math.max(v.rear, v.front),
        ),
        allowed: given({
          id: `overhang.${c.id}.allowed`,
          name: 'Largest free overhang',
          unit: 'mm',
          source: shopRule ? SHOP_RULE : c.ruleSource || 'not given',
          assumes: shopRule ? [`no rule known for ${c.name}: the shop's own stands in`] : [],
          symbol: 'o',
          input: [allowedMm, 'mm', `overhang rule of ${c.name}`],
        }),
      })
      if (c.maxSpanMm === null || s.under.length < 2) return [overhang]
      return [
        overhang,
        limit({
          id: `span.${c.id}`,
          name: `${c.name}: span`,
          group: 'cargo',
          unit: 'mm',
          ref: `cargo:${c.id}`,
          nearRatio: rules.nearRatio,
          used: figure(
            {
              id: `span.${c.id}`,
              name: `Greatest gap between bars under ${c.name}`,
              unit: 'mm',
              formula: 's = max(xᵢ₊₁ − xᵢ)',
              source: 'from the layout',
              with: { s: [s.greatestSpanMm, 'mm', 'greatest gap'] },
            },
            (v) => v.s,
          ),
          allowed: given({
            id: `span.${c.id}.allowed`,
            name: 'Largest span',
            unit: 'mm',
            source: c.ruleSource || 'not given',
            symbol: 's',
            input: [c.maxSpanMm, 'mm', `span rule of ${c.name}`],
          }),
        }),
      ]
    })
}
