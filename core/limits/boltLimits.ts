import type { Joint } from '../assembly/assembly'
import { type BoltSize, boltSizes, isThin, SHOP_GRADE } from '../catalogue/bolts'
import { boltMayN, boltTogether, holeBearing, tearOutN } from '../fasten/bolt'
import { rivetNutHoldsN, rivetNutMissing } from '../fasten/rivetNut'
import { figure } from '../figure/figure'
import { greatest } from '../figure/greatest'
import type { JointForce } from '../loads/caseResult'
import type { Rules } from '../rules/rules'
import { FRAME } from './footLimits'
import type { JoinedPart } from './joinedParts'
import { type JointAt, type JointsGiven, jointName, jointsAmong } from './jointsGiven'
import { allOfIt, type Limit, limit } from './limit'

type Bears = { holdsN: number; missing: null } | { holdsN: null; missing: string }
/** What of a bolted joint no load changes. `wideMm` = prying works over half of it; `armMm` = what takes its twist as a couple, 0 = nothing does; `nut` = a rivet nut in one of its sheets */
type Made = { count: number; wideMm: number; armMm: number; mayTensionN: number; mayShearN: number; bears: Bears; nut: Bears | null }
type Bolted = { at: JointAt; made: Made; tensionN: number; shearN: number }
const usedOf = (v: { Ft: number; Fv: number; FtR: number; FvR: number; FbR: number }): number =>
  Math.max(boltTogether(v.Ft, v.Fv, v.FtR, v.FvR), v.Fv / v.FbR)

/** Bolts through rail and bar: pull with prying over half the narrower part, shear shared alike, and the thinner wall bearing on them or tearing out. */
export function boltLimit(given: JointsGiven): Limit[] {
  const { rules, lacks } = given
  const kept = new Map<Joint, Made | null>()
  const madeAs = (a: JointAt): Made | null => {
    const found = kept.get(a.j.joint)
    if (found !== undefined) return found
    const made = madeOf(a, rules)
    kept.set(a.j.joint, made)
    return made
  }
  const all = jointsAmong(given, ['bolt', 'hinge', 'pin', 'slide']).flatMap((at): Bolted[] => {
    const made = madeAs(at)
    return made ? [bolted(at, made)] : []
  })
  const worst = greatest(all, ({ made, tensionN, shearN }) =>
    usedOf({ Ft: tensionN, Fv: shearN, FtR: made.mayTensionN, FvR: made.mayShearN, FbR: made.bears.holdsN ?? Number.POSITIVE_INFINITY }),
  )
  if (!worst) return []
  const { made } = worst
  const unrated = [...kept.values()].find((m) => m?.bears.holdsN === null)
  const nutless = [...kept.values()].find((m) => m?.nut?.missing)?.nut?.missing
  const { joint } = worst.at.j
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
          name: `${joint.bolts?.count} × ${joint.bolts?.size} ${SHOP_GRADE}, ${jointName(worst.at)}, ${worst.at.r.case.name}`,
          unit: '',
          formula: 'max(Ft/Ft,R ; Fv/Fv,R + Ft/(1.4·Ft,R) ; Fv/Fb,R)',
          source: `EN 1993-1-8, table 3.4; tearing out: AISC 360-16, J4.3; forces: ${FRAME}`,
          assumes: ['bolts share alike; bending is pried over half of the narrower part', 'the weaker wall bears or tears, edges as drawn'],
          with: {
            Ft: [worst.tensionN, 'N', 'pull on one bolt'],
            Fv: [worst.shearN, 'N', 'shear on one bolt'],
            'Ft,R': [nutless ? null : made.mayTensionN, 'N', nutless ?? 'pull it may take'],
            'Fv,R': [made.mayShearN, 'N', 'shear it may take'],
            'Fb,R': [unrated ? null : made.bears.holdsN, 'N', unrated?.bears.missing ?? 'what the wall bears'],
          },
          lacks,
        },
        (v) => usedOf({ Ft: v.Ft, Fv: v.Fv, FtR: v['Ft,R'], FvR: v['Fv,R'], FbR: v['Fb,R'] }),
      ),
      allowed: allOfIt('joint.bolts.allowed', 'EN 1993-1-8, table 3.4'),
    }),
  ]
}

function madeOf({ j, parts }: JointAt, rules: Rules): Made | null {
  const { bolts, gusset } = j.joint
  if (!bolts || !parts.length) return null
  const may = boltMayN(bolts.size, SHOP_GRADE, rules.loadFactor)
  // a nut in a slot, or a rivet nut in its sheet, is pulled out before its bolt breaks
  const slotN = parts.some((p) => p.wallMm === null) && rules.tNutN > 0 ? rules.tNutN : Number.POSITIVE_INFINITY
  const nut = inRivetNut(bolts, parts) ? rivetNut(bolts.size, rules) : null
  return {
    count: bolts.count,
    // prying works over the rows of a pattern, or over the narrower part
    wideMm: bolts.apartMm ?? Math.min(...parts.map((m) => m.widthMm)),
    // the pair of a gusset stands as far apart as its plate leaves room for, and takes the twist as a couple
    armMm: gusset ? 0.6 * gusset.sideMm : (bolts.apartMm ?? 0),
    mayTensionN: Math.min(may.tensionN, slotN, nut?.holdsN ?? Number.POSITIVE_INFINITY),
    mayShearN: Math.min(may.shearN, nut?.holdsN ?? Number.POSITIVE_INFINITY),
    nut,
    bears: bearing(parts, j, bolts.size, rules),
  }
}

const inRivetNut = (bolts: NonNullable<Joint['bolts']>, parts: JoinedPart[]): boolean =>
  parts.some((p) => p.id === bolts.into && p.wallMm !== null && isThin(p.wallMm, bolts.size))
function rivetNut(size: BoltSize, rules: Rules): Bears {
  const holdsN = rivetNutHoldsN(size, rules)
  return holdsN === null ? { holdsN, missing: rivetNutMissing(size) } : { holdsN, missing: null }
}

const bolted = (at: JointAt, made: Made): Bolted => ({
  at,
  made,
  tensionN: (at.j.alongN + at.j.bendNmm / (made.wideMm / 2)) / made.count,
  shearN: at.j.acrossN / made.count + (made.armMm > 0 ? at.j.twistNmm / made.armMm : 0),
})

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
