import { ownerCard } from '../../core/handOver/ownerCard'
import type { Evaluation } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import { figureText, withLengths } from '../../core/quantity/figureText'
import { withUnit } from '../../core/quantity/formatQuantity'
import type { Rules } from '../../core/rules/rules'
import { closePaper, INK, MARGIN, nextPage, openPaper, type Paper, pageOf, SIGNAL, type Title, table } from './paper'

const when = { driving: 'driving', parked: 'parked only', both: 'driving and parked' }
const states = { clear: 'clear', near: 'near its line', over: 'OVER', unknown: 'NOT ASSESSED' }

/** What stays in the vehicle and what goes into the file: what it carries and may not, torques, rechecks, keys, what is open. PDF bytes. */
export function ownerCardPdf(job: Job, result: Evaluation, rules: Rules, title: Title): Promise<Buffer> {
  const paper = openPaper(title)
  drawOwnerCard(paper, job, result, rules)
  return closePaper(paper, title)
}

/** The card on the first page of an open paper, and as many more as it takes. */
export function drawOwnerCard(paper: Paper, job: Job, result: Evaluation, rules: Rules): void {
  const { units } = job
  const card = ownerCard(job, result, rules)
  const half = (paper.page.width - 2 * MARGIN - 24) / 2
  const [left, right] = [MARGIN, MARGIN + half + 24]
  paper.font('bold').fontSize(13).fillColor(INK).text(`${job.vehicle.name}: what it carries`, left, 58, { width: half })
  paper.y = table(
    paper,
    [
      { head: 'What', width: 130 },
      { head: 'At most', width: 60, align: 'right' },
      { head: 'On', width: 95 },
      { head: 'When, and held by', width: half - 285 },
    ],
    card.may.map((c) => [
      c.name,
      c.mostKg === null ? 'not weighed' : withUnit(c.mostKg, 'mass', units),
      c.on,
      `${when[c.when]}; ${c.held}`,
    ]),
    left,
    80,
  )
  if (job.brief.speedKmh !== null)
    line(paper, `With the load on no faster than ${figureText(job.brief.speedKmh, 'km/h', units)}.`, left, half)
  line(paper, `Height as it stands: ${figureText(result.height.value, 'mm', units)}. Look up before every low passage.`, left, half)
  if (card.before.length) {
    heading(paper, 'Before you drive off', left, half)
    for (const m of card.before) line(paper, m, left, half)
  }
  heading(paper, 'What it is not for', left, half)
  for (const m of card.mayNot) line(paper, withLengths(m, units), left, half)
  heading(paper, 'To be weighed against', left, half)
  paper.y = table(
    paper,
    [
      { head: 'Of the vehicle', width: half - 210 },
      { head: 'Reckoned', width: 70, align: 'right' },
      { head: 'Allowed', width: 70, align: 'right' },
      { head: '', width: 70 },
    ],
    card.figures.map((l) => [l.name, figureText(l.used.value, l.unit, units), figureText(l.allowed.value, l.unit, units), states[l.state]]),
    left,
    paper.y + 2,
  )
  const leftEnd = { page: pageOf(paper), y: paper.y }
  // the right half, beside it
  paper.switchToPage(0)
  paper.y = 58
  heading(
    paper,
    card.open.length ? `Open: ${card.open.length}` : 'Nothing is over its line, and nothing not assessed',
    right,
    half,
    card.open.length > 0,
  )
  for (const o of card.open.slice(0, 14)) line(paper, o, right, half)
  if (card.open.length > 14) line(paper, `and ${card.open.length - 14} more on the general arrangement`, right, half)
  if (card.engineer.length) {
    heading(paper, 'Asks for a licensed engineer, or the maker', right, half)
    for (const e of card.engineer) line(paper, e, right, half)
  }
  if (card.ask.length) {
    heading(paper, 'Ask the local rules', right, half)
    for (const a of card.ask) line(paper, withLengths(a, units), right, half)
  }
  heading(paper, 'Torque, dry', right, half)
  if (card.torque.length)
    paper.y = table(
      paper,
      [
        { head: 'Bolt', width: 50 },
        { head: 'Where', width: half - 160 },
        { head: 'Count', width: 40, align: 'right' },
        { head: 'To', width: 70, align: 'right' },
      ],
      card.torque.map((t) => [t.size, t.where, String(t.count), toATenth(figureText(t.torqueNm * 1000, 'N·mm', units))]),
      right,
      paper.y + 2,
    )
  else line(paper, 'No bolt of ours goes through it.', right, half)
  if (card.rechecks.length) {
    heading(paper, 'Look again', right, half)
    for (const r of card.rechecks) line(paper, `After ${r.after}: ${r.what}. On ____________ by ____________`, right, half)
  }
  if (card.keys.length) {
    heading(paper, 'Keys', right, half)
    for (const k of card.keys) line(paper, k, right, half)
  }
  if (card.fuses.length) {
    heading(paper, 'Fuses at the source', right, half)
    for (const f of card.fuses) line(paper, f, right, half)
  }
  const rightEnd = { page: pageOf(paper), y: paper.y }
  const last = Math.max(leftEnd.page, rightEnd.page)
  paper.switchToPage(last)
  paper.y = Math.max(...[leftEnd, rightEnd].filter((e) => e.page === last).map((e) => e.y)) + 12
  line(
    paper,
    'Handed over and explained: ______________________   Received: ______________________   On: ______________',
    left,
    2 * half + 24,
  )
}

/** A wrench is set no finer. */
const toATenth = (text: string): string => text.replace(/^[\d.]+/, (n) => Number(n).toFixed(1))

export function heading(paper: Paper, text: string, x: number, width: number, bad = false): void {
  paper.font('bold').fontSize(10)
  // a heading keeps a line or two of what it heads
  below(paper, paper.heightOfString(text, { width }) + 36)
  paper.fillColor(bad ? SIGNAL : INK).text(text, x, paper.y + 8, { width })
}

export function line(paper: Paper, text: string, x: number, width: number): void {
  paper.font('text').fontSize(9)
  below(paper, paper.heightOfString(text, { width }) + 2)
  paper.fillColor(INK).text(text, x, paper.y + 2, { width })
}

/** Goes on at the head of the next page where so much has no room on this one. */
function below(paper: Paper, high: number): void {
  if (paper.y + high <= paper.page.height - 44) return
  nextPage(paper)
  paper.y = 56
}
