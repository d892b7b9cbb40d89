import { Router } from 'express'
import type { Knex } from 'knex'
import { z } from 'zod'
import { entriesOf, type LogEntry, searchLog, trialEntries } from '../../core/shopWork/shopLog'
import { parsed } from '../http/faults'
import type { ShelfStore } from '../shelves/shelfStore'
import { readKept } from './shopWork'

const Asked = z.object({ search: z.string().max(120).default(''), limit: z.coerce.number().int().min(1).max(500).default(100) })
/** Beyond this the newest jobs are looked through, and it says so. */
const MOST_JOBS = 2000

/** What was done, measured and said over all jobs, archived ones too; a job that can no longer be read is left out and counted. */
export function logRoute(db: Knex, shelves: ShelfStore): Router {
  const routes = Router()
  routes.get('/', async (request, response) => {
    const { search, limit } = parsed(Asked, request.query)
    const rows = (await db('jobs')
      .join('job_documents', 'job_id', 'id')
      // a torn document is no fault of the others
      .whereRaw(
        `case when json_valid(document) then json_extract(document, '$.built') <> '{}' or json_extract(document, '$.kit') <> '{}'
          or json_extract(document, '$.loadTests') <> '[]' or json_extract(document, '$.clientAnswers') <> '[]' else 1 end`,
      )
      .orderBy('updated_at', 'desc')
      .limit(MOST_JOBS)
      .select('id', 'document')) as { id: string; document: string }[]
    let unread = 0
    const entries = rows.flatMap(({ id, document }): LogEntry[] => {
      const read = readKept(document)
      if (!read.ok) unread++
      return read.ok ? entriesOf(id, read.value) : []
    })
    const { document: shop } = await shelves.get('shop')
    const found = searchLog([...entries, ...trialEntries(shop.workshop)], search)
    response.json({ entries: found.slice(0, limit), total: found.length, unread, more: rows.length === MOST_JOBS })
  })
  return routes
}
