// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { INCH } from '../../core/quantity/units'
import { demoShop } from '../../core/shop/shop'
import type { LogEntry } from '../../core/shopWork/shopLog'
import { answering, mount } from '../testing/bench'
import LogPage from './LogPage'

const shop = { 'GET /shelves/shop': { revision: 1, document: demoShop } }
const entry = (over: Partial<LogEntry>): LogEntry => ({
  ...{ on: '2026-11-24', jobId: 'j', job: 'Rack', vehicle: 'Tall long van', what: 'Weld out', said: '', by: 'Tjark', units: INCH, ...over },
})

test('entries lead to their job and stand in its units; the shop’s own stand in the shop’s', async () => {
  const entries = [entry({ said: 'sag {g 2.54}' }), entry({ jobId: null, job: '', what: 'trial bend, tube {32}', units: null })]
  answering({ ...shop, 'GET /shop/log': { entries, total: 2, unread: 1, more: false } })
  mount(<LogPage />)
  const list = await screen.findByRole('list', { name: 'Entries' })
  const [mine, own] = within(list).getAllByRole('listitem')
  expect(within(mine!).getByRole('link', { name: 'Rack' }).getAttribute('href')).toBe('/jobs/j/cut?sheet=build')
  expect(mine!.textContent).toMatch(/Tall long van · Tjark.*Weld out: sag 0\.1 in/)
  expect(own!.textContent).toMatch(/the shop.*trial bend, tube 32 mm/)
  expect(screen.getByRole('status').textContent).toBe('2 entries; 1 jobs can no longer be read')
})
test('words are asked for as they are typed, and stand in the address; nothing found says so', async () => {
  const none = { entries: [], total: 0, unread: 0, more: false }
  const { calls } = answering({ ...shop, 'GET /shop/log': none })
  const { user } = mount(<LogPage />)
  expect(await screen.findByText(/Nothing is in the log yet/)).toBeTruthy()
  await user.type(screen.getByRole('searchbox', { name: 'Words that must be in it' }), 'gap')
  expect(await screen.findByText('Nothing has all these words.')).toBeTruthy()
  expect(calls.some((c) => c.path.endsWith('/shop/log?search=gap'))).toBe(true)
})
