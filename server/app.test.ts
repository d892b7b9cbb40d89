import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getBounds, NodeIO } from '@gltf-transform/core'
import Database from 'better-sqlite3'
import fc from 'fast-check'
import { unzipSync } from 'fflate'
import type { Knex } from 'knex'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { demoJobs } from '../core/job/demoJobs'
import type { Job } from '../core/job/job'
import type { Vehicle } from '../core/vehicle/vehicle'
import { createApp } from './app'
import { fillDemo } from './demo/fillDemo'
import { type VerdictKeeper, verdictKeeper } from './jobs/verdictKeeper'
import { backUp, restore } from './keeping/backup'
import { openStore } from './keeping/openStore'
import { openWorkshop, type Workshop } from './workshop/workshop'

let db: Knex
let workshop: Workshop
let keeper: VerdictKeeper
let app: ReturnType<typeof createApp>
const faults: unknown[] = []
const folder = mkdtempSync(join(tmpdir(), 'tideline-'))
const file = join(folder, 'shop.sqlite')
const THREAD_MS = 60_000

beforeAll(async () => {
  db = await openStore(file)
  await fillDemo(db, new Date('2026-11-24T12:00:00Z'))
  workshop = openWorkshop()
  keeper = verdictKeeper(db, workshop, (e) => faults.push(e))
  app = createApp({ db, workshop, keeper, webFolder: null, log: (e) => faults.push(e) })
  await keeper.settled()
})
afterAll(async () => {
  await keeper.close()
  await workshop.close()
  await db.destroy()
  rmSync(folder, { recursive: true })
})
const http = () => request(app)
const bytes = (response: request.Response, done: (error: Error | null, body: Buffer) => void) => {
  const chunks: Buffer[] = []
  const stream = response as unknown as NodeJS.ReadableStream
  stream.on('data', (c: Buffer) => chunks.push(c))
  stream.on('end', () => done(null, Buffer.concat(chunks)))
}
const rowOf = async (title: string) => (await http().get('/api/jobs').query({ search: title })).body.rows[0]
const opened = async (title: string) =>
  (await http().get(`/api/jobs/${(await rowOf(title)).id}`)).body as { id: string; revision: number; job: Job }
const countJobs = async () => ((await db('jobs').count({ n: '*' })) as { n: number }[])[0].n

describe('the vehicle shelf', () => {
  test('a vehicle that gives way to its next revision stays to be looked up; one that did not change is not kept twice', async () => {
    const { revision, document } = (await http().get('/api/shelves/vehicles')).body
    const next = document.map((v: Vehicle, i: number) => (i ? v : { ...v, note: 'new tyres', revision: v.revision + 1 }))
    expect((await http().put('/api/shelves/vehicles').send({ revision, document: next })).status).toBe(200)
    const kept = (await http().get(`/api/shelves/vehicles/${document[0].id}/revisions`)).body
    expect(kept.map((k: { revision: number; vehicle: Vehicle }) => [k.revision, k.vehicle.note])).toEqual([[1, document[0].note]])
    expect((await http().get(`/api/shelves/vehicles/${document[1].id}/revisions`)).body).toEqual([])
    // a write that is refused keeps nothing
    expect((await http().put('/api/shelves/vehicles').send({ revision, document })).status).toBe(409)
    expect((await http().get(`/api/shelves/vehicles/${document[0].id}/revisions`)).body).toHaveLength(1)
  })
  test('the form for a client far away is one page that fetches nothing, and the drawing leaves as SVG too', async () => {
    const { id } = await rowOf('Basket')
    const form = await http().get(`/api/jobs/${id}/client-form.html`)
    expect(form.text).toContain('data-id="bed.widthRear"')
    expect(form.text).not.toMatch(/https?:\/\/(?!www\.w3\.org)/)
    const drawing = await http().get(`/api/jobs/${id}/drawing/plan.svg`)
    expect([drawing.status, drawing.type]).toEqual([200, 'image/svg+xml'])
    expect((await http().get(`/api/jobs/${id}/drawing/top.svg`)).status).toBe(422)
  })
})

describe('the Slipway', () => {
  test('lists what is due first, with verdicts; search, station and state narrow it', async () => {
    const all = (await http().get('/api/jobs')).body
    expect(all.total).toBe(demoJobs.length)
    expect(all.rows[0].title).toBe('Spar carrier')
    expect((await rowOf('oyster')).client).toContain('Oyster')
    expect((await http().get('/api/jobs?station=cut')).body.rows.map((r: { title: string }) => r.title)).toEqual([
      'Spar carrier',
      'Slotted wall for the flight kit',
    ])
    expect((await http().get('/api/jobs?state=over')).body.total).toBe(1)
    expect((await http().get('/api/jobs?search=%25')).body.total).toBe(0) // a percent sign is a sign, not a wildcard
  })
  test('a copy is a job to build: what was done and bought for the first is not done for it', async () => {
    const spar = await opened('Spar carrier')
    const built = { ...spar.job, built: { cut: { on: '2026-12-01', was: 'x' } }, notes: 'in teal' }
    expect((await http().put(`/api/jobs/${spar.id}`).send({ revision: spar.revision, job: built })).status).toBe(200)
    const copy = (await http().post(`/api/jobs/${spar.id}/copy`)).body.job
    expect([copy.built, copy.kit, copy.loadTests, copy.due, copy.notes]).toEqual([{}, {}, [], null, 'in teal'])
    expect(copy.pieces).toEqual(spar.job.pieces)
  })
  test('new, copy, archive, and back', async () => {
    const made = (await http().post('/api/jobs').send({ title: 'Hive carrier', vehicleId: 'crew-cab-pickup', units: 'inch' })).body
    expect(made.job.units.system).toBe('inch')
    const copy = await http().post(`/api/jobs/${made.id}/copy`)
    expect([copy.status, copy.body.job.title]).toEqual([201, 'Hive carrier, copy'])
    for (const id of [made.id, copy.body.id]) await http().post(`/api/jobs/${id}/archive`).send({ archived: true })
    expect((await http().get('/api/jobs?search=Hive%20carrier')).body.total).toBe(0)
    expect((await http().get('/api/jobs?search=Hive%20carrier&archived=true')).body.total).toBe(2)
  })
})

describe('keeping', () => {
  test('a save from an older revision is refused and offers the other version; nothing is lost', async () => {
    const { id, revision, job } = await opened('Spar carrier')
    const mine = await http()
      .put(`/api/jobs/${id}`)
      .send({ revision, job: { ...job, notes: 'window one' } })
    expect(mine.body.revision).toBe(revision + 1)
    const late = await http()
      .put(`/api/jobs/${id}`)
      .send({ revision, job: { ...job, notes: 'window two' } })
    expect(late.status).toBe(409)
    expect(late.body.theirs.job.notes).toBe('window one')
    expect((await opened('Spar carrier')).job.notes).toBe('window one')
  })
  test('a backup is one file that restores to the same jobs; a broken one changes nothing', async () => {
    const [backup, other] = [join(folder, 'backup.sqlite'), join(folder, 'other.sqlite')]
    backUp(file, backup)
    expect(restore(backup, other)).toBeNull()
    const copy = new Database(other, { readonly: true })
    expect(copy.prepare('select count(*) from jobs').pluck().get()).toBe(await countJobs())
    copy.close()
    expect(() => restore(join(folder, 'none'), other)).toThrow('There is no file')
    expect(() => restore(import.meta.filename, other)).toThrow('not a sound')
  })
  test('two writers of one shelf: the second is told', async () => {
    const { revision, document } = (await http().get('/api/shelves/rules')).body
    expect(
      (
        await http()
          .put('/api/shelves/rules')
          .send({ revision, document: { ...document, kerfMm: 2 } })
      ).status,
    ).toBe(200)
    expect((await http().put('/api/shelves/rules').send({ revision, document })).status).toBe(409)
    expect(
      (
        await http()
          .put('/api/shelves/rules')
          .send({ revision: revision + 1, document: { ...document, kerfMm: -1 } })
      ).body.faults[0].where,
    ).toBe('kerfMm')
  })
})

describe('what leaves the shop', () => {
  test(
    'prints are PDF, the drawing is DXF, the cut list CSV, the job file comes in again as an equal job',
    async () => {
      const { id, job } = await opened('Pole and case')
      const pdf = await http().get(`/api/jobs/${id}/arrangement.pdf`)
      expect([pdf.type, pdf.body.subarray(0, 5).toString()]).toEqual(['application/pdf', '%PDF-'])
      expect((await http().get(`/api/jobs/${id}/cut-sheet.pdf`)).type).toBe('application/pdf')
      expect((await http().get(`/api/jobs/${id}/drawing/plan.dxf`)).status).toBe(200)
      expect((await http().get(`/api/jobs/${id}/cut-list.csv`)).text).toContain('B1,Crossbar')
      const text = (await http().get(`/api/jobs/${id}/file.json`)).text
      const back = await http().post('/api/jobs/import').type('application/octet-stream').send(text)
      expect([back.status, back.body.job]).toEqual([201, job])
      await http().post(`/api/jobs/${back.body.id}/archive`).send({ archived: true })
    },
    THREAD_MS,
  )
  test(
    'all of a job as one ZIP: every sheet and file in it opens, and the model has every part by name, as heavy in the drawing as its boxes are large',
    async () => {
      const { id, job } = await opened('Half guard')
      const zip = await http().get(`/api/jobs/${id}/all.zip`).buffer(true).parse(bytes)
      expect([zip.status, zip.type]).toEqual([200, 'application/zip'])
      const files = unzipSync(new Uint8Array(zip.body as Buffer))
      const text = (name: string) => Buffer.from(files[name]!).toString('latin1')
      for (const name of Object.keys(files)) {
        if (name.endsWith('.pdf')) expect(text(name).slice(0, 5)).toBe('%PDF-')
        if (name.endsWith('.dxf')) expect(text(name)).toMatch(/EOF\s*$/)
        if (name.endsWith('.svg')) expect(text(name)).toContain('<svg')
      }
      expect(Object.keys(files)).toEqual(
        expect.arrayContaining([
          'job.json',
          'arrangement.pdf',
          'cut-sheet.pdf',
          'tube.pdf',
          'flat.pdf',
          'holes.pdf',
          'flat/nest.dxf',
          'model.glb',
        ]),
      )
      expect(JSON.parse(Buffer.from(files['job.json']!).toString()).title).toBe(job.title)
      const model = await new NodeIO().readBinary(files['model.glb']!)
      const names = model
        .getRoot()
        .listNodes()
        .map((n) => n.getName())
      expect(names).toEqual(expect.arrayContaining(['assembly', 'B-LD Lid', `${job.vehicle.name}, a likeness`]))
      // the vehicle's length along z, in metres
      const body = model
        .getRoot()
        .listNodes()
        .find((n) => n.getName() === `${job.vehicle.name}, a likeness`)!
      const { min, max } = getBounds(body)
      expect(Math.abs(max[2] - min[2] - job.vehicle.lengthMm.value! / 1000)).toBeLessThan(0.02)
    },
    THREAD_MS,
  )
  test('the stock rack goes out as CSV and comes in whole or not at all', async () => {
    const csv = (await http().get('/api/shelves/stock/remnants.csv')).text
    const { revision, document } = (await http().get('/api/shelves/stock')).body
    const sheets = (await http().get('/api/shelves/stock/sheets.csv')).text.trim().split(/\r?\n/)
    expect(sheets).toHaveLength(1 + document.sheets.length)
    const bad = await http().post(`/api/shelves/stock/remnants.csv?revision=${revision}`).type('text/csv').send(`${csv}x,no-such,1,1\n`)
    expect([bad.status, bad.body.faults[0].where]).toEqual([422, `line ${csv.trim().split('\n').length + 1}, profile_id`])
    expect((await http().get('/api/shelves/stock')).body.revision).toBe(revision)
    expect((await http().post(`/api/shelves/stock/remnants.csv?revision=${revision}`).type('text/csv').send(csv)).status).toBe(200)
  })
  test(
    'a calculator over HTTP gives what it gives anywhere, and names the field of a fault',
    async () => {
      expect((await http().post('/api/calculators/fraction').send({ text: '61 5/8' })).body.mm).toBeCloseTo(1565.275, 9)
      const bad = await http()
        .post('/api/calculators/bar-nesting')
        .send({ parts: [{ id: 'a', length: -1, quantity: 1 }], stock: [], kerf: 3, endTrim: 5 })
      expect([bad.status, bad.body.faults.map((f: { where: string }) => f.where)]).toEqual([422, ['parts[0].length', 'stock']])
    },
    THREAD_MS,
  )
})

describe('photographs', () => {
  test('a picture is kept with its job; what only calls itself one is refused; another job does not see it', async () => {
    const { id } = await opened('Pole and case')
    const other = (await opened('Spar carrier')).id
    const png = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64')
    const kept = await http().post(`/api/jobs/${id}/photos?name=roof`).set('Content-Type', 'image/png').send(png)
    expect([kept.status, kept.body.type]).toEqual([201, 'image/png'])
    expect((await http().get(`/api/jobs/${id}/photos/${kept.body.id}`)).body).toEqual(png)
    expect((await http().get(`/api/jobs/${other}/photos/${kept.body.id}`)).status).toBe(404)
    expect(
      (await http().post(`/api/jobs/${id}/photos?name=x`).set('Content-Type', 'image/png').send(Buffer.from('<svg onload=alert(1)>')))
        .status,
    ).toBe(422)
    expect((await http().post(`/api/jobs/${id}/photos?name=x`).set('Content-Type', 'image/png').send(Buffer.alloc(4_100_000))).status).toBe(
      413,
    )
    const large = await http().post(`/api/jobs/${id}/photos?name=x`).set('Content-Type', 'image/png').send(Buffer.alloc(4_100_000))
    expect(large.body.faults[0].expected).toBe('a body of 4 MB or less')
    // several come whole or not at all
    const several = (...base64: string[]) =>
      http()
        .post(`/api/jobs/${id}/photos/several`)
        .send({ photos: base64.map((b, i) => ({ name: `p${i}`, type: 'image/png', base64: b })) })
    const refused = await several(png.toString('base64'), 'aGVsbG8=')
    expect([refused.status, refused.body.faults[0].where]).toEqual([422, 'photos[1]'])
    expect((await http().get(`/api/jobs/${id}/photos`)).body).toHaveLength(1)
    const taken = await several(png.toString('base64'), png.toString('base64'))
    expect(taken.body).toHaveLength(2)
    for (const p of taken.body as { id: string }[]) await http().post(`/api/jobs/${id}/photos/${p.id}/remove`)
    expect((await http().post(`/api/jobs/${id}/photos`).set('Content-Type', 'image/png').send(png)).status).toBe(422)
    expect((await http().post(`/api/jobs/none/photos?name=x`).set('Content-Type', 'image/png').send(png)).status).toBe(404)
    expect((await http().post(`/api/jobs/${id}/photos/${kept.body.id}/remove`)).status).toBe(200)
    expect((await http().get(`/api/jobs/${id}/photos`)).body).toEqual([])
  })
})

describe('bad input', () => {
  const routes: ['get' | 'post' | 'put', string][] = [
    ['get', '/api/jobs/none'],
    ['put', '/api/jobs/none'],
    ['post', '/api/jobs'],
    ['post', '/api/jobs/import'],
    ['post', '/api/jobs/none/copy'],
    ['post', '/api/jobs/none/archive'],
    ['post', '/api/jobs/none/plans'],
    ['post', '/api/jobs/none/plans/x/take-back'],
    ['get', '/api/jobs/none/file.json'],
    ['get', '/api/jobs/none/cut-sheet.pdf'],
    ['get', '/api/jobs/none/drawing/plan.dxf'],
    ['put', '/api/shelves/stock'],
    ['put', '/api/shelves/rules'],
    ['put', '/api/shelves/vehicles'],
    ['get', '/api/shelves/none'],
    ['post', '/api/shelves/stock/remnants.csv?revision=x'],
    ['post', '/api/calculators/none'],
    ['get', '/api/none'],
    ['get', '/api/jobs?limit=NaN'],
    ['get', '/api/jobs?station=mars'],
    ['get', '/api/jobs?offset=-1'],
  ]
  const bodies = [
    'null',
    '7',
    '"x"',
    '[]',
    '{}',
    '{"revision":-1}',
    '{"revision":1e999}',
    '{"revision":1,"job":{}}',
    '{"revision":1,"document":{"sale":[{}]}}',
    '{',
    '{"title":7}',
    `{"title":"x","vehicleId":"${'y'.repeat(500)}"}`,
    '['.repeat(50_000),
    '['.repeat(50_000) + ']'.repeat(50_000),
  ]
  test(
    'every route answers every bad body with 4xx and a fault that says what was expected, and stores nothing',
    async () => {
      const before = await countJobs()
      for (const [method, path] of routes) {
        for (const body of method === 'get' ? [''] : bodies) {
          const r =
            method === 'get' ? await http().get(path) : await http()[method](path).set('Content-Type', 'application/json').send(body)
          expect([path, body.slice(0, 20), r.status >= 400 && r.status < 500]).toEqual([path, body.slice(0, 20), true])
          expect(r.body.faults[0].expected.length).toBeGreaterThan(3)
        }
      }
      expect(await countJobs()).toBe(before)
      expect(faults).toEqual([])
    },
    THREAD_MS,
  )
  test('10 MB is too large, broken UTF-8 is named, another site may not write, a broken address is refused', async () => {
    expect(
      (
        await http()
          .post('/api/jobs')
          .set('Content-Type', 'application/json')
          .send(`{"title":"${'x'.repeat(10_000_000)}"}`)
      ).status,
    ).toBe(413)
    const sending = http().post('/api/jobs').set('Content-Type', 'application/json')
    sending.write(Buffer.from([0x22, 0xc3, 0x28, 0x22]) as unknown as string)
    const broken = await sending
    expect([broken.status, broken.body.faults[0].expected]).toEqual([400, 'text in UTF-8'])
    expect((await http().post('/api/jobs').set('Sec-Fetch-Site', 'cross-site').send({})).status).toBe(403)
    expect((await http().get('/api/jobs/%E0%A4%A')).status).toBe(400)
  })
  test('a job with any one value spoilt is refused by its path or kept whole, never half', async () => {
    const { id, revision, job } = await opened('Panel and box')
    const spoilers = fc.constantFrom<unknown>(null, -1e12, 'x', true)
    // a word may be any word, no day is a day, and ahead is a yes or a no
    const taken = ['title', 'notes', 'due', 'start', 'bringsOn', 'atWork', 'ahead', 'like']
    const keys = Object.keys(job).filter((k) => !taken.includes(k))
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...keys), spoilers, async (key, bad) => {
        const r = await http()
          .put(`/api/jobs/${id}`)
          .send({ revision, job: { ...job, [key]: bad } })
        expect([409, 422]).toContain(r.status)
      }),
      { numRuns: 60 },
    )
    expect((await opened('Panel and box')).job.brief).toEqual(job.brief)
  })
})
