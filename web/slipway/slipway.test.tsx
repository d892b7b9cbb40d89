// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import type { JobRow } from '../../core/job/jobRow'
import { demoShop } from '../../core/shop/shop'
import { demoVehicles } from '../../core/vehicle/demoVehicles'
import { answering, mount } from '../testing/bench'
import { SlipwayPage } from './SlipwayPage'

const row = (over: Partial<JobRow>): JobRow => ({
  id: 'a',
  revision: 1,
  title: 'Spar carrier',
  client: 'Spar and sail loft',
  station: 'cut',
  fault: '',
  due: '2099-11-28',
  archived: false,
  updatedAt: '',
  over: 0,
  near: 0,
  unknown: 0,
  judged: true,
  moved: 0,
  governing: 'Roof, moving: clear',
  ...over,
})
const page = (rows: JobRow[], over: object = {}) => ({
  total: rows.length,
  rows,
  tally: { stations: { cut: rows.length }, over: 1, unknown: 2, late: 3 },
  ...over,
})
const jobs = () => screen.getByRole('list', { name: 'Jobs' })
const asked = (calls: { path: string }[]) =>
  new URLSearchParams(
    calls
      .filter((c) => c.path.startsWith('/api/jobs?'))
      .at(-1)
      ?.path.split('?')[1],
  )

describe('every job in the shop', () => {
  test('a line says what it is, where it stands, when it is due, and the worst of its limits in a word', async () => {
    answering({
      '/jobs': page([
        row({}),
        row({ id: 'b', title: 'Late one', due: '2001-01-02', over: 2, unknown: 1, governing: 'Foot, pressed down: over' }),
        row({ id: 'c', title: 'Handed over', due: '2001-01-02', station: 'hand-over', unknown: 1 }),
        row({ id: 'd', title: 'No date', due: null, client: '', near: 3 }),
      ]),
    })
    mount(<SlipwayPage />)
    await screen.findByText('Spar carrier')
    const lines = within(jobs())
      .getAllByRole('listitem')
      .map((l) => l.textContent)
    expect(lines[0]).toMatch(/Spar carrierSpar and sail loftCutdue 2099-11-28○ clear/)
    expect(lines[1]).toMatch(/late, 2001-01-02▲ 2 overFoot, pressed down: over/)
    // what was handed over is no longer late
    expect(lines[2]).toMatch(/Hand-overdue 2001-01-02\? 1 not assessed/)
    expect(lines[3]).toMatch(/no client yet.*no date◐ 3 near/)
    expect(screen.getByRole('link', { name: 'Spar carrier' }).getAttribute('href')).toBe('/jobs/a/cut')
  })
  test('filters by station, by state and the archive each ask the server, and pressed again let go', async () => {
    const { calls } = answering({ '/jobs': page([row({})]) })
    const { user } = mount(<SlipwayPage />)
    await screen.findByText('Spar carrier')
    expect(Object.fromEntries(asked(calls))).toEqual({ offset: '0', limit: '50', archived: 'false' })
    await user.click(screen.getByRole('button', { name: /Cut/ }))
    await waitFor(() => expect(asked(calls).get('station')).toBe('cut'))
    await user.click(screen.getByRole('button', { name: '▲ 1 over a limit' }))
    await waitFor(() => expect(asked(calls).get('state')).toBe('over'))
    await user.click(screen.getByRole('button', { name: 'Archive' }))
    await waitFor(() => expect(asked(calls).get('archived')).toBe('true'))
    await user.click(screen.getByRole('button', { name: '▲ 1 over a limit' }))
    await waitFor(() => expect(asked(calls).get('state')).toBeNull())
    expect(asked(calls).get('station')).toBe('cut')
  })
  test('what is typed is searched for once the typing rests; the slash key goes there', async () => {
    const { calls } = answering({ '/jobs': page([row({})]) })
    const { user } = mount(<SlipwayPage />)
    await screen.findByText('Spar carrier')
    const before = calls.length
    await user.keyboard('/')
    await user.keyboard('spar')
    await waitFor(() => expect(asked(calls).get('search')).toBe('spar'))
    expect(calls.length - before).toBe(1)
  })
  test('a long list goes by pages of fifty', async () => {
    const { calls } = answering({ '/jobs': page([row({})], { total: 120 }) })
    const { user } = mount(<SlipwayPage />)
    expect(await screen.findByText('1 to 50 of 120')).toBeTruthy()
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Earlier' }).disabled).toBe(true)
    await user.click(screen.getByRole('button', { name: 'Later' }))
    await user.click(await screen.findByRole('button', { name: 'Later' }))
    expect(await screen.findByText('101 to 120 of 120')).toBeTruthy()
    expect(asked(calls).get('offset')).toBe('100')
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Later' }).disabled).toBe(true)
  })
  test('an empty shop says where to start; a search that finds nothing shows all again', async () => {
    answering({ '/jobs': page([], { tally: { stations: {}, over: 0, unknown: 0, late: 0 } }) })
    const { unmount } = mount(<SlipwayPage />)
    expect(await screen.findByText('The slipway is empty')).toBeTruthy()
    unmount()
    answering({ '/jobs': page([], { tally: { stations: { cut: 4 }, over: 0, unknown: 0, late: 0 } }) })
    const { user } = mount(<SlipwayPage />)
    expect(await screen.findByText('No job matches')).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Show all jobs' }))
  })
  test('a server that does not answer is said, with a way to try again', async () => {
    answering({})
    const { user } = mount(<SlipwayPage />)
    expect((await screen.findByRole('alert')).textContent).toContain('The jobs could not be loaded')
    answering({ '/jobs': page([row({})]) })
    await user.click(screen.getByRole('button', { name: 'Try again' }))
    expect(await screen.findByText('Spar carrier')).toBeTruthy()
  })
})

describe('what can be done with a job', () => {
  test('archived from its menu, and copied as a new one', async () => {
    const { calls } = answering({ '/jobs': page([row({})]), 'POST /archive': null, 'POST /copy': { id: 'new', job: {} } })
    const { user } = mount(<SlipwayPage />)
    const menu = async (item: string) => {
      await user.click(await screen.findByRole('button', { name: 'More for Spar carrier' }))
      await user.click(screen.getByRole('menuitem', { name: item }))
    }
    await menu('Archive')
    await waitFor(() => expect(calls.find((c) => c.path === '/api/jobs/a/archive')?.body).toBe('{"archived":true}'))
    await menu('Copy as a new job')
    await waitFor(() => expect(calls.some((c) => c.path === '/api/jobs/a/copy' && c.method === 'POST')).toBe(true))
  })
  test('a new one wants a title and a vehicle, and says so; N opens it, in the units the shop begins in', async () => {
    const { calls } = answering({
      'GET /jobs': page([row({})]),
      '/shelves/vehicles': { revision: 1, document: demoVehicles },
      '/shelves/shop': { revision: 1, document: { ...demoShop, units: 'inch' } },
      'POST /jobs': { id: 'new' },
    })
    const { user } = mount(<SlipwayPage />)
    await screen.findByText('Spar carrier')
    await user.keyboard('n')
    await user.click(screen.getByRole('button', { name: 'Start' }))
    expect(screen.getByText('give the job a title')).toBeTruthy()
    expect(screen.getByText(/choose the nearest one/)).toBeTruthy()
    expect(calls.some((c) => c.method === 'POST')).toBe(false)
    await user.type(screen.getByRole('textbox', { name: 'What is it?' }), 'Ladder bars')
    await user.click(screen.getByRole('combobox', { name: 'Vehicle' }))
    await user.click(await screen.findByRole('option', { name: demoVehicles[1].name }))
    await user.click(screen.getByRole('button', { name: 'Start' }))
    await waitFor(() =>
      expect(JSON.parse(String(calls.find((c) => c.method === 'POST')?.body))).toEqual({
        title: 'Ladder bars',
        vehicleId: demoVehicles[1].id,
        units: 'inch',
      }),
    )
  })
  test('a broken job file changes nothing and says where it broke', async () => {
    answering({ 'GET /jobs': page([row({})]) })
    const { user } = mount(<SlipwayPage />)
    await screen.findByText('Spar carrier')
    await user.upload(screen.getByLabelText('Job file'), new File(['{'], 'job.json', { type: 'application/json' }))
    expect((await screen.findByRole('alert')).textContent).toContain('Nothing was imported. /api/jobs/import: something else')
  })
})
