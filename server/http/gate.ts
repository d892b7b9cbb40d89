import { networkInterfaces } from 'node:os'
import type { Request, RequestHandler } from 'express'
import { refuse } from './faults'

const LOOPBACK = new Set(['localhost', '127.0.0.1', '::1'])
export const isLoopback = (host: string): boolean => LOOPBACK.has(host)

/** This machine's own addresses on the networks it is on. */
export const ownAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((list) => (list ?? []).map((i) => i.address.split('%')[0]!))

const hostOf = (header: string | undefined): { name: string; whole: string } | null => {
  const read = header ? /^(\[[0-9a-f:.]+\]|[a-z0-9._-]+)(:\d+)?$/i.exec(header) : null
  return read ? { name: (read[1] as string).replace(/^\[|\]$/g, '').toLowerCase(), whole: read[0].toLowerCase() } : null
}

/**
 * Answers only to the names it is known by, so that a foreign page cannot rebind its own name to this machine; and only pages of its own, on reads
 * too, for what a reading page learns it can send away.
 */
export function knownHostsOnly({ bound, allowed }: { bound: string | null; allowed: string[] }): RequestHandler {
  const everywhere = bound === '0.0.0.0' || bound === '::'
  const names = new Set([...LOOPBACK, ...allowed.map((h) => h.toLowerCase()), ...(bound && !everywhere ? [bound.toLowerCase()] : [])])
  return (request, _response, next) => {
    const host = hostOf(request.headers.host)
    const known = host && (names.has(host.name) || (everywhere && ownAddresses().includes(host.name)))
    if (!known) return refuse(403, 'Host', 'a name this server knows: its own address, or one named with --allow-host when it was started')
    const from = request.get('origin')
    const ofOurs = from === undefined || from.replace(/^https?:\/\//, '').toLowerCase() === host.whole
    const site = request.get('sec-fetch-site')
    // a link from elsewhere may open the application, never an answer of the server
    const api = request.path === '/api' || request.path.startsWith('/api/')
    if (!ofOurs || (api && site && !['same-origin', 'none'].includes(site)))
      return refuse(403, 'Origin', 'a page of Tide Line itself: open its own address')
    next()
  }
}

/** Whether somebody sits at this very machine and has opened it by its own name. */
export const atThisMachine = (request: Request): boolean => {
  const from = request.socket.remoteAddress ?? ''
  const near = from === '127.0.0.1' || from === '::1' || from === '::ffff:127.0.0.1'
  return near && isLoopback(hostOf(request.headers.host)?.name ?? '') && request.headers['x-forwarded-for'] === undefined
}
