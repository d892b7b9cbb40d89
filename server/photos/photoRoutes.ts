import { randomUUID } from 'node:crypto'
import express, { Router } from 'express'
import type { Knex } from 'knex'
import { z } from 'zod'
import { ClientAnswersSchema, MAX_ANSWER_BYTES } from '../../core/exchange/clientAnswers'
import { parsed, refuse } from '../http/faults'
import { jobAt } from '../jobs/jobRoutes'
import type { JobStore } from '../jobs/jobStore'
import type { Ballast } from '../keeping/ballast'
import { inOne } from '../keeping/openStore'
import { keptPicture } from './picture'

export const MAX_PHOTO_BYTES = 4_000_000
const MOST_PHOTOS = 40
type Row = { id: string; job_id: string; name: string; type: string; bytes: Buffer; at: string }

/** Photographs and scans of the vehicle, kept with the job. All SQL on the photos table. */
export function photoRoutes(db: Knex, jobs: JobStore, { removing, lay }: Ballast): Router {
  const routes = Router()
  const shown = ({ id, name, type, at }: Pick<Row, 'id' | 'name' | 'type' | 'at'>) => ({ id, name, type, at })
  routes.get('/:id/photos', async (request, response) => {
    await jobAt(jobs, request.params.id)
    const rows = (await db('photos').where({ job_id: request.params.id }).orderBy('at').select('id', 'name', 'type', 'at')) as Row[]
    response.json(rows.map(shown))
  })
  /** All of them or none: a picture is looked at before any is kept, and they are kept in one go. */
  const keep = async (jobId: string, given: { name: string; bytes: Buffer; where: string }[]) => {
    const at = new Date().toISOString()
    const rows = given.map(({ name, bytes, where }): Row => {
      const picture = keptPicture(bytes)
      if (!picture.ok) return refuse(422, where, picture.expected)
      return { id: randomUUID(), job_id: jobId, name, type: picture.type, bytes: picture.bytes, at }
    })
    const kept = await inOne(db, async (trx) => {
      const [{ n }] = (await trx('photos').where({ job_id: jobId }).count({ n: '*' })) as { n: number }[]
      if (n + rows.length > MOST_PHOTOS) return false
      for (const row of rows) await trx('photos').insert(row)
      return true
    })
    if (!kept) return refuse(409, 'photos', `${MOST_PHOTOS} pictures at most: remove some first`)
    return rows.map(shown)
  }
  routes.post(
    '/:id/photos',
    express.raw({ type: ['image/*', 'application/octet-stream'], limit: MAX_PHOTO_BYTES }),
    async (request, response) => {
      const { name } = parsed(z.object({ name: z.string().min(1, 'name the picture').max(120) }), request.query)
      const job = await jobAt(jobs, String(request.params.id))
      const bytes: unknown = request.body
      if (!Buffer.isBuffer(bytes)) return refuse(415, 'the body', 'a picture: JPEG, PNG or WebP')
      const [photo] = await keep(job.id, [{ name, bytes, where: 'the body' }])
      response.status(201).json(photo)
    },
  )
  routes.post('/:id/photos/several', express.json({ limit: MAX_ANSWER_BYTES }), async (request, response) => {
    const { photos } = parsed(z.object({ photos: ClientAnswersSchema.shape.photos }), request.body)
    const job = await jobAt(jobs, request.params.id)
    const given = photos.map((p, i) => ({ name: p.name, bytes: Buffer.from(p.base64, 'base64'), where: `photos[${i}]` }))
    response.status(201).json(await keep(job.id, given))
  })
  routes.get('/:id/photos/:photo', async (request, response) => {
    const row = (await db('photos').where({ id: request.params.photo, job_id: request.params.id }).first()) as Row | undefined
    if (!row) return refuse(404, 'photo', 'a picture of this job')
    response.type(row.type).set('Content-Security-Policy', "default-src 'none'").send(row.bytes)
  })
  routes.post('/:id/photos/:photo/remove', async (request, response) => {
    const { id, photo } = request.params
    const gone = await removing(() => inOne(db, (trx) => trx('photos').where({ id: photo, job_id: id }).delete()))
    if (!gone) return refuse(404, 'photo', 'a picture of this job')
    lay()
    response.json({ removed: true })
  })
  return routes
}
