import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { drawMeasuringSheet } from '../drawing/measuringSheet'
import { readVehicleFile, writeVehicleFile } from '../exchange/vehicleFile'
import { demoJobs } from '../job/demoJobs'
import { mergeChanges } from '../job/merge'
import { neededBeforeCutting } from '../places/neededBeforeCutting'
import { METRIC } from '../quantity/units'
import { copyToMeasure } from '../reuse/copyToMeasure'
import { demoVehicles } from '../vehicle/demoVehicles'
import { type Reading, sourcedValue, unknownValue, type Vehicle } from '../vehicle/vehicle'
import { axlesFromPads, readDeviceLine } from './deviceLine'
import { findings } from './findings'
import { chooseReading, measureLater, stateOfMeasure, toMeasureAgain, withoutReading, withReading } from './settle'
import { letterOf, measureOf, measuringSheets, quantityOf, withMeasure } from './sheets'

const tape = (value: number, typed = `${value}`): Reading => ({
  value,
  typed,
  tolerance: 2,
  method: 'tape',
  who: 'Odde',
  at: '2026-11-24T09:00',
})
const bed = measuringSheets.find((s) => s.id === 'bed')!
const pickup = demoVehicles[1]
const measured = (values: Record<string, number>): Vehicle =>
  Object.entries(values).reduce((v, [id, n]) => withMeasure(v, quantityOf(id)!, sourcedValue(n, 'tape', '', '', 2)), {
    ...pickup,
    measures: {},
  } as Vehicle)

describe('readings of one quantity', () => {
  test('first 1565, then 1567: both stand, the value is their mean', () => {
    const s = withReading(withReading(unknownValue, tape(1565)), tape(1567))
    expect([s.value, stateOfMeasure(s)]).toEqual([1566, 'repeated'])
  })
  test('then 1581 disagrees: flagged, the value stays, until one is chosen with a reason', () => {
    const s = withReading(withReading(unknownValue, tape(1565)), tape(1581, '62 1/4"'))
    expect([s.value, stateOfMeasure(s)]).toEqual([1565, 'conflict'])
    const chosen = chooseReading(s, 1, 'first one was taken from the seam')
    expect([chosen.value, stateOfMeasure(chosen), chosen.readings.length]).toEqual([1581, 'repeated', 2])
    expect(stateOfMeasure(withReading(chosen, tape(1500)))).toBe('conflict') // a new reading opens the question again
    expect([withoutReading(s, 1).value, stateOfMeasure(withoutReading(s, 1))]).toEqual([1565, 'single'])
  })
  test('a maker’s figure counts as the first reading: a tape that disagrees by 30 is flagged', () =>
    expect(stateOfMeasure(withReading(sourcedValue(3660, 'maker'), tape(3690)))).toBe('conflict'))
  test('an assumption gives way to the first reading; a copy for another vehicle is assumptions all through', () => {
    expect(withReading(sourcedValue(1500, 'assumed'), tape(1565))).toMatchObject({ value: 1565, method: 'tape' })
    expect(toMeasureAgain(sourcedValue(1500, 'tape'), 'Tall long van')).toMatchObject({
      value: 1500,
      method: 'assumed',
      source: 'like Tall long van',
    })
    expect(stateOfMeasure(measureLater('after the feet are on'))).toBe('later')
  })
})

describe('the sheets', () => {
  test.each(measuringSheets.map((s) => [s.title, s] as const))(
    '%s: every quantity once, a letter each, drawn, and stored where it is read',
    (_, sheet) => {
      expect(new Set(sheet.quantities.map((q) => letterOf(sheet, q.id))).size).toBe(sheet.quantities.length)
      const refs = new Set(drawMeasuringSheet(sheet, pickup, METRIC).entities.map((e) => e.ref))
      for (const q of sheet.quantities) {
        expect(refs.has(q.id)).toBe(true)
        expect(measureOf(withMeasure(pickup, q, sourcedValue(7, 'tape')), q).value).toBe(7)
      }
    },
  )
  test('no id is used on two sheets', () => {
    const ids = measuringSheets.flatMap((s) => s.quantities.map((q) => q.id))
    expect(new Set(ids).size).toBe(ids.length)
  })
  test('a bed 1240 behind and 1280 in front is said to be narrower at the rear', () =>
    expect(findings(measured({ 'bed.length': 1500, 'bed.widthRear': 1240, 'bed.widthFront': 1280 }), bed)[0]).toMatchObject({
      kind: 'note',
      text: expect.stringContaining('narrower at the rear, {40} in all'),
    }))
  test('arches 400 + 650 + 440 against a length of 1520: 30 missing, take the length again first', () => {
    const found = findings(measured({ 'bed.length': 1520, 'bed.archToRear': 400, 'bed.archLength': 650, 'bed.archFromFront': 440 }), bed)
    expect(found).toHaveLength(1)
    expect(found[0]).toMatchObject({
      kind: 'contradiction',
      about: ['bed.length', 'bed.archToRear', 'bed.archLength', 'bed.archFromFront'],
    })
    expect(found[0].text).toContain('{30} is missing')
  })
  test('61 5/8 in and 1581 mm for one width are named as two units that disagree', () => {
    const width = quantityOf('bed.widthRear')!
    const v = withMeasure(pickup, width, withReading(withReading(unknownValue, tape(1565.275, '61 5/8')), tape(1581, '1581 mm')))
    expect(findings(v, bed)[0].text).toContain('in two units differ by {15.7}')
  })
  test('the finder says 6°, the offsets say 9.9°: the finder is to be read again', () => {
    const cab = measuringSheets.find((s) => s.id === 'cab-back')!
    const v = measured({ 'cab.lowerHeight': 900, 'cab.lowerOffset': 42, 'cab.upperHeight': 1500, 'cab.upperOffset': 147, 'cab.lean': 6 })
    expect(findings(v, cab)[0]).toMatchObject({ kind: 'contradiction', about: ['cab.lean', 'cab.upperOffset'] })
  })
  test('no figures at all, negative ones, a width of zero: nothing throws', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.constantFrom(...bed.quantities.map((q) => q.id)), fc.integer({ min: -500, max: 3000 })), (values) => {
        for (const f of findings(measured(values), bed)) expect(f.text).not.toContain('NaN')
      }),
    )
  })
})

describe('two people on one job', () => {
  const base = demoJobs[0]
  const measuredBy = (id: string, reading: Reading) => ({
    ...base,
    vehicle: withMeasure(base.vehicle, quantityOf(id)!, withReading(measureOf(base.vehicle, quantityOf(id)!), reading)),
  })
  test('one measures the roof, the other the doors: both are kept', () => {
    const { merged, clashes } = mergeChanges(
      base,
      measuredBy('sides.slidingRailHeight', tape(22)),
      measuredBy('sides.doorHingeX', tape(910)),
    )
    expect(clashes).toEqual([])
    const { measures } = (merged as typeof base).vehicle
    expect([measures['sides.slidingRailHeight'].value, measures['sides.doorHingeX'].value]).toEqual([22, 910])
  })
  test('both take the same length: both readings are kept; a title changed twice must be asked', () => {
    const merge = mergeChanges(base, measuredBy('wheelbaseMm', tape(3661)), measuredBy('wheelbaseMm', tape(3690)))
    const { readings } = (merge.merged as typeof base).vehicle.wheelbaseMm
    expect([readings.map((r) => r.value).sort(), merge.clashes]).toEqual([[3660, 3661, 3690], []])
    expect(stateOfMeasure((merge.merged as typeof base).vehicle.wheelbaseMm)).toBe('conflict')
    expect(mergeChanges(base, { ...base, title: 'a' }, { ...base, title: 'b' }).clashes).toEqual(['title'])
  })
  test('one moves a load, the other adds one: both stay; unchanged documents merge to themselves', () => {
    const moved = { ...base, brief: { ...base.brief, cargo: base.brief.cargo.map((c, i) => (i ? c : { ...c, xMm: 1234 })) } }
    const added = { ...base, brief: { ...base.brief, cargo: [...base.brief.cargo, { ...base.brief.cargo[0], id: 'new' }] } }
    const { merged, clashes } = mergeChanges(base, moved, added)
    expect([clashes, (merged as typeof base).brief.cargo.map((c) => c.id), (merged as typeof base).brief.cargo[0].xMm]).toEqual([
      [],
      ['sampling-poles', 'equipment-case', 'side-awning', 'new'],
      1234,
    ])
    expect(mergeChanges(base, base, base).merged).toBe(base)
  })
})

test('the yard: no demo vehicle contradicts itself, the pickup’s bed is narrower at the rear, the half-measured one says what is needed', () => {
  for (const v of demoVehicles)
    for (const s of measuringSheets) expect(findings(v, s).filter((f) => f.kind === 'contradiction')).toEqual([])
  expect(findings(demoVehicles[1], bed).map((f) => f.text)).toContainEqual(expect.stringContaining('narrower at the rear, {41} in all'))
  expect(neededBeforeCutting(demoVehicles[0])).toEqual([])
  const half = demoVehicles.find((v) => v.id === 'half-measured-box')!
  expect(
    neededBeforeCutting(half)
      .map((n) => n.id)
      .sort(),
  ).toEqual(['roofToXMm', 'roofWidthFrontMm'])
})

test('a vehicle file comes back equal; a copy to measure keeps ratings and assumes the rest', () => {
  for (const v of demoVehicles) expect(readVehicleFile(writeVehicleFile(v))).toEqual({ ok: true, value: v })
  const copy = copyToMeasure(demoVehicles[0], 'x', 'Another van')
  expect([copy.wheelbaseMm.method, copy.wheelbaseMm.value, copy.roofMovingKg.method]).toEqual(['assumed', 3660, 'maker'])
  expect(neededBeforeCutting(copy).length).toBeGreaterThan(3)
  expect(readVehicleFile('{"format":"tide-line/vehicle","version":1,"vehicle":{"id":"a"}}').ok).toBe(false)
})

describe('devices', () => {
  test.each([
    ['tape;1565.3;mm', 1565.3],
    ['tape;61.625;in', 1565.275],
    ['tape;1.57;m', 1570],
  ])('%s is %d mm', (line, mm) => {
    const read = readDeviceLine(line)
    expect(read.ok && read.reading.device === 'tape' && read.reading.lengthMm).toBeCloseTo(mm, 6)
  })
  test.each([
    'tape;ERR-07',
    '####',
    'tape;1565',
    'tape;61.6;furlong',
    'angle;999;deg',
    'tape;-5;mm',
    'pad-XX;5;kg',
    '',
    'tape;1e9;mm',
    'tape;99999999;mm',
  ])('“%s” fills nothing and says why', (line) => {
    const read = readDeviceLine(line)
    expect(read.ok).toBe(false)
    if (!read.ok) expect(read.message.length).toBeGreaterThan(20)
  })
  test('pads: 592 + 588 in front; an axle with one silent pad stays unknown', () => {
    expect(axlesFromPads({ FL: 592, FR: 588, RL: 480 })).toEqual({ frontKg: 1180, rearKg: null })
  })
  test('no line at all makes the reader throw', () => {
    fc.assert(
      fc.property(fc.string(), (line) => {
        expect(readDeviceLine(line).ok).toBe(false)
      }),
    )
  })
})
