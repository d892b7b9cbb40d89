import { z } from 'zod'
import { faultsOf, type Read, readJson } from '../issue/faults'
import { JOB_FORMAT, JOB_VERSION, type Job, JobSchema } from '../job/job'

import { vehicleToPieces } from './vehicleToPieces'

type Migration = (job: Record<string, unknown>) => Record<string, unknown>
/** A job of version n goes through every step from n on. A released step is never edited. */
export const jobMigrations: Migration[] = [
  // 0 → 1: the trial format kept one height for the whole job; from 1 on a job has a list of passages
  (job) => {
    const brief = (job.brief ?? {}) as Record<string, unknown>
    const { passHeightMm, ...rest } = brief
    return {
      ...job,
      version: 1,
      brief: { ...rest, ...(typeof passHeightMm === 'number' ? { passages: [{ name: 'lowest passage', heightMm: passHeightMm }] } : {}) },
    }
  },
  // 1 → 2: a strap that stopped an item sliding aside stops it one way; of several, every other one the other way
  (job) => {
    const brief = (job.brief ?? {}) as Record<string, unknown>
    const cargo = Array.isArray(brief.cargo) ? brief.cargo.map(withSides) : brief.cargo
    return { ...job, version: 2, brief: { ...brief, ...(cargo === undefined ? {} : { cargo }) } }
  },
  // 2 → 3: the one design becomes the first piece, what hung in the receiver one of its own, and the rating of a roof is its body's
  (job) => {
    const { design, vehicle, ...rest } = job
    const moved = vehicleToPieces(vehicle)
    const rack = design as { family?: unknown; params?: { barXMm?: unknown[] } } | undefined
    // a rack of no bars was never designed: it stood in for a question about the vehicle
    const designed = rack && (moved.carrier === null || (rack.params?.barXMm?.length ?? 0) > 0)
    return {
      ...rest,
      version: 3,
      vehicle: moved.vehicle,
      pieces: [...(designed ? [{ id: 'p1', ...rack }] : []), ...(moved.carrier ? [{ id: 'p2', letter: 'B', ...moved.carrier }] : [])],
    }
  },
]

function withSides(item: unknown): unknown {
  const c = item as { securing?: { straps?: { way?: unknown }[] } | null } | null
  if (!c?.securing || !Array.isArray(c.securing.straps)) return item
  let sides = 0
  const straps = c.securing.straps.map((s) => (s?.way === 'side' ? { ...s, way: sides++ % 2 ? 'right' : 'left' } : s))
  return { ...c, securing: { ...c.securing, straps } }
}

/** A job file, of this version or an older one, as this version's job. Refused whole when anything does not fit. */
export function readJobFile(text: string): Read<Job> {
  const json = readJson(text)
  return json.ok ? readJob(json.value) : json
}

export function readJob(raw: unknown): Read<Job> {
  const head = z
    .object({
      format: z.literal(JOB_FORMAT, `must be “${JOB_FORMAT}”: this is not a job file`),
      version: z
        .number()
        .int()
        .min(0)
        .max(JOB_VERSION, `this file is of a newer version than ${JOB_VERSION}: open it with a newer Tide Line`),
    })
    .loose()
    .safeParse(raw)
  if (!head.success) return { ok: false, faults: faultsOf(head.error) }
  const moved = jobMigrations.slice(head.data.version).reduce<Record<string, unknown>>((job, step) => step(job), head.data)
  const parsed = JobSchema.safeParse(moved)
  return parsed.success ? { ok: true, value: parsed.data } : { ok: false, faults: faultsOf(parsed.error) }
}

/** The schema gives the keys their order, so that equal jobs are equal bytes. */
export const writeJobFile = (job: Job): string => `${JSON.stringify(JobSchema.parse(job), null, 2)}\n`

/** The published schema of the job file. */
export const jobJsonSchema = (): unknown => z.toJSONSchema(JobSchema, { io: 'input', unrepresentable: 'any' })
