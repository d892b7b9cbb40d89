import { expect, test } from 'vitest'
import type { Plate } from '../assembly/assembly'
import { familyOf } from '../families/all'
import { foldedPlate } from '../families/foldedParts'
import { foldedStrip } from '../sheet/foldedStrip'
import { legsFlat } from '../sheet/legs'
import { built } from '../testing/onSite'
import { demoVehicles } from '../vehicle/demoVehicles'
import { chainOf, legAt } from './foldedChain'

const sheet = { thicknessMm: 4, insideRadiusMm: 6, kFactor: 0.4 }
const pose = { origin: { x: 0, y: 0, z: 0 }, along: { x: 1, y: 0, z: 0 }, up: { x: 0, y: 1, z: 0 } }
const metal = { materialId: 'steel', thicknessMm: 4 }
/** A step: 60, up 60, 60. */
function step(): Plate {
  const turns = [
    { angleDeg: 90, side: 'up' as const },
    { angleDeg: 90, side: 'down' as const },
  ]
  const flat = legsFlat({ legsMm: [60, 64, 60], turns, wideMm: 50 }, sheet)
  const { bends, faces } = foldedStrip({ ...flat, holes: [], ...sheet })
  return {
    id: 'a',
    mark: 'A',
    name: 'Step',
    ...metal,
    outline: flat.outline,
    holes: [],
    bends,
    faces,
    pose,
    goodFace: 'down',
    air: 'board',
  }
}

test('a step is three legs with two folds, each as wide as the strip; places on its legs are found on them', () => {
  const chain = chainOf(step())!
  expect([chain.legs.length, chain.folds.map((f) => f.wideMm)]).toEqual([3, [50, 50].map((v) => expect.closeTo(v, 6))])
  const on = (x: number, z: number) => legAt(chain, { x, y: 25, z }, 4)
  expect([on(20, 0), on(60, 30), on(90, 60)]).toEqual([0, 1, 2])
})
test('a flat part is one leg without a fold; an angle of a pan is a strip, a box of one is none', () => {
  expect(chainOf({ ...step(), bends: [], faces: undefined } as Plate)!.folds).toEqual([])
  const pan = (flanges: object) =>
    foldedPlate({ id: 'p', mark: 'P', name: 'Pan', pan: { lengthMm: 100, widthMm: 80, ...sheet, flanges }, pose }, metal, 'board')
  expect(chainOf(pan({ 'y+': { lengthMm: 40 } }))!.legs).toHaveLength(2)
  expect(chainOf(pan({ 'y+': { lengthMm: 40 }, 'x+': { lengthMm: 40 } }))).toBeNull()
})
test('every bracket and leg of the families is a strip that can be looked at', () => {
  const rack = built(familyOf('lattice')!, { mountId: 'gutter', footXMm: [0, 900] }, demoVehicles[0]!).assembly
  for (const p of rack.plates) expect(chainOf(p)?.folds).toHaveLength(2)
})
