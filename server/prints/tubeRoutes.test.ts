import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Knex } from 'knex'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { tickOf } from '../../core/workLog/tick'
import { createApp } from '../app'
import { fillDemo } from '../demo/fillDemo'
import { verdictKeeper } from '../jobs/verdictKeeper'
import { openStore } from '../keeping/openStore'
import { openWorkshop, type Workshop } from '../workshop/workshop'

let db: Knex
let workshop: Workshop
let app: ReturnType<typeof createApp>
let keeper: ReturnType<typeof verdictKeeper>
const faults: unknown[] = []
const folder = mkdtempSync(join(tmpdir(), 'tideline-tube-'))
const ids = new Map<string, string>()
const http = () => request(app)
const idOf = (title: string) => [...ids].find(([t]) => t.startsWith(title))![1]

beforeAll(async () => {
  db = await openStore(join(folder, 'shop.sqlite'))
  await fillDemo(db, new Date('2026-11-24T12:00:00Z'))
  workshop = openWorkshop()
  keeper = verdictKeeper(db, workshop, (e) => faults.push(e))
  app = createApp({ db, workshop, keeper, webFolder: null, log: (e) => faults.push(e) })
  for (const row of (await http().get('/api/jobs')).body.rows) ids.set(row.title, row.id)
}, 60_000)
afterAll(async () => {
  await keeper.close()
  await workshop.close()
  await db.destroy()
  rmSync(folder, { recursive: true })
})

describe('what leaves for the bender, the notcher and the welder', () => {
  test.each(['tube', 'welds', 'build', 'flat', 'holes', 'owner-card'])(
    '%s.pdf of a basket and of a plain rack, each under its own name',
    async (what) => {
      for (const title of ['Hoop', 'Pole']) {
        const answer = await http().get(`/api/jobs/${idOf(title)}/${what}.pdf`)
        expect([answer.status, answer.type]).toEqual([200, 'application/pdf'])
        expect(answer.headers['content-disposition']).toContain(`${what}.pdf`)
        expect(answer.body.subarray(0, 5).toString()).toBe('%PDF-')
      }
    },
    60_000,
  )
  test('templates leave as DXF and SVG; another kind is refused with those that there are', async () => {
    const dxf = await http()
      .get(`/api/jobs/${idOf('Hoop')}/templates.dxf`)
      .buffer(true)
    expect([dxf.status, dxf.type]).toEqual([200, 'application/dxf'])
    const svg = await http().get(`/api/jobs/${idOf('Hoop')}/templates.svg`)
    expect(svg.type).toBe('image/svg+xml')
    expect(svg.body.toString()).toContain('T1')
    const other = await http().get(`/api/jobs/${idOf('Hoop')}/templates.png`)
    expect(other.status).toBe(422)
    expect(JSON.stringify(other.body)).toMatch(/templates.dxf or templates.svg/)
  }, 60_000)
  test('flat parts leave one by one and as they lie on their sheets; a mark that is none is refused with those that there are', async () => {
    const id = idOf('Half')
    const lid = await http().get(`/api/jobs/${id}/flat/B-LD.dxf`).buffer(true)
    expect([lid.status, lid.type, lid.headers['content-disposition']]).toEqual([
      200,
      'application/dxf',
      expect.stringContaining('B-LD.dxf'),
    ])
    const nest = await http().get(`/api/jobs/${id}/nest.dxf`).buffer(true)
    const outlines = (dxf: string) => dxf.split('AcDbPolyline').length - 1
    expect([outlines(String(lid.text ?? lid.body)), outlines(String(nest.text ?? nest.body))]).toEqual([1, 12])
    const none = await http().get(`/api/jobs/${id}/flat/ZZ.dxf`)
    expect([none.status, JSON.stringify(none.body)]).toEqual([404, expect.stringMatching(/one of B-BO, B-EN/)])
    const bare = await http().get(`/api/jobs/${idOf('Pole')}/flat/ZZ.dxf`)
    expect(bare.status).toBe(404)
  }, 60_000)
  test('the table gets a program for each sheet; what nobody tried has none and says what is missing, in the job’s units', async () => {
    const wall = idOf('Slotted')
    const nc = await http().get(`/api/jobs/${wall}/run/1.nc`)
    expect([nc.status, nc.type, nc.headers['content-disposition']]).toEqual([200, 'text/plain', expect.stringContaining('sheet-1.nc')])
    expect(nc.text).toMatch(/G21 G90 G40[\s\S]*M30\n%\n$/)
    // what leaves is what a table reads
    const ran = await http().post('/api/outside/table').send({ program: nc.text })
    expect([ran.status, ran.body.simulated, ran.body.spots]).toEqual([200, true, []])
    expect(ran.body.pierces).toBe(nc.text.split('M3\n').length - 1)
    const none = await http().get(`/api/jobs/${wall}/run/9.nc`)
    expect([none.status, JSON.stringify(none.body)]).toEqual([404, expect.stringMatching(/one of 1 to 2/)])
    expect((await http().get(`/api/jobs/${wall}/run/x.nc`)).status).toBe(422)
    expect(JSON.stringify((await http().get(`/api/jobs/${idOf('Pole')}/run/1.nc`)).body)).toMatch(/this one has none/)
    const hoop = idOf('Hoop')
    const told = await Promise.all([1, 2].map(async (n) => (await http().get(`/api/jobs/${hoop}/run/${n}.nc`)).body))
    expect(JSON.stringify(told)).toMatch(/how the table cuts Steel S235 8 mm clean/)
    const bad = await http().post('/api/outside/table').send({ program: 'G99' })
    expect([bad.status, bad.body.faults[0].where]).toEqual([422, 'line 1'])
  }, 60_000)
  test('flat parts leave at full size for paper too', async () => {
    const answer = await http().get(`/api/jobs/${idOf('Half')}/flat-templates.pdf`)
    expect([answer.status, answer.type]).toEqual([200, 'application/pdf'])
  }, 60_000)
  test('of a job that is not there nothing leaves', async () => {
    for (const path of [
      'tube.pdf',
      'welds.pdf',
      'build.pdf',
      'flat.pdf',
      'holes.pdf',
      'templates.svg',
      'nest.dxf',
      'run/1.nc',
      'flat-templates.pdf',
      'flat/B-BO.dxf',
    ])
      expect((await http().get(`/api/jobs/nobody/${path}`)).status).toBe(404)
  })
  test('a die with a trial that cannot be is refused by its place, and nothing of the shop is lost', async () => {
    const { revision, document } = (await http().get('/api/shelves/shop')).body
    const bad = structuredClone(document)
    bad.workshop.dies[0].trials[0].cameDeg = -4
    const refused = await http().put('/api/shelves/shop').send({ revision, document: bad })
    expect(refused.status).toBe(422)
    expect(JSON.stringify(refused.body)).toMatch(/cameDeg/)
    expect((await http().get('/api/shelves/shop')).body).toEqual({ revision, document })
    const more = structuredClone(document)
    more.workshop.dies[0].trials.push({ on: '2026-11-26', pulledDeg: 95, cameDeg: 92 })
    expect((await http().put('/api/shelves/shop').send({ revision, document: more })).status).toBe(200)
    expect((await http().get('/api/shelves/shop')).body.document.workshop.dies[0].trials).toHaveLength(3)
  })
  test('ticks of the order of work are kept with the job, and a day that is none is refused', async () => {
    const id = idOf('Half')
    const { revision, job } = (await http().get(`/api/jobs/${id}`)).body
    const kept = await http()
      .put(`/api/jobs/${id}`)
      .send({ revision, job: { ...job, built: { buy: { on: '2026-11-27', was: 'a1' } } } })
    expect(kept.status).toBe(200)
    // one of before times were taken is kept as one that was not timed
    expect((await http().get(`/api/jobs/${id}`)).body.job.built).toEqual({ buy: tickOf('2026-11-27', 'a1') })
    const bad = await http()
      .put(`/api/jobs/${id}`)
      .send({ revision: revision + 1, job: { ...job, built: { buy: { on: 'soon', was: 'a1' } } } })
    expect(bad.status).toBe(422)
  })
  test('nothing of this was a fault of the server', () => expect(faults).toEqual([]))
})
