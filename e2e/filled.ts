import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { FILLED, startServer, stopServer } from './shop'

/** Every job has its verdict, and it is of what the job is now. */
async function judged(address: string): Promise<void> {
  for (;;) {
    const { rows } = (await (await fetch(`${address}/api/jobs`)).json()) as { rows: { judged: boolean }[] }
    if (rows.length && rows.every((r) => r.judged)) return
    await new Promise((resolve) => setTimeout(resolve, 300))
  }
}

/** A shop is filled with the demo data and judged once, before any test; each test takes a copy. */
export default async function filled(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'tideline-e2e-filled-'))
  const server = await startServer(join(folder, 'shop.sqlite'))
  await judged(server.address)
  await stopServer(server)
  process.env[FILLED] = folder
  return () => rmSync(folder, { recursive: true })
}
