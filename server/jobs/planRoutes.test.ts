import type { Knex } from 'knex'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { Job } from '../../core/job/job'
import { createApp } from '../app'
import { fillDemo } from '../demo/fillDemo'
import { openStore } from '../keeping/openStore'
import { openWorkshop, type Workshop } from '../workshop/workshop'

let db: Knex
let workshop: Workshop
let app: ReturnType<typeof createApp>
const THREAD_MS = 60_000
beforeAll(async () => {
  db = await openStore(':memory:')
  await fillDemo(db, new Date('2026-11-24T12:00:00Z'))
  workshop = openWorkshop()
  app = createApp({ db, workshop, webFolder: null, log: () => undefined })
})
afterAll(async () => {
  await workshop.close()
  await db.destroy()
})
const http = () => request(app)
const opened = async (title: string) => {
  const { rows } = (await http().get('/api/jobs').query({ search: title })).body
  return (await http().get(`/api/jobs/${rows[0].id}`)).body as { id: string; revision: number; job: Job }
}

describe('from plan to rack', () => {
  test(
    'an accepted plan takes its offcuts off the rack and brings new ones; taken back, the rack is as before',
    async () => {
      const { id, revision } = await opened('Spar carrier')
      const before = (await http().get('/api/shelves/stock')).body
      const accepted = await http().post(`/api/jobs/${id}/plans`).send({ revision, stockRevision: before.revision })
      expect(accepted.status).toBe(201)
      const after = (await http().get('/api/shelves/stock')).body
      const pieces = (s: { document: { remnants: { quantity: number }[] } }) => s.document.remnants.reduce((n, r) => n + r.quantity, 0)
      const { plan } = accepted.body.issued
      const [used, came] = [plan.used, plan.offcuts].map((list: { count: number }[]) => list.reduce((n, u) => n + u.count, 0))
      expect(used + came).toBeGreaterThan(0)
      expect(pieces(after)).toBe(pieces(before) - used + came)
      expect((await http().post(`/api/jobs/${id}/plans`).send({ revision, stockRevision: after.revision })).status).toBe(409)
      expect((await http().post(`/api/jobs/${id}/plans/${accepted.body.issued.id}/take-back`)).status).toBe(200)
      const rack = (s: { document: { remnants: { id: string; quantity: number }[] } }) =>
        s.document.remnants.map((r) => `${r.id} ${r.quantity}`).sort()
      expect(rack((await http().get('/api/shelves/stock')).body)).toEqual(rack(before))
    },
    THREAD_MS,
  )
  test('a plan that was begun goes on: only from the one that stands, only while its bars are known; taken back, the first stands again', async () => {
    const { id, revision, job } = await opened('Spar carrier')
    const rack = async () => (await http().get('/api/shelves/stock')).body.revision
    const plans = () => http().get(`/api/jobs/${id}/plans`)
    const first = (
      await http()
        .post(`/api/jobs/${id}/plans`)
        .send({ revision, stockRevision: await rack() })
    ).body.issued
    const cut = first.pieces[0] as { mark: string; lengthMm: number }
    const ticked = async (from: number, was: string, scrap: boolean) => {
      const tick = (text: string) => ({ on: '2026-12-01', was: text })
      const built = { ...job.built, [`piece ${cut.mark}`]: tick(was), ...(scrap ? { [`scrap ${cut.mark}`]: tick('') } : {}) }
      return (
        await http()
          .put(`/api/jobs/${id}`)
          .send({ revision: from, job: { ...job, built } })
      ).body.revision as number
    }
    const goOn = async (at: number, goesOnFrom: string) =>
      http()
        .post(`/api/jobs/${id}/plans`)
        .send({ revision: at, stockRevision: await rack(), goesOnFrom })
    const scrapped = await ticked(revision, `${cut.lengthMm}`, true)
    const other = await goOn(scrapped, 'another')
    expect([other.status, other.body.faults[0].where]).toEqual([409, 'goesOnFrom'])
    const next = await goOn(scrapped, first.id)
    expect(next.status).toBe(201)
    const cuts = next.body.issued.plan.profiles.flatMap((p: { bars: { cuts: { mark: string; scrap?: true }[] }[] }) =>
      p.bars.flatMap((b) => b.cuts),
    )
    expect(
      cuts
        .filter((c: { mark: string }) => c.mark === cut.mark)
        .map((c: { scrap?: true }) => c.scrap ?? false)
        .sort(),
    ).toEqual([false, true])
    // cut twice more, and nobody noted from which bar
    const twice = await ticked(scrapped, [1, 2, 3].map(() => Math.round(cut.lengthMm)).join('+'), false)
    const unknown = await goOn(twice, next.body.issued.id)
    expect([unknown.status, unknown.body.faults[0].expected]).toEqual([409, expect.stringContaining(cut.mark)])
    expect((await http().post(`/api/jobs/${id}/plans/${next.body.issued.id}/take-back`)).status).toBe(200)
    expect((await plans()).body.find((p: { takenBackAt: string | null }) => !p.takenBackAt).id).toBe(first.id)
    expect((await http().post(`/api/jobs/${id}/plans/${first.id}/take-back`)).status).toBe(200)
    await http().put(`/api/jobs/${id}`).send({ revision: twice, job })
  }, 60_000)
})
