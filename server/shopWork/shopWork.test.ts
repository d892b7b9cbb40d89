import type { Knex } from 'knex'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import type { PlacedOrder } from '../../core/purchase/order'
import { lateBy, schedule } from '../../core/schedule/schedule'
import type { DaysAnswer } from '../../core/shopWork/daysAnswer'
import type { PurchaseAnswer } from '../../core/shopWork/purchaseAnswer'
import { createApp } from '../app'
import { fillDemo } from '../demo/fillDemo'
import { jobStore } from '../jobs/jobStore'
import { openStore } from '../keeping/openStore'
import { openWorkshop, type Workshop } from '../workshop/workshop'

let db: Knex
let app: ReturnType<typeof createApp>
let workshop: Workshop
beforeAll(async () => {
  db = await openStore(':memory:')
  await fillDemo(db)
  workshop = openWorkshop()
  app = createApp({ db, workshop, webFolder: null, log: () => undefined })
})
afterAll(async () => {
  await workshop.close()
  await db.destroy()
})
const days = async (): Promise<DaysAnswer> => (await request(app).get('/api/shop/days').expect(200)).body
const purchase = async (): Promise<PurchaseAnswer> => (await request(app).get('/api/shop/purchase').expect(200)).body
const kept = () => db('job_works').orderBy('job_id').select('job_id', 'basis')

describe('the days of the demo shop', () => {
  test('every job is on the calendar and has its day; the spar carrier is late, for its coat', async () => {
    const answer = await days()
    expect(answer.jobs.map((j) => j.title).sort()).toEqual(demoJobs.map((j) => j.title).sort())
    const found = schedule({ ...answer, wet: new Set(answer.wet) })
    expect(found.unplaced).toEqual([])
    const spar = answer.jobs.findIndex((j) => j.title === 'Spar carrier')
    expect(lateBy(found.jobs[spar]!.handOverOn, answer.jobs[spar]!.due)).toBeGreaterThan(0)
    expect(answer.jobs[spar]!.done.cut).toBeTruthy()
  })
  test('what jobs ask is kept, and worked out again for the job, the rules or the shop that changed, and for no other', async () => {
    await days()
    const before = await kept()
    expect(before).toHaveLength(demoJobs.length)
    await days()
    expect(await kept()).toEqual(before)
    const jobs = jobStore(db)
    // a date, a tick and a word ask nothing else of the shop
    const byTitle = async (title: string) => (await jobs.get((await days()).jobs.find((j) => j.title === title)!.id))!
    const dated = await byTitle('Awning for the quay kitchen')
    await jobs.save(dated.id, dated.revision, { ...dated.job, bringsOn: '2027-01-11', notes: 'rang' })
    expect((await days()).jobs.find((j) => j.id === dated.id)?.bringsOn).toBe('2027-01-11')
    expect(await kept()).toEqual(before)
    const first = await byTitle('Half guard for the hive bed')
    await jobs.save(first.id, first.revision, { ...first.job, title: 'Renamed' })
    expect((await days()).jobs.some((j) => j.title === 'Renamed')).toBe(true)
    const after = await kept()
    expect(after.filter((k) => !before.some((b) => JSON.stringify(b) === JSON.stringify(k)))).toHaveLength(1)
    const shop = (await request(app).get('/api/shelves/shop')).body
    await request(app)
      .put('/api/shelves/shop')
      .send({ ...shop, document: { ...shop.document, suppliers: [] } })
      .expect(200)
    await days()
    const shops = (list: { basis: string }[]) => new Set(list.map((k) => k.basis.split(' ').slice(1).join(' ')))
    expect(shops(await kept()).size).toBe(1)
    expect(shops(await kept())).not.toEqual(shops(after))
    const now = (await request(app).get('/api/shelves/shop')).body
    await request(app)
      .put('/api/shelves/shop')
      .send({ ...now, document: shop.document })
      .expect(200)
  })
  test('a job that can no longer be read is named and keeps the others waiting for nothing; one put away is not on it', async () => {
    const jobs = jobStore(db)
    const [spoilt, away] = [
      await jobs.create({ ...demoJobs[0]!, title: 'Spoilt' }),
      await jobs.create({ ...demoJobs[0]!, title: 'Put away' }),
    ]
    await db('job_documents').where({ job_id: spoilt.id }).update({ document: '{"title":"Spoilt","format":"tide-line/job","version":3}' })
    await jobs.setArchived(away.id, true)
    const torn = await jobs.create({ ...demoJobs[0]!, title: 'Torn' })
    await db('job_documents').where({ job_id: torn.id }).update({ document: '{"title":"Torn","form' })
    const answer = await days()
    expect(answer.left.find((l) => l.id === torn.id)).toMatchObject({ title: 'Torn', why: expect.stringContaining('a job file') })
    await jobs.setArchived(torn.id, true)
    expect(answer.left.filter((l) => l.id !== torn.id)).toMatchObject([
      { id: spoilt.id, title: 'Spoilt', why: expect.stringMatching(/\w/) },
    ])
    expect(answer.jobs).toHaveLength(demoJobs.length)
    await jobs.setArchived(spoilt.id, true)
  })
  test('on paper and as a calendar file: each open step, each visit, each hand-over', async () => {
    const { text } = await request(app).get('/api/shop/days.ics').expect(200)
    const answer = await days()
    const open = answer.jobs.reduce((s, j) => s + j.steps.filter((x) => !j.done[x.id]).length, 0)
    const events = text.split('BEGIN:VEVENT').length - 1
    expect(events).toBeGreaterThanOrEqual(open + 2 * answer.jobs.length)
    expect(text).toContain('the vehicle is wanted')
    expect(text.match(/: hand-over/g)).toHaveLength(answer.jobs.length)
    const pdf = await request(app).get('/api/shop/days.pdf').expect(200)
    expect(pdf.body.subarray(0, 5).toString()).toBe('%PDF-')
  })
})

test('the log over all jobs: steps with who did them, put-away jobs too, by words; what is no number is refused', async () => {
  const log = async (search: string) => (await request(app).get('/api/shop/log').query({ search }).expect(200)).body
  expect((await log('spar cut')).entries).toMatchObject([
    { job: 'Spar carrier', what: 'Cut to length', by: 'Maren', said: expect.stringContaining('48 min') },
  ])
  expect((await log('trial bend')).total).toBe(2)
  const jobs = jobStore(db)
  const away = await jobs.create({
    ...demoJobs[0]!,
    title: 'Long gone',
    built: { weld: { on: '2025-01-07', was: '', what: 'Weld out', by: 'Ansa', otherwise: 'angle of 14 fitted' } as never },
  })
  await jobs.setArchived(away.id, true)
  expect((await log('ANGLE fitted')).entries).toMatchObject([{ job: 'Long gone', by: 'Ansa' }])
  await request(app).get('/api/shop/log').query({ limit: 'many' }).expect(422)
})

describe('what is to be bought', () => {
  test('nothing is bought for what is here or cut; what is ordered is on its way; the rest is pooled', async () => {
    const answer = await purchase()
    const titles = new Set(answer.lines.flatMap((l) => l.for.map((f) => f.title)))
    for (const here of ['Spar carrier', 'Panel and box bars']) expect(titles.has(here)).toBe(false)
    expect(titles.has('Hoop basket and lamps')).toBe(true)
    expect(new Set(answer.coming.flatMap((l) => l.for.map((f) => f.title)))).toEqual(
      new Set(['Basket crate bars', 'Pole and case rack, survey van']),
    )
    const shared = answer.lines.filter((l) => l.for.length > 1)
    expect(shared.length).toBeGreaterThan(0)
    for (const l of answer.lines) expect(l.for.reduce((s, f) => s + f.quantity, 0)).toBeCloseTo(l.quantity, 6)
  })
  test('bars of all jobs together cost no more than job by job; the table and the sheets carry them', async () => {
    const { body } = await request(app).get('/api/shop/purchase/bars').expect(200)
    expect(body.togetherMinor).toBeLessThanOrEqual(body.oneByOneMinor)
    const { text } = await request(app).get('/api/shop/orders.csv').expect(200)
    const bars = text.split('\n').filter((l) => l.includes('bar of'))
    expect(bars).toHaveLength(body.buy.length)
    const pdf = await request(app).get('/api/shop/orders.pdf').expect(200)
    expect(pdf.body.subarray(0, 5).toString()).toBe('%PDF-')
  })
  test('an order is told to every job it is for at once; what is no line, no date or no job is refused in words', async () => {
    const { lines } = await purchase()
    const nuts = lines.find((l) => l.for.length > 1 && l.kind !== 'sections')!
    const told = nuts.for.map((f) => ({ jobId: f.jobId, key: nuts.key, quantity: f.quantity }))
    await request(app)
      .post('/api/shop/kit')
      .send({ lines: told, to: { due: '2027-02-01' } })
      .expect(200)
    const after = await purchase()
    expect(after.lines.some((l) => l.key === nuts.key)).toBe(false)
    expect(after.coming.find((l) => l.key === nuts.key && l.due === '2027-02-01')?.for).toEqual(nuts.for)
    // the order stands as it was placed, under a number that the kit of each job carries
    const { rows } = (await request(app).get('/api/shop/orders').expect(200)).body
    expect(rows).toMatchObject([
      { due: '2027-02-01', supplier: nuts.supplier!.name, lines: [{ key: nuts.key, quantity: nuts.quantity }], bars: [] },
    ])
    const { number } = rows[0]
    expect(number).toMatch(/^\d{4}-001$/)
    expect(after.coming.find((l) => l.key === nuts.key && l.due === '2027-02-01')?.order).toBe(number)
    const sheet = await request(app).get(`/api/shop/orders/${number}.pdf`).expect(200)
    expect(sheet.body.subarray(0, 5).toString()).toBe('%PDF-')
    await request(app).get('/api/shop/orders/2026-999.pdf').expect(404)
    await request(app).post('/api/shop/kit').send({ lines: told, to: 'here' }).expect(200)
    expect((await purchase()).coming.some((l) => l.key === nuts.key && l.due === '2027-02-01')).toBe(false)
    await request(app).post('/api/shop/kit').send({ lines: [], to: 'here' }).expect(422)
    await request(app)
      .post('/api/shop/kit')
      .send({ lines: told, to: { due: 'soon' } })
      .expect(422)
    await request(app)
      .post('/api/shop/kit')
      .send({ lines: [{ ...told[0], jobId: 'nobody' }], to: 'here' })
      .expect(404)
  })
  test('sections are ordered as the bars of the common plan; what was ordered already is on no second order', async () => {
    const tube = (await purchase()).lines.find((l) => l.kind === 'sections')!
    const told = tube.for.map((f) => ({ jobId: f.jobId, key: tube.key, quantity: f.quantity }))
    const send = () =>
      request(app)
        .post('/api/shop/kit')
        .send({ lines: told, to: { due: '2027-03-01' } })
        .expect(200)
    const first = (await send()).body.order
    expect((await send()).body.order).toBeNull()
    const placed = (await request(app).get('/api/shop/orders').expect(200)).body.rows[0]
    expect([placed.number, first.endsWith('-002')]).toEqual([first, true])
    expect(new Set(placed.bars.map((b: { profileId: string }) => `section ${b.profileId}`))).toEqual(new Set([tube.key]))
    // as long as what is cut from them, or the rack gives the rest
    expect(placed.bars.reduce((s: number, b: { count: number; lengthMm: number }) => s + b.count * b.lengthMm, 0)).toBeGreaterThan(0)
  })
  test('two orders at one moment: one each, or one is told to press again; every order that stands is known to each job it is for', async () => {
    const open = (await purchase()).lines.filter((l) => l.kind !== 'sections').slice(0, 2)
    const send = (l: (typeof open)[number]) =>
      request(app)
        .post('/api/shop/kit')
        .send({ lines: l.for.map((f) => ({ jobId: f.jobId, key: l.key, quantity: f.quantity })), to: { due: '2027-04-01' } })
    const answers = await Promise.all(open.map(send))
    for (const a of answers) expect([200, 409]).toContain(a.status)
    const { rows } = (await request(app).get('/api/shop/orders').expect(200)).body as { rows: PlacedOrder[] }
    expect(new Set(rows.map((o) => o.number)).size).toBe(rows.length)
    const jobs = jobStore(db)
    const mine = rows.filter((o) => o.due === '2027-04-01')
    expect(mine.length).toBeGreaterThan(0)
    for (const o of mine)
      for (const l of o.lines) for (const f of l.for) expect((await jobs.get(f.jobId))!.job.kit[l.key]?.order).toBe(o.number)
  })
  test('where every kit is here there is nothing to plan, and it says so', async () => {
    const jobs = jobStore(db)
    for (const { id } of (await purchase()).jobs) {
      const j = (await jobs.get(id))!
      await jobs.save(id, j.revision, { ...j.job, built: { ...j.job.built, cut: { on: '2026-11-01', was: '', took: null } as never } })
    }
    await request(app).get('/api/shop/purchase/bars').expect(409)
    expect((await request(app).get('/api/shop/orders.csv').expect(200)).text.trim().split('\n')).toHaveLength(1)
  })
})
