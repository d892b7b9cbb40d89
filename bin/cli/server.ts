import { fillDemo } from '../../server/demo/fillDemo'
import { isLoopback, ownAddresses } from '../../server/http/gate'
import { serve } from '../../server/serve'
import { type Io, wrong } from './stop'

type Values = { data: string; port: string; host: string; 'allow-host': string[] }

/** The demo data if asked for and the database is empty, then the server until it is told to stop. */
export async function runServer(io: Io, values: Values, demo: boolean): Promise<void> {
  const port = Number(values.port)
  if (!/^\d+$/.test(values.port) || port > 65_535) return wrong(`--port: “${values.port}” is not a port; use 0 to 65535`)
  const served = await serve({
    database: values.data,
    port,
    host: values.host,
    allowHosts: values['allow-host'],
    ...(demo ? { fill: fillDemo } : {}),
  })
  io.out(`Tide Line is open at ${served.address}\n`)
  if (!isLoopback(values.host)) {
    const at = new URL(served.address).port
    for (const address of ownAddresses().filter((a) => !isLoopback(a) && !a.includes(':')))
      io.out(`on the network: http://${address}:${at}\n`)
    io.out(
      'Other devices on this network can reach it and must be paired at the desk. What they send and read travels in clear: use your own network only.\n',
    )
  }
  // a second word to stop does not wait for requests in hand
  let stopping = false
  const stop = () => {
    if (stopping) process.exit(1)
    stopping = true
    void served.close().then(() => process.exit(0))
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
}
