import { expect, test } from 'vitest'
import { tickOf } from '../workLog/tick'
import { demoJobs } from './demoJobs'
import { testsOwed } from './testsOwed'

const job = (loadClass: 'light' | 'medium' | 'heavy' | null, ...done: [string, string][]) => ({
  brief: { ...demoJobs[0]!.brief, loadClass },
  built: Object.fromEntries(done.map(([step, on]) => [step, tickOf(on, '')])),
})

test('before anything is built no test is owed; then proof load, road and bolts; shaken too where it is heavy, or nobody said', () => {
  expect(testsOwed(job('heavy'))).toEqual([])
  expect(testsOwed(job('medium', ['cut', '2026-11-20'])).map((t) => t.split(':')[0])).toEqual([
    'Proof load',
    'Road test',
    'Bolts tightened again',
  ])
  for (const cls of ['heavy', null] as const) expect(testsOwed(job(cls, ['cut', '2026-11-20']))[0]).toBe('Shaken by hand: not done yet')
})
test('driven on the 20th the bolts are due on the 27th; all signed nothing is owed', () => {
  expect(testsOwed(job('light', ['load-test', '2026-11-19'], ['road', '2026-11-20']))).toEqual([
    'Bolts tightened again: not done yet, due 2026-11-27',
  ])
  expect(testsOwed(job('light', ['load-test', '2026-11-19'], ['road', '2026-11-20'], ['recheck', '2026-11-28']))).toEqual([])
})
