import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { buildPlan } from '../build/buildPlan'
import { demoJobs } from '../job/demoJobs'
import { builtFrom } from '../job/piecesOf'
import { defaultRules } from '../rules/rules'
import { demoWorkshop, type Workshop } from '../workshop/workshop'
import { coldFactor } from './coat'
import { coatCalculator } from './coat.calculator'
import { type CoatProduct, CoatProductSchema, inRoom, productsFor } from './products'

const product = (over: Partial<CoatProduct> = {}): CoatProduct =>
  CoatProductSchema.parse({ id: 'p', name: 'Two-pack', recoatHours: 12, cureHours: 72, leastC: 10, ...over })

describe('a coat in the cold', () => {
  test('twice as long for each ten degrees: at 10 where the sheet says 20, 12 and 72 hours are 24 and 144; at 15 they are 1.41 times', () => {
    expect(inRoom(product(), 10, 10)).toMatchObject({ recoatHours: 24, cureHours: 144, times: 2, tooCold: false })
    expect(inRoom(product(), 15, 10).times).toBeCloseTo(Math.SQRT2, 9)
  })
  test('warmer than the sheet it dries no sooner; a room nobody measured leaves the sheet’s hours', () => {
    expect(inRoom(product(), 35, 10)).toMatchObject({ cureHours: 72, times: 1 })
    expect(inRoom(product(), null, 10)).toMatchObject({ cureHours: 72, tooCold: false })
  })
  test('below its least temperature it does not cure: said, and reckoned as if warmed to that', () =>
    expect(inRoom(product(), 4, 10)).toMatchObject({ tooCold: true, times: 2 }))
  test('never shorter than the sheet, and never shorter in a colder room', () =>
    fc.assert(
      fc.property(fc.double({ min: -20, max: 60, noNaN: true }), fc.double({ min: 0, max: 30, noNaN: true }), (roomC, colder) => {
        const [here, there] = [coldFactor(20, roomC, 10), coldFactor(20, roomC - colder, 10)]
        expect(here).toBeGreaterThanOrEqual(1)
        expect(there).toBeGreaterThanOrEqual(here)
      }),
    ))
  test('one coat on one face in a room of 10: half an hour of work and 144 until it carries', () => {
    const asked = { coats: 1, faces: 1, workHours: 0.5, touchHours: 2, recoatHours: 12, cureHours: 72, roomC: 10 }
    expect(coatCalculator.run(coatCalculator.input.parse(asked), undefined as never)).toMatchObject({ readyHour: 144.5, timesAsLong: 2 })
  })
})

test('each metal has the first product that is made for it, and a metal without one says so', () => {
  const list = [product({ id: 'a' }), product({ id: 'b', metals: ['aluminium', 'steel'] })]
  expect(productsFor(['steel', 'aluminium', 'stainless'], list).map((p) => p.product?.id ?? null)).toEqual(['a', 'b', null])
})

describe('in the order of work', () => {
  const guard = demoJobs[1]! // the guard is of steel, painted, and so are its bars
  const paint = (over: Partial<Workshop>) => {
    const workshop = { ...demoWorkshop, ...over }
    const steps = buildPlan({ ...builtFrom(guard, defaultRules), workshop, rules: defaultRules }).steps
    return { step: steps.find((s) => s.id === 'paint')!, warm: steps.find((s) => s.id === 'warm') }
  }
  const steel = product({ metals: ['steel', 'aluminium'], m2PerL: 8, beneath: 'bright metal' })
  test('two coats at 10 °C: 24 between them and 144 until it carries; the step names the coat, its amount and the cold', () => {
    const { step, warm } = paint({ coats: [steel], roomC: 10 })
    expect(step.waitHours).toBeCloseTo((defaultRules.coats - 1) * 24 + 144, 9)
    expect(step.why).toMatch(/Two-pack over bright metal, about \d+\.\d l, 2\.0 times as long as its sheet says at 20 °C/)
    expect(warm).toBeUndefined()
  })
  test('too cold to cure: the room is warmed first, and that is signed', () => {
    const { step, warm } = paint({ coats: [steel], roomC: 5 })
    expect(warm).toMatchObject({ gate: true })
    expect(warm!.why).toMatch(/does not cure below 10 °C, and the room has 5 °C/)
    expect(step.needs).toContain('warm')
  })
  test('no coat listed for a metal: the shop’s rules stand, and that is said', () => {
    const { step } = paint({ coats: [], roomC: 5 })
    expect(step.waitHours).toBe((defaultRules.coats - 1) * defaultRules.recoatHours + defaultRules.cureHours)
    expect(step.why).toMatch(/by the shop’s rules, no coat is listed for it/)
  })
})
