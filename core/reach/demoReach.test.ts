import RAPIER from '@dimforge/rapier3d-compat'
import { beforeAll, describe, expect, test } from 'vitest'
import { fitGiven } from '../fit/fit'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { defaultRules } from '../rules/rules'
import { rapierKit } from '../touch/kit'
import { takeApart } from './takeApart'

beforeAll(() => RAPIER.init())

describe('the demo’s jobs', () => {
  test('every bolt is reached and every weld too; what is screwed inside the chest with its lid open, and the seam of a panel on the bench', () => {
    for (const job of demoJobs) {
      const kit = rapierKit(RAPIER)
      const found = takeApart(fitGiven(job, evaluate(job, defaultRules), defaultRules), kit)
      kit.close()
      expect(
        found.bolts
          .filter((b) => b.when !== 'fitted')
          .map((b) => b.name.replace(/ [A-Z0-9-]+\b/g, ''))
          .every((n) => /latch|piano hinge|bolts of foot$|panel, first part$/.test(n)),
      ).toBe(true)
      expect(found.welds.filter((w) => w.when !== 'tacked')).toEqual([])
    }
  })
})
