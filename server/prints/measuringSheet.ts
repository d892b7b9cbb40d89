import { drawMeasuringSheet } from '../../core/drawing/measuringSheet'
import type { Job } from '../../core/job/job'
import { findings } from '../../core/measure/findings'
import { letterOf, type MeasuringSheet, measureOf } from '../../core/measure/sheets'
import { formatLength, formatQuantity } from '../../core/quantity/formatQuantity'
import { defaultUnit } from '../../core/quantity/units'
import { paintSheet } from './paintSheet'
import { closePaper, INK, MARGIN, openPaper, type Paper, QUIET, SIGNAL, type Title, table } from './paper'

/** Measuring sheets for a clipboard, with blanks to fill in by hand, or filled for the file. One page a place. PDF bytes. */
export function measuringSheetPdf(job: Job, sheets: MeasuringSheet[], blank: boolean, title: Title): Promise<Buffer> {
  const paper = openPaper(title)
  sheets.forEach((sheet, i) => {
    if (i) paper.addPage()
    page(paper, job, sheet, blank)
  })
  return closePaper(paper, title)
}

function page(paper: Paper, job: Job, sheet: MeasuringSheet, blank: boolean): void {
  const [w, h] = [paper.page.width - 2 * MARGIN, paper.page.height]
  paper.font('bold').fontSize(13).fillColor(INK).text(sheet.title, MARGIN, 54, { lineBreak: false })
  paper.font('text').fontSize(9).fillColor(QUIET).text(`${sheet.hint} Write the unit with every figure.`, MARGIN, 71, { width: w })
  paintSheet(
    paper,
    drawMeasuringSheet(sheet, job.vehicle, job.units, blank),
    { x: MARGIN, y: 84, width: w * 0.52, height: h - 140 },
    job.units,
  )
  const x = MARGIN + w * 0.53
  const columns = blank
    ? [
        { head: '', width: 22 },
        { head: 'What', width: 158 },
        { head: 'Datum', width: 77 },
        { head: 'Reading', width: 56 },
        { head: 'Again', width: 54 },
      ]
    : [
        { head: '', width: 22 },
        { head: 'What', width: 142 },
        { head: 'Figure', width: 70 },
        { head: 'Known by', width: 133 },
      ]
  const rows = sheet.quantities.map((q) => {
    const s = measureOf(job.vehicle, q)
    if (blank) return [letterOf(sheet, q.id), q.label, q.datum, ' ', ' ']
    const value =
      s.value === null ? 'unknown' : `${formatQuantity(s.value, q.dimension, job.units)} ${defaultUnit(q.dimension, job.units.system)}`
    return [
      letterOf(sheet, q.id),
      `${q.label} (${q.datum})`,
      value,
      s.value === null
        ? s.step
          ? `at: ${s.step}`
          : ''
        : [s.method, s.tolerance === null ? '' : `± ${formatQuantity(s.tolerance, q.dimension, job.units)}`, s.source, s.date]
            .filter(Boolean)
            .join(', '),
    ]
  })
  // a long sheet is set smaller: it stays one page, to be held in one hand
  const many = rows.length > 17
  let y = table(paper, columns, rows, x, 88, blank ? (many ? 9 : 10.5) : many ? 8 : 9)
  if (blank) {
    paper
      .font('text')
      .fontSize(10)
      .fillColor(INK)
      .text('Measured by ______________________   Date ____________', x, y + 14, { width: w * 0.46 })
    return
  }
  for (const f of findings(job.vehicle, sheet)) {
    y += 8
    paper
      .font('text')
      .fontSize(9)
      .fillColor(f.kind === 'contradiction' ? SIGNAL : INK)
      .text(
        f.text.replace(/\{([\d.]+)\}/g, (_, mm: string) => formatLength(Number(mm), job.units)),
        x,
        y,
        { width: w * 0.46 },
      )
    y = paper.y
  }
}
