import type { UnitSystem } from '../../core/quantity/units'
import { INK, MARGIN, type Paper } from './paper'

/** A length to check the printer by, at full size. Points */
export function ruler(on: Paper, y: number, unit: number, system: UnitSystem): void {
  const [length, text, steps] = system === 'inch' ? [101.6, '4 in', 4] : [100, '100 mm', 10]
  on.moveTo(MARGIN, y + 12)
    .lineTo(MARGIN + length * unit, y + 12)
    .lineWidth(0.8)
    .strokeColor(INK)
    .stroke()
  for (let i = 0; i <= steps; i++) {
    const x = MARGIN + ((length * i) / steps) * unit
    on.moveTo(x, y + (i % steps ? 8 : 4))
      .lineTo(x, y + 12)
      .stroke()
  }
  on.font('figures')
    .fontSize(9)
    .fillColor(INK)
    .text(`${text} when printed at full size`, MARGIN + length * unit + 8, y + 4, { lineBreak: false })
}

/** Where pages are laid to one another: a cross. Points */
export const cross = (on: Paper, x: number, y: number): void => {
  on.moveTo(x - 6, y)
    .lineTo(x + 6, y)
    .moveTo(x, y - 6)
    .lineTo(x, y + 6)
    .lineWidth(0.6)
    .strokeColor(INK)
    .stroke()
}
