import { Router } from 'express'
import { AskedSchema } from '../../core/outside/answer'
import { standInAnswer } from '../../core/outside/standIns'
import { localDay } from '../../core/time/localDay'
import { parsed } from '../http/faults'

/** Where merchant, coater and laser service are asked: by stand-ins until the shop has such services that answer by machine. */
export function standInRoute(): Router {
  const routes = Router()
  routes.post('/', (request, response) => {
    response.json(standInAnswer(parsed(AskedSchema, request.body), localDay()))
  })
  return routes
}
