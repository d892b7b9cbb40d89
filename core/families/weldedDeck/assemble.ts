import { type Assembly, emptyAssembly, type Infill, type Joint, type Member } from '../../assembly/assembly'
import { footHardware } from '../../assembly/usualHardware'
import { type BoardPlan, boardPlan } from '../../boards/boards'
import { footTypes } from '../../catalogue/mounts'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { wallOf } from '../../catalogue/section'
import { Impossible } from '../../issue/impossible'
import type { Issue } from '../../issue/issue'
import type { Rules } from '../../rules/rules'
import type { MountLine } from '../../vehicle/vehicle'
import { type BeamShape, beamDimensions, beamShape } from '../beamsOnFeet'
import type { Site } from '../family'
import { feetOnLine, footFaults } from '../feetAlong'
import { nameOf, sides } from '../feetOnEdge'
import { lineOf } from '../mountLine'
import { barsSupport, clampedTo, faultOf, pairAlong, squareCut, straight } from '../parts'
import type { DeckParams } from './params'

/** The boards as they are laid lengthwise, by the narrower end of the deck. */
export function deckBoards(p: DeckParams, s: BeamShape, rules: Rules): BoardPlan {
  return boardPlan({
    clearMm: 2 * Math.min(s.inner(s.rearX), s.inner(s.frontX)) + 2 * profileSection(p.beamProfileId).widthMm,
    lengthMm: s.frontX - s.rearX,
    boardMm: p.boardMm,
    thickMm: p.boardThickMm,
    leastGapMm: p.boardGapMm,
    crossings: p.crosses,
    wallMm: wallOf(profileOf(p.crossProfileId).shape) ?? 2,
    screwMm: 5.5,
    densityKgM3: p.woodKgM3,
    wetShare: rules.wetWoodShare,
    sparesPercent: rules.sparesPercent,
    minutesPerScrew: 0.8,
  })
}

export function assemble(p: DeckParams, { vehicle, rules }: Site): { assembly: Assembly; issues: Issue[] } {
  const line = lineOf(p, vehicle)
  if (!line) return { assembly: emptyAssembly, issues: [{ code: 'no_mount_line', at: ['vehicle', 'mounts'], fix: null }] }
  const s = beamShape(p, line)
  const { members, joints } = frameOf(p, s)
  const mounts = feetOnLine(p.footXMm, line, s.half, (side) => `beam:${side}`)
  const { infills, issues } = boardsOf(p, s, rules)
  const top = s.topZ + (infills.length ? p.boardThickMm : 0)
  return {
    assembly: {
      ...emptyAssembly,
      members,
      joints: [...joints, ...clampedTo(mounts)],
      mounts,
      supports: [
        barsSupport(
          {
            id: 'deck',
            name: 'Deck',
            bodyId: line.bodyId,
            bearings: s.crossX.map((x, i) => ({ on: `cross:${i}`, xMm: x, leftMm: s.inner(x), rightMm: -s.inner(x), zMm: top })),
          },
          s.crossX.map((_, i) => `cross:${i}`),
        ),
      ],
      infills,
      hardware: [
        ...footHardware(footTypes[line.kind], mounts.length, mounts[0]?.backingMm ?? null),
        { part: { kind: 'end cap' }, quantity: 4, for: 'open tube ends' },
      ],
      dimensions: beamDimensions(s),
    },
    issues: [...faults(p, s, line), ...issues],
  }
}

function frameOf(p: DeckParams, s: BeamShape): { members: Member[]; joints: Joint[] } {
  const cross = profileSection(p.crossProfileId)
  const crossZ = s.topZ - cross.heightMm / 2
  const beams = pairAlong(s, s.z, p.beamProfileId, 'beam', 'BM', 'Beam')
  const crosses = s.crossX.map((x, i) =>
    straight(
      `cross:${i}`,
      `CM${i + 1}`,
      'Cross member',
      p.crossProfileId,
      { x, y: s.inner(x), z: crossZ },
      { x, y: -s.inner(x), z: crossZ },
      squareCut,
    ),
  )
  const joints = crosses.flatMap((c) =>
    sides.map(
      (side): Joint => ({
        id: `weld:${c.id}:${nameOf(side)}`,
        kind: 'weld',
        between: [c.id, `beam:${nameOf(side)}`],
        at: c.path[side > 0 ? 0 : 1]!,
        weld: { lengthMm: cross.widthMm, apartMm: cross.heightMm, allRound: true },
      }),
    ),
  )
  return { members: [...beams, ...crosses], joints }
}

function boardsOf(p: DeckParams, s: BeamShape, rules: Rules): { infills: Infill[]; issues: Issue[] } {
  if (!p.boards) return { infills: [], issues: [] }
  try {
    const plan = deckBoards(p, s, rules)
    const [first, last] = [s.crossX[0]!, s.crossX[s.crossX.length - 1]!]
    const half = Math.min(s.inner(first), s.inner(last))
    return {
      infills: [
        {
          id: 'boards',
          mark: 'BD',
          name: `${plan.count} boards`,
          kind: 'boards',
          on: s.crossX.map((_, i) => `cross:${i}`),
          outline: [
            { x: first, y: half, z: s.topZ },
            { x: first, y: -half, z: s.topZ },
            { x: last, y: -half, z: s.topZ },
            { x: last, y: half, z: s.topZ },
          ],
          openShare: plan.count > 1 ? Math.min(0.9, plan.gapMm / (plan.gapMm + p.boardMm)) : 0,
          // what it weighs in the rain is what the roof carries
          massKg: plan.wetKg,
          fixings: { what: 'screws', count: plan.screws + plan.spares },
          boards: {
            startsMm: plan.startsMm,
            widthMm: p.boardMm,
            lengthMm: s.frontX - s.rearX,
            gapMm: plan.gapMm,
            pilotMm: plan.pilotMm,
            pilotInWoodMm: plan.pilotInWoodMm,
          },
          priceMinor: Math.round((plan.count * (s.frontX - s.rearX) * p.boardPriceMinorM) / 1000),
        },
      ],
      issues: [],
    }
  } catch (error) {
    if (!(error instanceof Impossible)) throw error
    return {
      infills: [],
      issues: [{ code: 'shape', at: ['params', 'boardMm'], fix: null, says: `Boards: ${error.message.replace(/([\d.]+) mm/g, '{$1}')}` }],
    }
  }
}

function faults(p: DeckParams, s: BeamShape, line: MountLine): Issue[] {
  const cross = profileSection(p.crossProfileId)
  const beam = profileSection(p.beamProfileId)
  return [
    ...(cross.heightMm > beam.heightMm
      ? [faultOf('crossProfileId', 'The cross members are taller than the beams they are welded to: smaller ones')]
      : []),
    ...(s.crossX[1]! - s.crossX[0]! < cross.widthMm + 20 ? [faultOf('crosses', 'The cross members touch: fewer of them')] : []),
    ...footFaults(p.footXMm, line),
  ]
}
