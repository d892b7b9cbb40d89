import { expect, test } from 'vitest'
import { cutList } from '../cutList/cutList'
import { demoJobs } from '../job/demoJobs'
import { madeAssembly } from '../job/piecesOf'
import type { CutPlan } from '../nesting/planCuts'
import { INCH } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { labelsOf } from './labels'

const plan = { offcuts: [{ profileId: 'round-25x2-steel', lengthMm: 1563, grade: 'clean', count: 2 }] } as unknown as CutPlan

test('every piece that is cut and every flat part has one label, by its mark; every offcut has one; a scan says what it is, with the job and revision', () => {
  for (const job of demoJobs) {
    const a = madeAssembly(job, defaultRules)
    const labels = labelsOf({ title: job.title, revision: 7, units: INCH }, a, plan)
    const marks = [...cutList(a).flatMap((p) => p.marks), ...a.plates.map((p) => p.mark)]
    expect(
      labels
        .filter((l) => l.what === 'part')
        .map((l) => l.mark)
        .sort(),
      job.title,
    ).toEqual(marks.sort())
    expect(labels.filter((l) => l.what === 'offcut').map((l) => l.name)).toEqual(['61 9/16 in', '61 9/16 in'])
    for (const l of labels) {
      expect(l.code.split('\n').slice(0, 3)).toEqual([job.title, 'revision 7', l.mark])
      expect(l.code).not.toMatch(/[{}]|\bmm\b/)
      expect(l.code).toContain(l.name)
    }
  }
})
