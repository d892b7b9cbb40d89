import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { defaultRules } from '../rules/rules'
import { withRack } from '../testing/racks'
import { demoVehicles } from '../vehicle/demoVehicles'
import { likeness } from './likeness'
import { type Dimension, pointsOf } from './sheet'
import { drawView } from './views'

const [survey] = demoJobs
const drawn = (view: 'plan' | 'side' | 'rear', job = survey) => {
  const { assembly } = evaluate(job, defaultRules)
  return { assembly, entities: drawView(view, assembly, job.vehicle, job.brief).entities }
}
const box = (points: { x: number; y: number }[]) => {
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)]
  return { left: Math.min(...xs), right: Math.max(...xs), low: Math.min(...ys), high: Math.max(...ys) }
}

describe('the vehicle', () => {
  test.each(demoVehicles.map((v) => [v.name, v] as const))(
    '%s: its plan is as wide to the left as to the right, and as long as it is',
    (_, vehicle) => {
      const job = { ...survey, vehicle, brief: { ...survey.brief, cargo: [] } }
      // dashed where it is assumed
      const body = drawn('plan', job).entities.find((e) => e.kind === 'polygon' && ['vehicle', 'assumed'].includes(e.layer))!
      const b = box(pointsOf(body))
      expect(b.low).toBeCloseTo(-b.high, 6)
      if (vehicle.widthMm.value !== null) expect(b.high - b.low).toBeCloseTo(vehicle.widthMm.value, 6)
      if (vehicle.lengthMm.value !== null) expect(b.right - b.left).toBeCloseTo(vehicle.lengthMm.value, 6)
      // every corner has its like on the other side
      for (const p of pointsOf(body)) expect(pointsOf(body).some((q) => Math.hypot(q.x - p.x, q.y + p.y) < 1e-6)).toBe(true)
    },
  )
})

describe('feet', () => {
  test.each(['side', 'rear'] as const)('from the %s a foot fills what lies between its seat and the underside of its bar', (view) => {
    const { assembly, entities } = drawn(view)
    for (const m of assembly.mounts) {
      const b = box(pointsOf(entities.find((e) => e.ref === m.id && e.layer === 'foot')!))
      const bar = assembly.members.find((x) => x.id === m.on)!
      expect(b.low).toBeCloseTo(m.place.z, 6)
      // the survey van's bars are 40 high
      expect(b.high).toBeCloseTo(bar.path[0]!.z - 20, 6)
    }
  })
})

describe('heights from the ground', () => {
  const heights = (job = survey) => {
    const dims = drawn('side', job).entities.filter((e): e is Dimension => e.kind === 'dimension' && e.axis === 'y')
    return { of: (label: string | undefined) => dims.filter((d) => d.label === label), all: dims }
  }
  test('the deck has its own height, and none where there are no bars', () => {
    const { assembly } = drawn('side')
    expect(
      heights()
        .of('deck')
        .map((d) => d.lengthMm),
    ).toEqual([assembly.supports[0]!.bearings[0]!.zMm])
    const bare = withRack({ ...survey, brief: { ...survey.brief, cargo: [] } }, { sideRails: false })
    // no bars, no deck
    const none = withRack(bare, { barXMm: [] })
    expect(heights(none).of('deck')).toEqual([])
  })
  test('each is measured from the ground', () => {
    for (const d of heights().all) expect([Math.min(d.from.y, d.to.y), Math.abs(d.to.y - d.from.y)]).toEqual([0, d.lengthMm])
  })
})

describe('where feet may stand', () => {
  test('a line from 0 to 3000 with 500–700, 650–900, −100–50 and 2900–3200 kept out is drawn from 50 to 500 and from 900 to 2900, on both sides', () => {
    const [line] = survey.vehicle.mounts
    const keepOut = (fromXMm: number, toXMm: number) => ({ fromXMm, toXMm })
    const keepOuts = [keepOut(2900, 3200), keepOut(650, 900), keepOut(500, 700), keepOut(-100, 50)]
    const mounts = [{ ...line!, fromXMm: 0, toXMm: 3000, pointsXMm: null, keepOuts }]
    const { entities } = drawn('plan', { ...survey, vehicle: { ...survey.vehicle, mounts } })
    const lines = entities.flatMap((e) => (e.kind === 'line' && e.layer === 'mount' ? [[e.from.x, e.to.x, Math.sign(e.from.y)]] : []))
    expect(lines).toEqual([
      [50, 500, 1],
      [900, 2900, 1],
      [50, 500, -1],
      [900, 2900, -1],
    ])
  })
})

describe('names of what is carried', () => {
  test('a name is not drawn through a bar where there is room beside it, and never stands away from its item', () => {
    const [case_] = survey.brief.cargo
    const at = (xMm: number, name: string, barXMm = [0, 1100, 2200]) => {
      const job = withRack({ ...survey, brief: { ...survey.brief, cargo: [{ ...case_!, name, xMm, lengthMm: 2000 }] } }, { barXMm })
      const text = drawn('plan', job).entities.find((e) => e.kind === 'text' && e.text === name)
      return text?.kind === 'text' ? text.at.x : Number.NaN
    }
    // its rear edge at 100, the bars at 0, 1100, 2200, 40 wide: ten letters of 56
    const first = at(1100, 'ten lettrs')
    expect(first).toBeGreaterThanOrEqual(100)
    expect(first + 560).toBeLessThanOrEqual(1080)
    // its rear edge at 900, its front at 2900: it is clear of every bar, on its item or right at its front end
    const second = at(1900, 'ten lettrs')
    for (const bar of [1100, 2200]) expect(second > bar + 20 || second + 560 < bar - 20).toBe(true)
    expect(second).toBeGreaterThanOrEqual(900)
    expect(second).toBeLessThanOrEqual(2900 + 24)
    // too long for any gap between bars it stands where the roof is empty, and touches its item
    const name = 'a name that is so long that no gap between any bars is wide enough'
    const long = at(1900, name)
    expect([2900 + 24, 900 - 24 - 56 * name.length]).toContain(long)
  })
})

describe('the likeness', () => {
  const views = ['plan', 'side', 'rear'] as const
  test.each(demoVehicles.map((v) => [v.name, v] as const))(
    '%s: on a layer of its own, within what was measured but for the mirrors, the same left and right',
    (_, vehicle) => {
      for (const view of views) {
        const entities = likeness(vehicle, view)
        expect(new Set(entities.map((e) => e.layer))).toEqual(new Set(['likeness']))
        const b = box(entities.flatMap(pointsOf))
        const [rear, front] = [
          -(vehicle.rearOverhangMm.value ?? 1150),
          (vehicle.lengthMm.value ?? 5400) - (vehicle.rearOverhangMm.value ?? 1150),
        ]
        if (view !== 'rear') expect([b.left >= rear - 1, b.right <= front + 1]).toEqual([true, true])
        if (view === 'side') expect([b.low >= 0, b.high <= (vehicle.heightMm.value ?? 2000) + 1]).toEqual([true, true])
        // from the side left lies behind right; from above left is up, from behind it is left
        if (view === 'plan') expect(b.low).toBeCloseTo(-b.high, 6)
        if (view === 'rear') expect(b.left).toBeCloseTo(-b.right, 6)
      }
    },
  )
  test('whatever sizes a vehicle has, even such as there are none, everything drawn is finite', () => {
    const size = (least: number, most: number) => fc.oneof(fc.constant(null), fc.integer({ min: least, max: most }))
    fc.assert(
      fc.property(
        size(2000, 12_000),
        size(1200, 2600),
        size(1200, 3600),
        size(1500, 6000),
        size(0, 3000),
        (length, width, height, base, overhang) => {
          const with_ = (value: number | null) => ({ ...survey.vehicle.lengthMm, value })
          const vehicle = {
            ...survey.vehicle,
            lengthMm: with_(length),
            widthMm: with_(width),
            heightMm: with_(height),
            wheelbaseMm: with_(base),
            rearOverhangMm: with_(overhang),
          }
          for (const view of views)
            for (const p of likeness(vehicle, view).flatMap(pointsOf))
              expect([Number.isFinite(p.x), Number.isFinite(p.y)]).toEqual([true, true])
        },
      ),
      { numRuns: 100 },
    )
  })
})
