import { z } from 'zod'
import { heardFrom, useStanding } from './standing'

const Faults = z.object({ faults: z.array(z.object({ where: z.string(), expected: z.string() })).min(1) }).loose()
export type Fault = { where: string; expected: string }

/** A request that was answered with a refusal, or not answered at all (`status` 0). */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly faults: Fault[],
    readonly body: unknown,
  ) {
    super(faults.map((f) => `${f.where}: ${f.expected}`).join('; '))
  }
}

type Options = { method?: 'GET' | 'POST' | 'PUT'; json?: unknown; text?: string; bytes?: Blob; signal?: AbortSignal; keepalive?: boolean }

/** One call to the server. The caller names the shape it relies on. */
export async function call<T>(path: string, { method = 'GET', json, text, bytes, signal, keepalive }: Options = {}): Promise<T> {
  const body = bytes ?? text ?? (json === undefined ? undefined : JSON.stringify(json))
  const type = bytes !== undefined || text !== undefined ? 'application/octet-stream' : 'application/json'
  let response: Response
  try {
    response = await fetch(`/api${path}`, { method, body, signal, keepalive, headers: body === undefined ? {} : { 'Content-Type': type } })
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') throw error
    throw new ApiError(
      0,
      [{ where: 'the connection', expected: 'an answer from the server; is it running? What you typed is kept here.' }],
      null,
    )
  }
  heardFrom(response.headers.get('Tideline-Release'))
  if (response.status === 401) useStanding.setState({ unpaired: true })
  const answer: unknown = await response.json().catch(() => null)
  if (!response.ok) {
    const read = Faults.safeParse(answer)
    throw new ApiError(
      response.status,
      read.success ? read.data.faults : [{ where: 'the server', expected: 'an answer; try again' }],
      answer,
    )
  }
  return answer as T
}
