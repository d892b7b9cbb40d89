// @vitest-environment jsdom
import { fireEvent, screen } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { describe, expect, test } from 'vitest'
import { answering, mount } from '../testing/bench'
import { Shell } from './Shell'

const shop = {
  '/jobs': { total: 1, rows: [{ id: 'a', title: 'Spar carrier', client: 'Spar and sail loft', station: 'cut' }], tally: {} },
  '/calculators': [{ name: 'beam', title: 'Beam on several supports', group: 'Strength' }],
}
const shown = (path = '/') => {
  answering(shop)
  return mount(
    <Routes>
      <Route element={<Shell />}>
        <Route path="*" element={<p>here</p>} />
      </Route>
    </Routes>,
    undefined,
    path,
  )
}

describe('what stands round every page', () => {
  test('the shop’s places, a way past them to the work, and the look for bench or bay', async () => {
    const { user } = shown()
    expect(screen.getByText('here')).toBeTruthy()
    expect(screen.getByRole('link', { name: 'Skip to the work' }).getAttribute('href')).toBe('#main')
    expect(screen.getByRole('link', { name: 'Stock rack' }).getAttribute('href')).toBe('/stock')
    await user.click(screen.getByRole('button', { name: 'Dim look for the bay' }))
    expect(screen.getByRole('button', { name: 'Paper look for the bench' })).toBeTruthy()
  })
  test('Control K finds a calculator, a page or a job, and goes there', async () => {
    const { user } = shown()
    fireEvent.keyDown(document.body, { key: 'k', ctrlKey: true })
    const find = await screen.findByRole('combobox', { name: /Find a job/ })
    await user.type(find, 'beam')
    await user.click(await screen.findByRole('option', { name: 'Beam on several supports' }))
    expect(screen.queryByRole('combobox', { name: /Find a job/ })).toBeNull()
  })
  test('inside a job its stations are found too; a word that is nowhere says so', async () => {
    const { user } = shown('/jobs/a/layout')
    await user.click(screen.getByRole('button', { name: 'Find' }))
    expect(await screen.findByRole('option', { name: 'Hand-over, this job' })).toBeTruthy()
    expect(await screen.findByRole('option', { name: 'Spar carrier, Spar and sail loft' })).toBeTruthy()
  })
  test('the question mark lists the keys, and how a length may be written', async () => {
    const { user } = shown()
    fireEvent.keyDown(document.body, { key: '?' })
    const keys = await screen.findByRole('dialog', { name: 'Keys' })
    expect(keys.textContent).toContain('84 - 2*1 3/4')
    await user.click(screen.getByRole('button', { name: 'Close' }))
  })
})
