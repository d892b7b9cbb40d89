import type { Job } from '../job/job'
import { counted } from '../quantity/counted'

/** What a job made anew leaves behind, in words, because it was done, bought, tested or agreed for the other one. */
export function leftBehind(job: Job): string[] {
  const count = (n: number, one: string, many?: string) => (n ? [counted(n, one, many)] : [])
  return [
    ...count(Object.keys(job.built).length, 'step that was ticked', 'steps that were ticked'),
    ...count(Object.keys(job.kit).length, 'line of the kit that was here or ordered', 'lines of the kit that were here or ordered'),
    ...count(job.loadTests.length, 'load test'),
    ...count(job.outside.length, 'answer from outside', 'answers from outside'),
    ...count(job.clientAnswers.length, 'answer of the client', 'answers of the client'),
    ...(job.due || job.start || job.bringsOn || Object.keys(job.notBefore).length ? ['its dates'] : []),
  ]
}

/** The same intent as a job of its own: nothing of it is built, bought, tested, asked or agreed yet, whatever was so of the first. */
export const asNew = (job: Job, title: string): Job => ({
  ...job,
  title,
  station: 'brief',
  due: null,
  start: null,
  bringsOn: null,
  ahead: false,
  notBefore: {},
  loadTests: [],
  outside: [],
  kit: {},
  built: {},
  flatSheets: null,
  atWork: null,
  clientAnswers: [],
})
