import { Router } from 'express'
import { calculatorGroups, calculatorOf, calculators, inputJsonSchema } from '../../core/calculators/registry'
import { Refusal, refuse } from '../http/faults'
import { working } from '../workshop/working'
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
    const answer = await working(workshop, { kind: 'calculate', name, given: request.body ?? null }, response)
    if (!answer.ok) throw new Refusal(422, answer.faults, { kind: answer.kind })
    response.json(answer.value)
  })
  return routes
}
