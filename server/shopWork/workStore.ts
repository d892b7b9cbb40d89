import type { Knex } from 'knex'
import { rulesNow } from '../jobs/jobStore'
import { type JobWork, WORK_VERSION } from './jobWork'

/** An open job as it is kept, with what it last asked of the shop, and what that was worked out from. */
export type OpenJob = { id: string; revision: number; document: string; kept: { basis: string; work: JobWork } | null }

/** All SQL on the table of what jobs ask of the shop: a cache that can be thrown away. */
export function workStore(db: Knex) {
  const shopBasis = async (): Promise<string> => {
    const shop = (await db('shelves').where({ name: 'shop' }).first('revision')) as { revision: number } | undefined
    return `${await rulesNow(db)} ${shop?.revision ?? 0} ${WORK_VERSION}`
  }
  return {
    /** Jobs that are not put away, what is due first first. */
    open: async (most: number): Promise<{ jobs: OpenJob[]; shop: string; more: number }> => {
      const shop = await shopBasis()
      const rows = (await db('jobs')
        .join('job_documents', 'job_documents.job_id', 'jobs.id')
        .leftJoin('job_works', 'job_works.job_id', 'jobs.id')
        .where('jobs.archived', 0)
        .orderByRaw('(due is null), due, title')
        .limit(most)
        .select('jobs.id', 'jobs.revision', 'job_documents.document', 'job_works.work', 'job_works.basis')) as {
        id: string
        revision: number
        document: string
        work: string | null
        basis: string | null
      }[]
      const [{ n }] = (await db('jobs').where({ archived: 0 }).count({ n: '*' })) as { n: number }[]
      const jobs = rows.map(({ id, revision, document, work, basis }) => ({
        ...{ id, revision, document },
        kept: work && basis ? { basis, work: JSON.parse(work) as JobWork } : null,
      }))
      return { jobs, shop, more: Math.max(0, n - rows.length) }
    },
    keep: async (id: string, basis: string, work: JobWork): Promise<void> => {
      await db('job_works')
        .insert({ job_id: id, basis, work: JSON.stringify(work) })
        .onConflict('job_id')
        .merge()
    },
  }
}
