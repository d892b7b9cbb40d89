import Papa from 'papaparse'
import { profileOf } from '../catalogue/profiles'
import { type CutPart, endText } from '../cutList/cutList'
import { type Fault, faultsOf, MAX_FILE_BYTES, type Read } from '../issue/faults'
import { trim } from '../quantity/formatQuantity'
import { type Remnant, RemnantSchema } from '../stock/stock'

/** A cell that a spreadsheet would run as a formula is written as text. */
const harmless = (cell: string | number): string | number => (typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell)
const write = (fields: string[], rows: (string | number)[][]): string =>
  `${Papa.unparse({ fields, data: rows.map((r) => r.map(harmless)) }, { newline: '\n' })}\n`

export const CUT_LIST_FIELDS = ['mark', 'part', 'profile', 'length_mm', 'end_1', 'end_2', 'quantity', 'mass_each_kg']
export const cutListCsv = (parts: CutPart[]): string =>
  write(
    CUT_LIST_FIELDS,
    parts.map((p) => [
      p.marks.join(' '),
      p.name,
      profileOf(p.profileId).name,
      trim(p.lengthMm, 1),
      endText(p.ends[0]),
      endText(p.ends[1]),
      p.quantity,
      trim(p.massEachKg, 3),
    ]),
  )

export const STOCK_FIELDS = ['id', 'profile_id', 'length_mm', 'quantity', 'grade', 'place', 'note']
export const remnantsCsv = (remnants: Remnant[]): string =>
  write(
    STOCK_FIELDS,
    remnants.map((r) => [r.id, r.profileId, r.lengthMm, r.quantity, r.grade, r.place, r.note]),
  )

/** The shop's rack from a CSV. The whole file is refused when one line does not fit; each fault names its line and column. */
export function readRemnantsCsv(text: string): Read<Remnant[]> {
  if (text.length > MAX_FILE_BYTES)
    return { ok: false, faults: [{ where: 'the whole', expected: `a file of ${MAX_FILE_BYTES / 1e6} MB or less` }] }
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy' })
  const fields = parsed.meta.fields ?? []
  const missing = STOCK_FIELDS.slice(0, 4).filter((f) => !fields.includes(f))
  if (missing.length)
    return { ok: false, faults: [{ where: 'line 1', expected: `the columns ${STOCK_FIELDS.join(', ')}; missing: ${missing.join(', ')}` }] }
  const faults: Fault[] = parsed.errors
    .filter((e) => e.code !== 'TooFewFields')
    .slice(0, 20)
    .map((e) => ({ where: `line ${(e.row ?? 0) + 2}`, expected: e.message }))
  const seen = new Map<string, number>()
  const rows = parsed.data.flatMap((row, i): Remnant[] => {
    const line = i + 2
    const number = (field: string) => (row[field]?.trim() ? Number(row[field].replace(',', '.')) : Number.NaN)
    const read = RemnantSchema.safeParse({
      id: row.id?.trim() || `${row.profile_id?.trim()}#${row.length_mm?.trim()}-${line}`,
      profileId: row.profile_id?.trim(),
      lengthMm: number('length_mm'),
      quantity: number('quantity'),
      grade: row.grade?.trim() || 'unknown alloy',
      place: row.place ?? '',
      note: row.note ?? '',
    })
    if (!read.success) {
      const columns: Record<string, string> = { profileId: 'profile_id', lengthMm: 'length_mm' }
      faults.push(...faultsOf(read.error).map((f) => ({ where: `line ${line}, ${columns[f.where] ?? f.where}`, expected: f.expected })))
      return []
    }
    const twin = seen.get(read.data.id)
    if (twin) faults.push({ where: `line ${line}, id`, expected: `an id used once; “${read.data.id}” stands on line ${twin} too` })
    seen.set(read.data.id, line)
    return [read.data]
  })
  return faults.length ? { ok: false, faults: faults.slice(0, 50) } : { ok: true, value: rows }
}
