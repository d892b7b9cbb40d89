// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import type { PooledBars, PooledLine } from '../../core/purchase/pooled'
import { demoSuppliers } from '../../core/purchase/suppliers'
import { demoShop } from '../../core/shop/shop'
import type { PurchaseAnswer } from '../../core/shopWork/purchaseAnswer'
import { answering, mount, Refused } from '../testing/bench'
import BuyPage from './BuyPage'

const line = (key: string, over: Partial<PooledLine> = {}): PooledLine => ({
  ...{ key, kind: 'small parts', name: key, unit: 'piece', quantity: 30, spares: 2, minor: 4200, supplier: demoSuppliers[1]! },
  for: [
    { jobId: 'a', title: 'Rack', quantity: 20 },
    { jobId: 'b', title: 'Chest', quantity: 10 },
  ],
  ...over,
})
const tube = line('section x', {
  kind: 'sections',
  name: 'Round tube',
  unit: 'mm',
  quantity: 12_340,
  minor: null,
  supplier: demoSuppliers[0]!,
})
const answer = (over: Partial<PurchaseAnswer> = {}): PurchaseAnswer => ({
  ...{ lines: [line('Bolt M8'), tube], coming: [], suppliers: demoSuppliers, left: [], more: 0 },
  jobs: ['a', 'b'].map((id) => ({ id, revision: 1, title: id, kit: { state: 'missing' as const, dueOn: null } })),
  ...over,
})
const shop = { 'GET /shelves/shop': { revision: 1, document: demoShop } }
const saving = { 'POST /shop/kit': { jobs: 2 } }
type Call = { method: string; path?: string; body?: unknown }
const sent = (calls: Call[]) => calls.filter((c) => c.method === 'POST').map((c) => JSON.parse(String(c.body)))

test('an order is told to every job that it is for, with the day it comes', async () => {
  const { calls } = answering({ ...shop, ...saving, 'GET /shop/purchase': answer() })
  const { user } = mount(<BuyPage />)
  const loft = await screen.findByRole('region', { name: 'The bolt loft' })
  expect(within(loft).getByText('Rack 20 · Chest 10 · 2 spare')).toBeTruthy()
  expect(within(loft).getAllByText('42.00')).toHaveLength(2)
  await user.click(within(loft).getByRole('button', { name: 'The bolt loft: all of this is ordered' }))
  await waitFor(() => expect(sent(calls)).toHaveLength(1))
  expect(sent(calls)[0].lines).toEqual([
    { jobId: 'a', key: 'Bolt M8', quantity: 20 },
    { jobId: 'b', key: 'Bolt M8', quantity: 10 },
  ])
  expect(sent(calls)[0].to.due).toMatch(/^\d{4}-\d\d-\d\d$/)
})
test('what comes is taken in for every job by how much of it is for that job; what was to come before today is red with its words', async () => {
  const coming = [{ ...line('Bolt M8'), due: '2020-01-07' }]
  const { calls } = answering({ ...shop, ...saving, 'GET /shop/purchase': answer({ lines: [], coming }) })
  const { user } = mount(<BuyPage />)
  const late = await screen.findByRole('region', { name: 'To come on 2020-01-07' })
  expect(within(late).getByText('Was to come on 2020-01-07')).toBeTruthy()
  await user.click(within(late).getByRole('button', { name: 'Bolt M8: has come' }))
  await waitFor(() => expect(sent(calls)).toHaveLength(1))
  expect(sent(calls)[0]).toMatchObject({ to: 'here', lines: [{ quantity: 20 }, { quantity: 10 }] })
})
test('an order on its way is taken in under its number; those placed before are listed with what they came to, and printed', async () => {
  const coming = [{ ...line('Bolt M8'), due: '2031-01-07', order: '2030-012' }]
  const rows = [{ number: '2030-012', on: '2030-12-30', due: '2031-01-07', supplier: 'The bolt loft', lines: [line('Bolt M8')], bars: [] }]
  const { calls } = answering({ ...shop, ...saving, 'GET /shop/purchase': answer({ lines: [], coming }), 'GET /shop/orders': { rows } })
  const { user } = mount(<BuyPage />)
  const order = await screen.findByRole('region', { name: 'Order 2030-012, to come on 2031-01-07' })
  const placed = await screen.findByRole('region', { name: 'Orders placed' })
  expect(placed.textContent).toMatch(/2030-012The bolt loft · placed 2030-12-30, to come 2031-01-07 · 1 line · 42\.00/)
  expect(within(placed).getByRole('link', { name: 'Print order 2030-012' }).getAttribute('href')).toBe('/api/shop/orders/2030-012.pdf')
  await user.click(within(order).getByRole('button', { name: 'All of it has come' }))
  await waitFor(() => expect(sent(calls)).toHaveLength(1))
})
test('bars together: what to order, what it saves, and what nobody sells; a search that fails says so', async () => {
  const saves = { id: 's', name: 'Saved', value: 2000, unit: 'money', formula: '', with: [], source: '', assumes: [], missing: [] }
  const bars: PooledBars = {
    ...{ togetherMinor: 6000, oneByOneMinor: 8000, saves, usedOffcuts: 1 },
    buy: [{ stockId: 's', profileId: 'round-25x2-steel', lengthMm: 6000, count: 3, priceMinor: 2000 }],
    unplaced: [{ profileId: 'round-25x2-steel', marks: ['B1'], lengthMm: 9000, reason: 'longer than any bar' }],
  }
  answering({ ...shop, 'GET /shop/purchase': answer(), 'GET /shop/purchase/bars': bars })
  const first = mount(<BuyPage />)
  await first.user.click(await screen.findByRole('button', { name: 'Plan the bars of all jobs together' }))
  await screen.findByRole('list', { name: 'Bars to order' })
  const told = screen.getAllByRole('status').map((e) => e.textContent)
  expect(told).toContainEqual(expect.stringMatching(/^60\.00 together, 80\.00 job by job: 20\.00.* saved; 1 offcut of the rack used$/))
  expect(within(screen.getByRole('list', { name: 'Bars to order' })).getByRole('listitem').textContent).toMatch(
    /^3 × Round tube 25 × 2, .*6000 mm$/,
  )
  expect(screen.getByText(/B1 not planned, longer than any bar/)).toBeTruthy()
  first.unmount()
  answering({
    ...shop,
    'GET /shop/purchase': answer(),
    'GET /shop/purchase/bars': new Refused(503, { faults: [{ where: 'the server', expected: 'a free place' }] }),
  })
  const { user } = mount(<BuyPage />)
  await user.click(await screen.findByRole('button', { name: 'Plan the bars of all jobs together' }))
  expect(await screen.findByText(/a free place/)).toBeTruthy()
})
test('nothing to order, nobody who sells: each is said', async () => {
  answering({ ...shop, 'GET /shop/purchase': answer({ lines: [line('Bolt', { supplier: null })], suppliers: [] }) })
  const first = mount(<BuyPage />)
  expect(await screen.findByText(/No supplier is entered/)).toBeTruthy()
  expect(screen.getByRole('region', { name: 'Nobody is entered who sells these' })).toBeTruthy()
  first.unmount()
  answering({ ...shop, 'GET /shop/purchase': answer({ lines: [] }) })
  mount(<BuyPage />)
  expect(await screen.findByText('Nothing is to be ordered')).toBeTruthy()
})
