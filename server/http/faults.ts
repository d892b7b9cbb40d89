import type { NextFunction, Request, Response } from 'express'
import type { z } from 'zod'
import { type Fault, faultsOf } from '../../core/issue/faults'
import { storeAnswer, Unfit } from '../keeping/storeFaults'

/** What a route answers when the request cannot be carried out: a status, and one line per fault with field and fix. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly faults: Fault[],
    readonly more: Record<string, unknown> = {},
  ) {
    super(faults[0]?.expected ?? 'refused')
  }
}
export const refuse = (status: number, where: string, expected: string, more?: Record<string, unknown>): never => {
  throw new Refusal(status, [{ where, expected }], more)
}

/** Parses at the edge, or refuses with every fault at once. */
export function parsed<S extends z.ZodType>(schema: S, raw: unknown): z.output<S> {
  const read = schema.safeParse(raw)
  if (!read.success) throw new Refusal(422, faultsOf(read.error))
  return read.data
}

const WORDS: Record<string, [number, string]> = {
  'entity.parse.failed': [400, 'well-formed JSON'],
  'entity.verify.failed': [400, 'text in UTF-8'],
  'encoding.unsupported': [415, 'an uncompressed or gzip body'],
  'charset.unsupported': [415, 'text in UTF-8'],
  'request.aborted': [400, 'a whole body'],
  'request.size.invalid': [400, 'a body as long as its Content-Length says'],
}

export function answerFaults(log: (error: unknown) => void) {
  return (error: unknown, _request: Request, response: Response, _next: NextFunction): void => {
    if (response.headersSent) {
      response.end()
      return
    }
    if (error instanceof Refusal) {
      response.status(error.status).json({ faults: error.faults, ...error.more })
      return
    }
    const kind = error && typeof error === 'object' ? (error as { type?: string; status?: number; limit?: number }) : {}
    if (kind.type === 'entity.too.large') {
      const most = kind.limit === undefined ? 'less' : `${Math.round(kind.limit / 1e5) / 10} MB or less`
      response.status(413).json({ faults: [{ where: 'the body', expected: `a body of ${most}` }] })
      return
    }
    const known = kind.type ? WORDS[kind.type] : undefined
    if (known) {
      response.status(known[0]).json({ faults: [{ where: 'the body', expected: known[1] }] })
      return
    }
    if (kind.status && kind.status >= 400 && kind.status < 500) {
      response.status(kind.status).json({ faults: [{ where: 'the request', expected: 'a well-formed address and body' }] })
      return
    }
    // who asked has gone away: nobody reads the answer
    if (error instanceof Error && error.name === 'AbortError') {
      response.end()
      return
    }
    if (error instanceof Unfit) {
      response.status(422).json({ faults: error.faults })
      return
    }
    const store = storeAnswer(error)
    if (store) {
      log(error)
      response.status(store.status).json({ faults: [{ where: store.where, expected: store.expected }], ...store.more })
      return
    }
    log(error)
    response.status(500).json({
      faults: [{ where: 'the server', expected: 'no fault of its own; nothing was stored. Please keep what you typed and try again.' }],
    })
  }
}
