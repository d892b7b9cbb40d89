import Papa from 'papaparse'
import { profileOf } from '../catalogue/profiles'
import type { CutPart } from '../cutList/cutList'
import { trim } from '../quantity/formatQuantity'
import { MM_PER_INCH } from '../quantity/units'

/** A cell that a spreadsheet would run as a formula is written as text. */
const harmless = (cell: string | number): string | number => (typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell)
export const writeTable = (fields: string[], rows: (string | number)[][]): string =>
  `${Papa.unparse({ fields, data: rows.map((r) => r.map(harmless)) }, { newline: '\n' })}\n`

export const CUT_LIST_FIELDS = ['mark', 'part', 'profile', 'length_mm', 'length_in', 'end_1', 'end_2', 'quantity', 'mass_each_kg']
export const cutListCsv = (parts: CutPart[]): string =>
  writeTable(
    CUT_LIST_FIELDS,
    parts.map((p) => [
      p.marks.join(' '),
      p.name,
      profileOf(p.profileId).name,
      trim(p.lengthMm, 1),
      trim(p.lengthMm / MM_PER_INCH, 3),
      p.endTexts[0],
      p.endTexts[1],
      p.quantity,
      trim(p.massEachKg, 3),
    ]),
  )
