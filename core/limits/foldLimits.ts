import type { Assembly, Face, Plate } from '../assembly/assembly'
import { onPlate, plateNormal } from '../assembly/places'
import { materialOf } from '../catalogue/materials'
import { figure, SHOP_RULE } from '../figure/figure'
import { greatest } from '../figure/greatest'
import { isRound } from '../geometry/hole'
import { along, cross, dot, minus, plus, size, times, unit, type Vec3 } from '../geometry/vec3'
import type { CaseResult } from '../loads/caseResult'
import { foldStressMPa } from '../sheet/foldStress'
import { type Chain, chainOf, legAt } from './foldedChain'
import { FRAME } from './footLimits'
import type { JointsGiven } from './jointsGiven'
import { type Limit, limit } from './limit'

/** What a bracket is bolted to, all its feet on the vehicle as one: where, on which leg, and which bolts go through it there; a clamp holds by its outer legs. */
type Fixed = { id: string; at: Vec3; leg: number; bolts: Vec3[]; clamps: boolean }
/** Where a bracket bends: along a fold, or along the row of bolts nearest to what else it carries. `by` = on each side that is known what acts there, `leastArmMm` = from how far at least. mm */
type Section = { plate: Plate; kind: 'fold' | 'bolts'; at: Vec3; way: Vec3; wideMm: number; leastArmMm: number; by: string[][] }

/** What acts on one fixing in one case. N, N·mm */
type Acts = { forceN: number; turnNmm: number; at: Vec3 }
type AtSection = { section: Section; r: CaseResult; forceN: number; armMm: number; turnNmm: number; momentNmm: number }

/** Holes so near a row weaken it too, as a share of their own width. */
const IN_ROW = 0.5

function fixedOf(plate: Plate, chain: Chain, { joints, mounts }: Assembly): Fixed[] {
  const leg = (at: Vec3) => legAt(chain, at, plate.thicknessMm)
  const own = joints.filter((j) => j.between.includes(plate.id))
  const feet = mounts.filter((m) => m.on === plate.id)
  const legs = own.map((j) => leg(j.at))
  const holesOn = (f: Face): Vec3[] => (f.holes ?? []).filter(isRound).map((h) => onPlate(f, h.at))
  return [
    ...own
      .filter((j) => !feet.some((m) => j.between.includes(m.id)))
      .map((j): Fixed => {
        const on = leg(j.at)
        const alone = legs.filter((l) => l === on).length === 1
        return {
          ...{ id: j.id, at: j.at, leg: on, clamps: j.collar !== undefined },
          bolts: j.kind === 'bolt' ? (j.bolts?.rows ?? (alone ? holesOn(chain.legs[on]!) : [])) : [],
        }
      }),
    ...(feet.length
      ? [
          {
            ...{ id: VEHICLE, at: meanOf(feet.map((m) => m.place)), leg: leg(feet[0]!.place), clamps: false },
            bolts: feet.length > 1 ? feet.map((m) => m.place) : holesOn(chain.legs[leg(feet[0]!.place)]!).filter(near(feet[0]!.place)),
          },
        ]
      : []),
  ]
}
const VEHICLE = 'the vehicle'
/** Holes of a foot’s own bolts lie within this of its middle. mm */
const FOOT_REACH_MM = 60
const near = (at: Vec3) => (v: Vec3) => size(minus(v, at)) < FOOT_REACH_MM
const meanOf = (list: Vec3[]): Vec3 => times(list.reduce(plus, { x: 0, y: 0, z: 0 }), 1 / list.length)

/** Every fold of a strip with something on both sides of it, and of two fixings the row of each that is nearer to the other. */
function sectionsOf(plate: Plate, assembly: Assembly): Section[] {
  const chain = chainOf(plate)
  if (!chain) return []
  const fixed = fixedOf(plate, chain, assembly)
  const ids = (of: (f: Fixed) => boolean) => fixed.filter(of).map((f) => f.id)
  const clamp = fixed.find((f) => f.clamps)
  // with nothing on one side nothing bends it; a clamp acts on both outer legs at once, so that only what it carries tells
  const folds = chain.folds.flatMap((f, k): Section[] => {
    const by = clamp ? [ids((x) => x !== clamp)] : [ids((x) => x.leg <= k), ids((x) => x.leg > k)]
    return by.every((side) => side.length) ? [{ plate, kind: 'fold', ...f, leastArmMm: 0, by }] : []
  })
  const [a, b] = fixed
  const rows = fixed.length === 2 && !clamp ? [...rowsOf(plate, chain, a!, b!), ...rowsOf(plate, chain, b!, a!)] : []
  return [...folds, ...rows]
}

/**
 * Across the leg through the bolts nearest to the other fixing, less their holes; what acts on it is the other's alone. A flat part bends every way in which the
 * other's bolts stand beyond its own, though both have one middle.
 */
function rowsOf(plate: Plate, { legs, folds }: Chain, own: Fixed, other: Fixed): Section[] {
  const leg = legs[own.leg]!
  if (!own.bolts.length) return []
  const normal = plateNormal(leg)
  const holes = (leg.holes ?? []).map((h) => ({ at: onPlate(leg, h.at), d: h.diameterMm }))
  const across = (toward: Vec3): Omit<Section, 'leastArmMm'> => {
    const at = own.bolts.reduce((best, v) => (dot(v, toward) > dot(best, toward) ? v : best))
    const way = unit(cross(toward, normal))
    const inRow = holes.filter((h) => Math.abs(dot(minus(h.at, at), toward)) < IN_ROW * h.d)
    const wideMm = widthAt(leg, at, toward, way) - inRow.reduce((s, h) => s + h.d, 0)
    return { plate, kind: 'bolts', at, way, wideMm: Math.max(0.1, wideMm), by: [[other.id]] }
  }
  const fold = folds[Math.min(own.leg, folds.length - 1)]
  if (fold) {
    const to = unit(cross(fold.way, normal))
    return [{ ...across(dot(minus(fold.at, own.at), to) < 0 ? times(to, -1) : to), leastArmMm: 0 }]
  }
  const level = minus(minus(other.at, own.at), times(normal, dot(minus(other.at, own.at), normal)))
  const { along: x, up: y } = leg.pose
  return [...(size(level) > 1 ? [unit(level)] : []), x, times(x, -1), y, times(y, -1)].flatMap((toward) => {
    const section = across(toward)
    const leastArmMm = Math.max(...[...other.bolts, other.at].map((v) => dot(minus(v, section.at), toward)))
    return leastArmMm > 1 ? [{ ...section, leastArmMm }] : []
  })
}

/** How wide a leg is across a place. mm */
function widthAt(leg: Face, at: Vec3, toward: Vec3, way: Vec3): number {
  const corners = leg.outline.map((q) => onPlate(leg, q))
  const off = corners.map((v) => dot(minus(v, at), toward))
  const crossings = corners.flatMap((v, i) => {
    const k = (i + 1) % corners.length
    const [a, b] = [off[i]!, off[k]!]
    return a * b <= 0 && a !== b ? [dot(along(v, minus(corners[k]!, v), a / (a - b)), way)] : []
  })
  return crossings.length > 1 ? Math.max(...crossings) - Math.min(...crossings) : 0
}

/** What acts on each fixing of a plate in a case. */
function actsOf(plate: Plate, { mounts }: Assembly, r: CaseResult): Map<string, Acts[]> {
  const feet = mounts.flatMap((m, i): Acts[] => {
    const f = r.feet[i]
    return m.on === plate.id && f ? [{ forceN: size(f.push), turnNmm: size(f.turn), at: m.place }] : []
  })
  return new Map([
    ...r.joints
      .filter((j) => j.joint.between.includes(plate.id))
      .map((j): [string, Acts[]] => [
        j.joint.id,
        [{ forceN: Math.hypot(j.alongN, j.acrossN), turnNmm: Math.hypot(j.bendNmm, j.twistNmm), at: j.joint.at }],
      ]),
    [VEHICLE, feet],
  ])
}

/** What bends it on one side: every force over its distance, and what turns it. On the high side: all of it counts as if it bent the same way. */
function oneSide(section: Section, r: CaseResult, acts: Acts[]): AtSection {
  const { at, way, leastArmMm } = section
  const arm = (v: Vec3) => Math.max(leastArmMm, size(cross(minus(v, at), way)))
  const [forceN, pulls, turnNmm] = acts.reduce(([f, m, t], a) => [f + a.forceN, m + a.forceN * arm(a.at), t + a.turnNmm], [0, 0, 0])
  return { section, r, forceN, armMm: forceN > 0 ? pulls / forceN : 0, turnNmm, momentNmm: pulls + turnNmm }
}

/**
 * Brackets bending at their folds, and at the bolts beside them: σ = 6·M/(b·t²) (Gere & Goodno, 8th ed., 5.5), the smaller of what the fixings on either side
 * could do to it; at bolts what is left of the width beside their holes.
 */
export function foldLimits(given: JointsGiven): Limit[] {
  const { assembly, cases, own } = given
  const all = assembly.plates
    .filter((p) => own(p.id))
    .flatMap((plate) => {
      const sections = sectionsOf(plate, assembly)
      if (!sections.length) return []
      return cases.flatMap((r) => {
        const acts = actsOf(plate, assembly, r)
        return sections.map((s): AtSection => {
          const sides = s.by.map((ids) =>
            oneSide(
              s,
              r,
              ids.flatMap((id) => acts.get(id) ?? []),
            ),
          )
          return sides.reduce((best, side) => (side.momentNmm < best.momentNmm ? side : best))
        })
      })
    })
  return (['fold', 'bolts'] as const).flatMap((kind) =>
    worstOf(
      kind,
      all.filter((x) => x.section.kind === kind),
      given,
    ),
  )
}
const words = {
  fold: {
    name: 'Brackets, bending at the fold',
    of: 'at the fold',
    width: 'width at the fold',
    more: ['the inside of the fold is not cracked'],
  },
  bolts: { name: 'Brackets, bending at their bolts', of: 'at its bolts', width: 'width less the holes', more: [] },
}
function worstOf(kind: Section['kind'], all: AtSection[], { lacks, rules }: JointsGiven): Limit[] {
  const stress = (x: AtSection) =>
    foldStressMPa({
      forceN: x.forceN,
      armMm: x.armMm,
      momentNmm: x.turnNmm,
      wideMm: x.section.wideMm,
      thicknessMm: x.section.plate.thicknessMm,
    })
  const mayMPa = (x: AtSection) => materialOf(x.section.plate.materialId).yieldMPa / rules.yieldSafety
  const worst = greatest(all, (x) => stress(x) / mayMPa(x))
  if (!worst) return []
  const { plate, wideMm } = worst.section
  const w = words[kind]
  return [
    limit({
      id: `plate.${kind}`,
      name: w.name,
      group: 'rack',
      unit: 'MPa',
      ref: plate.id,
      nearRatio: rules.nearRatio,
      used: figure(
        {
          id: `plate.${kind}`,
          name: `${plate.name} ${plate.mark}, ${worst.r.case.name}`,
          unit: 'MPa',
          formula: 'σ = 6·(F·a + M) / (b·t²)',
          source: `flexure: Gere & Goodno, 8th ed., 5.5; forces: ${FRAME}`,
          assumes: ['all forces on that side count as if they bent it the same way', ...w.more],
          with: {
            F: [worst.forceN, 'N', 'on that side'],
            a: [worst.armMm, 'mm', `its distance ${w.of === 'at the fold' ? 'from the fold' : 'from the bolts'}`],
            M: [worst.turnNmm, 'N·mm', 'what turns it'],
            b: [wideMm, 'mm', w.width],
            t: [plate.thicknessMm, 'mm', 'thickness'],
          },
          lacks,
        },
        ({ F, a, M, b, t }) => foldStressMPa({ forceN: F, armMm: a, momentNmm: M, wideMm: b, thicknessMm: t }),
      ),
      allowed: figure(
        {
          id: `plate.${kind}.allowed`,
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
