import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { writeJobFile } from '../core/exchange/jobFile'
import { demoJobs } from '../core/job/demoJobs'

const folder = mkdtempSync(join(tmpdir(), 'tideline-cli-'))
const data = join(folder, 'shop.sqlite')
afterAll(() => rmSync(folder, { recursive: true }))
const tideline = (args: string[], input: string | Buffer = '') => {
  const done = spawnSync('bin/tideline', [...args, '--data', data], { input, encoding: 'utf8' })
  return { code: done.status, out: done.stdout, err: done.stderr.trim().split('\n') }
}

describe('calc', () => {
  test('two 3000 mm parts from 6 m with a 3 mm kerf: two bars, proven, exit 0', () => {
    const given = {
      parts: [{ id: 'a', length: 3000, quantity: 2 }],
      stock: [{ id: 's', length: 6000, price: 10, quantity: null }],
      kerf: 3,
      endTrim: 0,
      timeLimitMs: 1000,
    }
    const { code, out } = tideline(['calc', 'bar-nesting'], JSON.stringify(given))
    expect([code, JSON.parse(out).bars.length, JSON.parse(out).cost, JSON.parse(out).proven]).toEqual([0, 2, 20, true])
  })
  test.each([
    ['no JSON', '{', 'line 1, column 2'],
    ['a wrong type', '{"text":7}', 'text:'],
    ['nothing', '', 'line 1'],
    ['deep', '['.repeat(100_000), 'JSON'],
    ['too large', `{"text":"${'x'.repeat(2_100_000)}"}`, '2 MB'],
  ])('%s: exit 2, the field on standard error, nothing on standard output', (_, input, expected) => {
    const { code, out, err } = tideline(['calc', 'fraction'], input)
    expect([code, out]).toEqual([2, ''])
    expect(err[0]).toContain(expected)
  })
  test('broken UTF-8 is exit 2, no answer is exit 3', () => {
    expect(tideline(['calc', 'fraction'], Buffer.from([0x22, 0xc3, 0x28])).code).toBe(2)
    const impossible = { thickness: 3, insideRadius: 10, kFactor: 0.4, flanges: [40, 5, 40], bends: [{ angle: 90 }, { angle: 90 }] }
    const { code, err } = tideline(['calc', 'flat-pattern'], JSON.stringify(impossible))
    expect([code, err[0]]).toEqual([3, 'the whole: a flange is shorter than its bends take: lengthen it or use a smaller radius'])
  })
})

test('import, export, backup and restore carry a job round', () => {
  const file = join(folder, 'job.json')
  writeFileSync(file, writeJobFile(demoJobs[2]))
  const id = tideline(['import', file]).out.trim()
  expect(tideline(['export', id]).out).toBe(writeJobFile(demoJobs[2]))
  const backup = join(folder, 'backup.sqlite')
  expect(tideline(['backup', backup]).code).toBe(0)
  const other = spawnSync('bin/tideline', ['restore', backup, '--data', join(folder, 'other.sqlite')], { encoding: 'utf8' })
  expect(other.status).toBe(0)
  expect(spawnSync('bin/tideline', ['export', id, '--data', join(folder, 'other.sqlite')], { encoding: 'utf8' }).stdout).toBe(
    writeJobFile(demoJobs[2]),
  )
  writeFileSync(file, writeJobFile(demoJobs[2]).replace('"light"', '"feather"'))
  expect(tideline(['import', file])).toMatchObject({ code: 2, out: '' })
  expect(tideline(['fly'])).toMatchObject({ code: 2 })
})
