import { profileOf } from '../../core/catalogue/profiles'
import type { Stop } from '../../core/cutList/stops'
import { type Moved, movedText } from '../../core/issuedPlan/planMoved'
import type { Job } from '../../core/job/job'
import type { Limit } from '../../core/limits/limit'
import { barLine, barLineText, offcutsShown, type SawSetting } from '../../core/nesting/barLine'
import type { CutPlan, PlannedBar } from '../../core/nesting/planCuts'
import { withLengths } from '../../core/quantity/figureText'
import { formatGauge, formatLength } from '../../core/quantity/formatQuantity'
import { moneyText } from '../../core/quantity/money'
import type { DisplayUnits } from '../../core/quantity/units'
import { closePaper, INK, MARGIN, openPaper, type Paper, QUIET, SIGNAL, type Title, table } from './paper'

/** The cut sheet for the saw: every bar drawn with its cuts in order, readable at arm's length, a box to tick at each piece. PDF bytes. */
export type CutSheet = { plan: CutPlan; saw: SawSetting; stops: Stop[]; moved: Moved[]; reason: string; limits: Limit[] }

export function cutSheetPdf(job: Job, { plan, saw, stops, moved, reason, limits }: CutSheet, title: Title): Promise<Buffer> {
  const paper = openPaper(title)
  const mm = (v: number) => formatLength(v, job.units)
  paper
    .font('text')
    .fontSize(10)
    .fillColor(INK)
    .text(
      `Saw kerf ${formatGauge(saw.kerfMm, job.units)}, trim ${formatGauge(saw.endTrimMm, job.units)} at each end${job.units.system === 'inch' ? ', inches' : ', millimetres'}. Lengths are finished lengths. Wear eye and ear protection; deburr every cut edge before it is handled.`,
      MARGIN,
      54,
      { width: paper.page.width - 2 * MARGIN },
    )
  let y = remarks(paper, job, moved, reason, limits, paper.y + 4)
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
      y = drawBar(paper, bar, longest, y, saw, job.units)
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
    ...offcutsShown(plan.profiles, saw, job.units).map((o) => [
      'back to the rack',
      profileOf(o.profileId).name,
      o.length,
      String(o.count),
      '',
    ]),
  ]
  if (rows.length)
    y = table(
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
  // a stop is set once: only where more than one piece shares it does the order say more than the bars do
  if (stops.length > 1)
    table(
      paper,
      [
        { head: 'Stop, longest first', width: 110, align: 'right' },
        { head: 'Marks', width: 240 },
        { head: 'Ends', width: 230 },
        { head: 'At once', width: 60, align: 'right' },
        { head: 'Cuts', width: 50, align: 'right' },
        { head: 'First piece checked', width: 80 },
      ],
      stops.map((s) => [
        mm(s.lengthMm),
        s.marks.join(', '),
        s.beyondStop ? `${s.ends}; past the stop` : s.ends,
        `${s.atOnce}`,
        `${s.cuts}`,
        '[   ]',
      ]),
      MARGIN,
      y + 14,
      9.5,
    )
  return closePaper(paper, title)
}

/** Why it is cut although a limit is over or not assessed, and which pieces the design has moved away from. Returns the y below. */
function remarks(paper: Paper, job: Job, moved: Moved[], reason: string, limits: Limit[], from: number): number {
  const doubtful = limits.filter((l) => l.state === 'over' || l.state === 'unknown')
  const lines = [
    ...(moved.length ? [`Do not cut by this sheet: ${moved.map((m) => withLengths(movedText(m), job.units)).join('; ')}.`] : []),
    ...(reason ? [`Accepted all the same, because: ${reason}`] : []),
    ...(doubtful.length
      ? [`Limits now: ${doubtful.map((l) => `${l.name} ${l.state === 'over' ? 'OVER' : 'not assessed'}`).join('; ')}.`]
      : []),
  ]
  let y = from
  for (const line of lines) {
    paper
      .font('bold')
      .fontSize(9.5)
      .fillColor(SIGNAL)
      .text(line, MARGIN, y, { width: paper.page.width - 2 * MARGIN })
    y = paper.y + 2
  }
  return y + 4
}

const fresh = (paper: Paper): number => {
  paper.addPage()
  return 60
}

/** One bar to scale: cuts from the left with mark, length and tick box; what is left is hatched. */
function drawBar(paper: Paper, bar: PlannedBar, longestMm: number, y: number, saw: SawSetting, units: DisplayUnits): number {
  const mm = (v: number) => formatLength(v, units)
  const line = barLineText(barLine(bar, saw), units)
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
  let at = x0 + saw.endTrimMm * scale
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
    at += w + saw.kerfMm * scale
  }
  const end = x0 + bar.lengthMm * scale
  if (end - at > 30 && line.offcut)
    paper
      .font('text')
      .fontSize(8)
      .fillColor(QUIET)
      .text(`${bar.keepsRemnant ? 'shelve' : 'scrap'} ${line.offcut}`, at + 4, y + 10, { lineBreak: false })
  // what a bar comes apart into, adding up in the units of the sheet
  paper
    .font('figures')
    .fontSize(8)
    .fillColor(QUIET)
    .text(line.text, x0, y + 30, { lineBreak: false })
  return y + 46
}
