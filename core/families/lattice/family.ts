import { demoVehicles } from '../../vehicle/demoVehicles'
import { boxChoices, coatChoices, stifferThan } from '../choices'
import type { Family, Site } from '../family'
import { feetAlong, feetOver, footMeasures, moreFeet } from '../feetAlong'
import { metalField } from '../foldedParts'
import { lengthMeasure } from '../measures'
import { lineField, lineOf } from '../mountLine'
import { assemble } from './assemble'
import { flats, LatticeParams } from './params'
import { latticeShape } from './shape'

const [van] = demoVehicles
const camper = demoVehicles.find((v) => v.id === 'camper-van') ?? van!
const wagon = demoVehicles.find((v) => v.id === 'boxy-wagon') ?? van!
const flatChoices = () => flats.map((p) => ({ value: p.id, label: p.name }))

/** A low rack of flat strips notched over crossbars, with a band round its edge. */
export const lattice: Family<LatticeParams> = {
  id: 'lattice',
  title: 'Lattice rack',
  group: 'over the roof',
  says: 'Flat strips lengthwise, notched over crossbars on folded legs, and a band round the edge: low, and lashed to anywhere. For boxes and long things; not to stand on.',
  params: LatticeParams,
  fits: ({ vehicle }: Site) =>
    vehicle.mounts.length ? null : 'it needs a line of gutters, tracks, rails or points on the roof: add one at Measure',
  start: ({ vehicle }) => LatticeParams.parse(feetAlong(vehicle)),
  assemble,
  measures: (p, site) => [
    lengthMeasure(p, 'end', 'endMm', 'Strips past the end bars', [0, 600]),
    lengthMeasure(p, 'rise', 'riseMm', 'Seat to the top of a leg', [30, 400]),
    lengthMeasure(p, 'past', 'pastMm', 'Bars past their legs', [0, 400]),
    ...footMeasures(p, lineOf(p, site.vehicle)),
  ],
  handles: (p, site) => {
    const line = lineOf(p, site.vehicle)
    if (!line) return []
    const s = latticeShape(p, line, site.rules)
    return [
      {
        id: 'front',
        ref: p.band ? 'band:front' : 'strip:0',
        label: 'Front of the rack',
        at: { x: s.frontX, y: 0, z: s.stripZ },
        moves: [
          { axis: 'x', measure: 'end', per: 1 },
          { axis: 'z', measure: 'rise', per: 1 },
        ],
      },
      {
        id: 'side',
        ref: 'bar:0',
        label: 'Side of the rack',
        at: { x: s.xs[0]!, y: s.barHalf, z: s.barZ },
        moves: [{ axis: 'y', measure: 'past', per: 1 }],
      },
      ...p.footXMm.map((x, i) => ({
        ...{ id: `foot:${i}`, ref: `bar:${s.xs.indexOf(x)}`, label: `Crossbar ${i + 1}` },
        at: { x, y: -s.half(x), z: line.zMm },
        moves: [{ axis: 'x' as const, measure: `foot:${i}`, per: 1 }],
      })),
    ]
  },
  fields: [
    lineField(),
    { key: 'footXMm', label: 'Crossbars, ahead of the rear axle', each: 'Crossbar', kind: 'lengths', min: -5000, max: 8000, most: 10 },
    { key: 'pastMm', label: 'Bars past their legs', kind: 'length', min: 0, max: 400 },
    { key: 'strips', label: 'Strips', kind: 'count', min: 2, max: 24 },
    { key: 'endMm', label: 'Strips past the end bars', kind: 'length', min: 0, max: 600 },
    { key: 'notchMm', label: 'Let down over the bars by', kind: 'length', min: 2, max: 40, group: 'Notches' },
    { key: 'playMm', label: 'Notch wider than the bar by', kind: 'length', gauge: true, min: 0, max: 5, group: 'Notches' },
    { key: 'riseMm', label: 'Seat to the top of a leg', kind: 'length', min: 30, max: 400, group: 'Legs' },
    { key: 'leanDeg', label: 'Lean in from upright', kind: 'angle', min: 0, max: 60, group: 'Legs' },
    { key: 'padMm', label: 'Pad on the foot', kind: 'length', min: 30, max: 200, group: 'Legs' },
    { key: 'topMm', label: 'Pad under the bar', kind: 'length', min: 30, max: 250, group: 'Legs' },
    { key: 'legWideMm', label: 'Width of a leg', kind: 'length', min: 30, max: 200, group: 'Legs' },
    { key: 'thicknessMm', label: 'Thickness of a leg', kind: 'length', gauge: true, min: 2, max: 10, group: 'Legs' },
    {
      key: 'legs',
      label: 'A leg holds its bar',
      kind: 'choice',
      options: () => [
        { value: 'welded', label: 'welded under it' },
        { value: 'rivet nuts', label: 'bolted from below, into rivet nuts' },
      ],
      group: 'Legs',
    },
    { key: 'band', label: 'Band round the edge', kind: 'switch', group: 'Edge' },
    {
      key: 'cornerMm',
      label: 'Centre-line radius of its corners',
      kind: 'length',
      min: 20,
      max: 400,
      nullable: true,
      group: 'Edge',
      when: (p) => p.band,
      help: 'as the bender or the former makes it',
    },
    { key: 'barProfileId', label: 'Crossbars', kind: 'profile', options: boxChoices, group: 'Metal' },
    { key: 'stripProfileId', label: 'Strips', kind: 'profile', options: flatChoices, group: 'Metal' },
    { key: 'bandProfileId', label: 'Band', kind: 'profile', options: flatChoices, group: 'Metal', when: (p) => p.band },
    metalField('Legs of'),
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p, site) => [
    ...moreFeet(p, lineOf(p, site.vehicle)).map((c) => ({ ...c, label: 'one more crossbar' })),
    ...[1, 2]
      .filter((d) => p.thicknessMm + d <= 10)
      .map((d) => ({ label: `legs of {g ${p.thicknessMm + d}}`, params: { ...p, thicknessMm: p.thicknessMm + d } })),
    ...[20, 40]
      .filter((d) => p.legWideMm + d <= 200)
      .map((d) => ({ label: `legs {${d}} wider`, params: { ...p, legWideMm: p.legWideMm + d } })),
    ...(p.leanDeg > 5 ? [{ label: 'legs more upright', params: { ...p, leanDeg: Math.max(0, p.leanDeg - 10) } }] : []),
    ...(p.notchMm > 8 ? [{ label: 'notches half as deep', params: { ...p, notchMm: Math.max(2, Math.round(p.notchMm / 2)) } }] : []),
    ...stifferThan(p.barProfileId).map((q) => ({ label: `crossbars of ${q.name}`, params: { ...p, barProfileId: q.id } })),
  ],
  shorten: [
    {
      id: 'end',
      label: 'shorter ends past the bars',
      least: () => 0,
      most: (p) => 2 * Math.max(0, p.endMm - 80),
      apply: (p, d) => ({ ...p, endMm: p.endMm - d / 2 }),
    },
  ],
  profile: { of: (p) => p.barProfileId, set: (p, barProfileId) => ({ ...p, barProfileId }) },
  finish: (p) => p.finish,
  rehomed: feetOver,
  examples: [
    { name: 'steel on gutters', vehicle: van!, params: LatticeParams.parse({ mountId: 'gutter', footXMm: [-300, 500, 1300] }) },
    {
      name: 'aluminium on tracks, no band',
      vehicle: camper,
      params: LatticeParams.parse({
        ...{ mountId: 'track', footXMm: [-200, 700, 1600], band: false, strips: 5, barProfileId: 'square-40x3-al6061t6' },
        ...{ stripProfileId: 'flat-40x8-al6061t6', materialId: 'al5052h32', thicknessMm: 6, finish: 'raw' },
      }),
    },
    {
      name: 'by inches, upright legs, close strips',
      vehicle: wagon,
      params: LatticeParams.parse({
        ...{ mountId: 'gutter', footXMm: [-400, 400], strips: 9, riseMm: 63.5, leanDeg: 0, notchMm: 12.7, endMm: 203.2 },
        ...{ cornerMm: 76.2, thicknessMm: 6.35, padMm: 63.5, topMm: 76.2 },
      }),
    },
    {
      name: 'stainless strips, legs leaning far in',
      vehicle: van!,
      params: LatticeParams.parse({
        ...{
          mountId: 'gutter',
          footXMm: [0, 900],
          legs: 'rivet nuts',
          leanDeg: 40,
          riseMm: 120,
          strips: 4,
          stripProfileId: 'flat-30x5-stainless',
        },
        ...{ barProfileId: 'rect-50x30x3-steel', notchMm: 10, cornerMm: 150, pastMm: 90, endMm: 260 },
      }),
    },
  ],
}
