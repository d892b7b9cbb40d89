import { z } from 'zod'
import { BriefSchema } from '../brief/brief'
import { KeptAnswerSchema, MOST_ANSWERS } from '../clientAnswer/clientAnswer'
import { InsideSchema } from '../inside/inside'
import { LoadTestSchema } from '../loadTest/loadTest'
import { OutsideAnswerSchema, outsideKinds } from '../outside/answer'
import { MOST_PIECES, newPiece, PieceSchema } from '../pieces/piece'
import { KitSchema } from '../purchase/kit'
import type { DisplayUnits } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { AnchorSchema } from '../securing/anchors'
import { AcceptedSheetsSchema } from '../sheetNesting/acceptedSheets'
import { StrutsSchema } from '../strut/struts'
import { type Vehicle, VehicleSchema } from '../vehicle/vehicle'
import { MOST_RUNS, RunSchema } from '../wiring/runs'
import { AtWorkSchema, TickSchema } from '../workLog/tick'
import { stations } from './stations'

export const JOB_FORMAT = 'tide-line/job'
export const JOB_VERSION = 3

/** What the shop decided about one job. Intent only: everything computed is derived again from this. */
export const MOST_NOTES = 5000

export const JobSchema = z.object({
  format: z.literal(JOB_FORMAT),
  version: z.literal(JOB_VERSION),
  title: z.string().trim().min(1, 'give the job a title').max(120),
  due: z.iso.date('write the date as 2026-12-24').nullable(),
  station: z.enum(stations),
  units: z.object({
    system: z.enum(['metric', 'inch']),
    fraction: z.union([z.literal(16), z.literal(32)]),
    mmStep: z.union([z.literal(1), z.literal(0.5)]),
  }),
  brief: BriefSchema,
  vehicle: VehicleSchema,
  /** the job that it was taken over from, and that one's vehicle; null = it was begun as a new one */
  like: z
    .object({ title: z.string().max(120), vehicle: z.string().max(120) })
    .nullable()
    .default(null),
  /** what is built or carried along; none = a question about the vehicle */
  pieces: z
    .array(PieceSchema)
    .max(MOST_PIECES, `${MOST_PIECES} pieces at most`)
    .refine((list) => new Set(list.map((p) => p.id)).size === list.length, 'two pieces have the same id'),
  cut: z.object({
    /** how much shorter the stock advisor may make a bar, mm */
    maxShorterMm: z.number().min(0).max(600),
    useRemnants: z.boolean(),
  }),
  /** what straps are hooked to */
  anchors: z.array(AnchorSchema).max(40).default([]),
  /** stops to be fitted: how far something that moves may go, by its name in Fit. Degrees or mm */
  stops: z.record(z.string().max(80), z.number().min(0).max(20_000)).default({}),
  /** gas struts under lids, hatches and covers */
  struts: z.array(StrutsSchema).max(20).default([]),
  /** the room inside, and what rides in it */
  inside: InsideSchema.default(() => InsideSchema.parse({})),
  /** cables to what draws current */
  wiring: z.array(RunSchema).max(MOST_RUNS, `${MOST_RUNS} runs at most`).default([]),
  loadTests: z.array(LoadTestSchema).max(100).default([]),
  /** the day on which its building may begin; null = today, whenever that is */
  start: z.iso.date('write the date as 2026-12-24').nullable().default(null),
  /** the day the client brings the vehicle; null = whenever it is wanted */
  bringsOn: z.iso.date('write the date as 2026-12-24').nullable().default(null),
  /** worked on before all other jobs of the shop */
  ahead: z.boolean().default(false),
  /** steps that somebody moved to a later day */
  notBefore: z.record(z.string().max(120), z.iso.date('write the date as 2026-12-24')).default({}),
  /** what was asked outside the shop, one answer of each service */
  outside: z.array(OutsideAnswerSchema).max(outsideKinds.length).default([]),
  /** what of its kit is here, or ordered */
  kit: KitSchema.default({}),
  /** steps of the build that are done: the day, and what the step was then */
  built: z.record(z.string().max(120), TickSchema).default({}),
  /** how its flat parts lie on sheets, once that was accepted */
  flatSheets: AcceptedSheetsSchema.nullable().default(null),
  /** the step that somebody is at just now */
  atWork: AtWorkSchema.nullable().default(null),
  /** what the client sent back from his page, until it is settled and after */
  clientAnswers: z.array(KeptAnswerSchema).max(MOST_ANSWERS, `${MOST_ANSWERS} answers at most: take an old one away`).default([]),
  notes: z.string().max(MOST_NOTES),
})
export type Job = z.infer<typeof JobSchema>

/** A new job begins with the shop's most usual piece where the vehicle has mounts for it, and else with none. */
export function newJob(title: string, vehicle: Vehicle, units: DisplayUnits): Job {
  const brief = BriefSchema.parse({})
  const rack = vehicle.mounts.length
    ? newPiece('crossbar-rack', [], { vehicle, brief, rules: defaultRules, below: null, state: 'fitted' })
    : null
  return {
    format: JOB_FORMAT,
    version: JOB_VERSION,
    title,
    due: null,
    station: 'brief',
    units,
    brief,
    vehicle,
    like: null,
    pieces: rack ? [rack] : [],
    cut: { maxShorterMm: 60, useRemnants: true },
    anchors: [],
    stops: {},
    struts: [],
    inside: InsideSchema.parse({}),
    wiring: [],
    loadTests: [],
    start: null,
    bringsOn: null,
    ahead: false,
    notBefore: {},
    outside: [],
    kit: {},
    built: {},
    flatSheets: null,
    atWork: null,
    clientAnswers: [],
    notes: '',
  }
}
