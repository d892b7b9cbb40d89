import type { Projection } from '../../core/drawing/projection'
import { MM_PER_INCH } from '../../core/quantity/units'
import type { PaperSize } from '../../core/shop/shop'
import { INK, type Paper, QUIET } from './paper'

/** The scale in words and as a bar to check the printer by, and the sign of the projection. Returns the y below it. Points */
export function paintScale(
  paper: Paper,
  { oneTo, scale }: Pick<Projection, 'oneTo' | 'scale'>,
  at: { x: number; y: number; paper: PaperSize; system: 'metric' | 'inch' },
): number {
  const step = at.system === 'inch' ? 12 * MM_PER_INCH : 500
  const marks = at.system === 'inch' ? ['0', '1', '2', '3 ft'] : ['0', '0.5', '1', '1.5 m']
  paper.font('bold').fontSize(8).fillColor(INK).text(`Scale 1:${oneTo} on ${at.paper}`, at.x, at.y, { lineBreak: false })
  const y = at.y + 24
  paper.lineWidth(0.7).strokeColor(INK)
  marks.slice(1).forEach((_, i) => {
    const box = paper.rect(at.x + i * step * scale, y - 4, step * scale, 4)
    if (i % 2 === 0) box.fillAndStroke(INK, INK)
    else box.stroke()
  })
  paper.font('figures').fontSize(7).fillColor(INK)
  marks.forEach((m, i) => {
    paper.text(m, at.x + i * step * scale - (i ? paper.widthOfString(m) / 2 : 0), y - 13, { lineBreak: false })
  })
  thirdAngle(paper, at.x + 3 * step * scale + 34, y - 6)
  return y + 10
}

/** A cone cut short, seen from its side and from its thin end, which stands on the side that it is seen from (ISO 5456-2). */
function thirdAngle(paper: Paper, x: number, y: number): void {
  paper.lineWidth(0.6).strokeColor(INK)
  paper.circle(x, y, 3).stroke()
  paper.circle(x, y, 6).stroke()
  paper
    .moveTo(x + 12, y - 3)
    .lineTo(x + 26, y - 6)
    .lineTo(x + 26, y + 6)
    .lineTo(x + 12, y + 3)
    .closePath()
    .stroke()
  paper
    .lineWidth(0.3)
    .strokeColor(QUIET)
    .dash(3, { space: 1.5 })
    .moveTo(x - 9, y)
    .lineTo(x + 29, y)
    .stroke()
    .undash()
}
