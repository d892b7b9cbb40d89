// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { type BoughtPart, demoParts } from '../../core/catalogue/boughtParts'
import { readFlatDxf } from '../../core/exchange/flatDxf'
import { demoJobs } from '../../core/job/demoJobs'
import { INCH, METRIC } from '../../core/quantity/units'
import { answering, mount, Refused } from '../testing/bench'
import { PatternMatch } from './PatternMatch'

vi.mock('../drawing/SheetView', () => ({ SheetView: () => null }))
const slide = demoParts.find((p) => p.kind === 'slide')!
const ear: BoughtPart = {
  ...slide,
  ...{ id: 'ear', number: 'SQ-E1', name: 'Ear' },
  holes: [0, 192, 320].map((xMm) => ({ xMm, yMm: 0, diameterMm: 6.6 })),
}
const NO_JOBS = { '/jobs': { rows: [], total: 0, tally: {} } }
async function shown(parts: BoughtPart[], first: string, second: string, units = METRIC, answers: Record<string, unknown> = NO_JOBS) {
  const { calls } = answering(answers)
  const { user } = mount(<PatternMatch parts={parts} />, units)
  const pick = async (label: string, option: string | RegExp) => {
    await user.click(screen.getByRole('combobox', { name: label }))
    await user.click(screen.getByRole('option', { name: option }))
  }
  await pick('First part', new RegExp(first))
  await pick('Second part', new RegExp(second))
  return { user, pick, calls }
}

describe('whether two parts fit one another', () => {
  test('a slide and an ear: three bolts at 355 along, the first way in hand; another is taken by a press', async () => {
    const { user } = await shown([slide, ear], 'slide', 'Ear')
    const ways = within(screen.getByRole('list', { name: 'Ways it fits' })).getAllByRole('button')
    expect(ways[0]!.textContent).toMatch(/^3 bolts, 320 apart at most, along \+355, across \+38/)
    expect(ways.map((w) => w.getAttribute('aria-pressed'))).toEqual(['true', ...ways.slice(1).map(() => 'false')])
    await user.click(ways[1]!)
    expect(screen.getAllByRole('button', { pressed: true })[0]!.textContent).toBe(ways[1]!.textContent)
    expect(screen.getByText(/3 holes with a bolt are filled/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: /Play left in the tightest pair/ }))
    expect(await screen.findByText(/geometry of a bolt in two holes/)).toBeTruthy()
  })
  test('in inches its shift is told in inches', async () => {
    await shown([slide, ear], 'slide', 'Ear', INCH)
    expect(screen.getByRole('list', { name: 'Ways it fits' }).textContent).toContain('along +13.976')
  })
  test('a bolt that passes none of them fits nowhere, and it says what it takes', async () => {
    const { pick } = await shown([slide, ear], 'slide', 'Ear')
    await pick('Bolt', 'M8')
    expect(screen.getByText(/At no shift do two bolts M8 pass holes of both/)).toBeTruthy()
    expect(screen.queryByRole('list', { name: 'Ways it fits' })).toBeNull()
  })
  test('with fewer than two drilled parts there is nothing to ask', () => {
    mount(<PatternMatch parts={[slide, { ...ear, holes: [] }]} />)
    expect(screen.queryByRole('region')).toBeNull()
  })
  test('an adapter: moved aside it is drawn with both patterns; holes too near are named and it has no file until they are apart', async () => {
    const { user } = await shown([slide, ear], 'slide', 'Ear')
    const plate = within(screen.getByRole('region', { name: 'Adapter between them' }))
    expect(plate.getByRole('combobox', { name: 'Bolt of the first' }).textContent).toBe('M6')
    expect(plate.queryByRole('alert')).toBeNull()
    const move = async (label: string, text: string) => {
      await user.clear(plate.getByRole('textbox', { name: label }))
      await user.type(plate.getByRole('textbox', { name: label }), `${text}{Enter}`)
    }
    const link = () => plate.getByText('Adapter as DXF')
    await move('Second moved along', '30')
    await move('Second moved across', '38')
    expect(plate.getAllByText(/apart: .* or more, or move the second/).length).toBeGreaterThan(0)
    expect(link().getAttribute('aria-disabled')).toBe('true')
    await move('Second moved across', '80')
    expect(plate.queryByText(/apart: /)).toBeNull()
    expect(link().getAttribute('aria-disabled')).toBeNull()
    expect(plate.getByText(/8 holes too small for the table: marked in the file, and drilled/)).toBeTruthy()
    await move('Thickness', '2')
    const read = readFlatDxf('adapter', decodeURIComponent(link().getAttribute('href')!.split(',')[1]!), null)
    // eight holes, each 6.6
    expect(read.drawn!.holes.map((h) => h.diameterMm)).toEqual(Array(8).fill(6.6))
  })

  describe('onto a job', () => {
    const job = demoJobs[0]!
    const answers = {
      '/jobs': { rows: [{ id: 'j1', title: job.title }], total: 1, tally: {} },
      'GET /jobs/j1': { id: 'j1', revision: 7, archived: false, updatedAt: '', job },
      'PUT /jobs/j1': { revision: 8 },
    }
    const put = async (over: Record<string, unknown> = {}) => {
      const { user, pick, calls } = await shown([slide, { ...ear, massKg: 0.4 }], 'slide', 'Ear', METRIC, { ...answers, ...over })
      const plate = within(screen.getByRole('region', { name: 'Adapter between them' }))
      const button = await plate.findByRole('button', { name: 'Add it there' })
      expect(button).toHaveProperty('disabled', true)
      await pick('Put it on a job', job.title)
      await user.click(button)
      return { plate, calls }
    }
    test('it is a piece there: both patterns, their bolts and how they lie, and what the part weighs; the rest of the job is as it was', async () => {
      const { calls } = await put()
      await vi.waitFor(() => expect(calls.some((c) => c.method === 'PUT')).toBe(true))
      const sent = JSON.parse(String(calls.find((c) => c.method === 'PUT')!.body))
      expect(sent.revision).toBe(7)
      expect(sent.job.pieces.slice(0, -1)).toEqual(JSON.parse(JSON.stringify(job.pieces)))
      const piece = sent.job.pieces.at(-1)
      expect([piece.family, piece.on]).toEqual(['brackets', 'p1'])
      expect(piece.params).toMatchObject({ form: 'flat', boltOne: 'M6', boltOther: 'M6', turned: '0', massKg: 0.4, name: 'Ear' })
      expect([piece.params.one.holes, piece.params.other.holes]).toEqual([slide.holes, ear.holes])
    })
    test('changed by somebody in the meantime it is not written over', async () => {
      const { plate } = await put({ 'PUT /jobs/j1': new Refused(409, { faults: [{ where: 'revision', expected: 'the latest' }] }) })
      expect(await plate.findByText('Somebody changed this job just now: press again.')).toBeTruthy()
    })
  })
})
