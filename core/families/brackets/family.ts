import { boltSizeNames } from '../../catalogue/bolts'
import { turns } from '../../geometry/quarterTurn'
import { along, dot } from '../../geometry/vec3'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { coatChoices, sideChoices } from '../choices'
import type { Family, Handle, Site } from '../family'
import { sheetFields } from '../foldedParts'
import { lengthMeasure } from '../measures'
import { onItsOwn } from '../ownBar'
import { inRow } from '../pattern'
import { assemble } from './assemble'
import { type Base, baseOf, flatPlaces, onWall, rowOf, straightBars } from './base'
import { BracketsParams, type forms, type Way, ways } from './params'
import { blankOf, leastLegMm, meanOf, stood } from './shape'

const pickup = demoVehicles[1]!
const camper = demoVehicles.find((v) => v.id === 'camper-van') ?? pickup
const bedded = demoVehicles.find((v) => v.bodies.some((b) => b.kind === 'bed')) ?? pickup
const trayed = demoVehicles.find((v) => v.id === 'flat-tray-truck') ?? pickup

const formNames: Record<(typeof forms)[number], string> = {
  flat: 'Flat: an adapter between two hole patterns',
  angle: 'Angle: two legs',
  step: 'Step: two level legs and a web',
  clamp: 'Clamp round a bar',
}
const wayChoices = () => ways.map((value) => ({ value, label: value }))
const bolts = () => boltSizeNames.map((value) => ({ value, label: value }))
const onBelow = (_: unknown, site: Site): boolean => site.below !== null
const is =
  (...of: BracketsParams['form'][]) =>
  (p: BracketsParams): boolean =>
    of.includes(p.form)
const FOLDED = ['angle', 'step', 'clamp'] as const
/** Its bolts are those of the place’s own foot. */
const ownPattern = (p: BracketsParams, site: Site): boolean => {
  const base = baseOf(p, site)
  return p.form !== 'clamp' && (base?.place ? base.place.kind === 'rivet nut' : true)
}

/** As new ones begin: steps on what lies level, clamps round what is round, angles down a wall; in the first two places there are. */
function start(site: Site): BracketsParams {
  const first = BracketsParams.parse({ form: 'step' })
  const [bar] = site.below ? straightBars(site.below) : []
  const [place] = site.below ? [] : flatPlaces(site)
  const p = { ...first, onMember: bar?.id ?? '', placeId: place?.id ?? '' }
  const base = baseOf(p, site)
  if (!base) return p
  const atMm = evenly(base)
  if (base.round) return { ...p, form: 'clamp', legMm: Math.ceil(leastLegMm(p, base)), atMm }
  // a foot’s own row of bolts is wider than two of ours
  const wideMm = base.place && rowOf(base.place.kind) !== null ? 90 : p.wideMm
  if (onWall(base))
    return { ...p, form: 'angle', runs: 'down', one: inRow(2, 40, 9, 'along'), padMm: 90, holdMm: 220, upMm: 0, wideMm, atMm }
  const inward: Way = base.at.y > 0 ? 'right' : 'left'
  return { ...p, runs: Math.abs(base.way.x) > 0.7 ? inward : 'ahead', wideMm, atMm }
}

/** Two, a quarter of the way in; where only some places take one, the first two of these. */
function evenly({ lengthMm, place }: Base): number[] {
  const points = place?.pointsMm
  if (points?.length) return points.slice(0, 2)
  return [0.25, 0.75].map((s) => Math.round((s * lengthMm) / 10) * 10)
}

/** Folded and flat brackets between a part and what it is bolted to. */
export const brackets: Family<BracketsParams> = {
  id: 'brackets',
  title: 'Brackets and adapters',
  group: 'on another piece',
  says: 'Angles, steps, clamps round a bar, or a flat adapter between two hole patterns: on a tube of another piece or on the vehicle. What they hold is bolted through its own holes.',
  params: BracketsParams,
  fits: (site) =>
    site.below
      ? straightBars(site.below).length
        ? null
        : 'the piece below has no straight tube'
      : flatPlaces(site).length
        ? null
        : 'it needs points, tracks, rails, ribs or a tray’s edge: add or measure them at Measure; or stand it on another piece',
  start,
  assemble,
  measures: (p, site) => {
    const base = baseOf(p, site)
    const points = base?.place?.pointsMm
    return [
      ...p.atMm.map((x, i) => ({
        ...{ id: `at:${i}`, label: `Bracket ${i + 1} from the first end`, unit: 'length' as const, value: x },
        ...{ min: 0, max: Math.min(8000, Math.floor(base?.lengthMm ?? 8000)) },
        ...(points?.length
          ? { snap: (v: number) => points.reduce((best, q) => (Math.abs(q - v) < Math.abs(best - v) ? q : best), points[0]!) }
          : {}),
        set: (q: BracketsParams, v: number) => ({ ...q, atMm: q.atMm.map((o, k) => (k === i ? v : o)) }),
      })),
      ...(p.form === 'angle' || p.form === 'step' ? [lengthMeasure(p, 'hold', 'holdMm', 'Leg that holds', [20, 600])] : []),
      ...(p.form === 'step' ? [lengthMeasure(p, 'step', 'stepMm', 'Step', [1, 300])] : []),
      ...(onWall(base) ? [lengthMeasure(p, 'up', 'upMm', 'Over the line of the place', [-500, 3000])] : []),
      lengthMeasure(p, 'length', 'lengthMm', 'Length of what it holds', [20, 5000]),
    ]
  },
  handles: (p, site) => {
    const base = baseOf(p, site)
    if (!base) return []
    const axis = (['x', 'y', 'z'] as const).reduce((best, k) => (Math.abs(base.way[k]) > Math.abs(base.way[best]) ? k : best), 'x')
    const blank = blankOf(p, base, site.rules)
    const all = p.atMm.map((at) => stood(p, base, blank, at, site.rules))
    const end = along(meanOf(all.map((s) => s.hold)), base.way, p.lengthMm / 2)
    const lengthwise = Math.abs(dot(all[0]!.out, base.way)) < 0.7
    return [
      ...all.map(
        (s, i): Handle => ({
          id: `bracket:${i}`,
          ref: `bracket:${i}`,
          label: `Bracket ${i + 1}`,
          at: s.foot,
          moves: [
            { axis, measure: `at:${i}`, per: 1 / base.way[axis] },
            ...(onWall(base) && axis !== 'z' ? [{ axis: 'z' as const, measure: 'up', per: 1 }] : []),
          ],
        }),
      ),
      ...(lengthwise
        ? [
            {
              id: 'end',
              ref: 'thing',
              label: 'Its far end',
              at: end,
              moves: [{ axis, measure: 'length', per: 2 / base.way[axis] }],
            },
          ]
        : []),
    ]
  },
  fields: [
    { key: 'form', label: 'Form', kind: 'choice', options: () => Object.entries(formNames).map(([value, label]) => ({ value, label })) },
    {
      key: 'onMember',
      label: 'On which tube',
      kind: 'place',
      when: onBelow,
      options: ({ below }) => (below ? straightBars(below).map((m) => ({ value: m.id, label: `${m.name} ${m.mark}` })) : []),
    },
    { key: 'face', label: 'On its side that looks', kind: 'choice', options: wayChoices, when: onBelow },
    {
      key: 'placeId',
      label: 'Place',
      kind: 'place',
      when: onItsOwn,
      options: (site) =>
        [...new Map(flatPlaces(site).map((x) => [x.id, x])).values()].map((x) => ({
          value: x.id,
          label: x.name,
        })),
    },
    { key: 'side', label: 'Side', kind: 'choice', options: sideChoices, when: onItsOwn },
    { key: 'upMm', label: 'Over the line of the place', kind: 'length', min: -500, max: 3000, when: (p, site) => onWall(baseOf(p, site)) },
    {
      key: 'runs',
      label: 'From its bolts it runs',
      kind: 'choice',
      options: wayChoices,
      when: is('flat', 'angle', 'step'),
      help: 'of the four ways along and across what it lies on, the nearest',
    },
    { key: 'atMm', label: 'Brackets, from the first end', each: 'Bracket', kind: 'lengths', min: 0, max: 8000, most: 12 },
    { key: 'wideMm', label: 'Width', kind: 'length', min: 20, max: 400, group: 'Bracket', when: is(...FOLDED) },
    { key: 'padMm', label: 'Leg on what it stands on', kind: 'length', min: 20, max: 400, group: 'Bracket', when: is('angle', 'step') },
    { key: 'holdMm', label: 'Leg that holds', kind: 'length', min: 20, max: 600, group: 'Bracket', when: is('angle', 'step') },
    {
      key: 'angleDeg',
      label: 'Folded by',
      kind: 'angle',
      min: 15,
      max: 120,
      group: 'Bracket',
      when: is('angle'),
      help: '90° is square; less leans out',
    },
    { key: 'stepMm', label: 'Step, from face to same face', kind: 'length', min: 1, max: 300, group: 'Bracket', when: is('step') },
    {
      key: 'webDeg',
      label: 'Web folded by',
      kind: 'angle',
      min: 15,
      max: 90,
      group: 'Bracket',
      when: is('step'),
      help: '90° is square; less is slanted and reaches out',
    },
    { key: 'legMm', label: 'Legs beside the bar', kind: 'length', min: 20, max: 300, group: 'Bracket', when: is('clamp') },
    {
      key: 'liningMm',
      label: 'Lining and washers, each side',
      kind: 'length',
      gauge: true,
      min: 0,
      max: 15,
      group: 'Bracket',
      when: is('clamp'),
    },
    {
      key: 'lies',
      label: 'What it holds lies',
      kind: 'choice',
      group: 'Bracket',
      options: () => [
        { value: 'over', label: 'on the side away from what it stands on' },
        { value: 'under', label: 'on the other side of the sheet' },
      ],
    },
    { key: 'one', label: 'Holes on what it stands on', kind: 'pattern', group: 'Holes', when: ownPattern },
    { key: 'boltOne', label: 'Bolts there', kind: 'choice', group: 'Holes', options: bolts, when: (_, site) => site.below !== null },
    {
      key: 'fixed',
      label: 'Into a tube',
      kind: 'choice',
      group: 'Holes',
      when: (p, site) => site.below !== null && p.form !== 'clamp',
      options: () => [
        { value: 'through', label: 'right through it' },
        { value: 'rivet nut', label: 'into rivet nuts in its wall' },
      ],
    },
    { key: 'sunk', label: 'Their heads are sunk into the sheet', kind: 'switch', group: 'Holes', when: is('flat', 'angle', 'step') },
    { key: 'other', label: 'Holes of what it holds', kind: 'pattern', group: 'Holes' },
    { key: 'boltOther', label: 'Bolts of what it holds', kind: 'choice', group: 'Holes', options: bolts },
    {
      key: 'turned',
      label: 'Second pattern turned',
      kind: 'choice',
      group: 'Holes',
      when: is('flat'),
      options: () => turns.map((t) => ({ value: String(t), label: t ? `${t}° to the left` : 'as it is' })),
    },
    { key: 'shiftXMm', label: 'Second pattern moved along', kind: 'length', min: -1500, max: 1500, group: 'Holes', when: is('flat') },
    { key: 'shiftYMm', label: 'Second pattern moved across', kind: 'length', min: -1500, max: 1500, group: 'Holes', when: is('flat') },
    { key: 'name', label: 'What it holds', kind: 'text', most: 60, group: 'What it holds' },
    { key: 'lengthMm', label: 'Its length', kind: 'length', min: 20, max: 5000, group: 'What it holds' },
    { key: 'deepMm', label: 'Its depth, out from the brackets', kind: 'length', min: 10, max: 2000, group: 'What it holds' },
    { key: 'highMm', label: 'Its other measure', kind: 'length', min: 10, max: 2000, group: 'What it holds' },
    { key: 'massKg', label: 'Its mass, weighed', kind: 'mass', min: 0.01, max: 400, nullable: true, group: 'What it holds' },
    { key: 'theirs', label: 'The client brings it', kind: 'switch', group: 'What it holds' },
    {
      key: 'priceMinor',
      label: 'Its price',
      kind: 'money',
      min: 0,
      max: 100_000_000,
      nullable: true,
      group: 'What it holds',
      when: (p) => !p.theirs,
    },
    ...sheetFields.map((f) => (f.kind === 'length' ? { ...f, min: 1.5, max: 12 } : f)),
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p, site) => {
    const base = baseOf(p, site)
    return [
      ...[1, 2, 4]
        .filter((d) => p.thicknessMm + d <= 12)
        .map((d) => ({ label: `of {g ${p.thicknessMm + d}} sheet`, params: { ...p, thicknessMm: p.thicknessMm + d } })),
      ...(p.form === 'flat' ? [] : [20, 40])
        .filter((d) => p.wideMm + d <= 400)
        .map((d) => ({ label: `{${d}} wider`, params: { ...p, wideMm: p.wideMm + d } })),
      ...(p.form === 'step' && p.webDeg < 90 ? [{ label: 'a square step', params: { ...p, webDeg: 90 } }] : []),
      ...(p.form === 'step' && p.webDeg === 90 ? [{ label: 'a slanted step', params: { ...p, webDeg: 45 } }] : []),
      ...(p.fixed === 'rivet nut' && base?.member
        ? [{ label: 'bolts right through the tube', params: { ...p, fixed: 'through' as const } }]
        : []),
      ...oneMore(p, base),
    ]
  },
  finish: (p) => p.finish,
  mirrored: (p) => ({ ...p, side: p.side === 'left' ? 'right' : 'left', runs: swapped(p.runs), face: swapped(p.face) }),
  examples: [
    {
      name: 'shelf angles on the ribs of a van, not weighed',
      vehicle: camper,
      params: BracketsParams.parse({
        ...{ placeId: 'van.rib', upMm: -200, atMm: [210, 690], runs: 'down', padMm: 90, one: inRow(2, 40, 9, 'along') },
        ...{ holdMm: 120, name: 'Battery shelf', lengthMm: 620, deepMm: 180, highMm: 110 },
      }),
    },
    {
      name: 'a flat adapter under a fan’s frame, in inches',
      vehicle: bedded,
      params: BracketsParams.parse({
        ...{ form: 'flat', placeId: 'bed.rail', atMm: [400, 900], runs: 'right', thicknessMm: 6.35 },
        ...{ other: inRow(2, 101.6, 7.1, 'along'), boltOther: '1/4-20', shiftXMm: 60, shiftYMm: -10 },
        ...{ name: 'Wind deflector', lengthMm: 609.6, deepMm: 152.4, highMm: 127, massKg: 4.1 },
      }),
    },
    {
      name: 'slanted steps on tracks, stainless',
      vehicle: camper,
      params: BracketsParams.parse({
        ...{ form: 'step', placeId: 'track', atMm: [300, 1100, 1900], runs: 'right', webDeg: 45, stepMm: 60, padMm: 70, holdMm: 60 },
        ...{ wideMm: 90, thicknessMm: 3, materialId: 'stainless', name: 'Solar panel', lengthMm: 1780, deepMm: 35, highMm: 760 },
        ...{ massKg: 19.5, priceMinor: 21_000 },
      }),
    },
    {
      name: 'legs leaning out from a tray, on the right',
      vehicle: trayed,
      params: BracketsParams.parse({
        ...{ placeId: 'tray.edge', side: 'right', atMm: [500, 1500], runs: 'right', angleDeg: 70, padMm: 60, holdMm: 160 },
        ...{
          wideMm: 100,
          thicknessMm: 5,
          lies: 'under',
          name: 'Hose reel',
          lengthMm: 420,
          deepMm: 300,
          highMm: 330,
          massKg: 14,
          theirs: true,
        },
      }),
    },
  ],
}

const swapped = (w: Way): Way => (w === 'left' ? 'right' : w === 'right' ? 'left' : w)

/** One more in the middle of the widest gap, where the place takes one there. */
function oneMore(p: BracketsParams, base: Base | null): { label: string; params: BracketsParams }[] {
  const xs = [...p.atMm].sort((a, b) => a - b)
  const gaps = xs.slice(1).map((x, i) => ({ wide: x - xs[i]!, at: (x + xs[i]!) / 2 }))
  const [widest] = gaps.sort((a, b) => b.wide - a.wide)
  if (!widest || widest.wide <= 3 * p.wideMm || xs.length >= 12) return []
  const points = base?.place?.pointsMm
  const at = points?.length ? points.find((q) => xs.every((x) => Math.abs(x - q) > p.wideMm)) : widest.at
  return at === undefined ? [] : [{ label: 'one more bracket', params: { ...p, atMm: [...p.atMm, Math.round(at * 10) / 10] } }]
}
