// @vitest-environment jsdom
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { demoShop, type Shop } from '../../core/shop/shop'
import { answering, mount, Refused } from '../testing/bench'
import { PeopleAndDays } from './PeopleAndDays'

const kept = { revision: 5, document: demoShop }
type Call = { method: string; body?: unknown }
const sent = (calls: Call[]): Shop[] => calls.filter((c) => c.method === 'PUT').map((c) => JSON.parse(String(c.body)).document)

test('a person more, a supplier’s kinds, and how many vehicles stand in the shop are each sent with the rest as it was', async () => {
  const { calls } = answering({ 'GET /shelves/shop': kept, 'PUT /shelves/shop': kept })
  const { user } = mount(<PeopleAndDays />)
  await user.click(await screen.findByRole('button', { name: 'Add a person' }))
  const loft = screen.getByDisplayValue('The bolt loft').closest('section')!
  await user.click(within(loft).getAllByRole('switch', { name: 'feet' })[1]!)
  const bays = screen.getByRole('textbox', { name: 'Vehicle bay' })
  await user.clear(bays)
  await user.type(bays, '0{Enter}')
  await waitFor(() => expect(sent(calls)).toHaveLength(3))
  const [more, gives, none] = sent(calls)
  expect(more!.calendar.people.map((p) => p.id)).toEqual(['person-1', 'person-2', 'person-3'])
  expect(gives!.suppliers[1]!.gives).toEqual(['small parts', 'coats', 'feet'])
  expect(none!.calendar.places.vehicle).toBe(0)
  expect(none!.suppliers).toEqual(demoShop.suppliers)
})
test('a first day moved past the last takes it along: no span ends before it begins', async () => {
  const { calls } = answering({ 'GET /shelves/shop': kept, 'PUT /shelves/shop': kept })
  mount(<PeopleAndDays />)
  const from = await screen.findByLabelText('closed from')
  fireEvent.change(from, { target: { value: '2027-03-01' } })
  fireEvent.blur(from)
  await waitFor(() => expect(sent(calls)).toHaveLength(1))
  expect(sent(calls)[0]!.calendar.closed).toEqual([{ from: '2027-03-01', to: '2027-03-01', why: 'turn of the year' }])
})
test('a shop without anybody says what the days reckon with; a refusal is said', async () => {
  const alone = { revision: 5, document: { ...demoShop, calendar: { ...demoShop.calendar, people: [] } } }
  answering({
    'GET /shelves/shop': alone,
    'PUT /shelves/shop': new Refused(409, { faults: [{ where: 'revision', expected: 'the newest shop' }] }),
  })
  const { user } = mount(<PeopleAndDays />)
  expect(await screen.findByText('Nobody yet: the days reckon with one person.')).toBeTruthy()
  await user.click(screen.getByRole('button', { name: 'Add a supplier' }))
  expect(await screen.findByText(/the newest shop/)).toBeTruthy()
})
