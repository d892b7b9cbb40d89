// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { demoShop, type Shop } from '../../core/shop/shop'
import { answering, mount } from '../testing/bench'
import { WorkshopList } from './WorkshopList'

const kept = { revision: 5, document: demoShop }
const sent = (calls: { method: string; body?: unknown }[]): Shop[] =>
  calls.filter((c) => c.method === 'PUT').map((c) => JSON.parse(String(c.body)).document)

test('a coat more, what it is for, and the room’s temperature, also none, are each sent with the rest as it was', async () => {
  const { calls } = answering({ 'GET /shelves/shop': kept, 'PUT /shelves/shop': kept })
  const { user } = mount(<WorkshopList />)
  const coats = within(await screen.findByRole('region', { name: 'Coats' }))
  await user.click(coats.getByRole('button', { name: 'Add a coat' }))
  await user.click(coats.getAllByRole('switch', { name: 'On stainless' })[0]!)
  const room = coats.getByLabelText('Temperature where they dry, °C')
  await user.clear(room)
  await user.type(room, '6{Enter}')
  await user.clear(room)
  await user.type(room, '{Enter}')
  await waitFor(() => expect(sent(calls)).toHaveLength(4))
  const [more, stainless, cold, unknown] = sent(calls)
  expect(more!.workshop.coats).toHaveLength(demoShop.workshop.coats.length + 1)
  expect(stainless!.workshop.coats[0]!.metals).toEqual(['steel', 'stainless'])
  expect([cold!.workshop.roomC, unknown!.workshop.roomC]).toEqual([6, null])
  expect(unknown!.workshop.saws).toEqual(demoShop.workshop.saws)
})
