import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { madeAssembly } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { holePlaces } from './holes'
import { holesAlong } from './holesAlong'

describe('where parts are drilled, along them', () => {
  test('every place that is drilled in a member stands at its mark once, in order from the first end, and on the member', () => {
    let told = 0
    for (const job of demoJobs) {
      const a = madeAssembly(job, defaultRules)
      const along = holesAlong(a, job.vehicle, defaultRules)
      for (const place of holePlaces(a, job.vehicle, defaultRules))
        for (const l of place.layers) {
          if (!a.members.some((m) => m.id === l.part)) continue
          told++
          const at = along
            .get(l.mark)!
            .find((h) => (h.atMm === null ? l.atMm === null : l.atMm !== null && Math.abs(h.atMm - l.atMm) < 0.06))
          expect([at?.count, at?.apartMm], `${job.title} ${l.mark}`).toEqual([place.count, place.count > 1 ? place.apartMm : null])
        }
      for (const list of along.values()) {
        const known = list.flatMap((h) => h.atMm ?? [])
        expect(known).toEqual([...known].sort((x, y) => x - y))
      }
    }
    expect(told).toBeGreaterThan(0)
  })
})
