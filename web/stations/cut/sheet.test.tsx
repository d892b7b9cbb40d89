// @vitest-environment jsdom
import { focusManager } from '@tanstack/react-query'
import { act, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { sheetRuns } from '../../../core/cutRun/sheetRun'
import { demoJobs } from '../../../core/job/demoJobs'
import type { Job } from '../../../core/job/job'
import { madeAssembly } from '../../../core/job/piecesOf'
import { METRIC } from '../../../core/quantity/units'
import { defaultRules } from '../../../core/rules/rules'
import { acceptedFrom, planSheets, type SheetGroup } from '../../../core/sheetNesting/sheetPlan'
import { demoShop } from '../../../core/shop/shop'
import { demoStock } from '../../../core/stock/demoStock'
import type { SheetOffcut, Stock } from '../../../core/stock/stock'
import { withRack } from '../../../core/testing/racks'
import { editJob } from '../../job/jobStore'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import { SheetWork } from './SheetWork'
import type { SheetsState } from './useSheets'

vi.mock('../../drawing/SheetView', () => ({ SheetView: () => null }))
let state: Omit<SheetsState, 'done'> & { groups: SheetGroup[] | null }
// what is accepted comes back as accepted, as the worker would send it
vi.mock('./useSheets', () => ({
  useSheets: (job: Job): SheetsState => {
    const { groups, ...rest } = state
    if (!groups) return { ...rest, done: null }
    const told = groups.map((g) => ({
      ...g,
      standing: moved ? ('moved' as const) : job.flatSheets ? ('accepted' as const) : ('open' as const),
    }))
    return { ...rest, done: { groups: told, runs: sheetRuns(told, demoShop.workshop.table, defaultRules) } }
  },
}))
let moved = false
const hives = demoJobs.find((j) => j.title.startsWith('Half guard'))!
const [survey] = demoJobs
const rack = { ...demoStock, sheets: [] as SheetOffcut[] }
const shop = { '/shelves/shop': { revision: 3, document: demoShop }, '/shelves/stock': { revision: 5, document: rack } }
const shown = () => mount(<WithJob>{(job) => <SheetWork job={job} jobId="j" />}</WithJob>)
const groupsOf = (job: typeof hives) =>
  planSheets(madeAssembly(job, defaultRules), { rules: defaultRules, system: job.units.system, begun: [] }, () => performance.now())

type User = ReturnType<typeof shown>['user']
/** Limits of the demo are open: cutting asks why. */
const because = async (user: User, why = 'trial fit first') =>
  user.type(await screen.findByLabelText('Why the sheets are cut all the same'), `${why}{Enter}`)

describe('what is cut from sheet', () => {
  test('every part once with how many, its folds and cut; the sheets they lie on with their price; files and prints', () => {
    answering(shop)
    onBench(hives)
    state = { groups: groupsOf(hives), running: false, fault: null }
    shown()
    const rows = within(screen.getByRole('table', { name: 'Flat parts' }))
      .getAllByRole('row')
      .slice(1)
      .map((r) =>
        within(r)
          .getAllByRole('cell')
          .slice(0, 5)
          .map((c) => c.textContent),
      )
    expect(rows).toEqual([
      ['B-BO', 'Body: floor, front and back', '1', '4', '0'],
      ['B-EN', 'End', '2', '4', '0'],
      ['B-DV', 'Divider', '1', '3', '0'],
      ['B-LD', 'Lid', '1', '4', '0'],
      ['B-BR', 'Bearer', '7', '4', '0'],
    ])
    expect(screen.getByRole('status').textContent).toMatch(/^1 sheet, [\d.]+.*% of it becomes parts$/)
    // an inch shop buys by the foot
    expect(screen.getByText(/^Sheet 1: (2438|3048) × (1219|1524)$/)).toBeTruthy()
    const links = Object.fromEntries(screen.getAllByRole('link').map((l) => [l.textContent, l.getAttribute('href')]))
    expect(links['Print fold sheets and nests']).toBe('/api/jobs/j/flat.pdf')
    expect(links['Nests as DXF']).toBe('/api/jobs/j/nest.dxf')
    expect(screen.getAllByRole('link', { name: 'DXF' })[0]!.getAttribute('href')).toBe('/api/jobs/j/flat/B-BO.dxf')
  })
  test('each step bracket is laid out once with its radius', () => {
    answering(shop)
    const job = { ...withRack(survey, { bracketInsetMm: 40, bracketThicknessMm: 5 }), units: METRIC }
    onBench(job)
    state = { groups: null, running: true, fault: null }
    shown()
    const drawn = screen.getAllByRole('figure')
    expect(drawn).toHaveLength(1)
    expect(drawn[0]!.textContent).toMatch(/^SB.*6 off.*inside radius 7\.5/)
    expect(screen.getByRole('progressbar', { name: 'Laying the parts on sheets' })).toBeTruthy()
  })
  test('a part larger than any sheet is named; a fold longer than the brake too; a fault is shown', async () => {
    answering({ '/shelves/shop': { revision: 3, document: { ...demoShop, workshop: { ...demoShop.workshop, brakeMm: 600 } } } })
    onBench(hives)
    const groups = groupsOf(hives)
    state = {
      groups: groups.map((g) => ({ ...g, nest: { ...g.nest, unplaced: [{ partId: '0', quantity: 1, reason: 'it is too large' }] } })),
      running: false,
      fault: null,
    }
    const { unmount } = shown()
    expect(screen.getByText('B-BO: on no sheet, it is too large.')).toBeTruthy()
    expect(await screen.findByText(/a fold .* long and the brake takes/)).toBeTruthy()
    unmount()
    state = { groups: null, running: false, fault: 'the worker fell over' }
    shown()
    expect(screen.getByText(/could not be laid on sheets: the worker fell over/)).toBeTruthy()
  })
  test('once it is cut the rack loses the begun sheet that was used and gets what is left; taken back it is as it was', async () => {
    const panel = demoJobs.find((j) => j.title.startsWith('Slotted'))!
    const big = { ...demoStock.sheets[0]!, lengthMm: 1700, widthMm: 1000 }
    const { calls } = answering({ ...shop, '/shelves/stock': { revision: 5, document: { ...demoStock, sheets: [big] } } })
    onBench(panel)
    const made = { assembly: madeAssembly(panel, defaultRules), begun: [big] }
    state = {
      groups: planSheets(made.assembly, { rules: defaultRules, system: 'metric', begun: made.begun }, () => 0),
      running: false,
      fault: null,
    }
    const { user } = shown()
    expect(await screen.findByText(/from wall, left \(left from a drawer carcass\)/)).toBeTruthy()
    expect(await screen.findByText(/begun sheet is used up/)).toBeTruthy()
    await because(user)
    await user.click(screen.getByRole('button', { name: 'It is cut: bring the rack up to date' }))
    const sent = () => (JSON.parse(String(calls.filter((c) => c.method === 'PUT').at(-1)!.body)) as { document: Stock }).document
    expect(await screen.findByText(/^Cut on .*: the rack has what is left/)).toBeTruthy()
    expect(benchJob().flatSheets).toMatchObject({ cut: true, groups: [{ materialId: 'al5052h32', thicknessMm: 2 }] })
    // a second time there is nothing to press
    expect(screen.queryByRole('button', { name: /It is cut/ })).toBeNull()
    expect(sent().sheets.map((s) => [s.id === big.id, s.note, s.place])).toEqual([[false, `left from ${panel.title}`, 'wall, left']])
    await user.click(screen.getByRole('button', { name: 'Take it back' }))
    await waitFor(() => expect(sent().sheets).toEqual([big]))
    expect(benchJob().flatSheets?.cut).toBe(false)
  })
  test('once somebody else has changed the rack, what this page put there can no longer be taken back', async () => {
    const panel = demoJobs.find((j) => j.title.startsWith('Slotted'))!
    const answers = { ...shop, '/shelves/stock': { revision: 5, document: rack } }
    const { calls } = answering(answers)
    onBench(panel)
    state = { groups: groupsOf(panel), running: false, fault: null }
    const { user } = shown()
    await because(user)
    await user.click(await screen.findByRole('button', { name: 'It is cut: bring the rack up to date' }))
    expect(await screen.findByRole('button', { name: 'Take it back' })).toBeTruthy()
    answers['/shelves/stock'] = { revision: 9, document: rack }
    act(() => {
      focusManager.setFocused(false)
      focusManager.setFocused(true)
    })
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Take it back' })).toBeNull())
    expect(screen.getByText(/^Cut on /)).toBeTruthy()
    expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(1)
  })
  test('accepted they stand by their day, and can be taken back; with parts changed since they are told as laid anew', async () => {
    answering(shop)
    onBench(hives)
    state = { groups: groupsOf(hives), running: false, fault: null }
    const { user } = shown()
    const accept = await screen.findByRole<HTMLButtonElement>('button', { name: 'Accept these sheets' })
    // a limit that is not assessed asks why, before anything is accepted or cut
    expect(screen.getByText(/: not assessed.*The prints will say so/)).toBeTruthy()
    expect([accept.disabled, screen.getByRole<HTMLButtonElement>('button', { name: /It is cut/ }).disabled]).toEqual([true, true])
    await because(user, '   ')
    expect(accept.disabled).toBe(true)
    await because(user)
    await user.click(accept)
    expect(benchJob().flatSheets).toMatchObject({ cut: false, reason: 'trial fit first' })
    expect(screen.getByText(/^Accepted on \d{4}-\d\d-\d\d: screen, print and program keep to these sheets/)).toBeTruthy()
    moved = true
    act(() => editJob((j) => ({ ...j, notes: 'x' })))
    expect(screen.getByText(/accepted on .*, and their parts have changed since: above, all of them are laid anew/)).toBeTruthy()
    expect(screen.getByRole('button', { name: 'Accept the new sheets' })).toBeTruthy()
    moved = false
    act(() => editJob((j) => ({ ...j, notes: 'y' })))
    await user.click(screen.getByRole('button', { name: 'Take the sheets back' }))
    expect(benchJob().flatSheets).toBeNull()
  })
  test('a begun sheet that was used elsewhere since is named, and nothing is cut by it', async () => {
    const panel = demoJobs.find((j) => j.title.startsWith('Slotted'))!
    const big = { ...demoStock.sheets[0]!, lengthMm: 1700, widthMm: 1000 }
    answering(shop)
    const groups = planSheets(madeAssembly(panel, defaultRules), { rules: defaultRules, system: 'metric', begun: [big] }, () => 0)
    state = { groups, running: false, fault: null }
    onBench({ ...panel, flatSheets: acceptedFrom(groups, { on: '2026-11-30', cut: false, reason: 'bench' }) })
    shown()
    expect(await screen.findByText(/1700 × 1000, wall, left: no longer on the rack/)).toBeTruthy()
    expect((screen.getByRole('button', { name: /It is cut/ }) as HTMLButtonElement).disabled).toBe(true)
  })
  test('a job without sheet says what would have some', () => {
    answering(shop)
    onBench({ ...survey, pieces: [] })
    shown()
    expect(screen.getByText(/Nothing in this job is cut from sheet/)).toBeTruthy()
  })
})
