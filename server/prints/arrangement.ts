import { materialOf } from '../../core/catalogue/materials'
import { profileOf } from '../../core/catalogue/profiles'
import { cutList } from '../../core/cutList/cutList'
import { type HardwareLine, hardwareOrder } from '../../core/cutList/hardwareOrder'
import { flatPartSheet } from '../../core/drawing/flatPart'
import { projectionOf } from '../../core/drawing/projection'
import { bounds, type Sheet } from '../../core/drawing/sheet'
import { titleBlock } from '../../core/drawing/titleBlock'
import { drawView } from '../../core/drawing/views'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { pricedPieces } from '../../core/job/piecesOf'
import { type Limit, missingFor } from '../../core/limits/limit'
import { verdictOf } from '../../core/loadTest/loadTest'
import { figureText, withLengths } from '../../core/quantity/figureText'
import { formatGauge, formatLength, withUnit } from '../../core/quantity/formatQuantity'
import { roadPrompts } from '../../core/road/roadPrompts'
import type { Rules } from '../../core/rules/rules'
import { flatKinds, marksOf } from '../../core/sheetNesting/sheetPlan'
import { paintFeet } from './footDetails'
import { paintScale } from './paintScale'
import { paintAt, paintSheet, ROW_PT } from './paintSheet'
import { closePaper, fullSize, INK, MARGIN, openPaper, type Paper, SIGNAL, type Title, table } from './paper'
import { picturePng } from './picturePng'
import { paintTitleBlock, STRIP_PT } from './titleStrip'

/** Scale, what lengths are in, and the first lines of the verdict, in the corner that the views leave free. */
const LEGEND = { width: 166, height: 160 }

/** On the first page: whether anything is over its line or not assessed, by name, as many as there is room for. */
function verdict(paper: Paper, { limits, issues }: Evaluation, at: { x: number; y: number; width: number; bottom: number }): void {
  const of = (state: Limit['state']) => limits.filter((l) => l.state === state)
  const [over, unknown, near] = [of('over'), of('unknown'), of('near')]
  const say = (n: number, words: string) => (n ? [`${n} ${words}`] : [])
  const head = [
    ...say(over.length, 'over the line'),
    ...say(unknown.length, 'not assessed'),
    ...say(issues.length, issues.length === 1 ? 'thing does not work yet' : 'things do not work yet'),
    ...say(near.length, 'near the line'),
  ]
  const bad = over.length + unknown.length + issues.length > 0 || !limits.length
  const rest = limits.length ? 'Every limit that is assessed is within its line' : 'Nothing could be assessed yet'
  paper
    .font('bold')
    .fontSize(11)
    .fillColor(bad ? SIGNAL : INK)
    .text(head.join(', ') || rest, at.x, at.y, { width: at.width })
  const lines = [...over.map((l) => `Over: ${l.name}`), ...unknown.map((l) => `Not assessed: ${l.name}, ${missingFor(l)} missing`)]
  paper.font('text').fontSize(8.5).fillColor(INK)
  for (const [i, line] of lines.entries()) {
    // what has no room here stands in the table on the next page
    if (paper.y > at.bottom - 24) {
      paper.text(`and ${lines.length - i} more on the next page`, at.x, paper.y + 2, { width: at.width })
      return
    }
    paper.text(line, at.x, paper.y + 2, { width: at.width })
  }
}

/** From ahead and from behind, as large as the sheet holds both: what the client sees in it. Nothing is measured off it. */
function inTheRound(paper: Paper, job: Job, result: Evaluation): void {
  paper.addPage()
  const width = (paper.page.width - 2 * MARGIN - 16) / 2
  for (const [i, seen] of (['front', 'rear'] as const).entries())
    paper.image(picturePng(job, result, seen, 520), MARGIN + i * (width + 16), 80, { fit: [width, paper.page.height - 160] })
  paper.font('text').fontSize(8.5).fillColor(INK).text('In the round: a likeness, not to scale. Nothing is measured off it.', MARGIN, 60)
}

/** General arrangement: the three views with dimensions, then parts, limits and cautions. PDF bytes. */
export function arrangementPdf(job: Job, result: Evaluation, rules: Rules, title: Title): Promise<Buffer> {
  const block = titleBlock({ vehicle: job.vehicle, assembly: result.assembly, pieces: pricedPieces(job, rules) }, rules, job.units)
  const paper = openPaper(title)
  const [w, h] = [paper.page.width - 2 * MARGIN, paper.page.height]
  // several pieces have a sheet of views each, with the others in place but unmarked
  const drawn = result.pieces.filter((p) => p.assembly.members.length + p.assembly.fittings.length + p.assembly.plates.length > 0)
  const sheets = drawn.length > 1 ? drawn : [null]
  for (const [i, piece] of sheets.entries()) {
    if (i) paper.addPage()
    const view = (name: 'plan' | 'side' | 'rear') => drawView(name, result.assembly, job.vehicle, job.brief, 'driving', piece?.id ?? null)
    // doors that swing are drawn where they are judged: here they would only make the rest small
    const shut = (s: Sheet): Sheet => {
      const entities = s.entities.filter((e) => e.layer !== 'swing')
      return { ...s, entities, box: bounds(entities.filter((e) => e.kind !== 'dimension' && e.kind !== 'text')) }
    }
    const views = { plan: shut(view('plan')), side: shut(view('side')), rear: shut(view('rear')) }
    const area = { x: MARGIN, y: 54, width: w, height: h - 54 - 40 - STRIP_PT, legend: LEGEND }
    const at = projectionOf(views, area, fullSize(title.shop.paper), ROW_PT, job.units.system)
    for (const name of ['plan', 'side', 'rear'] as const) paintAt(paper, views[name], at.origins[name], at.scale, job.units)
    const beside = { x: at.beside.x, width: at.beside.width - 16 }
    paper.y = paintScale(paper, at, { x: beside.x, y: at.beside.y + 2, paper: title.shop.paper, system: job.units.system })
    if (piece)
      paper
        .font('bold')
        .fontSize(10)
        .fillColor(INK)
        .text(
          `Marked here: ${[piece.letter, piece.name].filter(Boolean).join(' ')}, ${withUnit(piece.massKg, 'mass', job.units)}`,
          beside.x,
          paper.y,
          {
            width: beside.width,
          },
        )
    paper
      .font('text')
      .fontSize(8)
      .fillColor(INK)
      .text(
        `Lengths in ${job.units.system === 'inch' ? 'inches' : 'millimetres'}. Running positions from the datum line, never from bar to bar. Axes: forward of and left of the middle of the rear axle. Mass of all that is fitted ${withUnit(result.rackMassKg, 'mass', job.units)}.`,
        beside.x,
        paper.y + (piece ? 4 : 0),
        { width: beside.width },
      )
    if (!i) verdict(paper, result, { ...beside, y: paper.y + 10, bottom: at.beside.y + at.beside.height })
    paintTitleBlock(paper, block)
  }
  inTheRound(paper, job, result)
  paper.addPage()
  const parts = cutList(result.assembly).map((p) => [
    p.marks.join(', '),
    p.name,
    profileOf(p.profileId).name,
    String(p.quantity),
    formatLength(p.lengthMm, job.units),
  ])
  let y = table(
    paper,
    [
      { head: 'Mark', width: 90 },
      { head: 'Part', width: 80 },
      { head: 'Profile', width: 250 },
      { head: 'Qty', width: 35, align: 'right' },
      { head: `Length, ${job.units.system === 'inch' ? 'in' : 'mm'}`, width: 75, align: 'right' },
    ],
    parts,
    MARGIN,
    60,
  )
  const flat = flatKinds(result.assembly, rules)
  if (flat.length)
    y = table(
      paper,
      [
        { head: 'Mark', width: 90 },
        { head: 'Flat part', width: 130 },
        { head: 'Of', width: 140 },
        { head: 'Qty', width: 35, align: 'right' },
        { head: `Flat, ${job.units.system === 'inch' ? 'in' : 'mm'}`, width: 135, align: 'right' },
      ],
      flat.map((k) => [
        marksOf(k),
        k.plate.name,
        materialOf(k.plate.materialId).name,
        String(k.marks.length),
        [formatLength(k.flatMm.x, job.units), formatLength(k.flatMm.y, job.units), formatGauge(k.plate.thicknessMm, job.units)].join(' × '),
      ]),
      MARGIN,
      y + 14,
    )
  y = table(
    paper,
    [
      { head: 'No.', width: 35 },
      { head: 'Hardware', width: 270 },
      { head: 'For', width: 165 },
      { head: 'Qty + spare', width: 60, align: 'right' },
    ],
    hardwareOrder(result.assembly, rules).map((x) => [
      x.mark,
      withLengths(x.name, job.units),
      withLengths(x.for, job.units),
      withSpares(x),
    ]),
    MARGIN,
    y + 14,
  )
  y = paintFeet(paper, result, rules, job.units, y + 18)
  y = foldedParts(paper, job, result, y + 14)
  limitsTable(paper, job, result, rules, y + 20)
  return closePaper(paper, title)
}

/** Each folded part as it is laid out, with its fold lines from one edge. Returns the y below. */
function foldedParts(paper: Paper, job: Job, result: Evaluation, from: number): number {
  const height = 150
  // alike parts carry one mark and are laid out once
  const folded = [...new Map(result.assembly.plates.filter((p) => p.bends.length).map((p) => [p.mark, p])).values()]
  return folded.reduce((y, p) => {
    let top = y
    if (top > paper.page.height - height - 60) {
      paper.addPage()
      top = 60
    }
    paintSheet(paper, flatPartSheet(p), { x: MARGIN, y: top, width: 420, height }, job.units)
    const radius = formatGauge(p.bends[0]?.insideRadiusMm ?? null, job.units)
    paper
      .font('text')
      .fontSize(9)
      .fillColor(INK)
      .text(
        `${p.mark}: laid out on one face. A full line folds up, a dashed line folds down, inside radius ${radius}. Fold one of an offcut first: the brake’s own gain moves the lines.`,
        MARGIN + 430,
        top + 20,
        { width: paper.page.width - 2 * MARGIN - 430 },
      )
    return top + height
  }, from)
}

const withSpares = (h: HardwareLine): string => (h.spares ? `${h.quantity} + ${h.spares}` : String(h.quantity))

/** Limits, load tests and cautions, going on over pages from a height on this one. */
function limitsTable(paper: Paper, job: Job, result: Evaluation, rules: Rules, from: number): void {
  const shown = (value: number | null, unit: string) => figureText(value, unit, job.units)
  const words = { clear: 'within its line', near: 'near its line', over: 'OVER', unknown: 'NOT ASSESSED' }
  const rows = result.limits.map((l) => [
    l.name,
    shown(l.used.value, l.unit),
    shown(l.allowed.value, l.unit),
    words[l.state],
    l.state === 'unknown' ? `missing: ${missingFor(l).join(', ')}` : `${l.used.name}; ${l.allowed.source}`,
  ])
  let y = table(
    paper,
    [
      { head: 'Limit (calculated)', width: 170 },
      { head: 'Used', width: 75, align: 'right' },
      { head: 'Allowed', width: 75, align: 'right' },
      { head: 'State', width: 90 },
      { head: 'From', width: 360 },
    ],
    rows,
    MARGIN,
    from,
    8.5,
  )
  const road = roadPrompts(result.assembly, job.vehicle, job.brief, rules).map((p) => withLengths(p.text, job.units))
  const engineer = result.engineer.length
    ? [`a licensed engineer or the maker must have a say, because ${result.engineer.join('; because ')}.`]
    : []
  const cautions = [...engineer, ...new Set(result.limits.flatMap((l) => (l.caution ? [l.caution] : []))), ...road]
  y = testsTable(paper, job, rules, y)
  paper.font('bold').fontSize(10).fillColor(SIGNAL)
  for (const c of cautions) {
    y += 6
    if (y > paper.page.height - 60) {
      paper.addPage()
      y = 60
    }
    paper
      .font('text')
      .fontSize(9)
      .fillColor(SIGNAL)
      .text(`Caution: ${c}`, MARGIN, y, { width: paper.page.width - 2 * MARGIN })
    y = paper.y
  }
}

/** What a proof load showed, measured beside computed. Nothing that was only planned is printed. */
function testsTable(paper: Paper, job: Job, rules: Rules, y: number): number {
  const done = job.loadTests.filter((t) => verdictOf(t, rules).word !== 'planned')
  if (!done.length) return y
  const mm = (v: number | null) => formatLength(v, { ...job.units, mmStep: 0.5 })
  return table(
    paper,
    [
      { head: 'Load test', width: 200 },
      { head: 'Sag computed', width: 85, align: 'right' },
      { head: 'Sag measured', width: 85, align: 'right' },
      { head: 'Stayed', width: 60, align: 'right' },
      { head: 'Verdict', width: 120 },
      { head: 'By', width: 160 },
    ],
    done.map((t) => [
      `${withUnit(t.loadKg, 'mass', job.units)} on ${t.barMark}, ${mm(t.atMm)} from its left end`,
      mm(t.computedSagMm),
      mm(t.measuredSagMm),
      mm(t.setMm),
      verdictOf(t, rules).passed ? 'proof-tested' : `NOT PASSED: ${verdictOf(t, rules).word}`,
      [t.who, t.at.slice(0, 10)].filter(Boolean).join(', '),
    ]),
    MARGIN,
    y + 14,
    8.5,
  )
}
