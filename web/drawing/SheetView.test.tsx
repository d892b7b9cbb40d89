// @vitest-environment jsdom
import { fireEvent, screen, within } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { strainOf } from '../../core/drawing/strain'
import { drawView } from '../../core/drawing/views'
import { demoJobs } from '../../core/job/demoJobs'
import { evaluate } from '../../core/job/evaluate'
import { INCH, METRIC } from '../../core/quantity/units'
import { defaultRules } from '../../core/rules/rules'
import { mount } from '../testing/bench'
import { handlesOf } from './handles'
import { SheetView } from './SheetView'
import { bandOf, bands, UseLegend } from './useBands'

const [job] = demoJobs
const e = evaluate(job, defaultRules)
const actions = () => ({ onGrab: vi.fn(), onMove: vi.fn(), onDrop: vi.fn(), onNudge: vi.fn(), onDimension: vi.fn() })
const shown = (view: 'plan' | 'side' | 'rear', more: Partial<Parameters<typeof SheetView>[0]> = {}, units = METRIC) =>
  mount(
    <SheetView
      sheet={drawView(view, e.assembly, job.vehicle, job.brief)}
      handles={handlesOf(job, defaultRules)}
      marks={new Map()}
      selected={null}
      onSelect={() => undefined}
      actions={null}
      {...more}
    />,
    units,
  )

describe('the drawing on the screen', () => {
  test('in plan each bar and each load is a slider that says where it stands, in the job’s units', () => {
    shown('plan', { actions: actions() })
    const plan = screen.getByRole('group', { name: 'Plan view' })
    const bars = within(plan).getAllByRole('slider', { name: /^Bar \d/ })
    expect(bars.map((b) => b.getAttribute('aria-valuetext'))).toEqual(
      ['-250 mm', '850 mm', '2000 mm'].map((t) => expect.stringContaining(t.replace(' mm', ''))),
    )
    expect(within(plan).getAllByRole('slider', { name: /Equipment case/ })).toHaveLength(1)
  })
  test('arrow keys nudge along, across only what may go across, farther with Shift; other keys do nothing', () => {
    const a = actions()
    shown('plan', { actions: a })
    const bar = screen.getByRole('slider', { name: /^Bar 1/ })
    fireEvent.keyDown(bar, { key: 'ArrowRight' })
    fireEvent.keyDown(bar, { key: 'ArrowLeft', shiftKey: true })
    fireEvent.keyDown(bar, { key: 'ArrowUp' })
    fireEvent.keyDown(bar, { key: 'q' })
    expect(a.onNudge.mock.calls.map(([h, axis, steps, large]) => [h.ref, axis, steps, large])).toEqual([
      ['p1/bar:0', 'x', 1, false],
      ['p1/bar:0', 'x', -1, true],
    ])
    fireEvent.keyDown(screen.getByRole('slider', { name: /Equipment case/ }), { key: 'ArrowUp' })
    expect(a.onNudge.mock.lastCall?.slice(1)).toEqual(['y', 1, false])
  })
  test('seen from behind bars go up and down, loads across: neither asks to be taken where it cannot go', () => {
    shown('rear', { actions: actions() })
    const loads = job.brief.cargo.filter((c) => c.counts !== 'parked').length
    expect(screen.getAllByRole('slider').length).toBe(loads + screen.getAllByRole('slider', { name: /^Bar/ }).length)
  })
  test('a dimension that changes something is a button: pressed, or by Enter; without actions it only reads', () => {
    const a = actions()
    const { unmount } = shown('plan', { actions: a })
    const [first] = screen.getAllByRole('button', { name: /^Change / })
    fireEvent.click(first)
    fireEvent.keyDown(first, { key: 'Enter' })
    expect(a.onDimension).toHaveBeenCalledTimes(2)
    unmount()
    shown('plan')
    expect(screen.queryByRole('button', { name: /^Change / })).toBeNull()
  })
  test('dimensions are written in the job’s units', () => {
    shown('plan', { actions: actions() }, INCH)
    expect(screen.getAllByRole('button', { name: /^Change \d+ \d+\/\d+/ }).length).toBeGreaterThan(0)
  })
  test('what is over a limit says so, and is hatched', () => {
    const { container } = shown('plan', { actions: actions(), marks: new Map([['cargo:sampling-poles', 'over']]) })
    expect(screen.getByRole('slider', { name: /Sampling poles.*over a limit/ })).toBeTruthy()
    expect(container.querySelectorAll('[fill="url(#over-hatch)"]').length).toBeGreaterThan(0)
  })
})

describe('members by how much they are used', () => {
  test.each([
    [0.1, 'under 25 %'],
    [0.3, 'under 50 %'],
    [0.84, 'under 85 %'],
    [0.85, 'near'],
    [1, 'near'],
    [1.01, 'over'],
  ])('%d is %s', (use, words) => expect(bandOf(use).words).toBe(words))
  test('each band has a hatch of its own: they tell apart without colour', () => {
    expect(new Set(bands.map((b) => `${b.gap}${b.id === 'use-over' ? '/' : '\\'}`)).size).toBe(bands.length)
  })
  test('under load the most used bar is named on the drawing and each member carries its band', () => {
    const rough = e.cases.find((c) => c.case.id === 'bump')!
    const strain = strainOf('plan', e, rough, METRIC)
    const sheet = drawView('plan', e.assembly, job.vehicle, job.brief)
    const { container } = shown('plan', { sheet: { ...sheet, entities: [...sheet.entities, ...strain.entities] }, uses: strain.uses })
    expect(screen.getByText(/^B2 7\d %$/)).toBeTruthy()
    expect(container.querySelectorAll('polygon[fill="url(#use-most)"]')).toHaveLength(1)
  })
  test('the legend says what the hatches mean and how much larger movements are', () => {
    mount(<UseLegend factor={20} />)
    expect(screen.getByLabelText('Legend').textContent).toMatch(/under 25 %.*over.*movements drawn × 20/)
    mount(<UseLegend factor={1} />)
    expect(screen.getByText('movements drawn true to size')).toBeTruthy()
  })
})
