import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { writeJobFile } from '../core/exchange/jobFile'
import { remnantsCsv } from '../core/exchange/rackCsv'
import { demoJobs } from '../core/job/demoJobs'
import { demoStock } from '../core/stock/demoStock'
import { run } from './cli/run'

const folder = mkdtempSync(join(tmpdir(), 'tideline-cli-'))
const data = join(folder, 'shop.sqlite')
afterAll(() => rmSync(folder, { recursive: true }))
/** The command line in this process, its input handed in. */
const tideline = async (args: string[], input: string | Buffer = '', database = data) => {
  let out = ''
  const done = await run([...args, '--data', database], {
    stdin: () => Buffer.from(input),
    out: (text) => {
      out += text
    },
  })
  return { ...done, out }
}

test('the command itself: help, a calculation by a pipe, exit codes and standard error', () => {
  const command = (args: string[], input = '') => spawnSync('bin/tideline', args, { input, encoding: 'utf8' })
  expect(command(['--help'])).toMatchObject({ status: 0, stderr: '' })
  const answered = command(['calc', 'fraction'], '{"text":"61 5/8 in"}')
  expect(answered.status).toBe(0)
  expect(JSON.parse(answered.stdout).mm).toBeCloseTo(61.625 * 25.4, 6)
  expect(command(['fly'])).toMatchObject({ status: 2, stdout: '', stderr: expect.stringContaining('“fly” is not a command') })
})

describe('calc', () => {
  test('two 3000 mm parts from 6 m with a 3 mm kerf: two bars, proven, exit 0', async () => {
    const given = {
      parts: [{ id: 'a', length: 3000, quantity: 2 }],
      stock: [{ id: 's', length: 6000, price: 10, quantity: null }],
      kerf: 3,
      endTrim: 0,
      timeLimitMs: 1000,
    }
    const { code, out } = await tideline(['calc', 'bar-nesting'], JSON.stringify(given))
    expect([code, JSON.parse(out).bars.length, JSON.parse(out).cost, JSON.parse(out).proven]).toEqual([0, 2, 20, true])
  })
  test.each([
    ['no JSON', '{', 'line 1, column 2'],
    ['a wrong type', '{"text":7}', 'text:'],
    ['nothing', '', 'line 1'],
    ['deep', '['.repeat(100_000), 'JSON'],
    ['too large', `{"text":"${'x'.repeat(2_100_000)}"}`, '2 MB'],
  ])('%s: exit 2, the field on standard error, nothing on standard output', async (_, input, expected) => {
    const { code, out, err } = await tideline(['calc', 'fraction'], input)
    expect([code, out]).toEqual([2, ''])
    expect(err[0]).toContain(expected)
  })
  test('broken UTF-8 is exit 2, no answer is exit 3', async () => {
    expect((await tideline(['calc', 'fraction'], Buffer.from([0x22, 0xc3, 0x28]))).code).toBe(2)
    const impossible = { thickness: 3, insideRadius: 10, kFactor: 0.4, flanges: [40, 5, 40], bends: [{ angle: 90 }, { angle: 90 }] }
    const { code, err } = await tideline(['calc', 'flat-pattern'], JSON.stringify(impossible))
    expect([code, err[0]]).toEqual([3, 'the whole: a flange is shorter than its bends take: lengthen it or use a smaller radius'])
  })
})

test('import, export, backup and restore carry a job round', async () => {
  const file = join(folder, 'job.json')
  writeFileSync(file, writeJobFile(demoJobs[2]!))
  const id = (await tideline(['import', file])).out.trim()
  expect((await tideline(['export', id])).out).toBe(writeJobFile(demoJobs[2]!))
  const backup = join(folder, 'backup.sqlite')
  expect((await tideline(['backup', backup])).code).toBe(0)
  const other = join(folder, 'other.sqlite')
  expect((await tideline(['restore', backup], '', other)).code).toBe(0)
  expect((await tideline(['export', id], '', other)).out).toBe(writeJobFile(demoJobs[2]!))
  writeFileSync(file, writeJobFile(demoJobs[2]!).replace('"light"', '"feather"'))
  expect(await tideline(['import', file])).toMatchObject({ code: 2, out: '' })
})

test('a rack from a table says what it would change, and changes it only when told to', async () => {
  const file = join(folder, 'rack.csv')
  const count = demoStock.remnants.length
  writeFileSync(file, remnantsCsv(demoStock.remnants))
  expect((await tideline(['import', file])).out).toContain(`${count} come, 0 change, 0 go\nnothing was changed`)
  expect((await tideline(['import', file, '--replace'])).out).toContain('the rack was replaced')
  expect((await tideline(['import', file])).out).toContain('0 come, 0 change, 0 go')
  writeFileSync(file, 'nothing of a rack')
  expect(await tideline(['import', file, '--replace'])).toMatchObject({ code: 2 })
  expect((await tideline(['export', 'stock'])).out).toBe(remnantsCsv(demoStock.remnants))
})
