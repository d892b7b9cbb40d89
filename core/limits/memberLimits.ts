import { type Assembly, loadBars, type Member } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import { bracketBending } from '../fasten/bracket'
import { stepBracketOf } from '../fasten/fittedBracket'
import { figure, type Input, input, SHOP_RULE } from '../figure/figure'
import type { CaseResult, MemberState } from '../loads/solveRack'
import { type LoadTest, measuredGive } from '../loadTest/loadTest'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { strutMayPush } from '../structure/buckling'
import type { Vehicle } from '../vehicle/vehicle'
import { FRAME, FRAME_ASSUMES } from './footLimits'
import { jointLimits } from './jointLimits'
import { type Limit, limit } from './limit'
import type { FootRow } from './rackLimits'
import { vehicleFigure } from './vehicleLimits'

type Place = { member: Member; state: MemberState; r: CaseResult }
const engineer = 'This checks the rack as drawn only; have racks for people, heavy plant or unusual loads signed by a licensed engineer.'

/** Strength, sag, push, joints and brackets of what is made; a bought bar by its maker's rating. */
export function memberLimits(
  assembly: Assembly,
  cases: CaseResult[],
  feet: FootRow[],
  missing: string[],
  vehicle: Vehicle,
  rules: Rules,
  tests: LoadTest[],
): Limit[] {
  const unknowns = missing.map((m) => input('?', m, null, ''))
  const byId = new Map(assembly.members.map((m) => [m.id, m]))
  const places = cases.flatMap((r) =>
    r.members.flatMap((state): Place[] => {
      const member = byId.get(state.memberId)
      return member ? [{ member, state, r }] : []
    }),
  )
  const worst = (of: (p: Place) => number, among = places): Place | null =>
    among.length ? among.reduce((a, b) => (of(b) > of(a) ? b : a)) : null
  const strong = worst((p) => p.state.used)
  const level = places.filter((p) => p.member.role === 'bar' && (p.r.case.id === 'cruise' || p.r.case.id === 'parked'))
  const give = (p: Place) => measuredGive(tests, p.member)
  const sag = worst((p) => Math.abs(p.state.sagMm) * give(p), level)
  const pushed = worst((p) => pushRatio(p, assembly).ratio)
  return [
    ...(strong ? [strength(strong, unknowns, rules)] : []),
    ...(sag ? [sagLimit(sag, give(sag), assembly, unknowns, rules)] : []),
    ...(pushed && pushRatio(pushed, assembly).ratio > 0.01 ? [pushLimit(pushed, assembly, unknowns, rules)] : []),
    ...jointLimits(assembly, cases, unknowns, rules),
    ...barRating(cases, feet, unknowns, vehicle, rules),
    ...bracketLimit(assembly, feet, unknowns, rules),
  ]
}

function strength({ member, state: s, r }: Place, unknowns: Input[], rules: Rules): Limit {
  const material = materialOf(profileOf(member.profileId).materialId)
  const section = profileSection(member.profileId)
  const { kind } = profileOf(member.profileId).shape
  const open = kind === 'angle' || kind === 'channel'
  return limit({
    id: 'bar.bending',
    name: 'Strength of bars and rails',
    unit: 'MPa',
    ref: member.id,
    nearRatio: rules.nearRatio,
    used: figure(
      {
        id: 'bar.stress',
        name: `${member.name} ${member.mark}, ${r.case.name}`,
        unit: 'MPa',
        formula: 'σ = √((|N|/A + |My|/Wy + |Mz|/Wz)² + 3·(T/Wt + 2·V/A)²)',
        source: `von Mises, Shigley, 10th ed., 5-5; forces: ${FRAME}`,
        assumes: [
          ...FRAME_ASSUMES,
          ...(open ? ['an open section is bent about the axes of its legs; it leans and twists as well: prove it by a load test'] : []),
        ],
        notes: [`Greatest {${Math.round(s.atMm)}} along it${s.weld ? ', beside a weld' : ''}`],
        with: [
          input('N', 'pull along it', s.axialN, 'N'),
          input('My', 'bending up and down', s.momentYNmm, 'N·mm'),
          input('Mz', 'bending aside', s.momentZNmm, 'N·mm'),
          input('T', 'twist', s.torqueNmm, 'N·mm'),
          input('V', 'shear', s.shearN, 'N'),
          input('A', 'section area', section.areaMm2, 'mm²'),
          input('Wy', 'section modulus', section.wyMm3, 'mm³'),
          input('Wz', 'section modulus, aside', section.wzMm3, 'mm³'),
          input('Wt', 'torsion modulus', section.torsionModulusMm3, 'mm³'),
          ...unknowns,
        ],
      },
      () => s.stressMPa,
    ),
    allowed: figure(
      {
        id: 'bar.allowable',
        name: `${material.name}${s.weld ? ', beside a weld' : ''}, allowable`,
        unit: 'MPa',
        formula: 'σ ≤ fy / Ω',
        source: `${material.source}; Ω: AISC 360-16 F1`,
        assumes: s.weld && material.weldedYieldMPa < material.yieldMPa ? [`soft within ${rules.weldZoneMm} mm of a weld`] : [],
        with: [
          input('fy', s.weld ? 'yield beside a weld' : 'yield', s.weld ? material.weldedYieldMPa : material.yieldMPa, 'MPa'),
          input('Ω', 'safety factor', rules.yieldSafety, ''),
        ],
      },
      () => s.allowedMPa,
    ),
    caution: engineer,
  })
}

function sagLimit({ member, state, r }: Place, give: number, assembly: Assembly, unknowns: Input[], rules: Rules): Limit {
  const feet = assembly.mounts.filter((m) => m.memberId === member.id).map((m) => m.place.y)
  const spanMm = Math.max(...feet) - Math.min(...feet)
  return limit({
    id: 'bar.sag',
    name: 'Bar sag, standing still',
    unit: 'mm',
    ref: member.id,
    nearRatio: rules.nearRatio,
    used: figure(
      {
        id: 'bar.sag',
        name: `Bar ${member.mark}, ${r.case.name}`,
        unit: 'mm',
        formula: `v = ${give > 1 ? 'k · ' : ''}movement of the frame, against the line through its feet`,
        source: give > 1 ? `${FRAME}; k: load test of this bar` : FRAME,
        assumes: FRAME_ASSUMES,
        with: [
          ...(give > 1 ? [input('k', 'its load test gave more than computed, times', give, '')] : []),
          input('E', 'elastic modulus', materialOf(profileOf(member.profileId).materialId).elasticMPa, 'MPa'),
          input('I', 'second moment of area', profileSection(member.profileId).iyMm4, 'mm⁴'),
          input('x', 'place along the bar', state.sagAtMm, 'mm'),
          ...unknowns,
        ],
      },
      () => Math.abs(state.sagMm) * give,
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
  })
}

/** A member's greatest push against what it may take between the places that hold it. */
function pushRatio({ member, state }: Place, assembly: Assembly) {
  const material = materialOf(profileOf(member.profileId).materialId)
  const s = profileSection(member.profileId)
  const [a, b] = [member.path[0], member.path[member.path.length - 1]]
  const held = [
    ...assembly.mounts.filter((m) => m.memberId === member.id).map((m) => m.place.y),
    ...(member.role === 'rail' ? loadBars(assembly).map((bar) => bar.path[0].x) : []),
  ].sort((x, y) => x - y)
  const gaps = held.slice(1).map((x, i) => x - held[i])
  const lengthMm = gaps.length ? Math.max(...gaps) : Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z)
  const may = strutMayPush({
    lengthMm,
    areaMm2: s.areaMm2,
    leastInertiaMm4: Math.min(s.iyMm4, s.izMm4),
    elasticMPa: material.elasticMPa,
    yieldMPa: state.weld ? material.weldedYieldMPa : material.yieldMPa,
    aluminium: material.group === 'aluminium',
  })
  return { ...may, lengthMm, ratio: state.pushN / may.mayN }
}

function pushLimit(place: Place, assembly: Assembly, unknowns: Input[], rules: Rules): Limit {
  const { member, state, r } = place
  const may = pushRatio(place, assembly)
  return limit({
    id: 'member.push',
    name: 'Push along a member',
    unit: 'N',
    ref: member.id,
    nearRatio: rules.nearRatio,
    used: figure(
      {
        id: 'member.push',
        name: `${member.name} ${member.mark}, ${r.case.name}`,
        unit: 'N',
        formula: 'N',
        source: FRAME,
        with: [input('N', 'push', state.pushN, 'N'), ...unknowns],
      },
      () => state.pushN,
    ),
    allowed: figure(
      {
        id: 'member.push.allowed',
        name: 'Buckling of a straight strut',
        unit: 'N',
        formula: 'N ≤ Fcr·A / Ω',
        source: 'AISC 360-16, E3; aluminium: times 0.85, Ω = 1.65 (Aluminum Design Manual 2015, E)',
        with: [
          input('L/r', 'slenderness', may.slenderness, ''),
          input('L', 'length between holds', may.lengthMm, 'mm'),
          input('Fcr', 'critical stress', may.criticalMPa, 'MPa'),
        ],
      },
      () => may.mayN,
    ),
  })
}

/** A bought bar has its maker's rating; one made here is judged by its strength alone. */
function barRating(cases: CaseResult[], feet: FootRow[], unknowns: Input[], vehicle: Vehicle, rules: Rules): Limit[] {
  if (vehicle.barKg.value === null) return []
  const level = cases.filter((r) => r.case.downG === 1 && r.case.forwardG === 0 && r.case.leftG === 0 && !r.case.windFrom)
  const bars = [...new Set(feet.map((f) => f.mount.memberId))]
  const onBar = Math.max(
    0,
    ...level.flatMap((r) =>
      bars.map((id) => feet.reduce((s, f, i) => s + (f.mount.memberId === id ? r.feetDownN[i] - f.mount.massKg * G_M_S2 : 0), 0) / G_M_S2),
    ),
  )
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
          formula: 'm = Σ R / g − feet',
          source: FRAME,
          assumes: FRAME_ASSUMES,
          with: [input('m', 'load of the most loaded bar', onBar, 'kg'), ...unknowns],
        },
        () => onBar,
      ),
    }),
  ]
}

/** A step bracket bent by the foot force times its step: at one fold, or shared by both where two bolts hold each end flat. */
function bracketLimit(assembly: Assembly, feet: FootRow[], unknowns: Input[], rules: Rules): Limit[] {
  const bracket = stepBracketOf(assembly, rules)
  if (!bracket) return []
  const { made, plate } = bracket
  const material = materialOf(plate.materialId)
  const worst = feet.reduce((a, b) => (Math.max(b.mostDownN, -b.leastDownN) > Math.max(a.mostDownN, -a.leastDownN) ? b : a))
  const F = Math.max(worst.mostDownN, -worst.leastDownN)
  const bending = bracketBending(made, F)
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
          formula: made.bothEndsHeld ? 'σ = ½·F·e / (b·t²/6)' : 'σ = F·e / (b·t²/6)',
          source: 'Gere & Goodno, 5.5: rectangular section',
          assumes: made.bothEndsHeld
            ? ['two bolts hold each end flat: the two folds share the moment']
            : ['the fold beside the foot takes the whole moment', 'one bolt at each end: the bar may turn on it'],
          with: [
            input('F', `foot force, ${worst.downCase}`, F, 'N'),
            input('e', 'step', made.reachMm, 'mm'),
            input('b', 'width', made.widthMm, 'mm'),
            input('t', 'thickness', made.thicknessMm, 'mm'),
            ...unknowns,
          ],
        },
        () => bending.stressMPa,
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
        () => bending.allowedMPa,
      ),
    }),
  ]
}
