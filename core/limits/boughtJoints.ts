import { clampGripN } from '../fasten/clampGrip'
import { figure } from '../figure/figure'
import { greatest } from '../figure/greatest'
import { FRAME } from './footLimits'
import { type JointsGiven, jointName, jointsAmong } from './jointsGiven'
import { type Limit, limit } from './limit'

/** Collars that only their grip keeps from sliding and turning on a tube: all that acts, as if all of it tried to slide them; a moment over half the tube's width. */
export function collarLimit(given: JointsGiven): Limit[] {
  const { lacks, rules } = given
  const all = jointsAmong(given, ['clamp']).flatMap((a) => {
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
          name: `Collar ${jointName(worst.a)}, ${worst.a.r.case.name}`,
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
export function ratedLimit({ cases, lacks, rules, own }: JointsGiven): Limit[] {
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
