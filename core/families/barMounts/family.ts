import { demoVehicles } from '../../vehicle/demoVehicles'
import { coatChoices, sideChoices, stifferThan } from '../choices'
import type { Family } from '../family'
import { feetAlong, feetOver, footMeasures } from '../feetAlong'
import { sheetFields } from '../foldedParts'
import { lengthMeasure } from '../measures'
import { lineOf } from '../mountLine'
import { ownBarsFields } from '../ownBar'
import { assemble, nameOf, placesOf } from './assemble'
import { headsOf } from './heads'
import { BarMountsParams, carriedThings } from './params'

const [van] = demoVehicles
const wagon = demoVehicles.find((v) => v.id === 'boxy-wagon') ?? van!

/** An awning, a jack, boards or the like beside a rack, on folded brackets at the ends of its bars. */
export const barMounts: Family<BarMountsParams> = {
  id: 'bar-mounts',
  title: 'Brackets on bar ends',
  group: 'on another piece',
  says: 'Folded brackets at the ends of bars: an awning, a jack, boards, a can or a lamp bar. Open, an awning is held against the wind that it is rolled in at.',
  params: BarMountsParams,
  fits: (site) =>
    headsOf(BarMountsParams.parse({}), site)
      ? null
      : site.below
        ? 'the piece below has no straight bars with free ends'
        : 'it needs a line of gutters, tracks, rails or points on the roof: add one at Measure; or stand it on a rack',
  start: (site) => {
    const { mountId, footXMm } = feetAlong(site.vehicle)
    const heads = headsOf(BarMountsParams.parse({ mountId, footXMm }), site)?.heads ?? []
    const span = heads.length > 1 ? heads[heads.length - 1]!.x - heads[0]!.x : 900
    const lengthMm = Math.min(4000, Math.max(600, Math.round(span + 400)))
    return BarMountsParams.parse({ mountId, footXMm, lengthMm, behindMm: Math.round((lengthMm - span) / 2) })
  },
  assemble,
  measures: (p, site) => [
    lengthMeasure(p, 'length', 'lengthMm', 'Length of what it holds', [150, 4000]),
    lengthMeasure(p, 'behind', 'behindMm', 'Its rear end behind the rear bar', [-2000, 2000]),
    lengthMeasure(p, 'out', 'outMm', 'Bracket past the bar’s end', [10, 400]),
    lengthMeasure(p, 'drop', 'dropMm', 'Leg it is bolted to', [30, 400]),
    ...(site.below ? [] : footMeasures(p, lineOf(p, site.vehicle))),
  ],
  handles: (p, site) => {
    const base = headsOf(p, site)
    if (!base) return []
    const at = placesOf(p, base)
    return [
      {
        id: 'thing',
        ref: 'thing',
        label: nameOf[p.what],
        at: { ...at.middle, x: at.rear },
        moves: [
          { axis: 'x', measure: 'behind', per: -1 },
          { axis: 'y', measure: 'out', per: at.side },
          { axis: 'z', measure: 'drop', per: p.hangs === 'down' ? -2 : 2 },
        ],
      },
      {
        id: 'end',
        ref: 'thing',
        label: 'Its front end',
        at: { ...at.middle, x: at.front },
        moves: [{ axis: 'x', measure: 'length', per: 1 }],
      },
    ]
  },
  fields: [
    { key: 'what', label: 'Holds', kind: 'choice', options: () => carriedThings.map((value) => ({ value, label: nameOf[value] })) },
    { key: 'side', label: 'Side', kind: 'choice', options: sideChoices },
    { key: 'lengthMm', label: 'Its length', kind: 'length', min: 150, max: 4000 },
    { key: 'deepMm', label: 'Its depth, outwards', kind: 'length', min: 20, max: 600 },
    { key: 'highMm', label: 'Its height', kind: 'length', min: 20, max: 600 },
    {
      key: 'opensMm',
      label: 'Open, it reaches out',
      kind: 'length',
      min: 300,
      max: 5000,
      nullable: true,
      when: (p) => p.what === 'awning',
    },
    { key: 'legs', label: 'Open, it stands on pegged legs', kind: 'switch', when: (p) => p.what === 'awning' },
    {
      key: 'windRatedKmh',
      label: 'Its maker’s wind limit, open',
      kind: 'speed',
      min: 5,
      max: 150,
      nullable: true,
      when: (p) => p.what === 'awning',
    },
    { key: 'massKg', label: 'Its mass, weighed', kind: 'mass', min: 0.1, max: 120, nullable: true },
    { key: 'theirs', label: 'The client brings it', kind: 'switch' },
    { key: 'priceMinor', label: 'Its price', kind: 'money', min: 0, max: 100_000_000, nullable: true, when: (p) => !p.theirs },
    { key: 'behindMm', label: 'Its rear end behind the rear bar', kind: 'length', min: -2000, max: 2000 },
    ...ownBarsFields,
    {
      key: 'leg',
      label: 'Leg on the bar',
      kind: 'choice',
      group: 'Brackets',
      options: () => [
        { value: 'over', label: 'Lies on it' },
        { value: 'under', label: 'Lies under it' },
      ],
    },
    {
      key: 'hangs',
      label: 'Folded',
      kind: 'choice',
      group: 'Brackets',
      options: () => [
        { value: 'down', label: 'Down' },
        { value: 'up', label: 'Up' },
      ],
    },
    { key: 'legMm', label: 'Leg on the bar, long', kind: 'length', min: 40, max: 300, group: 'Brackets' },
    { key: 'outMm', label: 'Past the end of the longest bar', kind: 'length', min: 10, max: 400, group: 'Brackets' },
    { key: 'dropMm', label: 'Leg that holds it, long', kind: 'length', min: 30, max: 400, group: 'Brackets' },
    { key: 'wideMm', label: 'Width', kind: 'length', min: 25, max: 200, group: 'Brackets' },
    ...sheetFields,
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p) => [
    ...[20, 40].filter((d) => p.wideMm + d <= 200).map((d) => ({ label: `brackets {${d}} wider`, params: { ...p, wideMm: p.wideMm + d } })),
    ...[1, 2]
      .filter((d) => p.thicknessMm + d <= 6)
      .map((d) => ({ label: `brackets of {g ${p.thicknessMm + d}}`, params: { ...p, thicknessMm: p.thicknessMm + d } })),
    ...[10, 30].filter((d) => p.outMm - d >= 10).map((d) => ({ label: `{${d}} nearer the bars`, params: { ...p, outMm: p.outMm - d } })),
    {
      label: `on the ${p.side === 'left' ? 'right' : 'left'}`,
      params: { ...p, side: p.side === 'left' ? ('right' as const) : ('left' as const) },
    },
    {
      label: p.hangs === 'down' ? 'folded up' : 'folded down',
      params: { ...p, hangs: p.hangs === 'down' ? ('up' as const) : ('down' as const) },
    },
    {
      label: p.leg === 'over' ? 'the leg under the bar' : 'the leg on the bar',
      params: { ...p, leg: p.leg === 'over' ? ('under' as const) : ('over' as const) },
    },
    ...stifferThan(p.barProfileId).map((q) => ({ label: `bars of ${q.name}`, params: { ...p, barProfileId: q.id } })),
  ],
  profile: { of: (p) => p.barProfileId, set: (p, barProfileId) => ({ ...p, barProfileId }) },
  finish: (p) => p.finish,
  mirrored: (p) => ({ ...p, side: p.side === 'left' ? 'right' : 'left' }),
  rehomed: feetOver,
  examples: [
    {
      name: 'an awning on two bars, not weighed',
      vehicle: van!,
      params: BarMountsParams.parse({ mountId: 'gutter', footXMm: [0, 1200], lengthMm: 2000, behindMm: 400 }),
    },
    {
      name: 'a jack of 48 in, weighed, on the right, brackets under the bars',
      vehicle: wagon,
      params: BarMountsParams.parse({
        what: 'jack',
        side: 'right',
        lengthMm: 1219.2,
        deepMm: 127,
        highMm: 152.4,
        massKg: 13.2,
        mountId: 'gutter',
        footXMm: [-300, 500],
        behindMm: 200,
        leg: 'under',
        hangs: 'up',
        wideMm: 76.2,
        thicknessMm: 4,
      }),
    },
    {
      name: 'boards standing up, stainless brackets',
      vehicle: van!,
      params: BarMountsParams.parse({
        what: 'boards',
        lengthMm: 1150,
        deepMm: 60,
        highMm: 330,
        massKg: 7.4,
        hangs: 'up',
        dropMm: 160,
        materialId: 'stainless',
        thicknessMm: 3,
        mountId: 'gutter',
        footXMm: [200, 1000],
        behindMm: 180,
      }),
    },
    {
      name: 'a long awning on three aluminium bars',
      vehicle: van!,
      params: BarMountsParams.parse({
        lengthMm: 2600,
        massKg: 22,
        priceMinor: 49_000,
        mountId: 'gutter',
        footXMm: [-400, 500, 1400],
        behindMm: 350,
        barProfileId: 'rect-50x30x3-al6061t6',
        outMm: 40,
        finish: 'raw',
      }),
    },
  ],
}
