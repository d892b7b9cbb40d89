import type { Knex } from 'knex'
import request from 'supertest'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { demoStock } from '../../core/stock/demoStock'
import { createApp } from '../app'
import { fillDemo } from '../demo/fillDemo'
import { openStore } from '../keeping/openStore'
import { inProcess } from '../workshop/inProcess'
import { shelfStore } from './shelfStore'

let db: Knex
let app: ReturnType<typeof createApp>
const faults: unknown[] = []
beforeAll(async () => {
  db = await openStore(':memory:')
  await fillDemo(db)
  app = createApp({ db, workshop: inProcess(), webFolder: null, log: (e) => faults.push(e) })
})
afterAll(() => db.destroy())
const piece = { ...demoStock.remnants[0]!, id: 'one' }

describe('whoever writes a shelf, it reads again', () => {
  const stocks: [string, object, RegExp][] = [
    ['an offcut of no length', { ...demoStock, remnants: [{ ...piece, lengthMm: 0 }] }, /1 mm or more/],
    ['more of it than the schema takes', { ...demoStock, remnants: [{ ...piece, quantity: 10_001 }] }, /10000/],
    ['two lines of one name', { ...demoStock, remnants: [piece, piece] }, /give it one of its own/],
    ['an offcut named like a length on sale', { ...demoStock, remnants: [{ ...piece, id: demoStock.sale[0]!.id }] }, /a length on sale/],
    ['too many lines', { ...demoStock, remnants: Array.from({ length: 5001 }, (_, i) => ({ ...piece, id: `r${i}` })) }, /5000/],
  ]
  test.each(stocks)('%s is refused by the route and by the store, with its place', async (_, document, words) => {
    const { revision } = (await request(app).get('/api/shelves/stock')).body
    // the largest of them is beyond what a request may bring: the store is asked as a plan or a command would ask it
    await expect(shelfStore(db).put('stock', revision, document as never)).rejects.toThrow(words)
    expect((await request(app).get('/api/shelves/stock')).body.revision).toBe(revision)
  })
})

describe('a shelf that is kept and cannot be read', () => {
  test('says so with its places, keeps nothing else waiting, is fetched as it is, and is written over once put right', async () => {
    const broken = { ...demoStock, remnants: [{ ...piece, lengthMm: -4 }] }
    await db('shelves')
      .where({ name: 'stock' })
      .update({ document: JSON.stringify(broken) })
    const refused = await request(app).get('/api/shelves/stock')
    expect(refused.status).toBe(409)
    expect(refused.body).toMatchObject({ revision: 1, unreadable: [{ where: 'remnants[0].lengthMm', expected: 'must be 1 mm or more' }] })
    expect(refused.body.faults[0]).toMatchObject({
      where: 'the shelf “Stock rack”',
      expected: expect.stringContaining('remnants[0].lengthMm'),
    })
    for (const path of ['/api/jobs', '/api/shelves/rules', '/api/shelves/vehicles', '/api/shelves/parts'])
      expect([path, (await request(app).get(path)).status]).toEqual([path, 200])
    const asKept = await request(app).get('/api/shelves/stock/as-kept.json')
    expect(asKept.body).toEqual(JSON.parse(JSON.stringify(broken)))
    // still wrong it is not taken, put right it is
    expect((await request(app).put('/api/shelves/stock').send({ revision: 1, document: asKept.body })).status).toBe(422)
    const right = { ...asKept.body, remnants: [{ ...asKept.body.remnants[0], lengthMm: 400 }] }
    expect((await request(app).put('/api/shelves/stock').send({ revision: 1, document: right })).status).toBe(200)
    expect((await request(app).get('/api/shelves/stock')).body.document.remnants[0].lengthMm).toBe(400)
  })
  test('no JSON at all is no different', async () => {
    await db('shelves').where({ name: 'vehicles' }).update({ document: '{' })
    expect((await request(app).get('/api/shelves/vehicles')).status).toBe(409)
    const { revision } = (await request(app).get('/api/shelves/vehicles')).body
    expect((await request(app).put('/api/shelves/vehicles').send({ revision, document: [] })).status).toBe(200)
    expect((await request(app).get('/api/shelves/vehicles')).body.document).toEqual([])
  })
})
