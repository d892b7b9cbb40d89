import { afterEach, describe, expect, test } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import { barNestingExample } from '../../core/nesting/barNesting'
import { defaultRules } from '../../core/rules/rules'
import { openWorkshop, type Workshop } from './workshop'

let shop: Workshop
afterEach(() => shop.close())
const MS = 60_000
/** Twenty seconds of searching, unless it is stopped. */
const long = {
  kind: 'calculate' as const,
  name: 'bar-nesting',
  given: {
    ...barNestingExample,
    parts: Array.from({ length: 60 }, (_, i) => ({ id: `p${i}`, length: 301.7 + 17.3 * i, quantity: 7 })),
    timeLimitMs: 20_000,
  },
}
const quick = { kind: 'calculate' as const, name: 'fraction', given: { text: '61 5/8' } }
const judge = { kind: 'judge' as const, job: demoJobs[0], rules: defaultRules }

describe('the threads beside the server', () => {
  test(
    'while a search runs, what is quick does not wait for it',
    async () => {
      shop = openWorkshop()
      const stopped = new AbortController()
      const search = shop.run(long, { signal: stopped.signal })!.catch((e: Error) => e.name)
      const started = performance.now()
      expect(await shop.run(quick)).toMatchObject({ ok: true })
      expect((await shop.run(judge))!.pieces.length).toBeGreaterThan(2)
      expect(performance.now() - started).toBeLessThan(15_000)
      stopped.abort()
      expect(await search).toBe('AbortError')
    },
    MS,
  )
  test(
    'a search whose asker goes away frees the thread for the next; one still waiting is taken out of the queue',
    async () => {
      shop = openWorkshop()
      const [first, second] = [new AbortController(), new AbortController()]
      const running = shop.run(long, { signal: first.signal })!.catch((e: Error) => e.name)
      const waiting = shop.run(long, { signal: second.signal })!.catch((e: Error) => e.name)
      second.abort()
      expect(await waiting).toBe('AbortError')
      const third = shop.run({ ...long, given: { ...barNestingExample, timeLimitMs: 300 } })!
      first.abort()
      expect([await running, (await third).ok]).toEqual(['AbortError', true])
      // one that nobody waits for from the start is not begun
      expect(await shop.run(quick, { signal: AbortSignal.abort() })!.catch((e: Error) => e.name)).toBe('AbortError')
    },
    MS,
  )
  test(
    'a task that fails fails alone',
    async () => {
      shop = openWorkshop()
      const bad = shop.run({ kind: 'verdict', document: '{"format":"rust"}', rules: {}, accepted: null })!.catch((e: Error) => e.message)
      const worse = shop.run({ kind: 'verdict', document: '{', rules: {}, accepted: null })!.catch((e: Error) => e.message)
      const good = shop.run({ kind: 'verdict', document: JSON.stringify(demoJobs[0]), rules: {}, accepted: null })!
      expect(await bad).toContain('format')
      expect(await worse).toContain('JSON')
      expect((await good).governing).toContain(':')
    },
    MS,
  )
  test(
    'who waits in front of the screen comes before what nobody waits for',
    async () => {
      shop = openWorkshop()
      const order: string[] = []
      const run = (name: string, turn: 'person' | 'background') => shop.run(judge, { turn })!.then(() => order.push(name))
      await Promise.all([run('first', 'background'), run('behind', 'background'), run('behind too', 'background'), run('person', 'person')])
      expect(order).toEqual(['first', 'person', 'behind', 'behind too'])
    },
    MS,
  )
  test(
    'when too much waits already, it is said at once',
    async () => {
      shop = openWorkshop()
      const running = Array.from({ length: 101 }, () => shop.run(quick)!.catch(() => null))
      expect(shop.run(quick)).toBeNull()
      await shop.close()
      void running
    },
    MS,
  )
})
