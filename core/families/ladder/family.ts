import { demoVehicles } from '../../vehicle/demoVehicles'
import { nearestMountX, type Vehicle } from '../../vehicle/vehicle'
import { coatChoices, roundChoices, roundTubes } from '../choices'
import type { Family } from '../family'
import { lengthMeasure } from '../measures'
import { lineOf } from '../mountLine'
import { overTo } from '../overTo'
import { OWN_BARS, onItsOwn, ownBarFields } from '../ownBar'
import { assemble } from './assemble'
import { LadderParams } from './params'
import { bumperOf, headOf, ladderShape } from './shape'

const wagon = demoVehicles.find((v) => v.id === 'boxy-wagon')!
const withBumper = (v: Vehicle, heightMm: number): Vehicle => ({
  ...v,
  measures: { ...v.measures, 'rear.bumperHeight': { ...wagon.measures['rear.bumperHeight']!, value: heightMm } },
})
const van = withBumper(demoVehicles[0]!, 540)

/** Two bent rails behind the vehicle, from a bar on the roof to the bumper, with rungs between them. */
export const ladder: Family<LadderParams> = {
  id: 'ladder',
  title: 'Rear ladder',
  group: 'behind',
  says: 'Bent rails from a bar on the roof down to the bumper, rungs saddled between them at an even pitch. For one person at a time, parked.',
  params: LadderParams,
  fits: (site) =>
    !bumperOf(site)
      ? 'it needs a bumper to stand on: measure its top at Measure, sheet “Rear end”'
      : headOf(LadderParams.parse({}), site)
        ? null
        : 'it needs a bar across: a line on the roof for one of its own, or a rack with one',
  start: (site) => {
    const line = lineOf(LadderParams.parse({}), site.vehicle)
    return LadderParams.parse({ mountId: line?.id ?? '', ...(line ? { barXMm: Math.round(line.fromXMm + 120) } : {}) })
  },
  assemble,
  measures: (p, site) => [
    lengthMeasure(p, 'aside', 'asideMm', 'Its middle, left of the vehicle’s', [-900, 900]),
    lengthMeasure(p, 'wide', 'wideMm', 'Rails apart', [200, 600]),
    lengthMeasure(p, 'off', 'standOffMm', 'Rails behind the vehicle', [40, 300]),
    lengthMeasure(p, 'first', 'firstRungMm', 'First rung above the ground', [200, 900]),
    lengthMeasure(p, 'knee', 'kneeUpMm', 'Knee above the bumper', [60, 500]),
    ...(p.kind === 'hinged' ? [lengthMeasure(p, 'hinge', 'hingeUpMm', 'Hinges above the bumper', [80, 1500])] : []),
    ...(site.below ? [] : [lengthMeasure(p, 'bar', 'barXMm', 'Head bar, ahead of the rear axle', [-5000, 8000])]),
  ],
  handles: (p, site) => {
    const [head, bumper] = [headOf(p, site), bumperOf(site)]
    if (!head || !bumper) return []
    const s = ladderShape(p, site, head, bumper)
    const rung = s.rungs[0]
    return [
      {
        id: 'rail',
        ref: 'rail:left',
        label: 'Ladder',
        at: { ...s.corners[1], y: s.railY[0] },
        moves: [
          { axis: 'x', measure: 'off', per: -1 },
          { axis: 'y', measure: 'aside', per: 1 },
        ],
      },
      ...(rung
        ? [
            {
              id: 'first',
              ref: 'rung:0',
              label: 'First rung',
              at: { x: rung.x, y: p.asideMm, z: rung.z },
              moves: [{ axis: 'z' as const, measure: 'first', per: 1 }],
            },
          ]
        : []),
    ]
  },
  fields: [
    { key: 'asideMm', label: 'Its middle, left of the vehicle’s', kind: 'length', min: -900, max: 900 },
    { key: 'wideMm', label: 'Rails apart, centres', kind: 'length', min: 200, max: 600 },
    { key: 'standOffMm', label: 'Rails behind the vehicle', kind: 'length', min: 40, max: 300 },
    { key: 'kneeUpMm', label: 'Knee above the bumper', kind: 'length', min: 60, max: 500 },
    {
      key: 'kind',
      label: 'On the road it',
      kind: 'choice',
      options: () => [
        { value: 'fixed', label: 'stays as it is' },
        { value: 'hinged', label: 'is folded up about hinges' },
        { value: 'removable', label: 'is lifted off its hooks' },
      ],
    },
    { key: 'hingeUpMm', label: 'Hinges above the bumper', kind: 'length', min: 80, max: 1500, when: (p) => p.kind === 'hinged' },
    {
      key: 'hingeN',
      label: 'One hinge holds, by its maker',
      kind: 'force',
      min: 0,
      max: 50_000,
      nullable: true,
      when: (p) => p.kind === 'hinged',
    },
    {
      key: 'latchN',
      label: 'One latch or hook holds, by its maker',
      kind: 'force',
      min: 0,
      max: 50_000,
      nullable: true,
      when: (p) => p.kind !== 'fixed',
      help: 'while nobody knows, the ladder is not assessed',
    },
    {
      key: 'stow',
      label: 'Off, it is kept',
      kind: 'choice',
      options: () => ['on the rack', 'in the vehicle', 'left behind'].map((value) => ({ value, label: value })),
      when: (p) => p.kind === 'removable',
    },
    { key: 'firstRungMm', label: 'First rung above the ground', kind: 'length', min: 200, max: 900 },
    { key: 'mostPitchMm', label: 'Rungs apart, at most', kind: 'length', min: 180, max: 400 },
    { key: 'bendRadiusMm', label: 'Centre-line radius of the die', kind: 'length', min: 30, max: 400, nullable: true },
    {
      key: 'barXMm',
      label: 'Head bar, ahead of the rear axle',
      kind: 'length',
      min: -5000,
      max: 8000,
      group: OWN_BARS,
      when: onItsOwn,
    },
    ...ownBarFields,
    { key: 'railProfileId', label: 'Rails', kind: 'profile', options: roundChoices, group: 'Metal' },
    { key: 'rungProfileId', label: 'Rungs', kind: 'profile', options: roundChoices, group: 'Metal' },
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p) => [
    ...[20, 40]
      .filter((d) => p.standOffMm - d >= 40)
      .map((d) => ({ label: `{${d}} nearer the vehicle`, params: { ...p, standOffMm: p.standOffMm - d } })),
    ...[30, 60]
      .filter((d) => p.standOffMm + d <= 300)
      .map((d) => ({ label: `{${d}} further out`, params: { ...p, standOffMm: p.standOffMm + d } })),
    ...[40]
      .filter((d) => p.wideMm - d >= 290)
      .map((d) => ({ label: `rails {${d}} nearer each other`, params: { ...p, wideMm: p.wideMm - d } })),
    ...[150, 300]
      .filter((d) => Math.abs(p.asideMm - d) <= 900)
      .map((d) => ({ label: `{${d}} to the right`, params: { ...p, asideMm: p.asideMm - d } })),
    ...roundTubes
      .filter((q) => q.id.endsWith(p.railProfileId.split('-').at(-1) ?? '') && q.id !== p.railProfileId)
      .map((q) => ({ label: `rails of ${q.name}`, params: { ...p, railProfileId: q.id } })),
  ],
  profile: { of: (p) => p.railProfileId, set: (p, railProfileId) => ({ ...p, railProfileId }) },
  finish: (p) => p.finish,
  mirrored: (p) => ({ ...p, asideMm: -p.asideMm }),
  rehomed: (p, { vehicle }, from) => {
    // it hangs at the rear of the roof: as far ahead of the line's end as it was
    const [was, over] = [lineOf(p, from), overTo(p.mountId, [p.barXMm], from, vehicle)]
    if (!over) return p
    const ahead = was && from.id !== vehicle.id ? p.barXMm - was.fromXMm : null
    const barXMm = ahead === null ? over.xMm[0]! : nearestMountX(over.line, Math.round(over.line.fromXMm + ahead))
    return { ...p, mountId: over.line.id, barXMm }
  },
  examples: [
    { name: 'steel on a wagon, left of the middle', vehicle: wagon, params: LadderParams.parse({ mountId: 'gutter' }) },
    {
      name: 'folded up for the road',
      vehicle: van,
      params: LadderParams.parse({ mountId: 'gutter', barXMm: -900, kind: 'hinged', hingeUpMm: 700, hingeN: 6000, latchN: 3000 }),
    },
    {
      name: 'a tall van, thicker rails, on the right',
      vehicle: van,
      params: LadderParams.parse({
        mountId: 'gutter',
        barXMm: -900,
        asideMm: -420,
        railProfileId: 'round-42x3-steel',
        firstRungMm: 640,
      }),
    },
    {
      name: 'aluminium by inches',
      vehicle: wagon,
      params: LadderParams.parse({
        mountId: 'gutter',
        asideMm: 304.8,
        wideMm: 355.6,
        firstRungMm: 609.6,
        mostPitchMm: 304.8,
        railProfileId: 'round-42x3-al6061t6',
        rungProfileId: 'round-32x2-al6061t6',
        barProfileId: 'square-40x3-al6061t6',
        bendRadiusMm: 152.4,
        finish: 'raw',
      }),
    },
    {
      name: 'stainless, close rungs, further out',
      vehicle: wagon,
      params: LadderParams.parse({
        ...{ kind: 'removable', latchN: 4000, stow: 'on the rack' },
        mountId: 'gutter',
        standOffMm: 140,
        mostPitchMm: 220,
        railProfileId: 'round-32x2-stainless',
        rungProfileId: 'round-25x2-stainless',
        finish: 'raw',
      }),
    },
  ],
}
