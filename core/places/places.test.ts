import { describe, expect, test } from 'vitest'
import { crewCab } from '../vehicle/demoCrewCab'
import { sourcedValue, type Vehicle } from '../vehicle/vehicle'
import { alongPlace, placeOf, placesOf, ratedAt } from './places'
import { vehicleSupports } from './vehicleSupports'

const pickup = crewCab()
const taped = (value: number) => sourcedValue(value, 'tape', 'in the yard', '2026-10-14', 2)
const measured = (more: Record<string, number>): Vehicle => ({
  ...pickup,
  measures: { ...pickup.measures, ...Object.fromEntries(Object.entries(more).map(([id, v]) => [id, taped(v)])) },
})
const without = (id: string): Vehicle => {
  const { [id]: _, ...measures } = pickup.measures
  return { ...pickup, measures }
}
const wanting = (v: Vehicle, name: string) => placesOf(v).wanting.find((w) => w.name === name)?.lacks

describe('a bed that was measured is a bed to stand on', () => {
  test('by hand: 1406 inside at the rear and 1447 at the front, a rail of 62: the middle of the rail is (1406 + 62)/2 = 734 and 754.5 off the middle', () => {
    const left = placeOf(pickup, 'bed.rail', 'left')!
    expect([left.from, left.to]).toEqual([
      { x: 770 - 1552, y: 734, z: 1040 },
      { x: 770, y: 754.5, z: 1040 },
    ])
    expect([left.bodyId, left.normal, left.kind]).toEqual(['bed', { x: 0, y: 0, z: 1 }, 'bed rail'])
  })
  test('the right one is its mirror', () => {
    const [left, right] = [placeOf(pickup, 'bed.rail', 'left')!, placeOf(pickup, 'bed.rail', 'right')!]
    expect(right.from).toEqual({ ...left.from, y: -left.from.y })
    expect(right.to).toEqual({ ...left.to, y: -left.to.y })
  })
  test('measured over the rails outside, that counts before the inside: (1530 − 62)/2 = 734', () =>
    expect(placeOf(measured({ 'bed.outsideRear': 1530 }), 'bed.rail')!.from.y).toBe(734))
  test('its floor lies the wall below the rail, 60 inside the arches', () => {
    const floor = placeOf(pickup, 'bed.floor')!
    expect([floor.from.z, floor.from.y]).toEqual([1040 - 478, 1092 / 2 - 60])
    expect(vehicleSupports(pickup).map((s) => [s.name, s.surface?.zMm])).toContainEqual(['Bed floor', 562])
  })
  test('pockets are counted from the front edge by their pitch: the first 200 behind it, then every 600', () => {
    const pocketed = measured({ 'bed.pocketFirst': 200, 'bed.pocketPitch': 600 })
    // 1552 long, told from the rear end: 152, 752, 1352
    expect(placeOf(pocketed, 'bed.pocket')!.pointsMm).toEqual([152, 752, 1352])
    expect(placeOf(measured({ 'bed.pocketFirst': 200 }), 'bed.pocket')!.pointsMm).toEqual([1352])
  })
  test.each([
    ['bed.railWidth', 'Top of the bed rails', 'width of the rail'],
    ['bed.length', 'Top of the bed rails', 'length inside, along the middle'],
    ['bed.betweenArches', 'Bed floor', 'between the wheel arches'],
  ])('without %s there is no such place, and what to measure is named', (id, name, lacks) => {
    expect(wanting(without(id), name)).toContain(lacks)
    expect(placesOf(without(id)).places.map((p) => p.name)).not.toContain(name)
  })
  test('a reading in dispute is no measure', () => {
    const readings = [1406, 1446].map((value, i) => ({ value, at: '2026-11-01', who: `no. ${i}`, method: 'tape' as const, note: '' }))
    const disputed = { ...pickup, measures: { ...pickup.measures, 'bed.railWidth': { ...taped(62), readings: readings as never } } }
    expect(placeOf(disputed, 'bed.rail')).toBeNull()
  })
  test('a vehicle without a bed has none, and nobody asks for one', () => {
    const bare = { ...pickup, bodies: [], measures: {} }
    expect(placesOf(bare).places.filter((p) => p.id.startsWith('bed'))).toEqual([])
    expect(placesOf(bare).wanting.filter((w) => /bed/i.test(w.name))).toEqual([])
  })
})

describe('what is rated', () => {
  test('a rating is by place; one that nobody gave is unknown, never none', () => {
    expect(ratedAt(pickup, 'bed.rail').downKg.value).toBe(160)
    expect(ratedAt(pickup, 'bed.floor')).toMatchObject({ downKg: { value: null }, upKg: { value: null }, skin: null })
    expect(placeOf(pickup, 'bed.floor')!.downKg.value).toBeNull()
  })
})

describe('the receiver', () => {
  test('its pin stands so far inside the bumper: rear end −1220, 70 ahead of it', () => {
    const pin = placeOf(measured({ 'rear.receiverToBumper': 70 }), 'receiver')!
    expect([pin.from, pin.to, pin.normal]).toEqual([
      { x: -1150, y: 0, z: 428 },
      { x: -1150, y: 0, z: 428 },
      { x: -1, y: 0, z: 0 },
    ])
  })
  test('rated but not measured it is asked for; neither, and there is none to ask for', () => {
    const rated = { ...without('rear.receiverHeight'), tongueKg: sourcedValue(75, 'maker', 'plate', '2026-10-14') }
    expect(wanting(rated, 'Receiver')?.join()).toMatch(/receiver pin above ground/)
    expect(wanting(without('rear.receiverHeight'), 'Receiver')).toBeUndefined()
  })
})

test('along a place goes from its first end, and stops at the last', () => {
  const rail = { ...placeOf(pickup, 'bed.rail')!, from: { x: 0, y: 300, z: 500 }, to: { x: 400, y: 600, z: 500 } }
  expect(alongPlace(rail, 250)).toEqual({ x: 200, y: 450, z: 500 })
  expect(alongPlace(rail, 900)).toEqual(rail.to)
  expect(alongPlace(rail, -10)).toEqual(rail.from)
})
