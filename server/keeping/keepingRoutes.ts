import { Router } from 'express'
import { z } from 'zod'
import { parsed, refuse } from '../http/faults'
import type { DailyBackup } from './dailyBackup'

/** The backups there are, one made now, and one fetched to lie somewhere else. */
export function keepingRoutes(backups: DailyBackup): Router {
  const routes = Router()
  routes.get('/', (_request, response) => {
    response.json(backups.kept())
  })
  routes.post('/backup', async (_request, response) => {
    await backups.now()
    const kept = backups.kept()
    if (kept.fault) return refuse(507, 'backup', `a disk that takes it: ${kept.fault}`)
    response.status(201).json(kept)
  })
  routes.get('/backups/:day', (request, response) => {
    const file = backups.fileOf(parsed(z.iso.date('write the day as 2026-12-24'), request.params.day))
    if (!file) return refuse(404, 'day', 'a day with a backup')
    response.download(file)
  })
  return routes
}
