import loadHighs from 'highs'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Tools } from '../calculator/tools'
import { highsTools } from '../nesting/highsTools'
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

describe('loads and strength, by hand', () => {
  const example = (name: string) => calculatorOf(name)!.example as Record<string, unknown>
  test('a frame on nothing cannot be: exit 3 with the node named; 500 members are taken', () => {
    const loose = structuredClone(example('frame')) as { nodes: { fixed: boolean[] }[] }
    for (const n of loose.nodes) n.fixed = [false, false, false, false, false, false]
    const out = run('frame', loose)
    expect(out).toMatchObject({ ok: false, kind: 'impossible' })
    if (!out.ok) expect(out.faults[0].expected).toMatch(/node .* (slides|turns)/)
    const nodes = Array.from({ length: 501 }, (_, i) => ({
      id: `n${i}`,
      x: i * 10,
      y: 0,
      z: 0,
      fixed: i ? [false, false, false, false, false, false] : [true, true, true, true, true, true],
    }))
    const members = nodes.slice(1).map((n, i) => ({
      id: `m${i}`,
      from: nodes[i].id,
      to: n.id,
      section: { A: 500, Iy: 8e4, Iz: 8e4, J: 1e5 },
      material: { E: 210_000, G: 81_000 },
      roll: 0,
    }))
    const tip = value('frame', { nodes, members, loads: { nodes: [{ node: 'n500', force: [0, 0, -10], moment: [0, 0, 0] }] } })
      .displacements as { translation: number[] }[]
    const exact = (-10 * 5000 ** 3) / (3 * 210_000 * 8e4)
    expect(Math.abs(tip[500].translation[2] / exact - 1)).toBeLessThan(1e-6)
  })
  test('2570 kg at 790 and 110 kg at 2800 on a track of 1730: h′ = 872.5, 1.095 falls to 0.991', () => {
    const h = (2570 * 790 + 110 * 2800) / 2680
    expect(value('rollover', example('rollover'))).toMatchObject({
      before: expect.closeTo(1730 / 1580, 9),
      after: expect.closeTo(1730 / 2 / h, 9),
      lossPercent: expect.closeTo(100 * (1 - 790 / h), 6),
    })
  })
  test('110 km/h presses with ½·1.225·30.56² = 571.9 Pa: drag 1.2·0.36 of it, lift 0.3·1.8 of it', () => {
    const out = value('wind-and-whistle', example('wind-and-whistle'))
    expect([out.pressurePa, out.dragN, out.liftN]).toEqual([
      expect.closeTo(571.9, 1),
      expect.closeTo(571.9 * 0.432, 1),
      expect.closeTo(571.9 * 0.54, 1),
    ])
    expect(out.floats).toBe(false)
  })
  test('carrier 20 kg at 300 and 36 kg at 500: 56 kg, 235.4 N·m; carrier rating unknown is not assessed', () => {
    expect(value('tongue-and-carrier', example('tongue-and-carrier'))).toMatchObject({
      massKg: 56,
      momentNm: expect.closeTo(24 * 9.80665, 6),
      tongueUsed: expect.closeTo(56 / 75, 9),
      carrierUsed: null,
      say: 'not assessed: carrier rating unknown',
    })
  })
  test('the poles and the case: three bars are the fewest, and every plan that says so meets both rules', () => {
    const out = value('spacing', example('spacing')) as { plans: { barXMm: number[]; meetsRules: boolean }[]; say: string }
    const fewest = out.plans.find((p) => p.meetsRules)!
    expect(out.say).toContain(`${fewest.barXMm.length} bars are the fewest`)
    const [first, last] = [fewest.barXMm[0], fewest.barXMm[fewest.barXMm.length - 1]]
    expect(Math.max(first - (900 - 1700), 900 + 1700 - last)).toBeLessThanOrEqual(600)
  })
  test('two straps over 42 kg on 0.4: nothing is missing; without them it says how many', () => {
    expect(value('strap-plan', example('strap-plan')).missing).toBeNull()
    expect(value('strap-plan', { ...example('strap-plan'), straps: [] }).missing).toContain('1 more over it')
    expect(run('strap-plan', { ...example('strap-plan'), straps: [{ wllKg: 250, anchorN: 100, angleDeg: 0, way: 'over' }] })).toMatchObject(
      { ok: false, kind: 'impossible' },
    )
  })
  test('runs of weld on one line cannot hold a moment about it, a plate over its rib is not held by the skin: refused by field', () => {
    const line = { ...example('fillet-weld'), lines: [{ x1: 0, y1: 0, x2: 40, y2: 0 }] }
    expect(run('fillet-weld', line)).toMatchObject({ ok: false, kind: 'bad-input', faults: [{ where: 'lines' }] })
    expect(run('backing-plate', { ...example('backing-plate'), panelRadiusMm: 30 })).toMatchObject({
      ok: false,
      faults: [{ where: 'panelRadiusMm' }],
    })
  })
})

test('a post of 600 in square 30 × 2 steel-ish (I 54 000) under 200 N gives 200·600³/(3·210000·54000) = 1.27 mm; half the reach an eighth, twice eight times', () => {
  const out = value('reach-and-flex', calculatorOf('reach-and-flex')!.example)
  expect(out.bendsByMm).toBeCloseTo((200 * 600 ** 3) / (3 * 210_000 * 54_000), 9)
  expect((out.byReach as { times: number }[]).map((r) => Math.round(r.times * 1000) / 1000)).toEqual([0.125, 0.422, 1, 1.953, 3.375, 8])
  expect(run('reach-and-flex', { forceN: 200, reachMm: 600, secondMomentMm4: 54_000, heldToMm: 600 }).ok).toBe(false)
})
test('the braced post a second way: the frame solver, fixed at the foot, held aside at 150 of 600', () => {
  const held = [false, false, false, false, false, false]
  const section = { A: 220, Iy: 54_000, Iz: 54_000, J: 80_000 }
  const material = { E: 210_000, G: 81_000 }
  const frame = value('frame', {
    nodes: [
      { id: 'foot', x: 0, y: 0, z: 0, fixed: [true, true, true, true, true, true] },
      { id: 'brace', x: 0, y: 0, z: 150, fixed: [true, false, false, false, false, false] },
      { id: 'top', x: 0, y: 0, z: 600, fixed: held },
    ],
    members: [
      { id: 'below', from: 'foot', to: 'brace', section, material, roll: 0 },
      { id: 'above', from: 'brace', to: 'top', section, material, roll: 0 },
    ],
    loads: { nodes: [{ node: 'top', force: [200, 0, 0], moment: [0, 0, 0] }], members: [] },
  })
  const top = (frame.displacements as { node: string; translation: number[] }[]).find((d) => d.node === 'top')!
  expect(value('reach-and-flex', calculatorOf('reach-and-flex')!.example).withBraceMm).toBeCloseTo(top.translation[0], 9)
})

test('six rivets: 900/(6·1100) + 1500/(6·900) = 0.414; 1.2 mm of S235, 10 from the end, bears min(1.8·4.8, 10/1.2)·360·1.2/(1.25·1.5) = 1920 N beside each', () => {
  const out = value('rivet-and-insert', calculatorOf('rivet-and-insert')!.example)
  expect(out).toMatchObject({ used: expect.closeTo(900 / 6600 + 1500 / 5400, 9), missing: [], closesOnStack: true, shearEachN: 250 })
  expect(out.sheetBearsN).toBeCloseTo(1920, 6)
  const unrated = value('rivet-and-insert', { ...(calculatorOf('rivet-and-insert')!.example as object), mayTensionN: null, stackMm: 5 })
  expect(unrated).toMatchObject({ used: null, missing: ['what one may be pulled by'], closesOnStack: false })
})
test('four screws of 8 with 60 of thread in ply of 500 kg/m³, out of doors 0.7 of it; too little thread is refused with what to change', () => {
  const out = value('wood-screw', calculatorOf('wood-screw')!.example)
  const strength = 0.52 * 8 ** -0.5 * 60 ** -0.1 * 500 ** 0.8
  expect(out.holdsN).toBeCloseTo((0.7 * 4 ** 0.9 * strength * 8 * 60) / (1.3 * 1.5), 6)
  expect(out.used).toBeCloseTo(6000 / (out.holdsN as number), 9)
  const short = run('wood-screw', { ...(calculatorOf('wood-screw')!.example as object), threadMm: 40 })
  expect(!short.ok && short.faults[0].expected).toContain('use 48 mm or a thinner screw')
})

test('a plate of 120 × 80 with a hole of 11 from its file: 9505 mm², 400 + 34.6 mm of cut, two pierces; an open one is impossible with its place', () => {
  const { dxf } = calculatorOf('flat-dxf')!.example as { dxf: string }
  const out = value('flat-dxf', { dxf })
  expect(out).toMatchObject({ lengthMm: 120, widthMm: 80, pierces: 2, roundHolesMm: [11] })
  expect([out.areaMm2, out.cutMm]).toEqual([9600 - 95.033, 400 + 34.558].map((v) => expect.closeTo(v, 2)))
  const open = run('flat-dxf', { dxf: dxf.replace('\n70\n1\n10', '\n70\n0\n10') })
  expect(open).toMatchObject({ ok: false, kind: 'impossible' })
  expect(open.ok ? '' : open.faults[0]!.expected).toMatch(/at 0 mm, 0 mm: an edge that goes on/)
})
