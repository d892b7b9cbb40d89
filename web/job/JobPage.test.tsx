// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import { useView } from '../drawing/view'
import { answering, benchJob, mount } from '../testing/bench'
import { ConflictDialog } from './ConflictDialog'
import JobPage from './JobPage'
import { editJob, openJob, useJob } from './jobStore'

vi.mock('./useEvaluation', async (real) => ({ ...(await real<object>()), useLiveEvaluation: () => undefined }))
for (const station of ['brief/Brief', 'measure/Measure', 'layout/Layout', 'loads/Loads', 'cut/Cut', 'handOver/HandOver'])
  vi.doMock(`../stations/${station}Station`, () => ({ default: () => <p>at {station.split('/')[0]}</p> }))
const [survey] = demoJobs
const stored = { id: 'j1', revision: 3, archived: false, updatedAt: '', job: survey }
const page = (path = '/jobs/j1/layout') =>
  mount(
    <Routes>
      <Route path="/jobs/:id/:station" element={<JobPage />} />
    </Routes>,
    undefined,
    path,
  )
const key = (k: string, more: object = {}) => fireEvent.keyDown(document.body, { key: k, ...more })
beforeEach(() => useView.setState({ view: 'all' }))

describe('one job, opened', () => {
  test('shows its title, its client, its stations with what is open at each, and the station asked for', async () => {
    answering({ '/jobs/j1': stored })
    page()
    expect(await screen.findByText('at layout')).toBeTruthy()
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: 'Job title' }).value).toBe(survey.title)
    expect(screen.getByText(survey.brief.clientName)).toBeTruthy()
    const stations = within(screen.getByRole('navigation', { name: 'Stations of this job' })).getAllByRole('link')
    expect(stations.map((s) => s.getAttribute('href'))).toContain('/jobs/j1/hand-over')
    expect(benchJob().station).toBe('layout')
  })
  test('the number keys go from station to station; V turns the views, U the units', async () => {
    answering({ '/jobs/j1': stored, 'PUT /jobs/j1': { revision: 4 } })
    page()
    await screen.findByText('at layout')
    key('6')
    expect(await screen.findByText('at cut')).toBeTruthy()
    key('v')
    expect(useView.getState().view).toBe('plan')
    key('u')
    expect(benchJob().units.system).toBe('inch')
  })
  test('Control Z and Control Y undo and redo, Control S saves at once', async () => {
    const { calls } = answering({ 'GET /jobs/j1': stored, 'PUT /jobs/j1': { revision: 4 } })
    page()
    await screen.findByText('at layout')
    editJob((j) => ({ ...j, notes: 'one' }))
    key('z', { ctrlKey: true })
    expect(benchJob().notes).toBe(survey.notes)
    key('y', { ctrlKey: true })
    expect(benchJob().notes).toBe('one')
    key('s', { ctrlKey: true })
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true))
    await waitFor(() => expect(useJob.getState()).toMatchObject({ saveState: 'saved', revision: 4 }))
  })
  test('renamed it is renamed once the field is left; emptied the old title comes back', async () => {
    answering({ 'GET /jobs/j1': stored, 'PUT /jobs/j1': { revision: 4 } })
    const { user } = page()
    const title = await screen.findByRole<HTMLInputElement>('textbox', { name: 'Job title' })
    await user.clear(title)
    await user.type(title, 'Pole rack, second van{Enter}')
    expect(benchJob().title).toBe('Pole rack, second van')
    await user.clear(title)
    await user.tab()
    expect(title.value).toBe('Pole rack, second van')
  })
  test('units are chosen to the half millimetre or the thirty-second', async () => {
    answering({ 'GET /jobs/j1': stored, 'PUT /jobs/j1': { revision: 4 } })
    const { user } = page()
    await user.click(await screen.findByRole('combobox', { name: 'Units' }))
    await user.click(screen.getByRole('option', { name: 'inch, 1/32' }))
    expect(benchJob().units).toMatchObject({ system: 'inch', fraction: 32 })
  })
  test('a save that fails is said, with a way to save again', async () => {
    answering({ 'GET /jobs/j1': stored })
    const { user } = page()
    await screen.findByText('at layout')
    editJob((j) => ({ ...j, notes: 'kept' }))
    key('s', { ctrlKey: true })
    const again = await screen.findByRole('button', { name: 'Save again' })
    answering({ 'PUT /jobs/j1': { revision: 4 } })
    await user.click(again)
    await waitFor(() => expect(useJob.getState().saveState).toBe('saved'))
    expect(benchJob().notes).toBe('kept')
  })
  test('one that is not there says so and leads back; one that cannot be read can be tried again', async () => {
    answering({})
    page()
    expect((await screen.findByRole('alert')).textContent).toContain('There is no such job.')
    expect(screen.getByRole('link', { name: 'Slipway' })).toBeTruthy()
  })
})

describe('two versions of one job', () => {
  const clash = () => {
    openJob(stored)
    useJob.setState({
      job: { ...survey, notes: 'mine' },
      saveState: 'conflict',
      theirs: { ...stored, revision: 9, job: { ...survey, notes: 'theirs' } },
    })
  }
  test('both are shown where they differ; theirs taken, mine is gone from here', async () => {
    clash()
    const { user } = mount(<ConflictDialog />)
    const dialog = screen.getByRole('dialog', { name: 'Two versions of this job' })
    expect(within(dialog).getAllByRole('row')[1].textContent).toMatch(/minetheirs$/)
    await user.click(within(dialog).getByRole('button', { name: 'Take theirs' }))
    await waitFor(() => expect(useJob.getState()).toMatchObject({ saveState: 'saved', revision: 9 }))
    expect(benchJob().notes).toBe('theirs')
  })
  test('where they look different both are drawn, in the first view that shows it; words in a note are not drawn', async () => {
    clash()
    const first = mount(<ConflictDialog />)
    expect(screen.queryByText(/^Mine, /)).toBeNull()
    first.unmount()
    const rack = survey.pieces[0]!
    const moved = { ...survey, pieces: [{ ...rack, params: { ...rack.params, footHeightMm: 150 } }, ...survey.pieces.slice(1)] }
    useJob.setState({ theirs: { ...stored, revision: 9, job: moved } })
    mount(<ConflictDialog />)
    expect(screen.getByText('Mine, side')).toBeTruthy()
    expect(screen.getByText('Theirs, side')).toBeTruthy()
    expect(screen.getByText(/: foot height$/).closest('tr')!.textContent).toMatch(/90 mm150 mm$/)
  })
  test('mine kept is saved on top of theirs', async () => {
    const { calls } = answering({ 'PUT /jobs/j1': { revision: 10 } })
    clash()
    const { user } = mount(<ConflictDialog />)
    await user.click(screen.getByRole('button', { name: 'Keep mine' }))
    await waitFor(() => expect(useJob.getState()).toMatchObject({ saveState: 'saved', revision: 10 }))
    expect(JSON.parse(String(calls.find((c) => c.body)!.body))).toMatchObject({ revision: 9, job: { notes: 'mine' } })
  })
  test('mine as a job of its own needs the server; when it fails both stay and it is said', async () => {
    answering({})
    clash()
    const { user } = mount(<ConflictDialog />)
    await user.click(screen.getByRole('button', { name: /keep mine as a new job/ }))
    expect((await screen.findByRole('alert')).textContent).toContain('something else')
    expect(useJob.getState()).toMatchObject({ saveState: 'conflict', job: { notes: 'mine' } })
  })
})
