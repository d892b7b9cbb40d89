import { type Response, Router } from 'express'
import { z } from 'zod'
import { orderCsv } from '../../core/exchange/orderCsv'
import { kitStanding, withLine } from '../../core/purchase/kit'
import { sectionKey } from '../../core/purchase/needs'
import { orderedLines, type PlacedOrder, type Wanted } from '../../core/purchase/order'
import { comingLines, type PooledBars, pooledLines } from '../../core/purchase/pooled'
import type { PurchaseAnswer } from '../../core/shopWork/purchaseAnswer'
import { localDay } from '../../core/time/localDay'
import { parsed, refuse } from '../http/faults'
import { jobAt } from '../jobs/jobRoutes'
import type { JobStore } from '../jobs/jobStore'
import type { ShelfStore } from '../shelves/shelfStore'
import { working } from '../workshop/working'
import type { Workshop } from '../workshop/workshop'
import { orderSheetPdf, placedOrderPdf } from './orderSheet'
import type { OrderStore } from './orderStore'
import { type AskWork, kitOf } from './shopWork'

const Arrived = z.object({
  lines: z
    .array(z.object({ jobId: z.string().max(60), key: z.string().max(160), quantity: z.number().min(0).max(1e9) }))
    .min(1, 'one line at least')
    .max(2000, '2000 lines at most'),
  to: z.union([z.literal('here'), z.object({ due: z.iso.date('write the date as 2026-12-24') })]),
})

type Parts = { all: AskWork; jobs: JobStore; shelves: ShelfStore; orders: OrderStore; workshop: Workshop }
/** What all open jobs still need: by line, their bars planned together, ordered and taken in. */
export function purchaseRoutes({ all, jobs, shelves, orders, workshop }: Parts): Router {
  const routes = Router()
  const toBuy = async (response: Response) => {
    const { jobs, left, more, rules, shop } = await all(response)
    // what was cut is bought; what was ordered whole says so in its kit
    const buying = jobs.filter((j) => j.work.needs.length && !j.job.built.cut && !j.job.built.kit)
    return { buying, left, more, rules, shop }
  }
  const purchase = async (response: Response): Promise<PurchaseAnswer> => {
    const { buying, left, more, rules, shop } = await toBuy(response)
    const rows = buying.map((j) => ({ id: j.id, title: j.job.title, rows: kitOf(j, { shop, rules }) }))
    return {
      lines: pooledLines(rows),
      coming: comingLines(rows),
      jobs: buying.map((j) => ({ id: j.id, revision: j.revision, title: j.job.title, kit: kitStanding(kitOf(j, { shop, rules })) })),
      suppliers: shop.suppliers,
      left,
      more,
    }
  }
  /** The bars of all jobs that have none here or ordered, planned together; null where there are none. */
  const bars = async (response: Response): Promise<PooledBars | null> => {
    const { buying, rules, shop } = await toBuy(response)
    const wanted = buying.filter((j) => kitOf(j, { shop, rules }).some((r) => r.kind === 'sections' && r.state === 'missing'))
    if (!wanted.length) return null
    const stock = (await shelves.get('stock')).document
    // what of a job's sections is here or ordered already is not planned for a second time
    const pooled = wanted.map((j) => {
      const missing = new Set(kitOf(j, { shop, rules }).flatMap((r) => (r.state === 'missing' ? [r.key] : [])))
      return { id: j.id, title: j.job.title, parts: j.work.parts.filter((p) => missing.has(sectionKey(p.profileId))) }
    })
    return working(workshop, { kind: 'pool', jobs: pooled, stock, rules }, response)
  }
  /** An order of what is still open of these lines, bars by the common plan; null where none of them is. */
  const drawnUp = async (wanted: Wanted[], due: string, response: Response): Promise<Omit<PlacedOrder, 'number'> | null> => {
    const lines = orderedLines((await purchase(response)).lines, wanted)
    if (!lines.length) return null
    const plan = lines.some((l) => l.kind === 'sections') ? await bars(response) : null
    const profiles = new Set(lines.map((l) => l.key))
    return {
      ...{ on: localDay(), due, lines },
      supplier: [...new Set(lines.map((l) => l.supplier?.name ?? ''))].filter(Boolean).join(', '),
      bars: (plan?.buy ?? []).filter((b) => profiles.has(sectionKey(b.profileId))),
    }
  }
  /** An order that only some of its jobs were told of holds what is for these; its bars were planned for all, and are left out. */
  const settle = async (order: PlacedOrder, told: string[]): Promise<void> => {
    const mine = order.lines.flatMap((l) => l.for.filter((f) => told.includes(f.jobId)).map((f) => ({ ...f, key: l.key })))
    const lines = orderedLines(order.lines, mine)
    if (lines.length) await orders.place({ ...order, lines, bars: [] })
    else await orders.drop(order.number)
  }
  routes.get('/orders', async (_request, response) => {
    response.json({ rows: await orders.list() })
  })
  routes.get('/orders/:number.pdf', async (request, response) => {
    const order = (await orders.get(request.params.number)) ?? refuse(404, 'the order', 'the number of an order that was placed')
    const { document: shop } = await shelves.get('shop')
    const bytes = await placedOrderPdf(order, shop)
    response.set({ 'Content-Type': 'application/pdf', 'Content-Disposition': `inline; filename="order-${order.number}.pdf"` }).send(bytes)
  })
  routes.get('/purchase', async (_request, response) => {
    response.json(await purchase(response))
  })
  // one order is for many jobs: told to all of them at once, each from the revision it is at
  routes.post('/kit', async (request, response) => {
    const { lines, to } = parsed(Arrived, request.body)
    const ids = [...new Set(lines.map((l) => l.jobId))]
    // all of them are there before anything is told to one
    const kept = await Promise.all(ids.map((id) => jobAt(jobs, id)))
    const order = to === 'here' ? null : await drawnUp(lines, to.due, response)
    const number = order && (await orders.takeNumber(order.on))
    const told: string[] = []
    for (const { id, job, revision } of kept) {
      const mine = lines.filter((l) => l.jobId === id)
      const way = to === 'here' || !number ? to : { ...to, order: number }
      const saved = await jobs.save(id, revision, { ...job, kit: mine.reduce((kit, l) => withLine(kit, l, way), job.kit) })
      if (!saved.ok) {
        if (order && number) await settle({ ...order, number }, told)
        refuse(409, job.title, 'nobody else writing this job at the same moment: press once more for what is left')
      }
      told.push(id)
    }
    if (order && number) await orders.place({ ...order, number })
    response.json({ jobs: ids.length, order: number })
  })
  routes.get('/purchase/bars', async (_request, response) => {
    response.json(
      (await bars(response)) ?? refuse(409, 'bars', 'a job whose sections are neither here nor ordered: there is nothing to plan'),
    )
  })
  routes.get('/orders.csv', async (_request, response) => {
    const { lines } = await purchase(response)
    response
      .set({ 'Content-Type': 'text/csv; charset=utf-8', 'Content-Disposition': 'attachment; filename="shop-orders.csv"' })
      .send(`\uFEFF${orderCsv(lines, await bars(response))}`)
  })
  routes.get('/orders.pdf', async (_request, response) => {
    const { lines } = await purchase(response)
    const { document: shop } = await shelves.get('shop')
    const bytes = await orderSheetPdf(lines, await bars(response), { today: localDay(), shop })
    response.set({ 'Content-Type': 'application/pdf', 'Content-Disposition': 'inline; filename="shop-orders.pdf"' }).send(bytes)
  })
  return routes
}
