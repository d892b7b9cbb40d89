import { Router } from 'express'
import { z } from 'zod'
import { parsed, refuse } from '../http/faults'
import { isLoopback, ownAddresses } from '../http/gate'
import type { DeviceStore } from './deviceStore'
import type { Pairing } from './pairing'
import { rememberDevice } from './whoAsks'

const RoleAsked = z.enum(['desk', 'floor'], 'must be desk or floor')

/** Where other devices reach this server; none while it listens to this machine only. */
function reachedAt(bound: string | null, port: number | undefined): string[] {
  if (!bound || isLoopback(bound)) return []
  const hosts = bound === '0.0.0.0' || bound === '::' ? ownAddresses().filter((a) => !isLoopback(a) && !a.startsWith('fe80')) : [bound]
  return hosts.map((h) => `http://${h.includes(':') ? `[${h}]` : h}:${port ?? 80}`)
}

/** The desk's side: who is paired, a code for a new one, and putting one out. */
export function deviceRoutes(devices: DeviceStore, pairs: Pairing, bound: string | null): Router {
  const routes = Router()
  routes.get('/', async (request, response) => {
    response.json({ devices: await devices.list(), addresses: reachedAt(bound, request.socket.localPort) })
  })
  routes.post('/codes', (request, response) => {
    const { role } = parsed(z.object({ role: RoleAsked }), request.body)
    response.status(201).json(pairs.offer(role))
  })
  routes.post('/:id/put-out', async (request, response) => {
    if (!(await devices.putOut(request.params.id)))
      return refuse(404, 'device', 'a device that is paired: it may have been put out already')
    response.json({ putOut: true })
  })
  return routes
}

/** The new device's side: a code for a session. The only route that asks for no session. */
export function pairRoute(devices: DeviceStore, pairs: Pairing): Router {
  const routes = Router()
  routes.post('/', async (request, response) => {
    const { code, name } = parsed(
      z.object({
        code: z.string().min(1, 'type the code from the desk').max(40),
        name: z.string().trim().min(1, 'give this device a name').max(60),
      }),
      request.body,
    )
    const role = pairs.redeem(code)
    if (role === 'wait')
      return refuse(
        429,
        'code',
        'a minute of patience: there were too many wrong codes, and the open ones are void; then ask for a new one',
      )
    if (role === null) return refuse(422, 'code', 'the code as the desk shows it, within ten minutes: ask for a new one if it is older')
    const { device, token } = await devices.add(name, role)
    rememberDevice(response, token)
    response.status(201).json(device)
  })
  return routes
}
