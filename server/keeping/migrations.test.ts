import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import knex from 'knex'
import { expect, test } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import { jobStore } from '../jobs/jobStore'
import { migrationSource } from './migrations'
import { openStore } from './openStore'

test('a database of the first release is brought up to date with its jobs in it, and opening it again changes nothing', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'tideline-migrate-'))
  const filename = join(folder, 'old.sqlite')
  const old = knex({ client: 'better-sqlite3', connection: { filename }, useNullAsDefault: true })
  const [first] = await migrationSource.getMigrations([])
  await old.migrate.latest({ migrationSource: { ...migrationSource, getMigrations: async () => [first] } })
  const now = new Date().toISOString()
  // as the first release kept it: a vehicle without bodies, measures or readings
  const { measures: _m, bodies: _b, onBoard: _o, traces: _t, tyres: _y, revision: _r, ...vehicle } = demoJobs[0].vehicle
  const document = JSON.stringify({ ...demoJobs[0], vehicle })
  await old('jobs').insert({
    id: 'j',
    revision: 7,
    document,
    title: 't',
    client: 'c',
    station: 'layout',
    due: null,
    archived: 0,
    created_at: now,
    updated_at: now,
  })
  expect(await old.schema.hasTable('photos')).toBe(false)
  await old.destroy()

  for (let turn = 0; turn < 2; turn++) {
    const db = await openStore(filename)
    expect(await db.schema.hasTable('photos')).toBe(true)
    const kept = await jobStore(db).get('j')
    expect(kept?.revision).toBe(7)
    expect(kept?.job.vehicle).toMatchObject({ bodies: [], onBoard: [], measures: {}, revision: 1 })
    expect(kept?.job.brief).toEqual(demoJobs[0].brief)
    // found by its vehicle, which the first release did not search
    const query = { station: null, state: null, archived: false, today: '2026-11-26', offset: 0, limit: 9 }
    const found = (search: string) => jobStore(db).list({ ...query, search })
    expect([(await found('tall long')).total, (await found('tall short')).total]).toEqual([1, 0])
    await db.destroy()
  }
  rmSync(folder, { recursive: true })
})

test('vehicles kept with a carrier in the receiver keep it as masses on board; one that nobody can read stays as it is kept', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'tideline-migrate-'))
  const filename = join(folder, 'old.sqlite')
  const old = knex({ client: 'better-sqlite3', connection: { filename }, useNullAsDefault: true })
  const before = (await migrationSource.getMigrations([])).filter((m) => migrationSource.getMigrationName(m) < '007')
  await old.migrate.latest({ migrationSource: { ...migrationSource, getMigrations: async () => before } })
  const carrier = {
    pinXMm: -1300,
    massKg: 21,
    centreBehindMm: 300,
    zMm: 520,
    endBehindMm: 700,
    bottomZMm: 400,
    loads: [{ name: 'box', massKg: 30, behindMm: null, zMm: 900 }],
  }
  const vehicles = [{ ...demoJobs[0].vehicle, carrier }, demoJobs[1].vehicle]
  await old('shelves').where({ name: 'vehicles' }).delete()
  await old('shelves').insert({ name: 'vehicles', revision: 3, document: JSON.stringify(vehicles), updated_at: '2026-11-01' })
  await old('vehicle_revisions').insert({ vehicle_id: 'odd', revision: 1, document: '{ not json', replaced_at: '2026-11-01' })
  await old.destroy()

  const db = await openStore(filename)
  const row = (await db('shelves').where({ name: 'vehicles' }).first()) as { document: string }
  const [first, second] = JSON.parse(row.document) as {
    carrier?: unknown
    onBoard: { name: string; massKg: number; xMm: number | null; zMm: number }[]
  }[]
  expect(first).not.toHaveProperty('carrier')
  expect(first!.onBoard.slice(-2)).toEqual([
    { name: 'hitch carrier', massKg: 21, xMm: -1600, zMm: 520 },
    { name: 'box', massKg: 30, xMm: null, zMm: 900 },
  ])
  expect(second).toEqual(JSON.parse(JSON.stringify(demoJobs[1].vehicle)))
  expect(((await db('vehicle_revisions').where({ vehicle_id: 'odd' }).first()) as { document: string }).document).toBe('{ not json')
  await db.destroy()
  rmSync(folder, { recursive: true })
})
