// @vitest-environment jsdom
import { act, fireEvent, screen, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { demoJobs } from '../../../core/job/demoJobs'
import { withRack } from '../../../core/testing/racks'
import { editJob } from '../../job/jobStore'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import { HolesView } from './HolesView'

const [survey] = demoJobs
const shown = () => mount(<WithJob>{(job) => <HolesView job={job} jobId="j" />}</WithJob>)

test('every hole with the parts it passes; one part is ticked and the mate is still open; moved, it says so', () => {
  answering({})
  onBench(withRack(survey, { sideRails: true, build: 'bolted', profileId: 'square-40x3-steel' }))
  shown()
  expect(screen.getByRole('status').textContent).toMatch(/^0 of \d+ parts drilled/)
  const byPart = within(screen.getByRole('table', { name: 'Drilling by part' }))
  expect(byPart.getByText('B1').closest('tr')!.textContent).toMatch(/\(2 × 6\.6, with RL\)/)
  const table = within(screen.getByRole('table', { name: 'Holes through every part' }))
  const crossing = table.getAllByRole('row').find((r) => /Side rail.*B2 Crossbar/.test(r.textContent ?? ''))!
  expect(crossing.textContent).toMatch(/× M6.*6\.6.*6\.4.*65.*M6 × 80/)
  const [rail, bar] = within(crossing).getAllByRole('checkbox') as HTMLInputElement[]
  fireEvent.click(rail!)
  expect([rail!.checked, bar!.checked]).toEqual([true, false])
  expect(screen.getByRole('status').textContent).toMatch(/^1 of/)
  expect(Object.keys(benchJob().built)).toHaveLength(1)
  expect(screen.queryByRole('alert')).toBeNull()
  const moved = withRack(benchJob(), { barXMm: [-900, 300, 1150] }).pieces
  act(() => editJob((j) => ({ ...j, pieces: moved })))
  expect(screen.getByRole('alert').textContent).toMatch(/moved since it was drilled/)
  expect(screen.getByRole('status').textContent).toMatch(/^0 of/)
  expect(screen.getByRole('link', { name: 'Print the drilling sheet' }).getAttribute('href')).toBe('/api/jobs/j/holes.pdf')
})

test('a job of no piece has nothing to drill', () => {
  answering({})
  onBench({ ...survey, pieces: [] })
  shown()
  expect(screen.getByText('Nothing in this job is drilled.')).toBeTruthy()
})

test('strips that are notched stand by packets, with where, how wide and how deep; a job without bolts has its sheet all the same', () => {
  answering({})
  const camp = demoJobs.find((j) => j.pieces.some((p) => p.family === 'lattice'))!
  onBench(camp)
  shown()
  const row = within(screen.getByRole('table', { name: 'Notches by part' })).getAllByRole('row')[1]!
  expect(row.textContent).toMatch(/^S1, S2, S3, S4, S5, S6Strip1404.*30.*152.*702.*1252.*31.* wide, 12.* deep from below$/)
  expect(screen.getByRole('link', { name: 'Print the drilling sheet' })).toBeTruthy()
})
