import { parse } from 'cookie'
import type { Request, RequestHandler, Response } from 'express'
import { refuse } from '../http/faults'
import { atThisMachine } from '../http/gate'
import type { DeviceStore, Role } from './deviceStore'

export const COOKIE = 'tideline'
const YEAR_MS = 365 * 86_400_000

export const roleOf = (response: Response): Role => response.locals.role as Role
const tokenOf = (request: Request): string => parse(request.headers.cookie ?? '')[COOKIE] ?? ''

/** What the floor may change: it measures, photographs, ticks and takes notes. Whatever is not named here is the desk's. */
const FLOOR_WRITES = [
  /^PUT \/jobs\/[^/]+$/,
  /^POST \/jobs\/[^/]+\/photos(\/several)?$/,
  /^POST \/jobs\/[^/]+\/photos\/[^/]+\/remove$/,
  /^POST \/calculators\/[^/]+$/,
]
const forTheDesk = () => refuse(403, 'this device', 'the desk: a floor device reads, ticks, measures and photographs')

/** Stands before routes that the floor does not even read, matched as the routes themselves are. */
export const deskOnly: RequestHandler = (_request, response, next) => {
  if (roleOf(response) !== 'desk') forTheDesk()
  next()
}

/** Who asks: this machine's own screen is the desk; everybody else shows a secret that pairing gave, or is told to pair. */
export function whoAsks(devices: DeviceStore): RequestHandler {
  return async (request, response, next) => {
    const near = atThisMachine(request)
    const device = near ? null : await devices.of(tokenOf(request))
    if (!near && !device)
      return refuse(401, 'this device', 'a device that is paired with the shop: ask for a code at the desk (The shop, Devices)')
    response.locals.role = near ? 'desk' : device?.role
    response.locals.deviceId = device?.id ?? null
    const reads = request.method === 'GET' || request.method === 'HEAD'
    if (roleOf(response) === 'floor' && !reads && !FLOOR_WRITES.some((w) => w.test(`${request.method} ${request.path}`))) forTheDesk()
    next()
  }
}

export function rememberDevice(response: Response, token: string): void {
  response.cookie(COOKIE, token, { httpOnly: true, sameSite: 'strict', path: '/', maxAge: YEAR_MS })
}
