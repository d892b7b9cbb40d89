import { randomUUID } from 'node:crypto'
import express, { Router } from 'express'
import type { Knex } from 'knex'
import { z } from 'zod'
import { parsed, refuse } from '../http/faults'
import { jobAt } from '../jobs/jobRoutes'
import type { JobStore } from '../jobs/jobStore'
import { inOne } from '../keeping/openStore'
import { keptPicture } from './picture'

export const MAX_PHOTO_BYTES = 4_000_000
const MOST_PHOTOS = 40
type Row = { id: string; job_id: string; name: string; type: string; bytes: Buffer; at: string }

/** Photographs and scans of the vehicle, kept with the job. All SQL on the photos table. */
export function photoRoutes(db: Knex, jobs: JobStore): Router {
  const routes = Router()
  const shown = ({ id, name, type, at }: Pick<Row, 'id' | 'name' | 'type' | 'at'>) => ({ id, name, type, at })
  routes.get('/:id/photos', async (request, response) => {
    await jobAt(jobs, request.params.id)
    const rows = (await db('photos').where({ job_id: request.params.id }).orderBy('at').select('id', 'name', 'type', 'at')) as Row[]
    response.json(rows.map(shown))
  })
  routes.post(
    '/:id/photos',
    express.raw({ type: ['image/*', 'application/octet-stream'], limit: MAX_PHOTO_BYTES }),
    async (request, response) => {
      const { name } = parsed(z.object({ name: z.string().min(1, 'name the picture').max(120) }), request.query)
      const job = await jobAt(jobs, String(request.params.id))
      const bytes: unknown = request.body
      if (!Buffer.isBuffer(bytes)) return refuse(415, 'the body', 'a picture: JPEG, PNG or WebP')
      const picture = keptPicture(bytes)
      if (!picture.ok) return refuse(422, 'the body', picture.expected)
      const row: Row = { id: randomUUID(), job_id: job.id, name, type: picture.type, bytes: picture.bytes, at: new Date().toISOString() }
      const kept = await inOne(db, async (trx) => {
        const [{ n }] = (await trx('photos').where({ job_id: job.id }).count({ n: '*' })) as { n: number }[]
        if (n < MOST_PHOTOS) await trx('photos').insert(row)
        return n < MOST_PHOTOS
      })
      if (!kept) return refuse(409, 'photos', `${MOST_PHOTOS} pictures at most: remove one first`)
      response.status(201).json(shown(row))
    },
  )
  routes.get('/:id/photos/:photo', async (request, response) => {
    const row = (await db('photos').where({ id: request.params.photo, job_id: request.params.id }).first()) as Row | undefined
    if (!row) return refuse(404, 'photo', 'a picture of this job')
    response.type(row.type).set('Content-Security-Policy', "default-src 'none'").send(row.bytes)
  })
  routes.post('/:id/photos/:photo/remove', async (request, response) => {
    const { id, photo } = request.params
    const gone = await inOne(db, (trx) => trx('photos').where({ id: photo, job_id: id }).delete())
    if (!gone) return refuse(404, 'photo', 'a picture of this job')
    response.json({ removed: true })
  })
  return routes
}
