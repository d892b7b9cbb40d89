import { createHash } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import DxfParser from 'dxf-parser'
import type { Knex } from 'knex'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { readJobFile } from '../../core/exchange/jobFile'
import { demoJobs } from '../../core/job/demoJobs'
import { createApp } from '../app'
import { fillDemo } from '../demo/fillDemo'
import { openStore } from '../keeping/openStore'
import { openWorkshop, type Workshop } from '../workshop/workshop'

/** Everything that leaves a job, of every demo job, over the wire. */
let db: Knex
let workshop: Workshop
let app: ReturnType<typeof createApp>
const ids = new Map<string, string>()
const folder = mkdtempSync(join(tmpdir(), 'tideline-leaving-'))
beforeAll(async () => {
  db = await openStore(join(folder, 'shop.sqlite'))
  await fillDemo(db, new Date('2026-11-24T12:00:00Z'))
  workshop = openWorkshop()
  app = createApp({ db, workshop, webFolder: null, log: () => undefined })
  const { body } = await request(app).get('/api/jobs')
  for (const r of body.rows as { id: string; title: string }[]) ids.set(r.title, r.id)
}, 60_000)
afterAll(async () => {
  await workshop.close()
  await db.destroy()
  rmSync(folder, { recursive: true })
})
const fetched = async (title: string, file: string) => {
  const r = await request(app)
    .get(`/api/jobs/${ids.get(title)}/${file}`)
    // the code at the foot leads back to the address that was asked
    .set('Host', 'localhost')
    .buffer()
    .parse((response, done) => {
      const parts: Buffer[] = []
      response.on('data', (b: Buffer) => parts.push(b))
      response.on('end', () => done(null, Buffer.concat(parts)))
    })
  return { status: r.status, type: r.type, name: String(r.headers['content-disposition'] ?? ''), bytes: r.body as Buffer }
}

test('the client’s page leaves as one file under 3 MB that asks for nothing from outside, and runs no script but its own', async () => {
  const page = await fetched('Half guard for the hive bed', 'client-page.html')
  expect([page.status, page.type]).toEqual([200, 'text/html'])
  expect(page.bytes.length).toBeLessThan(3_000_000)
  const html = page.bytes.toString('utf8')
  expect(html.match(/<img [^>]*src="data:image\/png;base64,/g)).toHaveLength(2)
  expect(html).not.toMatch(/(?:src|href)="(?!data:)/)
  const [, script] = /<script>([\s\S]*)<\/script>/.exec(html)!
  expect(html).toContain(`sha256-${createHash('sha256').update(script!).digest('base64')}`)
  // the limits that are not assessed are told to the client too
  expect(html).toMatch(/not assessed/)
  expect(html).toMatch(/All in steel/)
})

describe.each(demoJobs.map((j) => j.title))('%s', (title) => {
  test.each([
    ['arrangement.pdf', 'application/pdf', '%PDF'],
    ['cut-sheet.pdf', 'application/pdf', '%PDF'],
    ['measuring-sheet.pdf', 'application/pdf', '%PDF'],
    ['file.json', 'application/json', '{'],
    ['cut-list.csv', 'text/csv', ''],
    ['drawing/plan.dxf', 'application/dxf', ''],
    ['drawing/rear.svg', 'image/svg+xml', '<svg'],
    ['client-form.html', 'text/html', '<!doctype html>'],
  ])('%s leaves as what it says it is, and twice the same', async (file, type, begins) => {
    const [first, again] = [await fetched(title, file), await fetched(title, file)]
    expect([first.status, first.type]).toEqual([200, type])
    expect(first.bytes.toString('latin1').trimStart().toLowerCase().startsWith(begins.toLowerCase())).toBe(true)
    expect(first.bytes.length).toBeGreaterThan(100)
    expect(again.bytes.equals(first.bytes)).toBe(true)
    // the name of a file holds nothing that a disk or a shell would stumble over
    if (first.name) expect(first.name).toMatch(/filename="[^"]+, rev \d+, [a-z.-]+"; filename\*=UTF-8/)
  })
  test('the job file is read again as the same job', async () => {
    const read = readJobFile((await fetched(title, 'file.json')).bytes.toString('utf8'))
    expect(read.ok && read.value.title).toBe(title)
  })
  test('each view as DXF is read again, in millimetres, with something on it', async () => {
    for (const view of ['plan', 'side', 'rear']) {
      const dxf = new DxfParser().parseSync((await fetched(title, `drawing/${view}.dxf`)).bytes.toString('utf8'))
      expect(dxf?.header?.$INSUNITS).toBe(4)
      expect(dxf?.entities.length).toBeGreaterThan(20)
    }
  })
})

test('a view or a file that there is not is refused with what there is', async () => {
  const id = ids.get(demoJobs[0].title)
  for (const path of ['drawing/top.dxf', 'drawing/plan.png', 'drawing/plan']) {
    const r = await request(app).get(`/api/jobs/${id}/${path}`)
    expect([path, r.status >= 400 && r.status < 500]).toEqual([path, true])
    expect(r.body.faults[0].expected.length).toBeGreaterThan(3)
  }
})
