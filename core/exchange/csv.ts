import Papa from 'papaparse'
import { materialOf } from '../catalogue/materials'
import { profileOf } from '../catalogue/profiles'
import type { CutPart } from '../cutList/cutList'
import { trim } from '../quantity/formatQuantity'
import { MM_PER_INCH } from '../quantity/units'
import { type FlatKind, marksOf } from '../sheetNesting/sheetPlan'

/** A cell that a spreadsheet would run as a formula is written as text. */
const harmless = (cell: string | number): string | number => (typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell)
export const writeTable = (fields: string[], rows: (string | number)[][]): string =>
  `${Papa.unparse({ fields, data: rows.map((r) => r.map(harmless)) }, { newline: '\n' })}\n`

export const CUT_LIST_FIELDS = [
  'mark',
  'part',
  'profile',
  'length_mm',
  'length_in',
  'end_1',
  'end_2',
  'quantity',
  'mass_each_kg',
  'width_mm',
  'width_in',
]
/** Lengths of bars, then flat parts by the box of their blank. */
export const cutListCsv = (parts: CutPart[], flat: FlatKind[]): string =>
  writeTable(CUT_LIST_FIELDS, [
    ...parts.map((p) => [
      p.marks.join(' '),
      p.name,
      profileOf(p.profileId).name,
      trim(p.lengthMm, 1),
      trim(p.lengthMm / MM_PER_INCH, 3),
      p.endTexts[0],
      p.endTexts[1],
      p.quantity,
      trim(p.massEachKg, 3),
      '',
      '',
    ]),
    ...flat.map((k) => [
      marksOf(k),
      k.plate.name,
      `${materialOf(k.plate.materialId).name}, ${trim(k.plate.thicknessMm, 2)} mm`,
      trim(k.flatMm.x, 1),
      trim(k.flatMm.x / MM_PER_INCH, 3),
      '',
      '',
      k.marks.length,
      trim(k.massEachKg, 3),
      trim(k.flatMm.y, 1),
      trim(k.flatMm.y / MM_PER_INCH, 3),
    ]),
  ])
