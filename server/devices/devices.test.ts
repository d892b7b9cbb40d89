import type { Knex } from 'knex'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import type { Job } from '../../core/job/job'
import { createApp } from '../app'
import { fillDemo } from '../demo/fillDemo'
import { openStore } from '../keeping/openStore'
import { inProcess } from '../workshop/inProcess'
import { deviceStore } from './deviceStore'
import { pairing } from './pairing'

let db: Knex
let app: ReturnType<typeof createApp>
beforeAll(async () => {
  db = await openStore(':memory:')
  await fillDemo(db)
  app = createApp({ db, workshop: inProcess(), webFolder: null, log: () => undefined, bound: '0.0.0.0', allowedHosts: ['Shop.local'] })
})
afterAll(() => db.destroy())
/** The same server by the name it has on the network: whoever asks so is not at this machine. */
const away = (r: request.Test, cookie = '') => r.set('Host', 'shop.local:4173').set('Cookie', cookie)
const pair = async (role: 'desk' | 'floor', name = 'Bay tablet') => {
  const { code } = (await request(app).post('/api/devices/codes').send({ role })).body
  const paired = await away(request(app).post('/api/pair')).send({ code: code.toLowerCase(), name })
  return { paired, cookie: String(paired.headers['set-cookie'] ?? '').split(';')[0] as string, code }
}

describe('who may ask', () => {
  test.each([
    ['a name nobody gave', 'evil.example'],
    ['a name that begins like ours', 'localhost.evil.example'],
    ['an address that is not this machine’s', '203.0.113.7:4173'],
    ['no name', ''],
    ['noise', 'local host'],
  ])('%s is refused, reading and writing', async (_, host) => {
    for (const r of [request(app).get('/api/jobs'), request(app).post('/api/jobs').send({}), request(app).get('/')])
      expect((await r.set('Host', host)).status).toBe(403)
  })
  test.each(['localhost:4173', '127.0.0.1', '[::1]:4173'])('%s is this machine', async (host) => {
    expect((await request(app).get('/api/who').set('Host', host)).body).toEqual({ role: 'desk', deviceId: null })
  })
  test('another origin is refused on reads too, and so is a page of another site; a link from elsewhere opens the application', async () => {
    const asked = (origin: string) => request(app).get('/api/jobs').set('Host', 'localhost:4173').set('Origin', origin)
    expect((await asked('http://localhost:4173')).status).toBe(200)
    for (const origin of ['http://localhost:8080', 'http://evil.example', 'null', 'https://evil.example:4173'])
      expect([origin, (await asked(origin)).status]).toEqual([origin, 403])
    const crossed = (path: string) => request(app).get(path).set('Sec-Fetch-Site', 'cross-site')
    expect((await crossed('/api/jobs')).status).toBe(403)
    expect((await crossed('/jobs/x')).status).toBe(404)
  })
  test('every answer of the server is no-store, refusals too', async () => {
    for (const path of ['/api/jobs', '/api/none', '/api/shelves/stock', '/api/health'])
      expect((await request(app).get(path)).headers['cache-control']).toBe('no-store')
  })
})

describe('pairing', () => {
  test('a device on the network gets nothing until it is paired; then by its cookie, until it is put out', async () => {
    const before = await away(request(app).get('/api/jobs'))
    expect([before.status, before.body.faults[0].expected]).toEqual([401, expect.stringContaining('paired with the shop')])
    const { paired, cookie } = await pair('desk', 'Second desk')
    expect(paired.status).toBe(201)
    expect(paired.headers['set-cookie'][0]).toMatch(/HttpOnly; SameSite=Strict/)
    expect((await away(request(app).get('/api/jobs'), cookie)).body.total).toBe(demoJobs.length)
    const { devices } = (await request(app).get('/api/devices')).body
    expect(devices.map((d: { name: string }) => d.name)).toEqual(['Second desk'])
    expect((await request(app).post(`/api/devices/${devices[0].id}/put-out`)).status).toBe(200)
    expect((await away(request(app).get('/api/jobs'), cookie)).status).toBe(401)
    expect((await request(app).post(`/api/devices/${devices[0].id}/put-out`)).status).toBe(404)
  })
  test('of the secret only what scrypt makes of it is kept, and a spoilt one is nobody', async () => {
    const { cookie } = await pair('floor')
    const secret = decodeURIComponent(cookie).split('.')[1] as string
    expect(JSON.stringify(await db('devices'))).not.toContain(secret)
    const id = decodeURIComponent(cookie).split('=')[1]?.split('.')[0]
    for (const spoilt of [`tideline=${id}.x`, `tideline=${id}`, 'tideline=', `tideline=x.${secret}`, `tideline=${'y'.repeat(3000)}`])
      expect((await away(request(app).get('/api/jobs'), spoilt)).status).toBe(401)
  })
  test('a floor device reads, measures and photographs; what is the desk’s is refused in words', async () => {
    const { cookie } = await pair('floor')
    const as = (r: request.Test) => away(r, cookie)
    const { rows } = (await as(request(app).get('/api/jobs'))).body
    const { id, revision, job } = (await as(request(app).get(`/api/jobs/${rows[0].id}`))).body as { id: string; revision: number; job: Job }
    const measured = { ...job, vehicle: { ...job.vehicle, widthMm: { ...job.vehicle.widthMm, value: 2001 } }, notes: 'taken on the bay' }
    const ticked = { ...measured, built: { buy: { on: '2026-11-27', was: 'x' } }, kit: { nuts: { here: 4, due: null, said: '' } } }
    expect((await as(request(app).put(`/api/jobs/${id}`)).send({ revision, job: measured })).status).toBe(200)
    expect((await as(request(app).put(`/api/jobs/${id}`)).send({ revision: revision + 1, job: ticked })).status).toBe(200)
    const dearer = { ...ticked, brief: { ...measured.brief, clientName: 'Somebody else' } }
    const refused = await as(request(app).put(`/api/jobs/${id}`)).send({ revision: revision + 2, job: dearer })
    expect([refused.status, refused.body.faults[0]]).toEqual([403, { where: 'brief', expected: expect.stringContaining('the desk') }])
    for (const r of [
      request(app).post('/api/jobs').send({}),
      request(app).post(`/api/jobs/${id}/archive`).send({ archived: true }),
      request(app).post(`/api/jobs/${id}/plans`).send({}),
      request(app).put('/api/shelves/rules').send({}),
      request(app).post('/api/jobs/import').type('text/plain').send('{}'),
      request(app).post(`/api/jobs/${id}/copy`).send({}),
      request(app).put('/api/shelves/shop').send({}),
      request(app).get('/api/devices'),
      // routes do not mind capitals, and neither may what guards them
      request(app).get('/api/Devices'),
      request(app).get('/api/KEEPING'),
      request(app).get('/api/keeping/backups/2026-11-26'),
      request(app).post('/api/devices/codes').send({ role: 'desk' }),
      request(app).get('/api/keeping'),
    ])
      expect((await as(r)).status).toBe(403)
  })
  test('a code opens once and for ten minutes', () => {
    let now = 0
    const pairs = pairing(() => now)
    const { code } = pairs.offer('floor')
    expect(pairs.redeem(` ${code.slice(0, 4)}-${code.slice(4).toLowerCase()} `)).toBe('floor')
    expect(pairs.redeem(code)).toBeNull()
    const late = pairs.offer('desk')
    now = 10 * 60_000 + 1
    expect(pairs.redeem(late.code)).toBeNull()
  })
  test('after five wrong ones every open code is void, and a minute must pass', () => {
    let now = 0
    const pairs = pairing(() => now)
    const { code } = pairs.offer('desk')
    expect([1, 2, 3, 4].map((n) => pairs.redeem(`WRONG00${n}`))).toEqual([null, null, null, null])
    expect(pairs.redeem('WRONG005')).toBe('wait')
    expect(pairs.redeem(code)).toBe('wait')
    now = 60_001
    expect(pairs.redeem(code)).toBeNull()
    expect(pairs.redeem(pairs.offer('desk').code)).toBe('desk')
  })
  test('two devices of one name are two', async () => {
    const store = deviceStore(db)
    const [a, b] = [await store.add('Phone', 'floor'), await store.add('Phone', 'floor')]
    expect((await store.of(a.token))?.id).not.toBe((await store.of(b.token))?.id)
    await store.putOut(a.device.id)
    expect([await store.of(a.token), (await store.of(b.token))?.name]).toEqual([null, 'Phone'])
  })
})
