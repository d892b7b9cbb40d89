// @vitest-environment jsdom
import { screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test, vi } from 'vitest'
import { demoJobs } from '../../../core/job/demoJobs'
import { INCH } from '../../../core/quantity/units'
import { answering, benchJob, mount, onBench } from '../../testing/bench'
import BriefStation from './BriefStation'

vi.mock('../../drawing/DrawingPane', async (real) => ({ ...(await real<object>()), DrawingPane: () => null }))
vi.mock('../../limits/TideGauge', () => ({ TideGauge: () => null }))
const [survey] = demoJobs
const shown = (job = survey, units = survey.units) => {
  answering({})
  onBench(job)
  return mount(<BriefStation />, units)
}
const retype = async (user: ReturnType<typeof mount>['user'], field: HTMLElement, text: string) => {
  await user.clear(field)
  if (text) await user.paste(text)
  await user.keyboard('{Enter}')
}
const empty = { ...survey, brief: { ...survey.brief, cargo: [], passages: [] } }

describe('what will be carried', () => {
  test('from the catalogue, with its own rules, at a free place; a second one where the first leaves room', async () => {
    const { user } = shown(empty)
    expect(screen.getByText(/Add the first thing the client wants to carry/)).toBeTruthy()
    const pick = async () => {
      await user.click(screen.getByRole('combobox', { name: 'Add from the catalogue' }))
      await user.click(await screen.findByRole('option', { name: /Cargo box, loaded/ }))
    }
    await pick()
    await pick()
    const [first, second] = benchJob().brief.cargo
    expect(first).toMatchObject({
      name: 'Cargo box, loaded',
      massKg: { least: 50, most: 75 },
      maxOverhangMm: 500,
      ruleSource: "maker's sheet",
    })
    // two boxes of 800 do not lie side by side on a roof of 1580: the second stands before or behind the first
    expect(Math.abs(first.xMm - second.xMm)).toBeGreaterThanOrEqual(first.lengthMm)
    expect(second.id).not.toBe(first.id)
  })
  test('one more of the same has its figures, a number, a place of its own and no straps of the first', async () => {
    const { user } = shown()
    const first = benchJob().brief.cargo[1]
    await user.click(screen.getByRole('button', { name: 'One more of Equipment case' }))
    await user.click(screen.getByRole('button', { name: 'One more of Equipment case 2' }))
    const [second, third] = benchJob().brief.cargo.slice(-2)
    expect([second.name, third.name]).toEqual(['Equipment case 2', 'Equipment case 3'])
    expect(new Set(benchJob().brief.cargo.map((c) => c.id)).size).toBe(benchJob().brief.cargo.length)
    expect(second).toMatchObject({ massKg: first.massKg, lengthMm: first.lengthMm, maxOverhangMm: first.maxOverhangMm, securing: null })
    expect([second.xMm, second.yMm]).not.toEqual([first.xMm, first.yMm])
  })
  test('opened while parked, it is asked how: to which side, how far and high, in which wind; cleared it is unknown again, and unsaid it is gone', async () => {
    const { user } = shown(empty, INCH)
    await user.click(screen.getByRole('combobox', { name: 'Add from the catalogue' }))
    await user.click(await screen.findByRole('option', { name: /Fold-out roof tent/ }))
    const card = within(screen.getByRole('article', { name: 'Fold-out roof tent' }))
    expect(card.queryByRole('textbox', { name: 'Reaches out' })).toBeNull()
    const side = async (name: string) => {
      await user.click(card.getByRole('combobox', { name: 'Opens out to' }))
      await user.click(await screen.findByRole('option', { name }))
    }
    await side('left')
    await retype(user, card.getByRole('textbox', { name: 'Reaches out' }), '51 1/4')
    await retype(user, card.getByRole('textbox', { name: 'Open, high' }), '43')
    await retype(user, card.getByRole('textbox', { name: 'Stands wind to' }), '35')
    const openAs = () => benchJob().brief.cargo[0]!.openAs
    expect(openAs()).toMatchObject({ to: 'left', reachMm: 51.25 * 25.4, highMm: 43 * 25.4 })
    expect(openAs()!.windRatedKmh).toBeCloseTo(35 * 1.609344, 3)
    await retype(user, card.getByRole('textbox', { name: 'Open, high' }), '')
    await side('rear')
    expect(openAs()).toMatchObject({ to: 'rear', reachMm: 51.25 * 25.4, highMm: null })
    await side('nobody said')
    expect(openAs()).toBeUndefined()
  })
  test('typed anew its mass and rules are unknown until somebody says them', async () => {
    const { user } = shown(empty)
    await user.click(screen.getByRole('button', { name: 'Type a new item' }))
    expect(benchJob().brief.cargo[0]).toMatchObject({ massKg: null, massBasis: 'unknown', maxOverhangMm: null, maxSpanMm: null })
    const card = within(screen.getByRole('article', { name: 'New item' }))
    await retype(user, card.getByRole('textbox', { name: 'Mass, greatest' }), '30')
    expect(benchJob().brief.cargo[0]).toMatchObject({ massKg: { least: 30, most: 30 }, massBasis: 'estimated' })
    await retype(user, card.getByRole('textbox', { name: 'Mass, least' }), '24')
    expect(benchJob().brief.cargo[0].massKg).toEqual({ least: 24, most: 30 })
  })
  test('a least above the greatest is refused at its field and changes nothing; called unknown the mass is gone', async () => {
    const { user } = shown()
    const card = within(screen.getByRole('article', { name: 'Equipment case' }))
    await retype(user, card.getByRole('textbox', { name: 'Mass, least' }), '50')
    expect(card.getByText('use 42 kg or less')).toBeTruthy()
    expect(benchJob().brief.cargo[1].massKg).toEqual({ least: 42, most: 42 })
    await user.click(card.getByRole('combobox', { name: 'Known how' }))
    await user.click(screen.getByRole('option', { name: 'unknown' }))
    expect(benchJob().brief.cargo[1]).toMatchObject({ massKg: null, massBasis: 'unknown' })
  })
  test('size, rules, when it counts and where the rule comes from are each kept; removed it is gone', async () => {
    const { user } = shown()
    const card = within(screen.getByRole('article', { name: 'Equipment case' }))
    for (const [name, text] of [
      ['Length', '1250'],
      ['Free overhang, most', ''],
      ['Span, most', '900'],
    ])
      await retype(user, card.getByRole('textbox', { name }), text)
    await user.click(card.getByRole('combobox', { name: 'Counts when' }))
    await user.click(screen.getByRole('option', { name: 'both' }))
    expect(benchJob().brief.cargo[1]).toMatchObject({ lengthMm: 1250, maxOverhangMm: null, maxSpanMm: 900, counts: 'both' })
    await user.click(card.getByRole('button', { name: 'Remove Equipment case' }))
    expect(benchJob().brief.cargo.map((c) => c.name)).not.toContain('Equipment case')
  })
  test('in inches a length typed with a fraction is kept as it is in millimetres', async () => {
    const { user } = shown(survey, INCH)
    const card = within(screen.getByRole('article', { name: 'Equipment case' }))
    await retype(user, card.getByRole('textbox', { name: 'Length' }), '48 1/2')
    expect(benchJob().brief.cargo[1].lengthMm).toBeCloseTo(48.5 * 25.4, 9)
  })
})

describe('how it is used and what it must pass under', () => {
  test('class, roads, speed, people and snow are asked once and stand in the brief', async () => {
    const { user } = shown()
    await user.click(screen.getByRole('combobox', { name: 'Load class agreed' }))
    await user.click(screen.getByRole('option', { name: /Heavy, to 300 kg/ }))
    await user.click(screen.getByRole('combobox', { name: 'Roads' }))
    await user.click(screen.getByRole('option', { name: 'Road' }))
    await retype(user, screen.getByRole('textbox', { name: 'Speed with the load on' }), '')
    await retype(user, screen.getByRole('textbox', { name: /Snow or water/ }), '40')
    await user.click(screen.getByRole('switch', { name: 'Someone stands on it when parked' }))
    await user.click(screen.getByRole('switch', { name: /Someone climbs up/ }))
    expect(benchJob().brief).toMatchObject({
      loadClass: 'heavy',
      road: 'road',
      speedKmh: null,
      snowKgM2: 40,
      someoneStands: true,
      someoneClimbs: true,
    })
  })
  test('passages are added with a height that nobody knows yet, and taken away', async () => {
    const { user } = shown(empty)
    await user.click(screen.getByRole('button', { name: 'Add' }))
    expect(benchJob().brief.passages).toEqual([{ name: '', heightMm: null }])
    await retype(user, screen.getByRole('textbox', { name: 'What' }), 'boathouse door')
    await user.tab()
    await retype(user, screen.getByRole('textbox', { name: 'Clear height' }), '3.25 m')
    expect(benchJob().brief.passages).toEqual([{ name: 'boathouse door', heightMm: 3250 }])
    await user.click(screen.getByRole('button', { name: 'Remove boathouse door' }))
    expect(benchJob().brief.passages).toEqual([])
  })
  test('budget and the price of a ready-made one are kept in hundredths; emptied they are none', async () => {
    const { user } = shown()
    await retype(user, screen.getByRole('textbox', { name: 'Budget' }), '1234.5')
    await waitFor(() => expect(benchJob().brief.budgetMinor).toBe(123_450))
    await retype(user, screen.getByRole('textbox', { name: 'Price of a ready-made one' }), '')
    expect(benchJob().brief.readyMadeMinor).toBeNull()
  })
})

describe('what is often forgotten', () => {
  test('asked, answered in the client’s words, open until it is settled, and taken back by pressing the answer again', async () => {
    const { user } = shown({ ...survey, brief: { ...survey.brief, asked: {} } })
    const list = within(screen.getByRole('region', { name: 'Often forgotten' }))
    expect(list.getByRole('status').textContent).toBe('12 of 12 not asked yet')
    const row = () => within(list.getByText('Must it lock, and with which keys?').closest('li')!)
    await user.click(row().getByRole('button', { name: 'Yes' }))
    await user.type(row().getByLabelText('In the client’s words'), 'One key for all boxes')
    await user.tab()
    expect(benchJob().brief.asked.locks).toEqual({ answer: 'yes', note: 'One key for all boxes', settled: false })
    expect(row().getByText(/Open until there is locks and their key numbers/)).toBeTruthy()
    await user.click(row().getByLabelText('Settled'))
    expect(benchJob().brief.asked.locks?.settled).toBe(true)
    expect(row().queryByText(/Open until/)).toBeNull()
    await user.click(row().getByRole('button', { name: 'Yes' }))
    expect(benchJob().brief.asked.locks).toBeUndefined()
    await user.click(row().getByRole('button', { name: 'No' }))
    expect(list.getByRole('status').textContent).toBe('11 of 12 not asked yet')
  })
})
