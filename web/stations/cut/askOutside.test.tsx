// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { demoJobs } from '../../../core/job/demoJobs'
import { builtFrom } from '../../../core/job/piecesOf'
import { standInAnswer } from '../../../core/outside/standIns'
import { INCH, METRIC } from '../../../core/quantity/units'
import { defaultRules } from '../../../core/rules/rules'
import { answering, benchJob, mount, onBench, Refused, WithJob } from '../../testing/bench'
import { AskOutside } from './AskOutside'

const guard = demoJobs.find((j) => j.title.startsWith('Half guard'))!
const asked = builtFrom(guard, defaultRules).asked
const shown = (units = METRIC) =>
  mount(<WithJob>{(job) => <AskOutside asked={builtFrom(job, defaultRules).asked} answers={job.outside} />}</WithJob>, units)

describe('asked outside', () => {
  test('asked, read, used and done without: only when it is used does it count, and all along it is said to be simulated', async () => {
    onBench(guard)
    const { calls } = answering({ 'POST /outside': standInAnswer(asked.laser!, '2026-11-30') })
    const { user } = shown()
    expect(screen.getByText(/stand-ins of our own answer here/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Ask the laser service' }))
    const laser = within(screen.getByRole('region', { name: 'Laser service' }))
    expect(await laser.findByText(/counts nowhere until it is used/)).toBeTruthy()
    expect(JSON.parse(String(calls[0]!.body))).toEqual(JSON.parse(JSON.stringify(asked.laser)))
    await user.click(laser.getByRole('button', { name: 'Use what the laser service said' }))
    expect(laser.getByRole('status').textContent).toMatch(/^Simulated answer of 2026-11-30: .*counts in the price and in the days/)
    expect(benchJob().outside).toMatchObject([{ kind: 'laser', used: true, simulated: true }])
    await user.click(laser.getByRole('button', { name: 'Do without the laser service' }))
    expect(benchJob().outside).toMatchObject([{ kind: 'laser', used: false }])
  })
  test('in a job in inches a part too long for the bed is told in inches; without a price it says what that means', () => {
    const longer = { ...asked.laser!, lines: asked.laser!.lines.map((l) => ({ ...l, longMm: 3100 })) }
    onBench({ ...guard, outside: [{ ...standInAnswer(longer, '2026-11-30'), lines: asked.laser!.lines, used: true }] })
    answering({})
    shown(INCH)
    expect(screen.getAllByText(/larger than the bed of 118 1\/8 in × 59 1\/16 in/).length).toBe(asked.laser!.lines.length)
    expect(screen.getByText(/While a line has no price, the job has none/)).toBeTruthy()
  })
  test('asked for another design it is set aside in words; a refusal says why; nothing to ask has no button', async () => {
    const other = { ...standInAnswer({ ...asked.merchant!, lines: asked.merchant!.lines.slice(1) }, '2026-11-01'), used: true }
    onBench({ ...guard, outside: [other] })
    answering({ 'POST /outside': new Refused(400, { faults: [{ where: 'lines', expected: '400 lines at most' }] }) })
    const { user } = shown()
    expect(screen.getByText(/Asked on 2026-11-01 for another design: it counts nowhere/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Ask the laser service' }))
    expect(await screen.findByText(/400 lines at most/)).toBeTruthy()
    await user.click(screen.getByRole('button', { name: 'Do without the steel merchant' }))
    expect(benchJob().outside).toEqual([])
  })
})
