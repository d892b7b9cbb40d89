import { type Assembly, emptyAssembly, type Hardware, type Joint, type Member } from '../../assembly/assembly'
import { footHardware } from '../../assembly/usualHardware'
import { footTypes } from '../../catalogue/mounts'
import { profileSection } from '../../catalogue/profiles'
import type { Issue } from '../../issue/issue'
import { type BeamShape, beamDimensions, beamShape } from '../beamsOnFeet'
import type { Site } from '../family'
import { feetOnLine, footFaults } from '../feetAlong'
import { nameOf, type Side, sides } from '../feetOnEdge'
import { lineOf } from '../mountLine'
import { barsSupport, clampedTo, faultOf, pairAlong, squareCut, straight } from '../parts'
import type { ExtrusionParams } from './params'

type Head = NonNullable<NonNullable<Joint['bolts']>['heads']>[number]
/** A corner bracket of the extrusion's maker: a bolt and a nut in each of the two slots; shop's own figures. */
const BRACKET = { size: 'M8', perCorner: 2, bolt: 20 } as const
/** Its leg is so thick, and its bolt stands so far from the corner. Shop's own, mm */
const LEG_MM = { thick: 5, bolt: 25 }
const END_BOLT = { size: 'M8', bolt: 60 } as const

export function assemble(p: ExtrusionParams, { vehicle }: Site): { assembly: Assembly; issues: Issue[] } {
  const line = lineOf(p, vehicle)
  if (!line) return { assembly: emptyAssembly, issues: [{ code: 'no_mount_line', at: ['vehicle', 'mounts'], fix: null }] }
  const s = beamShape(p, line)
  const beam = profileSection(p.beamProfileId)
  const cross = profileSection(p.crossProfileId)
  const beams = pairAlong(s, s.z, p.beamProfileId, 'beam', 'SB', 'Side bar')
  const crosses = s.crossX.map((x, i) => {
    const z = s.topZ - cross.heightMm / 2
    return straight(`cross:${i}`, `CB${i + 1}`, 'Crossbar', p.crossProfileId, { x, y: s.inner(x), z }, { x, y: -s.inner(x), z }, squareCut)
  })
  const stop = p.stop ? [stopBar(p, s)] : []
  const joints = [...crosses.flatMap((c) => corners(p, c)), ...stop.flatMap((m) => onBeams(m, s))]
  const mounts = feetOnLine(p.footXMm, line, s.half, (side) => `beam:${side}`)
  return {
    assembly: {
      ...emptyAssembly,
      members: [...beams, ...crosses, ...stop],
      joints: [...joints, ...clampedTo(mounts)],
      mounts,
      supports: [
        barsSupport({
          id: 'bars',
          name: 'Crossbars',
          bodyId: line.bodyId,
          bearings: s.crossX.map((x, i) => ({ on: `cross:${i}`, xMm: x, leftMm: s.inner(x), rightMm: -s.inner(x), zMm: s.topZ })),
        }),
      ],
      hardware: [
        ...footHardware(footTypes[line.kind], mounts.length, mounts[0]?.backingMm ?? null),
        // the feet hang in the lowest slot: their nuts go in before the ends are capped
        { part: { kind: 'T-nut', size: 'M8' }, quantity: 2 * mounts.length, for: 'feet, slid into the side bars before the caps' },
        ...cornerHardware(p, crosses.length),
        ...(p.stop ? stopHardware() : []),
        { part: { kind: 'end cap' }, quantity: 4 + (p.stop ? 2 : 0), for: 'open ends, last of all' },
      ],
      dimensions: beamDimensions(s),
    },
    issues: faults(p, s, beam.heightMm, cross.heightMm).concat(footFaults(p.footXMm, line)),
  }
}

/** Across the front, its underside on the side bars. */
function stopBar(p: ExtrusionParams, s: BeamShape): Member {
  const { heightMm, widthMm } = profileSection(p.crossProfileId)
  const x = s.frontX - widthMm / 2
  const z = s.topZ + heightMm / 2
  const half = s.half(x) + profileSection(p.beamProfileId).widthMm / 2
  return straight('stop', 'ST', 'Front stop', p.crossProfileId, { x, y: half, z }, { x, y: -half, z }, [{ kind: 'cap' }, { kind: 'cap' }])
}

/** Each end of a crossbar on its side bar: two corner brackets that keep it square, or one bolt into its end and a pin beside it. */
const corners = (p: ExtrusionParams, c: Member): Joint[] =>
  sides.map(
    (side): Joint => ({
      id: `corner:${c.id}:${nameOf(side)}`,
      kind: 'bolt',
      between: [c.id, `beam:${nameOf(side)}`],
      at: c.path[side > 0 ? 0 : 1]!,
      ...(p.held === 'brackets'
        ? {
            bolts: {
              size: BRACKET.size,
              count: 2 * BRACKET.perCorner,
              apartMm: profileSection(p.crossProfileId).widthMm + 40,
              heads: cornerHeads(c, side, profileSection(p.crossProfileId).widthMm / 2),
            },
          }
        : // a pin in the slot keeps it from turning about its own line; up and down it hangs on the bolt as on a hinge
          {
            bolts: { size: END_BOLT.size, count: 1, into: c.id, heads: [throughSideBar(p, c, side)] },
            axis: { x: 1, y: 0, z: 0 },
          }),
    }),
  )

/** Of the bracket before and the one behind a crossbar, a head on its side and one on the side bar's inner face. */
const cornerHeads = (c: Member, side: Side, half: number): Head[] => {
  const end = c.path[side > 0 ? 0 : 1]!
  return [1, -1].flatMap((way): Head[] => [
    { on: c.id, at: { ...end, x: end.x + way * (half + LEG_MM.thick), y: end.y - side * LEG_MM.bolt }, out: { x: way, y: 0, z: 0 } },
    {
      on: `beam:${nameOf(side)}`,
      at: { ...end, x: end.x + way * (half + LEG_MM.bolt), y: end.y - side * LEG_MM.thick },
      out: { x: 0, y: -side, z: 0 },
    },
  ])
}

const throughSideBar = (p: ExtrusionParams, c: Member, side: Side): Head => {
  const end = c.path[side > 0 ? 0 : 1]!
  return {
    on: `beam:${nameOf(side)}`,
    at: { ...end, y: end.y + side * profileSection(p.beamProfileId).widthMm },
    out: { x: 0, y: side, z: 0 },
  }
}

const onBeams = (stop: Member, s: BeamShape): Joint[] =>
  sides.map((side): Joint => {
    const { x } = stop.path[0]!
    const y = side * s.half(x)
    const behind = x - profileSection(stop.profileId).widthMm / 2
    return {
      id: `stop:${nameOf(side)}`,
      kind: 'bolt',
      between: ['stop', `beam:${nameOf(side)}`],
      at: { x, y, z: s.topZ },
      bolts: {
        size: BRACKET.size,
        count: 2,
        apartMm: 60,
        // the bracket stands behind it
        heads: [
          { on: `beam:${nameOf(side)}`, at: { x: behind - LEG_MM.bolt, y, z: s.topZ + LEG_MM.thick }, out: { x: 0, y: 0, z: 1 } },
          { on: 'stop', at: { x: behind - LEG_MM.thick, y, z: s.topZ + LEG_MM.bolt }, out: { x: -1, y: 0, z: 0 } },
        ],
      },
    }
  })

function cornerHardware(p: ExtrusionParams, crosses: number): Hardware[] {
  if (p.held === 'tapped ends')
    return [
      {
        part: { kind: 'bolt', size: END_BOLT.size, lengthMm: END_BOLT.bolt },
        quantity: 2 * crosses,
        for: 'through side bars into tapped ends, thread lock',
      },
      { part: { kind: 'anti-turn pin' }, quantity: 2 * crosses, for: 'beside each end bolt, in the slot' },
    ]
  const bolts = crosses * 2 * 2 * BRACKET.perCorner
  return [
    { part: { kind: 'corner bracket' }, quantity: crosses * 4, for: 'two in each corner, inside the frame' },
    {
      part: { kind: 'bolt', size: BRACKET.size, lengthMm: BRACKET.bolt },
      quantity: bolts,
      for: 'corner brackets, thread lock, torque again after the first drives',
    },
    { part: { kind: 'T-nut', size: BRACKET.size }, quantity: bolts, for: 'corner brackets: slid in before the stop and the caps' },
  ]
}

const stopHardware = (): Hardware[] => [
  { part: { kind: 'corner bracket' }, quantity: 2, for: 'front stop' },
  { part: { kind: 'bolt', size: BRACKET.size, lengthMm: BRACKET.bolt }, quantity: 4, for: 'front stop' },
  { part: { kind: 'T-nut', size: BRACKET.size }, quantity: 4, for: 'front stop' },
]

function faults(p: ExtrusionParams, s: BeamShape, beamMm: number, crossMm: number): Issue[] {
  const width = profileSection(p.crossProfileId).widthMm
  return [
    ...(crossMm > beamMm
      ? [faultOf('crossProfileId', 'The crossbars are taller than the side bars: lay a wide profile flat, or choose taller sides')]
      : []),
    ...(s.crossX[1]! - s.crossX[0]! < width + (p.held === 'brackets' ? 90 : 20)
      ? [
          faultOf(
            'crosses',
            p.held === 'brackets' ? 'The corner brackets of two crossbars meet: fewer crossbars' : 'The crossbars touch: fewer of them',
          ),
        ]
      : []),
    ...(2 * Math.min(s.inner(s.rearX), s.inner(s.frontX)) < 200
      ? [faultOf('mountId', 'The side bars stand too near for a crossbar between them')]
      : []),
  ]
}
