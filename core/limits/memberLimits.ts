import { type Assembly, loadBars, type Member } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import { type Filler, fillers, filletWeldStress } from '../fasten/filletWeld'
import { figure, type Input, input, SHOP_RULE } from '../figure/figure'
import type { CaseResult, JointForce, MemberState } from '../loads/solveRack'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { strutMayPush } from '../structure/buckling'
import type { Vehicle } from '../vehicle/vehicle'
import { FRAME, FRAME_ASSUMES } from './footLimits'
import { type Limit, limit } from './limit'
import type { FootRow } from './rackLimits'
import { vehicleFigure } from './vehicleLimits'

type Place = { member: Member; state: MemberState; r: CaseResult }
const engineer = 'This checks the rack as drawn only; have racks for people, heavy plant or unusual loads signed by a licensed engineer.'

/** Strength, sag, push, welds and brackets of what is made; a bought bar by its maker's rating. */
export function memberLimits(
  assembly: Assembly,
  cases: CaseResult[],
  feet: FootRow[],
  missing: string[],
  vehicle: Vehicle,
  rules: Rules,
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
  const level = places.filter(
    (p) => p.member.role === 'bar' && (p.r.case.id === 'cruise' || p.r.case.id === 'parked') && !p.r.case.name.includes('person'),
  )
  const sag = worst((p) => Math.abs(p.state.sagMm), level)
  const pushed = worst((p) => pushRatio(p, assembly).ratio)
  return [
    ...(strong ? [strength(strong, unknowns, rules)] : []),
    ...(sag ? [sagLimit(sag, assembly, unknowns, rules)] : []),
    ...(pushed && pushRatio(pushed, assembly).ratio > 0.01 ? [pushLimit(pushed, assembly, unknowns, rules)] : []),
    ...weldLimit(assembly, cases, unknowns, rules),
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
          `greatest ${Math.round(s.atMm)} mm along it${s.weld ? ', beside a weld' : ''}`,
          ...(open ? ['an open section is bent about the axes of its legs; it leans and twists as well: prove it by a load test'] : []),
        ],
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

function sagLimit({ member, state, r }: Place, assembly: Assembly, unknowns: Input[], rules: Rules): Limit {
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
        formula: 'v = movement of the frame, against the line through its feet',
        source: FRAME,
        assumes: FRAME_ASSUMES,
        with: [
          input('E', 'elastic modulus', materialOf(profileOf(member.profileId).materialId).elasticMPa, 'MPa'),
          input('I', 'second moment of area', profileSection(member.profileId).iyMm4, 'mm⁴'),
          input('x', 'place along the bar', state.sagAtMm, 'mm'),
          ...unknowns,
        ],
      },
      () => Math.abs(state.sagMm),
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

const fillerOf = (group: string): Filler => (group === 'aluminium' ? 'aluminium, 4043' : 'steel, 70 ksi electrode')

/** Two runs along a rail's sides where it crosses a bar, each as long as the bar is wide. */
function weldLimit(assembly: Assembly, cases: CaseResult[], unknowns: Input[], rules: Rules): Limit[] {
  const all = cases.flatMap((r) =>
    r.joints.filter((j) => j.joint.kind === 'weld').map((j) => ({ r, j, ...weldStress(assembly, j, rules) })),
  )
  if (!all.length) return []
  const worst = all.reduce((a, b) => (b.stressMPa > a.stressMPa ? b : a))
  const name = worst.j.joint.between.map((id) => assembly.members.find((m) => m.id === id)?.mark ?? id).join(' to ')
  return [
    limit({
      id: 'welds',
      name: 'Welds',
      unit: 'MPa',
      ref: worst.j.joint.between[0],
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'weld.stress',
          name: `Weld ${name}, ${worst.r.case.name}`,
          unit: 'MPa',
          formula: 'τ = √(fx² + fy² + fz²) / a, f = F/L ± M·c/I',
          source: 'Shigley, 10th ed., 9-2 to 9-4: weld group as lines',
          assumes: ['two runs along the rail, as long as the bar is wide', 'the greatest force of each kind taken together'],
          with: [
            input('F', 'pull or push through it', worst.j.alongN, 'N'),
            input('V', 'shear through it', worst.j.acrossN, 'N'),
            input('M', 'bending', worst.j.bendNmm, 'N·mm'),
            input('T', 'twist', worst.j.twistNmm, 'N·mm'),
            input('z', 'leg', rules.weldLegMm, 'mm'),
            input('a', 'throat', worst.throatMm, 'mm'),
            input('L', 'length of weld', worst.lengthMm, 'mm'),
            ...unknowns,
          ],
        },
        () => worst.stressMPa,
      ),
      allowed: figure(
        {
          id: 'weld.allowed',
          name: `Throat, ${worst.filler}`,
          unit: 'MPa',
          formula: 'τ ≤ Fw / Ω',
          source: fillers[worst.filler].source,
          with: [],
        },
        () => fillers[worst.filler].allowedMPa,
      ),
      caution: 'A weld is as good as the welder: let a coded welder make what people or traffic depend on.',
    }),
  ]
}

function weldStress(assembly: Assembly, j: JointForce, rules: Rules) {
  const [rail, bar] = j.joint.between.map((id) => assembly.members.find((m) => m.id === id))
  const across = rail ? profileSection(rail.profileId).widthMm : 25
  const along = bar ? profileSection(bar.profileId).widthMm : 25
  const runs = [-1, 1].map((side) => ({ x1: -along / 2, y1: (side * across) / 2, x2: along / 2, y2: (side * across) / 2 }))
  const filler = fillerOf(rail ? materialOf(profileOf(rail.profileId).materialId).group : 'steel')
  return {
    filler,
    ...filletWeldStress(runs, rules.weldLegMm, { fx: j.acrossN, fy: 0, fz: j.alongN, mx: j.bendNmm, my: 0, mz: j.twistNmm }),
  }
}

/** A bought bar has its maker's rating; one made here is judged by its strength alone. */
function barRating(cases: CaseResult[], feet: FootRow[], unknowns: Input[], vehicle: Vehicle, rules: Rules): Limit[] {
  if (vehicle.barKg.value === null) return []
  const level = cases.filter((r) => r.case.downG === 1 && r.case.forwardG === 0 && r.case.leftG === 0 && !r.case.wind)
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

/** A step bracket bends like a short cantilever: foot force times step, over b·t²/6. */
function bracketLimit(assembly: Assembly, feet: FootRow[], unknowns: Input[], rules: Rules): Limit[] {
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
            ...unknowns,
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
