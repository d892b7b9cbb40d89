import { demoVehicles } from '../../vehicle/demoVehicles'
import { coatChoices, jointChoices } from '../choices'
import type { Family } from '../family'
import { fitsFloor, floorFields, floorOf, floorsOf } from '../floor'
import { sheetFields } from '../foldedParts'
import { lengthMeasure } from '../measures'
import { assemble } from './assemble'
import { ChestParams } from './params'
import { chestShape } from './shape'

const pickup = demoVehicles[1]!
const tray = demoVehicles.find((v) => v.id === 'flat-tray-truck') ?? pickup

const tabbed = (p: ChestParams): boolean => p.build === 'slotted' && p.dividers > 0
/** A chest of folded sheet across a bed, a tray or the floor of a van. */
export const chest: Family<ChestParams> = {
  id: 'chest',
  title: 'Chest',
  group: 'in and over the bed',
  says: 'A box of folded sheet with a lid, dividers and a lock, bolted to the floor through folded bearers. For tools and small parts; not to sit or climb on.',
  params: ChestParams,
  fits: fitsFloor,
  start: (site) => {
    const [floor] = floorsOf(site)
    if (!floor) return ChestParams.parse({})
    const wide = 2 * Math.min(Math.abs(floor.from.y), Math.abs(floor.to.y))
    return ChestParams.parse({ placeId: floor.id, widthMm: Math.max(200, Math.min(1200, Math.floor(wide / 10) * 10)) })
  },
  assemble,
  measures: (p) => [
    lengthMeasure(p, 'front', 'frontMm', 'Behind the front of its floor', [0, 6000]),
    lengthMeasure(p, 'length', 'lengthMm', 'Length along the vehicle, outside', [200, 3000]),
    lengthMeasure(p, 'width', 'widthMm', 'Width across, outside', [200, 2400]),
    lengthMeasure(p, 'height', 'heightMm', 'Floor to rim', [120, 1200]),
    lengthMeasure(p, 'bearer', 'bearerHeightMm', 'Height of the bearers', [15, 120]),
  ],
  handles: (p, site) => {
    const floor = floorOf(p, site)
    if (!floor) return []
    const s = chestShape(p, floor, site.rules)
    const middle = (s.rearX + s.frontX) / 2
    return [
      {
        id: 'front',
        ref: 'lid',
        label: 'Chest',
        at: { x: middle, y: 0, z: s.topMm },
        moves: [
          { axis: 'x', measure: 'front', per: -1 },
          { axis: 'z', measure: 'height', per: 1 },
        ],
      },
      {
        id: 'rear',
        ref: 'body',
        label: 'Back of the chest',
        at: { x: s.rearX, y: 0, z: s.zMm + p.heightMm / 2 },
        moves: [{ axis: 'x', measure: 'length', per: -1 }],
      },
      {
        id: 'side',
        ref: 'end:right',
        label: 'Right end',
        at: { x: middle, y: -p.widthMm / 2, z: s.zMm + p.heightMm / 2 },
        moves: [{ axis: 'y', measure: 'width', per: -2 }],
      },
    ]
  },
  fields: [
    ...floorFields(6000),
    { key: 'lengthMm', label: 'Length along the vehicle, outside', kind: 'length', min: 200, max: 3000 },
    { key: 'widthMm', label: 'Width across, outside', kind: 'length', min: 200, max: 2400 },
    { key: 'heightMm', label: 'Floor to rim', kind: 'length', min: 120, max: 1200 },
    { key: 'dividers', label: 'Dividers', kind: 'count', min: 0, max: 8 },
    { key: 'rimMm', label: 'Rim folded in', kind: 'length', min: 8, max: 80, group: 'Rim and lid' },
    { key: 'skirtMm', label: 'Skirt of the lid', kind: 'length', min: 10, max: 150, group: 'Rim and lid' },
    { key: 'latches', label: 'Latches', kind: 'count', min: 1, max: 4, group: 'Rim and lid' },
    {
      key: 'latchN',
      label: 'One latch holds',
      kind: 'force',
      min: 0,
      max: 20_000,
      nullable: true,
      group: 'Rim and lid',
      help: 'by its maker; while nobody knows, the lid is not assessed',
    },
    { key: 'keyNumber', label: 'Key number', kind: 'text', most: 20, group: 'Rim and lid' },
    { key: 'bearers', label: 'Bearers under it', kind: 'count', min: 2, max: 16, group: 'Bearers', help: 'the floor bends between them' },
    { key: 'bearerHeightMm', label: 'Height of the bearers', kind: 'length', min: 15, max: 120, group: 'Bearers' },
    ...sheetFields,
    {
      key: 'build',
      label: 'Ends and dividers',
      kind: 'choice',
      options: () => [...jointChoices(), { value: 'slotted', label: 'Welded, dividers flat with tabs' }],
      group: 'Metal',
    },
    {
      key: 'tabs',
      label: 'Tabs of a divider',
      kind: 'count',
      min: 2,
      max: 8,
      group: 'Tabs',
      when: tabbed,
      help: 'welded shut from below before the bearers go on, or the floor lets water in',
    },
    { key: 'tabMm', label: 'Length of a tab', kind: 'length', min: 10, max: 150, group: 'Tabs', when: tabbed },
    {
      key: 'allowanceMm',
      label: 'Slots larger by',
      kind: 'length',
      gauge: true,
      min: 0.1,
      max: 2,
      group: 'Tabs',
      when: tabbed,
      help: 'three tenths of the kerf at least, for its round corners',
    },
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p) => [
    ...[0.5, 1, 2]
      .filter((d) => p.thicknessMm + d <= 6)
      .map((d) => ({
        label: `sheet {g ${d}} thicker`,
        params: { ...p, thicknessMm: p.thicknessMm + d },
      })),
    ...[2, 4].filter((d) => p.bearers + d <= 16).map((d) => ({ label: `${d} more bearers`, params: { ...p, bearers: p.bearers + d } })),
    ...(p.dividers < 8 ? [{ label: 'one more divider', params: { ...p, dividers: p.dividers + 1 } }] : []),
    ...[40, 80, 160]
      .filter((d) => p.heightMm - d >= 120)
      .map((d) => ({ label: `lower the chest by {${d}}`, params: { ...p, heightMm: p.heightMm - d } })),
    ...(p.latches < 4 ? [{ label: 'one more latch', params: { ...p, latches: p.latches + 1 } }] : []),
  ],
  finish: (p) => p.finish,
  examples: [
    {
      name: 'aluminium, welded, in a pickup’s bed',
      vehicle: pickup,
      params: ChestParams.parse({ widthMm: 900, latchN: 1500, keyNumber: 'SQ 114' }),
    },
    {
      name: 'steel, bolted, on a tray, three fields',
      vehicle: tray,
      params: ChestParams.parse({
        placeId: 'tray.edge',
        materialId: 'steel',
        thicknessMm: 1.5,
        widthMm: 1500,
        lengthMm: 600,
        dividers: 2,
        build: 'bolted',
        finish: 'powder',
      }),
    },
    {
      name: 'low and narrow, stainless, by inches and gauge',
      vehicle: pickup,
      params: ChestParams.parse({
        frontMm: 304.8,
        lengthMm: 914.4,
        widthMm: 457.2,
        heightMm: 254,
        materialId: 'stainless',
        thicknessMm: 1.52,
        dividers: 0,
        bearers: 4,
        latches: 1,
      }),
    },
    {
      name: 'steel, its divider flat, in slots of the floor',
      vehicle: pickup,
      params: ChestParams.parse({
        materialId: 'steel',
        thicknessMm: 2,
        widthMm: 1000,
        build: 'slotted',
        tabs: 3,
        latchN: 1500,
        finish: 'painted',
      }),
    },
    {
      name: 'thick sheet, four dividers, no rim to speak of',
      vehicle: tray,
      params: ChestParams.parse({
        placeId: 'tray.edge',
        frontMm: 1200,
        thicknessMm: 3,
        rimMm: 16,
        widthMm: 1900,
        lengthMm: 450,
        heightMm: 600,
        dividers: 4,
        bearers: 12,
        latchN: 800,
      }),
    },
  ],
}
