import { profileOf } from '../catalogue/profiles'
import type { PooledBars, PooledLine } from '../purchase/pooled'
import { MM_PER_INCH } from '../quantity/units'
import { writeTable } from './csv'

const money = (minor: number | null): string => (minor === null ? '' : (minor / 100).toFixed(2))

export const ORDER_FIELDS = ['supplier', 'what', 'quantity', 'unit', 'length_in', 'price', 'for']
/** What is ordered, as a spreadsheet reads it: bars by the common plan, and every other line, with both units and the jobs it is for. */
export function orderCsv(lines: PooledLine[], bars: PooledBars | null): string {
  const plain = (name: string) => name.replace(/\{(?:g ?)?([\d.]+)\}/g, '$1 mm')
  const rows = lines
    .filter((l) => !(l.kind === 'sections' && bars))
    .map((l) => [
      l.supplier?.name ?? '',
      plain(l.name),
      l.unit === 'piece' ? Math.round(l.quantity) : Math.round(l.quantity * 10) / 10,
      l.unit,
      l.unit === 'mm' ? (l.quantity / MM_PER_INCH).toFixed(2) : '',
      money(l.minor),
      l.for.map((f) => f.title).join('; '),
    ])
  const seller = lines.find((l) => l.kind === 'sections')?.supplier?.name ?? ''
  const bought = (bars?.buy ?? []).map((p) => [
    seller,
    `${profileOf(p.profileId).name}, bar of ${p.lengthMm} mm`,
    p.count,
    'piece',
    (p.lengthMm / MM_PER_INCH).toFixed(2),
    money(p.priceMinor * p.count),
    '',
  ])
  return writeTable(ORDER_FIELDS, [...bought, ...rows])
}
