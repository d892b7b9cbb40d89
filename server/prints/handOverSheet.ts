import { handOverPack } from '../../core/handOver/handOverPack'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { openItems } from '../../core/job/openItems'
import { pricedPieces } from '../../core/job/piecesOf'
import { figureText, withLengths } from '../../core/quantity/figureText'
import { withUnit } from '../../core/quantity/formatQuantity'
import type { Rules } from '../../core/rules/rules'
import { drawOwnerCard, heading, line } from './ownerCardSheet'
import { closePaper, MARGIN, nextPage, openPaper, type Title, table } from './paper'

/**
 * What goes with the vehicle, in one file: its card, then care, what is open and who settles it by when, what came out otherwise than drawn, what was signed,
 * loads that were tried, small parts to have again, and the cautions of whatever is not clear. PDF bytes.
 */
export function handOverPdf(job: Job, result: Evaluation, rules: Rules, title: Title): Promise<Buffer> {
  const paper = openPaper(title)
  const { units } = job
  const open = openItems(job, result, (mm) => figureText(mm, 'mm', units)).filter((i) => i.weight === 'needed')
  const pack = handOverPack(
    job,
    result,
    pricedPieces(job, rules),
    rules,
    open.map((i) => i.text),
  )
  drawOwnerCard(paper, job, result, rules)
  nextPage(paper)
  paper.y = 58
  const wide = paper.page.width - 2 * MARGIN
  const under = (head: string, bad = false) => heading(paper, head, MARGIN, wide, bad)
  const say = (text: string) => line(paper, text, MARGIN, wide)
  const rows = (columns: Parameters<typeof table>[1], of: string[][]) => {
    paper.y = table(paper, columns, of, MARGIN, paper.y + 2)
  }

  under(pack.open.length ? `Still open: ${pack.open.length}` : 'Nothing is open', pack.open.length > 0)
  if (pack.open.length)
    rows(
      [
        { head: 'What', width: wide - 260 },
        { head: 'Settled by (name)', width: 150 },
        { head: 'Until', width: 110 },
      ],
      pack.open.map((o) => [o, '', '']),
    )
  if (pack.cautions.length) {
    under('Take care')
    for (const c of pack.cautions) say(c)
  }
  under('Care')
  for (const c of pack.care) say(c)
  if (pack.asBuilt.length) {
    under(
      'Built otherwise than drawn',
      pack.asBuilt.some((a) => !a.settled),
    )
    rows(
      [
        { head: 'On', width: 80 },
        { head: 'At', width: 150 },
        { head: 'What', width: wide - 430 },
        { head: 'By', width: 100 },
        { head: '', width: 100 },
      ],
      pack.asBuilt.map((a) => [a.on, a.what, a.said, a.by, a.settled ? 'settled' : 'NOT SETTLED']),
    )
  }
  if (pack.tests.length) {
    under('Loads tried on it')
    rows(
      [
        { head: 'On', width: 80 },
        { head: 'Bar', width: 60 },
        { head: 'Load', width: 80, align: 'right' },
        { head: 'Gave', width: 90, align: 'right' },
        { head: 'Stayed', width: 90, align: 'right' },
        { head: 'By', width: wide - 400 },
      ],
      pack.tests.map((t) => [
        ...[t.on, t.bar, withUnit(t.loadKg, 'mass', units)],
        ...[t.measuredSagMm, t.setMm].map((mm) => (mm === null ? 'not measured' : figureText(mm, 'gauge', units))),
        t.who,
      ]),
    )
  }
  if (pack.signed.length) {
    under('Done and signed')
    rows(
      [
        { head: 'On', width: 80 },
        { head: 'What', width: wide - 230 },
        { head: 'By', width: 150 },
      ],
      pack.signed.map((s) => [s.on, s.what, s.by]),
    )
  }
  if (pack.spares.length) {
    under('Small parts, to have again')
    rows(
      [
        { head: 'Count', width: 60, align: 'right' },
        { head: 'What', width: 260 },
        { head: 'For', width: wide - 320 },
      ],
      pack.spares.map((s) => [String(s.count), withLengths(s.what, units), withLengths(s.for, units)]),
    )
  }
  return closePaper(paper, title)
}
