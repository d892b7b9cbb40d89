import { type Response, Router } from 'express'
import { workJob } from '../../core/build/calendar'
import { kitStanding } from '../../core/purchase/kit'
import { simulatedWetDays } from '../../core/schedule/forecast'
import type { DaysAnswer } from '../../core/shopWork/daysAnswer'
import { localDay } from '../../core/time/localDay'
import type { ShelfStore } from '../shelves/shelfStore'
import { daysIcs } from './daysCalendar'
import { daysPdf } from './daysSheet'
import { type AskWork, kitOf } from './shopWork'

/** All open jobs on the shop's calendar: to be drawn, on paper, and as a calendar file. */
export function daysRoutes(all: AskWork, shelves: ShelfStore): Router {
  const routes = Router()
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
      jobs: built.map((j) => workJob(j.id, j.job, j.work, kitStanding(kitOf(j, { shop, rules })))),
      about: built.map((j) => ({
        ...{ id: j.id, revision: j.revision, client: j.job.brief.clientName, vehicle: j.job.vehicle.name },
        kit: kitStanding(kitOf(j, { shop, rules })).state,
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
  return routes
}
