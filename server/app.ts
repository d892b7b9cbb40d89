import { existsSync } from 'node:fs'
import type { IncomingMessage } from 'node:http'
import express, { type Express } from 'express'
import helmet from 'helmet'
import type { Knex } from 'knex'
import { MAX_FILE_BYTES, tooDeep } from '../core/issue/faults'
import { calculatorRoutes } from './calculators/calculatorRoutes'
import { answerFaults, refuse } from './http/faults'
import { issuedStore } from './jobs/issuedStore'
import { jobRoutes } from './jobs/jobRoutes'
import { jobStore } from './jobs/jobStore'
import { photoRoutes } from './photos/photoRoutes'
import { printRoutes, schemaRoute } from './prints/printRoutes'
import { shelfRoutes } from './shelves/shelfRoutes'
import { shelfStore } from './shelves/shelfStore'
import type { Workshop } from './workshop/workshop'

type Parts = { db: Knex; workshop: Workshop; rulesChanged?: () => void; webFolder: string | null; log: (error: unknown) => void }

/** The whole server as a function of its store: tests give it a database in memory. */
export function createApp({ db, workshop, webFolder, log, rulesChanged = () => undefined }: Parts): Express {
  const app = express()
  app.disable('x-powered-by')
  app.set('query parser', 'simple')
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'script-src': ["'self'", "'wasm-unsafe-eval'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'connect-src': ["'self'"],
          'worker-src': ["'self'", 'blob:'],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: false,
    }),
  )
  // another site's page must not be able to write here through the user's browser
  app.use((request, _response, next) => {
    const from = request.get('sec-fetch-site')
    if (!['GET', 'HEAD'].includes(request.method) && from && !['same-origin', 'none'].includes(from))
      refuse(403, 'the request', 'a page of Tide Line itself')
    next()
  })
  const utf8 = {
    verify: (request: IncomingMessage, _response: unknown, bytes: Buffer) => {
      const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes)
      if (request.headers['content-type']?.includes('json') && tooDeep(text)) refuse(400, 'the body', 'JSON that is not nested so deep')
    },
  }
  const [jobs, shelves] = [jobStore(db), shelfStore(db)]
  // pictures are taken as bytes, before anything tries to read them as text
  app.use('/api/jobs', photoRoutes(db, jobs))
  app.use('/api', express.json({ limit: MAX_FILE_BYTES, strict: false, ...utf8 }))
  app.use('/api', express.text({ limit: MAX_FILE_BYTES, type: ['text/*', 'application/octet-stream'], ...utf8 }))

  app.get('/api/health', (_request, response) => {
    response.json({ ok: true })
  })
  app.use('/api/jobs', jobRoutes(jobs, shelves))
  app.use('/api/jobs', printRoutes(jobs, shelves, issuedStore(db, shelves), workshop))
  app.use('/api/shelves', shelfRoutes(shelves, rulesChanged))
  app.use('/api/calculators', calculatorRoutes(workshop))
  app.use('/api/schemas', schemaRoute())
  app.use('/api', () => refuse(404, 'the address', 'a route of this server'))

  if (webFolder && existsSync(webFolder)) {
    app.use('/assets', express.static(`${webFolder}/assets`, { immutable: true, maxAge: '1y', index: false, fallthrough: false }))
    app.use(express.static(webFolder, { index: false }))
    app.get(/^\/(?!api\/).*/, (_request, response) => {
      response.set('Cache-Control', 'no-cache').sendFile('index.html', { root: webFolder })
    })
  }
  app.use(answerFaults(log))
  return app
}
