// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import loadHighs from 'highs'
import { beforeAll, describe, expect, test, vi } from 'vitest'
import { stockAdvice } from '../../../core/advice/stockAdvisor'
import type { Tools } from '../../../core/calculator/tools'
import { cutList } from '../../../core/cutList/cutList'
import { piecesOf } from '../../../core/issuedPlan/planMoved'
import { demoJobs } from '../../../core/job/demoJobs'
import type { Job } from '../../../core/job/job'
import { highsTools } from '../../../core/nesting/highsTools'
import { planCuts } from '../../../core/nesting/planCuts'
import { INCH } from '../../../core/quantity/units'
import { defaultRules } from '../../../core/rules/rules'
import { demoStock } from '../../../core/stock/demoStock'
import { assembled, rackParams, withRack } from '../../../core/testing/racks'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import { AcceptPlan } from './AcceptPlan'
import { Advisor } from './Advisor'
import CutStation from './CutStation'
import { CutTables } from './CutTables'
import type { PlanState } from './usePlan'

vi.mock('../../drawing/DrawingPane', async (real) => ({ ...(await real<object>()), DrawingPane: () => null }))
vi.mock('../../limits/TideGauge', () => ({ TideGauge: () => null }))
let state: PlanState & { stop: () => void; again: () => void }
vi.mock('./usePlan', () => ({ usePlan: () => state }))
let tools: Tools
const [survey, oyster, spar] = demoJobs
const partsOf = (job: Job) => cutList(assembled(job))
const planOf = (job: Job, over: Partial<PlanState> = {}): typeof state => ({
  plan: planCuts(partsOf(job), demoStock, defaultRules, { useRemnants: job.cut.useRemnants, timeLimitMs: 2000 }, tools),
  of: job,
  running: false,
  stopped: false,
  progress: null,
  fault: null,
  advice: null,
  lengths: null,
  stop: vi.fn(),
  again: vi.fn(),
  ...over,
})
const nobody = { '/plans': [], '/shelves/stock': { revision: 7, document: demoStock } }
beforeAll(async () => {
  tools = highsTools(await loadHighs(), () => performance.now())
})

describe('to the saw', () => {
  const shown = () => mount(<WithJob>{(job) => <AcceptPlan job={job} state={state} stockRevision={7} />}</WithJob>)
  test('a whole plan of a measured vehicle is accepted with the revisions it was made from', async () => {
    state = planOf(spar)
    onBench(spar)
    const { calls } = answering({ 'GET /plans': [], 'POST /plans': { id: 'p' } })
    const { user } = shown()
    const accept = await screen.findByRole<HTMLButtonElement>('button', { name: 'Accept the plan' })
    expect(accept.disabled).toBe(false)
    await user.click(accept)
    await waitFor(() => expect(calls.find((c) => c.method === 'POST')?.body).toBe('{"revision":1,"stockRevision":7,"reason":""}'))
  })
  test('a figure that the parts depend on and nobody measured keeps it from the saw, and is named', async () => {
    const doubtful: Job = {
      ...oyster,
      vehicle: { ...oyster.vehicle, roofHeightMm: { ...oyster.vehicle.roofHeightMm, value: null, method: 'unknown' } },
    }
    state = planOf(doubtful)
    onBench(doubtful)
    answering(nobody)
    shown()
    expect((await screen.findByText(/Measure before cutting/)).textContent).toContain('roof skin')
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Accept the plan' }).disabled).toBe(true)
  })
  test('a piece without stock keeps it from the saw; so does a search still running', async () => {
    onBench(spar)
    answering(nobody)
    state = planOf(spar)
    state = { ...state, plan: state.plan && { ...state.plan, complete: false } }
    const { unmount } = shown()
    expect(await screen.findByText('Every piece needs stock before the plan can be accepted.')).toBeTruthy()
    unmount()
    state = planOf(spar, { running: true })
    shown()
    expect((await screen.findByRole<HTMLButtonElement>('button', { name: 'Accept the plan' })).disabled).toBe(true)
  })
  test('an accepted one says when and at what price, is printed, and can be taken back', async () => {
    state = planOf(spar)
    onBench(spar)
    const issued = {
      id: 'p1',
      at: '2026-11-20T09:30:00Z',
      jobRevision: 4,
      takenBackAt: null,
      plan: { ...state.plan, costMinor: 10_360 },
      saw: null,
      pieces: [],
      reason: '',
    }
    const { calls } = answering({ 'GET /plans': [issued], 'POST /take-back': {} })
    const { user } = shown()
    expect((await screen.findByText(/Accepted 20 Nov 2026/)).textContent).toContain('revision 4, 103.60')
    expect(screen.getByRole('link', { name: 'Print the cut sheet' }).getAttribute('href')).toBe('/api/jobs/job/cut-sheet.pdf')
    await user.click(screen.getByRole('button', { name: 'Take it back' }))
    await waitFor(() => expect(calls.some((c) => c.path === '/api/jobs/job/plans/p1/take-back')).toBe(true))
  })
  test('a limit over or not assessed asks for a reason before anything is accepted', async () => {
    state = planOf(survey)
    onBench(survey)
    const { calls } = answering({ 'GET /plans': [], 'POST /plans': { id: 'p' } })
    const { user } = shown()
    const accept = await screen.findByRole<HTMLButtonElement>('button', { name: 'Accept the plan' })
    expect(accept.disabled).toBe(true)
    await user.type(screen.getByRole('textbox', { name: 'Why it is cut all the same' }), 'bars first, case later')
    await user.tab()
    expect(accept.disabled).toBe(false)
    await user.click(accept)
    await waitFor(() => expect(String(calls.find((c) => c.method === 'POST')?.body)).toContain('bars first, case later'))
  })
  test('a design that moved since says which piece, and by how much', async () => {
    state = planOf(spar)
    onBench(spar)
    const pieces = piecesOf(assembled(withRack(spar, { overhangMm: rackParams(spar).overhangMm + 5 })))
    answering({
      'GET /plans': [
        { id: 'p1', at: '2026-11-20T09:30:00Z', jobRevision: 4, takenBackAt: null, plan: state.plan, saw: null, pieces, reason: '' },
      ],
    })
    shown()
    expect((await screen.findByText(/The design has moved since/)).parentElement?.textContent).toMatch(/B1 is 10 mm shorter/)
  })
  test('a refusal by the server is said where the button is', async () => {
    state = planOf(spar)
    onBench(spar)
    answering({ 'GET /plans': [] })
    const { user } = shown()
    await user.click(await screen.findByRole('button', { name: 'Accept the plan' }))
    expect((await screen.findByRole('alert')).textContent).toContain('something else')
  })
})

describe('the stock advisor', () => {
  const shown = () => mount(<WithJob>{() => <Advisor state={state} />}</WithJob>)
  test('says how much shorter saves how much, and one press makes the bars so', async () => {
    const advice = stockAdvice(survey, demoStock, defaultRules, tools)
    state = planOf(survey, { advice })
    onBench(survey)
    const { user } = shown()
    expect(screen.getAllByText('14 mm shorter').length).toBeGreaterThan(0)
    await user.click(screen.getAllByRole('button', { name: 'Apply' })[0])
    expect(benchJob().pieces).toEqual(advice[0]!.job.pieces)
  })
  test('nothing to be saved is said, and so is waiting', () => {
    onBench(survey)
    state = planOf(survey, { advice: [] })
    const { unmount } = shown()
    expect(screen.getByText('No shortening within the range saves any stock.')).toBeTruthy()
    unmount()
    state = planOf(survey)
    shown()
    expect(screen.getByText('trying shorter bars…')).toBeTruthy()
  })
})

describe('the lists', () => {
  test('every piece once with its ends, and what is bought at its price', () => {
    const job: Job = withRack(survey, { sideRails: true, cornerPlates: true })
    state = planOf(job)
    mount(<CutTables job={job} plan={state.plan!} lengths={null} />)
    const rows = (name: string) =>
      within(screen.getByRole('table', { name }))
        .getAllByRole('row')
        .slice(1)
        .map((r) => r.textContent)
    expect(rows('Cut list').join()).toMatch(/RL, RRSide rail.*B1Crossbar/)
    expect(rows('Purchase list').length).toBe(state.plan!.purchases.length + state.plan!.used.length + state.plan!.offcuts.length)
  })
  test('pieces cut from galvanised stock are told with what is bared, in the job’s units', () => {
    const job: Job = withRack({ ...survey, units: INCH }, { sideRails: true, build: 'welded' })
    state = planOf(job)
    const plan = {
      ...state.plan!,
      profiles: state.plan!.profiles.map((p) => ({ ...p, bars: p.bars.map((b) => ({ ...b, grade: 'galvanised' as const })) })),
    }
    mount(<CutTables job={job} plan={plan} lengths={null} />, INCH)
    expect(screen.getAllByRole('alert')[0]!.textContent).toMatch(/B1.*galvanised: bare the zinc 1 in beside each weld/)
  })
  test('hardware with its spares and prices', () => {
    const job: Job = withRack(survey, { bracketInsetMm: 40, bracketThicknessMm: 5 })
    state = planOf(job)
    mount(<CutTables job={job} plan={state.plan!} lengths={null} />)
    const hardware = within(screen.getByRole('table', { name: 'Hardware' }))
    // three bars, two feet each, one M8 at either end of each bracket, a tenth to spare
    const onFoot = hardware.getAllByRole('row').find((r) => r.textContent?.includes('step brackets, on the foot'))!
    expect(
      within(onFoot)
        .getAllByRole('cell')
        .map((c) => c.textContent)
        .slice(3, 5),
    ).toEqual(['6', '1'])
  })
  test('a rack without bars has nothing to list', () => {
    const job: Job = withRack(survey, { barXMm: [] })
    state = planOf(job)
    const { container } = mount(<CutTables job={job} plan={state.plan!} lengths={null} />)
    expect(container.textContent).toBe('')
  })
})

describe('the station', () => {
  const shown = (job: Job) => {
    onBench(job)
    answering(nobody)
    return mount(<CutStation />)
  }
  test('says what the stock costs and whether that is proven, with the bars drawn', async () => {
    state = planOf(spar)
    shown(spar)
    expect((await screen.findByText(/of stock,/)).textContent).toMatch(/% used, proven least cost$/)
    expect(screen.getAllByText('B4').length).toBeGreaterThan(1)
  })
  test('while it searches it shows how far it is and can be stopped; stopped it can go on', async () => {
    state = planOf(spar, { running: true, progress: { stage: 'proving', cost: 10_400, lowerBound: 10_100 } })
    const { user, unmount } = shown(spar)
    expect(screen.getByText('proving, 104.00, at least 101.00')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Stop' }))
    expect(state.stop).toHaveBeenCalled()
    unmount()
    state = planOf(spar, { stopped: true })
    const again = shown(spar)
    await again.user.click(screen.getByRole('button', { name: 'Plan again' }))
    expect(state.again).toHaveBeenCalled()
  })
  test('a search that failed says why; how offcuts are used and how short bars may become are the job’s', async () => {
    state = planOf(spar, { fault: 'the solver did not load' })
    const { user } = shown(spar)
    expect(screen.getByText(/The plan could not be made: the solver did not load/)).toBeTruthy()
    await user.click(screen.getByRole('switch', { name: 'Use offcuts from the rack first' }))
    const range = screen.getByRole('textbox', { name: 'Bars may become shorter by' })
    await user.clear(range)
    await user.type(range, '25{Enter}')
    expect(benchJob().cut).toEqual({ ...spar.cut, useRemnants: !spar.cut.useRemnants, maxShorterMm: 25 })
  })
})
