import Papa from 'papaparse'
import { type Fault, faultsOf, MAX_FILE_BYTES, type Read } from '../issue/faults'
import { parseQuantity } from '../quantity/parseQuantity'
import { MM_PER_INCH } from '../quantity/units'
import { type Remnant, RemnantSchema, type SheetOffcut } from '../stock/stock'
import { writeTable } from './csv'
import { numberStyle, tableNumber } from './tableNumber'

export const STOCK_FIELDS = ['id', 'profile_id', 'length_mm', 'quantity', 'grade', 'place', 'note']
export const remnantsCsv = (remnants: Remnant[]): string =>
  writeTable(
    STOCK_FIELDS,
    remnants.map((r) => [r.id, r.profileId, r.lengthMm, r.quantity, r.grade, r.place, r.note]),
  )

/** Begun sheets, each by the largest rectangle left of it, in mm and in inches. */
export const sheetsCsv = (sheets: SheetOffcut[]): string =>
  writeTable(
    [
      'id',
      'material_id',
      'thickness_mm',
      'length_mm',
      'width_mm',
      'thickness_in',
      'length_in',
      'width_in',
      'quantity',
      'grade',
      'place',
      'note',
    ],
    sheets.map((s) => {
      const mm = [s.thicknessMm, s.lengthMm, s.widthMm]
      return [s.id, s.materialId, ...mm, ...mm.map((v) => Math.round((v / MM_PER_INCH) * 1e4) / 1e4), s.quantity, s.grade, s.place, s.note]
    }),
  )

export type LengthUnit = 'mm' | 'in'
/** What was made of a file, to be looked at before it counts. */
export type RackRead = { remnants: Remnant[]; understood: string[]; unit: LengthUnit; doubtful: string | null }

/** Nothing shorter than this is worth a line of the rack: a whole file of such lengths was written in inches. mm */
const SHORT_FOR_MM = 300
const LENGTH_COLUMNS: { field: string; unit: LengthUnit }[] = [
  { field: 'length_mm', unit: 'mm' },
  { field: 'length_in', unit: 'in' },
]

/**
 * The shop's rack from a CSV. Numbers as people write them, lengths in the unit of their column's name or of the cell itself (`61 5/8 in`), or in the unit
 * asked for. The whole file is refused when one line does not fit; each fault names its line and column. A file without a piece is refused: it would
 * empty the rack. What was understood is said, and what looks like the other unit is doubted.
 */
export function readRemnantsCsv(text: string, unitAsked: LengthUnit | null = null): Read<RackRead> {
  const refuse = (where: string, expected: string): Read<RackRead> => ({ ok: false, faults: [{ where, expected }] })
  if (text.length > MAX_FILE_BYTES) return refuse('the whole', `a file of ${MAX_FILE_BYTES / 1e6} MB or less`)
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy' })
  const fields = parsed.meta.fields ?? []
  const column = LENGTH_COLUMNS.find((c) => fields.includes(c.field))
  const missing = ['id', 'profile_id', 'quantity'].filter((f) => !fields.includes(f))
  if (!column || missing.length)
    return refuse(
      'line 1',
      `the columns ${STOCK_FIELDS.join(', ')} (length_in for inches); missing: ${[...missing, ...(column ? [] : ['length_mm or length_in'])].join(', ')}`,
    )
  if (!parsed.data.length)
    return refuse('the whole', 'one piece at least: an empty file would empty the rack. Take pieces off the shelf one by one instead')
  const unit = unitAsked ?? column.unit
  const cells = parsed.data.flatMap((row) => [row[column.field] ?? '', row.quantity ?? ''])
  // thousandths of an inch are usual, of a millimetre they are not
  const style = numberStyle(cells, unit === 'in' ? 'decimal' : 'thousands')
  const faults: Fault[] = parsed.errors
    .filter((e) => e.code !== 'TooFewFields')
    .slice(0, 20)
    .map((e) => ({ where: `line ${(e.row ?? 0) + 2}`, expected: e.message }))
  const seen = new Map<string, number>()
  const remnants = parsed.data.flatMap((row, i): Remnant[] => {
    const line = i + 2
    const lengthMm = lengthOf(row[column.field] ?? '', unit, style)
    const read = RemnantSchema.safeParse({
      id: row.id?.trim() || `${row.profile_id?.trim()}#${row[column.field]?.trim()}-${line}`,
      profileId: row.profile_id?.trim(),
      lengthMm: lengthMm ?? Number.NaN,
      quantity: tableNumber(row.quantity ?? '', style) ?? Number.NaN,
      grade: row.grade?.trim() || 'unknown alloy',
      place: unquoted(row.place ?? ''),
      note: unquoted(row.note ?? ''),
    })
    if (!read.success) {
      const columns: Record<string, string> = { profileId: 'profile_id', lengthMm: column.field }
      faults.push(...faultsOf(read.error).map((f) => ({ where: `line ${line}, ${columns[f.where] ?? f.where}`, expected: f.expected })))
      return []
    }
    const twin = seen.get(read.data.id)
    if (twin) faults.push({ where: `line ${line}, id`, expected: `an id used once; “${read.data.id}” stands on line ${twin} too` })
    seen.set(read.data.id, line)
    return [read.data]
  })
  if (faults.length) return { ok: false, faults: faults.slice(0, 50) }
  return { ok: true, value: { remnants, unit, understood: understoodOf(remnants, unit, style), doubtful: doubtOf(remnants, unit) } }
}

/** A formula sign that we put a quote before comes back as it was. */
const unquoted = (cell: string): string => (/^'[=+\-@]/.test(cell) ? cell.slice(1) : cell)

/** A cell's own unit counts before the column's. mm; null when it is no length. */
function lengthOf(cell: string, unit: LengthUnit, style: ReturnType<typeof numberStyle>): number | null {
  const plain = tableNumber(cell, style)
  if (plain !== null) return unit === 'in' ? plain * MM_PER_INCH : plain
  if (/\d[ex]\d/i.test(cell)) return null
  const typed = parseQuantity(cell, 'length', unit === 'in' ? 'inch' : 'metric')
  return typed.ok ? typed.value : null
}

function understoodOf(remnants: Remnant[], unit: LengthUnit, style: ReturnType<typeof numberStyle>): string[] {
  const pieces = remnants.reduce((s, r) => s + r.quantity, 0)
  const lengths = remnants.map((r) => r.lengthMm)
  return [
    `${remnants.length} lines, ${pieces} pieces, {${Math.min(...lengths)}} to {${Math.max(...lengths)}} long`,
    `numbers without a unit are ${unit === 'in' ? 'inches' : 'millimetres'}`,
    ...(style.decimal === ',' ? ['a comma is the decimal sign'] : []),
    ...(style.grouped ? [`a ${style.decimal === ',' ? 'point' : 'comma'} groups thousands`] : []),
  ]
}

function doubtOf(remnants: Remnant[], unit: LengthUnit): string | null {
  const longest = Math.max(...remnants.map((r) => r.lengthMm))
  if (unit === 'mm' && longest < SHORT_FOR_MM) return 'Every length is short for millimetres: were they written in inches?'
  if (unit === 'in' && longest > 20_000 / 2) return 'These lengths are long for inches: were they written in millimetres?'
  return null
}

/** What replacing the rack by another would change, line by line. */
export type RackDifference = { id: string; what: 'comes' | 'goes' | 'changes'; before: Remnant | null; after: Remnant | null }
export function rackDifference(before: Remnant[], after: Remnant[]): RackDifference[] {
  const [was, is] = [before, after].map((list) => new Map(list.map((r) => [r.id, r]))) as [Map<string, Remnant>, Map<string, Remnant>]
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((id): RackDifference[] => {
    const [a, b] = [was.get(id) ?? null, is.get(id) ?? null]
    if (a && b)
      return JSON.stringify(RemnantSchema.parse(a)) === JSON.stringify(RemnantSchema.parse(b))
        ? []
        : [{ id, what: 'changes', before: a, after: b }]
    return [{ id, what: a ? 'goes' : 'comes', before: a, after: b }]
  })
}
