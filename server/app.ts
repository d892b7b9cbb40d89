import { existsSync } from 'node:fs'
import type { IncomingMessage } from 'node:http'
import express, { type Express } from 'express'
import helmet from 'helmet'
import type { Knex } from 'knex'
import { MAX_FILE_BYTES, tooDeep } from '../core/issue/faults'
import { calculatorRoutes } from './calculators/calculatorRoutes'
import { deviceRoutes, pairRoute } from './devices/deviceRoutes'
import { deviceStore } from './devices/deviceStore'
import { pairing } from './devices/pairing'
import { deskOnly, roleOf, whoAsks } from './devices/whoAsks'
import { answerFaults, refuse } from './http/faults'
import { knownHostsOnly } from './http/gate'
import { issuedStore } from './jobs/issuedStore'
import { jobRoutes } from './jobs/jobRoutes'
import { jobStore } from './jobs/jobStore'
import { timesRoute } from './jobs/times'
import { type VerdictKeeper, verdictKeeper } from './jobs/verdictKeeper'
import { type Ballast, ballast } from './keeping/ballast'
import { type DailyBackup, dailyBackup } from './keeping/dailyBackup'
import { keepingRoutes } from './keeping/keepingRoutes'
import { StoreFault } from './keeping/storeFaults'
import { standInRoute } from './outside/standInRoute'
import { photoRoutes } from './photos/photoRoutes'
import { printRoutes, schemaRoute } from './prints/printRoutes'
import { shelfRoutes } from './shelves/shelfRoutes'
import { shelfStore } from './shelves/shelfStore'
import { daysRoutes } from './shopWork/daysRoute'
import { logRoute } from './shopWork/logRoute'
import { orderStore } from './shopWork/orderStore'
import { purchaseRoutes } from './shopWork/purchaseRoute'
import { shopWork } from './shopWork/shopWork'
import type { Workshop } from './workshop/workshop'

type Parts = {
  db: Knex
  workshop: Workshop
  webFolder: string | null
  log: (error: unknown) => void
  keeper?: VerdictKeeper
  backups?: DailyBackup
  room?: Ballast
  /** the address it listens at, and further names it is known by */
  bound?: string | null
  allowedHosts?: string[]
  /** what names this release: an open page that was built for another offers to be loaded again */
  release?: string
  /** false once the database's file was taken away from under the server */
  fileThere?: () => boolean
}

/** The whole server as a function of its store: tests give it a database in memory. */
export function createApp(parts: Parts): Express {
  const { db, workshop, webFolder, log, bound = null, allowedHosts = [], release = '', fileThere = () => true } = parts
  const keeper = parts.keeper ?? verdictKeeper(db, workshop, log)
  const backups = parts.backups ?? dailyBackup(':memory:', workshop, log)
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
  app.use(knownHostsOnly({ bound, allowed: allowedHosts }))
  app.use('/api', (_request, response, next) => {
    response.set({ 'Cache-Control': 'no-store', 'Tideline-Release': release })
    next()
  })
  const utf8 = {
    verify: (request: IncomingMessage, _response: unknown, bytes: Buffer) => {
      const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes)
      if (request.headers['content-type']?.includes('json') && tooDeep(text)) refuse(400, 'the body', 'JSON that is not nested so deep')
    },
  }
  const [jobs, shelves, devices, pairs] = [jobStore(db), shelfStore(db), deviceStore(db), pairing()]
  app.get('/api/health', (_request, response) => {
    response.json({ ok: true })
  })
  app.use('/api/pair', express.json({ limit: 1000 }), pairRoute(devices, pairs))
  app.use('/api', whoAsks(devices))
  app.get('/api/who', (_request, response) => {
    response.json({ role: roleOf(response), deviceId: response.locals.deviceId })
  })
  // what is written to a file that was taken away is gone with it, however well it was answered
  app.use('/api', (request, _response, next) => {
    if (!['GET', 'HEAD'].includes(request.method) && !fileThere())
      throw new StoreFault(
        'its database file, which was moved or deleted while it runs: put it back, or stop Tide Line and restore a backup',
      )
    next()
  })
  // pictures are taken as bytes, before anything tries to read them as text
  app.use('/api/jobs', photoRoutes(db, jobs, parts.room ?? ballast(':memory:')))
  app.use('/api', express.json({ limit: MAX_FILE_BYTES, strict: false, ...utf8 }))
  app.use('/api', express.text({ limit: MAX_FILE_BYTES, type: ['text/*', 'application/octet-stream'], ...utf8 }))

  app.use('/api/jobs', jobRoutes(jobs, shelves, keeper))
  app.use('/api/times', timesRoute(db))
  app.use('/api/outside', standInRoute(workshop))
  app.use('/api/shop/log', logRoute(db, shelves))
  const work = shopWork(db, shelves, workshop)
  app.use('/api/shop', daysRoutes(work, shelves), purchaseRoutes({ all: work, jobs, shelves, orders: orderStore(db), workshop }))
  app.use('/api/jobs', printRoutes(jobs, shelves, issuedStore(db, shelves), workshop))
  app.use(
    '/api/shelves',
    shelfRoutes(shelves, () => keeper.refresh()),
  )
  app.use('/api/devices', deskOnly, deviceRoutes(devices, pairs, bound))
  app.use('/api/keeping', deskOnly, keepingRoutes(backups))
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
