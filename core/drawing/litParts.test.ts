import { expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { wholeOf } from '../pieces/whole'
import { defaultRules } from '../rules/rules'
import { litParts, partsMarked } from './litParts'
import { drawView } from './views'

const job = demoJobs.find((j) => j.title.startsWith('Hoop'))!
const { assembly } = wholeOf(job, defaultRules)
const sheet = drawView('plan', assembly, job.vehicle, job.brief)
const lit = (marks: string[]) => litParts(sheet, partsMarked(assembly, marks), marks).entities

test('a step about two hoops shows those two as they are, with their marks; every other part is faint, and nothing is measured', () => {
  const shown = lit(['HF', 'HR'])
  const drawn = shown.filter((e) => e.layer === 'member').map((e) => e.ref)
  expect(new Set(drawn)).toEqual(partsMarked(assembly, ['HF', 'HR']))
  expect(drawn.length).toBeGreaterThan(1)
  expect(shown.filter((e) => e.kind === 'balloon').map((e) => e.kind === 'balloon' && e.text)).toEqual(expect.arrayContaining(['HF', 'HR']))
  expect(shown.some((e) => e.kind === 'dimension' || e.layer === 'cargo' || e.layer === 'fitting')).toBe(false)
  // nothing of the rack is lost: what is not lit is faint
  const parts = (list: typeof shown) => new Set(list.flatMap((e) => (e.ref && assembly.members.some((m) => m.id === e.ref) ? [e.ref] : [])))
  expect(parts(shown)).toEqual(parts(sheet.entities))
})
test('with many parts their marks stand in the list, not over the picture', () => {
  const marks = assembly.members.map((m) => m.mark)
  expect(marks.length).toBeGreaterThan(8)
  expect(lit(marks).some((e) => e.kind === 'balloon')).toBe(false)
  expect(lit(marks).filter((e) => e.layer === 'member').length).toBeGreaterThan(10)
})
