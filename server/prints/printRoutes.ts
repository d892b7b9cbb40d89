import { Router } from 'express'
import { z } from 'zod'
import { cutList } from '../../core/cutList/cutList'
import { toDxf } from '../../core/drawing/toDxf'
import { toSvg } from '../../core/drawing/toSvg'
import { drawView } from '../../core/drawing/views'
import { cutListCsv } from '../../core/exchange/csv'
import { jobJsonSchema, writeJobFile } from '../../core/exchange/jobFile'
import { vehicleJsonSchema } from '../../core/exchange/vehicleFile'
import { type IssuedPlan, standingPlan } from '../../core/issuedPlan/issuedPlan'
import { type Moved, piecesOf, planMoved } from '../../core/issuedPlan/planMoved'
import { type Evaluation, evaluate } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { neededBeforeCutting } from '../../core/measure/needed'
import { measuringSheets } from '../../core/measure/sheets'
import { parsed, refuse } from '../http/faults'
import type { IssuedStore, Outcome } from '../jobs/issuedStore'
import { jobAt, today } from '../jobs/jobRoutes'
import type { JobStore } from '../jobs/jobStore'
import type { ShelfStore } from '../shelves/shelfStore'
import type { Workshop } from '../workshop/workshop'
import { arrangementPdf } from './arrangement'
import { clientFormHtml } from './clientForm'
import { cutSheetPdf } from './cutSheet'
import { measuringSheetPdf } from './measuringSheet'
import type { Stamp } from './paper'

const PLAN_MS = 8000
const fileName = (job: Job, tail: string): string =>
  `attachment; filename="${
    job.title
      .normalize('NFKD')
      .replace(/[^A-Za-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .toLowerCase() || 'job'
  }-${tail}"`

const standing = async (issued: IssuedStore, jobId: string): Promise<IssuedPlan | null> => standingPlan(await issued.ofJob(jobId))
const movedSince = (accepted: IssuedPlan | null, now: Evaluation): Moved[] => (accepted ? planMoved(accepted.pieces, now.assembly) : [])
/** The one large word on a sheet. What shows the design as it stands is a draft again once it has moved; the accepted plan itself is superseded. */
function stampOf(accepted: IssuedPlan | null, moved: Moved[], showsNow = false): Stamp {
  if (!accepted) return { word: 'DRAFT', detail: 'not accepted for the saw' }
  if (!moved.length) return { word: `ACCEPTED revision ${accepted.jobRevision}`, detail: '' }
  return showsNow
    ? { word: 'DRAFT', detail: `differs from accepted revision ${accepted.jobRevision}` }
    : { word: 'SUPERSEDED', detail: `the design has moved since revision ${accepted.jobRevision} was accepted` }
}

/** Everything that leaves a job on paper or as a file, and the cut plan that goes to the saw. */
export function printRoutes(jobs: JobStore, shelves: ShelfStore, issued: IssuedStore, workshop: Workshop): Router {
  const routes = Router()
  const rules = async () => (await shelves.get('rules')).document
  const plan = async (job: Job) => {
    const [stock, r] = [await shelves.get('stock'), await rules()]
    const running = workshop.run({ kind: 'plan', job, stock: stock.document, rules: r, timeLimitMs: PLAN_MS })
    if (!running) return refuse(503, 'the server', 'a free place in the queue: too much is waiting, try again in a minute')
    return { plan: await running, rules: r, stockRevision: stock.revision }
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
    const { job } = await jobAt(jobs, request.params.id)
    response.type('application/json').set('Content-Disposition', fileName(job, 'job.json')).send(writeJobFile(job))
  })
  routes.get('/:id/cut-list.csv', async (request, response) => {
    const { job } = await jobAt(jobs, request.params.id)
    response
      .type('text/csv')
      .set('Content-Disposition', fileName(job, 'cut-list.csv'))
      .send(cutListCsv(cutList(evaluate(job, await rules()).assembly)))
  })
  routes.get('/:id/drawing/:view', async (request, response) => {
    const asked = parsed(
      z.string().regex(/^(plan|side|rear)\.(dxf|svg)$/, 'must be plan, side or rear, as .dxf or .svg'),
      request.params.view,
    )
    const [view, kind] = asked.split('.') as ['plan' | 'side' | 'rear', 'dxf' | 'svg']
    const { job } = await jobAt(jobs, request.params.id)
    const sheet = drawView(view, evaluate(job, await rules()).assembly, job.vehicle, job.brief)
    response
      .type(kind === 'dxf' ? 'application/dxf' : 'image/svg+xml')
      .set('Content-Disposition', fileName(job, asked))
      .send(kind === 'dxf' ? toDxf(sheet, job.units) : toSvg(sheet, job.units))
  })
  routes.get('/:id/client-form.html', async (request, response) => {
    const { job } = await jobAt(jobs, request.params.id)
    // what can be weighed or asked of the maker is not asked of him
    const sheets = measuringSheets.filter((s) => s.fits(job.vehicle))
    response.type('text/html').set('Content-Disposition', fileName(job, 'measuring-form.html')).send(clientFormHtml(job, sheets))
  })
  routes.get('/:id/arrangement.pdf', async (request, response) => {
    const { job, revision } = await jobAt(jobs, request.params.id)
    const r = await rules()
    const result = evaluate(job, r)
    const accepted = await standing(issued, request.params.id)
    const bytes = await arrangementPdf(job, result, r, {
      job: job.title,
      client: job.brief.clientName,
      sheet: 'General arrangement',
      revision,
      date: today(),
      due: job.due,
      stamp: stampOf(accepted, movedSince(accepted, result), true),
    })
    response
      .type('application/pdf')
      .set('Content-Disposition', fileName(job, 'arrangement.pdf').replace('attachment', 'inline'))
      .send(bytes)
  })
  routes.get('/:id/cut-sheet.pdf', async (request, response) => {
    const { job, revision } = await jobAt(jobs, request.params.id)
    const r = await rules()
    const accepted = await standing(issued, request.params.id)
    const result = evaluate(job, r)
    const made = accepted ? { plan: accepted.plan, saw: accepted.saw ?? r } : { plan: (await plan(job)).plan, saw: r }
    const bytes = await cutSheetPdf(
      job,
      { ...made, moved: movedSince(accepted, result), reason: accepted?.reason ?? '', limits: result.limits },
      {
        job: job.title,
        client: job.brief.clientName,
        sheet: 'Cut sheet',
        revision: accepted?.jobRevision ?? revision,
        date: today(),
        due: job.due,
        stamp: stampOf(accepted, movedSince(accepted, result)),
      },
    )
    response.type('application/pdf').set('Content-Disposition', fileName(job, 'cut-sheet.pdf').replace('attachment', 'inline')).send(bytes)
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
    const bytes = await measuringSheetPdf(job, sheets, query.blank === 'true', {
      job: job.title,
      client: job.brief.clientName,
      sheet,
      revision,
      date: today(),
      due: job.due,
      stamp: null,
    })
    response
      .type('application/pdf')
      .set('Content-Disposition', fileName(job, 'measuring-sheet.pdf').replace('attachment', 'inline'))
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
      }),
      request.body,
    )
    const { job, revision } = await jobAt(jobs, request.params.id)
    if (revision !== given.revision) return refuse(409, 'revision', 'the newest revision of the job: it changed since this plan was made')
    const [doubt] = neededBeforeCutting(job.vehicle)
    if (doubt) return refuse(409, 'vehicle', `figures that are measured and agree before anything is cut: ${doubt.label}, ${doubt.why}`)
    const made = await plan(job)
    if (!made.plan.complete) return refuse(409, 'plan', 'stock for every piece: some pieces were not placed')
    const result = evaluate(job, made.rules)
    const doubtful = result.limits.filter((l) => l.state === 'over' || l.state === 'unknown')
    if (doubtful.length && !given.reason)
      return refuse(
        409,
        'reason',
        `why it is cut all the same: ${doubtful.map((l) => `${l.name} is ${l.state === 'over' ? 'over its line' : 'not assessed'}`).join('; ')}`,
      )
    const { kerfMm, endTrimMm } = made.rules
    const done = outcome(
      await issued.accept(
        request.params.id,
        revision,
        { job, plan: made.plan, saw: { kerfMm, endTrimMm }, pieces: piecesOf(result.assembly), reason: given.reason },
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
