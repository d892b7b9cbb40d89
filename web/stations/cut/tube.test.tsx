// @vitest-environment jsdom
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { demoJobs } from '../../../core/job/demoJobs'
import { INCH } from '../../../core/quantity/units'
import { demoShop } from '../../../core/shop/shop'
import { withRack } from '../../../core/testing/racks'
import { localDay } from '../../../core/time/localDay'
import { tickOf } from '../../../core/workLog/tick'
import { editJob } from '../../job/jobStore'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import { BuildView } from './BuildView'
import { TubeWork } from './TubeWork'
import { WeldMapView } from './WeldMapView'

vi.mock('../../drawing/SheetView', () => ({ SheetView: () => null }))
const basket = demoJobs.find((j) => j.title.startsWith('Hoop'))!
const [survey] = demoJobs
const shop = { '/shelves/shop': { revision: 3, document: demoShop } }
const tube = () => mount(<WithJob>{(job) => <TubeWork job={job} jobId="j" />}</WithJob>)

describe('what is bent and saddled', () => {
  test('each bent part with its marks and what to pull to, saddled ones in a table; the prints are one press away', async () => {
    answering(shop)
    onBench(basket)
    tube()
    const bends = await screen.findByRole('table', { name: 'Bends of HF' })
    const [, first] = within(bends).getAllByRole('row')
    // 90° times what the die's trials came back by
    expect(first!.textContent).toMatch(/90\.0°92\.7 °/)
    // any of these numbers opens its working
    expect(within(first!).getByRole('button', { name: /Mark of bend 1 on HF/ })).toBeTruthy()
    expect(screen.getByRole('button', { name: /Cut length of HF/ })).toBeTruthy()
    const saddled = screen.getByRole('table', { name: 'Saddled tubes' })
    expect(within(saddled).getByText('CT1').closest('tr')!.textContent).toMatch(/cope onto RNL at 89\.5°, T1/)
    expect(screen.getByRole('link', { name: /Print bend sheets/ }).getAttribute('href')).toBe('/api/jobs/j/tube.pdf')
    expect(screen.queryAllByRole('alert')).toEqual([])
  })
  test('a shop without the die says so, and offers no angle to pull to', async () => {
    answering({
      '/shelves/shop': {
        revision: 3,
        document: { ...demoShop, workshop: { ...demoShop.workshop, dies: demoShop.workshop.dies.filter((d) => d.tubeMm !== 32) } },
      },
    })
    onBench({ ...basket, units: INCH })
    tube()
    expect((await screen.findAllByText(/no die for tube of/)).length).toBeGreaterThan(0)
    expect(screen.getAllByText('trial bend first').length).toBeGreaterThan(0)
    expect(screen.getAllByText(/is listed at The shop/).length).toBeGreaterThan(0)
  })
  test('without a radius nothing bent has a length, and nothing is offered for the bender', async () => {
    answering(shop)
    const [piece] = basket.pieces
    onBench({ ...basket, pieces: [{ ...piece!, params: { ...piece!.params, bendRadiusMm: null } }] })
    tube()
    expect((await screen.findAllByText('no cut length yet')).length).toBe(3)
    expect(screen.queryByRole('table', { name: /Bends of/ })).toBeNull()
    expect(screen.getAllByText(/Do not cut: bend 1 has no radius/).length).toBe(3)
  })
  test('a trial bend is kept with the die and the day; half of one cannot be', async () => {
    const { calls } = answering({ 'GET /shelves/shop': shop['/shelves/shop'], 'PUT /shelves/shop': { revision: 4, document: demoShop } })
    onBench(basket)
    const { user } = tube()
    const [open] = await screen.findAllByRole('button', { name: 'Type a trial bend' })
    await user.click(open!)
    const keep = screen.getByRole<HTMLButtonElement>('button', { name: 'Keep this trial' })
    await user.type(screen.getByLabelText('Pulled to'), '94{Enter}')
    expect(keep.disabled).toBe(true)
    await user.type(screen.getByLabelText('Came back to'), '90.5{Enter}')
    await user.click(keep)
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true))
    const { document, revision } = JSON.parse(String(calls.find((c) => c.method === 'PUT')?.body))
    expect(revision).toBe(3)
    const die = document.workshop.dies.find((d: { id: string }) => d.id === 'die-1')
    expect(die.trials.at(-1)).toEqual({ on: localDay(), pulledDeg: 94, cameDeg: 90.5, cutMm: null, legAMm: null, legBMm: null })
  })
  test('a rack of straight bars says that nothing is bent', async () => {
    answering(shop)
    onBench(survey)
    tube()
    expect(await screen.findByText(/Nothing in this job is bent or saddled/)).toBeTruthy()
  })
})

describe('the weld map', () => {
  const welds = () => mount(<WithJob>{(job) => <WeldMapView job={job} jobId="j" />}</WithJob>)
  test('every weld in its order with leg, throat and tacks, the jig, and what the lead loses', async () => {
    answering(shop)
    onBench(basket)
    welds()
    const table = await screen.findByRole('table', { name: 'Welds in order' })
    const rows = within(table).getAllByRole('row').slice(1)
    expect(rows.map((r) => within(r).getAllByRole('cell')[0]!.textContent)).toEqual(rows.map((_, i) => `${i + 1}`))
    expect(screen.getByRole('status').textContent).toMatch(new RegExp(`^${rows.length} welds`))
    // a throat of 1.4 is not one of 1
    expect(within(rows[0]!).getByRole('button', { name: /Throat of weld 1:/ }).textContent).toMatch(/1\.4/)
    expect(screen.getByText(/Jig/).closest('p')!.textContent).toMatch(/both diagonals/)
    expect(await screen.findByText(/MIG at the end of its lead/)).toBeTruthy()
  })
  test('a seam ticked as ground flush is kept with its piece, so that the checks count what is left', async () => {
    answering(shop)
    onBench(basket)
    const { user } = welds()
    const box = await screen.findByRole<HTMLInputElement>('checkbox', { name: 'Weld 1 ground flush' })
    expect(box.checked).toBe(false)
    await user.click(box)
    expect(screen.getByRole<HTMLInputElement>('checkbox', { name: 'Weld 1 ground flush' }).checked).toBe(true)
    expect(benchJob().pieces[0]!.flushSeams).toEqual([expect.stringMatching(/^weld:/)])
    await user.click(screen.getByRole('checkbox', { name: 'Weld 1 ground flush' }))
    expect(benchJob().pieces[0]!.flushSeams).toEqual([])
  })
  test('a bolted rack has nothing to weld', async () => {
    answering(shop)
    onBench(withRack({ ...survey, pieces: survey.pieces.slice(0, 1) }, { sideRails: false, fairing: false }))
    welds()
    expect(await screen.findByText('Nothing in this job is welded.')).toBeTruthy()
  })
})

describe('the order of work', () => {
  const build = () => mount(<WithJob>{(job) => <BuildView job={job} jobId="j" />}</WithJob>)
  test('a step is ticked once what it needs is done, and says so when the design has moved since', async () => {
    answering(shop)
    onBench(basket)
    const { user } = build()
    const box = async (name: string) => screen.findByRole<HTMLInputElement>('checkbox', { name })
    expect((await box('Cut to length, done')).disabled).toBe(true)
    for (const name of ['Order what is bought, done', 'Receive and check, done']) await user.click(await box(name))
    // the gate of the kit is not signed while something of it is not here
    expect((await box('Everything is here, done')).disabled).toBe(true)
    expect(screen.getByText(/^First: the kit: .* not here/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: /^Kit, \d+ not here/ }))
    await user.click(screen.getByRole('button', { name: 'All of it is here' }))
    await user.click(screen.getByRole('button', { name: 'All steps' }))
    // nor is it passed by nobody
    expect((await box('Everything is here, done')).disabled).toBe(true)
    await user.type(screen.getByRole('combobox', { name: 'Who works here' }), 'Ansa')
    await user.click(await box('Everything is here, done'))
    expect(benchJob().built.kit).toMatchObject({ on: localDay(), by: 'Ansa' })
    expect((await box('Cut to length, done')).disabled).toBe(false)
    await user.click(await box('Cut to length, done'))
    expect(benchJob().built.cut!.on).toBe(localDay())
    expect(screen.queryByRole('alert')).toBeNull()
    act(() => editJob((j) => ({ ...j, pieces: j.pieces.map((p) => ({ ...p, params: { ...p.params, crossTubes: 9 } })) })))
    expect((await screen.findByRole('alert')).textContent).toMatch(/changed since/)
    await user.click(await box('Cut to length, done'))
    expect(benchJob().built.cut).toBeUndefined()
  })
  test('on the calendar: each step has its days, and a hand-over after the promised day says so until work begins earlier', async () => {
    answering(shop)
    onBench({ ...basket, start: '2027-01-04', due: '2027-01-08' })
    const { user } = build()
    expect((await screen.findByRole('alert')).textContent).toMatch(/\d+ days late/)
    expect(screen.getByRole('status').textContent).toMatch(/hand-over on 2027-0\d-\d\d, as the shop’s only job/)
    expect(screen.getByText(/^1\. Order what is bought/).closest('li')!.textContent).toMatch(/2027-01-04/)
    const begins = screen.getByLabelText<HTMLInputElement>('Work begins')
    expect(begins.value).toBe('2027-01-04')
    await user.clear(begins)
    await user.tab()
    expect(benchJob().start).toBeNull()
  })
  test('the kit: a line ticked is here, one with a day is on its way, and what the design comes to need more of is missing again', async () => {
    answering(shop)
    onBench(basket)
    const { user } = build()
    await user.click(await screen.findByRole('button', { name: /^Kit, \d+ not here/ }))
    const kit = screen.getByRole('region', { name: 'Kit' })
    const lines = within(kit).getAllByRole('listitem')
    expect(within(kit).getByRole('status').textContent).toBe(`0 of ${lines.length} here; ${lines.length} missing`)
    await user.click(within(kit).getByRole('checkbox', { name: 'Round tube 32 × 2, Steel S235: here' }))
    const clamps = within(kit).getByRole('checkbox', { name: 'Gutter clamp: here' }).closest('li')!
    fireEvent.change(within(clamps).getByLabelText('Comes on'), { target: { value: '2027-02-01' } })
    fireEvent.blur(within(clamps).getByLabelText('Comes on'))
    expect(within(kit).getByRole('status').textContent).toBe(
      `1 of ${lines.length} here; 1 on the way, the last on 2027-02-01; ${lines.length - 2} missing`,
    )
    expect(benchJob().kit).toMatchObject({ 'foot gutter': { here: 0, due: '2027-02-01' } })
    act(() => editJob((j) => ({ ...j, pieces: j.pieces.map((p) => ({ ...p, params: { ...p.params, crossTubes: 9 } })) })))
    expect(within(kit).getByRole<HTMLInputElement>('checkbox', { name: 'Round tube 32 × 2, Steel S235: here' }).checked).toBe(false)
    expect(within(kit).getByText(/only \d+\.\d\d m here/)).toBeTruthy()
  })
  test('one step at a time: begun, timed, said to be otherwise and done; the next stands there, and the last can be taken back', async () => {
    answering(shop)
    onBench(basket)
    const { user } = build()
    await user.click(await screen.findByRole('button', { name: 'One step at a time' }))
    const now = screen.getByRole('region', { name: 'The step to do now' })
    expect(within(now).getByRole('heading').textContent).toBe('Order what is bought')
    await user.click(within(now).getByRole('button', { name: 'Begin, and time it' }))
    expect(benchJob().atWork?.id).toBe('buy')
    // it was begun an hour ago
    act(() => editJob((j) => ({ ...j, atWork: { id: 'buy', since: new Date(Date.now() - 61 * 60_000).toISOString() } })))
    await user.type(within(now).getByLabelText('Came out otherwise than drawn'), 'Tube of 2.5 instead of 3')
    await user.click(within(now).getByRole('button', { name: 'Done' }))
    const done = benchJob().built.buy!
    expect([done.tookMin, done.otherwise, done.settled, benchJob().atWork]).toEqual([61, 'Tube of 2.5 instead of 3', false, null])
    expect(done.reckonedMin).toBeGreaterThan(0)
    expect(within(now).getByRole('heading').textContent).toBe('Receive and check')
    expect(screen.getByRole('region', { name: 'Times taken' }).textContent).toMatch(/1\.0 h for what was reckoned/)
    await user.click(within(now).getByRole('button', { name: 'Take back “Order what is bought”' }))
    expect(benchJob().built.buy).toBeUndefined()
    // the saw's settings stand at the step of the saw
    const before = ['buy', 'receive', 'kit', 'trial-bend', 'trial-fold']
    act(() => editJob((j) => ({ ...j, built: Object.fromEntries(before.map((id) => [id, tickOf('2026-11-27', 'x')])) })))
    expect(within(now).getByRole('heading').textContent).toBe('Cut to length')
    expect(screen.getByRole('list', { name: 'Stop settings' }).children.length).toBeGreaterThan(2)
  })
  test('a job of no piece has nothing to build', async () => {
    answering(shop)
    onBench({ ...basket, pieces: [] })
    build()
    expect(await screen.findByText(/Nothing is built in this job yet/)).toBeTruthy()
  })
})
