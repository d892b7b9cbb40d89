import { type ChildProcess, spawn } from 'node:child_process'
import { fileURLToPath } from 'node:url'

/** The smallest picture. */
export const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

const command = fileURLToPath(new URL('../bin/tideline', import.meta.url))

/** One command line of Tide Line as a process of its own, that can be killed. */
export const tideline = (args: string[]): ChildProcess =>
  spawn(process.execPath, [command, ...args], { stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, TIDELINE_LOG: 'silent' } })

export const ended = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) resolve()
    else child.once('exit', () => resolve())
  })

/** A server on a database, once it answers. */
export async function serving(database: string): Promise<{ child: ChildProcess; address: string }> {
  const child = tideline(['serve', '--data', database, '--port', '0'])
  const said: string[] = []
  child.stderr?.on('data', (text: Buffer) => said.push(String(text)))
  const address = await new Promise<string>((resolve, reject) => {
    child.stdout?.on('data', (text: Buffer) => {
      const open = /open at (http:\S+)/.exec(String(text))
      if (open) resolve(open[1] as string)
    })
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said.join('')}`)))
  })
  return { child, address }
}

export type Answered = { status: number; body: unknown }
/** A request that must be answered. */
export async function bodyOf<T>(address: string, method: string, path: string, body?: BodyInit, type?: string): Promise<T> {
  const answer = await ask(address, method, path, body, type)
  if (!answer || answer.status >= 400) throw new Error(`${method} ${path} was answered ${answer?.status ?? 'by nobody'}`)
  return answer.body as T
}
/** A request; null when nobody answered, because the server was killed meanwhile. */
export async function ask(
  address: string,
  method: string,
  path: string,
  body?: BodyInit,
  type = 'application/json',
): Promise<Answered | null> {
  try {
    const response = await fetch(address + path, { method, body, headers: body === undefined ? {} : { 'Content-Type': type } })
    return { status: response.status, body: await response.json().catch(() => null) }
  } catch {
    return null
  }
}
