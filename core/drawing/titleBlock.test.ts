import { expect, test } from 'vitest'
import { emptyAssembly } from '../assembly/assembly'
import { demoJobs } from '../job/demoJobs'
import { builtFrom } from '../job/piecesOf'
import { INCH, METRIC } from '../quantity/units'
import { defaultRules } from '../rules/rules'
import { titleBlock } from './titleBlock'

const guard = demoJobs.find((j) => j.title.startsWith('Half guard'))!
const blockOf = (units = METRIC) =>
  new Map(
    titleBlock({ vehicle: guard.vehicle, ...builtFrom(guard, defaultRules) }, { lengthToleranceMm: 1, angleToleranceDeg: 0.5 }, units).map(
      (f) => [f.name, f.says],
    ),
  )

test('a drawing says its vehicle, every metal and coat of its pieces, its mass and how near its figures are kept, in the units of the job', () => {
  const metric = blockOf()
  expect([metric.get('Vehicle'), metric.get('Drawn'), metric.get('Checked')]).toEqual([guard.vehicle.name, '', ''])
  expect(metric.get('Material')!.split(', ').sort()).toEqual(['Aluminium 5052-H32 sheet', 'Steel S235'])
  expect(metric.get('Not otherwise stated')).toBe('lengths ± 1 mm, angles ± 0.5°')
  expect(blockOf(INCH).get('Not otherwise stated')).toBe('lengths ± 0.039 in, angles ± 0.5°')
  expect(metric.get('Mass')).toMatch(/ kg$/)
  expect(blockOf(INCH).get('Mass')).toMatch(/ lb$/)
})
test('of nothing made neither metal nor coat is made up', () => {
  const fields = titleBlock({ vehicle: { name: 'x' }, assembly: emptyAssembly, pieces: [] }, defaultRules, METRIC)
  expect(fields.filter((f) => f.says === 'none').map((f) => f.name)).toEqual(['Material', 'Finish'])
})
