import type { Job } from '../../core/job/job'
import { madeAssembly } from '../../core/job/piecesOf'
import { type Label, labelsOf } from '../../core/labels/labels'
import type { CutPlan } from '../../core/nesting/planCuts'
import type { Rules } from '../../core/rules/rules'
import { codeOf } from './code'
import { closePaper, INK, MARGIN, openPaper, type Paper, QUIET, type Title } from './paper'

const ACROSS = 3
const HIGH = 80
const CODE = 64

/** Labels to cut apart and stick on: the mark large, what it is, and a code that says it without a network. PDF bytes. */
export async function labelsPdf(job: Job, rules: Rules, plan: CutPlan, title: Title): Promise<Buffer> {
  const paper = openPaper(title)
  const labels = labelsOf({ title: job.title, revision: title.revision, units: job.units }, madeAssembly(job, rules), plan)
  if (!labels.length) paper.font('bold').fontSize(12).fillColor(INK).text('There is nothing to stick a label on.', MARGIN, 60)
  const wide = (paper.page.width - 2 * MARGIN) / ACROSS
  const rows = Math.floor((paper.page.height - 60 - 44) / HIGH)
  for (const [i, label] of labels.entries()) {
    const onPage = i % (ACROSS * rows)
    if (i && !onPage) paper.addPage()
    const at = { x: MARGIN + (onPage % ACROSS) * wide, y: 58 + Math.floor(onPage / ACROSS) * HIGH }
    await paintLabel(paper, label, title.job, { ...at, wide })
  }
  return closePaper(paper, title)
}

async function paintLabel(paper: Paper, l: Label, jobTitle: string, { x, y, wide }: { x: number; y: number; wide: number }): Promise<void> {
  paper.rect(x, y, wide, HIGH).lineWidth(0.4).dash(2, { space: 3 }).strokeColor(QUIET).stroke().undash()
  paper.image(await codeOf(l.code), x + 8, y + 8, { width: CODE })
  const text = { width: wide - CODE - 24, height: 20, ellipsis: true }
  const left = x + CODE + 16
  paper
    .font('bold')
    .fontSize(l.what === 'part' ? 22 : 15)
    .fillColor(INK)
    .text(l.mark, left, y + 8, text)
  paper
    .font('text')
    .fontSize(9.5)
    .text(l.name, left, y + 35, { ...text, height: 12 })
  paper.fontSize(8.5).text(l.of, left, y + 48, { ...text, height: 11 })
  paper
    .fontSize(7.5)
    .fillColor(QUIET)
    .text(jobTitle, left, y + 61, { ...text, height: 10 })
}
