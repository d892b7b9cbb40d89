import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { readJob } from '../../core/exchange/jobFile'
import type { Job } from '../../core/job/job'
import type { JobRow } from '../../core/job/jobRow'
import type { Station } from '../../core/job/stations'
import { piecesAccepted } from './issuedStore'
import { type Verdict, verdictOf } from './verdict'

export type StoredJob = { id: string; revision: number; archived: boolean; updatedAt: string; job: Job }
export type JobQuery = {
  search: string
  station: Station | null
  state: 'over' | 'unknown' | 'late' | null
  archived: boolean
  today: string
  offset: number
  limit: number
}
type Saved =
  | { ok: true; revision: number; updatedAt: string }
  | { ok: false; reason: 'missing' }
  | { ok: false; reason: 'older'; theirs: StoredJob }
type Raw = { id: string; revision: number; document: string; archived: number; updated_at: string }

/** A row as today's job: documents of an older release go through the same steps as an older file. */
function stored(row: Raw): StoredJob {
  const read = readJob(JSON.parse(row.document))
  if (!read.ok)
    throw new Error(`job ${row.id} in the database does not fit: ${read.faults.map((f) => `${f.where}: ${f.expected}`).join('; ')}`)
  return { id: row.id, revision: row.revision, archived: row.archived === 1, updatedAt: row.updated_at, job: read.value }
}
const columns = (job: Job) => ({
  document: JSON.stringify(job),
  title: job.title,
  client: job.brief.clientName,
  station: job.station,
  due: job.due,
})

/** All SQL on the jobs table. A save names the revision it was made from and is refused when a newer one is there. */
export function jobStore(db: Knex) {
  const get = async (id: string, within: Knex = db): Promise<StoredJob | null> => {
    const row = (await within('jobs').where({ id }).first()) as Raw | undefined
    return row ? stored(row) : null
  }
  const writeVerdict = async (within: Knex, jobId: string, jobRevision: number, v: Verdict, rulesRevision: number) => {
    await within('verdicts')
      .insert({ job_id: jobId, job_revision: jobRevision, rules_revision: rulesRevision, ...v })
      .onConflict('job_id')
      .merge()
  }
  const rules = async (within: Knex) => {
    const row = (await within('shelves').where({ name: 'rules' }).first()) as { revision: number; document: string } | undefined
    return { revision: row?.revision ?? 0, document: row ? (JSON.parse(row.document) as unknown) : {} }
  }

  return {
    get,
    create: (job: Job): Promise<StoredJob> =>
      db.transaction(async (trx) => {
        const [id, now] = [randomUUID(), new Date().toISOString()]
        await trx('jobs').insert({ id, revision: 1, ...columns(job), created_at: now, updated_at: now })
        const r = await rules(trx)
        await writeVerdict(trx, id, 1, verdictOf(job, r.document, null), r.revision)
        return { id, revision: 1, archived: false, updatedAt: now, job }
      }),
    save: (id: string, fromRevision: number, job: Job): Promise<Saved> =>
      db.transaction(async (trx): Promise<Saved> => {
        const now = new Date().toISOString()
        const changed = await trx('jobs')
          .where({ id, revision: fromRevision })
          .update({ ...columns(job), revision: fromRevision + 1, updated_at: now })
        if (changed === 0) {
          const theirs = await get(id, trx)
          return theirs ? { ok: false, reason: 'older', theirs } : { ok: false, reason: 'missing' }
        }
        const r = await rules(trx)
        await writeVerdict(trx, id, fromRevision + 1, verdictOf(job, r.document, await piecesAccepted(trx, id)), r.revision)
        return { ok: true, revision: fromRevision + 1, updatedAt: now }
      }),
    setArchived: async (id: string, archived: boolean): Promise<boolean> =>
      (await db('jobs')
        .where({ id })
        .update({ archived: archived ? 1 : 0 })) > 0,

    /** One page of the Slipway: what is due first stands first, undated last. */
    list: async (q: JobQuery): Promise<{ rows: JobRow[]; total: number }> => {
      const like = `%${q.search.replace(/[\\%_]/g, '\\$&')}%`
      const filtered = () => {
        const query = db('jobs')
          .leftJoin('verdicts', 'verdicts.job_id', 'jobs.id')
          .where('jobs.archived', q.archived ? 1 : 0)
        if (q.search) query.whereRaw("(jobs.title like ? escape '\\' or jobs.client like ? escape '\\')", [like, like])
        if (q.station) query.where('jobs.station', q.station)
        if (q.state === 'over') query.where('verdicts.over', '>', 0)
        if (q.state === 'unknown') query.where('verdicts.unknown', '>', 0)
        if (q.state === 'late') query.where('jobs.due', '<', q.today).whereNot('jobs.station', 'hand-over')
        return query
      }
      const [{ n }] = (await filtered().count({ n: '*' })) as { n: number }[]
      const rows = (await filtered()
        .select(
          'jobs.id',
          'jobs.revision',
          'jobs.title',
          'jobs.client',
          'jobs.station',
          'jobs.due',
          'jobs.archived',
          'jobs.updated_at as updatedAt',
          'verdicts.over',
          'verdicts.near',
          'verdicts.unknown',
          'verdicts.governing',
          'verdicts.moved',
          'verdicts.job_revision as judgedRevision',
        )
        .orderByRaw('jobs.due is null, jobs.due, jobs.title')
        .offset(q.offset)
        .limit(q.limit)) as (Omit<JobRow, 'archived' | 'judged'> & { archived: number; judgedRevision: number | null })[]
      return {
        total: n,
        rows: rows.map(({ judgedRevision, ...r }) => ({
          ...r,
          archived: r.archived === 1,
          judged: judgedRevision === r.revision,
          moved: r.moved ?? 0,
          over: r.over ?? 0,
          near: r.near ?? 0,
          unknown: r.unknown ?? 0,
          governing: r.governing ?? '',
        })),
      }
    },

    /** How many jobs stand at each station, and how many are late, over or not assessed. */
    tally: async (today: string) => {
      const stations = (await db('jobs').where({ archived: 0 }).select('station').count({ n: '*' }).groupBy('station')) as {
        station: Station
        n: number
      }[]
      const open = () => db('jobs').leftJoin('verdicts', 'verdicts.job_id', 'jobs.id').where('jobs.archived', 0)
      const count = async (query: Knex.QueryBuilder) => ((await query.count({ n: '*' })) as { n: number }[])[0].n
      return {
        stations: Object.fromEntries(stations.map((s) => [s.station, s.n])) as Partial<Record<Station, number>>,
        over: await count(open().where('verdicts.over', '>', 0)),
        unknown: await count(open().where('verdicts.unknown', '>', 0)),
        late: await count(open().where('jobs.due', '<', today).whereNot('jobs.station', 'hand-over')),
      }
    },

    /** Works out verdicts that are missing or were made under older rules; returns how many it did, 0 when all stand. */
    refreshVerdicts: async (most: number): Promise<number> => {
      const r = await rules(db)
      const stale = (await db('jobs')
        .leftJoin('verdicts', 'verdicts.job_id', 'jobs.id')
        .where((q) => q.whereNull('verdicts.job_id').orWhere('verdicts.rules_revision', '<>', r.revision))
        .select('jobs.*')
        .limit(most)) as Raw[]
      for (const row of stale)
        await writeVerdict(db, row.id, row.revision, verdictOf(stored(row).job, r.document, await piecesAccepted(db, row.id)), r.revision)
      return stale.length
    },
  }
}
export type JobStore = ReturnType<typeof jobStore>
