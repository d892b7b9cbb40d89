import { type Assembly, emptyAssembly, type Joint, type Member, type Motion, type Mount, type OwnDimension } from '../../assembly/assembly'
import { footHardware } from '../../assembly/usualHardware'
import { footTypes } from '../../catalogue/mounts'
import { profileSection } from '../../catalogue/profiles'
import type { Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import type { Place } from '../../places/places'
import type { Site } from '../family'
import { letterOf, nameOf, sides } from '../feetOnEdge'
import { clampedTo, faultOf, notYet } from '../parts'
import { saddled } from '../saddled'
import type { LadderParams } from './params'
import { bumperOf, type Fold, foldedUp, foldOf, type Head, headOf, type LadderShape, ladderShape, outsideMm } from './shape'

const COLLAR = { size: 'M8', count: 2 } as const
/** A rung leaves so much for a hinge. Shop's own, mm */
const HINGE_CLEAR_MM = 45
/** Higher than this nobody steps onto the first rung. Shop's own, mm */
const FIRST_STEP_MM = 700

export function assemble(p: LadderParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const [head, bumper] = [headOf(p, site), bumperOf(site)]
  if (!bumper) return notYet('The ladder has nothing to stand on: measure the bumper at Measure, sheet “Rear end”')
  if (!head)
    return notYet(
      site.below
        ? 'The piece below has no straight bar across that the ladder could be clamped to: stand it on another'
        : 'The ladder has no line for a bar of its own: add one at Measure; or stand it on a rack',
    )
  const s = ladderShape(p, site, head, bumper)
  const fold = foldOf(p, s)
  const up = fold !== null && site.state === 'folded'
  const rails = railsOf(p, s, fold)
  const lower = fold ? lowerRails(p, s, fold) : null
  const lowerRungs = fold ? s.rungs.filter((r) => r.z < fold.hingeZ) : []
  const rungs = [
    ...rungsOf(p, s, rails, fold ? s.rungs.filter((r) => r.z >= fold.hingeZ) : s.rungs),
    ...(lower ? rungsOf(p, s, lower, lowerRungs) : []),
  ]
  const moving = new Set([...(lower ?? []).map((m) => m.id), ...rungs.slice(rungs.length - lowerRungs.length).map((r) => r.member.id)])
  const laid = (m: Member): Member => (up && moving.has(m.id) ? { ...m, path: m.path.map((v) => foldedUp(v, fold)) } : m)
  const feet = up ? [] : feetOf(bumper, lower ?? rails)
  const mounts = [...head.mounts, ...feet]
  const through = footTypes['through-bolt']
  const members = [...(head.own ? [head.bar] : []), ...rails, ...(lower ?? []), ...rungs.map((r) => r.member)].map(laid)
  const standing = rungs.filter((r) => !(up && moving.has(r.member.id)))
  return {
    assembly: {
      ...emptyAssembly,
      members,
      joints: [
        ...rungs.flatMap((r) => r.joints.map((j) => (up && moving.has(r.member.id) ? { ...j, at: foldedUp(j.at, fold) } : j))),
        ...headJoints(p, s, head, rails),
        ...(fold && lower ? foldJoints(p, s, fold, rails, lower, up) : []),
        ...clampedTo(mounts),
      ],
      mounts,
      supports:
        standing.length && !up
          ? [
              {
                id: 'rungs',
                name: 'Rungs',
                kind: 'hook row',
                bodyId: bumper.bodyId,
                bearings: [],
                surface: null,
                holds: false,
                asked: true as const,
                walkOn: [],
                climbOn: standing.map((r) => r.member.id),
              },
            ]
          : [],
      motions: fold && !up ? [foldMotion(fold, [...moving], s)] : [],
      checks: checksOf(p),
      hardware: [
        ...(head.line ? footHardware(footTypes[head.line.kind], head.mounts.length, head.mounts[0]?.backingMm ?? null) : []),
        ...footHardware(through, 2, 50, 6),
        ...(p.kind === 'removable'
          ? [{ part: { kind: 'pin and clip' as const }, quantity: 4, for: 'hooks and feet of the ladder' }]
          : [
              { part: { kind: 'clamp band' as const }, quantity: 2, for: 'collar of each rail' },
              { part: { kind: 'bolt' as const, size: COLLAR.size, lengthMm: 35 }, quantity: 4, for: 'collars' },
              { part: { kind: 'lock nut' as const, size: COLLAR.size }, quantity: 4, for: 'collars' },
            ]),
        ...(fold
          ? [
              { part: { kind: 'pin and clip' as const }, quantity: 4, for: 'feet and latches of the folding part' },
              { part: { kind: 'butt hinge' as const }, quantity: 2, for: 'rails of the ladder' },
              { part: { kind: 'latch' as const }, quantity: 2, for: 'folding part, on the road' },
            ]
          : []),
        { part: { kind: 'end cap' }, quantity: 2 + (head.own ? 2 : 0) + (fold ? 4 : 0), for: 'open tube ends' },
      ],
      dimensions: dimensionsOf(p, s),
    },
    issues: faultsOf(p, s, fold),
  }
}

type Rails = [Member, Member]
/** From the bar over the edge down to the foot, or to its hinges. */
function railsOf(p: LadderParams, s: LadderShape, fold: Fold | null): Rails {
  const [ahead, shoulder, knee, foot] = s.corners
  const path = fold ? [ahead, shoulder, { ...shoulder, z: fold.hingeZ }] : [ahead, shoulder, knee, foot]
  return railPair(p, s, 'rail', 'LR', 'Ladder rail', path)
}
/** A gap between the sawn ends at the hinges. Shop's own, mm */
const SAWN_MM = 6
/** From the hinges down to the foot, round the knee where that is lower. */
function lowerRails(p: LadderParams, s: LadderShape, fold: Fold): Rails {
  const [, shoulder, knee, foot] = s.corners
  const top = { ...shoulder, z: fold.hingeZ - SAWN_MM }
  return railPair(p, s, 'lower', 'LL', 'Folding rail', [top, knee, foot])
}
function railPair(p: LadderParams, s: LadderShape, id: string, mark: string, name: string, path: Vec3[]): Rails {
  const rail = (side: 1 | -1, y: number): Member => ({
    id: `${id}:${nameOf(side)}`,
    mark: `${mark}${letterOf(side)}`,
    name,
    profileId: p.railProfileId,
    path: path.map((c) => ({ ...c, y })),
    ...(p.bendRadiusMm === null ? {} : { bendRadiiMm: path.slice(1, -1).map(() => p.bendRadiusMm!) }),
    ends: [{ kind: 'cap' }, { kind: 'square' }],
  })
  return [rail(1, s.railY[0]), rail(-1, s.railY[1])]
}

const rungsOf = (p: LadderParams, s: LadderShape, [left, right]: Rails, at: LadderShape['rungs']) =>
  at.map(({ x, z }) => {
    const i = s.rungs.findIndex((r) => r.z === z)
    return saddled(
      {
        id: `rung:${i}`,
        mark: `R${i + 1}`,
        name: 'Rung',
        profileId: p.rungProfileId,
        path: [
          { x, y: s.railY[0], z },
          { x, y: s.railY[1], z },
        ],
      },
      left,
      right,
    )
  })

/** Collars on the bar; or hooks over it, each with a pin, which hold what their maker says. */
const headJoints = (p: LadderParams, s: LadderShape, { bar }: Head, rails: Rails): Joint[] =>
  rails.map((r, i): Joint => {
    const on = bar.path[0]!
    const at = { x: on.x, y: s.railY[i]!, z: (on.z + profileSection(bar.profileId).heightMm / 2 + s.corners[0].z) / 2 }
    const held = { between: [r.id, bar.id] as [string, string], at }
    return p.kind === 'removable'
      ? { id: `hook:${i}`, kind: 'pin', ...held, rated: { holdsN: p.latchN, by: 'its maker', what: 'hook of the ladder' } }
      : { id: `collar:${i}`, kind: 'clamp', ...held, collar: COLLAR }
  })

/** Hinges on the rear face of the rails; folded up, a latch at each foot keeps them against the rails above. */
function foldJoints(p: LadderParams, s: LadderShape, fold: Fold, rails: Rails, lower: Rails, up: boolean): Joint[] {
  const y = (i: number) => s.railY[i]!
  const foot = foldedUp(s.corners[3], fold)
  return rails.flatMap((r, i): Joint[] => [
    {
      id: `hinge:${i}`,
      kind: 'hinge',
      between: [lower[i]!.id, r.id],
      at: { x: fold.axisX, y: y(i), z: fold.hingeZ },
      axis: { x: 0, y: 1, z: 0 },
      rated: { holdsN: p.hingeN, by: 'its maker', what: 'hinge of the ladder' },
    },
    ...(up
      ? [
          {
            id: `latch:${i}`,
            kind: 'latch' as const,
            between: [lower[i]!.id, r.id] as [string, string],
            at: { x: fold.axisX, y: y(i), z: foot.z - 40 },
            rated: { holdsN: p.latchN, by: 'its maker', what: 'latch of the ladder' },
          },
        ]
      : []),
  ])
}

const foldMotion = (fold: Fold, moves: string[], s: LadderShape): Motion => ({
  id: 'fold',
  name: 'Ladder folds up',
  kind: 'turn',
  moves,
  // the foot goes out to the rear and up
  axis: { at: { x: fold.axisX, y: (s.railY[0] + s.railY[1]) / 2, z: fold.hingeZ }, way: { x: 0, y: 1, z: 0 } },
  from: 0,
  to: 178,
  heldBy: 'two latches, each with a pin',
})

function checksOf(p: LadderParams): string[] {
  if (p.kind === 'hinged') return ['The ladder is folded up, both latches are shut and pinned, and nothing hangs from it.']
  if (p.kind === 'fixed') return []
  const lies =
    p.stow === 'on the rack'
      ? 'lies on the rack, strapped at both ends'
      : p.stow === 'in the vehicle'
        ? 'lies in the vehicle, strapped'
        : 'stays behind'
  return [`The ladder is off its hooks and ${lies}; the pins are back in their holes.`]
}

const feetOf = (bumper: Place, rails: [Member, Member]): Mount[] =>
  sides.map((side, i): Mount => {
    const path = rails[i]!.path
    return {
      id: `bumper:${nameOf(side)}`,
      mark: `FB${letterOf(side)}`,
      kind: 'through-bolt',
      placeId: bumper.id,
      bodyId: bumper.bodyId,
      on: rails[i]!.id,
      side: nameOf(side),
      place: path[path.length - 1]!,
      normal: bumper.normal,
      massKg: footTypes['through-bolt'].massKg,
      backingMm: 50,
      via: null,
    }
  })

/** Every rung above the ground, running; how far apart the rails stand. */
function dimensionsOf(p: LadderParams, s: LadderShape): OwnDimension[] {
  const ground: Vec3 = { x: s.corners[1].x, y: p.asideMm, z: 0 }
  return [
    ...s.rungs.map(
      (r, i): OwnDimension => ({
        id: `rung:${i}`,
        view: 'rear',
        axis: 'y',
        side: 'high',
        running: true,
        from: ground,
        to: { ...ground, z: r.z },
        ref: `rung:${i}`,
        ...(i ? {} : { edits: { figure: 'first', offsetMm: 0 } }),
      }),
    ),
    {
      id: 'wide',
      view: 'rear',
      axis: 'x',
      side: 'low',
      running: false,
      label: 'rails, centres',
      from: { ...ground, y: s.railY[0] },
      to: { ...ground, y: s.railY[1] },
      edits: { figure: 'wide', offsetMm: 0 },
    },
  ]
}

function faultsOf(p: LadderParams, s: LadderShape, fold: Fold | null): Issue[] {
  const clear = p.wideMm - outsideMm(p.railProfileId)
  const [, shoulder, knee] = s.corners
  return [
    ...(fold && fold.lowerMm > fold.roomMm
      ? [
          faultOf(
            'hingeUpMm',
            `Folded up the lower part would stand past the bend of the rails: hinges {${Math.floor((fold.lowerMm + fold.roomMm) / 2)}} above the bumper or less`,
          ),
        ]
      : []),
    ...(fold && s.rungs.some((r) => Math.abs(r.z - fold.hingeZ) < HINGE_CLEAR_MM)
      ? [faultOf('hingeUpMm', 'A rung stands in the hinges: move them up or down')]
      : []),
    ...(fold && p.hingeUpMm < p.kneeUpMm + (p.bendRadiusMm ?? 0) + 20
      ? [faultOf('hingeUpMm', 'The hinges stand in the bend of the knee: higher up')]
      : []),
    ...(s.rungs.length < 2
      ? [faultOf('firstRungMm', 'The ladder is shorter than its first rungs: lower the first, or a smaller radius')]
      : []),
    ...(s.rungs.length && s.rungs[0]!.z > FIRST_STEP_MM
      ? [
          faultOf(
            'firstRungMm',
            `The first rung stands {${Math.round(s.rungs[0]!.z)}} above the ground: nobody steps so high; {${FIRST_STEP_MM}} or less`,
          ),
        ]
      : []),
    ...(clear < 250 ? [faultOf('wideMm', `A foot has {${Math.round(clear)}} between the rails: {250} or more`)] : []),
    ...(p.bendRadiusMm === null ? [faultOf('bendRadiusMm', 'No die is named for the rails: no cut length until its radius is known')] : []),
    ...(shoulder.z - knee.z < 2 * (p.bendRadiusMm ?? 0) + 100
      ? [faultOf('kneeUpMm', 'Nothing straight is left between the bends of a rail: the knee lower, or a smaller radius')]
      : []),
  ]
}
