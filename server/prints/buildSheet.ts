import { buildPlan } from '../../core/build/buildPlan'
import { daysAlone } from '../../core/build/calendar'
import { type Stage, stages } from '../../core/build/step'
import { type StepState, stepStates } from '../../core/build/ticks'
import type { Job } from '../../core/job/job'
import { builtFrom } from '../../core/job/piecesOf'
import { kitRows, kitStanding } from '../../core/purchase/kit'
import { kitNeeds } from '../../core/purchase/needs'
import { withLengths } from '../../core/quantity/figureText'
import type { Apart } from '../../core/reach/takeApart'
import type { Rules } from '../../core/rules/rules'
import { lateBy } from '../../core/schedule/schedule'
import type { PlannedShop } from '../../core/shop/shop'
import { codeOf } from './code'
import { closePaper, INK, MARGIN, openPaper, type Paper, QUIET, type Title, table } from './paper'

const daysText = (d: { from: string; to: string } | undefined): string =>
  d ? (d.from === d.to ? d.from : `${d.from} to ${d.to.slice(5)}`) : ''

/** The order of work, a sheet to each stage to hang where that is done: each step with why, parts, tools, minutes and its caution; gates to sign. PDF bytes. */
export async function buildSheetPdf(
  job: Job,
  rules: Rules,
  { workshop, suppliers, calendar }: PlannedShop,
  reach: Apart,
  title: Title,
): Promise<Buffer> {
  const paper = openPaper(title)
  const made = builtFrom(job, rules)
  const plan = buildPlan({ ...made, reach, workshop, suppliers, rules })
  const kit = kitRows(kitNeeds(made, workshop.coats, rules), job.kit, suppliers, rules)
  const days = daysAlone(plan, job, { kit: kitStanding(kit), today: title.date, rules, calendar })
  const on = new Map(days.steps.map((s) => [s.stepId, s]))
  const late = lateBy(days.handOverOn, job.due)
  paper
    .font('bold')
    .fontSize(12)
    .fillColor(INK)
    .text(
      plan.steps.length
        ? `${plan.steps.length} steps, ${(plan.workMinutes / 60).toFixed(1)} h of work; hand-over on ${days.handOverOn ?? 'a day that nobody can say'}, as the shop’s only job${late ? `, ${late} ${late === 1 ? 'day' : 'days'} after it is due` : ''}.`
        : 'Nothing is built in this job yet.',
      MARGIN,
      58,
    )
  if (!plan.steps.length) return closePaper(paper, title)
  const states = stepStates(plan, job.built)
  const first = states.find((s) => !s.done)?.step.stage
  let begun = false
  for (const stage of Object.keys(stages) as Stage[]) {
    const own = states.filter((s) => s.step.stage === stage)
    if (!own.length) continue
    if (begun) paper.addPage()
    await stageSheet(paper, own, {
      heading: `${stages[stage]}${stage === first ? '' : own.every((s) => s.done) ? ', done' : ''}`,
      top: begun ? 58 : 80,
      number: (s) => states.indexOf(s) + 1,
      days: (id) => daysText(on.get(id)),
      link: linkTo(title.link, own.find((s) => !s.done)?.step.id ?? own[0]!.step.id),
      job,
    })
    begun = true
  }
  return closePaper(paper, title)
}

/** The page of one step in the shop's own server. */
function linkTo(link: string | undefined, stepId: string): string | null {
  if (!link) return null
  const at = new URL(link)
  at.searchParams.set('step', stepId)
  return at.href
}

type Sheet = {
  heading: string
  top: number
  number: (s: StepState) => number
  days: (stepId: string) => string
  link: string | null
  job: Job
}
const STAGE_CODE_PT = 58
/** One stage, to hang where it is done: large enough to read standing, its code leading to the first step of it that is still to do. */
async function stageSheet(paper: Paper, states: StepState[], { heading, top, number, days, link, job }: Sheet): Promise<void> {
  paper
    .font('bold')
    .fontSize(16)
    .fillColor(INK)
    .text(heading, MARGIN, top + 4, { lineBreak: false })
  if (link) {
    const x = paper.page.width - MARGIN - STAGE_CODE_PT
    paper.image(await codeOf(link), x, top, { width: STAGE_CODE_PT })
    paper
      .font('text')
      .fontSize(8.5)
      .fillColor(QUIET)
      .text('one step at a time, on a phone', x - 150, top + STAGE_CODE_PT / 2 - 5, { width: 142, align: 'right' })
  }
  table(
    paper,
    [
      { head: '', width: 26 },
      { head: 'Step', width: 140 },
      { head: 'Why, and the parts', width: 250 },
      { head: 'Days', width: 70 },
      { head: 'Tools', width: 110 },
      { head: 'min', width: 36, align: 'right' },
      { head: 'People', width: 46, align: 'right' },
      { head: 'Done, or signed', width: 100 },
    ],
    states.map((s) => [
      `${number(s)}`,
      s.step.title,
      [withLengths(s.step.why, job.units), s.step.marks.join(', '), s.step.caution ? `! ${s.step.caution}` : ''].filter(Boolean).join('. '),
      days(s.step.id),
      s.step.tools.join(', '),
      `${Math.round(s.step.minutes)}`,
      `${s.step.people}`,
      doneWords(s),
    ]),
    MARGIN,
    top + (link ? STAGE_CODE_PT + 8 : 30),
    11,
  )
}

function doneWords({ step, done }: StepState): string {
  if (done) return `${done.on}${done.by ? ` ${done.by}` : ''}${done.changed ? ', changed since' : ''}`
  return step.gate ? 'signed: ____________' : '[   ]'
}
