import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import { cutList } from '../cutList/cutList'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { madeAssembly } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { flatKinds } from '../sheetNesting/sheetPlan'
import { demoStock } from '../stock/demoStock'
import { StockSchema } from '../stock/stock'
import { cutListCsv } from './csv'
import { readJob, readJobFile, writeJobFile } from './jobFile'
import { rackDifference, readRemnantsCsv, remnantsCsv, sheetsCsv } from './rackCsv'

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
  expect(read.ok && read.value.version).toBe(3)
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
  expect(whereOf(readJobFile(text.replace('"version": 3', '"version": 9')))).toEqual(['version'])
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
  expect(read.ok && read.value.remnants).toEqual(demoStock.remnants)
  expect(read.ok && rackDifference(demoStock.remnants, read.value.remnants)).toEqual([])
})

test('one bad line refuses the whole file and names line and column', () => {
  const good = 'id,profile_id,length_mm,quantity\na,round-25x2-steel,1200,1\n'
  expect(readRemnantsCsv(good).ok).toBe(true)
  expect(whereOf(readRemnantsCsv(`${good}b,round-25x2-steel,-5,1\n`))).toEqual(['line 3, length_mm'])
  expect(whereOf(readRemnantsCsv(`${good}b,no-such-tube,5,1\n`))).toEqual(['line 3, profile_id'])
  expect(whereOf(readRemnantsCsv(`${good}a,round-25x2-steel,5,1\n`))).toEqual(['line 3, id'])
  expect(whereOf(readRemnantsCsv('length_mm\n5\n'))).toEqual(['line 1'])
})

describe('numbers as people write them', () => {
  const head = 'id;profile_id;length_mm;quantity\n'
  const lengths = (cells: string[], unit: 'mm' | 'in' | null = null, column = 'length_mm') => {
    const read = readRemnantsCsv(head.replace('length_mm', column) + cells.map((c, i) => `p${i};round-25x2-steel;${c};1`).join('\n'), unit)
    return read.ok ? read.value.remnants.map((r) => Math.round(r.lengthMm * 1000) / 1000) : whereOf(read)
  }
  test.each([
    ['a decimal comma', ['1250,5', '980'], [1250.5, 980]],
    ['thousands by a point, decimals by a comma', ['1.250,5', '2.980,0'], [1250.5, 2980]],
    ['thousands by a comma, decimals by a point', ['1,250.5', '980.0'], [1250.5, 980]],
    ['three figures behind a comma and nothing else: thousands, for no offcut is 1.25 mm', ['1,250', '2,980'], [1250, 2980]],
    ['three figures behind a comma beside a clear decimal comma: decimals', ['1250,250', '980,5'], [1250.25, 980.5]],
    ['a cell with its own unit', ['61 5/8 in', '1.57 m'], [1565.275, 1570]],
  ])('%s', (_, cells, mm) => expect(lengths(cells)).toEqual(mm))
  test('hexadecimal, exponents and words are no lengths, and each is named', () =>
    expect(lengths(['0x10', '1e3', 'long'])).toEqual(['line 2, length_mm', 'line 3, length_mm', 'line 4, length_mm']))
  test('a column in inches, and a column that somebody says is in inches', () => {
    expect(lengths(['61.625'], null, 'length_in')).toEqual([1565.275])
    expect(lengths(['61.625'], 'in')).toEqual([1565.275])
  })
  test('a whole file of lengths under 300 mm is doubted; what was understood is said', () => {
    const read = readRemnantsCsv(`${head}a;round-25x2-steel;61,625;2\nb;round-25x2-steel;48,5;1`)
    expect(read.ok && read.value.doubtful).toContain('inches?')
    expect(read.ok && read.value.understood).toEqual([
      '2 lines, 3 pieces, {48.5} to {61.625} long',
      'numbers without a unit are millimetres',
      'a comma is the decimal sign',
    ])
  })
  test('an empty file would empty the rack: it is refused', () => {
    expect(whereOf(readRemnantsCsv(head))).toEqual(['the whole'])
    expect(whereOf(readRemnantsCsv(''))).toEqual(['line 1'])
  })
  test('what would change is listed: one comes, one goes, one changes', () => {
    const [a, b, c] = demoStock.remnants
    const after = [{ ...a!, quantity: a!.quantity + 1 }, c!, { ...b!, id: 'new' }]
    expect(rackDifference([a!, b!, c!], after).map((d) => [d.id, d.what])).toEqual([
      [a!.id, 'changes'],
      [b!.id, 'goes'],
      ['new', 'comes'],
    ])
  })
})

test('two lines with one id, or an offcut named like a length on sale, are no rack', () => {
  const twice = { sale: [], remnants: [demoStock.remnants[0]!, demoStock.remnants[0]!] }
  expect(StockSchema.safeParse(twice).error?.issues[0]?.message).toContain('give it one of its own')
  const like = { sale: [{ ...demoStock.sale[0]!, id: demoStock.remnants[0]!.id }], remnants: [demoStock.remnants[0]!] }
  expect(StockSchema.safeParse(like).success).toBe(false)
  expect(StockSchema.safeParse(demoStock).success).toBe(true)
})

test('a grade that is not given is “unknown alloy”, so that it is never planned', () => {
  const read = readRemnantsCsv('id,profile_id,length_mm,quantity\na,round-25x2-steel,1200,1\n')
  expect(read.ok && read.value.remnants[0].grade).toBe('unknown alloy')
})

test('the cut list of the survey van has a header and three bars; a cell that looks like a formula is defused', () => {
  const parts = cutList(evaluate(demoJobs[0], defaultRules).assembly)
  const lines = cutListCsv(parts, []).trim().split('\n')
  expect(lines).toHaveLength(4)
  expect(lines[1]).toContain('B1,Crossbar')
  // each length in both units: 1270 mm is 50 in
  expect(cutListCsv([{ ...parts[0], lengthMm: 1270 }], [])).toContain(',1270,50,')
  expect(cutListCsv([{ ...parts[0], name: '=1+1' }], [])).toContain("'=1+1")
})

test('flat parts stand below the bars, each kind once by the box of its blank', () => {
  const hive = demoJobs.find((j) => j.title.startsWith('Half guard'))!
  const kinds = flatKinds(madeAssembly(hive, defaultRules), defaultRules)
  const rows = cutListCsv([], kinds)
    .trim()
    .split('\n')
    .slice(1)
    .map((l) => Papa.parse<string[]>(l).data[0]!)
  expect(rows.map((r) => [r[0], r[7]])).toEqual([
    ['B-BO', '1'],
    ['B-EN', '2'],
    ['B-DV', '1'],
    ['B-LD', '1'],
    ['B-BR', '7'],
  ])
  expect(rows[0]![2]).toBe('Aluminium 5052-H32 sheet, 2.03 mm')
  for (const [i, r] of rows.entries()) {
    expect(Number(r[3]) / 25.4).toBeCloseTo(Number(r[4]), 2)
    expect([Number(r[3]), Number(r[9])]).toEqual([kinds[i]!.flatMm.x, kinds[i]!.flatMm.y].map((v) => expect.closeTo(v, 1)))
  }
})

test('begun sheets go out with their sizes in mm and in inches, a comma in a note kept in one field', () => {
  const sheet = { ...demoStock.sheets[0]!, thicknessMm: 2, lengthMm: 1016, widthMm: 508, note: 'left from wall, second' }
  const [head, row] = Papa.parse<string[]>(sheetsCsv([sheet]).trim()).data
  const of = Object.fromEntries(head!.map((name, i) => [name, row![i]]))
  expect([of.length_mm, of.width_mm, of.length_in, of.width_in, of.thickness_in, of.note]).toEqual([
    '1016',
    '508',
    '40',
    '20',
    '0.0787',
    'left from wall, second',
  ])
})
