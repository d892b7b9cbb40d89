import { profileOf } from '../../core/catalogue/profiles'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { withLengths } from '../../core/quantity/figureText'
import { formatGauge, formatLength } from '../../core/quantity/formatQuantity'
import type { Rules } from '../../core/rules/rules'
import { endCutText } from '../../core/tube/endCuts'
import { formedAfter } from '../../core/tube/formed'
import { cutsText, type SharedTemplate, templatesOf } from '../../core/tube/template'
import { type TubePart, tubeWork } from '../../core/tube/tubeParts'
import { bendSheet, rotateText } from '../../core/workshop/bendSheet'
import { cannotDo } from '../../core/workshop/cannotDo'
import type { Workshop } from '../../core/workshop/workshop'
import { closePaper, fullSize, INK, MARGIN, openPaper, type Paper, QUIET, RULE, SIGNAL, type Title, table } from './paper'
import { cross, ruler } from './ruler'

/** Bend sheets and full-size templates: a page for each part that is bent, and one for the saddles of each part. PDF bytes. */
export function tubeSheetPdf(job: Job, { assembly }: Evaluation, rules: Rules, workshop: Workshop, title: Title): Promise<Buffer> {
  const paper = openPaper(title)
  const work = tubeWork(assembly)
  const lacks = cannotDo(assembly, workshop, rules)
  let pages = 0
  const page = () => {
    if (pages++) paper.addPage()
  }
  if (!work.length) {
    page()
    paper.font('text').fontSize(12).fillColor(INK).text('Nothing in this job is bent or saddled.', MARGIN, 64)
  }
  const missingFor = (marks: string[]) =>
    lacks.filter((l) => l.marks.some((m) => marks.includes(m))).map((l) => withLengths(`${l.says}: ${l.would}`, job.units))
  for (const { part, marks } of work.filter((x) => x.part.member.path.length > 2)) {
    page()
    bendPage(paper, job, part, workshop, partHead(paper, job, part, marks, missingFor(marks)))
  }
  const saddled = work.filter((x) => x.part.ends.some((e) => e.kind === 'cope'))
  const shared = templatesOf(assembly)
  if (saddled.length) {
    page()
    saddleList(paper, job, saddled, shared)
    templatePages(paper, job, shared, title)
  }
  return closePaper(paper, title)

  function partHead(on: Paper, of: Job, part: TubePart, marks: string[], missing: string[]): number {
    on.font('bold').fontSize(30).fillColor(INK).text(marks.join('  '), MARGIN, 54, { lineBreak: false })
    const length = part.lacks ? 'no cut length yet' : formatLength(part.lengthMm, of.units)
    on.font('bold').fontSize(30)
    on.text(length, on.page.width - MARGIN - on.widthOfString(length), 54, { lineBreak: false })
    on.font('text')
      .fontSize(10)
      .fillColor(QUIET)
      .text(
        `${part.member.name}, ${marks.length} off, ${profileOf(part.member.profileId).name}. Cut length over the longest points. First end: ${endCutText(part.ends[0])}. Second end: ${endCutText(part.ends[1])}.`,
        MARGIN,
        90,
        { width: on.page.width - 2 * MARGIN },
      )
    let y = on.y + 4
    for (const line of [...(part.lacks ? [`Do not cut: ${part.lacks}.`] : []), ...missing]) {
      on.font('bold')
        .fontSize(9.5)
        .fillColor(SIGNAL)
        .text(line, MARGIN, y, { width: on.page.width - 2 * MARGIN })
      y = on.y + 2
    }
    return y + 6
  }

  function bendPage(on: Paper, of: Job, part: TubePart, w: Workshop, from: number): void {
    const sheet = bendSheet(part, w)
    if (!sheet) return
    const mm = (v: number) => formatLength(v, of.units)
    const width = on.page.width - 2 * MARGIN
    // the straight tube with its marks
    const y = from + 26
    const x = (at: number) => MARGIN + (at / sheet.cutMm) * width
    on.rect(MARGIN, y, width, 16).lineWidth(1).strokeColor(INK).stroke()
    for (const [i, s] of sheet.steps.entries()) {
      on.rect(x(s.markMm), y, x(s.endMarkMm) - x(s.markMm), 16)
        .fillColor(RULE)
        .fill()
      on.moveTo(x(s.markMm), y - 8)
        .lineTo(x(s.markMm), y + 22)
        .lineWidth(1.4)
        .strokeColor(INK)
        .stroke()
      on.font('bold')
        .fontSize(11)
        .fillColor(INK)
        .text(`${i + 1}`, x(s.markMm) - 4, y - 22, { lineBreak: false })
      on.font('figures')
        .fontSize(11)
        .text(mm(s.markMm), x(s.markMm) - 14, y + 25, { lineBreak: false })
    }
    on.font('text')
      .fontSize(9)
      .fillColor(QUIET)
      .text('hold this end', MARGIN, y + 40, { lineBreak: false })
    const below = table(
      on,
      [
        { head: 'Bend', width: 44 },
        { head: 'Mark, bend begins', width: 120, align: 'right' },
        { head: 'Bend ends', width: 100, align: 'right' },
        { head: 'Turn', width: 80, align: 'right' },
        { head: 'Pull to', width: 110, align: 'right' },
        { head: 'Rotate the tube first', width: 170 },
        { head: '1° off moves the far end', width: 150, align: 'right' },
      ],
      sheet.steps.map((s) => [
        `${s.number}`,
        mm(s.markMm),
        mm(s.endMarkMm),
        `${s.angleDeg.toFixed(1)}°`,
        s.pullToDeg === null ? 'trial bend first' : `${s.pullToDeg.toFixed(1)}°`,
        rotateText(s.rotationDeg),
        mm(s.perDegreeMm),
      ]),
      MARGIN,
      y + 56,
      12,
    )
    const die = sheet.die
      ? `Die for ${mm(sheet.die.tubeMm)}, radius ${mm(sheet.die.radiusMm)}`
      : `No die of radius ${mm(sheet.radiusMm)} is listed`
    const spread = sheet.spreadDeg
      ? `Trials of this die came back by ${sheet.spreadDeg[0].toFixed(1)}° to ${sheet.spreadDeg[1].toFixed(1)}° at 90°.`
      : 'Nobody has tried this die: bend an offcut of this tube, and type what came out.'
    on.font('text')
      .fontSize(10)
      .fillColor(INK)
      .text(
        `Marks run from the ${sheet.from === 'first' ? 'first' : 'second'} end; the bend begins at the mark. ${die}. ${spread} The bends gain ${mm(sheet.gainMm)} in all. Order: ${withLengths(sheet.order, of.units)}.`,
        MARGIN,
        below + 8,
        { width },
      )
    pictures(on, part, on.y + 12)
  }

  /** The part after each bend, in order, side by side to one scale. */
  function pictures(on: Paper, part: TubePart, top: number): void {
    const n = part.bent?.bends.length ?? 0
    const lines = Array.from({ length: n }, (_, i) => formedAfter(part.member, i + 1))
    const all = lines.flat()
    const span = (of: 'x' | 'y') => Math.max(...all.map((p) => p[of])) - Math.min(...all.map((p) => p[of]))
    const [w, h] = [(on.page.width - 2 * MARGIN) / n - 16, on.page.height - top - 64]
    const scale = Math.min(w / Math.max(1, span('x')), h / Math.max(1, span('y')))
    const [left, low] = [Math.min(...all.map((p) => p.x)), Math.min(...all.map((p) => p.y))]
    lines.forEach((line, i) => {
      const at = (p: { x: number; y: number }) => [MARGIN + i * (w + 16) + (p.x - left) * scale, top + h - (p.y - low) * scale] as const
      line.forEach((p, k) => {
        const [px, py] = at(p)
        if (k) on.lineTo(px, py)
        else on.moveTo(px, py)
      })
      on.lineWidth(4)
        .lineJoin('round')
        .strokeColor(i === n - 1 ? INK : QUIET)
        .stroke()
      on.font('bold')
        .fontSize(10)
        .fillColor(INK)
        .text(`after bend ${i + 1}`, MARGIN + i * (w + 16), top + h + 6, { lineBreak: false })
    })
  }

  /** Every saddled tube on one page: what is cut to length, which template at which end, and how the two ends are turned. */
  function saddleList(on: Paper, of: Job, list: { part: TubePart; marks: string[] }[], templates: SharedTemplate[]): void {
    const mm = (v: number) => formatLength(v, of.units)
    on.font('bold').fontSize(14).fillColor(INK).text('Saddled tubes', MARGIN, 58)
    on.font('text').fontSize(9).fillColor(QUIET).text('Length over the longest points, bends laid straight.', MARGIN, 76)
    const idOf = (mark: string, which: 0 | 1) => templates.find((t) => t.cuts.some((c) => c.mark === mark && c.which === which))?.id ?? ''
    table(
      on,
      [
        { head: 'Mark', width: 90 },
        { head: 'Part', width: 100 },
        { head: 'Tube', width: 170 },
        { head: 'Length', width: 80, align: 'right' },
        { head: 'First end', width: 130 },
        { head: 'Second end', width: 130 },
        { head: 'Turned', width: 50, align: 'right' },
        { head: 'Done', width: 32 },
      ],
      list.map(({ part, marks }) => [
        marks.join(', '),
        part.member.name,
        profileOf(part.member.profileId).name,
        part.lacks ? 'not yet' : mm(part.lengthMm),
        `${idOf(marks[0]!, 0)}  ${endCutText(part.ends[0])}`,
        `${idOf(marks[0]!, 1)}  ${endCutText(part.ends[1])}`,
        part.turnDeg === null ? '' : `${part.turnDeg.toFixed(1)}°`,
        '[  ]',
      ]),
      MARGIN,
      92,
      9.5,
    )
    on.font('text')
      .fontSize(9)
      .fillColor(INK)
      .text(
        'Turned: the zero line of the second end from that of the first, clockwise positive, as seen from the first end. Mark a line along the tube first and set both templates by it.',
        MARGIN,
        on.y + 8,
        { width: on.page.width - 2 * MARGIN },
      )
    for (const line of list.flatMap((x) => missingFor(x.marks)).filter((l, i, all) => all.indexOf(l) === i))
      on.font('bold')
        .fontSize(9.5)
        .fillColor(SIGNAL)
        .text(line, MARGIN, on.y + 3, { width: on.page.width - 2 * MARGIN })
  }

  function templatePages(on: Paper, of: Job, list: SharedTemplate[], heading: Title): void {
    if (!list.length) return
    const unit = fullSize(heading.shop.paper)
    const most = (on.page.width - 2 * MARGIN) / unit
    const top = () => {
      on.addPage()
      on.font('text')
        .fontSize(9)
        .fillColor(QUIET)
        .text(
          'Full size: print at 100 % and lay a steel rule on the line. Wrap round the tube with the long side square to it, zero line to zero line, and scribe along the curve; the side towards the mark stays.',
          MARGIN,
          54,
          { width: on.page.width - 2 * MARGIN },
        )
      const y = on.y + 6
      ruler(on, y, unit, of.units.system)
      return y + 26
    }
    let y = top()
    for (const t of list) {
      const slices = Math.max(1, Math.ceil(t.template.roundMm / most))
      for (let s = 0; s < slices; s++) {
        if (y + t.template.edgeMm * unit + 40 > on.page.height - 44) y = top()
        const width = t.template.roundMm / slices
        y = drawTemplate(on, t, { from: width * s, to: width * (s + 1), of: slices, number: s + 1 }, y, unit, of)
      }
    }
  }

  type Slice = { from: number; to: number; of: number; number: number }
  function drawTemplate(on: Paper, shared: SharedTemplate, slice: Slice, y: number, unit: number, of: Job): number {
    const { end, template: t } = shared
    const saw =
      end.kind === 'cope' && end.meeting.main.kind === 'round'
        ? ` Or by hole saw: ${formatLength(2 * end.meeting.main.radiusMm, of.units)} across, at ${Math.min(end.meeting.angleDeg, 180 - end.meeting.angleDeg).toFixed(1)}°, ${Math.abs(end.meeting.offsetMm) < 0.05 ? 'on the centre line' : `${formatLength(Math.abs(end.meeting.offsetMm), of.units)} off the centre line`}.`
        : ''
    const ease =
      end.kind === 'cope' && end.cope && end.cope.easeMm > 0.1
        ? ` Ease the inside edge by up to ${formatGauge(end.cope.easeMm, of.units)}.`
        : ''
    on.font('bold')
      .fontSize(10)
      .fillColor(INK)
      .text(
        `${shared.id}  ${profileOf(shared.profileId).name}, deepest ${formatGauge(t.depthMm, of.units)}. For ${cutsText(shared)}.${saw}${ease}${slice.of > 1 ? ` Strip ${slice.number} of ${slice.of}: join cross to cross.` : ''}`,
        MARGIN,
        y,
        { width: on.page.width - 2 * MARGIN },
      )
    const top = on.y + 6
    const at = (x: number, back: number) => [MARGIN + (x - slice.from) * unit, top + (t.edgeMm - back) * unit] as const
    const within = (x: number) => x >= slice.from - 1e-6 && x <= slice.to + 1e-6
    on.rect(MARGIN, top, (slice.to - slice.from) * unit, t.edgeMm * unit)
      .lineWidth(0.8)
      .strokeColor(INK)
      .stroke()
    for (const q of t.quarters.filter(within)) {
      const [x0, y0] = at(q, t.edgeMm)
      on.moveTo(x0, y0).lineTo(x0, at(q, 0)[1]).lineWidth(0.4).dash(3, { space: 2 }).strokeColor(QUIET).stroke().undash()
      const turn = Math.round((q / t.roundMm) * 360)
      on.font('figures')
        .fontSize(8)
        .fillColor(QUIET)
        .text(turn % 360 ? `${turn}°` : 'zero line', x0 + (turn === 360 ? -34 : 2), y0 + 2, { lineBreak: false })
    }
    t.cut
      .filter((p) => within(p.x))
      .forEach((p, i) => {
        const [x0, y0] = at(p.x, p.y)
        if (i) on.lineTo(x0, y0)
        else on.moveTo(x0, y0)
      })
    on.lineWidth(1.2).strokeColor(INK).stroke()
    on.font('bold')
      .fontSize(9)
      .fillColor(INK)
      .text(shared.id, MARGIN + 40, top + 14, { lineBreak: false })
    if (slice.of > 1) for (const [x0, y0] of [at(slice.from, t.edgeMm / 2), at(slice.to, t.edgeMm / 2)]) cross(on, x0, y0)
    return top + t.edgeMm * unit + 16
  }
}
