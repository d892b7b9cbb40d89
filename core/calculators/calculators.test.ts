import loadHighs from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import { highsTools } from '../nesting/highsTools'
import type { Tools } from '../nesting/nestBars'
import { calculate, calculatorOf, calculators, inputJsonSchema } from './registry'

let tools: Tools
beforeAll(async () => {
  tools = highsTools(await loadHighs(), () => performance.now())
})
const run = (name: string, given: unknown) => calculate(calculatorOf(name)!, given, tools)
const value = (name: string, given: unknown) => {
  const out = run(name, given)
  if (!out.ok) throw new Error(JSON.stringify(out.faults))
  return out.value as Record<string, unknown>
}

describe.each(calculators.map((c) => [c.name, c] as const))('%s', (_, c) => {
  test('works its own example, has a schema, names its source', () => {
    expect(calculate(c, c.example, tools).ok).toBe(true)
    expect(inputJsonSchema(c)).toHaveProperty('type')
    expect(c.source.length).toBeGreaterThan(5)
  })
  test.each([null, 7, 'x', [], {}, { shape: 1 }])('refuses %j with a field, without throwing', (bad) => {
    const out = calculate(c, bad, tools)
    expect(out.ok).toBe(false)
    if (!out.ok) expect(out.faults[0].expected.length).toBeGreaterThan(3)
  })
})

test('84 − 2 × 1 3/4 = 80 1/2 in = 2044.7 mm', () =>
  expect(value('fraction', { text: '84 - 2*1 3/4' })).toMatchObject({ mm: expect.closeTo(2044.7, 9), inches: 80.5, sixteenths: '80 1/2' }))
test('square 40 × 3 in steel weighs about 3.3 kg/m (EN 10219-2: 3.30)', () =>
  expect(value('section', calculatorOf('section')!.example).massKgPerM).toBeCloseTo(3.3, 1))
test('four marks on 2400 with 100 at each end stand at 100, 833.3, 1566.7, 2300; five fit at no less than 500', () => {
  const out = value('even-spacing', calculatorOf('even-spacing')!.example)
  expect((out.positionsMm as number[]).map((x) => Math.round(x * 10) / 10)).toEqual([100, 833.3, 1566.7, 2300])
  expect(out.largestCount).toBe(5)
})
test('roof 150 less rack 16.4, case 42, awning 31 leaves 60.6 moving; a missing limit is “not assessed”', () => {
  const example = calculatorOf('roof-load')!.example as Record<string, unknown>
  expect(value('roof-load', example).movingLeftKg).toBeCloseTo(60.6, 6)
  expect(value('roof-load', { ...example, roofParkedKg: null })).toMatchObject({ verdict: 'not assessed', missing: ['Roof limit, parked'] })
})
test('Z of 40 + 60 + 40 in 2 mm, r 3, K 0.42: two 90° bends deduct 2·5 − 3.84·π/2 = 3.97 each', () => {
  expect(value('flat-pattern', calculatorOf('flat-pattern')!.example).flatLength).toBeCloseTo(
    140 - 2 * (10 - (3 + 0.42 * 2) * (Math.PI / 2)),
    6,
  )
})
test('a flange shorter than its bend is impossible, and the field of a wrong wall is named', () => {
  expect(
    run('flat-pattern', { thickness: 3, insideRadius: 10, kFactor: 0.4, flanges: [40, 5, 40], bends: [{ angle: 90 }, { angle: 90 }] }),
  ).toMatchObject({ ok: false, kind: 'impossible' })
  expect(run('section', { shape: { kind: 'round', outsideDiameterMm: 20, wallMm: 11 } })).toMatchObject({
    ok: false,
    kind: 'bad-input',
    faults: [{ where: 'shape.wallMm' }],
  })
})
