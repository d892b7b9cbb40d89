import { describe, expect, test } from 'vitest'
import { demoJobs } from '../job/demoJobs'
import { assembled } from '../testing/racks'
import { clearNames } from './clearNames'
import { withPerson } from './person'
import { projectionOf } from './projection'
import { bounds, type Entity, type Sheet, type ViewName } from './sheet'
import { drawView } from './views'

const A4 = { x: 30, y: 54, width: 782, height: 500, legend: { width: 166, height: 160 } }
const UNIT = 72 / 25.4
const viewsOf = (i: number): Record<ViewName, Sheet> => {
  const job = demoJobs[i]!
  const a = assembled(job)
  const view = (name: ViewName) => drawView(name, a, job.vehicle, job.brief)
  return { plan: view('plan'), side: view('side'), rear: view('rear') }
}

describe('three views in projection', () => {
  test('a wheel stands in the side view straight under its place in the plan, and as high as in the view from behind', () => {
    for (const i of demoJobs.keys()) {
      const at = projectionOf(viewsOf(i), A4, UNIT, 11, 'metric')
      const seen = (view: ViewName, x: number, y: number) => ({
        x: at.origins[view].x + x * at.scale,
        y: at.origins[view].y - y * at.scale,
      })
      expect(seen('plan', 1234, 0).x).toBeCloseTo(seen('side', 1234, 0).x, 9)
      expect(seen('side', 0, 340).y).toBeCloseTo(seen('rear', 0, 340).y, 9)
      // above and beside, not over one another
      expect(at.origins.plan.y - viewsOf(i).plan.box.min.y * at.scale).toBeLessThan(
        at.origins.side.y - viewsOf(i).side.box.max.y * at.scale,
      )
    }
  })
  test('the corner beside them has room for the legend, of a long low vehicle too', () => {
    for (const i of demoJobs.keys())
      for (const stretch of [1, 3]) {
        const wide = Object.fromEntries(
          Object.entries(viewsOf(i)).map(([k, v]) => [
            k,
            k === 'rear'
              ? v
              : { ...v, box: { min: { ...v.box.min, x: v.box.min.x * stretch }, max: { ...v.box.max, x: v.box.max.x * stretch } } },
          ]),
        ) as Record<ViewName, Sheet>
        const at = projectionOf(wide, A4, UNIT, 11, 'metric')
        expect(at.beside.width).toBeGreaterThanOrEqual(166)
        expect(at.beside.height).toBeGreaterThanOrEqual(160)
        // what stands below the corner begins below it, what stands right of it right of it
        expect(at.origins.rear.y - wide.rear.box.max.y * at.scale).toBeGreaterThanOrEqual(at.beside.y + at.beside.height)
        expect(at.origins.plan.x + wide.plan.box.min.x * at.scale).toBeGreaterThanOrEqual(at.beside.x + at.beside.width)
      }
  })
  test('everything drawn lies on the paper, and the next larger scale would not', () => {
    for (const system of ['metric', 'inch'] as const)
      for (const i of demoJobs.keys()) {
        const views = viewsOf(i)
        const at = projectionOf(views, A4, UNIT, 11, system)
        const outside = (scale: number) => {
          const high = [views.plan, views.side].reduce((s, v) => s + v.box.max.y - v.box.min.y, 0) * scale
          const wide = (views.rear.box.max.x - views.rear.box.min.x + views.side.box.max.x - views.side.box.min.x) * scale
          return high > A4.height || wide > A4.width
        }
        expect(outside(at.scale)).toBe(false)
        for (const name of ['plan', 'side', 'rear'] as const) {
          const { min, max } = views[name].box
          const o = at.origins[name]
          expect(o.x + min.x * at.scale).toBeGreaterThanOrEqual(A4.x - 1e-6)
          expect(o.x + max.x * at.scale).toBeLessThanOrEqual(A4.x + A4.width + 1e-6)
          expect(o.y - max.y * at.scale).toBeGreaterThanOrEqual(A4.y - 1e-6)
          expect(o.y - min.y * at.scale).toBeLessThanOrEqual(A4.y + A4.height + 1e-6)
        }
        // a full scale up, half as many to one, is off the sheet
        expect(outside(at.scale * 2.1)).toBe(true)
      }
  })
})

describe('names of cargo', () => {
  const item = (id: string, x: number, y: number, wide: number, high: number): Entity[] => [
    {
      kind: 'polygon',
      layer: 'cargo',
      ref: id,
      closed: true,
      points: [
        { x, y },
        { x: x + wide, y },
        { x: x + wide, y: y + high },
        { x, y: y + high },
      ],
    },
    { kind: 'text', layer: 'cargo', ref: id, at: { x, y: y + high + 24 }, text: 'Case of tools', anchor: 'start' },
  ]
  const named = (list: Entity[]) => clearNames(list).find((e) => e.kind === 'text') as { at: { x: number; y: number } }
  test('stand over the rear end where nothing is in the way', () => {
    expect(named(item('a', 0, 0, 2000, 400)).at).toEqual({ x: 0, y: 424 })
  })
  test('move clear of a ring that stands there', () => {
    const { at } = named([...item('a', 0, 0, 2000, 400), { kind: 'balloon', layer: 'mark', at: { x: 100, y: 480 }, text: 'B1' }])
    expect(Math.hypot(Math.max(0, at.x - 100, 100 - (at.x + 13 * 56)), Math.max(0, at.y - 480, 480 - (at.y + 115)))).toBeGreaterThan(100)
  })
  test('of all demo jobs none lies over another', () => {
    for (const i of demoJobs.keys())
      for (const sheet of Object.values(viewsOf(i))) {
        const boxes = sheet.entities.flatMap((e) =>
          e.kind === 'text' && e.layer === 'cargo' ? [{ min: e.at, max: { x: e.at.x + e.text.length * 40, y: e.at.y + 80 } }] : [],
        )
        for (const [k, a] of boxes.entries())
          for (const b of boxes.slice(k + 1)) {
            const meet = a.min.x < b.max.x && b.min.x < a.max.x && a.min.y < b.max.y && b.min.y < a.max.y
            expect(meet).toBe(false)
          }
        expect(bounds(sheet.entities).min.x).toBeLessThan(0)
      }
  })
})

describe('somebody beside it', () => {
  test('is 1750 tall, stands on the ground clear of the vehicle, and the frame takes them in', () => {
    for (const i of demoJobs.keys()) {
      const { vehicle } = demoJobs[i]!
      for (const [name, sheet] of Object.entries(viewsOf(i))) {
        const shown = withPerson(sheet, vehicle, '1750 mm')
        const [body] = shown.entities.slice(sheet.entities.length)
        const { min, max } = bounds([body!])
        if (name !== 'plan') expect([min.y, max.y]).toEqual([0, 1750])
        const rear = -vehicle.rearOverhangMm.value!
        if (name === 'rear') expect(max.x).toBeLessThan(-vehicle.widthMm.value! / 2)
        if (name === 'plan') expect(max.x).toBeLessThan(rear)
        if (name === 'side') expect(min.x).toBeGreaterThan(rear + vehicle.lengthMm.value!)
        expect([shown.box.min.x <= min.x, shown.box.max.x >= max.x]).toEqual([true, true])
      }
    }
  })
})
