import { type Assembly, emptyAssembly, type Joint, type Member, type Mount, type OwnDimension } from '../../assembly/assembly'
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
import { bumperOf, type Head, headOf, type LadderShape, ladderShape, outsideMm } from './shape'

const COLLAR = { size: 'M8', count: 2 } as const
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
  const rails = railsOf(p, s)
  const rungs = rungsOf(p, s, rails)
  const feet = feetOf(bumper, rails)
  const mounts = [...head.mounts, ...feet]
  const through = footTypes['through-bolt']
  return {
    assembly: {
      ...emptyAssembly,
      members: [...(head.own ? [head.bar] : []), ...rails, ...rungs.map((r) => r.member)],
      joints: [...rungs.flatMap((r) => r.joints), ...collarsOf(s, head, rails), ...clampedTo(mounts)],
      mounts,
      supports: rungs.length
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
              climbOn: rungs.map((r) => r.member.id),
            },
          ]
        : [],
      hardware: [
        ...(head.line ? footHardware(footTypes[head.line.kind], head.mounts.length, head.mounts[0]?.backingMm ?? null) : []),
        ...footHardware(through, feet.length, 50, 6),
        { part: { kind: 'clamp band' }, quantity: 2, for: 'collar of each rail' },
        { part: { kind: 'bolt', size: COLLAR.size, lengthMm: 35 }, quantity: 4, for: 'collars' },
        { part: { kind: 'lock nut', size: COLLAR.size }, quantity: 4, for: 'collars' },
        { part: { kind: 'end cap' }, quantity: 2 + (head.own ? 2 : 0), for: 'open tube ends' },
      ],
      dimensions: dimensionsOf(p, s),
    },
    issues: faultsOf(p, s),
  }
}

function railsOf(p: LadderParams, s: LadderShape): [Member, Member] {
  const rail = (side: 1 | -1, y: number): Member => ({
    id: `rail:${nameOf(side)}`,
    mark: `LR${letterOf(side)}`,
    name: 'Ladder rail',
    profileId: p.railProfileId,
    path: s.corners.map((c) => ({ ...c, y })),
    ...(p.bendRadiusMm === null ? {} : { bendRadiiMm: [p.bendRadiusMm, p.bendRadiusMm] }),
    ends: [{ kind: 'cap' }, { kind: 'square' }],
  })
  return [rail(1, s.railY[0]), rail(-1, s.railY[1])]
}

const rungsOf = (p: LadderParams, s: LadderShape, [left, right]: [Member, Member]) =>
  s.rungs.map(({ x, z }, i) =>
    saddled(
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
    ),
  )

const collarsOf = (s: LadderShape, { bar }: Head, rails: [Member, Member]): Joint[] =>
  rails.map((r, i): Joint => {
    const at = bar.path[0]!
    return {
      id: `collar:${i}`,
      kind: 'clamp',
      between: [r.id, bar.id],
      at: { x: at.x, y: s.railY[i]!, z: (at.z + profileSection(bar.profileId).heightMm / 2 + s.corners[0].z) / 2 },
      collar: COLLAR,
    }
  })

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

function faultsOf(p: LadderParams, s: LadderShape): Issue[] {
  const clear = p.wideMm - outsideMm(p.railProfileId)
  const [, shoulder, knee] = s.corners
  return [
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
