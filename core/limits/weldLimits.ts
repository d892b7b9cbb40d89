import type { Joint } from '../assembly/assembly'
import type { Material } from '../catalogue/materials'
import { besideWeldMPa, countingLegMm, type Filler, fillers, filletWeldWorst, type WeldGroup, weldGroup } from '../fasten/filletWeld'
import { figure } from '../figure/figure'
import type { JointForce } from '../loads/caseResult'
import type { Rules } from '../rules/rules'
import { type JoinedPart, weldRuns } from './joinedParts'
import { type JointAt, type JointsGiven, jointName, jointsAmong } from './jointsGiven'
import { type Limit, limit } from './limit'

const fillerOf = (group: Material['group']): Filler => (group === 'aluminium' ? 'aluminium, 4043' : 'steel, 70 ksi electrode')

/**
 * Throat and metal of one weld: two runs along the first part's sides, each as long as the second is wide, or the pattern that the joint says; the greatest of
 * each force and moment taken together, both ways of bending. MPa
 */
export function weldStress(of: Pick<JointAt, 'j' | 'parts'>, rules: Rules): WeldStress {
  const kept = stresses.get(of.j)
  if (kept?.rules === rules) return kept.found
  const found = findWeldStress(of, rules)
  stresses.set(of.j, { rules, found })
  return found
}
/** Asked by the weld, by the metal beside it and by fatigue. */
const stresses = new WeakMap<JointForce, { rules: Rules; found: WeldStress }>()
type WeldStress = ReturnType<typeof findWeldStress>

function findWeldStress({ j, parts }: Pick<JointAt, 'j' | 'parts'>, rules: Rules) {
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

type AtWeld = JointAt & { w: WeldStress }
/** One weld in all cases, and the greatest of each force and moment in any of them: no case asks more of it. */
type WeldCases = { cases: JointAt[]; most: JointAt }

function byJoint(all: JointAt[]): WeldCases[] {
  const found = new Map<Joint, WeldCases>()
  for (const at of all) {
    const own = found.get(at.j.joint)
    if (!own) found.set(at.j.joint, { cases: [at], most: { ...at, j: { ...at.j } } })
    else {
      own.cases.push(at)
      for (const k of TAKEN) own.most.j[k] = Math.max(own.most.j[k], at.j[k])
    }
  }
  return [...found.values()]
}
const TAKEN = ['alongN', 'acrossYN', 'acrossZN', 'bendYNmm', 'bendZNmm', 'twistNmm'] as const

/** The most used weld in its worst case. A weld of which the greatest of everything at once asks less than another takes in one case is not looked at. */
function worstWeld(all: WeldCases[], of: (w: WeldStress) => number, rules: Rules): AtWeld | null {
  const bounded = all.map((one) => ({ one, most: of(weldStress(one.most, rules)) })).sort((a, b) => b.most - a.most)
  let worst: { at: AtWeld; is: number } | null = null
  for (const { one, most } of bounded) {
    if (worst && most <= worst.is) break
    for (const at of one.cases) {
      const w = weldStress(at, rules)
      if (!worst || of(w) > worst.is) worst = { at: { ...at, w }, is: of(w) }
    }
  }
  return worst?.at ?? null
}

/** The throat of the most used weld, and the metal beside it. */
export function weldLimits(given: JointsGiven): Limit[] {
  const { rules, lacks } = given
  const all = byJoint(jointsAmong(given, ['weld']))
  const throat = worstWeld(all, (w) => w.stressMPa, rules)
  const metal = worstWeld(all, (w) => w.legStressMPa / w.besideMPa, rules)
  if (!throat || !metal) return []
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
          name: `Weld ${jointName(throat)}, ${throat.r.case.name}`,
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
          name: `Beside weld ${jointName(metal)}, ${metal.r.case.name}`,
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
