import { createHash } from 'node:crypto'
import { existsSync, readFileSync, statSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { fileURLToPath } from 'node:url'
import type { Knex } from 'knex'
import pino from 'pino'
import { createApp } from './app'
import { verdictKeeper } from './jobs/verdictKeeper'
import { ballast } from './keeping/ballast'
import { dailyBackup } from './keeping/dailyBackup'
import { openStore, placeFor } from './keeping/openStore'
import { soleUse } from './keeping/soleUse'
import { StoreFault } from './keeping/storeFaults'
import { openWorkshop, type Workshop } from './workshop/workshop'

export type Served = { address: string; close: () => Promise<void> }
type Options = {
  database: string
  port: number
  host?: string
  allowHosts?: string[]
  fill?: (db: Knex) => Promise<unknown>
  /** threads that are there already and stay when this server ends; its own where none are lent */
  workshop?: Workshop
}

/** Requests in hand may finish; who holds a connection open longer is let go. */
const FINISH_MS = 10_000

/**
 * Opens the database for itself alone and listens; on this machine only unless told otherwise. Port 0 takes a free one. Throws StoreFault, one
 * sentence, when it cannot start, and then leaves nothing open.
 */
export async function serve(options: Options): Promise<Served> {
  const log = pino({ level: process.env.TIDELINE_LOG ?? 'warn' })
  const fault = (error: unknown) => log.error(error)
  const { database, host = '127.0.0.1' } = options
  const closers: (() => unknown)[] = []
  const closeAll = async () => {
    while (closers.length) await closers.pop()?.()
  }
  try {
    placeFor(database)
    closers.push(soleUse(database))
    const db = await openStore(database)
    closers.push(() => db.destroy())
    await options.fill?.(db)
    const workshop = options.workshop ?? openWorkshop()
    if (!options.workshop) closers.push(() => workshop.close())
    const keeper = verdictKeeper(db, workshop, fault)
    const backups = dailyBackup(database, workshop, fault)
    const webFolder = fileURLToPath(new URL('../dist', import.meta.url))
    const app = createApp({
      db,
      workshop,
      keeper,
      backups,
      room: ballast(database),
      webFolder,
      log: fault,
      bound: host,
      allowedHosts: options.allowHosts ?? [],
      release: releaseOf(webFolder),
      fileThere: stillThere(database),
    })
    const server = createServer({ maxHeaderSize: 16_384 }, app)
    server.requestTimeout = 60_000
    await listening(server, options.port, host)
    await keeper.start()
    keeper.refresh()
    backups.start()
    closers.push(
      () => backups.close(),
      () => keeper.close(),
      () => finished(server),
    )
    const { port } = server.address() as AddressInfo
    return { address: `http://${host.includes(':') ? `[${host}]` : host}:${port}`, close: closeAll }
  } catch (error) {
    await closeAll()
    throw error
  }
}

const LISTEN_WORDS: Record<string, (port: number, host: string) => string> = {
  EADDRINUSE: (port) => `Port ${port} is taken, perhaps by another Tide Line: stop that one, or name another with --port.`,
  EACCES: (port) => `Port ${port} is not for everybody: name one above 1023 with --port.`,
  EADDRNOTAVAIL: (_, host) => `This machine has no address ${host}: name one of its own with --host, or 0.0.0.0 for all.`,
  ENOTFOUND: (_, host) => `There is no address ${host}: name one of this machine's own with --host.`,
}
const listening = (server: Server, port: number, host: string): Promise<void> =>
  new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const words = LISTEN_WORDS[error.code ?? '']
      reject(words ? new StoreFault(words(port, host)) : error)
    })
    server.listen(port, host, resolve)
  })

const finished = (server: Server): Promise<void> =>
  new Promise((resolve) => {
    const timer = setTimeout(() => server.closeAllConnections(), FINISH_MS)
    server.close(() => {
      clearTimeout(timer)
      resolve()
    })
    server.closeIdleConnections()
  })

/** The same release has the same pages. */
const releaseOf = (webFolder: string): string => {
  const page = `${webFolder}/index.html`
  return existsSync(page) ? createHash('sha256').update(readFileSync(page)).digest('hex').slice(0, 12) : ''
}
const stillThere = (database: string): (() => boolean) => {
  if (database === ':memory:') return () => true
  const opened = statSync(database)
  return () => {
    const now = statSync(database, { throwIfNoEntry: false })
    return now?.ino === opened.ino && now.dev === opened.dev
  }
}
