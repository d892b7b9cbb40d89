import type { Knex } from 'knex'
import { rulesNow } from '../jobs/jobStore'
import { type JobWork, WORK_VERSION } from './jobWork'

/** An open job as it is kept, with what it asks of the shop where that is known for this revision, these rules and this shop. */
export type OpenJob = { id: string; revision: number; document: string; work: JobWork | null }
/** What everything asked of the shop is worked out from, as one number text: rules, shop and program. */
type Basis = string

/** All SQL on the table of what jobs ask of the shop: a cache that can be thrown away. */
export function workStore(db: Knex) {
  const basis = async (): Promise<Basis> => {
    const shop = (await db('shelves').where({ name: 'shop' }).first('revision')) as { revision: number } | undefined
    return `${await rulesNow(db)} ${shop?.revision ?? 0} ${WORK_VERSION}`
  }
  return {
    /** Jobs that are not put away, what is due first first. */
    open: async (most: number): Promise<{ jobs: OpenJob[]; basis: Basis; more: number }> => {
      const now = await basis()
      const rows = (await db('jobs')
        .join('job_documents', 'job_documents.job_id', 'jobs.id')
        .leftJoin('job_works', 'job_works.job_id', 'jobs.id')
        .where('jobs.archived', 0)
        .orderByRaw('(due is null), due, title')
        .limit(most)
        .select('jobs.id', 'jobs.revision', 'job_documents.document', 'job_works.work', 'job_works.job_revision', 'job_works.basis')) as {
        id: string
        revision: number
        document: string
        work: string | null
        job_revision: number | null
        basis: string | null
      }[]
      const [{ n }] = (await db('jobs').where({ archived: 0 }).count({ n: '*' })) as { n: number }[]
      const jobs = rows.map(({ id, revision, document, work, job_revision, basis: made }) => ({
        ...{ id, revision, document },
        work: work && job_revision === revision && made === now ? (JSON.parse(work) as JobWork) : null,
      }))
      return { jobs, basis: now, more: Math.max(0, n - rows.length) }
    },
    keep: async ({ id, revision }: OpenJob, work: JobWork, made: Basis): Promise<void> => {
      await db('job_works')
        .insert({ job_id: id, job_revision: revision, basis: made, work: JSON.stringify(work) })
        .onConflict('job_id')
        .merge()
    },
  }
}
