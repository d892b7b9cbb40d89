import { Router } from 'express'
import { AskedSchema } from '../../core/outside/answer'
import { TableAskedSchema } from '../../core/outside/plasmaTable'
import { standInAnswer } from '../../core/outside/standIns'
import { localDay } from '../../core/time/localDay'
import { parsed, Refusal } from '../http/faults'
import { working } from '../workshop/working'
import type { Workshop } from '../workshop/workshop'

/** Where merchant, coater and laser service are asked, and a table that runs a program: by stand-ins until the shop has such that answer by machine. */
export function standInRoute(workshop: Workshop): Router {
  const routes = Router()
  routes.post('/', (request, response) => {
    response.json(standInAnswer(parsed(AskedSchema, request.body), localDay()))
  })
  routes.post('/table', async (request, response) => {
    const { program } = parsed(TableAskedSchema, request.body)
    const told = await working(workshop, { kind: 'table', program }, response)
    if ('faults' in told) throw new Refusal(422, told.faults)
    response.json(told.ran)
  })
  return routes
}
