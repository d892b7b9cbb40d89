import type { TitleField } from '../../core/drawing/titleBlock'
import { INK, MARGIN, type Paper, QUIET } from './paper'

/** So high is the strip above the foot of a drawing, with the air over it. Points */
export const STRIP_PT = 32
const HIGH = 26

/** The title block of a drawing along its foot, a field beside the other; what is left empty is signed by hand. */
export function paintTitleBlock(paper: Paper, fields: TitleField[]): void {
  const { width, height } = paper.page
  const top = height - 40 - HIGH - 2
  const whole = width - 2 * MARGIN
  // long words take more room, up to a line of them
  const share = fields.map((f) => Math.min(34, Math.max(10, f.says.length)))
  const total = share.reduce((a, b) => a + b, 0)
  paper.rect(MARGIN, top, whole, HIGH).lineWidth(0.8).strokeColor(INK).stroke()
  let x = MARGIN
  fields.forEach((f, i) => {
    const w = (whole * share[i]!) / total
    if (i)
      paper
        .moveTo(x, top)
        .lineTo(x, top + HIGH)
        .lineWidth(0.5)
        .stroke()
    paper
      .font('text')
      .fontSize(7.1)
      .fillColor(QUIET)
      .text(f.name, x + 4, top + 2.5, { width: w - 8, lineBreak: false })
    paper.font('bold').fontSize(8).fillColor(INK)
    // what is too long for its field is set smaller before it is cut short
    const size = Math.max(7.1, Math.min(8, (8 * (w - 8)) / Math.max(1, paper.widthOfString(f.says))))
    paper.fontSize(size).text(f.says, x + 4, top + 13, { width: w - 8, height: 10, ellipsis: true })
    x += w
  })
}
