// @vitest-environment jsdom
import { act, waitFor } from '@testing-library/react'
import { expose } from 'comlink'
import { expect, test, vi } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import { evaluate } from '../../core/job/evaluate'
import type { Job } from '../../core/job/job'
import type { Rules } from '../../core/rules/rules'
import { answering, mount } from '../testing/bench'
import { editJob, openJob } from './jobStore'
import { useLiveEvaluation, useResult } from './useEvaluation'

/** A worker across a real message channel: what goes over must survive being copied. `hold` keeps an answer back until told. */
const asked: string[] = []
let hold: Promise<void> = Promise.resolve()
class FakeWorker {
  constructor() {
    const { port1, port2 } = new MessageChannel()
    const api = {
      evaluate: async (job: Job, rules: Rules) => {
        asked.push(job.title)
        await hold
        if (job.title === 'broken') throw new Error('the figures could not be worked out')
        return evaluate(job, rules)
      },
    }
    expose(api, port1)
    // biome-ignore lint/correctness/noConstructorReturn: the stand-in is the other end of the channel
    return port2 as never
  }
}
vi.stubGlobal('Worker', FakeWorker)

function Live() {
  useLiveEvaluation()
  return null
}
const rename = (title: string) => act(() => editJob((j) => ({ ...j, title })))

test('figures follow the job: while one is worked out only the newest change waits; a fault is kept beside the last good figures', async () => {
  answering({})
  openJob({ id: 'a', revision: 1, archived: false, updatedAt: '', job: { ...demoJobs[0], title: 'first' } })
  mount(<Live />)
  await waitFor(() => expect(useResult.getState().of?.title).toBe('first'))
  expect(useResult.getState().evaluation?.feet).toHaveLength(6)

  let letGo: () => void = () => undefined
  hold = new Promise((done) => {
    letGo = done
  })
  rename('second')
  await waitFor(() => expect(asked.at(-1)).toBe('second'))
  rename('third')
  rename('fourth')
  letGo()
  await waitFor(() => expect(useResult.getState().of?.title).toBe('fourth'))
  expect(asked).toEqual(['first', 'second', 'fourth'])

  rename('broken')
  await waitFor(() => expect(useResult.getState().fault).toContain('could not be worked out'))
  expect(useResult.getState().of?.title).toBe('fourth')
  rename('mended')
  await waitFor(() => expect(useResult.getState()).toMatchObject({ fault: null, of: { title: 'mended' } }))

  // another job begins without the figures of the one before
  act(() => openJob({ id: 'b', revision: 1, archived: false, updatedAt: '', job: { ...demoJobs[1], title: 'other' } }))
  expect(useResult.getState().evaluation).toBeNull()
  await waitFor(() => expect(useResult.getState().of?.title).toBe('other'))
})
