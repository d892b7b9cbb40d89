import { type Assembly, emptyAssembly, type Joint, type Member, type OwnDimension, type Plate } from '../../assembly/assembly'
import { footHardware, throughBolts } from '../../assembly/usualHardware'
import { footTypes } from '../../catalogue/mounts'
import { rectangleFrom0 } from '../../geometry/polygon'
import { along, times, type Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import type { Site } from '../family'
import { footFaults } from '../feetAlong'
import { ownBarsSupport } from '../ownBar'
import { barsSupport, capped, clampedTo, faultOf, notYet, straight } from '../parts'
import type { ClampOnParams } from './params'
import { barsOf, type Jaw, type JawPlace, jawOf, type OnBars, placeOn } from './shape'

const UP: Vec3 = { x: 0, y: 0, z: 1 }
const ends = [1, -1] as const

export function assemble(p: ClampOnParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const on = barsOf(p, site)
  const [first] = on?.bars ?? []
  if (!on || !first)
    return notYet(
      site.below
        ? 'The piece below has no level bar across that ears could be clamped to: stand it on another'
        : 'It needs a line of gutters, tracks, rails or points for bars of its own: add one at Measure; or stand it on a rack or a carrier',
    )
  const jaw = jawOf(p, first)
  const places = on.bars.map((b) => placeOn(p, b))
  const tubes = places.map((at, i) => tubeOf(p, jaw, at, i))
  return {
    assembly: {
      ...emptyAssembly,
      members: [...on.own, ...tubes],
      plates: places.flatMap((at, i) => ends.flatMap((end) => ends.map((side) => earOf(p, jaw, at, { jaw: i, end, side })))),
      joints: [...on.bars.flatMap((bar, i) => jointsOf(p, jaw, bar, places[i]!, i)), ...clampedTo(on.mounts)],
      mounts: on.mounts,
      supports: [
        ...(on.line ? [ownBarsSupport(on.own, on.line.bodyId)] : []),
        {
          ...barsSupport({
            id: 'jaws',
            name: `Jaws for ${p.what}`,
            bodyId: on.line?.bodyId ?? null,
            bearings: on.bars.map((bar, i) => {
              const { at } = places[i]!
              return { on: bar.id, xMm: at.x, leftMm: at.y + p.packWideMm / 2, rightMm: at.y - p.packWideMm / 2, zMm: at.z + p.padMm }
            }),
          }),
          // a pack lies on all of its bars: what is set in a holder would stand on one
          asked: true,
        },
      ],
      hardware: [
        ...(on.line ? footHardware(footTypes[on.line.kind], on.mounts.length, on.mounts[0]?.backingMm ?? null) : []),
        ...throughBolts(p.bolt, jaw.stackMm, 2 * places.length, 'tubes between their ears'),
        ...throughBolts(p.bolt, jaw.stackMm, 2 * places.length, 'ears on their bar, under it'),
        ...(jaw.gapMm - jaw.tubeMm > 1
          ? [
              {
                part: { kind: 'spacer' as const, size: p.bolt, lengthMm: (jaw.gapMm - jaw.tubeMm) / 2 },
                quantity: 4 * places.length,
                for: 'beside the tube, between the ears',
              },
            ]
          : []),
        {
          part: { kind: 'tube sleeve', size: p.bolt, lengthMm: jaw.sleeveMm },
          quantity: 2 * places.length,
          for: 'in the padded tubes, at their bolts',
        },
        { part: { kind: 'end cap' }, quantity: 2 * (places.length + on.own.length), for: 'open tube ends' },
      ],
      dimensions: dimensionsOf(p, jaw, places),
    },
    issues: faults(p, on, jaw, places),
  }
}

function tubeOf(p: ClampOnParams, jaw: Jaw, { at, way }: JawPlace, i: number): Member {
  const middle = along(at, UP, jaw.tubeUpMm)
  const end = (by: number) => along(middle, way, by * (jaw.tubeLongMm / 2))
  return straight(`tube:${i}`, `HT${i + 1}`, 'Padded tube', p.tubeProfileId, end(-1), end(1), capped)
}

type Where = { jaw: number; end: 1 | -1; side: 1 | -1 }
const earId = ({ jaw, end, side }: Where) => `ear:${jaw}:${end > 0 ? 'far' : 'near'}:${side > 0 ? 'front' : 'rear'}`

/** So much longer than it is wide is the slot of a far ear. Shop's own, mm */
const SLOT_MM = 8
/** Its outside looks away from the bar. */
function earOf(p: ClampOnParams, jaw: Jaw, { at, way, aside }: JawPlace, w: Where): Plate {
  const alongEar = times(way, -w.side)
  const foot = along(along(along(at, way, w.end * jaw.earOutMm), aside, (w.side * jaw.gapMm) / 2), UP, -jaw.lowMm)
  return {
    id: earId(w),
    mark: 'ER',
    name: 'Ear',
    materialId: p.materialId,
    thicknessMm: p.earMm,
    outline: rectangleFrom0(p.earWideMm, jaw.lowMm + jaw.highMm),
    holes: [
      { at: { x: p.earWideMm / 2, y: jaw.lowMm - jaw.clampDownMm }, diameterMm: jaw.holeMm },
      {
        at: { x: p.earWideMm / 2, y: jaw.lowMm + jaw.tubeUpMm },
        diameterMm: jaw.holeMm,
        ...(w.end > 0 ? { slot: { lengthMm: jaw.holeMm + SLOT_MM, turnDeg: 0 } } : {}),
      },
    ],
    bends: [],
    pose: { origin: along(foot, alongEar, -p.earWideMm / 2), along: alongEar, up: UP },
    goodFace: 'up',
    air: 'board',
  }
}

/** Each ear grips the bar by the bolt under it; one bolt goes through both ears of a pair and the tube between them. */
function jointsOf(p: ClampOnParams, jaw: Jaw, bar: Member, { at, way, aside }: JawPlace, i: number): Joint[] {
  return ends.flatMap((end) => {
    const mid = along(at, way, end * jaw.earOutMm)
    const id = (what: string, side: 1 | -1) => `joint:${what}:${i}:${end > 0 ? 'far' : 'near'}:${side > 0 ? 'front' : 'rear'}`
    return ends.flatMap((side): Joint[] => {
      const ear = earId({ jaw: i, end, side })
      return [
        {
          id: id('bar', side),
          kind: 'clamp',
          between: [ear, bar.id],
          at: along(along(mid, aside, (side * jaw.barWideMm) / 2), UP, -jaw.barDeepMm / 2),
          collar: { size: p.bolt, count: 1 },
        },
        {
          id: id('tube', side),
          // fast at both ends it would brace the bar, and be bent with it: at the far end it lies in slots
          ...(end > 0 ? { kind: 'slide' as const, axis: way } : { kind: 'bolt' as const }),
          between: [`tube:${i}`, ear],
          at: along(along(mid, aside, (side * jaw.gapMm) / 2), UP, jaw.tubeUpMm),
          bolts: {
            ...{ size: p.bolt, count: 1, sleeved: true },
            // both ears, the tube and what fills the gap beside it
            ...(side > 0
              ? {
                  spacerMm: p.earMm + Math.max(0, jaw.gapMm - jaw.tubeMm),
                  heads: ends.map((face) => headOn(p, jaw, mid, aside, { jaw: i, end, side: face })),
                }
              : { goesOn: id('tube', 1) }),
          },
        },
      ]
    })
  })
}

/** Head and nut of a tube's bolt, each on the outside of its ear. */
const headOn = (p: ClampOnParams, jaw: Jaw, mid: Vec3, aside: Vec3, w: Where) => ({
  on: earId(w),
  at: along(along(mid, aside, w.side * (jaw.gapMm / 2 + p.earMm)), UP, jaw.tubeUpMm),
  out: times(aside, w.side),
})

/** What is set with a gauge: clear between bar and tube, between the ears, and from the bar's end to the first ear. */
function dimensionsOf(p: ClampOnParams, jaw: Jaw, places: JawPlace[]): OwnDimension[] {
  const { at, way, aside } = places[0]!
  const out = along(at, way, jaw.earOutMm)
  return [
    {
      ...{ id: 'clear', view: 'rear', axis: 'y', side: 'high', running: false, label: 'clear over the bar' },
      from: out,
      to: along(out, UP, jaw.clearMm),
      edits: { figure: 'pack', offsetMm: -2 * p.padMm },
    },
    {
      ...{ id: 'gap', view: 'side', axis: 'x', side: 'high', running: false, label: 'between ears' },
      from: along(at, aside, -jaw.gapMm / 2),
      to: along(at, aside, jaw.gapMm / 2),
    },
    {
      ...{ id: 'ears', view: 'rear', axis: 'x', side: 'high', running: false, label: 'ears, clear' },
      from: along(at, way, -(jaw.earOutMm - p.earWideMm / 2)),
      to: along(at, way, jaw.earOutMm - p.earWideMm / 2),
      edits: { figure: 'wide', offsetMm: p.packWideMm - 2 * (jaw.earOutMm - p.earWideMm / 2) },
    },
  ]
}

function faults(p: ClampOnParams, on: OnBars, jaw: Jaw, places: JawPlace[]): Issue[] {
  const half = jaw.earOutMm + p.earWideMm / 2
  const shortest = Math.min(...places.map((x) => x.lengthMm))
  return [
    ...(jaw.tubeMm > jaw.gapMm + 0.01
      ? [
          faultOf(
            'tubeProfileId',
            `A tube of {${Math.round(jaw.tubeMm)}} does not go between ears {${Math.floor(jaw.gapMm)}} apart: a smaller one, or more lining`,
          ),
        ]
      : []),
    ...(p.atMm < half || p.atMm > shortest - half
      ? [
          faultOf(
            shortest < 2 * half ? 'packWideMm' : 'atMm',
            shortest < 2 * half
              ? `It is {${Math.ceil(2 * half)}} wide over its ears, and its bar {${Math.floor(shortest)}} long: a narrower pack, or a longer bar`
              : `An ear stands past the end of its bar: between {${Math.ceil(half)}} and {${Math.floor(shortest - half)}} from its first end`,
          ),
        ]
      : []),
    ...(places.length < 2 ? [faultOf('jaws', 'One jaw alone lets a long pack swing about it: two bars, or a strap at the far end')] : []),
    ...(places.length < p.jaws ? [faultOf('jaws', `Only ${places.length} bars of one height and size lie there for ${p.jaws} jaws`)] : []),
    ...(on.line ? footFaults(p.footXMm, on.line) : []),
  ]
}
