import { beforeEach, describe, expect, test, vi } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import type { StoredJob } from '../api/queries'

const shelf = new Map<string, string>()
vi.stubGlobal('localStorage', {
  getItem: (k: string) => shelf.get(k) ?? null,
  setItem: (k: string, v: string) => shelf.set(k, v),
  removeItem: (k: string) => shelf.delete(k),
})
vi.stubGlobal('document', { visibilityState: 'visible', addEventListener: () => undefined, removeEventListener: () => undefined })
const { beginDrag, cancelDrag, closeJob, editJob, endDrag, openJob, redo, standAt, stash, undo, useJob } = await import('./jobStore')
const { saveNow, settleConflict } = await import('./useAutosave')

const [survey] = demoJobs
const stored = (over: Partial<StoredJob> = {}): StoredJob => ({
  id: 'j1',
  revision: 3,
  archived: false,
  updatedAt: '',
  job: survey,
  ...over,
})
const note = (notes: string) => editJob((j) => ({ ...j, notes }))
const notes = () => useJob.getState().job?.notes
const steps = () => useJob.temporal.getState().pastStates.length

/** A server of one job: keeps what it is sent, refuses what is older, as the real one does. */
function serverWith(first: StoredJob) {
  const state = { current: first, answers: 0, down: false }
  vi.stubGlobal('fetch', async (path: string, init?: { method?: string; body?: string }) => {
    if (state.down) throw new TypeError('no connection')
    state.answers++
    const answer = (status: number, body: unknown) => ({ ok: status < 400, status, json: async () => body })
    if (init?.method === 'PUT') {
      const sent = JSON.parse(init.body ?? '{}') as { revision: number; job: StoredJob['job'] }
      if (sent.revision !== state.current.revision)
        return answer(409, { faults: [{ where: 'revision', expected: 'newer' }], theirs: state.current })
      state.current = { ...state.current, revision: sent.revision + 1, job: sent.job }
      return answer(200, { revision: state.current.revision })
    }
    if (path.endsWith('/import')) return answer(201, { ...first, id: 'copy', job: JSON.parse(init?.body ?? '{}') })
    return answer(404, { faults: [{ where: 'x', expected: 'y' }] })
  })
  return state
}

beforeEach(() => {
  shelf.clear()
  closeJob()
  openJob(stored())
})

describe('undo', () => {
  test('each edit is a step; redo brings it again; a new edit ends what could be redone', () => {
    note('one')
    note('two')
    undo()
    expect(notes()).toBe('one')
    redo()
    expect(notes()).toBe('two')
    undo()
    note('three')
    redo()
    expect(notes()).toBe('three')
  })
  test('a drag over fifty places is one step', () => {
    beginDrag()
    for (let x = 0; x < 50; x++) editJob((j) => ({ ...j, design: { ...j.design, params: { ...j.design.params, barXMm: [x, 850, 2000] } } }))
    endDrag()
    expect([steps(), useJob.getState().job?.design.params.barXMm[0]]).toEqual([1, 49])
    undo()
    expect(useJob.getState().job?.design.params.barXMm[0]).toBe(-250)
  })
  test('a drag that is given up leaves no step and no change; one that moved nothing leaves none either', () => {
    beginDrag()
    note('half way')
    cancelDrag()
    beginDrag()
    endDrag()
    expect([steps(), notes()]).toEqual([0, survey.notes])
  })
  test('going to another station is not undone', () => {
    note('kept')
    standAt('cut')
    undo()
    expect([notes(), steps()]).toEqual([survey.notes, 0])
  })
  test('another job has its own history', () => {
    note('one')
    openJob(stored({ id: 'j2' }))
    expect(steps()).toBe(0)
  })
})

describe('saving', () => {
  test('what was typed goes out with its revision and is acknowledged', async () => {
    const server = serverWith(stored())
    note('typed')
    expect(useJob.getState().saveState).toBe('unsaved')
    await saveNow()
    expect([useJob.getState().saveState, useJob.getState().revision, server.current.job.notes]).toEqual(['saved', 4, 'typed'])
  })
  test('nothing changed, nothing sent', async () => {
    const server = serverWith(stored())
    await saveNow()
    expect(server.answers).toBe(0)
  })
  test('with the connection down it says so and keeps the work; later it goes out', async () => {
    const server = serverWith(stored())
    server.down = true
    note('in the dark')
    await saveNow()
    expect([useJob.getState().saveState, notes()]).toEqual(['failed', 'in the dark'])
    server.down = false
    await saveNow()
    expect(server.current.job.notes).toBe('in the dark')
  })
  test('somebody else changed another thing: put together and saved, without a question', async () => {
    const server = serverWith(stored({ revision: 4, job: { ...survey, title: 'Renamed elsewhere' } }))
    note('mine')
    await saveNow()
    expect(useJob.getState().saveState).toBe('unsaved')
    await saveNow()
    expect([server.current.job.title, server.current.job.notes]).toEqual(['Renamed elsewhere', 'mine'])
  })
  test('both changed the same thing: the person is asked; whatever the choice, neither text is lost', async () => {
    const theirs = stored({ revision: 4, job: { ...survey, notes: 'theirs' } })
    const clash = async () => {
      closeJob()
      openJob(stored())
      const server = serverWith(theirs)
      note('mine')
      await saveNow()
      expect(useJob.getState().saveState).toBe('conflict')
      return server
    }
    const first = await clash()
    await settleConflict('mine')
    expect(first.current.job.notes).toBe('mine')
    await clash()
    await settleConflict('theirs')
    expect([notes(), useJob.getState().revision]).toEqual(['theirs', 4])
    await clash()
    expect(await settleConflict('copy')).toBe('copy')
    expect(notes()).toBe('theirs')
  })
})

describe('what a closed window leaves behind', () => {
  test('unsaved work of the same revision is there again', () => {
    stash('j1', { revision: 3, job: { ...survey, notes: 'not yet sent' } })
    openJob(stored())
    expect([notes(), useJob.getState().saveState]).toEqual(['not yet sent', 'unsaved'])
  })
  test('if the job moved on meanwhile both versions are offered', () => {
    stash('j1', { revision: 2, job: { ...survey, notes: 'older window' } })
    openJob(stored())
    expect([useJob.getState().saveState, notes(), useJob.getState().theirs?.job.notes]).toEqual(['conflict', 'older window', survey.notes])
  })
  test('a spoilt note in the browser is ignored', () => {
    shelf.set('tideline.unsaved.j1', '{')
    openJob(stored())
    expect(notes()).toBe(survey.notes)
  })
})
