import { Router } from 'express'
import { z } from 'zod'
import { readJob, readJobFile } from '../../core/exchange/jobFile'
import { MAX_FILE_BYTES } from '../../core/issue/faults'
import { type Job, newJob } from '../../core/job/job'
import { stations } from '../../core/job/stations'
import { INCH, METRIC } from '../../core/quantity/units'
import { asNew } from '../../core/reuse/asNew'
import { localDay } from '../../core/time/localDay'
import { roleOf } from '../devices/whoAsks'
import { parsed, Refusal, refuse } from '../http/faults'
import type { ShelfStore } from '../shelves/shelfStore'
import type { JobStore, StoredJob } from './jobStore'
import type { VerdictKeeper } from './verdictKeeper'

const ListQuery = z.object({
  search: z.string().max(120).default(''),
  station: z.enum(stations).nullable().default(null),
  state: z.enum(['over', 'unknown', 'late']).nullable().default(null),
  archived: z
    .enum(['true', 'false'])
    .default('false')
    .transform((v) => v === 'true'),
  offset: z.coerce.number().int().min(0).max(1_000_000).default(0),
  limit: z.coerce.number().int().min(1).max(200).default(50),
})
const NewJob = z.object({
  title: z.string().trim().min(1, 'give the job a title').max(120),
  vehicleId: z.string().max(60),
  units: z.enum(['metric', 'inch']).default('metric'),
})
const Save = z.object({ revision: z.number().int().min(1), job: z.unknown() })

/** A job by the address, or 404 with a word about it. */
export async function jobAt(jobs: JobStore, id: string): Promise<StoredJob> {
  return (await jobs.get(id)) ?? refuse(404, 'id', 'the id of a job that is here: it may have been deleted, go back to the Slipway')
}

// a phone in the bay measures, ticks what is done and what has come; it changes no design
const FLOOR_KEYS = new Set(['vehicle', 'station', 'units', 'notes', 'loadTests', 'built', 'atWork', 'kit'])
/** The first part of a job that a floor device changed and may not; null when it kept to its own. */
const beyondTheFloor = (before: Job, after: Job): string | null =>
  (Object.keys(after) as (keyof Job)[]).find((k) => !FLOOR_KEYS.has(k) && JSON.stringify(before[k]) !== JSON.stringify(after[k])) ?? null

export function jobRoutes(jobs: JobStore, shelves: ShelfStore, keeper: VerdictKeeper): Router {
  const routes = Router()
  const job = (raw: unknown): Job => {
    const read = readJob(raw)
    if (!read.ok) throw new Refusal(422, read.faults)
    return read.value
  }

  const made = async (job: Job): Promise<StoredJob> => {
    const stored = await jobs.create(job)
    keeper.saved(stored.id)
    return stored
  }

  routes.get('/', async (request, response) => {
    const query = parsed(ListQuery, request.query)
    const page = await jobs.list({ ...query, today: localDay() })
    const waiting = page.rows.filter((r) => !r.judged).map((r) => r.id)
    if (waiting.length) keeper.refresh(waiting)
    response.json({ ...page, tally: await jobs.tally(localDay()) })
  })
  routes.post('/', async (request, response) => {
    const { title, vehicleId, units } = parsed(NewJob, request.body)
    const vehicle = (await shelves.get('vehicles')).document.find((v) => v.id === vehicleId)
    if (!vehicle) return refuse(422, 'vehicleId', 'a vehicle from the shelf: choose one that is listed')
    response.status(201).json(await made(newJob(title, vehicle, units === 'inch' ? INCH : METRIC)))
  })
  routes.post('/import', async (request, response) => {
    if (typeof request.body !== 'string')
      return refuse(415, 'the body', `a job file as text (application/octet-stream or text/plain), ${MAX_FILE_BYTES / 1e6} MB or less`)
    const read = readJobFile(request.body)
    if (!read.ok) throw new Refusal(422, read.faults)
    response.status(201).json(await made(read.value))
  })
  routes.get('/:id', async (request, response) => {
    response.json(await jobAt(jobs, request.params.id))
  })
  routes.put('/:id', async (request, response) => {
    const { revision, job: raw } = parsed(Save, request.body)
    const next = job(raw)
    if (roleOf(response) === 'floor') {
      const moved = beyondTheFloor((await jobAt(jobs, request.params.id)).job, next)
      if (moved)
        return refuse(403, moved, 'the desk: a floor device measures, photographs and takes notes, the rest is changed at the desk')
    }
    const saved = await jobs.save(request.params.id, revision, next)
    if (saved.ok) keeper.saved(request.params.id)
    if (saved.ok) response.json({ revision: saved.revision, updatedAt: saved.updatedAt })
    else if (saved.reason === 'missing') await jobAt(jobs, request.params.id)
    else
      refuse(
        409,
        'revision',
        `revision ${saved.theirs.revision}: somebody saved this job after you opened it. Choose which version to keep.`,
        { theirs: saved.theirs },
      )
  })
  routes.post('/:id/copy', async (request, response) => {
    const from = await jobAt(jobs, request.params.id)
    response.status(201).json(await made(asNew(from.job, `${from.job.title.slice(0, 110)}, copy`)))
  })
  routes.post('/:id/archive', async (request, response) => {
    const { archived } = parsed(z.object({ archived: z.boolean() }), request.body)
    if (!(await jobs.setArchived(request.params.id, archived))) await jobAt(jobs, request.params.id)
    response.json({ archived })
  })
  return routes
}
