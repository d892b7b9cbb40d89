import type { Response } from 'express'
import { Router } from 'express'
import type { Knex } from 'knex'
import { z } from 'zod'
import { workJob } from '../../core/build/calendar'
import { readJob } from '../../core/exchange/jobFile'
import { orderCsv } from '../../core/exchange/orderCsv'
import type { Job } from '../../core/job/job'
import { kitRows, kitStanding, withLine } from '../../core/purchase/kit'
import { sectionKey } from '../../core/purchase/needs'
import { comingLines, type PooledBars, pooledLines } from '../../core/purchase/pooled'
import type { Rules } from '../../core/rules/rules'
import { simulatedWetDays } from '../../core/schedule/forecast'
import type { Shop } from '../../core/shop/shop'
import type { DaysAnswer, LeftOut } from '../../core/shopWork/daysAnswer'
import type { PurchaseAnswer } from '../../core/shopWork/purchaseAnswer'
import { localDay } from '../../core/time/localDay'
import { parsed, refuse } from '../http/faults'
import { jobAt } from '../jobs/jobRoutes'
import type { JobStore } from '../jobs/jobStore'
import type { ShelfStore } from '../shelves/shelfStore'
import { working } from '../workshop/working'
import type { Workshop } from '../workshop/workshop'
import { daysIcs } from './daysCalendar'
import { daysPdf } from './daysSheet'
import type { JobWork } from './jobWork'
import { orderSheetPdf } from './orderSheet'
import { basisOf, workStore } from './workStore'

/** So many jobs stand on the calendar; what is due later than these is counted and left out. */
const MOST_JOBS = 60

type OnCalendar = { id: string; revision: number; job: Job; work: JobWork }
/** What the page of days and the page of orders are made from. `left` = jobs that could not be worked out, and why. */
export type ShopWork = { jobs: OnCalendar[]; left: LeftOut[]; more: number; rules: Rules; shop: Shop }

/** Every open job with what it asks of the shop, worked out where that is not known; each says by itself why it cannot be. */
export function shopWork(db: Knex, shelves: ShelfStore, workshop: Workshop) {
  const store = workStore(db)
  return async (response: Response): Promise<ShopWork> => {
    const [rules, shop] = [(await shelves.get('rules')).document, (await shelves.get('shop')).document]
    const { jobs, shop: basis, more } = await store.open(MOST_JOBS)
    const out: OnCalendar[] = []
    const left: ShopWork['left'] = []
    for (const open of jobs) {
      const read = readJob(JSON.parse(open.document))
      if (!read.ok) {
        left.push({ id: open.id, title: titleOf(open.document), why: read.faults.map((f) => `${f.where}: ${f.expected}`).join('; ') })
        continue
      }
      try {
        const now = basisOf(read.value, basis)
        const known = open.kept?.basis === now ? open.kept.work : null
        const work = known ?? (await working(workshop, { kind: 'work', document: open.document, shop, rules }, response))
        if (!known) await store.keep(open.id, now, work)
        out.push({ id: open.id, revision: open.revision, job: read.value, work })
      } catch (error) {
        left.push({
          id: open.id,
          title: read.value.title,
          why: error instanceof Error ? (error.message.split('\n')[0] ?? '') : 'no reason was given',
        })
      }
    }
    return { jobs: out, left, more, rules, shop }
  }
}
const titleOf = (document: string): string => {
  const raw: unknown = JSON.parse(document)
  return raw !== null && typeof raw === 'object' && 'title' in raw ? String(raw.title).slice(0, 120) : 'a job'
}

const Arrived = z.object({
  lines: z
    .array(z.object({ jobId: z.string().max(60), key: z.string().max(160), quantity: z.number().min(0).max(1e9) }))
    .min(1, 'one line at least')
    .max(2000, '2000 lines at most'),
  to: z.union([z.literal('here'), z.object({ due: z.iso.date('write the date as 2026-12-24') })]),
})

export function daysRoutes(db: Knex, jobs: JobStore, shelves: ShelfStore, workshop: Workshop): Router {
  const routes = Router()
  const all = shopWork(db, shelves, workshop)
  const kitOf = ({ job, work }: OnCalendar, shop: Shop) => kitRows(work.needs, job.kit, shop.suppliers)
  const calendar = async (response: Response): Promise<DaysAnswer> => {
    const { jobs, left, more, rules, shop } = await all(response)
    const today = localDay()
    const built = jobs.filter((j) => j.work.steps.length)
    return {
      today,
      hoursADay: rules.workHours,
      daysAWeek: rules.workDays,
      calendar: shop.calendar,
      wet: shop.calendar.outdoors ? [...simulatedWetDays(today)] : [],
      jobs: built.map((j) => workJob(j.id, j.job, j.work, kitStanding(kitOf(j, shop)))),
      about: built.map((j) => ({
        ...{ id: j.id, revision: j.revision, client: j.job.brief.clientName, vehicle: j.job.vehicle.name },
        kit: kitStanding(kitOf(j, shop)).state,
      })),
      left,
      more,
    }
  }
  routes.get('/days', async (_request, response) => {
    response.json(await calendar(response))
  })
  routes.get('/days.ics', async (_request, response) => {
    response
      .set({ 'Content-Type': 'text/calendar; charset=utf-8', 'Content-Disposition': 'attachment; filename="shop-days.ics"' })
      .send(daysIcs(await calendar(response)))
  })
  routes.get('/days.pdf', async (_request, response) => {
    const { document: shop } = await shelves.get('shop')
    const bytes = await daysPdf(await calendar(response), shop)
    response.set({ 'Content-Type': 'application/pdf', 'Content-Disposition': 'inline; filename="shop-days.pdf"' }).send(bytes)
  })
  const toBuy = async (response: Response) => {
    const { jobs, left, more, rules, shop } = await all(response)
    // what was cut is bought; what was ordered whole says so in its kit
    const buying = jobs.filter((j) => j.work.needs.length && !j.job.built.cut && !j.job.built.kit)
    return { buying, left, more, rules, shop }
  }
  const purchase = async (response: Response): Promise<PurchaseAnswer> => {
    const { buying, left, more, shop } = await toBuy(response)
    const rows = buying.map((j) => ({ id: j.id, title: j.job.title, rows: kitOf(j, shop) }))
    return {
      lines: pooledLines(rows),
      coming: comingLines(rows),
      jobs: buying.map((j) => ({ id: j.id, revision: j.revision, title: j.job.title, kit: kitStanding(kitOf(j, shop)) })),
      suppliers: shop.suppliers,
      left,
      more,
    }
  }
  /** The bars of all jobs that have none here or ordered, planned together; null where there are none. */
  const bars = async (response: Response): Promise<PooledBars | null> => {
    const { buying, rules, shop } = await toBuy(response)
    const wanted = buying.filter((j) => kitOf(j, shop).some((r) => r.kind === 'sections' && r.state === 'missing'))
    if (!wanted.length) return null
    const stock = (await shelves.get('stock')).document
    // what of a job's sections is here or ordered already is not planned for a second time
    const pooled = wanted.map((j) => {
      const missing = new Set(kitOf(j, shop).flatMap((r) => (r.state === 'missing' ? [r.key] : [])))
      return { id: j.id, title: j.job.title, parts: j.work.parts.filter((p) => missing.has(sectionKey(p.profileId))) }
    })
    return working(workshop, { kind: 'pool', jobs: pooled, stock, rules }, response)
  }
  routes.get('/purchase', async (_request, response) => {
    response.json(await purchase(response))
  })
  // one order is for many jobs: told to all of them at once, each from the revision it is at
  routes.post('/kit', async (request, response) => {
    const { lines, to } = parsed(Arrived, request.body)
    const ids = [...new Set(lines.map((l) => l.jobId))]
    for (const id of ids) {
      const { job, revision } = await jobAt(jobs, id)
      const mine = lines.filter((l) => l.jobId === id)
      const saved = await jobs.save(id, revision, { ...job, kit: mine.reduce((kit, l) => withLine(kit, l, to), job.kit) })
      if (!saved.ok) refuse(409, job.title, 'nobody else writing this job at the same moment: press once more for what is left')
    }
    response.json({ jobs: ids.length })
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
