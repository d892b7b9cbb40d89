import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { fileURLToPath } from 'node:url'
import pino from 'pino'
import { createApp } from './app'
import { jobStore } from './jobs/jobStore'
import { verdictKeeper } from './jobs/verdictKeeper'
import { openStore } from './keeping/openStore'
import { openWorkshop } from './workshop/workshop'

export type Served = { address: string; close: () => Promise<void> }

/** Opens the database and listens; on this machine only unless told otherwise. Port 0 takes a free one. */
export async function serve(options: { database: string; port: number; host?: string }): Promise<Served> {
  const log = pino({ level: process.env.TIDELINE_LOG ?? 'warn' })
  const db = await openStore(options.database)
  const workshop = openWorkshop()
  const webFolder = fileURLToPath(new URL('../dist', import.meta.url))
  const fault = (error: unknown) => log.error(error)
  const keeper = verdictKeeper(db, jobStore(db), fault)
  await keeper.start()
  keeper.refresh()
  const app = createApp({ db, workshop, webFolder, log: fault, rulesChanged: keeper.refresh })
  const server: Server = createServer({ maxHeaderSize: 16_384 }, app)
  server.requestTimeout = 60_000
  const host = options.host ?? '127.0.0.1'
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject)
    server.listen(options.port, host, resolve)
  })
  const { port } = server.address() as AddressInfo
  return {
    address: `http://${host.includes(':') ? `[${host}]` : host}:${port}`,
    close: async () => {
      await new Promise((resolve) => {
        server.close(resolve)
        server.closeAllConnections()
      })
      await workshop.close()
      await keeper.close()
      await db.destroy()
    },
  }
}
