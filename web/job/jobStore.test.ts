import { beforeEach, describe, expect, test, vi } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import { rackParams, withRack } from '../../core/testing/racks'
import type { StoredJob } from '../api/queries'

const shelf = new Map<string, string>()
vi.stubGlobal('localStorage', {
  getItem: (k: string) => shelf.get(k) ?? null,
  setItem: (k: string, v: string) => shelf.set(k, v),
  removeItem: (k: string) => shelf.delete(k),
  key: (i: number) => [...shelf.keys()][i] ?? null,
  get length() {
    return shelf.size
  },
})
vi.stubGlobal('document', { visibilityState: 'visible', addEventListener: () => undefined, removeEventListener: () => undefined })
const { beginDrag, cancelDrag, closeJob, editForGood, editJob, endDrag, openJob, redo, standAt, undo, useJob } = await import('./jobStore')
const { saveNow, settleConflict } = await import('./useAutosave')
const { keepUnsaved, leftBehind } = await import('../keeping/unsaved')
const { ownTab } = await import('../keeping/tabs')

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
    const answer = (status: number, body: unknown) => ({ ok: status < 400, status, headers: new Headers(), json: async () => body })
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
    for (let x = 0; x < 50; x++) editJob((j) => withRack(j, { barXMm: [x, 850, 2000] }))
    endDrag()
    expect([steps(), rackParams(useJob.getState().job!).barXMm[0]]).toEqual([1, 49])
    undo()
    expect(rackParams(useJob.getState().job!).barXMm[0]).toBe(-250)
  })
  test('a drag that is given up leaves no step and no change; one that moved nothing leaves none either', () => {
    beginDrag()
    note('half way')
    cancelDrag()
    beginDrag()
    endDrag()
    expect([steps(), notes()]).toEqual([0, survey.notes])
  })
  test('what went with a change outside the job is not undone, while what was done before it is', () => {
    openJob(stored())
    editJob((j) => ({ ...j, notes: 'first' }))
    editForGood((j) => ({ ...j, ahead: true }))
    editJob((j) => ({ ...j, notes: 'second' }))
    const now = () => [useJob.getState().job!.notes, useJob.getState().job!.ahead]
    undo()
    expect(now()).toEqual(['first', true])
    undo()
    expect(now()).toEqual([survey.notes, true])
    redo()
    redo()
    expect(now()).toEqual(['second', true])
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
  /** As a window that is gone left it. */
  const leave = (tab: string, revision: number, job: unknown, at = '2026-11-26T09:00') =>
    shelf.set(`tideline.unsaved.j1${tab}`, JSON.stringify({ revision, at, job }))
  const open = async (at = stored()) => openJob(at, await leftBehind('j1'))
  test('unsaved work of the same revision is there again, and from then on this window keeps it', async () => {
    leave('.gone', 3, { ...survey, notes: 'not yet sent' })
    await open()
    expect([notes(), useJob.getState().saveState]).toEqual(['not yet sent', 'unsaved'])
    expect([...shelf.keys()]).toEqual([`tideline.unsaved.j1.${ownTab}`])
  })
  test('if the job moved on meanwhile both versions are offered', async () => {
    leave('', 2, { ...survey, notes: 'older window' })
    await open()
    expect([useJob.getState().saveState, notes(), useJob.getState().theirs?.job.notes]).toEqual(['conflict', 'older window', survey.notes])
  })
  test('what turns out to be saved already asks nothing', async () => {
    leave('.gone', 2, survey)
    await open()
    expect([useJob.getState().saveState, shelf.size]).toEqual(['saved', 0])
  })
  test('of two windows the newer goes on, and the other is offered, not lost', async () => {
    leave('.one', 3, { ...survey, notes: 'first' }, '2026-11-26T09:00')
    leave('.two', 3, { ...survey, notes: 'second' }, '2026-11-26T10:00')
    await open()
    expect([notes(), useJob.getState().left.map((l) => l.job?.notes)]).toEqual(['second', ['first']])
  })
  test('work of an older release is brought up to date; what cannot be read opens the server’s and is offered as a file', async () => {
    leave('.old', 3, { ...survey, version: 1, notes: 'from last year', brief: { ...survey.brief, cargo: undefined } })
    leave('.spoilt', 3, { format: 'rust' })
    shelf.set('tideline.unsaved.j1.half', '{')
    await open()
    expect(notes()).toBe('from last year')
    expect(useJob.getState().left.map((l) => [l.job, l.text.slice(0, 12)])).toEqual([
      [null, '{"revision":'],
      [null, '{'],
    ])
  })
  test('another job’s work is left alone', async () => {
    shelf.set('tideline.unsaved.j11.gone', JSON.stringify({ revision: 1, job: survey }))
    expect(await leftBehind('j1')).toEqual([])
  })
  test('a window that is still open keeps its own', async () => {
    keepUnsaved('j1', 3, { ...survey, notes: 'mine, in this window' })
    expect(await leftBehind('j1')).toEqual([])
  })
})

describe('a browser that keeps nothing', () => {
  test('saving goes on as ever, and until it is done it is said that there is no copy', async () => {
    const { localStorage: kept } = globalThis
    const forbids = () => {
      throw new DOMException('The quota has been exceeded.', 'QuotaExceededError')
    }
    vi.stubGlobal('localStorage', { getItem: forbids, setItem: forbids, removeItem: forbids, key: forbids, length: 1 })
    const server = serverWith(stored())
    openJob(stored(), await leftBehind('j1'))
    note('typed all the same')
    expect(keepUnsaved('j1', 3, survey)).toBe(false)
    await saveNow()
    expect([useJob.getState().saveState, server.current.job.notes]).toEqual(['saved', 'typed all the same'])
    vi.stubGlobal('localStorage', kept)
  })
})

describe('an answer that got lost', () => {
  test('the save had arrived: going on typing asks nothing and loses nothing', async () => {
    const server = serverWith(stored())
    openJob(stored())
    note('a')
    const first = { ...survey, notes: 'a' }
    server.down = true
    await saveNow()
    expect(useJob.getState().saveState).toBe('failed')
    // it was taken, only the answer never came
    server.current = { ...server.current, revision: 4, job: first }
    server.down = false
    note('a and b')
    await saveNow()
    expect(useJob.getState()).toMatchObject({ saveState: 'unsaved', revision: 4, theirs: null })
    await saveNow()
    expect([useJob.getState().saveState, server.current.revision, server.current.job.notes]).toEqual(['saved', 5, 'a and b'])
  })
})
