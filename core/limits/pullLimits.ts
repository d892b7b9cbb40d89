import type { Assembly, Pull } from '../assembly/assembly'
import { type Figure, figure, given, SHOP_RULE } from '../figure/figure'
import type { Rules } from '../rules/rules'
import { type Limit, limit } from './limit'

/** What a pull needs against what its maker lets it. What it does to brackets, seat, bars, joints and feet is in their own limits, as load cases. */
export function pullLimits(assembly: Assembly, rules: Rules, own: (id: string) => boolean): Limit[] {
  const mine = assembly.pulls.filter((p) => own(p.id))
  // one thing that is open is judged once, from whichever side the wind comes
  const open = new Map([...mine].reverse().flatMap((p) => (p.wind ? [[p.on, p] as const] : [])))
  return [
    ...mine.filter((p) => !p.wind).map((p) => judged(p, pulled(p), rules)),
    ...[...open.values()].flatMap((p) => (p.wind ? [judged(p, leftOpen(p, p.wind), rules)] : [])),
  ]
}

type Judged = { id: string; name: string; unit: 'N' | 'km/h'; used: Figure; allowed: Figure }
const judged = (p: Pull, of: Judged, rules: Rules): Limit =>
  limit({ ...of, group: 'rack', ref: p.on, nearRatio: rules.nearRatio, caution: p.caution })

const asRated = (p: Pull, id: string, name: string, unit: 'N' | 'km/h', value: number | null, input: string): Figure =>
  given({ id, name, unit, source: p.ratedBy || 'not given', symbol: 'R', input: [value, unit, input] })

const pulled = (p: Pull): Judged => ({
  ...{ id: 'pull', name: `${p.name}: pull`, unit: 'N' },
  used: figure(
    {
      ...{ id: `pull.${p.id}`, name: `Pull needed, ${p.name.toLowerCase()}`, unit: 'N', formula: 'F = m·g·(sin α + μ·cos α)' },
      source: 'statics of an inclined plane; μ: rolling, as the shop set it',
      with: { F: [p.needsN, 'N', p.lacks[0] ?? 'what is pulled, and how steep'] },
      lacks: p.lacks,
    },
    ({ F }) => F,
  ),
  allowed: asRated(p, `pull.${p.id}.rated`, 'What its maker lets it pull', 'N', p.ratedN, 'its maker’s rating'),
})

const leftOpen = (p: Pull, wind: NonNullable<Pull['wind']>): Judged => ({
  ...{ id: 'openWind', name: `${p.name} in wind`, unit: 'km/h' },
  used: figure(
    {
      ...{ id: `wind.${p.on}`, name: 'Wind it is left open in', unit: 'km/h', formula: 'v', source: SHOP_RULE },
      with: { v: [wind.kmh, 'km/h', 'wind that it is rolled in at'] },
      lacks: p.lacks,
    },
    ({ v }) => v,
  ),
  allowed: asRated(p, `wind.${p.on}.rated`, 'Wind its maker lets it stand open in', 'km/h', wind.ratedKmh, 'its maker’s wind limit'),
})
