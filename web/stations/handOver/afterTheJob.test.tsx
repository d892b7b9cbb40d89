// @vitest-environment jsdom
import { screen, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import type { Quote } from '../../../core/cost/quote'
import { demoJobs } from '../../../core/job/demoJobs'
import { demoShop } from '../../../core/shop/shop'
import { tickOf } from '../../../core/workLog/tick'
import { answering, mount, onBench } from '../../testing/bench'
import { AfterTheJob } from './AfterTheJob'

const spar = demoJobs.find((j) => j.title === 'Spar carrier')!
const line = (name: string, value: number) => ({ name, detail: '', figure: { value }, ...(name === 'Labour' ? { work: true } : {}) })
const quote = { lines: [line('Bar stock', 20_000), line('Labour', 90_000)], price: { value: 150_000 } } as unknown as Quote
const shop = { 'GET /shelves/shop': { revision: 1, document: demoShop } }

test('what was timed is told with what is still to come, and the step that took far longer is named', async () => {
  answering(shop)
  const built = { buy: tickOf('2026-11-20', ''), cut: tickOf('2026-11-21', '', { tookMin: 300, reckonedMin: 20 }) }
  const job = onBench({ ...spar, built })
  mount(<AfterTheJob job={job} quote={quote} />)
  const told = await screen.findByRole('region', { name: 'What the work came to' })
  expect(within(told).getByRole('heading').textContent).toBe('What the work came to so far')
  expect(told.textContent).toMatch(/1 of 2 steps timed, the others as reckoned; \d+ still to come/)
  expect(within(told).getByRole('listitem').textContent).toBe('Cut to length: 300 min, reckoned at 20')
})
test('nothing timed: nothing is told', async () => {
  answering(shop)
  const job = onBench({ ...spar, built: { buy: tickOf('2026-11-20', '') } })
  const { container } = mount(<AfterTheJob job={job} quote={quote} />)
  await new Promise((resolve) => setTimeout(resolve, 50))
  expect(container.textContent).toBe('')
})
