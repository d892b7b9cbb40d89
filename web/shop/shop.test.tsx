// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { Route, Routes } from 'react-router'
import { describe, expect, test } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import { demoShop } from '../../core/shop/shop'
import { demoStock } from '../../core/stock/demoStock'
import { ApiError, call } from '../api/client'
import { heardFrom, useStanding } from '../api/standing'
import { openJob, useJob } from '../job/jobStore'
import { LeftBehindNotice } from '../keeping/LeftBehindNotice'
import { Shell } from '../shell/Shell'
import { Standing } from '../shell/Standing'
import StockPage from '../shelves/StockPage'
import { answering, mount, Refused } from '../testing/bench'
import PairPage from './PairPage'
import ShopPage from './ShopPage'
import { ageText, backupTrouble, type Kept } from './useBackups'

const now = Date.parse('2026-11-26T12:00:00Z')
const kept = (...at: string[]): Kept => ({
  folder: '/data/backups',
  backups: at.map((a) => ({ day: a.slice(0, 10), bytes: 1_400_000, at: a })),
  fault: null,
})
const bay = { id: 'd1', name: 'Bay tablet', role: 'floor', pairedAt: '2026-11-20T08:00:00Z', seenAt: '2026-11-26T08:00:00Z' }

describe('how old the newest backup is', () => {
  test('from today, a day, five days, none', () => {
    expect(ageText(kept('2026-11-26T03:00:00Z'), now)).toBe('The newest is from today.')
    expect(ageText(kept('2026-11-25T03:00:00Z', '2026-11-24T03:00:00Z'), now)).toBe('The newest is a day old.')
    expect(ageText(kept('2026-11-21T03:00:00Z'), now)).toBe('The newest is 5 days old.')
    expect(ageText(kept(), now)).toBe('There is no backup yet.')
    // made while a clock ran ahead it hides no older one, and alone it is not called young
    expect(ageText(kept('2026-12-24T03:00:00Z', '2026-11-21T03:00:00Z'), now)).toBe('The newest is 5 days old.')
    expect(ageText(kept('2026-12-24T03:00:00Z'), now)).toContain('dated later than now')
    expect(backupTrouble(kept('2026-12-24T03:00:00Z'), null, now)).toContain('look at the clocks')
  })
  test('everybody is told from two days on, or when one failed; a floor device is not', () => {
    expect(backupTrouble(kept('2026-11-25T03:00:00Z'), null, now)).toBeNull()
    expect(backupTrouble(kept('2026-11-24T03:00:00Z'), null, now)).toContain('2 days old')
    expect(backupTrouble({ ...kept('2026-11-26T03:00:00Z'), fault: 'no room' }, null, now)).toBe('The last backup failed: no room')
    expect(backupTrouble(undefined, new ApiError(403, [], null), now)).toBeNull()
  })
})

describe('the shop', () => {
  const desk = {
    '/who': { role: 'desk' },
    '/keeping': kept('2026-11-26T03:00:00Z'),
    'GET /shelves/shop': { revision: 2, document: demoShop },
  }
  test('what stands on every sheet is set once, each as its own save', async () => {
    const { calls } = answering({
      ...desk,
      '/devices': { devices: [], addresses: [] },
      'PUT /shelves/shop': { revision: 3, document: demoShop },
    })
    const { user } = mount(<ShopPage />)
    const name = await screen.findByRole<HTMLInputElement>('textbox', { name: 'Name of the shop' })
    expect(name.value).toBe('Skerry Quay outfitters')
    await user.click(screen.getByRole('combobox', { name: 'Paper' }))
    await user.click(screen.getByRole('option', { name: 'Tabloid' }))
    await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true))
    expect(JSON.parse(String(calls.find((c) => c.method === 'PUT')?.body))).toEqual({
      revision: 2,
      document: { ...demoShop, paper: 'Tabloid' },
    })
  })
  test('a die is added and a trial of another rejected, each as its own save of the whole shop', async () => {
    const { calls } = answering({
      ...desk,
      '/devices': { devices: [], addresses: [] },
      'PUT /shelves/shop': { revision: 3, document: demoShop },
    })
    const { user } = mount(<ShopPage />)
    await user.click(await screen.findByRole('button', { name: 'Add a die' }))
    await user.click(screen.getByRole('button', { name: 'Reject the last' }))
    await waitFor(() => expect(calls.filter((c) => c.method === 'PUT')).toHaveLength(2))
    const [added, rejected] = calls.filter((c) => c.method === 'PUT').map((c) => JSON.parse(String(c.body)).document.workshop.dies)
    expect(added).toHaveLength(demoShop.workshop.dies.length + 1)
    expect(rejected[0].trials).toHaveLength(demoShop.workshop.dies[0]!.trials.length - 1)
  })
  test('backups are listed to be fetched, one can be made now; a failed one says why', async () => {
    answering({
      ...desk,
      '/devices': { devices: [], addresses: [] },
      'POST /keeping/backup': new Refused(507, { faults: [{ where: 'backup', expected: 'a disk that takes it' }] }),
    })
    const { user } = mount(<ShopPage />)
    expect((await screen.findByRole('link', { name: 'Fetch the backup of 2026-11-26' })).getAttribute('href')).toBe(
      '/api/keeping/backups/2026-11-26',
    )
    await user.click(screen.getByRole('button', { name: 'Make one now' }))
    expect((await screen.findByRole('alert')).textContent).toContain('a disk that takes it')
  })
  test('on this machine only: how to open it to others is said, and no code is offered', async () => {
    answering({ ...desk, '/devices': { devices: [], addresses: [] } })
    mount(<ShopPage />)
    expect(await screen.findByText(/answers this machine only/)).toBeTruthy()
    expect(screen.queryByRole('button', { name: /Code for/ })).toBeNull()
  })
  test('on the network: a code to type and to scan, the warning, and a device that is put out', async () => {
    const { calls } = answering({
      ...desk,
      'GET /devices': { devices: [bay], addresses: ['http://192.0.2.2:4173'] },
      '/devices/codes': { code: 'ABCDEFGH', role: 'floor', until: '' },
      '/put-out': {},
    })
    const { user } = mount(<ShopPage />)
    await user.click(await screen.findByRole('button', { name: 'Code for a floor device' }))
    expect(await screen.findByText('ABCD-EFGH')).toBeTruthy()
    expect(await screen.findByAltText('Sign to scan: http://192.0.2.2:4173/pair#ABCDEFGH')).toBeTruthy()
    expect(screen.getByText(/travels in clear/)).toBeTruthy()
    const list = within(screen.getByRole('list', { name: 'Paired devices' }))
    await user.click(list.getByRole('button', { name: 'Put out Bay tablet' }))
    await waitFor(() => expect(calls.some((c) => c.method === 'POST' && c.path === '/api/devices/d1/put-out')).toBe(true))
  })
  test('a floor device is told whose page this is', async () => {
    answering({ '/who': { role: 'floor' } })
    mount(<ShopPage />)
    expect(await screen.findByText(/seen to at the desk/)).toBeTruthy()
  })
})

describe('a device that is not paired', () => {
  test('whatever page it opens, it is asked to pair; a wrong code is said, a right one opens the page', async () => {
    answering({ '/who': new Refused(401, { faults: [{ where: 'this device', expected: 'a device that is paired' }] }) })
    const { user } = mount(
      <Routes>
        <Route element={<Shell />}>
          <Route path="*" element={<p>the work</p>} />
        </Route>
      </Routes>,
    )
    await call('/who').catch(() => undefined)
    const code = await screen.findByRole('textbox', { name: /Code from the desk/ })
    expect(screen.queryByText('the work')).toBeNull()
    answering({ '/pair': new Refused(422, { faults: [{ where: 'code', expected: 'the code as the desk shows it' }] }) })
    await user.type(code, 'NONE')
    await user.type(screen.getByRole('textbox', { name: /call this device/ }), 'Phone')
    await user.click(screen.getByRole('button', { name: 'Pair' }))
    expect(await screen.findByText('code: the code as the desk shows it')).toBeTruthy()
    const { calls } = answering({ '/pair': bay })
    await user.click(screen.getByRole('button', { name: 'Pair' }))
    expect(await screen.findByText('the work')).toBeTruthy()
    expect(JSON.parse(String(calls.find((c) => c.path === '/api/pair')?.body))).toEqual({ code: 'NONE', name: 'Phone' })
  })
  test('scanned, the code stands there already', () => {
    window.history.replaceState(null, '', '/pair#ABCD-EFGH')
    mount(<PairPage />)
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: /Code from the desk/ }).value).toBe('ABCD-EFGH')
    window.history.replaceState(null, '', '/')
  })
})

test('a server that became a newer one offers the page anew, once', () => {
  answering({ '/keeping': kept() })
  heardFrom('one')
  heardFrom('one')
  expect(useStanding.getState().newer).toBe(false)
  heardFrom('two')
  mount(<Standing />)
  expect(screen.getByText(/what you typed is kept/)).toBeTruthy()
  expect(screen.getByRole('button', { name: 'Load it again' })).toBeTruthy()
})

test('a shelf that cannot be read says where, is fetched as it is kept, and is written back from a file put right', async () => {
  const broken = new Refused(409, {
    faults: [{ where: 'the shelf “Stock rack”', expected: 'something that can be read' }],
    unreadable: [{ where: 'remnants[3].lengthMm', expected: 'must be 20 m or less' }],
    revision: 12,
  })
  answering({ '/shelves/stock': broken })
  const { user } = mount(<StockPage />)
  expect(await screen.findByText('remnants[3].lengthMm: must be 20 m or less')).toBeTruthy()
  expect(screen.getByRole('link', { name: 'Fetch it as it is kept' }).getAttribute('href')).toBe('/api/shelves/stock/as-kept.json')
  const { calls } = answering({
    'PUT /shelves/stock': { revision: 13, document: demoStock },
    'GET /shelves/stock': { revision: 13, document: demoStock },
  })
  await user.upload(screen.getByLabelText('Shelf put right'), new File([JSON.stringify(demoStock)], 's.json', { type: 'application/json' }))
  await waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true))
  expect(JSON.parse(String(calls.find((c) => c.method === 'PUT')?.body))).toMatchObject({
    revision: 12,
    document: { sale: demoStock.sale },
  })
})

test('unsaved work of another window can be taken as a file or thrown away', async () => {
  const one = { key: 'tideline.unsaved.j.x', at: '2026-11-26T09:00', revision: 1, job: null, text: '{"half":1}' }
  localStorage.setItem(one.key, one.text)
  openJob({ id: 'j', revision: 1, archived: false, updatedAt: '', job: demoJobs[0] }, [one])
  const { user } = mount(<LeftBehindNotice />)
  expect(screen.getByRole('link', { name: 'Save as a file' }).getAttribute('href')).toBe('data:application/json,%7B%22half%22%3A1%7D')
  await user.click(screen.getByRole('button', { name: 'Throw away' }))
  expect([localStorage.getItem(one.key), useJob.getState().left]).toEqual([null, []])
})
