// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { demoShop } from '../../core/shop/shop'
import { type Workshop, WorkshopSchema } from '../../core/workshop/workshop'
import { answering, mount, Refused } from '../testing/bench'
import { WorkshopList } from './WorkshopList'

const kept = (workshop: Workshop = demoShop.workshop) => ({ revision: 5, document: { ...demoShop, workshop } })
type Call = { method: string; body?: unknown }
const sent = (calls: Call[]): Workshop[] => calls.filter((c) => c.method === 'PUT').map((c) => JSON.parse(String(c.body)).document.workshop)

describe('what the shop can do itself', () => {
  test('a saw’s angle, a die’s radius and a lead’s length are each sent as typed, the rest as it was', async () => {
    const { calls } = answering({ 'GET /shelves/shop': kept(), 'PUT /shelves/shop': kept() })
    const { user } = mount(<WorkshopList />)
    const type = async (name: string, index: number, text: string) => {
      const field = (await screen.findAllByRole('textbox', { name }))[index]!
      await user.clear(field)
      await user.type(field, `${text}{Enter}`)
    }
    await type('Turns left', 0, '52')
    await waitFor(() => expect(sent(calls)).toHaveLength(1))
    expect(sent(calls)[0]!.saws[0]).toEqual({ ...demoShop.workshop.saws[0], mostLeftDeg: 52 })
    await type('Centre-line radius', 1, '140')
    await waitFor(() => expect(sent(calls)).toHaveLength(2))
    expect(sent(calls)[1]!.dies[1]!.radiusMm).toBe(140)
    await type('Lead, length', 0, '25 m')
    await waitFor(() => expect(sent(calls)).toHaveLength(3))
    expect(sent(calls)[2]!.welders[0]!.leadMm).toBe(25_000)
  })
  test('one more of each gets a name that none has, and one less leaves the others', async () => {
    const { calls } = answering({ 'GET /shelves/shop': kept(), 'PUT /shelves/shop': kept() })
    const { user } = mount(<WorkshopList />)
    await user.click(await screen.findByRole('button', { name: 'Add a saw' }))
    await user.click(screen.getByRole('button', { name: 'Add a welder' }))
    await user.click(screen.getByRole('button', { name: 'Add a hole saw' }))
    await user.click(screen.getByRole('button', { name: 'Remove hole saw 1' }))
    await user.click(screen.getByRole('button', { name: 'Remove Band saw' }))
    await waitFor(() => expect(sent(calls)).toHaveLength(5))
    const [saw, welder, hole, fewer, none] = sent(calls)
    expect(new Set(saw!.saws.map((s) => s.id)).size).toBe(2)
    expect(new Set(welder!.welders.map((w) => w.id)).size).toBe(3)
    expect(hole!.holeSawsMm).toHaveLength(demoShop.workshop.holeSawsMm.length + 1)
    expect(fewer!.holeSawsMm).toEqual(demoShop.workshop.holeSawsMm.slice(1))
    expect(none!.saws).toEqual([])
  })
  test('a shop of nothing has its headings and ways to add, and no rows', async () => {
    answering({ '/shelves/shop': kept(WorkshopSchema.parse({})) })
    mount(<WorkshopList />)
    const saws = await screen.findByRole('region', { name: 'Saws' })
    expect(within(saws).queryAllByRole('textbox')).toEqual([])
    expect(screen.getByRole('button', { name: 'Add a die' })).toBeTruthy()
  })
  test('a save that is refused says why', async () => {
    answering({
      'GET /shelves/shop': kept(),
      'PUT /shelves/shop': new Refused(409, { faults: [{ where: 'revision', expected: 'the newest shop' }] }),
    })
    const { user } = mount(<WorkshopList />)
    await user.click(await screen.findByRole('button', { name: 'Add a die' }))
    expect((await screen.findByRole('alert')).textContent).toMatch(/newest shop|changed/i)
  })
  test('what is sent out may stay empty: then nothing is', async () => {
    const { calls } = answering({ 'GET /shelves/shop': kept(), 'PUT /shelves/shop': kept() })
    const { user } = mount(<WorkshopList />)
    const days = await screen.findByRole('textbox', { name: 'Sent out, days' })
    await user.clear(days)
    await user.type(days, '{Enter}')
    await waitFor(() => expect(sent(calls)).toHaveLength(1))
    expect(sent(calls)[0]!.subcontractDays).toBeNull()
  })
})
