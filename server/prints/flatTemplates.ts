import { edgeOfHole, isRound } from '../../core/geometry/hole'
import type { Point } from '../../core/geometry/vec3'
import type { Job } from '../../core/job/job'
import { madeAssembly } from '../../core/job/piecesOf'
import { formatGauge } from '../../core/quantity/formatQuantity'
import type { Rules } from '../../core/rules/rules'
import { type FlatKind, flatKinds, marksOf } from '../../core/sheetNesting/sheetPlan'
import { closePaper, fullSize, INK, MARGIN, openPaper, type Paper, QUIET, type Title } from './paper'
import { cross, ruler } from './ruler'

/** What pages overlap by, so that the crosses of both can be seen. mm */
const OVERLAP_MM = 12
/** More pages than that are no template but wallpaper: such a part is laid out by its running dimensions. */
const MOST_PAGES = 24
const TOP = 92
/** So that a line along the rim is drawn whole. mm */
const RIM_MM = 1

/** Every flat part at full size over as many pages as it takes, to be stuck on and drilled or traced: edge, holes with their middles, fold lines. PDF bytes. */
export function flatTemplatesPdf(job: Job, rules: Rules, title: Title): Promise<Buffer> {
  const paper = openPaper(title)
  const kinds = flatKinds(madeAssembly(job, rules), rules)
  if (!kinds.length) paper.font('text').fontSize(12).fillColor(INK).text('Nothing in this job is cut from sheet.', MARGIN, 64)
  kinds.forEach((k, i) => {
    if (i) paper.addPage()
    template(paper, job, k, fullSize(title.shop.paper))
  })
  return closePaper(paper, title)
}

function template(paper: Paper, job: Job, k: FlatKind, unit: number): void {
  const room = { x: (paper.page.width - 2 * MARGIN) / unit - 2 * RIM_MM, y: (paper.page.height - TOP - 44) / unit - 2 * RIM_MM }
  const low = { x: Math.min(...k.plate.outline.map((p) => p.x)), y: Math.min(...k.plate.outline.map((p) => p.y)) }
  // laid along the paper where that takes fewer pages
  const pages = (w: number, h: number) => [steps(w, room.x), steps(h, room.y)] as const
  const [along, across] = [pages(k.flatMm.x, k.flatMm.y), pages(k.flatMm.y, k.flatMm.x)]
  const turned = across[0] * across[1] < along[0] * along[1]
  const [cols, rows] = turned ? across : along
  const on = (p: Point): Point => (turned ? { x: p.y - low.y, y: k.flatMm.x - (p.x - low.x) } : { x: p.x - low.x, y: p.y - low.y })
  if (cols * rows > MOST_PAGES) {
    head(paper, job, k, unit, '')
    paper
      .font('text')
      .fontSize(11)
      .fillColor(INK)
      .text(`It would take ${cols * rows} pages: lay it out by the running dimensions of its fold sheet.`, MARGIN, TOP + 20)
    return
  }
  for (let row = 0; row < rows; row++)
    for (let col = 0; col < cols; col++) {
      if (row + col) paper.addPage()
      const from = { x: col * (room.x - OVERLAP_MM), y: row * (room.y - OVERLAP_MM) }
      const last = { x: col === cols - 1, y: row === rows - 1 }
      head(
        paper,
        job,
        k,
        unit,
        cols * rows > 1 ? `Page ${row * cols + col + 1} of ${cols * rows}, column ${col + 1} from the left, row ${row + 1} from below` : '',
      )
      const at = (p: Point): [number, number] => [MARGIN + (RIM_MM + p.x - from.x) * unit, TOP + (RIM_MM + room.y - (p.y - from.y)) * unit]
      paper.save()
      paper.rect(MARGIN, TOP, (room.x + 2 * RIM_MM) * unit, (room.y + 2 * RIM_MM) * unit).clip()
      draw(paper, k, unit, job.units, (p) => at(on(p)))
      paper.restore()
      // crosses stand at the same place of the part on both pages that share them
      for (const x of [...(col ? [from.x + OVERLAP_MM / 2] : []), ...(last.x ? [] : [from.x + room.x - OVERLAP_MM / 2])])
        for (const y of [0.15, 0.85]) cross(paper, ...at({ x, y: from.y + room.y * y }))
      for (const y of [...(row ? [from.y + OVERLAP_MM / 2] : []), ...(last.y ? [] : [from.y + room.y - OVERLAP_MM / 2])])
        for (const x of [0.15, 0.85]) cross(paper, ...at({ x: from.x + room.x * x, y }))
    }
}

const steps = (long: number, room: number): number => (long <= room ? 1 : Math.ceil((long - OVERLAP_MM) / (room - OVERLAP_MM)))

function head(paper: Paper, job: Job, k: FlatKind, unit: number, page: string): void {
  paper
    .font('bold')
    .fontSize(16)
    .fillColor(INK)
    .text(`${marksOf(k)}  ${k.plate.name}`, MARGIN, 50, { lineBreak: false })
  if (page) {
    paper.font('text').fontSize(9).fillColor(QUIET)
    paper.text(page, paper.page.width - MARGIN - paper.widthOfString(page), 54, { lineBreak: false })
  }
  paper
    .font('text')
    .fontSize(8.5)
    .fillColor(QUIET)
    .text('Full size: print at 100 %, lay a steel rule on the line, join cross to cross.', MARGIN + 440, 72, { lineBreak: false })
  ruler(paper, 68, unit, job.units.system)
}

function draw(paper: Paper, k: FlatKind, unit: number, units: Job['units'], at: (p: Point) => [number, number]): void {
  const round = (points: Point[]) => {
    points.forEach((p, i) => {
      if (i) paper.lineTo(...at(p))
      else paper.moveTo(...at(p))
    })
    paper.closePath().lineWidth(0.8).strokeColor(INK).stroke()
  }
  round(k.plate.outline)
  for (const h of k.plate.holes) {
    round(edgeOfHole(h, 24))
    if (!isRound(h)) continue
    const [x, y] = at(h.at)
    cross(paper, x, y)
    paper
      .font('figures')
      .fontSize(7)
      .fillColor(QUIET)
      .text(formatGauge(h.diameterMm, units), x + (h.diameterMm / 2) * unit + 3, y - 4, { lineBreak: false })
  }
  for (const [i, b] of k.plate.bends.entries()) {
    const [a, z] = [at(b.line[0]), at(b.line[1])]
    paper
      .moveTo(...a)
      .lineTo(...z)
      .lineWidth(0.6)
      .strokeColor(INK)
    if (b.side === 'down') paper.dash(4, { space: 3 })
    paper.stroke().undash()
    paper
      .font('figures')
      .fontSize(8)
      .fillColor(QUIET)
      .text(`${i + 1} ${b.side === 'up' ? '↑' : '↓'} ${Math.round(b.angleDeg)}°`, (a[0] + z[0]) / 2 + 4, (a[1] + z[1]) / 2 + 2, {
        lineBreak: false,
      })
  }
}
