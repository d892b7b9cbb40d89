import { Router } from 'express'
import type { Knex } from 'knex'
import { z } from 'zod'
import { learnedTimes } from '../../core/workLog/learnedTimes'
import { TickSchema } from '../../core/workLog/tick'

const Ticks = z.record(z.string(), TickSchema)

/** What steps took over all jobs of the shop, archived ones too: read out of the documents as they lie, one that can no longer be read left out. */
export function timesRoute(db: Knex): Router {
  const routes = Router()
  routes.get('/', async (_request, response) => {
    const rows = (await db('job_documents').select(
      db.raw("case when json_valid(document) then json_extract(document, '$.built') end as built"),
    )) as { built: string | null }[]
    const all = rows.flatMap((r) => {
      const ticks = Ticks.safeParse(JSON.parse(r.built ?? '{}'))
      return ticks.success ? [ticks.data] : []
    })
    response.json({ rows: learnedTimes(all) })
  })
  return routes
}
