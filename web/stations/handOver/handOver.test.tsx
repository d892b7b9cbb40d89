// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { quote } from '../../../core/cost/quote'
import { demoJobs } from '../../../core/job/demoJobs'
import type { Job } from '../../../core/job/job'
import { pricedPieces } from '../../../core/job/piecesOf'
import type { CutPlan } from '../../../core/nesting/planCuts'
import { moneyText } from '../../../core/quantity/money'
import { defaultRules } from '../../../core/rules/rules'
import { demoStock } from '../../../core/stock/demoStock'
import { answering, benchJob, mount, onBench } from '../../testing/bench'
import HandOverStation from './HandOverStation'

vi.mock('../../drawing/DrawingPane', async (real) => ({ ...(await real<object>()), DrawingPane: () => null }))
vi.mock('../../limits/TideGauge', () => ({ TideGauge: () => null }))
let plan: { plan: CutPlan | null; running: boolean }
vi.mock('../cut/usePlan', () => ({ usePlan: () => plan }))
const [survey, oyster, , drone] = demoJobs
const bought = { complete: true, costMinor: 4920, purchases: [], used: [] } as unknown as CutPlan
const shown = (job: Job) => {
  answering({ '/shelves/stock': { revision: 1, document: demoStock } })
  onBench(job)
  return mount(<HandOverStation />)
}

describe('price and its reasons', () => {
  test('every line opens its working, and the sum stands beside the budget and a ready-made one', async () => {
    plan = { plan: bought, running: false }
    const job = { ...drone, brief: { ...drone.brief, budgetMinor: 200_000, readyMadeMinor: 98_000, readyMadeNote: 'two bars and a box' } }
    const { user } = shown(job)
    const q = quote(pricedPieces(job, defaultRules), bought, job.brief, defaultRules)!
    for (const l of q.lines) expect(screen.getByText(l.name)).toBeTruthy()
    expect(screen.getByText(/than the budget/).textContent).toBe(`${moneyText(200_000 - q.price.value!)} less than the budget`)
    expect(screen.getByText(/two bars and a box/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: /^Labour.*show the working/ }))
    expect((await screen.findByRole('dialog')).textContent).toContain('t = base + members·b')
  })
  test('without a plan the stock has no price, so neither has the rack: said, with what is missing', () => {
    plan = { plan: null, running: false }
    shown(drone)
    expect(screen.getByText(/The price is not known yet. Missing:/)).toBeTruthy()
  })
  test('while the plan is made the price is being worked out', () => {
    plan = { plan: bought, running: true }
    shown(drone)
    expect(screen.getByText('Working out the price…')).toBeTruthy()
    expect(screen.queryByText(/than the budget/)).toBeNull()
  })
})

describe('what goes with it', () => {
  test('prints and open files lead to this job; notes are kept with it', async () => {
    plan = { plan: bought, running: false }
    const { user } = shown(drone)
    const hrefs = screen.getAllByRole('link').map((a) => a.getAttribute('href'))
    for (const file of ['arrangement.pdf', 'cut-sheet.pdf', 'file.json', 'cut-list.csv', 'drawing/rear.dxf', 'drawing/plan.svg'])
      expect(hrefs).toContain(`/api/jobs/job/${file}`)
    await user.type(screen.getByRole('textbox', { name: 'For the file' }), 'Spare end caps in the glove box')
    await user.tab()
    await waitFor(() => expect(benchJob().notes).toBe('Spare end caps in the glove box'))
  })
  test('the caution stands here, and what is still open is listed by station; a rating that nobody has is open', () => {
    plan = { plan: bought, running: false }
    const { unmount } = shown(oyster)
    expect(screen.getByText(/certifies nothing/)).toBeTruthy()
    const open = screen.getAllByRole('listitem').map((l) => l.textContent)
    expect(open).toContainEqual(expect.stringMatching(/^Loads: Foot, pressed down is not assessed/))
    unmount()
    shown(drone)
    expect(screen.getByText('Nothing is open at any station.')).toBeTruthy()
  })
  test('what hangs out or stands high asks for the local rules, in the job’s units', () => {
    plan = { plan: bought, running: false }
    const far = { ...survey, brief: { ...survey.brief, cargo: [{ ...survey.brief.cargo[0], lengthMm: 6200, xMm: 0 }] } }
    shown(far)
    const rules = screen.getByText('Ask the local rules').parentElement as HTMLElement
    expect(within(rules).getAllByRole('listitem').length).toBeGreaterThan(0)
    expect(rules.textContent).not.toMatch(/[{}]/)
  })
})
