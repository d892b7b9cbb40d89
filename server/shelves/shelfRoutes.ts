import { Router } from 'express'
import { z } from 'zod'
import { rackDifference, readRemnantsCsv, remnantsCsv, sheetsCsv } from '../../core/exchange/rackCsv'
import { parsed, Refusal, refuse } from '../http/faults'
import { type ShelfName, type ShelfStore, shelves } from './shelfStore'

const Name = z.enum(['stock', 'rules', 'vehicles', 'parts', 'shop'], 'must be stock, rules, vehicles, parts or shop')
const OLDER = 'the newest revision: somebody changed this shelf after you opened it. Load it again, then repeat your change.'

export function shelfRoutes(store: ShelfStore, rulesChanged: () => void): Router {
  const routes = Router()
  routes.get('/stock/remnants.csv', async (_request, response) => {
    response
      .type('text/csv')
      .set('Content-Disposition', 'attachment; filename="stock-rack.csv"')
      .send(remnantsCsv((await store.get('stock')).document.remnants))
  })
  routes.get('/stock/sheets.csv', async (_request, response) => {
    response
      .type('text/csv')
      .set('Content-Disposition', 'attachment; filename="begun-sheets.csv"')
      .send(sheetsCsv((await store.get('stock')).document.sheets))
  })
  routes.post('/stock/remnants.csv', async (request, response) => {
    if (typeof request.body !== 'string') return refuse(415, 'the body', 'the rack as text/csv')
    const query = parsed(
      z.object({
        revision: z.coerce.number().int().min(0),
        unit: z.enum(['mm', 'in']).nullable().default(null),
        /** only say what was understood and what would change */
        check: z.enum(['true', 'false']).default('false'),
      }),
      request.query,
    )
    const read = readRemnantsCsv(request.body, query.unit)
    if (!read.ok) throw new Refusal(422, read.faults)
    const { remnants, ...said } = read.value
    const { document } = await store.get('stock')
    const after = { ...document, remnants }
    const changes = rackDifference(document.remnants, remnants)
    if (query.check === 'true') return void response.json({ ...said, changes })
    const put = await store.put('stock', query.revision, parsed(shelves.stock.edge, after))
    if (!put.ok) return refuse(409, 'revision', OLDER, { revision: put.revision })
    response.json({ revision: put.revision, document: after, ...said, changes })
  })
  routes.get('/vehicles/:vehicle/revisions', async (request, response) => {
    response.json(await store.earlier(parsed(z.string().min(1).max(60), request.params.vehicle)))
  })
  // a shelf that cannot be read can be fetched as it is, put right and written again over it
  routes.get('/:name/as-kept.json', async (request, response) => {
    const name = parsed(Name, request.params.name)
    response
      .type('application/json')
      .set('Content-Disposition', `attachment; filename="${name}-as-kept.json"`)
      .send(await store.raw(name))
  })
  routes.get('/:name', async (request, response) => {
    response.json(await store.get(parsed(Name, request.params.name)))
  })
  routes.put('/:name', async (request, response) => {
    const name: ShelfName = parsed(Name, request.params.name)
    const { revision, document } = parsed(z.object({ revision: z.number().int().min(0), document: z.unknown() }), request.body)
    const checked = parsed(shelves[name].edge as z.ZodType, document) as never
    const put = await store.put(name, revision, checked)
    if (!put.ok) return refuse(409, 'revision', OLDER, { revision: put.revision })
    if (name === 'rules') rulesChanged()
    response.json({ revision: put.revision, document: checked })
  })
  return routes
}
