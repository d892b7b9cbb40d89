import { drawView } from '../../core/drawing/views'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { formatGauge, formatLength } from '../../core/quantity/formatQuantity'
import type { Apart } from '../../core/reach/takeApart'
import type { Rules } from '../../core/rules/rules'
import { jigOf } from '../../core/weldMap/jig'
import { leadOf } from '../../core/weldMap/lead'
import { withSeams } from '../../core/weldMap/seamMarks'
import { weldMap, wireText } from '../../core/weldMap/weldMap'
import type { Workshop } from '../../core/workshop/workshop'
import { paintSheet } from './paintSheet'
import { closePaper, INK, MARGIN, openPaper, SIGNAL, type Title, table } from './paper'

/** Every weld numbered on the drawing, then what each is made with, in its order; the jig and the lead. PDF bytes. */
export function weldSheetPdf(
  job: Job,
  { assembly, reach }: Evaluation & { reach: Apart },
  rules: Rules,
  workshop: Workshop,
  title: Title,
): Promise<Buffer> {
  const paper = openPaper(title)
  const map = weldMap(assembly, workshop.welders, rules, reach.welds)
  const mm = (v: number) => formatLength(v, job.units)
  const thin = (v: number) => formatGauge(v, job.units)
  const width = paper.page.width - 2 * MARGIN
  if (!map.seams.length) {
    paper.font('text').fontSize(12).fillColor(INK).text('Nothing in this job is welded.', MARGIN, 64)
    return closePaper(paper, title)
  }
  const views = ['plan', 'side', 'rear'] as const
  const sheet = (name: (typeof views)[number]) =>
    withSeams(drawView(name, { ...assembly, dimensions: [] }, job.vehicle, { ...job.brief, cargo: [] }, 'parked', ''), map, name)
  const h = paper.page.height - 100
  paintSheet(paper, sheet('plan'), { x: MARGIN, y: 54, width: width * 0.66, height: h * 0.55 }, job.units)
  paintSheet(paper, sheet('side'), { x: MARGIN, y: 54 + h * 0.55, width: width * 0.66, height: h * 0.45 }, job.units)
  paintSheet(paper, sheet('rear'), { x: MARGIN + width * 0.66, y: 54, width: width * 0.34, height: h * 0.45 }, job.units)
  const beside = { x: MARGIN + width * 0.67, width: width * 0.33 }
  paper.y = 54 + h * 0.47
  const hours = map.minutes / 60
  paper
    .font('bold')
    .fontSize(11)
    .fillColor(INK)
    .text(
      `${map.seams.length} welds, ${mm(map.lengthMm)} in all: ${hours.toFixed(1)} h with setting up, ${wireText(map.wireG, job.units)} of wire, ${Math.round(map.gasL)} l of gas.`,
      beside.x,
      paper.y,
      { width: beside.width },
    )
  for (const note of map.notes)
    paper
      .font('text')
      .fontSize(8.5)
      .text(note, beside.x, paper.y + 4, { width: beside.width })
  for (const w of workshop.welders) {
    const lead = leadOf(w)
    const bad = !lead.breakerHolds || lead.dropShare > rules.leadDropShare
    paper
      .fillColor(bad ? SIGNAL : INK)
      .text(
        `${w.process} at the end of its lead: ${lead.dropV.toFixed(1)} V lost (${(lead.dropShare * 100).toFixed(1)} %)${lead.breakerHolds ? '' : `; it draws ${w.drawsA} A and the breaker is ${w.breakerA} A`}.`,
        beside.x,
        paper.y + 4,
        { width: beside.width },
      )
  }
  paper.addPage()
  let y = table(
    paper,
    [
      { head: 'No', width: 30 },
      { head: 'Between', width: 110 },
      { head: 'Process', width: 55 },
      { head: 'Filler', width: 120 },
      { head: 'Leg', width: 50, align: 'right' },
      { head: 'Throat', width: 55, align: 'right' },
      { head: 'Ground flush', width: 75, align: 'right' },
      { head: 'Length', width: 65, align: 'right' },
      { head: 'Tacks', width: 130 },
      { head: 'min', width: 40, align: 'right' },
      { head: 'Done', width: 40 },
    ],
    map.seams.map((s) => [
      `${s.number}`,
      s.between.join(' on '),
      s.welder ? s.process : `${s.process} *`,
      s.filler,
      thin(s.legMm),
      thin(s.throatMm),
      `${s.joint.flush ? 'grind to ' : ''}${thin(s.flushThroatMm)}`,
      mm(s.lengthMm),
      `${s.tacks}, ${s.tackRule}`,
      s.minutes.toFixed(0),
      '[   ]',
    ]),
    MARGIN,
    60,
    9,
  )
  if (map.seams.some((s) => !s.welder))
    paper
      .font('bold')
      .fontSize(9)
      .fillColor(SIGNAL)
      .text('* no welder here does this: sent out, or list one at The shop.', MARGIN, y + 4)
  const jigs = [...new Set(map.seams.map((s) => s.pieceId))].flatMap((id) => jigOf(assembly, id) ?? [])
  if (jigs.length)
    y = table(
      paper,
      [
        { head: 'Jig, feet', width: 230 },
        { head: 'Rear, centres', width: 110, align: 'right' },
        { head: 'Front, centres', width: 110, align: 'right' },
        { head: 'Apart', width: 100, align: 'right' },
        { head: 'Both diagonals', width: 110, align: 'right' },
        { head: 'Taper a side', width: 90, align: 'right' },
      ],
      jigs.map((j) => [
        j.feet.join(', '),
        mm(j.rearMm),
        mm(j.frontMm),
        mm(j.apartMm),
        mm(j.diagonalMm),
        `${Math.abs(j.taperPerSideDeg).toFixed(2)}°`,
      ]),
      MARGIN,
      y + 20,
      10,
    )
  return closePaper(paper, title)
}
