import { boltSizeNames } from '../../catalogue/bolts'
import { along } from '../../geometry/vec3'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { coatChoices, roundChoices, stifferThan } from '../choices'
import type { Family, Site } from '../family'
import { feetAlong, feetOver, footMeasures } from '../feetAlong'
import { metalField } from '../foldedParts'
import { lengthMeasure } from '../measures'
import { lineOf } from '../mountLine'
import { ownBarsFields } from '../ownBar'
import { assemble } from './assemble'
import { ClampOnParams, packs } from './params'
import { barChoices, barsOf, jawOf, placeOn } from './shape'

const [van] = demoVehicles
const camper = demoVehicles.find((v) => v.id === 'camper-van') ?? van!
const wagon = demoVehicles.find((v) => v.id === 'boxy-wagon') ?? van!

const packNames: Record<(typeof packs)[number], string> = {
  skis: 'Skis or poles, side by side',
  boards: 'Boards, one on another',
  paddles: 'Paddles or oars',
  tools: 'Long tools',
}

/** Padded jaws over the bars of a rack or a carrier, clamped on: nothing is drilled. */
export const clampOn: Family<ClampOnParams> = {
  id: 'clamp-on',
  title: 'Clamp-on holder',
  group: 'on another piece',
  says: 'A padded jaw over each of two bars: ears clamped on, a padded tube between them that holds skis, boards, paddles or tools down. Nothing is drilled, so that a bought bar keeps its rating. Not for what is wider than its bar.',
  params: ClampOnParams,
  fits: (site) =>
    barsOf(ClampOnParams.parse({}), site)
      ? null
      : site.below
        ? 'the piece below has no level bar across'
        : 'it needs a rack or a carrier with bars across, or a line on the roof for bars of its own',
  start: (site: Site) => {
    const p = ClampOnParams.parse(site.below ? {} : feetAlong(site.vehicle))
    const [bar] = barsOf(p, site)?.bars ?? []
    return bar ? { ...p, onMember: site.below ? bar.id : '', atMm: Math.round(placeOn(p, bar).lengthMm / 2) } : p
  },
  assemble,
  measures: (p, site) => [
    lengthMeasure(p, 'at', 'atMm', 'Its middle from the first end of the bar', [0, 8000]),
    lengthMeasure(p, 'pack', 'packThickMm', 'Thickness of the pack', [5, 400]),
    lengthMeasure(p, 'wide', 'packWideMm', 'Width of the pack', [40, 1600]),
    ...(site.below ? [] : footMeasures(p, lineOf(p, site.vehicle))),
  ],
  handles: (p, site) => {
    const [bar] = barsOf(p, site)?.bars ?? []
    if (!bar) return []
    const [jaw, place] = [jawOf(p, bar), placeOn(p, bar)]
    const top = along(place.at, { x: 0, y: 0, z: 1 }, jaw.tubeUpMm)
    return [
      {
        id: 'jaw',
        ref: 'tube:0',
        label: 'Holder',
        at: top,
        moves: [
          { axis: 'y', measure: 'at', per: 1 / place.way.y },
          { axis: 'z', measure: 'pack', per: 1 },
        ],
      },
      {
        id: 'end',
        ref: 'tube:0',
        label: 'Its far ears',
        at: along(top, place.way, jaw.earOutMm),
        moves: [{ axis: 'y', measure: 'wide', per: 2 / place.way.y }],
      },
    ]
  },
  fields: [
    { key: 'what', label: 'Holds', kind: 'choice', options: () => packs.map((value) => ({ value, label: packNames[value] })) },
    {
      key: 'onMember',
      label: 'From which bar on',
      kind: 'place',
      when: (_, site) => site.below !== null,
      options: (site) => barChoices(site).map((m) => ({ value: m.id, label: `${m.name} ${m.mark}` })),
    },
    { key: 'jaws', label: 'Jaws, one on each bar', kind: 'count', min: 1, max: 6 },
    { key: 'atMm', label: 'Its middle from the first end of the bar', kind: 'length', min: 0, max: 8000 },
    {
      key: 'packThickMm',
      label: 'Thickness of the pack',
      kind: 'length',
      min: 5,
      max: 400,
      group: 'Pack',
      help: 'as it lies, bindings and fins with it',
    },
    { key: 'packWideMm', label: 'Width of the pack', kind: 'length', min: 40, max: 1600, group: 'Pack' },
    { key: 'padMm', label: 'Padding as it is pressed, over and under', kind: 'length', gauge: true, min: 0, max: 60, group: 'Pack' },
    { key: 'liningMm', label: 'Lining and washers at the bar, each side', kind: 'length', gauge: true, min: 0, max: 15, group: 'Ears' },
    { key: 'earWideMm', label: 'Width of an ear', kind: 'length', min: 20, max: 120, group: 'Ears' },
    { key: 'earMm', label: 'Thickness of an ear', kind: 'length', gauge: true, min: 2, max: 10, group: 'Ears' },
    { key: 'bolt', label: 'Bolts', kind: 'choice', options: () => boltSizeNames.map((value) => ({ value, label: value })), group: 'Ears' },
    ...ownBarsFields,
    {
      key: 'tubeProfileId',
      label: 'Padded tubes',
      kind: 'profile',
      options: roundChoices,
      group: 'Metal',
      help: 'their real size, not the trade’s',
    },
    metalField('Ears of'),
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p) => [
    ...[2, 4].filter((d) => p.earMm + d <= 10).map((d) => ({ label: `ears of {g ${p.earMm + d}}`, params: { ...p, earMm: p.earMm + d } })),
    ...[20]
      .filter((d) => p.earWideMm + d <= 120)
      .map((d) => ({ label: `ears {${d}} wider`, params: { ...p, earWideMm: p.earWideMm + d } })),
    ...(p.bolt === 'M8' ? [{ label: 'bolts M10', params: { ...p, bolt: 'M10' as const } }] : []),
    ...[100, -100].map((d) => ({
      label: d > 0 ? `{${d}} farther along the bar` : `{${-d}} nearer its first end`,
      params: { ...p, atMm: Math.max(0, p.atMm + d) },
    })),
    ...stifferThan(p.barProfileId).map((q) => ({ label: `bars of ${q.name}`, params: { ...p, barProfileId: q.id } })),
  ],
  finish: (p) => p.finish,
  rehomed: feetOver,
  examples: [
    { name: 'skis on two bars of its own', vehicle: van!, params: ClampOnParams.parse({ mountId: 'gutter', atMm: 700 }) },
    {
      name: 'paddles on three bars, aluminium',
      vehicle: camper,
      params: ClampOnParams.parse({
        ...{ what: 'paddles', mountId: 'track', footXMm: [-200, 500, 1200], jaws: 3, atMm: 560, packThickMm: 60, packWideMm: 420 },
        ...{
          materialId: 'al5052h32',
          earMm: 6,
          tubeProfileId: 'round-32x2-al6061t6',
          barProfileId: 'rect-50x30x3-al6061t6',
          finish: 'raw',
        },
        ...{ liningMm: 2 },
      }),
    },
    {
      name: 'boards, by inches, M10',
      vehicle: wagon,
      params: ClampOnParams.parse({
        ...{ what: 'boards', mountId: 'gutter', footXMm: [-300, 500], atMm: 609.6, packThickMm: 203.2, packWideMm: 609.6, padMm: 19.05 },
        ...{ earMm: 6.35, earWideMm: 50.8, bolt: '3/8-16' },
      }),
    },
    {
      name: 'long tools in stainless, close',
      vehicle: van!,
      params: ClampOnParams.parse({
        ...{ what: 'tools', mountId: 'gutter', footXMm: [200, 1400], atMm: 420, packThickMm: 55, packWideMm: 180, padMm: 6 },
        ...{ materialId: 'stainless', earMm: 4, tubeProfileId: 'round-25x2-stainless', finish: 'raw' },
      }),
    },
  ],
}
