import fc from 'fast-check'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { piecesOf } from '../../core/issuedPlan/planMoved'
import { demoJobs } from '../../core/job/demoJobs'
import { evaluate } from '../../core/job/evaluate'
import { patchedParams } from '../../core/job/piecesOf'
import type { CutPlan } from '../../core/nesting/planCuts'
import { defaultRules } from '../../core/rules/rules'
import { demoStock } from '../../core/stock/demoStock'
import { type Stock, StockSchema } from '../../core/stock/stock'
import { openStore } from '../keeping/openStore'
import { shelfStore } from '../shelves/shelfStore'
import { inProcess } from '../workshop/inProcess'
import type { Workshop } from '../workshop/workshop'
import { issuedStore, rackAfter } from './issuedStore'
import { jobStore } from './jobStore'
import { verdictKeeper } from './verdictKeeper'

const quiet = () => undefined
const profileId = 'square-40x3-steel'
const planOf = (used: [string, number, number][], offcuts: [number, number][]): CutPlan => ({
  profiles: [],
  costMinor: 0,
  plainCostMinor: null,
  proven: true,
  complete: true,
  utilisation: 1,
  purchases: [],
  used: used.map(([remnantId, lengthMm, count]) => ({ remnantId, profileId, lengthMm, grade: 'clean' as const, place: 'rack 1', count })),
  offcuts: offcuts.map(([lengthMm, count]) => ({ profileId, lengthMm, grade: 'clean' as const, count })),
})
const rack = (pieces: [string, number, number][]): Stock => ({
  sheets: [],
  sale: [],
  remnants: pieces.map(([id, lengthMm, quantity]) => ({
    id,
    profileId,
    lengthMm,
    quantity,
    grade: 'clean' as const,
    place: 'rack 1',
    note: '',
  })),
})
const count = (s: Stock) => s.remnants.reduce((n, r) => n + r.quantity, 0)

describe('the rack', () => {
  test('a piece of 1705 is used and one of 420 comes back: 2 → 1, and 1 new', () => {
    const after = rackAfter(rack([['a', 1705, 2]]), planOf([['a', 1705, 1]], [[420, 1]]), 'Spar carrier', 1)!
    expect(after.remnants.map((r) => [r.lengthMm, r.quantity])).toEqual([
      [1705, 1],
      [420, 1],
    ])
    expect(after.remnants[1]).toMatchObject({ place: 'by the saw', note: 'left from Spar carrier' })
  })
  test('the last piece leaves no empty row; taken back it stands there again', () => {
    const plan = planOf([['a', 1705, 1]], [])
    const gone = rackAfter(rack([['a', 1705, 1]]), plan, 'x', 1)!
    expect(gone.remnants).toEqual([])
    expect(rackAfter(gone, plan, 'x', -1)!.remnants).toMatchObject([{ id: 'a', lengthMm: 1705, quantity: 1, place: 'rack 1' }])
  })
  test('pieces that are not there cannot be used, and an offcut already cut up cannot be taken back', () => {
    expect(rackAfter(rack([['a', 1705, 1]]), planOf([['a', 1705, 2]], []), 'x', 1)).toBeNull()
    expect(rackAfter(rack([]), planOf([], [[420, 1]]), 'x', -1)).toBeNull()
  })
  test('an offcut whose name already stands for something else on the rack, or for a length on sale, gets a line of its own', () => {
    const stock = rack([[`${profileId}#420#clean`, 999, 2]])
    const plan = planOf([], [[420, 3]])
    const after = rackAfter(stock, plan, 'x', 1)!
    expect(after.remnants.map((r) => [r.id, r.lengthMm, r.quantity])).toEqual([
      [`${profileId}#420#clean`, 999, 2],
      [`${profileId}#420#clean#2`, 420, 3],
    ])
    const back = rackAfter(after, plan, 'x', -1)!
    expect(back.remnants).toEqual(stock.remnants)
    const sold = { ...rack([]), sale: [{ id: `${profileId}#420#clean`, profileId, lengthMm: 6000, priceMinor: 1 }] }
    expect(StockSchema.safeParse(rackAfter(sold, plan, 'x', 1)).success).toBe(true)
  })
  test('accepted and taken back, the rack holds what it held', () => {
    const pieces = fc.array(fc.tuple(fc.integer({ min: 300, max: 3000 }), fc.integer({ min: 1, max: 4 })), { maxLength: 6 })
    fc.assert(
      fc.property(pieces, pieces, (held, came) => {
        const stock = rack(held.map(([l, n], i) => [`p${i}`, l, n]))
        const plan = planOf(
          held.map(([l, n], i) => [`p${i}`, l, n]),
          came,
        )
        const after = rackAfter(stock, plan, 'x', 1)!
        expect(count(after)).toBe(came.reduce((s, [, n]) => s + n, 0))
        expect(count(rackAfter(after, plan, 'x', -1)!)).toBe(count(stock))
      }),
    )
  })
})

describe('in the database', () => {
  let db: Knex
  beforeAll(async () => {
    db = await openStore(':memory:')
  })
  afterAll(async () => {
    await db.destroy()
  })
  test('a plan made against an older rack is refused; one open plan a job; the job it was made from is kept as it was', async () => {
    const [shelves, jobs] = [shelfStore(db), jobStore(db)]
    const issued = issuedStore(db, shelves)
    await shelves.put('stock', 0, demoStock)
    const job = await jobs.create(demoJobs[2])
    const plan = planOf([['square-40x3-steel#1705', 1705, 1]], [[830, 1]])
    const accepting = { job: job.job, plan, saw: { kerfMm: 2.4, endTrimMm: 5 }, pieces: [], reason: 'for the fair', goesOnFrom: null }
    expect(await issued.accept(job.id, 1, accepting, 0)).toEqual({ ok: false, reason: 'stock-changed' })
    const first = await issued.accept(job.id, 1, accepting, 1)
    expect(first).toMatchObject({ ok: true, stockRevision: 2 })
    // the saw it was set to and the reason stay with it, whatever the rules say later
    expect((await issued.ofJob(job.id))[0]).toMatchObject({ saw: { kerfMm: 2.4, endTrimMm: 5 }, reason: 'for the fair' })
    // a job that was saved meanwhile is not what was planned
    expect(await issued.accept(job.id, 7, accepting, 2)).toEqual({ ok: false, reason: 'job-changed' })
    expect(await issued.accept(job.id, 1, accepting, 2)).toEqual({ ok: false, reason: 'already' })
    const id = first.ok ? first.issued.id : ''
    expect(await issued.takeBack('other', id)).toEqual({ ok: false, reason: 'missing' })
    expect(await issued.takeBack(job.id, id)).toMatchObject({ ok: true, stockRevision: 3 })
    expect(await issued.takeBack(job.id, id)).toEqual({ ok: false, reason: 'already' })
    expect((await issued.ofJob(job.id)).map((i) => i.takenBackAt !== null)).toEqual([true])
  })
  test('a plan that goes on from another: the rack holds what this one leaves, never both; taken back the first stands again, and the rack with it', async () => {
    const [shelves, jobs] = [shelfStore(db), jobStore(db)]
    const issued = issuedStore(db, shelves)
    const { id, job } = await jobs.create(demoJobs[1])
    const rack = async () => {
      const { revision, document } = await shelves.get('stock')
      return { revision, of: (mm: number) => document.remnants.find((r) => r.lengthMm === mm)?.quantity ?? 0 }
    }
    const accept = async (came: [number, number][], goesOnFrom: string | null) =>
      issued.accept(
        id,
        1,
        { job, plan: planOf([], came), saw: { kerfMm: 3, endTrimMm: 5 }, pieces: [], reason: '', goesOnFrom },
        (await rack()).revision,
      )
    const first = await accept([[1484, 1]], null)
    const firstId = first.ok ? first.issued.id : ''
    expect((await rack()).of(1484)).toBe(1)
    // of a plan that does not stand nothing goes on
    expect(await accept([[484, 1]], 'another')).toEqual({ ok: false, reason: 'already' })
    const second = await accept([[484, 1]], firstId)
    expect(second.ok).toBe(true)
    expect([(await rack()).of(1484), (await rack()).of(484)]).toEqual([0, 1])
    expect((await issued.ofJob(id)).map((p) => p.takenBackAt === null)).toEqual([true, false])
    await issued.takeBack(id, second.ok ? second.issued.id : '')
    expect([(await rack()).of(1484), (await rack()).of(484)]).toEqual([1, 0])
    expect((await issued.ofJob(id)).find((p) => p.takenBackAt === null)?.id).toBe(firstId)
    // what another job took off the rack meanwhile is not there to be given back
    const short = await rack()
    await shelves.put('stock', short.revision, { ...(await shelves.get('stock')).document, remnants: [] })
    expect(await accept([[484, 1]], firstId)).toEqual({ ok: false, reason: 'rack-short' })
  })
  test('a job that moves after its plan was accepted says so on the Slipway, piece by piece counted; taken back it does not', async () => {
    const [shelves, jobs] = [shelfStore(db), jobStore(db)]
    const issued = issuedStore(db, shelves)
    const { id } = await jobs.create(demoJobs[3])
    const pieces = piecesOf(evaluate(demoJobs[3], defaultRules).assembly)
    const { revision } = await shelves.get('stock')
    const done = await issued.accept(
      id,
      1,
      { job: demoJobs[3], plan: planOf([], []), saw: { kerfMm: 3, endTrimMm: 5 }, pieces, reason: '', goesOnFrom: null },
      revision,
    )
    const keeper = verdictKeeper(db, inProcess(), quiet)
    await keeper.settled()
    const row = async () =>
      (
        await jobs.list({ search: 'Panel', station: null, state: null, archived: false, today: '2026-11-24', offset: 0, limit: 9 })
      ).rows.find((r) => r.id === id)!
    expect(await row()).toMatchObject({ moved: 0, judged: true })
    const longer = patchedParams(demoJobs[3], 'p1', { overhangMm: 95 })
    await jobs.save(id, 1, longer)
    // until it is worked out anew it is neither clear nor over
    expect((await row()).judged).toBe(false)
    await keeper.settled()
    expect(await row()).toMatchObject({ judged: true, moved: 5 })
    await issued.takeBack(id, done.ok ? done.issued.id : '')
    expect((await row()).moved).toBe(0)
    // a verdict that is missing is not clear: it is not worked out yet
    await db('verdicts').where({ job_id: id }).delete()
    expect((await row()).judged).toBe(false)
  })
  test('after a change of the rules every verdict is worked out again, and verdicts of an older program are thrown away', async () => {
    const [shelves, jobs] = [shelfStore(db), jobStore(db)]
    const keeper = verdictKeeper(db, inProcess(), quiet)
    await jobs.create(demoJobs[0])
    await keeper.settled()
    const overs = async () =>
      (await jobs.list({ search: 'Pole', station: null, state: null, archived: false, today: '2026-11-24', offset: 0, limit: 9 })).rows[0]
        .over
    const before = await overs()
    await shelves.put('rules', 0, { ...(await shelves.get('rules')).document, roughG: 1, bumpG: 1 })
    const rough = (
      await jobs.list({ search: 'Pole', station: null, state: 'unknown', archived: false, today: '2026-11-24', offset: 0, limit: 9 })
    ).rows
    // made under older rules it no longer stands, and is found under what is not known
    expect(rough.map((r) => r.judged)).toEqual([false])
    await keeper.settled()
    expect(await overs()).toBeLessThan(before)
    await db.raw('pragma user_version = 0')
    await keeper.start()
    expect((await db('verdicts').count({ n: '*' }))[0]).toEqual({ n: 0 })
    keeper.refresh()
    await keeper.close()
  })
  test('a tick, a date or a word asks for no other verdict, and the one that stands is of the new revision; a design that changed is judged', async () => {
    const jobs = jobStore(db)
    const real = inProcess()
    let judged = 0
    const counting: Workshop = {
      ...real,
      run: (task, how) => {
        judged++
        return real.run(task, how)
      },
    }
    const keeper = verdictKeeper(db, counting, quiet)
    const { id } = await jobs.create(demoJobs[2]!)
    const save = async (over: Partial<(typeof demoJobs)[number]>) => {
      const { job, revision } = (await jobs.get(id))!
      await jobs.save(id, revision, { ...job, ...over })
      await keeper.settled()
    }
    await save({ notes: 'as the page writes it' })
    const first = judged
    await save({
      notes: 'rang',
      due: '2027-05-01',
      kit: { nuts: { here: 3, due: null, said: '' } },
      built: { buy: { on: '2026-11-30', was: '' } as never },
    })
    expect(judged).toBe(first)
    const row = async () =>
      await db('verdicts').join('jobs', 'jobs.id', 'verdicts.job_id').where({ job_id: id }).first('job_revision', 'jobs.revision', 'over')
    expect((await row()).job_revision).toBe((await row()).revision)
    await save({ brief: { ...demoJobs[2]!.brief, cargo: [] } })
    expect(judged).toBe(first + 1)
    await keeper.close()
  })
  test('no limit of any demo job hangs on what changes from day to day', () => {
    for (const job of demoJobs) {
      const daily = {
        ...job,
        due: '2030-01-01',
        notes: 'x',
        start: '2029-01-01',
        bringsOn: '2029-06-01',
        ahead: true,
        kit: {},
        built: { cut: { on: '2026-11-30', was: '' } as never },
      }
      expect(evaluate(daily, defaultRules).limits, job.title).toEqual(evaluate(job, defaultRules).limits)
    }
  })
  test('one job that cannot be worked out is marked with the reason and keeps no other waiting; the ones looked at come first', async () => {
    const jobs = jobStore(db)
    const [broken, looked] = [await jobs.create(demoJobs[1]), await jobs.create(demoJobs[2])]
    await db('job_documents').where({ job_id: broken.id }).update({ document: '{"format":"rust"}' })
    await db('verdicts').delete()
    const order: string[] = []
    const shop = inProcess()
    const watched: Workshop = {
      ...shop,
      run: (task) => {
        if (task.kind === 'verdict') order.push(task.document)
        return shop.run(task)
      },
    }
    const keeper = verdictKeeper(db, watched, quiet)
    keeper.refresh([looked.id])
    await keeper.settled()
    expect(JSON.parse(order[0]!).title).toBe(demoJobs[2].title)
    const rows = (await jobs.list({ search: '', station: null, state: null, archived: false, today: '2026-11-24', offset: 0, limit: 99 }))
      .rows
    expect(rows.filter((r) => r.judged && !r.fault)).toHaveLength(rows.length - 1)
    expect(rows.find((r) => r.id === broken.id)).toMatchObject({ judged: true, fault: expect.stringContaining('format') })
    // opened it says what does not fit; as it is kept it can still be had
    await expect(jobs.get(broken.id)).rejects.toThrow('this job cannot be read')
    expect(await jobs.rawDocument(broken.id)).toBe('{"format":"rust"}')
  })
})

test('two saves from one revision at the same moment: one is taken, the other is told', async () => {
  const db = await openStore(':memory:')
  const jobs = jobStore(db)
  const { id, job } = await jobs.create(demoJobs[0])
  const results = await Promise.all(['a', 'b', 'c', 'd'].map((notes) => jobs.save(id, 1, { ...job, notes })))
  expect(results.filter((r) => r.ok)).toHaveLength(1)
  expect(results.filter((r) => !r.ok && r.reason === 'older')).toHaveLength(3)
  expect((await jobs.get(id))?.revision).toBe(2)
  expect(await jobs.save('none', 1, job)).toEqual({ ok: false, reason: 'missing' })
  await db.destroy()
})
