import { notAsked, stillOpen } from '../brief/intake'
import { checkInside } from '../inside/checkInside'
import { issueMessage } from '../issue/messages.en'
import type { Limit } from '../limits/limit'
import { neededBeforeCutting } from '../places/neededBeforeCutting'
import { restOf } from '../resting/rest'
import { swingsOf } from '../vehicle/swings'
import { vehicleFields } from '../vehicle/vehicle'
import { runLacks } from '../wiring/runs'
import { standingOf, unsettled } from './clientStanding'
import type { Evaluation } from './evaluate'
import { intakeMet } from './intakeMet'
import type { Job } from './job'
import type { Station } from './stations'
import { testsOwed } from './testsOwed'

/** Something a station still waits for, in words; `at` leads to the field. */
export type OpenItem = { station: Station; text: string; weight: 'needed' | 'worth a look' }

/** What is open at each station, from the job and its figures. `length` shows mm in the job's units. */
export function openItems(
  job: Job,
  evaluation: Evaluation | null,
  length: (mm: number) => string,
  fit: Pick<Limit, 'name' | 'state'>[] = [],
): OpenItem[] {
  const { brief, vehicle } = job
  const items: OpenItem[] = []
  const needed = (station: Station, text: string) => items.push({ station, text, weight: 'needed' })
  const look = (station: Station, text: string) => items.push({ station, text, weight: 'worth a look' })

  if (!brief.clientName) needed('brief', 'Who is the client?')
  if (!brief.loadClass) needed('brief', 'Agree a load class, so that later wishes can be held against it')
  if (brief.speedKmh === null) needed('brief', 'Driving speed, for the wind')
  if (!brief.passages.some((p) => p.heightMm !== null)) needed('brief', 'The lowest height they must pass under')
  if (!brief.cargo.length) needed('brief', 'What will be carried?')
  const unasked = notAsked(brief.asked)
  if (unasked) look('brief', `${unasked} of the questions that are often forgotten ${unasked === 1 ? 'is' : 'are'} not asked yet`)
  for (const says of stillOpen(brief.asked, evaluation ? intakeMet(job, evaluation.assembly) : new Set())) needed('brief', says)
  for (const c of brief.cargo) {
    if (c.massKg === null) needed('brief', `Mass of ${c.name}`)
    else if (c.massBasis === 'estimated') look('brief', `Mass of ${c.name} is estimated: weigh it`)
    if (c.opens && !c.openAs)
      look(
        'loads',
        `${c.name}, open in wind, is not assessed: say in the brief how it stands open; an awning is hung on brackets as a piece of its own`,
      )
    // what stands in a holder or lies on a floor neither reaches past its last support nor spans between two
    const on = evaluation ? restOf(c, evaluation.assembly).supports : []
    if (c.counts === 'parked' || (on.length && on.every((s) => s.holds || s.surface))) continue
    if (c.maxOverhangMm === null) needed('brief', `Overhang rule of ${c.name}`)
    if (c.maxSpanMm === null) look('brief', `Span rule of ${c.name}: without one its span is not checked`)
  }
  for (const f of vehicleFields) {
    if (f.optional && vehicle[f.key].value === null) continue
    if (vehicle[f.key].value === null) needed('measure', `${f.label} is unknown`)
    else if (vehicle[f.key].method === 'assumed') look('measure', `${f.label} is assumed, not measured`)
  }
  for (const n of neededBeforeCutting(vehicle))
    if (n.state === 'conflict' || n.state === 'contradiction') needed('measure', `${n.label}: ${n.why}`)
  for (const s of swingsOf(vehicle)) if (s.opensDeg === null) needed('measure', `How far the ${s.name.toLowerCase()} opens is unknown`)
  for (const m of [...vehicle.mounts, ...vehicle.obstacles, ...vehicle.bodies])
    if (m.taken.method === 'unknown') look('measure', `Nobody said how the place of ${m.name} was measured: it counts as assumed`)
  if (!vehicle.mounts.length) needed('measure', 'Where may a foot stand? Add a mount line')
  for (const c of brief.cargo) if (c.counts !== 'parked' && c.securing === null) look('loads', `Nobody said how ${c.name} is held down`)
  for (const issue of evaluation?.issues ?? []) needed('layout', issueMessage(issue, length))
  for (const l of evaluation?.limits ?? []) {
    if (l.state === 'over') needed('loads', `${l.name} is over its line`)
    if (l.state === 'unknown') needed('loads', `${l.name} is not assessed`)
  }
  for (const l of fit) {
    if (l.state === 'over') needed('fit', l.name)
    if (l.state === 'unknown') look('fit', `${l.name} is not assessed`)
  }
  const inside = checkInside(job.inside)
  for (const f of inside.faults) needed('fit', `Inside: ${f.says.replace(/\{([\d.]+)\}/g, (_, mm: string) => length(Number(mm)))}`)
  if (job.inside.things.length && inside.missing.length) look('fit', `Inside is not assessed: ${inside.missing[0]} is missing`)
  if (evaluation)
    for (const run of job.wiring) for (const lack of runLacks(run, evaluation.assembly)) needed('fit', `Cable “${run.name}”: ${lack}`)
  for (const [id, t] of Object.entries(job.built)) if (t.otherwise && !t.settled) needed('cut', `Not as drawn, at “${id}”: ${t.otherwise}`)
  for (const says of testsOwed(job)) needed('hand-over', says)
  for (const w of unsettled(job)) needed('hand-over', `The client${w.view ? `, on the ${w.view}` : ''}: “${w.says}”`)
  const client = standingOf(job)
  if (client.kind === 'agreed before')
    needed('hand-over', `${client.by.who} agreed to revision ${client.by.revision}; the job has changed since: send the page again`)
  if (client.kind === 'not agreed') needed('hand-over', `${client.by.who} has not agreed yet`)
  return items
}
