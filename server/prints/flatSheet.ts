import { materialOf } from '../../core/catalogue/materials'
import { type SheetRun, sheetRun } from '../../core/cutRun/sheetRun'
import { flatPartSheet } from '../../core/drawing/flatPart'
import { nestDrawing } from '../../core/drawing/sheetDrawing'
import type { Job } from '../../core/job/job'
import { madeAssembly } from '../../core/job/piecesOf'
import { counted } from '../../core/quantity/counted'
import { figureText, withLengths } from '../../core/quantity/figureText'
import { formatGauge, formatLength } from '../../core/quantity/formatQuantity'
import { percentText } from '../../core/quantity/percent'
import type { Rules } from '../../core/rules/rules'
import { type FlatKind, flatKinds, marksOf, planSheets, type SheetGroup, sheetOf } from '../../core/sheetNesting/sheetPlan'
import type { SheetOffcut } from '../../core/stock/stock'
import { cannotDo } from '../../core/workshop/cannotDo'
import type { Workshop } from '../../core/workshop/workshop'
import { paintSheet } from './paintSheet'
import { closePaper, INK, MARGIN, openPaper, type Paper, QUIET, SIGNAL, type Title, table } from './paper'

/** A page for each sheet of metal with the parts on it, then one for each flat part: blank, folds in their order, the folded part. PDF bytes. */
export function flatSheetPdf(job: Job, rules: Rules, workshop: Workshop, begun: SheetOffcut[], title: Title): Promise<Buffer> {
  const paper = openPaper(title)
  const assembly = madeAssembly(job, rules)
  const kinds = flatKinds(assembly, rules)
  if (!kinds.length) {
    paper.font('text').fontSize(12).fillColor(INK).text('Nothing in this job is cut from sheet.', MARGIN, 64)
    return closePaper(paper, title)
  }
  const lacks = cannotDo(assembly, workshop, rules)
  partsTable(paper, job, kinds)
  let number = 0
  for (const g of planSheets(assembly, { rules, system: job.units.system, begun, accepted: job.flatSheets }, () => performance.now())) {
    g.nest.sheets.forEach(({ sheetId }, i) => {
      paper.addPage()
      const told = sheetRun(g, i, workshop.table, rules)
      const drawing = nestDrawing(g, i, 'run' in told ? told.run : null)
      number++
      const { width, height, offcut } = sheetOf(g, sheetId)
      head(
        paper,
        `${drawing.title}: ${formatLength(width, job.units)} × ${formatLength(height, job.units)}`,
        `${g.material}, ${formatGauge(g.thicknessMm, job.units)}${offcut ? `, from ${offcut.place || 'the rack'}` : ''}`,
      )
      paper
        .font('text')
        .fontSize(10)
        .fillColor(QUIET)
        .text(
          `${formatLength(rules.sheetGapMm, job.units)} between parts, ${formatLength(rules.sheetEdgeMm, job.units)} along the edge. Of all sheets of this kind ${percentText(g.nest.utilisation)} becomes parts. ${runWords(told, number, job.units)} ${standingWords(g, job)}`,
          MARGIN,
          92,
          { width: paper.page.width - 2 * MARGIN },
        )
      for (const line of spotLines(told, job.units))
        paper
          .font('bold')
          .fontSize(9.5)
          .fillColor(SIGNAL)
          .text(line, MARGIN, paper.y + 2, { width: paper.page.width - 2 * MARGIN })
      const y = Math.max(112, paper.y + 6)
      paintSheet(paper, drawing, { x: MARGIN, y, width: paper.page.width - 2 * MARGIN, height: paper.page.height - y - 48 }, job.units)
    })
    for (const u of g.nest.unplaced) {
      paper.addPage()
      head(paper, marksOf(g.kinds[Number(u.partId)]!), 'on no sheet')
      paper.font('bold').fontSize(12).fillColor(SIGNAL).text(u.reason, MARGIN, 96)
    }
  }
  for (const k of kinds) {
    paper.addPage()
    foldPage(paper, job, k, [
      ...new Set(lacks.filter((l) => l.marks.some((m) => k.marks.includes(m))).map((l) => withLengths(`${l.says}: ${l.would}`, job.units))),
    ])
  }
  return closePaper(paper, title)
}

/** What the table's program of this sheet does, or why there is none. */
function runWords(told: SheetRun, number: number, units: Job['units']): string {
  if ('missing' in told) return `No run for the table, missing: ${withLengths(told.missing, units)}.`
  const { run } = told
  const minutes = Math.max(1, Math.round(run.seconds / 60))
  return `Table: sheet-${number}.nc, ${counted(run.passes.length, 'cut')}, all holes first, then the edges by the numbers, ${formatLength(run.cutMm, units)}, about ${counted(minutes, 'minute')}.${told.drilled ? ` ${counted(told.drilled, 'small hole')} left to the drill, not in the program.` : ''} Try it without the torch first.`
}
/** Whether the sheets on paper are those that were accepted: not accepted, another rack lays them otherwise. */
function standingWords(g: SheetGroup, { flatSheets }: Job): string {
  const because = flatSheets?.reason ? ` Accepted all the same, because: ${flatSheets.reason}` : ''
  if (g.standing === 'accepted') return `These sheets were ${flatSheets?.cut ? 'cut' : 'accepted'} on ${flatSheets?.on}.${because}`
  return g.standing === 'moved'
    ? `Its parts have changed since sheets were accepted on ${flatSheets?.on}: laid anew, not accepted.`
    : 'These sheets are not accepted: with another rack they lie otherwise.'
}
/** So many spots are told on paper; the others are on the screen. */
const MOST_SPOTS = 4
const spotLines = (told: SheetRun, units: Job['units']): string[] =>
  'missing' in told
    ? []
    : [
        ...told.run.spots.slice(0, MOST_SPOTS).map((s) => `${s.mark}: ${withLengths(s.says, units)}.`),
        ...(told.run.spots.length > MOST_SPOTS ? [`and ${told.run.spots.length - MOST_SPOTS} more.`] : []),
      ]

function head(paper: Paper, left: string, right: string): void {
  paper
    .font('bold')
    .fontSize(left.length > 40 ? 18 : 28)
    .fillColor(INK)
    .text(left, MARGIN, 54, { lineBreak: false })
  paper.font('bold').fontSize(18)
  paper.text(right, paper.page.width - MARGIN - paper.widthOfString(right), 60, { lineBreak: false })
}

function partsTable(paper: Paper, job: Job, kinds: FlatKind[]): void {
  head(paper, 'Flat parts', `${kinds.reduce((s, k) => s + k.marks.length, 0)} in all`)
  table(
    paper,
    [
      { head: 'Mark', width: 230 },
      { head: 'Part', width: 190 },
      { head: 'Qty', width: 40, align: 'right' },
      { head: 'Folds', width: 50, align: 'right' },
      { head: 'Holes', width: 50, align: 'right' },
      { head: 'Cut', width: 80, align: 'right' },
      { head: 'Thick', width: 60, align: 'right' },
      { head: 'Mass each', width: 80, align: 'right' },
    ],
    kinds.map((k) => [
      marksOf(k),
      k.plate.name,
      String(k.marks.length),
      String(k.plate.bends.length),
      k.drilled.length ? `${k.plate.holes.length}, ${k.drilled.length} drilled` : String(k.plate.holes.length),
      formatLength(k.cutMm, job.units),
      formatGauge(k.plate.thicknessMm, job.units),
      figureText(k.massEachKg, 'kg', job.units),
    ]),
    MARGIN,
    100,
  )
}

/** Holes that the table only marks, by their size. */
function drilledWords({ drilled }: FlatKind, units: Job['units']): string {
  const sizes = [...new Set(drilled.map((h) => h.diameterMm))].sort((a, b) => a - b)
  return sizes
    .map((d) => ` Drill ${drilled.filter((h) => h.diameterMm === d).length} × ${formatGauge(d, units)}: marked on the table, not cut.`)
    .join('')
}

function foldPage(paper: Paper, job: Job, k: FlatKind, lacks: string[]): void {
  const { plate } = k
  head(paper, marksOf(k), `${k.marks.length} off`)
  const radius = plate.bends[0] ? ` Inside radius ${formatGauge(plate.bends[0].insideRadiusMm, job.units)}.` : ''
  const folds = plate.bends.length
    ? ' Lay out on one face, good face down: a full line folds up, a dashed line folds down, in the order of the numbers. Fold one of an offcut first: the brake’s own gain moves the lines.'
    : ''
  paper
    .font('text')
    .fontSize(10)
    .fillColor(QUIET)
    .text(
      `${plate.name}, ${materialOf(plate.materialId).name}, ${formatGauge(plate.thicknessMm, job.units)}.${radius}${folds}${drilledWords(k, job.units)}`,
      MARGIN,
      92,
      { width: paper.page.width - 2 * MARGIN },
    )
  for (const line of lacks)
    paper
      .font('bold')
      .fontSize(9.5)
      .fillColor(SIGNAL)
      .text(line, MARGIN, paper.y + 2, { width: paper.page.width - 2 * MARGIN })
  const top = paper.y + 8
  paintSheet(
    paper,
    flatPartSheet(plate),
    { x: MARGIN, y: top, width: paper.page.width - 2 * MARGIN, height: paper.page.height - top - 50 },
    job.units,
  )
}
