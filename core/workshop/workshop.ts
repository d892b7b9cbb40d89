import { z } from 'zod'
import { CoatProductSchema } from '../coat/products'

const mm = (most = 20_000) => z.number().min(0).max(most)
const id = z.string().min(1).max(40)
const name = z.string().trim().max(80)
const degree = z.number().min(0).max(180)

/** What one trial bend showed: what it was pulled to, what it came back to, and, where it was measured, what was cut and how long its legs came out. */
export const TrialSchema = z.object({
  on: z.iso.date(),
  pulledDeg: z.number().gt(0, 'must be more than 0').max(200),
  cameDeg: z.number().gt(0, 'must be more than 0').max(200),
  cutMm: mm().nullable().default(null),
  /** from the far end to where the centre lines meet */
  legAMm: mm().nullable().default(null),
  legBMm: mm().nullable().default(null),
})
export type Trial = z.infer<typeof TrialSchema>

/** One die of a bender: the tube it takes, its centre-line radius, how far it bends, and the straight it needs to hold on to. mm, degrees */
export const DieSchema = z.object({
  id,
  tubeMm: z.number().positive().max(500),
  radiusMm: z.number().positive().max(5000),
  mostDeg: degree.default(180),
  straightBeforeMm: mm(2000).default(0),
  straightBetweenMm: mm(2000).default(0),
  trials: z.array(TrialSchema).max(200).default([]),
})
export type Die = z.infer<typeof DieSchema>

export const SawSchema = z.object({
  id,
  name,
  mostLeftDeg: degree.default(45),
  mostRightDeg: degree.default(45),
  /** tallest section that passes under the blade square on */
  throatMm: mm(2000).default(100),
  viceMm: mm(2000).default(150),
  /** how far off square its cut is over 100 mm */
  outOfSquareMm: z.number().min(0).max(20).default(0.5),
  stopMm: mm().default(3000),
})
export type Saw = z.infer<typeof SawSchema>

export const weldProcesses = ['MIG', 'TIG', 'stick'] as const
export const WelderSchema = z.object({
  id,
  process: z.enum(weldProcesses),
  /** what it draws and the breaker it hangs on; the lead it hangs on, one conductor's section and length */
  supplyV: z.number().min(12).max(1000).default(230),
  drawsA: z.number().min(1).max(500).default(25),
  breakerA: z.number().min(1).max(500).default(16),
  leadMm2: z.number().min(0.1).max(500).default(2.5),
  leadMm: mm(500_000).default(10_000),
  /** MIG and stick weld aluminium only with what the shop set up for it */
  aluminium: z.boolean().default(false),
})
export type Welder = z.infer<typeof WelderSchema>

/** What cut a metal clean on the table: its kerf, feed and pierce, and when it was tried. mm, mm/min, s */
export const TableCutSchema = z.object({
  id,
  materialId: z.string().min(1).max(40),
  thicknessMm: z.number().gt(0, 'must be more than 0').max(60),
  kerfMm: z.number().gt(0, 'must be more than 0').max(10),
  feedMmMin: z.number().gt(0, 'must be more than 0').max(100_000),
  pierceS: z.number().min(0).max(60).default(0.5),
  on: z.iso.date().nullable().default(null),
})
export type TableCut = z.infer<typeof TableCutSchema>
/** The cutting table. `spreadMm` = two cuts one after the other stand so far apart where they can; `square` = the side of its travel that it cuts square. mm, mm/min */
export const TableSchema = z.object({
  // the larger sheets on sale, by the metre and by the foot, and room to lay them
  lengthMm: mm().default(3100),
  widthMm: mm().default(1600),
  leadMm: z.number().gt(0, 'must be more than 0').max(100).default(6),
  spreadMm: mm(2000).default(200),
  rapidMmMin: z.number().gt(0, 'must be more than 0').max(200_000).default(8000),
  square: z.enum(['right', 'left']).default('right'),
  cuts: z.array(TableCutSchema).max(100).default([]),
})
export type Table = z.infer<typeof TableSchema>

/** What this shop can do itself, and how long it waits for what it cannot. An empty list = it has none of these. */
export const WorkshopSchema = z.object({
  saws: z.array(SawSchema).max(20).default([]),
  dies: z.array(DieSchema).max(100).default([]),
  holeSawsMm: z.array(z.number().positive().max(300)).max(100).default([]),
  notcher: z.boolean().default(false),
  welders: z.array(WelderSchema).max(20).default([]),
  drillMostMm: mm(100).default(13),
  brakeMm: mm().default(0),
  /** null = flat parts are cut by hand, or sent out */
  table: TableSchema.nullable().default(null),
  /** underside of the bender's tool above the floor: what the formed part may hang down */
  benderHeightMm: mm(3000).default(900),
  subcontractDays: z.number().int().min(0).max(365).nullable().default(null),
  /** coats it puts on itself; none = hours by the shop's rules */
  coats: z.array(CoatProductSchema).max(40).default([]),
  /** where they dry; null = nobody says, and the sheets' own hours stand */
  roomC: z.number().min(-20).max(60).nullable().default(null),
})
export type Workshop = z.infer<typeof WorkshopSchema>

export const demoWorkshop: Workshop = WorkshopSchema.parse({
  saws: [
    { id: 'saw-1', name: 'Band saw', mostLeftDeg: 45, mostRightDeg: 60, throatMm: 150, viceMm: 180, outOfSquareMm: 0.4, stopMm: 3000 },
  ],
  dies: [
    {
      id: 'die-1',
      tubeMm: 32,
      radiusMm: 96,
      mostDeg: 180,
      straightBeforeMm: 60,
      straightBetweenMm: 40,
      trials: [
        { on: '2026-03-02', pulledDeg: 93, cameDeg: 90.4, cutMm: 600, legAMm: 320.6, legBMm: 321.2 },
        { on: '2026-05-18', pulledDeg: 62, cameDeg: 60.1 },
      ],
    },
    { id: 'die-2', tubeMm: 42.4, radiusMm: 130, mostDeg: 120, straightBeforeMm: 90, straightBetweenMm: 60 },
    { id: 'die-3', tubeMm: 25, radiusMm: 75, mostDeg: 180, straightBeforeMm: 50, straightBetweenMm: 30 },
  ],
  holeSawsMm: [25, 32, 35, 38, 42.4, 44],
  notcher: false,
  welders: [
    { id: 'welder-1', process: 'MIG', supplyV: 230, drawsA: 26, breakerA: 32, leadMm2: 4, leadMm: 15_000 },
    { id: 'welder-2', process: 'TIG', supplyV: 230, drawsA: 22, breakerA: 32, leadMm2: 4, leadMm: 15_000, aluminium: true },
  ],
  drillMostMm: 16,
  brakeMm: 1200,
  table: {
    cuts: [
      { id: 'cut-1', materialId: 'al5052h32', thicknessMm: 2, kerfMm: 1.4, feedMmMin: 3600, pierceS: 0.4, on: '2026-08-02' },
      { id: 'cut-2', materialId: 'steel', thicknessMm: 5, kerfMm: 1.5, feedMmMin: 2100, pierceS: 0.7, on: '2026-05-20' },
      { id: 'cut-3', materialId: 'steel', thicknessMm: 6, kerfMm: 1.6, feedMmMin: 1700, pierceS: 0.8, on: '2026-05-20' },
    ],
  },
  benderHeightMm: 900,
  subcontractDays: 6,
  coats: [
    {
      id: 'coat-1',
      name: 'Two-pack primer and topcoat',
      metals: ['steel'],
      recoatHours: 12,
      cureHours: 72,
      leastC: 10,
      m2PerL: 7,
      perLMinor: 2850,
      beneath: 'bright metal, abraded',
    },
    {
      id: 'coat-2',
      name: 'Etch primer and topcoat',
      metals: ['aluminium'],
      recoatHours: 8,
      cureHours: 48,
      leastC: 10,
      m2PerL: 8,
      perLMinor: 3100,
      beneath: 'degreased, abraded the same day',
    },
  ],
  roomC: 15,
})
