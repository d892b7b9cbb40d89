// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { figure } from '../../core/figure/figure'
import { INCH } from '../../core/quantity/units'
import { mount } from '../testing/bench'
import { FigureList } from './FigureList'
import { FigureValue } from './Working'

const pitch = (lengthMm: number | null) =>
  figure(
    {
      id: 'pitch',
      name: 'Pitch of the bars',
      unit: 'mm',
      formula: 'p = L / (n − 1)',
      source: 'arithmetic',
      assumes: ['bars stand even'],
      notes: ['Shortest that meets it: {1000}'],
      range: [1190, 1210],
      with: { L: [lengthMm, 'mm', 'length between the end bars'], n: [3, '', 'bars'] },
    },
    ({ L, n }) => L / (n - 1),
  )

test('a number opens its formula, what was put in, its range, notes, source and assumptions, in the job’s units', async () => {
  const { user } = mount(<FigureValue figure={pitch(2413)} />, INCH)
  await user.click(screen.getByRole('button', { name: 'Pitch of the bars: show the working' }))
  const said = (await screen.findByRole('dialog', { name: 'Working of Pitch of the bars' })).textContent
  expect(said).toContain('p = L / (n − 1)')
  expect(said).toContain('length between the end bars95 in')
  expect(said).toContain('47 1/2 in')
  expect(said).toContain('Shortest that meets it: 39 3/8 in.')
  expect(said).toContain('Source: arithmetic')
  expect(said).toContain('Assumes bars stand even')
})

test('an unknown number says which input is missing and shows no value', async () => {
  const { user } = mount(<FigureValue figure={pitch(null)} />)
  const shown = screen.getByRole('button')
  expect(shown.textContent).toBe('—')
  await user.click(shown)
  const working = await screen.findByRole('dialog')
  expect(within(working).getByText('missing')).toBeTruthy()
  expect(working.textContent).not.toMatch(/1206|NaN/)
})

test('a list leaves out what does not apply', () => {
  mount(
    <FigureList
      rows={[
        ['Pitch', pitch(2400)],
        ['Moment about the pin', null],
      ]}
    />,
  )
  expect(screen.getAllByRole('button')).toHaveLength(1)
  expect(screen.queryByText('Moment about the pin')).toBeNull()
})
