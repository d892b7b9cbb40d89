import { buildPlan } from '../../core/build/buildPlan'
import { daysAlone } from '../../core/build/calendar'
import { stepStates } from '../../core/build/ticks'
import type { Job } from '../../core/job/job'
import { builtFrom } from '../../core/job/piecesOf'
import { kitRows, kitStanding } from '../../core/purchase/kit'
import { kitNeeds } from '../../core/purchase/needs'
import { withLengths } from '../../core/quantity/figureText'
import type { Apart } from '../../core/reach/takeApart'
import type { Rules } from '../../core/rules/rules'
import { lateBy } from '../../core/schedule/schedule'
import type { PlannedShop } from '../../core/shop/shop'
import { closePaper, INK, MARGIN, openPaper, type Title, table } from './paper'

const daysText = (d: { from: string; to: string } | undefined): string =>
  d ? (d.from === d.to ? d.from : `${d.from} to ${d.to.slice(5)}`) : ''

/** The order of work to hang beside the bench: each step with why, parts, tools, minutes and its caution; gates to sign. PDF bytes. */
export function buildSheetPdf(
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
  table(
    paper,
    [
      { head: '', width: 26 },
      { head: 'Step', width: 150 },
      { head: 'Why, and the parts', width: 240 },
      { head: 'Days', width: 70 },
      { head: 'Tools', width: 110 },
      { head: 'min', width: 36, align: 'right' },
      { head: 'People', width: 42, align: 'right' },
      { head: 'Done, or signed', width: 100 },
    ],
    states.map(({ step, done }, i) => [
      `${i + 1}`,
      step.title,
      [withLengths(step.why, job.units), step.marks.join(', '), step.caution ? `! ${step.caution}` : ''].filter(Boolean).join('. '),
      daysText(on.get(step.id)),
      step.tools.join(', '),
      `${Math.round(step.minutes)}`,
      `${step.people}`,
      done
        ? `${done.on}${done.by ? ` ${done.by}` : ''}${done.changed ? ', changed since' : ''}`
        : step.gate
          ? 'signed: ____________'
          : '[   ]',
    ]),
    MARGIN,
    80,
    9,
  )
  return closePaper(paper, title)
}
