// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { cutRun, type RunCut } from '../../../core/cutRun/cutRun'
import { gcodeOf } from '../../../core/cutRun/gcode'
import { runOnTable } from '../../../core/outside/plasmaTable'
import { INCH, METRIC } from '../../../core/quantity/units'
import { answering, mount, Refused } from '../../testing/bench'
import { CutRunView } from './CutRunView'

vi.mock('../../drawing/SheetView', () => ({ SheetView: () => null }))
const cut: RunCut = { kerfMm: 2, leadMm: 6, spreadMm: 0, square: 'right', feedMmMin: 3000, pierceS: 0.5, rapidMmMin: 12_000 }
const size = { width: 2000, height: 1000 }
const outline = [
  { x: 50, y: 50 },
  { x: 350, y: 50 },
  { x: 350, y: 250 },
  { x: 50, y: 250 },
]
const run = cutRun(size, [{ mark: 'A', outline, holes: [{ at: { x: 100, y: 100 }, diameterMm: 1.5 }] }], cut)
const shown = (told: Parameters<typeof CutRunView>[0]['told'], units = METRIC) =>
  mount(<CutRunView told={told} title="Chest, sheet 1" size={size} href="/api/jobs/j/run/1.nc" />, units)

describe('the run of one sheet', () => {
  test('how many cuts, how long, what would be spoilt in the job’s units, and its program', () => {
    shown({ run, cut, on: '2026-08-02', drilled: 2 }, INCH)
    expect(screen.getByText(/On the table: 1 cut, holes first/)).toBeTruthy()
    expect(screen.getByText(/2 small holes left to the drill, not in the program/)).toBeTruthy()
    expect(screen.getByText(/A: a hole of 0\.059 in is no wider than the kerf: drill it/)).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Program, G-code' }).getAttribute('href')).toBe('/api/jobs/j/run/1.nc')
  })
  test('what nobody tried has no figures, only what is missing', () => {
    shown({ missing: 'how the table cuts steel {g 8} clean' })
    expect(screen.getByText('No run for the table yet, missing: how the table cuts steel 8 mm clean.')).toBeTruthy()
    expect(screen.queryByRole('link')).toBeNull()
  })
  test('the simulated table is given that program, says that it is none, and is put away again', async () => {
    const program = gcodeOf(run, cut, 'Chest, sheet 1')
    const told = runOnTable(program)
    const { calls } = answering({ 'POST /outside/table': 'ran' in told ? told.ran : null })
    const { user } = shown({ run, cut, on: null, drilled: 0 })
    await user.click(screen.getByRole('button', { name: 'Run it on the simulated table' }))
    expect(await screen.findByText(/Simulated: no table ran\. 1 pierce/)).toBeTruthy()
    expect(JSON.parse(String(calls[0]!.body))).toEqual({ program })
    await user.click(screen.getByRole('button', { name: 'Put the table away' }))
    expect(screen.queryByText(/Simulated/)).toBeNull()
  })
  test('a table that refuses says at which line', async () => {
    answering({ 'POST /outside/table': new Refused(422, { faults: [{ where: 'line 3', expected: 'a code this table knows' }] }) })
    const { user } = shown({ run, cut, on: null, drilled: 0 })
    await user.click(screen.getByRole('button', { name: 'Run it on the simulated table' }))
    expect(await screen.findByText(/line 3: a code this table knows/)).toBeTruthy()
  })
})
