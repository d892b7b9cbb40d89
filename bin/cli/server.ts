import { fillDemo } from '../../server/demo/fillDemo'
import { openStore } from '../../server/keeping/openStore'
import { serve } from '../../server/serve'
import { type Io, wrong } from './stop'

/** The demo data if asked for and the database is empty, then the server until it is told to stop. */
export async function runServer(io: Io, values: { data: string; port: string; host: string }, demo: boolean): Promise<void> {
  const port = Number(values.port)
  if (!Number.isInteger(port) || port < 0 || port > 65_535) return wrong(`--port: “${values.port}” is not a port; use 0 to 65535`)
  if (demo) {
    const db = await openStore(values.data)
    await fillDemo(db)
    await db.destroy()
  }
  const served = await serve({ database: values.data, port, host: values.host })
  io.out(`Tide Line is open at ${served.address}\n`)
  const stop = () => void served.close().then(() => process.exit(0))
  process.once('SIGINT', stop)
  process.once('SIGTERM', stop)
}
