import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { readJob } from '../../core/exchange/jobFile'
import type { Job } from '../../core/job/job'
import type { JobRow } from '../../core/job/jobRow'
import type { Station } from '../../core/job/stations'
import { inOne } from '../keeping/openStore'
import { Unreadable } from '../keeping/storeFaults'

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
  if (!read.ok) throw new Unreadable('this job', read.faults, row.revision)
  return { id: row.id, revision: row.revision, archived: row.archived === 1, updatedAt: row.updated_at, job: read.value }
}
const columns = (job: Job) => ({ title: job.title, client: job.brief.clientName, station: job.station, due: job.due })
const words = (job: Job) => ({ title: job.title, client: job.brief.clientName, vehicle: job.vehicle.name, notes: job.notes })

/** What was typed into the search as what the index is asked for: every word a beginning. Null when there is no word in it. */
const asked = (search: string): string | null => {
  const found = search.normalize('NFC').match(/[\p{L}\p{N}]+/gu)
  return found ? found.map((word) => `"${word}"*`).join(' ') : null
}

/** The revision of the rules that verdicts are worked out under; 0 before anyone wrote any. */
export const rulesNow = async (within: Knex): Promise<number> =>
  ((await within('shelves').where({ name: 'rules' }).first('revision')) as { revision: number } | undefined)?.revision ?? 0
/** Something not assessed, or no verdict that stands: neither ever reads as clear. */
const notKnownSql = (rulesRevision: number) => ({
  sql: `(verdicts.job_id is null or verdicts.unknown > 0 or verdicts.fault <> '' or verdicts.job_revision <> jobs.revision or verdicts.rules_revision <> ?)`,
  bindings: [rulesRevision],
})
type TallyRow = Record<'n' | 'over' | 'unknown' | 'late', number | null>
type Tally = { stations: Partial<Record<Station, number>>; over: number; unknown: number; late: number }

/** All SQL on the jobs table. A save names the revision it was made from and is refused when a newer one is there. */
export function jobStore(db: Knex) {
  const rowOf = async (id: string, within: Knex): Promise<Raw | null> =>
    ((await within('jobs').join('job_documents', 'job_id', 'id').where({ id }).first('jobs.*', 'document')) as Raw | undefined) ?? null
  const get = async (id: string, within: Knex = db): Promise<StoredJob | null> => {
    const row = await rowOf(id, within)
    return row ? stored(row) : null
  }

  let counted: { at: string; tally: Tally } | null = null

  return {
    get,
    /** The document as it lies in the database, for a job that can no longer be read. */
    rawDocument: async (id: string): Promise<string | null> => (await rowOf(id, db))?.document ?? null,
    create: (job: Job, within: Knex = db): Promise<StoredJob> =>
      inOne(within, async (trx) => {
        const [id, now] = [randomUUID(), new Date().toISOString()]
        const [{ last }] = (await trx('jobs').max({ last: 'seq' })) as { last: number | null }[]
        const seq = (last ?? 0) + 1
        await trx('jobs').insert({ id, seq, revision: 1, ...columns(job), created_at: now, updated_at: now })
        await trx('job_documents').insert({ job_id: id, document: JSON.stringify(job) })
        await trx('job_words').insert({ rowid: seq, ...words(job) })
        return { id, revision: 1, archived: false, updatedAt: now, job }
      }),
    save: (id: string, fromRevision: number, job: Job): Promise<Saved> =>
      inOne(db, async (trx): Promise<Saved> => {
        const now = new Date().toISOString()
        const document = JSON.stringify(job)
        const [row] = (await trx('jobs')
          .where({ id, revision: fromRevision })
          .update({ ...columns(job), revision: fromRevision + 1, updated_at: now })
          .returning('seq')) as { seq: number }[]
        if (row) {
          await trx('job_documents').where({ job_id: id }).update({ document })
          await trx('job_words').where({ rowid: row.seq }).update(words(job))
          return { ok: true, revision: fromRevision + 1, updatedAt: now }
        }
        const newer = await rowOf(id, trx)
        if (!newer) return { ok: false, reason: 'missing' }
        // the same save again, whose answer got lost
        if (newer.revision === fromRevision + 1 && newer.document === document)
          return { ok: true, revision: newer.revision, updatedAt: newer.updated_at }
        return { ok: false, reason: 'older', theirs: stored(newer) }
      }),
    setArchived: (id: string, archived: boolean): Promise<boolean> =>
      inOne(
        db,
        async (trx) =>
          (await trx('jobs')
            .where({ id })
            .update({ archived: archived ? 1 : 0 })) > 0,
      ),

    /** One page of the Slipway: what is due first stands first, undated last. */
    list: async (q: JobQuery): Promise<{ rows: JobRow[]; total: number }> => {
      const found = asked(q.search)
      // signs alone are in no title
      if (q.search && found === null) return { total: 0, rows: [] }
      const rulesRevision = await rulesNow(db)
      const judgedBy = q.state === 'over' || q.state === 'unknown'
      // to count them the verdicts are looked at only where they choose
      const filtered = (withVerdicts = true) => {
        const query = db('jobs').where('jobs.archived', q.archived ? 1 : 0)
        if (withVerdicts) query.leftJoin('verdicts', 'verdicts.job_id', 'jobs.id')
        if (found) query.whereIn('jobs.seq', db('job_words').select('rowid').whereRaw('job_words match ?', [found]))
        if (q.station) query.where('jobs.station', q.station)
        if (q.state === 'over') query.where('verdicts.over', '>', 0)
        const unknown = notKnownSql(rulesRevision)
        if (q.state === 'unknown') query.whereRaw(unknown.sql, unknown.bindings)
        if (q.state === 'late') query.where('jobs.due', '<', q.today).whereNot('jobs.station', 'hand-over')
        return query
      }
      const [{ n }] = (await filtered(judgedBy).count({ n: '*' })) as { n: number }[]
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
          'verdicts.rules_revision as judgedRules',
          'verdicts.fault',
        )
        .orderByRaw('jobs.due is null, jobs.due, jobs.title')
        .offset(q.offset)
        .limit(q.limit)) as (Omit<JobRow, 'archived' | 'judged'> & {
        archived: number
        judgedRevision: number | null
        judgedRules: number | null
      })[]
      return {
        total: n,
        rows: rows.map(({ judgedRevision, judgedRules, ...r }) => ({
          ...r,
          archived: r.archived === 1,
          judged: judgedRevision === r.revision && judgedRules === rulesRevision,
          fault: r.fault ?? '',
          moved: r.moved ?? 0,
          over: r.over ?? 0,
          near: r.near ?? 0,
          unknown: r.unknown ?? 0,
          governing: r.governing ?? '',
        })),
      }
    },

    /** How many jobs stand at each station, and how many are late, over or not assessed; counted in one go, and only when something was written. */
    tally: async (today: string): Promise<Tally> => {
      const [{ mine }] = (await db.raw('select total_changes() as mine')) as { mine: number }[]
      const [{ data_version: others }] = (await db.raw('pragma data_version')) as { data_version: number }[]
      const at = `${mine} ${others} ${today}`
      if (counted?.at === at) return counted.tally
      const known = notKnownSql(await rulesNow(db))
      const rows = (await db('jobs')
        .leftJoin('verdicts', 'verdicts.job_id', 'jobs.id')
        .where('jobs.archived', 0)
        .groupBy('jobs.station')
        .select('jobs.station')
        .count({ n: '*' })
        .sum({ over: db.raw('verdicts.over > 0') })
        .sum({ unknown: db.raw(known.sql, known.bindings) })
        .sum({ late: db.raw("jobs.due < ? and jobs.station <> 'hand-over'", [today]) })) as (TallyRow & { station: Station })[]
      const sum = (of: 'over' | 'unknown' | 'late') => rows.reduce((s, r) => s + (r[of] ?? 0), 0)
      const tally = {
        stations: Object.fromEntries(rows.map((r) => [r.station, r.n ?? 0])),
        over: sum('over'),
        unknown: sum('unknown'),
        late: sum('late'),
      }
      counted = { at, tally }
      return tally
    },
  }
}
export type JobStore = ReturnType<typeof jobStore>
