import { massPerMetre, profileOf } from '../../core/catalogue/profiles'
import type { CutPart } from '../../core/cutList/cutList'
import type { Stop } from '../../core/cutList/stops'
import type { HoleAlong } from '../../core/drilling/holesAlong'
import { type Moved, movedText } from '../../core/issuedPlan/planMoved'
import type { Job } from '../../core/job/job'
import type { Limit } from '../../core/limits/limit'
import { barLine, barLineText, offcutsShown, type SawSetting } from '../../core/nesting/barLine'
import type { CutPlan, PlannedBar } from '../../core/nesting/planCuts'
import { withLengths } from '../../core/quantity/figureText'
import { formatGauge, formatLength, withUnit } from '../../core/quantity/formatQuantity'
import { moneyText } from '../../core/quantity/money'
import type { DisplayUnits } from '../../core/quantity/units'
import type { SurfaceNote } from '../../core/stockSurface/stockSurface'
import { closePaper, INK, MARGIN, openPaper, type Paper, QUIET, SIGNAL, type Title, table } from './paper'

/** The cut sheet for the saw: every bar drawn with its cuts in order, readable at arm's length, a box to tick at each piece. PDF bytes. */
export type CutSheet = {
  plan: CutPlan
  saw: SawSetting
  parts: CutPart[]
  stops: Stop[]
  /** where each marked part is drilled, from its first end */
  holes: Map<string, HoleAlong[]>
  moved: Moved[]
  reason: string
  limits: Limit[]
  /** what is done about the surface of what comes from the rack */
  surface: SurfaceNote[]
}

export function cutSheetPdf(
  job: Job,
  { plan, saw, parts, stops, holes, moved, reason, limits, surface }: CutSheet,
  title: Title,
): Promise<Buffer> {
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
  let y = remarks(paper, job, { moved, reason, limits, surface }, paper.y + 4)
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
      if (y > paper.page.height - 100) y = fresh(paper)
      y = drawBar(paper, { bar, massKg: (bar.lengthMm / 1000) * massPerMetre(profile.profileId), parts }, longest, y, saw, job.units)
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
    ...plan.used.map((u) => [
      `from ${u.place || 'the rack'}${u.grade === 'clean' ? '' : `, ${u.grade}`}`,
      profileOf(u.profileId).name,
      mm(u.lengthMm),
      String(u.count),
      '',
    ]),
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
        { head: title.shop.currency ? `Price, ${title.shop.currency}` : 'Price', width: 80, align: 'right' },
      ],
      rows,
      MARGIN,
      y + 6,
      9.5,
    )
  if (stops.length)
    table(
      paper,
      [
        { head: 'Stop, longest first', width: 100, align: 'right' },
        { head: 'Marks', width: 150 },
        { head: 'Ends', width: 200 },
        { head: 'Holes along it, from its first end', width: 170 },
        { head: 'At once', width: 45, align: 'right' },
        { head: 'Cuts', width: 35, align: 'right' },
        { head: 'First piece checked', width: 80 },
      ],
      stops.map((s) => [
        mm(s.lengthMm),
        s.marks.join(', '),
        s.beyondStop ? `${s.ends}; past the stop` : s.ends,
        holesOf(s, holes, mm),
        `${s.atOnce}`,
        `${s.cuts}`,
        '[   ]',
      ]),
      MARGIN,
      y + 14,
      9,
    )
  return closePaper(paper, title)
}

/** Why it is cut although a limit is over or not assessed, and which pieces the design has moved away from. Returns the y below. */
type Remarks = Pick<CutSheet, 'moved' | 'reason' | 'limits' | 'surface'>
function remarks(paper: Paper, job: Job, { moved, reason, limits, surface }: Remarks, from: number): number {
  const doubtful = limits.filter((l) => l.state === 'over' || l.state === 'unknown')
  const lines = [
    ...(moved.length ? [`Do not cut by this sheet: ${moved.map((m) => withLengths(movedText(m), job.units)).join('; ')}.`] : []),
    ...(reason ? [`Accepted all the same, because: ${reason}`] : []),
    ...(doubtful.length
      ? [`Limits now: ${doubtful.map((l) => `${l.name} ${l.state === 'over' ? 'OVER' : 'not assessed'}`).join('; ')}.`]
      : []),
    ...surface.map((n) => `${n.marks.join(', ')}, ${withLengths(n.says, job.units)}.`),
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

/** Where the pieces of one stop are drilled; pieces that are drilled otherwise each by their mark. */
function holesOf(s: Stop, holes: Map<string, HoleAlong[]>, mm: (v: number) => string): string {
  const words = (h: HoleAlong) =>
    `${h.atMm === null ? 'at a place not measured' : mm(h.atMm)}${h.count > 1 ? ` (${h.count}${h.apartMm === null ? '' : `, ${mm(h.apartMm)} apart`})` : ''}`
  const said = s.marks.flatMap((m) => {
    const at = holes.get(m) ?? []
    return at.length ? [{ m, text: at.map(words).join(', ') }] : []
  })
  const alike = new Set(said.map((x) => x.text))
  if (!said.length) return 'none'
  return alike.size === 1 && said.length === s.marks.length ? said[0]!.text : said.map((x) => `${x.m}: ${x.text}`).join('; ')
}

const BAR_PT = 32
type Drawn = { bar: PlannedBar; massKg: number; parts: CutPart[] }
/** One bar to scale: cuts from the left with mark, length, ends and tick box, how far each reaches from the bar's end, what it weighs to lift; what is left is open. */
function drawBar(
  paper: Paper,
  { bar, massKg, parts }: Drawn,
  longestMm: number,
  from: number,
  saw: SawSetting,
  units: DisplayUnits,
): number {
  const mm = (v: number) => formatLength(v, units)
  const y = from + 10
  const line = barLineText(barLine(bar, saw), units)
  const width = paper.page.width - 2 * MARGIN
  const scale = (width - 110) / longestMm
  const x0 = MARGIN + 100
  paper
    .font('bold')
    .fontSize(11)
    .fillColor(INK)
    .text(mm(bar.lengthMm), MARGIN, y + 1, { lineBreak: false })
  paper
    .font('text')
    .fontSize(8)
    .fillColor(QUIET)
    .text(`${bar.source === 'sale' ? 'new bar' : `offcut ${bar.place}`}\nlift ${withUnit(massKg, 'mass', units)}`, MARGIN, y + 14, {
      width: 95,
      height: 22,
    })
  paper
    .rect(x0, y, bar.lengthMm * scale, BAR_PT)
    .lineWidth(0.8)
    .strokeColor(INK)
    .stroke()
  let atMm = saw.endTrimMm
  for (const cut of bar.cuts) {
    const [at, w] = [x0 + atMm * scale, cut.lengthMm * scale]
    paper.rect(at, y, w, BAR_PT).lineWidth(0.8).fillAndStroke('#dfe8e5', INK)
    const ends = parts.find((p) => p.id === cut.partId)?.ends
    if (ends) {
      paintEnd(paper, ends[0], { x: at, y, into: 1 })
      paintEnd(paper, ends[1], { x: at + w, y, into: -1 })
    }
    // what was cut for nothing is not ticked
    if (!cut.scrap)
      paper
        .rect(at + 12, y + 11, 10, 10)
        .lineWidth(0.8)
        .fillAndStroke('#ffffff', INK)
    const mark = cut.scrap ? `${cut.mark} scrap` : cut.mark
    const label = `${mark}  ${mm(cut.lengthMm)}`
    paper.font('bold').fontSize(12).fillColor(INK)
    if (paper.widthOfString(label) < w - 32) paper.text(label, at + 26, y + 10, { lineBreak: false })
    else
      paper
        .fontSize(8)
        .text(mark, at + 24, y + 6, { lineBreak: false })
        .text(mm(cut.lengthMm), at + 24, y + 17, { lineBreak: false })
    atMm += cut.lengthMm
    // how far from the bar's own end this cut is made, where the tape lies all along it
    paper.font('figures').fontSize(7.5).fillColor(INK)
    const reach = mm(atMm)
    paper.text(reach, x0 + atMm * scale - paper.widthOfString(reach), y - 9, { lineBreak: false })
    atMm += saw.kerfMm
  }
  const at = x0 + atMm * scale
  const end = x0 + bar.lengthMm * scale
  if (end - at > 30 && line.offcut)
    paper
      .font('text')
      .fontSize(8)
      .fillColor(QUIET)
      .text(`${bar.keepsRemnant ? 'label and shelve' : 'scrap'} ${line.offcut}`, at + 4, y + 11, { lineBreak: false })
  // what a bar comes apart into, adding up in the units of the sheet
  paper
    .font('figures')
    .fontSize(8)
    .fillColor(QUIET)
    .text(line.text, x0, y + BAR_PT + 2, { lineBreak: false })
  return y + BAR_PT + 16
}

/** How an end is cut: its angle off square where it is mitred, a hollow for a saddle. Which way a mitre leans is not drawn, for the piece is not turned here as it stands. */
function paintEnd(paper: Paper, end: CutPart['ends'][number], { x, y, into }: { x: number; y: number; into: 1 | -1 }): void {
  paper.lineWidth(1.2).strokeColor(INK)
  if (end.kind === 'mitre') {
    const text = `${end.angleDeg}°`
    paper.font('figures').fontSize(7.5).fillColor(INK)
    paper.text(text, into > 0 ? x + 2 : x - 2 - paper.widthOfString(text), y + BAR_PT - 9, { lineBreak: false })
  }
  if (end.kind === 'cope')
    paper
      .moveTo(x, y)
      .bezierCurveTo(x + into * 9, y + 8, x + into * 9, y + BAR_PT - 8, x, y + BAR_PT)
      .stroke()
}
