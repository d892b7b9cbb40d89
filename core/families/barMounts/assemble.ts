import { type Assembly, emptyAssembly, type Fitting, type Joint, type OwnDimension, type Pull } from '../../assembly/assembly'
import { footHardware, throughBolts } from '../../assembly/usualHardware'
import { type OpenWind, openAwning } from '../../awning/openAwning'
import { footTypes } from '../../catalogue/mounts'
import { profileOf, profileSection } from '../../catalogue/profiles'
import { wallOf } from '../../catalogue/section'
import type { Vec3 } from '../../geometry/vec3'
import type { Issue } from '../../issue/issue'
import type { Rules } from '../../rules/rules'
import { panFaults } from '../../sheet/folded'
import type { Site } from '../family'
import { footFaults } from '../feetAlong'
import { foldedPlate, type PanPart, sheetOf } from '../foldedParts'
import { ownBarsSupport } from '../ownBar'
import { clampedTo, faultOf, notYet } from '../parts'
import { type Head, type Heads, headsOf } from './heads'
import type { BarMountsParams } from './params'

const BOLTS = { size: 'M8', count: 2 } as const
/** Bolts stand so far in from the ends of a leg. Shop's own, mm */
const EDGE_MM = 20
/** For M8, ISO 273 medium. mm */
const HOLE_MM = 9

/** Bars within this stand at one height. mm */
const SAME_MM = 1

export const nameOf: Record<BarMountsParams['what'], string> = {
  awning: 'Awning, rolled up',
  jack: 'Jack',
  boards: 'Boards',
  can: 'Can',
  'lamp bar': 'Lamp bar',
  ladder: 'Ladder',
}

/** Where the thing hangs, and the brackets that hold it: those of the bars it passes with room for a bolt. mm */
export function placesOf(p: BarMountsParams, { heads }: Pick<Heads, 'heads'>) {
  const side = p.side === 'left' ? 1 : -1
  const rear = heads[0]!.x - p.behindMm
  const front = rear + p.lengthMm
  const passed = heads.filter((h) => h.x - p.wideMm / 2 >= rear && h.x + p.wideMm / 2 <= front)
  // one level leg takes bars of one height; the others pass under it or over it
  const held = passed.filter((h) => Math.abs(h.topZ - passed[0]!.topZ) < SAME_MM && Math.abs(h.bottomZ - passed[0]!.bottomZ) < SAME_MM)
  // the longest bar says where the thing's face is: the others' brackets reach as far
  const faceY = side * (Math.max(...heads.map((h) => side * h.endY)) + p.outMm)
  const level = held[0] ?? heads[0]!
  const outside = p.leg === 'over' ? level.topZ : level.bottomZ
  const z = p.hangs === 'down' ? outside - p.dropMm / 2 : outside + p.dropMm / 2
  return {
    side,
    rear,
    front,
    held,
    uneven: passed.length - held.length,
    faceY,
    middle: { x: (rear + front) / 2, y: faceY + (side * p.deepMm) / 2, z },
  }
}

export function assemble(p: BarMountsParams, site: Site): { assembly: Assembly; issues: Issue[] } {
  const base = headsOf(p, site)
  if (!base)
    return notYet(
      site.below
        ? 'The piece below has no straight bars across with free ends that a bracket could be bolted to: stand it on another'
        : 'It needs a line of gutters, tracks, rails or points for bars of its own: add one at Measure; or stand it on a rack',
    )
  const at = placesOf(p, base)
  const parts = at.held.map((h, i) => bracketOf(p, h, at, i, site.rules))
  const plates = parts.map((part) => foldedPlate(part, { materialId: p.materialId, thicknessMm: p.thicknessMm }, 'sheltered'))
  const wallMm = base.bars[0] ? (wallOf(profileOf(p.barProfileId).shape) ?? 3) : 3
  return {
    assembly: {
      ...emptyAssembly,
      members: base.bars,
      plates,
      fittings: [thingOf(p, at)],
      pulls: p.what === 'awning' ? openOf(p, at, site.rules) : [],
      joints: [...at.held.flatMap((h, i) => jointsOf(p, h, at, i)), ...clampedTo(base.mounts)],
      mounts: base.mounts,
      supports: base.line ? [ownBarsSupport(base.bars, base.line.bodyId)] : [],
      hardware: [
        ...(base.line ? footHardware(footTypes[base.line.kind], base.mounts.length, base.mounts[0]?.backingMm ?? null) : []),
        ...throughBolts(
          BOLTS.size,
          p.thicknessMm + (base.bars[0] ? profileSection(p.barProfileId).heightMm : 2 * wallMm + 30),
          BOLTS.count * at.held.length,
          'brackets on bars',
        ),
        ...throughBolts(BOLTS.size, p.thicknessMm + 6, BOLTS.count * at.held.length, `${nameOf[p.what].toLowerCase()} on its brackets`),
        ...(base.bars.length ? [{ part: { kind: 'end cap' as const }, quantity: 2 * base.bars.length, for: 'open tube ends' }] : []),
      ].filter((h) => h.quantity > 0) as Assembly['hardware'],
      dimensions: dimensionsOf(p, at),
    },
    issues: faults(p, base, at, parts, site.rules),
  }
}

/** A leg on the bar, a fold, a leg that the thing is bolted to. Its outside looks away from the thing's weight where it lies over the bar, at the bar where it hangs under. */
function bracketOf(p: BarMountsParams, h: Head, at: ReturnType<typeof placesOf>, i: number, rules: Rules): PanPart {
  const down = p.hangs === 'down'
  const reach = at.side * at.faceY - at.side * h.endY + p.legMm
  const inward = p.leg === 'over' ? (down ? h.topZ + p.thicknessMm : h.topZ) : down ? h.bottomZ : h.bottomZ - p.thicknessMm
  // along × up looks the way the leg is folded
  const alongX = down ? -at.side : at.side
  return {
    id: `bracket:${i}`,
    mark: 'LB',
    name: 'Bracket',
    pan: {
      ...sheetOf(p, rules),
      lengthMm: p.wideMm,
      widthMm: reach,
      // the thing is bolted on where its joint is
      flanges: {
        'y+': {
          lengthMm: p.dropMm,
          holes: [EDGE_MM, p.dropMm - EDGE_MM].map((outMm) => ({ alongMm: p.wideMm / 2, outMm, diameterMm: HOLE_MM })),
        },
      },
      holes: [EDGE_MM, p.legMm - EDGE_MM].map((y) => ({ at: { x: p.wideMm / 2, y }, diameterMm: HOLE_MM })),
    },
    pose: {
      origin: { x: h.x - (alongX * p.wideMm) / 2, y: h.endY - at.side * p.legMm, z: inward },
      along: { x: alongX, y: 0, z: 0 },
      up: { x: 0, y: at.side, z: 0 },
    },
  }
}

function jointsOf(p: BarMountsParams, h: Head, at: ReturnType<typeof placesOf>, i: number): Joint[] {
  const onBar: Vec3 = { x: h.x, y: h.endY - (at.side * p.legMm) / 2, z: p.leg === 'over' ? h.topZ : h.bottomZ }
  return [
    {
      id: `joint:bar:${i}`,
      kind: 'bolt',
      between: [`bracket:${i}`, h.barId],
      at: onBar,
      bolts: { ...BOLTS, apartMm: Math.max(10, p.legMm - 2 * EDGE_MM) },
    },
    {
      id: `joint:thing:${i}`,
      kind: 'bolt',
      between: ['thing', `bracket:${i}`],
      at: { x: h.x, y: at.faceY, z: at.middle.z },
      bolts: { ...BOLTS, apartMm: Math.max(10, p.dropMm - 2 * EDGE_MM) },
    },
  ]
}

/** The awning open in the wind that it is rolled in at, from each side, lifting and pressing; nothing is worked out while nobody knows how far it reaches. */
function openOf(p: BarMountsParams, at: ReturnType<typeof placesOf>, rules: Rules): Pull[] {
  const { opensMm, legs, lengthMm, windRatedKmh } = p
  const pull = (id: string, wind: Pick<OpenWind, 'from' | 'way'>, over: Pick<Pull, 'at' | 'force' | 'lacks'>): Pull => ({
    ...{ id, name: 'Awning open', on: 'thing', needsN: null, ratedN: null },
    ratedBy: windRatedKmh === null ? '' : 'its maker',
    caution: 'Rolled in before more wind than this, and never left open alone: an awning that lets go takes its bars with it.',
    wind: { ...wind, kmh: rules.awningKmh, ratedKmh: windRatedKmh },
    ...over,
  })
  if (opensMm === null)
    return [
      pull(
        'open',
        { from: 'side', way: 'up' },
        { at: at.middle, force: { x: 0, y: 0, z: 0 }, lacks: ['how far it reaches when it is open'] },
      ),
    ]
  return openAwning({ lengthMm, opensMm, legs }, rules).map((w) =>
    pull(`open:${w.from}:${w.way}`, w, {
      at: { ...at.middle, x: at.middle.x + w.aheadMm, y: at.middle.y + at.side * w.outMm },
      force: { x: 0, y: 0, z: w.way === 'up' ? w.forceN : -w.forceN },
      lacks: [],
    }),
  )
}

const thingOf = (p: BarMountsParams, at: ReturnType<typeof placesOf>): Fitting => ({
  id: 'thing',
  mark: 'AC',
  name: nameOf[p.what],
  massKg: p.massKg,
  at: at.middle,
  middle: at.middle,
  size: { x: p.lengthMm, y: p.deepMm, z: p.highMm },
  unknown: [],
  priceMinor: p.theirs ? null : p.priceMinor,
  there: p.theirs,
})

/** Each bracket from the thing's rear end, running: the template for its own holes, so that it is lifted once. */
const dimensionsOf = (p: BarMountsParams, at: ReturnType<typeof placesOf>): OwnDimension[] => [
  ...at.held.map(
    (h, i): OwnDimension => ({
      id: `bracket:${i}`,
      view: 'plan',
      axis: 'x',
      side: p.side === 'left' ? 'high' : 'low',
      running: true,
      from: { ...at.middle, x: at.rear },
      to: { ...at.middle, x: h.x },
      ref: `bracket:${i}`,
    }),
  ),
  {
    id: 'thing',
    view: 'side',
    axis: 'x',
    side: 'high',
    running: false,
    label: nameOf[p.what].toLowerCase(),
    from: { ...at.middle, x: at.rear },
    to: { ...at.middle, x: at.front },
    edits: { figure: 'length', offsetMm: 0 },
  },
]

function faults(p: BarMountsParams, base: Heads, at: ReturnType<typeof placesOf>, parts: PanPart[], rules: Rules): Issue[] {
  const need = at.held.length
  const said = [
    ...new Set(parts.flatMap((part) => panFaults(part.pan, { leastFlangeT: rules.leastFlangeT, leastRadiusT: rules.leastRadiusT }))),
  ]
  return [
    ...(need < 2
      ? [
          faultOf(
            'behindMm',
            need
              ? 'Only one bracket holds it: it turns about its bolts. Move it so that it passes two bars, or choose a longer one'
              : 'It passes no bar: nothing holds it. Move it along',
          ),
        ]
      : []),
    ...(p.outMm < p.thicknessMm && !(p.leg === 'under' && p.hangs === 'down') && !(p.leg === 'over' && p.hangs === 'up')
      ? [faultOf('outMm', `The fold stands in the end of its bar: {${p.thicknessMm}} past it or more`)]
      : []),
    ...(at.uneven ? [faultOf('behindMm', `${at.uneven} of the bars that it passes stand at another height and hold nothing of it`)] : []),
    ...(['legMm', 'dropMm'] as const)
      .filter((key) => p[key] < 2 * EDGE_MM + 10)
      .map((key) => faultOf(key, `Two bolts have no room on this leg: {${2 * EDGE_MM + 10}} or more`)),
    ...said.map((s) => faultOf('dropMm', `The bracket: ${s}`)),
    ...(base.line ? footFaults(p.footXMm, base.line) : []),
  ]
}
