import { expect, test } from 'vitest'
import { stateOfMeasure } from '../measure/settle'
import { measureOf, measuringSheets } from '../measure/sheets'
import { demoVehicles } from '../vehicle/demoVehicles'
import { MAX_ANSWER_BYTES, readClientAnswers, withClientReadings } from './clientAnswers'

const file = (over: object = {}) =>
  JSON.stringify({
    format: 'tide-line/answers',
    version: 1,
    who: 'Bee keeper',
    at: '2026-11-20T10:00',
    system: 'inch',
    readings: [
      { id: 'roofWidthFrontMm', typed: '59 1/2' },
      { id: 'roof.crown', typed: '20 mm' },
    ],
    ...over,
  })
const half = demoVehicles.find((v) => v.id === 'half-measured-box')!
const quantity = (id: string) => measuringSheets.flatMap((s) => s.quantities).find((q) => q.id === id)!

test('59 1/2 from an inch tape is 1511.3 mm, 20 mm stays 20: both stand as the client’s readings, ± 5', () => {
  const read = readClientAnswers(file())
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  const vehicle = withClientReadings(half, read.value.readings)
  expect(vehicle.roofWidthFrontMm).toMatchObject({ value: 1511.3, method: 'tape', source: 'Bee keeper', tolerance: 5 })
  expect(measureOf(vehicle, quantity('roof.crown')).value).toBe(20)
})

test('a client’s reading that disagrees with the shop’s leaves the shop’s value and is flagged', () => {
  const read = readClientAnswers(file({ system: 'metric', readings: [{ id: 'roofWidthRearMm', typed: '1590' }] }))
  if (!read.ok) throw new Error('not read')
  const vehicle = withClientReadings(half, read.value.readings)
  expect(vehicle.roofWidthRearMm.value).toBe(1560)
  expect(stateOfMeasure(vehicle.roofWidthRearMm)).toBe('conflict')
})

test.each([
  ['a figure nobody can read', { readings: [{ id: 'roofWidthFrontMm', typed: 'about a metre' }] }, /Roof, .*width at the front/],
  ['a figure of no sheet', { readings: [{ id: 'nope', typed: '1' }] }, /nope/],
  ['a photograph that is no base64', { photos: [{ name: 'a', type: 'image/png', base64: '<>' }] }, /photos\[0\]\.base64/],
  ['another file', { format: 'x' }, /format/],
])('%s refuses the whole file and names the place', (_, over, where) => {
  const read = readClientAnswers(file(over))
  expect(read.ok).toBe(false)
  if (!read.ok) expect(read.faults[0].where).toMatch(where)
})

test.each([
  ['metric', '-5', /between 50 mm and 4000 mm/],
  ['inch', '0', /between 1 15\/16 in and 157 1\/2 in/],
  ['inch', '59 ft', /is the unit right/],
])('a width that cannot be, %s “%s”, refuses the file and says in the client’s units what it can be', (system, typed, expected) => {
  const read = readClientAnswers(file({ system, readings: [{ id: 'roofWidthFrontMm', typed }] }))
  expect(read.ok).toBe(false)
  if (!read.ok) expect(read.faults[0]!.expected).toMatch(expected)
})

test('a file over the limit is refused before it is read', () => {
  const read = readClientAnswers(' '.repeat(MAX_ANSWER_BYTES + 1))
  expect(read).toMatchObject({ ok: false, faults: [{ expected: 'a file of 12 MB or less' }] })
})
