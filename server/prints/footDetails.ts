import { hardwareOrder } from '../../core/cutList/hardwareOrder'
import { footDetails } from '../../core/drawing/footDetail'
import type { Evaluation } from '../../core/job/evaluate'
import { formatGauge } from '../../core/quantity/formatQuantity'
import type { DisplayUnits } from '../../core/quantity/units'
import type { Rules } from '../../core/rules/rules'
import { paintSheet } from './paintSheet'
import { INK, MARGIN, type Paper } from './paper'

const HIGH_PT = 215
const ACROSS = 3

/** Each kind of foot drawn large, three beside one another, with the numbers of its small parts. Returns the y below. */
export function paintFeet(paper: Paper, { assembly }: Evaluation, rules: Rules, units: DisplayUnits, from: number): number {
  const details = footDetails(assembly, hardwareOrder(assembly, rules))
  const width = (paper.page.width - 2 * MARGIN) / ACROSS
  let y = from
  for (const [i, d] of details.entries()) {
    if (i % ACROSS === 0 && y > paper.page.height - HIGH_PT - 60) {
      paper.addPage()
      y = 60
    }
    const x = MARGIN + (i % ACROSS) * width
    const [least, most] = d.risesMm.map((r) => formatGauge(r, units))
    const risen = least === most ? '' : ` Rises ${least} to ${most}.`
    paper
      .font('bold')
      .fontSize(9)
      .fillColor(INK)
      .text(d.name, x, y, { width: width - 12 })
    paper
      .font('text')
      .fontSize(8)
      .text(`${d.marks.join(', ')}.${risen}`, { width: width - 12 })
    paintSheet(paper, d.sheet, { x, y: y + 26, width: width - 12, height: HIGH_PT - 30 }, units, 22)
    if (i % ACROSS === ACROSS - 1 || i === details.length - 1) y += HIGH_PT
  }
  return y
}
