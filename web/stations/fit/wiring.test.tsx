// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { demoJobs } from '../../../core/job/demoJobs'
import { INCH } from '../../../core/quantity/units'
import { answering, benchJob, mount, onBench, WithJob } from '../../testing/bench'
import { Wiring } from './Wiring'

const basket = demoJobs.find((j) => j.title.startsWith('Hoop'))!
const wiring = (units = basket.units) => mount(<WithJob>{(job) => <Wiring job={job} />}</WithJob>, units)

test('the lamps of the basket: conductor, fuse, drop and grommets; without its power nothing is said but what is missing', async () => {
  answering({})
  onBench(basket)
  const { user } = wiring()
  const run = screen.getByRole('region', { name: 'Four lamps' })
  expect(within(run).getByRole('status').textContent).toMatch(
    /^Conductor6 mm² of copperFuse at the source15 ACable\d+ mmCurrent9 ALost on the way0\.28\d VGrommets2$/,
  )
  await user.click(within(run).getByRole('button', { name: /^Conductor: show the working/ }))
  expect(await screen.findByText('trusted to a square millimetre')).toBeTruthy()
  await user.keyboard('{Escape}')
  const power = within(run).getByRole('textbox', { name: 'Power, W' })
  await user.clear(power)
  await user.tab()
  expect(within(run).getByRole('status').textContent).toBe('Not assessed. Missing: power of Four lamps.')
})
test('a run more in inches: asked for what it lacks, taken away again', async () => {
  answering({})
  onBench({ ...basket, wiring: [] })
  const { user } = wiring(INCH)
  await user.click(screen.getByRole('button', { name: 'Add a run' }))
  const run = screen.getByRole('region', { name: 'Run 1' })
  const type = async (label: string, text: string) => {
    const field = within(run).getByRole('textbox', { name: label })
    await user.clear(field)
    await user.type(field, `${text}{Enter}`)
  }
  await type('Power, W', '60')
  await type('From there to the source', '100')
  expect(benchJob().wiring).toMatchObject([{ powerW: 60, restMm: 2540 }])
  expect(within(run).getByRole('status').textContent).toMatch(/Cable115 inCurrent5 A/)
  await user.click(within(run).getByRole('button', { name: 'Remove Run 1' }))
  expect(benchJob().wiring).toEqual([])
})
