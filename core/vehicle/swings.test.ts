import fc from 'fast-check'
import { expect, test } from 'vitest'
import { drawView } from '../drawing/views'
import { demoJobs } from '../job/demoJobs'
import { evaluate } from '../job/evaluate'
import { openItems } from '../job/openItems'
import { defaultRules } from '../rules/rules'
import { changedFigures } from './changedFigures'
import { tailgate, taken } from './demoFigures'
import { demoVehicles } from './demoVehicles'
import { firstMeeting, leafAt, leafMeetsBox, swingPaths, swingsOf } from './swings'
import { type Swing, swingKinds } from './vehicle'

const gate = tailgate(-1200, 580, 460, 1400)
const middle = (p: { x: number; y: number; z: number }[]) => ({
  x: (p[2].x + p[3].x) / 2,
  y: (p[2].y + p[3].y) / 2,
  z: (p[2].z + p[3].z) / 2,
})

test('a tailgate of 460 hinged at 580: shut its edge stands at 1040; open at 90° it lies 460 behind the hinge', () => {
  expect(middle(leafAt(gate, 0).corners)).toEqual({ x: -1200, y: 0, z: 1040 })
  const open = middle(leafAt(gate, 90).corners)
  expect([open.x, open.z].map(Math.round)).toEqual([-1660, 580])
})

test('a left door opens to the left, a right rear door rearwards from the right edge inwards when shut', () => {
  const door = (kind: Swing['kind'], yMm: number): Swing => ({ ...gate, kind, yMm })
  expect(middle(leafAt(door('left door', 900), 90).corners).y).toBeCloseTo(900 + 460, 6)
  expect(middle(leafAt(door('right rear door', -700), 0).corners).y).toBeCloseTo(-700 + 460, 6)
  expect(middle(leafAt(door('right rear door', -700), 90).corners).x).toBeCloseTo(-1200 - 460, 6)
})

test('every kind keeps its reach at every angle: the far edge goes round its hinge on a circle', () => {
  fc.assert(
    fc.property(fc.constantFrom(...swingKinds), fc.double({ min: 0, max: 180, noNaN: true }), (kind, deg) => {
      const { hinge, corners } = leafAt({ ...gate, kind }, deg)
      const m = middle(corners)
      expect(Math.hypot(m.x - hinge.x, m.y - hinge.y, m.z - hinge.z)).toBeCloseTo(460, 6)
    }),
  )
})

test('a box 100 behind the hinge and 300 above it is met when the edge comes down to it: cos θ = (300 − 50)/√…', () => {
  const box = { name: 'box', centre: { x: -1400, y: 0, z: 880 }, half: { x: 50, y: 50, z: 50 } }
  const at = firstMeeting(gate, box)
  // the leaf passes the box's near lower corner (150 behind, 250 above) at atan(150/250) = 31.0° and its near upper one (150, 350) at 23.2°
  expect(at).toBe(24)
  expect(leafMeetsBox(gate, 20, box)).toBe(false)
  expect(firstMeeting({ ...gate, opensDeg: 20 }, box)).toBeNull()
  expect(firstMeeting({ ...gate, opensDeg: null }, box)).toBeNull()
})

test('a box beside the leaf is never met', () => {
  expect(firstMeeting(gate, { name: 'box', centre: { x: -1300, y: 800, z: 800 }, half: { x: 50, y: 50, z: 50 } })).toBeNull()
})

test('swings are drawn in plan, side and rear, and one that opens nobody knows how far is drawn shut and asked for', () => {
  const job = demoJobs[0]
  for (const view of ['plan', 'side', 'rear'] as const) {
    const sheet = drawView(view, evaluate(job, defaultRules).assembly, job.vehicle, job.brief)
    expect(sheet.entities.filter((e) => e.ref === 'swing:left-door')).toHaveLength(3)
  }
  const vehicle = { ...job.vehicle, swings: [{ ...gate, opensDeg: null }] }
  const sheet = drawView('side', evaluate(job, defaultRules).assembly, vehicle, job.brief)
  expect(sheet.entities.filter((e) => e.ref === 'swing:tailgate')).toHaveLength(1)
  expect(swingPaths(vehicle.swings[0])).toEqual([[], []])
  expect(openItems({ ...job, vehicle }, null, String).map((i) => i.text)).toContain('How far the tailgate opens is unknown')
})

test('a hatch that opens up into a case hung over the rear is named with the angle; the demo jobs open freely', () => {
  for (const job of demoJobs) expect(evaluate(job, defaultRules).issues.filter((i) => i.code === 'swing_meets')).toEqual([])
  const job = demoJobs[0]
  const hatch: Swing = {
    id: 'h',
    name: 'Hatch',
    kind: 'hatch',
    xMm: -1290,
    yMm: 0,
    zMm: 2500,
    reachMm: 1400,
    hingeLengthMm: 1500,
    opensDeg: 110,
    taken,
  }
  const long = { ...job.brief.cargo[0], lengthMm: 5000, xMm: 500 }
  const blocked = { ...job, vehicle: { ...job.vehicle, swings: [hatch] }, brief: { ...job.brief, cargo: [long] } }
  const issue = evaluate(blocked, defaultRules).issues.find((i) => i.code === 'swing_meets')
  expect(issue).toMatchObject({ swing: 'hatch', item: long.name })
})

test('a canopy is a body whose hatch hangs at its rear; a bed cover lies level', () => {
  const kinds = demoVehicles.flatMap((v) =>
    swingsOf(v)
      .filter((s) => v.bodies.some((b) => b.id === s.id))
      .map((s) => s.kind),
  )
  expect(kinds).toEqual(['hatch', 'cover'])
})

test('two states of one vehicle: what changed is named, and nothing where nothing did', () => {
  const [van] = demoVehicles
  expect(changedFigures(van, van)).toEqual([])
  expect(changedFigures(van, { ...van, wheelbaseMm: { ...van.wheelbaseMm, value: 1 }, swings: [] })).toEqual([
    'wheelbase',
    'doors and hatches',
  ])
})
