import { type Assembly, bearingMembers, type Member, memberLengthMm } from '../assembly/assembly'
import { bracketOf } from '../assembly/fittedBracket'
import { carriedAtMm, unheldMm } from '../assembly/heldAt'
import { sectionAt } from '../assembly/notch'
import { materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import { bracketUnder } from '../fasten/bracket'
import { figure, type Input, SHOP_RULE } from '../figure/figure'
import { greatest } from '../figure/greatest'
import type { CaseResult } from '../loads/caseResult'
import { bendingMPa, type MemberState } from '../loads/memberState'
import { type LoadTest, measuredGive } from '../loadTest/loadTest'
import { G_M_S2 } from '../quantity/units'
import type { Rules } from '../rules/rules'
import { keepsUpright, strutMayPush } from '../structure/buckling'
import type { Vehicle } from '../vehicle/vehicle'
import { allowableFigure } from './allowable'
import { FRAME, FRAME_ASSUMES } from './footLimits'
import type { FootRow } from './footRow'
import { type Limit, limit } from './limit'
import { vehicleFigure } from './vehicleFigure'

export type MembersGiven = {
  assembly: Assembly
  cases: CaseResult[]
  feet: FootRow[]
  lacks: string[]
  vehicle: Vehicle
  rules: Rules
  tests: LoadTest[]
  own: (id: string) => boolean
}
type Place = { member: Member; state: MemberState; r: CaseResult }
const engineer = 'This checks the rack as drawn only; have racks for people, heavy plant or unusual loads signed by a licensed engineer.'

/** Strength, sag, push and brackets of what is made; a bought bar by its maker's rating. */
export function memberLimits(given: MembersGiven): Limit[] {
  const { assembly, cases, tests, rules, own } = given
  const byId = new Map(assembly.members.filter((m) => own(m.id)).map((m) => [m.id, m]))
  const carrying = new Set(bearingMembers(assembly).map((m) => m.id))
  const places = cases.flatMap((r) =>
    r.members.flatMap((state): Place[] => {
      const member = byId.get(state.memberId)
      return member ? [{ member, state, r }] : []
    }),
  )
  const worst = (of: (p: Place) => number, among = places): Place | null => greatest(among, of)
  const upright = new Map(assembly.members.map((m) => [m.id, leans(m, assembly)]))
  const share = (p: Place) => upright.get(p.member.id)?.share ?? 1
  const strong = worst((p) => p.state.used / share(p))
  const level = places.filter((p) => carrying.has(p.member.id) && (p.r.case.id === 'cruise' || p.r.case.id === 'parked'))
  const give = (p: Place) => measuredGive(tests, p.member, rules)
  const sag = worst((p) => (Math.abs(p.state.sagMm) * give(p)) / (sagSpan(p, assembly).mm || 1), level)
  const mayPush = new Map<string, number>()
  const pushed = worst((p) => {
    const key = `${p.member.id} ${p.state.weld}`
    const mayN = mayPush.get(key) ?? pushRatio(p, assembly).mayN
    mayPush.set(key, mayN)
    return p.state.pushN / mayN
  })
  return [
    ...(strong ? [strength(strong, share(strong), given)] : []),
    ...(sag ? [sagLimit(sag, give(sag), given)] : []),
    ...(pushed && pushRatio(pushed, assembly).ratio > 0.01 ? [pushLimit(pushed, given)] : []),
    ...barRating(given),
    ...bracketLimit(given),
  ]
}

/** A thin or open section leans over before it yields; null for tubes and bars that do not. */
function leans(member: Member, assembly: Assembly): { share: number; criticalNmm: number } | null {
  const { shape, materialId } = profileOf(member.profileId)
  if (shape.kind !== 'flat' && shape.kind !== 'angle' && shape.kind !== 'channel') return null
  const s = profileSection(member.profileId)
  const { elasticMPa, shearMPa, yieldMPa } = materialOf(materialId)
  return keepsUpright({
    lengthMm: unheldMm(member, assembly),
    leastInertiaMm4: s.leastMm4,
    torsionMm4: s.torsionMm4,
    elasticMPa,
    shearMPa,
    yieldMomentNmm: s.wyMm3 * yieldMPa,
  })
}

function strength({ member, state: s, r }: Place, share: number, { lacks, rules }: MembersGiven): Limit {
  const material = materialOf(profileOf(member.profileId).materialId)
  const section = sectionAt(member, s.atMm)
  const notched = section.heightMm < profileSection(member.profileId).heightMm - 1e-9
  const angled = section.corners.length > 0
  return limit({
    id: 'bar.bending',
    name: 'Strength of members',
    group: 'rack',
    unit: 'MPa',
    ref: member.id,
    nearRatio: rules.nearRatio,
    used: figure(
      {
        id: 'bar.stress',
        name: `${member.name} ${member.mark}, ${r.case.name}`,
        unit: 'MPa',
        formula: 'σ = √((|N|/A + σb)² + 3·(T/Wt + 2·V/A)²)',
        source: `von Mises, Shigley, 10th ed., 5-5; forces: ${FRAME}`,
        assumes: [
          ...FRAME_ASSUMES,
          r.hold === 'free' ? 'the bar turning on its feet is the worse' : 'the bar clamped by its feet is the worse',
          ...(angled ? ['σb about the angle’s own axes, whichever way its legs point'] : ['σb = |My|/Wy + |Mz|/Wz']),
        ],
        notes: [`Greatest {${Math.round(s.atMm)}} along it${s.weld ? ', beside a weld' : ''}${notched ? ', in a notch' : ''}`],
        with: {
          N: [s.axialN, 'N', 'pull along it'],
          My: [s.momentYNmm, 'N·mm', 'bending up and down'],
          Mz: [s.momentZNmm, 'N·mm', 'bending aside'],
          T: [s.torqueNmm, 'N·mm', 'twist'],
          V: [s.shearN, 'N', 'shear'],
          A: [section.areaMm2, 'mm²', 'section area'],
          Wt: [section.torsionModulusMm3, 'mm³', 'torsion modulus'],
          Wy: [section.wyMm3, 'mm³', 'section modulus'],
          Wz: [section.wzMm3, 'mm³', 'section modulus, aside'],
        },
        lacks,
      },
      ({ N, My, Mz, T, V, A, Wt }) =>
        Math.sqrt((Math.abs(N) / A + bendingMPa(My, Mz, section)) ** 2 + 3 * (Math.abs(T) / Wt + (2 * V) / A) ** 2),
    ),
    allowed: figure(
      {
        id: 'bar.allowable',
        name: `${material.name}${s.weld ? ', beside a weld' : ''}, allowable`,
        unit: 'MPa',
        formula: share < 1 ? 'σ ≤ χ·fy / Ω' : 'σ ≤ fy / Ω',
        source: `${material.source}; Ω: AISC 360-16 F1${share < 1 ? '; χ: Timoshenko & Gere, 6.2, and EN 1993-1-1, 6.3.2.2' : ''}`,
        assumes: [
          ...(s.weld && material.weldedYieldMPa < material.yieldMPa ? [`soft within {${rules.weldZoneMm}} of a weld`] : []),
          ...(share < 1 ? ['it may lean over between its feet: nothing holds its upper edge'] : []),
        ],
        with: {
          fy: [s.weld ? material.weldedYieldMPa : material.yieldMPa, 'MPa', s.weld ? 'yield beside a weld' : 'yield'],
          Ω: [rules.yieldSafety, '', 'safety factor'],
          χ: [share, '', 'share kept before it leans over'],
        },
      },
      ({ fy, Ω, χ }) => (χ * fy) / Ω,
    ),
    caution: engineer,
  })
}

/** What a member's movement is measured against: its span between what holds it, or twice what reaches past the last (IBC 2021, table 1604.3, note i). mm */
function sagSpan({ member, state }: Place, assembly: Assembly): { mm: number; says: string } {
  const held = carriedAtMm(member, assembly)
  const [first, last] = [held[0], held[held.length - 1]]
  if (first === undefined || last === undefined) return { mm: 0, says: 'span between what holds it' }
  const pastMm = Math.max(first - state.sagAtMm, state.sagAtMm - last)
  // the movement past a hold grows to the very end: its reach is to there
  const reachMm = state.sagAtMm < first ? first : memberLengthMm(member) - last
  return pastMm > 0.5
    ? { mm: 2 * reachMm, says: 'twice what reaches past its last hold' }
    : { mm: last - first, says: 'span between what holds it' }
}

function sagLimit(place: Place, give: number, { assembly, lacks, rules }: MembersGiven): Limit {
  const { member, state, r } = place
  const span = sagSpan(place, assembly)
  return limit({
    id: 'bar.sag',
    name: 'Sag of what carries, standing still',
    group: 'rack',
    unit: 'gauge',
    ref: member.id,
    nearRatio: rules.nearRatio,
    used: figure(
      {
        id: 'bar.sag',
        name: `${member.name} ${member.mark}, ${r.case.name}`,
        unit: 'gauge',
        formula: 'v = k·w, w: movement of the frame, against the line through its feet',
        source: give === 1 ? FRAME : `${FRAME}; k: load test of this bar`,
        assumes: [...FRAME_ASSUMES, 'a load test of the bar says what its feet really clamp'],
        with: {
          k: [give, '', give === 1 ? 'no load test says otherwise' : 'what its load test gave, times the computed'],
          w: [Math.abs(state.sagMm), 'gauge', 'movement'],
          E: [materialOf(profileOf(member.profileId).materialId).elasticMPa, 'MPa', 'elastic modulus'],
          I: [profileSection(member.profileId).iyMm4, 'mm⁴', 'second moment of area'],
          x: [state.sagAtMm, 'mm', 'place along the bar'],
        },
        lacks,
      },
      ({ k, w }) => k * w,
    ),
    allowed: figure(
      {
        id: 'bar.sag.allowed',
        name: 'Span over ratio',
        unit: 'gauge',
        formula: 'v ≤ L / n',
        source: SHOP_RULE,
        with: { L: [span.mm > 0 ? span.mm : null, 'mm', span.says], n: [rules.sagRatio, '', 'ratio'] },
      },
      ({ L, n }) => L / n,
    ),
  })
}

/** A member's greatest push against what it may take between the places that hold it. */
function pushRatio({ member, state }: Place, assembly: Assembly) {
  const material = materialOf(profileOf(member.profileId).materialId)
  const s = profileSection(member.profileId)
  const lengthMm = unheldMm(member, assembly)
  const may = strutMayPush({
    lengthMm,
    areaMm2: s.areaMm2,
    leastInertiaMm4: s.leastMm4,
    elasticMPa: material.elasticMPa,
    yieldMPa: state.weld ? material.weldedYieldMPa : material.yieldMPa,
    aluminium: material.group === 'aluminium',
  })
  return { ...may, lengthMm, ratio: state.pushN / may.mayN }
}

function pushLimit(place: Place, { assembly, lacks, rules }: MembersGiven): Limit {
  const { member, state, r } = place
  const may = pushRatio(place, assembly)
  const { areaMm2 } = profileSection(member.profileId)
  const aluminium = materialOf(profileOf(member.profileId).materialId).group === 'aluminium'
  return limit({
    id: 'member.push',
    name: 'Push along a member',
    group: 'rack',
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
        with: { N: [state.pushN, 'N', 'push'] },
        lacks,
      },
      ({ N }) => N,
    ),
    allowed: figure(
      {
        id: 'member.push.allowed',
        name: 'Buckling of a straight strut',
        unit: 'N',
        formula: 'N ≤ Fcr·A / Ω',
        source: 'AISC 360-16, E3; aluminium: times 0.85, Ω = 1.65 (Aluminum Design Manual 2015, E)',
        with: {
          Fcr: [may.criticalMPa, 'MPa', 'critical stress'],
          A: [areaMm2, 'mm²', 'section area'],
          Ω: [aluminium ? 1.65 : 1.67, '', 'safety factor'],
          'L/r': [may.slenderness, '', 'slenderness'],
          L: [may.lengthMm, 'mm', 'length between holds'],
        },
      },
      ({ Fcr, A, Ω }) => (Fcr * A) / Ω,
    ),
  })
}

/** A bought bar has its maker's rating; one made here is judged by its strength alone. */
function barRating({ cases, feet, lacks, vehicle, rules }: MembersGiven): Limit[] {
  if (vehicle.barKg.value === null) return []
  const level = cases.filter((r) => r.case.id === 'cruise' || r.case.id === 'parked')
  const bars = [...new Set(feet.map((f) => f.mount.on))]
  const onBar = (r: CaseResult, id: string) =>
    feet.reduce((s, f) => s + (f.mount.on === id ? r.feetDownN[f.index]! - f.mount.massKg * G_M_S2 : 0), 0) / G_M_S2
  return [
    limit({
      id: 'bar.rating',
      name: 'Bar, by its rating',
      group: 'rack',
      unit: 'kg',
      nearRatio: rules.nearRatio,
      allowed: vehicleFigure(vehicle, 'barKg', 'kg'),
      used: figure(
        {
          id: 'bar.load',
          name: 'Most on one bar, standing or level',
          unit: 'kg',
          formula: 'm = max Σ R / g − feet',
          source: FRAME,
          assumes: FRAME_ASSUMES,
          with: { m: level.flatMap((r) => bars.map((id): Input => [onBar(r, id), 'kg', `load of one bar, ${r.case.name}`])) },
          lacks,
        },
        ({ m }) => Math.max(0, ...m),
      ),
    }),
  ]
}

/** A step bracket bent by all that its foot takes: down by its step, across by its rise, along by both; at one fold, or shared where two bolts hold each end flat. */
function bracketLimit({ assembly, cases, feet, lacks, rules }: MembersGiven): Limit[] {
  const on = feet.flatMap((f) => {
    const bracket = bracketOf(f.mount, assembly, rules)
    return bracket ? [{ f, ...bracket }] : []
  })
  const all = cases.flatMap((r) =>
    on.map((o) => {
      const force = r.feet[o.f.index]!
      return { r, ...o, downN: Math.abs(force.downN), acrossN: Math.abs(force.leftN), alongN: Math.abs(force.forwardN) }
    }),
  )
  const worst = greatest(all, (x) => bracketUnder(x.made, x).used)
  if (!worst) return []
  const { made, plate } = worst
  const material = materialOf(plate.materialId)
  const share = made.bothEndsHeld ? 0.5 : 1
  return [
    limit({
      id: 'bracket',
      name: 'Step bracket bending',
      group: 'rack',
      unit: 'MPa',
      ref: worst.f.mount.id,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'bracket.stress',
          name: `Bracket at ${worst.f.mount.mark}, ${worst.r.case.name}`,
          unit: 'MPa',
          formula: 'σ = k·((Fz·e + Fy·h) / (b·t²/6) + Fx·√(e² + h²) / (t·b²/6))',
          source: 'Gere & Goodno, 5.5: rectangular section',
          assumes: made.bothEndsHeld
            ? ['two bolts hold each end flat: the two folds share the moment']
            : ['the fold beside the foot takes the whole moment', 'one bolt at each end: the bar may turn on it'],
          with: {
            Fz: [worst.downN, 'N', 'foot force, down or up'],
            Fy: [worst.acrossN, 'N', 'foot force, across'],
            Fx: [worst.alongN, 'N', 'foot force, along'],
            e: [made.reachMm, 'mm', 'step'],
            h: [made.riseMm ?? 0, 'mm', 'rise'],
            b: [made.widthMm, 'mm', 'width'],
            t: [made.thicknessMm, 'gauge', 'thickness'],
            k: [share, '', 'share that one fold takes'],
          },
          lacks,
        },
        ({ Fz, Fy, Fx, e, h, b, t, k }) => k * ((Fz * e + Fy * h) / ((b * t ** 2) / 6) + (Fx * Math.hypot(e, h)) / ((t * b ** 2) / 6)),
      ),
      allowed: allowableFigure('bracket.allowable', material, rules),
    }),
  ]
}
