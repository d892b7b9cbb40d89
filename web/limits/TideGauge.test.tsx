// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { relieve } from '../../core/advice/relief'
import { demoJobs } from '../../core/job/demoJobs'
import { INCH } from '../../core/quantity/units'
import { defaultRules } from '../../core/rules/rules'
import { rackParams } from '../../core/testing/racks'
import { useResult } from '../job/useEvaluation'
import { answering, benchJob, mount, onBench } from '../testing/bench'
import { marksOf } from './states'
import { TideGauge } from './TideGauge'

vi.mock('../job/useEvaluation', async (real) => ({
  ...(await real<typeof import('../job/useEvaluation')>()),
  evaluating: (work: (api: object) => unknown) => work({ relieve: async (...given: Parameters<typeof relieve>) => relieve(...given) }),
}))
const [survey, oyster] = demoJobs

describe('the tide gauge', () => {
  test('the governing limit first, each with its word, its share and what is allowed', () => {
    answering({})
    onBench(survey)
    mount(<TideGauge />)
    const first = screen.getByRole('group', { name: 'Governing: Foot, pulled up' })
    expect(first.textContent).toMatch(/over, 54\d %/)
    expect(screen.getByRole('status').textContent).toContain('3 over, 1 not assessed')
    expect(screen.getAllByRole('listitem').some((l) => l.textContent?.includes('Roof, moving'))).toBe(true)
  })
  test('what nobody knows is named, and is neither clear nor over', () => {
    answering({})
    onBench(oyster)
    mount(<TideGauge />)
    const foot = screen.getByRole('group', { name: 'Governing: Foot, pressed down' })
    expect(foot.textContent).toContain('not assessed')
    expect(foot.textContent).toContain('Missing: Rating per foot, down')
  })
  test('a number opens its working with formula, inputs and source; the relief that it found is applied with one press', async () => {
    answering({ '/shelves/rules': { revision: 0, document: defaultRules } })
    onBench(survey)
    const { user } = mount(<TideGauge />)
    await user.click(screen.getByRole('button', { name: 'Sampling poles 3.4 m, six: overhang: show the working' }))
    const working = await screen.findByRole('dialog')
    expect(within(working).getByText('o = max(rear, front): half length − distance from its middle to the last bar')).toBeTruthy()
    expect(working.textContent).toContain('Largest free overhang')
    const relief = await within(working).findByRole('button', { name: /move bar 3 forward by 100 mm/ }, { timeout: 20_000 })
    const before = rackParams(benchJob()).barXMm[2]
    await user.click(relief)
    expect(rackParams(benchJob()).barXMm[2]).toBe(before + 100)
  })
  test('in an inch job it speaks inches and pounds', () => {
    answering({})
    onBench(survey)
    mount(<TideGauge />, INCH)
    expect(screen.getByRole('group', { name: /Governing/ }).textContent).toMatch(/lbf of 132 lbf/)
  })
  test('before the figures are there it says so; a fault is an alert', async () => {
    answering({})
    const { rerender } = mount(<TideGauge />)
    expect(screen.getByText('Working out the limits…')).toBeTruthy()
    rerender(<div />)
    useResult.setState({ fault: 'the worker ended' })
    mount(<TideGauge />)
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('the worker ended'))
  })
})

test('a drawn part carries the worst state of the limits that name it', () => {
  const limit = (ref: string | null, state: 'clear' | 'near' | 'over' | 'unknown') => ({ ref, state }) as never
  const marks = marksOf([
    limit('bar:0', 'near'),
    limit('bar:0', 'over'),
    limit('bar:0', 'unknown'),
    limit('bar:1', 'unknown'),
    limit(null, 'over'),
  ])
  expect([...marks]).toEqual([
    ['bar:0', 'over'],
    ['bar:1', 'unknown'],
  ])
})
