// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { afterEach, describe, expect, test } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import type { Job } from '../../core/job/job'
import { rackAlone } from '../../core/testing/racks'
import { crewCab } from '../../core/vehicle/demoCrewCab'
import { useView } from '../drawing/view'
import { redo, undo } from '../job/jobStore'
import { benchJob, mount, onBench, WithJob } from '../testing/bench'
import { useInHand } from './inHand'
import { PieceForm } from './PieceForm'
import { PieceTree } from './PieceTree'

afterEach(() => useView.setState({ pieceId: null, selected: null }))
const survey = rackAlone(demoJobs[0]!)
const onCrewCab: Job = { ...survey, pieces: [], vehicle: crewCab() }
const shown = (job: Job) => {
  onBench(job)
  return mount(<WithJob>{(j) => <PieceTree job={j} />}</WithJob>)
}
const names = () =>
  within(screen.getByRole('list', { name: 'Pieces of the job' }))
    .getAllByRole('button', { pressed: undefined })
    .filter((b) => b.hasAttribute('aria-pressed'))
    .map((b) => b.textContent)
const ids = () => benchJob().pieces.map((p) => p.id)

describe('pieces of a job', () => {
  test('a job of no piece says what it is; from the shelf of pictures one is added and taken up at once', async () => {
    const { user } = shown(onCrewCab)
    expect(screen.getByText(/No piece yet/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Add a piece' }))
    const shelf = within(screen.getByRole('dialog', { name: 'Add a piece' }))
    expect(within(shelf.getByRole('region', { name: 'over the cab' })).getAllByRole('article').length).toBeGreaterThan(0)
    await user.click(shelf.getByRole('button', { name: 'Add cab guard' }))
    expect(benchJob().pieces).toMatchObject([{ id: 'p1', letter: '', family: 'cab-guard', on: null, state: 'fitted' }])
    expect(names()[0]).toMatch(/^Cab guard/)
  })
  test('a family that has no place on this vehicle says what it lacks and cannot be added', async () => {
    const { user } = shown(survey)
    await user.click(screen.getByRole('button', { name: 'Add a piece' }))
    const guard = screen.getByRole('article', { name: 'Cab guard' })
    expect(within(guard).getByText(/Not here yet: /)).toBeTruthy()
    expect(within(guard).getByRole<HTMLButtonElement>('button').disabled).toBe(true)
  })
  test('named, copied under its own letter, put away and fitted again, moved in the list', async () => {
    const { user } = shown(survey)
    const name = screen.getByRole('textbox', { name: 'Name of the piece' })
    await user.clear(name)
    await user.type(name, 'Front rack{Enter}')
    await user.click(screen.getByRole('button', { name: 'Copy it' }))
    expect(benchJob().pieces.map((p) => [p.id, p.letter, p.name])).toEqual([
      ['p1', '', 'Front rack'],
      ['p2', 'B', 'Front rack, copy'],
    ])
    await user.click(screen.getByRole('button', { name: 'Later in the list' }))
    expect(ids()).toEqual(['p2', 'p1'])
    await user.click(screen.getByRole('button', { name: 'Put it away' }))
    expect(benchJob().pieces[1]!.state).toBe('off')
    expect(screen.getByRole('button', { name: /Front rack.*put away/, pressed: true })).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Fit it again' }))
    expect(benchJob().pieces[1]!.state).toBe('fitted')
  })
  test('one removed is brought back by undo, with everything that it was; what it carried says that its stand is gone', async () => {
    const { user } = shown({ ...survey, pieces: [...survey.pieces, { ...survey.pieces[0]!, id: 'p2', letter: 'B', on: 'p1' }] })
    await user.click(screen.getByRole('button', { name: /^Remove / }))
    expect(benchJob().pieces).toMatchObject([{ id: 'p2', on: 'p1' }])
    undo()
    expect(benchJob().pieces[0]).toEqual(survey.pieces[0])
    redo()
    expect(ids()).toEqual(['p2'])
  })
  test('it may stand on another piece, never on one that stands on it', async () => {
    const { user } = shown({ ...survey, pieces: [...survey.pieces, { ...survey.pieces[0]!, id: 'p2', letter: 'B', name: 'Upper' }] })
    await user.click(screen.getByRole('button', { name: /Upper/ }))
    await user.click(screen.getByRole('combobox', { name: 'Stands on' }))
    await user.click(screen.getAllByRole('option')[1]!)
    expect(benchJob().pieces[1]!.on).toBe('p1')
    await user.click(screen.getAllByRole('button').find((b) => b.hasAttribute('aria-pressed') && !b.textContent?.includes('Upper'))!)
    expect(screen.queryByRole('combobox', { name: 'Stands on' })).toBeNull()
  })
  test('a piece of a family that this version does not know is shown, kept whole, and not worked out', () => {
    const odd = { ...survey.pieces[0]!, id: 'p2', letter: 'B', family: 'moon-basket', params: { hoops: [1, 2, { lean: 3 }] } }
    shown({ ...survey, pieces: [...survey.pieces, odd] })
    expect(screen.getByText(/not known to this version: kept as it came/)).toBeTruthy()
    expect(benchJob().pieces[1]).toEqual(odd)
  })
  test('what lies on a piece is listed under it', () => {
    shown(survey)
    expect(screen.getByRole('button', { name: /^Equipment case/ })).toBeTruthy()
  })
})

function Form({ job }: { job: Job }) {
  const inHand = useInHand(job)
  return inHand && <PieceForm inHand={inHand} />
}

describe('the fields of the piece in hand come from its family', () => {
  test('a guard asks for its height, not for bars; one typed too low is refused with what it can be', async () => {
    const { user } = shown(onCrewCab)
    await user.click(screen.getByRole('button', { name: 'Add a piece' }))
    await user.click(screen.getByRole('button', { name: 'Add cab guard' }))
    mount(<WithJob>{(j) => <Form job={j} />}</WithJob>)
    const before = benchJob()
    const height = screen.getByRole('textbox', { name: 'Rail to top of the guard' })
    await user.clear(height)
    await user.type(height, '-10{Enter}')
    expect(screen.getByText('use 200 mm or more')).toBeTruthy()
    expect(benchJob()).toEqual(before)
    expect(screen.queryByRole('textbox', { name: 'Foot height' })).toBeNull()
  })
})
