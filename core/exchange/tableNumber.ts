/** How the numbers of a table write their decimals; null where none of them tells. */
export type DecimalSign = ',' | '.'
export type NumberStyle = { decimal: DecimalSign | null; grouped: boolean }

const PLAIN = /^[+-]?\d+(?:[.,]\d+)*$/

/**
 * How people wrote the numbers of one table: `1.234,5`, `1,234.5`, `1234,5`, `1250`. The last sign of a number with both kinds is its decimal; a sign that
 * stands twice in one number groups thousands; a single sign with other than three figures behind it, or more than three before, is a decimal. A single
 * sign before exactly three figures tells nothing by itself: where nothing else in the table does, it is taken as `unclearAs` says.
 */
export function numberStyle(cells: string[], unclearAs: 'thousands' | 'decimal' = 'thousands'): NumberStyle {
  let [decimal, group]: [DecimalSign | null, DecimalSign | null] = [null, null]
  let unclear: DecimalSign | null = null
  for (const cell of cells.map((c) => c.trim()).filter((c) => PLAIN.test(c))) {
    const signs = [...cell].filter((c): c is DecimalSign => c === ',' || c === '.')
    const last = signs.at(-1)
    if (!last) continue
    const other = last === ',' ? '.' : ','
    const behind = cell.length - cell.lastIndexOf(last) - 1
    if (signs.includes(other)) [decimal, group] = [last, other]
    else if (signs.length > 1) group = last
    else if (behind !== 3 || cell.lastIndexOf(last) > 3) decimal = last
    else unclear = last
  }
  if (!decimal && group) decimal = group === ',' ? '.' : ','
  if (!decimal && unclear && unclearAs === 'decimal') decimal = unclear
  if (!decimal && unclear) return { decimal: unclear === ',' ? '.' : ',', grouped: true }
  return { decimal, grouped: group !== null || (unclear !== null && unclear !== decimal) }
}

/** A cell as a number in the table's style; null when it is none. Hexadecimal, exponents and words are none. */
export function tableNumber(cell: string, style: NumberStyle): number | null {
  const text = cell.trim()
  if (!PLAIN.test(text)) return null
  const decimal = style.decimal ?? '.'
  const plain = text.split(decimal === ',' ? '.' : ',').join('')
  const value = Number(plain.replace(decimal, '.'))
  return Number.isFinite(value) && plain.split(decimal).length <= 2 ? value : null
}
