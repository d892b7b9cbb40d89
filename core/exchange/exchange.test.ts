import fc from 'fast-check'
import { expect, test } from 'vitest'
import { cutList } from '../cutList/cutList'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { defaultRules } from '../rules/rules'
import { demoStock } from '../stock/demoStock'
import { cutListCsv, readRemnantsCsv, remnantsCsv } from './csv'
import { readJob, readJobFile, writeJobFile } from './jobFile'

const whereOf = (r: { ok: boolean; faults?: { where: string }[] }) => (r.ok ? [] : (r.faults ?? []).map((f) => f.where))

test('a job goes out and in again unchanged, and the same job twice gives the same bytes', () => {
  for (const job of demoJobs) {
    const back = readJobFile(writeJobFile(job))
    expect(back).toEqual({ ok: true, value: job })
    expect(writeJobFile(back.ok ? back.value : job)).toBe(writeJobFile(job))
  }
})

test('a version 0 file with one pass height becomes a job of today with a passage', () => {
  const { passages: _, ...brief } = demoJobs[0].brief
  const old = { ...demoJobs[0], version: 0, brief: { ...brief, passHeightMm: 2400 } }
  const read = readJob(old)
  expect(read.ok && read.value.brief.passages).toEqual([{ name: 'lowest passage', heightMm: 2400 }])
})

test('a version 1 file with straps that stop sliding aside: every other one stops it the other way', () => {
  const [first, ...rest] = demoJobs[0].brief.cargo
  const side = { wllKg: 250, anchorId: 'rings', angleDeg: 40, way: 'side' }
  const old = {
    ...demoJobs[0],
    version: 1,
    brief: {
      ...demoJobs[0].brief,
      cargo: [{ ...first, securing: { by: 'straps', straps: [side, side, { ...side, way: 'over' }] } }, ...rest],
    },
  }
  const read = readJob(old)
  expect(read.ok && read.value.version).toBe(2)
  expect(read.ok && read.value.brief.cargo[0]!.securing?.straps.map((s) => [s.way, s.atMm])).toEqual([
    ['left', null],
    ['right', null],
    ['over', null],
  ])
})

test('a broken file says where: line and column, field path, or the version', () => {
  const text = writeJobFile(demoJobs[0])
  expect(whereOf(readJobFile(text.slice(0, 400)))[0]).toMatch(/^line \d+, column \d+$/)
  expect(whereOf(readJobFile('[1]'))).toHaveLength(1)
  expect(whereOf(readJobFile(text.replace('"lengthMm": 3400', '"lengthMm": -3')))).toEqual(['brief.cargo[0].lengthMm'])
  expect(whereOf(readJobFile(text.replace('"version": 2', '"version": 9')))).toEqual(['version'])
})

test('no text makes the reader throw', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 200 }), (t) => {
      expect(readJobFile(t).ok).toBe(false)
    }),
  )
  fc.assert(
    fc.property(fc.json(), (t) => {
      expect(readJobFile(t).ok).toBe(false)
    }),
  )
})

test('the rack goes out as CSV and comes in the same', () => {
  const read = readRemnantsCsv(remnantsCsv(demoStock.remnants))
  expect(read).toEqual({ ok: true, value: demoStock.remnants })
})

test('one bad line refuses the whole file and names line and column', () => {
  const good = 'id,profile_id,length_mm,quantity\na,round-25x2-steel,1200,1\n'
  expect(readRemnantsCsv(good).ok).toBe(true)
  expect(whereOf(readRemnantsCsv(`${good}b,round-25x2-steel,-5,1\n`))).toEqual(['line 3, length_mm'])
  expect(whereOf(readRemnantsCsv(`${good}b,no-such-tube,5,1\n`))).toEqual(['line 3, profile_id'])
  expect(whereOf(readRemnantsCsv(`${good}a,round-25x2-steel,5,1\n`))).toEqual(['line 3, id'])
  expect(whereOf(readRemnantsCsv('length_mm\n5\n'))).toEqual(['line 1'])
})

test('a grade that is not given is “unknown alloy”, so that it is never planned', () => {
  const read = readRemnantsCsv('id,profile_id,length_mm,quantity\na,round-25x2-steel,1200,1\n')
  expect(read.ok && read.value[0].grade).toBe('unknown alloy')
})

test('the cut list of the survey van has a header and three bars; a cell that looks like a formula is defused', () => {
  const parts = cutList(evaluate(demoJobs[0], defaultRules).assembly)
  const lines = cutListCsv(parts).trim().split('\n')
  expect(lines).toHaveLength(4)
  expect(lines[1]).toContain('B1,Crossbar')
  expect(cutListCsv([{ ...parts[0], name: '=1+1' }])).toContain("'=1+1")
})
