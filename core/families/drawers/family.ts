import { demoVehicles } from '../../vehicle/demoVehicles'
import { coatChoices } from '../choices'
import type { Family } from '../family'
import { fitsFloor, floorFields, floorOf, floorsOf } from '../floor'
import { sheetFields } from '../foldedParts'
import { lengthMeasure } from '../measures'
import { assemble } from './assemble'
import { DrawersParams } from './params'
import { drawersShape } from './shape'

const pickup = demoVehicles[1]!
const tray = demoVehicles.find((v) => v.id === 'flat-tray-truck') ?? pickup

/** Drawers under a deck on a bed or the floor of a van. */
export const drawers: Family<DrawersParams> = {
  id: 'drawers',
  title: 'Drawers under a deck',
  group: 'in and over the bed',
  says: 'Folded drawers side by side on bought slides, pulled out over the tailgate, with a deck over them. Not to stand on.',
  params: DrawersParams,
  fits: fitsFloor,
  start: (site) => {
    const [floor] = floorsOf(site)
    if (!floor) return DrawersParams.parse({})
    const room = Math.abs(floor.to.x - floor.from.x) - 120
    const lengthMm = Math.max(300, Math.min(1200, Math.floor(room / 10) * 10))
    const wide = 2 * Math.min(Math.abs(floor.from.y), Math.abs(floor.to.y))
    return DrawersParams.parse({
      placeId: floor.id,
      lengthMm,
      // at the rear end of the floor, where it is pulled out
      frontMm: Math.max(0, Math.round(room + 100 - lengthMm)),
      travelMm: Math.max(100, lengthMm - 150),
      widthMm: Math.max(200, Math.min(1400, Math.floor(wide / 10) * 10)),
    })
  },
  assemble,
  measures: (p) => [
    lengthMeasure(p, 'front', 'frontMm', 'Behind the front of its floor', [0, 4000]),
    lengthMeasure(p, 'length', 'lengthMm', 'Length along the vehicle, outside', [300, 2600]),
    lengthMeasure(p, 'width', 'widthMm', 'Width across, outside', [200, 2200]),
    lengthMeasure(p, 'height', 'heightMm', 'Floor to underside of the deck', [90, 700]),
    lengthMeasure(p, 'travel', 'travelMm', 'Travel of a drawer', [100, 2600]),
  ],
  handles: (p, site) => {
    const floor = floorOf(p, site)
    if (!floor) return []
    const s = drawersShape(p, floor)
    const middle = (s.rearX + s.frontX) / 2
    return [
      {
        id: 'deck',
        ref: 'deck',
        label: 'Deck',
        at: { x: middle, y: 0, z: s.topMm },
        moves: [
          { axis: 'x', measure: 'front', per: -1 },
          { axis: 'z', measure: 'height', per: 1 },
        ],
      },
      {
        id: 'rear',
        ref: 'front:0',
        label: 'Front of the drawers',
        at: { x: s.rearX, y: s.bayY[0]!, z: s.zMm + p.heightMm / 2 },
        moves: [{ axis: 'x', measure: 'length', per: -1 }],
      },
    ]
  },
  fields: [
    ...floorFields(4000),
    { key: 'lengthMm', label: 'Length along the vehicle, outside', kind: 'length', min: 300, max: 2600 },
    { key: 'widthMm', label: 'Width across, outside', kind: 'length', min: 200, max: 2200 },
    { key: 'heightMm', label: 'Floor to underside of the deck', kind: 'length', min: 90, max: 700 },
    { key: 'count', label: 'Drawers side by side', kind: 'count', min: 1, max: 4 },
    { key: 'travelMm', label: 'Travel of a drawer', kind: 'length', min: 100, max: 2600, group: 'Slides' },
    {
      key: 'slideGapMm',
      label: 'A slide needs beside its drawer',
      kind: 'length',
      gauge: true,
      min: 5,
      max: 40,
      group: 'Slides',
      help: 'by its maker',
    },
    {
      key: 'slideKg',
      label: 'A pair of slides carries',
      kind: 'mass',
      min: 0,
      max: 1000,
      nullable: true,
      group: 'Slides',
      help: 'by its maker; unknown is not assessed',
    },
    { key: 'slidePairKg', label: 'A pair of slides weighs', kind: 'mass', min: 0, max: 60, nullable: true, group: 'Slides' },
    {
      key: 'latchN',
      label: 'The lock of a shut drawer holds',
      kind: 'force',
      min: 0,
      max: 20_000,
      nullable: true,
      group: 'Slides',
      help: 'by its maker',
    },
    {
      key: 'outLockN',
      label: 'The lock of a drawer that is out holds',
      kind: 'force',
      min: 0,
      max: 20_000,
      nullable: true,
      group: 'Slides',
      help: 'by its maker; 0 = it has none',
    },
    { key: 'ribs', label: 'Ribs under the deck', kind: 'count', min: 1, max: 12, group: 'Metal', help: 'the deck bends between them' },
    { key: 'ribMm', label: 'Depth of a rib', kind: 'length', min: 10, max: 60, group: 'Metal' },
    ...sheetFields,
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p) => [
    ...[100, 200, 400]
      .filter((d) => p.travelMm - d >= 100)
      .map((d) => ({ label: `{${d}} less travel`, params: { ...p, travelMm: p.travelMm - d } })),
    ...[2, 4].filter((d) => p.ribs + d <= 12).map((d) => ({ label: `${d} more ribs under the deck`, params: { ...p, ribs: p.ribs + d } })),
    ...[0.5, 1]
      .filter((d) => p.thicknessMm + d <= 6)
      .map((d) => ({ label: `sheet {g ${d}} thicker`, params: { ...p, thicknessMm: p.thicknessMm + d } })),
    ...[10, 20].filter((d) => p.ribMm + d <= 60).map((d) => ({ label: `ribs {${d}} deeper`, params: { ...p, ribMm: p.ribMm + d } })),
    ...(p.count < 4 ? [{ label: 'one more drawer, each narrower', params: { ...p, count: p.count + 1 } }] : []),
  ],
  finish: (p) => p.finish,
  examples: [
    {
      name: 'two in the bed of a pickup',
      vehicle: pickup,
      params: DrawersParams.parse({ frontMm: 350, slideKg: 90, slidePairKg: 6.4, latchN: 2000, outLockN: 400, widthMm: 1040 }),
    },
    {
      name: 'three on a tray, steel',
      vehicle: tray,
      params: DrawersParams.parse({
        placeId: 'tray.edge',
        frontMm: 1200,
        lengthMm: 1400,
        widthMm: 1800,
        count: 3,
        travelMm: 1200,
        materialId: 'steel',
        thicknessMm: 1.5,
        finish: 'powder',
      }),
    },
    {
      name: 'one low and long, by inches',
      vehicle: pickup,
      params: DrawersParams.parse({
        frontMm: 203.2,
        lengthMm: 1270,
        widthMm: 508,
        heightMm: 177.8,
        count: 1,
        travelMm: 1143,
        thicknessMm: 1.6,
        ribs: 1,
        slideKg: 113.4,
      }),
    },
    {
      name: 'four small ones, stainless',
      vehicle: tray,
      params: DrawersParams.parse({
        placeId: 'tray.edge',
        frontMm: 1500,
        lengthMm: 700,
        widthMm: 1500,
        count: 4,
        travelMm: 500,
        materialId: 'stainless',
        ribs: 8,
      }),
    },
  ],
}
