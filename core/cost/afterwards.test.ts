import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { pricedPieces } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { afterwards, type TimedStep } from './afterwards'
import { type Quote, quote } from './quote'

const step = (title: string, reckonedMin: number, tookMin: number | null, done = true): TimedStep => ({ title, reckonedMin, tookMin, done })
const line = (name: string, value: number | null) => ({ name, detail: '', figure: { value }, ...(name === 'Labour' ? { work: true } : {}) })
const sold = (metal: number | null): Quote =>
  ({ lines: [line('Bar stock', metal), line('Labour', 90_000), line('Feet', 10_000)], price: { value: 150_000 } }) as unknown as Quote

test('by hand: 1,500 less 400 paid out, over three hours timed, one as reckoned and one still to come, is 220 an hour', () => {
  const steps = [step('cut', 60, 120), step('weld', 60, 60), step('drill', 60, null), step('paint', 60, null, false)]
  const found = afterwards(sold(30_000), steps)!
  expect(found.hours.value).toBe(4)
  expect(found.earnedPerHour.value).toBe(22_000)
  expect([found.timed, found.done, found.left]).toEqual([2, 3, 1])
  expect(found.wentWrong).toEqual([{ title: 'cut', tookMin: 120, reckonedMin: 60 }])
})
test('nothing timed says nothing; metal without a price leaves what was earned unknown, not high', () => {
  expect(afterwards(sold(30_000), [step('cut', 60, null), step('weld', 60, null, false)])).toBeNull()
  const found = afterwards(sold(null), [step('cut', 60, 50)])!
  expect([found.hours.value, found.earnedPerHour.value]).toEqual([50 / 60, null])
})
test('a few minutes over are no fault; the worst stands first', () => {
  const steps = [step('a', 100, 109), step('b', 20, 24), step('c', 20, 30), step('d', 30, 90), step('e', 50, 20)]
  expect(afterwards(sold(30_000), steps)!.wentWrong.map((w) => w.title)).toEqual(['d', 'c'])
})
test('a quote of the demo: its own labour line, and no other, is left out of what was paid', () => {
  const job = demoJobs[0]!
  const plan = { complete: true, costMinor: 12_300, purchases: [], used: [] } as never
  const q = quote(pricedPieces(job, defaultRules), plan, job.brief, defaultRules)!
  const labour = q.lines.find((l) => l.figure.id === 'quote.labour')!
  const found = afterwards(q, [step('all', q.hours * 60, q.hours * 60)])!
  // worked exactly as reckoned, an hour earns the rate and the margin on everything
  expect(found.earnedPerHour.value! * q.hours).toBeCloseTo(q.price.value! - (q.cost.value! - labour.figure.value!), 4)
  expect(found.earnedPerHour.value!).toBeGreaterThan(defaultRules.labourPerHour * 100)
})
