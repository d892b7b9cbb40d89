// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { cutList } from '../../../core/cutList/cutList'
import { demoJobs } from '../../../core/job/demoJobs'
import { patchedParams } from '../../../core/job/piecesOf'
import { demoShop } from '../../../core/shop/shop'
import { assembled } from '../../../core/testing/racks'
import { WorkshopSchema } from '../../../core/workshop/workshop'
import { answering, mount, onBench, WithJob } from '../../testing/bench'
import { BoardsTable } from '../cut/BoardsTable'
import { StopsTable } from '../cut/StopsTable'
import { ShopCannot } from './ShopCannot'

vi.mock('../../drawing/SheetView', () => ({ SheetView: () => null }))
const basket = demoJobs.find((j) => j.title.startsWith('Hoop'))!
const shopWith = (workshop: object) => ({ '/shelves/shop': { revision: 1, document: { ...demoShop, workshop } } })

describe('what this shop cannot make, while it is drawn', () => {
  test('nothing is said where it can', async () => {
    answering(shopWith(demoShop.workshop))
    onBench(basket)
    mount(<ShopCannot />)
    await new Promise((done) => setTimeout(done, 50))
    expect(screen.queryByText('This shop cannot')).toBeNull()
  })
  test('a die that it lacks is named with the parts and what would do', async () => {
    answering(shopWith(demoShop.workshop))
    onBench(patchedParams(basket, 'p1', { bendRadiusMm: 110 }))
    mount(<WithJob>{() => <ShopCannot />}</WithJob>)
    const line = await screen.findByText(/no die of radius/)
    expect(line.textContent).toMatch(/HF, HR, LS.*radius 110 mm.*What would do: radius 96 mm.*sent out, 6 days/)
  })
  test('a shop that has listed nothing is told so once, and where', async () => {
    answering(shopWith(WorkshopSchema.parse({})))
    onBench(basket)
    mount(<ShopCannot />)
    expect((await screen.findByText(/not listed yet/)).querySelector('a')!.getAttribute('href')).toBe('/shop')
    expect(screen.queryByText('This shop cannot')).toBeNull()
  })
})

describe('at the saw', () => {
  test('stops longest first in each section, alike tubes on one', async () => {
    answering(shopWith(demoShop.workshop))
    onBench(basket)
    mount(<StopsTable parts={cutList(assembled(basket))} />)
    const rows = (await screen.findByRole('table', { name: 'Stop settings' })).querySelectorAll('tbody tr')
    expect([...rows].some((r) => /RNL, RNR/.test(r.textContent ?? ''))).toBe(true)
  })
  test('without a saw it is said where how many at once would come from', async () => {
    answering(shopWith(WorkshopSchema.parse({})))
    onBench(basket)
    mount(<StopsTable parts={cutList(assembled(basket))} />)
    expect(await screen.findByText(/saws listed at The shop/)).toBeTruthy()
  })
  test('boards are told from the left edge, with both drills; a rack without boards shows nothing', () => {
    answering(shopWith(demoShop.workshop))
    onBench(basket)
    const boards = { startsMm: [0, 110, 220], widthMm: 95, lengthMm: 2200, gapMm: 15, pilotMm: 4.6, pilotInWoodMm: 6 }
    const a = assembled(basket)
    const [floor] = a.infills
    const { unmount } = mount(<BoardsTable assembly={{ ...a, infills: [{ ...floor!, boards }] }} />)
    expect(screen.getByText(/From the left edge they begin at/).textContent).toMatch(/3 boards .*0.*110.*220.*drill 6.*4\.6/)
    unmount()
    mount(<BoardsTable assembly={a} />)
    expect(screen.queryByText('Boards')).toBeNull()
  })
})
