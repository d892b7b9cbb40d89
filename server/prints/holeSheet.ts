import { drillList, holePlaces, layerWords } from '../../core/drilling/holes'
import { notchRows, notchText } from '../../core/drilling/notches'
import type { Job } from '../../core/job/job'
import { madeAssembly } from '../../core/job/piecesOf'
import { withLengths } from '../../core/quantity/figureText'
import { formatGauge, formatLength } from '../../core/quantity/formatQuantity'
import type { Rules } from '../../core/rules/rules'
import { closePaper, INK, MARGIN, openPaper, SIGNAL, type Title, table } from './paper'

/** Where each tube is drilled, and every hole through all its parts with a box to tick for each. PDF bytes. */
export function holeSheetPdf(job: Job, rules: Rules, title: Title): Promise<Buffer> {
  const paper = openPaper(title)
  const assembly = madeAssembly(job, rules)
  const places = holePlaces(assembly, job.vehicle, rules)
  const [mm, thin] = [(v: number) => formatLength(v, job.units), (v: number) => formatGauge(v, job.units)]
  const width = paper.page.width - 2 * MARGIN
  const notched = notchRows(assembly)
  if (!places.length && !notched.length) {
    paper.font('text').fontSize(12).fillColor(INK).text('Nothing in this job is drilled.', MARGIN, 64)
    return closePaper(paper, title)
  }
  paper.y = 56
  for (const caution of new Set(places.flatMap((p) => p.caution ?? [])))
    paper
      .font('bold')
      .fontSize(9.5)
      .fillColor(SIGNAL)
      .text(caution, MARGIN, paper.y + 2, { width })
  const rows = drillList(assembly, places)
  const below = rows.length
    ? table(
        paper,
        [
          { head: 'Mark', width: 70 },
          { head: 'Part', width: 110 },
          { head: 'Length', width: 70, align: 'right' },
          { head: 'From the first end to the middle of each place', width: width - 250 },
        ],
        rows.map((r) => [
          r.mark,
          r.name,
          mm(r.lengthMm),
          r.at
            .map(
              (h) =>
                `${mm(h.atMm)}: ${h.place.count} × ${h.drillMm === null ? '?' : thin(h.drillMm)}${h.nut ? ' for rivet nuts' : ''} with ${h.mates.join(', ')}`,
            )
            .join('   '),
        ]),
        MARGIN,
        paper.y + 10,
      )
    : paper.y + 10
  const y = notched.length
    ? table(
        paper,
        [
          { head: 'Mark', width: 110 },
          { head: 'Part', width: 90 },
          { head: 'Length', width: 70, align: 'right' },
          { head: 'Packet', width: 60, align: 'right' },
          { head: 'Notches, from the first end to the middle of each; alike ones clamped side by side', width: width - 330 },
        ],
        notched.map((r) => [r.marks.join(', '), r.name, mm(r.lengthMm), mm(r.packetMm), notchText(r, mm)]),
        MARGIN,
        below + 6,
      )
    : below
  if (!places.length) return closePaper(paper, title)
  table(
    paper,
    [
      { head: 'Bolts', width: 130 },
      { head: 'Parts: tick each as it is drilled', width: width - 400 },
      { head: 'Drill', width: 60, align: 'right' },
      { head: 'Close', width: 60, align: 'right' },
      { head: 'Stack', width: 70, align: 'right' },
      { head: 'Bolt', width: 80, align: 'right' },
    ],
    places.map((p) => [
      `${p.count} × ${p.size}${p.apartMm ? `, ${mm(p.apartMm)} apart` : ''}`,
      p.layers
        .map((l) => `[   ] ${l.mark} ${withLengths(layerWords(l), job.units)}${l.throughMm === null ? ' (thickness not known)' : ''}`)
        .join('     '),
      thin(p.drillMm),
      thin(p.closeMm),
      p.stackMm === null ? 'not known' : thin(p.stackMm),
      p.boltMm === null ? '—' : `${p.size} × ${p.boltMm}`,
    ]),
    MARGIN,
    y + 16,
  )
  return closePaper(paper, title)
}
