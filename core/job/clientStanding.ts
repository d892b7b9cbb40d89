import type { KeptAnswer } from '../clientAnswer/clientAnswer'
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
