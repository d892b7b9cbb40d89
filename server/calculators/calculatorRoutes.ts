import { Router } from 'express'
import { calculatorGroups, calculatorOf, calculators, inputJsonSchema } from '../../core/calculators/registry'
import { Refusal, refuse } from '../http/faults'
import type { Workshop } from '../workshop/workshop'

export function calculatorRoutes(workshop: Workshop): Router {
  const routes = Router()
  const found = (name: string) =>
    calculatorOf(name) ?? refuse(404, 'name', `a calculator that is listed: ${calculators.map((c) => c.name).join(', ')}`)
  routes.get('/', (_request, response) => {
    response.json(
      calculatorGroups.flatMap((g) =>
        g.calculators.map(({ name, title, about, formula, source, example }) => ({
          name,
          title,
          about,
          formula,
          source,
          example,
          group: g.title,
        })),
      ),
    )
  })
  routes.get('/:name', (request, response) => {
    response.json(inputJsonSchema(found(request.params.name)))
  })
  routes.post('/:name', async (request, response) => {
    const { name } = found(request.params.name)
    const running = workshop.run({ kind: 'calculate', name, given: request.body ?? null })
    if (!running) return refuse(503, 'the server', 'a free place in the queue: too much is waiting, try again in a minute')
    const answer = await running
    if (!answer.ok) throw new Refusal(422, answer.faults, { kind: answer.kind })
    response.json(answer.value)
  })
  return routes
}
