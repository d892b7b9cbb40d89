import { Router } from 'express'
import { AskedSchema } from '../../core/outside/answer'
import { runOnTable, TableAskedSchema } from '../../core/outside/plasmaTable'
import { standInAnswer } from '../../core/outside/standIns'
import { localDay } from '../../core/time/localDay'
import { parsed, Refusal } from '../http/faults'

/** Where merchant, coater and laser service are asked, and a table that runs a program: by stand-ins until the shop has such that answer by machine. */
export function standInRoute(): Router {
  const routes = Router()
  routes.post('/', (request, response) => {
    response.json(standInAnswer(parsed(AskedSchema, request.body), localDay()))
  })
  routes.post('/table', (request, response) => {
    const told = runOnTable(parsed(TableAskedSchema, request.body).program)
    if ('faults' in told) throw new Refusal(422, told.faults)
    response.json(told.ran)
  })
  return routes
}
