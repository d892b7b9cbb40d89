// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import loadHighs from 'highs'
import { beforeAll, describe, expect, test, vi } from 'vitest'
import { type BarsLeft, replanned } from '../../../core/barsLeft/barsLeft'
import { cutState, withPiece } from '../../../core/barsLeft/cutPieces'
import type { Tools } from '../../../core/calculator/tools'
import { cutList } from '../../../core/cutList/cutList'
import { stops } from '../../../core/cutList/stops'
import type { IssuedPlan } from '../../../core/issuedPlan/issuedPlan'
import { piecesOf } from '../../../core/issuedPlan/planMoved'
import { demoJobs } from '../../../core/job/demoJobs'
import { madeAssembly, patchedParams } from '../../../core/job/piecesOf'
import { highsTools } from '../../../core/nesting/highsTools'
import { planCuts } from '../../../core/nesting/planCuts'
import { INCH, METRIC } from '../../../core/quantity/units'
import { defaultRules } from '../../../core/rules/rules'
import { demoStock } from '../../../core/stock/demoStock'
import { answering, benchJob, mount, onBench, Refused, WithJob } from '../../testing/bench'
import { BarsInHand } from './BarsInHand'
import { PieceTicks } from './PieceTicks'

let tools: Tools
let answer: () => Promise<BarsLeft>
vi.stubGlobal(
  'Worker',
  class {
    terminate() {}
  },
)
vi.mock('comlink', async (real) => ({ ...(await real<object>()), wrap: () => ({ left: () => answer() }) }))
beforeAll(async () => {
  tools = highsTools(await loadHighs(), () => performance.now())
})
const [survey] = demoJobs
const partsOf = (job: typeof survey) => cutList(madeAssembly(job!, defaultRules))
const accepted = (): IssuedPlan => ({
  ...{ id: 'p', jobRevision: 1, at: '2026-11-29T10:00:00Z', takenBackAt: null, saw: { kerfMm: 3, endTrimMm: 10 }, reason: '' },
  plan: planCuts(partsOf(survey), demoStock, defaultRules, { useRemnants: true, timeLimitMs: 1500 }, tools),
  pieces: piecesOf(madeAssembly(survey!, defaultRules)),
})
const shown = (job: typeof survey, units = METRIC, more: Record<string, unknown> = {}) => {
  onBench(job!)
  const plan = accepted()
  const { calls } = answering({ ...more, '/plans': [plan] })
  answer = async () => replanned(benchJob(), plan, partsOf(benchJob()), demoStock, defaultRules, 1500, tools)
  return {
    ...mount(<WithJob>{(j) => <BarsInHand job={j} jobId="job" parts={partsOf(j)} stock={demoStock} />}</WithJob>, units),
    sent: () => calls.filter((c) => c.method === 'POST').map((c) => JSON.parse(String(c.body))),
  }
}
const withCut = (job: typeof survey, mark: string) =>
  withPiece(job!, mark, 'cut', { lengthMm: partsOf(survey).find((p) => p.marks.includes(mark))!.lengthMm, on: '2026-11-30' })

describe('bars in hand', () => {
  test('before anything is cut there is nothing to say; one piece cut, the rest is planned from what lies there, with nothing bought', async () => {
    const before = shown(survey)
    await new Promise((done) => setTimeout(done, 50))
    expect(screen.queryByRole('region', { name: 'Bars in hand' })).toBeNull()
    before.unmount()
    const { user } = shown(withCut(survey, 'B1'))
    expect((await screen.findByRole('status')).textContent).toBe('1 of 3 pieces of the accepted plan are cut.')
    await user.click(screen.getByRole('button', { name: /Plan what is left from the \d bars? in hand/ }))
    const list = await screen.findByRole('list', { name: 'What is left, bar by bar' })
    expect(list.textContent).toMatch(/B2 1711/)
    expect(list.textContent).toMatch(/B3 1693/)
    expect(list.textContent).not.toMatch(/to buy|B1 1728/)
  })
  test('a piece cut at another length than it would be now is named in the job’s units, made again, and kept after all', async () => {
    const piece = survey!.pieces[0]!
    const shorter = patchedParams(withCut(survey, 'B1'), piece.id, { overhangMm: Number(piece.params.overhangMm ?? 80) - 10 })
    const before = partsOf(shorter).find((p) => p.marks.includes('B1'))!.lengthMm
    expect(before).not.toBe(partsOf(survey).find((p) => p.marks.includes('B1'))!.lengthMm)
    const { user } = shown(shorter, INCH)
    const warned = await screen.findByText(/B1 is cut at 68, and would be 67 1\/4 now: trim it/)
    await user.click(within(warned).getByRole('button', { name: 'Make B1 again' }))
    await waitFor(() => expect(cutState(benchJob().built, 'B1')).toBe('scrap'))
    expect(screen.getByRole('status').textContent).toMatch(/^0 of 3 .*to be made again: B1/)
    await user.click(screen.getByRole('button', { name: 'B1 does after all' }))
    expect(cutState(benchJob().built, 'B1')).toBe('cut')
  })
})

test('gone on by what is left: asked for a reason where a limit is over, then accepted in place of the plan that stood', async () => {
  const kept = { 'GET /jobs/job': { revision: 7 }, 'GET /shelves/stock': { revision: 3 } }
  const over = new Refused(409, { faults: [{ where: 'reason', expected: 'why it is cut all the same: Roof, moving is over its line' }] })
  const { user, sent } = shown(withCut(survey, 'B1'), METRIC, { ...kept, 'POST /jobs/job/plans': over })
  await user.click(await screen.findByRole('button', { name: /Plan what is left from/ }))
  await user.click(await screen.findByRole('button', { name: 'Go on by this plan' }))
  expect((await screen.findByText(/Give why it is cut all the same/)).textContent).toContain('Roof, moving is over its line')
  await user.type(screen.getByLabelText('Why it is cut all the same'), 'one case less{Enter}')
  await user.click(screen.getByRole('button', { name: 'Go on by this plan' }))
  await waitFor(() => expect(sent()).toHaveLength(2))
  expect(sent()[1]).toEqual({ revision: 7, stockRevision: 3, reason: 'one case less', goesOnFrom: 'p' })
})

test('once it has gone on, the plan of what was left is no longer offered', async () => {
  const next = () => ({ ...accepted(), id: 'next' })
  let plans = [accepted()]
  onBench(withCut(survey, 'B1'))
  const answers = { 'GET /jobs/job': { revision: 7 }, 'GET /shelves/stock': { revision: 3 }, 'POST /jobs/job/plans': {} }
  const { calls } = answering(answers)
  const through = globalThis.fetch
  vi.stubGlobal('fetch', async (path: string, init: RequestInit = {}) => {
    if (path.endsWith('/plans') && init.method === 'POST') plans = [next()]
    else if (path.endsWith('/plans')) return new Response(JSON.stringify(plans))
    return through(path, init)
  })
  answer = async () => replanned(benchJob(), plans[0]!, partsOf(benchJob()), demoStock, defaultRules, 1500, tools)
  const { user } = mount(<WithJob>{(j) => <BarsInHand job={j} jobId="job" parts={partsOf(j)} stock={demoStock} />}</WithJob>)
  await user.click(await screen.findByRole('button', { name: /Plan what is left from/ }))
  await user.click(await screen.findByRole('button', { name: 'Go on by this plan' }))
  await waitFor(() => expect(screen.queryByRole('button', { name: 'Go on by this plan' })).toBeNull())
  expect(screen.queryByRole('list', { name: 'What is left, bar by bar' })).toBeNull()
  expect(calls.filter((c) => c.method === 'POST')).toHaveLength(1)
})

test('at the saw each piece is ticked by its mark, with the length; pressed again the tick is gone', async () => {
  onBench(survey!)
  answering({})
  const [stop] = stops(partsOf(survey), [])
  const { user } = mount(<WithJob>{(j) => <PieceTicks job={j} stop={stop!} />}</WithJob>)
  const [mark] = stop!.marks
  const press = () => user.click(screen.getByRole('button', { name: `${mark} is cut` }))
  await press()
  expect(benchJob().built[`piece ${mark}`]).toMatchObject({ was: String(Math.round(stop!.lengthMm * 10) / 10) })
  await press()
  expect(benchJob().built[`piece ${mark}`]).toBeUndefined()
})
