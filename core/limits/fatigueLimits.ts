import type { Assembly, Member } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { type Material, materialOf } from '../catalogue/materials'
import { profileOf } from '../catalogue/profiles'
import { figure, SHOP_RULE } from '../figure/figure'
import type { CaseResult } from '../loads/caseResult'
import { reboundFactor, roadFactor } from '../loads/loadCases'
import type { Rules } from '../rules/rules'
import { partsOf } from './joinedParts'
import { type Limit, limit } from './limit'
import { weldStress } from './weldLimits'

/**
 * Detail categories, MPa at two million cycles. Steel: EN 1993-1-9, tables 8.1 (160, rolled), 8.4 (80, short attachment) and 8.5 (36, root of a fillet weld).
 * Aluminium: IIW recommendations (Hobbacher, 2nd ed.), 3.2 and table 3.1: 71, 28 and 12.
 */
const categories = {
  plain: { steel: 160, aluminium: 71, says: 'plain metal' },
  besideWeld: { steel: 80, aluminium: 28, says: 'beside a weld' },
  throat: { steel: 36, aluminium: 12, says: 'throat of a weld' },
} as const
type Detail = keyof typeof categories
const SOURCE = 'steel: EN 1993-1-9, tables 8.1, 8.4 and 8.5; aluminium: IIW recommendations (Hobbacher), table 3.1'
const OFTEN: Record<Brief['howOften'], number> = { 'now and then': 0.05, weekly: 0.2, daily: 1 }

type Place = { detail: Detail; material: Material; ref: string; name: string; levelMPa: number }

/**
 * Fatigue on the agreed road: the level load's stress times the road's swing, held against the detail's category at the life's cycles,
 * Δσ ≤ C·(2·10⁶/N)^(1/3) / γ (EN 1993-1-9, 7.1). How many cycles and how much of the greatest swing comes at each are the shop's own rules.
 */
export function fatigueLimit(given: {
  assembly: Assembly
  cases: CaseResult[]
  brief: Pick<Brief, 'road' | 'howOften'>
  lacks: string[]
  rules: Rules
  own: (id: string) => boolean
}): Limit[] {
  const { brief, lacks, rules } = given
  const places = placesOf(given)
  if (!places.length) return []
  const category = (p: Place) => categories[p.detail][p.material.group === 'aluminium' ? 'aluminium' : 'steel']
  const worst = places.reduce((a, b) => (b.levelMPa / category(b) > a.levelMPa / category(a) ? b : a))
  const swing = roadFactor(rules, brief.road) - reboundFactor(rules, brief.road)
  const daily = brief.road === 'rough track' ? rules.roughCycles : rules.roadCycles
  return [
    limit({
      id: 'fatigue',
      name: 'Fatigue on the agreed road',
      group: 'rack',
      unit: 'MPa',
      ref: worst.ref,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'fatigue',
          name: `${worst.name}, ${categories[worst.detail].says}`,
          unit: 'MPa',
          formula: 'Δσ = k·s·σ',
          source: `level load of the frame; swing and share: ${SHOP_RULE}`,
          assumes: ['every stress rises and falls with the road’s shocks', 'drilled places and bends are not looked at'],
          with: {
            σ: [worst.levelMPa, 'MPa', 'stress under the level load'],
            s: [swing, '', 'from rebound to shock, times the weight'],
            k: [rules.fatigueShare, '', 'share that counts at every cycle'],
          },
          lacks,
        },
        ({ σ, s, k }) => k * s * σ,
      ),
      allowed: figure(
        {
          id: 'fatigue.allowed',
          name: `Detail category ${category(worst)}, ${categories[worst.detail].says}`,
          unit: 'MPa',
          formula: 'Δσ ≤ C·(2·10⁶/N)^(1/3) / γ',
          source: SOURCE,
          with: {
            C: [category(worst), 'MPa', 'category, at two million cycles'],
            N: [
              Math.max(10_000, daily * OFTEN[brief.howOften]),
              '',
              `cycles in its life, ${brief.howOften} on ${brief.road === 'road' ? 'roads' : 'a rough track'}`,
            ],
            γ: [rules.fatigueSafety, '', 'factor on fatigue strength'],
          },
        },
        ({ C, N, γ }) => (C * (2e6 / N) ** (1 / 3)) / γ,
      ),
      caution: 'Cracks begin beside welds: look at them at every service, and stop using what has cracked.',
    }),
  ]
}

/** The most stressed place of each kind under the level load, the worse way the feet hold. */
function placesOf({
  assembly,
  cases,
  rules,
  own,
}: {
  assembly: Assembly
  cases: CaseResult[]
  rules: Rules
  own: (id: string) => boolean
}): Place[] {
  const byId = new Map(assembly.members.map((m) => [m.id, m]))
  const metal = (m: Member) => materialOf(profileOf(m.profileId).materialId)
  return cases
    .filter((r) => r.case.id === 'cruise')
    .flatMap((r) => [
      ...r.members.flatMap((s): Place[] => {
        const m = byId.get(s.memberId)
        if (!m || !own(m.id)) return []
        const place = (detail: Detail, levelMPa: number): Place => ({
          detail,
          levelMPa,
          material: metal(m),
          ref: m.id,
          name: `${m.name} ${m.mark}`,
        })
        return [place('plain', s.plainMPa), ...(s.besideWeldMPa > 0 ? [place('besideWeld', s.besideWeldMPa)] : [])]
      }),
      ...r.joints.flatMap((j): Place[] => {
        if (j.joint.kind !== 'weld' || !own(j.joint.id)) return []
        const parts = partsOf(assembly, j.joint)
        const [first] = parts
        if (!first) return []
        const { stressMPa } = weldStress({ j, parts }, rules)
        const name = `Weld ${parts.map((m) => m.mark).join(' to ')}`
        return [{ detail: 'throat', levelMPa: stressMPa, material: first.material, ref: first.id, name }]
      }),
    ])
}
