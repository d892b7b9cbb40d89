import { type Request, type Response, Router } from 'express'
import { zipSync } from 'fflate'
import { z } from 'zod'
import { goneOf, unnoted } from '../../core/barsLeft/cutPieces'
import { jobJsonSchema, writeJobFile } from '../../core/exchange/jobFile'
import { vehicleJsonSchema } from '../../core/exchange/vehicleFile'
import { type IssuedPlan, standingPlan } from '../../core/issuedPlan/issuedPlan'
import type { Job } from '../../core/job/job'
import { madeAssembly } from '../../core/job/piecesOf'
import { measuringSheets } from '../../core/measure/sheets'
import { neededBeforeCutting } from '../../core/places/neededBeforeCutting'
import { withLengths } from '../../core/quantity/figureText'
import type { Rules } from '../../core/rules/rules'
import { flatKinds } from '../../core/sheetNesting/sheetPlan'
import { begunFor } from '../../core/sheetNesting/sheetRack'
import type { SheetOffcut } from '../../core/stock/stock'
import { localDay } from '../../core/time/localDay'
import { parsed, refuse } from '../http/faults'
import { disposition } from '../http/fileName'
import type { IssuedStore, Outcome } from '../jobs/issuedStore'
import { jobAt } from '../jobs/jobRoutes'
import type { JobStore } from '../jobs/jobStore'
import { Unreadable } from '../keeping/storeFaults'
import type { ShelfStore } from '../shelves/shelfStore'
import { working } from '../workshop/working'
import type { Workshop } from '../workshop/workshop'
import { clientFormHtml } from './clientForm'
import { everything } from './everything'
import type { Print } from './printed'

const PLAN_MS = 8000
/** The page that a sheet's code leads to. */
const STANDS = {
  tube: 'cut?sheet=tube',
  welds: 'cut?sheet=welds',
  build: 'cut?sheet=build',
  flat: 'cut?sheet=flat',
  'flat-templates': 'cut?sheet=flat',
  holes: 'cut?sheet=holes',
  'owner-card': 'hand-over',
  'hand-over': 'hand-over',
} as const
const standing = async (issued: IssuedStore, jobId: string): Promise<IssuedPlan | null> => standingPlan(await issued.ofJob(jobId))

/** Everything that leaves a job on paper or as a file, and the cut plan that goes to the saw. */
export function printRoutes(jobs: JobStore, shelves: ShelfStore, issued: IssuedStore, workshop: Workshop): Router {
  const routes = Router()
  const rules = async () => (await shelves.get('rules')).document
  const print = async (sheet: Print, response: Response): Promise<Buffer> =>
    Buffer.from(await working(workshop, { kind: 'print', print: sheet }, response))
  const heading = async (job: Job, sheet: string, revision: number, link?: string) => ({
    ...(link ? { link } : {}),
    shop: (await shelves.get('shop')).document,
    job: job.title,
    client: job.brief.clientName,
    sheet,
    revision,
    date: localDay(),
    due: job.due,
  })
  /** Where a job stands as the one who asks reached this server: what a code on a sheet leads back to. */
  const linkOf = (request: Request, station: string) =>
    `${request.protocol}://${request.get('host')}/jobs/${String(request.params.id)}/${station}`
  const plan = async (job: Job, response: Response) => {
    const [stock, r] = [await shelves.get('stock'), await rules()]
    const task = { kind: 'plan' as const, job, stock: stock.document, rules: r, timeLimitMs: PLAN_MS }
    return { plan: await working(workshop, task, response), rules: r, saw: r }
  }
  const goOn = async (job: Job, accepted: IssuedPlan | null, from: string, response: Response) => {
    if (accepted?.id !== from) return refuse(409, 'goesOnFrom', 'the plan that stands for this job: another was accepted meanwhile')
    const gone = goneOf(accepted.plan)
    const again = accepted.pieces.filter((p) => unnoted(job.built, p.mark, gone(p.mark))).map((p) => p.mark)
    if (again.length)
      return refuse(409, 'built', `bars whose rest is known: ${again.join(', ')} cut more than once, nobody noted from which bar`)
    const [stock, r] = [await shelves.get('stock'), await rules()]
    const task = { kind: 'goOn' as const, job, accepted, stock: stock.document, rules: r, timeLimitMs: PLAN_MS }
    return { plan: await working(workshop, task, response), rules: r, saw: accepted.saw ?? r }
  }
  const ways = async (job: Job, response: Response) =>
    working(workshop, { kind: 'ways', job, stock: (await shelves.get('stock')).document, rules: await rules() }, response)
  const begunOf = async (job: Job) => begunFor(job, (await shelves.get('stock')).document)
  const programs = async (job: Job, response: Response) => {
    const { table } = (await shelves.get('shop')).document.workshop
    return working(workshop, { kind: 'programs', job, rules: await rules(), begun: await begunOf(job), table }, response)
  }
  const outcome = (o: Outcome) => {
    if (o.ok) return o
    const why = {
      'job-changed': 'the newest revision of the job: it changed while this plan was made',
      'stock-changed': 'the newest stock: the rack changed since this plan was made; look at the new plan and accept again',
      'rack-short': 'offcuts that are on the rack: some were used elsewhere meanwhile; correct the rack under Stock',
      missing: 'a plan that was accepted for this job',
      already: 'one accepted plan at a time: take the earlier one back first',
    }
    return refuse(o.reason === 'missing' ? 404 : 409, 'plan', why[o.reason])
  }

  routes.get('/:id/file.json', async (request, response) => {
    // a job that can no longer be read leaves as it is kept
    const found = await jobs.get(request.params.id).catch((error: unknown) => {
      if (error instanceof Unreadable) return null
      throw error
    })
    const kept = found ? null : await jobs.rawDocument(request.params.id)
    if (kept !== null)
      return void response.type('application/json').set('Content-Disposition', 'attachment; filename="job-as-kept.json"').send(kept)
    const { job, revision } = found ?? (await jobAt(jobs, request.params.id))
    response
      .type('application/json')
      .set('Content-Disposition', disposition('attachment', job.title, revision, 'job.json'))
      .send(writeJobFile(job))
  })
  const files: [string, string, (job: Job, rules: Rules, begun: SheetOffcut[]) => Print][] = [
    ['cut-list.csv', 'text/csv', (job, rules) => ({ of: 'cut-list', job, rules })],
    ['nest.dxf', 'application/dxf', (job, rules, begun) => ({ of: 'nest', job, rules, begun })],
    ['model.glb', 'model/gltf-binary', (job, rules) => ({ of: 'model', job, rules })],
    ['rechecks.ics', 'text/calendar', (job, rules) => ({ of: 'rechecks', job, rules, today: localDay() })],
  ]
  for (const [name, type, of] of files)
    routes.get(`/:id/${name}`, async (request, response) => {
      const { job, revision } = await jobAt(jobs, request.params.id)
      const bytes = await print(of(job, await rules(), await begunOf(job)), response)
      response
        .type(type)
        .set('Content-Disposition', disposition('attachment', job.title, revision, name))
        .send(bytes)
    })
  routes.get('/:id/drawing/:view', async (request, response) => {
    const asked = parsed(
      z.string().regex(/^(plan|side|rear)\.(dxf|svg)$/, 'must be plan, side or rear, as .dxf or .svg'),
      request.params.view,
    )
    const [view, kind] = asked.split('.') as ['plan' | 'side' | 'rear', 'dxf' | 'svg']
    const { job, revision } = await jobAt(jobs, request.params.id)
    const bytes = await print({ of: 'drawing', job, rules: await rules(), view, as: kind }, response)
    response
      .type(kind === 'dxf' ? 'application/dxf' : 'image/svg+xml')
      .set('Content-Disposition', disposition('attachment', job.title, revision, asked))
      .send(bytes)
  })
  routes.get('/:id/client-form.html', async (request, response) => {
    const { job, revision } = await jobAt(jobs, request.params.id)
    // what can be weighed or asked of the maker is not asked of him
    const sheets = measuringSheets.filter((s) => s.fits(job.vehicle))
    response
      .type('text/html')
      .set('Content-Disposition', disposition('attachment', job.title, revision, 'measuring-form.html'))
      .send(clientFormHtml(job, sheets))
  })
  routes.get('/:id/other-ways', async (request, response) => {
    const { job } = await jobAt(jobs, request.params.id)
    response.json({ rows: await ways(job, response) })
  })
  // read in the shop as it is, or sent as a file
  for (const [name, how] of [
    ['client-page', 'attachment'],
    ['client', 'inline'],
  ] as const)
    routes.get(`/:id/${name}.html`, async (request, response) => {
      const { job, revision } = await jobAt(jobs, request.params.id)
      const accepted = await standing(issued, request.params.id)
      const made = accepted ? accepted.plan : (await plan(job, response)).plan
      const title = await heading(job, 'Client’s page', revision)
      const bytes = await print({ of: 'client-page', job, rules: await rules(), made, ways: await ways(job, response), title }, response)
      // the page itself says what may run on it
      response.removeHeader('Content-Security-Policy')
      response
        .type('text/html')
        .set('Content-Disposition', disposition(how, job.title, revision, 'client-page.html'))
        .send(bytes)
    })
  routes.get('/:id/arrangement.pdf', async (request, response) => {
    const { job, revision } = await jobAt(jobs, request.params.id)
    const accepted = await standing(issued, request.params.id)
    const title = await heading(job, 'General arrangement', revision, linkOf(request, 'layout'))
    const bytes = await print({ of: 'arrangement', job, rules: await rules(), accepted, title }, response)
    response
      .type('application/pdf')
      .set('Content-Disposition', disposition('inline', job.title, revision, 'arrangement.pdf'))
      .send(bytes)
  })
  for (const [of, sheet] of [
    ['tube', 'Bends and templates'],
    ['welds', 'Weld map'],
    ['build', 'Order of work'],
    ['flat', 'Fold sheets and nests'],
    ['flat-templates', 'Flat parts at full size'],
    ['holes', 'Drilling sheet'],
    ['owner-card', 'Owner’s card'],
    ['hand-over', 'Hand-over'],
  ] as const)
    routes.get(`/:id/${of}.pdf`, async (request, response) => {
      const { job, revision } = await jobAt(jobs, request.params.id)
      const accepted = await standing(issued, request.params.id)
      const title = await heading(job, sheet, revision, linkOf(request, STANDS[of]))
      const bytes = await print({ of, job, rules: await rules(), shop: title.shop, begun: await begunOf(job), accepted, title }, response)
      response
        .type('application/pdf')
        .set('Content-Disposition', disposition('inline', job.title, revision, `${of}.pdf`))
        .send(bytes)
    })
  routes.get('/:id/flat/:mark.dxf', async (request, response) => {
    const mark = parsed(z.string().min(1).max(40), request.params.mark)
    const { job, revision } = await jobAt(jobs, request.params.id)
    const r = await rules()
    const marks = flatKinds(madeAssembly(job, r), r).flatMap((k) => k.marks)
    if (!marks.includes(mark))
      return refuse(404, 'mark', marks.length ? `one of ${marks.join(', ')}` : 'a job with flat parts: this one has none')
    const bytes = await print({ of: 'flat-part', job, rules: r, mark }, response)
    response
      .type('application/dxf')
      .set('Content-Disposition', disposition('attachment', job.title, revision, `${mark}.dxf`))
      .send(bytes)
  })
  routes.get('/:id/run/:sheet.nc', async (request, response) => {
    const sheet = parsed(
      z.coerce.number({ error: 'a sheet by its number' }).int().min(1, 'a sheet by its number').max(999),
      request.params.sheet,
    )
    const { job, revision } = await jobAt(jobs, request.params.id)
    const all = await programs(job, response)
    const told = all[sheet - 1]
    if (!told) return refuse(404, 'sheet', all.length ? `one of 1 to ${all.length}` : 'a job with flat parts: this one has none')
    if ('missing' in told) return refuse(422, `sheet ${sheet}`, withLengths(told.missing, job.units))
    response
      .type('text/plain')
      .set('Content-Disposition', disposition('attachment', job.title, revision, `sheet-${sheet}.nc`))
      .send(told.program)
  })
  routes.get('/:id/templates.:kind', async (request, response) => {
    const as = parsed(z.enum(['dxf', 'svg'], 'must be templates.dxf or templates.svg'), request.params.kind)
    const { job, revision } = await jobAt(jobs, request.params.id)
    const bytes = await print({ of: 'templates', job, rules: await rules(), as }, response)
    response
      .type(as === 'dxf' ? 'application/dxf' : 'image/svg+xml')
      .set('Content-Disposition', disposition('attachment', job.title, revision, `templates.${as}`))
      .send(bytes)
  })
  routes.get('/:id/cut-sheet.pdf', async (request, response) => {
    const { job, revision } = await jobAt(jobs, request.params.id)
    const r = await rules()
    const accepted = await standing(issued, request.params.id)
    const made = accepted ? { plan: accepted.plan, saw: accepted.saw ?? r } : { plan: (await plan(job, response)).plan, saw: r }
    const title = await heading(job, 'Cut sheet', accepted?.jobRevision ?? revision, linkOf(request, 'cut'))
    const bytes = await print({ of: 'cut-sheet', job, rules: r, made, workshop: title.shop.workshop, accepted, title }, response)
    response
      .type('application/pdf')
      .set('Content-Disposition', disposition('inline', job.title, accepted?.jobRevision ?? revision, 'cut-sheet.pdf'))
      .send(bytes)
  })
  routes.get('/:id/labels.pdf', async (request, response) => {
    const { job, revision } = await jobAt(jobs, request.params.id)
    const r = await rules()
    const accepted = await standing(issued, request.params.id)
    const made = accepted ? accepted.plan : (await plan(job, response)).plan
    const title = await heading(job, 'Labels', accepted?.jobRevision ?? revision)
    const bytes = await print({ of: 'labels', job, rules: r, plan: made, title }, response)
    response
      .type('application/pdf')
      .set('Content-Disposition', disposition('inline', job.title, accepted?.jobRevision ?? revision, 'labels.pdf'))
      .send(bytes)
  })
  routes.get('/:id/all.zip', async (request, response) => {
    const { job, revision } = await jobAt(jobs, request.params.id)
    const r = await rules()
    const accepted = await standing(issued, request.params.id)
    const made = accepted ? { plan: accepted.plan, saw: accepted.saw ?? r } : { plan: (await plan(job, response)).plan, saw: r }
    const shop = (await shelves.get('shop')).document
    const title = (sheet: string) => heading(job, sheet, revision)
    const files = await everything(
      {
        ...{ job, rules: r, accepted, made, shop, heading: title },
        ...{ ways: await ways(job, response), begun: await begunOf(job), programs: await programs(job, response) },
      },
      (p) => print(p, response),
    )
    response
      .type('application/zip')
      .set('Content-Disposition', disposition('attachment', job.title, revision, 'all.zip'))
      .send(Buffer.from(zipSync(files)))
  })
  routes.get('/:id/measuring-sheet.pdf', async (request, response) => {
    const query = parsed(
      z.object({ sheets: z.string().max(200).default('needed'), blank: z.enum(['true', 'false']).default('true') }),
      request.query,
    )
    const { job, revision } = await jobAt(jobs, request.params.id)
    const named = query.sheets.split(',')
    const sheets =
      query.sheets === 'needed' ? measuringSheets.filter((s) => s.fits(job.vehicle)) : measuringSheets.filter((s) => named.includes(s.id))
    if (!sheets.length) return refuse(422, 'sheets', `the names of sheets, or “needed”: ${measuringSheets.map((s) => s.id).join(', ')}`)
    const sheet = query.blank === 'true' ? `Measuring sheet, ${job.vehicle.name}` : `As measured, ${job.vehicle.name}`
    const title = await heading(job, sheet, revision)
    const sheetIds = sheets.map((s) => s.id)
    const bytes = await print({ of: 'measuring-sheet', job, sheetIds, blank: query.blank === 'true', title }, response)
    response
      .type('application/pdf')
      .set('Content-Disposition', disposition('inline', job.title, revision, 'measuring-sheet.pdf'))
      .send(bytes)
  })
  routes.get('/:id/plans', async (request, response) => {
    await jobAt(jobs, request.params.id)
    response.json(await issued.ofJob(request.params.id))
  })
  routes.post('/:id/plans', async (request, response) => {
    const given = parsed(
      z.object({
        revision: z.number().int().min(1),
        stockRevision: z.number().int().min(0),
        reason: z.string().trim().max(500).default(''),
        /** the plan that was begun and that this one goes on from */
        goesOnFrom: z.string().max(60).nullable().default(null),
      }),
      request.body,
    )
    const { job, revision } = await jobAt(jobs, request.params.id)
    if (revision !== given.revision) return refuse(409, 'revision', 'the newest revision of the job: it changed since this plan was made')
    const [doubt] = neededBeforeCutting(job.vehicle)
    if (doubt) return refuse(409, 'vehicle', `figures that are measured and agree before anything is cut: ${doubt.label}, ${doubt.why}`)
    const made = given.goesOnFrom
      ? await goOn(job, await standing(issued, request.params.id), given.goesOnFrom, response)
      : await plan(job, response)
    if (!made.plan.complete) return refuse(409, 'plan', 'stock for every piece: some pieces were not placed')
    const judged = await working(workshop, { kind: 'judge', job, rules: made.rules }, response)
    const doubtful = judged.limits.filter((l) => l.state === 'over' || l.state === 'unknown')
    if (doubtful.length && !given.reason)
      return refuse(
        409,
        'reason',
        `why it is cut all the same: ${doubtful.map((l) => `${l.name} is ${l.state === 'over' ? 'over its line' : 'not assessed'}`).join('; ')}`,
      )
    const { kerfMm, endTrimMm } = made.saw
    const done = outcome(
      await issued.accept(
        request.params.id,
        revision,
        { job, plan: made.plan, saw: { kerfMm, endTrimMm }, pieces: judged.pieces, reason: given.reason, goesOnFrom: given.goesOnFrom },
        given.stockRevision,
      ),
    )
    response.status(201).json(done)
  })
  routes.post('/:id/plans/:plan/take-back', async (request, response) => {
    await jobAt(jobs, request.params.id)
    response.json(outcome(await issued.takeBack(request.params.id, request.params.plan)))
  })
  return routes
}

export const schemaRoute = (): Router => {
  const routes = Router()
  const [schema, vehicle] = [jobJsonSchema(), vehicleJsonSchema()]
  routes.get('/job.schema.json', (_request, response) => {
    response.json(schema)
  })
  routes.get('/vehicle.schema.json', (_request, response) => {
    response.json(vehicle)
  })
  return routes
}
