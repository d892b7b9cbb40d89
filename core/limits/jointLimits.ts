import type { Assembly, Member } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { profileOf, profileSection } from '../catalogue/profiles'
import { wallOf } from '../catalogue/section'
import { type BoltSize, boltShear, boltSizes, boltTension, boltTogether, holeBearing } from '../fasten/bolt'
import { type Filler, fillers, filletWeldStress } from '../fasten/filletWeld'
import { figure, type Input, input } from '../figure/figure'
import type { CaseResult, JointForce } from '../loads/solveRack'
import type { Rules } from '../rules/rules'
import { FRAME } from './footLimits'
import { type Limit, limit } from './limit'

/** Welds and bolts between members, the most used of each. */
export const jointLimits = (assembly: Assembly, cases: CaseResult[], unknowns: Input[], rules: Rules): Limit[] => [
  ...weldLimit(assembly, cases, unknowns, rules),
  ...boltLimit(assembly, cases, unknowns, rules),
]
const nameOf = (assembly: Assembly, j: JointForce): string =>
  j.joint.between.map((id) => assembly.members.find((m) => m.id === id)?.mark ?? id).join(' to ')

const fillerOf = (group: string): Filler => (group === 'aluminium' ? 'aluminium, 4043' : 'steel, 70 ksi electrode')

/** Two runs along a rail's sides where it crosses a bar, each as long as the bar is wide. */
function weldLimit(assembly: Assembly, cases: CaseResult[], unknowns: Input[], rules: Rules): Limit[] {
  const all = cases.flatMap((r) =>
    r.joints.filter((j) => j.joint.kind === 'weld').map((j) => ({ r, j, ...weldStress(assembly, j, rules) })),
  )
  if (!all.length) return []
  const worst = all.reduce((a, b) => (b.stressMPa > a.stressMPa ? b : a))
  const name = nameOf(assembly, worst.j)
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

const GRADE = 'A2-70'
type Bolted = { r: CaseResult; j: JointForce; tensionN: number; shearN: number; mayTensionN: number; mayShearN: number; bears: Bears }
type Bears = { holdsN: number; missing: null } | { holdsN: null; missing: string }

/** Bolts through rail and bar: pull with prying over half the narrower part, shear shared alike, and the thinner wall bearing on them. */
function boltLimit(assembly: Assembly, cases: CaseResult[], unknowns: Input[], rules: Rules): Limit[] {
  const all = cases.flatMap((r) => r.joints.flatMap((j): Bolted[] => boltedForces(assembly, r, j, rules)))
  if (!all.length) return []
  const used = (b: Bolted) =>
    Math.max(boltTogether(b.tensionN, b.shearN, b.mayTensionN, b.mayShearN), b.bears.holdsN === null ? 0 : b.shearN / b.bears.holdsN)
  const worst = all.reduce((a, b) => (used(b) > used(a) ? b : a))
  const unrated = all.find((b) => b.bears.holdsN === null)
  const { joint } = worst.j
  return [
    limit({
      id: 'joint.bolts',
      name: 'Bolts between members',
      unit: '',
      ref: joint.between[0],
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'joint.bolts',
          name: `${joint.bolts?.count} × ${joint.bolts?.size} ${GRADE}, ${nameOf(assembly, worst.j)}, ${worst.r.case.name}`,
          unit: '',
          formula: 'max(Ft/Ft,R ; Fv/Fv,R + Ft/1.4·Ft,R ; Fv/Fb,R)',
          source: `EN 1993-1-8, table 3.4; forces: ${FRAME}`,
          assumes: ['bolts share alike; bending is pried over half of the narrower part', 'the thinner wall bears, edges as drawn'],
          with: [
            input('Ft', 'pull on one bolt', worst.tensionN, 'N'),
            input('Fv', 'shear on one bolt', worst.shearN, 'N'),
            input('Ft,R', 'pull it may take', worst.mayTensionN, 'N'),
            input('Fv,R', 'shear it may take', worst.mayShearN, 'N'),
            input('Fb,R', unrated?.bears.missing ?? 'what the wall bears', unrated ? null : worst.bears.holdsN, 'N'),
            ...unknowns,
          ],
        },
        () => used(worst),
      ),
      allowed: figure(
        { id: 'joint.bolts.allowed', name: 'All of it', unit: '', formula: '1', source: 'EN 1993-1-8, table 3.4', with: [] },
        () => 1,
      ),
    }),
  ]
}

function boltedForces(assembly: Assembly, r: CaseResult, j: JointForce, rules: Rules): Bolted[] {
  const bolts = j.joint.bolts
  const parts = j.joint.between.map((id) => assembly.members.find((m) => m.id === id))
  if (!bolts || parts.some((m) => !m)) return []
  const members = parts as Member[]
  const narrow = Math.min(...members.map((m) => profileSection(m.profileId).widthMm))
  return [
    {
      r,
      j,
      tensionN: (j.alongN + j.bendNmm / (narrow / 2)) / bolts.count,
      // the pair of a gusset stands as far apart as its plate leaves room for, and takes the twist as a couple
      shearN: j.acrossN / bolts.count + (j.joint.gussetMm ? j.twistNmm / (0.6 * j.joint.gussetMm) : 0),
      mayTensionN: boltTension(bolts.size, GRADE, rules.loadFactor).value ?? 0,
      mayShearN: boltShear(bolts.size, GRADE, rules.loadFactor).value ?? 0,
      bears: bearing(members, j, bolts.size, rules),
    },
  ]
}

/**
 * The least that either wall bears, its hole as far from the end as the joint is. Not known where a slot holds the bolt, and none where the hole
 * leaves less than 1.2 hole diameters to an edge (EN 1993-1-8, table 3.3).
 */
function bearing(members: Member[], j: JointForce, size: BoltSize, rules: Rules): Bears {
  const holeMm = boltSizes[size].diameterMm + 1
  let least = Number.POSITIVE_INFINITY
  for (const [i, m] of members.entries()) {
    const { shape, materialId } = profileOf(m.profileId)
    const thicknessMm = wallOf(shape)
    const edgeMm = profileSection(m.profileId).widthMm / 2
    if (thicknessMm === null) return { holdsN: null, missing: `what the slot of ${m.mark} holds, by its maker` }
    if (Math.min(edgeMm, j.fromEndMm[i]) < 1.2 * holeMm)
      return { holdsN: null, missing: `a joint with room for its holes: ${size} leaves too little edge in ${m.mark}` }
    const wall = { thicknessMm, edgeMm, endMm: j.fromEndMm[i], sheetTensileMPa: materialOf(materialId).tensileMPa }
    least = Math.min(least, holeBearing({ size, grade: GRADE, loadFactor: rules.loadFactor, ...wall }))
  }
  return { holdsN: least, missing: null }
}
