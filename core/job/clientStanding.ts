import { type ClientAnswer, type KeptAnswer, keptAnswer, MOST_ANSWERS } from '../clientAnswer/clientAnswer'
import { designMark } from './designMark'
import type { Job } from './job'

/** How the client stands to the job as it is now: nothing heard, agreed to this very design, or agreed to another one before. */
export type Standing = { kind: 'silent' } | { kind: 'agreed' | 'agreed before' | 'not agreed'; by: KeptAnswer }

/** The newest answer counts. */
export function standingOf(job: Job): Standing {
  const by = [...job.clientAnswers].sort((a, b) => a.at.localeCompare(b.at)).at(-1)
  if (!by) return { kind: 'silent' }
  if (!by.agrees) return { kind: 'not agreed', by }
  return { kind: by.design === designMark(job) ? 'agreed' : 'agreed before', by }
}

/** Words and marks of the client that nobody settled yet. */
export const unsettled = (job: Job): { says: string; view: KeptAnswer['marks'][number]['view'] | null }[] =>
  job.clientAnswers.flatMap((a) => [
    ...a.marks.filter((m) => !m.settled).map((m) => ({ says: m.says, view: m.view })),
    ...(a.noteSettled ? [] : [{ says: a.note, view: null }]),
  ])

/** Why a job cannot take an answer in, in words; null where it can. */
export function cannotTake(job: Job, answer: ClientAnswer): string | null {
  if (job.clientAnswers.some((a) => a.id === keptAnswer(answer).id)) return 'This answer was read before.'
  if (answer.title !== job.title) return `It answers the page of “${answer.title}”: open that job, or give this one that title again.`
  if (job.clientAnswers.length >= MOST_ANSWERS) return `This job keeps ${MOST_ANSWERS} answers: take an old one away first.`
  return null
}
