import request from 'supertest'
import { afterEach, expect, test, vi } from 'vitest'
import { waysAhead } from '../../core/schedule/catchUp'
import { chainOf, whyLate } from '../../core/schedule/chain'
import { lateBy, schedule } from '../../core/schedule/schedule'
import type { DaysAnswer } from '../../core/shopWork/daysAnswer'
import { createApp } from '../app'
import { openStore } from '../keeping/openStore'
import { openWorkshop } from '../workshop/workshop'
import { fillDemo } from './fillDemo'

afterEach(() => vi.useRealTimers())

// the demonstration is opened on any day: what it tells must not hang on which
test.each(['2026-11-30', '2026-12-01', '2026-12-02', '2026-12-03', '2026-12-04', '2026-12-05', '2026-12-06', '2027-03-29'])(
  'opened on %s the spar carrier is late, its coat is why, and something would help',
  async (day) => {
    vi.useFakeTimers({ toFake: ['Date'], now: new Date(`${day}T09:00:00`) })
    const db = await openStore(':memory:')
    const workshop = openWorkshop()
    try {
      await fillDemo(db, new Date())
      const app = createApp({ db, workshop, webFolder: null, log: () => undefined })
      const answer: DaysAnswer = (await request(app).get('/api/shop/days').expect(200)).body
      const given = { ...answer, wet: new Set(answer.wet) }
      const found = schedule(given)
      const at = answer.jobs.findIndex((j) => j.title === 'Spar carrier')
      expect(lateBy(found.jobs[at]!.handOverOn, answer.jobs[at]!.due)).toBeGreaterThan(0)
      expect(whyLate(chainOf(answer.jobs[at]!.id, given, found), 'Spar carrier', given).join('; ')).toMatch(
        /“Powder coat” takes .* days with its waiting/,
      )
      expect(
        waysAhead(given, found, answer.jobs[at]!.id)
          .map((w) => w.says)
          .join(),
      ).toMatch(/“Powder coat”: ask for [12] days? instead of 5/)
    } finally {
      await workshop.close()
      await db.destroy()
    }
  },
)
