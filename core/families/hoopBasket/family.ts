import { coatChoices, roundChoices } from '../choices'
import type { Family } from '../family'
import { feetAlong, feetOver, footMeasures, moreFeet } from '../feetAlong'
import { lengthMeasure } from '../measures'
import { lineOf } from '../mountLine'
import { assemble } from './assemble'
import { basketExamples } from './examples'
import { BasketParams } from './params'
import { basketShape } from './shape'

const withShell = (p: BasketParams) => p.shell
/** A basket of round tube over the roof, its hoops bent, everything else saddled and welded. */
export const hoopBasket: Family<BasketParams> = {
  id: 'hoop-basket',
  title: 'Hoop basket',
  group: 'over the roof',
  says: 'Bent hoops, runners and saddled cross tubes of round steel or aluminium, with a floor, side bars and a lamp shell.',
  params: BasketParams,
  fits: ({ vehicle }) =>
    vehicle.mounts.length ? null : 'it needs a line of gutters, tracks, rails or points on the roof: add one at Measure',
  start: ({ vehicle }) => BasketParams.parse(feetAlong(vehicle)),
  assemble,
  measures: (p, { vehicle }) => {
    const line = lineOf(p, vehicle)
    return [
      lengthMeasure(p, 'side', 'sideMm', 'Height of the sides', [80, 900]),
      {
        id: 'lean',
        label: 'Lean of the front hoop',
        unit: 'angle',
        value: p.frontLeanDeg,
        min: -30,
        max: 45,
        set: (q, frontLeanDeg) => ({ ...q, frontLeanDeg }),
      },
      lengthMeasure(p, 'past', 'pastMm', 'Runners past the end feet', [0, 600]),
      ...footMeasures(p, line),
    ]
  },
  handles: (p, { vehicle }) => {
    const line = lineOf(p, vehicle)
    if (!line) return []
    const s = basketShape(p, line)
    const [front] = s.hoops
    return [
      {
        id: 'front',
        ref: 'hoop:front',
        label: 'Top of the front hoop',
        at: front.legAt(p.sideMm, -1),
        moves: [
          { axis: 'z', measure: 'side', per: 1 },
          { axis: 'x', measure: 'lean', per: 180 / Math.PI / Math.max(80, p.sideMm) },
        ],
      },
      ...p.footXMm.map((x, i) => ({
        id: `foot:${i}`,
        ref: `foot:${i}:right`,
        label: `Foot ${i + 1}`,
        at: { x, y: -s.half(x), z: line.zMm },
        moves: [{ axis: 'x' as const, measure: `foot:${i}`, per: 1 }],
      })),
    ]
  },
  rehomed: feetOver,
  fields: [
    {
      key: 'mountId',
      label: 'Stands on',
      kind: 'place',
      options: ({ vehicle }) => vehicle.mounts.map((m) => ({ value: m.id, label: m.name })),
    },
    {
      key: 'bendRadiusMm',
      label: 'Centre-line radius of the die',
      kind: 'length',
      min: 20,
      max: 1000,
      nullable: true,
      help: 'no cut length until it is known',
    },
    { key: 'footXMm', label: 'Feet, ahead of the rear axle', each: 'Foot', kind: 'lengths', min: -5000, max: 8000, most: 10 },
    { key: 'pastMm', label: 'Runners past the end feet', kind: 'length', min: 0, max: 600 },
    { key: 'footHeightMm', label: 'Foot height', kind: 'length', min: 0, max: 400, help: 'seat of the foot to underside of the runner' },
    { key: 'crossTubes', label: 'Cross tubes', kind: 'count', min: 2, max: 24 },
    {
      key: 'floor',
      label: 'Floor',
      kind: 'choice',
      options: () => [
        { value: 'mesh', label: 'Mesh' },
        { value: 'slats', label: 'Slats' },
        { value: 'open', label: 'Open' },
      ],
    },
    { key: 'sideMm', label: 'Height of the sides, centre to centre', kind: 'length', min: 80, max: 900, group: 'Hoops' },
    { key: 'frontLeanDeg', label: 'Front hoop leans ahead', kind: 'angle', min: -30, max: 45, group: 'Hoops' },
    { key: 'rearLeanDeg', label: 'Rear hoop leans back', kind: 'angle', min: -30, max: 45, group: 'Hoops' },
    { key: 'sideBars', label: 'Side bars', kind: 'switch', group: 'Hoops' },
    { key: 'shell', label: 'Lamp shell ahead of the front hoop', kind: 'switch', group: 'Lamps' },
    { key: 'shellAheadMm', label: 'Shell ahead of the hoop', kind: 'length', min: 60, max: 500, group: 'Lamps', when: withShell },
    { key: 'lamps', label: 'Lamps', kind: 'count', min: 0, max: 12, group: 'Lamps', when: withShell },
    { key: 'lampMm', label: 'Width of a lamp', kind: 'length', min: 40, max: 400, group: 'Lamps', when: withShell },
    { key: 'lampDeepMm', label: 'Depth of a lamp', kind: 'length', min: 20, max: 300, group: 'Lamps', when: withShell },
    { key: 'lampGapMm', label: 'Least gap between lamps', kind: 'length', min: 0, max: 300, group: 'Lamps', when: withShell },
    { key: 'lampKg', label: 'Mass of a lamp', kind: 'mass', min: 0, max: 20, nullable: true, group: 'Lamps', when: withShell },
    {
      key: 'lampPriceMinor',
      label: 'Price of a lamp',
      kind: 'money',
      min: 0,
      max: 10_000_000,
      nullable: true,
      group: 'Lamps',
      when: withShell,
    },
    { key: 'runnerProfileId', label: 'Runners', kind: 'profile', options: roundChoices, group: 'Metal' },
    { key: 'crossProfileId', label: 'Cross tubes', kind: 'profile', options: roundChoices, group: 'Metal' },
    { key: 'hoopProfileId', label: 'Hoops', kind: 'profile', options: roundChoices, group: 'Metal' },
    { key: 'sideProfileId', label: 'Side bars', kind: 'profile', options: roundChoices, group: 'Metal' },
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p, { vehicle }) => {
    const line = lineOf(p, vehicle)
    return [
      ...[20, 40, 80, 120]
        .filter((d) => p.sideMm - d >= 80)
        .map((d) => ({ label: `sides {${d}} lower`, params: { ...p, sideMm: p.sideMm - d } })),
      ...[20, 40]
        .filter((d) => p.footHeightMm - d >= 0)
        .map((d) => ({ label: `feet {${d}} lower`, params: { ...p, footHeightMm: p.footHeightMm - d } })),
      ...moreFeet(p, line),
      ...(p.crossTubes < 24 ? [{ label: 'two more cross tubes', params: { ...p, crossTubes: Math.min(24, p.crossTubes + 2) } }] : []),
      ...(p.lamps > 1 ? [{ label: 'two lamps fewer', params: { ...p, lamps: Math.max(0, p.lamps - 2) } }] : []),
      ...(p.floor === 'slats' ? [{ label: 'mesh instead of slats', params: { ...p, floor: 'mesh' as const } }] : []),
      ...(p.shell ? [{ label: 'leave the lamp shell off', params: { ...p, shell: false, lamps: 0 } }] : []),
    ]
  },
  shorten: [
    {
      id: 'past',
      label: 'shorter runner ends',
      least: () => 0,
      most: (p) => 2 * Math.max(0, p.pastMm - 60),
      apply: (p, d) => ({ ...p, pastMm: p.pastMm - d / 2 }),
    },
  ],
  footHeight: { of: (p) => p.footHeightMm, set: (p, footHeightMm) => ({ ...p, footHeightMm }) },
  finish: (p) => p.finish,
  examples: basketExamples,
}
