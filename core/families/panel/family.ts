import { materials } from '../../catalogue/materials'
import { demoVehicles } from '../../vehicle/demoVehicles'
import { coatChoices, sideChoices } from '../choices'
import type { Family, FieldSpec, Handle } from '../family'
import { lengthMeasure } from '../measures'
import { assemble } from './assemble'
import { PanelParams, SIZES } from './params'
import { before, wallOf, wallsOf } from './wall'

const camper = demoVehicles.find((v) => v.id === 'camper-van') ?? demoVehicles[0]!
const crew = demoVehicles.find((v) => v.bodies.some((b) => b.kind === 'cab') && v.bodies.some((b) => b.kind === 'bed')) ?? camper
const two = (p: PanelParams): boolean => p.split !== 'one'
const typed = (p: PanelParams): boolean => p.drawn === null
const offsets = (key: 'topMm' | 'bottomMm', label: string, help: string): FieldSpec<PanelParams> => ({
  ...{ key, label, help, kind: 'lengths', each: 'Place', min: 0, max: 2000, most: 15 },
  ...{ group: 'Edge along the body', when: typed },
})
const slotted = (p: PanelParams): boolean => p.slotMm > 0

/** A slotted panel before the ribs of a van or the back wall of a cab. */
export const panel: Family<PanelParams> = {
  id: 'panel',
  title: 'Wall panel',
  group: 'inside',
  says: 'A flat panel with a field of slots on the ribs of a van or the back wall of a cab, in one part or in two. For tools and cases on hooks; nobody is held by it.',
  params: PanelParams,
  fits: (site) => (wallsOf(site).length ? null : 'it needs ribs or the wall of a cab: measure the van’s inside, or the cab, at Measure'),
  start: (site) => {
    const [place] = wallsOf(site)
    if (!place) return PanelParams.parse({})
    const p = PanelParams.parse({ placeId: place.id, ...(place.kind === 'cab wall' ? { lowMm: 60, heightMm: 400 } : {}) })
    const wall = wallOf(p, site)
    if (!wall) return p
    const ribs = wall.ribsMm ?? [0, wall.lengthMm]
    const [first, last] = [ribs[0]!, ribs[Math.min(ribs.length - 1, 3)]!]
    const fromMm = Math.max(0, Math.round(first - p.edgeMm - 5))
    return { ...p, fromMm, lengthMm: Math.max(200, Math.min(4000, Math.floor(Math.min(last + p.edgeMm + 5, wall.lengthMm) - fromMm))) }
  },
  assemble,
  measures: (p) => [
    lengthMeasure(p, 'from', 'fromMm', 'From the first end of its wall', [0, 6000]),
    ...(p.drawn ? [] : [lengthMeasure(p, 'length', 'lengthMm', 'Length', SIZES.lengthMm)]),
    lengthMeasure(p, 'low', 'lowMm', 'Lower edge above the floor', [0, 2000]),
    ...(p.drawn ? [] : [lengthMeasure(p, 'height', 'heightMm', 'Height', SIZES.heightMm)]),
    lengthMeasure(p, 'standOff', 'standOffMm', 'Back off the line of the ribs', [0, 200]),
    ...(two(p) ? [lengthMeasure(p, 'split', 'splitMm', 'Seam from the first edge', [60, 3900])] : []),
  ],
  handles: (p, site) => {
    const wall = wallOf(p, site)
    if (!wall) return []
    const ref = two(p) ? 'panel:0' : 'panel'
    const axis = Math.abs(wall.way.x) > 0.5 ? ('x' as const) : ('y' as const)
    const per = Math.sign(wall.way[axis])
    const at = (x: number, up: number) => before(wall, p.fromMm + x, p.lowMm + up, p.standOffMm)
    const sized = (h: Handle): Handle[] => (p.drawn ? [] : [h])
    return [
      {
        id: 'panel',
        ref,
        label: 'Panel',
        at: at(p.lengthMm / 2, p.heightMm / 2),
        moves: [
          { axis, measure: 'from', per },
          { axis: 'z', measure: 'low', per: 1 },
        ],
      },
      ...sized({
        id: 'end',
        ref: two(p) ? 'panel:1' : ref,
        label: 'Far edge',
        at: at(p.lengthMm, p.heightMm / 2),
        moves: [{ axis, measure: 'length', per }],
      }),
      ...sized({
        id: 'top',
        ref,
        label: 'Upper edge',
        at: at(p.lengthMm / 2, p.heightMm),
        moves: [{ axis: 'z', measure: 'height', per: 1 }],
      }),
      ...(two(p)
        ? [{ id: 'seam', ref: 'panel:1', label: 'Seam', at: at(p.splitMm, p.heightMm / 2), moves: [{ axis, measure: 'split', per }] }]
        : []),
    ]
  },
  fields: [
    {
      key: 'placeId',
      label: 'Stands before',
      kind: 'place',
      options: (site) => [...new Map(wallsOf(site).map((w) => [w.id, { value: w.id, label: w.name }])).values()],
    },
    { key: 'side', label: 'Side', kind: 'choice', options: sideChoices, when: (p) => p.placeId === 'van.rib' },
    { key: 'fromMm', label: 'From the first end of its wall', kind: 'length', min: 0, max: 6000, help: 'a van’s rear end, a cab’s left' },
    {
      key: 'drawn',
      label: 'Edge from a drawing',
      kind: 'drawing',
      help: 'a traced edge or a part drawn elsewhere, seen from inside; its cut-outs come with it',
    },
    { key: 'lengthMm', label: 'Length', kind: 'length', min: SIZES.lengthMm[0], max: SIZES.lengthMm[1], when: typed },
    { key: 'lowMm', label: 'Lower edge above the floor', kind: 'length', min: 0, max: 2000 },
    { key: 'heightMm', label: 'Height', kind: 'length', min: SIZES.heightMm[0], max: SIZES.heightMm[1], when: typed },
    offsets(
      'topMm',
      'Body comes in below the upper edge by',
      'measured down from a level straight edge, at even places from its first end',
    ),
    offsets('bottomMm', 'Body comes in over the lower edge by', 'over a wheel arch, at even places from its first end'),
    { key: 'rows', label: 'Rows of screws', kind: 'count', min: 2, max: 8, group: 'Screws' },
    {
      key: 'columns',
      label: 'Screws in a row',
      kind: 'count',
      min: 2,
      max: 12,
      group: 'Screws',
      when: (p, site) => !wallOf(p, site)?.ribsMm,
    },
    { key: 'edgeMm', label: 'Screws from the edge', kind: 'length', min: 10, max: 100, group: 'Screws' },
    { key: 'standOffMm', label: 'Back off the line of the ribs', kind: 'length', min: 0, max: 200, group: 'Screws' },
    {
      key: 'gapsMm',
      label: 'Gap to the body at each row',
      kind: 'lengths',
      each: 'Row',
      min: 0,
      max: 300,
      most: 8,
      group: 'Screws',
      help: 'a wall leans: each row, from the lowest, has spacers of its own; none = as it stands off',
    },
    {
      key: 'offMm',
      label: 'Holes of the body were off by',
      kind: 'lengths',
      each: 'Vehicle',
      min: 0,
      max: 30,
      most: 20,
      group: 'Screws',
      help: 'the worst of each vehicle it shall fit; the largest sets the holes, d + 2·e; none = the shop’s rule',
    },
    {
      key: 'holes',
      label: 'Holes for the screws',
      kind: 'choice',
      options: () => [
        { value: 'round', label: 'Round and wide' },
        { value: 'along', label: 'Slots along' },
        { value: 'up', label: 'Slots up' },
      ],
      group: 'Screws',
    },
    { key: 'washerMm', label: 'Washers across', kind: 'length', gauge: true, min: 10, max: 60, group: 'Screws' },
    { key: 'slotMm', label: 'Length of a slot', kind: 'length', min: 0, max: 300, group: 'Field', help: '0 = no field' },
    { key: 'slotWideMm', label: 'Width of a slot', kind: 'length', gauge: true, min: 3, max: 40, group: 'Field', when: slotted },
    { key: 'pitchMm', label: 'Slot to slot', kind: 'length', min: 10, max: 500, group: 'Field', when: slotted },
    { key: 'rowPitchMm', label: 'Row to row', kind: 'length', min: 10, max: 500, group: 'Field', when: slotted },
    { key: 'marginMm', label: 'Left whole round the edges', kind: 'length', min: 10, max: 300, group: 'Field', when: slotted },
    {
      key: 'hangKg',
      label: 'Lets hang on it',
      kind: 'mass',
      min: 0,
      max: 500,
      nullable: true,
      group: 'Field',
      help: 'tried by the shop; unknown is not assessed',
    },
    { key: 'reachMm', label: 'Things stand out from it by', kind: 'length', min: 30, max: 500, group: 'Field' },
    {
      key: 'split',
      label: 'Made of',
      kind: 'choice',
      options: () => [
        { value: 'one', label: 'One part' },
        { value: 'overlap', label: 'Two, lapped over' },
        { value: 'strap', label: 'Two, a strip behind' },
        { value: 'jog', label: 'Two, lapped with a jog' },
      ],
      group: 'Seam',
      help: 'a jog of one thickness needs a jogging tool',
    },
    { key: 'splitMm', label: 'Seam from the first edge', kind: 'length', min: 60, max: 3900, group: 'Seam', when: two },
    { key: 'lapMm', label: 'Lap', kind: 'length', min: 20, max: 120, group: 'Seam', when: two },
    { key: 'seamBolts', label: 'Bolts down the seam', kind: 'count', min: 2, max: 20, group: 'Seam', when: two },
    {
      key: 'materialId',
      label: 'Sheet',
      kind: 'choice',
      options: () => materials.map((m) => ({ value: m.id, label: m.name })),
      group: 'Metal',
    },
    { key: 'thicknessMm', label: 'Thickness', kind: 'length', gauge: true, min: 0.8, max: 6, group: 'Metal' },
    { key: 'finish', label: 'Finish', kind: 'choice', options: coatChoices, group: 'Metal' },
  ],
  changes: (p) => [
    ...(p.rows < 8 ? [{ label: 'one more row of screws', params: { ...p, rows: p.rows + 1 } }] : []),
    ...[0.5, 1]
      .filter((d) => p.thicknessMm + d <= 6)
      .map((d) => ({ label: `sheet {g ${d}} thicker`, params: { ...p, thicknessMm: p.thicknessMm + d } })),
    ...[100, 200].filter((d) => p.lowMm >= d).map((d) => ({ label: `{${d}} lower`, params: { ...p, lowMm: p.lowMm - d } })),
    ...(p.split === 'one' && p.lengthMm > 700
      ? [{ label: 'in two parts, lapped over', params: { ...p, split: 'overlap' as const, splitMm: Math.round(p.lengthMm / 2) } }]
      : []),
  ],
  finish: (p) => p.finish,
  mirrored: (p) => ({ ...p, side: p.side === 'left' ? 'right' : 'left' }),
  examples: [
    { name: 'on four ribs of a camper', vehicle: camper, params: PanelParams.parse({ fromMm: 180, lengthMm: 1500, hangKg: 25 }) },
    {
      name: 'right side, over the wheel arch, in two with a lap',
      vehicle: camper,
      params: PanelParams.parse({
        side: 'right',
        fromMm: 180,
        lengthMm: 1500,
        lowMm: 100,
        heightMm: 800,
        bottomMm: [0, 220, 260, 180, 0, 0, 0],
        topMm: [90, 40, 10, 0],
        split: 'overlap',
        splitMm: 600,
        gapsMm: [22, 15, 31],
        offMm: [1.5, 2.5, 0.5],
      }),
    },
    {
      name: 'in two with a jog, right, steel',
      vehicle: camper,
      params: PanelParams.parse({
        ...{
          side: 'right',
          fromMm: 180,
          lengthMm: 1500,
          split: 'jog',
          splitMm: 780,
          materialId: 'steel',
          thicknessMm: 1.5,
          holes: 'along',
          offMm: [3],
        },
      }),
    },
    {
      name: 'behind a cab by inches, a strip behind its seam',
      vehicle: crew,
      params: PanelParams.parse({
        placeId: 'cab.wall',
        fromMm: 25.4,
        lengthMm: 914.4,
        lowMm: 50.8,
        heightMm: 406.4,
        split: 'strap',
        splitMm: 457.2,
        rows: 2,
        columns: 4,
        slotMm: 38.1,
        slotWideMm: 9.53,
      }),
    },
  ],
}
