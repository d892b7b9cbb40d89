import type { Assembly, Joint } from '../assembly/assembly'
import { type BoltSize, boltSizes } from '../catalogue/bolts'
import type { Material } from '../catalogue/materials'
import { boltMayN, boltTogether, holeBearing, tearOutN } from '../fasten/bolt'
import { clampGripN } from '../fasten/clampGrip'
import { besideWeldMPa, countingLegMm, type Filler, fillers, filletWeldWorst, type WeldGroup, weldGroup } from '../fasten/filletWeld'
import { figure } from '../figure/figure'
import { greatest } from '../figure/greatest'
import type { CaseResult, JointForce } from '../loads/caseResult'
import type { Rules } from '../rules/rules'
import { FRAME } from './footLimits'
import { type JoinedPart, partsOf, weldRuns } from './joinedParts'
import { allOfIt, type Limit, limit } from './limit'

/** What the limits of joints between members are worked out from. */
export type JointsGiven = { assembly: Assembly; cases: CaseResult[]; lacks: string[]; rules: Rules; own: (id: string) => boolean }
type At = { r: CaseResult; j: JointForce; parts: JoinedPart[] }

/** Welds, the metal beside them, bolts between members, what is bought and rated, and joints for which there is no rule. */
export const jointLimits = (given: JointsGiven): Limit[] => [
  ...weldLimits(given),
  ...boltLimit(given),
  ...collarLimit(given),
  ...ratedLimit(given),
  ...notChecked(given),
]

const among = ({ assembly, cases, own }: JointsGiven, kinds: JointForce['joint']['kind'][]): At[] =>
  cases.flatMap((r) =>
    r.joints.filter((j) => kinds.includes(j.joint.kind) && own(j.joint.id)).map((j) => ({ r, j, parts: partsOf(assembly, j.joint) })),
  )
const nameOf = ({ parts }: At): string => parts.map((m) => m.mark).join(' to ')

const fillerOf = (group: Material['group']): Filler => (group === 'aluminium' ? 'aluminium, 4043' : 'steel, 70 ksi electrode')

/**
 * Throat and metal of one weld: two runs along the first part's sides, each as long as the second is wide, or the pattern that the joint says; the greatest of
 * each force and moment taken together, both ways of bending. MPa
 */
export function weldStress(of: Pick<At, 'j' | 'parts'>, rules: Rules): WeldStress {
  const kept = stresses.get(of.j)
  if (kept?.rules === rules) return kept.found
  const found = findWeldStress(of, rules)
  stresses.set(of.j, { rules, found })
  return found
}
/** Asked by the weld, by the metal beside it and by fatigue. */
const stresses = new WeakMap<JointForce, { rules: Rules; found: WeldStress }>()
type WeldStress = ReturnType<typeof findWeldStress>

function findWeldStress({ j, parts }: Pick<At, 'j' | 'parts'>, rules: Rules) {
  const made = madeOf(j.joint, parts, rules)
  const worst = filletWeldWorst(made.group, made.legMm, {
    fx: j.acrossYN,
    fy: j.acrossZN,
    fz: j.alongN,
    mx: j.bendYNmm,
    my: j.bendZNmm,
    mz: j.twistNmm,
  })
  // what is ground off is gone from the throat; the leg's face carries the same force a length as the whole throat did, over the leg
  const kept = j.joint.flush ? rules.flushThroatShare : 1
  const leg = worst.stressMPa * Math.SQRT1_2
  return {
    ...worst,
    kept,
    throatMm: worst.throatMm * kept,
    stressMPa: worst.stressMPa / kept,
    filler: made.filler,
    legMm: made.legMm,
    besideMPa: made.besideMPa,
    legStressMPa: leg,
  }
}

/** What of a weld no load changes, kept with its parts: every case asks for it. */
type MadeWeld = { group: WeldGroup; legMm: number; besideMPa: number; filler: Filler }
const madeWelds = new WeakMap<JoinedPart[], { rules: Rules; made: MadeWeld }>()
function madeOf(joint: Joint, parts: JoinedPart[], rules: Rules): MadeWeld {
  const kept = madeWelds.get(parts)
  if (kept?.rules === rules) return kept.made
  const { alongMm: along, apartMm: apart, allRound } = weldRuns(joint, parts)
  const walls = parts.flatMap((p) => p.wallMm ?? [])
  const metals = parts.map((p) => p.material)
  const sides = [-1, 1].map((side) => ({ x1: -along / 2, y1: (side * apart) / 2, x2: along / 2, y2: (side * apart) / 2 }))
  const ends = [-1, 1].map((side) => ({ x1: (side * along) / 2, y1: -apart / 2, x2: (side * along) / 2, y2: apart / 2 }))
  const made = {
    group: weldGroup(allRound ? [...sides, ...ends] : sides),
    legMm: countingLegMm(joint.weld?.legMm ?? rules.weldLegMm, walls.length ? Math.min(...walls) : null),
    besideMPa: Math.min(
      ...metals.map((m) =>
        besideWeldMPa({ aluminium: m.group === 'aluminium', tensileMPa: m.tensileMPa, weldedTensileMPa: m.weldedTensileMPa }),
      ),
    ),
    filler: fillerOf(metals[0]?.group ?? 'steel'),
  }
  madeWelds.set(parts, { rules, made })
  return made
}

function weldLimits(given: JointsGiven): Limit[] {
  const { rules, lacks } = given
  const all = among(given, ['weld']).map((a) => ({ ...a, w: weldStress(a, rules) }))
  if (!all.length) return []
  const throat = all.reduce((a, b) => (b.w.stressMPa > a.w.stressMPa ? b : a))
  const metal = all.reduce((a, b) => (b.w.legStressMPa / b.w.besideMPa > a.w.legStressMPa / a.w.besideMPa ? b : a))
  const thin = throat.w.legMm < (throat.j.joint.weld?.legMm ?? rules.weldLegMm) ? [`a leg counts no more than the thinner wall`] : []
  const rated = fillers[throat.w.filler]
  return [
    limit({
      id: 'welds',
      name: 'Welds',
      group: 'rack',
      unit: 'MPa',
      ref: throat.j.joint.between[0] ?? null,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'weld.stress',
          name: `Weld ${nameOf(throat)}, ${throat.r.case.name}`,
          unit: 'MPa',
          formula: 'τ = q / (k·z/√2), q = √(fx² + fy² + fz²), f = F/L ± M·c/I',
          source: 'Shigley, 10th ed., 9-2 to 9-4: weld group as lines',
          assumes: [
            throat.j.joint.weld ? 'runs as the drawing says' : 'two runs along the first part, as long as the second is wide',
            'the greatest force of each kind taken together',
            ...thin,
          ],
          with: {
            q: [throat.w.stressMPa * throat.w.throatMm, 'N/mm', 'force on a length of weld, from all of these'],
            z: [throat.w.legMm, 'gauge', 'leg that counts'],
            k: [throat.w.kept, '', throat.w.kept < 1 ? 'share of the throat left, ground flush' : 'left as it was welded'],
            F: [throat.j.alongN, 'N', 'pull or push through it'],
            V: [throat.j.acrossN, 'N', 'shear through it'],
            M: [throat.j.bendNmm, 'N·mm', 'bending, both ways'],
            T: [throat.j.twistNmm, 'N·mm', 'twist'],
            L: [throat.w.lengthMm, 'mm', 'length of weld'],
          },
          lacks,
        },
        ({ q, z, k }) => q / (k * z * Math.SQRT1_2),
      ),
      allowed: figure(
        {
          id: 'weld.allowed',
          name: `Throat, ${throat.w.filler}`,
          unit: 'MPa',
          formula: 'τ ≤ Fw / Ω',
          source: rated.source,
          with: { τ: [rated.allowedMPa, 'MPa', 'what the throat may carry'] },
        },
        ({ τ }) => τ,
      ),
      caution: 'A weld is as good as the welder: let a coded welder make what people or traffic depend on.',
    }),
    limit({
      id: 'welds.metal',
      name: 'Metal beside the welds',
      group: 'rack',
      unit: 'MPa',
      ref: metal.j.joint.between[0] ?? null,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'weld.metal',
          name: `Beside weld ${nameOf(metal)}, ${metal.r.case.name}`,
          unit: 'MPa',
          formula: 'τ = q / z',
          source: 'AISC 360-16, J2.4: base metal on the leg of the weld',
          with: {
            q: [metal.w.stressMPa * metal.w.throatMm, 'N/mm', 'force on a length of weld'],
            z: [metal.w.legMm, 'gauge', 'leg that counts'],
          },
          lacks,
        },
        ({ q, z }) => q / z,
      ),
      allowed: figure(
        {
          id: 'weld.metal.allowed',
          name: 'Weaker of the two metals, as welded',
          unit: 'MPa',
          formula: 'τ ≤ 0.6·fu / Ω',
          source: 'AISC 360-16, J4.2b, Ω = 2.0; aluminium: Aluminum Design Manual 2015, J.2.2, Ω = 1.95',
          with: { τ: [metal.w.besideMPa, 'MPa', 'what it may carry'] },
        },
        ({ τ }) => τ,
      ),
    }),
  ]
}

const GRADE = 'A2-70'
type Bears = { holdsN: number; missing: null } | { holdsN: null; missing: string }
type Bolted = At & { tensionN: number; shearN: number; mayTensionN: number; mayShearN: number; bears: Bears }
const usedOf = (v: { Ft: number; Fv: number; FtR: number; FvR: number; FbR: number }): number =>
  Math.max(boltTogether(v.Ft, v.Fv, v.FtR, v.FvR), v.Fv / v.FbR)

/** Bolts through rail and bar: pull with prying over half the narrower part, shear shared alike, and the thinner wall bearing on them or tearing out. */
function boltLimit(given: JointsGiven): Limit[] {
  const { rules, lacks } = given
  // what its walls bear is the same in every case
  const kept = new Map<Joint, Bears>()
  const bears = ({ j, parts }: At, size: BoltSize): Bears => {
    const found = kept.get(j.joint) ?? bearing(parts, j, size, rules)
    kept.set(j.joint, found)
    return found
  }
  const all = among(given, ['bolt', 'hinge', 'pin']).flatMap((a) => boltedForces(a, bears, rules))
  const used = (b: Bolted) =>
    usedOf({ Ft: b.tensionN, Fv: b.shearN, FtR: b.mayTensionN, FvR: b.mayShearN, FbR: b.bears.holdsN ?? Number.POSITIVE_INFINITY })
  const worst = greatest(all, used)
  if (!worst) return []
  const unrated = all.find((b) => b.bears.holdsN === null)
  const { joint } = worst.j
  return [
    limit({
      id: 'joint.bolts',
      name: 'Bolts between members',
      group: 'rack',
      unit: '',
      ref: joint.between[0] ?? null,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'joint.bolts',
          name: `${joint.bolts?.count} × ${joint.bolts?.size} ${GRADE}, ${nameOf(worst)}, ${worst.r.case.name}`,
          unit: '',
          formula: 'max(Ft/Ft,R ; Fv/Fv,R + Ft/(1.4·Ft,R) ; Fv/Fb,R)',
          source: `EN 1993-1-8, table 3.4; tearing out: AISC 360-16, J4.3; forces: ${FRAME}`,
          assumes: ['bolts share alike; bending is pried over half of the narrower part', 'the weaker wall bears or tears, edges as drawn'],
          with: {
            Ft: [worst.tensionN, 'N', 'pull on one bolt'],
            Fv: [worst.shearN, 'N', 'shear on one bolt'],
            'Ft,R': [worst.mayTensionN, 'N', 'pull it may take'],
            'Fv,R': [worst.mayShearN, 'N', 'shear it may take'],
            'Fb,R': [unrated ? null : worst.bears.holdsN, 'N', unrated?.bears.missing ?? 'what the wall bears'],
          },
          lacks,
        },
        (v) => usedOf({ Ft: v.Ft, Fv: v.Fv, FtR: v['Ft,R'], FvR: v['Fv,R'], FbR: v['Fb,R'] }),
      ),
      allowed: allOfIt('joint.bolts.allowed', 'EN 1993-1-8, table 3.4'),
    }),
  ]
}

function boltedForces(a: At, bears: (a: At, size: BoltSize) => Bears, rules: Rules): Bolted[] {
  const { j, parts } = a
  const { bolts, gusset } = j.joint
  if (!bolts || !parts.length) return []
  const may = boltMayN(bolts.size, GRADE, rules.loadFactor)
  // prying works over the rows of a pattern, or over the narrower part
  const wide = bolts.apartMm ?? Math.min(...parts.map((m) => m.widthMm))
  // the pair of a gusset stands as far apart as its plate leaves room for, and takes the twist as a couple
  const arm = gusset ? 0.6 * gusset.sideMm : (bolts.apartMm ?? 0)
  return [
    {
      ...a,
      tensionN: (j.alongN + j.bendNmm / (wide / 2)) / bolts.count,
      shearN: j.acrossN / bolts.count + (arm > 0 ? j.twistNmm / arm : 0),
      mayTensionN: may.tensionN,
      mayShearN: may.shearN,
      bears: bears(a, bolts.size),
    },
  ]
}

/**
 * The least that either wall bears, its hole as far from the end as the joint is, or tears out towards that end. Not known where a slot holds the bolt, and
 * none where the hole leaves less than 1.2 hole diameters to an edge (EN 1993-1-8, table 3.3).
 */
function bearing(parts: JoinedPart[], j: JointForce, size: BoltSize, rules: Rules): Bears {
  const holeMm = boltSizes[size].diameterMm + 1
  let least = Number.POSITIVE_INFINITY
  for (const [i, m] of parts.entries()) {
    const edgeMm = m.widthMm / 2
    // a hole in a flat part is taken in the middle of its narrower side
    const endMm = m.member ? (j.fromEndMm[i] ?? 0) : edgeMm
    if (m.wallMm === null) {
      // a slot holds what its maker lets one nut hold
      if (rules.tNutN <= 0) return { holdsN: null, missing: `what the slot of ${m.mark} holds, by its maker` }
      least = Math.min(least, rules.tNutN)
      continue
    }
    if (Math.min(edgeMm, endMm) < 1.2 * holeMm)
      return { holdsN: null, missing: `a joint with room for its holes: ${size} leaves too little edge in ${m.mark}` }
    const wall = { size, thicknessMm: m.wallMm, endMm, sheetTensileMPa: m.material.tensileMPa }
    least = Math.min(
      least,
      holeBearing({ ...wall, grade: GRADE, edgeMm, loadFactor: rules.loadFactor }),
      tearOutN({ ...wall, walls: m.walls }),
    )
  }
  return { holdsN: least, missing: null }
}

/** Collars that only their grip keeps from sliding and turning on a tube: all that acts, as if all of it tried to slide them; a moment over half the tube's width. */
function collarLimit(given: JointsGiven): Limit[] {
  const { lacks, rules } = given
  const all = among(given, ['clamp']).flatMap((a) => {
    const { collar } = a.j.joint
    const acrossMm = a.parts[1]?.widthMm ?? a.parts[0]?.widthMm ?? 25
    return collar
      ? [{ a, collar, acrossMm, forceN: Math.hypot(a.j.alongN, a.j.acrossN), momentNmm: Math.hypot(a.j.bendNmm, a.j.twistNmm) }]
      : []
  })
  const slipN = (x: (typeof all)[number]) => x.forceN + x.momentNmm / (x.acrossMm / 2)
  const gripN = (x: (typeof all)[number]) => clampGripN(x.collar.size, x.collar.count, rules)
  const worst = greatest(all, (x) => slipN(x) / (gripN(x).value ?? 1))
  if (!worst) return []
  return [
    limit({
      id: 'joint.collar',
      name: 'Collars on tubes, sliding',
      group: 'rack',
      unit: 'N',
      ref: worst.a.j.joint.between[0],
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'joint.collar',
          name: `Collar ${nameOf(worst.a)}, ${worst.a.r.case.name}`,
          unit: 'N',
          formula: 'F = √(N² + V²) + √(M² + T²) / (d/2)',
          source: `statics of a grip, on the high side; forces: ${FRAME}`,
          assumes: ['all of it tries to slide or turn the collar'],
          with: {
            N: [worst.a.j.alongN, 'N', 'along it'],
            V: [worst.a.j.acrossN, 'N', 'across it'],
            M: [worst.a.j.bendNmm, 'N·mm', 'bending'],
            T: [worst.a.j.twistNmm, 'N·mm', 'twist'],
            d: [worst.acrossMm, 'mm', 'width of the tube that is gripped'],
          },
          lacks,
        },
        ({ N, V, M, T, d }) => Math.hypot(N, V) + Math.hypot(M, T) / (d / 2),
      ),
      allowed: gripN(worst),
      caution: 'Grip fades as paint and linings settle: tighten collars again after the first 50 km.',
    }),
  ]
}

/** A latch or the like that is bought: all that goes through it against what its maker lets it hold; one without a rating governs. */
function ratedLimit({ cases, lacks, rules, own }: JointsGiven): Limit[] {
  const all = cases.flatMap((r) =>
    r.joints.flatMap((j) => {
      const { rated } = j.joint
      return rated && own(j.joint.id) ? [{ r, j, rated, forceN: Math.hypot(j.alongN, j.acrossN) }] : []
    }),
  )
  const worst = greatest(all, (a) => (a.rated.holdsN === null ? 1e9 + a.forceN : a.forceN / Math.max(1e-9, a.rated.holdsN)))
  if (!worst) return []
  return [
    limit({
      id: 'joint.rated',
      name: 'What is bought to hold parts together',
      group: 'rack',
      unit: 'N',
      ref: worst.j.joint.between[0],
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'joint.rated',
          name: `${worst.j.joint.kind}, ${worst.r.case.name}`,
          unit: 'N',
          formula: 'F = √(N² + V²)',
          source: FRAME,
          with: { N: [worst.j.alongN, 'N', 'along it'], V: [worst.j.acrossN, 'N', 'across it'] },
          lacks,
        },
        ({ N, V }) => Math.hypot(N, V),
      ),
      allowed: figure(
        {
          id: 'joint.rated.allowed',
          name: 'By its maker',
          unit: 'N',
          formula: 'as given',
          source: worst.rated.by,
          with: { R: [worst.rated.holdsN, 'N', worst.rated.what] },
        },
        ({ R }) => R,
      ),
    }),
  ]
}

/** A joint for which there is no rule is named, never passed over: between two parts of ours, or with something fitted whole that has no rating. */
function notChecked(given: JointsGiven): Limit[] {
  const { assembly, rules, own } = given
  const parts = new Map([...assembly.members, ...assembly.plates, ...assembly.fittings].map((p) => [p.id, p.mark]))
  const ours = new Set([...assembly.members, ...assembly.plates].map((p) => p.id))
  const open = assembly.joints.filter((j) => {
    if (!own(j.id) || !j.between.every((id) => parts.has(id))) return false
    // what its maker put together is his
    if (j.between.every((id) => !ours.has(id))) return false
    const bolted = j.kind === 'bolt' || j.kind === 'hinge' || j.kind === 'pin'
    // bolts into something bought are ours, and what they hold of it is its maker's
    return !j.rated && !j.collar && !((j.kind === 'weld' && j.between.every((id) => ours.has(id))) || (bolted && j.bolts))
  })
  if (!open.length) return []
  const figureOf = (id: string, name: string) =>
    figure(
      {
        id,
        name,
        unit: '',
        formula: 'no rule',
        source: 'not assessed',
        with: {},
        lacks: open.map((j) => `strength of the ${j.kind} ${j.between.map((id) => parts.get(id)).join(' to ')}`),
      },
      () => 0,
    )
  return [
    limit({
      id: 'joints.open',
      name: 'Joints without a rule',
      group: 'rack',
      unit: '',
      nearRatio: rules.nearRatio,
      used: figureOf('joints.open', 'Joints that are not assessed'),
      allowed: allOfIt('joints.open.allowed', 'its maker, a load test or an engineer'),
    }),
  ]
}
