// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { INCH, METRIC } from '../../core/quantity/units'
import { demoShop } from '../../core/shop/shop'
import type { Workshop } from '../../core/workshop/workshop'
import { mount } from '../testing/bench'
import { TableList } from './TableList'

const { workshop } = demoShop
function shown(w: Workshop = workshop, units = METRIC) {
  const put: Partial<Workshop>[] = []
  return { put, ...mount(<TableList workshop={w} put={(patch) => put.push(patch)} />, units) }
}

describe('the cutting table', () => {
  test('in inches a feed is typed in inches a minute, a kerf in inches, and stored in mm', async () => {
    const { put, user } = shown(workshop, INCH)
    const type = async (name: string, text: string) => {
      const field = screen.getAllByRole('textbox', { name })[0]!
      await user.clear(field)
      await user.type(field, `${text}{Enter}`)
    }
    await type('Feed', '140')
    expect(put.at(-1)!.table!.cuts[0]).toEqual({ ...workshop.table!.cuts[0], feedMmMin: 3556 })
    await type('Kerf', '1/16')
    expect(put.at(-1)!.table!.cuts[0]!.kerfMm).toBeCloseTo(1.5875, 9)
    const sent = put.length
    await type('Kerf', '0')
    expect(put).toHaveLength(sent)
    expect(screen.getByText(/0\.002/)).toBeTruthy()
  })
  test('another setting begins as the last one under a name of its own, not yet tried; one less leaves the others', async () => {
    const { put, user } = shown()
    await user.click(screen.getByRole('button', { name: 'Add what cut clean' }))
    const { cuts } = put[0]!.table!
    expect(cuts.at(-1)).toEqual({ ...workshop.table!.cuts.at(-1), id: 'cut-4', on: null })
    await user.click(screen.getByRole('button', { name: 'Remove setting cut-1' }))
    expect(put[1]!.table!.cuts.map((c) => c.id)).toEqual(['cut-2', 'cut-3'])
    await user.click(screen.getByRole('button', { name: 'Remove the cutting table' }))
    expect(put[2]).toEqual({ table: null })
  })
  test('without one it says so, and one is added with nothing tried on it', async () => {
    const { put, user } = shown({ ...workshop, table: null })
    const region = screen.getByRole('region', { name: 'Cutting table' })
    expect(within(region).getByText(/cut by hand or sent out/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Add a table' }))
    await waitFor(() => expect(put).toHaveLength(1))
    expect(put[0]!.table!.cuts).toEqual([])
  })
})
