import { demoVehicles } from '../../vehicle/demoVehicles'
import { coatChoices, roundChoices } from '../choices'
import type { Family } from '../family'
import { lengthMeasure } from '../measures'
import { assemble } from './assemble'
import { HalfGuardParams } from './params'
import { halfGuardShape, leftRailOf } from './shape'

/** A low bent guard over the front of the bed. */
export const halfGuard: Family<HalfGuardParams> = {
  id: 'half-guard',
  title: 'Half guard',
  group: 'over the cab',
  says: 'A low bent hoop on base tubes that follow the bed rails, with stays; every joint saddled and welded.',
  params: HalfGuardParams,
  fits: (site) => (leftRailOf(site) ? null : 'it needs a measured bed: length, widths, rail and height of the bed at Measure, sheet “Bed”'),
  start: (site) => {
    const rail = leftRailOf(site)
    return HalfGuardParams.parse({ baseMm: rail ? Math.min(900, Math.max(300, rail.to.x - rail.from.x - 80)) : 900 })
  },
  assemble,
  measures: (p) => [
    lengthMeasure(p, 'height', 'heightMm', 'Base to top of the hoop', [120, 900]),
    lengthMeasure(p, 'base', 'baseMm', 'Length of the base', [300, 3000]),
    lengthMeasure(p, 'hoop', 'hoopBehindMm', 'Hoop behind the front of the base', [20, 1500]),
  ],
  handles: (p, site) => {
    const s = halfGuardShape(p, site)
    if (!s) return []
    return [
      {
        id: 'top',
        ref: 'hoop',
        label: 'Top of the hoop',
        at: { ...s.legAt(p.heightMm, 1), y: 0 },
        moves: [
          { axis: 'z', measure: 'height', per: 1 },
          { axis: 'x', measure: 'hoop', per: -1 },
        ],
      },
      {
        id: 'rear',
        ref: 'base:right',
        label: 'Rear end of the base',
        at: { x: s.rearX, y: -s.half(s.rearX), z: s.z },
        moves: [{ axis: 'x', measure: 'base', per: -1 }],
      },
    ]
  },
  fields: [
    {
      key: 'bendRadiusMm',
      label: 'Centre-line radius of the die',
      kind: 'length',
      min: 20,
      max: 1000,
      nullable: true,
      help: 'no cut length until it is known',
    },
    { key: 'heightMm', label: 'Base to top of the hoop, centre to centre', kind: 'length', min: 120, max: 900 },
    { key: 'frontGapMm', label: 'Behind the front wall of the bed', kind: 'length', min: 0, max: 1500 },
    { key: 'baseMm', label: 'Length of the base', kind: 'length', min: 300, max: 3000 },
    { key: 'hoopBehindMm', label: 'Hoop behind the front of the base', kind: 'length', min: 20, max: 1500 },
    { key: 'insideMm', label: 'Inside the middle of the rail', kind: 'length', min: -60, max: 200, help: 'less than 0 = outside it' },
    { key: 'stayUpMm', label: 'Stays meet the legs above the base', kind: 'length', min: 40, max: 700, group: 'Stays' },
    { key: 'stayBackMm', label: 'Stays stand behind the hoop', kind: 'length', min: 60, max: 2000, group: 'Stays' },
    { key: 'lowBars', label: 'Low bars between the legs', kind: 'count', min: 0, max: 4, group: 'Stays' },
    { key: 'baseProfileId', label: 'Base tubes', kind: 'profile', options: roundChoices, group: 'Metal' },
    { key: 'hoopProfileId', label: 'Hoop', kind: 'profile', options: roundChoices, group: 'Metal' },
    { key: 'stayProfileId', label: 'Stays and low bars', kind: 'profile', options: roundChoices, group: 'Metal' },
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p) => [
    ...[20, 40, 80, 120]
      .filter((d) => p.heightMm - d >= 120)
      .map((d) => ({ label: `lower the hoop by {${d}}`, params: { ...p, heightMm: p.heightMm - d } })),
    // steeper: a torch gets into their corner, and a spanner under them
    ...[80, 160, 320]
      .filter((d) => p.stayBackMm - d >= 60)
      .map((d) => ({ label: `stays {${d}} nearer to the hoop`, params: { ...p, stayBackMm: p.stayBackMm - d } })),
    ...[100, 200].map((d) => ({ label: `a base {${d}} longer`, params: { ...p, baseMm: p.baseMm + d } })),
    ...(p.lowBars < 4 ? [{ label: 'one more low bar', params: { ...p, lowBars: p.lowBars + 1 } }] : []),
  ],
  shorten: [
    {
      id: 'base',
      label: 'a shorter base',
      least: () => 0,
      most: (p) => Math.max(0, p.baseMm - 400),
      apply: (p, d) => ({ ...p, baseMm: p.baseMm - d }),
    },
  ],
  finish: (p) => p.finish,
  examples: [
    { name: 'steel over a bed that narrows', vehicle: demoVehicles[1]!, params: HalfGuardParams.parse({ bendRadiusMm: 130 }) },
    {
      name: 'aluminium, taller, three low bars',
      vehicle: demoVehicles[1]!,
      params: HalfGuardParams.parse({
        bendRadiusMm: 130,
        heightMm: 480,
        stayUpMm: 260,
        lowBars: 3,
        baseProfileId: 'round-42x3-al6061t6',
        hoopProfileId: 'round-42x3-al6061t6',
        stayProfileId: 'round-32x2-al6061t6',
        finish: 'raw',
      }),
    },
  ],
}
