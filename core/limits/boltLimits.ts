import type { Joint } from '../assembly/assembly'
import { type BoltSize, boltSizes, SHOP_GRADE } from '../catalogue/bolts'
import { boltMayN, boltTogether, holeBearing, tearOutN } from '../fasten/bolt'
import { figure } from '../figure/figure'
import { greatest } from '../figure/greatest'
import type { JointForce } from '../loads/caseResult'
import type { Rules } from '../rules/rules'
import { FRAME } from './footLimits'
import type { JoinedPart } from './joinedParts'
import { type JointAt, type JointsGiven, jointName, jointsAmong } from './jointsGiven'
import { allOfIt, type Limit, limit } from './limit'

type Bears = { holdsN: number; missing: null } | { holdsN: null; missing: string }
type Bolted = JointAt & { tensionN: number; shearN: number; mayTensionN: number; mayShearN: number; bears: Bears }
const usedOf = (v: { Ft: number; Fv: number; FtR: number; FvR: number; FbR: number }): number =>
  Math.max(boltTogether(v.Ft, v.Fv, v.FtR, v.FvR), v.Fv / v.FbR)

/** Bolts through rail and bar: pull with prying over half the narrower part, shear shared alike, and the thinner wall bearing on them or tearing out. */
export function boltLimit(given: JointsGiven): Limit[] {
  const { rules, lacks } = given
  // what its walls bear is the same in every case
  const kept = new Map<Joint, Bears>()
  const bears = ({ j, parts }: JointAt, size: BoltSize): Bears => {
    const found = kept.get(j.joint) ?? bearing(parts, j, size, rules)
    kept.set(j.joint, found)
    return found
  }
  const all = jointsAmong(given, ['bolt', 'hinge', 'pin']).flatMap((a) => boltedForces(a, bears, rules))
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
          name: `${joint.bolts?.count} × ${joint.bolts?.size} ${SHOP_GRADE}, ${jointName(worst)}, ${worst.r.case.name}`,
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

function boltedForces(a: JointAt, bears: (a: JointAt, size: BoltSize) => Bears, rules: Rules): Bolted[] {
  const { j, parts } = a
  const { bolts, gusset } = j.joint
  if (!bolts || !parts.length) return []
  const may = boltMayN(bolts.size, SHOP_GRADE, rules.loadFactor)
  // a nut in a slot is pulled out of it before its bolt breaks
  const slotN = parts.some((p) => p.wallMm === null) && rules.tNutN > 0 ? rules.tNutN : Number.POSITIVE_INFINITY
  // prying works over the rows of a pattern, or over the narrower part
  const wide = bolts.apartMm ?? Math.min(...parts.map((m) => m.widthMm))
  // the pair of a gusset stands as far apart as its plate leaves room for, and takes the twist as a couple
  const arm = gusset ? 0.6 * gusset.sideMm : (bolts.apartMm ?? 0)
  return [
    {
      ...a,
      tensionN: (j.alongN + j.bendNmm / (wide / 2)) / bolts.count,
      shearN: j.acrossN / bolts.count + (arm > 0 ? j.twistNmm / arm : 0),
      mayTensionN: Math.min(may.tensionN, slotN),
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
      holeBearing({ ...wall, grade: SHOP_GRADE, edgeMm, loadFactor: rules.loadFactor }),
      tearOutN({ ...wall, walls: m.walls }),
    )
  }
  return { holdsN: least, missing: null }
}
