import type { Plate } from '../assembly/assembly'
import { materialOf } from '../catalogue/materials'
import { figure, SHOP_RULE } from '../figure/figure'
import { greatest } from '../figure/greatest'
import { cross, dot, minus, size, unit, type Vec3 } from '../geometry/vec3'
import type { CaseResult, JointForce } from '../loads/caseResult'
import { foldStressMPa } from '../sheet/foldStress'
import { FRAME } from './footLimits'
import type { JointsGiven } from './jointsGiven'
import { type Limit, limit } from './limit'

/** A plate folded once: the line of its fold, how wide it is there, and which of its two legs a place is nearer to. mm */
type Folded = { plate: Plate; wideMm: number; fromFoldMm: (at: Vec3) => number; legOf: (at: Vec3) => 0 | 1 }

function foldedOnce(plate: Plate): Folded | null {
  const legs = (plate.faces ?? []).filter((f) => !f.bend)
  const [base, flange] = legs
  if (plate.bends.length !== 1 || legs.length !== 2 || !base || !flange) return null
  const line = { at: flange.pose.origin, way: unit(flange.pose.along) }
  const off = (leg: typeof base, at: Vec3) => Math.abs(dot(minus(at, leg.pose.origin), unit(cross(leg.pose.along, leg.pose.up))))
  const xs = flange.outline.map((p) => p.x)
  return {
    plate,
    wideMm: Math.max(...xs) - Math.min(...xs),
    fromFoldMm: (at) => size(cross(minus(at, line.at), line.way)),
    legOf: (at) => (off(base, at) <= off(flange, at) ? 0 : 1),
  }
}

type AtFold = { folded: Folded; r: CaseResult; forceN: number; armMm: number; turnNmm: number; momentNmm: number }
/** What bends the fold on one side of it: every joint's force over its distance, and what turns it. On the high side: all of it counts as if it bent the same way. */
function oneSide(folded: Folded, r: CaseResult, joints: JointForce[]): AtFold {
  const [forceN, pulls, turnNmm] = joints.reduce(
    ([f, m, t], j) => {
      const n = Math.hypot(j.alongN, j.acrossN)
      return [f + n, m + n * folded.fromFoldMm(j.joint.at), t + Math.hypot(j.bendNmm, j.twistNmm)]
    },
    [0, 0, 0],
  )
  return { folded, r, forceN, armMm: forceN > 0 ? pulls / forceN : 0, turnNmm, momentNmm: pulls + turnNmm }
}

/** Brackets folded once, bending at their fold: σ = 6·M/(b·t²) (Gere & Goodno, 8th ed., 5.5), the smaller of what either leg's joints could do to it. */
export function foldLimits({ assembly, cases, lacks, rules, own }: JointsGiven): Limit[] {
  const plates = assembly.plates.filter((p) => own(p.id)).flatMap((p) => foldedOnce(p) ?? [])
  const all = plates.flatMap((folded) =>
    cases.flatMap((r): AtFold[] => {
      const mine = r.joints.filter((j) => j.joint.between.includes(folded.plate.id))
      const legs = [0, 1].map((leg) => mine.filter((j) => folded.legOf(j.joint.at) === leg))
      // with nothing on one leg nothing bends the fold
      if (legs.some((l) => !l.length)) return []
      const [a, b] = legs.map((l) => oneSide(folded, r, l)) as [AtFold, AtFold]
      return [a.momentNmm <= b.momentNmm ? a : b]
    }),
  )
  const stress = (x: AtFold) =>
    foldStressMPa({
      forceN: x.forceN,
      armMm: x.armMm,
      momentNmm: x.turnNmm,
      wideMm: x.folded.wideMm,
      thicknessMm: x.folded.plate.thicknessMm,
    })
  const mayMPa = (x: AtFold) => materialOf(x.folded.plate.materialId).yieldMPa / rules.yieldSafety
  const worst = greatest(all, (x) => stress(x) / mayMPa(x))
  if (!worst) return []
  const { plate } = worst.folded
  return [
    limit({
      id: 'plate.fold',
      name: 'Brackets, bending at the fold',
      group: 'rack',
      unit: 'MPa',
      ref: plate.id,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: 'plate.fold',
          name: `${plate.name} ${plate.mark}, ${worst.r.case.name}`,
          unit: 'MPa',
          formula: 'σ = 6·(F·a + M) / (b·t²)',
          source: `flexure: Gere & Goodno, 8th ed., 5.5; forces: ${FRAME}`,
          assumes: ['all forces on the leg count as if they bent the fold the same way', 'the inside of the fold is not cracked'],
          with: {
            F: [worst.forceN, 'N', 'on the leg'],
            a: [worst.armMm, 'mm', 'its distance from the fold'],
            M: [worst.turnNmm, 'N·mm', 'what turns the leg'],
            b: [worst.folded.wideMm, 'mm', 'width at the fold'],
            t: [plate.thicknessMm, 'mm', 'thickness'],
          },
          lacks,
        },
        ({ F, a, M, b, t }) => foldStressMPa({ forceN: F, armMm: a, momentNmm: M, wideMm: b, thicknessMm: t }),
      ),
      allowed: figure(
        {
          id: 'plate.fold.allowed',
          name: 'Yield over its factor',
          unit: 'MPa',
          formula: 'fy / n',
          source: SHOP_RULE,
          with: {
            fy: [materialOf(plate.materialId).yieldMPa, 'MPa', 'yield'],
            n: [rules.yieldSafety, '', 'factor'],
          },
        },
        ({ fy, n }) => fy / n,
      ),
    }),
  ]
}
