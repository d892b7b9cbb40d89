import { type Assembly, loadBars, type Mount, memberLengthMm } from '../assembly/assembly'
import type { Brief } from '../brief/brief'
import { materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import type { CrossbarStatics } from '../crossbar/statics'
import { figure, input, SHOP_RULE } from '../figure/figure'
import type { Carried } from '../loads/carried'
import { loadCases } from '../loads/loadCases'
import { type CaseResult, shareLoads } from '../loads/shareLoads'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { supportOf } from '../spacing/spacing'
import { footRating, type Vehicle } from '../vehicle/vehicle'
import { type Limit, limit } from './limit'
import { vehicleFigure } from './vehicleLimits'

export type FootRow = { mount: Mount; levelN: number; mostDownN: number; downCase: string; leastDownN: number; upCase: string }
export type RackResult = { limits: Limit[]; feet: FootRow[]; missing: string[]; cases: CaseResult[] }

/** Feet, bars and overhangs under every load case of the brief's road and speed. */
export function rackLimits(assembly: Assembly, carried: Carried[], vehicle: Vehicle, brief: Brief, rules: Rules): RackResult {
  const cases = loadCases(rules, brief.road)
  const most = cases.map((c) => shareLoads(assembly, carried, c, rules, brief.speedKmh, 'most'))
  const least = cases.map((c) => shareLoads(assembly, carried, c, rules, brief.speedKmh, 'least'))
  const standing = brief.someoneStands ? standingPerson(assembly, carried, rules) : []
  const everything = [...most, ...standing]
  const missing = [...new Set(everything.flatMap((r) => r.missing))]
  const feet = assembly.mounts.map((mount, i) => footRow(mount, i, everything, [...everything, ...least]))
  const limits = assembly.mounts.length
    ? [
        ...footLimits(feet, missing, vehicle, rules),
        ...barLimits(assembly, everything, missing, rules),
        ...barRating(everything, missing, vehicle, rules),
        ...bracketLimit(assembly, feet, missing, rules),
      ]
    : []
  return { limits: [...limits, ...overhangLimits(assembly, brief, rules)], feet, missing, cases: most }
}

/** A person at mid-span and at each end of each bar, the rack as parked. */
function standingPerson(assembly: Assembly, carried: Carried[], rules: Rules): CaseResult[] {
  const parked = { ...loadCases(rules, 'road')[0], name: 'a person standing' }
  return loadBars(assembly).flatMap((bar, i) => {
    const length = memberLengthMm(bar)
    return [0, length / 2, length].map((atMm) => shareLoads(assembly, carried, parked, rules, null, 'most', { bar: i, atMm }))
  })
}

function footRow(mount: Mount, i: number, downCases: CaseResult[], upCases: CaseResult[]): FootRow {
  const worst = downCases.reduce((best, r) => (r.feetDownN[i] > best.feetDownN[i] ? r : best))
  const lifted = upCases.reduce((best, r) => (r.feetDownN[i] < best.feetDownN[i] ? r : best))
  const level = downCases.find((r) => r.case.id === 'cruise')
  return {
    mount,
    levelN: level?.feetDownN[i] ?? 0,
    mostDownN: worst.feetDownN[i],
    downCase: worst.case.name,
    leastDownN: lifted.feetDownN[i],
    upCase: lifted.case.name,
  }
}

const SHARING = 'levers along and across the vehicle: elastic sharing (Shigley, 10th ed., 8-12), bar on two feet (statics)'
const ASSUMES = ['items are rigid and tied to every bar under them', 'bars are equally stiff', 'feet do not clamp the bar']

function footLimits(feet: FootRow[], missing: string[], vehicle: Vehicle, rules: Rules): Limit[] {
  const unknowns = missing.map((m) => input('?', m, null, ''))
  const down = feet.reduce((a, b) => (b.mostDownN > a.mostDownN ? b : a))
  const up = feet.reduce((a, b) => (b.leastDownN < a.leastDownN ? b : a))
  const upN = Math.max(0, -up.leastDownN)
  const rated = (mount: Mount, key: 'footDownKg' | 'footUpKg') =>
    footRating(
      vehicle,
      vehicle.mounts.find((m) => m.id === mount.lineId),
      key,
    )
  const near = { nearRatio: rules.nearRatio }
  return [
    limit({
      id: 'foot.down',
      name: 'Foot, pressed down',
      unit: 'N',
      ref: down.mount.id,
      ...near,
      allowed: vehicleFigure(vehicle, 'footDownKg', 'kg', G_M_S2, 'N', rated(down.mount, 'footDownKg')),
      used: figure(
        {
          id: 'foot.down',
          name: `Foot ${down.mount.mark}, ${down.downCase}`,
          unit: 'N',
          formula: 'F = R(m·a, x, h) + foot',
          source: SHARING,
          assumes: ASSUMES,
          with: [
            input('F₁', 'same foot, driving level', down.levelN, 'N'),
            input('F', `same foot, ${down.downCase}`, down.mostDownN, 'N'),
            ...unknowns,
          ],
        },
        () => down.mostDownN,
      ),
    }),
    limit({
      id: 'foot.up',
      name: 'Foot, pulled up',
      unit: 'N',
      ref: up.mount.id,
      ...near,
      allowed:
        upN > 0 || missing.length || rated(up.mount, 'footUpKg').value !== null
          ? vehicleFigure(vehicle, 'footUpKg', 'kg', G_M_S2, 'N', rated(up.mount, 'footUpKg'))
          : figure(
              { id: 'foot.up.none', name: 'No foot is lifted', unit: 'N', formula: 'least load stays downward', source: SHARING, with: [] },
              () => 1,
            ),
      used: figure(
        {
          id: 'foot.up',
          name: `Foot ${up.mount.mark}, ${up.upCase}`,
          unit: 'N',
          formula: 'U = −min R(m·a, x, h)',
          source: SHARING,
          assumes: [...ASSUMES, 'the least of each estimated mass counts'],
          with: [input('R', `least load on the foot, ${up.upCase}`, up.leastDownN, 'N'), ...unknowns],
        },
        () => upN,
      ),
      caution: upN > 0 ? 'A mount that cannot pull up will let go: use one that clamps or bolts, rated for it.' : undefined,
    }),
  ]
}

/** A bought bar has its maker's rating; one made here is judged by its strength alone. */
function barRating(results: CaseResult[], missing: string[], vehicle: Vehicle, rules: Rules): Limit[] {
  if (vehicle.barKg.value === null) return []
  const level = results.filter((r) => r.case.downG === 1 && r.case.forwardG === 0 && r.case.leftG === 0 && !r.case.wind)
  const onBar = Math.max(0, ...level.flatMap((r) => r.bars.map((b) => (b.reactionsN[0] + b.reactionsN[1]) / G_M_S2)))
  return [
    limit({
      id: 'bar.rating',
      name: 'Bar, by its rating',
      unit: 'kg',
      nearRatio: rules.nearRatio,
      allowed: vehicleFigure(vehicle, 'barKg', 'kg'),
      used: figure(
        {
          id: 'bar.load',
          name: 'Most on one bar, standing or level',
          unit: 'kg',
          formula: 'm = (R₁ + R₂) / g',
          source: SHARING,
          assumes: ASSUMES,
          with: [input('m', 'load of the most loaded bar', onBar, 'kg'), ...missing.map((m) => input('?', m, null, ''))],
        },
        () => onBar,
      ),
    }),
  ]
}

function barLimits(assembly: Assembly, results: CaseResult[], missing: string[], rules: Rules): Limit[] {
  const bars = loadBars(assembly)
  const worstOf = (value: (s: CrossbarStatics) => number, of: CaseResult[]) =>
    of.flatMap((r) => r.bars.map((s, i) => ({ s, bar: bars[i], r }))).reduce((a, b) => (value(b.s) > value(a.s) ? b : a))
  const bend = worstOf((s) => s.stressMPa, results)
  const sag = worstOf(
    (s) => Math.abs(s.maxSagMm),
    results.filter((r) => r.case.id === 'cruise' || r.case.id === 'parked'),
  )
  const material = materialOf(profileOf(bend.bar.profileId).materialId)
  const welded =
    assembly.joints.some((j) => j.kind === 'weld' && j.between.includes(bend.bar.id)) && material.weldedYieldMPa < material.yieldMPa
  const yieldMPa = welded ? material.weldedYieldMPa : material.yieldMPa
  const section = profileSection(bend.bar.profileId)
  const unknowns = missing.map((m) => input('?', m, null, ''))
  const feet = assembly.mounts.filter((m) => m.memberId === sag.bar.id)
  const spanMm = Math.abs(feet[0].place.y - feet[1].place.y)
  const near = { nearRatio: rules.nearRatio }
  return [
    limit({
      id: 'bar.bending',
      name: 'Bar bending',
      unit: 'MPa',
      ref: bend.bar.id,
      ...near,
      used: figure(
        {
          id: 'bar.stress',
          name: `Bar ${bend.bar.mark}, ${bend.r.case.name}`,
          unit: 'MPa',
          formula: 'σ = M / W',
          source: 'Gere & Goodno, Mechanics of Materials, 8th ed., 5.5',
          assumes: ASSUMES,
          with: [
            input('M', 'bending moment', Math.abs(bend.s.maxMomentNmm), 'N·mm'),
            input('W', 'section modulus', section.wyMm3, 'mm³'),
            ...unknowns,
          ],
        },
        () => bend.s.stressMPa,
      ),
      allowed: figure(
        {
          id: 'bar.allowable',
          name: `${material.name}${welded ? ', welded' : ''}, allowable`,
          unit: 'MPa',
          formula: 'σ ≤ fy / Ω',
          source: `${material.source}; Ω: AISC 360-16 F1`,
          assumes: welded ? ['whole bar taken at its welded strength'] : [],
          with: [
            input('fy', welded ? 'yield beside a weld' : 'yield', yieldMPa, 'MPa'),
            input('Ω', 'safety factor', rules.yieldSafety, ''),
          ],
        },
        () => yieldMPa / rules.yieldSafety,
      ),
      caution: 'This checks the bars only; have racks for people, heavy plant or unusual loads signed by a licensed engineer.',
    }),
    limit({
      id: 'bar.sag',
      name: 'Bar sag, standing still',
      unit: 'mm',
      ref: sag.bar.id,
      ...near,
      used: figure(
        {
          id: 'bar.sag',
          name: `Bar ${sag.bar.mark}, ${sag.r.case.name}`,
          unit: 'mm',
          formula: 'E·I·v⁗ = −q',
          source: 'Gere & Goodno, ch. 9; Roark, 8th ed., table 8.1',
          assumes: ASSUMES,
          with: [
            input('E', 'elastic modulus', materialOf(profileOf(sag.bar.profileId).materialId).elasticMPa, 'MPa'),
            input('I', 'second moment of area', profileSection(sag.bar.profileId).iyMm4, 'mm⁴'),
            input('x', 'place along the bar', sag.s.maxSagAtMm, 'mm'),
            ...unknowns,
          ],
        },
        () => Math.abs(sag.s.maxSagMm),
      ),
      allowed: figure(
        {
          id: 'bar.sag.allowed',
          name: 'Span over ratio',
          unit: 'mm',
          formula: 'v ≤ L / n',
          source: SHOP_RULE,
          with: [input('L', 'span between feet', spanMm, 'mm'), input('n', 'ratio', rules.sagRatio, '')],
        },
        () => spanMm / rules.sagRatio,
      ),
    }),
  ]
}

/** A step bracket bends like a short cantilever: foot force times step, over b·t²/6. */
function bracketLimit(assembly: Assembly, feet: FootRow[], missing: string[], rules: Rules): Limit[] {
  const bracket = assembly.plates.find((p) => p.role === 'bracket')
  if (!bracket) return []
  const material = materialOf(bracket.materialId)
  const worst = feet.reduce((a, b) => (Math.max(b.mostDownN, -b.leastDownN) > Math.max(a.mostDownN, -a.leastDownN) ? b : a))
  const F = Math.max(worst.mostDownN, -worst.leastDownN)
  const [e, b, t] = [bracket.size.y, bracket.flatWidthMm, bracket.thicknessMm]
  return [
    limit({
      id: 'bracket',
      name: 'Step bracket bending',
      unit: 'MPa',
      ref: worst.mount.id,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'bracket.stress',
          name: `Bracket at ${worst.mount.mark}`,
          unit: 'MPa',
          formula: 'σ = 6·F·e / (b·t²)',
          source: 'Gere & Goodno, 5.5: rectangular section',
          assumes: ['the fold beside the foot takes the whole moment', 'bar end free to turn'],
          with: [
            input('F', `foot force, ${worst.downCase}`, F, 'N'),
            input('e', 'step', e, 'mm'),
            input('b', 'width', b, 'mm'),
            input('t', 'thickness', t, 'mm'),
            ...missing.map((m) => input('?', m, null, '')),
          ],
        },
        () => (6 * F * e) / (b * t ** 2),
      ),
      allowed: figure(
        {
          id: 'bracket.allowable',
          name: `${material.name}, allowable`,
          unit: 'MPa',
          formula: 'σ ≤ fy / Ω',
          source: material.source,
          with: [input('fy', 'yield', material.yieldMPa, 'MPa'), input('Ω', 'safety factor', rules.yieldSafety, '')],
        },
        () => material.yieldMPa / rules.yieldSafety,
      ),
    }),
  ]
}

/** Each item's own rules: how far past its last bar, and between two bars. No rule = not assessed, unless the shop sets one. */
function overhangLimits(assembly: Assembly, brief: Brief, rules: Rules): Limit[] {
  const barXMm = loadBars(assembly).map((b) => b.path[0].x)
  return brief.cargo
    .filter((c) => c.counts !== 'parked')
    .flatMap((c) => {
      const s = supportOf(c, barXMm)
      const shopRule = c.maxOverhangMm === null && rules.defaultOverhangMm > 0
      const allowedMm = c.maxOverhangMm ?? (shopRule ? rules.defaultOverhangMm : null)
      const atRear = s.rearOverhangMm >= s.frontOverhangMm
      const used = Math.max(s.rearOverhangMm, s.frontOverhangMm)
      const shortest =
        allowedMm === null
          ? []
          : [
              `shortest support that meets this: ${Math.max(0, c.lengthMm - 2 * allowedMm).toFixed(0)} mm overhanging both ends, ${Math.max(0, c.lengthMm - allowedMm).toFixed(0)} mm overhanging one`,
            ]
      const overhang = limit({
        id: `overhang.${c.id}`,
        name: `${c.name}: overhang`,
        unit: 'mm',
        ref: `cargo:${c.id}`,
        nearRatio: rules.nearRatio,
        used: figure(
          {
            id: `overhang.${c.id}`,
            name: `${c.name} past its ${atRear ? 'rearmost' : 'foremost'} bar`,
            unit: 'mm',
            formula: 'o = half length − distance from its middle to the last bar',
            source: 'from the layout',
            assumes: shortest,
            with: [
              input('l', 'length of the item', c.lengthMm, 'mm'),
              input('rear', 'past the rearmost bar', s.rearOverhangMm, 'mm'),
              input('front', 'past the foremost bar', s.frontOverhangMm, 'mm'),
              ...(s.under.length < 2 ? [input('?', `a second bar under ${c.name}`, null, '')] : []),
            ],
          },
          () => used,
        ),
        allowed: figure(
          {
            id: `overhang.${c.id}.allowed`,
            name: 'Largest free overhang',
            unit: 'mm',
            formula: 'as given',
            source: shopRule ? SHOP_RULE : c.ruleSource || 'not given',
            assumes: shopRule ? [`no rule known for ${c.name}: the shop's own stands in`] : [],
            with: [input('o', `overhang rule of ${c.name}`, allowedMm, 'mm')],
          },
          () => allowedMm ?? 0,
        ),
      })
      if (c.maxSpanMm === null || s.under.length < 2) return [overhang]
      return [
        overhang,
        limit({
          id: `span.${c.id}`,
          name: `${c.name}: span`,
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
              with: [input('s', 'greatest gap', s.greatestSpanMm, 'mm')],
            },
            () => s.greatestSpanMm,
          ),
          allowed: figure(
            {
              id: `span.${c.id}.allowed`,
              name: 'Largest span',
              unit: 'mm',
              formula: 'as given',
              source: c.ruleSource || 'not given',
              with: [input('s', `span rule of ${c.name}`, c.maxSpanMm, 'mm')],
            },
            () => c.maxSpanMm ?? 0,
          ),
        }),
      ]
    })
}
