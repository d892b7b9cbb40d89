import { profileOf } from '../../core/catalogue/profiles'
import { moneyText } from '../../core/cost/money'
import type { Job } from '../../core/job/job'
import type { CutPlan, PlannedBar } from '../../core/nesting/planCuts'
import { formatLength } from '../../core/quantity/formatQuantity'
import type { Rules } from '../../core/rules/rules'
import { closePaper, INK, MARGIN, openPaper, type Paper, QUIET, SIGNAL, type Title, table } from './paper'

/** The cut sheet for the saw: every bar drawn with its cuts in order, readable at arm's length, a box to tick at each piece. PDF bytes. */
export function cutSheetPdf(job: Job, plan: CutPlan, rules: Rules, title: Title): Promise<Buffer> {
  const paper = openPaper(title)
  const mm = (v: number) => formatLength(v, job.units)
  paper
    .font('text')
    .fontSize(10)
    .fillColor(INK)
    .text(
      `Saw kerf ${mm(rules.kerfMm)}, trim ${mm(rules.endTrimMm)} at each end${job.units.system === 'inch' ? ', inches' : ', millimetres'}. Lengths are finished lengths. Wear eye and ear protection; deburr every cut edge before it is handled.`,
      MARGIN,
      54,
      { width: paper.page.width - 2 * MARGIN },
    )
  let y = paper.y + 6
  for (const profile of plan.profiles) {
    if (y > paper.page.height - 120) y = fresh(paper)
    paper.font('bold').fontSize(12).fillColor(INK).text(profileOf(profile.profileId).name, MARGIN, y, { lineBreak: false })
    paper
      .font('text')
      .fontSize(9)
      .fillColor(QUIET)
      .text(profile.proven ? 'least cost, proven' : 'best found, not proven', MARGIN, y + 2, {
        width: paper.page.width - 2 * MARGIN,
        align: 'right',
        lineBreak: false,
      })
    y += 20
    const longest = Math.max(...profile.bars.map((b) => b.lengthMm), 1)
    for (const bar of profile.bars) {
      if (y > paper.page.height - 80) y = fresh(paper)
      y = drawBar(paper, bar, longest, y, rules, mm)
    }
    for (const u of profile.unplaced) {
      if (y > paper.page.height - 60) y = fresh(paper)
      paper
        .font('bold')
        .fontSize(10)
        .fillColor(SIGNAL)
        .text(`Not placed: ${u.marks.join(', ')} (${mm(u.lengthMm)}), ${u.reason}`, MARGIN, y)
      y = paper.y + 4
    }
    y += 6
  }
  if (y > paper.page.height - 100) y = fresh(paper)
  const rows = [
    ...plan.purchases.map((p) => ['buy', profileOf(p.profileId).name, mm(p.lengthMm), String(p.count), moneyText(p.priceMinor * p.count)]),
    ...plan.used.map((u) => [`from ${u.place || 'the rack'}`, profileOf(u.profileId).name, mm(u.lengthMm), String(u.count), '']),
    ...plan.offcuts.map((o) => ['back to the rack', profileOf(o.profileId).name, mm(o.lengthMm), String(o.count), '']),
  ]
  if (rows.length)
    table(
      paper,
      [
        { head: 'Stock', width: 100 },
        { head: 'Profile', width: 290 },
        { head: 'Length', width: 80, align: 'right' },
        { head: 'Qty', width: 40, align: 'right' },
        { head: 'Price', width: 80, align: 'right' },
      ],
      rows,
      MARGIN,
      y + 6,
      9.5,
    )
  return closePaper(paper, title)
}

const fresh = (paper: Paper): number => {
  paper.addPage()
  return 60
}

/** One bar to scale: cuts from the left with mark, length and tick box; what is left is hatched. */
function drawBar(paper: Paper, bar: PlannedBar, longestMm: number, y: number, rules: Rules, mm: (v: number) => string): number {
  const width = paper.page.width - 2 * MARGIN
  const scale = (width - 110) / longestMm
  const x0 = MARGIN + 100
  paper
    .font('bold')
    .fontSize(11)
    .fillColor(INK)
    .text(mm(bar.lengthMm), MARGIN, y + 3, { lineBreak: false })
  paper
    .font('text')
    .fontSize(8)
    .fillColor(QUIET)
    .text(bar.source === 'sale' ? 'new bar' : `offcut ${bar.place}`, MARGIN, y + 17, { width: 95, height: 20 })
  paper
    .rect(x0, y, bar.lengthMm * scale, 28)
    .lineWidth(0.8)
    .strokeColor(INK)
    .stroke()
  let at = x0 + rules.endTrimMm * scale
  for (const cut of bar.cuts) {
    const w = cut.lengthMm * scale
    paper.rect(at, y, w, 28).lineWidth(0.8).fillAndStroke('#dfe8e5', INK)
    paper
      .rect(at + 4, y + 9, 10, 10)
      .lineWidth(0.8)
      .fillAndStroke('#ffffff', INK)
    const label = `${cut.mark}  ${mm(cut.lengthMm)}`
    paper.font('bold').fontSize(12).fillColor(INK)
    if (paper.widthOfString(label) < w - 20) paper.text(label, at + 18, y + 8, { lineBreak: false })
    else
      paper
        .fontSize(8)
        .text(cut.mark, at + 16, y + 4, { lineBreak: false })
        .text(mm(cut.lengthMm), at + 16, y + 15, { lineBreak: false })
    at += w + rules.kerfMm * scale
  }
  const end = x0 + bar.lengthMm * scale
  if (end - at > 30)
    paper
      .font('text')
      .fontSize(8)
      .fillColor(QUIET)
      .text(`${bar.keepsRemnant ? 'shelve' : 'scrap'} ${mm(bar.remnantMm)}`, at + 4, y + 10, { lineBreak: false })
  return y + 36
}
