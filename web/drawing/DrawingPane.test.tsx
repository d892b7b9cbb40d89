// @vitest-environment jsdom
import { fireEvent, screen } from '@testing-library/react'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import type { Job } from '../../core/job/job'
import { rackParams } from '../../core/testing/racks'
import { useJob } from '../job/jobStore'
import { benchJob, mount, onBench, WithJob } from '../testing/bench'
import { DrawingPane } from './DrawingPane'
import { useView } from './view'

vi.mock('./Scene', () => ({ default: ({ strained }: { strained: unknown[] }) => <p>3D with {strained.length} moved lines</p> }))
afterEach(() => useView.setState({ view: 'all', selected: null, when: 'driving', caseId: null }))
const [survey] = demoJobs
const pane = (job: Job, loads = false) => {
  onBench(job)
  return mount(<WithJob>{(j) => <DrawingPane job={j} loads={loads} />}</WithJob>)
}
const views = () => screen.getAllByRole('group', { name: / view$/ }).map((g) => g.getAttribute('aria-label'))

describe('what is looked at', () => {
  test('three views side by side, one alone, or the 3D scene', async () => {
    const { user } = pane(survey)
    expect(views()).toEqual(['Plan view', 'Side view', 'Rear view'])
    await user.click(screen.getByRole('button', { name: 'Side' }))
    expect(views()).toEqual(['Side view'])
    await user.click(screen.getByRole('button', { name: '3D' }))
    expect(await screen.findByText('3D with 0 moved lines')).toBeTruthy()
  })
  test('what is carried only when parked is drawn only when parked', async () => {
    const parked = { ...survey, brief: { ...survey.brief, cargo: survey.brief.cargo.map((c) => ({ ...c, counts: 'parked' as const })) } }
    const { user } = pane(parked)
    expect(screen.queryAllByText('Equipment case')).toHaveLength(0)
    await user.click(screen.getByRole('button', { name: 'Parked' }))
    expect(screen.getAllByText('Equipment case').length).toBeGreaterThan(0)
  })
})

describe('moved by hand', () => {
  test('an arrow key moves a bar by a step, and undo brings it back', () => {
    pane(survey)
    const before = rackParams(benchJob()).barXMm[0]
    fireEvent.keyDown(screen.getAllByRole('slider', { name: /^Bar 1/ })[0], { key: 'ArrowRight' })
    expect(rackParams(benchJob()).barXMm[0]).toBeGreaterThan(before)
    useJob.temporal.getState().undo()
    expect(rackParams(benchJob()).barXMm[0]).toBe(before)
  })
  test('a dimension is pressed and typed where it stands: the bar goes there, Escape leaves it', async () => {
    const { user } = pane(survey)
    const dimension = screen.getAllByRole('button', { name: /930/ })[0]
    fireEvent.keyDown(dimension, { key: 'Enter' })
    fireEvent.click(dimension)
    const field = await screen.findByRole('textbox', { name: 'Bar 1, from the datum' })
    await user.clear(field)
    await user.type(field, '1000{Enter}')
    expect(rackParams(benchJob()).barXMm[0]).toBe(-180)
    expect(screen.queryByRole('textbox', { name: 'Bar 1, from the datum' })).toBeNull()
  })
})

describe('under load', () => {
  test('the worst case comes first, with its hatching; any other can be looked at', async () => {
    const { user } = pane(survey, true)
    expect(screen.getByRole('combobox', { name: 'Load case' }).textContent).toBe('Worst of all: braking on a rough track')
    expect(screen.getByLabelText('Legend').textContent).toContain('Strength used')
    await user.click(screen.getByRole('combobox', { name: 'Load case' }))
    await user.click(screen.getByRole('option', { name: 'rough track' }))
    expect(screen.getAllByText(/^1040 N, \d+ %$/).length).toBeGreaterThan(0)
    await user.click(screen.getByRole('combobox', { name: 'Load case' }))
    await user.click(screen.getByRole('option', { name: 'parked' }))
    expect(screen.queryAllByText(/^1040 N, \d+ %$/)).toHaveLength(0)
  })
  test('a mass nobody knows: its cases are named as not assessed, and looked at show no hatching and no force', async () => {
    const cargo = [{ ...survey.brief.cargo[0], massKg: null }, ...survey.brief.cargo.slice(1)]
    const { user } = pane({ ...survey, brief: { ...survey.brief, cargo } }, true)
    expect(screen.getByText(/Not assessed for want of mass of Sampling poles/)).toBeTruthy()
    expect(screen.getByRole('combobox', { name: 'Load case' }).textContent).toBe('Worst assessed: parked')
    await user.click(screen.getByRole('combobox', { name: 'Load case' }))
    await user.click(screen.getByRole('option', { name: 'rough track, not assessed' }))
    expect(screen.getByLabelText('Legend').textContent).not.toContain('Strength used')
    expect(screen.queryAllByText(/\d N$/)).toHaveLength(0)
  })
  test('a person climbing up is drawn where he is worst, with his weight', () => {
    pane({ ...survey, brief: { ...survey.brief, someoneClimbs: true, road: 'road', cargo: [] } }, true)
    expect(screen.getByRole('combobox', { name: 'Load case' }).textContent).toContain('a person climbing up')
    expect(screen.getAllByText('100 kg').length).toBeGreaterThan(0)
  })
})
