// @vitest-environment jsdom
import { act, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { demoJobs } from '../../../core/job/demoJobs'
import { newLoadTest } from '../../../core/loadTest/loadTest'
import { addOne } from '../../../core/loseOne/addOne'
import { loseOne } from '../../../core/loseOne/loseOne'
import { INCH } from '../../../core/quantity/units'
import { withRack } from '../../../core/testing/racks'
import { editJob } from '../../job/jobStore'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import { AddOne } from './AddOne'
import { Anchors } from './Anchors'
import { FeetTable } from './FeetTable'
import { LoadTests } from './LoadTests'
import { LoseOne } from './LoseOne'
import { MassLedger } from './MassLedger'
import { Resting } from './Resting'
import { Straps } from './Straps'
import { Swinging } from './Swinging'

vi.mock('./CaseChart', () => ({ default: () => null }))
vi.mock('../../job/useEvaluation', async (real) => ({
  ...(await real<typeof import('../../job/useEvaluation')>()),
  openBench: () => ({
    run: (work: (api: object) => unknown) =>
      work({
        loseOne: async (...given: Parameters<typeof loseOne>) => loseOne(...given),
        addOne: async (...given: Parameters<typeof addOne>) => addOne(...given),
      }),
    stop: () => undefined,
  }),
  evaluating: (work: (api: object) => unknown) =>
    work({
      proofSag: async (_job: unknown, _rules: unknown, _place: unknown, kg: number) => ({
        computedSagMm: kg * 0.05,
        clampedSagMm: kg * 0.03,
      }),
    }),
}))
const [survey, oyster, spar, drone] = demoJobs

describe('what if one is lost', () => {
  test('alike ones stand together with what falls and what a second would be; a change of the job takes the answer away', async () => {
    answering({})
    onBench(survey)
    const { user } = mount(<WithJob>{(job) => <LoseOne job={job} />}</WithJob>)
    await user.click(screen.getByRole('button', { name: 'What if one is lost?' }))
    const list = await screen.findByRole('list', { name: 'With one lost' }, { timeout: 20_000 })
    const [feet] = within(list).getAllByRole('listitem')
    expect(feet!.textContent).toMatch(/Foot F1L, F1R, F2L, F2R, F3L, F3R.*Nothing else holds B1, B2, B3, each its own.*Deserves a second/)
    expect(screen.getByText(/12 taken away one by one: 9 deserve a second/)).toBeTruthy()
    act(() => editJob((j) => ({ ...j, brief: { ...j.brief, speedKmh: 80 } })))
    expect(screen.queryByRole('list', { name: 'With one lost' })).toBeNull()
    expect(screen.getByText(/changed since: ask again/)).toBeTruthy()
  })
  test('a job of no piece has nothing to lose', () => {
    answering({})
    onBench({ ...survey, pieces: [] })
    mount(<WithJob>{(job) => <LoseOne job={job} />}</WithJob>)
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'What if one is lost?' }).disabled).toBe(true)
  })
})

describe('one more of each', () => {
  test('bars on single bolts: rails are tried, with what stays open said; a change of the job takes the answer away', async () => {
    answering({})
    onBench(oyster)
    const { user } = mount(<WithJob>{(job) => <AddOne job={job} />}</WithJob>)
    await user.click(screen.getByRole('button', { name: 'Try one more of each' }))
    expect((await screen.findByText(/a rail over each row of feet/, undefined, { timeout: 20_000 })).textContent).toMatch(/Feet F1L.*→/)
    act(() => editJob((j) => ({ ...j, brief: { ...j.brief, speedKmh: 80 } })))
    expect(screen.queryByText(/a rail over/)).toBeNull()
    expect(screen.getByText(/changed since: try again/)).toBeTruthy()
  })
})

describe('the table of feet', () => {
  test('each foot with its force, its case, and the weakest of what holds it, whose chain opens', async () => {
    onBench(survey)
    const { user } = mount(<FeetTable />)
    const rows = screen.getAllByRole('row').slice(1)
    expect(rows.map((r) => within(r).getAllByRole('cell')[0].textContent)).toEqual(['F1L', 'F1R', 'F2L', 'F2R', 'F3L', 'F3R'])
    expect(rows[3].textContent).toMatch(/1040 Nrough track.*\d+ % of mount/)
    await user.click(within(rows[3]).getByRole('button', { name: /held by its mount/ }))
    const chain = await screen.findByRole('dialog', { name: /Working of Foot F2R, up, held by its mount/ })
    expect(chain.textContent).toContain('2 bolts M8 A2-70')
  })
  test('what pushes a foot along and aside stands beside it and opens case by case', async () => {
    onBench(survey)
    const { user } = mount(<FeetTable />)
    await user.click(screen.getByRole('button', { name: /F2R, pushed along/ }))
    const working = await screen.findByRole('dialog', { name: /F2R, pushed along/ })
    expect(working.textContent).toContain('forward is positive')
    expect(screen.getByRole('button', { name: /F2R, pushed aside/ }).textContent).toMatch(/^\d+ N$/)
  })
  test('the most and the least open what every load case gives', async () => {
    onBench(survey)
    const { user } = mount(<FeetTable />)
    await user.click(screen.getByRole('button', { name: /F2R, most down/ }))
    const working = await screen.findByRole('dialog', { name: /F2R, most down/ })
    expect(working.textContent).toMatch(/braking.*gust from the left/)
  })
  test('a mass nobody knows leaves forces and shares not known', () => {
    onBench({ ...survey, brief: { ...survey.brief, cargo: [{ ...survey.brief.cargo[0], massKg: null }] } })
    mount(<FeetTable />)
    expect(screen.getAllByRole('row')[4].textContent).toMatch(/F2Rnot knownnot known.*not known.*not known; mount/)
  })
  test('a foot that nobody rated says what is missing, and no share', () => {
    onBench(oyster)
    mount(<FeetTable />)
    expect(screen.getAllByRole('row')[1].textContent).toContain('unrated: Rating per foot, down')
  })
  test('in pounds where the job is in inches; without bars it says what to do', () => {
    onBench(spar)
    const { unmount } = mount(<FeetTable />, INCH)
    expect(screen.getAllByRole('row')[1].textContent).toContain('lbf')
    unmount()
    onBench(withRack(survey, { barXMm: [] }))
    mount(<FeetTable />)
    expect(screen.getByText(/No feet yet: add crossbars/)).toBeTruthy()
  })
})

describe('straps', () => {
  const shown = () => mount(<WithJob>{(job) => <Straps job={job} />}</WithJob>)
  test('one taken away is missed by name; one put back repeats the last', async () => {
    answering({})
    onBench(oyster)
    const { user } = shown()
    expect(screen.getByText(/Every direction is held on paper/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: /Remove strap 2 of Oyster baskets/ }))
    await user.click(screen.getByRole('button', { name: /Remove strap 1 of Oyster baskets/ }))
    expect(screen.getByText(/Missing: one that pulls it forward/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Add a strap' }))
    // the new one is like the last, but nobody said yet where it lies
    expect(benchJob().brief.cargo[0].securing?.straps.at(-1)).toEqual({ ...oyster.brief.cargo[0].securing?.straps.at(-1), atMm: null })
  })
  test('straps are proposed with their places, and hold it all', async () => {
    answering({})
    onBench({ ...oyster, brief: { ...oyster.brief, cargo: [{ ...oyster.brief.cargo[0], securing: null }] } })
    const { user } = shown()
    expect(screen.getByText(/it is not assessed/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Propose straps' }))
    expect(screen.getByText(/Every direction is held on paper/)).toBeTruthy()
    expect(benchJob().brief.cargo[0].securing?.straps.every((s) => s.atMm !== null)).toBe(true)
  })
  test('a strap without a limit cannot be counted on', async () => {
    answering({})
    onBench(oyster)
    const { user } = shown()
    await user.clear(screen.getAllByRole('textbox', { name: 'Working load limit' })[0])
    await user.tab()
    expect(screen.getByText(/Missing: what a strap, its anchor or the stop holds/)).toBeTruthy()
  })
  test('an item of unknown mass is not said to be held', () => {
    answering({})
    onBench({ ...oyster, brief: { ...oyster.brief, cargo: [{ ...oyster.brief.cargo[0], massKg: null }] } })
    shown()
    expect(screen.getByText(/mass or the driving speed is unknown: nothing can be said/)).toBeTruthy()
  })
  test('what is bolted asks for no straps; nobody having said leaves the choice open', async () => {
    answering({})
    onBench({ ...drone, brief: { ...drone.brief, cargo: [{ ...drone.brief.cargo[0], securing: null }] } })
    const { user } = shown()
    expect(screen.getByText('nobody said')).toBeTruthy()
    await user.click(screen.getByRole('combobox', { name: 'Held by' }))
    await user.click(screen.getByRole('option', { name: 'bolts of its own' }))
    expect(benchJob().brief.cargo[0].securing?.by).toBe('bolts')
    // nobody counted them yet
    expect(benchJob().brief.cargo[0].securing?.bolts).toBeNull()
    expect(screen.queryByRole('button', { name: 'Add a strap' })).toBeNull()
  })
})

describe('anchors', () => {
  const shown = () => mount(<WithJob>{(job) => <Anchors job={job} />}</WithJob>)
  test('rated by the weakest part; a part added without a figure makes it unrated, and its figure rates it again', async () => {
    onBench(survey)
    const { user } = shown()
    expect(screen.getByText('weakest:').textContent).toContain('2600 N')
    await user.click(screen.getByRole('button', { name: 'Add a part' }))
    expect(screen.getByText('weakest:').textContent).toContain('—')
    const holds = screen.getAllByRole('textbox', { name: 'Holds' })
    await user.type(holds[holds.length - 1], '1.2 kN{Enter}')
    expect(screen.getByText('weakest:').textContent).toContain('1200 N')
    expect(benchJob().anchors[0].links).toHaveLength(4)
  })
  test('what only felt sturdy does not rate', async () => {
    onBench(survey)
    const { user } = shown()
    await user.click(screen.getAllByRole('combobox', { name: 'Known by' })[0])
    await user.click(screen.getByRole('option', { name: 'felt sturdy' }))
    expect(screen.getByText('weakest:').textContent).toContain('—')
  })
  test('none yet says why one is wanted; added and removed', async () => {
    onBench({ ...survey, anchors: [] })
    const { user } = shown()
    expect(screen.getByText(/A strap is worth what it is hooked to/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Add' }))
    expect(benchJob().anchors.map((a) => a.name)).toEqual(['Anchor 1'])
    await user.click(screen.getByRole('button', { name: 'Remove Anchor 1' }))
    expect(benchJob().anchors).toEqual([])
  })
})

describe('load tests', () => {
  const shown = () => mount(<WithJob>{(job) => <LoadTests job={job} id="job" />}</WithJob>)
  test('planned with the load and the sag of the day; both readings give the verdict, and a set that stays fails it', async () => {
    answering({ '/photos': [{ id: 'p1', name: 'bar loaded', type: 'image/jpeg', at: '' }] })
    onBench(spar)
    const { user } = shown()
    const before = Number(/([\d.]+) kg/.exec(screen.getByText(/midway between its feet/).textContent ?? '')?.[1])
    await user.click(screen.getByRole('button', { name: 'Put it on the list' }))
    const tests = screen.getByRole('region', { name: 'Load tests' })
    expect(await within(tests).findByText('planned')).toBeTruthy()
    expect(benchJob().loadTests[0]).toMatchObject({
      barMark: 'B1',
      loadKg: before,
      computedSagMm: expect.closeTo(before * 0.05, 9),
      measuredSagMm: null,
    })
    await user.type(within(tests).getByRole('textbox', { name: 'Sag under the load' }), `${before * 0.05}{Enter}`)
    await user.type(within(tests).getByRole('textbox', { name: 'What stays after it' }), '0{Enter}')
    expect(within(tests).getByText('as computed')).toBeTruthy()
    const stays = within(tests).getByRole('textbox', { name: 'What stays after it' })
    await user.clear(stays)
    await user.type(stays, '2{Enter}')
    expect(within(tests).getByText('stayed bent')).toBeTruthy()
    await user.click(within(tests).getByRole('combobox', { name: 'Photograph' }))
    await user.click(screen.getByRole('option', { name: 'bar loaded' }))
    expect(benchJob().loadTests[0].photoId).toBe('p1')
    expect(within(tests).getByRole('img', { name: 'The test on B1: bar loaded' })).toBeTruthy()
  })
  test('photographed on the spot the picture goes with the test; one the server refuses is said and changes nothing', async () => {
    onBench({ ...spar, loadTests: [newLoadTest({ id: 't', barMark: 'B1', atMm: 700, loadKg: 60, computedSagMm: 3, at: '' })] })
    const { calls } = answering({
      'POST /photos': { id: 'p2', name: 'sagging', type: 'image/png', at: '' },
      'GET /photos': [],
    })
    const { user, unmount } = shown()
    const picture = () => new File([new Uint8Array([1])], 'sagging.png', { type: 'image/png' })
    await user.upload(screen.getByLabelText('Photograph of the test on B1'), picture())
    await waitFor(() => expect(benchJob().loadTests[0].photoId).toBe('p2'))
    expect(calls.some((c) => c.method === 'POST' && c.path.endsWith('photos?name=sagging.png'))).toBe(true)
    unmount()
    answering({ 'GET /photos': [] })
    shown()
    await user.upload(screen.getByLabelText('Photograph of the test on B1'), picture())
    expect(await screen.findByText(/something else/)).toBeTruthy()
    expect(benchJob().loadTests[0].photoId).toBe('p2')
  })
  test('a proof load is not planned from a part of what is carried: the missing mass is asked for', () => {
    answering({ '/photos': [] })
    onBench({ ...spar, brief: { ...spar.brief, cargo: [{ ...spar.brief.cargo[0], massKg: null }] } })
    shown()
    expect(screen.getByText(/not known for want of mass of Spar 20 ft/)).toBeTruthy()
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Put it on the list' }).disabled).toBe(true)
  })
  test('the caution stands where the load is put on, and without bars there is nothing to load', () => {
    answering({ '/photos': [] })
    onBench(spar)
    const { unmount } = shown()
    expect(screen.getByText(/Nobody stands under or on it/)).toBeTruthy()
    unmount()
    onBench(withRack(spar, { barXMm: [] }))
    shown()
    expect(screen.getByText(/No bars to load yet/)).toBeTruthy()
  })
})

describe('what rests, swings and weighs', () => {
  test('how an item rests is chosen, and how far it hangs out is said with what would tip it', async () => {
    onBench(survey)
    const { user } = mount(<WithJob>{(job) => <Resting job={job} />}</WithJob>)
    expect(screen.getByText(/Hangs out 500 mm behind/).textContent).toContain(
      'Hangs out 500 mm behind and 650 mm ahead. Loose, 19.4 kg on its front end would tip it.',
    )
    await user.click(screen.getByRole('button', { name: /Sampling poles.*on its front end: show the working/ }))
    expect((await screen.findByRole('dialog')).textContent).toContain('m = mᵢ·a / o')
    await user.keyboard('{Escape}')
    await user.click(screen.getByRole('combobox', { name: 'Equipment case' }))
    await user.click(screen.getByRole('option', { name: 'limp, spread over its width' }))
    expect(benchJob().brief.cargo[1].rests).toBe('bundle')
  })
  test('frequency, tone and singing speed open their working; who must have a say is named', async () => {
    onBench({ ...survey, brief: { ...survey.brief, someoneStands: true } })
    const { user } = mount(<Swinging />)
    expect(screen.getByText(/people stand, climb or sleep on it/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: /Tone of a bare bar at speed/ }))
    expect((await screen.findByRole('dialog')).textContent).toContain('f = St·v / D')
  })
  test('the mass ledger adds up to what the roof carries, as a range where a mass is estimated', () => {
    onBench(survey)
    mount(<MassLedger job={survey} />)
    const table = screen.getByRole('table', { name: 'Mass ledger' })
    expect(
      within(table)
        .getAllByRole('row')
        .find((r) => r.textContent?.startsWith('Sampling poles'))?.textContent,
    ).toMatch(/12 kg to 15 kg/)
    expect(within(table).getByText('On the roof, moving')).toBeTruthy()
  })
})
